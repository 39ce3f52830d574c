"""Marks that children are told to make on their writing: they are set aside, and told."""

from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.measure.closures import RING
from firstloop.core.checking.say.findings import MarkKind
from firstloop.core.checking.texts.striking import NARROW, is_a_line, is_a_scribble, strikes, winds
from firstloop.core.checking.texts.traces import Trace, Traces, around

A_STRUCK_WORD = 1.4
"""[u] Across: what a longer line goes right across is struck out, whatever it is."""

UNDER_THE_LINE = -0.12
"""[u] What lies wholly below is no letter but a mark under the line."""

A_RING, ONCE_ROUND = 1.3, 1.7
"""[u, turns] Across: what goes round a letter is larger than a letter's own round; what goes round
more often strikes it out."""

A_TICK_CLIMBS = 0.3
"""[ratio] u that a tick climbs for each u that it is wide, at least."""

LIES_UNDER = 0.65
"""[share] Of a trace's width that a line goes over which strikes it out with others."""


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
        if line.width < A_STRUCK_WORD or line.at in gone:
            continue
        if not (is_a_line(line) or is_a_scribble(line)):
            continue
        under = tuple(
            t for t in traces if t.at < line.at and t.at not in gone and _lies_under(t, line)
        )
        after = any(t.at > line.at and t.box[2] > line.box[2] for t in traces)
        if under and after and _is_wide(under) and strikes(line, under):
            struck.append((under, (line,)))
            gone |= {line.at, *(t.at for t in under)}
        elif struck and line.at == struck[-1][1][-1].at + 1 and strikes(line, struck[-1][0]):
            struck[-1] = (struck[-1][0], (*struck[-1][1], line))  # a second line across it
            gone.add(line.at)
    return tuple(struck), tuple(trace for trace in traces if trace.at not in gone)


def _is_wide(traces: Traces) -> bool:
    """Whether it is more than the stem of a T, whose bar may be long."""
    x0, _, x1, _ = around(trace.box for trace in traces)
    return x1 - x0 > NARROW


def _lies_under(trace: Trace, line: Trace) -> bool:
    """Whether most of a trace is where a line goes across."""
    inside = min(trace.box[2], line.box[2]) - max(trace.box[0], line.box[0])
    reaches = trace.is_dot or trace.box[1] < line.middle[1] + 0.8  # dots and bars stay above it
    return reaches and inside > LIES_UNDER * trace.width


def _kind_of(trace: Trace, traces: Traces) -> MarkKind | None:
    if trace.box[3] < UNDER_THE_LINE and trace.box[1] > -1.2:
        return _under_the_line(trace, traces)
    if trace.box[1] > 1.25 and _is_a_tick(trace):
        return MarkKind.TICK
    return MarkKind.RING if _rings(trace, traces) else None


def _under_the_line(trace: Trace, traces: Traces) -> MarkKind | None:
    if trace.is_dot:
        return MarkKind.TICK if trace.box[3] < 2 * UNDER_THE_LINE else None
    if _is_a_tick(trace):
        return MarkKind.TICK
    if any(other.at < trace.at and _crosses_its_tail(trace, other) for other in traces):
        return None
    return MarkKind.UNDER if trace.width > 0.4 and trace.height < 0.6 * trace.width else None


def _rings(trace: Trace, traces: Traces) -> bool:
    """Whether it goes once round something that was there before."""
    is_round = _closes(trace) and winds(trace) < ONCE_ROUND
    if not is_round or min(trace.width, trace.height) <= A_RING:
        return False
    x0, y0, x1, y1 = trace.box
    return any(
        other.at < trace.at
        and x0 < other.box[0] + 0.1 and other.box[2] - 0.1 < x1
        and y0 < other.box[1] + 0.1 and other.box[3] - 0.1 < y1
        for other in traces
    )  # fmt: skip


def _crosses_its_tail(line: Trace, letter: Trace) -> bool:
    """Whether a line under the others goes right across a letter that hangs further down."""
    x0, bottom, x1, top = letter.box
    return bottom < line.box[1] and top > 0.5 and line.box[0] < x0 and line.box[2] > x1


def _closes(trace: Trace) -> bool:
    """Whether it comes back near to where it began."""
    return bool(np.hypot(*(trace.line[0] - trace.line[-1])) < max(RING, 0.2 * trace.width))


def _is_a_tick(trace: Trace) -> bool:
    """A short leg down and a longer one up to the right."""
    line = trace.line
    lowest = int(line[:, 1].argmin())
    down, up = line[0, 1] - line[lowest, 1], line[-1, 1] - line[lowest, 1]
    climbs = up > A_TICK_CLIMBS * trace.width  # the bar of a T that shakes does not
    goes_on = line[-1, 0] > line[lowest, 0] > line[0, 0]
    return bool(0.05 < down < 0.8 * up and climbs and goes_on)
