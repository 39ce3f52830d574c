"""Sheets that a teacher makes by hand, row by row."""

from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import ForeignKey, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.base import Base, UtcDateTime
from firstloop.store.records import NotInRecordError


class OwnSheet(Base):
    """A sheet of a class: its wish in the words of the contract, without hand and lines, which are
    the class's when it is printed."""

    __tablename__ = "own_sheet"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    title: Mapped[str]
    spec: Mapped[str]
    changed_at: Mapped[datetime] = mapped_column(UtcDateTime)


@dataclass(frozen=True, slots=True)
class OwnSheetRecord:
    """A sheet made by hand: its title, its wish as JSON."""

    id: int
    title: str
    spec: str
    changed_at: datetime


def of_class(session: Session, class_id: int) -> list[OwnSheetRecord]:
    """The sheets of a class, the last changed first."""
    rows = (
        select(OwnSheet)
        .where(OwnSheet.class_id == class_id)
        .order_by(OwnSheet.changed_at.desc(), OwnSheet.id.desc())
    )
    return [_record(row) for row in session.scalars(rows)]


def get(session: Session, class_id: int, sheet_id: int) -> OwnSheetRecord:
    """One sheet; raises NotInRecordError."""
    return _record(_row(session, class_id, sheet_id))


def add(session: Session, class_id: int, title: str, spec: str, now: datetime) -> OwnSheetRecord:
    """Keeps a new sheet."""
    row = OwnSheet(class_id=class_id, title=title, spec=spec, changed_at=now)
    session.add(row)
    session.flush()
    return _record(row)


def change(  # noqa: PLR0917  # which sheet, to what, when
    session: Session, class_id: int, sheet_id: int, title: str, spec: str, now: datetime
) -> OwnSheetRecord:
    """Keeps a sheet as it now is; raises NotInRecordError."""
    row = _row(session, class_id, sheet_id)
    row.title, row.spec, row.changed_at = title, spec, now
    session.flush()
    return _record(row)


def remove(session: Session, class_id: int, sheet_id: int) -> None:
    """Forgets a sheet; what was printed of it can still be read. Raises NotInRecordError."""
    session.delete(_row(session, class_id, sheet_id))
    session.flush()


def _row(session: Session, class_id: int, sheet_id: int) -> OwnSheet:
    row = session.get(OwnSheet, sheet_id)
    if row is None or row.class_id != class_id:
        raise NotInRecordError("there is no such sheet; look at the list of your sheets again")
    return row


def _record(row: OwnSheet) -> OwnSheetRecord:
    return OwnSheetRecord(row.id, row.title, row.spec, row.changed_at)
