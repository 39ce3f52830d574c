"""What the pads are to do while a lesson goes on: to write, with help that fades row by row; to
trace in the air, to choose, to look at the board."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.course import Stop, course
from firstloop.core.teaching.customs import AMOUNTS, Customs
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.steps import StepKind
from firstloop.core.teaching.tasks import Writing, writings_of

HELPED = 3
"""Letters with each kind of help before one's own: a short row, as on the printed page."""

MOST_PARTS = 3
"""Of a pair or a word that is written as its own row: each is longer than a letter."""


class Doing(StrEnum):
    """What a pad is for just now."""

    WRITE = "write"
    AIR = "air"
    CHOOSE = "choose"
    WATCH = "watch"


Key = tuple[Kind, str, Help]
"""What attempts at a task are known by."""


@dataclass(frozen=True, slots=True)
class PadTask:
    """Something to write on a pad: in which step, what, with how much help; how many are enough
    (None: no limit); in how many rows; and in a cell for each letter, or on one long line."""

    step: StepKind
    kind: Kind
    target: str
    help: Help
    enough: int | None = 1
    rows: int = 1

    @property
    def in_cells(self) -> bool:
        """Whether it is handed in letter by letter."""
        return self.kind is Kind.LETTER

    @property
    def key(self) -> Key:
        """What attempts at it are known by."""
        return self.kind, self.target, self.help


def stop_at(
    lesson: Lesson, at: StepKind | None, part: str | None, date_text: str, customs: Customs
) -> Stop | None:
    """Where a lesson is. One that no board has begun is at its first stop at which something is
    written, so that a lesson can be given on pads alone; None where there is none."""
    stops = course(lesson)
    if at is None:
        return next((x for x in stops if tasks_at(x, lesson, date_text, customs)), None)
    there = [stop for stop in stops if stop.kind is at]
    return next((stop for stop in there if stop.part == part), there[0] if there else None)


def doing_at(stop: Stop | None) -> Doing:
    """What pads are for at a stop.

    >>> doing_at(None), doing_at(Stop(StepKind.BEST, ("n",), 1.0))
    (<Doing.WATCH: 'watch'>, <Doing.CHOOSE: 'choose'>)
    """
    if stop is None:
        return Doing.WATCH
    match stop.kind:
        case StepKind.BIG:
            return Doing.AIR
        case StepKind.BEST:
            return Doing.CHOOSE
        case (
            StepKind.DATE
            | StepKind.LOOK_BACK
            | StepKind.OWN
            | StepKind.WORDS
            | StepKind.SENTENCE
            | StepKind.FREE
        ):
            return Doing.WRITE
        case _:
            return Doing.WATCH


def tasks_at(stop: Stop, lesson: Lesson, date_text: str, customs: Customs) -> tuple[PadTask, ...]:
    """What is written at a stop, in its order.

    >>> from firstloop.core.teaching.customs import USUAL
    >>> from firstloop.core.teaching.lesson import plan
    >>> lesson = plan(["n"], 20, look_back=["r", "m"], words=["nap"])
    >>> for stop in course(lesson):
    ...     for one in tasks_at(stop, lesson, "Monday", USUAL):
    ...         print(one.step.value, one.kind.value, one.target, one.help.value, one.enough)
    date sentence Monday copy 1
    look_back sequence r m copy 1
    own letter n trace 3
    own letter n finish 3
    own letter n copy 5
    words word nap copy 1
    """
    writings = writings_of(stop, lesson, date_text, customs)
    return tuple(task for writing in writings for task in _tasks_of(stop.kind, writing, customs))


def _tasks_of(step: StepKind, writing: Writing, customs: Customs) -> Iterable[PadTask]:
    if writing.kind is Kind.ROW:
        return _fading(step, writing.text, customs)
    if writing.kind is Kind.FREE:
        return (PadTask(step, Kind.FREE, "", Help.RECALL, rows=writing.lines),)
    from_memory = customs.from_memory and step in (StepKind.LOOK_BACK, StepKind.WORDS)
    if from_memory and writing.kind is Kind.SEQUENCE:
        letters = writing.text.split()
        return [PadTask(step, Kind.LETTER, letter, Help.RECALL) for letter in letters]
    help = Help.RECALL if from_memory else Help.COPY
    return (PadTask(step, writing.kind, writing.text, help, rows=writing.lines),)


def _fading(step: StepKind, part: str, customs: Customs) -> Iterable[PadTask]:
    """Traced, finished from its dots, then one's own."""
    enough = AMOUNTS[customs.own].on_a_pad
    kind, helped = Kind.LETTER, HELPED
    if len(part) > 1:
        kind, helped = Kind.WORD, 1
        enough = None if enough is None else min(enough, MOST_PARTS)
    return (
        PadTask(step, kind, part, Help.TRACE, helped),
        PadTask(step, kind, part, Help.FINISH, helped),
        PadTask(step, kind, part, Help.COPY, enough),
    )


def tasks_of(lesson: Lesson, date_text: str, customs: Customs) -> dict[Key, PadTask]:
    """All that is written in a lesson, by what attempts are known by."""
    found: dict[Key, PadTask] = {}
    for stop in course(lesson):
        for task in tasks_at(stop, lesson, date_text, customs):
            found.setdefault(task.key, task)
    return found


def task_now(tasks: Iterable[PadTask], written: Mapping[Key, int]) -> PadTask | None:
    """The task that a child has come to, by how many of each were written: the first of which there
    is not enough, or else the last.

    >>> two = [PadTask(StepKind.OWN, Kind.LETTER, "n", help, 3) for help in (Help.TRACE, Help.COPY)]
    >>> task_now(two, {two[0].key: 3}).help.value
    'copy'
    """
    last = None
    for last in tasks:
        if last.enough is None or written.get(last.key, 0) < last.enough:
            break
    return last
