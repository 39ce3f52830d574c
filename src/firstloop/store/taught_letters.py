"""Which letters a class has been taught in a hand, print or joined, and since when.

Capitals, digits and marks are the same in both and are kept once.
"""

from datetime import date

from sqlalchemy import ForeignKey, delete, or_, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.letters.hands import GROUPS
from firstloop.store.base import Base

_SMALL = GROUPS["small"]


class TaughtLetter(Base):
    """A letter that the class has been taught, whether as one that joins, and since when."""

    __tablename__ = "taught_letter"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    letter: Mapped[str] = mapped_column(primary_key=True)
    joined: Mapped[bool] = mapped_column(primary_key=True)
    since: Mapped[date]


def of_class(
    session: Session, class_id: int, *, joined: bool, as_of: date | None = None
) -> dict[str, date]:
    """The letters that are taught in a hand that joins, or that does not, or were by a day, and
    since when; the earliest first."""
    rows = select(TaughtLetter).where(
        TaughtLetter.class_id == class_id,
        or_(TaughtLetter.joined == joined, TaughtLetter.letter.not_in(_SMALL)),
    )
    if as_of is not None:
        rows = rows.where(TaughtLetter.since <= as_of)
    found = {row.letter: row.since for row in session.scalars(rows)}
    return dict(sorted(found.items(), key=lambda pair: (pair[1], pair[0])))


def add(session: Session, class_id: int, letters: set[str], since: date, *, joined: bool) -> None:
    """Adds letters that were taught on a day; those that were known before stay as they were."""
    known = of_class(session, class_id, joined=joined)
    session.add_all(
        TaughtLetter(
            class_id=class_id, letter=letter, joined=joined and letter in _SMALL, since=since
        )
        for letter in sorted(letters - set(known))
    )
    session.flush()


def replace(
    session: Session, class_id: int, letters: set[str], today: date, *, joined: bool
) -> None:
    """Sets which letters are taught in a hand; those that are new to the list since today."""
    session.execute(
        delete(TaughtLetter).where(
            TaughtLetter.class_id == class_id,
            or_(TaughtLetter.joined == joined, TaughtLetter.letter.not_in(_SMALL)),
            TaughtLetter.letter.not_in(letters),
        )
    )
    add(session, class_id, letters, today, joined=joined)
