"""What only a text shows: gaps, sizes and tails against each other, doubles, joins, capitals and
the end mark. Each function gives measures in no order; what is a fault, the limits say."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import chain, pairwise
from statistics import median
from typing import NamedTuple

import numpy as np

from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.texts.traces import Box
from firstloop.core.contract import Code
from firstloop.core.evidence.task import Kind
from firstloop.core.geometry.compiled import NUMBERS, POINTS, compiled_for
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.polyline import FloatArray

CLOSE_ENOUGH, FAR_ENOUGH, ROW_FAR_ENOUGH = 0.1, 0.75, 2.4
"""[u] Of white between letters that stand well: between the first and the second in a word, the
first and the third in a row."""

BARS_MAY_MEET = 0.2
"""[u] By which the bar of a t or an f may run into its neighbour."""

WORD_NEAR_ENOUGH, WORD_FAR_ENOUGH, WIDER_THAN_INSIDE = 0.6, 2.4, 0.2
"""[u] Of white between words that stand well; and by how much more than inside them it is then."""


SHORT, TALL = frozenset("acemnorsuvwxz"), frozenset("bdhkl")
"""Letters whose heights are compared with each other; tails are compared by themselves."""

MARKS, END_MARKS = frozenset(".!?,'"), frozenset(".!?")


@dataclass(frozen=True, slots=True)
class TextMeasure:
    """One thing measured of a text, at a place in it (spaces counted); `other` is another letter
    that it is about, `by` what the child did."""

    code: Code
    value: float
    index: int | None
    other: str | None = None
    by: str = ""


@dataclass(frozen=True, slots=True, eq=False)
class Stood:
    """A letter as it stands on the page: its place in the text (spaces counted), what it is, its
    box, the lines of its body, and whether it begins in the trace that the one before ends in."""

    index: int
    letter: str
    box: Box
    lines: Lines
    begins: FloatArray
    ends: FloatArray

    @property
    def height(self) -> float:
        """u from its lowest ink to its highest."""
        return self.box[3] - self.box[1]

    @property
    def width(self) -> float:
        """u across."""
        return self.box[2] - self.box[0]


Neighbours = Sequence[tuple[Stood, Stood]]


def gaps(neighbours: Neighbours, kind: Kind, *, joins: bool) -> Iterator[TextMeasure]:
    """Between letters of a word, between words, between letters of a row."""
    row = kind in (Kind.ROW, Kind.SEQUENCE)
    edges = {one: _edges(one) for one in dict.fromkeys(chain.from_iterable(neighbours))}
    between = [
        (a, b, _white((a, edges[a]), (b, edges[b]))) for a, b in neighbours if b.letter not in MARKS
    ]
    inside = [white.across for a, b, white in between if b.index == a.index + 1]
    usual = median(inside) if inside else FAR_ENOUGH / 2
    for a, b, white in between:
        if row:
            yield _off(Code.SPACING, a.index, white, CLOSE_ENOUGH, ROW_FAR_ENOUGH)
        elif b.index > a.index + 1:
            near = max(WORD_NEAR_ENOUGH, min(usual + WIDER_THAN_INSIDE, WORD_FAR_ENOUGH / 2))
            boxes = _White(white.boxes, white.boxes)
            yield _off(Code.WORD_GAP, a.index + 1, boxes, near, WORD_FAR_ENOUGH)
        elif not joins and b.index == a.index + 1:
            yield _off(Code.SPACING, a.index, white, CLOSE_ENOUGH, FAR_ENOUGH)


@dataclass(frozen=True, slots=True)
class _White:
    """u of white between two letters: across, at the height where they are nearest; and from box to
    box, to which the bar of a T counts too."""

    across: float
    boxes: float


def _off(code: Code, index: int, white: _White, near: float, far: float) -> TextMeasure:
    apart = min(white.across, max(white.boxes, 0.0))
    value = min(white.across - near, 0.0) + max(apart - far, 0.0)
    return TextMeasure(code, value, index, by="close" if value < 0 else "wide")


_BINS = np.arange(-1.2, 2.4, 0.2)
"""u: the heights between which letters are looked at."""


class _Edges(NamedTuple):
    """By height how far right a letter goes, half a step above and below taken in, and how far
    left."""

    right: FloatArray
    left: FloatArray


def _edges(one: Stood) -> _Edges:
    lines = _without_bar(one)
    return _edges_at(_BINS, lines[0] if len(lines) == 1 else np.concatenate(lines))


@compiled_for(NUMBERS, POINTS)
def _edges_at(bins: FloatArray, ink: FloatArray) -> _Edges:
    outermost, left = np.full(len(bins) + 2, -np.inf), np.full(len(bins) + 2, np.inf)
    step = bins[1] - bins[0]
    for point in range(len(ink)):
        x, height = ink[point, 0], (ink[point, 1] - bins[0]) / step
        at = min(max(math.floor(height) + 1, 0), len(bins))
        outermost[at], left[at] = max(outermost[at], x), min(left[at], x)
    right = outermost.copy()
    for at in range(1, len(bins) + 1):
        right[at] = max(outermost[at - 1], outermost[at], outermost[at + 1])
    return _Edges(right, left)


def _white(left: tuple[Stood, _Edges], right: tuple[Stood, _Edges]) -> _White:
    (a, of_a), (b, of_b) = left, right
    boxes = b.box[0] - a.box[2]
    across = float((of_b.left - of_a.right).min())
    across = across if math.isfinite(across) else boxes
    return _White(min(across, boxes + BARS_MAY_MEET) if _is_barred(a, b) else across, boxes)


def _is_barred(a: Stood, b: Stood) -> bool:
    return any(len(one.lines) > 1 and one.letter in "tf" for one in (a, b))


def _without_bar(one: Stood) -> Lines:
    """The bars of t and f may come near to their neighbours."""
    return one.lines[:1] if one.letter in "tf" else one.lines


def sizes(stood: Sequence[Stood]) -> Iterator[TextMeasure]:
    """Letters of one height class against the others of it; the one that is most off."""
    for kind in (SHORT, TALL):
        alike = [one for one in stood if one.letter in kind]
        if len(alike) < 2:
            continue
        usual = 1.0 if kind is SHORT else STANDARD.top
        ratios = []
        for one in alike:
            others = median(other.height for other in alike if other is not one)
            # Of two that differ it is the one further from its lines that is odd.
            odd = abs(np.log(max(one.height, 0.05) / usual)) if len(alike) == 2 else 0.0
            ratio = one.height / max(others, 0.05)
            ratios.append((abs(np.log(max(ratio, 0.05))) + odd, ratio - 1.0, one))
        _, value, one = max(ratios, key=lambda each: each[0])
        yield TextMeasure(
            Code.SIZE_UNEVEN, value, one.index, by="larger" if value > 0 else "smaller"
        )


def tails(stood: Sequence[Stood], target: str) -> Iterator[TextMeasure]:
    """Tails of one word against each other."""
    for word in _words(stood, target):
        deep = [one for one in word if one.letter in "gjpqy"]
        if len(deep) < 2:
            continue
        depths = [one.box[1] for one in deep]
        odd = max(deep, key=lambda one: abs(one.box[1] + 1.0))
        yield TextMeasure(Code.TAILS_UNEVEN, max(depths) - min(depths), odd.index)


def doubles(stood: Sequence[Stood]) -> Iterator[TextMeasure]:
    """The two of a double letter against each other."""
    for a, b in pairwise(stood):
        if a.letter != b.letter or b.index != a.index + 1 or not a.letter.isalpha():
            continue
        tailed = a.letter in "gjpqy"
        tall, taller = (one.box[3] if tailed else one.height for one in (a, b))
        ratios = [taller / max(tall, 0.05) - 1.0]
        if min(a.width, b.width) > 0.4:
            ratios.append(b.width / a.width - 1.0)
        value = max(ratios, key=lambda ratio: abs(np.log(max(1.0 + ratio, 0.05))))
        yield TextMeasure(Code.DOUBLES_DIFFER, value, a.index)


def _words(stood: Sequence[Stood], target: str) -> Iterator[list[Stood]]:
    spaces = [at for at, c in enumerate(target) if c == " "]
    for begin, end in pairwise([-1, *spaces, len(target)]):
        yield [one for one in stood if begin < one.index < end]


def stop(stood: Sequence[Stood], target: str) -> Iterator[TextMeasure]:
    """The mark that ends a sentence: whether it is there, and how high a full stop floats."""
    mark = target[-1]
    last = next((one for one in reversed(stood) if one.index == len(target) - 1), None)
    if last is None:
        yield TextMeasure(Code.STOP, 1.0, len(target) - 1, other=mark, by="missing")
    elif mark == "." and last.box[1] > 0.0:
        yield TextMeasure(Code.STOP, last.box[1], last.index, other=mark, by="floats")
