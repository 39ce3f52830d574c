"""What the hand does in each move of a letter, as a key: what must be heard to do it and no other.

The kind of move; then whether a stroke begins at the top or a stem ends below the line, which way a
slope goes and whether it comes to what stands, whether a round closes and where, how far a lead-in
climbs. By these keys words are found (`phrases`), ours and a teacher's.
"""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.drawing import DrawnMove, Proportions, draw
from firstloop.core.letters.moves import Level, Move, MoveKind, Node, Script, nominal_height
from firstloop.core.letters.ruling import Ruling

BELOW, HIGH = -0.3, 1.3
"""u: a stem that ends lower is a tail; a stroke that begins higher begins at the top."""

SHORT, STOPS = 0.9, 0.3
"""u: a stem from the top that ends higher than the first goes a short way only (5); that stops
higher than the second, most of the way (!)."""

STROKE = 0.5
"""u: a slope that is shorter is a mark's, not a letter's."""

CLOSED, LOWER = 0.2, 0.5
"""u: a round that ends this near to where it was is closed; so much below its start, curled in."""

TURNED_BACK = 0.2
"""u: a scoop that ends so far left of where it was curls in again (joined b)."""

LOW_LEAD_IN, HIGH_LEAD_IN, TO_THE_TOP = 0.8, 1.1, 1.75
"""u: a lead-in that stays lower goes half way up only (e), one that goes higher up a stem; higher
still, to its top."""

DIP = 0.6
"""u: a flick that leaves higher leaves at the mid line, through a dip."""

HALF = 0.6
"""u: what begins at the top and goes no further down stays in the upper half (Y, 9)."""

LEVEL = 0.2
"""Rise over run: a slope that is flatter only goes out (R)."""

WHOLE = 1.3
"""u: a bowl that goes so far down is as tall as its stem (D)."""

SMALL = 0.3
"""u: a bowl that goes down by less comes in again at once (k)."""

TOUCHES, SPACING = 0.1, 0.02
"""u: what ends so near to ink comes to it; and how finely that is looked at."""


@dataclass(frozen=True, slots=True)
class _Done:
    """A move where it is made: from where, between which moves of its stroke, what it comes to."""

    move: Move
    start: Node
    previous: Move | None
    following: Move | None
    met: MoveKind | None

    @property
    def from_y(self) -> float:
        return nominal_height(self.start.y)

    @property
    def to_y(self) -> float:
        return nominal_height(self.move.end.y)

    @property
    def up(self) -> float:
        return self.to_y - self.from_y

    @property
    def across(self) -> float:
        return self.move.end.x - self.start.x

    @property
    def highest(self) -> float:
        return max(nominal_height(node.y) for node in self.move.nodes)

    @property
    def lowest(self) -> float:
        return min(nominal_height(node.y) for node in self.move.nodes)

    def follows(self, kind: MoveKind) -> bool:
        return self.previous is not None and self.previous.kind is kind


@lru_cache(maxsize=1024)
def move_keys(script: Script) -> tuple[tuple[str, ...], ...]:
    """The key of each move, by stroke, in the order of writing.

    >>> from firstloop.core.letters import PLAIN
    >>> move_keys(PLAIN.scripts["k"])
    (('drop-tall',), ('slope-down-left-stem', 'slope-down-right'))
    """
    drawn = draw(script, Proportions(), Ruling())
    keys, before = [], list[DrawnMove]()
    for stroke, moves in zip(script.strokes, drawn.strokes, strict=True):
        neighbours = (None, *stroke.moves, None)
        said, start = list[str](), stroke.start
        for index, (move, at) in enumerate(zip(stroke.moves, moves, strict=True)):
            previous, following = neighbours[index], neighbours[index + 2]
            said.append(_key(_Done(move, start, previous, following, _met(at, before))))
            start = move.end
            before.append(at)
        keys.append(tuple(said))
    return tuple(keys)


def _met(move: DrawnMove, before: Sequence[DrawnMove]) -> MoveKind | None:
    """What a move comes to at its end, a stem before all else; the move before it in its stroke is
    where it comes from."""
    end = move.points[-1]
    there = before[:-1] if move.index else before
    met = [one.move.kind for one in there if _nearest(one.points, end) < TOUCHES]
    return MoveKind.DROP if MoveKind.DROP in met else next(iter(met), None)


def _nearest(points: FloatArray, to: FloatArray) -> float:
    spaced = polyline.respace(points, SPACING)
    return float(np.hypot(*(spaced - to).T).min())


def _key(done: _Done) -> str:
    how = _HOW.get(done.move.kind)
    key = done.move.kind.value + (how(done) if how else "")
    begins_tall = done.previous is None and done.from_y > HIGH
    said_already = key in ("drop-low", "wheel-whole", "rise-tall", "dot")
    return f"{key}-tall" if begins_tall and not said_already else key


def _of_a_drop(done: _Done) -> str:
    if done.to_y < BELOW:
        return "-low"
    if done.to_y > SHORT:
        return "-short"
    return "-most" if done.to_y > STOPS and done.following is None else ""


def _of_a_slope(done: _Done) -> str:
    if abs(done.up) < LEVEL * done.across:
        return "-down-right-out"
    if done.up > 0:
        return "-up"
    if done.across < 0:
        return f"-down-left{_to_the_left(done)}"
    stays_high = done.from_y > HIGH and done.to_y > HALF
    return "-down-right-half" if stays_high else "-down-right"


def _to_the_left(done: _Done) -> str:
    if math.hypot(done.up, done.across) < STROKE:
        return "-short"
    if done.to_y < BELOW:
        return "-low"
    return {None: "", MoveKind.DROP: "-stem"}.get(done.met, "-met")


def _of_a_round(done: _Done) -> str:
    if min(node.x for node in done.move.nodes) >= done.start.x:
        return "-right"
    back = done.follows(MoveKind.LEAD_IN) and done.move.leave_deg is not None
    return ("-over" if back else "") + _closing(done)


def _closing(done: _Done) -> str:
    """Whether a round comes back to where it began, or to where it was well below that (6)."""
    end = done.move.end
    for node in (done.start, *done.move.nodes[:-1]):
        y = nominal_height(node.y)
        if math.hypot(end.x - node.x, done.to_y - y) < CLOSED:
            if y < done.from_y - LOWER:
                return "-curled"
            return "-closed-high" if done.lowest > HALF else "-closed"
    return "" if done.met is None else "-closed"


def _of_a_wheel(done: _Done) -> str:
    if done.up < -WHOLE:
        return "-whole"
    if done.met is MoveKind.DROP:
        return "-stem-in" if done.up > -SMALL else "-stem"
    return "-under" if done.highest <= done.from_y else ""


def _of_a_scoop(done: _Done) -> str:
    if not done.follows(MoveKind.DROP):
        return ""
    furthest = max(node.x for node in done.move.nodes)
    return "-in" if done.move.end.x < furthest - TURNED_BACK else "-on"


def _of_a_loop(done: _Done) -> str:
    if any(node.y is Level.TOP for node in done.move.nodes):
        return "-over"
    return "-left" if done.move.nodes[0].x < done.start.x else "-right"


def _of_a_lead_in(done: _Done) -> str:
    if done.following is not None and done.following.kind is MoveKind.LOOP:
        return ""
    last = done.move.end.heading_deg
    over = "-over" if last is not None and last < 0 else ""
    if done.highest > HIGH_LEAD_IN:
        return "-tall" + (over or ("" if done.highest > TO_THE_TOP else "-half"))
    return "-low" if done.highest < LOW_LEAD_IN else over


_HOW: dict[MoveKind, Callable[[_Done], str]] = {
    MoveKind.DROP: _of_a_drop,
    MoveKind.RISE: lambda done: "-tall" if done.move.end.y is Level.TOP else "",
    MoveKind.SLOPE: _of_a_slope,
    MoveKind.ROUND: _of_a_round,
    MoveKind.WHEEL: _of_a_wheel,
    MoveKind.SCOOP: _of_a_scoop,
    MoveKind.CROSS: lambda done: "-left" if done.across < 0 else "",
    MoveKind.LOOP: _of_a_loop,
    MoveKind.LEAD_IN: _of_a_lead_in,
    MoveKind.FLICK: lambda done: "-dip" if done.from_y > DIP else "",
}
