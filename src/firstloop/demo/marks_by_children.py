"""What children do to what they have written: strike it out, ring the best, tick it."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry.polyline import FloatArray

Rng = np.random.Generator
Box = tuple[float, float, float, float]


@dataclass(frozen=True)
class Mark:
    """How it is drawn round, over or beside ink in a box (u), and what it says of the ink."""

    lines: Callable[[Box, Rng], list[FloatArray]]
    strikes: bool = False
    chooses: bool = False


def _shaky(line: FloatArray, rng: Rng) -> FloatArray:
    return line + np.cumsum(rng.normal(0, 0.006, line.shape), axis=0)


def _between(*corners: tuple[float, float]) -> FloatArray:
    places = np.array(corners)
    at = np.linspace(0, len(places) - 1, 30 * (len(places) - 1) + 1)
    return np.column_stack([np.interp(at, range(len(places)), places[:, axis]) for axis in (0, 1)])


def _line(box: Box, rng: Rng) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    at = y0 + (y1 - y0) * rng.uniform(0.35, 0.65)
    tilt = rng.normal(0, 0.12)
    return [_shaky(_between((x0 - 0.3, at - tilt), (x1 + 0.3, at + tilt)), rng)]


def _two_lines(box: Box, rng: Rng) -> list[FloatArray]:
    lower = _line(box, rng)[0]
    return [lower, lower + np.array([rng.normal(0, 0.05), 0.25 + rng.uniform(0, 0.1)])]


def _cross(box: Box, rng: Rng) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    over = rng.uniform(0.1, 0.25)
    return [
        _shaky(_between((x0 - over, y0 - over), (x1 + over, y1 + over)), rng),
        _shaky(_between((x0 - over, y1 + over), (x1 + over, y0 - over)), rng),
    ]


def _scribble(box: Box, rng: Rng) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    turns = max(5, round((x1 - x0) / 0.2))
    places = [
        (x0 - 0.1 + (x1 - x0 + 0.2) * at / turns, y0 if at % 2 else y1) for at in range(turns + 1)
    ]
    return [_shaky(_between(*places), rng)]


def _ring(box: Box, rng: Rng, room: float = 0.22) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    turn = rng.uniform(0, 6.3) + np.linspace(0, 2 * np.pi * rng.uniform(0.97, 1.06), 160)
    wide, high = max((x1 - x0) * 0.6 + room, 0.75), (y1 - y0) * 0.6 + room
    round_it = np.column_stack([wide * np.cos(turn), high * np.sin(turn)])
    return [_shaky(round_it + np.array([(x0 + x1) / 2, (y0 + y1) / 2]), rng)]


def _tick(box: Box, rng: Rng) -> list[FloatArray]:
    x, y = box[2] + rng.uniform(0.2, 0.4), box[1] + rng.uniform(0.1, 0.6)
    size = rng.uniform(0.7, 1.1)
    return [
        _shaky(_between((x, y + 0.25 * size), (x + 0.2 * size, y), (x + 0.6 * size, y + size)), rng)
    ]


MARKS = {
    "line": Mark(_line, strikes=True),
    "two lines": Mark(_two_lines, strikes=True),
    "cross": Mark(_cross, strikes=True),
    "scribble": Mark(_scribble, strikes=True),
    "ring": Mark(_ring, chooses=True),
    "touching ring": Mark(lambda box, rng: _ring(box, rng, 0.05), chooses=True),
    "tick": Mark(_tick, chooses=True),
}


def marked(ink: Ink, mark: Mark, rng: Rng) -> Ink:
    """The ink with a mark drawn last."""
    x0, y0 = (float(one) for one in ink.points.min(axis=0))
    x1, y1 = (float(one) for one in ink.points.max(axis=0))
    drawn = tuple(Stroke(line) for line in mark.lines((x0, y0, x1, y1), rng))
    return Ink((*ink.strokes, *drawn))
