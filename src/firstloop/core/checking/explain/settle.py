"""Settles which stroke of the ink was written for which stroke of the letter.

Children make strokes in any order and from either end, lift where they should go on, and go over
what they have written. Here the strokes are put in the letter's order and direction, and what had
to be done for that is noted; how the moves within them were made is then for `explain` to find.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from itertools import permutations

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.explain.stroke_distances import (
    POINTS,
    as_tall,
    distances,
    dots_of,
    fitted,
    is_dot,
    models_of,
    moved_sideways,
    off_in_any_order,
    off_the_letter,
    point_by_point,
    reached,
    running_across,
)
from firstloop.core.geometry.even import Lines, length_of, thinned
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter

COVERED, COVERED_DOT = 0.22, 0.35
"""[u] Ink this near a part of the letter was written for it; a dot may stand further off."""

MOSTLY_COVERED = 0.7
"""[share] Share of a stroke: with less ink than this it is not there."""

LONGEST_DOT = 0.5
"""[u] A longer stroke is no dot."""

ON_TOP, GONE_OVER, NOT_OF_THE_LETTER = 0.15, 0.85, 0.3
"""[u, share, u] u from other ink within which a stroke goes over it; share of the stroke that must;
u, on average, at which a stroke stands beside the letter."""

CLOSES_A_GAP = 2.5 * COVERED
"""[u] A longer stroke does more than close a gap that counts as covered from both its sides."""

SPARE = 1
"""[points] Of the points a stroke is compared by: one without which the letter lacks no more than
this does not belong to it."""

IN_ORDER, CLEARLY_IN_ORDER = 0.15, 0.4
"""[u] On average: strokes that lie so near to the letter's own, point by point, are in order;
and those that lie within the second, if they are much further off any other way."""

TURNED_ROUND = 0.65
"""[share] A stroke was written from its end if it lies this much nearer to the model that way
round."""


FEW_STROKES = 5
"""[strokes] So few may be tried in all their orders: of five there are 120, which take a fraction
of a millisecond."""


@dataclass(frozen=True, slots=True, eq=False)
class Settled:
    """Ink in the order and direction of the letter.

    `strokes` are without `extra` ones; `of` says for which stroke of the letter each was written.
    `flipped` are strokes of the letter that were written from their end, `missing` those for which
    there is no ink. `swaps` counts pairs in the wrong order; `as_made` is the ink in the child's
    own order.
    """

    strokes: Lines
    of: tuple[int, ...]
    flipped: frozenset[int]
    swaps: int
    missing: frozenset[int]
    extra: Lines
    as_made: Lines
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
        put_right = self.swaps + len(self.flipped) + self.lifts
        return put_right + 2 * len(self.missing) + 2 * len(self.extra)


def settle(strokes: Lines, letter: Letter) -> Settled:
    """Settles tidied strokes (n, 2) on a letter drawn in u."""
    models = models_of(letter)
    if len(strokes) == len(models) == 1:
        return _alone(strokes, letter, models)
    ink = np.stack([thinned(stroke, POINTS) for stroke in strokes])
    if len(strokes) < len(models):
        return _with_too_few(strokes, ink, letter, models)
    beside = _standing_beside(ink, models) if len(strokes) == len(models) + 1 else None
    if beside is not None:
        rest = (*strokes[:beside], *strokes[beside + 1 :])
        return replace(settle(rest, letter), extra=(strokes[beside],))
    own, ink = ink, fitted(ink, models)
    as_many = len(strokes) == len(models)
    if as_many and _in_order(point_by_point(ink, models), dots_of(letter)):
        return _nothing_to_settle(strokes)
    apart = distances(ink, models) + running_across(ink, models)
    if not as_many:
        apart = min(
            (apart, _apart_as_it_stands(own, models)), key=lambda one: one.min(axis=3).mean()
        )
    if as_many:
        return _settled(strokes, _assigned(apart), letter, models)
    return _with_too_many(strokes, apart, letter, models)


def _standing_beside(ink: FloatArray, models: FloatArray) -> int | None:
    """The stroke that stands beside a letter which is whole without it.

    It is looked for before the ink is laid over the letter: it would be drawn into it.
    """
    best, nearest = None, IN_ORDER
    every = np.arange(len(ink))
    for i in range(len(ink)):
        laid = fitted(ink, models, by=ink[every != i])
        off = off_in_any_order(point_by_point(laid[every != i], models))
        if off < nearest and off_the_letter(laid[i], models) > NOT_OF_THE_LETTER:
            best, nearest = i, off
    return best


def _apart_as_it_stands(ink: FloatArray, models: FloatArray) -> FloatArray:
    """u between the points of ink and letter in the ink's own size: a letter of which one part is
    too short is not to be drawn up as a whole."""
    beside = moved_sideways(ink, models)[1]
    return distances(beside, models) + running_across(beside, models)


def _in_order(off: FloatArray, dots: npt.NDArray[np.bool_]) -> bool:
    """Of `point_by_point` whether every stroke lies on the letter's own in its turn, or at least
    clearly nearer to it than to another, or than it does from its end."""
    own = off[0].diagonal()
    worst = float(own.max())
    if worst < IN_ORDER:
        return True
    others = off.copy()
    np.fill_diagonal(others[0], np.inf)
    others[1, dots, dots] = np.inf  # a dot has no other end
    return worst < CLEARLY_IN_ORDER and bool((own < TURNED_ROUND * others.min(axis=(0, 2))).all())


def _nothing_to_settle(strokes: Lines) -> Settled:
    nothing: frozenset[int] = frozenset()
    return Settled(
        strokes, tuple(range(len(strokes))), nothing, 0, nothing, extra=(), as_made=strokes, first=0
    )


def _assigned(apart: FloatArray) -> list[int]:
    """For each ink stroke the model stroke, one to one, that lies nearest on the whole. Of the few
    strokes that a letter has every order is tried; that is done before scipy is loaded."""
    costs = apart.min(axis=3).sum(axis=2) + apart.min(axis=2).sum(axis=2)
    if len(costs) > FEW_STROKES:
        from scipy.optimize import linear_sum_assignment  # noqa: PLC0415  # slow to load

        return [int(j) for j in linear_sum_assignment(costs)[1]]
    rows: list[list[float]] = costs.tolist()
    return list(min(permutations(range(len(rows))), key=lambda to: _sum_of(rows, to)))


def _sum_of(rows: list[list[float]], to: Iterable[int]) -> float:
    return sum(row[j] for row, j in zip(rows, to, strict=True))


def _with_too_many(
    strokes: Lines, apart: FloatArray, letter: Letter, models: FloatArray
) -> Settled:
    """More strokes than the letter has: parts of one, or something that does not belong.

    A stroke does not belong if the letter is as complete without it, and it is not just what closes
    a small gap: it is too long for that, goes over what is there, or stands beside the letter.
    """
    from_ink = apart.min(axis=3)  # (i, j, POINTS): from ink to each stroke of the letter
    of = from_ink.mean(axis=2).argmin(axis=1)
    covers = apart.min(axis=2) < COVERED  # (i, j, POINTS): what of the letter each stroke is near
    keep = list(range(len(strokes)))
    extra: list[int] = []
    for i in sorted(keep, key=lambda i: len(strokes[i])):
        others = [other for other in keep if other != i]
        spare = (covers[i] & ~covers[others].any(axis=0)).sum() <= SPARE
        if not others or not spare:
            continue
        closes_no_gap = length_of(strokes[i]) > CLOSES_A_GAP
        beside = from_ink[i, of[i]].mean() > NOT_OF_THE_LETTER
        if closes_no_gap or beside or _lies_on(strokes[i], [strokes[at] for at in others]):
            keep.remove(i)
            extra.append(i)
    kept = tuple(strokes[i] for i in keep)
    left_over = tuple(strokes[i] for i in sorted(extra))
    if len(kept) < len(models):
        return replace(settle(kept, letter), extra=left_over)
    if len(kept) == len(models):
        of[keep] = np.array(_assigned(apart[keep]))
    return _settled(kept, [int(of[i]) for i in keep], letter, models, extra=left_over)


def _lies_on(line: FloatArray, others: list[FloatArray]) -> bool:
    """Whether most of a line goes over others."""
    there = np.concatenate(others)[::3]
    off = line[::3, None] - there[None]
    return bool((np.einsum("ijk,ijk->ij", off, off).min(axis=1) < ON_TOP**2).mean() > GONE_OVER)


def _with_too_few(strokes: Lines, ink: FloatArray, letter: Letter, models: FloatArray) -> Settled:
    """Fewer strokes than the letter has: some are not there, or were written without lifting.

    A letter that is too small is whole all the same: the ink is tried in its own size, and as tall
    as the letter. A dot is a stroke of its own: it is not there for being where a stem ends that is
    too tall or floats.
    """
    dots = dots_of(letter)[:, None]
    own_dot = any(length_of(stroke) < LONGEST_DOT for stroke in strokes)
    within = np.where(dots, COVERED_DOT, COVERED)
    across = running_across(ink, models)
    tried = [
        (reached(beside, models, across) < within)
        | ((reached(stretched, models, across) < COVERED) & ~dots)
        for beside, stretched in zip(
            moved_sideways(ink, models), moved_sideways(as_tall(ink, models), models), strict=True
        )
    ]
    tried = [near & (own_dot | ~dots) for near in tried]
    near = max(tried, key=lambda one: int(one.sum()))
    there = [j for j in range(len(models)) if near[j].mean() >= MOSTLY_COVERED]
    if not there:
        there = [int(near.mean(axis=1).argmax())]
    missing = frozenset(range(len(models))) - set(there)
    if len(there) != len(strokes):
        merged = there[: len(strokes)]
        return _settled(strokes, merged, letter, models, missing=missing, merged=True)
    apart = (distances(fitted(ink, models[there]), models[there])) + across[:, there]
    return _settled(
        strokes, [there[at] for at in _assigned(apart)], letter, models, missing=missing
    )


def _alone(strokes: Lines, letter: Letter, models: FloatArray) -> Settled:
    """One stroke for a letter of one: there is only its direction to settle."""
    turned = not dots_of(letter)[0] and _runs_backwards(
        thinned(strokes[0], POINTS), models[0], alone=True
    )
    return Settled(
        strokes=(strokes[0][::-1],) if turned else strokes,
        of=(0,),
        flipped=frozenset({0}) if turned else frozenset(),
        swaps=0,
        missing=frozenset(),
        extra=(),
        as_made=strokes,
        first=0,
    )


def _settled(
    strokes: Lines,
    of: list[int],
    letter: Letter,
    models: FloatArray,
    *,
    missing: frozenset[int] = frozenset(),
    extra: Lines = (),
    merged: bool = False,
) -> Settled:
    """The strokes in the letter's order; within one of the letter's, in the order along it."""
    of = of + [of[-1]] * (len(strokes) - len(of)) if merged else of
    there = [j for j in range(len(models)) if j not in missing]
    sampled = fitted(np.stack([thinned(stroke, POINTS) for stroke in strokes]), models[there])
    alone = [of.count(j) == 1 for j in of]
    turned = [
        not merged and not is_dot(letter, j) and _runs_backwards(points, models[j], alone=one)
        for points, j, one in zip(sampled, of, alone, strict=True)
    ]
    along = [
        0.0 if one else _place_along(points, models[j])
        for points, j, one in zip(sampled, of, alone, strict=True)
    ]
    order = sorted(range(len(strokes)), key=lambda i: (of[i], along[i]))
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
    there, back = points - model, points[::-1] - model
    off = there.sum(axis=0) / POINTS  # the same both ways
    there -= off
    back -= off
    forward = np.hypot(there[:, 0], there[:, 1]).sum()
    backward = np.hypot(back[:, 0], back[:, 1]).sum()
    return bool(backward < TURNED_ROUND * forward)
