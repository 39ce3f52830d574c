"""Agreement against an independent computation, and where it says nothing."""

import numpy as np
import pytest
from scipy.stats import binomtest
from sklearn.metrics import cohen_kappa_score

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.agreement import (
    GRADES,
    kappa_of_findings,
    kappa_of_verdicts,
    share,
)
from firstloop.core.judging.second_eyes import Judged, agreement_of

RANK = {grade: at for at, grade in enumerate(GRADES)}


def two_who_judge(seed: int, count: int, agree: float) -> list[tuple[Verdict, Verdict]]:
    """So many letters by two: with a chance the second says what the first did."""
    rng = np.random.default_rng(seed)
    first = rng.choice(len(GRADES), count, p=[0.3, 0.2, 0.5])
    chance = rng.choice(len(GRADES), count)
    second = np.where(rng.random(count) < agree, first, chance)
    return [(GRADES[a], GRADES[b]) for a, b in zip(first, second, strict=True)]


@pytest.mark.parametrize(("seed", "count", "agree"), [(1, 30, 0.8), (2, 60, 0.4), (3, 500, 0.9)])
def test_kappa_is_that_of_an_independent_computation(seed: int, count: int, agree: float) -> None:
    pairs = two_who_judge(seed, count, agree)
    ours = kappa_of_verdicts(pairs)
    assert ours is not None
    ranks = [[RANK[one] for one in both] for both in zip(*pairs, strict=True)]
    assert ours.value == pytest.approx(cohen_kappa_score(*ranks, weights="linear"))
    assert ours.low < ours.value < ours.high


@pytest.mark.parametrize("seed", range(3))
def test_kappa_of_a_finding_is_that_of_an_independent_computation(seed: int) -> None:
    rng = np.random.default_rng(seed)
    one = rng.random(40) < 0.4
    other = one ^ (rng.random(40) < 0.2)
    ours = kappa_of_findings([(bool(a), bool(b)) for a, b in zip(one, other, strict=True)])
    assert ours is not None
    assert ours.value == pytest.approx(cohen_kappa_score(one, other))


def test_the_interval_is_that_of_letters_drawn_anew() -> None:
    pairs = two_who_judge(4, 60, 0.7)
    ranks = np.array([[RANK[one] for one in both] for both in pairs])
    rng = np.random.default_rng(99)
    drawn = [
        cohen_kappa_score(*ranks[rng.integers(0, 60, 60)].T, weights="linear") for _ in range(400)
    ]
    ours = kappa_of_verdicts(pairs)
    assert ours is not None
    assert (ours.low, ours.high) == pytest.approx(np.percentile(drawn, [2.5, 97.5]), abs=0.04)


def test_who_is_unseen_takes_no_part() -> None:
    pairs = two_who_judge(5, 40, 0.8)
    assert kappa_of_verdicts([*pairs, *[(Verdict.UNSEEN, Verdict.SECURE)] * 20]) == (
        kappa_of_verdicts(pairs)
    )


def test_too_few_or_all_alike_is_no_figure() -> None:
    assert kappa_of_verdicts(two_who_judge(6, 9, 0.8)) is None
    assert kappa_of_verdicts([(Verdict.SECURE, Verdict.SECURE)] * 50) is None
    assert kappa_of_findings([(False, False)] * 50) is None
    assert kappa_of_findings([(False, False), (True, False)] * 25) is None


@pytest.mark.parametrize(("agreed", "of"), [(0, 10), (9, 10), (40, 55), (200, 200)])
def test_the_interval_of_a_share_is_that_of_an_independent_computation(
    agreed: int, of: int
) -> None:
    interval = binomtest(agreed, of).proportion_ci(method="wilson")
    ours = share(agreed, of)
    assert (ours.low, ours.high) == pytest.approx((interval.low, interval.high), abs=1e-4)


SECURE, NEARLY, NOT_YET, UNSEEN = Verdict


def seen(direction: Verdict, shape: Verdict = SECURE, *codes: Code) -> Judged:
    verdicts = {Dimension.DIRECTION: direction, Dimension.SIZE: SECURE, Dimension.SHAPE: shape}
    return Judged(verdicts, frozenset(codes))


def test_what_two_see_most_otherwise_comes_first() -> None:
    one = {
        1: seen(SECURE),
        2: seen(NOT_YET, NEARLY),
        3: seen(SECURE),
        4: seen(UNSEEN),
        9: seen(SECURE),
    }
    other = {1: seen(NEARLY), 2: seen(SECURE), 3: seen(SECURE), 4: seen(NOT_YET), 8: seen(SECURE)}
    two = agreement_of(one, other)
    assert (two.letters, two.differ) == (4, (2, 1))


def test_two_are_compared_on_each_finding_that_either_named() -> None:
    rng = np.random.default_rng(8)
    has = rng.random(40) < 0.5
    also = has ^ (rng.random(40) < 0.15)
    one = {at: seen(SECURE, SECURE, *[Code.SLANT] * int(has[at])) for at in range(40)}
    other = {at: seen(SECURE, SECURE, *[Code.SLANT] * int(also[at])) for at in range(40)}
    two = agreement_of(one, other)
    assert set(two.findings) == {Code.SLANT}
    kappa = two.findings[Code.SLANT]
    assert kappa is not None
    assert kappa.value == pytest.approx(cohen_kappa_score(has, also))
    assert two.dimensions[Dimension.SIZE] is None  # all alike
