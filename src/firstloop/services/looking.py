"""Looking at what was handed in: what is held to be true of it."""

from collections.abc import Sequence
from dataclasses import dataclass

from firstloop.core.contract import Verdict
from firstloop.store import attempts, texts
from firstloop.store.database import Session
from firstloop.store.handed_in import Work
from firstloop.store.records import AttemptRecord, TextRecord, is_judged_by


@dataclass(frozen=True, slots=True, eq=False)
class Seen:
    """Something handed in: the verdicts that count by dimension, the one thing to say, what is to
    be mended, the most important first, and whether the checker could judge it. Nobody judges what
    was struck through."""

    work: Work
    verdicts: dict[str, str]
    say: str
    to_mend: tuple[str, ...]
    is_judged: bool = True


def seen(session: Session, class_id: int, works: Sequence[Work]) -> list[Seen]:
    """What was handed in and is still there, in the same order."""
    ids = [one.attempt_id for one in works if one.attempt_id is not None]
    by_id = {one.id: one for one in attempts.some(session, class_id, ids)}
    found = []
    for one in works:
        if one.is_struck:
            found.append(Seen(one, {}, "", ()))
        elif one.attempt_id in by_id:
            found.append(_letter(one, by_id[one.attempt_id]))
        elif one.text_id is not None:
            found.append(_text(one, texts.get(session, class_id, one.text_id)))
    return found


def _letter(work: Work, kept: AttemptRecord) -> Seen:
    checked = kept.attempt.checked
    codes = [one.code.value for one in checked.findings if one.severity is Verdict.NOT_YET]
    verdicts = {dimension.value: verdict.value for dimension, verdict in kept.held.items()}
    return Seen(work, verdicts, checked.say, tuple(codes), checked.is_judged)


def _text(work: Work, kept: TextRecord) -> Seen:
    answer = kept.text.answer
    own = kept.judgement.verdicts if kept.judgement else {}
    return Seen(
        work,
        {**answer["verdict"], **{d.value: v.value for d, v in own.items()}},
        answer["say"],
        tuple(
            one["code"] for one in answer["findings"] if one["severity"] == Verdict.NOT_YET.value
        ),
        is_judged_by(kept.text.checker),
    )
