"""The ink of a joined text in steps, and which of them are passed through in which letter."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.course import Course, Form
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray

Indices = npt.NDArray[np.intp]


@dataclass(frozen=True, slots=True)
class Part:
    """Ink of one trace, from one point of its even line to another, both kept."""

    trace: int
    begin: int
    end: int


@dataclass(frozen=True, slots=True)
class Visit:
    """The ink of one letter of the course, its joins left out; `place` is its place in what was
    asked for, `form` the one it was met in, `again` whether it was there already."""

    place: int
    form: Form
    parts: tuple[Part, ...]
    again: bool = False


@dataclass(frozen=True, slots=True, eq=False)
class Rows:
    """The ink in steps of STRIDE: height and heading, which trace and which of its points."""

    heights: FloatArray
    headings: FloatArray
    trace: Indices
    point: Indices
    begins: tuple[int, ...]
    """The row at which each trace begins, and after the last where it ends."""


def rows_of(traces: Sequence[Trace], stride: int) -> Rows:
    """The ink of traces, in writing order, a step for each `stride` of its points."""
    heights, headings, trace, point, begins = [], [], [], [], [0]
    for at, one in enumerate(traces):
        places = np.unique(np.append(np.arange(0, len(one.line), stride), len(one.line) - 1))
        thin = one.line[places]
        heights.append(thin[:, 1])
        headings.append(polyline.headings(thin))
        trace.append(np.full(len(places), at))
        point.append(places)
        begins.append(begins[-1] + len(places))
    return Rows(
        np.concatenate(heights),
        np.concatenate(headings),
        np.concatenate(trace),
        np.concatenate(point),
        tuple(begins),
    )


def visits_of(steps: list[tuple[int, int, int]], rows: Rows, course: Course) -> tuple[Visit, ...]:
    """The letters by the rows in which steps of their own are passed through."""
    found: list[tuple[int, list[int]]] = []
    before, again = -1, False
    is_own, of = course.is_own.tolist(), course.form.tolist()
    for row, entry, step in steps:
        again = again or entry < before  # on the way back to the beginning of the same letter
        before = step
        for form in dict.fromkeys(of[at] for at in range(entry, step + 1) if is_own[at]):
            if found and found[-1][0] == form and not again:
                found[-1][1].append(row)
            else:
                found.append((form, [row]))
            again = False
    visits: list[Visit] = []
    for form, at in found:
        seen = any(visit.place == course.of[form] for visit in visits)
        visits.append(Visit(course.of[form], course.forms[form], _parts(at, rows), seen))
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
