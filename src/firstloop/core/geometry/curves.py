"""From nodes to curves: the one place where a movement becomes geometry.

Between two nodes with headings lies one cubic Bézier. Its handles are chosen so that a quarter
turn between level and upright headings is the quarter of an ellipse, made a little fuller by the
hand; a turn the other way or of more than a half is spread evenly (Hobby's rule).
"""

import math

import numpy as np

from firstloop.core.geometry.polyline import FloatArray

Point = tuple[float, float]
STEPS = 20
"""Points a curve is drawn with: letters are about 1 u, so that they lie under 0.06 u apart."""

LONGEST_HANDLE, TINY = 1.2, 1e-9
"""Chords: with longer handles a curve bulges out of its letter."""


def line(start: Point, end: Point) -> FloatArray:
    """A straight line as two points; (2, 2)."""
    return np.array([start, end], dtype=np.float64)


def curve(
    start: Point, start_deg: float, end: Point, end_deg: float, fullness: float = 1.0
) -> FloatArray:
    """From one place and heading to another; (STEPS + 1, 2), u. `fullness` 1 is an ellipse.

    >>> quarter = curve((0, 0), 90, (1, 1), 0)
    >>> round(float(np.hypot(quarter[10, 0] - 1, quarter[10, 1])), 3)  # a circle about (1, 0)
    1.0
    >>> curve((0, 0), 0, (2, 0), 0)[10].round(9).tolist()  # straight on stays straight
    [1.0, 0.0]
    """
    p0, p3 = np.array(start, dtype=np.float64), np.array(end, dtype=np.float64)
    t0, t3 = _unit(start_deg), _unit(end_deg)
    first, last = _handles(p3 - p0, t0, t3)
    return bezier(p0, p0 + fullness * first * t0, p3 - fullness * last * t3, p3)


def bezier(p0: FloatArray, p1: FloatArray, p2: FloatArray, p3: FloatArray) -> FloatArray:
    """A cubic Bézier as STEPS + 1 points."""
    t = np.linspace(0.0, 1.0, STEPS + 1)[:, None]
    return np.asarray(
        (1 - t) ** 3 * p0 + 3 * (1 - t) ** 2 * t * p1 + 3 * (1 - t) * t**2 * p2 + t**3 * p3
    )


def _unit(heading_deg: float) -> FloatArray:
    angle = math.radians(heading_deg)
    return np.array([math.cos(angle), math.sin(angle)])


def _handles(chord: FloatArray, t0: FloatArray, t3: FloatArray) -> tuple[float, float]:
    """Lengths of the two handles."""
    turn = _cross(t0, t3)
    if abs(turn) > 0.1:
        # Where the two tangents meet: both ahead of the start and behind the end, or else the
        # curve bends two ways.
        ahead, behind = _cross(chord, t3) / turn, _cross(t0, chord) / turn
        if ahead > 0 and behind > 0:
            angle = math.acos(max(-1.0, min(1.0, float(t0 @ t3))))
            share = 4 / 3 * math.tan(angle / 4) / math.tan(angle / 2)  # of a circle's arc
            return share * ahead, share * behind
    return _hobby(chord, t0, t3)


def _hobby(chord: FloatArray, t0: FloatArray, t3: FloatArray) -> tuple[float, float]:
    """Hobby, "Smooth, easy to compute interpolating splines", 1986, the velocity function."""
    size = float(np.hypot(chord[0], chord[1]))
    if size == 0.0:
        return 0.0, 0.0
    along = chord / size
    theta = math.atan2(_cross(along, t0), float(along @ t0))
    phi = math.atan2(_cross(t3, along), float(along @ t3))

    def velocity(a: float, b: float) -> float:
        sa, sb, ca, cb = math.sin(a), math.sin(b), math.cos(a), math.cos(b)
        rise = 2 + math.sqrt(2) * (sa - sb / 16) * (sb - sa / 16) * (ca - cb)
        root = math.sqrt(5)
        slower = 3 * (1 + 0.5 * (root - 1) * ca + 0.5 * (3 - root) * cb)
        # Away from the end and on to it from beyond, as a hairpin does, it has no bound.
        return min(LONGEST_HANDLE, rise / slower) if slower > TINY else LONGEST_HANDLE

    return size * velocity(theta, phi), size * velocity(phi, theta)


def _cross(a: FloatArray, b: FloatArray) -> float:
    return float(a[0] * b[1] - a[1] * b[0])
