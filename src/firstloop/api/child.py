"""A child's page: its letters, habits and sizes over time; what is told of it, and taken along."""

from datetime import date
from enum import StrEnum
from io import BytesIO
from itertools import chain
from typing import Annotated

from fastapi import APIRouter, Query, Response

from firstloop.api.answer import Answer
from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Db, Hers, Now, Record
from firstloop.api.drawings import RulingLine, ruling_lines
from firstloop.api.grow import MapChance, MapFamily, chance_out, in_hundred
from firstloop.api.sent import PathId
from firstloop.core.contract import Dimension
from firstloop.core.judging.text_habits import NAMES, TextHabit
from firstloop.core.progress.estimates import HabitEstimate, LetterState
from firstloop.core.progress.in_words import InWords
from firstloop.core.progress.report import USUALLY, WHERE, Include, Report
from firstloop.core.progress.sizes import Part, line_of
from firstloop.formats.ink_json import small_picture
from firstloop.formats.report_html import report_html
from firstloop.services import archives, reports
from firstloop.services.child_page import ChildPage, LetterStory, Week, child_page
from firstloop.services.reports import ONLY_HERS, require_hers
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/grow/children", tags=["grow"])

FAILED_SHOWN = 3
"""Texts in which a habit did not hold that are named."""

PDF, HTML, ZIP = "application/pdf", "text/html; charset=utf-8", "application/zip"


class StoryPicture(Answer):
    """A letter as it was written, small: strokes of places in u; and the attempt that it is."""

    attempt_id: int
    day: date
    strokes: list[list[list[float]]]


class LetterOfTheChild(Answer):
    """A letter of the child: how it stands, in each dimension (null: nothing known); how it was
    written, the oldest first; how it does in words, and how many there are to say so."""

    letter: str
    state: LetterState
    direction: MapChance | None
    size: MapChance | None
    shape: MapChance | None
    written: int
    pictures: list[StoryPicture]
    in_words: InWords
    words: int


class HabitOfTheChild(Answer):
    """A habit, in one dimension (and that in words): how it stands, and in which letters it was
    seen."""

    name: str
    where: str
    state: LetterState
    chance: MapChance
    rests_on: int
    letters: list[str]


class FailedText(Answer):
    """A text in which something did not hold."""

    text_id: int
    day: date
    target: str


class TextHabitOfTheChild(Answer):
    """A habit over texts: how it stands, on how many texts that rests, and the newest in which it
    did not hold."""

    name: str
    state: LetterState
    chance: MapChance
    rests_on: int
    failed: list[FailedText]


class SpreadOut(Answer):
    """What a part of letters reached in a week, u: eight of ten lie between `low` and `high`."""

    part: Part
    low: float
    middle: float
    high: float
    count: int


class WeekOut(Answer):
    """The week from a Monday on."""

    monday: date
    spreads: list[SpreadOut]


class PartLine(Answer):
    """The height that a part of letters should reach, u."""

    part: Part
    height: float


class ChildPageOut(Answer):
    """A child's page: families hold those letters that are known of it, in the order of
    `letters`."""

    pupil: PupilOut
    day: date
    since: date | None
    families: list[MapFamily]
    letters: list[LetterOfTheChild]
    habits: list[HabitOfTheChild]
    text_habits: list[TextHabitOfTheChild]
    lines: list[RulingLine]
    part_lines: list[PartLine]
    weeks: list[WeekOut]


@router.get("/{pupil_id}")
def get_child_page(record: Record, school_class: Class, pupil_id: PathId, now: Now) -> ChildPageOut:
    """How a child's letters stand, each one's story, its habits, how large it writes."""
    return _page_out(child_page(record, school_class, pupil_id, now), school_class)


class ReportFormat(StrEnum):
    """As what a report is made."""

    PDF = "pdf"
    HTML = "html"


Included = Annotated[
    list[Include], Query(max_length=len(Include), default_factory=lambda: [*USUALLY])
]


@router.get("/{pupil_id}/report", response_class=Response)
def get_report(  # noqa: PLR0917  # what of whom is told, and as what
    record: Record,
    school_class: Class,
    asks: Hers,
    pupil_id: PathId,
    now: Now,
    include: Included,
    as_a: Annotated[ReportFormat, Query(alias="format")] = ReportFormat.PDF,
) -> Response:
    """What a family or the next teacher is told, on one page: only what is included. Her notes and
    flags only she can tell."""
    require_hers(include, is_hers=asks.is_teacher)
    told = reports.report(record, school_class, pupil_id, include, now)
    if as_a is ReportFormat.HTML:
        page = report_html(told, school_class.ruling, school_class.language)
        return Response(page, media_type=HTML)
    named = 'inline; filename="letters.pdf"'
    return Response(
        _pdf(told, school_class), media_type=PDF, headers={"Content-Disposition": named}
    )


@router.get("/{pupil_id}/archive", response_class=Response)
def get_archive(  # noqa: PLR0917  # whose, with what
    record: Record,
    session: Db,
    school_class: Class,
    asks: Hers,
    pupil_id: PathId,
    now: Now,
    *,
    flags: bool = False,
) -> Response:
    """All of a child in one file: the record's rows, each letter as ink, the report; her flags only
    if they are ticked."""
    require_hers(ONLY_HERS, is_hers=asks.is_teacher)
    told = reports.report(record, school_class, pupil_id, USUALLY, now)
    ink = archives.ink_files(session, school_class.id, pupil_id)
    beside = chain(
        [("report.pdf", _pdf(told, school_class))],
        ((f"ink/{name}.inkml", data) for name, data in ink),
    )
    file = BytesIO()
    archives.write_child(session, school_class.id, pupil_id, file, now, beside, with_flags=flags)
    named = 'attachment; filename="letters-of-a-child.zip"'
    return Response(file.getvalue(), media_type=ZIP, headers={"Content-Disposition": named})


def _pdf(told: Report, school_class: ClassRecord) -> bytes:
    from firstloop.paper.report_page import report_page  # noqa: PLC0415  # slow to load

    return report_page(told, school_class.ruling, school_class.language)


def _page_out(page: ChildPage, school_class: ClassRecord) -> ChildPageOut:
    ruling = school_class.ruling
    return ChildPageOut(
        pupil=pupil_out(page.pupil),
        day=page.day,
        since=page.since,
        families=[MapFamily(name=one.name, letters=list(one.letters)) for one in page.families],
        letters=[_letter_out(one) for one in page.letters],
        habits=[_habit_out(one) for one in page.habits],
        text_habits=[_text_habit_out(one) for one in page.text_habits],
        lines=ruling_lines(ruling),
        part_lines=[PartLine(part=part, height=line_of(part, ruling)) for part in Part],
        weeks=[_week_out(one) for one in page.weeks],
    )


def _letter_out(one: LetterStory) -> LetterOfTheChild:
    return LetterOfTheChild(
        letter=one.letter,
        state=one.stands.state,
        written=one.stands.written,
        pictures=[
            StoryPicture(
                attempt_id=picture.attempt_id,
                day=picture.day,
                strokes=small_picture(picture.ink),
            )
            for picture in one.pictures
        ],
        in_words=one.compared.comes_to,
        words=one.compared.words,
        **{dimension.value: chance_out(one.stands, dimension) for dimension in Dimension},
    )


def _habit_out(one: HabitEstimate) -> HabitOfTheChild:
    return HabitOfTheChild(
        name=one.strand.habit.name,
        where=WHERE[one.strand.dimension],
        state=one.chance.state,
        chance=in_hundred(one.chance),
        rests_on=one.chance.rests_on,
        letters=[key.glyph for key in one.letters],
    )


def _text_habit_out(one: TextHabit) -> TextHabitOfTheChild:
    return TextHabitOfTheChild(
        name=NAMES[one.aspect],
        state=one.chance.state,
        chance=in_hundred(one.chance),
        rests_on=one.chance.rests_on,
        failed=[
            FailedText(text_id=text.text_id, day=text.day, target=text.target)
            for text in one.failed[:FAILED_SHOWN]
        ],
    )


def _week_out(week: Week) -> WeekOut:
    return WeekOut(
        monday=week.monday,
        spreads=[
            SpreadOut(part=part, low=one.low, middle=one.middle, high=one.high, count=one.count)
            for part, one in week.spreads.items()
        ],
    )
