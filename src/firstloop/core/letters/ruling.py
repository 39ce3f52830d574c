"""The ruled lines that letters stand on.

In u the base line is 0 and the mid line 1 by definition, so a ruling is two numbers: how far the
top line is above the base, how far the drop line is below it; and which of the four are drawn.
"""

from dataclasses import dataclass, replace
from enum import StrEnum

from firstloop.core.errors import RulingError


class Line(StrEnum):
    """The four lines by name, from above."""

    TOP = "top"
    MID = "mid"
    BASE = "base"
    DROP = "drop"


class RulingKind(StrEnum):
    """Which lines a class writes on. Letters keep their heights on all of them."""

    BASE = "base"
    TWO = "two"
    THREE = "three"
    FOUR = "four"
    SQUARES = "squares"


class LineLook(StrEnum):
    """How a line is drawn; `squared` is the side of blocks as wide as they are high."""

    SOLID = "solid"
    DASHED = "dashed"
    COLOURED = "coloured"
    SQUARED = "squared"
    HIDDEN = "hidden"


_SOLID = {
    RulingKind.BASE: {Line.BASE},
    RulingKind.TWO: {Line.MID, Line.BASE},
    RulingKind.THREE: {Line.TOP, Line.BASE},
    RulingKind.FOUR: {Line.TOP, Line.BASE, Line.DROP},
}
_DASHED = {RulingKind.THREE: {Line.MID}, RulingKind.FOUR: {Line.MID}}

Looks = tuple[tuple[Line, LineLook], ...]

Names = tuple[tuple[Line, str], ...]

USUAL_NAMES = {
    Line.TOP: "top line",
    Line.MID: "mid line",
    Line.BASE: "base line",
    Line.DROP: "drop line",
}

LONGEST_NAME = 24
"""Letters: a line's name is said within a sentence."""

PRESETS: dict[str, Looks] = {
    "As usual": (),
    "Body solid, outer broken": (
        (Line.TOP, LineLook.DASHED),
        (Line.MID, LineLook.SOLID),
        (Line.BASE, LineLook.SOLID),
        (Line.DROP, LineLook.DASHED),
    ),
    "Outer solid, body broken": (
        (Line.TOP, LineLook.SOLID),
        (Line.MID, LineLook.DASHED),
        (Line.BASE, LineLook.DASHED),
        (Line.DROP, LineLook.SOLID),
    ),
    "Base line in colour": ((Line.BASE, LineLook.COLOURED),),
    "Body in colour": ((Line.MID, LineLook.COLOURED), (Line.BASE, LineLook.COLOURED)),
}
"""Looks that schools' paper has, by name; of the lines that a ruling has not, nothing is seen."""

TOP_RANGE, DROP_RANGE, X_HEIGHT_MM_RANGE = (1.6, 2.4), (-1.4, -0.7), (4.0, 15.0)
"""u, u, mm: what a class may choose. Beyond the first two, tall letters and tails no longer look
like the hand's; 4 to 15 mm is from the finest lines of an eight-year-old to a first board."""

TALLEST, DEEPEST = (1.2, 5.0), (-5.0, -0.2)
"""u: what lines of a page may be at all. Between nearer ones no tall letter or tail can be told."""


@dataclass(frozen=True, slots=True)
class Ruling:
    """Where the top and drop lines are, in u; base 0 and mid 1 are understood.

    The defaults are the design's starting proportions: tall parts 1.9 u, tails to -0.95 u.
    """

    top: float = 1.9
    drop: float = -0.95
    kind: RulingKind = RulingKind.FOUR
    looks: Looks = ()
    """Of lines that do not look as they usually do on this kind."""
    names: Names = ()
    """What the school calls lines, where it does not call them as we do."""

    @classmethod
    def of(
        cls, kind: RulingKind, top: float, drop: float, looks: Looks = (), names: Names = ()
    ) -> "Ruling":
        """A ruling of a kind; block squares are whole squares, whatever heights are asked for.

        >>> Ruling.of(RulingKind.SQUARES, 1.9, -0.95).top
        2.0
        """
        if kind is RulingKind.SQUARES:
            top, drop = 2.0, -1.0
        return cls(top, drop, kind, looks, names)

    def on(self, paper: "Ruling") -> "Ruling":
        """The same heights, on the lines of another paper and by their names there."""
        return replace(self, kind=paper.kind, names=paper.names)

    def name(self, line: Line) -> str:
        """What the school calls a line.

        >>> Ruling(names=((Line.MID, "dotted line"),)).name(Line.MID), Ruling().name(Line.TOP)
        ('dotted line', 'top line')
        """
        return dict(self.names).get(line, USUAL_NAMES[line])

    def look(self, line: Line) -> LineLook:
        """How a line is drawn.

        >>> [str(Ruling(kind=RulingKind.THREE).look(line)) for line in Line]
        ['solid', 'dashed', 'solid', 'hidden']
        >>> Ruling(looks=((Line.BASE, LineLook.COLOURED),)).look(Line.BASE).value
        'coloured'
        """
        if self.kind is RulingKind.SQUARES:
            return LineLook.SQUARED
        usual = LineLook.SOLID if line in _SOLID[self.kind] else LineLook.HIDDEN
        if line in _DASHED.get(self.kind, ()):
            usual = LineLook.DASHED
        return usual if usual is LineLook.HIDDEN else dict(self.looks).get(line, usual)

    def height(self, line: Line) -> float:
        """The height of a line in u above the base line."""
        return {Line.TOP: self.top, Line.MID: 1.0, Line.BASE: 0.0, Line.DROP: self.drop}[line]

    @classmethod
    def from_page(cls, lines: dict[Line, float], *, x_height: float) -> "Ruling":
        """A ruling from lines on a page whose y grows downwards, in any unit.

        `lines` holds base and whatever else the page has; `x_height` is in the same unit. Raises
        RulingError for lines between which no letters can be written.

        >>> Ruling.from_page({Line.BASE: 30.0, Line.MID: 20.0, Line.TOP: 12.0}, x_height=10.0).top
        1.8
        """
        default, base = cls(), lines[Line.BASE]

        def above_base(line: Line) -> float:
            return (base - lines[line]) / x_height if line in lines else default.height(line)

        top, drop = above_base(Line.TOP), above_base(Line.DROP)
        for line, height, (least, most) in ((Line.TOP, top, TALLEST), (Line.DROP, drop, DEEPEST)):
            if not least <= height <= most:
                raise RulingError(
                    f"the {line} line is {height:.3g} times the x-height above the base line; "
                    f"it should be {least:g} to {most:g} times"
                )
        return cls(top, drop)


@dataclass(frozen=True, slots=True)
class Rule:
    """A line to be ruled: from one place to another (x, y; y up), its weight, and the length of its
    dashes, which is that of the gaps between them; None where it is solid. All in u. `coloured` is
    told apart from the other lines by its colour."""

    start: tuple[float, float]
    end: tuple[float, float]
    weight: float
    dash: float | None = None
    coloured: bool = False


WEIGHT, BASE_WEIGHT, DASH = 0.015, 0.03, 0.14
"""u: of lines, of the base line, which is the strongest, and of a dash."""


def rules(ruling: Ruling, left: float, right: float) -> tuple[Rule, ...]:
    """What is ruled between two places (u): the lines that are seen, and of squares their sides.

    >>> [(rule.start[1], rule.dash) for rule in rules(Ruling(kind=RulingKind.TWO), 0.0, 5.0)]
    [(1.0, None), (0.0, None)]
    >>> len(rules(Ruling.of(RulingKind.SQUARES, 2.0, -1.0), 0.0, 2.0))  # four lines, three sides
    7
    """
    looks = [(line, ruling.look(line)) for line in Line]
    found = [
        Rule(
            (left, ruling.height(line)),
            (right, ruling.height(line)),
            BASE_WEIGHT if line is Line.BASE else WEIGHT,
            DASH if look is LineLook.DASHED else None,
            look is LineLook.COLOURED,
        )
        for line, look in looks
        if look is not LineLook.HIDDEN
    ]
    if ruling.kind is RulingKind.SQUARES:
        sides = (left + at for at in range(int(right - left) + 1))
        found += [Rule((x, ruling.drop), (x, ruling.top), WEIGHT) for x in sides]
    return tuple(found)
