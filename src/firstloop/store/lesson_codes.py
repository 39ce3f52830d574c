"""The codes by which pads join a lesson, while it goes on and after."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from hmac import compare_digest
from typing import Any

from sqlalchemy import ForeignKey, Row, bindparam
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.teaching.lesson_codes import plain
from firstloop.store import happenings
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.happenings import What
from firstloop.store.records import NotInRecordError

LASTS = timedelta(hours=12)
"""A school day: a code that nobody ended is worth nothing on the next."""


class LessonCode(Base):
    """A code, the lesson that pads join by it (None: it was deleted), from when to when. `secret`
    is what the square says for it."""

    __tablename__ = "lesson_code"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    lesson_id: Mapped[int | None] = mapped_column(
        ForeignKey("lesson.id", ondelete="SET NULL"), index=True
    )
    code: Mapped[str]
    secret: Mapped[str | None]
    opened_at: Mapped[datetime] = mapped_column(UtcDateTime)
    ends_at: Mapped[datetime] = mapped_column(UtcDateTime, index=True)


@dataclass(frozen=True, slots=True)
class CodeRecord:
    """A lesson's code, from when and until when it is good."""

    id: int
    class_id: int
    lesson_id: int | None
    code: str
    secret: str
    opened_at: datetime
    ends_at: datetime

    def is_open(self, now: datetime) -> bool:
        """Whether pads may join and write."""
        return now < self.ends_at


# Every request of a pad asks it: a statement that is built once.
_ONE = LessonCode.__table__.select().where(LessonCode.id == bindparam("code_id"))
_OPEN = (
    LessonCode.__table__.select()
    .where(LessonCode.ends_at > bindparam("now", type_=UtcDateTime))
    .order_by(LessonCode.id)
)
_OPEN_OF = _OPEN.where(LessonCode.class_id == bindparam("class_id"))


def add(  # noqa: PLR0917  # what opens for whom
    session: Session, class_id: int, lesson_id: int | None, code: str, secret: str, now: datetime
) -> CodeRecord:
    """Opens a lesson to pads."""
    row = LessonCode(
        class_id=class_id,
        lesson_id=lesson_id,
        code=code,
        secret=secret,
        opened_at=now,
        ends_at=now + LASTS,
    )
    session.add(row)
    session.flush()
    return _record(row)


def open_of(session: Session, class_id: int, now: datetime) -> list[CodeRecord]:
    """The open codes of a class, the oldest first."""
    rows = session.connection().execute(_OPEN_OF, {"class_id": class_id, "now": now})
    return [_record(row) for row in rows]


def get(session: Session, class_id: int, code_id: int) -> CodeRecord:
    """One code; raises NotInRecordError."""
    row = session.connection().execute(_ONE, {"code_id": code_id}).first()
    if row is None or row.class_id != class_id:
        raise NotInRecordError("there is no such lesson code; open the lesson to pads again")
    return _record(row)


def end(session: Session, class_id: int, lesson_id: int | None, now: datetime) -> None:
    """Ends the code of a lesson, or all of a class: nobody joins by it any more, and its pads are
    told."""
    for one in open_of(session, class_id, now):
        if lesson_id is None or one.lesson_id == lesson_id:
            session.get_one(LessonCode, one.id).ends_at = now
            happenings.add(session, class_id, What.END, now, code_id=one.id)
    session.flush()


def tell_pads(  # noqa: PLR0917  # what is told to whom
    session: Session,
    class_id: int,
    lesson_id: int | None,
    what: What,
    now: datetime,
    pad_id: int | None = None,
) -> None:
    """Tells the pads of a lesson, or of all of a class, something, or one of them."""
    for one in open_of(session, class_id, now):
        if lesson_id is None or one.lesson_id == lesson_id:
            happenings.add(session, class_id, what, now, code_id=one.id, pad_id=pad_id)


def named(session: Session, code: str, now: datetime) -> CodeRecord | None:
    """The open code of any class that somebody gives, if there is one."""
    return next((one for one in every_open(session, now) if plain(one.code) == plain(code)), None)


def with_secret(session: Session, secret: str, now: datetime) -> CodeRecord | None:
    """The open code of any class whose square says this, if there is one."""
    shown = secret.strip().encode("utf-8", "replace")
    return next(
        (one for one in every_open(session, now) if compare_digest(one.secret.encode(), shown)),
        None,
    )


def every_open(session: Session, now: datetime) -> list[CodeRecord]:
    """The open codes of all classes."""
    return [_record(row) for row in session.connection().execute(_OPEN, {"now": now})]


def _record(row: LessonCode | Row[Any]) -> CodeRecord:
    return CodeRecord(
        row.id, row.class_id, row.lesson_id, row.code, row.secret or "", row.opened_at, row.ends_at
    )
