"""Where each stroke of a letter begins: at which height, and beside, on or inside what stands.

Said while the pen is in the air, so that who only hears a phrase knows where to set it down.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.letters.drawing import DrawnMove, Proportions, draw
from firstloop.core.letters.moves import MoveKind, Script
from firstloop.core.letters.places import height_key
from firstloop.core.letters.ruling import Ruling

AGAIN, ON = 0.12, 0.1
"""u: a stroke that begins so near to where another began begins there again; so near to ink, on it.
Half the width of a line, and a little more."""

LEVEL = 0.15
"""u: what stands within so much of a height tells whether a stroke begins beside it or inside."""

SPACING = 0.02
"""u between the points that are compared: finer than ON by far."""

STRAIGHT = frozenset({MoveKind.DROP, MoveKind.RISE, MoveKind.BACK})


@dataclass(frozen=True, slots=True)
class Beginning:
    """Where a stroke begins: how it lies to what stands (None where nothing does), and how high, as
    `places.height_key` has it; of a stroke that begins again where another did, and of a dot, None.
    """

    beside: str | None
    height: str | None

    @property
    def key(self) -> str:
        """By what words are kept and found, the most special last.

        >>> Beginning("right", "at-mid").key
        'start-right-at-mid'
        """
        return "-".join(part for part in ("start", self.beside, self.height) if part)


@lru_cache(maxsize=1024)
def beginnings(script: Script) -> tuple[Beginning, ...]:
    """Where each stroke begins.

    >>> from firstloop.core.letters import PLAIN
    >>> [start.key for start in beginnings(PLAIN.scripts["k"])]
    ['start-at-top', 'start-right-at-mid']
    >>> [start.key for start in beginnings(PLAIN.scripts["E"])][1:]
    ['start-again', 'start-stem-at-mid', 'start-stem-at-base']
    """
    strokes = draw(script, Proportions(), Ruling()).strokes
    return tuple(_beginning(strokes[:at], stroke) for at, stroke in enumerate(strokes))


def _beginning(before: Sequence[tuple[DrawnMove, ...]], stroke: tuple[DrawnMove, ...]) -> Beginning:
    start = stroke[0].points[0]
    height = height_key(float(start[1]), Ruling())
    if not before:
        return Beginning(None, height)
    if stroke[0].move.kind is MoveKind.DOT:
        low = max(float(move.points[:, 1].min()) for one in before for move in one)
        return Beginning("dot-below" if start[1] < low else "dot-above", None)
    if any(np.hypot(*(one[0].points[0] - start)) < AGAIN for one in before):
        return Beginning("again", None)
    return Beginning(_beside(before, start[0], start[1]), height)


def _beside(before: Sequence[tuple[DrawnMove, ...]], x: float, y: float) -> str:
    moves = [move for stroke in before for move in stroke]
    spaced = [polyline.respace(move.points, SPACING) for move in moves]
    away = [float(np.hypot(*(points - (x, y)).T).min()) for points in spaced]
    nearest = int(np.argmin(away))
    if away[nearest] < ON:
        kind = moves[nearest].move.kind
        return "stem" if kind in STRAIGHT else "slope" if kind is MoveKind.SLOPE else "line"
    ink = np.concatenate(spaced)
    level = ink[np.abs(ink[:, 1] - y) < LEVEL, 0]
    if not len(level):
        return "beside"
    if x < level.min():
        return "left"
    return "right" if x > level.max() else "inside"
