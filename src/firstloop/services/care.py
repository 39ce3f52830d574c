"""What a teacher sees in a child and notes of it: hers alone."""

from dataclasses import dataclass
from datetime import date, datetime

from firstloop.core.errors import FirstLoopError
from firstloop.core.teaching.care import MOST_NOTES, Care, look_again_on
from firstloop.services.clock import day_of
from firstloop.store import care, school
from firstloop.store.database import Database, Session
from firstloop.store.records import FlagRecord, NoteRecord


class TooManyNotesError(FirstLoopError):
    """No more notes can be kept of a child."""


class FlaggedAlreadyError(FirstLoopError):
    """A flag is set already."""


@dataclass(frozen=True, slots=True)
class CareOf:
    """What is flagged of a child and noted of it, on which day that is looked at."""

    today: date
    flags: tuple[FlagRecord, ...]
    notes: tuple[NoteRecord, ...]


def care_of(session: Session, class_id: int, pupil_id: int, now: datetime) -> CareOf:
    """All of a child; raises NotInRecordError."""
    return CareOf(
        day_of(now, school.zone(session)),
        care.flags(session, class_id, pupil_id),
        care.notes(session, class_id, pupil_id),
    )


def to_look_at(
    session: Session, class_id: int, now: datetime
) -> tuple[tuple[int, FlagRecord], ...]:
    """Whose flags of a class are to be looked at again by today."""
    return care.to_look_at(session, class_id, day_of(now, school.zone(session)))


def set_flag(
    record: Database, class_id: int, pupil_id: int, kind: Care, now: datetime
) -> FlagRecord:
    """Sets a flag from today on, to be looked at again in two weeks; raises NotInRecordError and
    FlaggedAlreadyError."""
    with record.writing() as session:
        today = day_of(now, school.zone(session))
        there = care.flags(session, class_id, pupil_id)
        if any(one.kind is kind and one.done is None for one in there):
            raise FlaggedAlreadyError("that is noted already; choose when to look again there")
        return care.add_flag(session, class_id, pupil_id, kind, today, look_again_on(today))


def change_flag(  # what of a flag, when
    record: Database,
    class_id: int,
    flag_id: int,
    look_again: date,
    now: datetime,
    *,
    is_over: bool,
) -> FlagRecord:
    """Says when a flag is looked at again, and whether it is over from today on; raises
    NotInRecordError."""
    with record.writing() as session:
        done = day_of(now, school.zone(session)) if is_over else None
        return care.change_flag(session, class_id, flag_id, look_again, done)


def remove_flag(record: Database, class_id: int, flag_id: int) -> None:
    """Deletes a flag, for good; raises NotInRecordError."""
    with record.writing() as session:
        care.remove_flag(session, class_id, flag_id)
    record.clear_log()


def add_note(
    record: Database, class_id: int, pupil_id: int, text: str, now: datetime
) -> NoteRecord:
    """Keeps a note of today; raises NotInRecordError and TooManyNotesError."""
    with record.writing() as session:
        if len(care.notes(session, class_id, pupil_id)) >= MOST_NOTES:
            raise TooManyNotesError(
                f"there are {MOST_NOTES} notes on this child already; delete an old one"
            )
        day = day_of(now, school.zone(session))
        return care.add_note(session, class_id, pupil_id, day, text)


def change_note(record: Database, class_id: int, note_id: int, text: str) -> NoteRecord:
    """Puts a note in other words; raises NotInRecordError."""
    with record.writing() as session:
        return care.change_note(session, class_id, note_id, text)


def remove_note(record: Database, class_id: int, note_id: int) -> None:
    """Deletes a note, for good; raises NotInRecordError."""
    with record.writing() as session:
        care.remove_note(session, class_id, note_id)
    record.clear_log()
