"""Slips: real changes to a letter, each of its own kind, and a few of them to be shown."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SHOWN, SLIPS, shown_slips

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
