"""What on paper is no letter: a ring or a tick by the best one, a line or scribble over what was
struck out. A picture has no order of writing, so that a mark is told by its shape alone: lines are
followed through their crossings, as the pen went."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import chain, combinations

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.striking import STEEPEST_OF_A_CROSS, is_a_line, winds
from firstloop.core.checking.texts.traces import Trace, around
from firstloop.core.evidence.image import SeenInk
from firstloop.core.geometry.crossings import through_crossings
from firstloop.core.geometry.even import INK_SPACING, Lines, length_of
from firstloop.core.geometry.polyline import FloatArray

RING_ACROSS, RING_TURNS, RING_CLOSES, RING_IS_ROUND = 1.25, (0.7, 1.7), 0.35, 0.16
"""[u, turns, share, share] A ring is as wide and as high as the first at least, goes once round,
its ends come as near as the third of its width, and it is no further from an ellipse than the
last, root mean square."""

RING_HOLDS = 0.8
"""[share] Of some other line that lies within: there is nothing to choose in an empty ring."""

WAYS, ON_IT, LEAST_WITHIN = 48, 0.1, 3
"""[directions, u, points] In which an outline is looked at; what is so near it is of it; and a line
of no more points than the last says nothing."""

TICK_DOWN, TICK_UP, TICK_LARGEST, LEGS_DIFFER = 0.06, 0.3, 1.9, 1.6
"""[u, u, u, ratio] A tick's first leg is as long as the first, its second as the second, and it is
no larger than the third; its second leg is longer by the last: those of a v are alike."""

STRAIGHT = 0.86
"""[share] Of a leg's length that its ends are apart at least."""

ABOVE, BELOW, AFTER = 1.25, -0.12, 0.5
"""[u, u, u] Where a tick by a text stands: above the first, below the second, or so far after it.
"""

STICKS_OUT, CROSSES = 0.12, 0.6
"""[u, share] What strikes out sticks out on one side at least by the first, and goes over so much
of the width of what it strikes out."""

A_STRUCK_WORD, SPANS_A_WORD = 1.6, 0.6
"""[u, share] A line as long as the first, over that share of several letters, strikes out all."""

SHORT, MOSTLY, MOST_TRIED = 0.25, 0.85, 5
"""[u, share, lines] A line that strikes out is as wide as the first, goes over the second of a
letter or sticks out; and of the widest so many are tried."""

Parts = list[Lines]


@dataclass(frozen=True, slots=True, eq=False)
class SeenMarks:
    """What was set aside: rings and ticks; what is struck out, with the lines that do it; and the
    writing that is left, None where there is none."""

    rings: Lines
    ticks: Lines
    struck: tuple[tuple[Lines, Lines], ...]
    writing: SeenInk | None


def set_aside_marks(ink: SeenInk) -> SeenMarks:
    """Takes rings and ticks off a text, and words that a line goes through."""
    parts = [through_crossings(part, ink.width) for part in ink.parts]
    rings, parts = _without(parts, is_a_ring)
    ticks, parts = _without(parts, lambda line, rest: is_a_tick(line) and _is_beside(line, rest))
    struck, parts = _struck_words(parts)
    writing = replace(ink, parts=tuple(parts)) if parts else None
    return SeenMarks(tuple(rings), tuple(ticks), tuple(struck), writing)


Test = Callable[[FloatArray, Lines], bool]


def _without(parts: Parts, test: Test) -> tuple[list[FloatArray], Parts]:
    """The lines that are something, told by each and all others; and the parts without them."""
    found: list[FloatArray] = []
    kept: Parts = []
    every = [line for part in parts for line in part]
    for part in parts:
        left = []
        for line in part:
            rest = tuple(other for other in every if other is not line)
            if rest and test(line, rest):
                found.append(line)
            else:
                left.append(line)
        if left:
            kept.append(tuple(left))
    if not kept:
        return [], parts
    return found, kept


def without_marks(ink: SeenInk) -> Iterator[SeenInk]:
    """A letter's ink without what may be a ring or a tick by it, for each; whether it is one, how
    the letter looks without it says: the hook of a j is as a tick."""
    whole = [through_crossings(part, ink.width) for part in ink.parts]
    for is_a_mark in (is_a_ring, lambda line, _: is_a_tick(line)):
        marks, parts = _without(whole, is_a_mark)
        if marks:
            yield replace(ink, parts=tuple(parts))
    inside = _within_an_outline(ink)
    if inside is not None:
        yield inside


def _within_an_outline(ink: SeenInk) -> SeenInk | None:
    """The ink within a ring that its letter touches, told by the outline of all; None where that is
    none. Its lines cannot be followed through where they run into the letter's."""
    every = np.concatenate(ink.lines)
    low, high = every.min(axis=0), every.max(axis=0)
    sides = high - low
    if sides.min() < RING_ACROSS:
        return None
    ways, radius = _seen_from_the_middle(every, low, high)
    furthest = np.zeros(WAYS)
    np.maximum.at(furthest, ways, radius)
    if float(np.sqrt(((furthest - 1.0) ** 2).mean())) > RING_IS_ROUND:
        return None
    kept = [_far_within(line, low, high, furthest) for line in ink.lines]
    lines = tuple(line for line in kept if len(line) > LEAST_WITHIN)
    return replace(ink, parts=(lines,)) if lines else None


def _far_within(
    line: FloatArray, low: FloatArray, high: FloatArray, furthest: FloatArray
) -> FloatArray:
    """The points of a line that lie within an outline, and not on it."""
    ways, radius = _seen_from_the_middle(line, low, high)
    gap = (furthest[ways] - radius) * (high - low).min() / 2
    return np.asarray(line[gap > ON_IT])


def _seen_from_the_middle(
    points: FloatArray, low: FloatArray, high: FloatArray
) -> tuple[npt.NDArray[np.int64], FloatArray]:
    """In which direction each point is seen from the middle of a box, and how far off, as a share
    of the ellipse in it."""
    away = (points - (low + high) / 2) / ((high - low) / 2)
    turn = np.arctan2(away[:, 1], away[:, 0]) / (2 * np.pi) + 0.5
    ways = np.floor(turn * WAYS).astype(np.int64) % WAYS
    return ways, np.asarray(np.hypot(*away.T))


def _is_beside(line: FloatArray, rest: Lines) -> bool:
    """Whether it stands above the writing, below it, or after all of it."""
    above, below = line[:, 1].min() > ABOVE, line[:, 1].max() < BELOW
    after = line[:, 0].min() > max(one[:, 0].max() for one in rest) + AFTER
    return bool(above or below or after)


def is_a_ring(line: FloatArray, rest: Lines) -> bool:
    """Whether a line goes once round other ink.

    >>> turn = np.linspace(0, 2 * np.pi, 300)
    >>> round_it = np.column_stack([np.cos(turn), np.sin(turn)])
    >>> stem = np.column_stack([np.zeros(50), np.linspace(-0.5, 0.5, 50)])
    >>> is_a_ring(round_it, (stem,)), is_a_ring(round_it, (stem + 3.0,))
    (True, False)
    """
    low, high = line.min(axis=0), line.max(axis=0)
    sides = high - low
    if sides.min() < RING_ACROSS:
        return False
    if np.hypot(*(line[0] - line[-1])) > RING_CLOSES * sides.max():
        return False
    trace = Trace.of(0, line)
    if not RING_TURNS[0] < winds(trace) < RING_TURNS[1]:
        return False
    radius = np.hypot(*((line - (low + high) / 2) / (sides / 2)).T)
    if float(np.sqrt(((radius - 1.0) ** 2).mean())) > RING_IS_ROUND:
        return False
    within = [np.hypot(*((one - (low + high) / 2) / (sides / 2)).T) < 1.0 for one in rest]
    return any(one.mean() > RING_HOLDS for one in within)


def is_a_tick(line: FloatArray) -> bool:
    """Whether a line is a short leg down and a longer one up to the right, straight both.

    >>> down = np.linspace([0.0, 0.3], [0.15, 0.0], 20)
    >>> up = np.linspace([0.15, 0.0], [0.7, 0.9], 60)
    >>> is_a_tick(np.vstack([down, up])), is_a_tick(up)
    (True, False)
    """
    line = line if line[0, 0] <= line[-1, 0] else line[::-1]
    if np.ptp(line, axis=0).max() > TICK_LARGEST:
        return False
    lowest = int(line[:, 1].argmin())
    first, second = line[: lowest + 1], line[lowest:]
    legs = [float(np.hypot(*(leg[-1] - leg[0]))) for leg in (first, second)]
    runs_on = line[-1, 0] > line[lowest, 0] > line[0, 0]
    straight = all(
        leg > STRAIGHT * (length_of(ink) - INK_SPACING)
        for leg, ink in zip(legs, (first, second), strict=True)
    )
    return bool(
        runs_on
        and straight
        and legs[0] > TICK_DOWN
        and legs[1] > max(TICK_UP, LEGS_DIFFER * legs[0])
    )


def _struck_words(parts: Parts) -> tuple[list[tuple[Lines, Lines]], Parts]:
    """Several letters that a long line goes through, with the lines that do it."""
    struck: list[tuple[Lines, Lines]] = []
    while (line := _long_line(parts)) is not None:
        under, over, left = [], [line], []
        for part in parts:
            rest = tuple(one for one in part if one is not line)
            mine = _lies_under(rest, line) if rest else False
            if mine:
                more = [one for one in rest if _goes_through(one, parts)]
                over += more
                under += [one for one in rest if not any(one is other for other in more)]
            elif rest:
                left.append(rest)
        parts = left
        struck.append((tuple(under), tuple(over)))
    return struck, parts


def _long_line(parts: Parts) -> FloatArray | None:
    every = [line for part in parts for line in part]
    return next((line for line in every if _goes_through(line, parts)), None)


def _goes_through(line: FloatArray, parts: Parts) -> bool:
    """Whether a long level line crosses several letters, between their feet and their tops."""
    trace = Trace.of(0, line)
    if trace.width < A_STRUCK_WORD or not is_a_line(trace):
        return False
    beside = [one for part in parts for one in part if one is not line]
    crossed = [one for one in beside if _crosses(line, one)]
    if len(crossed) < 2:  # the bar of a T crosses one stem
        return False
    x0, bottom, x1, top = around(Trace.of(0, one).box for one in crossed)
    inside = bottom + 0.1 < trace.middle[1] < top - 0.1
    return inside and min(trace.box[2], x1) - max(trace.box[0], x0) > SPANS_A_WORD * (x1 - x0)


def _crosses(line: FloatArray, other: FloatArray) -> bool:
    """Whether a line has the ends of another on both of its sides, within its width."""
    there = other[(other[:, 0] > line[:, 0].min()) & (other[:, 0] < line[:, 0].max())]
    if len(there) < 3:
        return False
    order = np.argsort(line[:, 0])
    above = there[:, 1] - np.interp(there[:, 0], line[order, 0], line[order, 1])
    return bool(above.max() > STICKS_OUT and above.min() < -STICKS_OUT)


def _lies_under(part: Lines, line: FloatArray) -> bool:
    x = np.concatenate(part)[:, 0]
    inside = min(x.max(), line[:, 0].max()) - max(x.min(), line[:, 0].min())
    return bool(inside > CROSSES * max(float(np.ptp(x)), 0.1))


def without_strikes(ink: SeenInk) -> Iterator[SeenInk]:
    """A letter's ink without one or two lines, for each that may strike it out; whether they do,
    how it looks without them says."""
    every = [line for part in ink.parts for line in through_crossings(part, ink.width)]
    traces = [Trace.of(at, line) for at, line in enumerate(every)]
    lines = [
        trace for trace in traces if is_a_line(trace, STEEPEST_OF_A_CROSS) and trace.width > SHORT
    ]
    lines = sorted(lines, key=lambda trace: -trace.width)[:MOST_TRIED]
    for over in chain(combinations(lines, 1), combinations(lines, 2)):
        rest = [trace for trace in traces if trace not in over]
        if rest and all(_goes_over(trace, rest) for trace in over):
            yield replace(ink, parts=(tuple(trace.line for trace in rest),))


def _goes_over(trace: Trace, rest: Sequence[Trace]) -> bool:
    """Whether a line goes over most of other ink, and out of it on a side."""
    x0, bottom, x1, top = around(other.box for other in rest)
    left, _, right, _ = trace.box
    inside = min(right, x1) - max(left, x0)
    wide = max(x1 - x0, INK_SPACING)
    goes_out = left < x0 - STICKS_OUT or right > x1 + STICKS_OUT or inside > MOSTLY * wide
    return inside > CROSSES * wide and goes_out and bottom < trace.middle[1] < top
