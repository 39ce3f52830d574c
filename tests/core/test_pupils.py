"""Simulated pupils: their slips are found, their good letters are let be, seeds repeat."""

import numpy as np
import pytest

from firstloop.core.letterforms import PLAIN
from firstloop.core.pupils import Pupil, draw_pupil, write
from firstloop.core.ruling import Ruling
from firstloop.core.slips import SLIPS
from tests.letters import checked, to_mend

RULING = Ruling(top=2.0, drop=-1.0)
MEASURED = {
    *("start_place", "stroke_direction", "extra_lift", "missing_part", "retrace_gap"),
    *("reads_as_other", "off_base", "body_height"),
}
CASES = [
    (slip, letter)
    for slip in SLIPS.values()
    for letter, script in PLAIN.scripts.items()
    if slip.fits(script) and letter in "rnmh" and slip.code in MEASURED
]
PUPILS = 12
MISSES = 1
"""Of PUPILS: a small child's large body may be just within its limit."""


def test_the_same_seed_writes_the_same_ink():
    first, second = (
        write(PLAIN.scripts["m"], PLAIN, RULING, Pupil(), np.random.default_rng(5))
        for _ in range(2)
    )
    np.testing.assert_array_equal(first.points, second.points)


@pytest.mark.parametrize(("slip", "letter"), CASES, ids=lambda x: getattr(x, "name", x))
def test_a_slip_is_the_first_thing_found(slip, letter):
    rng = np.random.default_rng(41)
    firsts = []
    for _ in range(PUPILS):
        pupil = draw_pupil(rng, steadiness=rng.uniform())
        given = write(PLAIN.scripts[letter], PLAIN, RULING, pupil, rng, slips=[slip])
        firsts.append(next(iter(to_mend(checked(given, letter, RULING))), None))
    assert firsts.count(slip.code.value) >= PUPILS - MISSES


@pytest.mark.parametrize("letter", PLAIN.scripts)
def test_a_letter_without_a_slip_is_let_be(letter):
    rng = np.random.default_rng(42)
    for _ in range(25):
        pupil = draw_pupil(rng, steadiness=rng.uniform())
        result = checked(write(PLAIN.scripts[letter], PLAIN, RULING, pupil, rng), letter, RULING)
        assert to_mend(result) == []


def test_a_pen_slows_down_where_it_turns():
    """It turns right round at the foot of the stem, the only corner of an n."""
    (stroke,) = write(
        PLAIN.scripts["n"],
        PLAIN,
        RULING,
        Pupil(tremor=0, sway=0, rate_hz=60),
        np.random.default_rng(1),
    ).strokes
    assert stroke.times is not None
    speed = np.hypot(*np.diff(stroke.points, axis=0).T) / np.diff(stroke.times)
    foot = int(np.argmin(stroke.points[: len(stroke.points) // 2, 1]))
    going_down = speed[2 : foot - 4]
    assert speed[foot - 1 : foot + 1].mean() < 0.6 * going_down.mean()
