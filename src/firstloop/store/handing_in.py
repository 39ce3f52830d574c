"""Handing in: a written letter is checked and kept, in one step."""

from datetime import datetime

from sqlalchemy.orm import Session

from firstloop.core.checking.check import check
from firstloop.core.ink import Ink
from firstloop.store import attempts, classes
from firstloop.store.records import AttemptRecord, ClassRecord, Help, NewAttempt


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
    result = check(ink, letter, school_class.hand, school_class.ruling)
    return attempts.add(
        session,
        NewAttempt(
            pupil_id=pupil.id,
            letter=letter,
            hand=school_class.style.hand,
            ruling=school_class.ruling,
            help=help,
            written_at=written_at,
            ink=ink,
            reads_as=result.reads_as,
            way=result.way,
            verdicts=result.verdict,
            findings=result.findings,
            say=result.say,
            checker=result.checker,
        ),
    )
