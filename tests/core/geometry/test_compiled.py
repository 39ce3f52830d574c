"""Machine code: made of any function, also where there is nowhere to keep it."""

import inspect
import subprocess
import sys
from collections.abc import Callable

import numpy as np
import pytest

from firstloop.core.geometry import polyline
from firstloop.core.geometry.compiled import NUMBERS, compiled, compiled_for, from_now_on
from firstloop.core.geometry.polyline import read_only
from firstloop.core.geometry.warping import steps_back

SOURCE = """
def doubled(numbers):
    found = 0.0
    for number in numbers:
        found += 2.0 * number
    return found
"""


def doubled() -> Callable[[object], float]:
    """A function that stands in no file."""
    made: dict[str, Callable[[object], float]] = {}
    exec(SOURCE, made)
    return made["doubled"]


def test_it_runs_where_it_cannot_be_kept() -> None:
    from_now_on()
    for make in (compiled, compiled_for(NUMBERS)):
        assert make(doubled())(np.array([1.0, 2.5])) == 7.0


def test_points_may_be_laid_out_as_they_are() -> None:
    points = np.random.default_rng(1).normal(0.0, 1.0, (9, 2))
    wide = np.zeros((9, 4))
    wide[:, ::2] = points
    for same in (points, read_only(points), wide[:, ::2], points[::-1][::-1], points.T.copy().T):
        assert polyline.length(same) == polyline.length(points)


@pytest.mark.parametrize("seed", range(3))
def test_as_it_stands_a_loop_says_the_same(seed: int) -> None:
    from_now_on()
    rng = np.random.default_rng(seed)
    points = np.cumsum(rng.normal(0.0, 0.1, (40, 2)), axis=0)
    for loop in (polyline.distances_along, polyline.headings, polyline.corners):
        assert inspect.unwrap(loop)(points) == pytest.approx(loop(points), abs=1e-12)
    reached = np.cumsum(rng.uniform(0.0, 1.0, (8, 9)), axis=1)
    assert inspect.unwrap(steps_back)(reached).tolist() == steps_back(reached).tolist()


def test_what_is_loaded_aside_holds_up_nobody() -> None:
    """In a process of its own, for what is loaded stays loaded."""
    done = subprocess.run(
        [sys.executable, "-c", ASIDE], capture_output=True, text=True, check=True, timeout=120
    )
    assert done.stdout.split() == ["False", "False", "True"]


ASIDE = """
import sys, numpy as np
from firstloop.core.geometry import compiled, polyline
points = np.cumsum(np.ones((30, 2)), axis=0)
compiled.load_aside()
with compiled.as_they_stand():
    for _ in range(2 * compiled.FEW):
        polyline.distances_along(points)
print(compiled._STATE.loader is not None)
for _ in range(compiled.FEW):
    polyline.distances_along(points)
print("numba" in sys.modules)
polyline.distances_along(points)
print(polyline.distances_along._made is not None)
"""
