"""How far the checker is trusted in a class: what its teacher keeps overruling is told last."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime

from firstloop.core.contract import Code
from firstloop.core.judging.agreement import Share, share
from firstloop.core.judging.trust import doubted
from firstloop.core.judging.word import How, OnFinding
from firstloop.store import finding_trust
from firstloop.store.database import Database, Session
from firstloop.store.finding_trust import SaidOf


def doubted_in(session: Session, class_id: int) -> frozenset[Code]:
    """The findings that count less in a class."""
    return doubted(finding_trust.of_class(session, class_id))


@dataclass(frozen=True, slots=True)
class OfFinding:
    """How far a finding is trusted in a class: of the words on it one by one, blind and with the
    checker's word beside it, how many agreed; how many were agreed to in one press with others; how
    often it was missed; whether it counts less here, and whether that was ended by her."""

    code: Code
    blind: Share
    seen: Share
    many: int
    missed: int
    is_doubted: bool
    counted_from: datetime | None


@dataclass(frozen=True, slots=True)
class Trust:
    """How far the checker is trusted in a class: all words one by one, and of these the blind ones;
    by finding; and by letter, hand and source of those judged one by one."""

    seen: Share
    blind: Share
    many: int
    findings: list[OfFinding]
    letters: dict[str, Share]
    hands: dict[str, Share]
    sources: dict[str, Share]


def trust_in(session: Session, class_id: int) -> Trust:
    """How far the checker can be trusted in a class, by what its teachers said."""
    said = finding_trust.said_in(session, class_id)
    doubts = doubted_in(session, class_id)
    since = finding_trust.counted_from(session, class_id)
    one_by_one = [one for one in said if one.how is not How.MANY]
    return Trust(
        seen=_share(one for one in said if one.how is How.SEEN),
        blind=_share(one for one in said if one.how is How.BLIND),
        many=sum(one.count for one in said if one.how is How.MANY),
        findings=[
            OfFinding(
                code,
                blind=_share(o for o in said if o.code is code and o.how is How.BLIND),
                seen=_share(o for o in said if o.code is code and o.how is How.SEEN),
                many=sum(o.count for o in said if o.code is code and o.how is How.MANY),
                missed=sum(o.count for o in said if o.code is code and o.said is OnFinding.MISSED),
                is_doubted=code in doubts,
                counted_from=since.get(code),
            )
            for code in Code
            if any(one.code is code for one in said)
        ],
        letters=_shares(one_by_one, lambda one: one.target),
        hands=_shares(one_by_one, lambda one: one.hand),
        sources=_shares(one_by_one, lambda one: one.source.value),
    )


def _shares(said: Sequence[SaidOf], part: Callable[[SaidOf], str]) -> dict[str, Share]:
    return {
        name: _share(one for one in said if part(one) == name)
        for name in sorted({*map(part, said)})
    }


def _share(said: Iterable[SaidOf]) -> Share:
    """Of what the checker found, how much was so."""
    counts = {OnFinding.SO: 0, OnFinding.NOT_SO: 0}
    for one in said:
        if one.said in counts:
            counts[one.said] += one.count
    return share(counts[OnFinding.SO], sum(counts.values()))


def count_from(
    record: Database, class_id: int, code: Code, moment: datetime | None, now: datetime
) -> None:
    """Lets a finding count in full again: what was said of it is counted anew from a moment on, or
    from None all that was said, as before."""
    with record.writing() as session:
        finding_trust.count_from(session, class_id, code, moment, now)
