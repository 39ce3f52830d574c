"""What one child gets otherwise than its class: larger lines, fewer letters, more help, the model
on the other side, other limits. Board, pads and whatever else a child writes on follow it."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from enum import StrEnum
from math import ceil

from firstloop.core.contract import Stage
from firstloop.core.evidence.task import Handedness, Help, Kind
from firstloop.core.teaching.pad_tasks import HELPED, PadTask


class LineSize(StrEnum):
    """How high lines are, as against the class's."""

    AS_CLASS = "as_class"
    LARGER = "larger"
    LARGEST = "largest"


TIMES_AS_HIGH = {LineSize.AS_CLASS: 1.0, LineSize.LARGER: 1.4, LineSize.LARGEST: 1.8}
"""[share] So that lines of 8 mm come to about 11 and 14 mm, which exercise books also have."""

FEWER = 0.6
"""[share] Of the letters that others write: three of five, two of three."""


class Side(StrEnum):
    """Where the model stands beside what is written."""

    LEFT = "left"
    RIGHT = "right"


@dataclass(frozen=True, slots=True)
class Gets:
    """What a child gets; as it is, what its class gets. `model_side` None: where its hand does not
    cover it; `stage` None: by the limits of the class."""

    lines: LineSize = LineSize.AS_CLASS
    fewer: bool = False
    more_help: bool = False
    model_side: Side | None = None
    stage: Stage | None = None

    @property
    def times_as_high(self) -> float:
        """How many times as high its lines are as the class's."""
        return TIMES_AS_HIGH[self.lines]

    def side_for(self, handedness: Handedness) -> Side:
        """Where its model stands: on the right of who writes with the left hand, unless it is said.

        >>> hers = Gets(model_side=Side.LEFT)
        >>> Gets().side_for(Handedness.LEFT).value, hers.side_for(Handedness.LEFT).value
        ('right', 'left')
        """
        usual = Side.RIGHT if handedness is Handedness.LEFT else Side.LEFT
        return self.model_side or usual

    def of(self, tasks: Iterable[PadTask]) -> tuple[PadTask, ...]:
        """What it writes where its class writes these.

        >>> from firstloop.core.teaching.steps import StepKind
        >>> own = PadTask(StepKind.OWN, Kind.LETTER, "n", Help.COPY, 5)
        >>> for task in Gets(fewer=True, more_help=True).of([own]):
        ...     print(task.help.value, task.enough)
        finish 2
        copy 3
        """
        given = self._helped([*tasks]) if self.more_help else tasks
        return tuple(replace(task, enough=self._enough(task.enough)) for task in given)

    def _enough(self, enough: int | None) -> int | None:
        return ceil(FEWER * enough) if enough and self.fewer else enough

    @staticmethod
    def _helped(tasks: list[PadTask]) -> Iterator[PadTask]:
        """The starting dots before a letter of one's own, and a model of what others write from
        memory."""
        there = {(task.step, task.target) for task in tasks if task.help is Help.FINISH}
        for task in tasks:
            shown = replace(task, help=Help.COPY) if task.help is Help.RECALL else task
            if task.kind is Kind.FREE:
                shown = task
            if shown.kind is Kind.LETTER and (task.step, task.target) not in there:
                yield replace(shown, help=Help.FINISH, enough=HELPED)
            yield shown


AS_THE_CLASS = Gets()
