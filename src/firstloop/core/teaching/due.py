"""Which taught letters should come back today: those that fade, and the shaky ones sooner.

A letter comes back after growing pauses while it holds, as is usual in spaced practice; the days
are our choice, so that the first ones fit a week of five lessons. They have not been tried on a
class. One that is shaky comes back the next day until it holds.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date

from firstloop.core.contract import Dimension
from firstloop.core.teaching.standing import Standing, holds

PAUSES = (1, 2, 4, 7, 14, 28)
"""Days until a letter comes back, by how often it has come back since it was taught."""

SHAKY_SHARE = 0.3
"""Of the children whose letter does not hold: from here on it is the class's matter."""


@dataclass(frozen=True, slots=True)
class Practised:
    """A taught letter: when it was taught, when it was last written by the class, how often it has
    come back since, and the share (0 to 1) of children in whose hands it does not hold."""

    letter: str
    taught: date
    last: date
    times: int
    shaky: float


@dataclass(frozen=True, slots=True)
class Due:
    """A letter to come back, how many days it is overdue (negative: not yet due), and why."""

    letter: str
    days_over: int
    shaky: float
    why: str


def due(letters: Iterable[Practised], today: date) -> tuple[Due, ...]:
    """All taught letters, what should come back first on top.

    >>> from datetime import date
    >>> day = date(2026, 11, 25)
    >>> n = Practised("n", date(2026, 11, 2), date(2026, 11, 20), 2, 0.0)
    >>> r = Practised("r", date(2026, 11, 23), date(2026, 11, 24), 0, 0.5)
    >>> [(one.letter, one.days_over, one.why) for one in due([n, r], day)]
    [('r', 0, 'not yet steady for half of the class'), ('n', 1, 'last written 5 days ago')]
    >>> due([], day)
    ()
    """
    found = [_due(one, today) for one in letters]
    return tuple(
        sorted(found, key=lambda one: (one.days_over < 0, -one.shaky, -one.days_over, one.letter))
    )


def _due(one: Practised, today: date) -> Due:
    shaky = one.shaky >= SHAKY_SHARE
    pause = PAUSES[0] if shaky else PAUSES[min(one.times, len(PAUSES) - 1)]
    days = (today - one.last).days
    why = f"not yet steady for {_share(one.shaky)} of the class" if shaky else _ago(days)
    return Due(one.letter, days - pause, one.shaky if shaky else 0.0, why)


def _ago(days: int) -> str:
    if days < 1:
        return "written today"
    return "last written yesterday" if days == 1 else f"last written {days} days ago"


def _share(share: float) -> str:
    """A share in a teacher's words."""
    words = ((0.3, "a third"), (0.5, "half"), (0.65, "two thirds"), (0.9, "nearly all"))
    return min(words, key=lambda pair: abs(pair[0] - share))[1]


def shaky_share(standings: Iterable[Mapping[Dimension, Standing]]) -> float:
    """The share of children whose letter does not hold in some dimension, of those who wrote it.

    >>> shaky_share([])
    0.0
    """
    listed = list(standings)
    return sum(not holds(standing) for standing in listed) / len(listed) if listed else 0.0
