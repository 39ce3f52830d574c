"""Sheets made by hand: row by row, looked at page by page, printed as PDF."""

from datetime import datetime
from typing import Annotated, Literal

from fastapi import APIRouter, Query, Response
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.plan.sheets import PageNumber, SheetPagesOut, page_out, pages_out, pdf_out
from firstloop.api.sent import LARGEST_ID, PathId, Sent, line
from firstloop.core.evidence.task import Kind
from firstloop.core.sheets.wish import (
    MOST_LINES,
    MOST_ROWS,
    MOST_STRIPS,
    MOST_TIMES,
    Mode,
    ModelAt,
    Paper,
)
from firstloop.formats.sheet_spec import LONGEST_TEXT, LONGEST_TITLE
from firstloop.services import own_sheets
from firstloop.services.own_sheets import Draft
from firstloop.store import own_sheets as kept_sheets
from firstloop.store.own_sheets import OwnSheetRecord

router = APIRouter(prefix="/api/plan/own-sheets", tags=["plan"])


Version = Annotated[
    int, Query(ge=0, le=LARGEST_ID, description="Any other number, and a browser asks anew.")
]


class SheetRow(Sent):
    """A row: what is written, how much of it is there, how often or on how many lines; the word
    that a sentence's model leaves out; where the model stands; a picture beside it; a box for each
    sound."""

    text: Annotated[str, line(LONGEST_TEXT)]
    mode: Mode
    kind: Kind | None = None
    times: Annotated[int, Field(ge=1, le=MOST_TIMES)] | None = None
    lines: Annotated[int, Field(ge=1, le=MOST_LINES)] = 1
    gap: Annotated[str, Field(max_length=LONGEST_TEXT)] = ""
    model: ModelAt | None = None
    picture: Annotated[str, Field(max_length=LONGEST_TITLE)] | None = None
    boxes: Literal["sounds"] | None = None


class OwnSheetIn(Sent):
    """A sheet. `week`: a row a day, with a box to tick; `strips`: all rows so often on a page, to
    be cut apart; of those nothing is read back."""

    title: Annotated[str, line(LONGEST_TITLE)]
    rows: Annotated[list[SheetRow], Field(min_length=1, max_length=MOST_ROWS)]
    paper: Paper = Paper.A4
    left_handed: bool = False
    date_line: bool = False
    drawing_corner: bool = False
    home: bool = False
    week: bool = False
    strips: Annotated[int, Field(ge=1, le=MOST_STRIPS)] = 1
    colours: Annotated[int, Field(ge=1, le=4)] = 1

    def draft(self) -> Draft:
        """As it is kept."""
        return Draft(self.title, self.model_dump_json(exclude_none=True))


class OwnSheetOut(OwnSheetIn):
    """A sheet as it is kept."""

    id: int


class OwnSheetName(Answer):
    """A sheet of the list."""

    id: int
    title: str
    changed_at: datetime


@router.get("")
def get_own_sheets(session: Db, school_class: Class) -> list[OwnSheetName]:
    """The sheets that were made by hand, the last changed first."""
    return [
        OwnSheetName(id=one.id, title=one.title, changed_at=one.changed_at)
        for one in kept_sheets.of_class(session, school_class.id)
    ]


@router.post("", status_code=201)
def post_own_sheet(record: Record, school_class: Class, now: Now, sent: OwnSheetIn) -> OwnSheetOut:
    """Keeps a new sheet."""
    return _out(own_sheets.add(record, school_class, sent.draft(), now))


@router.get("/{sheet_id}")
def get_own_sheet(session: Db, school_class: Class, sheet_id: PathId) -> OwnSheetOut:
    """A sheet as it was made."""
    return _out(kept_sheets.get(session, school_class.id, sheet_id))


@router.put("/{sheet_id}")
def put_own_sheet(
    record: Record, school_class: Class, now: Now, sheet_id: PathId, sent: OwnSheetIn
) -> OwnSheetOut:
    """Keeps a sheet as it now is; where it cannot be laid out it stays as it was."""
    return _out(own_sheets.change(record, school_class, sheet_id, sent.draft(), now))


@router.delete("/{sheet_id}", status_code=204)
def delete_own_sheet(record: Record, school_class: Class, sheet_id: PathId) -> None:
    """Forgets a sheet; what was printed of it is still read."""
    own_sheets.remove(record, school_class.id, sheet_id)


@router.get("/{sheet_id}/pages")
def get_own_sheet_pages(
    session: Db, school_class: Class, sheet_id: PathId, *, each: bool = False
) -> SheetPagesOut:
    """What it comes to."""
    return pages_out(own_sheets.of_own(session, school_class, sheet_id, each=each))


@router.get("/{sheet_id}/pages/{page}", response_class=Response)
def get_own_sheet_page(
    session: Db,
    school_class: Class,
    sheet_id: PathId,
    page: PageNumber,
    *,
    each: bool = False,
    version: Version = 0,
) -> Response:
    """A page of it as it is printed, as SVG."""
    del version
    return page_out(own_sheets.of_own(session, school_class, sheet_id, each=each), page)


@router.get("/{sheet_id}/pdf", response_class=Response)
def get_own_sheet_pdf(
    record: Record, school_class: Class, sheet_id: PathId, *, each: bool = False
) -> Response:
    """All of it, to be printed, and to be read back from photographs."""
    return pdf_out(own_sheets.print_own(record, school_class, sheet_id, each=each))


def _out(kept: OwnSheetRecord) -> OwnSheetOut:
    made = OwnSheetIn.model_validate_json(kept.spec)
    return OwnSheetOut(id=kept.id, **dict(made))
