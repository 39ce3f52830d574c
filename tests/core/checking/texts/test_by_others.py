"""Texts of another print, and joined by other curves: what of them is seen, and how seldom a good
one is nagged. The full tables are in docs/words.md; this is a part of them, on another seed."""

from functools import cache

import numpy as np
import pytest
from scripts.calibrate_texts import Found, add_good, alike, checked, is_right, to_mend
from scripts.other_print.text_faults import faulty
from scripts.other_print.texts import Case, good

from firstloop.core.checking.say.findings import TextResult
from firstloop.core.letters.ruling import Ruling

pytestmark = pytest.mark.measuring

SEED, GOOD, FAULTY = 90_001, 6, 2
HANDS = ["plain", "joined"]


def ruling(rng: np.random.Generator) -> Ruling:
    return Ruling(float(rng.uniform(1.95, 2.05)), float(-rng.uniform(0.95, 1.05)))


@cache
def good_texts(hand: str) -> Found:
    rng, found = np.random.default_rng(SEED), Found()
    lines = np.random.default_rng(SEED + 1)
    for case in good(rng, GOOD):
        if case.hand == hand:
            add_good(found, case, checked(case, ruling(lines)))
    return found


@cache
def faulty_texts(hand: str) -> list[tuple[Case, TextResult]]:
    rng = np.random.default_rng(SEED + 2)
    return [(c, checked(c, Ruling(2.0, -1.0))) for c in faulty(rng, FAULTY) if c.hand == hand]


@pytest.mark.parametrize("hand", HANDS)
def test_good_texts_are_read_and_hardly_ever_nagged(hand: str) -> None:
    found = good_texts(hand)
    assert found.nagged.hits <= 0.04 * found.nagged.of + 1
    assert found.read.hits >= 0.95 * found.read.of
    assert found.letters_read.hits >= 0.98 * found.letters_read.of


@pytest.mark.parametrize("hand", HANDS)
def test_letters_are_found_where_they_are(hand: str) -> None:
    placed = good_texts(hand).placed
    assert placed.hits >= (0.98 if hand == "plain" else 0.95) * placed.of


@pytest.mark.parametrize("hand", HANDS)
def test_faults_are_seen_and_said_first(hand: str) -> None:
    cases = faulty_texts(hand)
    seen = [any(is_right(f, case) for f in to_mend(result)[1]) for case, result in cases]
    first = [bool(told := to_mend(result)[0]) and is_right(told[0], case) for case, result in cases]
    assert sum(seen) >= 0.9 * len(cases)
    assert sum(first) >= 0.82 * len(cases)


@pytest.mark.parametrize("hand", HANDS)
def test_a_slip_of_one_letter_is_seen_inside_a_word(hand: str) -> None:
    slips = [(c, r) for c, r in faulty_texts(hand) if c.family == "slip"]
    seen = [any(is_right(f, case) for f in to_mend(result)[1]) for case, result in slips]
    assert sum(seen) >= 0.85 * len(slips)


def test_what_nobody_tells_apart_counts_as_read() -> None:
    assert alike("I saw 0") == alike("l saw o")
