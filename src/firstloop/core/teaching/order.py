"""The order letters are taught in: what an order costs, and a better one.

Three things are wanted of an order: new moves one at a time, letters that are easily confused some
lessons apart, and words to write early. A lesson is one letter. They pull apart, so what an order
costs in each is said, and the proposal is the least sum that a search by exchanges finds.
"""

import math
from collections import deque
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import combinations
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from firstloop.core.letters import Hand
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.likeness import likeness_table
from firstloop.core.letters.moves import MoveKind
from firstloop.core.teaching.families import KINDS, LETTERS, Family, Scheme, one_movement
from firstloop.core.vocabulary.sounds import Word, bundled

APART = 3
"""Lessons: a letter is settled before one comes that is easily confused with it and made by another
movement. Look-alikes of one movement are taught together, and cost nothing."""

CONFUSABLE = 0.4
"""From here on a pair is kept apart; the pairs that teachers warn of (b-d, p-q) reach it."""

LATE_WORDS = 30.0
"""What it costs if no word can be written before the last letter: a tenth of the words gained
throughout weighs as much as one confusable pair moved from next to each other to APART."""

BEAM = 40
"""Orders followed side by side; twice as many find the same order of the bundled words."""

Masks = NDArray[np.uint64]
T = TypeVar("T")


@dataclass(frozen=True, slots=True)
class Step:
    """What a letter brings where it stands in an order."""

    letter: str
    new_moves: tuple[MoveKind, ...]
    words: int
    """Of the list, writable from here on."""
    new_words: int
    too_close: tuple[tuple[str, int], ...]
    """Confusable letters taught less than APART lessons before, and how many lessons."""


@dataclass(frozen=True, slots=True)
class Cost:
    """What an order costs: each measure by itself, and their weighted sum."""

    crowded: int
    """New moves that come together with another new one."""
    close: int
    """Lessons that confusable letters are too close, over all pairs."""
    late: float
    """How far the words are from being writable, on average over the lessons; 0 to 1. On a scale
    of logarithms: the first ten words matter to a class as much as the next hundred."""

    @property
    def total(self) -> float:
        """The sum that the proposal makes small."""
        return self.crowded + self.close + LATE_WORDS * self.late


def steps(order: Sequence[str], hand: Hand) -> tuple[Step, ...]:
    """What each letter of the order brings."""
    near, moves_of, counts = _confusables(hand), _moves(hand), words_after(order)
    known: set[MoveKind] = set()
    taken = []
    for at, letter in enumerate(order):
        moves = moves_of[letter]
        taken.append(
            Step(
                letter=letter,
                new_moves=tuple(kind for kind in moves if kind not in known),
                words=counts[at],
                new_words=counts[at] - (counts[at - 1] if at else 0),
                too_close=tuple(
                    (other, back)
                    for back, other in enumerate(reversed(order[max(0, at - APART + 1) : at]), 1)
                    if other in near[letter]
                ),
            )
        )
        known.update(moves)
    return tuple(taken)


def cost(order: Sequence[str], hand: Hand) -> Cost:
    """What an order costs.

    >>> from firstloop.core.letters import PLAIN
    >>> cost("bd", PLAIN).close  # easily confused, and one lesson after the other
    2
    >>> cost("ao", PLAIN).close  # of one movement: contrasted on purpose
    0
    >>> cost("", PLAIN).total
    0.0
    """
    if not order:
        return Cost(0, 0, 0.0)
    near, moves = _near_bits(hand), _move_bits(hand)
    every = math.log1p(len(bundled()))
    taught = known = crowded = close = 0
    late = 0.0
    recent: deque[int] = deque(maxlen=APART - 1)  # the newest first
    for at, letter in enumerate(order):
        bit = _bit(letter)
        if at:  # the first letter has to bring its moves together
            crowded += max(0, (moves[letter] & ~known).bit_count() - 1)
        close += sum(APART - back for back, other in enumerate(recent, 1) if near[letter] & other)
        recent.appendleft(bit)
        taught, known = taught | bit, known | moves[letter]
        late += 1.0 - math.log1p(_words_of(taught)) / every
    return Cost(crowded, close, late / len(order))


def propose(scheme: Scheme, hand: Hand, *, families_stay: bool = False) -> Scheme:
    """The scheme's families and their letters in a better order; no letter changes its family.

    Exchanges two families of a kind, or two letters of one, for as long as that lowers the cost.
    Families may be told to stay: size first is no longer that when the tails come first.
    """
    best, least = scheme, cost(scheme.order, hand).total
    while True:
        tried = [
            (cost(other.order, hand).total, other) for other in _exchanges(best, families_stay)
        ]
        total, other = min(tried, key=lambda pair: pair[0], default=(least, best))
        if total >= least - 1e-9:
            return best
        best, least = other, total


def _exchanges(scheme: Scheme, families_stay: bool) -> Iterator[Scheme]:
    families = scheme.families
    for a, b in [] if families_stay else combinations(range(len(families)), 2):
        if _kind(families[a]) == _kind(families[b]):
            yield replace(scheme, families=_exchanged(families, a, b))
    for at, family in enumerate(families):
        for a, b in combinations(range(len(family.letters)), 2):
            other = replace(family, letters=_exchanged(family.letters, a, b))
            yield replace(scheme, families=(*families[:at], other, *families[at + 1 :]))


def _kind(family: Family) -> str | None:
    return group_of(family.letters[0]) if family.letters else None


def _exchanged(items: tuple[T, ...], a: int, b: int) -> tuple[T, ...]:
    listed = list(items)
    listed[a], listed[b] = listed[b], listed[a]
    return tuple(listed)


def word_count(letters: Iterable[str]) -> int:
    """How many of the bundled words need no other letters.

    >>> word_count("ta") == len(writable("ta"))
    True
    """
    return _words_of(sum(map(_bit, set(letters))))


def words_after(order: Iterable[str]) -> list[int]:
    """How many of the bundled words can be written after each letter of an order.

    >>> words_after("at")[1] == len(writable("at"))
    True
    """
    taught = np.bitwise_or.accumulate([_bit(letter) for letter in order], dtype=np.uint64)
    return [int(count) for count in _counts(taught, _masks())]


def writable(letters: Iterable[str]) -> tuple[Word, ...]:
    """The bundled words that need no other letters.

    >>> [word.text for word in writable("ta")]
    ['a', 'at']
    """
    taught = set(letters)
    return tuple(word for word in bundled() if word.letters <= taught)


def unlocked(letter: str, before: Iterable[str]) -> tuple[Word, ...]:
    """The words that a letter adds to those that could be written before it."""
    return tuple(word for word in writable((*before, letter)) if letter in word.letters)


@lru_cache(maxsize=4)
def words_soonest(letters: tuple[str, ...]) -> tuple[str, ...]:
    """The order of letters by which most words can be written soonest.

    The sum over the lessons of the words writable is made large, by a beam search over sets of
    letters: the order in which a set was reached does not matter to what follows.
    """
    bits, masks = np.array([_bit(x) for x in letters], dtype=np.uint64), _masks()
    beam: list[tuple[float, int, tuple[str, ...]]] = [(0.0, 0, ())]
    for _ in letters:
        reached: dict[int, tuple[float, int, tuple[str, ...]]] = {}
        for gained, taught, order in beam:
            left = [at for at, x in enumerate(letters) if x not in order]
            sets = bits[left] | np.uint64(taught)
            for at, new, count in zip(left, sets, _counts(sets, masks), strict=True):
                better = (gained + float(count), int(new), (*order, letters[at]))
                if int(new) not in reached or reached[int(new)][0] < better[0]:
                    reached[int(new)] = better
        beam = sorted(reached.values(), key=lambda state: (-state[0], state[2]))[:BEAM]
    return beam[0][2]


def sets_of(order: Sequence[str], size: int) -> list[tuple[str, ...]]:
    """An order cut into sets of that size at most, as even as they can be."""
    count = -(-len(order) // size)
    return [tuple(part.tolist()) for part in np.array_split(np.array(list(order)), count)]


@lru_cache(maxsize=16)
def _moves(hand: Hand) -> dict[str, tuple[MoveKind, ...]]:
    """For each letter the kinds of its moves, each once, in their order."""
    return {
        letter: tuple(dict.fromkeys(move.kind for move in script.moves))
        for letter, script in hand.scripts.items()
    }


@lru_cache(maxsize=16)
def _move_bits(hand: Hand) -> dict[str, int]:
    """For each letter the kinds of its moves, as bits."""
    return {
        letter: sum(1 << list(MoveKind).index(kind) for kind in kinds)
        for letter, kinds in _moves(hand).items()
    }


@lru_cache(maxsize=16)
def _near_bits(hand: Hand) -> dict[str, int]:
    """For each letter those that it is to be kept apart from, as bits."""
    return {letter: sum(map(_bit, near)) for letter, near in _confusables(hand).items()}


@lru_cache(maxsize=100_000)
def _words_of(taught: int) -> int:
    """How many words need no other letters than these, as bits. A search meets most sets often."""
    return int(((_masks() & ~np.uint64(taught)) == 0).sum())


@lru_cache(maxsize=16)
def _confusables(hand: Hand) -> dict[str, frozenset[str]]:
    """For each letter those of its kind that it is to be kept apart from: look-alikes of another
    movement. Those of one movement belong together."""
    tables = [likeness_table(hand, kind) for kind in KINDS]
    pairs = [
        pair
        for table in tables
        for pair in table
        if table[pair].confusable >= CONFUSABLE
        and not one_movement(*(hand.scripts[letter] for letter in pair))
    ]
    return {
        letter: frozenset(x for pair in pairs if letter in pair for x in pair if x != letter)
        for letter in LETTERS
    }


_BITS = {letter: 1 << at for at, letter in enumerate(LETTERS)}


def _bit(letter: str) -> int:
    return _BITS[letter]


@lru_cache(maxsize=1)
def _masks() -> Masks:
    """Each word's letters as bits; (n,)."""
    return np.array(
        [sum(_bit(letter) for letter in word.letters) for word in bundled()], dtype=np.uint64
    )


def _counts(sets: Masks, masks: Masks) -> NDArray[np.int64]:
    """For each set of letters as bits, how many words need no others."""
    return np.asarray(((masks & ~sets[:, None]) == 0).sum(axis=1))
