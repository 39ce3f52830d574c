"""Children of a class."""

from dataclasses import dataclass
from datetime import date, datetime

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of
from firstloop.core.teaching.roster import MOST_CHILDREN
from firstloop.store import classes, copies, practice_days, pupils
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError, PupilRecord


@dataclass(frozen=True, slots=True)
class InCopies:
    """What was deleted is still in so many copies of the record, in the last until a day."""

    count: int
    until: date | None


class ClassIsFullError(FirstLoopError):
    """No more children can be in a class."""


class ClassIsThereError(FirstLoopError):
    """A class is in the record already."""


def begin(
    record: Database,
    name: str,
    *,
    style: Style,
    ruling: Ruling,
    x_height_mm: float,
    children: list[tuple[str, Handedness]],
) -> ClassRecord:
    """Makes the first class of a record; raises ClassIsThereError where there is one, and
    NameTakenError and UnknownLetterError."""
    hand_of(style)
    with record.writing() as session:
        try:
            there = classes.first(session)
        except NotInRecordError:
            made = classes.add(
                session, name, style=style, ruling=ruling, x_height_mm=x_height_mm, children=[]
            )
            for child, handedness in children:
                pupils.add(session, made.id, child, handedness)
            return classes.get(session, made.id)
        raise ClassIsThereError(f"{there.name} is in the record already")


def take_in(
    record: Database, class_id: int, children: list[tuple[str, Handedness]]
) -> list[PupilRecord]:
    """Takes children into a class, all or none; raises NameTakenError and ClassIsFullError."""
    with record.writing() as session:
        if len(pupils.of_class(session, class_id)) + len(children) > MOST_CHILDREN:
            raise ClassIsFullError(f"a class has at most {MOST_CHILDREN} children")
        return [pupils.add(session, class_id, name, hand) for name, hand in children]


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
