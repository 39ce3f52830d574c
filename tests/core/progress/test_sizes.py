"""How large a child writes, and where on the line."""

import numpy as np
import pytest

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.letters import PLAIN, Letter, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.progress.sizes import Part, line_of, parts_of, reached, spreads

RULING = Ruling(top=1.8, drop=-0.8)


def model(letter: str) -> Letter:
    return draw(PLAIN.scripts[letter], PLAIN.proportions, RULING)


@pytest.mark.parametrize(
    ("letter", "top", "bottom"),
    [
        ("n", Part.SMALL, Part.FOOT),
        ("h", Part.TALL, Part.FOOT),
        ("p", Part.SMALL, Part.TAIL),
        ("H", Part.TALL, Part.FOOT),
        ("i", None, Part.FOOT),  # its dot is at no line
    ],
)
def test_what_a_letter_reaches_is_known_by_its_model(
    letter: str, top: Part | None, bottom: Part | None
) -> None:
    assert parts_of(model(letter)) == (top, bottom)


def test_ink_is_measured_from_the_base_line_wherever_it_lies() -> None:
    written = Ink((Stroke.of([[7.0, 0.9], [7.0, 0.1]]), Stroke.of([[7.5, 1.2], [7.6, 0.3]])))
    assert list(reached(model("n"), written)) == [(Part.SMALL, 1.2), (Part.FOOT, 0.1)]


def test_a_model_written_as_it_is_reaches_its_lines() -> None:
    for letter in "nhpg":
        drawn = model(letter)
        ink = Ink(tuple(Stroke.of(points) for points in drawn.inked()))
        for part, height in reached(drawn, ink):
            assert height == pytest.approx(line_of(part, RULING), abs=0.05)


def test_eight_of_ten_lie_between_the_ends_of_a_spread() -> None:
    heights = np.random.default_rng(4).normal(1.0, 0.2, 2001).tolist()
    spread = spreads((Part.SMALL, height) for height in heights)[Part.SMALL]
    inside = sum(spread.low <= height <= spread.high for height in heights)
    assert inside / len(heights) == pytest.approx(0.8, abs=0.01)
    assert spread.middle == pytest.approx(np.median(heights), abs=0.001)
    assert spread.count == 2001


def test_two_letters_have_no_spread() -> None:
    assert spreads([(Part.TAIL, -0.5), (Part.TAIL, -0.7)]) == {}
