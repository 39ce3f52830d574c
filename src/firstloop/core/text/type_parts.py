"""A hand as type: each letter in the forms in which it stands beside others, the joins between two,
and how far apart any two stand. What `words.compose` makes of a word, taken apart into what is the
same in every word.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from enum import StrEnum
from functools import cached_property

import numpy as np

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import DrawnMove, Hand, Letter, draw
from firstloop.core.letters.hands import GROUPS, joins_of
from firstloop.core.letters.moves import Level, MoveKind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose, in_words


class Place(StrEnum):
    """Where a letter stands in what is joined: alone, or as the first, within it, or the last; the
    last two also after a letter that is left at the mid line, where that makes another of it."""

    ALONE = "alone"
    FIRST = "first"
    WITHIN = "within"
    LAST = "last"
    WITHIN_HIGH = "within.high"
    LAST_HIGH = "last.high"

    @property
    def led_in(self) -> bool:
        """Whether the letter is led into from the one before."""
        return self not in (Place.ALONE, Place.FIRST)

    @property
    def goes_on(self) -> bool:
        """Whether it goes on to the next."""
        return self in (Place.FIRST, Place.WITHIN, Place.WITHIN_HIGH)

    @property
    def after_high(self) -> bool:
        """Whether it comes after a letter that is left at the mid line, and looks otherwise."""
        return self in (Place.WITHIN_HIGH, Place.LAST_HIGH)


TURNED = 0.004
"""u: what moves by less is the same outline."""


@dataclass(frozen=True, slots=True, eq=False)
class Form:
    """A letter as it stands in a place: its moves, in u from where the letter stands."""

    letter: Letter
    place: Place
    moves: tuple[DrawnMove, ...]


@dataclass(frozen=True, eq=False)
class TypeParts:
    """A hand taken apart."""

    hand: Hand

    @cached_property
    def letters(self) -> tuple[str, ...]:
        """All that it can write, in its order."""
        return tuple(self.hand.scripts)

    @cached_property
    def joining(self) -> tuple[tuple[str, ...], tuple[str, ...]]:
        """The letters that go on to the next, and those that are led into from the one before."""
        if not self.hand.joins:
            return (), ()
        joins = {letter: joins_of(self.hand, letter) for letter in GROUPS["small"]}
        goes_on = tuple(letter for letter in joins if joins[letter].out is not None)
        led_in = tuple(letter for letter in joins if joins[letter].into is not None)
        return goes_on, led_in

    def are_joined(self, first: str, second: str) -> bool:
        """Whether the first goes on to the second."""
        goes_on, led_in = self.joining
        return first in goes_on and second in led_in

    def places(self, letter: str) -> tuple[Place, ...]:
        """The places that a letter can stand in."""
        goes_on, led_in = self.joining
        there = {
            Place.ALONE: True,
            Place.FIRST: letter in goes_on,
            Place.WITHIN: letter in goes_on and letter in led_in,
            Place.LAST: letter in led_in,
            Place.WITHIN_HIGH: letter in goes_on and letter in self.turned_after_high,
            Place.LAST_HIGH: letter in self.turned_after_high,
        }
        return tuple(place for place in Place if there[place])

    def forms(self, letter: str) -> Iterator[Form]:
        """A letter in every place that it can stand in."""
        script = in_words(self.hand.scripts[letter], self.hand)
        drawn = draw(script, self.hand.proportions, Ruling())
        for place in self.places(letter):
            moves = _without(drawn, into=place.led_in, out=place.goes_on)
            if place.after_high:
                there = dict(zip(map(id, drawn.moves), self._after_high(letter), strict=True))
                moves = tuple(there[id(move)] for move in moves)
            yield Form(drawn, place, moves)

    def leaves_high(self, letter: str) -> bool:
        """Whether a letter that goes on is left at the mid line."""
        return joins_of(self.hand, letter).out is Level.MID

    @cached_property
    def turned_after_high(self) -> frozenset[str]:
        """The letters of which more than the join is otherwise after one left at the mid line: the
        pen comes to them in another direction, and goes on in a curve."""
        goes_on, led_in = self.joining
        if not any(map(self.leaves_high, goes_on)):
            return frozenset()
        return frozenset(letter for letter in led_in if self._is_turned(letter))

    def _is_turned(self, letter: str) -> bool:
        script = in_words(self.hand.scripts[letter], self.hand)
        alone = draw(script, self.hand.proportions, Ruling()).moves[1:]
        after = self._after_high(letter)[1:]
        return any(
            np.abs(a.points - b.points).max() > TURNED for a, b in zip(alone, after, strict=True)
        )

    def _after_high(self, letter: str) -> tuple[DrawnMove, ...]:
        """The moves of a letter, its join first, after one that is left at the mid line, in their
        own order and where the letter stands alone."""
        first = next(filter(self.leaves_high, self.joining[0]))
        composed = compose(first + letter, self.hand)
        drawn = draw(composed.script, self.hand.proportions, Ruling())
        origins = [origin for stroke in composed.origins for origin in stroke]
        by = composed.shifts[1] * self.hand.proportions.width
        return tuple(
            replace(move, points=move.points - (by, 0.0))
            for move, origin in zip(drawn.moves, origins, strict=True)
            if origin.letter == 1
        )

    def join(self, first: str, second: str) -> FloatArray:
        """The line of the join of two letters that are joined, (n, 2) in u from where the second
        stands."""
        composed = compose(first + second, self.hand)
        drawn = draw(composed.script, self.hand.proportions, Ruling())
        origins = [origin for stroke in composed.origins for origin in stroke]
        at = next(at for at, origin in enumerate(origins) if origin.join)
        by = composed.shifts[1] * self.hand.proportions.width
        return drawn.moves[at].points - (by, 0.0)

    @cached_property
    def beside_itself(self) -> dict[str, float]:
        """u from where each letter stands to where the same one does after it."""
        return {letter: self.apart(letter, letter) for letter in self.letters}

    def apart(self, first: str, second: str) -> float:
        """u from where one letter stands to where the next does."""
        return compose(first + second, self.hand).shifts[1] * self.hand.proportions.width


def _without(letter: Letter, *, into: bool = False, out: bool = False) -> tuple[DrawnMove, ...]:
    """The moves of a letter without its way in, or out, of its first stroke."""
    main = letter.strokes[0]
    first, last = main[0], main[-1]
    left_out = {id(first)} if into and first.move.kind is MoveKind.LEAD_IN else set()
    if out and last.move.kind is MoveKind.FLICK:
        left_out.add(id(last))
    return tuple(move for move in letter.moves if id(move) not in left_out)
