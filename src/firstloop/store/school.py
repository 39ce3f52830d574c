"""The school: the one zone that its days are counted in, and whether it is a demonstration."""

from zoneinfo import ZoneInfo

from sqlalchemy import Connection, false, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column
from tzlocal import get_localzone_name

from firstloop.store.base import Base

ONLY = 1


class School(Base):
    """The one row of what holds for the whole record."""

    __tablename__ = "school"

    id: Mapped[int] = mapped_column(primary_key=True)
    time_zone: Mapped[str]
    is_demo: Mapped[bool] = mapped_column(server_default=false())


_ZONE = select(School.time_zone)


def zone(session: Session) -> ZoneInfo:
    """The school's zone. It is this machine's when the record is made, and stays as it is."""
    return ZoneInfo(session.connection().execute(_ZONE).scalar_one())


def settle(connection: Connection) -> None:
    """Sets the zone of a record that has none yet to this machine's."""
    if connection.scalar(select(School.id)) is None:
        connection.execute(insert(School).values(id=ONLY, time_zone=get_localzone_name()))


def set_zone(session: Session, name: str) -> None:
    """Sets the school's zone; raises ZoneInfoNotFoundError for a name that is none. Days that are
    counted already stay as they were."""
    ZoneInfo(name)
    session.get_one(School, ONLY).time_zone = name
    session.flush()


_IS_DEMO = select(School.is_demo)


def is_demo(session: Session) -> bool:
    """Whether the record is a demonstration: until somebody makes an account, who sits at the
    machine is signed in."""
    return bool(session.connection().execute(_IS_DEMO).scalar_one())


def set_demo(session: Session) -> None:
    """Makes the record a demonstration."""
    session.get_one(School, ONLY).is_demo = True
    session.flush()
