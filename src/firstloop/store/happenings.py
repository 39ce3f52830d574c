"""What happens while a class writes, in its order: read by teacher and pads as it comes, and after
a gap from where they had come to. It holds ids only; what was deleted since is told to nobody."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum

from sqlalchemy import ForeignKey, Index, bindparam, delete, func, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store import news
from firstloop.store.base import Base, UtcDateTime

KEPT = timedelta(days=2)
"""A gap is minutes long; after two days nobody asks what happened meanwhile."""


class What(StrEnum):
    """What the teacher is told: something was handed in, seen by eye or chosen, of a pad, where a
    board is or should go on, that the class is another than it was (its hand, lines, ways or
    children); and what the pads are."""

    ATTEMPT = "attempt"
    PAD = "pad"
    TALLY = "tally"
    BEST = "best"
    PLACE = "place"
    ONWARDS = "onwards"
    CLASS = "class"
    TASK = "task"
    REPLAY = "replay"
    CHOOSE = "choose"
    LOOK = "look"
    END = "end"


FOR_THE_TEACHER = (
    What.ATTEMPT,
    What.PAD,
    What.TALLY,
    What.BEST,
    What.PLACE,
    What.ONWARDS,
    What.CLASS,
)
FOR_PADS = (What.TASK, What.REPLAY, What.CHOOSE, What.LOOK, What.END)


class Happening(Base):
    """Something that happened: of a lesson's code, to or about a pad, with what was handed in by
    its sender's id, or an attempt by eye; None where it is about none or all. `by` is the screen
    that did it, which knows of it already."""

    __tablename__ = "happening"
    __table_args__ = (
        Index("ix_happening_class_id_id", "class_id", "id"),
        {"sqlite_autoincrement": True},  # a number that was told once is never another's
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    what: Mapped[str]
    lesson_id: Mapped[int | None] = mapped_column(ForeignKey("lesson.id", ondelete="CASCADE"))
    code_id: Mapped[int | None] = mapped_column(ForeignKey("lesson_code.id", ondelete="CASCADE"))
    pad_id: Mapped[int | None] = mapped_column(ForeignKey("pad.id", ondelete="CASCADE"))
    handed_in: Mapped[str | None] = mapped_column(ForeignKey("handed_in.id", ondelete="CASCADE"))
    attempt_id: Mapped[int | None] = mapped_column(ForeignKey("attempt.id", ondelete="CASCADE"))
    by: Mapped[str | None]


@dataclass(frozen=True, slots=True)
class Happened:
    """Something that happened; its number grows."""

    id: int
    what: What
    lesson_id: int | None
    code_id: int | None
    pad_id: int | None
    handed_in: str | None
    attempt_id: int | None
    by: str | None


_ADD = insert(Happening)
_SINCE = (
    select(Happening)
    .where(Happening.class_id == bindparam("class_id"), Happening.id > bindparam("after"))
    .order_by(Happening.id)
    .limit(bindparam("most"))
)


def add(
    session: Session,
    class_id: int,
    what: What,
    at: datetime,
    *,
    lesson_id: int | None = None,
    code_id: int | None = None,
    pad_id: int | None = None,
    handed_in: str | None = None,
    attempt_id: int | None = None,
    by: str | None = None,
) -> None:
    """Something happens; who waits for it is woken once it is in the record."""
    row = {
        "class_id": class_id,
        "at": at,
        "what": what.value,
        "lesson_id": lesson_id,
        "code_id": code_id,
        "pad_id": pad_id,
        "handed_in": handed_in,
        "attempt_id": attempt_id,
        "by": by,
    }
    session.connection().execute(_ADD, row)
    news.happened(session, (class_id, what in FOR_PADS))


def since(session: Session, class_id: int, after: int, most: int) -> list[Happened]:
    """What happened in a class after something, in its order; no more at once than `most`."""
    asked = {"class_id": class_id, "after": after, "most": most}
    return [
        Happened(
            row.id,
            What(row.what),
            row.lesson_id,
            row.code_id,
            row.pad_id,
            row.handed_in,
            row.attempt_id,
            row.by,
        )
        for row in session.scalars(_SINCE, asked)
    ]


def newest(session: Session, class_id: int) -> int:
    """The number of the last thing that happened in a class; 0 where nothing has."""
    last = select(func.max(Happening.id)).where(Happening.class_id == class_id)
    return session.scalar(last) or 0


_LAST_PLACE = select(func.max(Happening.at)).where(
    Happening.class_id == bindparam("class_id"),
    Happening.lesson_id == bindparam("lesson_id"),
    Happening.what == What.PLACE.value,
)


def last_place(session: Session, class_id: int, lesson_id: int) -> datetime | None:
    """When a board last went to another step of a lesson, if one did."""
    asked = {"class_id": class_id, "lesson_id": lesson_id}
    return session.connection().scalar(_LAST_PLACE, asked)


def forget_old(session: Session, class_id: int, now: datetime) -> None:
    """Forgets what happened long ago."""
    session.execute(
        delete(Happening).where(Happening.class_id == class_id, Happening.at < now - KEPT)
    )
