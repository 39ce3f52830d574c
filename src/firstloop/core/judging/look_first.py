"""What a teacher looks at first, of all that a class wrote.

One function says so; what is new for a child it is told (by the record today)."""

from collections.abc import Collection
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.contract import Code


class Reason(StrEnum):
    """Why something wants her eye; the weightier first."""

    HER_WORD = "her_word"
    """She left a note at it."""
    AT_ODDS = "at_odds"
    """The checker found what she overruled before."""
    TWO_READINGS = "two_readings"
    """It could as well be read as another letter."""
    NEW_FAULT = "new_fault"
    """This child did not do this in this letter before."""
    UNCHECKED = "unchecked"
    """The checker could say nothing of it."""


NEARLY_AS_LIKELY = 2.0
"""[times the limit] Nearer to another letter than to its own by less than this is between the two;
what is beyond plainly is the other."""

_WEIGHTS = {
    Reason.UNCHECKED: 5,
    Reason.HER_WORD: 4,
    Reason.AT_ODDS: 3,
    Reason.TWO_READINGS: 2,
    Reason.NEW_FAULT: 1,
}


@dataclass(frozen=True, slots=True)
class Known:
    """What is known of something written: whether she judged it and left a note, whether the
    checker could judge it, what it found to mend, which of that is new, and whether it could as
    well be read as another letter."""

    is_judged: bool
    has_note: bool
    is_checked: bool
    to_mend: frozenset[Code]
    new: frozenset[Code]
    between_two: bool = False


def reasons(known: Known, at_odds: Collection[Code]) -> tuple[Reason, ...]:
    """Why she should look at it, the weightiest first; of what she has judged only her own note is
    one.

    >>> fresh = Known(False, False, True, frozenset({Code.SLANT}), frozenset({Code.SLANT}))
    >>> [reason.value for reason in reasons(fresh, {Code.SLANT})]
    ['at_odds', 'new_fault']
    """
    if known.is_judged:
        return (Reason.HER_WORD,) if known.has_note else ()
    if not known.to_mend and known.is_checked and not (known.has_note or known.between_two):
        return ()  # as of most that lies on a table
    found = {
        Reason.UNCHECKED: not known.is_checked,
        Reason.HER_WORD: known.has_note,
        Reason.AT_ODDS: any(code in at_odds for code in known.to_mend),
        Reason.TWO_READINGS: known.between_two,
        Reason.NEW_FAULT: bool(known.new),
    }
    return tuple(sorted((r for r, is_so in found.items() if is_so), key=lambda r: -_WEIGHTS[r]))


def between_two(code: Code, measure: float, limit: float) -> bool:
    """Whether a finding says that two readings are nearly as likely.

    >>> between_two(Code.READS_AS_OTHER, 0.015, 0.012), between_two(Code.SLANT, 0.015, 0.012)
    (True, False)
    """
    return code is Code.READS_AS_OTHER and abs(measure) < NEARLY_AS_LIKELY * limit


def weight(why: Collection[Reason]) -> int:
    """How much something wants her eye; 0 where there is no reason."""
    return sum(_WEIGHTS[reason] for reason in why)
