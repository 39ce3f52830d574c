"""The words of the check contract: codes, dimensions, severities, and what a check gives."""

from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.polyline import FloatArray


class Dimension(StrEnum):
    """What a finding is about."""

    DIRECTION = "direction"
    SIZE = "size"
    SHAPE = "shape"


class Verdict(StrEnum):
    """How one dimension of an attempt stands."""

    SECURE = "secure"
    NEARLY = "nearly"
    NOT_YET = "not_yet"
    UNSEEN = "unseen"


class Code(StrEnum):
    """What can be found. The order is a teacher's: what she would talk about first."""

    START_PLACE = "start_place"
    STROKE_ORDER = "stroke_order"
    STROKE_DIRECTION = "stroke_direction"
    EXTRA_LIFT = "extra_lift"
    MIRRORED = "mirrored"
    TURNED = "turned"
    MISSING_PART = "missing_part"
    EXTRA_PART = "extra_part"
    OPEN_GAP = "open_gap"
    RETRACE_GAP = "retrace_gap"
    REACH_UP = "reach_up"
    REACH_DOWN = "reach_down"
    DOT_PLACE = "dot_place"
    READS_AS_OTHER = "reads_as_other"
    ENTRY_MISSING = "entry_missing"
    EXIT_MISSING = "exit_missing"
    LOOP_CROSS = "loop_cross"
    OFF_BASE = "off_base"
    BODY_HEIGHT = "body_height"
    UNEVEN_PARTS = "uneven_parts"
    WIDTH = "width"
    PART_LENGTH = "part_length"
    SLANT = "slant"
    WOBBLE = "wobble"
    SHAPE_OFF = "shape_off"


DIMENSION_OF = {
    Code.START_PLACE: Dimension.DIRECTION,
    Code.STROKE_ORDER: Dimension.DIRECTION,
    Code.STROKE_DIRECTION: Dimension.DIRECTION,
    Code.EXTRA_LIFT: Dimension.DIRECTION,
    Code.MIRRORED: Dimension.SHAPE,
    Code.TURNED: Dimension.SHAPE,
    Code.MISSING_PART: Dimension.SHAPE,
    Code.EXTRA_PART: Dimension.SHAPE,
    Code.OPEN_GAP: Dimension.SHAPE,
    Code.RETRACE_GAP: Dimension.SHAPE,
    Code.REACH_UP: Dimension.SIZE,
    Code.REACH_DOWN: Dimension.SIZE,
    Code.READS_AS_OTHER: Dimension.SHAPE,
    Code.DOT_PLACE: Dimension.SHAPE,
    Code.ENTRY_MISSING: Dimension.SHAPE,
    Code.EXIT_MISSING: Dimension.SHAPE,
    Code.LOOP_CROSS: Dimension.SHAPE,
    Code.OFF_BASE: Dimension.SIZE,
    Code.BODY_HEIGHT: Dimension.SIZE,
    Code.PART_LENGTH: Dimension.SHAPE,
    Code.UNEVEN_PARTS: Dimension.SHAPE,
    Code.WIDTH: Dimension.SIZE,
    Code.SLANT: Dimension.SHAPE,
    Code.WOBBLE: Dimension.SHAPE,
    Code.SHAPE_OFF: Dimension.SHAPE,
}


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
    hand: str
    reads_as: str
    way: str
    verdict: dict[Dimension, Verdict]
    findings: tuple[Finding, ...]
    say: str
    trail: tuple[MoveInk, ...]
    checker: str
