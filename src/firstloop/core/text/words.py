"""Words: letters laid out in writing order, as one script that can be drawn like a letter.

Print stands letter beside letter. In joined hands a letter gives up its flick, and the next one's
lead-in begins where it stood; dots and bars wait for the end of the word.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass, field, replace
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw, find_script
from firstloop.core.letters.hands import GROUPS, joins_of
from firstloop.core.letters.moves import (
    Level,
    Move,
    MoveKind,
    Node,
    Script,
    ScriptStroke,
    nominal_height,
    shifted_stroke,
)
from firstloop.core.letters.ruling import Ruling

HEIGHTS = np.arange(-0.95, 2.0, 0.1)
BODY = (HEIGHTS > 0.0) & (HEIGHTS < 1.0)
"""u: the heights at which letters are held apart: those of the body, and where both have ink."""

SPACE, DEEPEST, CLOSEST = 0.5, 0.7, 0.28
"""u between letters that do not join: on average, where at no height more than DEEPEST counts; and
nowhere less than CLOSEST. So two stems stand as far apart as the legs of an n look, and two rounds
nearer."""

JOIN_GAP = 0.54
"""u between the bodies of letters that join, lead-ins and flicks not counted."""

OPEN_GAP = 0.3
"""u between a flick and the lead-in of the next letter where they are not joined: they stand close,
and a pen a tenth of a u wide still leaves white between them."""

FLATTEST_TOP_JOIN_DEG = 35.0
"""A top join comes in from the side: at the mid line it arrives no steeper than this."""

TALL_TOP_JOIN = 1.4
"""u: a top join to a tall letter turns up before it meets the stem, here, where it is one line."""

TURN_RADIUS = 0.13
"""u: how tightly the pen turns up from the base line; flicks turn as tightly."""

FROM_THE_MIDDLE, LOW_DIP = 0.8, 0.5
"""u: a letter led in to below the first begins in the middle (e); a top join dips to the second
before it."""

LED_IN, LED_IN_DEG = 0.4, 55.0
"""u, degrees: how far to the left a lead-in begins, and how it comes, that a letter alone has not.
"""

ROOM = 1.6
"""Flicks: with more room than this to the next letter, the pen goes out along the flick."""


@dataclass(frozen=True, slots=True)
class Origin:
    """Where a move of a text comes from: the letter's place in it, and whether the move is a join,
    which stands for the end of the letter before as much as for the beginning of its own."""

    letter: int
    join: bool = False


@dataclass(frozen=True, slots=True)
class Composed:
    """A word as one script, and for each of its moves, by stroke, where it comes from; how far each
    letter was moved to the right, in script units."""

    script: Script
    origins: tuple[tuple[Origin, ...], ...]
    shifts: tuple[float, ...]


Joins = Callable[[str], bool]
"""Whether two letters are joined, where their hand can join them."""


def compose(word: str, hand: Hand, joins: Joins | None = None) -> Composed:
    """The word as one script, every join made, or only those that `joins` says; raises
    UnknownLetterError for a letter the hand does not have. Letters that are not joined stand close,
    each with its own lead-in and flick.

    >>> from firstloop.core.letters import HANDS
    >>> len(compose("man", HANDS["plain"]).script.strokes)
    3
    >>> man = compose("man", HANDS["joined"])
    >>> len(man.script.strokes), [o.letter for o in man.origins[0] if o.join]
    (1, [1, 2])
    >>> open_after_m = compose("man", HANDS["joined"], lambda pair: pair != "ma")
    >>> [stroke.moves[0].kind.value for stroke in open_after_m.script.strokes]
    ['lead-in', 'lead-in']
    >>> word = compose("it", HANDS["joined"])
    >>> [stroke.moves[0].kind.value for stroke in word.script.strokes]
    ['lead-in', 'dot', 'cross']
    >>> [origins[0].letter for origins in word.origins]
    [0, 0, 1]
    """
    line = _Line()
    for at, letter in enumerate(word):
        script, pair = in_words(find_script(letter, hand), hand), word[max(0, at - 1) : at + 1]
        if script.strokes[0].moves[0].kind is MoveKind.LEAD_IN:
            wanted = joins is None or joins(pair)
            _join(line, script, at, hand, joined=wanted and _are_joined(pair, hand))
        else:
            _stand(line, script, at, hand, in_a_word=hand.joins and letter in GROUPS["small"])
    line.lift()
    runs = (*line.runs, *line.waiting)
    return Composed(
        Script(word, tuple(run.stroke for run in runs)),
        tuple(run.origins for run in runs),
        tuple(line.shifts),
    )


@dataclass(frozen=True, slots=True)
class _Run:
    """A stroke of the word, and where its moves come from."""

    stroke: ScriptStroke
    origins: tuple[Origin, ...]

    @classmethod
    def of(cls, stroke: ScriptStroke, at: int) -> "_Run":
        """A stroke of one letter."""
        return cls(stroke, (Origin(at),) * len(stroke.moves))


@dataclass(slots=True)
class _Line:
    """What has been written so far: whole strokes, the open one, and strokes that wait; how far
    right the last letter goes, and its right edge at HEIGHTS."""

    runs: list[_Run] = field(default_factory=list)
    open: _Run | None = None
    waiting: list[_Run] = field(default_factory=list)
    right: float | None = None
    edge: FloatArray | None = None
    shifts: list[float] = field(default_factory=list)

    def lift(self) -> None:
        """Ends the open stroke, its flick kept."""
        if self.open is not None:
            self.runs.append(self.open)
            self.open = None


def in_words(script: Script, hand: Hand) -> Script:
    """A letter as it is written where letters join: where its hand says that it is joined though
    alone it has no lead-in or way out, with the shortest that there is.

    >>> from firstloop.core.letters import HANDS
    >>> in_words(HANDS["joined"].scripts["n"], HANDS["joined"]) is HANDS["joined"].scripts["n"]
    True
    """
    said = hand.joined.get(script.letter)
    if said is None:
        return script
    main, *others = script.strokes
    if said.into is not None and main.moves[0].kind is not MoveKind.LEAD_IN:
        start = Node(main.start.x - LED_IN, said.into)
        lead_in = Move(MoveKind.LEAD_IN, (replace(main.start, heading_deg=LED_IN_DEG),))
        leaves = main.moves[0].leave_deg
        if leaves is None and main.start.heading_deg is not None:
            leaves = main.start.heading_deg
        first = replace(main.moves[0], leave_deg=_set_off(main) if leaves is None else leaves)
        main = ScriptStroke(
            replace(start, heading_deg=LED_IN_DEG), (lead_in, first, *main.moves[1:])
        )
    if said.out is not None and main.moves[-1].kind is not MoveKind.FLICK:
        end = main.moves[-1].end
        out = Node(end.x + LED_IN / 2, nominal_height(end.y) + LED_IN / 2, LED_IN_DEG)
        main = replace(main, moves=(*main.moves, Move(MoveKind.FLICK, (out,))))
    return replace(script, strokes=(main, *others))


def _set_off(stroke: ScriptStroke) -> float | None:
    """The heading with which a stroke sets off, degrees, where it does so in a curve; None where it
    goes straight."""
    first = stroke.moves[0].nodes[0]
    if first.heading_deg is None:
        return None
    up = nominal_height(first.y) - nominal_height(stroke.start.y)
    return math.degrees(math.atan2(up, first.x - stroke.start.x))


def _are_joined(pair: str, hand: Hand) -> bool:
    """Whether a hand joins two letters; the first of a word is led into from the line."""
    goes_on = len(pair) < 2 or joins_of(hand, pair[0]).out is not None
    return goes_on and joins_of(hand, pair[-1]).into is not None


def _stand(line: _Line, script: Script, at: int, hand: Hand, *, in_a_word: bool) -> None:
    """The letter beside what is there; its second strokes are made at once, or in a word of letters
    that join, with the others at its end."""
    flick = line.open.stroke.moves[-1] if line.open is not None else None
    line.lift()
    left, right = _edges(script, hand)
    by = 0.0 if line.edge is None else _apart(line.edge, left)
    if flick is not None and flick.kind is MoveKind.FLICK:
        by = max(by, flick.end.x + OPEN_GAP - float(np.nanmin(left)))
    line.shifts.append(by)
    main, *later = (_Run.of(shifted_stroke(stroke, by), at) for stroke in script.strokes)
    if in_a_word:
        line.open, line.waiting = main, [*line.waiting, *later]
    else:
        line.runs += [*line.waiting, main, *later]
        line.waiting = []
    line.edge, line.right = right + by, float(np.nanmax(right)) + by


def _join(line: _Line, script: Script, at: int, hand: Hand, *, joined: bool) -> None:
    """The letter led in from the one before it, or from the base line where it is not joined."""
    main, *later = script.strokes
    left, right = _body(script, hand)
    flicked = line.open is not None and line.open.stroke.moves[-1].kind is MoveKind.FLICK
    by = 0.0
    if line.open is not None and flicked and not joined:
        by = line.open.stroke.moves[-1].end.x + OPEN_GAP - main.start.x
    elif line.right is not None:
        by = line.right + JOIN_GAP - left
    line.shifts.append(by)
    run = _Run.of(shifted_stroke(main, by), at)
    if line.open is not None and flicked and joined:
        *before, flick = line.open.stroke.moves
        lead_in, *rest = run.stroke.moves
        moves = (*before, _joining(before[-1].end, flick, lead_in), *rest)
        origins = (*line.open.origins[:-1], Origin(at, join=True), *run.origins[1:])
        line.open = _Run(replace(line.open.stroke, moves=moves), origins)
    else:
        line.lift()
        line.open = run
    line.waiting += [_Run.of(shifted_stroke(stroke, by), at) for stroke in later]
    line.edge, line.right = np.where(BODY, right + by, np.nan), right + by


def _joining(turn: Node, flick: Move, lead_in: Move) -> Move:
    """The lead-in as it begins where the flick stood: on the base line, or at the top's dip."""
    first, *others = lead_in.nodes
    if turn.y is Level.BASE:
        way_up = _way_up(turn, flick, first)
        return replace(lead_in, nodes=(*way_up, *lead_in.nodes), leave_deg=None)
    in_the_middle = nominal_height(first.y) < FROM_THE_MIDDLE
    dip = replace(flick.nodes[0], y=LOW_DIP) if in_the_middle else flick.nodes[0]
    if _goes_on_up(lead_in):
        first = replace(first, y=TALL_TOP_JOIN)
    elif not in_the_middle and first.heading_deg is not None:
        first = replace(first, heading_deg=min(first.heading_deg, FLATTEST_TOP_JOIN_DEG))
    return Move(MoveKind.LEAD_IN, (dip, first, *others), flick.leave_deg)


def _goes_on_up(lead_in: Move) -> bool:
    """Whether it meets a stem on its way and goes on along it: b f h k l t."""
    first, *others = lead_in.nodes
    return any(other.x == first.x for other in others)


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


@lru_cache(maxsize=1024)
def _edges(script: Script, hand: Hand) -> tuple[FloatArray, FloatArray]:
    """Left and right edge of the letter at HEIGHTS in script units, upright; NaN where it has no
    ink."""
    upright = replace(hand.proportions, slant_deg=0.0)
    paths = draw(script, upright, Ruling()).paths()
    points = np.concatenate([polyline.respace(path, 0.05) for path in paths])
    within = np.abs(points[:, 1] - HEIGHTS[:, None]) <= 0.05 + 1e-9
    x = points[:, 0] / upright.width
    seen = within.any(axis=1)
    left, right = np.where(within, x, np.inf).min(axis=1), np.where(within, x, -np.inf).max(axis=1)
    return np.where(seen, left, np.nan), np.where(seen, right, np.nan)


def _apart(edge: FloatArray, left: FloatArray) -> float:
    """How far right a letter goes so that it stands as it should beside a right edge."""
    # Over and under a mark there is nothing, which is half as deep as deep counts.
    of_left = np.where(np.isnan(left), np.nanmin(left) + DEEPEST / 2, left)
    of_edge = np.where(np.isnan(edge), np.nanmax(edge) - DEEPEST / 2, edge)
    seen = BODY | ~(np.isnan(left) | np.isnan(edge))
    between = (of_left - of_edge)[seen]
    tried = CLOSEST - between.min() + np.arange(0.0, 2 * DEEPEST, 0.01)
    wide_enough = np.minimum(between + tried[:, None], DEEPEST).mean(axis=1) >= SPACE
    return float(tried[np.argmax(wide_enough)])


@lru_cache(maxsize=1024)
def _body(script: Script, hand: Hand) -> tuple[float, float]:
    """Left and right of the letter's body in script units, upright: of its first stroke without
    lead-in and flick."""
    upright = replace(hand.proportions, slant_deg=0.0)
    apart = {MoveKind.LEAD_IN, MoveKind.FLICK}
    main = draw(script, upright, Ruling()).strokes[0]
    moves = [move for move in main if move.move.kind not in apart]
    # What is made of nothing else is its own body.
    xs = np.concatenate([move.points[:, 0] for move in moves or main])
    return float(xs.min()) / upright.width, float(xs.max()) / upright.width
