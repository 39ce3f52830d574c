"""Slips of where an arch leaves its stem, or a round comes to it: too high, too low."""

import math
from dataclasses import replace
from itertools import pairwise

from firstloop.core.contract import Code
from firstloop.core.letters.moves import Level, Move, MoveKind, Node, Script
from firstloop.core.letters.slips.slip import Reshape, Slip, first_stroke, kinds

AT_THE_TOP, AT_THE_FOOT = 0.97, 0.06
"""[u] Heights of branches that are plainly too high and too low."""

UPWARDS, JUST_STEEPER = 90.0, 2.0
"""[degrees] The heading of a pen that goes up its stem; and by how much a wedge is steeper than the
straight to its crown. A round arch from the foot hardly parts from its stem, a wedge is what
teachers warn of."""


def _branches(script: Script) -> bool:
    moves = script.strokes[0].moves
    return script.letter in "nmhrbp" and any(_goes_to_the_branch(move) for move in moves)


def _goes_to_the_branch(move: Move) -> bool:
    return move.kind is MoveKind.BACK and move.end.y is Level.BRANCH


def _leaving_at(height: float, *, as_a_wedge: bool = False) -> Reshape:
    def leaving(script: Script) -> Script:
        stroke = script.strokes[0]
        moves = [
            replace(move, nodes=(*move.nodes[:-1], replace(move.end, y=height)))
            if _goes_to_the_branch(move)
            else move
            for move in stroke.moves
        ]
        for at, back in enumerate(stroke.moves[:-1]):
            if as_a_wedge and _goes_to_the_branch(back):
                over = moves[at + 1]
                heading = _straight_to(over, back.end.x, height)
                moves[at + 1] = replace(over, leave_deg=heading)
        return first_stroke(script, stroke.start, tuple(moves))

    return leaving


def _straight_to(over: Move, x: float, height: float) -> float:
    """The heading (degrees) that goes about straight from a place to the crown of an arch."""
    crown = over.nodes[0]
    return math.degrees(math.atan2(1.0 - height, crown.x - x)) + JUST_STEEPER


def _meets_its_stem(script: Script) -> bool:
    return script.letter in "uydagq" and any(
        before in (MoveKind.SCOOP, MoveKind.RISE) and after is MoveKind.DROP
        for before, after in pairwise(kinds(script))
    )


def _meeting_at_the_foot(script: Script) -> Script:
    stroke = script.strokes[0]
    moves = tuple(
        replace(move, nodes=tuple(_lowered(node) for node in move.nodes))
        if move.kind in (MoveKind.SCOOP, MoveKind.ROUND)
        else move
        for move in stroke.moves
    )
    return first_stroke(script, stroke.start, moves)


def _lowered(node: Node) -> Node:
    """The place where a round comes to its stem, at the foot."""
    comes = node.heading_deg == UPWARDS and not isinstance(node.y, Level)
    return replace(node, y=AT_THE_FOOT) if comes else node


BRANCH_SLIPS = (
    Slip("leaving the stem at the top", Code.BRANCH_PLACE, _branches, _leaving_at(AT_THE_TOP)),
    Slip(
        "leaving the stem at the foot",
        Code.BRANCH_PLACE,
        _branches,
        _leaving_at(AT_THE_FOOT, as_a_wedge=True),
        or_as=frozenset({Code.RETRACE_GAP}),
    ),
    Slip("meeting the stem at the foot", Code.BRANCH_PLACE, _meets_its_stem, _meeting_at_the_foot),
)
