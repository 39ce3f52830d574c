"""Slips: what goes wrong in a child's letter, as changes to its script or to its strokes.

The simulated pupils write with them, so that demo data and tests show real faults. They are no
part of the checker, which has its own list of ways.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.checking.findings import Code
from firstloop.core.letterforms import BASE, BRANCH, MID, TOP, Script, ScriptStroke
from firstloop.core.moves import Move, MoveKind
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Height, Line

Strokes = tuple[FloatArray, ...]


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


def _goes_back(script: Script) -> bool:
    return any(move.kind is MoveKind.BACK for move in script.strokes[0].moves)


def _any(_: Script) -> bool:
    return True


def _starts_at(height: Height) -> Callable[[Script], bool]:
    return lambda script: script.strokes[0].start == height


def _only(*letters: str) -> Callable[[Script], bool]:
    return lambda script: script.letter in letters


def _first_stroke(script: Script, **changes: object) -> Script:
    stroke = replace(script.strokes[0], **changes)  # type: ignore[arg-type]
    return replace(script, strokes=(stroke, *script.strokes[1:]))


def _from_the_foot(script: Script) -> Script:
    return _first_stroke(script, start=BASE, moves=script.strokes[0].moves[1:])


def _running_off_the_stem(script: Script) -> Script:
    """The way back up slopes away from the stem, so that a valley opens from the foot."""
    moves = tuple(
        replace(move, dx=0.38) if move.kind is MoveKind.BACK else move
        for move in script.strokes[0].moves
    )
    return _first_stroke(script, moves=moves)


def _last_part_left_out(script: Script) -> Script:
    return _first_stroke(script, moves=script.strokes[0].moves[:-2])


def _lifted_at_the_foot(script: Script) -> Script:
    """The first way back is lifted over: a new stroke begins at the branch."""
    stroke = script.strokes[0]
    return replace(
        script,
        strokes=(
            replace(stroke, moves=stroke.moves[:1]),
            ScriptStroke(stroke.start_x, BRANCH, stroke.moves[2:]),
        ),
    )


def _arm_grown_into_a_leg(script: Script) -> Script:
    leg = Move(MoveKind.ARCH, Height(Line.BASE, 0.12), 0.66)
    return _first_stroke(script, moves=(*script.strokes[0].moves[:-1], leg))


def _stem_pushed_up(strokes: Strokes) -> Strokes:
    """The stem is drawn from its foot up; the pen is lifted and the rest begun at the branch."""
    first = strokes[0]
    foot = int(np.argmin(first[: len(first) // 2 + 1, 1]))
    stem, rest = first[: foot + 1], first[foot:]
    branch = int(np.argmax(rest[:, 1] >= BRANCH.plus - 0.05))
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
        Slip("from the foot", Code.START_PLACE, _goes_back, _from_the_foot),
        Slip("stem pushed up", Code.START_PLACE, _goes_back, redraw=_stem_pushed_up),
        Slip("backwards", Code.STROKE_DIRECTION, _goes_back, redraw=_backwards),
        Slip("lifted at the foot", Code.EXTRA_LIFT, _goes_back, _lifted_at_the_foot),
        Slip("running off the stem", Code.RETRACE_GAP, _goes_back, _running_off_the_stem),
        Slip("a hump forgotten", Code.MISSING_PART, _only("m"), _last_part_left_out),
        Slip(
            "stem too short",
            Code.REACH_UP,
            _starts_at(TOP),
            lambda script: _first_stroke(script, start=Height(Line.MID, 0.3)),
        ),
        Slip(
            "stem too tall",
            Code.READS_AS_OTHER,
            _only("n"),
            lambda script: _first_stroke(script, start=Height(Line.MID, 0.8)),
        ),
        Slip("arm grown into a leg", Code.READS_AS_OTHER, _only("r"), _arm_grown_into_a_leg),
        Slip("floating", Code.OFF_BASE, _any, redraw=_raised(0.45)),
        Slip("sinking", Code.OFF_BASE, _any, redraw=_raised(-0.4)),
        Slip("body too small", Code.BODY_HEIGHT, _starts_at(MID), redraw=_scaled(0.58)),
        Slip("body too tall", Code.BODY_HEIGHT, _starts_at(MID), redraw=_scaled(1.5)),
    )
}
