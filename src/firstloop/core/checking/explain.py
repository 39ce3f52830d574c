"""Explains ink: picks the way it was written in, and says which ink was which move."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import accumulate, pairwise

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.settle import Settled, settle
from firstloop.core.checking.ways import Piece, Way, ways_of, ways_with_two_faults
from firstloop.core.geometry.even import Lines, length_of, points_in
from firstloop.core.geometry.matching import Match, Models, Path, least_cost, match
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter
from firstloop.core.limits import (
    A_CORNER,
    CLEARLY,
    CLEARLY_LEFT_OVER,
    CORNER_SEARCH,
    LEFT_OVER,
    LIFT_SEARCH,
    PARTS_AT_A_LIFT,
    POORLY_EXPLAINED,
    SURELY,
    UNEXPLAINED,
    UNUSUAL_WAY,
)

Place = tuple[float, float]


@dataclass(frozen=True, slots=True, eq=False)
class Written:
    """A piece of the way with the ink that wrote it; ink (n, 2) in u, on the page's ruling, evenly
    spaced. `low` and `high` are the corners of the ink's box."""

    piece: Piece
    ink: FloatArray
    low: Place
    high: Place

    @property
    def length(self) -> float:
        """u along the ink."""
        return length_of(self.ink)

    @property
    def width(self) -> float:
        """u across the ink."""
        return self.high[0] - self.low[0]


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
    written = _cut(settled.strokes, way, ends, found)
    return Explanation(letter, way, found.cost, written, settled, path)


def _cut(lines: Lines, way: Way, ends: list[float], found: Match) -> tuple[Written, ...]:
    """Cuts the ink where the way goes from one piece to the next.

    Within a stroke the point of the cut belongs to both pieces. Where the way lifts the pen the
    ink is cut at a pen-up of its own if there is one near.
    """
    ink = lines[0] if len(lines) == 1 else np.concatenate(lines)
    pen_downs = list(accumulate(len(line) for line in lines))[:-1]
    pieces = way.pieces
    lifts = set(accumulate(len(stroke) for stroke in way.strokes))
    answers = _answers(found, ends) if len(pieces) > 1 else []
    ends_of, begin = [], 0
    for at, (piece, after) in enumerate(pairwise(pieces), start=1):
        near = round(answers[at - 1] * (len(ink) - 1))
        lift = _pen_down_near(pen_downs, near) if at in lifts else None
        if lift is None:
            end = begin_after = max(begin, _corner(ink, near, piece, after))
        else:
            end, begin_after = max(begin, lift - 1), lift
        ends_of.append(_at_least_two(len(ink), begin, end))
        begin = begin_after
    ends_of.append(_at_least_two(len(ink), begin, len(ink) - 1))
    return _written(ink, pieces, ends_of)


def _written(
    ink: FloatArray, pieces: tuple[Piece, ...], ends: list[tuple[int, int]]
) -> tuple[Written, ...]:
    """The pieces with the ink from a begin to an end, both kept; all boxes are found in one go."""
    places = np.array(ends).ravel()
    # Between two places of a pair, and to be left out, between one pair and the next.
    low, high = (f.reduceat(ink, places, axis=0)[::2] for f in (np.minimum, np.maximum))
    last = ink[places[1::2]]
    low, high = np.minimum(low, last).tolist(), np.maximum(high, last).tolist()
    return tuple(
        Written(piece, ink[begin : end + 1], tuple(low[at]), tuple(high[at]))
        for at, (piece, (begin, end)) in enumerate(zip(pieces, ends, strict=True))
    )


def _at_least_two(count: int, begin: int, end: int) -> tuple[int, int]:
    """From `begin` to `end`; two points even where they fall together."""
    begin = min(begin, count - 2)
    return begin, max(end, begin + 1)


def _pen_down_near(pen_downs: list[int], near: int) -> int | None:
    """The pen-down closest to a place along the ink, if one is within LIFT_SEARCH."""
    closest = min(pen_downs, key=lambda place: abs(place - near), default=None)
    if closest is None or abs(closest - near) > points_in(LIFT_SEARCH):
        return None
    return closest


def _answers(found: Match, model_shares: list[float]) -> list[float]:
    """Which share of the ink's path answers to each share (0 to 1) of the model's path."""
    last = len(found.answers) - 1
    answers = []
    for share in model_shares:
        before = min(int(share * last), last - 1)
        low, high = found.answers[before : before + 2]
        answers.append(low + (share * last - before) * (high - low))
    return answers


def _corner(ink: FloatArray, near: int, before: Piece, after: Piece) -> int:
    """The ink index where one piece becomes the next: at a sharp corner, the very tip of it."""
    (ax, ay), (lx, ly) = before.arriving, after.leaving
    begin, end = near - points_in(CORNER_SEARCH), near + points_in(CORNER_SEARCH) + 1
    window = ink[max(0, begin) : end]
    if ax * lx + ay * ly > A_CORNER or len(window) == 0:
        return near
    return max(0, begin) + int(np.argmax(window @ np.array([ax - lx, ay - ly])))
