"""Elastic matching against its definition, on tables small enough to try every path."""

from functools import cache
from itertools import pairwise

import numpy as np
import pytest

from firstloop.core.geometry import warping
from firstloop.core.geometry.matching import (
    SAMPLES,
    STRETCH_COST,
    TURN_COST,
    Models,
    Path,
    directed,
    fit_boxes,
    ink_terms,
    least_cost,
    match,
    step_costs,
)
from firstloop.core.geometry.warping import steps_back
from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.ruling import Ruling


def path_of(name: str) -> Path:
    return Path.of(draw(PLAIN.scripts[name], PLAIN.proportions, Ruling()).paths())


def scribble(seed: int) -> Path:
    rng = np.random.default_rng(seed)
    return Path.of([np.cumsum(rng.normal(0.0, 0.15, (60, 2)), axis=0)])


def cheapest(table: np.ndarray) -> float:
    """What the cheapest way through a table costs, by trying all."""

    @cache
    def reached(i: int, j: int) -> float:
        before = [(i - 1, j - 1), (i - 1, j), (i, j - 1)]
        ways = [reached(*one) for one in before if min(one) >= 0]
        return float(table[i, j]) + (min(ways) if ways else 0.0)

    return reached(table.shape[0] - 1, table.shape[1] - 1)


@pytest.mark.parametrize("seed", range(6))
def test_the_match_is_the_cheapest_way_through_the_best_model(seed: int) -> None:
    ink = scribble(seed)
    models = Models.of([path_of(name) for name in "acemw"])
    handicaps = np.random.default_rng(seed).uniform(0.0, 0.05, 5)
    fit = fit_boxes(ink.size, models)
    tables = step_costs(ink_terms(ink, directed), fit, models)
    by_hand = [
        cheapest(tables[:, :, at]) / SAMPLES + fit.costs[at] + handicaps[at] for at in range(5)
    ]
    found = match(ink, models, handicaps)
    assert found.best == int(np.argmin(by_hand))
    assert found.cost == pytest.approx(min(by_hand), rel=1e-5)
    assert least_cost(ink, models, handicaps) <= found.cost + 1e-6


@pytest.mark.parametrize("seed", range(4))
def test_steps_go_from_first_to_last_and_never_back(seed: int) -> None:
    table = np.random.default_rng(seed).uniform(0.0, 1.0, (9, 12))
    steps = [tuple(step) for step in steps_back(table).tolist()]
    assert steps[0] == (0, 0)
    assert steps[-1] == (8, 11)
    assert all((b[0] - a[0], b[1] - a[1]) in {(0, 1), (1, 0), (1, 1)} for a, b in pairwise(steps))


@pytest.mark.parametrize("seed", range(4))
def test_what_answers_never_goes_back(seed: int) -> None:
    answers = match(scribble(seed), Models.of([path_of("s")]), np.zeros(1)).answers
    assert len(answers) == SAMPLES
    assert 0.0 <= answers[0] <= answers[-1] <= 1.0
    assert all(a <= b for a, b in pairwise(answers))


def test_the_middle_of_several_samples_answers_to_one() -> None:
    # Down the first column to the third row, then aslant.
    reached = np.array(
        [[0.0, 9.0, 9.0], [1.0, 9.0, 9.0], [2.0, 9.0, 9.0], [9.0, 3.0, 9.0], [9.0, 9.0, 4.0]]
    )
    assert warping.answers(reached).tolist() == [1.0, 3.0, 4.0]


def test_a_letter_matches_itself_step_by_step_at_no_cost() -> None:
    for name in PLAIN.scripts:
        found = match(path_of(name), Models.of([path_of(name)]), np.zeros(1))
        assert found.cost == pytest.approx(0.0, abs=1e-4), name
        assert found.answers == pytest.approx(np.linspace(0.0, 1.0, SAMPLES)), name


def test_step_costs_are_the_squared_distance_and_the_turn() -> None:
    ink = scribble(3)
    models = Models.of([path_of("k")])
    fit = fit_boxes(ink.size, models)
    table = step_costs(ink_terms(ink, directed), fit, models)[:, :, 0]
    k, laid = path_of("k"), (ink.points - ink.low) * fit.scale[0] + fit.shift[0]
    off = ((laid[:, None] - k.points[None]) ** 2).sum(axis=2)
    turned = TURN_COST * (1.0 - ink.headings @ k.headings.T)
    # A heading of nothing (a standing pen) has no turn of its own.
    moves, goes = (np.asarray(path.headings.any(axis=1)) for path in (ink, k))
    still = ~np.logical_and.outer(moves, goes)
    assert np.allclose(np.where(still, 0, table), np.where(still, 0, off + turned), atol=1e-4)


def test_stretching_costs_the_same_both_ways_and_stops_at_twice() -> None:
    tall = Path.of([np.array([[0.0, 0.0], [1.0, 2.0]])])
    low = Path.of([np.array([[0.0, 0.0], [1.0, 1.0]])])
    up, down = fit_boxes(low.size, Models.of([tall])), fit_boxes(tall.size, Models.of([low]))
    assert up.costs[0] == pytest.approx(STRETCH_COST * np.log(2.0) ** 2)
    assert up.costs[0] == pytest.approx(down.costs[0])
    huge = Path.of([np.array([[0.0, 0.0], [9.0, 9.0]])])
    assert fit_boxes(low.size, Models.of([huge])).scale.max() == 2.0
