"""Letters that are joined, found along the one path of the composed word.

The path is matched to that of the word elastically, by height and heading: how wide a child writes
does not matter, only in which order what comes. A letter may be left out or come twice, the pen may
be lifted anywhere, and short traces (bars, dots, the arm of an x) may lie beside the path.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.course import Course
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.checking.texts.visits import Passed, Rows, Visit, rows_of, visits_of
from firstloop.core.limits import (
    BESIDE_THE_PATH,
    COMES_TWICE,
    FAR,
    JUMPED_BACK,
    JUMPS_BACK,
    LEFT_OUT_OF_A_WORD,
    LIFTED_AT_A_JOIN,
    MAY_LIE_BESIDE,
    MOST_STEPS,
    STRIDE,
    UNLIFTED,
    WINDOW,
    WORST_SAMPLE,
)

Values = npt.NDArray[np.float32]


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
    rows = rows_of(traces, max(STRIDE, points // (MOST_STEPS * len(course.letters))))
    way = _Table(rows, traces, course).cheapest()
    visits = visits_of(way.passed, rows, course)
    seen = {visit.place for visit in visits}
    return Followed(
        visits=visits,
        missing=tuple(place for place in range(len(course.letters)) if place not in seen),
        beside=tuple(traces[at] for at in sorted(way.beside)),
    )


@dataclass(frozen=True, slots=True, eq=False)
class _Ups:
    """What it costs to go on after each trace: `jumps` by its row with the pen up; and of those
    that may lie beside the path the first row, and that row."""

    jumps: dict[int, float]
    passes: dict[int, int]

    @classmethod
    def of(cls, traces: Sequence[Trace], rows: Rows) -> "_Ups":
        """After the traces of these rows."""
        jumps, passes, right = {}, {}, -FAR
        for at, trace in enumerate(traces):
            jumps[rows.ups[at]] = JUMPED_BACK if trace.middle[0] < right - JUMPS_BACK else 0.0
            right = max(right, trace.box[2])
            if trace.length < MAY_LIE_BESIDE:
                passes[rows.ups[at]] = rows.begin_of(at)
        return cls(jumps, passes)


@dataclass(frozen=True, slots=True, eq=False)
class _Cost:
    """What the steps of a letter cost in the rows of a window from `low` to before `high`: `runs`
    the sums down to each row, `without` these less the row's own; both (step, form, row). Of the
    traces that may be passed by there, `passes` are the row with the pen up after it, and the row
    where it begins, both in the window."""

    low: int
    high: int
    runs: Values
    without: Values
    passes: tuple[tuple[int, int], ...]


@dataclass(frozen=True, slots=True, eq=False)
class Way:
    """A way through: the letters in their order, the traces that lie beside it, and what the letter
    that costs most costs, with what was left out before it (u², summed)."""

    passed: list[Passed]
    beside: set[int]
    worst: float


class _Table:
    """The dynamic programme, letter by letter: a table of the letter's steps by the ink's rows.

    The cheapest way to a step comes from the step before it, in the same row or in the row before;
    or from the same step in the row before, so that down a step it is a running sum and, of where
    the step was come to, a running minimum. A letter is come to from the end of the one before it,
    past one that is left out, or from its own end, where it comes twice.
    """

    def __init__(self, rows: Rows, traces: Sequence[Trace], course: Course) -> None:
        self._rows, self._letters = rows, course.letters
        self._ups = _Ups.of(traces, rows)
        self._start = self._nothing_yet()
        self._unjoined = np.full(rows.count + 1, LIFTED_AT_A_JOIN + UNLIFTED, np.float32)
        self._unjoined[[up + 1 for up in rows.ups]] = LIFTED_AT_A_JOIN
        self._unjoined[0] = 0.0
        self._left = [np.full(rows.count + 1, FAR, np.float32) for _ in course.letters]
        """By letter, what it costs to have left it before each row."""
        self._costs = [self._cost(place, course) for place in range(len(course.letters))]
        self._reached: list[Values] = []
        """By letter, what it costs to have come to each step of each form by each row of its
        window, and before these; (step, form, 1 + row)."""
        self._fill()

    def _nothing_yet(self) -> Values:
        """What it costs to begin at each row: at the first, or after traces that lie beside."""
        start = np.full(self._rows.count + 1, FAR, np.float32)
        start[0] = 0.0
        for up, begin in self._ups.passes.items():
            start[up + 1] = start[begin] + BESIDE_THE_PATH
        return start

    def _cost(self, place: int, course: Course) -> _Cost:
        """What the steps of a letter cost, in the rows in which the text may have come to it."""
        shares, whole = course.shares, self._rows.count
        low = int(shares[place - WINDOW - 1] * whole) if place > WINDOW else 0
        high = int(shares[place + WINDOW] * whole) if place + WINDOW < len(shares) else whole
        terms = course.letters[place].terms
        cost = (terms.reshape(-1, 5) @ self._rows.terms[:, low:high]).reshape(*terms.shape[:2], -1)
        np.minimum(cost, np.float32(WORST_SAMPLE), out=cost)
        ups = [up - low for up in self._rows.ups if low <= up < high]
        cost[..., ups] = [self._ups.jumps[up + low] for up in ups]
        runs = cost.cumsum(axis=2)
        without = np.subtract(runs, cost, out=cost)
        without[..., ups] -= np.float32(FAR)  # with the pen up nothing is come to
        passes = [
            (up - low, at - low) for up, at in self._ups.passes.items() if low < at < up < high
        ]
        return _Cost(low, high, runs, without, tuple(passes))

    def _fill(self) -> None:
        """Fills the tables of all letters, one after another."""
        self._reached = [self._filled(place) for place in range(len(self._letters))]

    def _filled(self, place: int) -> Values:
        steps, cost = self._letters[place], self._costs[place]
        window = slice(cost.low, cost.high)
        came = np.minimum.reduce([value for value, _ in self._ways_to(place, window)])
        extra = np.array([form.cost for form in steps.forms], np.float32)
        unled = came + self._unjoined[window]
        reached = np.full((*cost.runs.shape[:2], cost.runs.shape[2] + 1), FAR, np.float32)
        now, before = list(reached[..., 1:]), list(reached[..., :-1])
        at, own_ends = came + extra[:, None], steps.own_ends
        for step, (runs, without) in enumerate(zip(cost.runs, cost.without, strict=True)):
            if step:
                np.minimum(now[step - 1], before[step - 1], out=at)
                for form in steps.led.get(step, ()):
                    np.minimum(at[form], unled + extra[form], out=at[form])
            np.subtract(at, without, out=at)
            if step >= own_ends:
                for up, begin in cost.passes:
                    passing = at[:, :begin].min(axis=1) + runs[:, begin - 1] + BESIDE_THE_PATH
                    np.minimum(at[:, up], passing - runs[:, up], out=at[:, up])
            np.minimum.accumulate(at, axis=1, out=at)
            np.add(at, runs, out=now[step])
        ends = [reached[step, form] for form, last in enumerate(steps.ends) for step in last]
        self._left[place][cost.low : cost.high + 1] = np.minimum.reduce(ends)
        return reached

    def _ways_to(self, place: int, rows: slice | int) -> list[tuple[Values, int]]:
        """What coming to a letter costs by row, from the beginning (-1) or from which letter."""
        ways = [(self._start[rows] + np.float32(place * LEFT_OUT_OF_A_WORD), -1)]
        if place > 0:
            ways.append((self._left[place - 1][rows], place - 1))
        if place > 1:
            ways.append((self._left[place - 2][rows] + np.float32(LEFT_OUT_OF_A_WORD), place - 2))
        return [*ways, (self._left[place][rows] + np.float32(COMES_TWICE), place)]

    def cheapest(self) -> Way:
        """The cheapest way through.

        A letter that comes twice costs more than COMES_TWICE where it is not said to. So only where
        some letter costs as much is the table filled again, knowing where each letter was left.
        """
        way = self._read_back()
        if way.worst <= COMES_TWICE:
            return way
        self._fill()
        return self._read_back()

    def _read_back(self) -> Way:
        """The cheapest way, read back from its end."""
        row, place, form, step = self._end()
        passed: list[Passed] = []
        beside: set[int] = set()
        worst = 0.0
        while place >= 0:
            total = self._reached[place][step, form, row + 1 - self._costs[place].low]
            rows, row, by = self._back_through(row, place, form, step)
            beside |= by
            if rows:
                passed.append(Passed(place, form, rows))
            came, place = min(self._ways_to(place, row))
            row -= 1
            if place >= 0:
                form, step = self._left_from(place, row)
                came = self._reached[place][step, form, row + 1 - self._costs[place].low]
            worst = max(worst, float(total - came))
        beside.update(trace for trace, up in enumerate(self._rows.ups) if up <= row)
        passed.reverse()
        return Way(passed, beside, worst)

    def _end(self) -> tuple[int, int, int, int]:
        """Where the cheapest way ends: its row, the letter's place and form, and the step."""
        row = self._rows.count - 1
        ends = [
            (
                float(reached[step, form, -1])
                + (len(self._letters) - 1 - place) * LEFT_OUT_OF_A_WORD,
                place,
                form,
                step,
            )
            for place, reached in enumerate(self._reached)
            if self._costs[place].high > row
            for form, (last, end) in enumerate(self._letters[place].ends)
            for step in range(last, end + 1)
        ]
        return (row, *min(ends)[1:])

    def _left_from(self, place: int, row: int) -> tuple[int, int]:
        """In which form and at which step a letter was left at a row."""
        reached = self._reached[place][..., row + 1 - self._costs[place].low]
        ends = [(form, step) for form, of in enumerate(self._letters[place].ends) for step in of]
        return min(ends, key=lambda end: reached[end[1], end[0]])

    def _back_through(
        self, row: int, place: int, form: int, step: int
    ) -> tuple[list[int], int, set[int]]:
        """From where a letter was left back to where it was come to: the rows of its own steps, the
        first row, and the traces that lie beside."""
        steps, low = self._letters[place], self._costs[place].low
        table = self._reached[place][:, form]
        first, last = steps.first[form], steps.ends[form][0]
        own: list[int] = []
        beside: set[int] = set()
        while True:
            here = row + 1 - low
            if row in self._ups.jumps:
                begin = self._ups.passes.get(row, 0) if step >= steps.own_ends else 0
                followed = table[step, here - 1] + self._ups.jumps[row]
                if begin > low and table[step, begin - low] + BESIDE_THE_PATH < followed:
                    beside.add(self._rows.ups.index(row))
                    row = begin
                row -= 1
                continue
            if first <= step <= last and not (own and own[-1] == row):
                own.append(row)
            same, aslant, along = table[step, here - 1], FAR, FAR
            if step:
                aslant, along = table[step - 1, here - 1], table[step - 1, here]
            if step in (0, first):
                came = min(self._ways_to(place, row))[0] + steps.forms[form].cost
                if came + (self._unjoined[row] if step else 0.0) < min(same, aslant, along):
                    return own[::-1], row, beside
            if aslant <= same and aslant <= along:
                row, step = row - 1, step - 1
            elif same <= along:
                row -= 1
            else:
                step -= 1
