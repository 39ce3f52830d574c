"""Photographs of a sheet read back: page by page, cell by cell, judged by the checker."""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import asdict, dataclass
from functools import cached_property
from typing import Any

from firstloop.core.checking.on_paper import CellState, check_on_paper
from firstloop.core.contract import Stage
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Handedness, Task
from firstloop.core.letters import HANDS, Hand
from firstloop.core.letters.style import Style, hand_of
from firstloop.core.sheets.marks import PageCode
from firstloop.core.sheets.wish import Mode
from firstloop.formats.ink_json import strokes_of
from firstloop.formats.pictures import Grey, as_jpeg, pages_in, shrunk
from firstloop.formats.result_json import as_json
from firstloop.formats.sheet_cells import SheetCells, SheetPage, read_cells
from firstloop.scan.cells import CellInk, cells_in, measures_of
from firstloop.scan.page import PX_PER_MM, SAYS, FlatPage, Problem, Seen, flattened, marks_in
from firstloop.scan.signs import Printed, off_the_dots

Told = dict[str, Any]
"""What is told of a page or of a cell, in the words of the contract."""

OF_A_CHECK = ("reads_as", "verdict", "findings", "say", "letters", "marks")


@dataclass(frozen=True, slots=True)
class Writer:
    """By what is judged who wrote on a page."""

    handedness: Handedness = Handedness.RIGHT
    stage: Stage = Stage.DEVELOPING


@dataclass(frozen=True)
class Asked:
    """A sheet as it is to be read: where its cells are, in which style it was to be written (None:
    in the sheet's own hand), and by whom."""

    cells: SheetCells
    style: Style | None = None
    writer: Writer = Writer()

    @cached_property
    def written_in(self) -> Style:
        """The style it is judged by."""
        return self.style or Style(self.cells.hand)

    @cached_property
    def printed(self) -> Printed:
        """What stands on it in print."""
        hand: Hand = hand_of(self.style) if self.style else HANDS[self.cells.hand]
        return Printed(hand, self.cells.ruling, self.cells.ruled)


@dataclass(frozen=True, slots=True, eq=False)
class ReadPage:
    """What a picture of a page gave: the answer, in the words of the contract; the lines of each
    written cell, by row and cell; and the page laid flat, None where none was found."""

    answer: Told
    inks: dict[tuple[int, int], list[Told]]
    flat: Grey | None

    @property
    def size_mm(self) -> tuple[float, float] | None:
        """Of the page that was laid flat."""
        if self.flat is None:
            return None
        height, width = (side / PX_PER_MM for side in self.flat.shape)
        return width, height


def read_files(
    files: Iterable[tuple[str, Callable[[], bytes]]], cells: SheetCells, own: Hand | None = None
) -> Iterator[Told]:
    """An answer for each page of files, in their order, each opened when it is come to; what is
    wrong with a file is an answer too. A page that comes again is told of, and its cells are
    not. `own` is the hand of a sheet in none of ours."""
    seen = set[tuple[int, int | None]]()
    asked = Asked(cells, Style(own.name, own=own) if own else None)
    for name, content in files:
        try:
            for picture in pages_in(content()):
                yield read_page(name, picture, marks_in(picture), asked, seen).answer
        except FirstLoopError as fault:
            yield {"file": name, "error": str(fault)}


@dataclass(frozen=True, slots=True, eq=False)
class OfASheet:
    """A picture of a page of a sheet that is kept: all that a process of its own needs to know."""

    file: str
    picture: Grey
    found: list[Seen]
    cells: bytes
    style: Style
    writer: Writer


def read_kept(one: OfASheet) -> tuple[ReadPage, bytes | None]:
    """The page read, and its picture as JPEG."""
    asked = Asked(read_cells(one.cells, one.style.hand), one.style, one.writer)
    read = read_page(one.file, one.picture, one.found, asked, set())
    return read, None if read.flat is None else as_jpeg(read.flat)


def read_page(
    name: str, picture: Grey, found: list[Seen], asked: Asked, seen: set[tuple[int, int | None]]
) -> ReadPage:
    """A picture in which these marks were found, read; `seen` are pages that came before."""
    cells = asked.cells
    flat = flattened(picture, found, cells.size_mm, cells.pages[0].marks)
    if flat is None:
        return _nothing(name, None, [Problem.NOT_A_SHEET])
    page = _which(flat.code, cells)
    if flat.code is not None and flat.code.sheet != cells.sheet:
        return _nothing(name, flat, [Problem.OTHER_SHEET])
    problems = list(flat.problems)
    if page is None:
        return _nothing(name, flat, [*problems, Problem.MARK_MISSING])
    if (page.page, page.pupil) in seen:
        return ReadPage(_answer(name, flat, page, cells, [*problems, Problem.PAGE_TWICE]), {}, None)
    seen.add((page.page, page.pupil))
    told_of: list[Told] = []
    inks: dict[tuple[int, int], list[Told]] = {}
    for one in cells_in(flat.picture, page.cells, asked.printed):
        told, strokes = cell_told(one, asked)
        told_of.append(told)
        if strokes:
            inks[one.cell.row, one.cell.cell] = strokes
    answer = _answer(name, flat, page, cells, problems)
    return ReadPage(answer | {"cells": told_of}, inks, flat.picture)


def no_sheet(name: str, code: PageCode | None, picture: Grey) -> tuple[ReadPage, bytes | None]:
    """The answer for a picture of no sheet that is known. Where no marks are on it, it is kept as
    it was taken, but for its size: its teacher may mark the rows of a notebook on it."""
    if code is not None:
        return _nothing(name, None, [Problem.OTHER_SHEET]), None
    flat = shrunk(picture)
    return ReadPage(_answer(name, None, None, None, [Problem.NOT_A_SHEET]), {}, flat), as_jpeg(flat)


def _which(code: PageCode | None, cells: SheetCells) -> SheetPage | None:
    """The page that a picture says it is; of a sheet of one page that one."""
    if code is None:
        return cells.pages[0] if len(cells.pages) == 1 else None
    asked = (code.page, code.pupil)
    return next((one for one in cells.pages if (one.page, one.pupil) == asked), None)


def _nothing(name: str, flat: FlatPage | None, problems: list[Problem]) -> ReadPage:
    return ReadPage(_answer(name, flat, None, None, problems), {}, flat.picture if flat else None)


def _answer(
    name: str,
    flat: FlatPage | None,
    page: SheetPage | None,
    cells: SheetCells | None,
    problems: list[Problem],
) -> Told:
    code = flat.code if flat else None
    return {
        "file": name,
        "page": page.page if page else (code.page if code else None),
        "sheet": code.sheet if code else (cells.sheet if page and cells else None),
        "pupil": page.pupil if page else (code.pupil if code else None),
        "problems": [{"code": one.value, "say": SAYS[one]} for one in dict.fromkeys(problems)],
        "cells": [],
    }


def cell_told(found: CellInk, asked: Asked) -> tuple[Told, list[Told]]:
    """What stands in a cell; and its lines, where it is to be judged."""
    cell = found.cell
    told: Told = {
        "row": cell.row,
        "cell": cell.cell,
        "target": cell.target,
        "kind": cell.kind.value,
        "box_mm": [round(one, 2) for one in cell.box],
        "mode": cell.mode.value,
        "state": CellState.EMPTY.value,
        "chosen": False,
    }
    if found.image is None:
        return told, []
    try:
        seen = found.image.seen()
        if cell.mode is Mode.TRACE:
            kept = off_the_dots(seen, found.left_mm, cell, asked.printed)
            told["state"] = CellState.WRITTEN.value
            return told if kept is None else told | {"kept_u": kept}, []
        task = Task(cell.target, cell.kind, asked.writer.handedness, asked.writer.stage)
        result = check_on_paper(seen, task, asked.written_in, asked.cells.ruling)
    except FirstLoopError as fault:
        return told | {"state": CellState.UNREADABLE.value, "why": str(fault)}, []
    told |= {"state": result.state.value, "chosen": result.chosen}
    measures = measures_of(found.image, seen, result.ink)
    told["measures"] = {f"{name}_u": value for name, value in asdict(measures).items()}
    strokes = strokes_of(result.ink.ink)
    if result.result is None:
        return told, strokes
    judged = as_json(result.result)
    return told | {name: judged[name] for name in OF_A_CHECK if name in judged}, strokes
