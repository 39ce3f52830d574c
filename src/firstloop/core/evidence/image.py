"""Writing on paper: which points of a picture are ink, and the lines that were drawn there."""

from dataclasses import dataclass

import numpy as np

from firstloop.core.errors import InkError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry.crossings import together
from firstloop.core.geometry.even import Lines, evenly, length_of
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.geometry.skeleton import Bits, drawn_out, skeleton_lines

USUAL_WIDTH = 0.08
"""[u] Of a pencil's line, where it was not kept."""


@dataclass(frozen=True, slots=True, eq=False)
class SeenInk:
    """Ink as it is seen on paper: thin lines in u, y up, evenly spaced; each part is what hangs
    together, its lines in no order; and how wide (u) its lines are drawn on average."""

    parts: tuple[Lines, ...]
    width: float

    @classmethod
    def kept(cls, ink: Ink) -> "SeenInk":
        """What was kept as strokes, a stroke a line, as it was seen."""
        return cls(together(tuple(evenly(one.points) for one in ink.strokes)), USUAL_WIDTH)

    @property
    def ink(self) -> Ink:
        """Its lines as strokes, to be kept: in no order, and without times."""
        return Ink(tuple(Stroke.of(line) for line in self.lines))

    @property
    def lines(self) -> Lines:
        """All of its lines."""
        return tuple(line for part in self.parts for line in part)

    @property
    def length(self) -> float:
        """u along all of them."""
        return sum(length_of(line) for line in self.lines)


@dataclass(frozen=True, slots=True, eq=False)
class LetterImage:
    """A picture of writing: pixels (rows, columns), True where there is ink, the first row on top;
    the row of the base line, and the x-height, both in pixels."""

    pixels: Bits
    base_px: float
    x_height_px: float

    def seen(self) -> SeenInk:
        """Its ink as thin lines; raises InkError."""
        if self.x_height_px <= 0:
            raise InkError("the x-height of the picture must be more than nothing")
        scale = np.array([1.0, -1.0]) / self.x_height_px
        shift = np.array([0.0, self.base_px / self.x_height_px])
        rows, columns = np.nonzero(self.pixels)
        if len(rows) == 0:
            raise InkError("there is no ink in the picture; scan the letter again")
        # Only where ink is: thinning looks at every point again and again.
        ink = self.pixels[rows.min() : rows.max() + 1, columns.min() : columns.max() + 1]
        shift += [columns.min() / self.x_height_px, -rows.min() / self.x_height_px]
        hangs = _together(ink)
        parts: dict[int, list[FloatArray]] = {}
        for line in drawn_out(skeleton_lines(ink), ink):
            column, row = line[0].astype(int)
            parts.setdefault(int(hangs[row, column]), []).append(evenly(line * scale + shift))
        found = tuple(tuple(lines) for lines in parts.values())
        length = sum(length_of(line) for lines in found for line in lines)
        area = float(self.pixels.sum()) / self.x_height_px**2
        return SeenInk(found, area / max(length, 1 / self.x_height_px))


def _together(pixels: Bits) -> np.ndarray:
    """Each pixel of ink with the number of what it hangs together with."""
    from skimage.measure import label  # noqa: PLC0415  # slow to load; pen ink needs none

    return np.asarray(label(pixels, connectivity=2))  # type: ignore[no-untyped-call]
