"""Sheets of a lesson: one for all, or one a child by what it gets."""

from dataclasses import dataclass

from firstloop.core.letters.phrases import phrase
from firstloop.core.sheets.layout import Sheet, laid_out
from firstloop.core.sheets.marks import sheet_name
from firstloop.core.sheets.of_lesson import for_child, rows_for_home, rows_of
from firstloop.core.sheets.wish import Paper, SheetError, SheetWish
from firstloop.core.teaching.roster import Presence
from firstloop.core.teaching.under_way import UnderWay
from firstloop.services.lessons import under_way_of
from firstloop.store import lessons
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord

FOR_HOME = "A few minutes are enough. Stop while it is still fun; your child chooses its best one."


@dataclass(frozen=True, slots=True)
class SheetAsked:
    """How a lesson's sheet is to be: for home or for the lesson, on which paper, with models on the
    right; one for each child."""

    home: bool = False
    paper: Paper = Paper.A4
    left_handed: bool = False
    each: bool = False


def of_lesson(
    session: Session, school_class: ClassRecord, lesson_id: int, asked: SheetAsked
) -> tuple[Sheet, ...]:
    """The sheets of a lesson, of each child by name or one for all; raises NotInRecordError, and
    SheetError where the lesson asks for nothing on paper or it does not fit."""
    kept = lessons.get(session, school_class.id, lesson_id)
    wish = _wish(under_way_of(kept, school_class), school_class, asked)
    name = sheet_name(f"{lesson_id} {asked}".encode())
    if not asked.each:
        return (laid_out(wish, name),)
    group = kept.group or school_class.here
    return tuple(
        laid_out(for_child(wish, pupil.gets, pupil.handedness, pupil.name), name)
        for pupil in school_class.pupils
        if pupil.id in group and pupil.presence is Presence.HERE
    )


def _wish(lesson: UnderWay, school_class: ClassRecord, asked: SheetAsked) -> SheetWish:
    rows = rows_for_home(lesson) if asked.home else rows_of(lesson)
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
        readable=False,
        date_line=not asked.home,
        drawing_corner=True,
        grown_up=_for_the_grown_up(lesson, school_class) if asked.home else (),
    )


def _for_the_grown_up(lesson: UnderWay, school_class: ClassRecord) -> tuple[str, ...]:
    scripts, ruling = school_class.hand.scripts, school_class.ruling
    said = [
        f"{one}: {phrase(scripts[one], school_class.wording, ruling)}"
        for one in lesson.at_home
        if one in scripts
    ]
    return (*said[:2], FOR_HOME)
