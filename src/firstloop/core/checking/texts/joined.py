"""Letters that are joined, found along the one path of the composed word.

The path is matched to that of the word elastically, by height and heading: how wide a child writes
does not matter, only in which order what comes. A letter may be left out or come twice, the pen may
be lifted anywhere, and short traces (bars, dots, the arm of an x) may lie beside the path.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.course import Course
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.checking.texts.visits import Rows, Visit, rows_of, visits_of
from firstloop.core.limits import (
    BESIDE_THE_PATH,
    COMES_TWICE,
    FAR,
    HEADING_WEIGHT,
    JUMPED_BACK,
    JUMPS_BACK,
    LEFT_OUT_OF_A_WORD,
    MAY_LIE_BESIDE,
    MOST_STEPS,
    STRIDE,
    UNLIFTED,
    WINDOW,
    WORST_SAMPLE,
)

Indices = npt.NDArray[np.intp]
Values = npt.NDArray[np.float32]

ROWS = 100
"""How many rows of the table are filled between two looks at where its window is."""


@dataclass(frozen=True, slots=True, eq=False)
class Followed:
    """The letters in the order in which they come along the path, the places of those left out, and
    the traces that lie beside it."""

    visits: tuple[Visit, ...]
    missing: tuple[int, ...]
    beside: tuple[Trace, ...]


def follow(traces: Sequence[Trace], course: Course) -> Followed:
    """The traces, in writing order, along the course of what was asked for."""
    points = sum(len(trace.line) for trace in traces)
    rows = rows_of(traces, max(STRIDE, points // (MOST_STEPS * course.letters)))
    table = _Table(rows, traces, course)
    return table.followed()


BACK = ((1, 0.0), (2, LEFT_OUT_OF_A_WORD), (0, COMES_TWICE))
"""From how many places back a letter may be come to, and what that costs: from the one before it;
past one that is left out; and from itself, where it comes twice."""


@dataclass(frozen=True, slots=True, eq=False)
class _Ways:
    """The ways from letter to letter: the steps they go to, of which place, what entering there
    costs, and how much more where the pen is not lifted; the steps they come from, and where among
    these each place starts."""

    to: Indices
    place: Indices
    extra: Values
    unlifted: Values
    ends: Indices
    starts: Indices
    least: Values
    """Room for what the cheapest end of each place costs; before the first there are two that
    nothing reaches."""

    def costs(self, now: Values) -> Values:
        """What each costs, from what reaching every step costs; (way,)."""
        least = self.least
        np.minimum.reduceat(now[self.ends], self.starts, out=least[2:])
        came = np.minimum(least[1:-1], least[2:] + COMES_TWICE)
        np.minimum(came, least[:-2] + LEFT_OUT_OF_A_WORD, out=came)
        return np.asarray(came[self.place] + self.extra)


@dataclass(frozen=True, slots=True, eq=False)
class _Chunk:
    """Some rows of the table, over the steps of the course from `low` on: what reaching each costs,
    and what entering the row there does, against the row's running sum; both (row, step)."""

    begin: int
    low: int
    reached: Values
    ahead: Values


class _Table:
    """The dynamic programme: a row for each step of the ink, a column for each of the course.

    In a row the cheapest way to a step comes from the row before, at it or at the step before it,
    or by a leap; and then goes along the row, so that it is a running sum and, of where the row
    was entered, a running minimum. Columns are a window about where the text should be by then.
    """

    def __init__(self, rows: Rows, traces: Sequence[Trace], course: Course) -> None:
        self._rows, self._traces, self._course = rows, traces, course
        self._chunk_of: list[_Chunk] = []  # by row
        self._firsts = frozenset(begin for begin, *_ in course.bounds)
        self._ends_of: dict[int, list[int]] = {}
        for end in course.ends.tolist():
            self._ends_of.setdefault(int(course.place[end]), []).append(end)
        self._passed: dict[int, npt.NDArray[np.bool_]] = {}
        self._lifts = frozenset(rows.begins)
        self._last = self._fill()

    def _fill(self) -> Values:
        """Fills all rows; what each step costs that the last row reaches."""
        begins = self._rows.begins
        value = self._before_all()
        for at, trace in enumerate(self._traces):
            before = value
            for begin in range(begins[at], begins[at + 1], ROWS):
                value = self._chunk(begin, min(begin + ROWS, begins[at + 1]), value)
            right = max((t.box[2] for t in self._traces[:at]), default=-FAR)
            if trace.middle[0] < right - JUMPS_BACK:
                value = value + JUMPED_BACK
            if trace.length < MAY_LIE_BESIDE:
                passing = before + BESIDE_THE_PATH
                self._passed[at] = passing < value
                value = np.minimum(passing, value)
        return value

    def _before_all(self) -> Values:
        """The beginning of the first letter, or of a later one if those before it are left out."""
        course = self._course
        value = np.full(len(course.heights), FAR, np.float32)
        for form, place, (begin, first, _, _) in zip(
            course.forms, course.of, course.bounds, strict=True
        ):
            value[begin] = value[first] = place * LEFT_OUT_OF_A_WORD + form.cost
        return value

    def _chunk(self, begin: int, end: int, value: Values) -> Values:
        course = self._course
        low, high = self._window(begin, end)
        cost = self._costs(begin, end, low, high)
        blocked = np.where(course.is_first[low:high], np.float32(FAR), np.float32(0.0))
        along = np.cumsum(cost + blocked, axis=1, dtype=np.float32)
        without = along - cost
        ways = self._ways(low, high)
        reached, ahead = np.empty_like(cost), np.empty_like(cost)
        now = value[low:high].copy()
        for row in range(end - begin):
            entered = now.copy()
            np.minimum(entered[1:], now[:-1] + blocked[1:], out=entered[1:])
            leaping = ways.costs(now)
            if begin + row not in self._lifts:
                leaping += ways.unlifted
            entered[ways.to] = np.minimum(entered[ways.to], leaping)
            np.subtract(entered, without[row], out=ahead[row])
            now = np.add(along[row], np.minimum.accumulate(ahead[row]), out=reached[row])
        self._chunk_of += [_Chunk(begin, low, reached, ahead)] * (end - begin)
        value = np.full(len(value), FAR, np.float32)
        value[low:high] = now
        return value

    def _costs(self, begin: int, end: int, low: int, high: int) -> Values:
        rows, course = self._rows, self._course
        off = rows.heights[begin:end, None] - course.heights[low:high]
        turned = 1.0 - rows.headings[begin:end] @ course.headings[low:high].T
        cost = off * off + HEADING_WEIGHT * turned
        return np.minimum(cost, WORST_SAMPLE).astype(np.float32)

    def _window(self, begin: int, end: int) -> tuple[int, int]:
        """The steps of the letters that the text may have come to by these rows."""
        places, whole = self._course.place, len(self._rows.heights)
        first, last = np.searchsorted(self._course.shares, (begin / whole, end / whole))
        first, last = first - WINDOW, last + WINDOW
        return int(np.searchsorted(places, first)), int(np.searchsorted(places, last, "right"))

    def _ways(self, low: int, high: int) -> "_Ways":
        """The ways from letter to letter within a window, by its own columns."""
        course = self._course
        begin, end = np.searchsorted(course.ways_to, (low, high))
        to = course.ways_to[begin:end]
        first_end, last_end = np.searchsorted(course.ends, (low, high))
        ends = course.ends[first_end:last_end]
        first = course.place[low]
        starts = np.flatnonzero(np.diff(course.place[ends], prepend=first - 1))
        return _Ways(
            to=to - low,
            place=course.place[to] - first,
            extra=course.ways_cost[begin:end],
            unlifted=course.ways_unled[begin:end] * np.float32(UNLIFTED),
            ends=ends - low,
            starts=starts,
            least=np.full(len(starts) + 2, FAR, np.float32),
        )

    def _unlifted(self, step: int) -> float:
        return UNLIFTED if step in self._course.unled else 0.0

    def followed(self) -> Followed:
        """The cheapest way through, read back from its end."""
        course = self._course
        ends = [
            (float(self._last[end]) + (course.letters - 1 - place) * LEFT_OUT_OF_A_WORD, end)
            for place, (_, _, last, after) in zip(course.of, course.bounds, strict=True)
            for end in range(last, after + 1)
        ]
        _, step = min(ends)
        steps, beside = self._read_back(step)
        visits = visits_of(steps, self._rows, course)
        seen = {visit.place for visit in visits}
        return Followed(
            visits=visits,
            missing=tuple(place for place in range(course.letters) if place not in seen),
            beside=tuple(self._traces[at] for at in sorted(beside)),
        )

    def _read_back(self, step: int) -> tuple[list[tuple[int, int, int]], set[int]]:
        """Row by row the first and the last step there, from the first row; and what traces lie
        beside."""
        begins = self._rows.begins
        steps: list[tuple[int, int, int]] = []
        beside: set[int] = set()
        trace, row = len(self._traces) - 1, begins[-1] - 1
        while True:
            while trace >= 0 and row == begins[trace + 1] - 1 and self._passes(trace, step):
                beside.add(trace)
                row, trace = begins[trace] - 1, trace - 1
            if row < 0:
                break
            chunk = self._chunk_of[row]
            ahead = chunk.ahead[row - chunk.begin, : step - chunk.low + 1]
            entry = chunk.low + int(ahead.argmin())
            steps.append((row, entry, step))
            trace -= row == begins[trace]
            row -= 1
            step = self._entered_from(entry, row, trace)
        steps.reverse()
        return steps, beside

    def _passes(self, trace: int, step: int) -> bool:
        passed = self._passed.get(trace)
        return passed is not None and bool(passed[step])

    def _entered_from(self, entry: int, row: int, trace: int) -> int:
        """The step of the row before from which one is entered."""
        value = self._row(row, trace)
        best, least = entry, value(entry)
        if entry not in self._firsts and (aslant := value(entry - 1)) < least:
            best, least = entry - 1, aslant
        if entry not in self._course.ways_in:
            return best
        unlifted = 0.0 if row + 1 in self._lifts else self._unlifted(entry)
        place, extra = self._course.place[entry], self._course.ways_in[entry] + unlifted
        for back, cost in BACK:
            for source in self._ends_of.get(int(place) - back, ()):
                leaping = value(source) + cost + extra
                if leaping < least:
                    best, least = source, leaping
        return best

    def _row(self, row: int, trace: int) -> Callable[[int], float]:
        """What reaching a step costs by the end of a row, with all traces that were passed by."""
        if row < 0:
            first = self._before_all()
            return lambda step: float(first[step])
        chunk = self._chunk_of[row]
        reached, low = chunk.reached[row - chunk.begin], chunk.low
        ends = row == self._rows.begins[trace + 1] - 1

        def value(step: int) -> float:
            if ends and self._passes(trace, step):
                before = self._row(self._rows.begins[trace] - 1, trace - 1)
                return before(step) + BESIDE_THE_PATH
            at = step - low
            return float(reached[at]) if 0 <= at < len(reached) else FAR

        return value
