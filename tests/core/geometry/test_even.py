"""Ink made even: spacing, length, jitter, taps."""

import numpy as np
import pytest

from firstloop.core.checking.explain.tidy import tidy
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import (
    INK_SPACING,
    MOST_POINTS,
    evenly,
    length_of,
    points_in,
    thinned,
)
from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.ruling import Ruling

LETTER, DOTTED = (draw(PLAIN.scripts[x], PLAIN.proportions, Ruling()) for x in "ni")
STEM = np.array([[0.0, 1.0], [0.0, 0.0]])
TAP = np.array([[2.0, 0.5], [2.03, 0.5]])


def ink(*strokes: np.ndarray) -> Ink:
    return Ink(tuple(Stroke.of(stroke) for stroke in strokes))


@pytest.mark.parametrize("count", [2, 17, 400])
def test_points_are_even_and_a_straight_line_keeps_its_length(count: int) -> None:
    (line,) = tidy(ink(polyline.resample(STEM, count)), LETTER)
    steps = np.hypot(*np.diff(line, axis=0).T)
    assert np.allclose(steps, INK_SPACING, atol=1e-3)
    assert length_of(line) == pytest.approx(1.0, abs=INK_SPACING)
    assert np.allclose(line[[0, -1]], STEM)


def test_jitter_is_taken_out_and_the_course_stays() -> None:
    rng = np.random.default_rng(4)
    straight = polyline.resample(STEM, 120)
    line = evenly(straight + rng.normal(0.0, 0.008, straight.shape))
    assert np.abs(line[5:-5, 0]).max() < 0.008
    assert polyline.length(line) < 1.06


def test_a_tap_beside_the_writing_is_dropped_unless_the_letter_has_a_dot() -> None:
    assert len(tidy(ink(STEM, TAP), LETTER)) == 1
    assert len(tidy(ink(STEM, TAP), DOTTED)) == 2


def test_a_tap_alone_is_kept_for_something_must_be_looked_at() -> None:
    assert len(tidy(ink(TAP), LETTER)) == 1


def test_a_very_long_line_is_taken_with_fewer_points() -> None:
    long = np.array([[0.0, 0.0], [MOST_POINTS * INK_SPACING * 3, 0.0]])
    assert len(evenly(long)) == MOST_POINTS


@pytest.mark.parametrize("count", [2, 5, 22])
def test_thinned_lines_keep_their_ends_and_their_order(count: int) -> None:
    line = evenly(STEM)
    few = thinned(line, count)
    assert len(few) == count
    assert np.array_equal(few[0], line[0])
    assert np.array_equal(few[-1], line[-1])
    assert (np.diff(few[:, 1]) < 0).all()


def test_a_length_is_as_many_points_as_it_takes() -> None:
    assert points_in(length_of(evenly(STEM))) == len(evenly(STEM)) - 1
