"""Dynamic time warping: the cheapest way to put samples of ink on samples of a model, in order."""

from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.compiled import compiled, compiled_at_once
from firstloop.core.geometry.polyline import FloatArray


class Sampled(NamedTuple):
    """Samples of ink, from its lower left corner, and their directions; each (n, 2)."""

    places: FloatArray
    turned: FloatArray


class Laid(NamedTuple):
    """Models that ink is laid over, place * scale + shift, each (model, 2); `points` and `turns`
    (2, n, model) and `squares` (n, model) are theirs."""

    scale: FloatArray
    shift: FloatArray
    points: npt.NDArray[np.float32]
    turns: npt.NDArray[np.float32]
    squares: npt.NDArray[np.float32]


@compiled
def cheapest(
    ink: Sampled, models: Laid, extra: FloatArray, order: npt.NDArray[np.intp]
) -> tuple[int, float, FloatArray]:
    """Of models the one that ink is put on for least, what that costs on average (u²), `extra`
    (model,) added, and what it costs to have come to each pair (ink, n).

    Models are tried in order; they cost their extra at least, which never falls in that order.
    """
    count, samples = len(ink.places), models.points.shape[1]
    now, kept = np.empty((count, samples)), np.empty((count, samples))
    best, least = -1, np.inf
    for model in order:
        if extra[model] >= least:
            break
        cost = _fill(now, ink, models, model, (least - extra[model]) * count)
        cost = max(0.0, cost / count) + extra[model]
        if cost < least:
            best, least = model, cost
            now, kept = kept, now
    return best, least, kept


@compiled
def _fill(table: FloatArray, ink: Sampled, models: Laid, model: int, most: float) -> float:
    """Fills a table with what it costs to have come to each pair; the last of it. No more than
    needed to know that this costs `most` or more."""
    count, samples = table.shape
    scale, shift = models.scale[model], models.shift[model]
    for i in range(count):
        x = ink.places[i, 0] * scale[0] + shift[0]
        y = ink.places[i, 1] * scale[1] + shift[1]
        u, v = ink.turned[i, 0], ink.turned[i, 1]
        least = np.inf
        for j in range(samples):
            dx, dy = x - models.points[0, j, model], y - models.points[1, j, model]
            turn = u * models.turns[0, j, model] + v * models.turns[1, j, model]
            came = 0.0
            if i and j:
                came = min(table[i - 1, j - 1], table[i - 1, j], table[i, j - 1])
            elif i:
                came = table[i - 1, 0]
            elif j:
                came = table[0, j - 1]
            squares = dx * dx + dy * dy + u * u + v * v + models.squares[j, model]
            table[i, j] = came + squares + turn
            least = min(least, table[i, j])
        if least >= most:
            return least
    return float(table[-1, -1])


@compiled
def steps_back(reached: FloatArray) -> npt.NDArray[np.intp]:
    """The pairs (step, 2) of the cheapest way through a table, from the first to the last."""
    i, j = reached.shape[0] - 1, reached.shape[1] - 1
    steps = np.empty((i + j + 1, 2), np.intp)
    at = i + j
    steps[at] = i, j
    while i or j:
        if not i:
            j -= 1
        elif not j:
            i -= 1
        else:
            aslant, above, beside = reached[i - 1, j - 1], reached[i - 1, j], reached[i, j - 1]
            if aslant <= above and aslant <= beside:
                i, j = i - 1, j - 1
            elif above <= beside:
                i -= 1
            else:
                j -= 1
        at -= 1
        steps[at] = i, j
    return steps[at:]


@compiled
def answers(reached: FloatArray) -> FloatArray:
    """Which sample of the ink answers to each of the model, (n,), on the cheapest way through a
    table: where several do, their middle."""
    first, last = np.full(reached.shape[1], -1), np.zeros(reached.shape[1])
    for i, j in steps_back(reached):
        if first[j] < 0:
            first[j] = i
        last[j] = i
    return (first + last) / 2


@compiled_at_once
def way_costs(
    one: FloatArray,
    one_headings: FloatArray,
    other: FloatArray,
    other_headings: FloatArray,
    turn: float,
) -> FloatArray:
    """What it costs to have come to each pair of points of two lines, (n, m): their squared
    distances summed, and `turn` (u²) where the lines go at right angles, twice that where they go
    against each other."""
    table = np.empty((len(one), len(other)))
    for i in range(len(one)):
        for j in range(len(other)):
            dx, dy = one[i, 0] - other[j, 0], one[i, 1] - other[j, 1]
            along = one_headings[i, 0] * other_headings[j, 0]
            along += one_headings[i, 1] * other_headings[j, 1]
            came = 0.0
            if i and j:
                came = min(table[i - 1, j - 1], table[i - 1, j], table[i, j - 1])
            elif i:
                came = table[i - 1, 0]
            elif j:
                came = table[0, j - 1]
            table[i, j] = came + dx * dx + dy * dy + turn * (1.0 - along)
    return table
