"""Reading: which letter a shape would be taken for by someone who does not know the target.

The pen's path is forgotten: a shape is compared with each letter's picture both ways round (is
all of the ink on the letter, is all of the letter under ink), with undirected headings.
"""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.findings import Code
from firstloop.core.checking.forms import forms_of
from firstloop.core.checking.match import Fit, Models, Path, fit_boxes, step_costs
from firstloop.core.letterforms import Hand
from firstloop.core.letterforms.hands import GROUPS, group_of
from firstloop.core.limits import ANOTHER_KIND, LIMITS, TURN_COST
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Ruling

EVERY = 4
"""Of the ink's points, every so many are looked at first."""

READ = ("small", "capital", "digit")
"""The kinds of letters that are read; a mark is told by its place, nobody reads it out of it."""


@dataclass(frozen=True, slots=True)
class Reading:
    """The nearest letter, and by how much (u²) it is nearer than the letter asked for, 0 where no
    other is clearly nearer; and what the letter asked for costs (u²)."""

    nearest: str
    margin: float
    cost: float


@dataclass(frozen=True, slots=True, eq=False)
class _Pictures:
    """Every accepted form of every letter of a hand, as seen; `names` says of which letter."""

    names: tuple[str, ...]
    models: Models


@lru_cache(maxsize=64)
def _pictures(hand: Hand, ruling: Ruling) -> _Pictures:
    forms = [
        form
        for group in READ
        for letter in GROUPS[group]
        if letter in hand.scripts
        for form in forms_of(letter, hand, ruling)
    ]
    return _Pictures(
        tuple(form.name for form in forms),
        Models.of([Path.of(list(form.paths())) for form in forms], undirected),
    )


@lru_cache(maxsize=512)
def _handicaps(target: str, hand: Hand, ruling: Ruling) -> tuple[FloatArray, npt.NDArray[np.intp]]:
    """For each picture what it must be nearer by (u²), and which pictures are the target's own.

    What was asked for settles what shape cannot: who asked for a letter does not read a digit.
    """
    names = _pictures(hand, ruling).names
    own = np.array([at for at, name in enumerate(names) if name == target])
    kind = group_of(target)
    handicaps = [0.0 if group_of(name) == kind else ANOTHER_KIND for name in names]
    return np.array(handicaps), own


def read(ink: Path, target: str, hand: Hand, ruling: Ruling) -> Reading:
    """What the ink reads as, among all letters and digits.

    The ink is tried as it stands (on each letter's own base) and laid over the letter's box. To be
    read as another letter it must be clearly nearer to it than to the target: ink that lies well on
    the target needs no more looking, nor does a letter for which it would have to be stretched by
    more than that; of the others those are compared in full that a first look leaves possible.
    """
    if group_of(target) not in READ:
        return Reading(target, 0.0, 0.0)
    pictures = _pictures(hand, ruling)
    handicaps, own = _handicaps(target, hand, ruling)
    fits = fits_of(ink, pictures.models)
    cost = float(picture_costs(ink, fits, pictures.models, own).min())
    to_beat = cost - LIMITS[Code.READS_AS_OTHER].not_yet
    least = np.minimum(*(fit.costs for fit in fits)) + handicaps
    least[own] = np.inf
    rivals = np.flatnonzero(least < to_beat)
    if len(rivals):
        rivals = _promising(ink, fits, pictures.models, rivals, to_beat)
    if len(rivals) == 0:
        return Reading(target, 0.0, cost)
    costs = picture_costs(ink, fits, pictures.models, rivals) + handicaps[rivals]
    best = int(np.argmin(costs))
    if costs[best] >= to_beat:
        return Reading(target, 0.0, cost)
    return Reading(pictures.names[rivals[best]], float(cost - costs[best]), cost)


def _promising(
    ink: Path,
    fits: tuple[Fit, ...],
    models: Models,
    rivals: npt.NDArray[np.intp],
    to_beat: float,
) -> npt.NDArray[np.intp]:
    """The rivals that a few points of the ink do not rule out.

    That half of the whole cost is left out here, and twice the rest allowed, makes it safe.
    """
    few = Path(ink.points[::EVERY], ink.headings[::EVERY])
    some = models.some(rivals)
    apart = [step_costs(few, fit.some(rivals), some).min(axis=2).mean(axis=1) for fit in fits]
    return np.asarray(rivals[0.5 * np.min(apart, axis=0) < to_beat])


def fits_of(ink: Path, models: Models) -> tuple[Fit, Fit]:
    """How the ink is laid over each picture: as it stands, and box over box."""
    boxed = fit_boxes(ink.points, models)
    return _standing(boxed, ink.points, models), boxed


def picture_costs(
    ink: Path, fits: tuple[Fit, ...], models: Models, wanted: npt.NDArray[np.intp]
) -> FloatArray:
    """u² by which the ink differs from each wanted picture in the better of the fits; (wanted,)."""
    some = models.some(wanted)
    return np.asarray(
        np.min([_apart(ink, fit.some(wanted), some) + fit.costs[wanted] for fit in fits], axis=0)
    )


def undirected(headings: FloatArray) -> FloatArray:
    """Headings doubled in angle, so that there and back are the same; at right angles their squared
    distance is TURN_COST, as it is where direction counts."""
    cosine, sine = headings[..., 0], headings[..., 1]
    doubled = np.stack([cosine**2 - sine**2, 2 * sine * cosine], axis=-1)
    return np.asarray(np.sqrt(TURN_COST / 4) * doubled)


def _standing(boxed: Fit, ink: FloatArray, models: Models) -> Fit:
    """The fit that keeps the ink's own height, its foot on the model's; width as in the box."""
    scale, shift = boxed.scale.copy(), boxed.shift.copy()
    scale[:, 1] = 1.0
    shift[:, 1] = models.low[:, 1] - ink[:, 1].min()
    return Fit(scale, shift)


def _apart(ink: Path, fit: Fit, models: Models) -> FloatArray:
    """Mean u² from each point to the nearest of the other shape, both ways round; (model,)."""
    costs = step_costs(ink, fit, models)
    return np.asarray(costs.min(axis=1).mean(axis=1) + costs.min(axis=2).mean(axis=1))
