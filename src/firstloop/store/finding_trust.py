"""How often a class's teachers said that a finding was so, and not so: kept up as they judge, for
it is asked whenever something is told."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlalchemy import ForeignKey, Select, bindparam, func, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Source
from firstloop.core.judging.trust import Spoken
from firstloop.core.judging.word import How, OnFinding
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.judged_hands import JudgedHand
from firstloop.store.judgements import JudgedFinding, Judgement
from firstloop.store.pupils import Pupil
from firstloop.store.texts import WrittenText

REMEMBERED = timedelta(days=365)
"""A checker and a class change: what was said of a finding a year ago says little of today."""


class FindingTrust(Base):
    """A finding in a class: how often it was so and not so, of the words since `counted_from`, if
    she began to count anew."""

    __tablename__ = "finding_trust"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    code: Mapped[str] = mapped_column(primary_key=True)
    so: Mapped[int]
    not_so: Mapped[int]
    counted_from: Mapped[datetime | None] = mapped_column(UtcDateTime)


_OF_CLASS = select(FindingTrust.code, FindingTrust.so, FindingTrust.not_so).where(
    FindingTrust.class_id == bindparam("class_id")
)


def of_class(session: Session, class_id: int) -> dict[Code, Spoken]:
    """What was said of each finding in a class."""
    rows = session.connection().execute(_OF_CLASS, {"class_id": class_id})
    known = [(upgrades.code(row.code), Spoken(row.so, row.not_so)) for row in rows]
    return {code: spoken for code, spoken in known if code}


def counted_from(session: Session, class_id: int) -> dict[Code, datetime]:
    """The findings of which a class's words are counted only from a moment on."""
    rows = select(FindingTrust.code, FindingTrust.counted_from).where(
        FindingTrust.class_id == class_id, FindingTrust.counted_from.is_not(None)
    )
    known = [(upgrades.code(code), moment) for code, moment in session.execute(rows)]
    return {code: moment for code, moment in known if code and moment}


@dataclass(frozen=True, slots=True)
class SaidOf:
    """How often something was said of a finding, of what: a letter or what a text was asked for,
    in which hand, known how; and how she came to say it."""

    code: Code
    said: OnFinding
    how: How
    target: str
    hand: str
    source: Source
    count: int


def said_in(session: Session, class_id: int) -> list[SaidOf]:
    """All that a class's teachers said of findings, counted."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    found = []
    for thing, about, target in (
        (Attempt, Judgement.attempt_id, Attempt.letter),
        (WrittenText, Judgement.text_id, WrittenText.target),
    ):
        columns = (
            JudgedFinding.code,
            JudgedFinding.said,
            Judgement.how,
            target,
            func.json_extract(JudgedHand.style, "$.hand"),
            thing.source,
        )
        query = (
            select(*columns, func.count())
            .join(Judgement, Judgement.id == JudgedFinding.judgement_id)
            .join(thing, thing.id == about)
            .join(JudgedHand, JudgedHand.id == thing.hand_id)
            .where(Judgement.counts, thing.pupil_id.in_(of_class))
            .group_by(*columns)
        )
        for name, said, how, of, hand, source, count in session.execute(query):
            if code := upgrades.code(name):
                said_of = (OnFinding(said), How(how), of, hand, Source(source), count)
                found.append(SaidOf(code, *said_of))
    return found


def count_from(
    session: Session, class_id: int, code: Code, moment: datetime | None, now: datetime
) -> None:
    """Counts the words on a finding from a moment on; from None: all that are remembered."""
    row = session.get(FindingTrust, (class_id, code.value))
    if row is None:
        row = FindingTrust(class_id=class_id, code=code.value, so=0, not_so=0)
        session.add(row)
    row.counted_from = moment
    session.flush()
    recount(session, class_id, [code], now)


def recount(session: Session, class_id: int, codes: Iterable[Code], now: datetime) -> None:
    """Counts anew what was said of findings, after a word on them has come or gone."""
    session.flush()
    for code in codes:
        row = session.get(FindingTrust, (class_id, code.value))
        begin = now - REMEMBERED
        if row is not None and row.counted_from is not None:
            begin = max(begin, row.counted_from)
        counts = {OnFinding.SO: 0, OnFinding.NOT_SO: 0}
        for said, count in session.execute(_said_of(class_id, code, begin)):
            if OnFinding(said) in counts:
                counts[OnFinding(said)] += count
        if row is None:
            row = FindingTrust(class_id=class_id, code=code.value)
            session.add(row)
        row.so, row.not_so = counts[OnFinding.SO], counts[OnFinding.NOT_SO]
    session.flush()


def _said_of(class_id: int, code: Code, begin: datetime) -> Select[str, int]:
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    return (
        select(JudgedFinding.said, func.count())
        .join(Judgement, Judgement.id == JudgedFinding.judgement_id)
        .outerjoin(Attempt, Attempt.id == Judgement.attempt_id)
        .outerjoin(WrittenText, WrittenText.id == Judgement.text_id)
        .where(
            JudgedFinding.code == code.value,
            Judgement.counts,
            Judgement.made_at >= begin,
            func.coalesce(Attempt.pupil_id, WrittenText.pupil_id).in_(of_class),
        )
        .group_by(JudgedFinding.said)
    )
