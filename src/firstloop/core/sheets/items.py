"""What is drawn on a page, in millimetres from its top left corner, y downwards: the same for
print, preview and pictures."""

from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.geometry.polyline import FloatArray


class Look(StrEnum):
    """What a line or a sign is for: each medium has its colour, and all are told apart in grey."""

    INK = "ink"
    MODEL = "model"
    DOTTED = "dotted"
    RULE = "rule"
    RULE_COLOURED = "rule-coloured"
    SIGN = "sign"
    SOFT = "soft"
    MARK = "mark"
    ONCE = "once"
    TWICE = "twice"


@dataclass(frozen=True, slots=True, eq=False)
class Line:
    """A line (n, 2), so wide; with dashes and gaps of a length, or none (None)."""

    points: FloatArray
    width: float
    look: Look
    dash: tuple[float, float] | None = None
    round: bool = True


@dataclass(frozen=True, slots=True)
class Disc:
    """A filled dot."""

    at: tuple[float, float]
    radius: float
    look: Look


@dataclass(frozen=True, slots=True)
class Words:
    """A text on its base line; the place is where it begins, or with `middle` its middle."""

    at: tuple[float, float]
    size: float
    text: str
    look: Look = Look.INK
    bold: bool = False
    middle: bool = False


@dataclass(frozen=True, slots=True)
class Mark:
    """A square mark that is found in a photograph, by its number; the place is its middle."""

    at: tuple[float, float]
    size: float
    number: int


@dataclass(frozen=True, slots=True)
class Picture:
    """One of the small pictures, by its name; the place is its top left corner."""

    at: tuple[float, float]
    size: float
    name: str


Item = Line | Disc | Words | Mark | Picture
