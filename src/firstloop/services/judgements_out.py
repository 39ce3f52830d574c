"""All judgements of a class, to be reckoned with elsewhere; without names, if that is wished."""

from firstloop.core.contract import Dimension
from firstloop.formats.judgements import JudgedRow
from firstloop.formats.result_json import verdicts_of_answer
from firstloop.store import attempts, judging, texts
from firstloop.store.database import Session
from firstloop.store.records import (
    AttemptRecord,
    ClassRecord,
    JudgementRecord,
    NewAttempt,
    NewText,
    TextRecord,
)

AT_ONCE = 500


def rows(session: Session, school_class: ClassRecord, *, names: bool) -> list[JudgedRow]:
    """Every word of the class, the oldest first; of a set that is not through, none is told."""
    found = judging.told(session, school_class.id)
    by_attempt = {
        one.id: one
        for begin in range(0, len(found), AT_ONCE)
        for one in attempts.some(
            session,
            school_class.id,
            [a.attempt_id for a, _ in found[begin : begin + AT_ONCE] if a.attempt_id],
        )
    }
    by_text = {
        one.id: one
        for one in texts.some(session, school_class.id, [a.text_id for a, _ in found if a.text_id])
    }
    made = []
    for about, word in found:
        thing: AttemptRecord | TextRecord | None = by_attempt.get(
            about.attempt_id or 0
        ) or by_text.get(about.text_id or 0)
        if thing is not None:
            made.append(_row(thing, word, names=names))
    return made


def _row(thing: AttemptRecord | TextRecord, said: JudgementRecord, *, names: bool) -> JudgedRow:
    written: NewAttempt | NewText
    if isinstance(thing, AttemptRecord):
        written, what = thing.attempt, "letter"
        checked = thing.attempt.checked.verdicts
    else:
        written, what = thing.text, thing.text.task.kind.value
        checked = verdicts_of_answer(thing.text.answer)
    hers = {d: v.value for d, v in said.word.verdicts.items()}
    findings = sorted(f"{code.value}:{word.value}" for code, word in said.word.findings.items())
    return JudgedRow(
        what=what,
        id=thing.id,
        pupil=thing.pupil.name if names else f"child {thing.pupil.id}",
        target=written.task.target,
        hand=written.style.hand,
        source=written.source.value,
        help=written.help.value,
        written_at=written.written_at,
        author=(said.author or "") if names else f"reader {said.author_id or 0}",
        how=said.word.how.value,
        counts=said.counts,
        made_at=said.made_at,
        set_aside=said.word.set_aside,
        checked_direction=checked[Dimension.DIRECTION].value,
        checked_size=checked[Dimension.SIZE].value,
        checked_shape=checked[Dimension.SHAPE].value,
        direction=hers.get(Dimension.DIRECTION, ""),
        size=hers.get(Dimension.SIZE, ""),
        shape=hers.get(Dimension.SHAPE, ""),
        findings=" ".join(findings),
        blind_set=said.set_id,
    )
