"""A letter or word as a movement in time: when each move is drawn, for whoever watches it."""

from dataclasses import dataclass

from firstloop.core.geometry import polyline
from firstloop.core.letters import Letter

PACE, PAUSE, REST = 1.5, 0.4, 1.5
"""u a second; seconds between moves, and before it is written once more: slow enough to say the
words along with it."""

SHORTEST = 0.2
"""Seconds: a dot takes its time too."""


@dataclass(frozen=True, slots=True)
class Movement:
    """From when to when each move is drawn, and how long one round is; in seconds."""

    moves: tuple[tuple[float, float], ...]
    whole: float


def movement_of(letter: Letter) -> Movement:
    """The moves of a letter one after another, with a breath between them.

    >>> from firstloop.core.letters import PLAIN, draw
    >>> from firstloop.core.letters.ruling import Ruling
    >>> found = movement_of(draw(PLAIN.scripts["l"], PLAIN.proportions, Ruling()))
    >>> len(found.moves), round(found.whole, 2)
    (1, 3.17)
    """
    clock, times = 0.0, []
    for move in letter.moves:
        took = max(SHORTEST, polyline.length(move.points) / PACE)
        times.append((clock, clock + took))
        clock += took + PAUSE
    return Movement(tuple(times), clock + REST)
