"""Curves between headings: quarters of ellipses, straight lines, what mirrors must not change."""

import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from firstloop.core.geometry import curves, polyline

PLACES = st.tuples(st.floats(-2, 2), st.floats(-2, 2))
DEGREES = st.floats(-180, 180)


def assume_off_the_chord(
    start: tuple[float, float], end: tuple[float, float], *headings: float
) -> None:
    """Along the chord itself rounding decides by which of two rules a curve is drawn."""
    chord = math.atan2(end[1] - start[1], end[0] - start[0])
    for heading in headings:
        assume(abs(math.sin(math.radians(heading) - chord)) > 1e-3)


@pytest.mark.parametrize(("wide", "high"), [(1.0, 1.0), (2.0, 0.5), (0.3, 1.7)])
def test_a_quarter_turn_is_a_quarter_of_an_ellipse(wide: float, high: float) -> None:
    points = curves.curve((0, 0), 90, (wide, high), 0)
    x, y = (points[:, 0] - wide) / wide, points[:, 1] / high
    assert np.abs(np.hypot(x, y) - 1).max() < 0.002


@pytest.mark.parametrize("turn", [30, 60, 120])
def test_other_turns_of_a_circle_are_a_circle_as_well(turn: float) -> None:
    angle = math.radians(turn)
    end = (math.sin(angle), 1 - math.cos(angle))
    points = curves.curve((0, 0), 0, end, turn)
    assert np.abs(np.hypot(points[:, 0], points[:, 1] - 1) - 1).max() < 0.005


def test_a_turn_of_more_than_a_half_is_spread_evenly() -> None:
    points = curves.curve((0, 0), 180, (0, 1), 0)
    assert np.abs(points[:, 1] + points[::-1, 1] - 1).max() < 1e-9  # its halves are alike
    assert points[:, 0].min() < -0.4


def test_out_and_straight_back_has_an_end() -> None:
    points = curves.curve((1, 0), 0, (0, 0), 0)
    assert np.isfinite(points).all()
    assert points[:, 0].max() < 1 + curves.LONGEST_HANDLE


@given(start=PLACES, end=PLACES, leave=DEGREES, arrive=DEGREES)
def test_the_way_back_is_the_same_line(
    start: tuple[float, float], end: tuple[float, float], leave: float, arrive: float
) -> None:
    assume_off_the_chord(start, end, leave, arrive)
    there = curves.curve(start, leave, end, arrive)
    back = curves.curve(end, arrive + 180, start, leave + 180)
    assert np.allclose(there, back[::-1], atol=1e-6)


@given(start=PLACES, end=PLACES, leave=DEGREES, arrive=DEGREES)
def test_a_mirror_changes_nothing_but_the_side(
    start: tuple[float, float], end: tuple[float, float], leave: float, arrive: float
) -> None:
    assume_off_the_chord(start, end, leave, arrive)
    there = curves.curve(start, leave, end, arrive)
    mirrored = curves.curve((-start[0], start[1]), 180 - leave, (-end[0], end[1]), 180 - arrive)
    assert np.allclose(there * [-1, 1], mirrored, atol=1e-6)


@given(end=PLACES, leave=DEGREES, arrive=DEGREES)
def test_no_curve_that_turns_two_ways_bulges_out_of_its_letter(
    end: tuple[float, float], leave: float, arrive: float
) -> None:
    chord = math.hypot(*end)
    points = curves.curve((0, 0), leave, end, arrive)
    tangents_meet_far_away = abs(math.sin(math.radians(arrive - leave))) < 0.5
    if not tangents_meet_far_away:
        assert np.hypot(*points.T).max() <= 2.5 * chord + 1e-9


def test_fuller_is_further_out() -> None:
    plain, full = (curves.curve((0, 0), 90, (1, 1), 0, fullness) for fullness in (1.0, 1.1))
    assert polyline.length(full) > polyline.length(plain)
    assert np.hypot(full[10, 0] - 1, full[10, 1]) > 1.01


def test_from_a_place_to_itself_is_that_place() -> None:
    assert np.allclose(curves.curve((1, 1), 0, (1, 1), 90), [1, 1])
