"""Samples laid over each other: how far apart they are along the pen's path, and their middle."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import INK_SPACING, Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.geometry.warping import steps_back, way_costs

TURN = 0.06
"""[u²] What it costs to pair places where the pen goes at right angles: as much as lying 0.24 u
apart. Paths that cross or run back over themselves are so paired in their order."""

ROUNDS = 2
"""[times] That place and size are found, and paths paired again."""

MOST_SIZED = 1.6
"""[ratio] No factor of size is larger, or smaller than one over it: a dot is no letter made small.
"""

COARSE = 3
"""[samples] Of a line every so many are looked at where many are compared."""

SMOOTHING = 1.5
"""[samples] Of a middle: what pairing leaves of steps in it."""


@dataclass(frozen=True, slots=True)
class Apart:
    """How far two writings of a letter are apart along the pen's path, after best place: in the
    mean, and at most; u."""

    mean: float
    most: float


NOTHING_ALIKE = Apart(np.inf, np.inf)
"""Of writings with another number of strokes."""


def coarse(lines: Lines) -> Lines:
    """The lines in fewer points, their ends kept."""
    return tuple(np.vstack([line[:-1:COARSE], line[-1:]]) for line in lines)


def apart(one: Lines, other: Lines, *, sized: bool = False) -> Apart:
    """How far two writings are apart, stroke by stroke in their order and direction; where `sized`,
    after one factor of size too."""
    if len(one) != len(other):
        return NOTHING_ALIKE
    laid = placed(one, other, sized=sized)
    off = np.concatenate([_off(a, b) for a, b in zip(laid, other, strict=True)])
    return Apart(float(off.mean()), float(off.max()))


def look_apart(one: Lines, other: Lines) -> float:
    """u that two writings are apart as pictures, in the mean, laid over each other by their boxes:
    in which order and direction they were made says nothing."""
    mine, theirs = _in_box(np.vstack(one)), _in_box(np.vstack(other))
    away = np.hypot(*(mine[:, None] - theirs[None]).T)
    return float((away.min(axis=0).mean() + away.min(axis=1).mean()) / 2)


def _in_box(points: FloatArray) -> FloatArray:
    low, high = points.min(axis=0), points.max(axis=0)
    return np.asarray((points - (low + high) / 2) / max(float((high - low)[1]), 0.5))


def placed(one: Lines, other: Lines, *, sized: bool = False) -> Lines:
    """The one where it lies best over the other."""
    laid = tuple(line + (np.vstack(other).mean(0) - np.vstack(one).mean(0)) for line in one)
    for _ in range(ROUNDS):
        pairs = [paired(a, b) for a, b in zip(laid, other, strict=True)]
        mine = np.concatenate([a[p[:, 0]] for a, p in zip(laid, pairs, strict=True)])
        theirs = np.concatenate([b[p[:, 1]] for b, p in zip(other, pairs, strict=True)])
        centre, goal = mine.mean(axis=0), theirs.mean(axis=0)
        factor = 1.0
        if sized:
            spread = float(((mine - centre) ** 2).sum())
            factor = float(((mine - centre) * (theirs - goal)).sum()) / max(spread, 1e-9)
            factor = min(MOST_SIZED, max(1 / MOST_SIZED, factor))
        laid = tuple((line - centre) * factor + goal for line in laid)
    return laid


def paired(one: FloatArray, other: FloatArray) -> npt.NDArray[np.intp]:
    """Which points of two lines answer to each other, in their order; (k, 2)."""
    mine, theirs = np.array(one), np.array(other)  # of one kind, for one machine code
    return steps_back(
        way_costs(mine, polyline.headings(mine), theirs, polyline.headings(theirs), TURN)
    )


def _off(one: FloatArray, other: FloatArray) -> FloatArray:
    """u from each point of the two lines to the other line, near where it answers to it."""
    pairs = paired(one, other)
    return np.concatenate([_nearest(one, other, pairs), _nearest(other, one, pairs[:, ::-1])])


def _nearest(one: FloatArray, other: FloatArray, pairs: npt.NDArray[np.intp]) -> FloatArray:
    reach = np.arange(-REACH, REACH + 1)
    near = np.clip(pairs[:, 1][:, None] + reach, 0, len(other) - 1)
    away = np.hypot(*(one[pairs[:, 0]][:, None] - other[near]).T).min(axis=0)
    off = np.full(len(one), np.inf)  # a point has several that answer: the nearest of them
    np.minimum.at(off, pairs[:, 0], away)
    return off


REACH = 4
"""[samples] How far along from where it answers a place is looked for that is nearer."""


def middle(writings: Sequence[Lines]) -> Lines:
    """The mean of writings of one form, along the pen's path; even lines. They keep their heights,
    and lie where the first does."""
    if len(writings) == 1:
        return writings[0]
    first = _most_central(writings)
    others = [_beside(one, first) for one in writings if one is not first]
    found = []
    for at, line in enumerate(first):
        answered = [line, *(_answers(line, other[at]) for other in others)]
        mean = np.mean(answered, axis=0)
        even = polyline.respace(mean, INK_SPACING)
        found.append(polyline.smooth(even, SMOOTHING))
    return tuple(found)


def right_by(one: Lines, other: Lines) -> float:
    """u to the right that a writing is to be moved to lie over another; what has another number of
    strokes is moved to its left edge."""
    if len(one) != len(other):
        lefts = [min(float(line[:, 0].min()) for line in lines) for lines in (one, other)]
        return lefts[1] - lefts[0]
    return float(placed(one, other)[0][0, 0] - one[0][0, 0])


def _beside(one: Lines, first: Lines) -> Lines:
    """The one moved along the line to where the first is; how high it stands is its own."""
    by = right_by(one, first)
    return tuple(line + np.array([by, 0.0]) for line in one)


def _most_central(writings: Sequence[Lines]) -> Lines:
    if len(writings) == 2:
        return writings[0]
    sums = [sum(apart(one, other).mean for other in writings) for one in writings]
    return writings[int(np.argmin(sums))]


def _answers(line: FloatArray, other: FloatArray) -> FloatArray:
    """For each point of a line the mean of those that answer to it; (n, 2)."""
    pairs = paired(line, other)
    count = np.bincount(pairs[:, 0], minlength=len(line))
    sums = [np.bincount(pairs[:, 0], other[pairs[:, 1], axis], len(line)) for axis in (0, 1)]
    return np.column_stack(sums) / count[:, None]
