"""Elastic matching of ink to ways: which point of the ink answers to which point of a model.

Dynamic time warping over place and direction of travel, for all ways of a letter at once. The
pen's path is taken in writing order, so order and direction count; how it was lifted does not.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core import polyline
from firstloop.core.checking.trace import Lines, length_of, thinned
from firstloop.core.limits import SAMPLES, SMALLEST_BOX, STRETCH_COST, TURN_COST
from firstloop.core.polyline import FloatArray

MAX_STRETCH = 2.0
"""Ink is fitted to a model's box by at most this factor; more would make any line any letter."""


@dataclass(frozen=True, slots=True, eq=False)
class Path:
    """A writing path thinned to SAMPLES points: places and unit headings, both (SAMPLES, 2)."""

    points: FloatArray
    headings: FloatArray

    @classmethod
    def of(cls, strokes: Sequence[FloatArray]) -> "Path":
        """The path over all strokes in order; each keeps a share of points by its length."""
        counts = _shares([polyline.length(stroke) for stroke in strokes])
        return cls._over([polyline.resample(s, n) for s, n in zip(strokes, counts, strict=True)])

    @classmethod
    def of_trace(cls, lines: Lines) -> "Path":
        """The path over even lines, as `of`."""
        counts = _shares([length_of(line) for line in lines])
        return cls._over([thinned(line, n) for line, n in zip(lines, counts, strict=True)])

    @classmethod
    def _over(cls, pieces: list[FloatArray]) -> "Path":
        headings = [polyline.headings(piece) for piece in pieces]
        if len(pieces) == 1:
            return cls(pieces[0], headings[0])
        return cls(np.concatenate(pieces), np.concatenate(headings))

    def turned(self, by: FloatArray) -> "Path":
        """The path with a rotation or a mirror image (2, 2) applied about the origin."""
        return Path(self.points @ by, self.headings @ by)


def _shares(lengths: list[float]) -> list[int]:
    """How many of SAMPLES each stroke gets: by length, two at least; the longest settles it."""
    if len(lengths) == 1:
        return [SAMPLES]
    whole = max(sum(lengths), 1e-9)
    counts = [max(2, round(SAMPLES * length / whole)) for length in lengths]
    counts[lengths.index(max(lengths))] += SAMPLES - sum(counts)
    return [max(2, count) for count in counts]


Direction = Callable[[FloatArray], FloatArray]
"""What of unit headings (n, 2) is compared, weighted so that its squared distance is a cost."""


def directed(headings: FloatArray) -> FloatArray:
    """Headings as they are: there and back differ. |h - k|² = 2 (1 - hk) for unit headings, hence
    the half; at right angles it is TURN_COST."""
    return np.asarray(np.sqrt(TURN_COST / 2) * headings)


@dataclass(frozen=True, slots=True, eq=False)
class Models:
    """Several paths stacked, to be compared with ink in one go.

    The features of a sample are its place and direction. `doubled` (model, 4, SAMPLES) is the
    features times -2, `squares` (model, SAMPLES) their squared lengths; `low` and `high` (model, 2)
    are the corners of the bounding boxes.
    """

    doubled: FloatArray
    squares: FloatArray
    low: FloatArray
    high: FloatArray
    direction: Direction

    @classmethod
    def of(cls, paths: Sequence[Path], direction: Direction = directed) -> "Models":
        """The paths, stacked in their order."""
        points = np.stack([path.points for path in paths])
        turned = np.stack([direction(path.headings) for path in paths])
        features = np.concatenate([points, turned], axis=2)
        squares = (features**2).sum(axis=2)
        doubled = np.ascontiguousarray(-2.0 * features.transpose(0, 2, 1))
        return cls(doubled, squares, points.min(axis=1), points.max(axis=1), direction)

    def some(self, wanted: npt.NDArray[np.intp]) -> "Models":
        """Those at the given places."""
        return Models(
            self.doubled[wanted],
            self.squares[wanted],
            self.low[wanted],
            self.high[wanted],
            self.direction,
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

    def some(self, wanted: npt.NDArray[np.intp]) -> "Fit":
        """Those at the given places."""
        return Fit(self.scale[wanted], self.shift[wanted])

    def apply(self, points: FloatArray) -> FloatArray:
        """Ink points (n, 2) in each model's frame; (model, n, 2)."""
        return points * self.scale[:, None, :] + self.shift[:, None, :]


def fit_boxes(ink: FloatArray, models: Models) -> Fit:
    """Lays the bounding box of the ink over those of the models, stretching within reason."""
    ink_low, ink_high = ink.min(axis=0), ink.max(axis=0)
    scale = np.maximum(models.high - models.low, SMALLEST_BOX) / np.maximum(
        ink_high - ink_low, SMALLEST_BOX
    )
    scale = np.minimum(np.maximum(scale, 1.0 / MAX_STRETCH), MAX_STRETCH)
    return Fit(scale, (models.low + models.high) / 2 - scale * (ink_low + ink_high) / 2)


def step_costs(ink: Path, fit: Fit, models: Models) -> FloatArray:
    """u² of putting ink sample i on model sample j, model by model; (model, i, j).

    By |a - b|² = |a|² + |b|² - 2ab, which is one matrix product for all.
    """
    features = np.empty((len(models.doubled), len(ink.points), 4))
    features[:, :, :2] = fit.apply(ink.points)
    features[:, :, 2:] = models.direction(ink.headings)
    costs = features @ models.doubled
    costs += np.einsum("kid,kid->ki", features, features)[:, :, None]
    costs += models.squares[:, None, :]
    return np.asarray(costs)


@dataclass(frozen=True, slots=True, eq=False)
class Match:
    """The best way's place in the list, its mean cost (u²), and the answering points.

    `steps` is (k, 2) int: pairs of (ink sample, model sample), both never falling.
    """

    best: int
    cost: float
    steps: npt.NDArray[np.intp]


def match(ink: Path, models: Models, handicaps: FloatArray) -> Match:
    """Matches the ink to every model; the cheapest, its handicap (u²) added, is the best.

    Every sample of either is put somewhere, so no match costs less than their cheapest places. The
    model that promises most by that bound is matched first, then only those that may better it.
    """
    fit = fit_boxes(ink.points, models)
    costs = step_costs(ink, fit, models)
    extra = fit.costs + handicaps
    least = np.maximum(*(costs.min(axis=axis).mean(axis=1) for axis in (1, 2))) + extra
    best = int(np.argmin(least))
    totals = _accumulate(costs[best : best + 1])[:, 0]
    cost = totals[-1, -1] / SAMPLES + extra[best]
    rivals = np.flatnonzero(least < cost)
    rivals = rivals[rivals != best]
    if len(rivals):
        rival_totals = _accumulate(costs[rivals])
        rival_costs = rival_totals[-1, :, -1] / SAMPLES + extra[rivals]
        winner = int(np.argmin(rival_costs))
        if rival_costs[winner] < cost:
            best, cost, totals = int(rivals[winner]), rival_costs[winner], rival_totals[:, winner]
    return Match(best, float(cost), _trace_back(totals))


def _accumulate(costs: FloatArray) -> FloatArray:
    """Cheapest cost of reaching each pair; from (model, i, j) to (i, model, j).

    A row is reached from above or aslant first; running along the row is then a running minimum
    of (cost on arrival - cost so far along the row), which numpy does without a Python loop.
    """
    rows = np.ascontiguousarray(costs.transpose(1, 0, 2))
    along = rows.cumsum(axis=2)
    before = along - rows
    totals = np.empty_like(rows)
    totals[0] = along[0]
    last = totals[0]
    for row in range(1, len(rows)):
        arrive = totals[row]
        arrive[:, 0] = last[:, 0]
        np.minimum(last[:, 1:], last[:, :-1], out=arrive[:, 1:])
        arrive -= before[row]
        np.minimum.accumulate(arrive, axis=1, out=arrive)
        arrive += along[row]
        last = arrive
    return totals


def _trace_back(totals: FloatArray) -> npt.NDArray[np.intp]:
    """The pairs of the cheapest path, from first to last."""
    reached: list[list[float]] = totals.tolist()  # single cells of an array are slow to read
    i, j = len(reached) - 1, len(reached[0]) - 1
    steps = [(i, j)]
    while i or j:
        if not i:
            j -= 1
        elif not j:
            i -= 1
        else:
            aslant, above, beside = reached[i - 1][j - 1], reached[i - 1][j], reached[i][j - 1]
            if aslant <= above and aslant <= beside:
                i, j = i - 1, j - 1
            elif above <= beside:
                i -= 1
            else:
                j -= 1
        steps.append((i, j))
    return np.array(steps[::-1], dtype=np.intp)
