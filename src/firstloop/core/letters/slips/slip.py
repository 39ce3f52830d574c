"""What a slip is, and the small changes to scripts and strokes that slips are made of."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from firstloop.core.contract import Code
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import Move, MoveKind, Node, Script, ScriptStroke

Strokes = tuple[FloatArray, ...]
"""Each (n, 2) in u, in the order of writing."""

Fits = Callable[[Script], bool]
Reshape = Callable[[Script], Script]
Redraw = Callable[[Strokes], Strokes]


def _unchanged(script: Script) -> Script:
    return script


def _as_drawn(strokes: Strokes) -> Strokes:
    return strokes


@dataclass(frozen=True, slots=True)
class Slip:
    """A slip, where it can happen, and what it does.

    `reshape` changes the script before it is drawn, `redraw` the drawn strokes. `code` is what a
    teacher would call it; where two words are as good, the others are `or_as`.
    """

    name: str
    code: Code
    fits: Fits
    reshape: Reshape = _unchanged
    redraw: Redraw = _as_drawn
    or_as: frozenset[Code] = frozenset()

    @property
    def codes(self) -> frozenset[Code]:
        """All that it may be found as."""
        return self.or_as | {self.code}


def kinds(script: Script, stroke: int = 0) -> tuple[MoveKind, ...]:
    """The kinds of the moves of a stroke."""
    return tuple(move.kind for move in script.strokes[stroke].moves)


def only(letters: str) -> Fits:
    """Fits these letters."""
    return lambda script: script.letter in letters


def of_group(*groups: str) -> Fits:
    """Fits letters of these kinds."""
    return lambda script: group_of(script.letter) in groups


def both(*conditions: Fits) -> Fits:
    """Fits where all of them do."""
    return lambda script: all(condition(script) for condition in conditions)


def first_stroke(script: Script, start: Node, moves: tuple[Move, ...]) -> Script:
    """The script with another first stroke."""
    return replace(script, strokes=(ScriptStroke(start, moves), *script.strokes[1:]))


def reversed_move(start: Node, move: Move) -> tuple[Node, Move]:
    """A move the other way: where it starts, and itself."""
    passed = [replace(start, heading_deg=move.leave_deg), *move.nodes]
    turned = [
        replace(node, heading_deg=None if node.heading_deg is None else node.heading_deg + 180.0)
        for node in reversed(passed)
    ]
    begin, *nodes = turned
    return begin, Move(move.kind, tuple(nodes), begin.heading_deg)
