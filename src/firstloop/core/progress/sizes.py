"""How large a child writes and where on the line, week by week: what small letters, tall parts,
tails and feet reach, with their spread."""

from collections import defaultdict
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

import numpy as np

from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry import polyline
from firstloop.core.letters import Letter
from firstloop.core.letters.ruling import Ruling

NEAR_ITS_LINE = 0.15
"""[u] So near to a line a model's end is meant to be at it: the dot of an i is at none, and a t
that ends half way up is neither small nor tall."""


class Part(StrEnum):
    """What of a letter reaches a line: the top of a small one, of a tall one, a tail's end, or
    where it stands."""

    TALL = "tall"
    SMALL = "small"
    FOOT = "foot"
    TAIL = "tail"


def line_of(part: Part, ruling: Ruling) -> float:
    """The height that a part should reach, u."""
    return {
        Part.TALL: ruling.top,
        Part.SMALL: 1.0,
        Part.FOOT: 0.0,
        Part.TAIL: ruling.drop,
    }[part]


@lru_cache(maxsize=512)
def parts_of(letter: Letter) -> tuple[Part | None, Part | None]:
    """What the top and the bottom of a letter are, by its model; None: they end at no line."""
    (_, bottom), (_, top) = polyline.corners(np.vstack(letter.inked())).tolist()
    return (
        _at(top, (Part.TALL, Part.SMALL), letter.ruling),
        _at(bottom, (Part.FOOT, Part.TAIL), letter.ruling),
    )


def _at(height: float, parts: Iterable[Part], ruling: Ruling) -> Part | None:
    near = (part for part in parts if abs(line_of(part, ruling) - height) <= NEAR_ITS_LINE)
    return next(near, None)


def reached(letter: Letter, ink: Ink) -> Iterator[tuple[Part, float]]:
    """How high the parts of a written letter are, u above the base line."""
    (_, bottom), (_, top) = polyline.corners(ink.points).tolist()
    for part, height in zip(parts_of(letter), (top, bottom), strict=True):
        if part is not None:
            yield part, height


@dataclass(frozen=True, slots=True)
class Spread:
    """Heights, u: eight of ten lie between `low` and `high`; of so many letters."""

    low: float
    middle: float
    high: float
    count: int


LEAST = 3
"""[letters] Fewer have no spread that says anything."""


def spreads(heights: Iterable[tuple[Part, float]]) -> dict[Part, Spread]:
    """The spread of each part of which there are enough.

    >>> spreads([(Part.FOOT, 0.1), (Part.FOOT, 0.0), (Part.FOOT, 0.2), (Part.TALL, 2.0)])
    {<Part.FOOT: 'foot'>: Spread(low=0.02, middle=0.1, high=0.18, count=3)}
    """
    found = defaultdict[Part, list[float]](list)
    for part, height in heights:
        found[part].append(height)
    return {part: _spread(found[part]) for part in Part if len(found.get(part, ())) >= LEAST}


def _spread(heights: list[float]) -> Spread:
    low, middle, high = np.quantile(heights, (0.1, 0.5, 0.9)).round(3).tolist()
    return Spread(low, middle, high, len(heights))
