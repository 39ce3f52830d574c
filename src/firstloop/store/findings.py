"""Findings in and out of the record: rows of an attempt, the most important first."""

from typing import Any

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Verdict
from firstloop.store import upgrades
from firstloop.store.base import Base


class FindingRow(Base):
    """One finding of an attempt; `position` 0 is the most important."""

    __tablename__ = "finding"

    id: Mapped[int] = mapped_column(primary_key=True)
    attempt_id: Mapped[int] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), index=True
    )
    position: Mapped[int]
    code: Mapped[str] = mapped_column(index=True)
    severity: Mapped[str]
    stroke: Mapped[int]
    move: Mapped[int]
    measure: Mapped[float]
    limit: Mapped[float]
    unit: Mapped[str]
    note: Mapped[str]
    say: Mapped[str]
    other: Mapped[str | None]


def columns_of(position: int, finding: Finding) -> dict[str, Any]:
    """A finding as the columns of its row."""
    return {
        "position": position,
        "code": finding.code.value,
        "severity": finding.severity.value,
        "stroke": finding.stroke,
        "move": finding.move,
        "measure": finding.measure,
        "limit": finding.limit,
        "unit": finding.unit,
        "note": finding.note,
        "say": finding.say,
        "other": finding.other,
    }


def finding_from(row: FindingRow) -> Finding | None:
    """A row as a finding; None for a code that there is no more."""
    code = upgrades.code(row.code)
    if code is None:
        return None
    return Finding(
        code=code,
        dimension=CATALOGUE[code].dimension,
        severity=Verdict(row.severity),
        stroke=row.stroke,
        move=row.move,
        measure=row.measure,
        limit=row.limit,
        unit=row.unit,
        note=row.note,
        say=row.say,
        other=row.other,
    )
