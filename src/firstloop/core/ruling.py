"""The ruled lines that letters stand on.

In u the base line is 0 and the mid line 1 by definition, so a ruling is two numbers: how far the
top line is above the base, how far the drop line is below it.
"""

from dataclasses import dataclass
from enum import StrEnum


class Line(StrEnum):
    """The four lines by name, from above."""

    TOP = "top"
    MID = "mid"
    BASE = "base"
    DROP = "drop"


@dataclass(frozen=True, slots=True)
class Height:
    """A height given by a line, and how far above it (u; negative: below).

    >>> Height(Line.MID, -0.25).on(Ruling())
    0.75
    """

    line: Line
    plus: float = 0.0

    def on(self, ruling: "Ruling") -> float:
        """The height in u above the base line of this ruling."""
        return ruling.height(self.line) + self.plus

    @property
    def is_a_line(self) -> bool:
        """Whether the height is one that a child can see on the page."""
        return self.plus == 0.0


@dataclass(frozen=True, slots=True)
class Ruling:
    """Where the top and drop lines are, in u; base 0 and mid 1 are understood.

    The defaults are the design's starting proportions: tall parts 1.9 u, tails to -0.95 u.
    """

    top: float = 1.9
    drop: float = -0.95

    def height(self, line: Line) -> float:
        """The height of a line in u above the base line."""
        return {Line.TOP: self.top, Line.MID: 1.0, Line.BASE: 0.0, Line.DROP: self.drop}[line]

    @classmethod
    def from_page(cls, lines: dict[Line, float], *, x_height: float) -> "Ruling":
        """A ruling from lines on a page whose y grows downwards, in any unit.

        `lines` holds base and whatever else the page has; `x_height` is in the same unit.

        >>> Ruling.from_page({Line.BASE: 30.0, Line.MID: 20.0, Line.TOP: 12.0}, x_height=10.0)
        Ruling(top=1.8, drop=-0.95)
        """
        default, base = cls(), lines[Line.BASE]

        def above_base(line: Line) -> float:
            return (base - lines[line]) / x_height if line in lines else default.height(line)

        return cls(top=above_base(Line.TOP), drop=above_base(Line.DROP))
