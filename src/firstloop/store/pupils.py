"""Children in and out of the record, each within a class."""

from datetime import date
from typing import Any

from sqlalchemy import JSON, CheckConstraint, ForeignKey, Row, UniqueConstraint, bindparam
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.contract import Stage
from firstloop.core.errors import FirstLoopError, LooksAlikeError
from firstloop.core.evidence.task import Handedness
from firstloop.core.names import key_of, look_alike
from firstloop.core.teaching.gets import AS_THE_CLASS, Gets, LineSize, Side
from firstloop.core.teaching.roster import Presence
from firstloop.store.base import Base
from firstloop.store.records import NotInRecordError, PupilRecord


class Pupil(Base):
    """A child. Deleting one deletes all that they wrote. `gets` is what is otherwise than for the
    class, in words; a null stage is the class's; `since` is the day they were put apart or left."""

    __tablename__ = "pupil"
    __table_args__ = (
        UniqueConstraint("class_id", "name"),
        CheckConstraint("handedness IN ('left', 'right')", name="handedness"),
        CheckConstraint("presence IN ('here', 'apart', 'left')", name="presence"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    name: Mapped[str]
    handedness: Mapped[str]
    stage: Mapped[str | None]
    gets: Mapped[dict[str, Any]] = mapped_column(JSON, server_default="{}")
    tile: Mapped[str | None]
    presence: Mapped[str] = mapped_column(server_default=Presence.HERE.value)
    since: Mapped[date | None]


_ALL = Pupil.__table__.select()
_ONE = _ALL.where(Pupil.id == bindparam("pupil_id"))
_WITH_THE_LEFT = _ALL.where(Pupil.class_id == bindparam("class_id")).order_by(Pupil.name)
_OF_CLASS = _WITH_THE_LEFT.where(Pupil.presence != Presence.LEFT.value)


def get(session: Session, class_id: int, pupil_id: int) -> PupilRecord:
    """One child of a class; raises NotInRecordError."""
    row = session.connection().execute(_ONE, {"pupil_id": pupil_id}).first()
    if row is None or row.class_id != class_id:
        raise _not_there(pupil_id)
    return record_of(row)


def of_class(session: Session, class_id: int) -> tuple[PupilRecord, ...]:
    """The children of a class, by name, without those who have left."""
    rows = session.connection().execute(_OF_CLASS, {"class_id": class_id})
    return tuple(record_of(row) for row in rows)


def with_the_left(session: Session, class_id: int) -> tuple[PupilRecord, ...]:
    """The children of a class, by name, those who have left among them."""
    rows = session.connection().execute(_WITH_THE_LEFT, {"class_id": class_id})
    return tuple(record_of(row) for row in rows)


class NameTakenError(FirstLoopError):
    """A child of the class is called so already."""


class TileTakenError(FirstLoopError):
    """Another child of the class has that picture."""


def add(
    session: Session, class_id: int, name: str, handedness: Handedness, *, alike: bool = False
) -> PupilRecord:
    """Takes a child into a class; raises NameTakenError, and LooksAlikeError unless a name that
    looks like another's is meant."""
    _require_free(session, class_id, name, alike=alike)
    row = Pupil(
        class_id=class_id,
        name=name,
        handedness=handedness.value,
        presence=Presence.HERE.value,
    )
    session.add(row)
    session.flush()
    return record_of(row)


def change(
    session: Session,
    class_id: int,
    pupil_id: int,
    name: str,
    handedness: Handedness,
    *,
    alike: bool = False,
) -> PupilRecord:
    """Calls a child otherwise, or says that they write with the other hand; letters stay theirs.
    Raises NotInRecordError and NameTakenError, and LooksAlikeError unless that is meant."""
    row = _row(session, class_id, pupil_id)
    _require_free(session, class_id, name, but=pupil_id, alike=alike)
    row.name, row.handedness = name, handedness.value
    session.flush()
    return record_of(row)


def _require_free(
    session: Session, class_id: int, name: str, but: int | None = None, *, alike: bool
) -> None:
    for one in with_the_left(session, class_id):
        if one.id != but and not alike and look_alike(one.name, name):
            raise LooksAlikeError(one.name)
        if one.id != but and key_of(one.name) == key_of(name):
            has_left = one.presence is Presence.LEFT
            raise NameTakenError(
                f"{one.name} has left; let them come back, or add a letter to tell them apart"
                if has_left
                else f"{one.name} is there already; add a letter to tell them apart"
            )


def set_presence(
    session: Session, class_id: int, pupil_id: int, presence: Presence, today: date
) -> PupilRecord:
    """Puts a child apart, lets them leave or come back; raises NotInRecordError."""
    row = _row(session, class_id, pupil_id)
    row.presence = presence.value
    row.since = None if presence is Presence.HERE else today
    session.flush()
    return record_of(row)


def set_tile(session: Session, class_id: int, pupil_id: int, tile: str | None) -> PupilRecord:
    """Gives a child a picture, or none; raises NotInRecordError, and TileTakenError where another
    child who is not gone has it."""
    row = _row(session, class_id, pupil_id)
    for one in of_class(session, class_id):
        if tile is not None and one.tile == tile and one.id != pupil_id:
            raise TileTakenError(f"{one.name} has that picture; choose another")
    row.tile = tile
    session.flush()
    return record_of(row)


def move(session: Session, class_id: int, pupil_id: int, to_class_id: int) -> None:
    """Moves a child to another class; raises NotInRecordError and NameTakenError. What is counted
    by class, who calls sees to."""
    row = _row(session, class_id, pupil_id)
    _require_free(session, to_class_id, row.name, alike=True)
    if row.tile in {one.tile for one in of_class(session, to_class_id)}:
        row.tile = None
    row.class_id = to_class_id
    session.flush()


def set_gets(session: Session, class_id: int, pupil_id: int, gets: Gets) -> PupilRecord:
    """Sets what a child gets otherwise than its class; raises NotInRecordError."""
    row = _row(session, class_id, pupil_id)
    row.stage = gets.stage
    row.gets = {
        "lines": gets.lines.value,
        "fewer": gets.fewer,
        "more_help": gets.more_help,
        "model_side": gets.model_side,
    }
    session.flush()
    return record_of(row)


def remove(session: Session, class_id: int, pupil_id: int) -> None:
    """Deletes a child and all that they wrote; raises NotInRecordError."""
    session.delete(_row(session, class_id, pupil_id))
    session.flush()


def record_of(row: Pupil | Row[Any]) -> PupilRecord:
    """A row as what leaves the store."""
    return PupilRecord(
        row.id,
        row.name,
        Handedness(row.handedness),
        _gets(row),
        row.tile,
        Presence(row.presence),
        row.since,
    )


def _gets(row: Pupil | Row[Any]) -> Gets:
    """What a child gets as the record keeps it; what is not there is as for the class."""
    if not row.gets and row.stage is None:
        return AS_THE_CLASS
    side = row.gets.get("model_side")
    return Gets(
        lines=LineSize(row.gets.get("lines", LineSize.AS_CLASS)),
        fewer=row.gets.get("fewer", False),
        more_help=row.gets.get("more_help", False),
        model_side=None if side is None else Side(side),
        stage=None if row.stage is None else Stage(row.stage),
    )


def _row(session: Session, class_id: int, pupil_id: int) -> Pupil:
    row = session.get(Pupil, pupil_id)
    if row is None or row.class_id != class_id:
        raise _not_there(pupil_id)
    return row


def _not_there(pupil_id: int) -> NotInRecordError:
    return NotInRecordError(f"there is no pupil {pupil_id} in the class")
