"""What the store gives and takes: frozen values, free of sessions and rows."""

from dataclasses import dataclass
from datetime import date, datetime
from enum import StrEnum

from firstloop.core.checking.findings import Dimension, Finding, Result, Verdict
from firstloop.core.errors import FirstLoopError
from firstloop.core.ink import Ink
from firstloop.core.language import Language
from firstloop.core.lesson import Lesson
from firstloop.core.letterforms import Hand
from firstloop.core.limits import Stage
from firstloop.core.phrases import Wording
from firstloop.core.ruling import Ruling
from firstloop.core.style import Style


class NotInRecordError(FirstLoopError):
    """Something was asked for that the record does not hold."""


class Handedness(StrEnum):
    """The hand a child writes with."""

    LEFT = "left"
    RIGHT = "right"


class Help(StrEnum):
    """How much help there was while writing; from the most to the least."""

    TRACE = "trace"
    FINISH = "finish"
    COPY = "copy"
    RECALL = "recall"


@dataclass(frozen=True, slots=True)
class PupilRecord:
    """A child, as little as is needed: what to call them, the hand they write with, and their stage
    where it is not the class's."""

    id: int
    name: str
    handedness: Handedness
    stage: Stage | None


@dataclass(frozen=True, slots=True)
class ClassRecord:
    """A class: its hand as its style has it, its ruling, what is said of moves in it, its
    scheme's key and its children, by name."""

    id: int
    name: str
    style: Style
    hand: Hand
    ruling: Ruling
    x_height_mm: float
    wording: Wording
    scheme: str
    stage: Stage
    language: Language
    lesson_minutes: int
    pupils: tuple[PupilRecord, ...]


@dataclass(frozen=True, slots=True)
class LessonRecord:
    """A lesson of a day, at which of its steps the board is, and when it was given, if it was."""

    id: int
    day: date
    lesson: Lesson
    at: int
    given_at: datetime | None


@dataclass(frozen=True, slots=True)
class JudgementRecord:
    """The teacher's word on an attempt. `verdicts` holds only what she sees otherwise."""

    made_at: datetime
    verdicts: dict[Dimension, Verdict]
    note: str


@dataclass(frozen=True, slots=True, eq=False)
class Checked:
    """What the checker says of a letter, as the record keeps it."""

    reads_as: str
    way: str
    verdicts: dict[Dimension, Verdict]
    findings: tuple[Finding, ...]
    say: str
    checker: str

    @classmethod
    def of(cls, result: Result) -> "Checked":
        """What is kept of a check."""
        return cls(
            reads_as=result.reads_as,
            way=result.way,
            verdicts=result.verdict,
            findings=result.findings,
            say=result.say,
            checker=result.checker,
        )


@dataclass(frozen=True, slots=True, eq=False)
class NewAttempt:
    """One written letter, and what the checker says of it, before it is kept."""

    pupil_id: int
    letter: str
    hand: str
    stage: Stage
    ruling: Ruling
    help: Help
    written_at: datetime
    ink: Ink
    checked: Checked


@dataclass(frozen=True, slots=True, eq=False)
class AttemptRecord:
    """A kept attempt, and the teacher's judgement of it where there is one."""

    id: int
    pupil: PupilRecord
    attempt: NewAttempt
    judgement: JudgementRecord | None
