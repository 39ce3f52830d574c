"""Moves: the small vocabulary that every letter is written in, and how a script is noted.

A move says what the pen does, as a kind and the nodes it passes through. A node is a place and,
where the line is to be curved there, the heading of the pen. A script is strokes of moves, noted
as one line of text that reads as the pen goes:

    0,mid; drop 0,base; back 0,branch; arch .4,mid,E .75,.56,S .75,base

The pen is set down at (0, mid), goes straight down to the base line, back up the same line to the
branch, then over: heading east at the crown, south at the shoulder, and straight on to the base.
`//` lifts the pen. A heading is a compass point or degrees (0 east, anticlockwise); `round@N`
leaves its start with that heading, where a move otherwise goes on smoothly from the one before.

x is in u of the hand's ordinary width. y is the name of a height, or a number on the nominal
grid, in which the top line is at 1.9 and the drop line at -0.95; drawing maps it to the ruling.
"""

import re
from collections.abc import Callable
from dataclasses import dataclass, replace
from enum import StrEnum

from firstloop.core.errors import ScriptError


class MoveKind(StrEnum):
    """What the pen does."""

    DROP = "drop"
    RISE = "rise"
    BACK = "back"
    ARCH = "arch"
    ARM = "arm"
    SCOOP = "scoop"
    ROUND = "round"
    WHEEL = "wheel"
    SLOPE = "slope"
    CROSS = "cross"
    HOOK = "hook"
    CURL = "curl"
    LOOP = "loop"
    LEAD_IN = "lead-in"
    FLICK = "flick"
    DOT = "dot"


class Level(StrEnum):
    """Heights that have a name: the four lines, and where arches and bowls leave their stem."""

    TOP = "top"
    MID = "mid"
    BRANCH = "branch"
    BASE = "base"
    DROP = "drop"


NOMINAL_TOP, NOMINAL_DROP = 1.9, -0.95
"""u: where numbers on the nominal grid take the top and the drop line to be."""

Y = float | Level

_NOMINAL = {
    Level.TOP: NOMINAL_TOP,
    Level.MID: 1.0,
    Level.BRANCH: 0.64,
    Level.BASE: 0.0,
    Level.DROP: NOMINAL_DROP,
}


def nominal_height(y: Y) -> float:
    """Where a height is on the nominal grid, u; for telling up from down and steep from flat."""
    return _NOMINAL[y] if isinstance(y, Level) else y


COMPASS = {"E": 0.0, "NE": 45.0, "N": 90.0, "NW": 135.0, "W": 180.0, "SW": 225.0, "S": 270.0,
           "SE": 315.0}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Node:
    """A place the pen passes: x in u, y a level or nominal u, heading in degrees or None.

    None: the pen comes to this place in a straight line.
    """

    x: float
    y: Y
    heading_deg: float | None = None


@dataclass(frozen=True, slots=True)
class Move:
    """What the pen does, through which nodes; `leave_deg` where it sets off at a corner."""

    kind: MoveKind
    nodes: tuple[Node, ...]
    leave_deg: float | None = None

    @property
    def end(self) -> Node:
        """Where the move ends."""
        return self.nodes[-1]


@dataclass(frozen=True, slots=True)
class ScriptStroke:
    """One pen-down of a script: where it starts, then its moves."""

    start: Node
    moves: tuple[Move, ...]


def moved_nodes(move: Move, moved: Callable[[Node], Node]) -> Move:
    """A move through other places."""
    return Move(move.kind, tuple(moved(node) for node in move.nodes), move.leave_deg)


def shifted(move: Move, by: float) -> Move:
    """A move further to the right."""
    return moved_nodes(move, lambda node: Node(node.x + by, node.y, node.heading_deg))


def shifted_stroke(stroke: ScriptStroke, by: float) -> ScriptStroke:
    """A stroke further to the right."""
    if not by:
        return stroke
    start = replace(stroke.start, x=stroke.start.x + by)
    return ScriptStroke(start, tuple(shifted(move, by) for move in stroke.moves))


@dataclass(frozen=True, slots=True)
class Script:
    """How one letter is made."""

    letter: str
    strokes: tuple[ScriptStroke, ...]

    @property
    def moves(self) -> tuple[Move, ...]:
        """All moves in writing order."""
        return tuple(move for stroke in self.strokes for move in stroke.moves)

    @property
    def nodes(self) -> tuple[Node, ...]:
        """Every place that the pen starts at or goes to."""
        return tuple(
            node
            for stroke in self.strokes
            for node in (stroke.start, *(node for move in stroke.moves for node in move.nodes))
        )

    def reaches(self, level: Level) -> bool:
        """Whether the pen goes to a line."""
        return any(node.y is level for node in self.nodes)


def parse(letter: str, text: str) -> Script:
    """A script from its notation; raises ScriptError with the place of the first fault.

    >>> parse("l", "0,top; drop 0,base").strokes[0].moves[0].kind
    <MoveKind.DROP: 'drop'>
    >>> parse("l", "0,top; drip 0,base")
    Traceback (most recent call last):
    firstloop.core.errors.ScriptError: l, stroke 1, move 1: "drip" is no move
    """
    return Script(
        letter,
        tuple(
            parse_stroke(stroke, f"{letter}, stroke {at}")
            for at, stroke in enumerate(text.split("//"), start=1)
        ),
    )


def parse_stroke(text: str, where: str) -> ScriptStroke:
    """One stroke from its notation; raises ScriptError, which begins with `where`."""
    head, *moves = (part.strip() for part in text.split(";"))
    if not moves:
        raise ScriptError(f"{where}: has no moves")
    return ScriptStroke(
        _node(head, f"{where}, start"),
        tuple(_move(move, f"{where}, move {k}") for k, move in enumerate(moves, start=1)),
    )


def notate_stroke(stroke: ScriptStroke) -> str:
    """The notation of a stroke; `parse_stroke` makes the same stroke of it again.

    >>> notate_stroke(parse("l", "0,top; drop 0,.22 .16,base,E").strokes[0])
    '0,top; drop 0,0.22 0.16,base,E'
    """
    return "; ".join([_node_text(stroke.start), *(_move_text(move) for move in stroke.moves)])


def _move_text(move: Move) -> str:
    leave = "" if move.leave_deg is None else f"@{_heading_text(move.leave_deg)}"
    return " ".join([f"{move.kind}{leave}", *(_node_text(node) for node in move.nodes)])


def _node_text(node: Node) -> str:
    y = node.y if isinstance(node.y, Level) else _number_text(node.y)
    heading = "" if node.heading_deg is None else f",{_heading_text(node.heading_deg)}"
    return f"{_number_text(node.x)},{y}{heading}"


def _heading_text(degrees: float) -> str:
    named = [name for name, value in COMPASS.items() if value == degrees]
    return named[0] if named else _number_text(degrees)


def _number_text(number: float) -> str:
    """Four decimals are a ten-thousandth of the body: nothing that a pen could draw is lost."""
    return f"{number:.4f}".rstrip("0").rstrip(".")


def _move(text: str, where: str) -> Move:
    head, *nodes = text.split()
    name, _, leave = head.partition("@")
    if name not in MoveKind.__members__.values():
        raise ScriptError(f'{where}: "{name}" is no move')
    if not nodes:
        raise ScriptError(f"{where}: {name} goes nowhere")
    return Move(
        MoveKind(name),
        tuple(_node(node, where) for node in nodes),
        _heading(leave, where) if leave else None,
    )


def _node(text: str, where: str) -> Node:
    parts = text.split(",")
    if len(parts) not in (2, 3):
        raise ScriptError(f'{where}: "{text}" is no place; write x,y or x,y,heading')
    heading = _heading(parts[2], where) if len(parts) == 3 else None
    y: Y = Level(parts[1]) if parts[1] in Level.__members__.values() else _number(parts[1], where)
    return Node(_number(parts[0], where), y, heading)


def _heading(text: str, where: str) -> float:
    return COMPASS[text] if text in COMPASS else _number(text, where)


def _number(text: str, where: str) -> float:
    if not re.fullmatch(r"-?(\d+\.?\d*|\.\d+)", text):
        raise ScriptError(f'{where}: "{text}" is no number')
    return float(text)
