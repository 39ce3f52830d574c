"""The pads of a class: devices that are known, the lesson each is in, and who writes on it. Of what
a pad shows for it only digests are kept."""

from collections.abc import Collection
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey, Row, bindparam, delete, func, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store import news
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.lesson_codes import CodeRecord, LessonCode
from firstloop.store.pad_loads import PadLoad
from firstloop.store.records import NotInRecordError

MOST_IN_A_LESSON = 100
"""Pads: a class of sixty, and as many again that were given back and fetched anew."""


class Pad(Base):
    """A device: by what it is known again, by what it is known in a lesson (None: it is in none),
    since when it asks to come in, and whether it opens without the network, if it has said."""

    __tablename__ = "pad"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    device: Mapped[str] = mapped_column(index=True)
    token: Mapped[str | None] = mapped_column(index=True)
    code_id: Mapped[int | None] = mapped_column(
        ForeignKey("lesson_code.id", ondelete="SET NULL"), index=True
    )
    asked_at: Mapped[datetime | None] = mapped_column(UtcDateTime)
    opens_alone: Mapped[bool | None]


class PadSeat(Base):
    """A child at a pad in a lesson, from when to when (None: still)."""

    __tablename__ = "pad_seat"

    id: Mapped[int] = mapped_column(primary_key=True)
    pad_id: Mapped[int] = mapped_column(ForeignKey("pad.id", ondelete="CASCADE"), index=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"), index=True)
    code_id: Mapped[int] = mapped_column(
        ForeignKey("lesson_code.id", ondelete="CASCADE"), index=True
    )
    since: Mapped[datetime] = mapped_column(UtcDateTime)
    until: Mapped[datetime | None] = mapped_column(UtcDateTime)


@dataclass(frozen=True, slots=True)
class Seat:
    """A child at a pad in a lesson of a class, and when it left."""

    id: int
    class_id: int
    pad_id: int
    pupil_id: int
    code_id: int
    until: datetime | None


@dataclass(frozen=True, slots=True)
class PadRecord:
    """A pad: by what its device is known (a digest), whether it is in a lesson, which, since when
    it asks to come in, who sits at it; whether it wanted to hand in more than a child could
    write."""

    id: int
    class_id: int
    device: str
    is_in: bool
    code_id: int | None
    asked_at: datetime | None
    opens_alone: bool | None
    seat: Seat | None
    is_full: bool

    @property
    def pupil_id(self) -> int | None:
        """Who writes on it now."""
        return self.seat.pupil_id if self.seat else None


# Every request of a pad asks these: statements that are built once.
_ALL = (
    select(
        Pad.id,
        Pad.class_id,
        Pad.device,
        Pad.token,
        Pad.code_id,
        Pad.asked_at,
        Pad.opens_alone,
        PadSeat.id.label("seat_id"),
        PadSeat.pupil_id,
        PadSeat.code_id.label("seat_code"),
        PadLoad.is_full,
    )
    .outerjoin(PadSeat, (PadSeat.pad_id == Pad.id) & PadSeat.until.is_(None))
    .outerjoin(PadLoad, (PadLoad.pad_id == Pad.id) & (PadLoad.code_id == Pad.code_id))
    .order_by(Pad.id)
)
_BY_TOKEN = _ALL.where(Pad.token == bindparam("token"))
_OF_CLASS = _ALL.where(Pad.class_id == bindparam("class_id"))
_IN_LESSON = _OF_CLASS.join(LessonCode, LessonCode.id == Pad.code_id).where(
    Pad.token.is_not(None), LessonCode.ends_at > bindparam("now", type_=UtcDateTime)
)


def holding(session: Session, token: str) -> PadRecord | None:
    """The pad that shows something (a digest) by which it is known in a lesson."""
    row = session.connection().execute(_BY_TOKEN, {"token": token}).first()
    return None if row is None else _record(row)


def known_as(session: Session, device: str) -> list[PadRecord]:
    """A device, in each class that it has been a pad of, the latest last."""
    rows = session.connection().execute(_ALL.where(Pad.device == device))
    return [_record(row) for row in rows]


def of_class(session: Session, class_id: int) -> list[PadRecord]:
    """All pads that a class knows."""
    rows = session.connection().execute(_OF_CLASS, {"class_id": class_id})
    return [_record(row) for row in rows]


def in_lesson(session: Session, class_id: int, now: datetime) -> list[PadRecord]:
    """The pads that are in an open lesson of a class."""
    found = session.connection().execute(_IN_LESSON, {"class_id": class_id, "now": now})
    return [_record(row) for row in found]


def is_full(session: Session, class_id: int, device: str, code_id: int) -> bool:
    """Whether there are so many pads in a lesson that another device may not come in."""
    others = (
        select(func.count())
        .select_from(Pad)
        .where(
            Pad.class_id == class_id,
            Pad.code_id == code_id,
            Pad.token.is_not(None),
            Pad.device != device,
        )
    )
    return (session.scalar(others) or 0) >= MOST_IN_A_LESSON


def get(session: Session, class_id: int, pad_id: int) -> PadRecord:
    """One pad of a class; raises NotInRecordError."""
    row = _row(session, class_id, pad_id)
    return next(one for one in of_class(session, class_id) if one.id == row.id)


def let_in(session: Session, class_id: int, device: str, token: str, code: CodeRecord) -> PadRecord:
    """Takes a device into a lesson; whoever sat at it in another does not any more."""
    row = session.scalar(select(Pad).where(Pad.class_id == class_id, Pad.device == device))
    if row is None:
        row = Pad(class_id=class_id, device=device)
        session.add(row)
        session.flush()
    else:
        _end_seat(session, row.id, code.opened_at, but=code.id)
    row.token, row.code_id, row.asked_at = token, code.id, None
    session.flush()
    return get(session, class_id, row.id)


def nodded(session: Session, class_id: int, pad_id: int, code: CodeRecord) -> None:
    """The teacher lets a pad that asks into a lesson: it comes in when it asks the next time."""
    row = _row(session, class_id, pad_id)
    _end_seat(session, row.id, code.opened_at, but=code.id)
    row.code_id, row.asked_at = code.id, None
    session.flush()


def ask(session: Session, class_id: int, pad_id: int, now: datetime) -> bool:
    """A pad asks to come in; whether it did not before. What it was known by in a lesson that is
    over stays: it may still hand in what was written there."""
    row = _row(session, class_id, pad_id)
    is_new = row.asked_at is None
    row.asked_at = now
    session.flush()
    return is_new


def put_out(session: Session, class_id: int, pad_id: int, now: datetime) -> None:
    """What a pad shows is worth nothing from now on; nobody sits at it; raises NotInRecordError."""
    row = _row(session, class_id, pad_id)
    row.token, row.code_id, row.asked_at = None, None, None
    _end_seat(session, row.id, now)
    news.happened(session, (class_id, True))
    session.flush()


def forget_all(session: Session, class_id: int) -> None:
    """Forgets the devices of a class, and who sat at which."""
    news.happened(session, (class_id, True))
    session.execute(delete(Pad).where(Pad.class_id == class_id))


def sit(session: Session, class_id: int, pad: PadRecord, pupil_id: int, now: datetime) -> Seat:
    """A child sits down at a pad, in place of who sat there."""
    _end_seat(session, pad.id, now)
    row = PadSeat(pad_id=pad.id, pupil_id=pupil_id, code_id=pad.code_id, since=now)
    session.add(row)
    session.flush()
    return Seat(row.id, class_id, row.pad_id, row.pupil_id, row.code_id, None)


def free(session: Session, class_id: int, pad_id: int, now: datetime) -> None:
    """Nobody sits at a pad any more; raises NotInRecordError."""
    _end_seat(session, _row(session, class_id, pad_id).id, now)
    session.flush()


def seat(session: Session, device: str, seat_id: int) -> Seat:
    """Who sat at a device once, in whichever class; raises NotInRecordError for another's seat."""
    row = session.get(PadSeat, seat_id)
    pad = None if row is None else session.get(Pad, row.pad_id)
    if row is None or pad is None or pad.device != device:
        raise NotInRecordError("nobody has sat at this pad so; choose a tile again")
    return Seat(row.id, pad.class_id, row.pad_id, row.pupil_id, row.code_id, row.until)


def says_it_opens_alone(session: Session, class_id: int, pad_id: int, *, it_does: bool) -> None:
    """Remembers whether a pad opens without the network."""
    _row(session, class_id, pad_id).opens_alone = it_does
    session.flush()


def seated(session: Session, class_id: int, code_ids: Collection[int]) -> set[int]:
    """The children who have sat at a pad in some lessons."""
    rows = (
        select(PadSeat.pupil_id)
        .join(Pad, Pad.id == PadSeat.pad_id)
        .where(Pad.class_id == class_id, PadSeat.code_id.in_(code_ids))
    )
    return set(session.scalars(rows))


def _end_seat(session: Session, pad_id: int, now: datetime, but: int | None = None) -> None:
    rows = select(PadSeat).where(PadSeat.pad_id == pad_id, PadSeat.until.is_(None))
    for row in session.scalars(rows):
        if row.code_id != but:
            row.until = now


def _row(session: Session, class_id: int, pad_id: int) -> Pad:
    row = session.get(Pad, pad_id)
    if row is None or row.class_id != class_id:
        raise NotInRecordError(f"there is no pad {pad_id} in the class")
    return row


def _record(row: Row[*tuple[Any, ...]]) -> PadRecord:
    seat = None
    if row.seat_id is not None:
        seat = Seat(row.seat_id, row.class_id, row.id, row.pupil_id, row.seat_code, None)
    return PadRecord(
        id=row.id,
        class_id=row.class_id,
        device=row.device,
        is_in=row.token is not None,
        code_id=row.code_id,
        asked_at=row.asked_at,
        opens_alone=row.opens_alone,
        seat=seat,
        is_full=bool(row.is_full),
    )
