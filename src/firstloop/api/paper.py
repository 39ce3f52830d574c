"""Check, paper: photographs of sheets brought in, the pages that were read of them, and what is
said of these before they go into the record."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Body, Path, Query, Response
from pydantic import Field, StrictBool, StringConstraints

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, PaperIsRead, Record
from firstloop.api.door import LARGEST_PHOTO
from firstloop.api.sent import LONGEST_NAME, Id, PathId, Sent
from firstloop.core.checking.on_paper import CellState
from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.task import Kind
from firstloop.core.plain_text import ON_A_LINE
from firstloop.core.sheets.wish import Mode
from firstloop.services import paper_pages
from firstloop.store import paper
from firstloop.store.records import PaperPageRecord

router = APIRouter(prefix="/api/check/paper", tags=["paper"])

MOST_PLACES = 1000
"""Rows of a page, and cells of a row: there are never so many."""

MOST_MM = 500.0
"""Of a page as it is shown."""

LONGEST_TEXT = 80
"""Characters of what was to be written on a row."""

Place = Annotated[int, Path(ge=0, lt=MOST_PLACES)]
FileName = Annotated[str, Query(min_length=1, max_length=LONGEST_NAME, pattern=ON_A_LINE)]
Photo = Annotated[bytes, Body(media_type="application/octet-stream", min_length=1)]


class PageProblem(Answer):
    """What is wrong with a page, and what to do."""

    code: str
    say: str


class PageOut(Answer):
    """A page that was read: of which file, sheet and page, whose it is, what is wrong, how many of
    its cells are written, struck out, empty and not readable, and since when it is in the
    record. `is_notebook`: it has no marks, and its rows are marked by hand."""

    id: int
    file: str
    title: str | None
    sheet: str | None
    page: int | None
    pupil_id: int | None
    came_at: datetime
    problems: list[PageProblem]
    states: dict[CellState, int]
    kept_at: datetime | None
    is_notebook: bool


class PaperOut(Answer):
    """How many files wait to be read, and the pages that were."""

    waiting: int
    pages: list[PageOut]


class CellOut(Answer):
    """A cell of a page: where it is (left, top, right, bottom; mm), what was to be written, what
    stands there and what there is to say of it; of what was traced how far (u) it is from the
    dots on average."""

    row: int
    cell: int
    target: str
    kind: Kind
    mode: Mode
    box_mm: tuple[float, float, float, float]
    state: CellState
    chosen: bool
    why: str | None = None
    reads_as: str | None = None
    verdict: dict[Dimension, Verdict] | None = None
    say: str | None = None
    kept_u: float | None = None


class PageInFull(PageOut):
    """A page with its cells; its size (mm), where its picture is there to be looked at."""

    size_mm: tuple[float, float] | None
    cells: list[CellOut]


class PageOfIn(Sent):
    """Whose a page is; null: it is not known."""

    pupil_id: Id | None


class CellIn(Sent):
    """What stands in a cell after all."""

    state: CellState


class Spot(Sent):
    """A place on the page as it is shown, mm."""

    x: Annotated[float, Field(ge=0.0, le=MOST_MM)]
    y: Annotated[float, Field(ge=0.0, le=MOST_MM)]


class RowIn(Sent):
    """A row of a page without marks: the ends of its base line, how far (mm) the mid line is from
    it, what was to be written (of a letter a row of it), and whether from memory."""

    begin: Spot
    end: Spot
    x_height: Annotated[float, Field(gt=0.0, le=MOST_MM)]
    target: Annotated[
        str,
        StringConstraints(
            strip_whitespace=True, min_length=1, max_length=LONGEST_TEXT, pattern=ON_A_LINE
        ),
    ]
    from_memory: StrictBool = False


class TakeIn(Sent):
    """Whether the picture of the page stays."""

    keep_picture: StrictBool


class TakenOut(Answer):
    """How many letters and texts went into the record, and how many cells could not be judged."""

    letters: int
    texts: int
    left_out: int


@router.get("")
def get_paper(session: Db, school_class: Class) -> PaperOut:
    """What waits, and what was read."""
    return PaperOut(
        waiting=paper.waiting(session, school_class.id),
        pages=[_page(one) for one in paper.pages(session, school_class.id)],
    )


@router.post("/photos", status_code=202, max_body_size=LARGEST_PHOTO)
def post_photo(  # noqa: PLR0917  # a file, its name, and where it goes
    record: Record, reader: PaperIsRead, school_class: Class, name: FileName, photo: Photo, now: Now
) -> None:
    """Takes a file of photographs or a scan; its pages are there when they are read."""
    paper_pages.bring(record, school_class.id, name, photo, now)
    reader.wake()


@router.delete("/photos", status_code=204)
def delete_photos(record: Record, school_class: Class) -> None:
    """Lets go of all files that wait."""
    paper_pages.cancel(record, school_class.id)


@router.get("/pages/{page_id}")
def get_page(session: Db, school_class: Class, page_id: PathId) -> PageInFull:
    """A page with its cells."""
    return _in_full(paper.page(session, school_class.id, page_id))


@router.get("/pages/{page_id}/picture", response_class=Response)
def get_picture(session: Db, school_class: Class, page_id: PathId) -> Response:
    """The page, laid flat."""
    return Response(paper.picture_of(session, school_class.id, page_id), media_type="image/jpeg")


@router.put("/pages/{page_id}/pupil")
def put_page_pupil(
    record: Record, school_class: Class, page_id: PathId, sent: PageOfIn
) -> PageInFull:
    """Says whose the page is."""
    return _in_full(paper_pages.assign(record, school_class.id, page_id, sent.pupil_id))


@router.put("/pages/{page_id}/cells/{row}/{cell}")
def put_cell(  # noqa: PLR0917  # which cell of which page
    record: Record, school_class: Class, page_id: PathId, row: Place, cell: Place, sent: CellIn
) -> PageInFull:
    """Says what stands in a cell after all."""
    place = row, cell
    return _in_full(paper_pages.correct(record, school_class.id, page_id, place, sent.state))


@router.post("/pages/{page_id}/rows", status_code=201)
def post_row(record: Record, school_class: Class, page_id: PathId, sent: RowIn) -> PageInFull:
    """Reads a row of a page without marks, where it was marked."""
    from firstloop.services import notebook  # noqa: PLC0415  # slow to load

    asked = notebook.RowAsked(
        (sent.begin.x, sent.begin.y),
        (sent.end.x, sent.end.y),
        sent.x_height,
        sent.target,
        sent.from_memory,
    )
    return _in_full(notebook.read_row(record, school_class, page_id, asked))


@router.delete("/pages/{page_id}/rows/{row}")
def delete_row(record: Record, school_class: Class, page_id: PathId, row: Place) -> PageInFull:
    """Lets go of a row that was marked."""
    from firstloop.services import notebook  # noqa: PLC0415  # slow to load

    return _in_full(notebook.take_back_row(record, school_class.id, page_id, row))


@router.post("/pages/{page_id}/take")
def post_page(
    record: Record, school_class: Class, page_id: PathId, sent: TakeIn, now: Now
) -> TakenOut:
    """Takes into the record what is written on the page."""
    done = paper_pages.take_page(record, school_class, page_id, now, keep_picture=sent.keep_picture)
    return TakenOut.model_validate(done, from_attributes=True)


@router.delete("/pages/{page_id}", status_code=204)
def delete_page(record: Record, school_class: Class, page_id: PathId) -> None:
    """Deletes the page and its picture; what went into the record stays there."""
    paper_pages.remove(record, school_class.id, page_id)


def _page(one: PaperPageRecord) -> PageOut:
    return PageOut(
        id=one.id,
        file=one.file,
        title=one.sheet.title if one.sheet else None,
        sheet=one.sheet.name if one.sheet else None,
        page=one.page,
        pupil_id=one.pupil_id,
        came_at=one.came_at,
        problems=[PageProblem.model_validate(problem) for problem in one.problems],
        states={
            state: sum(cell["state"] == state.value for cell in one.cells) for state in CellState
        },
        kept_at=one.kept_at,
        is_notebook=one.sheet is None and bool(one.size_mm or one.cells),
    )


def _in_full(one: PaperPageRecord) -> PageInFull:
    return PageInFull(
        **_page(one).model_dump(),
        size_mm=one.size_mm,
        cells=[CellOut.model_validate(cell) for cell in one.cells],
    )
