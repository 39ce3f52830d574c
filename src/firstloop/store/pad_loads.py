"""How much each pad has handed in, in a lesson: more than a child could write is no child's."""

from sqlalchemy import ForeignKey, bindparam, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.base import Base

MOST_LETTERS, MOST_POINTS = 2_000, 2_000_000
"""Of one pad in one lesson: forty letters a minute for fifty minutes, and what a digitiser of 240
points a second tells of two hours without a pause."""


class PadLoad(Base):
    """What a pad has handed in, in a lesson: how many things, points in all; whether more was
    refused for it."""

    __tablename__ = "pad_load"

    pad_id: Mapped[int] = mapped_column(ForeignKey("pad.id", ondelete="CASCADE"), primary_key=True)
    code_id: Mapped[int] = mapped_column(
        ForeignKey("lesson_code.id", ondelete="CASCADE"), primary_key=True, index=True
    )
    letters: Mapped[int]
    points: Mapped[int]
    is_full: Mapped[bool]


# Whatever a pad hands in asks these: built once.
_IS_TOO_MUCH = select(PadLoad.letters, PadLoad.points).where(
    PadLoad.pad_id == bindparam("pad"), PadLoad.code_id == bindparam("code")
)
_NEW = insert(PadLoad)
_ADD = _NEW.on_conflict_do_update(
    index_elements=("pad_id", "code_id"),
    set_={
        "letters": PadLoad.letters + _NEW.excluded.letters,
        "points": PadLoad.points + _NEW.excluded.points,
    },
)


def is_too_much(session: Session, pad_id: int, code_id: int) -> bool:
    """Whether a pad has handed in all that is taken of one."""
    row = session.connection().execute(_IS_TOO_MUCH, {"pad": pad_id, "code": code_id}).first()
    return row is not None and (row.letters >= MOST_LETTERS or row.points >= MOST_POINTS)


def add(session: Session, pad_id: int, code_id: int, points: int) -> None:
    """Counts something that a pad handed in."""
    row = {"pad_id": pad_id, "code_id": code_id, "letters": 1, "points": points, "is_full": False}
    session.connection().execute(_ADD, row)


def refused(session: Session, pad_id: int, code_id: int) -> bool:
    """Remembers that a pad wanted to hand in more than is taken; whether it is the first time."""
    row = session.get_one(PadLoad, (pad_id, code_id))
    is_new, row.is_full = not row.is_full, True
    session.flush()
    return is_new
