"""Lines of points: lengths, even spacing, headings; what must hold of any line."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray

PLACES = st.tuples(st.floats(-5, 5), st.floats(-5, 5))


@st.composite
def lines(draw: st.DrawFn) -> FloatArray:
    return np.array(draw(st.lists(PLACES, min_size=2, max_size=12)), dtype=np.float64)


SQUARE = np.array([(0, 0), (2, 0), (2, 2), (0, 2)], dtype=np.float64)


def test_a_length_is_the_sum_of_its_sides() -> None:
    assert polyline.length(SQUARE) == 6.0
    assert polyline.distances_along(SQUARE).tolist() == [0, 2, 4, 6]


def test_one_place_has_no_length_and_no_heading() -> None:
    dot = np.array([(1.0, 1.0)])
    assert polyline.length(dot) == 0.0
    assert polyline.headings(dot).tolist() == [[0.0, 0.0]]
    assert polyline.resample(dot, 3).tolist() == [[1.0, 1.0]] * 3


@given(line=lines(), count=st.integers(2, 40))
def test_resampling_keeps_both_ends_and_goes_no_longer_way(line: FloatArray, count: int) -> None:
    points = polyline.resample(line, count)
    assert points.shape == (count, 2)
    assert np.allclose(points[[0, -1]], line[[0, -1]], atol=1e-9)
    assert polyline.length(points) <= polyline.length(line) + 1e-9


@given(line=lines())
def test_resampled_points_lie_evenly_along_the_way(line: FloatArray) -> None:
    whole = polyline.length(line)
    points = polyline.resample(line, 9)
    steps = np.diff(polyline.distances_along(points))
    assert (steps <= whole / 8 + 1e-9).all()  # a chord is no longer than its piece of the way


@given(line=lines(), turn=st.floats(-np.pi, np.pi))
def test_headings_are_of_one_length_and_turn_with_the_line(line: FloatArray, turn: float) -> None:
    cosine, sine = np.cos(turn), np.sin(turn)
    rotation = np.array([(cosine, sine), (-sine, cosine)])
    headings = polyline.headings(line)
    sizes = np.hypot(*headings.T)
    assert (np.isclose(sizes, 1.0) | (sizes < 1e-6)).all()
    moving = np.hypot(*(np.roll(line, -1, axis=0) - np.roll(line, 1, axis=0)).T) > 1e-3
    inner = moving & (np.arange(len(line)) > 0) & (np.arange(len(line)) < len(line) - 1)
    assert np.allclose(polyline.headings(line @ rotation)[inner], (headings @ rotation)[inner])


@pytest.mark.parametrize(("spacing", "count"), [(0.5, 13), (2.0, 4), (100.0, 2)])
def test_respacing_gives_as_many_points_as_fit(spacing: float, count: int) -> None:
    assert len(polyline.respace(SQUARE, spacing)) == count


def test_smoothing_leaves_a_straight_line_and_calms_a_shaken_one() -> None:
    along = np.linspace(0.0, 2.0, 81)
    straight = np.column_stack([along, 0.5 * along])
    assert np.allclose(polyline.smooth(straight, 3.0), straight, atol=1e-9)
    shaken = straight + np.column_stack([np.zeros(81), 0.05 * np.sin(40 * along)])
    calmed = polyline.smooth(shaken, 3.0)
    off = np.abs(calmed[10:-10] - straight[10:-10])[:, 1].max()
    assert off < 0.5 * 0.05


@pytest.mark.parametrize("count", [2, 3, 8, 30, 200])
def test_what_smoothing_takes_off_twice_is_found_in_one_go(count: int) -> None:
    shaken = np.cumsum(np.random.default_rng(count).normal(0.0, 0.1, (count, 2)), axis=0)
    off = shaken - polyline.smooth(shaken, 4.0)
    assert np.allclose(polyline.unsmooth(shaken, 4.0), off - polyline.smooth(off, 4.0))


def test_what_is_read_only_is_a_copy_that_cannot_be_written_to() -> None:
    given_points = np.zeros((2, 2))
    kept = polyline.read_only(given_points)
    given_points[0] = 7.0
    assert kept[0].tolist() == [0.0, 0.0]
    with pytest.raises(ValueError, match="read-only"):
        kept[0] = 1.0
