"""Lines that cross, thinned and put together again."""

import numpy as np
import pytest

from firstloop.core.evidence.image import SeenInk
from firstloop.core.geometry.crossings import loops_in, through_crossings
from firstloop.core.geometry.even import length_of
from tests.letters import pen
from tests.scanned import scanned

TURN = np.linspace(0.0, 2 * np.pi, 120)


def seen(*strokes: np.ndarray) -> SeenInk:
    return scanned(strokes).seen()


@pytest.mark.parametrize("degrees", [55, 70, 90, 110, 140])
def test_two_lines_that_cross_are_two_lines(degrees: float) -> None:
    way = np.array([np.cos(np.radians(degrees)), np.sin(np.radians(degrees))])
    across, aslant = pen((-1.0, 0.9), (1.0, 1.1)), pen((-way[0], 1 - way[1]), (way[0], 1 + way[1]))
    ink = seen(across, aslant)
    (part,) = ink.parts
    found = through_crossings(part, ink.width)
    ends = [np.hypot(*(line[-1] - line[0])) for line in found if length_of(line) > 0.2]
    assert ends == pytest.approx([2.0, 2.0], abs=0.1)


def test_a_corner_stays_one_line_and_a_branch_ends_where_it_begins() -> None:
    (corner,) = seen(pen((0.0, 1.5), (0.0, 0.0), (1.0, 0.0))).parts
    assert len(through_crossings(corner)) == 1
    (branch,) = seen(pen((0.0, 2.0), (0.0, 0.0)), pen((0.0, 1.0), (1.0, 1.0))).parts
    lengths = sorted(length_of(line) for line in through_crossings(branch))
    assert lengths == pytest.approx([1.0, 2.0], abs=0.15)


@pytest.mark.parametrize(
    ("strokes", "loops"),
    [
        ([pen((0.0, 0.0), (0.0, 2.0))], 0),
        ([np.column_stack([np.cos(TURN), 1 + np.sin(TURN)])], 1),
        ([np.column_stack([np.cos(TURN), 1 + np.sin(TURN)]), pen((0.0, -0.5), (0.0, 2.5))], 2),
        ([pen((0, 0), (0, 2)), pen((0.6, 0), (0.6, 2)), pen((-0.4, 0.5), (1, 0.5)),
          pen((-0.4, 1.3), (1, 1.3))], 1),
    ],
)  # fmt: skip
def test_loops_are_counted(strokes: list[np.ndarray], loops: int) -> None:
    assert sum(loops_in(part) for part in seen(*strokes).parts) == loops


def test_ends_reach_as_far_as_the_pen_went() -> None:
    line = pen((0.0, 0.0), (0.0, 1.5))
    for width in (3, 5, 9):
        (found,) = scanned([line], pen=width).seen().lines
        assert np.sort(found[[0, -1], 1]) == pytest.approx([0.0, 1.5], abs=0.04)
