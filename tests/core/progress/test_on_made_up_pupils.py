"""The bars of the contract, on pupils of several models whose true chances are known: on those that
the numbers were tuned on, and on others by other rules and another seed. `python -m
scripts.calibrate_progress` measures many more."""

from functools import lru_cache

import numpy as np
import pytest
from scripts.growing.measuring import Measured, loss, measure
from scripts.growing.schools import OTHERS, TUNED_ON, School, school
from scripts.growing.writers import MODELS

KINDS = {"tuned on": (1, TUNED_ON), "others": (77, OTHERS)}
PUPILS = 8


@lru_cache
def made(model: str, kind: str) -> School:
    seed, of = KINDS[kind]
    return school(model, seed, PUPILS, of)


@lru_cache
def measured(model: str, kind: str) -> Measured:
    return measure(made(model, kind))


def over_all(kind: str) -> list[Measured]:
    return [measured(model, kind) for model in MODELS]


@pytest.mark.measuring
@pytest.mark.parametrize("kind", KINDS)
def test_the_interval_holds_the_truth_in_75_to_85_of_100(kind: str) -> None:
    assert 0.75 <= np.mean([one.hold for one in over_all(kind)]) <= 0.85


@pytest.mark.measuring
@pytest.mark.parametrize("kind", KINDS)
def test_forecasts_are_better_than_a_share_that_fades(kind: str) -> None:
    ours, fading = [], []
    for model in MODELS:
        ours.append(measured(model, kind).loss)
        fading.append(loss(_fading_share(made(model, kind)), made(model, kind).truth))
    assert np.mean(ours) < np.mean(fading)
    best = np.mean([one.at_best for one in over_all(kind)])
    assert np.mean(ours) - best < 0.85 * (np.mean(fading) - best)


@pytest.mark.measuring
def test_a_habit_that_changes_is_noticed_within_six_attempts_in_85_of_100() -> None:
    found = [measured("habits", kind) for kind in KINDS]
    changes = sum(one.changes for one in found)
    assert changes > 100
    assert sum(one.noticed * one.changes for one in found) / changes >= 0.85


@pytest.mark.measuring
def test_steady_letters_are_hardly_ever_on_the_wrong_side() -> None:
    found = [measured(model, "tuned on") for model in ("steady habits", "steady letters")]
    assert all(one.steady > 1000 for one in found)
    assert max(one.wrong for one in found) < 0.02


def _fading_share(of: School) -> np.ndarray:
    """What one would count by hand: the share that held, help weighed, what is old fading."""
    weights, kept = (0.2, 0.5, 0.8, 1.0, 1.0), dict[tuple[int, int, int], tuple[float, float]]()
    found = np.empty_like(of.truth)
    evidence = of.evidence
    for at in range(len(evidence)):
        for dimension in range(3):
            key = (int(evidence.pupil[at]), int(evidence.letter[at]), dimension)
            good, bad = kept.get(key, (1.4, 0.6))
            found[at, dimension] = good / (good + bad)
            seen, weight = evidence.seen[at, dimension], weights[evidence.help[at]]
            if seen >= 0:
                good = 0.03 * 1.4 + 0.97 * good + weight * (seen == 1)
                bad = 0.03 * 0.6 + 0.97 * bad + weight * (seen == 0)
                kept[key] = good, bad
    return found
