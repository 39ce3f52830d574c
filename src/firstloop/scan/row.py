"""A row of a page without marks, a notebook's say, as its lines were marked by hand: laid straight,
what is ruled taken away, and parted where there are gaps."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import atan2, cos, hypot, sin

import cv2
import numpy as np
import numpy.typing as npt

from firstloop.core.errors import FirstLoopError
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.ruling import Ruling
from firstloop.scan.ink import (
    SPECK_MM2,
    Bits,
    Lit,
    evenly_lit,
    faint_beside,
    ink_of,
    without_ghosts,
    without_uprights,
)
from firstloop.scan.page import PX_PER_MM, Grey

Point = tuple[float, float]

U_PX = 48.0
"""[px] Of a row that is laid straight: as a sheet's with an x-height of 6 mm."""

ROOM = 0.6
"""[u] That is looked at above, below and beside a row, as of a sheet."""

LEAST_X_HEIGHT, LEAST_LENGTH = 12.0, 0.8
"""[px, u] Of what was marked: a lower row is too small to be read, a shorter one is a slip."""

LONGEST = 80.0
"""[u] Of what was marked: thrice a line across a page."""

RULED = 0.95
"""[share] Of the paper's light: what is darker may be ruled."""

ALONG, UPRIGHT = 0.5, 0.85
"""[share] Of a row of pixels, or of a column, that is ruled: a letter's stem is as dark for at most
three quarters of a column."""

APART = 0.22
"""[u] Of a gap between letters of a row: what is nearer is one letter's."""


class RowError(FirstLoopError):
    """Lines that were marked and mark no row; the text says what to do."""


@dataclass(frozen=True, slots=True)
class MarkedRow:
    """Where a row stands in a picture, px: the beginning and the end of its base line, and how far
    its mid line is from that."""

    begin: Point
    end: Point
    x_height: float

    def __post_init__(self) -> None:
        if self.x_height < LEAST_X_HEIGHT:
            raise RowError(
                "the lines are too near each other to be read; take the photograph from nearer, or "
                "draw from the base line up to the mid line"
            )
        if not LEAST_LENGTH <= self.length / self.x_height <= LONGEST:
            raise RowError("draw along the base line, from where the row begins to where it ends")

    @property
    def length(self) -> float:
        """Of its base line, px."""
        return hypot(self.end[0] - self.begin[0], self.end[1] - self.begin[1])


@dataclass(frozen=True, slots=True, eq=False)
class RowPiece:
    """What stands in a row between two gaps: its ink; and its corners (4, 2) in the picture."""

    ink: Bits
    corners: FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class StraightRow:
    """A row laid straight, U_PX to the u: its ink, the row of pixels that its base line is at, and
    the way from the picture to it (2, 3)."""

    ink: Bits
    base_px: float
    way: npt.NDArray[np.float64]

    def whole(self) -> RowPiece:
        """All that stands in it."""
        return self._piece(0, self.ink.shape[1])

    def parted(self) -> Iterator[RowPiece]:
        """What stands between gaps, from the left on."""
        columns = np.flatnonzero(self.ink.any(axis=0))
        ends = np.flatnonzero(np.diff(columns) > APART * U_PX)
        for part in np.split(columns, ends + 1):
            if len(part):
                room = round(APART * U_PX / 2)
                yield self._piece(max(part[0] - room, 0), part[-1] + room)

    def _piece(self, first: int, last: int) -> RowPiece:
        ink = self.ink[:, first:last]
        height, width = ink.shape
        right = first + width
        box = np.array([[first, 0], [right, 0], [right, height], [first, height]], np.float64)
        back = cv2.invertAffineTransform(self.way)
        return RowPiece(ink, np.asarray(box @ back[:, :2].T + back[:, 2], np.float64))


def straight_row(picture: Grey, marked: MarkedRow, ruling: Ruling) -> StraightRow:
    """The row that was marked in a picture; its top and drop line where the ruling has them."""
    scale = U_PX / marked.x_height
    turn = -atan2(marked.end[1] - marked.begin[1], marked.end[0] - marked.begin[0])
    base = (ruling.top + ROOM) * U_PX
    turned = scale * np.array([[cos(turn), -sin(turn)], [sin(turn), cos(turn)]])
    there = np.array([ROOM * U_PX, base]) - turned @ np.array(marked.begin)
    way = np.column_stack([turned, there])
    size = (
        round(marked.length * scale + 2 * ROOM * U_PX),
        round(base + (ROOM - ruling.drop) * U_PX),
    )
    flags = cv2.INTER_AREA if scale < 1 else cv2.INTER_LINEAR
    band = cv2.warpAffine(picture, way, size, flags=flags, borderValue=(255.0,))
    lit = evenly_lit(np.asarray(band, np.uint8))
    lines, uprights = ruled_at(lit, ALONG), ruled_at(lit.T, UPRIGHT)
    ink = ink_of(lit, lines)
    if uprights:
        ink = without_uprights(lit, ink, [(x, 0.0, float(len(ink))) for x in uprights])
    ink = without_ghosts(ink, lit, faint_beside(lit))
    inside = slice(round(ROOM * U_PX / 2), round(len(ink) - ROOM * U_PX / 2))
    return StraightRow(_of_the_row(ink, inside), base + 0.5, way)


def ruled_at(lit: Lit, share: float) -> list[float]:
    """The rows of pixels at which a picture is ruled across, by their middles: as much of them is
    darker than paper."""
    dark = np.flatnonzero(np.quantile(lit, share, axis=1) < RULED)
    runs = np.split(dark, np.flatnonzero(np.diff(dark) > 1) + 1)
    return [float(run.mean()) for run in runs if len(run)]


def _of_the_row(ink: Bits, inside: slice) -> Bits:
    """What hangs together and lies in the row for the most part; no dust."""
    count, labels, stats, _ = cv2.connectedComponentsWithStats(ink.astype(np.uint8), connectivity=8)
    area = stats[:, cv2.CC_STAT_AREA]
    within = np.bincount(labels[inside].ravel(), minlength=count)
    ours = (2 * within > area) & (area >= SPECK_MM2 * PX_PER_MM**2)
    ours[0] = False
    return np.asarray(ours[labels])
