"""The line under a tablet's reports: on lines that are known, whatever pen reports them."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.geometry.reports import jitter_of, line_under

ARCH = np.column_stack(
    [np.cos(np.linspace(np.pi, 0, 400)) * 0.5, np.sin(np.linspace(np.pi, 0, 400)) * 0.5]
)
"""Half a round of half a u: 1.57 u long."""

HOOK = np.vstack([np.linspace([0.0, 1.0], [0.0, 0.0], 200), np.linspace([0, 0], [0.4, 0.6], 150)])
"""Down and, at a corner, up to the right."""


def off(found: FloatArray, line: FloatArray) -> float:
    """u that a line is off another where it is most."""
    even = polyline.respace(found, 0.02)
    return float(np.sqrt(((even[:, None] - line[None]) ** 2).sum(axis=2)).min(axis=1).max())


def reported(
    line: FloatArray, rate: float, jitter: float, seed: int, rest: int = 0, to_and_fro: float = 0.0
) -> FloatArray:
    """Of a pen at 3 u a second."""
    rng = np.random.default_rng(seed)
    along = polyline.distances_along(line)
    at = np.linspace(0.0, along[-1], max(4, round(along[-1] / 3.0 * rate)))
    at = np.clip(at + rng.normal(0.0, to_and_fro, len(at)), 0.0, along[-1])
    middle = len(at) // 2
    at = np.concatenate([at[:middle], np.full(rest, at[middle]), at[middle:]])
    places = np.column_stack([np.interp(at, along, axis) for axis in line.T])
    return np.asarray(places + rng.normal(0.0, jitter, places.shape))


@pytest.mark.parametrize("line", [ARCH, HOOK], ids=["arch", "hook"])
@given(
    rate=st.sampled_from([60.0, 120.0, 250.0, 1000.0]),
    jitter=st.floats(0.0, 0.03),
    rest=st.sampled_from([0, 30, 300]),
    seed=st.integers(0, 10_000),
)
@settings(max_examples=60, deadline=None)
def test_it_is_as_long_as_the_line_and_lies_on_it(
    line: FloatArray, rate: float, jitter: float, rest: int, seed: int
) -> None:
    found = line_under(reported(line, rate, jitter, seed, rest))
    few = 60.0 / rate  # of few reports the jitter stays: there is nothing to tell it from the line
    assert off(found, line) < 0.05 + 3.5 * jitter
    length = polyline.length(polyline.smooth(polyline.respace(found, 0.02), 2.0))
    assert length == pytest.approx(polyline.length(line), rel=0.1 + 8 * jitter * few, abs=0.1)


def test_reports_to_and_fro_are_no_more_line() -> None:
    raw = reported(ARCH, 200.0, 0.002, 1, to_and_fro=0.03)
    assert polyline.length(raw) > 1.5 * polyline.length(ARCH)
    assert polyline.length(line_under(raw)) == pytest.approx(polyline.length(ARCH), rel=0.1)
    assert off(line_under(raw), ARCH) < 0.04


def test_what_a_good_tablet_reports_stays_as_it_is() -> None:
    for rate in (60.0, 120.0, 240.0):
        raw = reported(HOOK, rate, 0.0005, 1)
        assert line_under(raw) is raw


def test_sparse_reports_of_a_round_are_a_round_again() -> None:
    sparse = ARCH[np.linspace(0, len(ARCH) - 1, 6).astype(int)]
    assert off(polyline.respace(sparse, 0.02), ARCH) > 0.02
    assert off(line_under(sparse), ARCH) < 0.016
    assert np.array_equal(line_under(sparse)[[0, -1]], sparse[[0, -1]])
    again = np.vstack([sparse[:3], sparse[2:]])  # the same place twice
    assert np.allclose(line_under(again), line_under(sparse))


def test_a_pen_that_only_rests_has_no_line() -> None:
    resting = reported(np.zeros((2, 2)), 120.0, 0.01, 3, rest=400)
    assert polyline.length(resting) > 3.0
    assert polyline.length(line_under(resting)) < 0.1


@pytest.mark.parametrize("points", [[[0.0, 0.0]], [[0.0, 0.0], [1.0, 0.0]], [[1.0, 1.0]] * 9])
def test_of_hardly_any_reports_there_is_little_to_find(points: list[list[float]]) -> None:
    found = line_under(np.array(points))
    assert polyline.length(found) == polyline.length(np.array(points))


@pytest.mark.parametrize("jitter", [0.005, 0.01, 0.02, 0.03])
def test_jitter_is_told_on_any_line(jitter: float) -> None:
    for line in (ARCH, HOOK):
        found = [jitter_of(reported(line, 250.0, jitter, seed)) for seed in range(5)]
        assert np.mean(found) == pytest.approx(jitter, rel=0.15)
