"""The ink of a joined text in steps, and which of them were written for which letter."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.course import Course, terms_of
from firstloop.core.checking.texts.met import Form
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.geometry import polyline

Indices = npt.NDArray[np.intp]
Values = npt.NDArray[np.float32]


@dataclass(frozen=True, slots=True)
class Part:
    """Ink of one trace, from one point of its even line to another, both kept."""

    trace: int
    begin: int
    end: int


@dataclass(frozen=True, slots=True)
class Visit:
    """The ink of one letter of the course, its joins left out; `place` is its place in what was
    asked for, `form` the one it was met in, `goes_on` whether the hand joins it to the next,
    `again` whether it was there already."""

    place: int
    form: Form
    parts: tuple[Part, ...]
    goes_on: bool
    again: bool


@dataclass(frozen=True, slots=True, eq=False)
class Rows:
    """The ink in steps, and after each trace one step at which the pen is up.

    `terms` (5, row) are what the cost of a row is a product of with the course's; `trace` and
    `point` which ink it is; `ups`, by trace, the rows at which the pen is up after it.
    """

    terms: Values
    trace: Indices
    point: Indices
    ups: tuple[int, ...]

    def begin_of(self, trace: int) -> int:
        """The first row of a trace."""
        return self.ups[trace - 1] + 1 if trace else 0

    @property
    def count(self) -> int:
        """How many there are."""
        return self.ups[-1] + 1


def rows_of(traces: Sequence[Trace], stride: int) -> Rows:
    """The ink of traces, in writing order, a row for each `stride` of its points."""
    terms, trace, point, ups = [], [], [], []
    count = 0
    for at, one in enumerate(traces):
        last = len(one.line) - 1
        places = np.arange(0, last + stride, stride)
        places[-1] = last
        thin = one.line[places]
        # Nothing is told by where the pen is up: its row costs nothing.
        terms += [terms_of(thin[:, 1], polyline.headings(thin)), np.zeros((5, 1), np.float32)]
        count += len(places) + 1
        trace.append(np.full(len(places) + 1, at))
        point += [places, places[-1:]]
        ups.append(count - 1)
    return Rows(
        np.concatenate(terms, axis=1), np.concatenate(trace), np.concatenate(point), tuple(ups)
    )


@dataclass(frozen=True, slots=True)
class Passed:
    """A letter, in one of its forms, that the ink passed through, and the rows of its own steps."""

    place: int
    form: int
    rows: list[int]


def visits_of(passed: Sequence[Passed], rows: Rows, course: Course) -> tuple[Visit, ...]:
    """The ink of each letter that was passed through."""
    seen: set[int] = set()
    visits = []
    for one in passed:
        form = course.letters[one.place].forms[one.form]
        parts, goes_on = _parts(one.rows, rows), course.goes_on[one.place]
        visits.append(Visit(one.place, form, parts, goes_on, again=one.place in seen))
        seen.add(one.place)
    return tuple(visits)


def _parts(at: list[int], rows: Rows) -> tuple[Part, ...]:
    parts: list[Part] = []
    for row in at:
        trace, point = int(rows.trace[row]), int(rows.point[row])
        if parts and parts[-1].trace == trace:
            parts[-1] = Part(trace, parts[-1].begin, point)
        else:
            parts.append(Part(trace, point, point))
    return tuple(parts)
