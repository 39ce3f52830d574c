"""Reading: which letter a shape would be taken for by someone who does not know the target.

The pen's path is forgotten: a shape is compared with each letter's picture both ways round (is
all of the ink on the letter, is all of the letter under ink), with undirected headings.
"""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.findings import Code
from firstloop.core.checking.match import Fit, Models, Path, fit_boxes, step_costs
from firstloop.core.letterforms import Hand, Letter, draw
from firstloop.core.letterforms.hands import GROUPS, group_of
from firstloop.core.limits import LIMITS, TURN_COST
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Ruling

EVERY = 4
"""Of the ink's points, every so many are looked at first."""


@dataclass(frozen=True, slots=True)
class Reading:
    """The nearest letter, and by how much (u²) it is nearer than the letter asked for; 0 where no
    other is clearly nearer."""

    nearest: str
    margin: float


def read(ink: Path, target: Letter, hand: Hand) -> Reading:
    """What the ink reads as, among the letters of the target's kind.

    The ink is tried as it stands (on each letter's own base) and laid over the letter's box. To be
    read as another letter it must be clearly nearer to it than to the target: ink that lies well on
    the target needs no more looking, nor does a letter for which it would have to be stretched by
    more than that; of the others those are compared in full that a first look leaves possible.
    """
    if group_of(target.name) == "mark":  # told by its place; nobody reads it out of its sentence
        return Reading(target.name, 0.0)
    names, models = _alphabet(hand, target.ruling, group_of(target.name))
    boxed = fit_boxes(ink.points, models)
    standing = _standing(boxed, ink.points, models)
    at = names.index(target.name)
    own = _costs(ink, (standing, boxed), models, np.array([at]))[0]
    to_beat = own - LIMITS[Code.READS_AS_OTHER].not_yet
    rivals = np.flatnonzero(np.minimum(standing.costs, boxed.costs) < to_beat)
    rivals = rivals[rivals != at]
    if len(rivals):
        rivals = _promising(ink, (standing, boxed), models, rivals, to_beat)
    if len(rivals) == 0:
        return Reading(target.name, 0.0)
    costs = _costs(ink, (standing, boxed), models, rivals)
    best = int(np.argmin(costs))
    if costs[best] >= to_beat:
        return Reading(target.name, 0.0)
    return Reading(names[rivals[best]], float(own - costs[best]))


@lru_cache(maxsize=64)
def _alphabet(hand: Hand, ruling: Ruling, group: str) -> tuple[tuple[str, ...], Models]:
    letters = [letter for letter in GROUPS[group] if letter in hand.scripts]
    pictures = [
        Path.of(list(draw(hand.scripts[letter], hand.proportions, ruling).paths()))
        for letter in letters
    ]
    return tuple(letters), Models.of(pictures, undirected)


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


def _costs(
    ink: Path, fits: tuple[Fit, ...], models: Models, wanted: npt.NDArray[np.intp]
) -> FloatArray:
    """u² by which the ink differs from the wanted letters, in the better of the fits."""
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
