"""Joined writing on paper, gone along once more in the order in which its hand writes it.

A picture of a joined word has no order, and its letters hang together. The word's own way, as the
hand composes it, is laid over the ink: each step of it goes to a point of the ink that runs along
it, and from step to step the ink goes where the way goes. What is found so is a trace a stroke,
which is explained as pen ink is. A dynamic programme over steps and points (Viterbi 1967).
"""

from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.texts.seen_text import Part
from firstloop.core.checking.texts.traces import Trace, Traces
from firstloop.core.geometry import polyline
from firstloop.core.geometry.compiled import compiled_at_once
from firstloop.core.geometry.even import INK_SPACING, Lines, evenly
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.text.words import compose

STEP, POINT = 0.06, 0.04
"""[u] Of the way, and of the ink: finer takes longer and finds no more."""


class Prices(NamedTuple):
    """[u², for each u²] What a step costs beside its place (off its height it is 1), where ink runs
    across it (u²), where the ink goes elsewhere than the way from one to the next, and the same
    where the pen was lifted; and how far (u) it is to the next without a lift."""

    beside: float = 0.06
    across: float = 0.12
    elsewhere: float = 14.0
    lifted: float = 0.4
    furthest: float = 0.4


WIDTHS = (0.6, 1.7)
"""[ratio] By which a child's word may be narrower or wider than its hand's."""

LEFT, LEFT_OFF = 0.5, 0.14
"""[u, u] Ink as long as the first that lies off what was gone along by the second is more than was
asked for."""


def retrace(parts: Sequence[Part], text: str, setting: Setting) -> Traces:
    """The traces of a text in a joined hand, in its order of writing; after them what ink is left
    over."""
    words = text.split()
    lines: list[FloatArray] = []
    for word, own in zip(words, _by_word(parts, len(words)), strict=False):
        lines += _gone_along(own, word, setting.hand)
    return tuple(Trace.of(at, line) for at, line in enumerate(lines))


def _by_word(parts: Sequence[Part], count: int) -> Iterator[Lines]:
    """The lines of each word: between words is the most white."""
    in_order = sorted(parts, key=lambda part: part.trace.box[0])
    rights = np.maximum.accumulate([part.trace.box[2] for part in in_order])
    white = [
        b.trace.box[0] - right for right, (_, b) in zip(rights, pairwise(in_order), strict=False)
    ]
    ends = sorted(np.argsort(white)[::-1][: count - 1].tolist())
    for begin, end in pairwise([-1, *ends, len(in_order) - 1]):
        yield tuple(line for part in in_order[begin + 1 : end + 1] for line in part.lines)


def _gone_along(lines: Lines, word: str, hand: Hand) -> Iterator[FloatArray]:
    ink = np.concatenate([_each(line, POINT) for line in lines])
    ways = np.concatenate([_each(polyline.headings(line), POINT) for line in lines])
    ink = np.column_stack([ink, ways])[np.argsort(ink[:, 0])]
    strokes = draw(compose(word, hand).script, hand.proportions, STANDARD).paths()
    model = [polyline.respace(stroke, STEP) for stroke in strokes]
    laid = _laid_over(np.concatenate(model), ink[:, :2])
    begins = np.zeros(len(laid), np.bool_)
    begins[np.cumsum([0, *(len(stroke) for stroke in model[:-1])])] = True
    headings = np.concatenate([polyline.headings(stroke) for stroke in model])
    found = ink[_along(np.column_stack([laid, headings]), begins, ink, Prices()), :2]
    went = [evenly(stroke) for stroke in np.split(found, np.flatnonzero(begins)[1:])]
    yield from went
    yield from _left_over(lines, np.concatenate(went))


def _each(values: FloatArray, apart: float) -> FloatArray:
    return values[:: max(1, round(apart / INK_SPACING))]


def _laid_over(model: FloatArray, ink: FloatArray) -> FloatArray:
    """The way as wide as the ink, and where it begins."""
    wide, own = (max(float(np.ptp(points[:, 0])), 0.1) for points in (ink, model))
    scale = min(max(wide / own, WIDTHS[0]), WIDTHS[1])
    x = (model[:, 0] - model[:, 0].min()) * scale + ink[:, 0].min()
    return np.column_stack([x, model[:, 1]])


def _left_over(lines: Lines, went: FloatArray) -> Iterator[FloatArray]:
    for line in lines:
        apart = np.hypot(*(line[:, None] - went[None, ::2]).transpose(2, 0, 1)).min(axis=1)
        off = apart > LEFT_OFF
        for piece in np.split(np.arange(len(line)), np.flatnonzero(np.diff(off.astype(int))) + 1):
            if off[piece[0]] and len(piece) * INK_SPACING > LEFT:
                yield line[piece]


@compiled_at_once
def _along(
    way: FloatArray, begins: npt.NDArray[np.bool_], ink: FloatArray, prices: Prices
) -> npt.NDArray[np.intp]:
    """For each step of the way (n, 4) the point of the ink (m, 4), sorted by x, that it goes to;
    both are places with headings, and `begins` is where the way takes the pen up."""
    steps, points = len(way), len(ink)
    costs = np.zeros(points)
    came = np.zeros((steps, points), np.int32)
    for step in range(steps):
        before = costs.copy()
        dx = dy = 0.0
        if step:
            dx, dy = way[step, 0] - way[step - 1, 0], way[step, 1] - way[step - 1, 1]
        reach, price = prices.furthest, prices.elsewhere
        if begins[step]:
            reach, price = 1000.0, prices.lifted
        first = 0
        for point in range(points):
            x, y = ink[point, 0], ink[point, 1]
            off_y, off_x = y - way[step, 1], x - way[step, 0]
            along = abs(way[step, 2] * ink[point, 2] + way[step, 3] * ink[point, 3])
            own = off_y * off_y + prices.beside * off_x * off_x + prices.across * (1.0 - along)
            if step == 0:
                costs[point] = own
                continue
            while ink[first, 0] < x - reach:
                first += 1
            best, best_at = 1e9, point
            other = first
            while other < points and ink[other, 0] <= x + reach:
                ex, ey = x - ink[other, 0] - dx, y - ink[other, 1] - dy
                cost = before[other] + price * (ex * ex + ey * ey)
                if cost < best:
                    best, best_at = cost, other
                other += 1
            costs[point] = best + own
            came[step, point] = best_at
    found = np.zeros(steps, np.int64)
    found[-1] = costs.argmin()
    for step in range(steps - 1, 0, -1):
        found[step - 1] = came[step, found[step]]
    return found
