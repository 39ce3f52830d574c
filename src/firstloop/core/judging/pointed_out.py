"""Where a finding of a letter is seen: what is drawn beside the ink so that a teacher sees at once
what was measured.

It points, it decides nothing: the places are taken from the ink that the check took for each move.
"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np

from firstloop.core.checking.measure.closures import closures
from firstloop.core.checking.say.findings import Finding, MoveInk
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry.polyline import FloatArray, corners
from firstloop.core.letters import Letter

UPRIGHT = (0.28, 0.92)
"""[share of the height] Of a stem: above its foot and below its start, which may be rounded."""

Place = tuple[float, float]

NOWHERE: FloatArray = np.empty((0, 2))


class Mark(StrEnum):
    """A form of drawing."""

    FROM_TO = "from_to"
    """An arrow from where it is to where it should be."""
    GAP = "gap"
    """A bracket over two places that should meet."""
    SPAN = "span"
    """A measuring line over a height or width."""
    LEAN = "lean"
    """A line along what leans."""


@dataclass(frozen=True, slots=True)
class Pointed:
    """A mark and its two ends, in u, in the frame of the ink."""

    mark: Mark
    start: Place
    end: Place


Moves = dict[tuple[int, int], FloatArray]
"""The ink of each move, by its stroke and place."""


@dataclass(frozen=True, slots=True, eq=False)
class _Where:
    """All that a mark is made from: the ink of the finding's move, and that move in the model that
    lies under it."""

    finding: Finding
    moves: Moves
    ink: Ink
    model: Letter

    @property
    def piece(self) -> FloatArray:
        return self.moves[self.finding.stroke, self.finding.move]

    @property
    def drawn(self) -> FloatArray:
        points = self.model.strokes[self.finding.stroke][self.finding.move].points
        return np.asarray(points + _shift(self.ink, self.model))


def pointed_out(
    finding: Finding, trail: tuple[MoveInk, ...], ink: Ink, model: Letter
) -> Pointed | None:
    """What is drawn for a finding; None where there is no one place, or the check found no ink for
    its move."""
    moves = {(one.stroke, one.move): one.points for one in trail if len(one.points)}
    here = (finding.stroke, finding.move)
    if finding.code is Code.START_PLACE:  # what was left out at the beginning has no ink
        moves.setdefault(here, next((moves[k] for k in sorted(moves) if k[0] == here[0]), NOWHERE))
    how = _MARKS.get(finding.code)
    if how is None or len(moves.get(here, NOWHERE)) == 0:
        return None
    return how(_Where(finding, moves, ink, model))


def _mark(mark: Mark, start: FloatArray, end: FloatArray | list[float]) -> Pointed:
    return Pointed(
        mark,
        (round(float(start[0]), 3), round(float(start[1]), 3)),
        (round(float(end[0]), 3), round(float(end[1]), 3)),
    )


def _shift(ink: Ink, model: Letter) -> FloatArray:
    """How far the model lies from the ink, middle to middle: only sideways, for both stand on the
    same lines."""
    of_ink = corners(np.concatenate([stroke.points for stroke in ink.strokes]))
    of_model = corners(np.concatenate([move.points for move in model.moves]))
    return np.array([float(of_ink[:, 0].mean() - of_model[:, 0].mean()), 0.0])


def _begun(piece: FloatArray, ink: Ink) -> FloatArray:
    """Where the pen was set down for the stroke that a piece of ink is of: whichever way the piece
    is read, the hand began there."""

    def apart(points: FloatArray) -> float:
        return float(np.hypot(*(points - piece[len(piece) // 2]).T).min())

    stroke = min(ink.strokes, key=lambda one: apart(one.points))
    return np.asarray(stroke.points[0])


def _openings(where: _Where) -> Iterator[tuple[float, Pointed]]:
    """Each end that should lie on another part, and the nearest of that part's ink."""
    for closure in closures(where.model):
        piece = where.moves.get((closure.stroke, closure.move))
        onto = where.moves.get(closure.onto)
        about = {(closure.stroke, closure.move), closure.onto}
        if piece is None or onto is None:
            continue
        if (where.finding.stroke, where.finding.move) not in about:
            continue
        end = piece[0 if closure.at_start else -1]
        far = onto if onto is not piece else _half(piece, last=closure.at_start)
        yield _to_nearest(end, far)


def _half(piece: FloatArray, *, last: bool) -> FloatArray:
    middle = len(piece) // 2
    return piece[middle:] if last else piece[:middle]


def _beside_the_stem(where: _Where) -> Iterator[tuple[float, Pointed]]:
    """Where the way back runs furthest from the stem that it should lie on: sideways, over the
    heights that both have, up to where the way back turns off (its steepest part)."""
    moves, here = where.moves, (where.finding.stroke, where.finding.move)
    order = sorted(moves)
    before = next((one for one, other in pairwise(order) if other == here), None)
    if before is None:
        return
    piece, stem = moves[here], moves[before]
    rising = piece[: max(2, int(np.argmax(piece[:, 1])) + 1)]
    for point in rising[len(rising) // 4 : max(2, 3 * len(rising) // 4)]:
        yield _to_nearest(point, stem)


def _to_nearest(point: FloatArray, others: FloatArray) -> tuple[float, Pointed]:
    off = np.hypot(*(others - point).T)
    nearest = int(off.argmin())
    return float(off[nearest]), _mark(Mark.GAP, point, others[nearest])


def _widest(found: Iterator[tuple[float, Pointed]]) -> Pointed | None:
    return max(found, key=lambda one: one[0], default=(0.0, None))[1]


def _reach(piece: FloatArray, wanted: float, *, upwards: bool) -> Pointed:
    """From where it ends to the height where it should."""
    at = int(piece[:, 1].argmax() if upwards else piece[:, 1].argmin())
    return _mark(Mark.FROM_TO, piece[at], [piece[at][0], wanted])


def _span(points: FloatArray, axis: int) -> Pointed:
    low, high = corners(points)
    if axis == 1:
        return _mark(Mark.SPAN, np.array([high[0], low[1]]), [high[0], high[1]])
    return _mark(Mark.SPAN, np.array([low[0], low[1]]), [high[0], low[1]])


def _lean(piece: FloatArray) -> Pointed | None:
    """The straight line through the upright part of a stem, from its foot to its head."""
    low, high = float(piece[:, 1].min()), float(piece[:, 1].max())
    inside = (piece[:, 1] - low >= UPRIGHT[0] * (high - low)) & (
        piece[:, 1] - low <= UPRIGHT[1] * (high - low)
    )
    if inside.sum() < 2 or high - low < 1e-6:
        return None
    slope, offset = np.polyfit(piece[inside, 1], piece[inside, 0], 1)
    return _mark(Mark.LEAN, np.array([slope * low + offset, low]), [slope * high + offset, high])


_MARKS: dict[Code, Callable[[_Where], Pointed | None]] = {
    Code.START_PLACE: lambda w: _mark(Mark.FROM_TO, _begun(w.piece, w.ink), w.drawn[0]),
    Code.DOT_PLACE: lambda w: _mark(Mark.FROM_TO, w.piece.mean(axis=0), w.drawn.mean(axis=0)),
    Code.BRANCH_PLACE: lambda w: _mark(Mark.FROM_TO, w.piece[0], [w.piece[0][0], w.drawn[0][1]]),
    Code.OPEN_GAP: lambda w: _widest(_openings(w)),
    Code.RETRACE_GAP: lambda w: _widest(_beside_the_stem(w)),
    Code.BODY_HEIGHT: lambda w: _span(w.piece, axis=1),
    Code.WIDTH: lambda w: _span(np.concatenate(list(w.moves.values())), axis=0),
    Code.SLANT: lambda w: _lean(w.piece),
    **dict.fromkeys(
        (Code.REACH_UP, Code.PART_LENGTH, Code.UNEVEN_PARTS),
        lambda w: _reach(w.piece, float(w.drawn[:, 1].max()), upwards=True),
    ),
    **dict.fromkeys(
        (Code.REACH_DOWN, Code.OFF_BASE),
        lambda w: _reach(w.piece, float(w.drawn[:, 1].min()), upwards=False),
    ),
}
"""How each finding is pointed out; what has no place of its own (an order, a lift) is not."""
