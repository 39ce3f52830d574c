"""What is seen of direction: where it began, in which order and which way it ran, whether the pen
was lifted."""

import math

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.closures import is_a_ring
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.matching import SMALLEST_BOX
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import MoveKind

ROUND_START = 0.45
"""[u] Along a curve: a round may begin this late; a c begun at its crown is still a good c. Along a
ring that is taller than a body as many times more, and as much before: an 8 may begin at its side.
"""
A_TALL_RING = 1.2
"""[u] O, 0 and 8 are taller, an o is not."""

ROUND = (MoveKind.ROUND, MoveKind.WHEEL)


def start_place(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far from the letter's start the pen was set down; negative: below it.

    A stem that begins at the right end but is too short or too long is not begun in the wrong
    place: that is `reach_up`'s to say, so tall starts count only where the pen began at another
    end. Rounds may begin a little late on their way.
    """
    settled, letter = explanation.settled, explanation.letter
    first = explanation.written[0].piece.drawn.stroke
    if settled.first != first:
        return []  # another stroke was made first: `stroke_order` says so
    if any(fault.code is Code.ENTRY_MISSING for fault in explanation.way.faults):
        return []
    start = letter.strokes[first][0].points[0]
    flipped = first in settled.flipped
    stem = {move.move.kind for move in letter.strokes[first]} == {MoveKind.DROP}
    wrong_end = (flipped and (stem or settled.lifts > 0)) or any(
        fault.code is Code.START_PLACE for fault in explanation.way.faults
    )
    tall = start[1] > 1.0 and not is_a_ring(letter)
    if not wrong_end and (flipped or explanation.written[0].piece.backwards or tall):
        return []  # a whole letter from its end is `stroke_direction`'s to say
    if is_a_ring(letter):
        begun = _on_the_ring(explanation)
        nearest = _nearest_start_of_ring(letter.paths()[0], begun)
    else:
        begun = frame.place(settled.start)
        nearest = _nearest_start(letter.strokes[first][0].points, begun)
    off = (begun - nearest) * frame.body
    value = math.copysign(math.hypot(*off.tolist()), begun[1] - start[1])
    return [Measure(Code.START_PLACE, value, first, 0)]


def _on_the_ring(explanation: Explanation) -> FloatArray:
    """Where a ring was begun, as if it were as large as its model: it has no foot to go by."""
    written = explanation.written
    ink = [np.min([w.low for w in written], axis=0), np.max([w.high for w in written], axis=0)]
    model = [
        np.min([w.piece.low for w in written], axis=0),
        np.max([w.piece.high for w in written], axis=0),
    ]
    scale = (model[1] - model[0]) / np.maximum(ink[1] - ink[0], SMALLEST_BOX)
    return np.asarray(model[0] + (explanation.settled.start - ink[0]) * scale)


def _nearest_start(first_move: FloatArray, begun: FloatArray) -> FloatArray:
    """Where the letter may begin: at the start of its first move, or a little later on a curve."""
    if len(first_move) < 3:
        return np.asarray(first_move[0])
    allowed = first_move[polyline.distances_along(first_move) <= ROUND_START]
    off = allowed - begun
    return np.asarray(allowed[int(np.hypot(off[:, 0], off[:, 1]).argmin())])


def _nearest_start_of_ring(ring: FloatArray, begun: FloatArray) -> FloatArray:
    """The same of a ring; a tall one may also begin before its start."""
    along, tall = polyline.distances_along(ring), float(np.ptp(ring[:, 1]))
    allowed = along <= ROUND_START * max(tall, 1.0)
    if tall > A_TALL_RING:
        allowed |= along >= along[-1] - ROUND_START * tall
    off = np.hypot(*(ring - begun).T)
    return np.asarray(ring[int(np.where(allowed, off, np.inf).argmin())])


def stroke_order(explanation: Explanation) -> list[Measure]:
    """How many pairs of strokes are in another order; slopes that cross may be made either way."""
    settled = explanation.settled
    kinds = {stroke[0].move.kind for stroke in explanation.letter.strokes}
    either = kinds == {MoveKind.SLOPE} and len(explanation.letter.strokes) == 2
    swaps = 0 if either and not settled.lifts else settled.swaps
    swaps += sum(fault.code is Code.STROKE_ORDER for fault in explanation.way.faults)
    if not swaps:
        return []
    return [Measure(Code.STROKE_ORDER, float(swaps), *_made_too_early(explanation))]


def _made_too_early(explanation: Explanation) -> tuple[int, int]:
    """The move that was made before its turn: that which the pen was first set down for."""
    for fault in explanation.way.faults:
        if fault.code is Code.STROKE_ORDER:
            return fault.stroke, fault.move
    begun = explanation.settled.start
    for written in explanation.written:
        if (np.abs(written.ink - begun).sum(axis=1) == 0.0).any():
            return written.piece.drawn.stroke, written.piece.drawn.index
    return explanation.settled.first, 0


def stroke_direction(explanation: Explanation, left_handed: bool) -> list[Measure]:
    """Share of each stroke's length that ran against its direction."""
    found = []
    for index in sorted({w.piece.drawn.stroke for w in explanation.written}):
        own = [w for w in explanation.written if w.piece.drawn.stroke == index]
        if index in explanation.settled.flipped:
            pulled = {w.piece.drawn.move.kind for w in own} == {MoveKind.CROSS}
            share, move = (0.0 if pulled and left_handed else 1.0), 0
        else:
            against = [w for w in own if w.piece.backwards]
            share = sum(w.length for w in against) / max(sum(w.length for w in own), 1e-9)
            move = min((w.piece.drawn.index for w in against), default=0)
        found.append(Measure(Code.STROKE_DIRECTION, share, index, move))
    return found


def extra_lift(explanation: Explanation) -> list[Measure]:
    """How many times the pen was lifted where the letter goes on."""
    lifts = explanation.settled.lifts
    if lifts < 1:
        return []
    stroke, move = _lifted_before(explanation)
    return [Measure(Code.EXTRA_LIFT, float(lifts), stroke, move)]


def _lifted_before(explanation: Explanation) -> tuple[int, int]:
    """The move in or before which the pen came off: the one whose ink holds the first gap."""
    for fault in explanation.way.faults:
        if fault.code is Code.EXTRA_LIFT:
            return fault.stroke, fault.move
    of = explanation.settled.of
    broken = next(at for at in range(1, len(of)) if of[at] == of[at - 1])
    set_down = explanation.strokes[broken][0]
    for written in explanation.written:
        if (np.abs(written.ink - set_down).sum(axis=1) == 0.0).any():
            return written.piece.drawn.stroke, written.piece.drawn.index
    return of[broken], 0
