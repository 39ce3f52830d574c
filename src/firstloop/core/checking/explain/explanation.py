"""Explains ink: picks the way it was written in, and says which ink was which move."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.explain.cut import CORNER_SEARCH, Written, cut
from firstloop.core.checking.explain.settle import Settled, settle
from firstloop.core.checking.explain.ways import Way, ways_of, ways_with_two_faults
from firstloop.core.geometry.even import Lines, length_of, points_in
from firstloop.core.geometry.matching import Models, Path, least_cost, match
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter

UNUSUAL_WAY = 0.02
"""[u²] What a way must better the right way by; ink that fits both equally was written right."""

UNEXPLAINED = 0.16
"""[u²] Mean cost above which no way explains the ink (0.4 u off everywhere); its moves are then not
measured one by one. By trial: other letters cost 0.2 and more, the worst slips under 0.1."""

CLEARLY = 0.05
"""[u²] What lies this well on a letter, made in the right way, is clearly that letter."""

SURELY = 0.02
"""[u²] What lies this well on the letter, made in the right way, is not read as another. Of 33,000
letters of pupils written for another, and 7,000 with slips, those that were lay 0.028 off at least.
"""

LEFT_OVER = (0.1, 0.2, 0.3, 0.4)
"""[share] Shares of the ink's length that may be left over when the letter is done: a curl, a hump.
"""

CLEARLY_LEFT_OVER = 0.5
"""[share] Something is left over if without it the ink costs less than this share of its cost
whole."""

POORLY_EXPLAINED = 0.06
"""[u²] Above this it is looked whether something comes after the letter is done."""

PARTS_AT_A_LIFT = 1.5
"""[times UNUSUAL_WAY] Times UNUSUAL_WAY: what a way costs more that lifts the pen elsewhere than
the child did."""


@dataclass(frozen=True, slots=True, eq=False)
class Explanation:
    """The way the ink was written in, its mean cost (u²), and the ink of each of its pieces.

    The ink is evenly spaced, tremor out, stray taps dropped; `settled` says what was done to put
    its strokes in order.
    """

    letter: Letter
    way: Way
    cost: float
    written: tuple[Written, ...]
    settled: Settled
    path: Path
    """The writing path of `strokes`."""
    left_over: float = 0.0
    """u of ink that came after the letter was done, and is in no piece."""
    straightened_deg: float = 0.0
    """The lean that was taken out of the ink before it was explained."""

    @property
    def strokes(self) -> Lines:
        """The ink in the letter's order."""
        return self.settled.strokes

    @property
    def total(self) -> float:
        """The cost with what had to be put right, for choosing between forms; u²."""
        return self.cost + UNUSUAL_WAY * self.settled.oddities

    @property
    def is_right(self) -> bool:
        """Whether it is clearly the letter, made in the right way."""
        return not self.way.faults and not self.settled.oddities and self.cost < CLEARLY

    @property
    def is_sure(self) -> bool:
        """Whether it lies so well on the letter that nobody reads it as another."""
        return self.is_right and self.cost < SURELY

    @property
    def holds(self) -> bool:
        """Whether the way explains the ink well enough for its moves to be measured."""
        return self.cost < UNEXPLAINED * room_of(self.letter)

    @property
    def is_meant(self) -> bool:
        """Whether it is made so much as that letter that it is meant, whatever it looks like."""
        as_it_should = self.holds and not self.way.faults and not self.settled.oddities
        return as_it_should or self.is_explained

    @property
    def is_explained(self) -> bool:
        """Whether the way explains all of the ink, and nothing need be left over."""
        return self.cost <= POORLY_EXPLAINED * room_of(self.letter)

    def find(self, stroke: int, move: int) -> Written | None:
        """The ink of a move of the script, or None where the way leaves it out."""
        for written in self.written:
            drawn = written.piece.drawn
            if (drawn.stroke, drawn.index) == (stroke, move):
                return written
        return None


@lru_cache(maxsize=1024)
def room_of(letter: Letter) -> float:
    """u² that a letter fills, 1 at least: of a large letter the ink may lie further off."""
    every = np.vstack(letter.paths())
    return max(1.0, float(np.prod(np.ptp(every, axis=0))))


@dataclass(frozen=True, slots=True, eq=False)
class _Prepared:
    """A letter's ways, their paths stacked, the handicap (u²) of each way, and for each way the
    number of its strokes and the share of its path at which each of its pieces ends."""

    ways: tuple[Way, ...]
    models: Models
    handicaps: FloatArray
    strokes: npt.NDArray[np.intp]
    ends: tuple[list[float], ...]


@lru_cache(maxsize=1024)
def _prepared(letter: Letter, missing: frozenset[int]) -> _Prepared:
    return _of_ways(ways_of(letter, missing))


@lru_cache(maxsize=1024)
def _prepared_for_two(letter: Letter, missing: frozenset[int]) -> _Prepared | None:
    ways = ways_with_two_faults(letter, missing)
    return _of_ways(ways) if ways else None


def _of_ways(ways: tuple[Way, ...]) -> _Prepared:
    paths = [
        Path.of([np.vstack([piece.points for piece in stroke]) for stroke in way.strokes])
        for way in ways
    ]
    handicaps = np.array([UNUSUAL_WAY if way.faults else 0.0 for way in ways])
    ends = [np.cumsum([piece.length for piece in way.pieces]) for way in ways]
    return _Prepared(
        ways=ways,
        models=Models.of(paths),
        handicaps=handicaps,
        strokes=np.array([len(way.strokes) for way in ways]),
        ends=tuple((end[:-1] / end[-1]).tolist() for end in ends),
    )


def explain(lines: Lines, forms: Sequence[Letter]) -> Explanation:
    """How tidied ink was written, as the accepted form of the letter that explains it best.

    The first form is the class's own; where the ink lies well on it, no other is looked at.
    """
    best = explain_as(lines, forms[0])
    for form in forms[1:]:
        if best.is_sure:
            break
        best = min(best, explain_as(lines, form), key=lambda one: one.total)
    return best if best.is_explained else _of_two_faults(best)


def _of_two_faults(best: Explanation) -> Explanation:
    """The same ink made with two things wrong at once, if that is clearly the better explanation of
    what no single one explains."""
    known = _prepared_for_two(best.letter, best.settled.missing)
    if known is None:
        return best
    again = _explained(best.letter, best.settled, known)
    return again if again.total + UNUSUAL_WAY < best.total else best


def without_left_over(lines: Lines, whole: Explanation) -> Explanation:
    """The explanation of the ink up to where the letter is done, if that is clearly better.

    It is looked for only in what is poorly explained as a whole. Of several places where the letter
    may have been done, the most promising is tried.
    """
    if whole.is_explained:
        return whole
    total = sum(len(line) for line in lines)
    rests = [len(lines[-1]) - round(share * total) for share in LEFT_OVER]
    cut = [(*lines[:-1], lines[-1][:rest]) for rest in rests if rest > points_in(CORNER_SEARCH)]
    if not cut:
        return whole
    known = _prepared(whole.letter, whole.settled.missing)
    in_order = whole.settled.strokes is lines
    settled = cut if in_order else [settle(done, whole.letter).strokes for done in cut]
    least = [least_cost(Path.of_trace(done), known.models, known.handicaps) for done in settled]
    if min(least) > CLEARLY_LEFT_OVER * whole.cost:
        return whole
    done = cut[int(np.argmin(least))]
    tried = explain_as(done, whole.letter)
    if tried.cost > CLEARLY_LEFT_OVER * whole.cost or tried.total > whole.total:
        return whole
    return replace(tried, left_over=length_of(lines[-1]) - length_of(done[-1]))


def explain_as(lines: Lines, letter: Letter) -> Explanation:
    """The way in which tidied ink was written, and which ink was which move."""
    settled = settle(lines, letter)
    return _explained(letter, settled, _prepared(letter, settled.missing))


def _explained(letter: Letter, settled: Settled, known: _Prepared) -> Explanation:
    """The cheapest of the ways prepared."""
    handicaps = known.handicaps
    if settled.lifts:  # a pen that was lifted speaks for the ways that lift it there
        handicaps = handicaps + PARTS_AT_A_LIFT * UNUSUAL_WAY * (
            known.strokes != len(settled.strokes)
        )
    path = Path.of_trace(settled.strokes)
    found = match(path, known.models, handicaps)
    way, ends = known.ways[found.best], known.ends[found.best]
    written = cut(settled.strokes, way, ends, found)
    return Explanation(letter, way, found.cost, written, settled, path)
