"""What a check gives: measures, the findings that they become, and the result of it all."""

from dataclasses import dataclass
from enum import Enum, auto

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Kind
from firstloop.core.geometry.polyline import FloatArray


class Against(Enum):
    """What a length is told against: the part in the model; where it stands, as a share of a body;
    or the opening that the part leaves, which it closes."""

    MODEL = auto()
    BODY = auto()
    MOUTH = auto()


@dataclass(frozen=True, slots=True)
class Measure:
    """One thing measured, before it is held against its limit and put into words.

    `value` is signed as the contract says. `stroke` and `move` are places in the letter's script.
    """

    code: Code
    value: float
    stroke: int
    move: int
    other: str | None = None
    against: Against = Against.MODEL


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
