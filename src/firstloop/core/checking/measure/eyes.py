"""A letter that begins with a bar and goes round it, as e does: where its bar lies, which is where
it was begun, and how far its curve comes back under it."""

import numpy as np

from firstloop.core.checking.explain.cut import Written
from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import MoveKind

BAR_BEGINS, BAR_ENDS = 0.2, 0.7
"""[share] Of a bar's line: before, the pen lands; after, it may turn."""

IS_LEVEL, IS_A_BAR = 0.45, 0.2
"""[ratio, bodies] Between these a bar rises no steeper, and is as long: what else begins the letter
(the curve of a c, the round of an o) is no bar, however it was explained."""

OF_A_START, OF_A_LENGTH = 0.54, 0.85
"""[share] Of the limits of a start and of a length. The eye is half a body high: at .75 or .3 a bar
leaves half of what there should be on one side. A curve that ends under the middle of its e is an
eye alone; those of other hands' good ones come back to three quarters. By trial."""


def bar_place(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far (u) the bar that a letter begins with lies above (+) or below its place; nothing
    where there is no such bar."""
    parts = _bar_and_round(explanation)
    if parts is None:
        return []
    bar = parts[0]
    off = _height(frame.place(bar.ink)) - _height(bar.piece.points)
    drawn = bar.piece.drawn
    value = off * frame.body
    return [Measure(Code.START_PLACE, value, drawn.stroke, drawn.index, of_limit=OF_A_START)]


def curve_under(explanation: Explanation) -> list[Measure]:
    """How much less (-) far the curve comes back under its bar than in the model, as a share."""
    parts = _bar_and_round(explanation)
    if parts is None:
        return []
    around = parts[1]
    drawn = around.piece.drawn
    meant = _comes_back(around.piece.points)
    if meant < IS_A_BAR:  # of a school's own form that has no such curve
        return []
    value = _comes_back(around.ink) / meant - 1.0
    if value > 0.0:
        return []
    return [Measure(Code.PART_LENGTH, value, drawn.stroke, drawn.index, of_limit=OF_A_LENGTH)]


def _bar_and_round(explanation: Explanation) -> tuple[Written, Written] | None:
    """The bar that a letter begins with and the round that goes on from it, both as they should be
    made, if the ink has such a bar."""
    if explanation.way.faults or len(explanation.written) < 2:
        return None
    bar, around = explanation.written[:2]
    first, second = bar.piece.drawn, around.piece.drawn
    kinds = (first.move.kind, second.move.kind)
    if kinds != (MoveKind.CROSS, MoveKind.ROUND) or first.stroke != second.stroke:
        return None
    middle = _middle(bar.ink)
    across, up = np.abs(middle[-1] - middle[0]).tolist()
    body = max(around.high[1] - around.low[1], IS_A_BAR)
    is_a_bar = across > IS_A_BAR * body and up < IS_LEVEL * across
    return (bar, around) if is_a_bar else None


def _middle(bar: FloatArray) -> FloatArray:
    count = len(bar)
    return bar[int(BAR_BEGINS * count) : max(int(BAR_ENDS * count), 2)]


def _height(bar: FloatArray) -> float:
    return float(_middle(bar)[:, 1].mean())


def _comes_back(around: FloatArray) -> float:
    """How far across its own width, from the left, a round ends."""
    left, right = around[:, 0].min(), around[:, 0].max()
    return float((around[-1, 0] - left) / max(right - left, 1e-6))
