"""Elastic matching of ink to ways: which point of the ink answers to which point of a model.

Dynamic time warping over place and direction of travel, for all ways of a letter at once. The
pen's path is taken in writing order, so order and direction count; how it was lifted does not.
"""

from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core import polyline
from firstloop.core.limits import SAMPLES, STRETCH_COST, TURN_COST
from firstloop.core.polyline import FloatArray

MAX_STRETCH = 2.0
"""Ink is fitted to a model's box by at most this factor; more would make any line any letter."""

SMALLEST_BOX = 0.3
"""u: a box side below this is taken as this, so that a straight stem is not stretched."""


@dataclass(frozen=True, slots=True, eq=False)
class Path:
    """A writing path thinned to SAMPLES points: places and unit headings, both (SAMPLES, 2)."""

    points: FloatArray
    headings: FloatArray

    @classmethod
    def of(cls, strokes: list[FloatArray]) -> "Path":
        """The path over all strokes in order; each keeps a share of points by its length."""
        pieces = [
            polyline.resample(stroke, count)
            for stroke, count in zip(strokes, _shares(strokes), strict=True)
        ]
        return cls(np.vstack(pieces), np.vstack([polyline.headings(piece) for piece in pieces]))


def _shares(strokes: list[FloatArray]) -> list[int]:
    """How many of SAMPLES each stroke gets: by length, two at least; the longest settles it."""
    lengths = np.array([polyline.length(stroke) for stroke in strokes])
    counts = np.maximum(2, np.round(SAMPLES * lengths / max(lengths.sum(), 1e-9))).astype(int)
    counts[int(np.argmax(lengths))] += SAMPLES - counts.sum()
    return [max(2, int(count)) for count in counts]


@dataclass(frozen=True, slots=True, eq=False)
class Models:
    """Several paths stacked, to be matched in one go; both (model, SAMPLES, 2)."""

    points: FloatArray
    headings: FloatArray

    @classmethod
    def of(cls, paths: list[Path]) -> "Models":
        """The paths, stacked in their order."""
        return cls(
            np.stack([path.points for path in paths]), np.stack([path.headings for path in paths])
        )


@dataclass(frozen=True, slots=True, eq=False)
class Fit:
    """How ink is laid over each model: place = ink * scale + shift, each (model, 2)."""

    scale: FloatArray
    shift: FloatArray

    @property
    def costs(self) -> FloatArray:
        """u² for each model: how much the fit had to stretch; (model,)."""
        return np.asarray(STRETCH_COST * (np.log(self.scale) ** 2).sum(axis=1))

    def apply(self, points: FloatArray) -> FloatArray:
        """Ink points (n, 2) in each model's frame; (model, n, 2)."""
        return points * self.scale[:, None, :] + self.shift[:, None, :]


def fit_boxes(ink: FloatArray, models: FloatArray) -> Fit:
    """Lays the bounding box of the ink over those of the models, stretching within reason."""
    ink_low, ink_high = ink.min(axis=0), ink.max(axis=0)
    low, high = models.min(axis=1), models.max(axis=1)
    scale = np.maximum(high - low, SMALLEST_BOX) / np.maximum(ink_high - ink_low, SMALLEST_BOX)
    scale = np.clip(scale, 1.0 / MAX_STRETCH, MAX_STRETCH)
    return Fit(scale, (low + high) / 2 - scale * (ink_low + ink_high) / 2)


def squared_distances(ink: FloatArray, models: FloatArray) -> FloatArray:
    """Squared distance from each ink sample i to each model sample j; (model, i, j).

    Both are (model, n, d). By |a - b|² = |a|² + |b|² - 2ab, which is one matrix product for all.

    >>> squared_distances(np.array([[[0.0, 0.0]]]), np.array([[[3.0, 4.0], [0.0, 0.0]]]))
    array([[[25.,  0.]]])
    """
    products = ink @ models.transpose(0, 2, 1)
    products *= -2.0
    products += (ink * ink).sum(axis=2)[:, :, None]
    products += (models * models).sum(axis=2)[:, None, :]
    return np.asarray(products)


@dataclass(frozen=True, slots=True, eq=False)
class Match:
    """The best way's place in the list, its mean cost (u²), and the answering points.

    `steps` is (k, 2) int: pairs of (ink sample, model sample), both never falling.
    """

    best: int
    cost: float
    steps: npt.NDArray[np.intp]


def match(ink: Path, models: Models, handicaps: FloatArray) -> Match:
    """Matches the ink to every model; the cheapest, its handicap (u²) added, is the best."""
    fit = fit_boxes(ink.points, models.points)
    costs = squared_distances(
        _features(fit.apply(ink.points), np.broadcast_to(ink.headings, models.headings.shape)),
        _features(models.points, models.headings),
    )
    totals = _accumulate(costs)
    means = totals[-1, :, -1] / SAMPLES + fit.costs + handicaps
    best = int(np.argmin(means))
    return Match(best, float(means[best]), _trace_back(totals[:, best]))


def _features(points: FloatArray, headings: FloatArray) -> FloatArray:
    """Place and direction as one vector each, so that their squared distance is the step's cost.

    For unit headings |h - k|² = 2 (1 - hk), hence the half.
    """
    return np.concatenate([points, np.sqrt(TURN_COST / 2) * headings], axis=2)


def _accumulate(costs: FloatArray) -> FloatArray:
    """Cheapest cost of reaching each pair; from (model, i, j) to (i, model, j).

    A row is reached from above or aslant first; running along the row is then a running minimum
    of (cost on arrival - cost so far along the row), which numpy does without a Python loop.
    """
    rows = np.ascontiguousarray(costs.transpose(1, 0, 2))
    along = np.cumsum(rows, axis=2)
    before = along - rows
    totals = np.empty_like(rows)
    totals[0] = along[0]
    for row in range(1, len(rows)):
        arrive = totals[row]
        arrive[:] = totals[row - 1]
        np.minimum(arrive[:, 1:], totals[row - 1, :, :-1], out=arrive[:, 1:])
        arrive -= before[row]
        np.minimum.accumulate(arrive, axis=1, out=arrive)
        arrive += along[row]
    return totals


def _trace_back(totals: FloatArray) -> npt.NDArray[np.intp]:
    """The pairs of the cheapest path, from first to last."""
    i, j = totals.shape[0] - 1, totals.shape[1] - 1
    steps = [(i, j)]
    while i or j:
        choices = []
        if i and j:
            choices.append((totals[i - 1, j - 1], i - 1, j - 1))
        if i:
            choices.append((totals[i - 1, j], i - 1, j))
        if j:
            choices.append((totals[i, j - 1], i, j - 1))
        _, i, j = min(choices)
        steps.append((i, j))
    return np.array(steps[::-1], dtype=np.intp)
