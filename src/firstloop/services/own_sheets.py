"""Sheets that a teacher makes by hand: kept as she wishes them, laid out in her class's hand and on
its lines."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import datetime

from firstloop.core.sheets.layout import laid_out
from firstloop.core.sheets.pages import Sheet
from firstloop.core.sheets.wish import SheetError, SheetWish
from firstloop.formats.sheet_spec import read_spec
from firstloop.services.sheets import NO_NAME, Sheets, made_for, print_sheets
from firstloop.store import own_sheets
from firstloop.store.database import Database, Session
from firstloop.store.own_sheets import OwnSheetRecord
from firstloop.store.records import ClassRecord


@dataclass(frozen=True, slots=True)
class Draft:
    """A sheet as it is wished for: its title, and all of it in the words of the contract."""

    title: str
    spec: str


def add(record: Database, school_class: ClassRecord, draft: Draft, now: datetime) -> OwnSheetRecord:
    """Keeps a new sheet; raises SheetError for a wish that no sheet can meet."""
    _require_laid_out(school_class, draft)
    with record.writing() as session:
        return own_sheets.add(session, school_class.id, draft.title, draft.spec, now)


def change(
    record: Database, school_class: ClassRecord, sheet_id: int, draft: Draft, now: datetime
) -> OwnSheetRecord:
    """Keeps a sheet as it now is. Raises NotInRecordError, and SheetError for a wish that no sheet
    can meet; it stays as it was then."""
    _require_laid_out(school_class, draft)
    with record.writing() as session:
        return own_sheets.change(session, school_class.id, sheet_id, draft.title, draft.spec, now)


def remove(record: Database, class_id: int, sheet_id: int) -> None:
    """Forgets a sheet; raises NotInRecordError."""
    with record.writing() as session:
        own_sheets.remove(session, class_id, sheet_id)


def of_own(session: Session, school_class: ClassRecord, sheet_id: int, *, each: bool) -> Sheets:
    """The sheets of one, one for all or one a child; raises NotInRecordError, and SheetError where
    it does not fit the class's lines any more."""
    kept = own_sheets.get(session, school_class.id, sheet_id)
    with _told_plainly():
        wish = _wish_of(kept.spec, school_class)
        return made_for(session, school_class, wish, school_class.here, each=each)


def print_own(
    record: Database, school_class: ClassRecord, sheet_id: int, *, each: bool
) -> tuple[Sheet, ...]:
    """The same, to be printed: from now on photographs of them can be read, but for what is cut
    apart. Raises as `of_own`."""
    with record.session() as session:
        made = of_own(session, school_class, sheet_id, each=each)
    return print_sheets(record, school_class, made)


def _wish_of(spec: str, school_class: ClassRecord) -> SheetWish:
    """A kept wish in the class's hand, on its lines."""
    wish = read_spec(spec.encode(), school_class.hand)
    return replace(wish, ruling=school_class.ruling, x_height_mm=school_class.x_height_mm)


def _require_laid_out(school_class: ClassRecord, draft: Draft) -> None:
    with _told_plainly():
        laid_out(_wish_of(draft.spec, school_class), NO_NAME)


@contextmanager
def _told_plainly() -> Iterator[None]:
    """A teacher knows of rows, which she counts from one, and of no fields."""
    try:
        yield
    except SheetError as fault:
        where = "" if fault.row is None else f"Row {fault.row + 1}: "
        raise SheetError(f"{where}{fault.said}") from fault
