"""Settles which stroke of the ink was written for which stroke of the letter.

Children make strokes in any order and from either end, lift where they should go on, and go over
what they have written. Here the strokes are put in the letter's order and direction, and what had
to be done for that is noted; how the moves within them were made is then for `explain` to find.
"""

from dataclasses import dataclass
from functools import lru_cache
from itertools import permutations

import numpy as np
import numpy.typing as npt

from firstloop.core import polyline
from firstloop.core.letterforms import Letter
from firstloop.core.limits import (
    COVERED,
    COVERED_DOT,
    GONE_OVER,
    MOSTLY_COVERED,
    NOT_OF_THE_LETTER,
    ON_TOP,
    TURNED_ROUND,
)
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray

POINTS = 16
"""Of a stroke, compared with those of another."""

MOST_PERMUTED = 5
"""Strokes: above this their order is taken as it is; no letter of ours has more than four."""

Ints = npt.NDArray[np.intp]


@dataclass(frozen=True, slots=True, eq=False)
class Settled:
    """Ink in the order and direction of the letter.

    `strokes` are without `extra` ones; `of` says for which stroke of the letter each was written.
    `flipped` are strokes of the letter that were written from their end, `missing` those for which
    there is no ink. `swaps` counts pairs in the wrong order; `as_made` is the ink in the child's
    own order.
    """

    strokes: tuple[FloatArray, ...]
    of: tuple[int, ...]
    flipped: frozenset[int]
    swaps: int
    missing: frozenset[int]
    extra: tuple[FloatArray, ...]
    as_made: tuple[FloatArray, ...]
    first: int

    @property
    def start(self) -> FloatArray:
        """Where the pen was first set down; (2,)."""
        return np.asarray(self.as_made[0][0])

    @property
    def lifts(self) -> int:
        """How many times the pen was lifted within a stroke of the letter."""
        return len(self.of) - len(set(self.of))

    @property
    def oddities(self) -> int:
        """How much had to be put right; for choosing between forms of a letter."""
        return self.swaps + len(self.flipped) + 2 * len(self.missing) + 2 * len(self.extra)


def settle(strokes: tuple[FloatArray, ...], letter: Letter) -> Settled:
    """Settles tidied strokes (n, 2) on a letter drawn in u."""
    models = _models(letter)
    if len(strokes) == len(models) == 1:
        return _settled(strokes, [0], letter, models)
    ink = np.stack([polyline.resample(stroke, POINTS) for stroke in strokes])
    if len(strokes) < len(models):
        return _with_too_few(strokes, ink, letter, models)
    ink = _fitted(ink, models)
    apart = _distances(ink, models)
    if len(strokes) == len(models) <= MOST_PERMUTED:
        return _settled(strokes, _assigned(apart), letter, models)
    return _with_too_many(strokes, apart, letter, models)


@lru_cache(maxsize=512)
def _models(letter: Letter) -> FloatArray:
    """The letter's strokes at POINTS places each; (stroke, POINTS, 2)."""
    return np.stack([polyline.resample(path, POINTS) for path in letter.paths()])


def _fitted(ink: FloatArray, models: FloatArray) -> FloatArray:
    """The ink with its box laid over the letter's."""
    low, high = ink.min(axis=(0, 1)), ink.max(axis=(0, 1))
    to_low, to_high = models.min(axis=(0, 1)), models.max(axis=(0, 1))
    scale = np.maximum(to_high - to_low, 0.3) / np.maximum(high - low, 0.3)
    scale = np.clip(scale, 0.5, 2.0)
    return np.asarray((ink - (low + high) / 2) * scale + (to_low + to_high) / 2)


def _distances(ink: FloatArray, models: FloatArray) -> FloatArray:
    """u from each point of each ink stroke to each of each model stroke; (i, j, POINTS, POINTS)."""
    between = ink[:, None, :, None, :] - models[None, :, None, :, :]
    return np.asarray(np.sqrt((between**2).sum(axis=-1)))


def _assigned(apart: FloatArray) -> list[int]:
    """For each ink stroke the model stroke, one to one, that lies nearest on the whole."""
    costs = apart.min(axis=3).mean(axis=2) + apart.min(axis=2).mean(axis=2)
    each = list(range(len(costs)))
    return list(min(permutations(each), key=lambda to: float(costs[each, to].sum())))


def _with_too_many(
    strokes: tuple[FloatArray, ...], apart: FloatArray, letter: Letter, models: FloatArray
) -> Settled:
    """More strokes than the letter has: a part of one, or something that does not belong."""
    nearest = apart.min(axis=3)  # (i, j, POINTS): from ink to each model stroke
    of = nearest.mean(axis=2).argmin(axis=1)
    covered = np.zeros((len(models), POINTS), dtype=bool)
    keep: list[int] = []
    extra: list[int] = []
    longest_first = sorted(range(len(strokes)), key=lambda i: -polyline.length(strokes[i]))
    for i in longest_first:
        reached = apart[i, of[i]].min(axis=0) < ON_TOP
        again = (reached & covered[of[i]]).sum() >= GONE_OVER * max(1, reached.sum())
        if keep and (again or nearest[i, of[i]].mean() > NOT_OF_THE_LETTER):
            extra.append(i)
        else:
            keep.append(i)
            covered[of[i]] |= reached
    keep.sort()
    kept = tuple(strokes[i] for i in keep)
    left_over = tuple(strokes[i] for i in sorted(extra))
    return _settled(kept, [int(of[i]) for i in keep], letter, models, extra=left_over)


def _with_too_few(
    strokes: tuple[FloatArray, ...], ink: FloatArray, letter: Letter, models: FloatArray
) -> Settled:
    """Fewer strokes than the letter has: some are not there, or were written without lifting."""
    ink = ink + np.array([(models[..., 0].min() - ink[..., 0].min()), 0.0])
    reach = _distances(ink, models).min(axis=(0, 2))  # (j, POINTS): from each model point to ink
    dots = np.array([_is_dot(letter, j) for j in range(len(models))])
    near = reach < np.where(dots, COVERED_DOT, COVERED)[:, None]
    there = [j for j in range(len(models)) if near[j].mean() >= MOSTLY_COVERED]
    if not there:
        there = [int(reach.mean(axis=1).argmin())]
    missing = frozenset(range(len(models))) - set(there)
    if len(there) != len(strokes):
        merged = there[: len(strokes)]
        return _settled(strokes, merged, letter, models, missing=missing, merged=True)
    apart = _distances(_fitted(ink, models[there]), models[there])
    return _settled(
        strokes, [there[at] for at in _assigned(apart)], letter, models, missing=missing
    )


def _settled(
    strokes: tuple[FloatArray, ...],
    of: list[int],
    letter: Letter,
    models: FloatArray,
    *,
    missing: frozenset[int] = frozenset(),
    extra: tuple[FloatArray, ...] = (),
    merged: bool = False,
) -> Settled:
    """The strokes in the letter's order; within one of the letter's, in the order along it."""
    of = of + [of[-1]] * (len(strokes) - len(of)) if merged else of
    there = [j for j in range(len(models)) if j not in missing]
    sampled = _fitted(
        np.stack([polyline.resample(stroke, POINTS) for stroke in strokes]), models[there]
    )
    alone = [of.count(j) == 1 for j in of]
    turned = [
        not merged and not _is_dot(letter, j) and _runs_backwards(points, models[j], alone=one)
        for points, j, one in zip(sampled, of, alone, strict=True)
    ]
    along = [_place_along(points, models[j]) for points, j in zip(sampled, of, strict=True)]
    order = sorted(range(len(strokes)), key=lambda i: (of[i], 0.0 if alone[i] else along[i]))
    places = [order.index(i) for i in range(len(strokes))]
    swaps = sum(a > b for at, a in enumerate(places) for b in places[at + 1 :])
    return Settled(
        strokes=tuple(strokes[i][::-1] if turned[i] else strokes[i] for i in order),
        of=tuple(of[i] for i in order),
        flipped=frozenset(of[i] for i in range(len(strokes)) if turned[i]),
        swaps=swaps,
        missing=missing,
        extra=extra,
        as_made=strokes,
        first=of[0],
    )


def _is_dot(letter: Letter, stroke: int) -> bool:
    return letter.script.strokes[stroke].moves[0].kind is MoveKind.DOT


def _place_along(points: FloatArray, model: FloatArray) -> float:
    """Where on a model stroke the ink lies, on average; 0 to POINTS."""
    apart = np.sqrt(((points[:, None] - model[None]) ** 2).sum(axis=-1))
    return float(apart.argmin(axis=1).mean())


def _runs_backwards(points: FloatArray, model: FloatArray, *, alone: bool) -> bool:
    """Whether a stroke was written from its end. A part of a stroke is told by the way it runs
    along it; a whole one by its points in turn, so that a closed round can be told too."""
    if not alone:
        nearest = np.sqrt(((points[:, None] - model[None]) ** 2).sum(axis=-1)).argmin(axis=1)
        return bool(nearest[-1] + POINTS // 2 < nearest[0])
    laid = points - points.mean(axis=0) + model.mean(axis=0)
    forward = np.sqrt(((laid - model) ** 2).sum(axis=1)).mean()
    backward = np.sqrt(((laid[::-1] - model) ** 2).sum(axis=1)).mean()
    return bool(backward < TURNED_ROUND * forward)
