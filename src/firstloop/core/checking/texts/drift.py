"""The line of feet: whether a text climbs or sinks along its base line."""

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.traces import Traces
from firstloop.core.geometry.compiled import NUMBER, NUMBERS, POINTS, compiled_for
from firstloop.core.geometry.polyline import FloatArray

FOOT_BAND, LEAST_FEET, LEAST_RUN, MOST_FEET, STEEPEST_LINE = 0.12, 4, 1.8, 100, 0.27
"""[u, feet, u, feet, ratio] u by which feet on one line may differ; feet, and u of line, from which
a slope can be told; feet that lines are tried on; and the slope (15 degrees) beyond which it is no
line of writing."""

LEVEL_COUNTS, HANGS_BELOW, IS_A_TAIL = 4.0, 0.5, 0.7
"""[feet for each u, feet, u] Feet that a line must have more for each u that it climbs in one; what
a foot that hangs below it takes from it; and u below it from which that is a tail. Bars of an e
that seem to climb have the feet of all letters below them."""

MOSTLY_LEVEL, MORE_FEET = 0.75, 1.0
"""[share, feet] Share of the feet: where as many stand level, no other line is looked for; and by
how many more must stand on it."""


LEAST_LETTERS, NEIGHBOURS, UP_AND_DOWN, MOST_OF_THEM = 3, 0.5, 0.12, 0.8
"""[letters, u, u, share] Letters from which a slope can be told; how far apart two are that tell
one; and how far the letters may stand off their line, that share of them: by more they stand up and
down."""


def slope_of(traces: Traces) -> tuple[float, float]:
    """By how much the feet climb for each u along the line, and over how many u; nothing where
    there are too few of them to tell.

    A foot is where ink turns upwards. Most stand on one line; tails and dips do not, so the line is
    the one that most feet stand on and fewest hang below, and of those as good the most level.
    """
    feet = _feet(traces)
    run = float(np.ptp(feet[:, 0])) if len(feet) else 0.0
    if len(feet) < LEAST_FEET or run < LEAST_RUN:
        return 0.0, 0.0
    feet = feet[:: -(-len(feet) // MOST_FEET)]
    level = _standing(feet, np.zeros(1)).max()
    if level > MOSTLY_LEVEL * len(feet):
        return 0.0, 0.0
    slopes = np.arange(-STEEPEST_LINE, STEEPEST_LINE, FOOT_BAND / run)
    # A line that climbs has something to prove: a level one counts a little more.
    counts = _standing(feet, slopes).max(axis=1) - LEVEL_COUNTS * np.abs(slopes)
    slope = float(slopes[counts.argmax()])
    if counts.max() <= level + MORE_FEET:
        return 0.0, 0.0
    on = _on_the_line(feet, slope)
    fitted = np.polyfit(feet[on, 0], feet[on, 1], 1)
    return float(fitted[0]), float(np.ptp(feet[on, 0]))


def slope_of_letters(bottoms: FloatArray) -> tuple[float, float] | None:
    """By how much letters that stand on the line climb for each u along it, and over how many u;
    from where each is lowest, (n, 2). Nothing where there are too few; None where they stand up and
    down, so that they do not tell.

    The median of the slopes between any two (Theil 1950, Sen 1968): one that floats turns no line.

    >>> slope_of_letters(np.array([[0.0, 0.0], [1.0, 0.1], [2.0, 0.2], [3.0, 0.7], [4.0, 0.4]]))
    (0.1, 4.0)
    """
    if len(bottoms) < LEAST_LETTERS:
        return 0.0, 0.0
    first, second = np.triu_indices(len(bottoms), 1)
    apart = bottoms[second] - bottoms[first]
    far = np.abs(apart[:, 0]) > NEIGHBOURS
    if not far.any():
        return 0.0, 0.0
    slope = float(np.median(apart[far, 1] / apart[far, 0]))
    off = bottoms[:, 1] - slope * bottoms[:, 0]
    if float(np.quantile(np.abs(off - np.median(off)), MOST_OF_THEM)) > UP_AND_DOWN:
        return None
    return round(slope, 6), float(np.ptp(bottoms[:, 0]))


def _feet(traces: Traces) -> FloatArray:
    found: list[FloatArray] = []
    for trace in traces:
        if trace.is_dot:
            continue
        line = trace.line[::3]
        y = line[:, 1]
        low = np.ones(len(y), bool)
        low[1:] = y[1:] <= y[:-1]
        low[1:-1] &= y[1:-1] < y[2:]
        low[0] = y[0] <= y[min(1, len(y) - 1)]
        found.append(line[low])
    feet = np.concatenate(found) if found else np.empty((0, 2))
    return np.asarray(feet[np.argsort(feet[:, 0])])


def _on_the_line(feet: FloatArray, slope: float) -> npt.NDArray[np.bool_]:
    """Which feet stand on the line of that slope that most do."""
    off = feet[:, 1] - slope * feet[:, 0]
    best = int(_standing(feet, np.array([slope]))[0].argmax())
    return np.asarray(np.abs(off - off[best]) < FOOT_BAND)


def _standing(feet: FloatArray, slopes: FloatArray) -> FloatArray:
    """How many feet stand on the line of each slope through each foot; (slope, foot). What hangs
    below the line, and is no tail, speaks against it."""
    return _counted(feet, slopes, FOOT_BAND, IS_A_TAIL, HANGS_BELOW)


@compiled_for(POINTS, NUMBERS, NUMBER, NUMBER, NUMBER)
def _counted(
    feet: FloatArray, slopes: FloatArray, band: float, tail: float, hangs: float
) -> FloatArray:
    counts = np.zeros((len(slopes), len(feet)))
    for at in range(len(slopes)):
        slope = slopes[at]
        for i in range(len(feet)):
            for j in range(len(feet)):
                above = feet[j, 1] - feet[i, 1] - slope * (feet[j, 0] - feet[i, 0])
                if abs(above) < band:
                    counts[at, i] += 1.0
                elif -tail < above < 0.0:
                    counts[at, i] -= hangs
    return counts
