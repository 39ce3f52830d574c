"""Words against letters alone."""

import numpy as np
import pytest

from firstloop.core.progress.in_words import Compared, InWords


def share_said_to_hold_less(alone: float, words: float, each: int) -> float:
    rng = np.random.default_rng(11)
    found = [
        Compared(each, int(rng.binomial(each, alone)), each, int(rng.binomial(each, words)))
        for _ in range(2000)
    ]
    return sum(one.comes_to is InWords.LESS for one in found) / len(found)


@pytest.mark.parametrize("chance", [0.3, 0.6, 0.85, 0.97])
@pytest.mark.parametrize("each", [4, 8, 20])
def test_a_letter_that_does_as_well_in_words_is_seldom_said_to_fall_apart(
    chance: float, each: int
) -> None:
    assert share_said_to_hold_less(chance, chance, each) <= 0.12


def test_one_that_falls_apart_is_mostly_seen() -> None:
    assert share_said_to_hold_less(0.95, 0.4, 8) >= 0.8


@pytest.mark.parametrize("compared", [Compared(), Compared(40, 40, 3, 0), Compared(3, 3, 40, 0)])
def test_too_few_on_either_side_say_nothing(compared: Compared) -> None:
    assert compared.comes_to is InWords.UNKNOWN
