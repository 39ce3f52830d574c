"""What a check gives: findings, and the result of it all."""

from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Kind
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.polyline import FloatArray

CHECKER_VERSION = "15"
"""Goes up whenever the same ink may get another answer."""

ALL_IS_WELL = "Just right. Make the next one the same way."


@dataclass(frozen=True, slots=True)
class Finding:
    """A measure in words: `note` for the teacher, `say` for the child."""

    code: Code
    dimension: Dimension
    severity: Verdict
    stroke: int
    move: int
    measure: float
    limit: float
    unit: str
    note: str
    say: str
    other: str | None = None
    index: int | None = None
    """Where in a text, spaces counted; None for all of it, and where there is one letter."""


@dataclass(frozen=True, slots=True, eq=False)
class MoveInk:
    """Which ink was taken for which move of the script; points (n, 2) in u."""

    stroke: int
    move: int
    points: FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class Result:
    """What a check says of one attempt; findings the most important first."""

    target: str
    kind: Kind
    hand: str
    reads_as: str | None
    way: str
    verdict: dict[Dimension, Verdict]
    findings: tuple[Finding, ...]
    say: str
    trail: tuple[MoveInk, ...]
    checker: str


class MarkKind(StrEnum):
    """What a child put on the writing."""

    UNDER = "under"
    TICK = "tick"
    RING = "ring"
    STRIKE = "strike"


@dataclass(frozen=True, slots=True)
class Mark:
    """A mark: the places of its traces, and of the letter that it is about."""

    kind: MarkKind
    strokes: tuple[int, ...]
    index: int


@dataclass(frozen=True, slots=True, eq=False)
class LetterResult:
    """What a check says of one letter of a text. `index` is its place in what was asked for, spaces
    counted, and of a row which one it is; `target` None of a letter too many; `strokes` the places
    of the traces that it was made of, whole or in part; `box` left, bottom, right, top in u, from
    the left edge of all the ink; `lines` its ink (n, 2) on the text's own line of feet, by which it
    was judged. What is struck out has no findings."""

    index: int
    target: str | None
    reads_as: str | None
    strokes: tuple[int, ...]
    box: tuple[float, float, float, float]
    verdict: dict[Dimension, Verdict]
    findings: tuple[Finding, ...]
    lines: Lines
    struck: bool = False
    asked: bool = True
    """Whether it is the letter that was asked for, in its case."""

    @property
    def is_evidence(self) -> bool:
        """Whether it says something of how the letter that was asked for is written: not where it
        was struck out, too many, or another letter was written."""
        return not self.struck and self.target is not None and self.target.isalnum() and self.asked


@dataclass(frozen=True, slots=True)
class RowCourse:
    """A row: which letter is the best, by its place, and whether the row gets better (above 0) or
    worse along its way, in what a letter costs from its first third to its last (u²)."""

    best: int
    change: float


@dataclass(frozen=True, slots=True, eq=False)
class TextResult:
    """What a check says of a text; findings its own first, then its letters' most important."""

    target: str
    kind: Kind
    hand: str
    reads_as: str
    verdict: dict[Dimension, Verdict]
    findings: tuple[Finding, ...]
    say: str
    letters: tuple[LetterResult, ...]
    marks: tuple[Mark, ...]
    row: RowCourse | None
    checker: str
