"""The pages of a file of photographs, each read by the sheet that it says it is of."""

from collections.abc import Iterator
from concurrent.futures import Executor, Future
from dataclasses import dataclass, replace
from itertools import islice

from firstloop.core.errors import FirstLoopError
from firstloop.formats.pictures import pages_in
from firstloop.scan.page import SAYS, Problem, code_in, marks_in
from firstloop.services.reading_paper import OfASheet, ReadPage, Writer, no_sheet, read_kept
from firstloop.store import classes, paper, pupils
from firstloop.store.database import Database, Session
from firstloop.store.records import (
    ClassRecord,
    PaperPageRecord,
    PaperPhotoRecord,
    PrintedSheetRecord,
)

AHEAD = 3
"""Pages that are opened before they are read: a picture takes 12 MB."""

Read = tuple[ReadPage, bytes | None]
Job = tuple[PrintedSheetRecord | None, "Future[Read]"]


@dataclass(frozen=True, slots=True, eq=False)
class Found:
    """A page to be kept, and its picture."""

    page: PaperPageRecord
    picture: bytes | None


def read(
    record: Database,
    photo: PaperPhotoRecord,
    content: bytes,
    executor: Executor,
) -> list[Found]:
    """What the pages of a file gave, in their order; what is wrong with the file is told in the
    place of the first page that cannot be read."""
    with record.session() as session:
        school_class = classes.get(session, photo.class_id)
    jobs = _jobs(record, school_class, photo, content, executor)
    found: list[Found] = []
    begun: list[Job] = []
    try:
        while begun := [*begun, *islice(jobs, AHEAD - len(begun))]:
            sheet, future = begun.pop(0)
            found.append(_found(photo, sheet, future.result()))
    except FirstLoopError as fault:
        return [*found, untold(photo, str(fault))]
    return found


def keep(record: Database, photo: PaperPhotoRecord, found: list[Found]) -> None:
    """The pages of a file in its place, unless it was taken back meanwhile."""
    with record.writing() as session:
        if not paper.forget_photo(session, photo.class_id, photo.id):
            return
        for one in found:
            once = _once(session, photo.class_id, one)
            paper.add_page(session, photo.class_id, once.page, once.picture)
    record.clear_log()


def _jobs(
    record: Database,
    school_class: ClassRecord,
    photo: PaperPhotoRecord,
    content: bytes,
    executor: Executor,
) -> Iterator[Job]:
    """The pages of a file, each with its sheet, as they are given to who reads them."""
    for picture in pages_in(content):
        marks = marks_in(picture)
        code = code_in(marks)
        with record.session() as session:
            sheet = paper.sheet_named(session, school_class.id, code.sheet) if code else None
            if sheet is None:
                done: Future[Read] = Future()
                done.set_result(no_sheet(photo.name, code, picture))
                yield None, done
                continue
            cells = paper.cells_of(session, school_class.id, sheet.name)
            writer = writer_of(session, school_class, _whose(sheet, code.pupil if code else None))
        style = sheet.style or school_class.style
        asked = OfASheet(photo.name, picture, marks, cells, style, writer)
        yield sheet, executor.submit(read_kept, asked)


def _whose(sheet: PrintedSheetRecord, number: int | None) -> int | None:
    """The child that a number on a sheet stands for."""
    return sheet.pupils[number - 1] if number and number <= len(sheet.pupils) else None


def writer_of(session: Session, school_class: ClassRecord, pupil_id: int | None) -> Writer:
    """By what a child of a class is judged on paper; whoever it is, where that is not known."""
    if pupil_id is None:
        return Writer(stage=school_class.stage)
    pupil = pupils.get(session, school_class.id, pupil_id)
    return Writer(pupil.handedness, pupil.gets.stage or school_class.stage)


def _found(photo: PaperPhotoRecord, sheet: PrintedSheetRecord | None, read: Read) -> Found:
    page, picture = read
    answer = page.answer
    cells = [
        cell | {"ink": page.inks.get((cell["row"], cell["cell"]), [])} for cell in answer["cells"]
    ]
    return Found(
        PaperPageRecord(
            sheet=sheet,
            pupil_id=_whose(sheet, answer["pupil"]) if sheet else None,
            file=photo.name,
            page=answer["page"],
            came_at=photo.came_at,
            problems=tuple(answer["problems"]),
            cells=tuple(cells),
            size_mm=page.size_mm,
        ),
        picture,
    )


def untold(photo: PaperPhotoRecord, why: str) -> Found:
    """A file, or the rest of one, that cannot be read."""
    problem = {"code": "unreadable", "say": why[:1].upper() + why[1:]}
    return Found(PaperPageRecord(None, None, photo.name, None, photo.came_at, (problem,), ()), None)


def _once(session: Session, class_id: int, one: Found) -> Found:
    """A page that was read before counts once: of another picture of it only that is told,
    unless it is the better one."""
    before = paper.same_page(session, class_id, one.page)
    if before is None:
        return one
    if before.kept_at is None and len(one.page.problems) < len(before.problems):
        paper.remove_page(session, class_id, before.id)
        return one
    twice = {"code": Problem.PAGE_TWICE.value, "say": SAYS[Problem.PAGE_TWICE]}
    page = replace(one.page, problems=(*one.page.problems, twice), cells=())
    return Found(page, None)
