"""Pictures: letters as they look, whoever made them however. The pen's path is forgotten.

Ink is compared with a picture both ways round (is all of the ink on the letter, is all of the
letter under ink), with undirected headings.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.match import Fit, Models, Path, Terms, fit_boxes, ink_terms, step_costs
from firstloop.core.letterforms import Letter
from firstloop.core.letterforms.drawing import path_of
from firstloop.core.limits import SAMPLES, TURN_COST
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray

EVERY = 5
"""Of the ink's points, every so many are looked at first."""

Places = npt.NDArray[np.intp]


def undirected(headings: FloatArray) -> FloatArray:
    """Headings doubled in angle, so that there and back are the same; at right angles their squared
    distance is TURN_COST, as it is where direction counts."""
    cosine, sine = headings[..., 0], headings[..., 1]
    doubled = np.empty_like(headings)
    doubled[..., 0] = cosine * cosine - sine * sine
    doubled[..., 1] = 2 * sine * cosine
    doubled *= np.sqrt(TURN_COST / 4)
    return doubled


def looks_of(letter: Letter) -> list[Path]:
    """A letter's path, to be looked at; of a joined letter also without its lead-in, and
    without lead-in and flick, as which it is read all the same."""
    looks = [letter.paths()]
    main, *others = letter.strokes
    kinds = [move.move.kind for move in main]
    if kinds[0] is MoveKind.LEAD_IN:
        rest = tuple(path_of(stroke) for stroke in others)
        looks.append((path_of(main[1:]), *rest))
        if kinds[-1] is MoveKind.FLICK:
            looks.append((path_of(main[1:-1]), *rest))
    return [Path.of(paths) for paths in looks]


@dataclass(frozen=True, slots=True, eq=False)
class Pictures:
    """Pictures to compare ink with; `models` holds each twice, for the two ways of laying ink over
    it. `count` is how many there are."""

    models: Models
    count: int

    @classmethod
    def of(cls, paths: Sequence[Path]) -> "Pictures":
        """The pictures of these paths (see `looks_of`), in their order."""
        return cls(Models.of([*paths, *paths], undirected), len(paths))

    def some(self, both: Places) -> "Pictures":
        """Those at the given places, of which the second half are the first once more."""
        return Pictures(self.models.some(both), len(both) // 2)

    def lay(self, ink: Path) -> "Laid":
        """The ink laid over every picture: box over box, and as it stands, its foot on theirs."""
        fit = fit_boxes(ink, self.models)
        standing = slice(self.count, None)
        fit.scale[standing, 1] = 1.0
        fit.shift[standing, 1] = self.models.low[standing, 1] - ink.low[1]
        return Laid(ink_terms(ink, undirected), self, fit)


@dataclass(frozen=True, slots=True, eq=False)
class Laid:
    """Ink laid over pictures; of the ink there are the terms of its step costs."""

    ink: Terms
    pictures: Pictures
    fit: Fit

    def stretch(self) -> FloatArray:
        """u² that the better of the two ways costs in stretching alone; (picture,)."""
        return np.asarray(self.fit.costs.reshape(2, -1).min(axis=0))

    def glance(self, wanted: Places) -> FloatArray:
        """u² that a few points of the ink lie off the wanted pictures, box over box; (wanted,).

        That half of the whole cost is left out here, and twice the rest allowed, makes it safe.
        """
        few = self.ink[::EVERY]
        costs = step_costs(few, self.fit.some(wanted), self.pictures.models.some(wanted))
        return np.asarray(costs.min(axis=1).sum(axis=0) * (0.5 / len(few)))

    def costs(self, wanted: Places | None = None) -> FloatArray:
        """u² by which the ink differs from the wanted pictures, or all; (wanted,)."""
        if wanted is None:
            return np.asarray(self.each().reshape(2, -1).min(axis=0))
        both = np.concatenate([wanted, wanted + self.pictures.count])
        some = Laid(self.ink, self.pictures.some(both), self.fit.some(both))
        return some.costs()

    def each(self) -> FloatArray:
        """u² by which the ink differs from every picture, laid in either way; (2 pictures,)."""
        steps = step_costs(self.ink, self.fit, self.pictures.models)
        apart = (steps.min(axis=0).sum(axis=0) + steps.min(axis=1).sum(axis=0)) / SAMPLES
        apart += self.fit.costs
        return np.asarray(apart)
