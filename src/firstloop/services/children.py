"""Children of a class."""

from dataclasses import dataclass
from datetime import date, datetime

from firstloop.store import copies, practice_days, pupils
from firstloop.store.database import Database


@dataclass(frozen=True, slots=True)
class InCopies:
    """What was deleted is still in so many copies of the record, in the last until a day."""

    count: int
    until: date | None


def forget(record: Database, class_id: int, pupil_id: int) -> InCopies:
    """Deletes a child and all that they wrote, for good; what is left of them in copies. Raises
    NotInRecordError."""
    with record.writing() as session:
        pupils.get(session, class_id, pupil_id)
        practice_days.without_pupil(session, class_id, pupil_id)
        pupils.remove(session, class_id, pupil_id)
    record.clear_log()
    return InCopies(len(copies.of(record.path)), copies.last_gone_on(record.path))


def renew_copies(record: Database, now: datetime) -> InCopies:
    """Makes a copy of the record as it is now and drops all others; raises RecordError."""
    copies.renew(record.path, now)
    return InCopies(0, None)
