"""Where the cells of a sheet are, read from its JSON (written by `sheet_spec.cells_json`)."""

from dataclasses import dataclass
from typing import Annotated

import msgspec

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Kind
from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Line, Ruling
from firstloop.core.sheets.pages import Cell
from firstloop.core.sheets.wish import SIZES_MM, Mode, Paper

MOST_MM = 500.0
Mm = Annotated[float, msgspec.Meta(ge=0.0, le=MOST_MM)]


class CellsError(FirstLoopError):
    """A file that does not say where the cells of a sheet are."""


class _Cell(msgspec.Struct):
    row: int
    cell: int
    target: str
    mode: Mode
    box_mm: tuple[Mm, Mm, Mm, Mm]
    lines_mm: dict[Line, Mm]
    kind: Kind = Kind.LETTER
    begin_mm: Mm | None = None
    uprights_mm: list[Mm] = []


class _Page(msgspec.Struct):
    page: int
    marks_mm: Annotated[list[tuple[Mm, Mm]], msgspec.Meta(min_length=4, max_length=4)]
    cells: list[_Cell]
    pupil: int | None = None


class _Cells(msgspec.Struct):
    sheet: str
    paper: Paper
    x_height_mm: float
    pages: list[_Page]
    hand: str = "plain"
    left_handed: bool = False
    ruled: tuple[Line, ...] = (Line.BASE,)


@dataclass(frozen=True, slots=True)
class SheetPage:
    """A page of a sheet: its number, whose it is, its marks' middles and its cells; mm."""

    page: int
    pupil: int | None
    marks: tuple[tuple[float, float], ...]
    cells: tuple[Cell, ...]


@dataclass(frozen=True, slots=True)
class SheetCells:
    """The pages of a sheet as they are to be read: its name, the size of its paper, the hand that
    it is written in, the lines it is judged on, and which of these are seen."""

    sheet: str
    size_mm: tuple[float, float]
    hand: str
    ruling: Ruling
    ruled: tuple[Line, ...]
    pages: tuple[SheetPage, ...]


def read_cells(content: bytes, own: str | None = None) -> SheetCells:
    """The cells of a file, of a sheet in one of our hands or in one's own of that name; raises
    CellsError that says what is wrong and where."""
    try:
        found = msgspec.json.decode(content, type=_Cells)
    except msgspec.DecodeError as fault:
        raise CellsError(f"the cells: {fault}") from fault
    if found.hand not in {*HANDS, own}:
        raise CellsError(
            f'the cells: hand "{found.hand:.40}" is none; it may be {", ".join(HANDS)}'
        )
    cells = [cell for page in found.pages for cell in page.cells]
    if not cells or any(set(cell.lines_mm) != set(Line) for cell in cells):
        raise CellsError("the cells: each is to have the lines top, mid, base and drop")
    lines = cells[0].lines_mm
    ruling = Ruling.from_page(lines, x_height=lines[Line.BASE] - lines[Line.MID])
    return SheetCells(
        found.sheet,
        SIZES_MM[found.paper],
        found.hand,
        ruling,
        found.ruled,
        tuple(
            SheetPage(
                page.page,
                page.pupil,
                tuple(page.marks_mm),
                tuple(
                    Cell(
                        one.row,
                        one.cell,
                        one.target,
                        one.kind,
                        one.mode,
                        one.box_mm,
                        one.lines_mm,
                        one.begin_mm,
                        tuple(one.uprights_mm),
                    )
                    for one in page.cells
                ),
            )
            for page in found.pages
        ),
    )
