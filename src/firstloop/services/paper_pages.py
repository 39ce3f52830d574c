"""What is done with pages that were read: whose they are, what stands in a cell after all, and into
the record with it."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any
from uuid import NAMESPACE_OID, uuid5

from firstloop.core.checking.on_paper import CellState
from firstloop.core.errors import (
    FirstLoopError,
    InkError,
    UncheckedError,
    UnknownLetterError,
)
from firstloop.core.evidence.task import Help, Kind, Source
from firstloop.core.sheets.wish import Mode
from firstloop.formats.ink_json import ink_from
from firstloop.services.handing_in import arrival, take_in, take_in_text
from firstloop.store import handed_in, paper
from firstloop.store.database import Database
from firstloop.store.handed_in import Delivery
from firstloop.store.records import ClassRecord, NotInRecordError, PaperPageRecord

HELP_OF = {Mode.FINISH: Help.FINISH, Mode.OWN: Help.COPY, Mode.RECALL: Help.RECALL}
"""How much help a row gave; what was traced says nothing of how a letter is written alone."""

MOST_WAITING = 400
"""Files that may wait at once: a school's pile of a term."""


class PageError(FirstLoopError):
    """Something that cannot be done with a page as it is; the text says why and what to do."""


class TooManyPhotosError(FirstLoopError):
    """More than can wait."""


@dataclass(frozen=True, slots=True)
class TakenIn:
    """How many letters and texts of a page are in the record, and how many cells could not be
    judged."""

    letters: int
    texts: int
    left_out: int


@dataclass(frozen=True, slots=True)
class NotTaken:
    """Why a cell did not go into the record."""

    why: str


def bring(record: Database, class_id: int, name: str, content: bytes, now: datetime) -> None:
    """Keeps a file of photographs until it is read; who reads is to be woken."""
    with record.writing() as session:
        if paper.waiting(session, class_id) >= MOST_WAITING:
            raise TooManyPhotosError(
                f"{MOST_WAITING} files wait already; send more when some of them are read"
            )
        paper.add_photo(session, class_id, name, content, now)


def cancel(record: Database, class_id: int) -> None:
    """Lets go of all files that wait; what is read stays."""
    with record.writing() as session:
        paper.forget_photos(session, class_id)
    record.clear_log()


def assign(record: Database, class_id: int, page_id: int, pupil_id: int | None) -> PaperPageRecord:
    """Says whose a page is; raises NotInRecordError, and PageError where it is in the record, or
    that page of that child was read before."""
    with record.writing() as session:
        page = require_open(paper.page(session, class_id, page_id))
        changed = replace(page, pupil_id=pupil_id)
        if paper.same_page(session, class_id, changed) is not None:
            raise PageError("this page of that child was read before; it counts once")
        paper.change_page(session, class_id, changed)
        return changed


def correct(
    record: Database, class_id: int, page_id: int, place: tuple[int, int], state: CellState
) -> PaperPageRecord:
    """Says what stands in a cell after all; raises NotInRecordError and PageError."""
    with record.writing() as session:
        page = require_open(paper.page(session, class_id, page_id))
        cells = [_corrected(one, state) if _place(one) == place else one for one in page.cells]
        if place not in map(_place, page.cells):
            raise NotInRecordError(f"the page has no cell {place[1]} in row {place[0]}")
        changed = replace(page, cells=tuple(cells))
        paper.change_page(session, class_id, changed)
        return changed


def _corrected(cell: dict[str, Any], state: CellState) -> dict[str, Any]:
    if state is CellState.WRITTEN and not cell["ink"] and cell["mode"] != Mode.TRACE.value:
        raise PageError("nothing is seen in this cell; there is nothing to judge")
    return cell | {"state": state.value}


def take_page(
    record: Database, school_class: ClassRecord, page_id: int, now: datetime, *, keep_picture: bool
) -> TakenIn:
    """Takes into the record what a page's child wrote on it. Of a page of which a part is there
    already, as after a crash, only the rest is taken. Raises NotInRecordError and PageError."""
    with record.session() as session:
        page = require_open(paper.page(session, school_class.id, page_id))
    if page.pupil_id is None:
        raise PageError("say first whose page it is")
    if page.sheet is not None and page.sheet.style is not None:
        school_class = replace(school_class, style=page.sheet.style)  # as it was printed for
    done = {_place(one): _taken(record, school_class, page, one) for one in _to_take(page.cells)}
    cells = tuple(_as_taken(one, done.get(_place(one))) for one in page.cells)
    chosen = [_delivery(page, one).id for one in page.cells if one["chosen"]]
    with record.writing() as session:
        handed_in.chosen_on_paper(session, school_class.id, chosen)
        paper.change_page(session, school_class.id, replace(page, kept_at=now, cells=cells))
        if not keep_picture:
            paper.drop_picture(session, school_class.id, page_id)
    record.clear_log()
    kinds = [*done.values()]
    letters = sum(one is Kind.LETTER for one in kinds)
    left_out = sum(isinstance(one, NotTaken) for one in kinds)
    return TakenIn(letters, len(kinds) - letters - left_out, left_out)


def _to_take(cells: Iterable[dict[str, Any]]) -> Iterable[dict[str, Any]]:
    return (
        one
        for one in cells
        if one["state"] == CellState.WRITTEN.value and Mode(one["mode"]) in HELP_OF and one["ink"]
    )


def _taken(
    record: Database, school_class: ClassRecord, page: PaperPageRecord, cell: dict[str, Any]
) -> Kind | NotTaken:
    """Takes a cell into the record; or why the check looks at no such thing. Whatever else goes
    wrong is raised, and nothing of the page is let go."""
    assert page.pupil_id is not None
    delivery = _delivery(page, cell)
    kind, ink, help = Kind(cell["kind"]), ink_from(cell["ink"]), HELP_OF[Mode(cell["mode"])]
    with record.session() as session:
        arrived = arrival(session, school_class, page.pupil_id, page.came_at, delivery)
    try:
        if kind is Kind.LETTER:
            take_in(
                record,
                school_class,
                arrived,
                letter=cell["target"],
                help=help,
                ink=ink,
                source=Source.SCAN,
                delivery=delivery,
            )
        else:
            take_in_text(
                record,
                school_class,
                arrived,
                kind=kind,
                target=cell["target"],
                help=help,
                ink=ink,
                source=Source.SCAN,
                delivery=delivery,
            )
    except (InkError, UncheckedError, UnknownLetterError) as fault:
        return NotTaken(str(fault))
    return kind


def _delivery(page: PaperPageRecord, cell: dict[str, Any]) -> Delivery:
    """What is written in a cell, by an id of its own: taken again, it is the same."""
    told = f"{page.id} {page.file} {page.came_at.isoformat()} {_place(cell)}"
    return Delivery(uuid5(NAMESPACE_OID, told), told)


def _as_taken(cell: dict[str, Any], done: Kind | NotTaken | None) -> dict[str, Any]:
    """A cell of a page that is in the record: its ink is there, or why it is not is told."""
    if isinstance(done, NotTaken):
        return cell | {"state": CellState.UNREADABLE.value, "why": done.why, "ink": []}
    return cell | {"ink": []}


def remove(record: Database, class_id: int, page_id: int) -> None:
    """Deletes a page and its picture for good; what went into the record stays there."""
    with record.writing() as session:
        paper.remove_page(session, class_id, page_id)
    record.clear_log()


def require_open(page: PaperPageRecord) -> PaperPageRecord:
    """The page, where it is not in the record yet; else raises PageError."""
    if page.kept_at is not None:
        raise PageError("this page is in the record; what is to be said of it is said in Check")
    return page


def _place(cell: dict[str, Any]) -> tuple[int, int]:
    return cell["row"], cell["cell"]
