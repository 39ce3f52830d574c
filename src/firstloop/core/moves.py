"""Moves: the small vocabulary that every letter is written in.

A move says what the pen does and where it ends; `path` turns it into points. What differs from
one school to another (how early an arch leaves its stem, how full it is) is the hand's.
"""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from firstloop.core import polyline
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Height, Line, Ruling


class MoveKind(StrEnum):
    """What the pen does."""

    DROP = "drop"
    BACK = "back"
    ARCH = "arch"
    ARM = "arm"


@dataclass(frozen=True, slots=True)
class Move:
    """One move: its kind, the height at which it ends, and how far to the right it goes (u)."""

    kind: MoveKind
    to: Height
    dx: float = 0.0


@dataclass(frozen=True, slots=True)
class Proportions:
    """What a hand chooses for all its moves; lengths in u."""

    crown: float = 0.54
    """Where along its width an arch is highest, 0 to 1: past the middle looks pulled along."""
    fullness: float = 0.62
    """How square the shoulder of an arch is: 0.55 would be the quarter ellipse."""


def path(move: Move, start: tuple[float, float], shape: Proportions, ruling: Ruling) -> FloatArray:
    """The points of a move begun at `start` (u); (n, 2), its first point being `start`."""
    end = (start[0] + move.dx, move.to.on(ruling))
    match move.kind:
        case MoveKind.DROP | MoveKind.BACK:
            return np.array([start, end], dtype=np.float64)
        case MoveKind.ARCH:
            return _arch(start, end, shape, ruling.height(Line.MID))
        case MoveKind.ARM:
            return _arm(start, end, shape, ruling.height(Line.MID))


def _rise_to_crown(
    start: tuple[float, float], crown: tuple[float, float], fullness: float
) -> FloatArray:
    """From the stem, still going up along it, over to the level crown."""
    (x0, y0), (x1, y1) = start, crown
    return polyline.cubic(
        start, (x0, y0 + fullness * (y1 - y0)), (x1 - fullness * (x1 - x0), y1), crown
    )


def _arch(
    start: tuple[float, float], end: tuple[float, float], shape: Proportions, mid: float
) -> FloatArray:
    """Up off the stem, over, and straight down to the end."""
    width = end[0] - start[0]
    crown = (start[0] + shape.crown * width, mid)
    shoulder = (end[0], mid - 0.44 * (mid - end[1]))  # below it the leg is straight
    over = polyline.cubic(
        crown,
        (crown[0] + shape.fullness * (end[0] - crown[0]), mid),
        (end[0], shoulder[1] + shape.fullness * (mid - shoulder[1])),
        shoulder,
    )
    rise = _rise_to_crown(start, crown, shape.fullness)
    return np.vstack([rise, over[1:], [end]])


def _arm(
    start: tuple[float, float], end: tuple[float, float], shape: Proportions, mid: float
) -> FloatArray:
    """Up off the stem and over, ending out to the side just past the crown."""
    crown = (start[0] + 0.72 * (end[0] - start[0]), mid)
    over = polyline.cubic(
        crown,
        (crown[0] + 0.5 * (end[0] - crown[0]), mid),
        (end[0] - 0.2 * (end[0] - crown[0]), end[1] + 0.35 * (mid - end[1])),
        end,
    )
    return np.vstack([_rise_to_crown(start, crown, shape.fullness), over[1:]])
