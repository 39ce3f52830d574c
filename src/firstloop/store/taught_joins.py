"""Which joins a class has been taught, by pairs of letters that show them, and since when."""

from collections.abc import Iterable
from datetime import date

from sqlalchemy import ForeignKey, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.base import Base


class TaughtJoin(Base):
    """A pair that the class has been taught to join, and since when."""

    __tablename__ = "taught_join"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    pair: Mapped[str] = mapped_column(primary_key=True)
    since: Mapped[date]


def of_class(session: Session, class_id: int) -> dict[str, date]:
    """The pairs that are taught, and since when."""
    rows = select(TaughtJoin).where(TaughtJoin.class_id == class_id).order_by(TaughtJoin.pair)
    return {row.pair: row.since for row in session.scalars(rows)}


def add(session: Session, class_id: int, pairs: Iterable[str], since: date) -> None:
    """Adds pairs that were taught on a day; those that were known before stay as they were."""
    known = of_class(session, class_id)
    session.add_all(
        TaughtJoin(class_id=class_id, pair=pair, since=since)
        for pair in sorted(set(pairs) - set(known))
    )
    session.flush()


def forget(session: Session, class_id: int, pairs: Iterable[str]) -> None:
    """Takes pairs from what is taught."""
    session.execute(
        delete(TaughtJoin).where(TaughtJoin.class_id == class_id, TaughtJoin.pair.in_([*pairs]))
    )
