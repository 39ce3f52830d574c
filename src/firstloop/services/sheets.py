"""Sheets of a lesson: one for all, or one a child by what it gets."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace
from hashlib import sha256
from itertools import count

from firstloop.core.letters.phrases import phrase
from firstloop.core.sheets.layout import laid_out
from firstloop.core.sheets.marks import sheet_name
from firstloop.core.sheets.of_lesson import for_child, rows_for_home, rows_of, week_of
from firstloop.core.sheets.pages import Sheet
from firstloop.core.sheets.wish import Paper, SheetError, SheetWish
from firstloop.core.teaching.roster import Presence
from firstloop.core.teaching.under_way import UnderWay
from firstloop.formats.sheet_spec import cells_json
from firstloop.formats.tiles import TILES
from firstloop.services.lessons import under_way_of
from firstloop.store import lessons, paper, prompts
from firstloop.store.database import Database, Session
from firstloop.store.judged_hands import kept_text
from firstloop.store.records import ClassRecord, PrintedSheetRecord

NO_NAME = "2222"
"""Of a sheet that is laid out only to be compared."""

FOR_HOME = "A few minutes are enough. Stop while it is still fun; your child chooses its best one."


@dataclass(frozen=True, slots=True)
class SheetAsked:
    """How a lesson's sheet is to be: for home or for the lesson, on which paper, with models on the
    right; one for each child; at home for a week, a row a day."""

    home: bool = False
    paper: Paper = Paper.A4
    left_handed: bool = False
    each: bool = False
    week: bool = False


@dataclass(frozen=True, slots=True)
class Sheets:
    """Sheets of one name, and whose they are (none: one for all); `digest` is what they follow
    from."""

    sheets: tuple[Sheet, ...]
    pupils: tuple[int, ...]
    digest: str

    @property
    def cells(self) -> bytes:
        """Where the cells of all of them are, as JSON."""
        return cells_json(*self.sheets)


def of_lesson(
    session: Session, school_class: ClassRecord, lesson_id: int, asked: SheetAsked
) -> Sheets:
    """The sheets of a lesson, of each child by name or one for all; raises NotInRecordError, and
    SheetError where the lesson asks for nothing on paper or it does not fit."""
    kept = lessons.get(session, school_class.id, lesson_id)
    known = prompts.of_class(session, school_class.id)
    hers = {one.text: one.tile for one in known if one.tile}
    wish = _wish(under_way_of(kept, school_class), school_class, asked, hers)
    group = kept.group or school_class.here
    return made_for(session, school_class, wish, group, each=asked.each)


def made_for(
    session: Session,
    school_class: ClassRecord,
    wish: SheetWish,
    group: Collection[int],
    *,
    each: bool,
) -> Sheets:
    """The sheets of a wish, of each child of a group by name or one for all; raises SheetError
    where it does not fit, or no child is here."""
    wishes = [(wish, 0)]
    if each:
        wishes = [
            (for_child(wish, pupil.gets, pupil.handedness, pupil.name), pupil.id)
            for pupil in school_class.pupils
            if pupil.id in group and pupil.presence is Presence.HERE
        ]
    if not wishes:
        raise SheetError("no child is here that it would be for; make one for all")
    whose = tuple(pupil_id for _, pupil_id in wishes if pupil_id)
    drafts = [laid_out(one, NO_NAME) for one, _ in wishes]
    wished = str((wish.title, whose, kept_text(school_class.style))).encode()
    digest = sha256(cells_json(*drafts) + wished).hexdigest()
    name = _name(session, school_class.id, digest)
    sheets = [
        laid_out(replace(one, pupils=(number,) if whose else ()), name)
        for number, (one, _) in enumerate(wishes, start=1)
    ]
    return Sheets(tuple(sheets), whose, digest)


def print_lesson(
    record: Database, school_class: ClassRecord, lesson_id: int, asked: SheetAsked
) -> tuple[Sheet, ...]:
    """The same, to be printed: from now on photographs of them can be read. Raises as
    `of_lesson`."""
    with record.session() as session:
        made = of_lesson(session, school_class, lesson_id, asked)
    return print_sheets(record, school_class, made)


def print_sheets(record: Database, school_class: ClassRecord, made: Sheets) -> tuple[Sheet, ...]:
    """Keeps where the cells of sheets are, for photographs of them; of those without marks none
    can be read."""
    first = made.sheets[0]
    with record.session() as session:
        is_kept = paper.sheet_of_digest(session, school_class.id, made.digest) is not None
    if is_kept or not first.wish.readable:
        return made.sheets
    with record.writing() as session:
        sheet = PrintedSheetRecord(
            first.name, made.digest, first.wish.title, made.pupils, school_class.style
        )
        paper.keep_sheet(session, school_class.id, sheet, made.cells)
    return made.sheets


def _name(session: Session, class_id: int, digest: str) -> str:
    """The name of a sheet: that by which it is kept, or one that no other of the class has."""
    kept = paper.sheet_of_digest(session, class_id, digest)
    if kept is not None:
        return kept.name
    names = (sheet_name(f"{digest} {again}".encode()) for again in count())
    return next(name for name in names if paper.sheet_named(session, class_id, name) is None)


def _wish(
    lesson: UnderWay, school_class: ClassRecord, asked: SheetAsked, hers: Mapping[str, str]
) -> SheetWish:
    if asked.home:
        rows = week_of(lesson) if asked.week else rows_for_home(lesson)
    else:
        rows = rows_of(lesson, {**{name: name for name in TILES}, **hers})
    if not rows:
        raise SheetError("nothing is written in this lesson; bring back a step, or choose a word")
    return SheetWish(
        hand=school_class.hand,
        ruling=school_class.ruling,
        x_height_mm=school_class.x_height_mm,
        rows=rows,
        paper=asked.paper,
        left_handed=asked.left_handed,
        title=", ".join(lesson.lesson.new) or "Words",
        readable=True,
        date_line=not asked.home,
        drawing_corner=True,
        grown_up=_for_the_grown_up(lesson, school_class) if asked.home else (),
        week=asked.home and asked.week,
    )


def _for_the_grown_up(lesson: UnderWay, school_class: ClassRecord) -> tuple[str, ...]:
    scripts, ruling = school_class.hand.scripts, school_class.ruling
    said = [
        f"{one}: {phrase(scripts[one], school_class.wording, ruling)}"
        for one in lesson.at_home
        if one in scripts
    ]
    return (*said[:2], FOR_HOME)
