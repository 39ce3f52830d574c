"""Pictures: lines as they look, whoever made them however. The pen's path is forgotten.

Ink is compared with a picture both ways round (is all of the ink on the letter, is all of the
letter under ink), with undirected headings.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.matching import (
    SAMPLES,
    TURN_COST,
    Fit,
    Models,
    Path,
    Terms,
    fit_boxes,
    ink_terms,
    step_costs,
)
from firstloop.core.geometry.polyline import FloatArray


def undirected(headings: FloatArray) -> FloatArray:
    """Headings doubled in angle, so that there and back are the same; at right angles their squared
    distance is TURN_COST, as it is where direction counts."""
    cosine, sine = headings[..., 0], headings[..., 1]
    doubled = np.empty_like(headings)
    doubled[..., 0] = cosine * cosine - sine * sine
    doubled[..., 1] = 2 * sine * cosine
    doubled *= np.sqrt(TURN_COST / 4)
    return doubled


AT_A_TIME = 300
"""[comparisons] Comparisons of ink with a picture in one go: their tables take half a megabyte."""


@dataclass(frozen=True, slots=True, eq=False)
class Look:
    """Ink as it looks: its path, and what of it is compared with every picture."""

    path: Path
    terms: Terms

    @classmethod
    def of(cls, path: Path) -> "Look":
        """How the ink of a path looks."""
        return cls(path, ink_terms(path, undirected))


@dataclass(frozen=True, slots=True, eq=False)
class Pictures:
    """Pictures to compare ink with; `models` holds each twice, for the two ways of laying ink over
    it. `count` is how many there are."""

    models: Models
    count: int

    @classmethod
    def of(cls, paths: Sequence[Path]) -> "Pictures":
        """The pictures of these paths, in their order."""
        return cls(Models.of([*paths, *paths], undirected), len(paths))

    def costs(self, ink: Look, at_most: FloatArray | float = np.inf) -> FloatArray:
        """u² by which the ink differs from each picture, laid the way that suits it better;
        (picture,). What is more than `at_most` may be told as still more, and is infinite where
        stretching alone costs that."""
        fit = self._laid(ink.path.size)
        stretch = fit.costs
        wanted = (stretch.reshape(2, -1) <= at_most).ravel()
        models = self.models
        if not wanted.all():
            places = np.flatnonzero(wanted)
            fit, models = fit.some(places), models.some(places)
        costs = np.full(len(stretch), np.inf)
        costs[wanted] = stretch[wanted] + _apart(ink.terms, fit, models)
        return np.asarray(costs.reshape(2, -1).min(axis=0))

    def costs_of_each(self, inks: Sequence[Look]) -> FloatArray:
        """The same for several inks of as many samples; (ink, picture). A few are compared at a
        time, so that what is compared stays near at hand."""
        some = max(1, AT_A_TIME // (2 * self.count))
        return np.concatenate(
            [self._costs_of_a_few(inks[at : at + some]) for at in range(0, len(inks), some)]
        )

    def _costs_of_a_few(self, inks: Sequence[Look]) -> FloatArray:
        fit = self._laid(np.stack([ink.path.size for ink in inks])[:, None])
        costs = fit.costs + _apart(np.stack([ink.terms for ink in inks]), fit, self.models)
        return np.asarray(costs.reshape(len(inks), 2, -1).min(axis=1))

    def some(self, wanted: npt.NDArray[np.intp]) -> "Pictures":
        """Those at the given places."""
        both = np.concatenate([wanted, wanted + self.count])
        return Pictures(self.models.some(both), len(wanted))

    def best_fit(self, ink: Look) -> Fit:
        """How the ink is laid over the picture that it differs from least; of one model."""
        fit = self._laid(ink.path.size)
        best = int(np.argmin(_apart(ink.terms, fit, self.models) + fit.costs))
        return fit.some(np.array([best]))

    def _laid(self, size: FloatArray) -> Fit:
        """Ink whose box has these sides, laid over every picture: box over box, and as it stands,
        its foot on theirs."""
        fit = fit_boxes(size, self.models)
        standing = slice(self.count, None)
        fit.scale[..., standing, 1] = 1.0
        fit.shift[..., standing, 1] = self.models.low[standing, 1]
        return fit


def _apart(ink: Terms, fit: Fit, models: Models) -> FloatArray:
    """u² from each to the nearest of the other, both ways round, on average; (..., model)."""
    steps = step_costs(ink, fit, models)
    # numpy is quick along a far axis only, so the near one is turned to be that.
    turned = np.ascontiguousarray(steps.swapaxes(-3, -2))
    both = sum(np.minimum.reduce(each, axis=-3).sum(axis=-2) for each in (steps, turned))
    return np.asarray(
        np.maximum(both / SAMPLES, 0.0)
    )  # single precision may end just below nothing
