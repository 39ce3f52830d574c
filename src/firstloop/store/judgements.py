"""The teacher's word on an attempt, as a table of its own."""

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

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


def judgement_from(row: Judgement) -> JudgementRecord:
    """A row as what leaves the store."""
    said = {dimension: getattr(row, dimension) for dimension in Dimension}
    verdicts = {dimension: Verdict(value) for dimension, value in said.items() if value}
    return JudgementRecord(row.made_at, verdicts, row.note)
