"""Slips of single letters: of e, j and r, which others have not."""

from dataclasses import replace

from firstloop.core.contract import Code
from firstloop.core.letters.moves import Level, Move, MoveKind, Node, Script
from firstloop.core.letters.slips.slip import Reshape, Slip, first_stroke, kinds

TOO_HIGH, TOO_LOW = 0.83, 0.15
"""[u] Where the bar of an e lies that is begun too high or too low."""


def _is_an_e(script: Script) -> bool:
    return script.letter == "e" and kinds(script)[:2] == (MoveKind.CROSS, MoveKind.ROUND)


def _begun_at(height: float) -> Reshape:
    def begun(script: Script) -> Script:
        stroke = script.strokes[0]
        bar, *rest = stroke.moves
        end = replace(bar.end, y=height)
        return first_stroke(
            script, replace(stroke.start, y=height), (replace(bar, nodes=(end,)), *rest)
        )

    return begun


def _not_curled_round(script: Script) -> Script:
    """The round stops at its foot."""
    stroke = script.strokes[0]
    bar, around, *_ = stroke.moves
    foot = next(at for at, node in enumerate(around.nodes) if node.y is Level.BASE)
    short = replace(around, nodes=around.nodes[: foot + 1])
    return first_stroke(script, stroke.start, (bar, short))


def _is_a_printed_j(script: Script) -> bool:
    return script.letter == "j" and kinds(script)[:2] == (MoveKind.DROP, MoveKind.HOOK)


def _hooked_the_other_way(script: Script) -> Script:
    stroke = script.strokes[0]
    at = kinds(script).index(MoveKind.HOOK)
    stem = stroke.moves[at - 1].end.x
    turned = [_over(node, stem) for node in stroke.moves[at].nodes]
    hook = Move(MoveKind.HOOK, tuple(turned), stroke.moves[at].leave_deg)
    return first_stroke(script, stroke.start, (*stroke.moves[:at], hook))


def _over(node: Node, stem: float) -> Node:
    """A place on the other side of a stem."""
    heading = None if node.heading_deg is None else 180.0 - node.heading_deg
    return Node(2.0 * stem - node.x, node.y, heading)


def _is_an_r(script: Script) -> bool:
    return script.letter == "r" and kinds(script)[-1] is MoveKind.ARM


def _with_a_curl_for_show(script: Script) -> Script:
    """The arm goes on and curls in."""
    stroke = script.strokes[0]
    end = stroke.moves[-1].end
    curl = Move(
        MoveKind.WHEEL,
        (
            Node(end.x + 0.1, 0.55, -90.0),
            Node(end.x - 0.1, 0.4, 180.0),
            Node(end.x - 0.2, 0.6, 90.0),
        ),
    )
    return first_stroke(script, stroke.start, (*stroke.moves, curl))


LETTER_SLIPS = (
    Slip("begun too high", Code.START_PLACE, _is_an_e, _begun_at(TOO_HIGH)),
    Slip("begun too low", Code.START_PLACE, _is_an_e, _begun_at(TOO_LOW)),
    Slip("not curled round", Code.PART_LENGTH, _is_an_e, _not_curled_round),
    Slip(
        "hooked the wrong way",
        Code.MIRRORED,
        _is_a_printed_j,
        _hooked_the_other_way,
        or_as=frozenset({Code.SHAPE_OFF, Code.READS_AS_OTHER}),
    ),
    Slip(
        "a curl for show",
        Code.EXTRA_PART,
        _is_an_r,
        _with_a_curl_for_show,
        or_as=frozenset({Code.READS_AS_OTHER, Code.PART_LENGTH, Code.SHAPE_OFF}),
    ),
)
