"""Which letters a class has been taught, and since when."""

from datetime import date

from sqlalchemy import ForeignKey, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.base import Base


class TaughtLetter(Base):
    """A letter that the class has been taught, and since when."""

    __tablename__ = "taught_letter"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    letter: Mapped[str] = mapped_column(primary_key=True)
    since: Mapped[date]


def of_class(session: Session, class_id: int, as_of: date | None = None) -> dict[str, date]:
    """The letters that are taught, or were by a day, and since when; the earliest first."""
    rows = select(TaughtLetter).where(TaughtLetter.class_id == class_id)
    if as_of is not None:
        rows = rows.where(TaughtLetter.since <= as_of)
    found = {row.letter: row.since for row in session.scalars(rows)}
    return dict(sorted(found.items(), key=lambda pair: (pair[1], pair[0])))


def add(session: Session, class_id: int, letters: set[str], since: date) -> None:
    """Adds letters that were taught on a day; those that were known before stay as they were."""
    known = of_class(session, class_id)
    session.add_all(
        TaughtLetter(class_id=class_id, letter=letter, since=since)
        for letter in sorted(letters - set(known))
    )
    session.flush()


def replace(session: Session, class_id: int, letters: set[str], today: date) -> None:
    """Sets which letters are taught; those that are new to the list since today."""
    session.execute(
        delete(TaughtLetter).where(
            TaughtLetter.class_id == class_id, TaughtLetter.letter.not_in(letters)
        )
    )
    add(session, class_id, letters, today)
