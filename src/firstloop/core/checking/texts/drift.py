"""The line of feet: whether a text climbs or sinks along its base line."""

from itertools import combinations

import numpy as np

from firstloop.core.checking.texts.traces import Traces
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.limits import FOOT_BAND, LEAST_RUN, MOST_FEET, MOSTLY_LEVEL, STEEPEST_LINE


def slope_of(traces: Traces) -> tuple[float, float]:
    """By how much the feet climb for each u along the line, and over how many u; nothing where
    there are too few of them to tell.

    A foot is where ink turns upwards. Most stand on one line; tails and dips do not, so the line is
    the one that most feet stand on, and of those as good the most level.
    """
    feet = _feet(traces)
    if len(feet) < 4 or np.ptp(feet[:, 0]) < LEAST_RUN:
        return 0.0, 0.0
    best, slope = _standing(feet, 0.0), 0.0
    if best > MOSTLY_LEVEL * len(feet):
        return 0.0, 0.0
    some = feet[:: max(1, len(feet) // MOST_FEET)]
    for (x0, y0), (x1, y1) in combinations(some.tolist(), 2):
        if abs(x1 - x0) < LEAST_RUN / 2:
            continue
        tried = (y1 - y0) / (x1 - x0)
        if abs(tried) < STEEPEST_LINE and (count := _standing(feet, tried)) > best + 0.5:
            best, slope = count, tried
    if not slope:
        return 0.0, 0.0
    on = _on_the_line(feet, slope)
    fitted = np.polyfit(feet[on, 0], feet[on, 1], 1)
    return float(fitted[0]), float(np.ptp(feet[on, 0]))


def _feet(traces: Traces) -> FloatArray:
    found: list[FloatArray] = []
    for trace in traces:
        if trace.is_dot:
            continue
        y = trace.line[::3, 1]
        low = np.flatnonzero((y[1:-1] <= y[:-2]) & (y[1:-1] < y[2:])) + 1
        ends = [
            at
            for at in (0, len(y) - 1)
            if y[at] <= y[max(at - 1, 0)] and y[at] <= y[min(at + 1, len(y) - 1)]
        ]
        found.append(trace.line[3 * np.union1d(low, ends).astype(np.intp)])
    feet = np.concatenate(found) if found else np.empty((0, 2))
    return np.asarray(feet[np.argsort(feet[:, 0])])


def _on_the_line(feet: FloatArray, slope: float) -> FloatArray:
    off = feet[:, 1] - slope * feet[:, 0]
    by_place = np.abs(off[:, None] - off) < FOOT_BAND
    best = int(by_place.sum(axis=1).argmax())
    return np.asarray(by_place[best])


def _standing(feet: FloatArray, slope: float) -> float:
    """How many feet stand on one line of that slope; a level one counts a little more."""
    on = _on_the_line(feet, slope)
    return float(on.sum()) - 4.0 * abs(slope)
