"""Which spaces between the lines a letter fills: the upper, the middle, the lower."""

from enum import StrEnum

import numpy as np

from firstloop.core.letters import Letter
from firstloop.core.letters.moves import MoveKind

FILLED = 0.3
"""u: a letter that reaches this far into a space fills it; a t does, an overshoot does not."""


class Space(StrEnum):
    """A space between two lines, from above."""

    UPPER = "upper"
    MIDDLE = "middle"
    LOWER = "lower"


def spaces_filled(letter: Letter) -> tuple[Space, ...]:
    """The spaces that a letter fills; dots do not count, for they stand above, filling nothing.

    >>> from firstloop.core.letters import PLAIN, draw
    >>> from firstloop.core.letters.ruling import Ruling
    >>> p, i = (draw(PLAIN.scripts[x], PLAIN.proportions, Ruling()) for x in "pi")
    >>> [space.value for space in spaces_filled(p)], [space.value for space in spaces_filled(i)]
    (['middle', 'lower'], ['middle'])
    """
    heights = np.concatenate(
        [move.points[:, 1] for move in letter.moves if move.move.kind is not MoveKind.DOT]
        or [move.points[:, 1] for move in letter.moves]
    )
    low, high = float(heights.min()), float(heights.max())
    filled = {
        Space.UPPER: high > 1.0 + FILLED,
        Space.MIDDLE: low < 1.0 - FILLED and high > 0.0,
        Space.LOWER: low < -FILLED,
    }
    return tuple(space for space in Space if filled[space])
