"""Strips: all rows of a wish, with a line for the name, several times on a page to be cut apart."""

from collections.abc import Iterator

import numpy as np

from firstloop.core.sheets.items import Item, Line, Look, Words
from firstloop.core.sheets.pages import Cell, Page
from firstloop.core.sheets.placing import (
    HOME_LINE_MM,
    SIDE_MM,
    all_together,
    apart,
    fields,
    for_the_grown_up,
    placed,
)
from firstloop.core.sheets.wish import SIZES_MM, SheetError, SheetWish

EDGE_MM = 10.0
"""Above the first strip and below the last: no printer prints nearer to an edge than 6 mm."""

HEAD_MM = 9.0
"""On top of a strip, for the title and the name."""

CUT_MM = 4.0
"""From a strip to the line along which it is cut."""

DASH_MM = (3.0, 2.0)


def strip_page(wish: SheetWish) -> Page:
    """The page of strips; raises SheetError where they do not find room on one."""
    rows = list(all_together(wish))
    head = HEAD_MM + HOME_LINE_MM * len(wish.grown_up)
    height = head + sum(one.height(wish) for one in rows) - apart(wish)
    room = SIZES_MM[wish.paper][1] - 2 * EDGE_MM + 2 * CUT_MM
    most = int(room // (height + 2 * CUT_MM))
    if wish.strips > most:
        may_be = f"at most {most}" if most > 1 else "fewer rows or smaller letters"
        raise SheetError(
            f"{wish.strips} strips with all the rows find no room on a page; choose {may_be}",
            "strips",
        )
    items: list[Item] = []
    cells: list[Cell] = []
    row, step = 0, room / wish.strips
    for number in range(wish.strips):
        y = EDGE_MM + number * step
        if number:
            items.append(_cut(wish, y - CUT_MM))
        items += _head(wish, y + HEAD_MM - 4.0)
        y += head
        for given in rows:
            drawn, there, row = placed(wish, given, y, row)
            items += drawn
            cells += there
            y += given.height(wish)
    return Page(1, None, (), tuple(cells), tuple(items))


def _cut(wish: SheetWish, y: float) -> Line:
    return Line(np.array([[0.0, y], [SIZES_MM[wish.paper][0], y]]), 0.25, Look.SOFT, DASH_MM)


def _head(wish: SheetWish, y: float) -> Iterator[Item]:
    yield Words((SIDE_MM, y), 5.0, wish.title, bold=True)
    yield from fields(wish, SIZES_MM[wish.paper][0] - SIDE_MM, y)
    yield from for_the_grown_up(wish, y + HOME_LINE_MM)
