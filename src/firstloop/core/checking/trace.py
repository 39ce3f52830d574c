"""Ink as the checker looks at it: lines of points evenly INK_SPACING apart, tremor taken out.

That they are even makes their geometry cheap: a length is a count, a place along a line an index.
"""

from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core import polyline
from firstloop.core.ink import Ink
from firstloop.core.letterforms import Letter
from firstloop.core.limits import INK_SMOOTHING, INK_SPACING, MOST_POINTS, STRAY_STROKE
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray

Lines = tuple[FloatArray, ...]
"""Each (n, 2) in u, evenly spaced."""


def tidy(ink: Ink, letter: Letter) -> Lines:
    """The strokes evenly spaced and without jitter.

    Taps beside the writing are dropped, unless the letter has a dot or there is nothing else.
    """
    along = [polyline.distances_along(stroke.points) for stroke in ink.strokes]
    dotted = any(move.kind is MoveKind.DOT for move in letter.script.moves)
    longest = max(float(distances[-1]) for distances in along)
    shortest = 0.0 if dotted or longest < STRAY_STROKE else STRAY_STROKE
    return tuple(
        _even(stroke.points, distances)
        for stroke, distances in zip(ink.strokes, along, strict=True)
        if distances[-1] >= shortest
    )


def evenly(points: FloatArray) -> FloatArray:
    """One line, evenly spaced and without jitter."""
    return _even(points, polyline.distances_along(points))


def _even(points: FloatArray, along: FloatArray) -> FloatArray:
    count = min(max(2, round(float(along[-1]) / INK_SPACING) + 1), MOST_POINTS)
    return polyline.smooth(polyline.resample(points, count, along), INK_SMOOTHING)


def length_of(line: FloatArray) -> float:
    """u along an even line."""
    return (len(line) - 1) * INK_SPACING


def points_in(length: float) -> int:
    """How many points of an even line a length (u) is."""
    return round(length / INK_SPACING)


def thinned(line: FloatArray, count: int) -> FloatArray:
    """`count` of an even line's points, evenly chosen, its ends kept; (count, 2).

    >>> thinned(np.array([[0.0, 0.0], [1.0, 0.0], [2.0, 0.0]]), 2)[:, 0]
    array([0., 2.])
    >>> thinned(np.array([[3.0, 0.0]]), 2)[:, 0]
    array([3., 3.])
    """
    return np.asarray(line[_indices(len(line), count)])


@lru_cache(maxsize=4096)
def _indices(length: int, count: int) -> npt.NDArray[np.intp]:
    return np.rint(np.linspace(0, length - 1, count)).astype(np.intp)
