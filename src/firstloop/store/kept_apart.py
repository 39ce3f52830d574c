"""Children who are not to be put into one group; the teacher says so, and nobody else needs to
know why."""

from sqlalchemy import CheckConstraint, ForeignKey, delete, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.progress.groups import Pair
from firstloop.store import pupils
from firstloop.store.base import Base
from firstloop.store.pupils import Pupil


class KeptApart(Base):
    """Two children, the one with the lower id first."""

    __tablename__ = "kept_apart"
    __table_args__ = (CheckConstraint("one_id < other_id", name="in_order"),)

    one_id: Mapped[int] = mapped_column(
        ForeignKey("pupil.id", ondelete="CASCADE"), primary_key=True
    )
    other_id: Mapped[int] = mapped_column(
        ForeignKey("pupil.id", ondelete="CASCADE"), primary_key=True
    )


def of_class(session: Session, class_id: int) -> frozenset[Pair]:
    """The pairs of a class."""
    here = select(Pupil.id).where(Pupil.class_id == class_id)
    rows = select(KeptApart.one_id, KeptApart.other_id).where(
        KeptApart.one_id.in_(here), KeptApart.other_id.in_(here)
    )
    return frozenset(frozenset(row) for row in session.execute(rows))


def put(session: Session, class_id: int, pair: Pair, *, apart: bool) -> None:
    """Keeps two children apart, or no longer; raises NotInRecordError."""
    one_id, other_id = sorted(pupils.get(session, class_id, pupil_id).id for pupil_id in pair)
    session.execute(
        delete(KeptApart).where(KeptApart.one_id == one_id, KeptApart.other_id == other_id)
    )
    if apart:
        session.execute(insert(KeptApart).values(one_id=one_id, other_id=other_id))
