"""What the pads are to do while a lesson goes on: to write, with help that fades row by row; to
trace in the air, to choose, to look at the board."""

from collections.abc import Collection, Iterable, Iterator, Mapping
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.customs import AMOUNTS, Customs
from firstloop.core.teaching.steps import StepKind
from firstloop.core.teaching.tasks import Writing

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

FREELY: Key = (Kind.FREE, "", Help.RECALL)
"""What is written freely: as a task of its own, or by who is done early, where nobody counts it."""


@dataclass(frozen=True, slots=True)
class PadTask:
    """Something to write on a pad: in which step, what, with how much help; how many are enough
    (None: no limit); in how many rows; and in a cell for each letter, or on one long line. `gap` is
    the word of a sentence that its model leaves out."""

    step: StepKind
    kind: Kind
    target: str
    help: Help
    enough: int | None = 1
    rows: int = 1
    gap: str = ""

    @property
    def in_cells(self) -> bool:
        """Whether it is handed in letter by letter."""
        return self.kind is Kind.LETTER

    def is_enough(self, written: int) -> bool:
        """Whether so many are enough; struck ones do not count, and one more is no fault."""
        return self.enough is not None and written >= self.enough

    def counted(self, written: int) -> int:
        """How many of so many count towards the whole: no more than are enough."""
        return written if self.enough is None else min(written, self.enough)

    @property
    def key(self) -> Key:
        """What attempts at it are known by."""
        return self.kind, self.target, self.help


def doing_at(step: StepKind, tasks: Collection[PadTask]) -> Doing:
    """What pads are for in a step: to write where something is written.

    >>> doing_at(StepKind.BEST, ()), doing_at(StepKind.SETTLE, ())
    (<Doing.CHOOSE: 'choose'>, <Doing.WATCH: 'watch'>)
    """
    if tasks:
        return Doing.WRITE
    return {StepKind.BIG: Doing.AIR, StepKind.BEST: Doing.CHOOSE}.get(step, Doing.WATCH)


def tasks_for(step: StepKind, writings: Iterable[Writing], customs: Customs) -> Iterator[PadTask]:
    """What is written on pads in a step, in its order.

    >>> from firstloop.core.teaching.customs import USUAL
    >>> for one in tasks_for(StepKind.OWN, [Writing(Kind.ROW, "n", 1, helped=True)], USUAL):
    ...     print(one.kind.value, one.target, one.help.value, one.enough)
    letter n trace 3
    letter n finish 3
    letter n copy 5
    """
    for writing in writings:
        yield from _tasks_of(step, writing, customs)


def _tasks_of(step: StepKind, writing: Writing, customs: Customs) -> Iterable[PadTask]:
    if writing.kind is Kind.ROW:
        return _fading(step, writing, customs)
    if writing.kind is Kind.FREE:
        return (PadTask(step, *FREELY, rows=writing.rows),)
    from_memory = customs.from_memory and step in (StepKind.LOOK_BACK, StepKind.WORDS)
    if from_memory and writing.kind is Kind.SEQUENCE:
        letters = writing.text.split()
        return [PadTask(step, Kind.LETTER, letter, Help.RECALL) for letter in letters]
    help = Help.RECALL if from_memory else Help.COPY
    task = PadTask(step, writing.kind, writing.text, help, writing.times, writing.rows, writing.gap)
    return (task,)


def _fading(step: StepKind, row: Writing, customs: Customs) -> Iterable[PadTask]:
    """Traced, finished from its dots, then one's own; of what is taught, one's own alone."""
    part = row.text
    enough = AMOUNTS[customs.own].on_a_pad
    kind, helped = Kind.LETTER, HELPED
    if len(part) > 1:
        kind, helped = Kind.WORD, 1
        enough = None if enough is None else min(enough, MOST_PARTS)
    first = (Help.TRACE, Help.FINISH) if row.helped else ()
    return (
        *(PadTask(step, kind, part, help, helped) for help in first),
        PadTask(step, kind, part, Help.COPY, enough),
    )


def task_now(tasks: Iterable[PadTask], written: Mapping[Key, int]) -> PadTask | None:
    """The task that a child has come to, by how many of each were written: the first of which there
    is not enough, or else the last.

    >>> two = [PadTask(StepKind.OWN, Kind.LETTER, "n", help, 3) for help in (Help.TRACE, Help.COPY)]
    >>> task_now(two, {two[0].key: 3}).help.value
    'copy'
    """
    last = None
    for last in tasks:
        if not last.is_enough(written.get(last.key, 0)):
            break
    return last
