"""Handing in: something written is checked and kept, with how the letter stands since."""

from datetime import datetime

from firstloop.core.checking.check import check
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind, Source, Task
from firstloop.services.clock import day_of
from firstloop.store import attempts, inks, practice_days, pupils, school, standings
from firstloop.store.database import Database
from firstloop.store.records import AttemptRecord, Checked, ClassRecord, NewAttempt


def hand_in(
    record: Database,
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
    with record.session() as session:
        pupil = pupils.get(session, school_class.id, pupil_id)
        day = day_of(written_at, school.zone(session))
    stage = pupil.stage or school_class.stage
    task = Task(letter, Kind.LETTER, pupil.handedness, stage)
    result = check(ink, task, school_class.style, school_class.ruling)
    new = NewAttempt(
        pupil_id=pupil.id,
        task=task,
        source=Source.PEN,
        help=help,
        style=school_class.style,
        ruling=school_class.ruling,
        written_at=written_at,
        day=day,
        checked=Checked.of(result),
    )
    with record.session() as session:
        kept = attempts.add(session, school_class.id, new)
        inks.add(session, kept.id, ink)
        practice_days.add(session, school_class.id, letter, day)
        standings.recount(session, pupil.id, letter)
    return kept


def take_back(record: Database, class_id: int, attempt_id: int) -> None:
    """Takes an attempt out of the record, with everything that was said of it; raises
    NotInRecordError."""
    with record.session() as session:
        gone = attempts.get(session, class_id, attempt_id).attempt
        attempts.remove(session, class_id, attempt_id)
        practice_days.add(session, class_id, gone.task.target, gone.day, -1)
        standings.recount(session, gone.pupil_id, gone.task.target)
