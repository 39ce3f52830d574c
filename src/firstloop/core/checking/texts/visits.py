"""The ink of a joined text in steps, and which of them were written for which letter."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby
from operator import itemgetter

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.course import Course, terms_of
from firstloop.core.checking.texts.forms_on_the_way import Form
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.checking.texts.way_through import Way
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
    `again` whether it was there already, `spent` what it cost (u², summed)."""

    place: int
    form: Form
    parts: tuple[Part, ...]
    goes_on: bool
    again: bool
    spent: float


@dataclass(frozen=True, slots=True, eq=False)
class InRows:
    """The ink in rows, and after each trace one row at which the pen is up.

    `terms` (row, 5) are what the cost of a row is a product of with the course's; `trace` and
    `point` which ink it is; `ups`, by trace, the rows at which the pen is up after it.
    """

    terms: Values
    trace: Indices
    point: Indices
    ups: tuple[int, ...]


def in_rows(traces: Sequence[Trace], stride: int) -> InRows:
    """The ink of traces, in writing order, a row for each `stride` of its points."""
    terms, trace, point, ups = [], [], [], []
    count = 0
    for at, one in enumerate(traces):
        last = len(one.line) - 1
        places = np.arange(0, last + stride, stride)
        places[-1] = last
        thin = one.line[places]
        # Nothing is told by where the pen is up.
        terms += [terms_of(thin[:, 1], polyline.headings(thin)), np.zeros((1, 5), np.float32)]
        count += len(places) + 1
        trace.append(np.full(len(places) + 1, at))
        point += [places, places[-1:]]
        ups.append(count - 1)
    return InRows(np.concatenate(terms), np.concatenate(trace), np.concatenate(point), tuple(ups))


def visits_of(way: Way, ink: InRows, course: Course) -> tuple[Visit, ...]:
    """The ink of each letter that was passed through."""
    seen: set[int] = set()
    visits = []
    written = np.flatnonzero(way.lanes >= 0)
    for _, run in groupby(written.tolist(), key=way.passed.__getitem__):
        rows = list(run)
        place, form = course.met_in(int(way.lanes[rows[0]]))
        parts, goes_on = _parts(rows, ink), course.goes_on[place]
        spent = float(way.spent[way.passed[rows[0]]])
        visits.append(Visit(place, form, parts, goes_on, again=place in seen, spent=spent))
        seen.add(place)
    return tuple(visits)


def _parts(rows: list[int], ink: InRows) -> tuple[Part, ...]:
    """The ink of rows, a part of each trace."""
    traces, points = ink.trace[rows].tolist(), ink.point[rows].tolist()
    runs = groupby(zip(traces, points, strict=True), key=itemgetter(0))
    parts = ((trace, [point for _, point in run]) for trace, run in runs)
    return tuple(Part(trace, points[0], points[-1]) for trace, points in parts)
