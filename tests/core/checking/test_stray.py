"""A stroke that stands beside a letter is an extra part, whatever letter, wherever it stands."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.letters import PLAIN
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from tests.sampling import every

pytestmark = pytest.mark.measuring

LETTERS = [x for group in ("small", "capital", "digit") for x in GROUPS[group]]
AROUND = np.linspace(0.0, 2 * np.pi, 30)

PRINT = Style("plain")


def drop(x: float) -> np.ndarray:
    return np.array([[x, 1.0], [x, 0.0]])


def slope(x: float) -> np.ndarray:
    return np.array([[x, 0.0], [x + np.copysign(0.4, x), 1.0]])


def ring(x: float) -> np.ndarray:
    middle = x + np.copysign(0.2, x)
    return np.stack([middle + 0.2 * np.cos(AROUND), 0.5 + 0.2 * np.sin(AROUND)], axis=1)


@pytest.mark.parametrize("first", [False, True], ids=["written last", "written first"])
@pytest.mark.parametrize("shape", [drop, slope, ring])
@pytest.mark.parametrize("beside", [-1.0, -0.6, 0.6, 1.0, 1.5, 2.0, 3.0])
def test_it_is_the_extra_part_that_is_told(beside: float, shape: Any, first: bool) -> None:
    rng = np.random.default_rng(5)
    told = {}
    for name in every(4, LETTERS, begin=round(10 * beside)):
        letter = write(PLAIN.scripts[name], PLAIN, Ruling(), draw_pupil(rng), rng)
        left, right = letter.points[:, 0].min(), letter.points[:, 0].max()
        edge = right if beside > 0 else left
        # The shape is made about nothing and moved, so that it grows away from the letter.
        stray = Stroke.of(shape(beside) + np.array([edge, 0.0]))
        strokes = (stray, *letter.strokes) if first else (*letter.strokes, stray)
        findings = check(Ink(strokes), Task(name), PRINT, Ruling()).findings
        told[name] = findings[0].code if findings else None
    assert {name: code for name, code in told.items() if code is not Code.EXTRA_PART} == {}
