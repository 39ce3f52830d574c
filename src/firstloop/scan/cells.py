"""The ink of a page that lies flat, cell by cell: what hangs together belongs to the cell that most
of it lies in, also where it goes beyond."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import groupby
from typing import Any

import cv2
import numpy as np
import numpy.typing as npt

from firstloop.core.evidence.image import LetterImage, SeenInk
from firstloop.core.letters.ruling import Line
from firstloop.core.sheets.pages import Cell
from firstloop.core.sheets.wish import Mode
from firstloop.scan.bend import RuledRow, Shifts, bends_of
from firstloop.scan.ink import (
    SPECK_MM2,
    Bits,
    Lit,
    evenly_lit,
    faint_beside,
    ink_of,
    without_ghosts,
    without_lines,
    without_uprights,
)
from firstloop.scan.page import PX_PER_MM, Grey
from firstloop.scan.signs import Printed, dots_gone, is_traced, signs_in, without_signs

ROOM = 0.6
"""[u] That is looked at above and below a row: a ring round a letter goes so far."""

LEAST_INK = 0.35
"""[u] Of ink's reach: less is a slip of the pen."""

IN_BOTH = 0.25
"""[share] Of ink that hangs together: so much in two cells is of two letters that touch."""


@dataclass(frozen=True, slots=True, eq=False)
class CellInk:
    """A cell as it was read: its ink as a picture on its lines, None where it is empty; and where
    that begins on the page, mm."""

    cell: Cell
    image: LetterImage | None
    left_mm: float


def cells_in(picture: Grey, cells: Sequence[Cell], printed: Printed) -> list[CellInk]:
    """Each cell of a page that lies flat."""
    lit = evenly_lit(picture)
    rows = [tuple(row) for _, row in groupby(cells, key=lambda cell: cell.lines[Line.BASE])]
    bends = bends_of(lit, [_ruled(row, printed) for row in rows])
    faint = faint_beside(_written_on(lit, cells))
    return [
        found
        for row, bend in zip(rows, bends, strict=True)
        for found in _row(lit, row, bend, printed, faint)
    ]


def _written_on(lit: Lit, cells: Sequence[Cell]) -> Lit:
    """Every other point of all cells."""
    sides = [[round(side * PX_PER_MM) for side in cell.box] for cell in cells]
    return np.concatenate([lit[y0:y1:2, x0:x1:2].ravel() for x0, y0, x1, y1 in sides])


def _ruled(cells: Sequence[Cell], printed: Printed) -> RuledRow:
    lines = tuple(cells[0].lines[line] for line in printed.ruled)
    return RuledRow(cells[0].box[0], cells[-1].box[2], lines)


def _straight(lit: Lit, first: int, last: int, bend: Shifts) -> Lit:
    """Rows of the page, each column from where the page's bulge has it."""
    if not np.any(bend):
        return lit[max(first, 0) : last]
    columns = np.broadcast_to(np.arange(lit.shape[1], dtype=np.float32), (last - first, len(bend)))
    rows = np.arange(first, last, dtype=np.float32)[:, None] + bend[None]
    taken = cv2.remap(lit, columns, rows, cv2.INTER_LINEAR, borderValue=(1.0,))
    return np.asarray(taken, np.float32)


def _row(
    lit: Lit, cells: tuple[Cell, ...], bend: Shifts, printed: Printed, faint: float
) -> Iterator[CellInk]:
    """The cells of a row, which stand on the same lines; what is as light as `faint` is no ink."""
    lines, (_, top, _, bottom) = cells[0].lines, cells[0].box
    u_mm = lines[Line.BASE] - lines[Line.MID]
    first = max(0, round((top - ROOM * u_mm) * PX_PER_MM))
    band = _straight(lit, first, round((bottom + ROOM * u_mm) * PX_PER_MM), bend)
    heights = [y * PX_PER_MM - first for y in lines.values()]
    ink = ink_of(band, heights)
    uprights = [
        (x * PX_PER_MM, top * PX_PER_MM - first, bottom * PX_PER_MM - first)
        for cell in cells
        for x in cell.uprights
    ]
    ink = without_uprights(band, ink, uprights) if uprights else ink
    signs = signs_in(cells, printed, first, band.shape)
    traced = cells[0].mode is Mode.TRACE
    if signs is not None:
        ink = dots_gone(ink, u_mm) if traced else without_signs(ink, band, signs)
    ink = without_ghosts(ink, band, faint)
    # The middle of a pixel is at its number on the flat page, and half way through it in a picture.
    base, x_height = lines[Line.BASE] * PX_PER_MM - first + 0.5, u_mm * PX_PER_MM
    inside = (top * PX_PER_MM - first, bottom * PX_PER_MM - first)
    for cell, (own, left) in zip(cells, _shared_out(ink, cells, inside), strict=True):
        written = _is_written(own, x_height)
        if traced and signs is not None:
            columns = slice(*(round(cell.box[side] * PX_PER_MM) for side in (0, 2)))
            seen, expected = (without_lines(one[:, columns], heights) for one in (band, signs))
            written = written and is_traced(seen, expected)
        image = LetterImage(own, base, x_height) if written else None
        yield CellInk(cell, image, left / PX_PER_MM)


def _shared_out(
    ink: Bits, cells: Sequence[Cell], inside: tuple[float, float]
) -> Iterator[tuple[Bits, int]]:
    """For each cell its ink, and the column where that begins."""
    count, labels, stats, _ = cv2.connectedComponentsWithStats(ink.astype(np.uint8), connectivity=8)
    columns = [
        (max(0, round(cell.box[0] * PX_PER_MM)), round(cell.box[2] * PX_PER_MM)) for cell in cells
    ]
    top, bottom = max(round(inside[0]), 0), round(inside[1])
    held = np.array([_counts(labels[top:bottom, a:b], count) for a, b in columns])
    area = stats[:, cv2.CC_STAT_AREA]
    large = area >= SPECK_MM2 * PX_PER_MM**2
    large[0] = False
    owner, most = held.argmax(axis=0), held.max(axis=0)
    # Most of what is a model's, or the next row's, lies in no cell of this one.
    ours = large & (2 * most > area)
    second = np.sort(held, axis=0)[-2] if len(cells) > 1 else np.zeros(count)
    parted = large & (second > IN_BOTH * area)
    for at, (first, last) in enumerate(columns):
        mine = ours & ~parted & (owner == at)
        whole = np.flatnonzero(mine)
        left, right = first, last
        if len(whole):
            begins = stats[whole, cv2.CC_STAT_LEFT]
            ends = begins + stats[whole, cv2.CC_STAT_WIDTH]
            left, right = min(first, int(begins.min())), max(last, int(ends.max()))
        own = mine[labels[:, left:right]]
        shared = parted[labels[:, left:right]]
        shared[:, : first - left] = False
        shared[:, last - left :] = False
        yield np.asarray(own | shared), left


def _counts(labels: npt.NDArray[Any], count: int) -> npt.NDArray[np.intp]:
    return np.bincount(labels.ravel(), minlength=count)


def _is_written(ink: Bits, x_height: float) -> bool:
    """Whether there is more than a slip of the pen: by how far the ink goes."""
    rows, columns = np.nonzero(ink)
    if len(rows) == 0:
        return False
    reach = max(np.ptp(rows), np.ptp(columns)) / x_height
    return bool(reach >= LEAST_INK)


@dataclass(frozen=True, slots=True)
class Measures:
    """Highest and lowest point over the base line, and the width, of the pen's path; u."""

    height: float
    foot: float
    width: float


def measures_of(image: LetterImage, whole: SeenInk, own: SeenInk) -> Measures:
    """How large writing is, by the middle of its pen's line: half a line's width within its
    outline, for thinned lines end too soon. `own` are the lines of the writing, without marks."""
    u = image.x_height_px
    half = float(image.pixels.sum()) / max(whole.length * u, 1.0) / 2
    rows, columns = np.nonzero(image.pixels)
    if own is not whole:
        points = np.concatenate(own.lines)
        x, y = points[:, 0] * u, image.base_px - points[:, 1] * u
        room = 1.5 * half + 1.0
        near = (columns > x.min() - room) & (columns < x.max() + room)
        near &= (rows > y.min() - room) & (rows < y.max() + room)
        rows, columns = rows[near], columns[near]
    top, bottom = rows.min() + half, rows.max() + 1 - half
    width = np.ptp(columns) + 1 - 2 * half
    return Measures(
        round(float(image.base_px - top) / u, 3),
        round(float(image.base_px - bottom) / u, 3),
        round(float(width) / u, 3),
    )
