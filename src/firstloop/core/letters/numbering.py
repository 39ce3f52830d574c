"""Where the numbers of a letter's moves stand: beside the start of their move, clear of ink and of
each other, each with an arrow the way the pen goes. For boards and sheets alike."""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.drawing import Letter

ARROW = 0.17
"""u from a number to the middle of its arrow."""

CLEAR_OF_INK, CLEAR_OF_NUMBERS = 0.17, 0.3
"""u: nearer than the first a number stands on ink, nearer than the second two are read as one."""

AWAY = (0.2, 0.26, 0.34, 0.44)
ALONG = (0.0, 0.12, 0.24, 0.4, 0.6)
ROUND_ABOUT = tuple(range(0, 360, 30))
"""What is tried: u from the path and u along it from the start; degrees round about."""

ON_INK, ON_NUMBER, INSIDE = 12.0, 12.0, 0.15
"""What a place costs, beside its distance from the start of its move: for each u by which it is too
near to ink, or to another number; and for standing inside the letter rather than beside it."""


@dataclass(frozen=True, slots=True)
class NumberPlace:
    """Where the number of a move stands (u), and the way the pen travels there, degrees, y up."""

    at: tuple[float, float]
    heading_deg: float

    @property
    def arrow(self) -> tuple[float, float]:
        """The middle of the arrow."""
        turn = math.radians(self.heading_deg)
        return self.at[0] + ARROW * math.cos(turn), self.at[1] + ARROW * math.sin(turn)


@lru_cache(maxsize=1024)
def number_places(letter: Letter) -> tuple[NumberPlace, ...]:
    """A place for the number of each move, in the order of writing.

    >>> from firstloop.core.letters import PLAIN, draw
    >>> from firstloop.core.letters.ruling import Ruling
    >>> places = number_places(draw(PLAIN.scripts["n"], PLAIN.proportions, Ruling()))
    >>> [round(place.heading_deg) for place in places][:2]  # down, and back up
    [-90, 90]
    """
    moves = [polyline.respace(move.points, 0.05) for move in letter.moves]
    ink = np.concatenate(moves)
    middle = float(ink[:, 0].min() + ink[:, 0].max()) / 2, float(np.median(ink[:, 1]))
    taken: list[tuple[float, float]] = []
    found = []
    for points in moves:
        place = _best(points, ink, taken, middle)
        taken += [place.at, place.arrow]
        found.append(place)
    return tuple(found)


def _best(
    points: FloatArray,
    ink: FloatArray,
    taken: list[tuple[float, float]],
    middle: tuple[float, float],
) -> NumberPlace:
    places = _tried(points)
    at = np.array([place.at for place in places])
    arrows = np.array([place.arrow for place in places])
    cost = np.hypot(*(at - points[0]).T)
    for marks, clear in ((at, CLEAR_OF_INK), (arrows, CLEAR_OF_INK - 0.04)):
        cost = cost + ON_INK * _too_near(marks, ink, clear)
    if taken:
        cost = cost + ON_NUMBER * _too_near(at, np.array(taken), CLEAR_OF_NUMBERS)
        cost = cost + ON_NUMBER * _too_near(arrows, np.array(taken), CLEAR_OF_NUMBERS - 0.08)
    outwards = np.hypot(*(at - middle).T) - np.hypot(*(points[0] - np.array(middle)))
    cost = cost + np.where(outwards < 0, INSIDE, 0.0)
    return places[int(cost.argmin())]


def _tried(points: FloatArray) -> list[NumberPlace]:
    """Places round about the first part of a move."""
    along = polyline.distances_along(points)
    headings = polyline.headings(points)
    tried = []
    for start in ALONG:
        if start > along[-1]:
            break
        at = int(np.searchsorted(along, start))
        (x, y), (across, up) = points[at].tolist(), headings[min(at + 1, len(points) - 1)].tolist()
        deg = math.degrees(math.atan2(up, across))
        for away in AWAY:
            for turn in ROUND_ABOUT:
                angle = math.radians(turn)
                place = (x + away * math.cos(angle), y + away * math.sin(angle))
                tried.append(NumberPlace(place, deg))
    return tried


def _too_near(marks: FloatArray, others: FloatArray, clear: float) -> FloatArray:
    """u by which each mark is nearer than it should be to the nearest of others; (n,)."""
    # Of a long word nearly all is too far off to matter.
    low, high = marks.min(axis=0) - clear, marks.max(axis=0) + clear
    others = others[((others >= low) & (others <= high)).all(axis=1)]
    if not len(others):
        return np.zeros(len(marks))
    apart = np.hypot(*(marks[:, None] - others[None]).transpose(2, 0, 1)).min(axis=1)
    return np.asarray(np.maximum(0.0, clear - apart))
