"""The teacher's word on an attempt, in and out of the record."""

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.contract import Dimension, Verdict
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.records import JudgementRecord


class Judgement(Base):
    """The teacher's word on an attempt: all null and no note is plain agreement."""

    __tablename__ = "judgement"

    attempt_id: Mapped[int] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), primary_key=True
    )
    made_at: Mapped[datetime] = mapped_column(UtcDateTime)
    direction: Mapped[str | None]
    size: Mapped[str | None]
    shape: Mapped[str | None]
    note: Mapped[str]


def keep(session: Session, attempt_id: int, judgement: JudgementRecord) -> None:
    """Sets the teacher's word on an attempt that the caller has found in the class."""
    session.merge(
        Judgement(
            attempt_id=attempt_id,
            made_at=judgement.made_at,
            note=judgement.note,
            **{one.value: judgement.verdicts.get(one) for one in Dimension},
        )
    )
    session.flush()


def withdraw(session: Session, attempt_id: int) -> None:
    """Takes the teacher's word back; the checker's stands again."""
    row = session.get(Judgement, attempt_id)
    if row is not None:
        session.delete(row)
        session.flush()


def judgement_from(row: Judgement) -> JudgementRecord:
    """A row as what leaves the store."""
    said = {dimension: getattr(row, dimension) for dimension in Dimension}
    verdicts = {dimension: Verdict(value) for dimension, value in said.items() if value}
    return JudgementRecord(row.made_at, verdicts, row.note)
