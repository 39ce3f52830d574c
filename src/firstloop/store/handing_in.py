"""Handing in: a written letter is checked and kept, in one step; and checked again by a later
checker."""

from collections import Counter
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy.orm import Session

from firstloop.core.checking.check import CHECKER_VERSION, check
from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.ink import Ink
from firstloop.core.letterforms import HANDS, Hand
from firstloop.store import attempts, classes
from firstloop.store.records import (
    AttemptRecord,
    Checked,
    ClassRecord,
    Handedness,
    Help,
    NewAttempt,
)


def hand_in(
    session: Session,
    school_class: ClassRecord,
    *,
    pupil_id: int,
    letter: str,
    help: Help,
    ink: Ink,
    written_at: datetime,
) -> AttemptRecord:
    """Checks a letter in the class's hand on the class's ruling, and keeps it.

    Raises InkError, UnknownLetterError or NotInRecordError; then nothing is kept.
    """
    pupil = classes.pupil(session, pupil_id)
    stage = pupil.stage or school_class.stage
    result = check(
        ink,
        letter,
        school_class.hand,
        school_class.ruling,
        left_handed=pupil.handedness is Handedness.LEFT,
        stage=stage,
    )
    return attempts.add(
        session,
        NewAttempt(
            pupil_id=pupil.id,
            letter=letter,
            hand=school_class.style.hand,
            stage=stage,
            ruling=school_class.ruling,
            help=help,
            written_at=written_at,
            ink=ink,
            checked=Checked.of(result),
        ),
    )


@dataclass(frozen=True, slots=True)
class Change:
    """A verdict that is another now."""

    letter: str
    dimension: Dimension
    before: Verdict
    now: Verdict


@dataclass(frozen=True, slots=True)
class Rechecked:
    """How many letters were checked again, of how many the verdicts are the same, and how often
    each change came."""

    checked: int
    unchanged: int
    changes: Counter[Change]


def recheck(session: Session, school_class: ClassRecord) -> Rechecked:
    """Checks all ink again that an earlier checker has judged; the teacher's word stays.

    Each letter is checked in the hand, on the ruling and by the limits it was first checked by; in
    the class's hand with the alternatives that the class has now.
    """
    old = [
        record
        for record in attempts.of_class(session, school_class.id)
        if record.attempt.checked.checker != CHECKER_VERSION
    ]
    unchanged, changes = 0, Counter[Change]()
    for record in old:
        before = record.attempt
        result = check(
            before.ink,
            before.letter,
            _hand_of(before, school_class),
            before.ruling,
            left_handed=record.pupil.handedness is Handedness.LEFT,
            stage=before.stage,
        )
        attempts.replace_check(session, record.id, Checked.of(result))
        found = [
            Change(before.letter, dimension, before.checked.verdicts[dimension], now)
            for dimension, now in result.verdict.items()
            if before.checked.verdicts[dimension] is not now
        ]
        changes.update(found)
        unchanged += not found
    return Rechecked(len(old), unchanged, changes)


def _hand_of(attempt: NewAttempt, school_class: ClassRecord) -> Hand:
    if attempt.hand == school_class.style.hand:
        return school_class.hand
    return HANDS.get(attempt.hand, school_class.hand)
