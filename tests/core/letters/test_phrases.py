"""What is said of a letter: no two letters are said alike, and a teacher's words win over ours."""

from collections import defaultdict

import pytest

from firstloop.core.letters import HANDS, PLAIN, Hand
from firstloop.core.letters.phrases import WORDS, Place, Wording, phrase, places


def keys(hand: Hand, letter: str) -> list[str]:
    return [place.key for stroke in places(hand.scripts[letter]) for place in stroke]


DRAWN_ALIKE = ({"l", "I", "1"}, {"O", "0"})
"""What is one movement, wider or narrower: what is said may be one as well."""


@pytest.mark.parametrize("hand", HANDS.values(), ids=lambda hand: hand.name)
def test_no_two_letters_are_said_alike_that_are_not_drawn_alike(hand: Hand) -> None:
    said = defaultdict(set)
    for letter, script in hand.scripts.items():
        said[phrase(script)].add(letter)
    alike = [letters for letters in said.values() if len(letters) > 1]
    assert [one for one in alike if not any(one <= drawn for drawn in DRAWN_ALIKE)] == []


@pytest.mark.parametrize(
    ("letter", "expected"),
    [
        ("l", ["drop-tall"]),
        ("n", ["drop", "back", "arch"]),
        ("p", ["drop-low", "back", "wheel"]),
        ("o", ["round-closed"]),
        ("c", ["round"]),
        ("C", ["round-tall"]),
        ("6", ["round-curled-tall"]),
        ("O", ["round-closed-tall"]),
        ("D", ["drop-tall", "wheel-whole"]),
        ("P", ["drop-tall", "wheel-tall"]),
        ("t", ["drop-tall", "curl", "cross"]),
        ("Z", ["cross-tall", "slope-down-left", "cross"]),
        ("d", ["round", "rise-tall", "drop"]),
        ("v", ["slope-down-right", "slope-up"]),
        ("x", ["slope-down-right", "slope-down-left"]),
    ],
)
def test_a_move_is_named_by_what_the_hand_does(letter: str, expected: list[str]) -> None:
    assert keys(PLAIN, letter) == expected


@pytest.mark.parametrize(
    ("letter", "expected"),
    [("e", "lead-in-low"), ("n", "lead-in"), ("h", "lead-in-tall"), ("t", "lead-in-tall")],
)
def test_a_lead_in_says_how_far_it_climbs(letter: str, expected: str) -> None:
    assert keys(HANDS["joined"], letter)[0] == expected


@pytest.mark.parametrize("hand", HANDS.values(), ids=lambda hand: hand.name)
def test_every_move_of_every_hand_has_words(hand: Hand) -> None:
    assert {key for letter in hand.scripts for key in keys(hand, letter)} <= WORDS.keys()


def test_words_for_a_thing_in_general_are_said_of_each_kind_of_it() -> None:
    wording = Wording({"slope-down": "slide", "drop": "down we go"})
    assert phrase(PLAIN.scripts["x"], wording) == "slide; slide"
    assert phrase(PLAIN.scripts["l"], wording) == "down we go"


def test_words_for_a_kind_win_over_those_for_the_thing() -> None:
    wording = Wording({"drop": "down", "drop-tall": "all the way down"})
    assert phrase(PLAIN.scripts["l"], wording) == "all the way down"
    assert phrase(PLAIN.scripts["i"], wording).startswith("down;")


def test_words_for_a_place_win_over_all_and_stay_there() -> None:
    wording = Wording({"drop-tall": "everywhere"}, {Place("l", 0, 0, "drop"): "here"})
    assert phrase(PLAIN.scripts["l"], wording) == "here"
    assert phrase(PLAIN.scripts["h"], wording).startswith("everywhere")


def test_words_for_a_place_are_not_said_when_something_else_is_done_there() -> None:
    wording = Wording(at={Place("l", 0, 0, "round"): "round and round"})
    assert phrase(PLAIN.scripts["l"], wording) == phrase(PLAIN.scripts["l"])
