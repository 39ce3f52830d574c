"""The ways children write a letter, derived from its script by general rules.

A way is a sequence of pieces: moves of the letter, some run backwards, some left out, with the
faults that writing it so implies. `ways_of` lists them; which one was written is for `explain`.
"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.findings import Code
from firstloop.core.letterforms import DrawnMove, Letter
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class Piece:
    """A move as it is written in a way; `points` (n, 2) run in the order of writing."""

    drawn: DrawnMove
    points: FloatArray
    backwards: bool = False


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


def ways_of(letter: Letter) -> tuple[Way, ...]:
    """All ways for a letter, the right one first."""
    right = tuple(
        tuple(Piece(drawn, drawn.points) for drawn in stroke) for stroke in letter.strokes
    )
    ways = [Way("right", right)]
    for index, stroke in enumerate(right):
        for name, strokes, faults in _stroke_ways(index, stroke):
            ways.append(Way(name, right[:index] + strokes + right[index + 1 :], faults))
    return tuple(ways)


_StrokeWay = tuple[str, tuple[Pieces, ...], tuple[Fault, ...]]


def _stroke_ways(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    yield from _begun_at_the_foot(index, stroke)
    yield from _lifted_for_going_back(index, stroke)
    yield from _part_left_out(index, stroke)
    yield from _backwards(index, stroke)


def _begun_at_the_foot(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """The stem is not drawn down first: the pen starts where it should have ended."""
    if _kinds(stroke)[:2] != (MoveKind.DROP, MoveKind.BACK):
        return
    drop, back, *rest = stroke
    yield "from the foot", ((back, *rest),), (Fault(Code.START_PLACE, index, 0),)
    pushed = _reversed(drop)
    down_again = Piece(back.drawn, np.vstack([drop.points[0], back.points[-1]]))
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
    """In place of going back along the stem the pen is lifted and set down at the branch."""
    for at in _backs(stroke):
        yield (
            "lifted in place of going back",
            (stroke[:at], stroke[at + 1 :]),
            (Fault(Code.EXTRA_LIFT, index, at),),
        )


def _part_left_out(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """An arch or an arm is forgotten, and so is the way back to it.

    The last one first: of an m with one hump nobody can say which, and the last is the likelier.
    """
    for at in reversed(_backs(stroke)):
        yield (
            f"without part {at + 1}",
            (stroke[:at] + _shifted(stroke[at + 2 :], stroke[at]),),
            (Fault(Code.MISSING_PART, index, at + 1),),
        )


def _backwards(index: int, stroke: Pieces) -> Iterator[_StrokeWay]:
    """The whole stroke is drawn from its end to its start. A dot has neither."""
    if set(_kinds(stroke)) == {MoveKind.DOT}:
        return
    yield (
        "backwards",
        (tuple(_reversed(piece) for piece in reversed(stroke)),),
        (Fault(Code.STROKE_DIRECTION, index, 0),),
    )


def _kinds(stroke: Pieces) -> tuple[MoveKind, ...]:
    return tuple(piece.drawn.move.kind for piece in stroke)


def _backs(stroke: Pieces) -> list[int]:
    """Places of the backs that have a move after them."""
    return [at for at, kind in enumerate(_kinds(stroke)[:-1]) if kind is MoveKind.BACK]


def _reversed(piece: Piece) -> Piece:
    return Piece(piece.drawn, piece.points[::-1], backwards=not piece.backwards)


def _shifted(pieces: Pieces, join: Piece) -> Pieces:
    """The pieces moved so that they go on from where `join` began."""
    if not pieces:
        return pieces
    by = join.points[0] - pieces[0].points[0]
    return tuple(Piece(piece.drawn, piece.points + by, piece.backwards) for piece in pieces)
