"""What is written, as it is laid on a line: letters and words of a hand, in u from the first."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose

FINGER_SPACE = 1.2
"""[u] Between words: a child's finger on lines of 7 mm."""


@dataclass(frozen=True, slots=True, eq=False)
class Placed:
    """A letter or word and how far right it stands, u."""

    letter: Letter
    right_by: float


@dataclass(frozen=True, slots=True, eq=False)
class Written:
    """A text on a line, its first ink at 0; how wide it is, u."""

    text: str
    parts: tuple[Placed, ...]
    width: float


def written(text: str, hand: Hand, ruling: Ruling, but: str = "") -> Written:
    """A text as its words stand on a line, one of them left out (its place stays free); raises
    UnknownLetterError for a letter that the hand does not have."""
    parts, right = [], 0.0
    for word in text.split():
        letter, left, end = _drawn(word, hand, ruling)
        if not but or word.strip(".,!?") != but:
            parts.append(Placed(letter, right - left))
        right += end - left + FINGER_SPACE
    return Written(text, tuple(parts), max(0.0, right - FINGER_SPACE))


# The words of a sentence are tried on a line again with each that comes, row after row.
@lru_cache(maxsize=512)
def _drawn(word: str, hand: Hand, ruling: Ruling) -> tuple[Letter, float, float]:
    """A word as one movement, where its ink begins and where it ends; u."""
    letter = draw(compose(word, hand).script, hand.proportions, ruling)
    (left, _), (end, _) = polyline.corners(np.vstack(letter.inked())).tolist()
    return letter, left, end


def in_lines(text: str, hand: Hand, ruling: Ruling, room: float) -> Iterator[str]:
    """A text broken between words, so that each line finds room (u); a word that is wider stands on
    a line of its own."""
    line: list[str] = []
    for word in text.split():
        if line and written(" ".join([*line, word]), hand, ruling).width > room:
            yield " ".join(line)
            line = []
        line.append(word)
    if line:
        yield " ".join(line)


def moved(points: FloatArray, at: tuple[float, float], u: float) -> FloatArray:
    """Points in u, y up, as they lie on a page: their origin at a place (mm), y down."""
    x, y = at
    return np.column_stack([x + u * points[:, 0], y - u * points[:, 1]])


def widest(texts: Sequence[str], hand: Hand, ruling: Ruling) -> float:
    """The width of the widest of texts, u; 0 for none."""
    return max((written(one, hand, ruling).width for one in texts), default=0.0)
