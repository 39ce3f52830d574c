"""Elastic matching of ink to ways: which point of the ink answers to which point of a model.

Dynamic time warping over place and direction of travel, for all ways of a letter at once. The
pen's path is taken in writing order, so order and direction count; how it was lifted does not.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines, length_of, thinned
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.geometry.warping import Laid, Sampled, answers, cheapest

SAMPLES = 22
"""[points] Points a path is thinned to for comparing: a letter m is 7 u long, so one each 0.32 u,
and CORNER_SEARCH finds the exact place again."""

TURN_COST = 0.12
"""[u²] Cost of going at right angles to the model, as much as lying 0.35 u off it. By trial: less,
and a stroke pushed up passes for one drawn down; more, and tremor outweighs place."""

STRETCH_COST = 0.08
"""[u² for each squared unit of log scale] u² for each squared unit of log scale: a letter twice as
wide costs as much as 0.2 u off."""

SMALLEST_BOX = 0.3
"""[u] A box side below this is taken as this, so that a straight stem is not stretched."""

MAX_STRETCH = 2.0
"""[ratio] Ink is fitted to a model's box by at most this factor; more would make any line any
letter."""


@dataclass(frozen=True, slots=True, eq=False)
class Path:
    """A writing path thinned to a number of points: places and unit headings, both (n, 2); and the
    corners of its box, (2,)."""

    points: FloatArray
    headings: FloatArray
    low: FloatArray
    high: FloatArray

    @classmethod
    def of(cls, strokes: Sequence[FloatArray], count: int = SAMPLES) -> "Path":
        """The path over all strokes in order; each keeps a share of points by its length."""
        shares = _shares([polyline.length(stroke) for stroke in strokes], count)
        return cls._over([polyline.resample(s, n) for s, n in zip(strokes, shares, strict=True)])

    @classmethod
    def of_trace(cls, lines: Lines, count: int = SAMPLES) -> "Path":
        """The path over even lines, as `of`."""
        shares = _shares([length_of(line) for line in lines], count)
        return cls._over([thinned(line, n) for line, n in zip(lines, shares, strict=True)])

    @classmethod
    def _over(cls, pieces: list[FloatArray]) -> "Path":
        headings = [polyline.headings(piece) for piece in pieces]
        if len(pieces) == 1:
            return cls._placed(pieces[0], headings[0])
        return cls._placed(np.concatenate(pieces), np.concatenate(headings))

    @classmethod
    def _placed(cls, points: FloatArray, headings: FloatArray) -> "Path":
        return cls(points, headings, points.min(axis=0), points.max(axis=0))

    @property
    def size(self) -> FloatArray:
        """The sides of its box, (2,)."""
        return self.high - self.low

    def turned(self, by: FloatArray) -> "Path":
        """The path with a rotation or a mirror image (2, 2) applied about the origin."""
        return Path._placed(self.points @ by, self.headings @ by)


def _shares(lengths: list[float], count: int) -> list[int]:
    """How many of the points each stroke gets: by length, two at least; the longest settles it."""
    if len(lengths) == 1:
        return [count]
    whole = max(sum(lengths), 1e-9)
    shares = [max(2, round(count * length / whole)) for length in lengths]
    shares[lengths.index(max(lengths))] += count - sum(shares)
    return [max(2, share) for share in shares]


Terms = npt.NDArray[np.float32]


def _stacked(values: FloatArray) -> Terms:
    return np.ascontiguousarray(values, dtype=np.float32)


Direction = Callable[[FloatArray], FloatArray]
"""What of unit headings (n, 2) is compared, weighted so that its squared distance is a cost."""


def directed(headings: FloatArray) -> FloatArray:
    """Headings as they are: there and back differ. |h - k|² = 2 (1 - hk) for unit headings, hence
    the half; at right angles it is TURN_COST."""
    return np.asarray(np.sqrt(TURN_COST / 2) * headings)


@dataclass(frozen=True, slots=True, eq=False)
class Models:
    """Several paths stacked, to be compared with ink in one go.

    `points` (2, n, model) are places; `turns`, in the same shape, the directions times -2, and
    `squares` (n, model) their squared lengths: what runs over the models lies together, for
    that is quick. Of the boxes, `low` (model, 2) are the lower left corners, `sides` the sides,
    SMALLEST_BOX at least, and `sums` the sums of opposite corners.
    """

    points: Terms
    turns: Terms
    squares: Terms
    low: FloatArray
    sides: FloatArray
    sums: FloatArray
    direction: Direction

    @classmethod
    def of(cls, paths: Sequence[Path], direction: Direction = directed) -> "Models":
        """The paths, stacked in their order."""
        turned = np.stack([direction(path.headings) for path in paths])
        low, high = np.stack([path.low for path in paths]), np.stack([path.high for path in paths])
        return cls(
            points=_stacked(np.stack([p.points for p in paths]).transpose(2, 1, 0)),
            turns=_stacked(-2.0 * turned.transpose(2, 1, 0)),
            squares=_stacked((turned**2).sum(axis=2).T),
            low=low,
            sides=np.maximum(high - low, SMALLEST_BOX),
            sums=low + high,
            direction=direction,
        )

    def some(self, wanted: npt.NDArray[np.intp]) -> "Models":
        """Those at the given places."""
        return Models(
            self.points[:, :, wanted],
            self.turns[:, :, wanted],
            self.squares[:, wanted],
            self.low[wanted],
            self.sides[wanted],
            self.sums[wanted],
            self.direction,
        )


@dataclass(frozen=True, slots=True, eq=False)
class Fit:
    """How ink is laid over each model, from its lower left corner: place = (ink - low) * scale +
    shift, each (..., model, 2); what comes before is by ink, where there are several."""

    scale: FloatArray
    shift: FloatArray

    @property
    def costs(self) -> FloatArray:
        """u² for each model: how much the fit had to stretch; (..., model)."""
        return np.asarray(STRETCH_COST * (np.log(self.scale) ** 2).sum(axis=-1))

    def some(self, wanted: npt.NDArray[np.intp]) -> "Fit":
        """Those at the given places."""
        return Fit(self.scale[wanted], self.shift[wanted])


def fit_boxes(size: FloatArray, models: Models) -> Fit:
    """Lays the bounding box of ink, (2,) or (ink, 1, 2), over those of the models, stretching
    within reason."""
    scale = models.sides / np.maximum(size, SMALLEST_BOX)
    np.minimum(scale, MAX_STRETCH, out=scale)
    np.maximum(scale, 1.0 / MAX_STRETCH, out=scale)
    return Fit(scale, (models.sums - scale * size) * 0.5)


def ink_terms(ink: Path, direction: Direction) -> Terms:
    """What `step_costs` needs of the ink; (ink sample, term). Its places are taken from its own
    corner: far along a line single precision would not do."""
    points, turned = ink.points - ink.low, direction(ink.headings)
    of_ink = np.empty((len(points), 8), np.float32)
    of_ink[:, :2] = points * points
    of_ink[:, 2:4] = points
    of_ink[:, 4:6] = turned
    of_ink[:, 6] = 1.0
    of_ink[:, 7] = np.vecdot(turned, turned)
    return of_ink


def step_costs(of_ink: Terms, fit: Fit, models: Models) -> Terms:
    """u² of putting ink sample i on sample j of each model; (..., i, j, model).

    With ink x laid over a model m as sx + t, |sx + t - m|² is s²x² - 2sx(m - t) + (m - t)²: a
    sum of products of what is known of the ink with what is known of the model, so that one matrix
    product does for all. Single precision is a thousandth of what any limit asks for.
    """
    scale, shift = (
        each.swapaxes(-1, -2)[..., None, :].astype(np.float32) for each in (fit.scale, fit.shift)
    )
    off = models.points - shift
    of_models = np.empty((*off.shape[:-3], 8, *models.squares.shape), np.float32)
    of_models[..., :2, :, :] = scale * scale
    np.multiply(off, -2.0 * scale, out=of_models[..., 2:4, :, :])
    of_models[..., 4:6, :, :] = models.turns
    off *= off
    np.add(off[..., 0, :, :], off[..., 1, :, :], out=of_models[..., 6, :, :])
    of_models[..., 6, :, :] += models.squares
    of_models[..., 7, :, :] = 1.0
    costs = of_ink @ of_models.reshape(*off.shape[:-3], 8, -1)
    return np.asarray(costs.reshape(*of_ink.shape[:-1], *models.squares.shape))


@dataclass(frozen=True, slots=True, eq=False)
class Match:
    """The best way's place in the list, its mean cost (u²), and which share of the ink's path (0 to
    1) answers to each sample of the model's; these never fall."""

    best: int
    cost: float
    answers: list[float]


def match(ink: Path, models: Models, handicaps: FloatArray) -> Match:
    """Matches the ink to every model; the cheapest, its handicap (u²) added, is the best."""
    fit = fit_boxes(ink.size, models)
    extra = fit.costs + handicaps
    best, cost, reached = cheapest(
        Sampled(ink.points - ink.low, models.direction(ink.headings)),
        Laid(fit.scale, fit.shift, models.points, models.turns, models.squares),
        extra,
        np.argsort(extra),
    )
    return Match(best, cost, (answers(reached) / (len(reached) - 1)).tolist())


def every_cost(ink: Path, models: Models) -> FloatArray:
    """What a match to each of the models costs, (model,) in u².

    All tables grow together, a row at a time. In a row the cheapest way to a place comes from above
    or aslant at some place before it and then goes along, so that it is a running sum and, of what
    was there before it, a running minimum.
    """
    fit = fit_boxes(ink.size, models)
    costs = step_costs(ink_terms(ink, models.direction), fit, models)
    reached = np.cumsum(costs[0], axis=0)
    for row in costs[1:]:
        entered = reached.copy()
        entered[1:] = np.minimum(reached[1:], reached[:-1])
        along = np.cumsum(row, axis=0)
        reached = along + np.minimum.accumulate(entered - (along - row), axis=0)
    return np.asarray(np.maximum(reached[-1] / len(costs), 0.0) + fit.costs)


def least_cost(ink: Path, models: Models, handicaps: FloatArray) -> float:
    """u²: no match of the ink to any of the models costs less."""
    fit = fit_boxes(ink.size, models)
    costs = step_costs(ink_terms(ink, models.direction), fit, models)
    return float((_bound(costs) + fit.costs + handicaps).min())


def _bound(costs: Terms) -> FloatArray:
    """The least mean cost of a match: every sample of either is put on its cheapest; (model,)."""
    by_model, by_ink = costs.min(axis=0).sum(axis=0), costs.min(axis=1).sum(axis=0)
    return np.asarray(np.maximum(by_model, by_ink) / len(costs))
