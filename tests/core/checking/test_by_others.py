"""Good letters and digits as others make them: read as what they are, and never said to be off in
their shape or turned, for their picture fits."""

from collections import Counter

import numpy as np
import pytest
from scripts.other_print.makes import PRINTED, digits, hershey, rings

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from tests.letters import checked, to_mend

pytestmark = pytest.mark.measuring

RULING = Ruling(top=2.0, drop=-1.0)
SAME_SHAPE = {"0": "0O", "O": "0O", "1": "1lI", "l": "1lI", "I": "1lI"}
OFF = {"shape_off", "turned"}


@pytest.mark.parametrize("hand", ["plain", "flick"])
@pytest.mark.parametrize("font", PRINTED)
def test_print_of_others_is_read_in_either_print_hand(font: str, hand: str) -> None:
    ruling, alphabet = hershey(font)
    for letter, shape in alphabet.items():
        ink = Ink(tuple(Stroke.of(stroke) for stroke in shape))
        result = checked(ink, letter, ruling, Style(hand))
        assert (result.reads_as or "?") in SAME_SHAPE.get(letter, letter), letter
        assert not OFF & set(to_mend(result)[:1]), letter


def test_digits_of_many_makes_are_read() -> None:
    results = [
        (digit, checked(Ink(tuple(Stroke.of(s) for s in shape)), digit, RULING))
        for digit, shape in digits(np.random.default_rng(8), 12)
    ]
    misread = [d for d, r in results if (r.reads_as or "?") not in SAME_SHAPE.get(d, d)]
    off = [d for d, r in results if OFF & set(to_mend(r)[:1])]
    assert len(misread) <= 0.08 * len(results), Counter(misread)
    assert len(off) <= 0.04 * len(results), Counter(off)


def test_a_ring_begun_anywhere_is_told_by_its_beginning_and_its_way() -> None:
    told = {"start_place", "stroke_direction"}
    for digit, shape in rings(np.random.default_rng(9), 12):
        result = checked(Ink(tuple(Stroke.of(s) for s in shape)), digit, RULING)
        assert (result.reads_as or "?") in SAME_SHAPE.get(digit, digit)
        assert set(to_mend(result)) <= told, digit
