"""Simulated pupils: their slips are found, their good letters are let be, seeds repeat."""

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import Pupil, draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.letters import HANDS, PLAIN, Hand
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Slip
from firstloop.core.letters.style import Style
from tests.letters import to_mend
from tests.sampling import IS_NIGHT, drawn_by, every

pytestmark = pytest.mark.measuring

RULING = Ruling(top=2.0, drop=-1.0)
ALL_HANDS = pytest.mark.parametrize("hand", HANDS.values(), ids=lambda hand: hand.name)

PRINT = Style("plain")


def written(hand: Hand, letter: str, rng: np.random.Generator, *slips: Slip) -> Ink:
    pupil = draw_pupil(rng, steadiness=rng.uniform())
    return write(hand.scripts[letter], hand, RULING, pupil, rng, slips=slips)


def test_the_same_seed_writes_the_same_ink() -> None:
    first, second = (
        write(PLAIN.scripts["m"], PLAIN, RULING, Pupil(), np.random.default_rng(5))
        for _ in range(2)
    )
    np.testing.assert_array_equal(first.points, second.points)


@ALL_HANDS
def test_slips_are_found_and_said_first(hand: Hand) -> None:
    """Bars: seen in 97 of 100, and the first thing said in 93, on seeds not used for tuning."""
    rng = drawn_by(5101)
    missed, second = [], []
    fitting = [
        (slip, x) for x, s in hand.scripts.items() for slip in SLIPS.values() if slip.fits(s)
    ]
    cases = every(2, fitting)
    for slip, letter in cases:
        found = to_mend(
            check(written(hand, letter, rng, slip), Task(letter), Style(hand.name), RULING)
        )
        if not slip.codes & set(found):
            missed.append((slip.name, letter, *found))
        elif not slip.codes & set(found[:1]):
            second.append((slip.name, letter, *found))
    assert len(missed) <= 0.03 * len(cases), missed
    assert len(missed) + len(second) <= 0.07 * len(cases), second


@ALL_HANDS
def test_letters_without_a_slip_are_let_be_and_read(hand: Hand) -> None:
    rng = drawn_by(5102)
    letters = [letter for letter in hand.scripts for _ in range(12 if IS_NIGHT else 3)]
    results = [
        (x, check(written(hand, x, rng), Task(x), Style(hand.name), RULING)) for x in letters
    ]
    nagged = [(x, *to_mend(result)) for x, result in results if to_mend(result)]
    misread = [(x, result.reads_as) for x, result in results if result.reads_as != x]
    assert len(nagged) <= 0.02 * len(letters), nagged
    assert len(misread) <= 0.02 * len(letters), misread


@pytest.mark.parametrize(
    ("letter", "one", "other"),
    [
        ("m", "from the foot", "floating"),
        ("a", "round the wrong way", "too wide"),
        ("h", "lifted at the foot", "tall part too short"),
        ("d", "left open at the top", "floating"),
        ("h", "leaning over", "gone over again"),
        ("R", "mirrored", "shaking"),
        ("y", "upside down", "shaking"),
    ],
)
def test_two_slips_at_once_are_both_found(letter: str, one: str, other: str) -> None:
    rng = np.random.default_rng(5103)
    slips = SLIPS[one], SLIPS[other]
    found = [
        set(to_mend(check(written(PLAIN, letter, rng, *slips), Task(letter), PRINT, RULING)))
        for _ in range(10)
    ]
    for slip in slips:
        assert sum(bool(slip.codes & codes) for codes in found) >= 8, found


def test_a_pen_slows_down_where_it_turns() -> None:
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
