"""The words that the teacher has added to the bundled ones."""

from sqlalchemy import ForeignKey, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.vocabulary.sounds import Word, word
from firstloop.store.base import Base


class OwnWord(Base):
    """A word that the teacher has added, noted as words are."""

    __tablename__ = "own_word"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    noted: Mapped[str] = mapped_column(primary_key=True)


def of_class(session: Session, class_id: int) -> tuple[Word, ...]:
    """The words that the teacher has added."""
    rows = select(OwnWord.noted).where(OwnWord.class_id == class_id).order_by(OwnWord.noted)
    return tuple(word(noted) for noted in session.scalars(rows))


def add(session: Session, class_id: int, noted: str) -> Word:
    """Keeps a word of the teacher's; raises WordError."""
    added = word(noted)
    if session.get(OwnWord, (class_id, noted)) is None:
        session.add(OwnWord(class_id=class_id, noted=noted))
        session.flush()
    return added


def remove(session: Session, class_id: int, text: str) -> None:
    """Deletes a word of the teacher's, however it is noted."""
    rows = session.scalars(select(OwnWord).where(OwnWord.class_id == class_id)).all()
    for row in rows:
        if word(row.noted).text == text:
            session.delete(row)
    session.flush()
