"""Flags of care and notes on children in and out of the record, always of one class."""

from datetime import date
from typing import Any

from sqlalchemy import ForeignKey, Row, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.teaching.care import Care
from firstloop.store import pupils
from firstloop.store.base import Base
from firstloop.store.pupils import Pupil
from firstloop.store.records import FlagRecord, NoteRecord, NotInRecordError


class CareFlag(Base):
    """Something a teacher saw in a child, since when, and when she looks again; `done` is the day
    on which it was no longer so."""

    __tablename__ = "care_flag"

    id: Mapped[int] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"), index=True)
    kind: Mapped[str]
    since: Mapped[date]
    look_again: Mapped[date]
    done: Mapped[date | None]


class PupilNote(Base):
    """What a teacher noted of a child on a day."""

    __tablename__ = "pupil_note"

    id: Mapped[int] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"), index=True)
    day: Mapped[date]
    text: Mapped[str]


def flags(session: Session, class_id: int, pupil_id: int) -> tuple[FlagRecord, ...]:
    """The flags of a child, the oldest first; raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    rows = select(CareFlag).where(CareFlag.pupil_id == pupil_id)
    found = session.scalars(rows.order_by(CareFlag.since, CareFlag.id))
    return tuple(_flag(row) for row in found)


def to_look_at(session: Session, class_id: int, today: date) -> tuple[tuple[int, FlagRecord], ...]:
    """The flags of a class that are to be looked at again by now, with whose they are."""
    rows = (
        select(CareFlag)
        .join(Pupil, Pupil.id == CareFlag.pupil_id)
        .where(Pupil.class_id == class_id, CareFlag.done.is_(None), CareFlag.look_again <= today)
        .order_by(CareFlag.look_again, CareFlag.id)
    )
    return tuple((row.pupil_id, _flag(row)) for row in session.scalars(rows))


def add_flag(  # noqa: PLR0917  # what is known of a flag
    session: Session, class_id: int, pupil_id: int, kind: Care, since: date, look_again: date
) -> FlagRecord:
    """Sets a flag; raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    row = CareFlag(pupil_id=pupil_id, kind=kind.value, since=since, look_again=look_again)
    session.add(row)
    session.flush()
    return _flag(row)


def change_flag(
    session: Session, class_id: int, flag_id: int, look_again: date, done: date | None
) -> FlagRecord:
    """Says when a flag is looked at again, and whether it is over; raises NotInRecordError."""
    row = _flag_row(session, class_id, flag_id)
    row.look_again, row.done = look_again, done
    session.flush()
    return _flag(row)


def remove_flag(session: Session, class_id: int, flag_id: int) -> None:
    """Deletes a flag; raises NotInRecordError."""
    session.delete(_flag_row(session, class_id, flag_id))
    session.flush()


def without_flags(session: Session, class_id: int) -> None:
    """Deletes all flags of a class."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    session.execute(delete(CareFlag).where(CareFlag.pupil_id.in_(of_class)))


def notes(session: Session, class_id: int, pupil_id: int) -> tuple[NoteRecord, ...]:
    """The notes on a child, the newest first; raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    rows = select(PupilNote).where(PupilNote.pupil_id == pupil_id)
    found = session.scalars(rows.order_by(PupilNote.day.desc(), PupilNote.id.desc()))
    return tuple(_note(row) for row in found)


def add_note(session: Session, class_id: int, pupil_id: int, day: date, text: str) -> NoteRecord:
    """Keeps a note; raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    row = PupilNote(pupil_id=pupil_id, day=day, text=text)
    session.add(row)
    session.flush()
    return _note(row)


def change_note(session: Session, class_id: int, note_id: int, text: str) -> NoteRecord:
    """Puts a note in other words; raises NotInRecordError."""
    row = _note_row(session, class_id, note_id)
    row.text = text
    session.flush()
    return _note(row)


def remove_note(session: Session, class_id: int, note_id: int) -> None:
    """Deletes a note; raises NotInRecordError."""
    session.delete(_note_row(session, class_id, note_id))
    session.flush()


def _flag(row: CareFlag | Row[Any]) -> FlagRecord:
    return FlagRecord(row.id, Care(row.kind), row.since, row.look_again, row.done)


def _note(row: PupilNote | Row[Any]) -> NoteRecord:
    return NoteRecord(row.id, row.day, row.text)


def _flag_row(session: Session, class_id: int, flag_id: int) -> CareFlag:
    row = session.get(CareFlag, flag_id)
    if row is None or not _is_in(session, class_id, row.pupil_id):
        raise NotInRecordError(f"there is no flag {flag_id} in the class")
    return row


def _note_row(session: Session, class_id: int, note_id: int) -> PupilNote:
    row = session.get(PupilNote, note_id)
    if row is None or not _is_in(session, class_id, row.pupil_id):
        raise NotInRecordError(f"there is no note {note_id} in the class")
    return row


def _is_in(session: Session, class_id: int, pupil_id: int) -> bool:
    return session.scalar(select(Pupil.class_id).where(Pupil.id == pupil_id)) == class_id
