"""Where the bands of a wish stand, from a height on a page downwards."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.letters.ruling import Line as Ruled
from firstloop.core.sheets.items import Item, Line, Look, Words
from firstloop.core.sheets.pages import Cell
from firstloop.core.sheets.rows import Band, bands_of
from firstloop.core.sheets.wish import SIZES_MM, RowWish, SheetError, SheetWish

SIDE_MM = 15.0
"""From a page's sides to what is written: printers leave 5 to 6 mm white, and marks stand there."""

BAND_APART = 0.5, 3.0
"""Between two rows, the larger of: u, mm."""

HOME_LINE_MM = 6.0
"""The height of a line for the grown-up."""

NAME_MM, DATE_MM, SAID_MM = 62.0, 40.0, 11.0
"""How long the lines for name and date are, and how much of each says which it is."""

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")

DAY_MM, BOX_MM = 6.0, 5.0
"""The room for a day's name above its row; the box to tick beside it."""


@dataclass(frozen=True, slots=True, eq=False)
class Together:
    """Bands that stay together: a model, and the line below it. `day` is whose row they begin."""

    asked: RowWish
    bands: tuple[Band, ...]
    day: str = ""

    def height(self, wish: SheetWish) -> float:
        """All that it takes, the gap below it among it."""
        return len(self.bands) * (band_height(wish) + apart(wish)) + (DAY_MM if self.day else 0.0)


def band_height(wish: SheetWish) -> float:
    """From a band's top line to its lowest."""
    return (wish.ruling.top - wish.ruling.drop) * wish.x_height_mm


def apart(wish: SheetWish) -> float:
    """Between two bands."""
    return max(BAND_APART[0] * wish.x_height_mm, BAND_APART[1])


def all_together(wish: SheetWish) -> Iterator[Together]:
    """The rows of a wish, as what stays together; raises SheetError for a week of too many."""
    if wish.week and len(wish.rows) > len(DAYS):
        raise SheetError(
            f"a week has {len(DAYS)} days, a row each; there are {len(wish.rows)}", "rows"
        )
    width, _ = SIZES_MM[wish.paper]
    room = (width - 2 * SIDE_MM) / wish.x_height_mm
    for at, asked in enumerate(wish.rows):
        day = DAYS[at] if wish.week else ""
        for bands in _kept(list(bands_of(asked, wish, room))):
            yield Together(asked, tuple(bands), day)
            day = ""


def _kept(bands: Sequence[Band]) -> Iterator[list[Band]]:
    together: list[Band] = []
    for band in bands:
        together.append(band)
        if band.cells:
            yield together
            together = []
    if together:
        yield together


def placed(
    wish: SheetWish, given: Together, y: float, row: int
) -> tuple[list[Item], list[Cell], int]:
    """What is drawn of bands from a height on, their cells, and how many rows of cells there are on
    the page then, if there were `row` before."""
    items: list[Item] = []
    cells: list[Cell] = []
    if given.day:
        y += DAY_MM
        items += _day(wish, given.day, y)
    for band in given.bands:
        base = y + wish.ruling.top * wish.x_height_mm
        items += band.items((SIDE_MM, base), wish.x_height_mm)
        cells += [_cell(wish, row, at, given.asked, band, base) for at in range(len(band.cells))]
        row += 1 if band.cells else 0
        y += band_height(wish) + apart(wish)
    return items, cells, row


def fields(wish: SheetWish, right: float, y: float) -> Iterator[Item]:
    """Lines for the name, which may be there, and the date, from the right end of a head."""
    for label, length in (("Name", NAME_MM), ("Date", DATE_MM)):
        if label == "Date" and not wish.date_line:
            continue
        yield Words((right - length, y), 3.6, label, Look.SOFT)
        if label == "Name" and wish.name:
            yield Words((right - length + SAID_MM + 1.0, y), 4.6, wish.name)
        ends = np.array([[right - length + SAID_MM, y + 0.6], [right, y + 0.6]])
        yield Line(ends, 0.25, Look.RULE)
        right -= length + 5.0


def for_the_grown_up(wish: SheetWish, top: float) -> Iterator[Item]:
    """What who sits beside the child is told, line by line."""
    for at, told in enumerate(wish.grown_up):
        yield Words((SIDE_MM, top + HOME_LINE_MM * at), 4.0, told, Look.SOFT)


def _day(wish: SheetWish, day: str, top: float) -> Iterator[Item]:
    """The day's name above its row, and a box to tick once it is written."""
    yield Words((SIDE_MM, top - 2.0), 4.0, day, Look.SOFT)
    right, middle = SIZES_MM[wish.paper][0] - SIDE_MM, top + band_height(wish) / 2
    left = right + (SIDE_MM - BOX_MM) / 3
    low, high = middle - BOX_MM / 2, middle + BOX_MM / 2
    corners = [(left, low), (left + BOX_MM, low), (left + BOX_MM, high), (left, high), (left, low)]
    yield Line(np.array(corners), 0.35, Look.SOFT, round=False)


def _cell(  # noqa: PLR0917  # which cell, and where
    wish: SheetWish, row: int, at: int, asked: RowWish, band: Band, base: float
) -> Cell:
    slot, u, ruling = band.cells[at], wish.x_height_mm, wish.ruling
    lines = {line: round(base - ruling.height(line) * u, 3) for line in Ruled}
    left, right = SIDE_MM + slot.left * u, SIDE_MM + slot.right * u
    return Cell(
        row,
        at,
        slot.target,
        slot.kind,
        asked.mode,
        (round(left, 3), lines[Ruled.TOP], round(right, 3), lines[Ruled.DROP]),
        lines,
        round(SIDE_MM + band.helps[at][1] * u, 3) if band.helps else None,
        tuple(round(SIDE_MM + x * u, 3) for x in band.uprights(slot)),
    )
