"""The sheet of a lesson: its pages to be looked at, and as PDF to be printed."""

from collections.abc import Sequence
from typing import Annotated

from fastapi import APIRouter, Depends, Path, Response

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Record
from firstloop.api.sent import PathId
from firstloop.core.sheets.pages import Sheet
from firstloop.core.sheets.wish import Paper
from firstloop.services.sheets import SheetAsked, Sheets, of_lesson, print_lesson
from firstloop.store.records import NotInRecordError

router = APIRouter(prefix="/api/plan/lessons/{lesson_id}", tags=["plan"])

PDF, SVG = "application/pdf", "image/svg+xml"
MOST_PAGES = 2000
"""Of sixty children, with as many pages each as there can be, no more are looked at one by one."""


class SheetPagesOut(Answer):
    """How many pages a sheet has, and for how many children it is (0: one for all)."""

    pages: int
    children: int


def _asked(
    home: bool = False,
    paper: Paper = Paper.A4,
    left: bool = False,
    each: bool = False,
    week: bool = False,
) -> SheetAsked:
    return SheetAsked(home, paper, left, each, week)


Asked = Annotated[SheetAsked, Depends(_asked)]


@router.get("/sheet")
def get_sheet(session: Db, school_class: Class, lesson_id: PathId, asked: Asked) -> SheetPagesOut:
    """What the sheet of a lesson comes to."""
    return pages_out(of_lesson(session, school_class, lesson_id, asked))


@router.get("/sheet/pdf", response_class=Response)
def get_sheet_pdf(record: Record, school_class: Class, lesson_id: PathId, asked: Asked) -> Response:
    """All of it, to be printed, and to be read back from photographs."""
    return pdf_out(print_lesson(record, school_class, lesson_id, asked))


PageNumber = Annotated[int, Path(ge=1, le=MOST_PAGES)]


@router.get("/sheet/pages/{page}", response_class=Response)
def get_sheet_page(
    session: Db, school_class: Class, lesson_id: PathId, page: PageNumber, asked: Asked
) -> Response:
    """A page of it as it is printed, as SVG."""
    return page_out(of_lesson(session, school_class, lesson_id, asked), page)


def pages_out(made: Sheets) -> SheetPagesOut:
    """What sheets come to."""
    return SheetPagesOut(
        pages=sum(len(sheet.pages) for sheet in made.sheets), children=len(made.pupils)
    )


def pdf_out(sheets: Sequence[Sheet]) -> Response:
    """All of them, to be printed."""
    from firstloop.paper.sheet_pdf import sheets_pdf  # noqa: PLC0415  # PDF is slow to load

    named = {"Content-Disposition": 'inline; filename="sheet.pdf"'}
    return Response(sheets_pdf(sheets), media_type=PDF, headers=named)


def page_out(made: Sheets, page: int) -> Response:
    """One of their pages, as SVG; raises NotInRecordError."""
    from firstloop.formats.sheet_svg import page_svg  # noqa: PLC0415  # seldom asked for

    pages = [(sheet, one) for sheet in made.sheets for one in sheet.pages]
    if page > len(pages):
        raise NotInRecordError(f"the sheet has {len(pages)} pages; there is no page {page}")
    return Response(page_svg(*pages[page - 1]), media_type=SVG)
