"""Slips: real changes to a letter, each of its own kind, and a few of them to be shown."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.contract import Code
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.letters import HANDS, PLAIN, Hand, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SHOWN, SLIPS, shown_slips
from firstloop.core.letters.slips.usual import kind_of, usual_of
from firstloop.core.text.pair_slips import APART, draw_pair, pair_slips

pytestmark = pytest.mark.measuring

RULING = Ruling()


def alike(one: Any, other: Any) -> bool:
    return len(one) == len(other) and all(
        a.shape == b.shape and np.allclose(a, b, atol=1e-6) for a, b in zip(one, other, strict=True)
    )


@pytest.mark.parametrize("hand", HANDS)
def test_every_small_letter_has_slips_to_show_and_no_two_look_the_same(hand: str) -> None:
    own = HANDS[hand]
    for name in GROUPS["small"]:
        script = own.scripts[name]
        shown = shown_slips(script, own, RULING)
        assert 2 <= len(shown) <= SHOWN, name
        right = draw(script, own.proportions, RULING).paths()
        pictures = [right, *(strokes for _, strokes in shown)]
        for at, one in enumerate(pictures):
            assert not any(alike(one, other) for other in pictures[:at]), (name, at)


@pytest.mark.parametrize("hand", HANDS)
@pytest.mark.parametrize("slip", SLIPS.values(), ids=lambda slip: slip.name)
def test_a_slip_changes_the_ink_and_leaves_it_on_the_page(hand: str, slip: Any) -> None:
    own = HANDS[hand]
    for name, script in own.scripts.items():
        if not slip.fits(script):
            continue
        good, bad = (
            write(
                script, own, RULING, draw_pupil(np.random.default_rng(8)),
                np.random.default_rng(9), slips=slips,
            )
            for slips in ([], [slip])
        )  # fmt: skip
        assert not alike([s.points for s in good.strokes], [s.points for s in bad.strokes]), name
        assert np.isfinite(bad.points).all()
        assert np.abs(bad.points).max() < 12.0, name


def test_the_same_pupil_writes_the_same_letter_from_the_same_seed() -> None:
    own = HANDS["plain"]
    one, other = (
        write(own.scripts["a"], own, RULING, draw_pupil(rng), rng)
        for rng in (np.random.default_rng(4), np.random.default_rng(4))
    )
    assert alike([s.points for s in one.strokes], [s.points for s in other.strokes])


@pytest.mark.parametrize("letter", ["i", "j"])
@pytest.mark.parametrize(
    ("name", "across", "up"), [("dot too far", 0.1, 0.85), ("dot to the side", 0.85, 0.05)]
)
def test_a_dot_is_moved_by_as_much_as_it_says(
    letter: str, name: str, across: float, up: float
) -> None:
    own = HANDS["plain"]
    script = own.scripts[letter]
    (*_, right), (*_, moved) = (
        draw(one, own.proportions, RULING).paths() for one in (script, SLIPS[name].reshape(script))
    )
    assert moved[0] - right[0] == pytest.approx(np.array([across, up]))


def shown_of(letter: str, hand: str = "plain") -> list[str]:
    own = HANDS[hand]
    return [slip.name for slip, _ in shown_slips(own.scripts[letter], own, RULING)]


@pytest.mark.parametrize("letter", "nmhr")
def test_humps_are_warned_of_the_foot_and_of_leaving_the_stem(letter: str) -> None:
    assert shown_of(letter)[:2] == ["from the foot", "running off the stem"]
    assert "running off the stem" in shown_of(letter, "joined")


def test_an_e_and_a_j_are_warned_of_what_goes_wrong_in_them() -> None:
    assert shown_of("e") == ["begun too high", "begun too low", "not curled round", "mirrored"]
    assert shown_of("j")[:2] == ["hooked the wrong way", "dot too far"]


@pytest.mark.parametrize("hand", HANDS)
@pytest.mark.parametrize("letter", GROUPS["small"])
def test_beside_a_letters_own_slips_at_most_one_of_a_kind_is_shown(hand: str, letter: str) -> None:
    names = shown_of(letter, hand)
    others = [kind_of(SLIPS[name].code) for name in names if name not in usual_of(letter)]
    assert len(others) == len(set(others))
    leads = [name for name in names if name in ("no lead-in", "no way out")]
    assert len(leads) <= 1


def test_every_usual_slip_is_a_slip_that_its_letter_can_have_in_some_hand() -> None:
    for letter in GROUPS["small"]:
        for name in usual_of(letter):
            scripts = [hand.scripts[letter] for hand in HANDS.values()]
            assert any(SLIPS[name].fits(script) for script in scripts), (letter, name)


@pytest.mark.parametrize("letter", ["i", "j"])
def test_nothing_but_the_slip_tells_a_dot_from_the_right_one(letter: str) -> None:
    own = HANDS["plain"]
    right = draw(own.scripts[letter], own.proportions, RULING).inked()[-1]
    for slip, strokes in shown_slips(own.scripts[letter], own, RULING):
        dots = [one for one in strokes if np.ptp(one, axis=0).max() < 0.15]
        for dot in dots:
            assert np.ptp(dot, axis=0) == pytest.approx(np.ptp(right, axis=0)), slip.name


def test_what_the_class_had_of_late_comes_first_and_what_is_to_be_mended_before_all() -> None:
    def names(seen: dict[Code, float], habit: Code | None = None) -> list[str]:
        found = shown_slips(PLAIN.scripts["n"], PLAIN, Ruling(), seen, habit)
        return [slip.name for slip, _ in found]

    usual = names({})
    assert usual[0] == "from the foot"
    assert names({Code.RETRACE_GAP: 0.5})[0] == "running off the stem"
    assert names({Code.RETRACE_GAP: 0.05})[0] == "from the foot"
    assert names({}, Code.BRANCH_PLACE)[0] == "leaving the stem at the top"


@pytest.mark.parametrize("hand", HANDS.values(), ids=lambda hand: hand.name)
@pytest.mark.parametrize("pair", ["sh", "ch", "th", "ck", "ee", "oo", "ng"])
def test_a_slip_of_a_pair_changes_one_thing_of_it(hand: Hand, pair: str) -> None:
    right = np.vstack(draw_pair(pair, hand, Ruling()))
    slips = pair_slips(pair, hand, Ruling())
    assert slips
    for name, strokes in slips:
        wrong = np.vstack(strokes)
        if name == "far apart":
            assert np.ptp(wrong[:, 0]) > np.ptp(right[:, 0]) + APART / 2
        elif name.endswith("too short"):
            assert np.ptp(wrong[:, 0]) == pytest.approx(np.ptp(right[:, 0]), abs=1e-6)
            assert wrong[:, 1].max() <= right[:, 1].max()
        elif name == "the second too small":
            assert np.ptp(wrong[:, 0]) < np.ptp(right[:, 0])


def test_what_is_no_pair_has_no_slips_of_a_pair() -> None:
    assert pair_slips("igh", PLAIN, Ruling()) == []
