"""Every part has a length: ends that go on or stop short, and openings that close."""

import numpy as np
import pytest

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.ruling import Ruling
from tests.letters import checked, to_mend

RULING = Ruling()
LONG, SHORT = 0.9, 0.7  # u, of capitals' parts and stems


def ink(letter: str, stroke: int, change: float, *, at_start: bool = False) -> Ink:
    """The model with one end of a stroke so many u longer, or shorter where that is negative."""
    paths = list(draw(PLAIN.scripts[letter], PLAIN.proportions, RULING).paths())
    path = polyline.respace(paths[stroke][::-1] if at_start else paths[stroke], 0.02)
    if change < 0:
        path = path[: round(change / 0.02)]
    else:
        onwards = (path[-1] - path[-3]) / np.hypot(*(path[-1] - path[-3]))
        path = np.vstack([path, path[-1] + np.arange(0.02, change, 0.02)[:, None] * onwards])
    paths[stroke] = path[::-1] if at_start else path
    return Ink(tuple(Stroke.of(one) for one in paths))


@pytest.mark.parametrize(
    ("letter", "stroke"), [("A", 0), ("A", 1), ("H", 0), ("H", 1), ("K", 0), ("N", 0), ("X", 0)]
)
@pytest.mark.parametrize("change", [LONG, -SHORT])
def test_a_leg_that_stands_elsewhere_than_the_others_is_told(
    letter: str, stroke: int, change: float
) -> None:
    result = checked(ink(letter, stroke, change), letter)
    told = next(f for f in result.findings if f.code == "part_length")
    assert told.stroke == stroke
    assert (told.measure > 0) is (change > 0)
    assert ("goes on too far" if change > 0 else "stops short") in told.note
    assert "part_length" in to_mend(result)


@pytest.mark.parametrize(
    ("letter", "stroke"), [("H", 0), ("H", 1), ("K", 0), ("X", 1), ("V", 0), ("U", 0), ("Y", 1)]
)
def test_a_stem_or_slope_that_begins_lower_than_the_other_is_told(letter: str, stroke: int) -> None:
    result = checked(ink(letter, stroke, -SHORT, at_start=True), letter)
    assert [f.stroke for f in result.findings if f.code == "part_length"] == [stroke]
    assert "part_length" in to_mend(result)


@pytest.mark.parametrize(
    ("letter", "stroke", "change"),
    [("k", 1, -0.45), ("z", 0, -0.4), ("Z", 0, -0.6), ("2", 0, -0.55)],
)
def test_a_straight_end_has_a_length_of_its_own(letter: str, stroke: int, change: float) -> None:
    assert "part_length" in to_mend(checked(ink(letter, stroke, change), letter))


@pytest.mark.parametrize(
    ("letter", "at_start"),
    [("C", False), ("C", True), ("S", False), ("S", True), ("2", True), ("3", True), ("5", False)],
)
def test_a_curve_that_stops_short_is_told_and_a_little_less_is_everyones(
    letter: str, at_start: bool
) -> None:
    cut = ink(letter, 0, -SHORT, at_start=at_start)
    assert "part_length" in to_mend(checked(cut, letter))
    assert to_mend(checked(ink(letter, 0, -0.25, at_start=at_start), letter)) == []


@pytest.mark.parametrize("gap", [0.1, 0.2])
def test_what_stays_open_is_not_to_close(gap: float) -> None:
    c = draw(PLAIN.scripts["c"], PLAIN.proportions, RULING).paths()[0]
    closing = np.vstack([c, np.linspace(c[-1], c[0] - [0.0, gap], 20)])
    result = checked(Ink((Stroke.of(closing),)), "c")
    assert to_mend(result) == ["part_length"]
    assert result.say == "Leave the c open: the ends do not meet."


def test_a_cup_whose_sides_lean_together_is_closing() -> None:
    u = polyline.respace(draw(PLAIN.scripts["u"], PLAIN.proportions, RULING).paths()[0], 0.02)
    assert to_mend(checked(Ink((Stroke.of(_pinched(u, 0.3)),)), "u")) == ["part_length"]
    assert to_mend(checked(Ink((Stroke.of(_pinched(u, 0.7)),)), "u")) == []


def _pinched(cup: FloatArray, mouth: float) -> FloatArray:
    """The cup's sides led together towards the top, to leave so much open."""
    left, right = cup[:, 0].min(), cup[:, 0].max()
    share = np.clip(cup[:, 1], 0.0, 1.0) * (right - left - mouth) / 2
    inwards = np.where(cup[:, 0] < (left + right) / 2, 1.0, -1.0)
    pinched: FloatArray = cup + np.column_stack([inwards * share, np.zeros(len(cup))])
    return pinched


@pytest.mark.parametrize("letter", ["1", "G", "8", ",", "'"])
def test_what_is_everyones_own_has_no_length(letter: str) -> None:
    for change in (0.3, -0.2):
        found = checked(ink(letter, 0, change), letter).findings
        assert "part_length" not in [f.code for f in found]
