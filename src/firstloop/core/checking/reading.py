"""Reading: which letter a shape would be taken for by someone who does not know the target.

The pen's path is forgotten: a shape is compared with each letter's picture both ways round (is
all of the ink on the letter, is all of the letter under ink), with undirected headings.
"""

from functools import lru_cache

import numpy as np

from firstloop.core.checking.match import Fit, Models, Path, fit_boxes, step_costs
from firstloop.core.letterforms import Hand, Letter, draw, find_hand
from firstloop.core.limits import TURN_COST
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Ruling


@lru_cache(maxsize=32)
def _alphabet(hand_name: str, ruling: Ruling) -> tuple[tuple[str, ...], Models]:
    hand = find_hand(hand_name)
    pictures = [_picture(draw(script, hand, ruling)) for script in hand.scripts.values()]
    return tuple(hand.scripts), Models.of(pictures, undirected)


def undirected(headings: FloatArray) -> FloatArray:
    """Headings doubled in angle, so that there and back are the same; at right angles their squared
    distance is TURN_COST, as it is where direction counts."""
    cosine, sine = headings[..., 0], headings[..., 1]
    doubled = np.stack([cosine**2 - sine**2, 2 * sine * cosine], axis=-1)
    return np.asarray(np.sqrt(TURN_COST / 4) * doubled)


def _picture(letter: Letter) -> Path:
    return Path.of([np.vstack([move.points for move in stroke]) for stroke in letter.strokes])


def reading_costs(ink: Path, hand: Hand, ruling: Ruling) -> dict[str, float]:
    """u² by which the ink differs from each letter of the hand; the smallest is what it reads as.

    The ink is tried as it stands (on each letter's own base) and laid over the letter's box.
    """
    names, models = _alphabet(hand.name, ruling)
    boxed = fit_boxes(ink.points, models)
    standing = _standing(boxed, ink.points, models)
    costs = np.minimum(*(_apart(ink, fit, models) + fit.costs for fit in (standing, boxed)))
    return dict(zip(names, costs.tolist(), strict=True))


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
