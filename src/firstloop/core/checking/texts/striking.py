"""What strikes out what: a line, two, a cross, a scribble in any direction, a spiral, over ink that
was there before."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.texts.traces import Box, Trace, around
from firstloop.core.geometry.even import points_in
from firstloop.core.geometry.polyline import FloatArray

STRAIGHT, FINE = 0.9, 0.06
"""[ratio, u] A line's chord is longer than the first of its way in strides, and turns are counted
in strides of the second."""

SHORTEST, STEEPEST, STEEPEST_OF_A_CROSS = 0.18, 2.4, 5.0
"""[u, ratio, ratio] What strikes out is longer than the first; a line that rises by more than the
second for each u across is a stem, unless another crosses it."""

COVERS, COVERS_OF_A_SCRIBBLE = 0.65, 0.55
"""[share, share] Of the width of what is struck out that a line goes over, of its box that a
scribble does."""

NARROW, STICKS_OUT, OFF_ITS_EDGES = 0.3, 0.08, 0.08
"""[u, u, share] What is narrower than the first is struck out only by what sticks out by the second
on both its sides. A line along the top or the foot, nearer to it than the third of the height, is
a bar."""

A_BAR, A_SHORT_BAR, NEAR_THE_MID_LINE = 0.75, 0.33, 0.2
"""[u, u, u] Across: a single line that is shorter than the first may be a letter's own bar; and
that of a t, which is longer than the second and no further from the mid line than the third."""

TURNS, WINDS, SWING, LONGER_THAN_WIDE, SHORTEST_SCRIBBLE = 3, 2.2, 0.4, 1.6, 1.0
"""[times, turns, share, ratio, u] A scribble turns back so often, or winds round so often; a turn
is one where it comes back by more than the third of its extent; and it is longer than its box from
corner to corner by the fourth, and than the fifth."""


@dataclass(frozen=True, slots=True, eq=False)
class Struck:
    """The traces that strike out others of a run; `surely` unless they may be a letter's bar."""

    lines: tuple[Trace, ...]
    surely: bool = True


def struck_out(traces: Sequence[Trace]) -> Struck | None:
    """What strikes out the others of a run: the last one or two that were written; None where
    nothing does."""
    in_time = sorted(traces, key=lambda trace: trace.at)
    for count in (2, 1):
        rest, lines = in_time[:-count], in_time[-count:]
        if not rest:
            continue
        if _cross_out(lines, rest) or all(strikes(line, rest) for line in lines):
            is_a_bar = count == 1 and lines[0].width < A_BAR and is_a_line(lines[0])
            if is_a_bar and _bars_a_t(lines[0]):
                return None
            return Struck(tuple(lines), surely=not is_a_bar)
    return None


def strikes(trace: Trace, rest: Sequence[Trace]) -> bool:
    """Whether a trace goes over ink so that it strikes it out."""
    under = around(other.box for other in rest)
    if is_a_line(trace):
        return _goes_across(trace, under)
    return is_a_scribble(trace) and _overlap(trace.box, under) > COVERS_OF_A_SCRIBBLE


def _bars_a_t(line: Trace) -> bool:
    """Whether a short line over a stem is as wide, and where, a t has its bar."""
    return line.width > A_SHORT_BAR and abs(line.middle[1] - 1.0) < NEAR_THE_MID_LINE


def _cross_out(lines: Sequence[Trace], rest: Sequence[Trace]) -> bool:
    """Whether two lines cross each other over ink, from side to side and from top to bottom."""
    if len(lines) < 2 or not all(is_a_line(one, STEEPEST_OF_A_CROSS) for one in lines):
        return False
    (ax, ay), (bx, by) = (one.line[-1] - one.line[0] for one in lines)
    boxes = [one.box for one in lines]
    return bool(ax * ay * bx * by < 0) and all(
        _overlap(box, around(other.box for other in rest)) > COVERS_OF_A_SCRIBBLE for box in boxes
    )


def is_a_line(trace: Trace, steepest: float = STEEPEST) -> bool:
    """Whether it runs straight, whatever its tremor, and is no stem."""
    dx, dy = np.abs(trace.line[-1] - trace.line[0]).tolist()
    chord = math.hypot(dx, dy)
    is_straight = chord > STRAIGHT * trace.steady_length
    return is_straight and chord > SHORTEST and dy < steepest * dx


def is_a_scribble(trace: Trace) -> bool:
    """Whether it goes to and fro, in whatever direction, or round and round."""
    corner_to_corner = math.hypot(trace.width, trace.height)
    if trace.length < max(LONGER_THAN_WIDE * corner_to_corner, SHORTEST_SCRIBBLE):
        return False
    if winds(trace) > WINDS:
        return True
    line = _in_strides(trace.line, FINE)
    angles = np.arange(0.0, math.pi, math.pi / 8)
    axes = np.column_stack([np.cos(angles), np.sin(angles)])
    return any(_turns(line @ axis) >= TURNS for axis in axes)


def winds(trace: Trace) -> float:
    """How often it goes round, whichever way."""
    steps = np.diff(_in_strides(trace.line, FINE), axis=0)
    if len(steps) < 2:
        return 0.0
    headings = np.unwrap(np.arctan2(steps[:, 1], steps[:, 0]))
    return float(abs(headings[-1] - headings[0])) / (2 * math.pi)


def _turns(along: FloatArray) -> int:
    """How often it turns back by a good part of its extent."""
    least = SWING * float(np.ptp(along))
    turns, edge, ahead = 0, float(along[0]), 0
    for value in along.tolist():
        if ahead == 0:
            ahead = 0 if abs(value - edge) < least else (1 if value > edge else -1)
            edge = value if ahead else edge
        elif ahead * (value - edge) > 0:
            edge = value
        elif ahead * (edge - value) > least:
            turns, ahead, edge = turns + 1, -ahead, value
    return turns


def _goes_across(line: Trace, under: Box) -> bool:
    x0, y0, x1, y1 = under
    left, right = line.box[0], line.box[2]
    if x1 - x0 < NARROW:
        across = left < x0 - STICKS_OUT and right > x1 + STICKS_OUT
    else:
        across = min(right, x1) - max(left, x0) > COVERS * (x1 - x0)
    edge = OFF_ITS_EDGES * (y1 - y0)
    return across and y0 + edge < line.middle[1] < y1 - edge


def _overlap(over: Box, under: Box) -> float:
    """The share of a box that another lies over; a narrow one is taken to be wider than it is."""
    x0, y0, x1, y1 = under
    wide, high = max(x1 - x0, NARROW), max(y1 - y0, NARROW)
    x0, y0 = (x0 + x1 - wide) / 2, (y0 + y1 - high) / 2
    shared_x = min(over[2], x0 + wide) - max(over[0], x0)
    shared_y = min(over[3], y0 + high) - max(over[1], y0)
    return max(shared_x, 0.0) * max(shared_y, 0.0) / (wide * high)


def _in_strides(line: FloatArray, stride: float) -> FloatArray:
    step = points_in(stride)
    return np.vstack([line[:-1:step], line[-1:]])
