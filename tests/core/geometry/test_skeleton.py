"""Thinning and walking, on shapes whose lines are known."""

import numpy as np
import pytest

from firstloop.core.geometry.skeleton import skeleton_lines, thin


def bar(length: int, width: int) -> np.ndarray:
    picture = np.zeros((width + 8, length + 8), dtype=bool)
    picture[4 : 4 + width, 4 : 4 + length] = True
    return picture


@pytest.mark.parametrize("width", [1, 2, 3, 5, 8])
def test_a_bar_is_one_line_along_its_middle(width: int) -> None:
    (line,) = skeleton_lines(bar(60, width))
    middle = 4 + width / 2
    assert np.abs(line[5:-5, 1] - middle).max() <= 0.5
    assert np.ptp(line[:, 0]) >= 60 - width - 1


def test_a_quarter_turn_turns_the_line() -> None:
    (line,) = skeleton_lines(bar(40, 1))
    (turned,) = skeleton_lines(bar(40, 1).T)
    assert {tuple(p) for p in line.tolist()} == {tuple(p[::-1]) for p in turned.tolist()}


def test_thinning_leaves_what_is_thin_and_never_adds() -> None:
    picture = bar(30, 6)
    once = thin(picture)
    assert np.array_equal(thin(once), once)
    assert not (once & ~picture).any()


def test_a_ring_stays_closed() -> None:
    y, x = np.mgrid[:60, :60]
    away = np.hypot(x - 30, y - 30)
    (line,) = skeleton_lines((away > 17) & (away < 23))
    assert np.array_equal(line[0], line[-1])
    radius = np.hypot(line[:, 0] - 30.5, line[:, 1] - 30.5)
    assert radius.min() > 18.5
    assert radius.max() < 21.5


def test_a_crossing_parts_four_lines_and_a_dot_is_one_place() -> None:
    picture = np.zeros((41, 41), dtype=bool)
    picture[20, 2:39] = picture[2:39, 20] = True
    assert len(skeleton_lines(picture)) == 4
    dot = np.zeros((5, 5), dtype=bool)
    dot[1, 3] = True
    (line,) = skeleton_lines(dot)
    assert np.array_equal(line, [[3.5, 1.5], [3.5, 1.5]])
