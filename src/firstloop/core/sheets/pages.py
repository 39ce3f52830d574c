"""A sheet as pages: its cells, and all that is drawn. All in mm from a page's top left corner, y
downwards."""

from dataclasses import dataclass

from firstloop.core.evidence.task import Kind
from firstloop.core.letters.ruling import Line as Ruled
from firstloop.core.sheets.items import Item
from firstloop.core.sheets.wish import Mode, SheetWish


@dataclass(frozen=True, slots=True)
class Cell:
    """A place to write in: which row and cell of its page, what is to be written there, and where:
    left, top, right, bottom; and the heights of its lines, by their names. `begin` is where the
    dots or the start to write on begin, None where there are none; `uprights` are the lines that
    are ruled across it, of squares or of boxes for sounds."""

    row: int
    cell: int
    target: str
    kind: Kind
    mode: Mode
    box: tuple[float, float, float, float]
    lines: dict[Ruled, float]
    begin: float | None = None
    uprights: tuple[float, ...] = ()


@dataclass(frozen=True, slots=True, eq=False)
class Page:
    """A page: its number and whose it is, the middles of its corner marks, its cells, and all that
    is drawn. A page for the adult has no cells."""

    page: int
    pupil: int | None
    marks: tuple[tuple[float, float], ...]
    cells: tuple[Cell, ...]
    items: tuple[Item, ...]


@dataclass(frozen=True, slots=True, eq=False)
class Sheet:
    """A sheet, ready to be drawn."""

    name: str
    wish: SheetWish
    pages: tuple[Page, ...]
