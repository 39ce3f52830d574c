"""Where an arch leaves its stem, and where a round comes to it: arches of known geometry."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import Finding, Result
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.style import Style
from tests.letters import Corners, checked, ink, pen

ACROSS = 0.7
USUAL = 0.64
"""u: between the legs; where print leaves its stem."""


def arch(leaves_at: float) -> Corners:
    """Half an ellipse from a stem at 0 up to the mid line and down to where it began."""
    turn = np.linspace(np.pi, 0.0, 40)
    half = ACROSS / 2
    return [
        (half + half * float(np.cos(a)), leaves_at + (1.0 - leaves_at) * float(np.sin(a)))
        for a in turn
    ]


def pointed(leaves_at: float) -> Corners:
    return [(0.0, leaves_at), (0.2, 0.92), (0.35, 1.0), (0.55, 0.92), (ACROSS, 0.64)]


def n_of(over: Corners) -> Ink:
    return ink(pen((0, 1), (0, 0), *over, (ACROSS, 0)))


def u_that_meets_at(height: float) -> Ink:
    """An n upside down, written from its right leg on, and its last leg once more."""
    n = [(0.0, 1.0), (0.0, 0.0), *arch(1.0 - height), (ACROSS, 0.0)]
    upside_down = [(ACROSS - x, 1.0 - y) for x, y in n]
    return ink(pen(*upside_down[::-1]))


def told(result: Result) -> Finding | None:
    return next((found for found in result.findings if found.code == "branch_place"), None)


@pytest.mark.parametrize("over", [arch(0.5), arch(USUAL), arch(0.78), pointed(0.52), pointed(0.7)])
def test_an_arch_that_leaves_about_the_classs_branch_is_well_formed(over: Corners) -> None:
    assert checked(n_of(over), "n").findings == ()


@pytest.mark.parametrize(
    ("over", "height"),
    [(arch(0.92), 0.92), (arch(0.98), 0.98), (pointed(0.1), 0.1), (pointed(0.25), 0.25)],
)
def test_one_that_leaves_far_from_it_is_told_with_how_far(over: Corners, height: float) -> None:
    found = told(checked(n_of(over), "n"))
    assert found is not None
    assert found.severity is Verdict.NOT_YET
    assert found.measure == pytest.approx(height - USUAL, abs=0.16)
    assert (found.stroke, found.move) == (0, 2)
    assert ("too high" in found.note, "too low" in found.note) == (height > USUAL, height < USUAL)
    assert found.say == (
        "Leave the stem a little below its top."
        if height > USUAL
        else "Go further back up your stem before you turn away."
    )


def test_a_round_arch_that_leaves_low_hardly_parts_from_its_stem_and_is_told_with_care() -> None:
    found = told(checked(n_of(arch(0.15)), "n"))
    assert found is not None
    assert found.severity is Verdict.NEARLY
    assert "too low" in found.note


def test_a_round_that_meets_its_stem_is_measured_upside_down() -> None:
    assert checked(u_that_meets_at(0.4), "u").findings == ()
    low, high = (told(checked(u_that_meets_at(height), "u")) for height in (0.03, 0.9))
    assert low is not None
    assert high is not None
    assert low.measure < -0.2 < 0.2 < high.measure
    assert "meets its stem" in low.note
    assert low.say != high.say


def branch_told(height: float, class_branch: float) -> Finding | None:
    style = Style("plain", branch=class_branch)
    return told(check(n_of(arch(height)), Task("n"), style, Ruling()))


def test_it_is_the_classs_own_branch_that_counts_but_at_the_very_top_none_does() -> None:
    assert branch_told(0.5, class_branch=0.5) is None
    assert branch_told(0.8, class_branch=0.8) is None
    assert branch_told(0.98, class_branch=0.8) is not None
    low = branch_told(0.4, class_branch=0.8)
    assert low is not None
    assert low.measure < -0.15


@pytest.mark.measuring
@pytest.mark.parametrize(
    ("name", "least"),
    [
        ("leaving the stem at the top", 0.8),
        ("leaving the stem at the foot", 0.6),
        ("meeting the stem at the foot", 0.8),
    ],
)
def test_pupils_who_do_so_are_told_and_others_not(name: str, least: float) -> None:
    rng, slip = np.random.default_rng(31_020), SLIPS[name]
    bad = good = every = 0
    for hand in HANDS.values():
        for letter in filter(slip.fits, hand.scripts.values()):
            for _ in range(6):
                every += 1
                bad += branch_found(
                    write_as(letter.letter, hand.name, rng, slip), letter.letter, hand.name
                )
                good += branch_found(
                    write_as(letter.letter, hand.name, rng), letter.letter, hand.name
                )
    assert bad >= least * every
    assert good <= 0.01 * every


def write_as(letter: str, hand: str, rng: np.random.Generator, *slips: Any) -> Ink:
    own = HANDS[hand]
    return write(own.scripts[letter], own, Ruling(), draw_pupil(rng), rng, slips=slips)


def branch_found(written: Ink, letter: str, hand: str) -> bool:
    found = told(check(written, Task(letter), Style(hand), Ruling()))
    return found is not None and found.severity is Verdict.NOT_YET
