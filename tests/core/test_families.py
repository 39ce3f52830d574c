"""Families computed from the movements, and schemes that are checked."""

import pytest

from firstloop.core.families import LETTERS, Family, Scheme, by_movement, by_size, faults
from firstloop.core.letterforms import HANDS, PLAIN
from firstloop.core.letterforms.hands import choose
from firstloop.core.likeness import likeness_table, most_confusable
from firstloop.core.spaces import Space, spaces_filled


def families(scheme: Scheme) -> dict[str, str]:
    return {family.name: "".join(family.letters) for family in scheme.families}


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
@pytest.mark.parametrize("build", [by_movement, by_size])
def test_a_built_in_scheme_has_every_letter_once(hand, build):
    arranged = [letter for family in build(hand).families for letter in family.letters]
    assert sorted(arranged) == sorted(LETTERS)


def test_letters_that_begin_with_the_same_movement_are_a_family():
    assert families(by_movement(PLAIN)) == {
        "Back and round": "acdefgoqs",
        "Down and back up": "bhmnpr",
        "Straight down": "ijklt",
        "Slopes": "vwxz",
        "Down and under": "uy",
    }


def test_lead_ins_do_not_make_a_family():
    for name in ("joined", "looped"):
        joined = families(by_movement(HANDS[name]))
        assert set("acdgoq") <= set(joined["Back and round"])
        assert set("mnpr") <= set(joined["Down and back up"])


def test_a_letter_that_breaks_its_familys_rule_says_how():
    (round_family,) = [f for f in by_movement(PLAIN).families if f.name == "Back and round"]
    assert dict(round_family.exceptions) == {
        "e": "begins between the base line and the mid line, straight across"
    }


def test_another_way_of_writing_moves_a_letter_to_another_family():
    slanted = families(by_movement(choose(PLAIN, {"y": "slanted"})))
    assert "y" in slanted["Slopes"]
    assert slanted["Down and under"] == "u"


def test_size_families_go_by_the_spaces_filled():
    assert families(by_size(PLAIN)) == {
        "Short": "aceimnorsuvwxz",
        "Tall": "bdfhklt",
        "Tailed": "gjpqy",
    }
    looped_f = spaces_filled(HANDS["looped"].scripts["f"], HANDS["looped"])
    assert looped_f == (Space.UPPER, Space.MIDDLE, Space.LOWER)


def test_the_faults_of_a_scheme_are_said_where_they_are():
    first = Family("one", ("a", "b", "c", "d", "e", "f"), "")
    second = Family("two", ("a", "ß"), "")
    found = [(f.family, f.letter) for f in faults(Scheme("mine", (first, second)), "abcdefg")]
    assert found == [(0, None), (1, "a"), (1, "ß"), (None, "g")]


@pytest.mark.parametrize("pair", ["bd", "hn", "nr", "uy", "ad", "ij", "pq", "mn", "ce", "gy"])
def test_pairs_that_teachers_warn_of_are_among_the_confusable(pair):
    table = likeness_table(PLAIN)
    ranked = sorted(table, key=lambda letters: -table[letters].confusable)
    assert tuple(pair) in ranked[: len(ranked) // 5]


def test_b_and_d_are_alike_in_the_mirror_and_not_in_movement():
    likeness = likeness_table(PLAIN)["b", "d"]
    assert likeness.mirror > 0.85
    assert likeness.shape < 0.4
    assert likeness.movement < 0.2


def test_the_likeliest_confusions_of_a_letter_come_first():
    likest = [letter for letter, _ in most_confusable(PLAIN, "n", 5)]
    assert {"h", "r", "m"} <= set(likest)
