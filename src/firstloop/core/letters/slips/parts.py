"""Slips of shape in a part: left open, off its own line, a part too few, too many, or too long."""

from dataclasses import replace

import numpy as np

from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.letters.moves import (
    Level,
    Move,
    MoveKind,
    Node,
    Script,
    ScriptStroke,
    moved_nodes,
    shifted,
)
from firstloop.core.letters.slips.direction import (
    OVER,
    UP,
    goes_back_and_over,
    is_led_and_goes_over,
)
from firstloop.core.letters.slips.slip import (
    Reshape,
    Slip,
    Strokes,
    first_stroke,
    kinds,
    of_group,
    only,
)

AND_SO_ANOTHER = frozenset({Code.READS_AS_OTHER})


def _running_off_the_stem(script: Script) -> Script:
    """Each way back up slopes away from its stem, so that a valley opens from the foot."""
    stroke, by, moves = script.strokes[0], 0.0, []
    for move in stroke.moves:
        by += 0.38 if move.kind is MoveKind.BACK else 0.0
        # Sloping up to it, an arch still sets off upwards.
        sets_off = by > 0.0 and move.kind in OVER
        moves.append(replace(shifted(move, by), leave_deg=UP if sets_off else move.leave_deg))
    return first_stroke(script, stroke.start, tuple(moves))


def _can_run_off(script: Script) -> bool:
    return goes_back_and_over(script) or is_led_and_goes_over(script)


def _begins_beside_its_stick(script: Script) -> bool:
    return kinds(script)[:3] == (MoveKind.ROUND, MoveKind.RISE, MoveKind.DROP) and (
        script.letter in "adgq"
    )


def _round_begun_late(script: Script) -> Script:
    """The round sets off to the left of its place and leaves the top open."""
    stroke = script.strokes[0]
    round_, *rest = stroke.moves
    late = replace(round_, nodes=(Node(0.3, 0.96, 196.0), *round_.nodes[1:]), leave_deg=180.0)
    return first_stroke(script, Node(0.42, 0.99), (late, *rest))


def _is_one_round(script: Script) -> bool:
    return script.letter in "oO0" and kinds(script) == (MoveKind.ROUND,)


def _round_stopped_early(script: Script) -> Script:
    stroke = script.strokes[0]
    (round_,) = stroke.moves
    height = 0.8 if stroke.start.y is Level.MID else 1.5
    *turned, right, _ = round_.nodes
    stopped = replace(round_, nodes=(*turned, right, Node(right.x - 0.03, height, 100.0)))
    return first_stroke(script, stroke.start, (stopped,))


def _ends_in_a_bowl(script: Script) -> bool:
    return script.letter in "bp" and kinds(script)[-1] is MoveKind.WHEEL


def _bowl_stopped_early(script: Script) -> Script:
    stroke = script.strokes[0]
    *before, wheel = stroke.moves
    stopped = replace(wheel, nodes=(*wheel.nodes[:-1], Node(0.4, 0.01, 178.0)))
    return first_stroke(script, stroke.start, (*before, stopped))


def _last_part_left_out(script: Script) -> Script:
    stroke = script.strokes[0]
    return first_stroke(script, stroke.start, stroke.moves[:-2])


def _is_a_plain_n(script: Script) -> bool:
    return script.letter == "n" and goes_back_and_over(script)


def _is_a_plain_m(script: Script) -> bool:
    return script.letter == "m" and goes_back_and_over(script)


def _has_fellows(script: Script) -> bool:
    made_of = kinds(script)
    ends = made_of[-1] in (MoveKind.ARCH, MoveKind.SLOPE)
    return script.letter in "mw" and ends and len(made_of) > 2


def _has_a_dot(script: Script) -> bool:
    return len(script.strokes) > 1 and kinds(script, -1) == (MoveKind.DOT,)


def _has_a_bar(script: Script) -> bool:
    return len(script.strokes) > 1 and kinds(script, -1) == (MoveKind.CROSS,)


def _last_stroke_left_out(script: Script) -> Script:
    return replace(script, strokes=script.strokes[:-1])


def _ends_in_an_arch(script: Script) -> bool:
    return kinds(script)[-2:] == (MoveKind.BACK, MoveKind.ARCH)


def _one_hump_more(script: Script) -> Script:
    stroke = script.strokes[0]
    back, arch = stroke.moves[-2:]
    by = arch.end.x - back.end.x
    return first_stroke(script, stroke.start, (*stroke.moves, shifted(back, by), shifted(arch, by)))


def _gone_over_again(strokes: Strokes) -> Strokes:
    """The first part of the letter is drawn a second time, a little beside the first."""
    path = polyline.respace(strokes[0], 0.02)
    again = path[polyline.distances_along(path) < 0.9] + np.array([0.07, -0.02])
    return (*strokes, again)


def _ends_on_the_base_line(script: Script) -> bool:
    last = script.strokes[0].moves[-1]
    straight = last.kind in (MoveKind.DROP, MoveKind.ARCH)
    return straight and last.end.y is Level.BASE and script.letter in "adhilmnu"


def _with_a_curl(script: Script) -> Script:
    stroke = script.strokes[0]
    x = stroke.moves[-1].end.x
    nodes = (Node(x + 0.28, -0.22, 20.0), Node(x + 0.5, 0.08, 110.0), Node(x + 0.2, 0.24, 200.0))
    return first_stroke(script, stroke.start, (*stroke.moves, Move(MoveKind.CURL, nodes, 280.0)))


def _is_r_with_an_arm(script: Script) -> bool:
    return script.letter == "r" and MoveKind.ARM in kinds(script)


def _arm_grown_into_a_leg(script: Script) -> Script:
    """The arm goes over and down; a flick still leads out from its foot."""
    stroke = script.strokes[0]
    at = kinds(script).index(MoveKind.ARM)
    nodes = (Node(0.36, Level.MID, 0.0), Node(0.66, 0.56, 270.0), Node(0.66, 0.12))
    grown = [*stroke.moves[:at], Move(MoveKind.ARCH, nodes)]
    if kinds(script)[-1] is MoveKind.FLICK:
        leg = (nodes[0], nodes[1], Node(0.66, 0.2), Node(0.82, Level.BASE, 0.0))
        out = Move(MoveKind.FLICK, (Node(1.08, 0.26, 50.0),))
        grown = [*stroke.moves[:at], Move(MoveKind.ARCH, leg), out]
    return first_stroke(script, stroke.start, tuple(grown))


def _stem_from(height: float) -> Reshape:
    def reshape(script: Script) -> Script:
        stroke = script.strokes[0]
        return first_stroke(script, replace(stroke.start, y=height), stroke.moves)

    return reshape


def _bar_too_long(script: Script) -> Script:
    *others, bar = script.strokes
    middle = (bar.start.x + bar.moves[-1].end.x) / 2

    def longer(node: Node) -> Node:
        return replace(node, x=middle + 2.2 * (node.x - middle))

    long = ScriptStroke(longer(bar.start), tuple(moved_nodes(m, longer) for m in bar.moves))
    return replace(script, strokes=(*others, long))


def _last_hump_wider(script: Script) -> Script:
    """The last part is twice as wide as its fellow: the hump of m, the valley of w."""
    *before, back, last = script.strokes[0].moves
    pivot = before[-1].end.x

    def further(node: Node) -> Node:
        return replace(node, x=pivot + 2.1 * (node.x - pivot))

    moves = (*before, moved_nodes(back, further), moved_nodes(last, further))
    return first_stroke(script, script.strokes[0].start, moves)


def _dot_moved(across: float, up: float) -> Reshape:
    def moved(node: Node) -> Node:
        height = node.y if isinstance(node.y, float) else 0.0
        return replace(node, x=node.x + across, y=height + up)

    def reshape(script: Script) -> Script:
        *others, dot = script.strokes
        moves = tuple(moved_nodes(move, moved) for move in dot.moves)
        return replace(script, strokes=(*others, ScriptStroke(moved(dot.start), moves)))

    return reshape


def _is_led_in(script: Script) -> bool:
    return kinds(script)[0] is MoveKind.LEAD_IN


def _without_lead_in(script: Script) -> Script:
    lead_in, *rest = script.strokes[0].moves
    return first_stroke(script, lead_in.end, tuple(rest))


def _is_led_in_and_out(script: Script) -> bool:
    return _is_led_in(script) and kinds(script)[-1] is MoveKind.FLICK


def _without_flick(script: Script) -> Script:
    return first_stroke(script, script.strokes[0].start, script.strokes[0].moves[:-1])


def _has_a_tail_loop(script: Script) -> bool:
    return script.letter in "gjy" and MoveKind.LOOP in kinds(script)


def _loop_crossing_low(script: Script) -> Script:
    def lower(move: Move) -> Move:
        if move.kind is not MoveKind.LOOP:
            return move
        *before, crossing = move.nodes
        return replace(move, nodes=(*before, replace(crossing, x=crossing.x + 0.12, y=-0.42)))

    stroke = script.strokes[0]
    return first_stroke(script, stroke.start, tuple(lower(move) for move in stroke.moves))


PART_SLIPS = (
    Slip(
        "left open at the top",
        Code.OPEN_GAP,
        _begins_beside_its_stick,
        _round_begun_late,
        or_as=AND_SO_ANOTHER,
    ),
    Slip("left open", Code.OPEN_GAP, _is_one_round, _round_stopped_early, or_as=AND_SO_ANOTHER),
    Slip(
        "bowl left open", Code.OPEN_GAP, _ends_in_a_bowl, _bowl_stopped_early, or_as=AND_SO_ANOTHER
    ),
    Slip("running off the stem", Code.RETRACE_GAP, _can_run_off, _running_off_the_stem),
    Slip("arm grown into a leg", Code.READS_AS_OTHER, _is_r_with_an_arm, _arm_grown_into_a_leg),
    Slip("stem too tall", Code.READS_AS_OTHER, _is_a_plain_n, _stem_from(1.8)),
    Slip(
        "dot forgotten", Code.MISSING_PART, _has_a_dot, _last_stroke_left_out, or_as=AND_SO_ANOTHER
    ),
    Slip(
        "bar forgotten", Code.MISSING_PART, _has_a_bar, _last_stroke_left_out, or_as=AND_SO_ANOTHER
    ),
    Slip("a hump forgotten", Code.MISSING_PART, _is_a_plain_m, _last_part_left_out),
    Slip(
        "a hump too many", Code.EXTRA_PART, _ends_in_an_arch, _one_hump_more, or_as=AND_SO_ANOTHER
    ),
    Slip("gone over again", Code.EXTRA_PART, of_group("small"), redraw=_gone_over_again),
    Slip("a curl at the end", Code.EXTRA_PART, _ends_on_the_base_line, _with_a_curl),
    Slip("dot too far", Code.DOT_PLACE, only("ij"), _dot_moved(0.1, 0.85)),
    Slip("dot to the side", Code.DOT_PLACE, only("ij"), _dot_moved(0.85, 0.05)),
    Slip("bar too long", Code.PART_LENGTH, _has_a_bar, _bar_too_long),
    Slip("parts that do not match", Code.UNEVEN_PARTS, _has_fellows, _last_hump_wider),
    Slip("no lead-in", Code.ENTRY_MISSING, _is_led_in, _without_lead_in),
    Slip("no way out", Code.EXIT_MISSING, _is_led_in_and_out, _without_flick),
    Slip("loop crossing too low", Code.LOOP_CROSS, _has_a_tail_loop, _loop_crossing_low),
)
