"""Pages without marks, of a notebook say: their teacher marks a row's lines on the photograph and
says what was to be written, and the row is read as one of a sheet is."""

from dataclasses import dataclass, replace
from typing import Any

from firstloop.core.evidence.image import LetterImage
from firstloop.core.evidence.task import Kind
from firstloop.core.sheets.pages import Cell
from firstloop.core.sheets.wish import Mode
from firstloop.formats.pictures import pages_in
from firstloop.formats.sheet_cells import SheetCells
from firstloop.scan.cells import CellInk
from firstloop.scan.page import PX_PER_MM
from firstloop.scan.row import U_PX, MarkedRow, RowError, RowPiece, StraightRow, straight_row
from firstloop.services.paper_pages import PageError, require_open
from firstloop.services.reading_kept import writer_of
from firstloop.services.reading_paper import Asked, cell_told
from firstloop.store import paper
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError, PaperPageRecord

MOST_ROWS = 40
"""Of a page: a notebook has half as many."""

Point = tuple[float, float]


@dataclass(frozen=True, slots=True)
class RowAsked:
    """A row as it was marked, in mm of the page as it is shown: the ends of its base line, how far
    the mid line is from it; what was to be written (of a letter, a row of it), and whether from
    memory."""

    begin: Point
    end: Point
    x_height: float
    target: str
    from_memory: bool = False


def read_row(
    record: Database, school_class: ClassRecord, page_id: int, asked: RowAsked
) -> PaperPageRecord:
    """The page with the row read; raises NotInRecordError, PageError, and RowError where what was
    marked is no row, or nothing is written on it."""
    with record.session() as session:
        page = _without_marks(paper.page(session, school_class.id, page_id))
        picture = paper.picture_of(session, school_class.id, page_id)
        writer = writer_of(session, school_class, page.pupil_id)
    (grey,) = pages_in(picture)
    (x, y), (x_end, y_end) = asked.begin, asked.end
    marked = MarkedRow(
        (x * PX_PER_MM, y * PX_PER_MM),
        (x_end * PX_PER_MM, y_end * PX_PER_MM),
        asked.x_height * PX_PER_MM,
    )
    ruling, style = school_class.ruling, school_class.style
    straight = straight_row(grey, marked, ruling)
    kind = Kind.of(asked.target)
    pieces = [*straight.parted()] if kind is Kind.LETTER else [straight.whole()]
    if not any(piece.ink.any() for piece in pieces):
        raise RowError("nothing is seen on this line; mark the line that the writing stands on")
    lines = SheetCells("", (0.0, 0.0), style.hand, ruling, (), ())
    as_asked = Asked(lines, style, writer)
    mode = Mode.RECALL if asked.from_memory else Mode.OWN
    found = [
        _told(piece, Cell(0, at, asked.target, kind, mode, _box(piece), {}), straight, as_asked)
        for at, piece in enumerate(pieces)
    ]
    with record.writing() as session:
        page = _without_marks(paper.page(session, school_class.id, page_id))
        row = 1 + max((cell["row"] for cell in page.cells), default=-1)
        if row >= MOST_ROWS:
            raise PageError(f"{MOST_ROWS} rows of this page are read already")
        read = tuple(cell | {"row": row} for cell in found)
        changed = replace(page, cells=(*page.cells, *read))
        paper.change_page(session, school_class.id, changed)
        return changed


def take_back_row(record: Database, class_id: int, page_id: int, row: int) -> PaperPageRecord:
    """The page without a row that was read; raises NotInRecordError and PageError."""
    with record.writing() as session:
        page = _without_marks(paper.page(session, class_id, page_id))
        kept = tuple(cell for cell in page.cells if cell["row"] != row)
        if len(kept) == len(page.cells):
            raise NotInRecordError(f"the page has no row {row}")
        changed = replace(page, cells=kept)
        paper.change_page(session, class_id, changed)
        return changed


def _without_marks(page: PaperPageRecord) -> PaperPageRecord:
    if page.sheet is not None or page.size_mm is None:
        raise PageError("rows are marked on photographs of pages that are no sheets")
    return require_open(page)


def _told(piece: RowPiece, cell: Cell, straight: StraightRow, asked: Asked) -> dict[str, Any]:
    """What stands in a piece of the row, in the words of a page that was read."""
    image = LetterImage(piece.ink, straight.base_px, U_PX) if piece.ink.any() else None
    told, strokes = cell_told(CellInk(cell, image, 0.0), asked)
    return told | {"ink": strokes}


def _box(piece: RowPiece) -> tuple[float, float, float, float]:
    """Where it is on the page, mm."""
    (left, top), (right, bottom) = piece.corners.min(axis=0), piece.corners.max(axis=0)
    return left / PX_PER_MM, top / PX_PER_MM, right / PX_PER_MM, bottom / PX_PER_MM
