"""The ink of a text, a trace each time the pen was down, and what can be told of one by itself."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.measure.lines import OntoStandard
from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines, evenly, length_of, points_in
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.geometry.reports import line_under

A_DOT, DOT_BOX = 0.4, 0.3
"""[u] Along and across: what is no longer and no wider is a dot, whatever else it is."""


A_STRIDE = 0.2
"""[u] Longer than a shake, shorter than a bend of a letter."""

Box = tuple[float, float, float, float]
"""Left, bottom, right, top in u."""


@dataclass(frozen=True, slots=True, eq=False)
class Trace:
    """One pen-down: its place in the writing order, and its even line on the standard ruling."""

    at: int
    line: FloatArray
    box: Box
    length: float

    @classmethod
    def of(cls, at: int, line: FloatArray) -> "Trace":
        """The trace of an even line (n, 2)."""
        return cls(at, line, box_of(line), length_of(line))

    @property
    def width(self) -> float:
        """u across."""
        return self.box[2] - self.box[0]

    @property
    def height(self) -> float:
        """u from its lowest ink to its highest."""
        return self.box[3] - self.box[1]

    @property
    def middle(self) -> tuple[float, float]:
        """The middle of its box."""
        x0, y0, x1, y1 = self.box
        return (x0 + x1) / 2, (y0 + y1) / 2

    @property
    def steady_length(self) -> float:
        """u along it in strides of A_STRIDE: tremor and jitter are passed over."""
        strides = np.vstack([self.line[: -1 : points_in(A_STRIDE)], self.line[-1:]])
        return polyline.length(strides)

    @property
    def is_dot(self) -> bool:
        """Whether it is no more than a dot."""
        return self.length < A_DOT and max(self.width, self.height) < DOT_BOX


Traces = tuple[Trace, ...]


def traces_of(ink: Ink, onto: OntoStandard) -> Traces:
    """The traces of ink of a page, on the standard lines."""
    strokes = onto.ink(ink).strokes
    return tuple(
        Trace.of(at, evenly(line_under(stroke.points))) for at, stroke in enumerate(strokes)
    )


def box_of(points: FloatArray) -> Box:
    """The box of some places (n, 2)."""
    (x0, y0), (x1, y1) = polyline.corners(points).tolist()
    return x0, y0, x1, y1


def around(boxes: Iterable[Box]) -> Box:
    """The box around some boxes.

    >>> around([(0, 0, 1, 1), (2, -1, 3, 0.5)])
    (0, -1, 3, 1)
    """
    x0, y0, x1, y1 = zip(*boxes, strict=True)
    return min(x0), min(y0), max(x1), max(y1)


def lines_of(traces: Sequence[Trace]) -> Lines:
    """Their lines in the order of writing."""
    return tuple(trace.line for trace in sorted(traces, key=lambda trace: trace.at))


def where_it_stands(trace: Trace) -> float:
    """The x that a trace is sorted by among its neighbours: the middle of what it has between the
    lines, so that a tail that swings under the letter before does not count."""
    y = trace.line[:, 1]
    body = trace.line[(y > 0.0) & (y < 1.2), 0]
    xs = body if len(body) else trace.line[:, 0]
    return float(xs.min() + xs.max()) / 2
