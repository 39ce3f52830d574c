"""What is seen of the line itself: its lean, its steadiness, how well it lies on the model."""

import math

import numpy as np

from firstloop.core import polyline
from firstloop.core.checking.explain import Explanation
from firstloop.core.checking.findings import Code, Measure, Verdict
from firstloop.core.letterforms import Hand
from firstloop.core.limits import (
    CORNER,
    INK_SPACING,
    LIMITS,
    SMOOTH_RUN,
    UPRIGHT_ENOUGH,
)
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray

UPRIGHT = (MoveKind.DROP, MoveKind.RISE, MoveKind.BACK)
"""The moves that show a lean, the surest first; others are looked at only where it is missing."""


def slant(explanation: Explanation, hand: Hand) -> list[Measure]:
    """Degrees by which the stems lean to the right (+) of the hand's own slant; longer ones count
    more."""
    straight = [w for w in explanation.written if _is_straight(w.piece.points)]
    kinds = {w.piece.drawn.move.kind for w in straight}
    told_by = next((kind for kind in UPRIGHT if kind in kinds), None)
    chords = [w.ink[-1] - w.ink[0] for w in straight if w.piece.drawn.move.kind is told_by]
    chords = [chord if chord[1] > 0 else -chord for chord in chords]
    if not chords or sum(float(np.hypot(*chord)) for chord in chords) < UPRIGHT_ENOUGH:
        return []
    along = np.sum(chords, axis=0)
    value = math.degrees(math.atan2(along[0], along[1])) - hand.proportions.slant_deg
    return _judged(Code.SLANT, value)


def _is_straight(points: FloatArray) -> bool:
    return float(np.hypot(*(points[-1] - points[0]))) > 0.97 * polyline.length(points)


def wobble(explanation: Explanation) -> list[Measure]:
    """How far (u, root mean square) the line swings about its own smooth course."""
    off = np.concatenate([_swings(stroke) for stroke in explanation.strokes])
    if len(off) == 0:
        return []
    return _judged(Code.WOBBLE, float(np.sqrt((off**2).mean())))


def _swings(stroke: FloatArray) -> FloatArray:
    """u off the smooth course at each point; none near the ends or at corners, where smoothing
    itself moves the line."""
    sigma = SMOOTH_RUN / INK_SPACING
    ends = round(2 * sigma)
    if len(stroke) <= 3 * ends:
        return np.zeros(0)
    course = polyline.smooth(stroke, sigma)
    turning = np.hypot(*np.gradient(polyline.headings(course), axis=0).T) / INK_SPACING
    off = np.hypot(*(stroke - course).T)
    # On both sides of a corner the smooth course cuts it as well.
    corners = np.convolve(turning >= CORNER, np.ones(2 * ends + 1), mode="same") > 0
    return np.asarray(off[ends:-ends][~corners[ends:-ends]])


def shape_off(explanation: Explanation) -> list[Measure]:
    """How far (u) the ink lies off its model, as it was best laid over it."""
    if sum(polyline.length(w.piece.points) for w in explanation.written) < UPRIGHT_ENOUGH:
        return []  # a full stop has no shape
    value = math.sqrt(max(0.0, explanation.cost))
    worst = max(explanation.written, key=lambda w: polyline.length(w.piece.points))
    severity = LIMITS[Code.SHAPE_OFF].severity(value)
    if severity == Verdict.SECURE:
        return []
    drawn = worst.piece.drawn
    return [Measure(Code.SHAPE_OFF, value, severity, drawn.stroke, drawn.index)]


def _judged(code: Code, value: float) -> list[Measure]:
    severity = LIMITS[code].severity(value)
    return [] if severity == Verdict.SECURE else [Measure(code, value, severity, 0, 0)]
