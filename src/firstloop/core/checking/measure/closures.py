"""Where a letter closes: an end of a stroke that lies on another part of the letter."""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import MoveKind

RING = 0.25
"""[u] From its start to its end, within which a letter of one line is a ring."""

TOUCHING = 0.08
"""[u] An end of the model this near to another part is meant to touch it."""

NEIGHBOURHOOD = 0.3
"""[u] Along the stroke from its end: what is this near belongs to the end itself."""


@dataclass(frozen=True, slots=True)
class Closure:
    """An end of a stroke, and the move (stroke, index) that it touches; `at_start` says which end.

    `move` is the first or last move of its stroke.
    """

    stroke: int
    move: int
    at_start: bool
    onto: tuple[int, int]


@lru_cache(maxsize=1024)
def closures(letter: Letter) -> tuple[Closure, ...]:
    """All closures of a letter; dots touch nothing.

    >>> from firstloop.core.letters import PLAIN, draw
    >>> from firstloop.core.letters.ruling import Ruling
    >>> o, n = (draw(PLAIN.scripts[x], PLAIN.proportions, Ruling()) for x in "on")
    >>> len(closures(o)), len(closures(n))
    (2, 0)
    """
    found = []
    for at, stroke in enumerate(letter.strokes):
        if stroke[0].move.kind in (MoveKind.DOT, MoveKind.LEAD_IN):
            continue
        for at_start in (True, False):
            move = stroke[0] if at_start else stroke[-1]
            end = move.points[0] if at_start else move.points[-1]
            onto = _touched(letter, end, (at, move.index), at_start)
            if onto is not None and move.move.kind is not MoveKind.FLICK:
                found.append(Closure(at, move.index, at_start, onto))
    return tuple(found)


def _touched(
    letter: Letter, end: FloatArray, own: tuple[int, int], at_start: bool
) -> tuple[int, int] | None:
    """The move nearest to an end, if it is near enough; the end's own move only past its turn."""
    best, nearest = None, TOUCHING
    for move in letter.moves:
        points = polyline.respace(move.points, 0.04)
        if (move.stroke, move.index) == own:
            points = beyond(points, at_start)
        elif move.stroke == own[0] and abs(move.index - own[1]) == 1:
            points = beyond(points, move.index > own[1])
        if len(points) == 0:
            continue
        off = float(np.hypot(*(points - end).T).min())
        if off < nearest:
            best, nearest = (move.stroke, move.index), off
    return best


def beyond(points: FloatArray, from_start: bool) -> FloatArray:
    """The points that are further than NEIGHBOURHOOD along from an end."""
    ordered = points if from_start else points[::-1]
    steps = np.hypot(*np.diff(ordered, axis=0).T)
    along = np.concatenate([[0.0], np.cumsum(steps)])
    return ordered[along > NEIGHBOURHOOD]


@lru_cache(maxsize=1024)
def is_a_ring(letter: Letter) -> bool:
    """Whether it is one line that ends where it began: it has no end that could be wrong, no top
    and no side.

    >>> from firstloop.core.letters import PLAIN, draw
    >>> from firstloop.core.letters.ruling import Ruling
    >>> [x for x in "acoO068" if is_a_ring(draw(PLAIN.scripts[x], PLAIN.proportions, Ruling()))]
    ['o', 'O', '0', '8']
    """
    path, *others = letter.paths()
    return not others and math.dist(path[0], path[-1]) < RING
