"""The lesson under way: one value that knows what happens now. Board, pads, the room, the teacher's
phone, the printed plan and the page for home ask it, so that they say the same."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date
from functools import lru_cache

from firstloop.core.teaching.course import Stop, course
from firstloop.core.teaching.customs import AMOUNTS, Customs
from firstloop.core.teaching.gets import AS_THE_CLASS, Gets
from firstloop.core.teaching.instructions import further_of, prompts
from firstloop.core.teaching.lesson import Lesson, parts_of
from firstloop.core.teaching.pad_tasks import (
    FREELY,
    Doing,
    Key,
    PadTask,
    doing_at,
    task_now,
    tasks_for,
)
from firstloop.core.teaching.steps import STEPS, Showing, StepKind
from firstloop.core.teaching.tasks import Writing, writings_of
from firstloop.core.vocabulary.language import Language, long_date


@dataclass(frozen=True, slots=True)
class Progress:
    """How much of a stop a child has written, of how much (None: no limit), and whether that is
    enough: of each of its tasks as many as it asks for."""

    written: int
    enough: int | None
    is_enough: bool


@dataclass(frozen=True, slots=True)
class Moment:
    """A stop of a lesson and all that there is to it: what it is called, the teacher's note, the
    ways to show it, and what is shown in turn; the line that is written, as the board has it; what
    it is about, in a line for the teacher; what the class is told, and what only the teacher sees;
    what pads are for, and what is written on them; whether children may rub out, and whether what
    is written is heard before it is seen; what who is done early may write about, if anything."""

    stop: Stop
    title: str
    note: str
    showings: tuple[Showing, ...]
    parts: tuple[str, ...]
    text: str
    matter: str
    said: tuple[str, ...]
    for_her: tuple[str, ...]
    doing: Doing
    writings: tuple[Writing, ...]
    tasks: tuple[PadTask, ...]
    may_rub_out: bool
    heard: bool
    further: str

    @property
    def name(self) -> str:
        """Its title, with the letter that it has come round to."""
        return f"{self.title}: {self.stop.part}" if self.stop.part else self.title

    @property
    def rows(self) -> int:
        """On how many lines all of it is written; one where nothing is."""
        return max(1, sum(writing.rows for writing in self.writings))

    def given(self, gets: Gets) -> "Moment":
        """The same for a child that gets something otherwise than its class."""
        return self if gets == AS_THE_CLASS else replace(self, tasks=gets.of(self.tasks))

    def task_for(self, written: Mapping[Key, int]) -> PadTask | None:
        """What a child has come to, by how many of each task it has written."""
        return task_now(self.tasks, written)

    def progress(self, written: Mapping[Key, int]) -> Progress:
        """How far a child is. What is written beyond enough of one task makes up for no other.

        >>> from firstloop.core.teaching.customs import USUAL
        >>> from firstloop.core.teaching.lesson import plan
        >>> lesson = under_way(plan(["n"], 20), date(2026, 3, 2), Language(), USUAL, StepKind.OWN)
        >>> trace, finish, own = (task.key for task in lesson.now.tasks)
        >>> lesson.now.progress({trace: 11})
        Progress(written=3, enough=11, is_enough=False)
        >>> lesson.now.progress({trace: 3, finish: 3, own: 6})
        Progress(written=11, enough=11, is_enough=True)
        """
        limits = [task.enough for task in self.tasks]
        return Progress(
            written=sum(task.counted(written.get(task.key, 0)) for task in self.tasks),
            enough=sum(one or 0 for one in limits) if limits and None not in limits else None,
            is_enough=bool(self.tasks)
            and all(task.is_enough(written.get(task.key, 0)) for task in self.tasks),
        )


@dataclass(frozen=True, slots=True)
class UnderWay:
    """A lesson with its date as the class writes it and by the class's customs: all its moments,
    and which of them is now, if any."""

    lesson: Lesson
    date_text: str
    customs: Customs
    moments: tuple[Moment, ...]
    now: Moment | None

    def asks_for(self, key: Key) -> bool:
        """Whether something is written at any of its moments. Whether from memory or from a model
        may have been changed while it was written, and so may what a child gets."""
        return key in _keys(self.lesson, self.date_text, self.customs)

    @property
    def at_home(self) -> tuple[str, ...]:
        """What is taken home: what the lesson is on, or of a lesson of words these."""
        return self.lesson.new or self.lesson.words

    @property
    def asked_at_home(self) -> str:
        """How many of their own are written at home, in words."""
        return AMOUNTS[self.customs.own].at_home


def under_way(  # noqa: PLR0917  # what a lesson is given with
    lesson: Lesson,
    day: date,
    language: Language,
    customs: Customs,
    at: StepKind | None = None,
    part: str | None = None,
) -> UnderWay:
    """A lesson at a step, and where that comes round, at a letter. One that no board has begun is
    at its first stop at which something is written, so that it can be given on pads alone.

    >>> from firstloop.core.teaching.customs import USUAL
    >>> from firstloop.core.teaching.lesson import plan
    >>> lesson = plan(["n"], 20, look_back=["r", "m"], words=["nap"])
    >>> for moment in under_way(lesson, date(2026, 3, 2), Language(), USUAL).moments[1:3]:
    ...     print(moment.name, moment.text, moment.rows, sep=" | ")
    Today's date | Monday 2nd March 2026 | 2
    Look back | r m | 1
    """
    customs = replace(customs, own=lesson.own or customs.own)
    date_text = long_date(day, language)
    moments = _moments(lesson, date_text, customs)
    return UnderWay(lesson, date_text, customs, moments, _now(moments, at, part))


# Thirty pads ask for the same lesson again and again.
@lru_cache(maxsize=64)
def _moments(lesson: Lesson, date_text: str, customs: Customs) -> tuple[Moment, ...]:
    notes = {step.kind: step.note for step in lesson.steps}
    return tuple(
        _moment(stop, notes[stop.kind], lesson, date_text, customs) for stop in course(lesson)
    )


@lru_cache(maxsize=64)
def _keys(lesson: Lesson, date_text: str, customs: Customs) -> frozenset[Key]:
    """What is written at any moment of a lesson, from memory or from a model, with more help or
    not, or once there is enough of it."""
    moments = _moments(lesson, date_text, customs)
    asked = {
        task.key
        for either in (replace(customs, from_memory=one) for one in (False, True))
        for moment in moments
        for gets in (AS_THE_CLASS, Gets(more_help=True))
        for task in gets.of(tasks_for(moment.stop.kind, moment.writings, either))
    }
    return frozenset(asked | {FREELY} if any(one.further for one in moments) else asked)


def _moment(stop: Stop, note: str, lesson: Lesson, date_text: str, customs: Customs) -> Moment:
    info = STEPS[stop.kind]
    writings = writings_of(stop, lesson, date_text, customs)
    tasks = tuple(tasks_for(stop.kind, writings, customs))
    text = _line_of(stop, writings)
    is_words = stop.kind is StepKind.WORDS
    amount = AMOUNTS[customs.own].told if stop.kind is StepKind.OWN else ""
    return Moment(
        stop=stop,
        title=info.title,
        note=note,
        showings=info.showings,
        parts=parts_of(stop.about),
        text=text,
        matter=amount or (text if writings else "") or info.what,
        said=prompts(lesson, stop.kind, customs),
        for_her=stop.words if is_words else _read_out(stop, lesson),
        doing=doing_at(stop.kind, tasks),
        writings=writings,
        tasks=tasks,
        may_rub_out=is_words and customs.rubbing_out,
        heard=customs.from_memory and stop.kind in (StepKind.WORDS, StepKind.SENTENCE),
        further=further_of(stop.kind, stop.about) if tasks else "",
    )


def _read_out(stop: Stop, lesson: Lesson) -> tuple[str, ...]:
    """The sentence, which is said before it is seen."""
    is_sentence = stop.kind is StepKind.SENTENCE and lesson.sentence != ""
    return (lesson.sentence,) if is_sentence else ()


def _line_of(stop: Stop, writings: Iterable[Writing]) -> str:
    """What stands on the board to be written; where nothing is, what the stop is about."""
    texts = [writing.text for writing in writings]
    if not texts:
        return " ".join(stop.about)
    return (", " if stop.kind is StepKind.WORDS else " ").join(texts)


def _now(moments: tuple[Moment, ...], at: StepKind | None, part: str | None) -> Moment | None:
    if at is None:
        return next((moment for moment in moments if moment.tasks), None)
    there = [moment for moment in moments if moment.stop.kind is at]
    return next((one for one in there if one.stop.part == part), there[0] if there else None)
