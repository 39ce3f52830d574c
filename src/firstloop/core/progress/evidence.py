"""Evidence: judged attempts as columns, many thousands of them, in the order that they are followed
in."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import IntEnum
from functools import lru_cache
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.task import Help

DIMENSIONS = tuple(Dimension)
HELPS = tuple(Help)
"""In the order of their numbers in the columns."""


class Seen(IntEnum):
    """What an attempt says of one dimension."""

    NOTHING = -1
    FAULT = 0
    HOLDS = 1


SEEN_OF = {
    Verdict.UNSEEN: Seen.NOTHING,
    Verdict.NOT_YET: Seen.FAULT,
    Verdict.NEARLY: Seen.HOLDS,
    Verdict.SECURE: Seen.HOLDS,
}
"""What is estimated is whether a letter is `not_yet`: `nearly` holds. How often a letter that holds
does so only nearly depends on the writer's pen and paper as well, so nothing is made of it."""

Indices = npt.NDArray[np.intp]


class LetterKey(NamedTuple):
    """A letter as it is known of a child: in one hand; "" is a hand that nobody named."""

    glyph: str
    hand: str = ""


@dataclass(frozen=True, slots=True, eq=False)
class Evidence:
    """Judged attempts, one an index. `pupils` and `letters` say who and what the numbers in `pupil`
    and `letter` (n,) are. `days` (n,) float64: when, in days since 1970. `help` (n,) int8: a place
    in HELPS. `judged` (n,) bool: the verdict is the teacher's. `seen` (n, 3) int8: a Seen for each
    dimension. `blamed` (n,) uint64: the strands that findings name, a bit each
    (`habits.blamed_by`). `doubt` (n, 3) float64: how likely a fault that was found is none.
    """

    pupils: tuple[int, ...]
    letters: tuple[LetterKey, ...]
    pupil: Indices
    letter: Indices
    days: npt.NDArray[np.float64]
    help: npt.NDArray[np.int8]
    judged: npt.NDArray[np.bool_]
    seen: npt.NDArray[np.int8]
    blamed: npt.NDArray[np.uint64]
    doubt: npt.NDArray[np.float64]

    def __len__(self) -> int:
        return len(self.pupil)

    def at(self, places: Indices | npt.NDArray[np.bool_]) -> "Evidence":
        """Some of it."""
        return Evidence(
            self.pupils,
            self.letters,
            self.pupil[places],
            self.letter[places],
            self.days[places],
            self.help[places],
            self.judged[places],
            self.seen[places],
            self.blamed[places],
            self.doubt[places],
        )

    def renamed(self, letters: tuple[LetterKey, ...], begin: int, end: int) -> "Evidence":
        """A part of it, with letters by their places in another list that has them all."""
        part = self.at(np.arange(begin, end))
        at = {key: place for place, key in enumerate(letters)}
        places = np.array([at.get(key, -1) for key in self.letters], np.intp)
        return replace(part, letters=letters, letter=places[part.letter])

    def in_order(self) -> "Evidence":
        """By child and moment. What bears the same moment is put in an order of its own, so that
        the order in which evidence comes changes nothing."""
        keys = (
            self.blamed,
            *self.seen.T,
            self.judged,
            self.help,
            self.letter,
            self.days,
            self.pupil,
        )
        return self.at(np.lexsort(keys))


def bounds(numbers: Sequence[int] | Indices, count: int) -> Indices:
    """Where each of `count` numbers begins in an ordered list of them, and the last one ends.

    >>> bounds(np.array([0, 0, 2]), 3).tolist()
    [0, 2, 2, 3]
    """
    return np.searchsorted(numbers, np.arange(count + 1))


PRINT, JOINED = "plain", "joined"


@lru_cache(maxsize=4096)
def letter_key(glyph: str, *, joins: bool) -> LetterKey:
    """A letter of a class: a print letter is another than its joined form, and the same in every
    print."""
    return LetterKey(glyph, JOINED if joins else PRINT)
