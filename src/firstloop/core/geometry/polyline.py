"""Geometry of polylines: the (n, 2) float64 arrays that both models and ink are made of."""

from functools import lru_cache

import numpy as np
import numpy.typing as npt

FloatArray = npt.NDArray[np.float64]


def read_only(values: npt.ArrayLike) -> FloatArray:
    """A private float64 copy that cannot be written to, so that frozen values stay frozen."""
    array = np.array(values, dtype=np.float64)
    array.setflags(write=False)
    return array


def distances_along(points: FloatArray) -> FloatArray:
    """Path length from the first point to each point; (n,), in the points' unit.

    >>> distances_along(np.array([[0.0, 0.0], [3.0, 4.0], [3.0, 4.0]]))
    array([0., 5., 5.])
    """
    along = np.zeros(len(points))
    steps = points[1:] - points[:-1]
    np.hypot(steps[:, 0], steps[:, 1]).cumsum(out=along[1:])
    return along


def corners(points: FloatArray) -> tuple[FloatArray, FloatArray]:
    """The lower left and the upper right corner of the points' box, each (2,).

    >>> corners(np.array([[0.0, 2.0], [1.0, -1.0]]))
    (array([ 0., -1.]), array([1., 2.]))
    """
    by_axis = np.ascontiguousarray(points.T)  # what lies together is searched three times as fast
    return np.minimum.reduce(by_axis, axis=1), np.maximum.reduce(by_axis, axis=1)


def length(points: FloatArray) -> float:
    """Total path length; 0 for a single point."""
    return float(distances_along(points)[-1])


def resample(points: FloatArray, count: int, along: FloatArray | None = None) -> FloatArray:
    """`count` points evenly spaced along the path, ends kept; (count, 2).

    A path without length gives its place `count` times. `along` are the distances along it, where
    they are known already.

    >>> resample(np.array([[0.0, 0.0], [1.0, 0.0], [1.0, 1.0]]), 3)
    array([[0., 0.],
           [1., 0.],
           [1., 1.]])
    >>> resample(np.array([[2.0, 2.0]]), 2)
    array([[2., 2.],
           [2., 2.]])
    """
    along = distances_along(points) if along is None else along
    wanted = np.arange(count) * (along[-1] / max(count - 1, 1))
    placed = np.empty((count, 2))
    for axis in (0, 1):
        placed[:, axis] = np.interp(wanted, along, points[:, axis])
    return placed


def respace(points: FloatArray, spacing: float) -> FloatArray:
    """Points about `spacing` apart along the path, both ends kept; at least two of them."""
    return resample(points, max(2, round(length(points) / spacing) + 1))


def headings(points: FloatArray) -> FloatArray:
    """Unit direction of travel at each point, by central differences; (n, 2).

    Where the path stands still the direction is (0, 0): it speaks for no direction.
    """
    if len(points) < 2:
        return np.zeros_like(points)
    ahead = np.empty_like(points)
    np.subtract(points[2:], points[:-2], out=ahead[1:-1])
    np.subtract(points[1], points[0], out=ahead[0])
    np.subtract(points[-1], points[-2], out=ahead[-1])
    size = np.hypot(ahead[:, 0], ahead[:, 1])
    size[size == 0.0] = 1.0
    ahead /= size[:, None]
    return ahead


@lru_cache(maxsize=256)
def _gaussian(radius: int, sigma: float) -> FloatArray:
    weights = np.exp(-0.5 * (np.arange(-radius, radius + 1) / sigma) ** 2)
    return np.asarray(weights / weights.sum())


def smooth(points: FloatArray, sigma: float) -> FloatArray:
    """The path with tremor taken out: a Gaussian of `sigma` samples, its ends held in place.

    Near the ends the window narrows so that a stroke keeps its full length.

    >>> smooth(np.array([[0.0, 0.0], [1.0, 0.0], [2.0, 0.0]]), 1.0)[:, 0].round(6)
    array([0., 1., 2.])
    """
    radius = min(int(3 * sigma), (len(points) - 1) // 2)
    if radius < 1:
        return points
    return _weighted(points, _gaussian(radius, sigma))


def unsmooth(points: FloatArray, sigma: float) -> FloatArray:
    """What smoothing takes off the path, and would take off that again; (n, 2).

    With a Gaussian G that is (1 - G)² of the path, which is one window.

    >>> unsmooth(np.array([[0.0, 0.0], [1.0, 0.0], [2.0, 0.0]]), 1.0)[:, 0].round(6)
    array([0., 0., 0.])
    """
    radius = min(int(3 * sigma), (len(points) - 1) // 2)
    if radius < 1:
        return np.zeros_like(points)
    return _weighted(points, _twice_without(radius, sigma))


@lru_cache(maxsize=256)
def _twice_without(radius: int, sigma: float) -> FloatArray:
    """(1 - G)² as the weights of a window of twice the radius."""
    without = -_gaussian(radius, sigma)
    without[radius] += 1.0
    return np.convolve(without, without)


def _weighted(points: FloatArray, weights: FloatArray) -> FloatArray:
    """Each point as the sum of those around it by their weights; (n, 2)."""
    radius = len(weights) // 2
    # Reflecting through the end points (not mirroring) keeps straight ends straight.
    padded = np.empty((len(points) + 2 * radius, 2))
    padded[radius:-radius] = points
    padded[:radius] = 2 * points[0] - points[radius:0:-1]
    padded[-radius:] = 2 * points[-1] - points[-2 : -radius - 2 : -1]
    # Both axes in one go; what the window gives between one and the other is left out.
    both = np.correlate(padded.T.ravel(), weights, "valid")
    weighted = np.empty_like(points)
    weighted[:, 0], weighted[:, 1] = both[: len(points)], both[-len(points) :]
    return weighted
