"""What the teacher says for moves in place of our words, by hand."""

from sqlalchemy import ForeignKey, Index, bindparam, delete
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.letters.phrases import Place, Wording, from_special_to_general
from firstloop.store.base import Base


class OwnPhrase(Base):
    """The teacher's words for a move of a hand; without a letter, wherever it comes."""

    __tablename__ = "own_phrase"
    __table_args__ = (Index("ix_own_phrase_class_id_hand", "class_id", "hand"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    hand: Mapped[str]
    key: Mapped[str]
    letter: Mapped[str | None]
    stroke: Mapped[int | None]
    move: Mapped[int | None]
    words: Mapped[str]


_IN = OwnPhrase.__table__.select().where(
    OwnPhrase.class_id == bindparam("class_id"), OwnPhrase.hand == bindparam("hand")
)


def find(session: Session, class_id: int, hand: str) -> Wording:
    """What the teacher says in a hand in place of our words."""
    rows = session.connection().execute(_IN, {"class_id": class_id, "hand": hand}).all()
    return Wording(
        everywhere={row.key: row.words for row in rows if row.letter is None},
        at={
            Place(row.letter, row.stroke or 0, row.move or 0, row.key): row.words
            for row in rows
            if row.letter is not None
        },
    )


def keep(session: Session, class_id: int, hand: str, at: Place | str, words: str) -> None:
    """Keeps words for a place, or wherever a thing is done (`at` is its key); none: ours again.

    Ours are only said again when what she said for the thing in general (a stem, of a tall stem) is
    forgotten with it.
    """
    where: dict[str, object] = {"class_id": class_id, "hand": hand}
    if isinstance(at, Place):
        key = at.key
        where |= {"letter": at.letter, "stroke": at.stroke, "move": at.move}
    else:
        key = at
        where |= {"letter": None, "stroke": None, "move": None}
    session.execute(
        delete(OwnPhrase).where(
            OwnPhrase.key.in_([key] if words else from_special_to_general(key)),
            *(getattr(OwnPhrase, name) == value for name, value in where.items()),
        )
    )
    if words:
        session.add(OwnPhrase(**where, key=key, words=words))
    session.flush()
