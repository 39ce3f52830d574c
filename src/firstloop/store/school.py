"""The school: the one zone that its days are counted in."""

from zoneinfo import ZoneInfo

from sqlalchemy import Connection, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column
from tzlocal import get_localzone_name

from firstloop.store.base import Base

ONLY = 1


class School(Base):
    """The one row of what holds for the whole record."""

    __tablename__ = "school"

    id: Mapped[int] = mapped_column(primary_key=True)
    time_zone: Mapped[str]


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
