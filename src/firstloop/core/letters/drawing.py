"""Draws a script: nodes become places on a ruling, and moves become points."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import curves, polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import (
    NOMINAL_DROP,
    NOMINAL_TOP,
    Level,
    Move,
    MoveKind,
    Node,
    Script,
    Y,
)
from firstloop.core.letters.ruling import Line, Ruling

DOT_RADIUS = 0.045
"""u: with a pen 0.1 u wide a dot is nearly twice as wide as a line."""


@dataclass(frozen=True, slots=True)
class Proportions:
    """What a hand chooses for all its letters."""

    width: float = 1.0
    """All widths of the scripts are multiplied by this."""
    slant_deg: float = 0.0
    """Lean to the right."""
    branch: float = 0.64
    """u: where arches and bowls leave their stem; the design asks for 0.6 to 0.7, not its end."""
    fullness: float = 1.04
    """Of curves: 1 is the ellipse; a little more looks written rather than constructed."""
    exit: float = 1.0
    """Flicks are this much of their length in the scripts."""


@dataclass(frozen=True, slots=True, eq=False)
class DrawnMove:
    """A move as geometry. `points` (n, 2) in u; `stroke` and `index` say where in the script."""

    move: Move
    stroke: int
    index: int
    points: FloatArray

    @property
    def ink(self) -> FloatArray:
        """The line (n, 2) to draw it with: a dot is pressed, the pen turning once on the spot, so
        that it stands out beside a line of the same pen."""
        if self.move.kind is not MoveKind.DOT:
            return self.points
        return pressed(self.points)


def pressed(dot: FloatArray) -> FloatArray:
    """A dot as it is drawn: once round on the spot; (n, 2) in u."""
    turn = np.linspace(0.0, 2.0 * np.pi, 17)
    around = np.column_stack([np.cos(turn), np.sin(turn)])
    return np.asarray(dot.mean(axis=0) + DOT_RADIUS * around)


@dataclass(frozen=True, slots=True, eq=False)
class Letter:
    """A script drawn in proportions on a ruling: strokes of drawn moves."""

    script: Script
    ruling: Ruling
    strokes: tuple[tuple[DrawnMove, ...], ...]

    @property
    def name(self) -> str:
        """The letter itself."""
        return self.script.letter

    @property
    def moves(self) -> tuple[DrawnMove, ...]:
        """All moves in writing order."""
        return tuple(move for stroke in self.strokes for move in stroke)

    def paths(self) -> tuple[FloatArray, ...]:
        """The way of the pen: each stroke as one line (n, 2), no point doubled between moves."""
        return tuple(path_of(stroke) for stroke in self.strokes)

    def inked(self) -> tuple[FloatArray, ...]:
        """What the pen leaves, to be drawn: as the paths, with the dots pressed."""
        return tuple(path_of([replace(m, points=m.ink) for m in stroke]) for stroke in self.strokes)


def path_of(moves: Sequence[DrawnMove]) -> FloatArray:
    """Moves that follow each other as one line (n, 2), without the doubled points between them."""
    return np.vstack([moves[0].points, *(move.points[1:] for move in moves[1:])])


def height_of(y: Y, shape: Proportions, ruling: Ruling) -> float:
    """The height in u of a level or of a number on the nominal grid.

    Above the mid line and below the base the grid is stretched to the ruling's lines.

    >>> height_of(1.45, Proportions(), Ruling(top=2.0))
    1.5
    >>> height_of(Level.TOP, Proportions(), Ruling())
    1.9
    """
    if isinstance(y, Level):
        return shape.branch if y is Level.BRANCH else ruling.height(Line(y.value))
    if y > 1.0:
        return 1.0 + (y - 1.0) * (ruling.top - 1.0) / (NOMINAL_TOP - 1.0)
    return y * ruling.drop / NOMINAL_DROP if y < 0.0 else y


@lru_cache(maxsize=2048)
def draw(script: Script, shape: Proportions, ruling: Ruling) -> Letter:
    """The script as geometry, in a hand's proportions, on the ruling's lines.

    >>> from firstloop.core.letters import PLAIN
    >>> n = draw(PLAIN.scripts["n"], PLAIN.proportions, Ruling())
    >>> [str(drawn.move.kind) for drawn in n.moves]
    ['drop', 'back', 'arch']
    >>> n.moves[0].points[-1].tolist()
    [0.0, 0.0]
    """
    return drawn(script, shape, ruling)


def drawn(script: Script, shape: Proportions, ruling: Ruling) -> Letter:
    """As `draw`, for a script that is not met again: it is not kept."""
    lean = math.tan(math.radians(shape.slant_deg))

    def place(node: Node) -> curves.Point:
        y = height_of(node.y, shape, ruling)
        return node.x * shape.width, y

    strokes = []
    for at, stroke in enumerate(script.strokes):
        pen, heading = place(stroke.start), stroke.start.heading_deg
        moves = []
        for index, move in enumerate(stroke.moves):
            heading = heading if move.leave_deg is None else move.leave_deg
            parts = [np.array([pen])]
            set_off = pen
            for node in move.nodes:
                end = place(node)
                if move.kind is MoveKind.FLICK:
                    end = _shortened(set_off, end, shape.exit)
                parts.append(_towards(pen, heading, end, node.heading_deg, shape.fullness)[1:])
                straight = node.heading_deg is None
                heading = _heading(pen, end) if straight else node.heading_deg
                pen = end
            points = np.vstack(parts)
            points[:, 0] += lean * points[:, 1]
            moves.append(DrawnMove(move, at, index, polyline.read_only(points)))
        strokes.append(tuple(moves))
    return Letter(script, ruling, tuple(strokes))


def _towards(
    pen: curves.Point, heading: float | None, end: curves.Point, end_deg: float | None, full: float
) -> FloatArray:
    """Straight on to a node without a heading, or where the pen has none yet; else in a curve."""
    if end_deg is None or heading is None:
        return curves.line(pen, end)
    return curves.curve(pen, heading, end, end_deg, full)


def _shortened(start: curves.Point, end: curves.Point, by: float) -> curves.Point:
    return start[0] + by * (end[0] - start[0]), start[1] + by * (end[1] - start[1])


def _heading(start: curves.Point, end: curves.Point) -> float:
    """The heading in degrees from one place to another."""
    return math.degrees(math.atan2(end[1] - start[1], end[0] - start[0]))
