"""An e: where its bar lies, and how far its curve comes back under it."""

from collections.abc import Sequence

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from tests.letters import checked, ink, pen

MODEL_BAR = 0.53


def arc(begin_deg: float, end_deg: float) -> FloatArray:
    turn = np.radians(np.linspace(begin_deg, end_deg, 60))
    return np.column_stack([0.45 + 0.43 * np.cos(turn), 0.5 + 0.5 * np.sin(turn)])


def e_with(*, bar: float = 0.5, end_deg: float = 315.0) -> Ink:
    """A bar at a height, and from its right end round to an angle (0 right, anticlockwise)."""
    begin = float(np.degrees(np.arcsin((bar - 0.5) / 0.5)))
    around = arc(begin, end_deg)
    corners = [(0.9 - float(around[0, 0]), bar), *map(tuple, around.tolist())]
    return ink(pen(*corners))


def to_mend(given: Ink) -> Sequence[Finding]:
    return [f for f in checked(given, "e").findings if f.severity is Verdict.NOT_YET]


@pytest.mark.parametrize("bar", [0.4, 0.5, 0.6, 0.65])
@pytest.mark.parametrize("end_deg", [300.0, 330.0])
def test_an_e_is_well_formed_whose_bar_is_about_the_middle(bar: float, end_deg: float) -> None:
    assert to_mend(e_with(bar=bar, end_deg=end_deg)) == []


@pytest.mark.parametrize("bar", [0.12, 0.25, 0.77, 0.85])
def test_one_begun_too_low_or_too_high_hears_where_to_begin_and_nothing_else(bar: float) -> None:
    (found,) = to_mend(e_with(bar=bar))
    assert found.code == "start_place"
    assert found.measure == pytest.approx(bar - MODEL_BAR, abs=0.1)
    assert abs(found.measure) > found.limit
    assert found.say.startswith("Start ")


@pytest.mark.parametrize("end_deg", [225.0, 250.0, 270.0])
def test_one_without_its_lower_curve_is_told_so(end_deg: float) -> None:
    (found,) = to_mend(e_with(end_deg=end_deg))
    assert (found.code, found.stroke, found.move) == ("part_length", 0, 1)
    assert "shorter" in found.note


def test_a_c_or_an_o_written_for_an_e_is_another_letter_and_has_no_bar() -> None:
    for written, other in ((arc(40, 320), "c"), (arc(90, 450), "o")):
        found = to_mend(ink(written))
        assert [f.other for f in found if f.code == "reads_as_other"] == [other]
        assert all(f.code != "start_place" for f in found[:1])


@pytest.mark.measuring
def test_no_e_of_a_pupil_in_any_hand_is_nagged_for_its_bar() -> None:
    rng = np.random.default_rng(31_021)
    for hand in HANDS.values():
        for _ in range(40):
            pupil = draw_pupil(rng, steadiness=float(rng.uniform(0, 1)))
            given = write(hand.scripts["e"], hand, Ruling(), pupil, rng)
            found = check(given, Task("e"), Style(hand.name), Ruling()).findings
            assert all(f.severity is not Verdict.NOT_YET for f in found)
