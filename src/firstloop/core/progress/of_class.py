"""What the estimates of all children of a class come to, letter by letter, on one day or between
two."""

from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from math import ceil

from firstloop.core.contract import Dimension
from firstloop.core.progress.estimates import FAILS_BELOW, Chance, LetterEstimate, LetterState
from firstloop.core.progress.evidence import LetterKey

DUE_FOR = 0.3
"""[share] Of the children for whom a letter is due: from here on it is due for the class."""

_WORST_FIRST = (LetterState.NOT_YET, LetterState.NEARLY, LetterState.UNKNOWN, LetterState.SECURE)
"""A letter whose size is hardly known is not secure, whatever its shape."""


@dataclass(frozen=True, slots=True)
class LetterOfChild:
    """How a child's letter stands in each dimension that anything is known of: the `state` is that
    of its weakest."""

    chances: Mapping[Dimension, Chance]
    states: Mapping[Dimension, LetterState] = field(init=False)
    state: LetterState = field(init=False)

    def __post_init__(self) -> None:
        states = {dimension: chance.state for dimension, chance in self.chances.items()}
        found = states.values()
        worst = next((state for state in _WORST_FIRST if state in found), LetterState.UNKNOWN)
        object.__setattr__(self, "states", states)
        object.__setattr__(self, "state", worst)

    @property
    def written(self) -> int:
        """How many attempts said anything of it."""
        return max((chance.rests_on for chance in self.chances.values()), default=0)

    @property
    def is_shaky(self) -> bool:
        """Whether it is likelier to fail than to hold in some dimension, however sure that is."""
        return any(chance.p < FAILS_BELOW for chance in self.chances.values())

    @property
    def pause_days(self) -> int:
        """How many days it may wait: as many as its weakest dimension."""
        return min((chance.pause_days for chance in self.chances.values()), default=1)


def letters_of(letters: Iterable[LetterEstimate]) -> dict[LetterKey, LetterOfChild]:
    """The letters of a child of which anything is known."""
    chances = defaultdict[LetterKey, dict[Dimension, Chance]](dict)
    for one in letters:
        if one.chance.rests_on:
            chances[one.key][one.dimension] = one.chance
    return {key: LetterOfChild(known) for key, known in chances.items()}


@dataclass(frozen=True, slots=True)
class LetterOfClass:
    """How a letter stands in a class: how many days it may wait, and the share of the children who
    wrote it in whose hands it is shaky."""

    pause_days: int
    shaky: float


def class_of(letters: Iterable[LetterOfChild]) -> LetterOfClass:
    """How a letter stands in a class, by all children who wrote it; of who wrote nothing nothing is
    known, and what nobody wrote may wait a day.

    >>> class_of([])
    LetterOfClass(pause_days=1, shaky=0.0)
    """
    known = list(letters)
    if not known:
        return LetterOfClass(1, 0.0)
    pauses = sorted(letter.pause_days for letter in known)
    shaky = sum(letter.is_shaky for letter in known) / len(known)
    return LetterOfClass(pauses[ceil(DUE_FOR * len(pauses)) - 1], shaky)


@dataclass(frozen=True, slots=True)
class Moved:
    """A letter that stands otherwise than it did."""

    key: LetterKey
    before: LetterState
    now: LetterState


def moved(
    before: Mapping[LetterKey, LetterOfChild], now: Mapping[LetterKey, LetterOfChild]
) -> tuple[Moved, ...]:
    """What stands otherwise than it did, of what was known before and is known now."""
    found = [
        Moved(key, before[key].state, letter.state)
        for key, letter in now.items()
        if key in before and LetterState.UNKNOWN not in {before[key].state, letter.state}
    ]
    return tuple(one for one in found if one.before is not one.now)


LEAST_TOLD = 3
"""[children] Of fewer nothing is told where nobody is to be named: one would be known by it."""


@dataclass(frozen=True, slots=True)
class Shares:
    """Of how many children a letter or a habit is secure, nearly, not yet."""

    secure: int
    nearly: int
    not_yet: int


def shares_of(states: Iterable[LetterState]) -> Shares | None:
    """How a class stands without naming anybody; None where it is known of too few children.

    >>> shares_of([LetterState.SECURE, LetterState.SECURE, LetterState.NOT_YET])
    Shares(secure=2, nearly=0, not_yet=1)
    >>> shares_of([LetterState.SECURE] * 2 + [LetterState.UNKNOWN] * 9) is None
    True
    """
    counts = Counter(states)
    secure, nearly = counts[LetterState.SECURE], counts[LetterState.NEARLY]
    not_yet = counts[LetterState.NOT_YET]
    known = secure + nearly + not_yet
    return Shares(secure, nearly, not_yet) if known >= LEAST_TOLD else None
