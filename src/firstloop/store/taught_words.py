"""Which whole words a class has been taught as they stand, and since when."""

from datetime import date

from sqlalchemy import ForeignKey, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.base import Base


class TaughtWord(Base):
    """A word that the class has been taught as it stands, and since when."""

    __tablename__ = "taught_word"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    text: Mapped[str] = mapped_column(primary_key=True)
    since: Mapped[date]


def of_class(session: Session, class_id: int) -> dict[str, date]:
    """The words that are taught, and since when; the earliest first."""
    rows = select(TaughtWord).where(TaughtWord.class_id == class_id)
    found = {row.text: row.since for row in session.scalars(rows)}
    return dict(sorted(found.items(), key=lambda pair: (pair[1], pair[0])))


def add(session: Session, class_id: int, words: set[str], since: date) -> None:
    """Adds words that were taught on a day; those that were known before stay as they were."""
    known = of_class(session, class_id)
    session.add_all(
        TaughtWord(class_id=class_id, text=word, since=since) for word in sorted(words - set(known))
    )
    session.flush()


def replace(session: Session, class_id: int, words: set[str], today: date) -> None:
    """Sets which words are taught; those that are new to the list since today."""
    session.execute(
        delete(TaughtWord).where(TaughtWord.class_id == class_id, TaughtWord.text.not_in(words))
    )
    add(session, class_id, words, today)
