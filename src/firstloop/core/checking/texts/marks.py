"""Marks that children are told to make on their writing: they are set aside, and told."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.measure.closures import RING
from firstloop.core.checking.say.findings import MarkKind
from firstloop.core.checking.texts.traces import Trace, Traces, around

A_STEM, A_LONG_BAR = 0.3, 0.75
"""[u] Across: what is narrower is a stem, which one line does not strike out but crosses; and what
is shorter is a bar."""

A_STRUCK_WORD = 1.4
"""[u] Across: what a longer line goes right across is struck out, whatever it is."""

UNDER_THE_LINE = -0.12
"""[u] What lies wholly below is no letter but a mark under the line."""

A_RING = 1.3
"""[u] Across: what goes round a letter is larger than a letter's own round."""

STRIKE_SLOPE, STRIKE_STRAIGHT, STRIKES_ACROSS, STRIKES_OUT = 1.2, 0.85, 0.4, 0.65
"""[ratio, ratio, u, share] A strike rises by less than the first for each u across, its chord is
longer than the second of it, it is wider than the third (u), and goes over the fourth of what it
strikes out."""


@dataclass(frozen=True, slots=True, eq=False)
class SetAside:
    """Marks that lie round the writing, each with its trace; what is struck out that is longer than
    a letter, with what strikes it out; and the writing without them."""

    marks: tuple[tuple[MarkKind, Trace], ...]
    writing: Traces
    struck: tuple[tuple[Traces, Traces], ...] = ()

    @property
    def left(self) -> float:
        """The left edge of all the ink."""
        struck = (trace for both in self.struck for traces in both for trace in traces)
        marks = (trace for _, trace in self.marks)
        return min(trace.box[0] for trace in (*self.writing, *marks, *struck))


def set_aside(traces: Traces) -> SetAside:
    """Takes bows and dots under the line, ticks off it, and rings round letters out of the ink."""
    marks = [(kind, trace) for trace in traces if (kind := _kind_of(trace, traces)) is not None]
    gone = {trace.at for _, trace in marks}
    if len(gone) == len(traces):
        return SetAside((), traces)
    writing = tuple(trace for trace in traces if trace.at not in gone)
    struck, rest = _without_struck_words(writing)
    if not rest:  # what is struck out is written again: else nothing was struck out
        return SetAside(tuple(marks), writing)
    return SetAside(tuple(marks), rest, struck)


def _without_struck_words(
    traces: Traces,
) -> tuple[tuple[tuple[Traces, Traces], ...], Traces]:
    """What is longer than a letter and has a line right across it, with that line; and the rest. A
    line strikes out only what was there before it, and something must have come after it."""
    struck: list[tuple[Traces, Traces]] = []
    gone: set[int] = set()
    for line in traces:
        if line.width < A_STRUCK_WORD or line.at in gone or not _may_strike(line):
            continue
        under = tuple(
            t for t in traces if t.at < line.at and t.at not in gone and _lies_under(t, line)
        )
        after = any(t.at > line.at and t.box[2] > line.box[2] for t in traces)
        if under and after and _strikes(line, under):
            struck.append((under, (line,)))
            gone |= {line.at, *(t.at for t in under)}
        elif struck and line.at == struck[-1][1][-1].at + 1 and _strikes(line, struck[-1][0]):
            struck[-1] = (struck[-1][0], (*struck[-1][1], line))  # a second line across it
            gone.add(line.at)
    return tuple(struck), tuple(trace for trace in traces if trace.at not in gone)


def _lies_under(trace: Trace, line: Trace) -> bool:
    """Whether most of a trace is where a line goes across."""
    inside = min(trace.box[2], line.box[2]) - max(trace.box[0], line.box[0])
    reaches = trace.is_dot or trace.box[1] < line.middle[1] + 0.8  # dots and bars stay above it
    return reaches and inside > STRIKES_OUT * trace.width


def _kind_of(trace: Trace, traces: Traces) -> MarkKind | None:
    x0, y0, x1, y1 = trace.box
    if y1 < UNDER_THE_LINE and y0 > -1.2:
        if trace.is_dot:
            return MarkKind.TICK if y1 < 2 * UNDER_THE_LINE else None
        if _is_a_tick(trace):
            return MarkKind.TICK
        return MarkKind.UNDER if trace.width > 0.4 and trace.height < 0.6 * trace.width else None
    if y0 > 1.25 and _is_a_tick(trace):
        return MarkKind.TICK
    if _closes(trace) and trace.width > A_RING and trace.height > A_RING:
        inside = [
            other
            for other in traces
            if other.at < trace.at
            and x0 < other.box[0] + 0.1 and other.box[2] - 0.1 < x1
            and y0 < other.box[1] + 0.1 and other.box[3] - 0.1 < y1
        ]  # fmt: skip
        return MarkKind.RING if inside else None
    return None


def _closes(trace: Trace) -> bool:
    """Whether it comes back near to where it began."""
    return bool(np.hypot(*(trace.line[0] - trace.line[-1])) < max(RING, 0.2 * trace.width))


def _is_a_tick(trace: Trace) -> bool:
    """A short leg down and a longer one up to the right."""
    line = trace.line
    lowest = int(line[:, 1].argmin())
    down, up = line[0, 1] - line[lowest, 1], line[-1, 1] - line[lowest, 1]
    return bool(0.05 < down < 0.8 * up and line[-1, 0] > line[lowest, 0] > line[0, 0])


def is_struck(traces: Sequence[Trace]) -> tuple[Trace, ...]:
    """The traces that strike out the others of a run: the last that were written, one or two lines
    right across them or a scribble; none where nothing does."""
    in_time = sorted(traces, key=lambda trace: trace.at)
    for count in (2, 1):
        rest, lines = in_time[:-count], in_time[-count:]
        # One short line across a letter may be its bar; two are not.
        is_a_bar = count == 1 and lines[0].width < A_LONG_BAR
        if rest and not is_a_bar and all(_strikes(line, rest) for line in lines):
            return tuple(lines)
    return ()


def _strikes(line: Trace, rest: Sequence[Trace]) -> bool:
    x0, y0, x1, y1 = around(trace.box for trace in rest)
    across = min(line.box[2], x1) - max(line.box[0], x0)
    if across < STRIKES_OUT * (x1 - x0) or not y0 - 0.1 < line.middle[1] < y1 + 0.1:
        return False
    # Bars of two stems across each other strike nothing out.
    return x1 - x0 >= A_STEM and _may_strike(line)


def _may_strike(trace: Trace) -> bool:
    (dx, dy), length = trace.line[-1] - trace.line[0], max(trace.length, 1e-9)
    straight = np.hypot(dx, dy) > STRIKE_STRAIGHT * length and abs(dy) < STRIKE_SLOPE * abs(dx)
    turns = np.diff(np.sign(np.diff(trace.line[:: max(1, len(trace.line) // 60), 0])))
    scribbled = length > 3.0 * trace.width and int((np.abs(turns) > 1).sum()) >= 3
    return bool(straight or scribbled) and trace.width > STRIKES_ACROSS
