"""Explains ink: picks the way it was written in, and says which ink was which move."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import pairwise

import numpy as np
import numpy.typing as npt

from firstloop.core import polyline
from firstloop.core.checking.match import Match, Models, Path, match
from firstloop.core.checking.settle import Settled, settle
from firstloop.core.checking.ways import Piece, Way, ways_of
from firstloop.core.ink import Ink
from firstloop.core.letterforms import Letter
from firstloop.core.limits import (
    CLEARLY,
    CLEARLY_LEFT_OVER,
    CORNER_SEARCH,
    INK_SMOOTHING,
    INK_SPACING,
    LEFT_OVER,
    LIFT_SEARCH,
    POORLY_EXPLAINED,
    STRAY_STROKE,
    UNEXPLAINED,
    UNUSUAL_WAY,
)
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class Written:
    """A piece of the way with the ink that wrote it; ink (n, 2) in u, on the page's ruling."""

    piece: Piece
    ink: FloatArray


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
    left_over: float = 0.0
    """u of ink that came after the letter was done, and is in no piece."""

    @property
    def strokes(self) -> tuple[FloatArray, ...]:
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
    def holds(self) -> bool:
        """Whether the way explains the ink well enough for its moves to be measured."""
        return self.cost < UNEXPLAINED * room_of(self.letter)

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


def tidy(ink: Ink, letter: Letter) -> tuple[FloatArray, ...]:
    """The strokes evenly spaced and without jitter.

    Taps beside the writing are dropped, unless the letter has a dot or there is nothing else.
    """
    written = [s.points for s in ink.strokes if polyline.length(s.points) >= STRAY_STROKE]
    dotted = any(move.kind is MoveKind.DOT for move in letter.script.moves)
    kept = [s.points for s in ink.strokes] if dotted or not written else written
    return tuple(
        polyline.smooth(polyline.respace(points, INK_SPACING), INK_SMOOTHING) for points in kept
    )


@dataclass(frozen=True, slots=True, eq=False)
class _Prepared:
    """A letter's ways, their paths stacked, the handicap (u²) of each way, and for each way the
    share of its path at which each of its pieces ends."""

    ways: tuple[Way, ...]
    models: Models
    handicaps: FloatArray
    ends: tuple[FloatArray, ...]


@lru_cache(maxsize=1024)
def _prepared(letter: Letter, missing: frozenset[int]) -> _Prepared:
    ways = ways_of(letter, missing)
    paths = [
        Path.of([np.vstack([piece.points for piece in stroke]) for stroke in way.strokes])
        for way in ways
    ]
    handicaps = np.array([UNUSUAL_WAY if way.faults else 0.0 for way in ways])
    ends = [np.cumsum([polyline.length(piece.points) for piece in way.pieces]) for way in ways]
    return _Prepared(ways, Models.of(paths), handicaps, tuple(end / end[-1] for end in ends))


def explain(strokes: tuple[FloatArray, ...], forms: Sequence[Letter]) -> Explanation:
    """How tidied ink was written, as the accepted form of the letter that explains it best.

    The first form is the class's own; where it is clearly right, no other is looked at.
    """
    best = explain_as(strokes, forms[0])
    for form in forms[1:]:
        if best.is_right:
            break
        best = min(best, explain_as(strokes, form), key=lambda one: one.total)
    return _without_left_over(strokes, best) if best.cost > POORLY_EXPLAINED else best


def _without_left_over(strokes: tuple[FloatArray, ...], whole: Explanation) -> Explanation:
    """The explanation of the ink up to where the letter is done, if it is clearly better."""
    length = polyline.length(strokes[-1])
    total = sum(polyline.length(stroke) for stroke in strokes)
    best = whole
    for share in LEFT_OVER:
        rest = length - share * total
        if rest < CORNER_SEARCH:
            break
        cut = strokes[-1][polyline.distances_along(strokes[-1]) <= rest]
        tried = explain_as((*strokes[:-1], cut), whole.letter)
        if tried.cost < CLEARLY_LEFT_OVER * whole.cost and tried.total < best.total:
            best = replace(tried, left_over=share * total)
    return best


def explain_as(strokes: tuple[FloatArray, ...], letter: Letter) -> Explanation:
    """The way in which tidied ink was written, and which ink was which move."""
    settled = settle(strokes, letter)
    known = _prepared(letter, settled.missing)
    handicaps = known.handicaps
    if settled.lifts:  # a pen that was lifted speaks for the ways that lift it there
        strokes_of = np.array([len(way.strokes) for way in known.ways])
        handicaps = handicaps - UNUSUAL_WAY * 1.5 * (strokes_of == len(settled.strokes))
    found = match(Path.of(list(settled.strokes)), known.models, handicaps)
    way, ends = known.ways[found.best], known.ends[found.best]
    written = _cut(settled.strokes, way, ends, found)
    return Explanation(letter, way, found.cost, written, settled)


def _cut(
    strokes: tuple[FloatArray, ...], way: Way, ends: FloatArray, found: Match
) -> tuple[Written, ...]:
    """Cuts the ink where the way goes from one piece to the next.

    Within a stroke the point of the cut belongs to both pieces. Where the way lifts the pen the
    ink is cut at a pen-up of its own if there is one near.
    """
    ink, along = np.vstack(strokes), _distances_over(strokes)
    pen_downs = np.cumsum([len(stroke) for stroke in strokes])[:-1]
    pieces = way.pieces
    lifts = np.cumsum([len(stroke) for stroke in way.strokes])
    written, begin = [], 0
    for at, (piece, after) in enumerate(pairwise(pieces), start=1):
        near = _answer(found, ends[at - 1]) * along[-1]
        lift = _pen_down_near(pen_downs, along, near) if at in lifts else None
        if lift is None:
            end = begin_after = max(begin, _corner(ink, along, near, piece, after))
        else:
            end, begin_after = max(begin, lift - 1), lift
        written.append(Written(piece, _at_least_two(ink, begin, end)))
        begin = begin_after
    written.append(Written(pieces[-1], _at_least_two(ink, begin, len(ink) - 1)))
    return tuple(written)


def _at_least_two(ink: FloatArray, begin: int, end: int) -> FloatArray:
    """The ink from `begin` to `end`, both kept; two points even where they fall together."""
    begin = min(begin, len(ink) - 2)
    return ink[begin : max(end, begin + 1) + 1]


def _pen_down_near(pen_downs: npt.NDArray[np.intp], along: FloatArray, near: float) -> int | None:
    """The pen-down closest to a place along the ink, if one is within LIFT_SEARCH."""
    if len(pen_downs) == 0:
        return None
    closest = int(pen_downs[np.argmin(np.abs(along[pen_downs] - near))])
    return closest if abs(along[closest] - near) <= LIFT_SEARCH else None


def _distances_over(strokes: tuple[FloatArray, ...]) -> FloatArray:
    """Arc length at every point over all strokes; the pen in the air counts nothing."""
    done, parts = 0.0, []
    for stroke in strokes:
        parts.append(done + polyline.distances_along(stroke))
        done = float(parts[-1][-1])
    return np.concatenate(parts)


def _answer(found: Match, model_share: float) -> float:
    """Which share of the ink's path answers to a share of the model's path."""
    last = found.steps[-1]
    ink_at, model_at = found.steps[:, 0] / last[0], found.steps[:, 1] / last[1]
    # Where several ink samples answer to one model sample, their middle does.
    low = np.searchsorted(model_at, model_share, side="left")
    high = np.searchsorted(model_at, model_share + 1e-9, side="right")
    if high > low:
        return float((ink_at[low] + ink_at[high - 1]) / 2)
    return float(np.interp(model_share, model_at, ink_at))


def _corner(ink: FloatArray, along: FloatArray, near: float, before: Piece, after: Piece) -> int:
    """The ink index where one piece becomes the next: at a sharp corner, the very tip of it."""
    arriving = _unit(before.points[-1] - before.points[-2])
    leaving = _unit(after.points[1] - after.points[0])
    if arriving @ leaving > -0.5:
        return int(np.searchsorted(along, near))
    window = np.flatnonzero(np.abs(along - near) <= CORNER_SEARCH)
    if len(window) == 0:
        return int(np.searchsorted(along, near))
    return int(window[np.argmax(ink[window] @ (arriving - leaving))])


def _unit(vector: FloatArray) -> FloatArray:
    size = float(np.hypot(vector[0], vector[1]))
    return vector / size if size > 0.0 else vector
