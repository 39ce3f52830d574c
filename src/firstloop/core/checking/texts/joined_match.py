"""Letters that are joined, found along the one path of the composed word.

The path is matched to that of the word elastically, by height and heading: how wide a child writes
does not matter, only in which order what comes. A letter may be left out or come twice, the pen may
be lifted anywhere, and short traces (bars, dots, the arm of an x) may lie beside the path.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.texts.course import STRIDE, Course
from firstloop.core.checking.texts.forms_on_the_way import DOUBTED
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.checking.texts.visits import InRows, Visit, in_rows, visits_of
from firstloop.core.checking.texts.way_through import (
    BESIDE_THE_PATH,
    FAR,
    LIFTED_AT_A_JOIN,
    MAY_LIE_BESIDE,
    UNLIFTED,
    WINDOW,
    Rows,
    Search,
    find_way,
)
from firstloop.core.letters import Hand

JUMPS_BACK, JUMPED_BACK = 0.3, 0.12
"""[u, u²] u to the left of what is written, where the pen goes back for a bar or a dot; and u²,
summed, that it costs to take what it writes there for the way."""

MOST_STEPS = 120
"""[steps] Steps a letter: of more ink the steps are longer, for it is a scribble."""


@dataclass(frozen=True, slots=True, eq=False)
class Followed:
    """The letters in the order in which they come along the path, the places of those left out, and
    the traces that lie beside it."""

    visits: tuple[Visit, ...]
    missing: tuple[int, ...]
    beside: tuple[Trace, ...]


def follow(traces: Sequence[Trace], course: Course, hand: Hand) -> Followed:
    """The traces, in writing order, along the course of what was asked for.

    Where that costs a letter much, it is followed once more as if it might be any other.
    """
    points = sum(len(trace.line) for trace in traces)
    ink = in_rows(traces, max(STRIDE, points // (MOST_STEPS * len(course.letters))))
    rows = _rows(traces, ink)
    way = find_way(_search(rows, course))
    visits = visits_of(way, ink, course)
    doubted = _doubted(visits)
    if doubted:
        course = course.doubting(doubted, hand)
        way = find_way(_search(rows, course))
        visits = visits_of(way, ink, course)
    seen = {visit.place for visit in visits}
    return Followed(
        visits=visits,
        missing=tuple(place for place in range(len(course.letters)) if place not in seen),
        beside=tuple(trace for trace, up in zip(traces, ink.ups, strict=True) if way.beside[up]),
    )


def _doubted(visits: Sequence[Visit]) -> set[int]:
    """The places of letters that cost much; and of what comes after one that was met again, which
    may be a part of it."""
    again = {visit.place + 1 for visit in visits if visit.again}
    return again | {visit.place for visit in visits if visit.spent > DOUBTED}


def _rows(traces: Sequence[Trace], ink: InRows) -> Rows:
    """The ink, and what is known of it where the pen is up."""
    count = len(ink.terms)
    jumps, passes = np.full(count, -1.0), np.full(count, -1)
    start, unjoined = np.full(count, FAR), np.full(count, LIFTED_AT_A_JOIN + UNLIFTED)
    start[0] = unjoined[0] = 0.0
    begin, right = 0, -FAR
    for trace, up in zip(traces, ink.ups, strict=True):
        jumps[up] = JUMPED_BACK if trace.middle[0] < right - JUMPS_BACK else 0.0
        right = max(right, trace.box[2])
        last = up == count - 1
        if not last:
            unjoined[up + 1] = LIFTED_AT_A_JOIN
        if trace.steady_length < MAY_LIE_BESIDE:
            passes[up] = begin
            if not last:
                start[up + 1] = start[begin] + BESIDE_THE_PATH
        begin = up + 1
    return Rows(ink.terms, jumps, passes, start, unjoined)


def _search(rows: Rows, course: Course) -> Search:
    """The rows in which the text may have come to each letter: WINDOW letters ahead of an even
    share of the ink, or behind."""
    count, letters = len(rows.jumps), len(course.letters)
    ends = np.concatenate(([0.0], course.shares))
    place = np.arange(letters)
    low = (ends[np.maximum(place - WINDOW, 0)] * count).astype(np.intp)
    high = (ends[np.minimum(place + 1 + WINDOW, letters)] * count).astype(np.intp)
    high[place + WINDOW >= letters] = count
    lanes = course.lanes
    steps = np.diff(lanes.begins[lanes.letters])
    parts = np.concatenate(([0], np.cumsum(steps * (high - low))))
    return Search(lanes, rows, low, high, parts)
