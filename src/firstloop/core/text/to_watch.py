"""The places to watch of a word: where a letter that holds alone easily falls apart."""

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.joins import Leaves, join_of
from firstloop.core.text.words import Joins, compose

TAILS = frozenset("gjpqy")


class WatchKind(StrEnum):
    """What makes a place one to watch."""

    JOIN = "join"
    LIFT = "lift"
    DOUBLE = "double"
    TAIL = "tail"


Box = tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class ToWatch:
    """A place to watch: at which letters of the word, in words, and the box (left, bottom, right,
    top in u) of these letters as the word is composed."""

    kind: WatchKind
    letters: str
    words: str
    box: Box


def places_to_watch(
    word: str, hand: Hand, ruling: Ruling, joins: Joins | None = None
) -> tuple[ToWatch, ...]:
    """The places of a word that a teacher points out before it is written, from its beginning;
    raises UnknownLetterError.

    >>> from firstloop.core.letters import HANDS
    >>> [(t.kind.value, t.letters) for t in places_to_watch("jelly", HANDS["plain"], Ruling())]
    [('tail', 'j'), ('double', 'll'), ('tail', 'y')]
    >>> [(t.kind.value, t.letters) for t in places_to_watch("worn", HANDS["joined"], Ruling())]
    [('join', 'wo'), ('join', 'or'), ('join', 'rn')]
    """
    boxes = _boxes(word, hand, ruling, joins)
    return tuple(
        ToWatch(kind, word[at:to], words, _around(boxes[at:to]))
        for kind, at, to, words in _found(word, hand, joins)
    )


def _found(word: str, hand: Hand, joins: Joins | None) -> Iterator[tuple[WatchKind, int, int, str]]:
    small = set(GROUPS["small"])
    for at, letter in enumerate(word):
        pair = word[at : at + 2]
        if letter in TAILS:
            yield WatchKind.TAIL, at, at + 1, f"The tail of {letter} goes under the line."
        if len(pair) < 2:
            continue
        if pair[0] == pair[1]:
            yield WatchKind.DOUBLE, at, at + 2, f"Two {letter}, like twins."
        if not hand.joins or not set(pair) <= small or (joins is not None and not joins(pair)):
            continue
        join = join_of(pair, hand)
        if join is None:
            yield WatchKind.LIFT, at, at + 2, f"The pen is lifted after {letter}."
        elif join.kind.leaves is Leaves.TOP:
            yield WatchKind.JOIN, at, at + 2, f"From {letter} the join stays up at the mid line."


def _boxes(word: str, hand: Hand, ruling: Ruling, joins: Joins | None) -> list[Box]:
    composed = compose(word, hand, joins)
    drawn = draw(composed.script, hand.proportions, ruling)
    points: list[list[FloatArray]] = [[] for _ in word]
    for stroke, origins in zip(drawn.strokes, composed.origins, strict=True):
        for move, origin in zip(stroke, origins, strict=True):
            if not origin.join:
                points[origin.letter].append(move.points)
    found = [np.vstack(own) for own in points]
    return [(*own.min(axis=0).tolist(), *own.max(axis=0).tolist()) for own in found]


def _around(boxes: list[Box]) -> Box:
    x0, y0, x1, y1 = zip(*boxes, strict=True)
    return min(x0), min(y0), max(x1), max(y1)
