"""The table: what a class wrote, laid out to be judged."""

from bisect import bisect_left
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from firstloop.core.checking.say.off import off
from firstloop.core.contract import Code
from firstloop.core.evidence.task import Kind, Source
from firstloop.core.judging.look_first import Known, Reason, between_two, reasons
from firstloop.core.judging.piles import Pile, Thing, piles
from firstloop.core.judging.trust import at_odds, doubted
from firstloop.store import finding_trust, practice_days, slipped, table
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord
from firstloop.store.table import Asked, Lying

NEW_WITHIN = timedelta(days=28)
"""A slip that a child did not make for so long is new again."""

DAYS_OFFERED = 60
"""School days back: a term."""


@dataclass(frozen=True, slots=True, eq=False)
class Card:
    """Something on the table: what it is, why it wants her eye, and whether it is by its measures
    the best that this child wrote of it on that day."""

    lying: Lying
    why: tuple[Reason, ...]
    is_best: bool


@dataclass(frozen=True, slots=True, eq=False)
class Table:
    """Cards in their piles, of how many that there are."""

    cards: list[Card]
    piles: list[Pile]
    total: int


def days_written(session: Session, class_id: int) -> list[date]:
    """The days to choose from, the newest first."""
    return practice_days.days_written(session, class_id, DAYS_OFFERED)


def laid_out(session: Session, school_class: ClassRecord, asked: Asked, *, newest: bool) -> Table:
    """What was asked for, laid out; of each child and task only the newest, if that is wanted."""
    found, total = table.lying(session, school_class.id, asked)
    if newest:
        found = _newest(found)
        total = len(found)
    spoken = finding_trust.of_class(session, school_class.id)
    known_days = _days_of_slips(session, school_class.id, found)
    odds, best = at_odds(spoken), _best(found)
    cards = [
        Card(one, reasons(_known(one, known_days), odds), place in best)
        for place, one in enumerate(found)
    ]
    names = {pupil.id: pupil.name for pupil in school_class.pupils}
    things = [
        Thing(place, card.lying.to_mend, card.why, names.get(card.lying.pupil_id, ""))
        for place, card in enumerate(cards)
    ]
    return Table(cards, piles(things, doubted(spoken)), total)


Days = dict[tuple[int, str, str], list[date]]
"""On which days a child had what to mend in which letter, the first first."""


def _days_of_slips(session: Session, class_id: int, found: Sequence[Lying]) -> Days:
    """As far back as tells what is new in what was found."""
    days: Days = {}
    if found:
        begin = min(one.day for one in found) - NEW_WITHIN
        end = max(one.day for one in found)
        whose = {one.pupil_id for one in found}
        letters = {one.target for one in found if one.kind is Kind.LETTER}
        known = slipped.days_of(session, class_id, begin, end, whose, letters)
        for pupil_id, letter, code, day in known:
            days.setdefault((pupil_id, letter, code), []).append(day)
        for known_days in days.values():
            known_days.sort()
    return days


def _newest(found: Sequence[Lying]) -> list[Lying]:
    newest: dict[tuple[int, Kind, str], Lying] = {}
    for one in found:
        key = (one.pupil_id, one.kind, one.target)
        if key not in newest or one.written_at > newest[key].written_at:
            newest[key] = one
    return list(newest.values())


def by_measures(one: Lying) -> tuple[float, float]:
    """By what the best of some letters comes first: the least off, and of equals the latest."""
    return off(one.found), -one.written_at.timestamp()


def _best(found: Sequence[Lying]) -> set[int]:
    """The places of the letters that are the least off of all that their child wrote of them that
    day: only where there are several to choose from, and of equals the latest."""
    rows: dict[tuple[int, str, date], list[int]] = {}
    for place, one in enumerate(found):
        if one.kind is Kind.LETTER and one.source is not Source.EYE and one.is_checked:
            rows.setdefault((one.pupil_id, one.target, one.day), []).append(place)
    return {
        min(places, key=lambda at: by_measures(found[at]))
        for places in rows.values()
        if len(places) > 1
    }


def _known(one: Lying, days: Days) -> Known:
    to_mend = frozenset(one.to_mend)
    return Known(
        is_judged=one.is_judged,
        has_note=one.has_note,
        is_checked=one.is_checked,
        to_mend=to_mend,
        new=frozenset(code for code in to_mend if _is_new(one, code, days)),
        between_two=any(between_two(f.code, f.measure, f.limit) for f in one.found),
    )


def _is_new(one: Lying, code: Code, days: Days) -> bool:
    """Whether the child did not do this in this letter on the days before; of a text nobody asks:
    its words are others each day."""
    if one.kind is not Kind.LETTER:
        return False
    known = days.get((one.pupil_id, one.target, code.value), [])
    earlier = bisect_left(known, one.day)
    return not earlier or known[earlier - 1] < one.day - NEW_WITHIN
