"""A lesson as an answer: its steps, its course, its words as they are heard, its sentence."""

from dataclasses import dataclass
from datetime import date

from pydantic import BaseModel

from firstloop.api.plan.letters import WordOut, word_out
from firstloop.core.evidence.task import Kind
from firstloop.core.teaching.course import Stop, course
from firstloop.core.teaching.customs import Customs
from firstloop.core.teaching.free import picture_of
from firstloop.core.teaching.lesson import Lesson, parts_of
from firstloop.core.teaching.steps import STEPS, Rounds, Shape, Showing, StepKind
from firstloop.core.teaching.tasks import writings_of
from firstloop.core.teaching.told import copy_of, prompts
from firstloop.core.vocabulary.language import Language, long_date
from firstloop.core.vocabulary.sentences import look_over
from firstloop.core.vocabulary.sounds import Word, heard_in
from firstloop.services.lessons import letters_taught
from firstloop.store import own_vocabulary
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord, LessonRecord


class LessonStep(BaseModel):
    """A step: what is done in it, the ways in which the board can show it, what the class is told
    to do and to write, and on how many rows."""

    kind: StepKind
    minutes: float
    skipped: bool
    note: str
    title: str
    what: str
    showings: list[Showing]
    prompts: list[str]
    copy_text: str
    rows: int


class WritingOut(BaseModel):
    """Something to write: what kind of text, the text (of free writing, none), on how many lines;
    of a row how many letters, where that is said."""

    kind: Kind
    text: str
    lines: int
    letters: int | None


class StopOut(BaseModel):
    """A place on the way through a lesson: a step, what it is about there, its parts to be shown in
    turn; `part` is the one that a step which comes round has come to."""

    kind: StepKind
    part: str | None
    about: list[str]
    parts: list[str]
    letters: list[str]
    minutes: float
    copy_text: str
    writings: list[WritingOut]


class SentenceOut(BaseModel):
    """A sentence, the number of its words, and what it lacks."""

    text: str
    words: int
    notes: list[str]


class LessonMatterOut(BaseModel):
    """A lesson, planned or proposed: `parts` is what it is on, to be shown in turn; `course` its
    steps as they follow each other, the letter steps coming round; `sounds` its words as they are
    heard; `prompt` what free writing begins with, `picture` the name of it where it is one."""

    shape: Shape
    rounds: Rounds
    aim: str
    course: list[StopOut]
    new: list[str]
    parts: list[str]
    letters: list[str]
    minutes: int
    spent: float
    steps: list[LessonStep]
    look_back: list[str]
    words: list[str]
    sounds: list[WordOut]
    sentence: SentenceOut
    prompt: str
    picture: str | None


class LessonOut(LessonMatterOut):
    """A lesson of a day; `at` is the step that the board is at, `part` the letter that it has come
    round to."""

    id: int
    day: date
    at: StepKind | None
    part: str | None
    given: bool


@dataclass(frozen=True, slots=True)
class Known:
    """What a class knows: its taught letters, its own words, how it writes dates and sentences,
    what it does in its own way."""

    taught: frozenset[str]
    own: tuple[Word, ...]
    language: Language
    customs: Customs


def known_of(session: Session, school_class: ClassRecord) -> Known:
    """What there is to know of it now."""
    return Known(
        frozenset(letters_taught(session, school_class)),
        tuple(own_vocabulary.of_class(session, school_class.id)),
        school_class.language,
        school_class.customs,
    )


def lesson_out(kept: LessonRecord, known: Known) -> LessonOut:
    """A lesson of a day as an answer."""
    return LessonOut(
        **matter_out(kept.lesson, kept.day, known).model_dump(),
        id=kept.id,
        day=kept.day,
        at=kept.at,
        part=kept.part,
        given=kept.given_at is not None,
    )


def _stop_out(stop: Stop, lesson: Lesson, date_text: str, customs: Customs) -> StopOut:
    return StopOut(
        writings=[
            WritingOut(kind=one.kind, text=one.text, lines=one.lines, letters=one.letters)
            for one in writings_of(stop, lesson, date_text, customs)
        ],
        kind=stop.kind,
        part=stop.part,
        about=list(stop.about),
        parts=list(parts_of(stop.about)),
        letters=list(dict.fromkeys("".join(stop.about))),
        minutes=stop.minutes,
        copy_text=stop.part or copy_of(lesson, stop.kind, date_text),
    )


def matter_out(lesson: Lesson, day: date, known: Known) -> LessonMatterOut:
    """A lesson, planned or proposed, as an answer."""
    looked = look_over(lesson.sentence, {*known.taught, *lesson.letters}, known.language)
    date_text = long_date(day, known.language)
    return LessonMatterOut(
        shape=lesson.shape,
        rounds=lesson.rounds,
        aim=lesson.aim,
        course=[_stop_out(stop, lesson, date_text, known.customs) for stop in course(lesson)],
        new=list(lesson.new),
        parts=list(lesson.parts),
        letters=list(lesson.letters),
        minutes=lesson.minutes,
        spent=lesson.spent,
        steps=[
            LessonStep(
                kind=step.kind,
                minutes=step.minutes,
                skipped=step.skipped,
                note=step.note,
                title=STEPS[step.kind].title,
                what=STEPS[step.kind].what,
                showings=list(STEPS[step.kind].showings),
                prompts=list(prompts(lesson, step.kind, known.customs)),
                copy_text=copy_of(lesson, step.kind, date_text),
                rows=STEPS[step.kind].rows,
            )
            for step in lesson.steps
        ],
        prompt=lesson.prompt,
        picture=picture_of(lesson.prompt),
        look_back=list(lesson.look_back),
        words=list(lesson.words),
        sounds=[word_out(heard_in(text, known.own)) for text in lesson.words],
        sentence=SentenceOut(
            text=looked.text,
            words=len(looked.words),
            notes=[note.what for note in looked.notes] if looked.text else [],
        ),
    )
