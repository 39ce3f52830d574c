"""Words on what was written, as tables of their own: of an attempt or a text, by whom, and of those
of a class's teachers the one that counts."""

from datetime import datetime

from sqlalchemy import CheckConstraint, ForeignKey, Index, text
from sqlalchemy.orm import Mapped, mapped_column, relationship

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.judging.word import Aspect, How, OnFinding, Word
from firstloop.store import upgrades
from firstloop.store.accounts import Account
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.records import JudgementRecord


class Judgement(Base):
    """Somebody's word on an attempt or a text. `is_teachers`: she taught the class when she said
    it; `counts`: it is the newest such. A null verdict stands as the checker has it. The author is
    null of words from before they had one, and of who has no account any more; `set_id` is the set
    of a word that was said blind."""

    __tablename__ = "judgement"
    __table_args__ = (
        CheckConstraint("(attempt_id IS NULL) <> (text_id IS NULL)", name="of_one_thing"),
        Index(
            "ix_judgement_counts_attempt_id", "attempt_id", unique=True, sqlite_where=text("counts")
        ),
        Index("ix_judgement_counts_text_id", "text_id", unique=True, sqlite_where=text("counts")),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    attempt_id: Mapped[int | None] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), index=True
    )
    text_id: Mapped[int | None] = mapped_column(
        ForeignKey("written_text.id", ondelete="CASCADE"), index=True
    )
    account_id: Mapped[int | None] = mapped_column(
        ForeignKey("account.id", ondelete="SET NULL"), index=True
    )
    set_id: Mapped[int | None] = mapped_column(
        ForeignKey("blind_set.id", ondelete="CASCADE"), index=True
    )
    is_teachers: Mapped[bool]
    counts: Mapped[bool]
    how: Mapped[str]
    made_at: Mapped[datetime] = mapped_column(UtcDateTime)
    direction: Mapped[str | None]
    size: Mapped[str | None]
    shape: Mapped[str | None]
    spacing: Mapped[str | None]
    line: Mapped[str | None]
    joins: Mapped[str | None]
    note: Mapped[str]
    say: Mapped[str]
    set_aside: Mapped[bool]
    findings: Mapped[list["JudgedFinding"]] = relationship(
        cascade="all, delete-orphan", lazy="selectin"
    )
    author: Mapped[Account | None] = relationship(lazy="joined")


class JudgedFinding(Base):
    """Somebody's word on one finding: so, not so, or missed by the checker."""

    __tablename__ = "judged_finding"

    judgement_id: Mapped[int] = mapped_column(
        ForeignKey("judgement.id", ondelete="CASCADE"), primary_key=True
    )
    code: Mapped[str] = mapped_column(primary_key=True)
    said: Mapped[str]


def judgement_from(row: Judgement) -> JudgementRecord:
    """A row as what leaves the store."""
    verdicts = {dimension: getattr(row, dimension) for dimension in Dimension}
    aspects = {aspect: getattr(row, aspect) for aspect in Aspect}
    findings = {upgrades.code(one.code): OnFinding(one.said) for one in row.findings}
    return JudgementRecord(
        made_at=row.made_at,
        word=Word(
            verdicts={name: Verdict(value) for name, value in verdicts.items() if value},
            aspects={name: Verdict(value) for name, value in aspects.items() if value},
            findings={code: said for code, said in findings.items() if code},
            note=row.note,
            say=row.say,
            set_aside=row.set_aside,
            how=How(row.how),
        ),
        author_id=row.account_id,
        author=row.author.name if row.author else None,
        counts=row.counts,
        set_id=row.set_id,
    )


def row_of(word: Word) -> dict[str, object]:
    """A word as columns."""
    return {
        "how": word.how.value,
        "note": word.note,
        "say": word.say,
        "set_aside": word.set_aside,
        **{name.value: verdict.value for name, verdict in word.verdicts.items()},
        **{name.value: verdict.value for name, verdict in word.aspects.items()},
        "findings": [
            JudgedFinding(code=code.value, said=said.value) for code, said in word.findings.items()
        ],
    }
