"""The ways children write a letter, derived from its script by general rules.

A way is a sequence of pieces: moves of the letter, some run backwards, some left out, with the
faults that writing it so implies. `ways_of` lists them; which one was written is for `explain`.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import DrawnMove, Letter
from firstloop.core.letters.moves import Level, MoveKind, Node

STRAIGHT = 0.97
"""[ratio] Chord over length: a straight line, in the models."""


Vector = tuple[float, float]


@dataclass(frozen=True, slots=True, eq=False)
class Piece:
    """A move as it is written in a way; `points` (n, 2) run in the order of writing.

    What is asked of it again and again is worked out once: its length (u), the unit headings in
    which the pen leaves its start and arrives at its end, the corners of its box, whether it is
    straight, and for which share of its length from its start; whether it touches the base line
    (`foot`), is level at the mid line, as an arch is on top (`crown`), or ends there (`tip`).
    """

    drawn: DrawnMove
    points: FloatArray
    backwards: bool
    length: float
    leaving: Vector
    arriving: Vector
    low: Vector
    high: Vector
    straight: bool
    straight_share: float
    foot: bool
    crown: bool
    tip: bool

    @classmethod
    def of(cls, drawn: DrawnMove, points: FloatArray, *, backwards: bool = False) -> "Piece":
        """The move along these points."""
        (left, bottom), (right, top) = points.min(axis=0).tolist(), points.max(axis=0).tolist()
        length, nodes = polyline.length(points), drawn.move.nodes
        (x0, y0), (x1, y1) = points[0].tolist(), points[-1].tolist()
        heights = [node.y for node in nodes]
        return cls(
            drawn=drawn,
            points=points,
            backwards=backwards,
            length=length,
            leaving=_unit(points[1] - points[0]),
            arriving=_unit(points[-1] - points[-2]),
            low=(left, bottom),
            high=(right, top),
            straight=math.hypot(x1 - x0, y1 - y0) > STRAIGHT * length,
            straight_share=_straight_share(points),
            # A loop crosses the base line on its way; its lowest ink is its tail's.
            foot=Level.BASE in heights and Level.DROP not in heights,
            crown=any(node.y is Level.MID and _is_level(node) for node in nodes),
            tip=nodes[-1].y is Level.MID,
        )

    @property
    def size(self) -> Vector:
        """u across and up."""
        return self.high[0] - self.low[0], self.high[1] - self.low[1]


def _straight_share(points: FloatArray) -> float:
    """The share of a line's length for which it is straight from its start: all of a stem, most of
    one that turns into a flick."""
    along = polyline.distances_along(points)
    chords = np.hypot(*(points - points[0]).T)
    return float(along[np.flatnonzero(chords >= STRAIGHT * along)[-1]] / max(along[-1], 1e-9))


def _is_level(node: Node) -> bool:
    return node.heading_deg is not None and node.heading_deg % 180 == 0


def _unit(vector: FloatArray) -> Vector:
    x, y = vector.tolist()
    size = math.hypot(x, y) or 1.0
    return x / size, y / size


@dataclass(frozen=True, slots=True)
class Fault:
    """A fault that a way implies, and the move of the script that it is about."""

    code: Code
    stroke: int
    move: int


@dataclass(frozen=True, slots=True, eq=False)
class Way:
    """One way of writing a letter: strokes of pieces, and what is wrong with it."""

    name: str
    strokes: tuple[tuple[Piece, ...], ...]
    faults: tuple[Fault, ...] = ()

    @property
    def pieces(self) -> tuple[Piece, ...]:
        """All pieces in writing order."""
        return tuple(piece for stroke in self.strokes for piece in stroke)


Pieces = tuple[Piece, ...]


def ways_of(letter: Letter, missing: frozenset[int] = frozenset()) -> tuple[Way, ...]:
    """All ways for the strokes of a letter that are there, the right one first.

    Strokes made in another order or from their end are put right before (`settle`); the ways are
    how the moves within a stroke are made.
    """
    indices = [index for index in range(len(letter.strokes)) if index not in missing]
    right = tuple(
        tuple(Piece.of(drawn, drawn.points) for drawn in letter.strokes[index]) for index in indices
    )
    ways = [Way("right", right)]
    for at, index in enumerate(indices):
        for name, strokes, faults in _stroke_ways(index, right[at]):
            if not all(strokes):  # nothing is left of a letter of one's own that is made of little
                continue
            ways.append(Way(name, right[:at] + strokes + right[at + 1 :], faults))
    return tuple(ways)


def ways_with_two_faults(letter: Letter, missing: frozenset[int] = frozenset()) -> tuple[Way, ...]:
    """The ways in which two things go wrong at once, in one stroke or in two, each that can: for
    ink that no single one explains. None of them is one of `ways_of`."""
    single = ways_of(letter, missing)
    known = {_made_of(way.strokes) for way in single}
    ways = []
    for way in single[1:]:
        for at, stroke in enumerate(way.strokes):
            index = stroke[0].drawn.stroke
            for name, strokes, faults in _stroke_ways(index, stroke):
                both = way.strokes[:at] + strokes + way.strokes[at + 1 :]
                if set(faults) & set(way.faults) or not all(both) or _made_of(both) in known:
                    continue
                known.add(_made_of(both))
                ways.append(Way(f"{way.name}, {name}", both, (*way.faults, *faults)))
    return tuple(ways)


def _made_of(strokes: tuple[Pieces, ...]) -> tuple[tuple[tuple[int, int, bool], ...], ...]:
    """Which moves are made, and which way round: what tells one way from another."""
    return tuple(
        tuple((p.drawn.stroke, p.drawn.index, p.backwards) for p in stroke) for stroke in strokes
    )


_StrokeWay = tuple[str, tuple[Pieces, ...], tuple[Fault, ...]]


def _stroke_ways(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    yield from _begun_at_the_foot(index, stroke)
    yield from _lifted_for_going_back(index, stroke)
    yield from _part_left_out(index, stroke)
    yield from _round_the_wrong_way(index, stroke)
    yield from _stem_before_the_round(index, stroke)
    yield from _not_joined(index, stroke)


def _begun_at_the_foot(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """The stem is not drawn down first: the pen starts where it should have ended."""
    if _kinds(stroke)[:2] != (MoveKind.DROP, MoveKind.BACK):
        return
    drop, back, *rest = stroke
    yield "from the foot", ((back, *rest),), (Fault(Code.START_PLACE, index, 0),)
    pushed = _reversed(drop)
    down_again = Piece.of(back.drawn, np.vstack([drop.points[0], back.points[-1]]))
    yield (
        "stem pushed up",
        ((pushed, down_again, *rest),),
        (Fault(Code.START_PLACE, index, 0), Fault(Code.STROKE_DIRECTION, index, 0)),
    )
    yield (
        "stem pushed up, then lifted",
        ((pushed,), tuple(rest)),
        (Fault(Code.START_PLACE, index, 0), Fault(Code.STROKE_DIRECTION, index, 0)),
    )


def _lifted_for_going_back(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """In place of going back along the stem the pen is lifted and set down at the branch; or at the
    top of the stem, where it should have gone up to it."""
    kinds = _kinds(stroke)
    ups = [at for at in range(1, len(kinds) - 1) if kinds[at : at + 2] == _UP_AND_DOWN]
    for at in (*_backs(stroke), *ups):
        yield (
            "lifted in place of going back",
            (stroke[:at], stroke[at + 1 :]),
            (Fault(Code.EXTRA_LIFT, index, stroke[at].drawn.index),),
        )


def _part_left_out(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """An arch or an arm is forgotten, and so is the way back to it.

    The last one first: of an m with one hump nobody can say which, and the last is the likelier.
    """
    for at in reversed(_backs(stroke)):
        yield (
            f"without part {stroke[at + 1].drawn.index}",
            (stroke[:at] + _shifted(stroke[at + 2 :], stroke[at]),),
            (Fault(Code.MISSING_PART, index, stroke[at + 1].drawn.index),),
        )


def _round_the_wrong_way(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """A round or bowl is made the other way about, and the rest as it should be."""
    for at, kind in enumerate(_kinds(stroke)):
        if kind in (MoveKind.ROUND, MoveKind.WHEEL) and len(stroke) > 1:
            yield (
                "round the wrong way",
                ((*stroke[:at], _reversed(stroke[at]), *stroke[at + 1 :]),),
                (Fault(Code.STROKE_DIRECTION, index, stroke[at].drawn.index),),
            )


def _not_joined(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """The lead-in is left out, or the way out, or both, as in print."""
    kinds = _kinds(stroke)
    led_in, led_out = kinds[0] is MoveKind.LEAD_IN, kinds[-1] is MoveKind.FLICK
    if not led_in:  # in print a flick may be left out
        return
    entry, leave = (
        Fault(Code.ENTRY_MISSING, index, 0),
        Fault(Code.EXIT_MISSING, index, stroke[-1].drawn.index),
    )
    yield "without its lead-in", (stroke[1:],), (entry,)
    if led_out:
        yield "without its way out", (stroke[:-1],), (leave,)
        yield "as in print", (stroke[1:-1],), (entry, leave)


def _stem_before_the_round(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """The stem of a d is made first, then the pen goes back up it and round; that of a g with its
    tail, and the pen is lifted to the round."""
    if _kinds(stroke)[:3] != (MoveKind.ROUND, *_UP_AND_DOWN):
        return
    turn, rise, drop, *rest = stroke
    back_up = Piece.of(rise.drawn, np.vstack([drop.points[-1], turn.points[0]]))
    strokes = ((drop, *rest), (turn,)) if rest else ((drop, back_up, turn),)
    yield "stem before the round", strokes, (Fault(Code.STROKE_ORDER, index, drop.drawn.index),)


_UP_AND_DOWN = (MoveKind.RISE, MoveKind.DROP)


def _kinds(stroke: Pieces) -> tuple[MoveKind, ...]:
    return tuple(piece.drawn.move.kind for piece in stroke)


def _backs(stroke: Pieces) -> list[int]:
    """Places of the backs that have a move after them."""
    return [at for at, kind in enumerate(_kinds(stroke)[:-1]) if kind is MoveKind.BACK]


def _reversed(piece: Piece) -> Piece:
    return Piece.of(piece.drawn, piece.points[::-1], backwards=not piece.backwards)


def _shifted(pieces: Pieces, join: Piece) -> Pieces:
    """The pieces moved so that they go on from where `join` began."""
    if not pieces:
        return pieces
    by = join.points[0] - pieces[0].points[0]
    return tuple(
        Piece.of(piece.drawn, piece.points + by, backwards=piece.backwards) for piece in pieces
    )
