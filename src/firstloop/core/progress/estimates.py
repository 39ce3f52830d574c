"""Estimates: how a child's letters and habits stand, how sure that is, and when to come back."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from firstloop.core.contract import Dimension
from firstloop.core.progress.evidence import DIMENSIONS, LetterKey
from firstloop.core.progress.foretelling import letters_on, summed
from firstloop.core.progress.habits import STRANDS, Strand, strands_of
from firstloop.core.progress.model import Held, rules_for, together


class LetterState(StrEnum):
    """How a letter stands, as far as that can be said."""

    SECURE = "secure"
    NEARLY = "nearly"
    NOT_YET = "not_yet"
    UNKNOWN = "unknown"


ENOUGH = 3
"""[attempts] Fewer say too little for a state, however they went."""

HOLDS_FROM = 0.65
"""[chance] A letter is secure where even the low end is higher: it holds in two of three at the
very least, and as a rule in nine of ten."""

FAILS_BELOW = 0.5
"""[chance] A letter is not there yet where it is likelier to fail than to hold, and the high end
says no more than `HOLDS_FROM`."""

WIDEST = 0.5
"""[chance] An interval that is wider says nothing about how a letter stands. One that is secure is
never as wide."""

PAUSES = ((0.9, 28), (0.85, 14), (0.78, 7), (0.65, 4), (0.5, 2), (0.0, 1))
"""[chance, days] From which low end on a letter comes back after how many days: the surer, the
later. The days are our choice, so that the first ones fit a week of five lessons; they have not
been tried on a class."""


class Chance(NamedTuple):
    """A chance, 0 to 1, its 80 % interval, and how many attempts said anything about it."""

    p: float
    low: float
    high: float
    rests_on: int

    @property
    def state(self) -> LetterState:
        """What that comes to.

        >>> Chance(0.82, 0.68, 0.91, 14).state.value, Chance(0.9, 0.8, 0.95, 2).state.value
        ('secure', 'unknown')
        """
        if self.rests_on < ENOUGH:
            return LetterState.UNKNOWN
        if self.low >= HOLDS_FROM:
            return LetterState.SECURE
        if self.p < FAILS_BELOW and self.high <= HOLDS_FROM:
            return LetterState.NOT_YET
        return LetterState.UNKNOWN if self.high - self.low > WIDEST else LetterState.NEARLY

    @property
    def pause_days(self) -> int:
        """How many days a letter may wait that stands so.

        >>> [Chance(low, low, 1.0, 9).pause_days for low in (0.2, 0.7, 0.95)]
        [1, 4, 28]
        """
        return next(days for low, days in PAUSES if self.low >= low)


PLACES = 4
"""[digits] Behind the point of a chance: more would be no truer."""


class LetterEstimate(NamedTuple):
    """How one dimension of a child's letter stands: the chance that it is not `not_yet` the next
    time it is written alone from memory. `last` is the day (since 1970) of the last attempt that
    said anything of it, None where none did."""

    key: LetterKey
    dimension: Dimension
    chance: Chance
    last: float | None


@dataclass(frozen=True, slots=True)
class HabitEstimate:
    """How one strand of a child's habits stands, and the letters it was seen in, in their order."""

    strand: Strand
    chance: Chance
    letters: tuple[LetterKey, ...]


@dataclass(frozen=True, slots=True)
class ChildEstimates:
    """All of one child: its letters, by their order and dimension, and its habits."""

    letters: tuple[LetterEstimate, ...]
    habits: tuple[HabitEstimate, ...]


def estimates(
    held: Held, letters: tuple[LetterKey, ...], met: Iterable[int], day: float
) -> ChildEstimates:
    """How a child stands on a day that is no earlier than its last attempt. `met` are the places in
    `letters` of those that it was asked for."""
    asked = sorted(met)
    return ChildEstimates(
        letter_estimates(held, letters, asked, day), habit_estimates(held, letters, asked)
    )


def letter_estimates(
    held: Held, letters: tuple[LetterKey, ...], met: Iterable[int], day: float
) -> tuple[LetterEstimate, ...]:
    """How its letters stand."""
    rules = rules_for(letters)
    found = summed(letters_on(held, rules, day), rules).round(PLACES).tolist()
    return _letters(letters, found, held.counts.tolist(), held.last.tolist(), met)


def letters_of_all(
    children: Sequence[tuple[Held, tuple[LetterKey, ...]]], day: float
) -> list[tuple[LetterEstimate, ...]]:
    """How the letters of several children stand, child by child: in one go, as that is how a class
    is looked at."""
    if not children:
        return []
    held, rules = together([(one, rules_for(letters)) for one, letters in children])
    found = summed(letters_on(held, rules, day), rules).round(PLACES).tolist()
    counts, last = held.counts.tolist(), held.last.tolist()
    stands, begin = [], 0
    for _, letters in children:
        end = begin + len(letters)
        part = slice(begin, end)
        stands.append(_letters(letters, found[part], counts[part], last[part], range(len(letters))))
        begin = end
    return stands


def _letters(  # what is known of letters, column by column
    letters: tuple[LetterKey, ...],
    found: list[list[list[float]]],
    counts: list[list[int]],
    last: list[list[float]],
    met: Iterable[int],
) -> tuple[LetterEstimate, ...]:
    return tuple(
        LetterEstimate(
            letters[at],
            dimension,
            Chance(chance[0], chance[1], chance[2], count),
            day if count else None,
        )
        for at in met
        for dimension, chance, count, day in zip(
            DIMENSIONS, found[at], counts[at], last[at], strict=True
        )
    )


def habit_estimates(
    held: Held, letters: tuple[LetterKey, ...], met: Iterable[int]
) -> tuple[HabitEstimate, ...]:
    """How its habits stand, of which anything is known."""
    shown: dict[int, list[LetterKey]] = {}
    for at in met:
        for d, strands in enumerate(strands_of(letters[at])):
            if held.counts[at, d]:
                for strand in strands:
                    shown.setdefault(strand, []).append(letters[at])
    found = summed(held.strands, rules_for(letters)).round(PLACES).tolist()
    return tuple(
        HabitEstimate(
            strand,
            Chance(found[at][0], found[at][1], found[at][2], int(held.strand_counts[at])),
            tuple(shown.get(at, ())),
        )
        for at, strand in enumerate(STRANDS)
        if held.strand_counts[at]
    )
