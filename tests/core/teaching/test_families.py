"""Families computed from the movements, and schemes that are checked."""

from typing import Any

import pytest

from firstloop.core.letters import HANDS, PLAIN, Hand, draw
from firstloop.core.letters.hands import GROUPS, choose, group_of
from firstloop.core.letters.likeness import likeness_table, most_confusable
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.spaces import Space, spaces_filled
from firstloop.core.teaching.families import (
    LESSON_SIZE,
    LETTERS,
    Family,
    Scheme,
    exceptions_of,
    faults,
    opening,
    split,
)
from firstloop.core.teaching.schemes import BUILT_IN, by_movement, by_size, by_sound


def whole_families(scheme: Scheme) -> dict[str, str]:
    """The letters of each family, parted or not, in the order of the alphabet."""
    found: dict[str, str] = {}
    for family in scheme.families:
        name = family.name.split(" (")[0]
        found[name] = "".join(sorted(found.get(name, "") + "".join(family.letters)))
    return found


def small_families(scheme: Scheme) -> dict[str, str]:
    return {name: x for name, x in whole_families(scheme).items() if x.islower()}


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
@pytest.mark.parametrize("build", [by_movement, by_size, by_sound])
def test_a_built_in_scheme_has_no_fault_in_any_hand(hand: Hand, build: Any) -> None:
    assert faults(build(hand)) == ()


def test_the_empty_scheme_lacks_every_small_letter_and_capitals_once_one_is_there() -> None:
    lacking = [fault.letter for fault in faults(BUILT_IN["empty"](PLAIN, 5))]
    assert lacking == list(GROUPS["small"])
    begun = Scheme("mine", (Family("first", ("A",), ""),))
    assert [f.letter for f in faults(begun) if f.letter not in lacking] == [
        *"BCDEFGHIJKLMNOPQRSTUVWXYZ"
    ]


@pytest.mark.parametrize("largest", [3, 5, 8])
@pytest.mark.parametrize("key", ["movement", "size", "sound"])
def test_no_family_is_larger_than_is_wished(key: str, largest: int) -> None:
    scheme = BUILT_IN[key](PLAIN, largest)
    assert faults(scheme, largest=largest) == ()
    assert max(len(family.letters) for family in scheme.families) > largest - 2


def test_capitals_and_digits_are_in_families_by_their_first_movement_too() -> None:
    families = whole_families(by_movement(PLAIN))
    assert {name: x for name, x in families.items() if ": " in name} == {
        "Capitals: back and round": "CGOQS",
        "Capitals: straight down": "BDEFHIJKLMNPRT",
        "Capitals: down and under": "U",
        "Capitals: slopes": "AVWXYZ",
        "Digits: back and round": "0689",
        "Digits: straight down": "15",
        "Digits: over and round": "23",
        "Digits: slopes": "47",
    }


def test_kinds_of_letters_follow_each_other_and_are_not_mixed() -> None:
    for key in ("movement", "size", "sound"):
        kinds = [group_of(letter) for letter in BUILT_IN[key](PLAIN, 5).order]
        assert kinds == ["small"] * 26 + ["capital"] * 26 + ["digit"] * 10


def test_letters_that_begin_with_the_same_movement_are_a_family() -> None:
    assert small_families(by_movement(PLAIN)) == {
        "Back and round": "acdefgoqs",
        "Down and back up": "bhmnpr",
        "Straight down": "ijklt",
        "Slopes": "vwxz",
        "Down and under": "uy",
    }


def test_lead_ins_do_not_make_a_family() -> None:
    for name in ("joined", "looped"):
        joined = whole_families(by_movement(HANDS[name]))
        assert set("acdgoq") <= set(joined["Back and round"])
        assert set("mnpr") <= set(joined["Down and back up"])


def test_a_letter_that_breaks_its_familys_rule_says_how() -> None:
    assert dict(exceptions_of("acde", PLAIN)) == {
        "e": "begins half way up to the mid line: straight across"
    }


def test_another_way_of_writing_moves_a_letter_to_another_family() -> None:
    slanted = whole_families(by_movement(choose(PLAIN, {"y": "slanted"})))
    assert "y" in slanted["Slopes"]
    assert slanted["Down and under"] == "u"


def test_size_families_go_by_the_spaces_filled() -> None:
    assert small_families(by_size(PLAIN)) == {
        "Short": "aceimnorsuvwxz",
        "Tall": "bdfhklt",
        "Tailed": "gjpqy",
    }
    looped_f = spaces_filled(
        draw(HANDS["looped"].scripts["f"], HANDS["looped"].proportions, Ruling())
    )
    assert looped_f == (Space.UPPER, Space.MIDDLE, Space.LOWER)


@pytest.mark.parametrize("letters", ["abdopq", "aceimnorsuvwxz", GROUPS["small"], LETTERS])
def test_the_parts_of_a_split_fit_a_lesson_and_are_as_few_as_can_be(letters: Any) -> None:
    parts = split(Family("Many", tuple(letters), ""), PLAIN)
    sizes = [len(part.letters) for part in parts]
    assert 2 <= min(sizes) <= max(sizes) <= LESSON_SIZE
    assert len(parts) == -(-len(letters) // LESSON_SIZE)
    assert sorted("".join(x for part in parts for x in part.letters)) == sorted(letters)


def test_a_split_keeps_the_look_alikes_of_one_movement_together() -> None:
    rounds = split(Family("Rounds", tuple("acdoqsefg"), ""), PLAIN)
    assert any(set("acdo") <= set(part.letters) for part in rounds)
    for hand in HANDS.values():
        humps = split(Family("Humps", tuple("rnmhpk"), ""), hand)
        assert any(set("nmh") <= set(part.letters) for part in humps), hand.name


def test_a_split_keeps_the_confusable_of_different_movements_apart() -> None:
    bowls = split(Family("Bowls", tuple("abdopq"), ""), PLAIN)
    together = [set(part.letters) for part in bowls]
    assert not any({"b", "d"} <= part or {"p", "q"} <= part for part in together)


def test_an_exception_goes_with_its_letter_when_a_family_is_split() -> None:
    many = Family("Many", tuple("abcdef"), "", (("e", "begins in the middle"),))
    parts = split(many, PLAIN)
    assert [part.exceptions for part in parts if "e" in part.letters] == [many.exceptions]
    assert [part.exceptions for part in parts if "e" not in part.letters] == [()]


def test_the_opening_of_a_family_is_what_its_letters_share() -> None:
    shared = opening("acdg", PLAIN, Ruling())
    assert len(shared) == 1  # the round; the way up comes in a, d and g only
    assert len(opening("mn", PLAIN, Ruling())) == 3


def test_the_faults_of_a_scheme_are_said_where_they_are() -> None:
    first = Family("one", ("a", "b", "c", "d", "e", "f"), "")
    second = Family("two", ("a", "ß"), "")
    found = [(f.family, f.letter) for f in faults(Scheme("mine", (first, second)), "abcdefg")]
    assert found == [(0, None), (1, "a"), (1, "ß"), (None, "g")]


@pytest.mark.parametrize("pair", ["bd", "hn", "nr", "uy", "ad", "ij", "pq", "mn", "ce", "gy"])
def test_pairs_that_teachers_warn_of_are_among_the_confusable(pair: str) -> None:
    table = likeness_table(PLAIN)
    ranked = sorted(table, key=lambda letters: -table[letters].confusable)
    assert tuple(pair) in ranked[: len(ranked) // 5]


def test_b_and_d_are_alike_in_the_mirror_and_not_in_movement() -> None:
    likeness = likeness_table(PLAIN)["b", "d"]
    assert likeness.mirror > 0.85
    assert likeness.shape < 0.4
    assert likeness.movement < 0.2


def test_the_likeliest_confusions_of_a_letter_come_first() -> None:
    likest = [letter for letter, _ in most_confusable(PLAIN, "n", 5)]
    assert {"h", "r", "m"} <= set(likest)
