"""Photographs of a sheet read back: page by page, cell by cell, judged by the checker."""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import asdict

from firstloop.core.checking.on_paper import State, check_on_paper
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Task
from firstloop.core.letters import HANDS
from firstloop.core.letters.style import Style
from firstloop.core.sheets.wish import Mode
from firstloop.formats.pictures import Grey, pages_in
from firstloop.formats.result_json import Answer, as_json
from firstloop.formats.sheet_cells import SheetCells, SheetPage
from firstloop.scan.cells import CellInk, cells_in, measures_of
from firstloop.scan.page import SAYS, FlatPage, Problem, flattened
from firstloop.scan.signs import Printed, off_the_dots

OF_A_CHECK = ("reads_as", "verdict", "findings", "say", "letters", "marks")


def read_files(
    files: Iterable[tuple[str, Callable[[], bytes]]], cells: SheetCells
) -> Iterator[Answer]:
    """An answer for each page of files, in their order, each opened when it is come to; what is
    wrong with a file is an answer too. A page that comes again is told of, and its cells are
    not."""
    seen = set[tuple[int, int | None]]()
    for name, content in files:
        try:
            for picture in pages_in(content()):
                yield _page(name, picture, cells, seen)
        except FirstLoopError as fault:
            yield {"file": name, "error": str(fault)}


def _page(name: str, picture: Grey, cells: SheetCells, seen: set[tuple[int, int | None]]) -> Answer:
    flat = flattened(picture, cells.size_mm, cells.pages[0].marks)
    if flat is None:
        return _answer(name, None, None, cells, [Problem.NOT_A_SHEET], [])
    page = _which(flat, cells)
    if flat.code is not None and flat.code.sheet != cells.sheet:
        return _answer(name, flat, None, cells, [Problem.OTHER_SHEET], [])
    problems = list(flat.problems)
    if page is None:
        return _answer(name, flat, None, cells, [*problems, Problem.MARK_MISSING], [])
    if (page.page, page.pupil) in seen:
        return _answer(name, flat, page, cells, [*problems, Problem.PAGE_TWICE], [])
    seen.add((page.page, page.pupil))
    found = cells_in(flat.picture, page.cells, _printed(cells))
    return _answer(name, flat, page, cells, problems, [_cell(one, cells) for one in found])


def _which(flat: FlatPage, cells: SheetCells) -> SheetPage | None:
    """The page that a picture says it is; of a sheet of one page that one."""
    if flat.code is None:
        return cells.pages[0] if len(cells.pages) == 1 else None
    asked = (flat.code.page, flat.code.pupil)
    return next((one for one in cells.pages if (one.page, one.pupil) == asked), None)


def _answer(  # noqa: PLR0917  # all that is told of a page
    name: str,
    flat: FlatPage | None,
    page: SheetPage | None,
    cells: SheetCells,
    problems: list[Problem],
    read: list[Answer],
) -> Answer:
    code = flat.code if flat else None
    return {
        "file": name,
        "page": page.page if page else (code.page if code else None),
        "sheet": code.sheet if code else (cells.sheet if page else None),
        "pupil": page.pupil if page else (code.pupil if code else None),
        "problems": [{"code": one.value, "say": SAYS[one]} for one in dict.fromkeys(problems)],
        "cells": read,
    }


def _printed(cells: SheetCells) -> Printed:
    return Printed(HANDS[cells.hand], cells.ruling, cells.ruled)


def _cell(found: CellInk, cells: SheetCells) -> Answer:
    cell = found.cell
    told: Answer = {
        "row": cell.row,
        "cell": cell.cell,
        "target": cell.target,
        "mode": cell.mode.value,
        "state": State.EMPTY.value,
        "chosen": False,
    }
    if found.image is None:
        return told
    try:
        seen = found.image.seen()
        if cell.mode is Mode.TRACE:
            kept = off_the_dots(seen, found.left_mm, cell, _printed(cells))
            return (
                told | {"state": State.WRITTEN.value} | ({} if kept is None else {"kept_u": kept})
            )
        task = Task(cell.target, cell.kind)
        result = check_on_paper(seen, task, Style(cells.hand), cells.ruling)
    except FirstLoopError as fault:
        return told | {"state": State.UNREADABLE.value, "why": str(fault)}
    told |= {"state": result.state.value, "chosen": result.chosen}
    measures = measures_of(found.image, seen, result.ink)
    told["measures"] = {f"{name}_u": value for name, value in asdict(measures).items()}
    if result.result is None:
        return told
    judged = as_json(result.result)
    return told | {name: judged[name] for name in OF_A_CHECK if name in judged}
