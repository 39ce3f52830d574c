"""What a teacher mends in a letter as it was understood: one thing at a time, by plain rules."""

from dataclasses import dataclass, replace
from enum import StrEnum

from firstloop.core.errors import FirstLoopError
from firstloop.core.letters.drawing import Proportions
from firstloop.core.letters.moves import (
    Move,
    MoveKind,
    Node,
    Script,
    ScriptStroke,
    nominal_height,
)
from firstloop.core.own_hand.redrawn import lines_of
from firstloop.core.own_hand.tidied import tidied
from firstloop.core.own_hand.understood import Manner, understood

STEPS = {"left": (-0.05, 0.0), "right": (0.05, 0.0), "up": (0.0, 0.05), "down": (0.0, -0.05)}
"""u: how far a start is moved at once, a twentieth of the body."""


class Mend(StrEnum):
    """What can be mended."""

    START = "start"
    STRAIGHT = "straight"
    BACK = "back"
    TURN = "turn"
    SWAP = "swap"


@dataclass(frozen=True, slots=True)
class Change:
    """A change to a letter: what is mended, in which stroke and move; for a start, which way it is
    moved (a key of STEPS)."""

    mend: Mend
    stroke: int = 0
    move: int = 0
    way: str = "up"


class MendError(FirstLoopError):
    """A change that this letter cannot have."""


def mended(script: Script, change: Change, shape: Proportions) -> Script:
    """The script with a change; raises MendError.

    >>> from firstloop.core.letters import PLAIN
    >>> from firstloop.core.letters.moves import notate_stroke
    >>> x = mended(PLAIN.scripts["x"], Change(Mend.SWAP), PLAIN.proportions)
    >>> [notate_stroke(stroke) for stroke in x.strokes]
    ['0.68,mid; slope 0,base', '0,mid; slope 0.68,base']
    """
    if not 0 <= change.stroke < len(script.strokes):
        raise MendError(f"{script.letter} has no stroke {change.stroke + 1}")
    stroke = script.strokes[change.stroke]
    if not 0 <= change.move < len(stroke.moves):
        raise MendError(f"stroke {change.stroke + 1} has no move {change.move + 1}")
    match change.mend:
        case Mend.START:
            return _with(script, change.stroke, _start_moved(stroke, change.way))
        case Mend.STRAIGHT:
            return _with(script, change.stroke, _straight(stroke, change.move))
        case Mend.BACK:
            return _with(script, change.stroke, _back(stroke, change.move))
        case Mend.TURN:
            return _turned(script, change.stroke, shape)
        case Mend.SWAP:
            return _swapped(script, change.stroke)


def _with(script: Script, at: int, stroke: ScriptStroke) -> Script:
    strokes = script.strokes
    return replace(script, strokes=(*strokes[:at], stroke, *strokes[at + 1 :]))


def _moves_with(stroke: ScriptStroke, at: int, move: Move) -> ScriptStroke:
    moves = stroke.moves
    return replace(stroke, moves=(*moves[:at], move, *moves[at + 1 :]))


def _start_moved(stroke: ScriptStroke, way: str) -> ScriptStroke:
    if way not in STEPS:
        raise MendError(f'a start is moved {", ".join(STEPS)}, not "{way}"')
    across, up = STEPS[way]
    x = round(stroke.start.x + across, 2)
    y = round(nominal_height(stroke.start.y) + up, 2) if up else stroke.start.y
    return replace(stroke, start=replace(stroke.start, x=x, y=y))


def _straight(stroke: ScriptStroke, at: int) -> ScriptStroke:
    """The move straight from where it begins to where it ends."""
    move = stroke.moves[at]
    if move.kind is MoveKind.DOT:
        raise MendError("a dot has no direction: it cannot be made straight")
    end = replace(move.end, heading_deg=None)
    begins = stroke.start if at == 0 else stroke.moves[at - 1].end
    made = Move(_straight_kind(begins, end), (end,))
    if at + 1 == len(stroke.moves):
        return _moves_with(stroke, at, made)
    # What goes on in a curve set off as the pen came; now it comes from another direction.
    after = stroke.moves[at + 1]
    leaves = after.leave_deg if after.leave_deg is not None else move.end.heading_deg
    changed = _moves_with(stroke, at, made)
    return _moves_with(changed, at + 1, replace(after, leave_deg=leaves))


def _straight_kind(begins: Node, end: Node) -> MoveKind:
    up = nominal_height(end.y) - nominal_height(begins.y)
    across = abs(end.x - begins.x)
    if abs(up) < LEVEL * across:
        return MoveKind.CROSS
    if across < LEVEL * abs(up):
        return MoveKind.RISE if up > 0 else MoveKind.DROP
    return MoveKind.SLOPE


LEVEL = 0.25
"""[ratio] What is flatter is a bar, what is steeper by as much a stem."""


def _back(stroke: ScriptStroke, at: int) -> ScriptStroke:
    """The move as going back over the stem that was drawn before it, as far as it goes up."""
    if at == 0:
        raise MendError("the first move goes back over nothing; there is no line yet")
    before = stroke.moves[at - 1]
    begins = stroke.start if at == 1 else stroke.moves[at - 2].end
    if len(before.nodes) > 1 or before.end.heading_deg is not None:
        raise MendError("only a straight line can be gone back over; make the move before straight")
    end = stroke.moves[at].end
    up = nominal_height(end.y) - nominal_height(before.end.y)
    whole = nominal_height(begins.y) - nominal_height(before.end.y)
    share = up / whole if whole else 0.0
    x = before.end.x + share * (begins.x - before.end.x)
    node = Node(round(x, 2), end.y)
    return _moves_with(stroke, at, Move(MoveKind.BACK, (node,)))


def _turned(script: Script, at: int, shape: Proportions) -> Script:
    """The stroke from its end to its start, its moves understood anew."""
    upright = replace(shape, width=1.0, slant_deg=0.0)
    line = lines_of(script, upright)[at][::-1]
    turned = tidied(understood(script.letter, (line,), Manner()), shape.branch)
    return _with(script, at, turned.strokes[0])


def _swapped(script: Script, at: int) -> Script:
    """The stroke and the one after it in the other order; the last with the one before."""
    if len(script.strokes) < 2:
        raise MendError("there is one stroke; there is nothing to swap it with")
    first = at if at + 1 < len(script.strokes) else at - 1
    strokes = list(script.strokes)
    strokes[first], strokes[first + 1] = strokes[first + 1], strokes[first]
    return replace(script, strokes=tuple(strokes))
