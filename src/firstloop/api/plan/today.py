"""Plan, today: what to teach next, the lesson on it, the week; dates and what is taught."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import Field, StrictBool

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record, ToldToAll
from firstloop.api.plan.lesson_answers import (
    LessonMatterOut,
    LessonOut,
    known_of,
    lesson_out,
    matter_out,
)
from firstloop.api.plan.lesson_changes import LessonChange, NewPart, changed
from firstloop.api.sent import Id, PathId, Sent
from firstloop.core.contract import Code
from firstloop.core.teaching.due import Due
from firstloop.core.teaching.free import picture_of
from firstloop.core.teaching.free import prompts as free_prompts
from firstloop.core.teaching.lesson import (
    HALF,
    LONGEST,
    MOST_NEW,
    SHORTEST,
    LessonError,
)
from firstloop.core.teaching.planning import Next
from firstloop.core.teaching.roster import MOST_CHILDREN
from firstloop.core.teaching.steps import SHAPES, Shape
from firstloop.core.vocabulary.language import Language, Variety, long_date
from firstloop.services import how_it_writes
from firstloop.services import lessons as planning
from firstloop.services.clock import day_of
from firstloop.services.lessons import Asked
from firstloop.store import lessons, school
from firstloop.store.records import ClassRecord, LessonRecord

router = APIRouter(prefix="/api/plan", tags=["plan"])

PDF, HTML = "application/pdf", "text/html; charset=utf-8"
HOME_FILE = 'attachment; filename="at-home.html"'

MOST_TAUGHT = 400
"""Letters, or whole words, that can be taught at once."""

LessonMinutes = Annotated[int, Field(ge=SHORTEST, le=LONGEST)]
NewParts = Annotated[list[NewPart], Field(max_length=MOST_NEW)]


class NewLesson(Sent):
    """What a lesson is to be on, its shape, of one that mends a habit which; its minutes, if not
    those that such a lesson usually has; and of a group's for which children (null: the class's).
    For today, or for the next day of school."""

    new: NewParts = []
    minutes: LessonMinutes | None = None
    shape: Shape = Shape.FULL
    habit: Code | None = None
    group: Annotated[list[Id], Field(min_length=1, max_length=MOST_CHILDREN)] | None = None
    next_day: StrictBool | None = None

    def asked(self) -> Asked:
        """As the services take it."""
        group = None if self.group is None else frozenset(self.group)
        return Asked(
            tuple(self.new), self.minutes, self.shape, self.habit, group, bool(self.next_day)
        )


class NextOut(Answer):
    """Something to teach next, and why."""

    new: list[str]
    why: str


class DueOut(Answer):
    """A letter to come back, and why."""

    letter: str
    days_over: int
    why: str


class LanguageIn(Sent):
    """How the class writes dates and what it calls the stop, and how long its lessons are."""

    variety: Variety
    ordinal: StrictBool
    stop: StrictBool
    minutes: LessonMinutes


class ShapeOut(Answer):
    """A shape that a lesson can have: its title, what it is, and whether what it is on is new."""

    shape: Shape
    title: str
    what: str
    teaches: bool


class HabitOut(Answer):
    """A slip that children have a habit of: what to watch, in which letters, how many children."""

    code: Code
    what: str
    letters: list[str]
    children: int


class TaughtFamily(Answer):
    """A family of the class's scheme: its name, and those of its letters that are taught."""

    name: str
    taught: list[str]


class DayOut(Answer):
    """A day of the week, and its lessons."""

    day: date
    name: str
    today: bool
    lessons: list[LessonOut]


class MinutesRange(Answer):
    """How long a lesson may be, and what its steps are timed in."""

    shortest: int
    longest: int
    step: float


class PromptOut(Answer):
    """What free writing may begin with: a question, or a picture by its name."""

    prompt: str
    picture: str | None


class TodayOut(Answer):
    """All that the page of today shows."""

    date_text: str
    language: LanguageIn
    minutes_range: MinutesRange
    shapes: list[ShapeOut]
    families: list[TaughtFamily]
    taught: list[str]
    taught_words: list[str]
    free_prompts: list[PromptOut]
    next: list[NextOut]
    due: list[DueOut]
    lesson: LessonOut | None
    of_groups: list[LessonOut]
    week: list[DayOut]


@router.get("/today")
def get_today(session: Db, school_class: Class, now: Now) -> TodayOut:
    """Today: its date, its lesson, what could come next, what is due, the week."""
    today = planning.today(session, school_class, now)

    known = known_of(session, school_class)

    def out(one: LessonRecord) -> LessonOut:
        return lesson_out(one, known)

    return TodayOut(
        date_text=long_date(today.day, school_class.language),
        language=_language_out(school_class),
        minutes_range=MinutesRange(shortest=SHORTEST, longest=LONGEST, step=HALF),
        shapes=[
            ShapeOut(shape=shape, title=info.title, what=info.what, teaches=shape.teaches)
            for shape, info in SHAPES.items()
        ],
        families=[
            TaughtFamily(name=family.name, taught=[x for x in family.letters if x in today.taught])
            for family in today.families
        ],
        taught=list(today.taught),
        taught_words=list(today.taught_words),
        free_prompts=[PromptOut(prompt=one, picture=picture_of(one)) for one in free_prompts()],
        next=[_next_out(one) for one in today.next],
        due=[_due_out(one) for one in today.due],
        lesson=out(today.lesson) if today.lesson else None,
        of_groups=[out(one) for one in today.of_groups],
        week=[
            DayOut(
                day=day,
                name=f"{day:%A}",
                today=day == today.day,
                lessons=[out(one) for one in found],
            )
            for day, found in today.week
        ],
    )


@router.get("/lessons/proposal")
def get_proposal(
    session: Db, school_class: Class, now: Now, asked: Annotated[NewLesson, Query()]
) -> LessonMatterOut:
    """The lesson that would be planned; nothing is kept."""
    lesson = planning.proposal(session, school_class, asked.asked(), now)
    day = day_of(now, school.zone(session))
    return matter_out(lesson, day, known_of(session, school_class))


@router.get("/habits")
def get_habits(session: Db, school_class: Class, now: Now) -> list[HabitOut]:
    """What several children could mend together, from what they wrote in the last four weeks."""
    return [
        HabitOut(
            code=habit.code, what=habit.what, letters=list(habit.letters), children=habit.children
        )
        for habit in planning.habits_of(session, school_class, now)
    ]


@router.post("/lessons", status_code=201)
def post_lesson(
    record: Record, session: Db, school_class: Class, now: Now, sent: NewLesson
) -> LessonOut:
    """Plans a lesson, in place of one of that day that was planned and not given: the class's, or a
    group's in place of those of its children."""
    kept = planning.plan(record, school_class, sent.asked(), now)
    return lesson_out(kept, known_of(session, school_class))


@router.post("/lessons/{lesson_id}/changes")
def post_lesson_change(  # noqa: PLR0917  # what is changed of what, when
    record: Record,
    session: Db,
    school_class: Class,
    lesson_id: PathId,
    sent: LessonChange,
    now: Now,
) -> LessonOut:
    """Keeps a lesson as the teacher has changed it."""
    kept = planning.change(
        record,
        school_class.id,
        lesson_id,
        lambda lesson: changed(lesson, sent, school_class.customs),
        now,
    )
    return lesson_out(kept, known_of(session, school_class))


@router.delete("/lessons/{lesson_id:digits}", status_code=204)  # "proposal" is none
def delete_lesson(record: Record, school_class: Class, lesson_id: PathId) -> None:
    """Deletes a lesson; what it taught stays taught."""
    planning.remove(record, school_class.id, lesson_id)


@router.get("/lessons/{lesson_id}/page", response_class=Response)
def get_lesson_page(session: Db, school_class: Class, lesson_id: PathId) -> Response:
    """The plan on one page, to print."""
    from firstloop.paper.lesson_page import lesson_page  # noqa: PLC0415  # PDF is slow to load

    given = planning.under_way_of(lessons.get(session, school_class.id, lesson_id), school_class)
    page = lesson_page(given, school_class.hand, school_class.ruling)
    return Response(page, media_type=PDF)


@router.get("/lessons/{lesson_id}/home", response_class=Response)
def get_home_page(session: Db, school_class: Class, lesson_id: PathId) -> Response:
    """What the lesson is on as one file for home, that opens on any phone without a network; of a
    lesson of words its words."""
    from firstloop.formats.home_page import home_page  # noqa: PLC0415  # seldom asked for

    given = planning.under_way_of(lessons.get(session, school_class.id, lesson_id), school_class)
    if not given.at_home:
        raise LessonError("there is nothing to take home from this lesson yet; choose a word")
    page = home_page(given, school_class.hand, school_class.ruling, school_class.wording)
    return Response(page, media_type=HTML, headers={"Content-Disposition": HOME_FILE})


@router.put("/language", dependencies=ToldToAll)
def put_language(record: Record, school_class: Class, sent: LanguageIn) -> LanguageIn:
    """Sets how the class writes dates, what it calls the stop, how long its lessons are."""
    language = Language(sent.variety, sent.ordinal, sent.stop)
    how_it_writes.set_language(record, school_class.id, language, sent.minutes)
    return sent


class TaughtIn(Sent):
    """The letters that are taught; and the whole words, where they change as well."""

    letters: Annotated[list[NewPart], Field(max_length=MOST_TAUGHT)]
    words: Annotated[list[NewPart], Field(max_length=MOST_TAUGHT)] | None = None


@router.put("/taught")
def put_taught(record: Record, school_class: Class, now: Now, sent: TaughtIn) -> TaughtIn:
    """Sets what is taught, whatever lessons were given."""
    letters = {letter for letter in sent.letters if letter in school_class.hand.scripts}
    words = None if sent.words is None else set(sent.words)
    kept = planning.set_taught(record, school_class, letters, now, words)
    return TaughtIn(letters=list(kept), words=sent.words)


def _language_out(school_class: ClassRecord) -> LanguageIn:
    language = school_class.language
    return LanguageIn(
        variety=language.variety,
        ordinal=language.ordinal,
        stop=language.stop,
        minutes=school_class.lesson_minutes,
    )


def _next_out(one: Next) -> NextOut:
    return NextOut(new=list(one.new), why=one.why)


def _due_out(one: Due) -> DueOut:
    return DueOut(letter=one.letter, days_over=one.days_over, why=one.why)
