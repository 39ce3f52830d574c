"""Children of a class."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, datetime

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Handedness
from firstloop.core.teaching.gets import Gets
from firstloop.core.teaching.roster import MOST_CHILDREN, Presence
from firstloop.formats.tiles import TILES, require_tile
from firstloop.services.clock import day_of
from firstloop.store import copies, practice_days, pupils, school
from firstloop.store.database import Database, Session
from firstloop.store.records import PupilRecord


@dataclass(frozen=True, slots=True)
class InCopies:
    """What was deleted is still in so many copies of the record, in the last until a day."""

    count: int
    until: date | None


class ClassIsFullError(FirstLoopError):
    """No more children can be in a class."""


def take_in(
    record: Database,
    class_id: int,
    children: list[tuple[str, Handedness]],
    *,
    alike: bool = False,
) -> list[PupilRecord]:
    """Takes children into a class, all or none; raises NameTakenError and ClassIsFullError, and
    LooksAlikeError unless names that look alike are meant."""
    with record.writing() as session:
        require_room(session, class_id, len(children))
        return take_in_with(session, class_id, children, alike=alike)


def take_in_with(
    session: Session,
    class_id: int,
    children: list[tuple[str, Handedness]],
    *,
    alike: bool,
) -> list[PupilRecord]:
    """The same, within what is being written. Each gets a picture of its own at once, while there
    are any left: a child of five finds itself by it."""
    free = _free_tiles(session, class_id)
    made = []
    for name, hand in children:
        one = pupils.add(session, class_id, name, hand, alike=alike)
        tile = next(free, None)
        made.append(pupils.set_tile(session, class_id, one.id, tile) if tile else one)
    return made


def forget(record: Database, class_id: int, pupil_id: int) -> InCopies:
    """Deletes a child and all that they wrote, for good; what is left of them in copies. Raises
    NotInRecordError."""
    with record.writing() as session:
        pupils.get(session, class_id, pupil_id)
        practice_days.without_pupil(session, class_id, pupil_id)
        pupils.remove(session, class_id, pupil_id)
    record.clear_log()
    return left_in_copies(record)


def left_in_copies(record: Database) -> InCopies:
    """What copies of the record still hold of what was deleted just now."""
    return InCopies(len(copies.of(record.path)), copies.last_gone_on(record.path))


def change(  # who, and what of them
    record: Database,
    class_id: int,
    pupil_id: int,
    name: str,
    handedness: Handedness,
    *,
    alike: bool = False,
) -> PupilRecord:
    """Calls a child otherwise, or says that they write with the other hand; raises NameTakenError,
    NotInRecordError, and LooksAlikeError unless it is meant."""
    with record.writing() as session:
        return pupils.change(session, class_id, pupil_id, name, handedness, alike=alike)


def set_gets(record: Database, class_id: int, pupil_id: int, gets: Gets) -> PupilRecord:
    """Sets what a child gets otherwise than its class; raises NotInRecordError."""
    with record.writing() as session:
        return pupils.set_gets(session, class_id, pupil_id, gets)


def set_tile(record: Database, class_id: int, pupil_id: int, tile: str | None) -> PupilRecord:
    """Gives a child a picture, or takes it away; raises NotInRecordError, TileTakenError, and
    NoTileError where there is no such picture."""
    require_tile(tile)
    with record.writing() as session:
        return pupils.set_tile(session, class_id, pupil_id, tile)


def set_presence(
    record: Database, class_id: int, pupil_id: int, presence: Presence, now: datetime
) -> PupilRecord:
    """Puts a child apart, lets them leave or come back; raises NotInRecordError and
    ClassIsFullError."""
    with record.writing() as session:
        today = day_of(now, school.zone(session))
        changed = pupils.set_presence(session, class_id, pupil_id, presence, today)
        require_room(session, class_id, 0)
        return changed


def give_tiles(record: Database, class_id: int) -> tuple[PupilRecord, ...]:
    """Gives each child who has no picture one that no other has; the class as it is then."""
    with record.writing() as session:
        free = _free_tiles(session, class_id)
        for one in pupils.of_class(session, class_id):
            if one.tile is None and (tile := next(free, None)):
                pupils.set_tile(session, class_id, one.id, tile)
        return pupils.of_class(session, class_id)


def _free_tiles(session: Session, class_id: int) -> Iterator[str]:
    """The pictures that no child of a class has."""
    taken = {one.tile for one in pupils.with_the_left(session, class_id)}
    return iter([tile for tile in TILES if tile not in taken])


def renew_copies(record: Database, now: datetime) -> InCopies:
    """Makes a copy of the record as it is now and drops all others; raises RecordError."""
    copies.renew(record.path, now)
    return InCopies(0, None)


def require_room(session: Session, class_id: int, more: int) -> None:
    """Raises ClassIsFullError where so many more are too many."""
    if len(pupils.of_class(session, class_id)) + more > MOST_CHILDREN:
        raise ClassIsFullError(f"a class has at most {MOST_CHILDREN} children")
