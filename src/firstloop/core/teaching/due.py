"""Which taught letters should come back today: those that fade, and the shaky ones sooner.

How long a letter may wait follows from the estimates (`core/progress/of_class.py`): the surer it
is, the longer. One that is shaky comes back the next day until it holds.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

SHAKY_SHARE = 0.3
"""Of the children whose letter does not hold: from here on it is the class's matter."""


@dataclass(frozen=True, slots=True)
class Practised:
    """A taught letter: when it was taught, when it was last written by the class, how many days it
    may wait, and the share (0 to 1) of children in whose hands it does not hold."""

    letter: str
    taught: date
    last: date
    pause_days: int
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
    >>> n = Practised("n", date(2026, 11, 2), date(2026, 11, 20), 4, 0.0)
    >>> r = Practised("r", date(2026, 11, 23), date(2026, 11, 24), 7, 0.5)
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
    pause = 1 if shaky else one.pause_days
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
