"""Geometry of polylines: the (n, 2) float64 arrays that both models and ink are made of."""

import math
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.compiled import COUNT, NUMBERS, POINTS, compiled_for

FloatArray = npt.NDArray[np.float64]


def read_only(values: npt.ArrayLike) -> FloatArray:
    """A private float64 copy that cannot be written to, so that frozen values stay frozen."""
    array = np.array(values, dtype=np.float64)
    array.setflags(write=False)
    return array


@compiled_for(POINTS)
def distances_along(points: FloatArray) -> FloatArray:
    """Path length from the first point to each point; (n,), in the points' unit.

    >>> distances_along(np.array([[0.0, 0.0], [3.0, 4.0], [3.0, 4.0]]))
    array([0., 5., 5.])
    """
    along = np.zeros(len(points))
    for at in range(1, len(points)):
        step = math.hypot(points[at, 0] - points[at - 1, 0], points[at, 1] - points[at - 1, 1])
        along[at] = along[at - 1] + step
    return along


@compiled_for(POINTS)
def corners(points: FloatArray) -> FloatArray:
    """The lower left and the upper right corner of the points' box; (2, 2).

    >>> corners(np.array([[0.0, 2.0], [1.0, -1.0]]))
    array([[ 0., -1.],
           [ 1.,  2.]])
    """
    found = np.empty((2, 2))
    found[0], found[1] = np.inf, -np.inf
    for at in range(len(points)):
        for axis in range(2):
            found[0, axis] = min(found[0, axis], points[at, axis])
            found[1, axis] = max(found[1, axis], points[at, axis])
    return found


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
    return _at(points, distances_along(points) if along is None else along, count)


@compiled_for(POINTS, NUMBERS, COUNT)
def _at(points: FloatArray, along: FloatArray, count: int) -> FloatArray:
    """`count` places evenly spaced along the path, between its points."""
    apart = along[-1] / max(count - 1, 1)
    placed = np.empty((count, 2))
    before, last = 0, len(points) - 1
    for at in range(count):
        wanted = at * apart
        while before < last and along[before + 1] <= wanted:
            before += 1
        after = min(before + 1, last)
        share = 0.0
        if after > before:
            share = (wanted - along[before]) / (along[after] - along[before])
        for axis in range(2):
            first = points[before, axis]
            placed[at, axis] = first + share * (points[after, axis] - first)
    return placed


def respace(points: FloatArray, spacing: float) -> FloatArray:
    """Points about `spacing` apart along the path, both ends kept; at least two of them."""
    return resample(points, max(2, round(length(points) / spacing) + 1))


@compiled_for(POINTS)
def headings(points: FloatArray) -> FloatArray:
    """Unit direction of travel at each point, by central differences; (n, 2).

    Where the path stands still the direction is (0, 0): it speaks for no direction.
    """
    found = np.zeros((len(points), 2))
    last = len(points) - 1
    for at in range(len(points)):
        before, after = max(at - 1, 0), min(at + 1, last)
        x, y = points[after, 0] - points[before, 0], points[after, 1] - points[before, 1]
        size = math.hypot(x, y)
        if size > 0.0:
            found[at, 0], found[at, 1] = x / size, y / size
    return found


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


@compiled_for(POINTS, NUMBERS)
def _weighted(points: FloatArray, weights: FloatArray) -> FloatArray:
    """Each point as the sum of those around it by their weights; (n, 2)."""
    count, radius = len(points), len(weights) // 2
    padded = np.empty((count + 2 * radius, 2))
    for axis in range(2):
        for at in range(count):
            padded[radius + at, axis] = points[at, axis]
        # Reflecting through the end points (not mirroring) keeps straight ends straight.
        for off in range(1, radius + 1):
            padded[radius - off, axis] = 2 * points[0, axis] - points[off, axis]
            end = radius + count - 1 + off
            padded[end, axis] = 2 * points[-1, axis] - points[count - 1 - off, axis]
    weighted = np.zeros((count, 2))
    for off in range(len(weights)):
        weight = weights[off]
        for at in range(count):
            weighted[at, 0] += weight * padded[at + off, 0]
            weighted[at, 1] += weight * padded[at + off, 1]
    return weighted
