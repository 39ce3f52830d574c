"""How well two agree who judged the same: shares with their interval, and kappa, which takes away
what would agree by chance."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import sqrt

import numpy as np

from firstloop.core.contract import Verdict
from firstloop.core.geometry.polyline import FloatArray

ENOUGH_TO_SAY = 10
"""[count] Under so many nothing is said: an interval of nine is as wide as a guess."""

Z_95 = 1.96
"""[standard deviations] Of an interval that holds the truth 95 times of 100."""

DRAWS = 2000
"""[count] Of a bootstrap: its ends are steady to a hundredth from a thousand on."""

SEED = 20261129
"""[seed] Of the bootstrap: the same words give the same interval."""

GRADES = (Verdict.NOT_YET, Verdict.NEARLY, Verdict.SECURE)
"""The verdicts in their order; what somebody did not see is no verdict."""


@dataclass(frozen=True, slots=True)
class Share:
    """How many of how many, and the ends of its 95 % interval; None of too few to say."""

    agreed: int
    of: int
    low: float | None
    high: float | None


@dataclass(frozen=True, slots=True)
class Kappa:
    """Agreement beyond chance: 1 is full, 0 what chance gives; and its 95 % interval."""

    value: float
    low: float
    high: float


def share(agreed: int, of: int) -> Share:
    """A share with its interval by Wilson (1927), which holds for few and for extremes as well.

    >>> one = share(9, 10)
    >>> round(one.low, 3), round(one.high, 3)
    (0.596, 0.982)
    >>> share(3, 4).low is None
    True
    """
    if of < ENOUGH_TO_SAY:
        return Share(agreed, of, None, None)
    low, high = wilson(agreed, of)
    return Share(agreed, of, low, high)


def wilson(agreed: int, of: int) -> tuple[float, float]:
    """The ends of Wilson's 95 % interval of a share of at least one."""
    p, z2 = agreed / of, Z_95**2
    middle = (p + z2 / (2 * of)) / (1 + z2 / of)
    half = Z_95 * sqrt(p * (1 - p) / of + z2 / (4 * of * of)) / (1 + z2 / of)
    return max(0.0, middle - half), min(1.0, middle + half)


def kappa_of_verdicts(pairs: Sequence[tuple[Verdict, Verdict]]) -> Kappa | None:
    """Cohen's kappa (1960) with linear weights (1968): *nearly* for *secure* is half as far off as
    *not yet*. Pairs in which one is unseen are left out. None: too few to say, or one of the two
    always said the same, of which no agreement beyond chance can be told.

    >>> both = [(Verdict.SECURE, Verdict.SECURE), (Verdict.NOT_YET, Verdict.NOT_YET)]
    >>> kappa_of_verdicts(both * 10).value
    1.0
    >>> kappa_of_verdicts(both) is None, kappa_of_verdicts(both[:1] * 20) is None
    (True, True)
    """
    places = {grade: at for at, grade in enumerate(GRADES)}
    joint = np.zeros((len(GRADES), len(GRADES)))
    for one, other in pairs:
        if one in places and other in places:
            joint[places[one], places[other]] += 1
    grade = np.arange(len(GRADES))
    return _kappa(joint, np.abs(grade[:, None] - grade[None, :]).astype(float))


def kappa_of_findings(pairs: Sequence[tuple[bool, bool]]) -> Kappa | None:
    """Cohen's kappa, unweighted, of whether a finding is there. None as for verdicts."""
    joint = np.zeros((2, 2))
    for one, other in pairs:
        joint[int(one), int(other)] += 1
    return _kappa(joint, 1.0 - np.eye(2))


def _kappa(joint: FloatArray, weights: FloatArray) -> Kappa | None:
    """Kappa of a table of counts, with a bootstrap over what was judged: to draw letters anew with
    replacement is to draw the cells of the table."""
    total = int(joint.sum())
    said_one_thing = any((joint.sum(axis=axis) > 0).sum() < 2 for axis in (0, 1))
    if total < ENOUGH_TO_SAY or said_one_thing:
        return None
    (value,) = _values(joint[None], weights)
    rng = np.random.default_rng(SEED)
    drawn = rng.multinomial(total, (joint / total).ravel(), size=DRAWS).reshape(-1, *joint.shape)
    values = _values(drawn.astype(float), weights)
    low, high = np.nanpercentile(values, [2.5, 97.5])
    return Kappa(float(value), float(low), float(high))


def _values(joints: FloatArray, weights: FloatArray) -> FloatArray:
    """Kappa of each of some tables (n, k, k); NaN where both always said one and the same."""
    rows, columns = joints.sum(axis=2), joints.sum(axis=1)
    total = joints.sum(axis=(1, 2))
    by_chance = np.einsum("ni,nj,ij->n", rows, columns, weights) / total
    apart = np.einsum("nij,ij->n", joints, weights)
    with np.errstate(invalid="ignore", divide="ignore"):
        return np.where(by_chance > 0, 1.0 - apart / by_chance, np.nan)
