"""Reading: which letter a shape would be taken for by someone who does not know the target.

The pen's path is forgotten: a shape is compared with each letter's picture both ways round (is
all of the ink on the letter, is all of the letter under ink), with undirected headings.
"""

from functools import lru_cache

import numpy as np

from firstloop.core.checking.match import Fit, Models, Path, fit_boxes, squared_distances
from firstloop.core.letterforms import Hand, Letter, draw, find_hand
from firstloop.core.limits import TURN_COST
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Ruling


@lru_cache(maxsize=32)
def _alphabet(hand_name: str, ruling: Ruling) -> tuple[tuple[str, ...], Models]:
    hand = find_hand(hand_name)
    pictures = [_picture(draw(script, hand, ruling)) for script in hand.scripts.values()]
    return tuple(hand.scripts), Models.of(pictures)


def _picture(letter: Letter) -> Path:
    return Path.of([np.vstack([move.points for move in stroke]) for stroke in letter.strokes])


def reading_costs(ink: Path, hand: Hand, ruling: Ruling) -> dict[str, float]:
    """u² by which the ink differs from each letter of the hand; the smallest is what it reads as.

    The ink is tried as it stands (on each letter's own base) and laid over the letter's box.
    """
    names, models = _alphabet(hand.name, ruling)
    boxed = fit_boxes(ink.points, models.points)
    standing = _standing(boxed, ink.points, models.points)
    costs = np.minimum(
        *(_apart(fit.apply(ink.points), ink, models) + fit.costs for fit in (standing, boxed))
    )
    return dict(zip(names, costs.tolist(), strict=True))


def _standing(boxed: Fit, ink: FloatArray, models: FloatArray) -> Fit:
    """The fit that keeps the ink's own height, its foot on the model's; width as in the box."""
    scale, shift = boxed.scale.copy(), boxed.shift.copy()
    scale[:, 1] = 1.0
    shift[:, 1] = models[:, :, 1].min(axis=1) - ink[:, 1].min()
    return Fit(scale, shift)


def _apart(placed: FloatArray, ink: Path, models: Models) -> FloatArray:
    """Mean u² from each point to the nearest of the other shape, both ways round; (model,)."""
    ink_headings = np.broadcast_to(_undirected(ink.headings), models.headings.shape)
    apart = squared_distances(
        np.concatenate([placed, ink_headings], axis=2),
        np.concatenate([models.points, _undirected(models.headings)], axis=2),
    )
    return np.asarray(apart.min(axis=1).mean(axis=1) + apart.min(axis=2).mean(axis=1))


def _undirected(headings: FloatArray) -> FloatArray:
    """Headings doubled in angle, so that there and back are the same; at right angles |Δ|² is
    TURN_COST, as much as `match` asks for it."""
    cosine, sine = headings[..., 0], headings[..., 1]
    doubled = np.stack([cosine**2 - sine**2, 2 * sine * cosine], axis=-1)
    return np.asarray(np.sqrt(TURN_COST / 4) * doubled)
