"""What is seen of the line itself: its lean, its steadiness, how well it lies on the model."""

import math

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation, room_of
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import INK_SPACING, Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.letters.moves import MoveKind

MOST_LEAN = 60.0
"""[degrees] A stem that lies flatter than this does not lean, it is something else."""

UPRIGHT_ENOUGH = 0.5
"""[u] Of stem in all, from which a lean can be told."""

SMOOTH_RUN = 0.12
"""[u] The Gaussian that gives the smooth course of a line; swings shorter than this are a shake."""

MOST_OF_IT, SHORTEST, LONGEST_DETOUR = 0.65, 12, 3.0
"""[share, points, ratio] Share of the line over which it must shake; points, below which a stroke
shows no shake; how much longer than its course a shaking line is taken to be at most."""


EVERY = 2
"""[points] Of the ink's points, every so many are looked at for shaking."""

UPRIGHT = (MoveKind.DROP, MoveKind.RISE, MoveKind.BACK)
"""The moves that show a lean, the surest first; others are looked at only where it is missing."""


def slant(explanation: Explanation, hand: Hand) -> list[Measure]:
    """Degrees by which the stems lean to the right (+) of the hand's own slant; longer ones count
    more."""
    straight = [w for w in explanation.written if w.piece.straight_share > MOST_OF_IT]
    for kind in UPRIGHT:
        told_by = [w for w in straight if w.piece.drawn.move.kind is kind]
        if told_by:
            break
    chords = [
        (w.ink[round(w.piece.straight_share * (len(w.ink) - 1))] - w.ink[0]).tolist()
        for w in told_by
    ]
    if sum(math.hypot(x, y) for x, y in chords) < UPRIGHT_ENOUGH:
        return []
    across = sum(x if y > 0 else -x for x, y in chords)
    lean = math.degrees(math.atan2(across, sum(abs(y) for _, y in chords)))
    if abs(lean) > MOST_LEAN:
        return []
    return [Measure(Code.SLANT, lean - hand.proportions.slant_deg, 0, 0)]


def wobble(lines: Lines) -> list[Measure]:
    """How far (u) the line swings about its own smooth course, over most of its length.

    A corner that the smooth course cuts is a short part of a letter; a shake runs all through it.
    """
    swings = [swing for stroke in lines if (swing := _swings(stroke)) is not None]
    if not swings:
        return []
    swing = np.sort(np.concatenate(swings))
    return [Measure(Code.WOBBLE, float(swing[int(MOST_OF_IT * len(swing))]), 0, 0)]


def _swings(stroke: FloatArray) -> FloatArray | None:
    """u off the smooth course at each point, ends left out; None of a short stroke.

    What smoothing takes off a bend is smoothed and given back (twicing, Tukey 1977), so that
    bends, which are no shake, stay. A line that swings is longer than its course, so that along it
    the Gaussian must be wider.
    """
    if len(stroke) < SHORTEST:
        return None
    stroke = stroke[::EVERY]  # what swings within two points is no shake
    apart = EVERY * INK_SPACING
    strides = stroke[:: round(2 * SMOOTH_RUN / apart)]
    detour = (len(stroke) - 1) * apart / max(polyline.length(strides), apart)
    # In halves, so that few different Gaussians are needed.
    sigma = round(2 * min(LONGEST_DETOUR, max(1.0, detour)) * SMOOTH_RUN / apart) / 2
    off = polyline.unsmooth(stroke, sigma)
    ends = round(min(2 * sigma, len(stroke) / 4))
    kept = off[ends : len(stroke) - ends]
    return np.asarray(np.hypot(kept[:, 0], kept[:, 1]))


def shape_off(explanation: Explanation) -> list[Measure]:
    """How far (u) the ink lies off its model, as it was best laid over it."""
    if sum(w.piece.length for w in explanation.written) < UPRIGHT_ENOUGH:
        return []  # a full stop has no shape
    value = math.sqrt(max(0.0, explanation.cost) / room_of(explanation.letter))
    worst = max(explanation.written, key=lambda w: w.piece.length)
    drawn = worst.piece.drawn
    return [Measure(Code.SHAPE_OFF, value, drawn.stroke, drawn.index)]
