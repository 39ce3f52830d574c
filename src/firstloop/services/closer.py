"""Something looked at closely: where a finding shows in the ink, everybody's words, and what it is
worth being laid beside."""

from collections.abc import Collection
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.check import check
from firstloop.core.contract import Code
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Kind, Source
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.judging.pointed_out import Pointed, pointed_out
from firstloop.core.judging.trust import by_trust
from firstloop.core.letters import draw
from firstloop.core.letters.style import hand_of
from firstloop.services.table import by_measures
from firstloop.store import attempts, inks, judging, pupils, table
from firstloop.store.database import Session
from firstloop.store.judging import About
from firstloop.store.records import AttemptRecord, ClassRecord, JudgementRecord
from firstloop.store.table import Asked, Lying

NOTHING: FloatArray = np.empty((0, 2))


@dataclass(frozen=True, slots=True, eq=False)
class Closer:
    """The ink (n, 2) in u of the move that the first finding is about, where that shows, and
    everybody's words, the newest first."""

    faulty: FloatArray
    pointed: Pointed | None
    words: list[JudgementRecord]


def look(
    session: Session, school_class: ClassRecord, attempt_id: int, doubts: Collection[Code]
) -> Closer:
    """An attempt looked at closely. The check is asked again for which ink it took for which move:
    that is not kept. Raises NotInRecordError."""
    found = attempts.get(session, school_class.id, attempt_id)
    words = judging.words_on(session, school_class.id, About(attempt_id=attempt_id))
    ink = inks.of(session, [attempt_id]).get(attempt_id, Ink(()))
    findings = by_trust(found.attempt.checked.findings, doubts)
    if not findings or not ink.strokes or not found.attempt.checked.is_judged:
        return Closer(NOTHING, None, words)
    try:
        faulty, pointed = _shown(found, ink, findings[0].code, school_class)
    except FirstLoopError:  # ink of a text that is no letter by itself
        return Closer(NOTHING, None, words)
    return Closer(faulty, pointed, words)


def _shown(
    found: AttemptRecord, ink: Ink, code: Code, school_class: ClassRecord
) -> tuple[FloatArray, Pointed | None]:
    attempt = found.attempt
    ruling = attempt.ruling.on(school_class.ruling)
    result = check(ink, attempt.task, attempt.style, ruling)
    finding = next((one for one in result.findings if one.code is code), None)
    if finding is None:
        return NOTHING, None
    here = (finding.stroke, finding.move)
    faulty = next((t.points for t in result.trail if (t.stroke, t.move) == here), NOTHING)
    hand = hand_of(attempt.style)
    model = draw(hand.scripts[attempt.task.target], hand.proportions, ruling)
    return faulty, pointed_out(finding, result.trail, ink, model)


def words_on_text(session: Session, class_id: int, text_id: int) -> list[JudgementRecord]:
    """Everybody's words on a text, the newest first. Raises NotInRecordError."""
    return judging.words_on(session, class_id, About(text_id=text_id))


@dataclass(frozen=True, slots=True)
class WorthComparing:
    """Attempts of a child at a letter, by id: the first, the latest, the child's latest choice, and
    the best by its measures of the days that the child chose on, or of all."""

    first: int | None
    latest: int | None
    chosen: int | None
    best: int | None


def worth_comparing(session: Session, class_id: int, pupil_id: int, letter: str) -> WorthComparing:
    """What of a child's letter is worth being laid side by side; nothing of a letter never
    written. Raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    asked = Asked(table.FIRST_DAY, table.LAST_DAY, pupil_id=pupil_id, letter=letter)
    found, _ = table.lying(session, class_id, asked)
    mine = sorted(
        (one for one in found if one.kind is Kind.LETTER and one.source is Source.PEN),
        key=lambda one: one.written_at,
    )
    if not mine:
        return WorthComparing(None, None, None, None)
    chosen = next((one for one in reversed(mine) if one.chosen), None)
    among = [one for one in mine if chosen is None or one.day == chosen.day]
    best = min(among, key=by_measures)
    return WorthComparing(*(_id(one) for one in (mine[0], mine[-1], chosen, best)))


def _id(one: Lying | None) -> int | None:
    return one.about.attempt_id if one else None
