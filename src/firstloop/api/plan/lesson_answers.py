"""A lesson as an answer: its steps, its course, its words as they are heard, its sentence."""

from dataclasses import dataclass
from datetime import date

from firstloop.api.answer import Answer
from firstloop.api.plan.letters import WordOut, word_out
from firstloop.core.contract import Code, Stage
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.customs import Customs
from firstloop.core.teaching.free import picture_of
from firstloop.core.teaching.lesson import Lesson, letters_of
from firstloop.core.teaching.load import Cut, load_of
from firstloop.core.teaching.pad_tasks import Doing
from firstloop.core.teaching.steps import STEPS, Rounds, Shape, Showing, StepKind
from firstloop.core.teaching.under_way import Moment, under_way
from firstloop.core.vocabulary.language import Language
from firstloop.core.vocabulary.sentences import look_over
from firstloop.core.vocabulary.sounds import Word, heard_in
from firstloop.services.lessons import letters_taught, pace_of_class
from firstloop.store import own_vocabulary
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord, LessonRecord


class LessonStep(Answer):
    """A step as it is planned: its minutes, whether it is skipped, the teacher's note, what is done
    in it."""

    kind: StepKind
    minutes: float
    skipped: bool
    note: str
    title: str
    what: str


class TaskOut(Answer):
    """Something that is written on pads: what, with how much help, how many are enough (null: no
    limit), on how many lines, and the word that is a gap in the model."""

    kind: Kind
    target: str
    help: Help
    enough: int | None
    rows: int
    gap: str


class WritingOut(Answer):
    """Something to write: what kind of text, the text (of free writing, none), on how many lines;
    of a row how many letters, where that is said; how often; the word that is a gap in the
    model."""

    kind: Kind
    text: str
    lines: int
    letters: int | None
    times: int
    gap: str


class StopOut(Answer):
    """A place on the way through a lesson, and all that there is to it: what it is called, the
    teacher's note, the ways to show it; what it is about, its parts to be shown in turn; the line
    that is written and on how many rows; what the class is told and what only the teacher sees;
    what pads are for. `part` is the one that a step which comes round has come to."""

    kind: StepKind
    part: str | None
    title: str
    name: str
    note: str
    showings: list[Showing]
    about: list[str]
    parts: list[str]
    letters: list[str]
    words: list[str]
    minutes: float
    text: str
    rows: int
    told: list[str]
    for_her: list[str]
    doing: Doing
    writings: list[WritingOut]
    tasks: list[TaskOut]
    rubbing_out: bool
    heard: bool


class SentenceOut(Answer):
    """A sentence, the number of its words, and what it lacks."""

    text: str
    words: int
    notes: list[str]


class LoadOut(Answer):
    """How much a lesson asks of a hand: letters, minutes that they take and that there are, letters
    a minute; what is to be said of it, and what could be cut."""

    letters: int
    takes: float
    has: float
    pace: float
    says: list[str]
    cuts: list[Cut]


class LessonMatterOut(Answer):
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
    word_times: int
    to_the_end: bool
    gap: str
    habit: Code | None
    load: LoadOut


class LessonOut(LessonMatterOut):
    """A lesson of a day; `at` is the step that the board is at, `part` the letter that it has come
    round to; `group` are the children of a group's, by their ids."""

    id: int
    day: date
    at: StepKind | None
    part: str | None
    given: bool
    group: list[int] | None


@dataclass(frozen=True, slots=True)
class Known:
    """What a class knows: its taught letters, its own words, how it writes dates and sentences,
    what it does in its own way, how far it is and how many letters a minute it writes."""

    taught: frozenset[str]
    own: tuple[Word, ...]
    language: Language
    customs: Customs
    stage: Stage
    pace: float


def known_of(session: Session, school_class: ClassRecord) -> Known:
    """What there is to know of it now."""
    return Known(
        frozenset(letters_taught(session, school_class)),
        tuple(own_vocabulary.of_class(session, school_class.id)),
        school_class.language,
        school_class.customs,
        school_class.stage,
        pace_of_class(session, school_class),
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
        group=None if kept.group is None else sorted(kept.group),
    )


def _stop_out(moment: Moment) -> StopOut:
    stop = moment.stop
    return StopOut(
        kind=stop.kind,
        part=stop.part,
        title=moment.title,
        name=moment.name,
        note=moment.note,
        showings=list(moment.showings),
        about=list(stop.about),
        parts=list(moment.parts),
        letters=list(letters_of(stop.about)),
        words=list(stop.words),
        minutes=stop.minutes,
        text=moment.text,
        rows=moment.rows,
        told=list(moment.said),
        for_her=list(moment.for_her),
        doing=moment.doing,
        writings=[
            WritingOut(
                kind=one.kind,
                text=one.text,
                lines=one.rows,
                letters=one.letters,
                times=one.times,
                gap=one.gap,
            )
            for one in moment.writings
        ],
        tasks=[TaskOut.model_validate(task, from_attributes=True) for task in moment.tasks],
        rubbing_out=moment.may_rub_out,
        heard=moment.heard,
    )


def matter_out(lesson: Lesson, day: date, known: Known) -> LessonMatterOut:
    """A lesson, planned or proposed, as an answer."""
    looked = look_over(lesson.sentence, {*known.taught, *lesson.letters}, known.language)
    given = under_way(lesson, day, known.language, known.customs)
    return LessonMatterOut(
        shape=lesson.shape,
        rounds=lesson.rounds,
        aim=lesson.aim,
        course=[_stop_out(moment) for moment in given.moments],
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
            )
            for step in lesson.steps
        ],
        prompt=lesson.prompt,
        word_times=lesson.word_times,
        to_the_end=lesson.to_the_end,
        gap=lesson.gap_word,
        habit=lesson.habit,
        load=LoadOut.model_validate(load_of(given, known.stage, known.pace), from_attributes=True),
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
