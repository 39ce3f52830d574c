"""The teacher's own words for moves, by hand."""

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from firstloop.core.phrases import Place, Wording
from firstloop.store.models import OwnWords


def find(session: Session, class_id: int, hand: str) -> Wording:
    """What the teacher says in a hand in place of our words."""
    rows = session.scalars(
        select(OwnWords).where(OwnWords.class_id == class_id, OwnWords.hand == hand)
    ).all()
    return Wording(
        everywhere={row.key: row.words for row in rows if row.letter is None},
        at={
            Place(row.letter, row.stroke or 0, row.move or 0, row.key): row.words
            for row in rows
            if row.letter is not None
        },
    )


def keep(session: Session, class_id: int, hand: str, at: Place | str, words: str) -> None:
    """Keeps words for a place, or wherever a thing is done (`at` is its key); none: ours again."""
    where: dict[str, object] = {"class_id": class_id, "hand": hand}
    if isinstance(at, Place):
        where |= {"key": at.key, "letter": at.letter, "stroke": at.stroke, "move": at.move}
    else:
        where |= {"key": at, "letter": None, "stroke": None, "move": None}
    session.execute(
        delete(OwnWords).where(*(getattr(OwnWords, name) == value for name, value in where.items()))
    )
    if words:
        session.add(OwnWords(**where, words=words))
    session.flush()
