"""A wish as pages: where each row stands, which cells it has, and what is drawn. All in mm from the
page's top left corner, y downwards."""

from collections.abc import Iterator, Sequence
from dataclasses import replace

import numpy as np

from firstloop.core.sheets import marks
from firstloop.core.sheets.items import Item, Line, Look, Mark, Words
from firstloop.core.sheets.marks import PageCode
from firstloop.core.sheets.pages import Cell, Page, Sheet
from firstloop.core.sheets.placing import (
    HOME_LINE_MM,
    SIDE_MM,
    all_together,
    apart,
    fields,
    for_the_grown_up,
    placed,
)
from firstloop.core.sheets.strips import strip_page
from firstloop.core.sheets.wish import MOST_PAGES, SIZES_MM, Mode, SheetError, SheetWish

TOP_MM, BOTTOM_MM = 34.0, 27.0
"""Margins of what is written, below and above the marks; without marks there is more room below."""

MARK_MM = 13.0
"""From the page's edges to a mark's middle: nothing of it nearer than 8 mm."""

HEAD_MM = 22.0
"""Where the title stands."""

CORNER_MM = (70.0, 45.0)
"""Of the frame for a drawing."""

TO_READ_OUT = "To read out"


def laid_out(wish: SheetWish, name: str) -> Sheet:
    """The pages of a wish; raises SheetError for what does not fit, and UnknownLetterError."""
    whole = _pages(wish)
    if len(whole) > MOST_PAGES:
        raise SheetError(
            f"they fill {len(whole)} pages; at most {MOST_PAGES} are one sheet", "rows"
        )
    pages = [
        _finished(wish, name, page, pupil) for pupil in wish.pupils or (None,) for page in whole
    ]
    read_out = _to_read_out(wish, len(whole) + 1)
    return Sheet(name, wish, (*pages, *read_out))


def _pages(wish: SheetWish) -> list[Page]:
    """The pages of one pupil, without what says whose they are."""
    if wish.strips > 1:
        return [strip_page(wish)]
    width, height = SIZES_MM[wish.paper]
    bottom = height - (BOTTOM_MM if wish.readable else SIDE_MM)
    found: list[Page] = []
    items: list[Item] = []
    cells: list[Cell] = []
    y = start = TOP_MM + HOME_LINE_MM * len(wish.grown_up)

    def end_page() -> None:
        found.append(Page(len(found) + 1, None, (), tuple(cells), tuple(items)))
        items.clear()
        cells.clear()

    row = 0
    for given in all_together(wish):
        needed = given.height(wish)
        if y + needed - apart(wish) > bottom and y > start:
            end_page()
            y, row = start, 0
        if y + needed - apart(wish) > bottom:
            raise SheetError(
                f"at {wish.x_height_mm:g} mm no row fits the page; choose small letters of at most "
                f"{_largest(wish, bottom - start):.0f} mm",
                "x_height_mm",
            )
        drawn, there, row = placed(wish, given, y, row)
        items += drawn
        cells += there
        y += needed
    if wish.drawing_corner and bottom - y >= CORNER_MM[1]:
        items += _corner(width, bottom)
    end_page()
    return found


def _corner(width: float, bottom: float) -> Iterator[Item]:
    """A frame to draw in, where the last page has room."""
    (across, down), right = CORNER_MM, width - SIDE_MM
    frame = [(right - across, bottom - down), (right, bottom - down), (right, bottom)]
    frame += [(right - across, bottom), (right - across, bottom - down)]
    yield Line(np.array(frame), 0.3, Look.RULE, round=False)


def _largest(wish: SheetWish, room_mm: float) -> float:
    return room_mm / (wish.ruling.top - wish.ruling.drop)


def _finished(wish: SheetWish, name: str, page: Page, pupil: int | None) -> Page:
    """A page of a pupil, with what says which it is."""
    if wish.strips > 1:  # each has a head of its own, and what is cut apart has no corners
        return replace(page, pupil=pupil)
    corners = _corners(wish) if wish.readable else ()
    items = (*_head(wish, page.page), *page.items)
    if wish.readable:
        items = (*items, *_signs(wish, PageCode(name, page.page, pupil), corners))
    return replace(page, pupil=pupil, marks=corners, items=items)


def _corners(wish: SheetWish) -> tuple[tuple[float, float], ...]:
    width, height = SIZES_MM[wish.paper]
    return tuple((x, y) for y in (MARK_MM, height - MARK_MM) for x in (MARK_MM, width - MARK_MM))


def _signs(
    wish: SheetWish, code: PageCode, corners: Sequence[tuple[float, float]]
) -> Iterator[Item]:
    """The marks in the corners; and below, the code, with what it says in signs for people."""
    for number, at in zip(marks.CORNERS, corners, strict=True):
        yield Mark(at, marks.CORNER_MM, number)
    width, height = SIZES_MM[wish.paper]
    step = marks.CODE_MM + marks.CODE_APART_MM
    first = width / 2 - (marks.DIGITS - 1) / 2 * step
    for place, number in enumerate(marks.marks_of(code)):
        yield Mark((first + place * step, height - MARK_MM), marks.CODE_MM, number)
    whose = "" if code.pupil is None else f" · {code.pupil}"
    said = f"{code.sheet} · {code.page}{whose}"
    yield Words((first + marks.DIGITS * step, height - MARK_MM + 1.2), 3.2, said, Look.SOFT)


def _head(wish: SheetWish, page: int) -> Iterator[Item]:
    """The title, lines for name and date, and on the first page what the grown-up is told."""
    width, _ = SIZES_MM[wish.paper]
    left = SIDE_MM + (6.0 if wish.readable else 0.0)
    yield Words((left, HEAD_MM), 6.0, wish.title, bold=True)
    yield from fields(wish, width - left, HEAD_MM)
    if page == 1:
        yield from for_the_grown_up(wish, TOP_MM)


def _to_read_out(wish: SheetWish, number: int) -> tuple[Page, ...]:
    """What is heard and then written, on a page of its own for the adult."""
    heard = [row.text for row in wish.rows if row.mode is Mode.RECALL]
    if not heard:
        return ()
    items: list[Item] = [Words((SIDE_MM, HEAD_MM), 6.0, f"{TO_READ_OUT}: {wish.title}", bold=True)]
    items += [
        Words((SIDE_MM, TOP_MM + 9.0 * at), 5.0, f"{at + 1}.  {text}")
        for at, text in enumerate(heard)
    ]
    return (Page(number, None, (), (), tuple(items)),)
