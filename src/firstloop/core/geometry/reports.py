"""The line under a tablet's reports.

A pen that rests, jitters, or reports to and fro draws a tangle that is far longer than the line it
was held along; a fast one leaves corners where the hand made a curve. So the line is found first,
and measured then. Reports that say no more than the line does stay as they are.
"""

import math

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.compiled import NUMBER, POINTS, compiled_for
from firstloop.core.geometry.polyline import FloatArray

REACH_OF_NOISE, LEAST_REACH = 3.0, 0.025
"""[times the jitter, u] How far from where the pen is held its reports may lie: nearer ones are of
one place. Of 200 reports of one place two lie further off than the first."""

MOST_REACH = 0.12
"""[u] A tablet that jitters by more draws no letter; what is within is never a part of one."""

TANGLED, DENSE = 1.3, 0.045
"""[ratio, u] How much longer reports are than the line under them from where on they are a tangle;
and how far one is from the next along that line at most: those further apart say too little of
their jitter. By trial: good tablets stay under 1.03 and lines that shake under 1.25; 0.01 u of
jitter at 120 Hz gives 1.3."""

OFTEN, TURNS_BACK, JUMPS = 0.03, 0.03, 2.25
"""[u, share, ratio] Reports nearer to each other than the first, in the median, of which the second
turns back, jump to and fro: the line is found beyond what they jump back by, the third times."""

SPACING, WIDTH_OF_NOISE, LEAST_WIDTH = 0.02, 2.0, 0.03
"""[u, times the jitter, u] Between the points of a line that was found under a tangle; and the
Gaussian along it that takes the rest of the jitter out, which is never narrower than the third."""

SPARSE = 0.16
"""[u] Between reports, from which a curve between them is drawn as a curve: with less the chord is
within 0.01 u of a round of half a u."""

FAIR = 8.3
"""[ratio] Of the squared second differences of reports that jitter by 1 in x and y the median."""


def line_under(reports: FloatArray) -> FloatArray:
    """The line that a pen was held along, (m, 2), from what a tablet reported of it, (n, 2)."""
    if len(reports) < 3:
        return reports
    raw = polyline.length(reports)
    if raw / (len(reports) - 1) > SPARSE:
        return _curved(reports)
    noise = jitter_of(reports)
    reach = min(MOST_REACH, max(LEAST_REACH, REACH_OF_NOISE * noise, _reaches_back(reports)))
    groups = _gathered(reports, reach)
    centres = _means(reports, groups)
    line = polyline.length(centres)
    if raw < TANGLED * line + 2 * reach or line > DENSE * len(reports):
        return reports
    return _untangled(reports, groups, centres, max(LEAST_WIDTH, WIDTH_OF_NOISE * noise))


def jitter_of(reports: FloatArray) -> float:
    """u that reports are off in x and in y (one standard deviation), from how they part from their
    neighbours' middles: half of a line, at least, is straight enough for that.

    >>> rng = np.random.default_rng(1)
    >>> still = rng.normal(0.0, 0.02, (400, 2))
    >>> round(jitter_of(still), 2)
    0.02
    """
    if len(reports) < 3:
        return 0.0
    off = reports[:-2] - 2.0 * reports[1:-1] + reports[2:]
    return math.sqrt(float(np.median((off**2).sum(axis=1))) / FAIR)


def _reaches_back(reports: FloatArray) -> float:
    """u that reports jump back along the line, and a little more; 0 where hardly any does."""
    steps = np.diff(reports, axis=0)
    back = (steps[1:] * steps[:-1]).sum(axis=1) < 0.0
    lengths = np.hypot(*steps.T)
    if float(back.mean()) < TURNS_BACK or float(np.median(lengths)) > OFTEN:
        return 0.0
    return JUMPS * float(np.quantile(lengths[1:][back], 0.9))


@compiled_for(POINTS, NUMBER)
def _gathered(reports: FloatArray, reach: float) -> FloatArray:
    """Which place each report is of, counted along the line: a report within `reach` of the middle
    of those before it is of the same; (n,)."""
    found = np.zeros(len(reports))
    x, y, count, place = reports[0, 0], reports[0, 1], 1.0, 0.0
    for at in range(1, len(reports)):
        dx, dy = reports[at, 0] - x, reports[at, 1] - y
        if dx * dx + dy * dy <= reach * reach:
            count += 1.0
            x, y = x + dx / count, y + dy / count
        else:
            place, count = place + 1.0, 1.0
            x, y = reports[at, 0], reports[at, 1]
        found[at] = place
    return found


def _means(reports: FloatArray, groups: FloatArray) -> FloatArray:
    which = groups.astype(np.intp)
    count = np.bincount(which)
    return np.column_stack([np.bincount(which, axis) / count for axis in reports.T])


def _untangled(
    reports: FloatArray, groups: FloatArray, centres: FloatArray, width: float
) -> FloatArray:
    """The mean course of reports, in their order, by how far along the line they are."""
    along = polyline.distances_along(centres)
    if along[-1] < SPACING:
        return centres[[0, -1]] if len(centres) > 1 else np.repeat(centres, 2, axis=0)
    at = _places(groups, along)
    which = np.rint(at / SPACING).astype(np.intp)
    count = np.bincount(which)
    there = np.flatnonzero(count)
    sums = np.column_stack([np.bincount(which, axis) for axis in reports.T])[there]
    means = sums / count[there][:, None]
    every = np.arange(len(count))
    even = np.column_stack([np.interp(every, there, axis) for axis in means.T])
    return polyline.smooth(even, width / SPACING)


def _places(groups: FloatArray, along: FloatArray) -> FloatArray:
    """u along the line of each report: those of a place are spread evenly over its share of it."""
    which = groups.astype(np.intp)
    count = np.bincount(which)
    rank = np.arange(len(which)) - np.concatenate([[0], np.cumsum(count)[:-1]])[which]
    edges = np.concatenate([[0.0], (along[1:] + along[:-1]) / 2, along[-1:]])
    share = (rank + 0.5) / count[which]
    return np.asarray(edges[which] + share * (edges[which + 1] - edges[which]))


def _curved(reports: FloatArray) -> FloatArray:
    """Sparse reports with a curve through them (Catmull and Rom 1974, by the roots of the chords,
    which makes no loops: Yuksel, Schaefer and Keyser 2011)."""
    steps = np.hypot(*np.diff(reports, axis=0).T)
    kept = np.concatenate([[True], steps > 0.0])
    points = reports[kept]
    if len(points) < 3:
        return reports
    chords = np.sqrt(np.hypot(*np.diff(points, axis=0).T))
    ends = np.vstack([2 * points[0] - points[1], points, 2 * points[-1] - points[-2]])
    knots = np.concatenate([[chords[0]], chords, [chords[-1]]])
    share = np.linspace(0.0, 1.0, 9)[:-1]
    found = [
        _between(ends[at : at + 4], knots[at : at + 3], share) for at in range(len(points) - 1)
    ]
    return np.vstack([*found, points[-1:]])


def _between(four: FloatArray, apart: FloatArray, share: FloatArray) -> FloatArray:
    """Places between the second and the third of four points."""
    a, b, c = apart
    out = (four[2] - four[1]) / b
    begins = b * ((four[1] - four[0]) / a - (four[2] - four[0]) / (a + b) + out)
    ends = b * (out - (four[3] - four[1]) / (b + c) + (four[3] - four[2]) / c)
    t = share[:, None]
    return np.asarray(
        four[1]
        + begins * t
        + (3 * (four[2] - four[1]) - 2 * begins - ends) * t**2
        + (2 * (four[1] - four[2]) + begins + ends) * t**3
    )
