"""An image of a letter on paper: which pixels are ink, and where its lines are."""

from dataclasses import dataclass

import numpy as np

from firstloop.core.errors import InkError
from firstloop.core.geometry.even import Lines, evenly
from firstloop.core.geometry.skeleton import Bits, skeleton_lines


@dataclass(frozen=True, slots=True, eq=False)
class LetterImage:
    """A picture of one letter: pixels (rows, columns), True where there is ink, the first row on
    top; the row of the base line, and the x-height, both in pixels."""

    pixels: Bits
    base_px: float
    x_height_px: float

    def lines(self) -> Lines:
        """The ink as thin lines in u, y up, evenly spaced, in no order; raises InkError."""
        if self.x_height_px <= 0:
            raise InkError("the x-height of the picture must be more than nothing")
        scale = np.array([1.0, -1.0]) / self.x_height_px
        shift = np.array([0.0, self.base_px / self.x_height_px])
        lines = tuple(evenly(line * scale + shift) for line in skeleton_lines(self.pixels))
        if not lines:
            raise InkError("there is no ink in the picture; scan the letter again")
        return lines
