"""Even lines: points INK_SPACING apart along a path, tremor taken out.

That they are even makes their geometry cheap: a length is a count, a place along a line an index.
"""

from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray

INK_SPACING = 0.02
"""[u] Between points of ink when it is measured; well under the limit of any finding."""

MOST_POINTS = 4000
"""[points] Of one stroke of ink when it is measured: 80 u of line are ten letters m, and no letter.
"""

INK_SMOOTHING = 2.0
"""[samples] Samples (of INK_SPACING) of the Gaussian that takes a digitiser's jitter out of the
ink."""


Lines = tuple[FloatArray, ...]
"""Each (n, 2) in u, evenly spaced."""


def evenly(points: FloatArray, along: FloatArray | None = None) -> FloatArray:
    """One line, evenly spaced and without jitter; `along` are the distances along it, where they
    are known already."""
    along = polyline.distances_along(points) if along is None else along
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
    return line.take(_indices(len(line), count), axis=0)


@lru_cache(maxsize=4096)
def _indices(length: int, count: int) -> npt.NDArray[np.intp]:
    return np.rint(np.linspace(0, length - 1, count)).astype(np.intp)
