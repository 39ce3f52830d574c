"""Slips of direction: begun at the wrong end, the wrong way round, lifted, in another order."""

from dataclasses import replace

import numpy as np

from firstloop.core.contract import Code
from firstloop.core.letters.moves import MoveKind, Script, ScriptStroke
from firstloop.core.letters.slips.slip import (
    Slip,
    Strokes,
    first_stroke,
    kinds,
    only,
    reversed_move,
)

UP = 90.0
"""Degrees: the heading of a pen that goes up its stem."""

OVER = {MoveKind.ARCH, MoveKind.ARM}


def goes_back_and_over(script: Script) -> bool:
    """Down, back up the same line, and over: r, n, m, h."""
    return kinds(script)[:2] == (MoveKind.DROP, MoveKind.BACK) and bool(OVER & set(kinds(script)))


def is_led_and_goes_over(script: Script) -> bool:
    """The same after a lead-in."""
    return (
        kinds(script)[:3] == (MoveKind.LEAD_IN, MoveKind.DROP, MoveKind.BACK)
        and script.letter in "rnmh"
    )


def _from_the_foot(script: Script) -> Script:
    drop, *rest = script.strokes[0].moves
    return first_stroke(script, drop.end, tuple(rest))


def _stem_pushed_up(strokes: Strokes) -> Strokes:
    """The stem is drawn from its foot up; the pen is lifted and the rest begun at the branch."""
    first = strokes[0]
    foot = int(np.argmin(first[: len(first) // 2 + 1, 1]))
    stem, rest = first[: foot + 1], first[foot:]
    branch = int(np.argmax(rest[:, 1] >= 0.6))
    return (stem[::-1], rest[branch:], *strokes[1:])


def _is_a_lone_stem(script: Script) -> bool:
    return kinds(script) == (MoveKind.DROP,)


def _first_reversed(strokes: Strokes) -> Strokes:
    return (strokes[0][::-1], *strokes[1:])


def _backwards(strokes: Strokes) -> Strokes:
    return tuple(stroke[::-1] for stroke in reversed(strokes))


def _begins_with_a_round(script: Script) -> bool:
    return kinds(script)[0] is MoveKind.ROUND and script.letter in "acdgoqCGOQ06"


def _round_the_wrong_way(script: Script) -> Script:
    stroke = script.strokes[0]
    start, turned = reversed_move(stroke.start, stroke.moves[0])
    return first_stroke(script, start, (turned, *stroke.moves[1:]))


def _has_a_stick_after_its_round(script: Script) -> bool:
    return kinds(script)[:3] == (MoveKind.ROUND, MoveKind.RISE, MoveKind.DROP)


def _stick_first(script: Script) -> Script:
    stroke = script.strokes[0]
    round_, rise, *rest = stroke.moves
    stick = ScriptStroke(rise.end, tuple(rest))
    return replace(
        script, strokes=(stick, ScriptStroke(stroke.start, (round_,)), *script.strokes[1:])
    )


def _round_then_lifted(script: Script) -> Script:
    stroke = script.strokes[0]
    round_, rise, *rest = stroke.moves
    again = ScriptStroke(rise.end, tuple(rest))
    return replace(
        script, strokes=(ScriptStroke(stroke.start, (round_,)), again, *script.strokes[1:])
    )


def _ends_with_a_mark(script: Script) -> bool:
    return len(script.strokes) > 1 and kinds(script, -1) in ((MoveKind.DOT,), (MoveKind.CROSS,))


def _last_stroke_first(script: Script) -> Script:
    return replace(script, strokes=(script.strokes[-1], *script.strokes[:-1]))


def _lifted_at_the_foot(script: Script) -> Script:
    """The first way back is lifted over: a new stroke begins at the branch."""
    drop, back, over, *rest = script.strokes[0].moves
    again = ScriptStroke(back.end, (replace(over, leave_deg=UP), *rest))
    return replace(script, strokes=(ScriptStroke(script.strokes[0].start, (drop,)), again))


def _turns_at_corners(script: Script) -> bool:
    made_of = kinds(script)
    straight = set(made_of) <= {MoveKind.SLOPE, MoveKind.CROSS} and len(made_of) > 1
    return script.letter in "vwzVWZ" and straight


def _lifted_at_a_corner(script: Script) -> Script:
    stroke = script.strokes[0]
    last = ScriptStroke(stroke.moves[-2].end, stroke.moves[-1:])
    return replace(
        script, strokes=(ScriptStroke(stroke.start, stroke.moves[:-1]), last, *script.strokes[1:])
    )


_EITHER_END = frozenset({Code.STROKE_DIRECTION, Code.START_PLACE})

DIRECTION_SLIPS = (
    Slip("from the foot", Code.START_PLACE, goes_back_and_over, _from_the_foot),
    Slip(
        "stem pushed up",
        Code.START_PLACE,
        goes_back_and_over,
        redraw=_stem_pushed_up,
    ),
    Slip(
        "written from the bottom up",
        Code.START_PLACE,
        _is_a_lone_stem,
        redraw=_first_reversed,
        or_as=_EITHER_END,
    ),
    Slip(
        "round the wrong way",
        Code.STROKE_DIRECTION,
        _begins_with_a_round,
        _round_the_wrong_way,
        or_as=_EITHER_END,
    ),
    Slip(
        "stick before the round",
        Code.START_PLACE,
        _has_a_stick_after_its_round,
        _stick_first,
        or_as=frozenset({Code.STROKE_ORDER, Code.EXTRA_LIFT}),
    ),
    Slip("last stroke first", Code.STROKE_ORDER, _ends_with_a_mark, _last_stroke_first),
    Slip(
        "backwards",
        Code.STROKE_DIRECTION,
        lambda s: goes_back_and_over(s) or only("cesuvwyzCJLSUVWZ235678")(s),
        redraw=_backwards,
        or_as=_EITHER_END,
    ),
    Slip("lifted at the foot", Code.EXTRA_LIFT, goes_back_and_over, _lifted_at_the_foot),
    Slip(
        "lifted before the stick",
        Code.EXTRA_LIFT,
        _has_a_stick_after_its_round,
        _round_then_lifted,
    ),
    Slip("lifted at a corner", Code.EXTRA_LIFT, _turns_at_corners, _lifted_at_a_corner),
)
