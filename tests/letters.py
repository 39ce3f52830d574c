"""Named inks, shared by all tests: plain polylines of known geometry, in u, y up."""

from collections.abc import Sequence

import numpy as np

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import Result
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Task
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

Corners = Sequence[tuple[float, float]]

PRINT = Style("plain")


def pen(*corners: tuple[float, float]) -> FloatArray:
    """A pen that goes straight from corner to corner, sampled every 0.03 u."""
    return polyline.respace(np.array(corners, dtype=np.float64), 0.03)


def hump(left: float, right: float, base: float = 0.0, top: float = 1.0) -> Corners:
    """Over and down, as a half ellipse on straight legs; from the branch to the foot."""
    turn = np.linspace(np.pi, 0.0, 16)
    middle, half, spring = (left + right) / 2, (right - left) / 2, base + 0.6 * (top - base)
    over = [
        (middle + half * float(np.cos(a)), spring + (top - spring) * float(np.sin(a))) for a in turn
    ]
    return [*over, (right, base)]


def ink(*strokes: FloatArray) -> Ink:
    return Ink(tuple(Stroke.of(stroke) for stroke in strokes))


def drawn(script: Script) -> tuple[FloatArray, ...]:
    """A script as the print hand draws it, stroke by stroke."""
    return draw(script, HANDS["plain"].proportions, Ruling()).paths()


def n_strokes() -> FloatArray:
    return pen((0, 1), (0, 0), (0, 0.6), *hump(0, 0.7))


def good_n() -> Ink:
    return ink(n_strokes())


def good_h() -> Ink:
    return ink(pen((0, 1.9), (0, 0), (0, 0.6), *hump(0, 0.7)))


def good_m() -> Ink:
    return ink(pen((0, 1), (0, 0), (0, 0.6), *hump(0, 0.6), (0.6, 0.6), *hump(0.6, 1.2)))


def good_r() -> Ink:
    return ink(pen((0, 1), (0, 0), (0, 0.6), (0.03, 0.75), (0.15, 0.93), (0.32, 1), (0.5, 0.93)))


GOOD = {"r": good_r, "n": good_n, "m": good_m, "h": good_h}


def n_from_the_base_line() -> Ink:
    return ink(pen((0, 0), (0, 0.6), *hump(0, 0.7)))


def m_from_the_base_line() -> Ink:
    return ink(pen((0, 0), (0, 0.6), *hump(0, 0.6), (0.6, 0.6), *hump(0.6, 1.2)))


def n_with_its_stem_pushed_up() -> Ink:
    return ink(pen((0, 0), (0, 1)), pen((0, 0.6), *hump(0, 0.7)))


def n_backwards() -> Ink:
    return ink(n_strokes()[::-1])


def n_lifted_at_the_foot() -> Ink:
    return ink(pen((0, 1), (0, 0)), pen((0, 0.6), *hump(0, 0.7)))


def n_running_off_its_stem(gap: float = 0.4) -> Ink:
    return ink(pen((0, 1), (0, 0), (gap, 0.6), *hump(gap, gap + 0.7)))


def m_with_one_hump() -> Ink:
    return good_n()


def n_as_tall_as_h() -> Ink:
    return good_h()


def h_with_a_stem(top: float) -> Ink:
    return ink(pen((0, top), (0, 0), (0, 0.6), *hump(0, 0.7)))


def r_with_a_leg() -> Ink:
    return ink(pen((0, 1), (0, 0), (0, 0.6), *hump(0, 0.65, base=0.1)))


def moved(given: Ink, right: float, up: float) -> Ink:
    return ink(*(stroke.points + np.array([right, up]) for stroke in given.strokes))


def scaled(given: Ink, by: float) -> Ink:
    return ink(*(stroke.points * by for stroke in given.strokes))


def checked(given: Ink, letter: str, ruling: Ruling | None = None, style: Style = PRINT) -> Result:
    return check(given, Task(letter), style, ruling or Ruling())


def to_mend(result: Result) -> list[str]:
    """The codes of what a teacher would correct today, the first first."""
    return [f.code.value for f in result.findings if f.severity is Verdict.NOT_YET]
