"""Slips: what goes wrong in a child's letter, as changes to its script or to its strokes.

The simulated pupils write with them, so that demo data and tests show real faults. They are no
part of the checker, which has its own list of ways.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.checking.findings import Code
from firstloop.core.moves import Level, Move, MoveKind, Node, Script, ScriptStroke
from firstloop.core.polyline import FloatArray

Strokes = tuple[FloatArray, ...]
UP = 90.0
"""Degrees: the heading of a pen that goes up its stem."""


@dataclass(frozen=True, slots=True)
class Slip:
    """A slip, the code it should be found as, and where it can happen.

    `reshape` changes the script before it is drawn, `redraw` the drawn strokes (points in u).
    """

    name: str
    code: Code
    fits: Callable[[Script], bool]
    reshape: Callable[[Script], Script] = lambda script: script
    redraw: Callable[[Strokes], Strokes] = lambda strokes: strokes


def _goes_back_and_over(script: Script) -> bool:
    kinds = [move.kind for move in script.strokes[0].moves]
    return MoveKind.BACK in kinds and bool({MoveKind.ARCH, MoveKind.ARM} & set(kinds))


def _arch_letter_from(level: Level) -> Callable[[Script], bool]:
    return lambda script: _goes_back_and_over(script) and script.strokes[0].start.y is level


def _only(*letters: str) -> Callable[[Script], bool]:
    return lambda script: script.letter in letters


def _first_stroke(script: Script, start: Node, moves: tuple[Move, ...]) -> Script:
    return replace(script, strokes=(ScriptStroke(start, moves), *script.strokes[1:]))


def _from_the_foot(script: Script) -> Script:
    drop, *rest = script.strokes[0].moves
    return _first_stroke(script, drop.end, tuple(rest))


def _running_off_the_stem(script: Script) -> Script:
    """Each way back up slopes away from its stem, so that a valley opens from the foot."""
    stroke, by, moves = script.strokes[0], 0.0, []
    for move in stroke.moves:
        by += 0.38 if move.kind is MoveKind.BACK else 0.0
        # Sloping up to it, an arch still sets off upwards.
        leave = move.leave_deg if move.kind is MoveKind.BACK else UP
        nodes = tuple(replace(node, x=node.x + by) for node in move.nodes)
        moves.append(replace(move, nodes=nodes, leave_deg=leave))
    return _first_stroke(script, stroke.start, tuple(moves))


def _last_part_left_out(script: Script) -> Script:
    stroke = script.strokes[0]
    return _first_stroke(script, stroke.start, stroke.moves[:-2])


def _lifted_at_the_foot(script: Script) -> Script:
    """The first way back is lifted over: a new stroke begins at the branch."""
    drop, back, over, *rest = script.strokes[0].moves
    again = ScriptStroke(back.end, (replace(over, leave_deg=UP), *rest))
    return replace(script, strokes=(ScriptStroke(script.strokes[0].start, (drop,)), again))


def _arm_grown_into_a_leg(script: Script) -> Script:
    stroke = script.strokes[0]
    nodes = (Node(0.36, Level.MID, 0.0), Node(0.66, 0.56, 270.0), Node(0.66, 0.12))
    return _first_stroke(script, stroke.start, (*stroke.moves[:-1], Move(MoveKind.ARCH, nodes)))


def _stem_from(height: float) -> Callable[[Script], Script]:
    def reshape(script: Script) -> Script:
        stroke = script.strokes[0]
        return _first_stroke(script, replace(stroke.start, y=height), stroke.moves)

    return reshape


def _stem_pushed_up(strokes: Strokes) -> Strokes:
    """The stem is drawn from its foot up; the pen is lifted and the rest begun at the branch."""
    first = strokes[0]
    foot = int(np.argmin(first[: len(first) // 2 + 1, 1]))
    stem, rest = first[: foot + 1], first[foot:]
    branch = int(np.argmax(rest[:, 1] >= 0.6))
    return (stem[::-1], rest[branch:], *strokes[1:])


def _backwards(strokes: Strokes) -> Strokes:
    return tuple(stroke[::-1] for stroke in reversed(strokes))


def _raised(by: float) -> Callable[[Strokes], Strokes]:
    return lambda strokes: tuple(stroke + np.array([0.0, by]) for stroke in strokes)


def _scaled(by: float) -> Callable[[Strokes], Strokes]:
    return lambda strokes: tuple(stroke * by for stroke in strokes)


SLIPS = {
    slip.name: slip
    for slip in (
        Slip("from the foot", Code.START_PLACE, _goes_back_and_over, _from_the_foot),
        Slip("stem pushed up", Code.START_PLACE, _goes_back_and_over, redraw=_stem_pushed_up),
        Slip("backwards", Code.STROKE_DIRECTION, _goes_back_and_over, redraw=_backwards),
        Slip("lifted at the foot", Code.EXTRA_LIFT, _goes_back_and_over, _lifted_at_the_foot),
        Slip("running off the stem", Code.RETRACE_GAP, _goes_back_and_over, _running_off_the_stem),
        Slip("a hump forgotten", Code.MISSING_PART, _only("m"), _last_part_left_out),
        Slip(
            "stem too short",
            Code.REACH_UP,
            _arch_letter_from(Level.TOP),
            _stem_from(1.3),
        ),
        Slip(
            "stem too tall",
            Code.READS_AS_OTHER,
            _only("n"),
            _stem_from(1.8),
        ),
        Slip("arm grown into a leg", Code.READS_AS_OTHER, _only("r"), _arm_grown_into_a_leg),
        Slip("floating", Code.OFF_BASE, _goes_back_and_over, redraw=_raised(0.45)),
        Slip("sinking", Code.OFF_BASE, _goes_back_and_over, redraw=_raised(-0.4)),
        Slip(
            "body too small", Code.BODY_HEIGHT, _arch_letter_from(Level.MID), redraw=_scaled(0.58)
        ),
        Slip("body too tall", Code.BODY_HEIGHT, _arch_letter_from(Level.MID), redraw=_scaled(1.5)),
    )
}
