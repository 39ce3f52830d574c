"""Plan, today: what to teach next, the lesson on it, the week; dates and what is taught."""

from datetime import date, datetime, timedelta
from typing import Annotated

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from firstloop.api.deps import Class, Db, Now
from firstloop.core.due import Due, due
from firstloop.core.families import LETTERS
from firstloop.core.language import Language, Variety, long_date
from firstloop.core.lesson import (
    HALF,
    KINDS,
    LONGEST,
    SHORTEST,
    Lesson,
    LessonError,
    Step,
    StepKind,
    retimed,
)
from firstloop.core.planning import Next, propose, what_next
from firstloop.core.sentences import look_over
from firstloop.paper.lesson_page import lesson_page
from firstloop.store import lessons, own_schemes
from firstloop.store.practice import practised
from firstloop.store.records import ClassRecord, LessonRecord

router = APIRouter(prefix="/api/plan", tags=["plan"])

SCHOOL_DAYS = 5
PDF = "application/pdf"

NewPart = Annotated[str, Field(min_length=1, max_length=4, pattern="^[a-z]+$")]
ShortText = Annotated[str, Field(max_length=120)]
LessonMinutes = Annotated[int, Field(ge=SHORTEST, le=LONGEST)]


class LessonStepIn(BaseModel):
    """A step as the teacher has it."""

    kind: StepKind
    minutes: Annotated[float, Field(ge=HALF, le=LONGEST)]
    skipped: bool = False
    note: ShortText = ""


class LessonStepOut(LessonStepIn):
    """A step, and what is done in it."""

    title: str
    what: str


class NewLesson(BaseModel):
    """What is to be taught today, and in how many minutes."""

    new: Annotated[list[NewPart], Field(min_length=1, max_length=5)]
    minutes: LessonMinutes


class LessonIn(BaseModel):
    """A lesson as the teacher has it; `share_out` shares its minutes out anew among its steps."""

    minutes: LessonMinutes
    steps: list[LessonStepIn]
    look_back: Annotated[list[NewPart], Field(max_length=8)]
    words: Annotated[list[ShortText], Field(max_length=8)]
    sentence: ShortText
    share_out: bool = False


class SentenceOut(BaseModel):
    """A sentence, the number of its words, and what it lacks."""

    text: str
    words: int
    notes: list[str]


class LessonOut(BaseModel):
    """A lesson of a day."""

    id: int
    day: date
    new: list[str]
    minutes: int
    spent: float
    steps: list[LessonStepOut]
    look_back: list[str]
    words: list[str]
    sentence: SentenceOut
    at: int
    given: bool


class NextOut(BaseModel):
    """Something to teach next, and why."""

    new: list[str]
    why: str


class DueOut(BaseModel):
    """A letter to come back, and why."""

    letter: str
    days_over: int
    why: str


class LanguageIn(BaseModel):
    """How the class writes dates and what it calls the stop, and how long its lessons are."""

    variety: Variety
    ordinal: bool
    stop: bool
    minutes: LessonMinutes


class DayOut(BaseModel):
    """A day of the week, and its lessons."""

    day: date
    name: str
    today: bool
    lessons: list[LessonOut]


class TodayOut(BaseModel):
    """All that the page of today shows."""

    date_text: str
    language: LanguageIn
    taught: list[str]
    next: list[NextOut]
    due: list[DueOut]
    lesson: LessonOut | None
    week: list[DayOut]


@router.get("/today")
def get_today(session: Db, school_class: Class, now: Now) -> TodayOut:
    """Today: its date, its lesson, what could come next, what is due, the week."""
    today = _day_of(now)
    taught = lessons.taught(session, school_class.id)
    scheme = own_schemes.find(session, school_class.id, school_class.scheme, school_class.hand)
    monday = today - timedelta(days=today.weekday())
    week = lessons.between(session, school_class.id, monday, monday + timedelta(days=6))
    known, language = tuple(taught), school_class.language
    mine = [record for record in week if record.day == today]
    return TodayOut(
        date_text=long_date(today, language),
        language=_language_out(school_class),
        taught=list(known),
        next=[_next_out(one) for one in what_next(scheme, known)],
        due=[_due_out(one) for one in due(practised(session, school_class.id), today)],
        lesson=_lesson_out(mine[-1], known, language) if mine else None,
        week=[
            DayOut(
                day=day,
                name=f"{day:%A}",
                today=day == today,
                lessons=[_lesson_out(one, known, language) for one in week if one.day == day],
            )
            for day in (monday + timedelta(days=at) for at in range(SCHOOL_DAYS))
        ],
    )


@router.post("/lessons", status_code=201)
def post_lesson(session: Db, school_class: Class, now: Now, sent: NewLesson) -> LessonOut:
    """Plans today's lesson, in place of one that was planned and not given."""
    taught = lessons.taught(session, school_class.id)
    lesson = propose(
        sent.new,
        sent.minutes,
        taught=taught,
        due=due(practised(session, school_class.id), _day_of(now)),
        own_words=lessons.own_words(session, school_class.id),
    )
    record = lessons.add(session, school_class.id, _day_of(now), lesson)
    return _lesson_out(record, tuple(taught), school_class.language)


@router.put("/lessons/{lesson_id}")
def put_lesson(session: Db, school_class: Class, lesson_id: int, sent: LessonIn) -> LessonOut:
    """Keeps a lesson as the teacher has it."""
    before = lessons.get(session, school_class.id, lesson_id).lesson
    kinds = [step.kind for step in sent.steps]
    if sorted(kinds) != sorted(StepKind):
        raise LessonError("a lesson has each of its steps once; skip those that are not wanted")
    lesson = Lesson(
        new=before.new,
        minutes=sent.minutes,
        steps=tuple(Step(s.kind, s.minutes, s.skipped, s.note.strip()) for s in sent.steps),
        look_back=tuple(sent.look_back),
        words=tuple(sent.words),
        sentence=sent.sentence.strip(),
    )
    record = lessons.change(
        session, school_class.id, lesson_id, retimed(lesson) if sent.share_out else lesson
    )
    return _lesson_out(record, _taught(session, school_class), school_class.language)


@router.delete("/lessons/{lesson_id}", status_code=204)
def delete_lesson(session: Db, school_class: Class, lesson_id: int) -> None:
    """Deletes a lesson; what it taught stays taught."""
    lessons.remove(session, school_class.id, lesson_id)


@router.get("/lessons/{lesson_id}/page", response_class=Response)
def get_lesson_page(session: Db, school_class: Class, lesson_id: int) -> Response:
    """The plan on one page, to print."""
    record = lessons.get(session, school_class.id, lesson_id)
    day = long_date(record.day, school_class.language)
    data = lesson_page(record.lesson, school_class.hand, school_class.ruling, day=day)
    return Response(data, media_type=PDF)


@router.put("/language")
def put_language(session: Db, school_class: Class, sent: LanguageIn) -> LanguageIn:
    """Sets how the class writes dates, what it calls the stop, how long its lessons are."""
    language = Language(sent.variety, sent.ordinal, sent.stop)
    lessons.set_language(session, school_class.id, language, sent.minutes)
    return sent


class TaughtIn(BaseModel):
    """The letters that are taught."""

    letters: list[NewPart]


@router.put("/taught")
def put_taught(session: Db, school_class: Class, now: Now, sent: TaughtIn) -> TaughtIn:
    """Sets which letters are taught, whatever lessons were given."""
    letters = {letter for letter in sent.letters if letter in LETTERS}
    lessons.set_taught(session, school_class.id, letters, _day_of(now))
    return TaughtIn(letters=list(lessons.taught(session, school_class.id)))


def _day_of(now: datetime) -> date:
    """The day on this machine: a school's day is where the school is."""
    return now.astimezone().date()


def _taught(session: Db, school_class: ClassRecord) -> tuple[str, ...]:
    return tuple(lessons.taught(session, school_class.id))


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


def _lesson_out(record: LessonRecord, taught: tuple[str, ...], language: Language) -> LessonOut:
    lesson = record.lesson
    known = {*taught, *(letter for part in lesson.new for letter in part)}
    looked = look_over(lesson.sentence, known, language)
    return LessonOut(
        id=record.id,
        day=record.day,
        new=list(lesson.new),
        minutes=lesson.minutes,
        spent=lesson.spent,
        steps=[
            LessonStepOut(
                kind=step.kind,
                minutes=step.minutes,
                skipped=step.skipped,
                note=step.note,
                title=KINDS[step.kind].title,
                what=KINDS[step.kind].what,
            )
            for step in lesson.steps
        ],
        look_back=list(lesson.look_back),
        words=list(lesson.words),
        sentence=SentenceOut(
            text=looked.text,
            words=len(looked.words),
            notes=[note.what for note in looked.notes] if looked.text else [],
        ),
        at=record.at,
        given=record.given_at is not None,
    )
