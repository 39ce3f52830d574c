"""What a pad handed in and was refused for good. Its ink is on the pad alone; whose it was is noted
here, so that the teacher hears of it and can let it go from where she is."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from sqlalchemy import ForeignKey, Row, bindparam, delete, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.evidence.task import Kind
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.pads import Pad
from firstloop.store.records import NotInRecordError

KEPT = timedelta(days=7)
"""As long as a pad keeps what nobody let go: from one weekly lesson to the next."""


class SetAside(Base):
    """Something that stays on a pad: its sender's id, whose, what it was, why it was refused and
    when; when it was let go, if it was."""

    __tablename__ = "set_aside"

    id: Mapped[str] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    pad_id: Mapped[int] = mapped_column(ForeignKey("pad.id", ondelete="CASCADE"), index=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"), index=True)
    kind: Mapped[str]
    target: Mapped[str]
    why: Mapped[str]
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    let_go_at: Mapped[datetime | None] = mapped_column(UtcDateTime)


@dataclass(frozen=True, slots=True)
class SetAsideRecord:
    """Something that stays on a pad."""

    id: str
    pad_id: int
    pupil_id: int
    kind: Kind
    target: str
    why: str
    at: datetime


def add(session: Session, class_id: int, record: SetAsideRecord) -> bool:
    """Notes what a pad was refused; whether it is new, and not only asked again."""
    row = {
        "id": record.id,
        "class_id": class_id,
        "pad_id": record.pad_id,
        "pupil_id": record.pupil_id,
        "kind": record.kind.value,
        "target": record.target,
        "why": record.why,
        "at": record.at,
    }
    done = session.connection().execute(insert(SetAside).values(row).on_conflict_do_nothing())
    return done.rowcount > 0


_OF_CLASS = (
    SetAside.__table__.select()
    .where(
        SetAside.class_id == bindparam("class_id"),
        SetAside.let_go_at.is_(None),
        SetAside.at > bindparam("since", type_=UtcDateTime),
    )
    .order_by(SetAside.at)
)


def of_class(session: Session, class_id: int, now: datetime) -> list[SetAsideRecord]:
    """What stays on the pads of a class and was not let go, the oldest first."""
    since = {"class_id": class_id, "since": now - KEPT}
    return [_record(row) for row in session.connection().execute(_OF_CLASS, since)]


def let_go(session: Session, class_id: int, sent_as: str, now: datetime) -> SetAsideRecord:
    """The teacher lets something go that stays on a pad; raises NotInRecordError."""
    row = session.get(SetAside, sent_as)
    if row is None or row.class_id != class_id:
        raise NotInRecordError("nothing of that kind stays on a pad; look at the room again")
    row.let_go_at = now
    session.flush()
    return _record(row)


# Asked by each pad again and again: a statement that is built once, past the mapper.
_LET_GO = (
    select(SetAside.id)
    .join(Pad, Pad.id == SetAside.pad_id)
    .where(Pad.device == bindparam("device"), SetAside.let_go_at.is_not(None))
)


def let_go_of_device(session: Session, device: str) -> Sequence[str]:
    """What the teacher let go of that a device may still hold, by its senders' ids."""
    return session.connection().scalars(_LET_GO, {"device": device}).all()


def forget_old(session: Session, class_id: int, now: datetime) -> None:
    """Forgets what the pads themselves have wiped by now."""
    old = SetAside.at < now - KEPT
    session.execute(delete(SetAside).where(SetAside.class_id == class_id, old))


def _record(row: SetAside | Row[Any]) -> SetAsideRecord:
    return SetAsideRecord(
        row.id, row.pad_id, row.pupil_id, Kind(row.kind), row.target, row.why, row.at
    )
