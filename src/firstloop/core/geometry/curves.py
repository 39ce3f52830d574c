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
"""[points] Points a curve is drawn with: letters are about 1 u, so that they lie under 0.06 u
apart."""

LONGEST_HANDLE, TINY = 1.2, 1e-9
"""[chords] With longer handles a curve bulges out of its letter."""


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
    t0, t3 = _unit(start_deg), _unit(end_deg)
    (x0, y0), (x3, y3) = start, end
    first, last = (fullness * handle for handle in _handles((x3 - x0, y3 - y0), t0, t3))
    p1, p2 = (x0 + first * t0[0], y0 + first * t0[1]), (x3 - last * t3[0], y3 - last * t3[1])
    return bezier(start, p1, p2, end)


_AT = np.linspace(0.0, 1.0, STEPS + 1)
_WEIGHTS = np.column_stack(
    [(1 - _AT) ** 3, 3 * (1 - _AT) ** 2 * _AT, 3 * (1 - _AT) * _AT**2, _AT**3]
)
"""Of the four places of a cubic Bézier at each of its points; (STEPS + 1, 4)."""


def bezier(p0: Point, p1: Point, p2: Point, p3: Point) -> FloatArray:
    """A cubic Bézier as STEPS + 1 points."""
    return np.asarray(_WEIGHTS @ np.array([p0, p1, p2, p3], dtype=np.float64))


def _unit(heading_deg: float) -> Point:
    angle = math.radians(heading_deg)
    return math.cos(angle), math.sin(angle)


def _handles(chord: Point, t0: Point, t3: Point) -> tuple[float, float]:
    """Lengths of the two handles."""
    turn = _cross(t0, t3)
    if abs(turn) > 0.1:
        # Where the two tangents meet: both ahead of the start and behind the end, or else the
        # curve bends two ways.
        ahead, behind = _cross(chord, t3) / turn, _cross(t0, chord) / turn
        if ahead > 0 and behind > 0:
            angle = math.acos(max(-1.0, min(1.0, _dot(t0, t3))))
            share = 4 / 3 * math.tan(angle / 4) / math.tan(angle / 2)  # of a circle's arc
            return share * ahead, share * behind
    return _hobby(chord, t0, t3)


def _hobby(chord: Point, t0: Point, t3: Point) -> tuple[float, float]:
    """Hobby, "Smooth, easy to compute interpolating splines", 1986, the velocity function."""
    size = math.hypot(*chord)
    if size == 0.0:
        return 0.0, 0.0
    along = chord[0] / size, chord[1] / size
    theta = math.atan2(_cross(along, t0), _dot(along, t0))
    phi = math.atan2(_cross(t3, along), _dot(along, t3))

    def velocity(a: float, b: float) -> float:
        sa, sb, ca, cb = math.sin(a), math.sin(b), math.cos(a), math.cos(b)
        rise = 2 + math.sqrt(2) * (sa - sb / 16) * (sb - sa / 16) * (ca - cb)
        root = math.sqrt(5)
        slower = 3 * (1 + 0.5 * (root - 1) * ca + 0.5 * (3 - root) * cb)
        # Away from the end and on to it from beyond, as a hairpin does, it has no bound.
        return min(LONGEST_HANDLE, rise / slower) if slower > TINY else LONGEST_HANDLE

    return size * velocity(theta, phi), size * velocity(phi, theta)


def _cross(a: Point, b: Point) -> float:
    return a[0] * b[1] - a[1] * b[0]


def _dot(a: Point, b: Point) -> float:
    return a[0] * b[0] + a[1] * b[1]
