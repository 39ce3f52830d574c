"""Cuts ink where the way that it was written in goes from one piece to the next."""

from dataclasses import dataclass
from itertools import accumulate, pairwise

import numpy as np

from firstloop.core.checking.explain.ways import Piece, Way
from firstloop.core.geometry.even import Lines, length_of, points_in
from firstloop.core.geometry.matching import Match
from firstloop.core.geometry.polyline import FloatArray

CORNER_SEARCH = 0.32
"""[u] Of ink around a matched corner in which its true tip is looked for: a sample of the matching
on the longest letter."""

LIFT_SEARCH = 0.6
"""[u] Of ink around a matched pen-up in which the ink's own is looked for: a pen-up is never
mistaken for another, so the search is wider than for corners."""

A_CORNER = -0.5
"""[cosine] Cosine of the angle between arriving and leaving (120 degrees): a sharper turn has a
tip."""


Place = tuple[float, float]


@dataclass(frozen=True, slots=True, eq=False)
class Written:
    """A piece of the way with the ink that wrote it; ink (n, 2) in u, on the page's ruling, evenly
    spaced. `low` and `high` are the corners of the ink's box."""

    piece: Piece
    ink: FloatArray
    low: Place
    high: Place

    @property
    def length(self) -> float:
        """u along the ink."""
        return length_of(self.ink)

    @property
    def width(self) -> float:
        """u across the ink."""
        return self.high[0] - self.low[0]


def cut(lines: Lines, way: Way, ends: list[float], found: Match) -> tuple[Written, ...]:
    """Cuts the ink where the way goes from one piece to the next.

    Within a stroke the point of the cut belongs to both pieces. Where the way lifts the pen the
    ink is cut at a pen-up of its own if there is one near.
    """
    ink = lines[0] if len(lines) == 1 else np.concatenate(lines)
    pen_downs = list(accumulate(len(line) for line in lines))[:-1]
    pieces = way.pieces
    lifts = set(accumulate(len(stroke) for stroke in way.strokes))
    answers = _answers(found, ends) if len(pieces) > 1 else []
    ends_of, begin = [], 0
    for at, (piece, after) in enumerate(pairwise(pieces), start=1):
        near = round(answers[at - 1] * (len(ink) - 1))
        lift = _pen_down_near(pen_downs, near) if at in lifts else None
        if lift is None:
            end = begin_after = max(begin, _corner(ink, near, piece, after))
        else:
            end, begin_after = max(begin, lift - 1), lift
        ends_of.append(_at_least_two(len(ink), begin, end))
        begin = begin_after
    ends_of.append(_at_least_two(len(ink), begin, len(ink) - 1))
    return _written(ink, pieces, ends_of)


def _written(
    ink: FloatArray, pieces: tuple[Piece, ...], ends: list[tuple[int, int]]
) -> tuple[Written, ...]:
    """The pieces with the ink from a begin to an end, both kept; all boxes are found in one go."""
    places = np.array(ends).ravel()
    # Between two places of a pair, and to be left out, between one pair and the next.
    low, high = (f.reduceat(ink, places, axis=0)[::2] for f in (np.minimum, np.maximum))
    last = ink[places[1::2]]
    low, high = np.minimum(low, last).tolist(), np.maximum(high, last).tolist()
    return tuple(
        Written(piece, ink[begin : end + 1], tuple(low[at]), tuple(high[at]))
        for at, (piece, (begin, end)) in enumerate(zip(pieces, ends, strict=True))
    )


def _at_least_two(count: int, begin: int, end: int) -> tuple[int, int]:
    """From `begin` to `end`; two points even where they fall together."""
    begin = min(begin, count - 2)
    return begin, max(end, begin + 1)


def _pen_down_near(pen_downs: list[int], near: int) -> int | None:
    """The pen-down closest to a place along the ink, if one is within LIFT_SEARCH."""
    closest = min(pen_downs, key=lambda place: abs(place - near), default=None)
    if closest is None or abs(closest - near) > points_in(LIFT_SEARCH):
        return None
    return closest


def _answers(found: Match, model_shares: list[float]) -> list[float]:
    """Which share of the ink's path answers to each share (0 to 1) of the model's path."""
    last = len(found.answers) - 1
    answers = []
    for share in model_shares:
        before = min(int(share * last), last - 1)
        low, high = found.answers[before : before + 2]
        answers.append(low + (share * last - before) * (high - low))
    return answers


def _corner(ink: FloatArray, near: int, before: Piece, after: Piece) -> int:
    """The ink index where one piece becomes the next: at a sharp corner, the very tip of it."""
    (ax, ay), (lx, ly) = before.arriving, after.leaving
    begin, end = near - points_in(CORNER_SEARCH), near + points_in(CORNER_SEARCH) + 1
    window = ink[max(0, begin) : end]
    if ax * lx + ay * ly > A_CORNER or len(window) == 0:
        return near
    return max(0, begin) + int(np.argmax(window @ np.array([ax - lx, ay - ly])))
