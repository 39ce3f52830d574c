"""Children of a class."""

from firstloop.store import practice_days, pupils
from firstloop.store.database import Database


def forget(record: Database, class_id: int, pupil_id: int) -> None:
    """Deletes a child and all that they wrote, for good; raises NotInRecordError."""
    with record.session() as session:
        pupils.get(session, class_id, pupil_id)
        practice_days.without_pupil(session, class_id, pupil_id)
        pupils.remove(session, class_id, pupil_id)
