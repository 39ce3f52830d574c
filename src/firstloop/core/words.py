"""Words: letters laid out in writing order, as one script that can be drawn like a letter.

Print stands letter beside letter. In joined hands a letter gives up its flick, and the next one's
lead-in begins where it stood; dots and bars wait for the end of the word.
"""

import math
from dataclasses import dataclass, field, replace

import numpy as np

from firstloop.core.letterforms import Hand, draw, find_script
from firstloop.core.moves import Level, Move, MoveKind, Node, Script, ScriptStroke, nominal_height
from firstloop.core.ruling import Ruling

GAP = 0.3
"""u between letters that do not join: about the space inside an n, less for its round sides."""

JOIN_GAP = 0.54
"""u between the bodies of letters that join, lead-ins and flicks not counted."""

FLATTEST_TOP_JOIN_DEG = 35.0
"""A top join comes in from the side: it arrives no steeper than this."""

TURN_RADIUS = 0.13
"""u: how tightly the pen turns up from the base line; flicks turn as tightly."""

FROM_THE_MIDDLE, LOW_DIP = 0.8, 0.5
"""u: a letter led in to below the first begins in the middle (e); a top join dips to the second
before it."""

ROOM = 1.6
"""Flicks: with more room than this to the next letter, the pen goes out along the flick."""


def word_script(word: str, hand: Hand) -> Script:
    """The word as one script; raises UnknownLetterError for a letter the hand does not have.

    >>> from firstloop.core.letterforms import HANDS
    >>> len(word_script("man", HANDS["plain"]).strokes)
    3
    >>> len(word_script("man", HANDS["joined"]).strokes)
    1
    >>> [stroke.moves[0].kind.value for stroke in word_script("it", HANDS["joined"]).strokes]
    ['lead-in', 'dot', 'cross']
    """
    line = _Line()
    for letter in word:
        script = find_script(letter, hand)
        if script.strokes[0].moves[0].kind is MoveKind.LEAD_IN:
            _join(line, script, hand)
        else:
            _stand(line, script, hand)
    line.lift()
    return Script(word, (*line.strokes, *line.waiting))


@dataclass(slots=True)
class _Line:
    """What has been written so far: whole strokes, the open one, and strokes that wait."""

    strokes: list[ScriptStroke] = field(default_factory=list)
    open: ScriptStroke | None = None
    waiting: list[ScriptStroke] = field(default_factory=list)
    right: float | None = None

    def lift(self) -> None:
        """Ends the open stroke, its flick kept."""
        if self.open is not None:
            self.strokes.append(self.open)
            self.open = None


def _stand(line: _Line, script: Script, hand: Hand) -> None:
    """The letter beside what is there; second strokes are made at once."""
    line.lift()
    line.strokes += line.waiting
    line.waiting = []
    left, right = _extent(script, hand)
    by = 0.0 if line.right is None else line.right + GAP - left
    line.strokes += [_moved(stroke, by) for stroke in script.strokes]
    line.right = right + by


def _join(line: _Line, script: Script, hand: Hand) -> None:
    """The letter led in from the one before it, or from the base line where there is none."""
    main, *later = script.strokes
    left, right = _extent(script, hand, body_only=True)
    by = 0.0 if line.right is None else line.right + JOIN_GAP - left
    moved = _moved(main, by)
    if line.open is not None and line.open.moves[-1].kind is MoveKind.FLICK:
        *before, flick = line.open.moves
        lead_in, *rest = moved.moves
        joined = (*before, _joining(before[-1].end, flick, lead_in), *rest)
        line.open = replace(line.open, moves=joined)
    else:
        line.lift()
        line.open = moved
    line.waiting += [_moved(stroke, by) for stroke in later]
    line.right = right + by


def _joining(turn: Node, flick: Move, lead_in: Move) -> Move:
    """The lead-in as it begins where the flick stood: on the base line, or at the top's dip."""
    first, *others = lead_in.nodes
    if turn.y is Level.BASE:
        way_up = _way_up(turn, flick, first)
        return replace(lead_in, nodes=(*way_up, *lead_in.nodes), leave_deg=None)
    in_the_middle = nominal_height(first.y) < FROM_THE_MIDDLE
    dip = replace(flick.nodes[0], y=LOW_DIP) if in_the_middle else flick.nodes[0]
    if not in_the_middle and first.heading_deg is not None:
        first = replace(first, heading_deg=min(first.heading_deg, FLATTEST_TOP_JOIN_DEG))
    return Move(MoveKind.LEAD_IN, (dip, first, *others), flick.leave_deg)


def _way_up(turn: Node, flick: Move, first: Node) -> tuple[Node, ...]:
    """What the pen passes on its way from the base line to the next letter.

    With room, it goes out along the flick, so that it clears the letter it leaves (the mouth of c).
    Without, or on to an e, it turns up at once, in an arc of TURN_RADIUS. (Without a heading it
    came straight along the line.) A tail's loop comes up through the base line and needs no turn.
    """
    if turn.heading_deg not in (None, 0.0):
        return ()
    out, height = flick.end, nominal_height(first.y)
    if height > FROM_THE_MIDDLE and first.x - turn.x > ROOM * (out.x - turn.x):
        return (out,)
    away = math.atan2(height, first.x - turn.x)
    x, y = turn.x + TURN_RADIUS * math.sin(away), TURN_RADIUS * (1.0 - math.cos(away))
    return (Node(x, y, math.degrees(away)),)


def _extent(script: Script, hand: Hand, *, body_only: bool = False) -> tuple[float, float]:
    """Left and right of the letter in script units, upright; its body is its first stroke without
    lead-in and flick."""
    upright = replace(hand.proportions, slant_deg=0.0)
    moves = draw(script, upright, Ruling()).moves
    if body_only:
        apart = {MoveKind.LEAD_IN, MoveKind.FLICK}
        moves = tuple(m for m in moves if m.stroke == 0 and m.move.kind not in apart)
    xs = np.concatenate([move.points[:, 0] for move in moves])
    return float(xs.min()) / upright.width, float(xs.max()) / upright.width


def _moved(stroke: ScriptStroke, by: float) -> ScriptStroke:
    moves = tuple(_moved_move(move, by) for move in stroke.moves)
    return ScriptStroke(_moved_node(stroke.start, by), moves)


def _moved_move(move: Move, by: float) -> Move:
    return replace(move, nodes=tuple(_moved_node(node, by) for node in move.nodes))


def _moved_node(node: Node, by: float) -> Node:
    return replace(node, x=node.x + by)
