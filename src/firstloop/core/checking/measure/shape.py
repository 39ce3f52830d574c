"""What is seen of shape in its parts: missing or too many, open, off their own line."""

import numpy as np

from firstloop.core.checking.explain.cut import Written
from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.explain.stroke_distances import LEAST_SCALE, MOST_SCALE
from firstloop.core.checking.measure.closures import NEIGHBOURHOOD, Closure, closures
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.measure.reading import Reading
from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import length_of, points_in
from firstloop.core.geometry.matching import SMALLEST_BOX
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import MoveKind

THERE_AT_ALL = 0.25
"""[share] Share of a part's length: with less ink than this it was left out."""

SLACK, SLACK_AT_LEAST = 0.15, 0.2
"""[share, u] Share of the last part's length, and u, by which it may be longer before it counts as
more."""

RETURN_BAND = (0.15, 0.6)
"""[share] Of the body: the heights between which going back is compared with coming down. Below it
the pen is turning; above it an arch has begun to leave its stem (at 0.64)."""

TURNING = 0.15
"""[u] At either end of a way up: there the pen turns, and the two lines may part."""

OF_A_DIGIT = 1.4
"""[share] Of the limit of a gap: a digit is two bodies high, and a gap in it shows the less."""

HALF_WAY_UP = 0.4
"""[share] Of the body: below it a scoop turns, above it goes up where a stem will come down."""

END_SHARE = 0.4
"""[share] Of a line: no more of it belongs to its end, however short it is."""


HEIGHTS = np.linspace(0.0, 1.0, 12)
"""Where in the RETURN_BAND the two lines are compared."""

PARTS = {
    MoveKind.ARCH,
    MoveKind.ARM,
    MoveKind.WHEEL,
    MoveKind.ROUND,
    MoveKind.SLOPE,
    MoveKind.CROSS,
    MoveKind.SCOOP,
}
"""Moves that make up a letter; stems and tails are told by how far they reach."""


def missing_part(explanation: Explanation) -> list[Measure]:
    """The moves that the way leaves out, the strokes that are not there, the moves with next to no
    ink."""
    places = [
        (fault.stroke, fault.move)
        for fault in explanation.way.faults
        if fault.code is Code.MISSING_PART
    ]
    if not _one_too_many(explanation):
        places += [(stroke, 0) for stroke in sorted(explanation.settled.missing)]
    places += [
        (w.piece.drawn.stroke, w.piece.drawn.index)
        for w in explanation.written
        if _is_empty(w) and not explanation.settled.lifts  # cuts at a lift are not so sure
    ]
    return [Measure(Code.MISSING_PART, 1.0, *place) for place in places[:1]]


def _one_too_many(explanation: Explanation) -> bool:
    """Whether there are more strokes than the letter has: like parts are counted before they are
    placed, so that an E with four bars lacks none."""
    settled = explanation.settled
    return len(settled.strokes) + len(settled.extra) > len(explanation.letter.strokes)


def _is_empty(written: Written) -> bool:
    length = written.piece.length
    is_part = written.piece.drawn.move.kind in PARTS and length > 2 * THERE_AT_ALL
    return is_part and written.length < THERE_AT_ALL * length


def extra_part(explanation: Explanation) -> list[Measure]:
    """Strokes that do not belong, and what goes on after the letter is done; length in u."""
    strokes = sum(length_of(stroke) for stroke in explanation.settled.extra)
    last = explanation.written[-1]
    value = strokes + _beyond(last) + explanation.left_over
    drawn = last.piece.drawn
    return [Measure(Code.EXTRA_PART, value, drawn.stroke, drawn.index)]


def _beyond(last: Written) -> float:
    """u by which the last move is longer than it would be if it were as wide and high as its ink. A
    bar or an arm that goes on is too long, and no more than that."""
    if last.piece.drawn.move.kind in (MoveKind.CROSS, MoveKind.ARM):
        return 0.0
    made = (last.width, last.high[1] - last.low[1])
    scale = [
        min(max(max(ink, SMALLEST_BOX) / max(model, SMALLEST_BOX), LEAST_SCALE), MOST_SCALE)
        for ink, model in zip(made, last.piece.size, strict=True)
    ]
    if last.length < min(scale) * last.piece.length + SLACK_AT_LEAST:
        return 0.0  # as is nearly always so, and quickly told
    meant = polyline.length(last.piece.points * scale)
    return max(0.0, polyline.length(last.ink) - meant - max(SLACK_AT_LEAST, SLACK * meant))


def open_gap(explanation: Explanation) -> list[Measure]:
    """The widest gap (u) at a place where the letter closes."""
    gaps = [
        (gap, closure)
        for closure in closures(explanation.letter)
        if (gap := _gap(explanation, closure)) is not None
    ]
    if not gaps:
        return []
    value, closure = max(gaps, key=lambda pair: pair[0])
    of_limit = OF_A_DIGIT if group_of(explanation.letter.name) == "digit" else 1.0
    return [Measure(Code.OPEN_GAP, value, closure.stroke, closure.move, of_limit=of_limit)]


def _gap(explanation: Explanation, closure: Closure) -> float | None:
    """u from an end to the part it should touch; None where either was not written."""
    own = explanation.find(closure.stroke, closure.move)
    touched = explanation.find(*closure.onto)
    if own is None or touched is None:
        return None
    at_start = closure.at_start != own.piece.backwards
    end = _end_of(own.ink, at_start)
    if touched is own:
        half = len(own.ink) // 2
        parts = [own.ink[half:] if at_start else own.ink[:half]]
    else:
        stroke, index = closure.onto
        beside = [explanation.find(stroke, index + by) for by in (-1, 0, 1)]
        parts = [w.ink for w in beside if w is not None and w is not own]
    onto = parts[0] if len(parts) == 1 else np.concatenate(parts)
    # Half as many are as near to a hundredth.
    across, up = (onto[::2, None, axis] - end[None, ::2, axis] for axis in (0, 1))
    return float(np.sqrt((across * across + up * up).min()))


def _end_of(ink: FloatArray, at_start: bool) -> FloatArray:
    """The ink near an end: where it goes past what it should touch, it has touched it."""
    count = 1 + min(points_in(NEIGHBOURHOOD), int(END_SHARE * (len(ink) - 1)))
    return ink[:count] if at_start else ink[-count:]


def retrace_gap(explanation: Explanation, frame: Frame) -> list[Measure]:
    """The widest gap (u) that 'back along the same line' leaves to the line it should follow."""
    found = []
    for first, second in zip(explanation.written, explanation.written[1:], strict=False):
        kinds = (first.piece.drawn.move.kind, second.piece.drawn.move.kind)
        if first.piece.drawn.stroke != second.piece.drawn.stroke:
            continue
        down, turning = first.ink, TURNING * frame.body
        if kinds[1] is MoveKind.BACK:
            down = down[int(down[:, 1].argmax()) :]  # of an arch, its leg
            low, high = (frame.base + height * frame.body for height in RETURN_BAND)
        elif kinds == (MoveKind.RISE, MoveKind.DROP):
            low, high = first.low[1] + turning, first.high[1] - turning
        elif kinds == (MoveKind.SCOOP, MoveKind.DROP):
            down = down[int(down[:, 1].argmin()) :]  # its way up
            low = frame.base + HALF_WAY_UP * frame.body
            high = first.high[1] - turning
        else:
            continue
        low, high = max(low, first.low[1], second.low[1]), min(high, first.high[1], second.high[1])
        drawn = second.piece.drawn
        gap = _widest_gap(down, second.ink, low, high)
        found.append(Measure(Code.RETRACE_GAP, gap, drawn.stroke, drawn.index))
    return found


def _widest_gap(down: FloatArray, back: FloatArray, low: float, high: float) -> float:
    """The widest sideways distance (u) between two branches at one height between two others."""
    if high <= low:
        return 0.0
    heights = low + (high - low) * HEIGHTS
    return float(np.abs(_x_at(heights, back) - _x_at(heights, down)).max())


def _x_at(heights: FloatArray, branch: FloatArray) -> FloatArray:
    """x of a branch at the given heights; its points are put in order of height first."""
    ordered = branch[branch[:, 1].argsort()]
    return np.interp(heights, ordered[:, 1], ordered[:, 0])


def reads_as_other(reading: Reading) -> list[Measure]:
    """Whether the shape is nearer to another letter, and by how much (u²)."""
    if reading.margin == 0.0:
        return []
    return [Measure(Code.READS_AS_OTHER, reading.margin, 0, 0, other=reading.letter)]
