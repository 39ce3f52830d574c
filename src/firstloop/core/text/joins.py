"""Joins between two letters: which movement each is, and how much of one.

A join is known by where it leaves its letter and where it arrives at the next; all joins that are
one movement are learnt together.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

import numpy as np

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose


class Leaves(StrEnum):
    """Where a join leaves its letter."""

    BASE = "from the base line"
    TOP = "from the mid line"
    LOOP = "out of the tail's loop"


class Arrives(StrEnum):
    """Where a join comes to at the next letter."""

    SHORT = "up to a short letter"
    MIDDLE = "into the middle of a letter"
    TALL = "all the way up a tall letter"
    ROUND = "up and over a round letter"


@dataclass(frozen=True, slots=True)
class JoinKind:
    """One movement of joining."""

    leaves: Leaves
    arrives: Arrives

    @property
    def words(self) -> str:
        """It as it is said: "from the base line up to a short letter"."""
        return f"{self.leaves} {self.arrives}"


@dataclass(frozen=True, slots=True)
class Join:
    """The join of a pair: its kind, and its effort: its length in u, and a u more for every quarter
    turn that the pen makes on it."""

    pair: str
    kind: JoinKind
    effort: float


ABOVE, TALL, LOW = 0.5, 1.2, 0.75
"""u: what leaves above the first leaves from the mid line; what comes above the second is tall;
what stays below the third has come to the middle of a letter: a round is reached at 0.82 u, e at
0.66."""


@lru_cache(maxsize=4096)
def join_of(pair: str, hand: Hand) -> Join | None:
    """The join of two letters; None where the hand lifts the pen between them. Raises
    UnknownLetterError.

    >>> from firstloop.core.letters import HANDS
    >>> join_of("in", HANDS["joined"]).kind.words
    'from the base line up to a short letter'
    >>> join_of("oa", HANDS["joined"]).kind.words
    'from the mid line up and over a round letter'
    >>> join_of("ga", HANDS["joined"]), join_of("in", HANDS["plain"])
    (None, None)
    """
    composed = compose(pair, hand)
    moves = draw(composed.script, hand.proportions, Ruling()).moves
    origins = [origin for stroke in composed.origins for origin in stroke]
    at = next((at for at, origin in enumerate(origins) if origin.join), None)
    if at is None:
        return None
    before, join, *after = moves[at - 1 :]
    start, end = join.points[0, 1], join.points[-1, 1]
    if before.move.kind is MoveKind.LOOP:
        leaves = Leaves.LOOP
    else:
        leaves = Leaves.TOP if start > ABOVE else Leaves.BASE
    if end > TALL:
        arrives = Arrives.TALL
    elif end < LOW:
        arrives = Arrives.MIDDLE
    else:
        arrives = Arrives.ROUND if after[0].move.kind is MoveKind.ROUND else Arrives.SHORT
    return Join(pair, JoinKind(leaves, arrives), _effort(join.points))


def _effort(points: FloatArray) -> float:
    along = np.diff(points, axis=0)
    lengths = np.hypot(*along.T)
    headings = np.unwrap(np.arctan2(*along[lengths > 0].T[::-1]))
    return float(lengths.sum() + np.abs(np.diff(headings)).sum() / (np.pi / 2))


def kinds_of(pairs: Iterable[str], hand: Hand) -> frozenset[JoinKind]:
    """The movements that some pairs are joined by."""
    return frozenset(join.kind for pair in pairs if (join := join_of(pair, hand)))


def is_joined(pair: str, hand: Hand, kinds: frozenset[JoinKind]) -> bool:
    """Whether two letters are joined where only these movements are known."""
    join = join_of(pair, hand) if set(pair) <= set(GROUPS["small"]) else None
    return join is not None and join.kind in kinds


def pairs_in(parts: Iterable[str]) -> tuple[str, ...]:
    """The pairs of neighbours in some parts, each once; small letters only.

    >>> pairs_in(["igh", "a", "ig"])
    ('ig', 'gh')
    """
    small = set(GROUPS["small"])
    found = (part[at : at + 2] for part in parts for at in range(len(part) - 1))
    return tuple(dict.fromkeys(pair for pair in found if set(pair) <= small))
