"""What is said of a letter: no two letters are said alike, and a teacher's words win over ours."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import replace

import numpy as np
import pytest

from firstloop.core.letters import HANDS, PLAIN, Hand, draw
from firstloop.core.letters.hands import choose
from firstloop.core.letters.phrases import (
    Place,
    Wording,
    move_words,
    phrase,
    places,
    start_words,
    starts,
)
from firstloop.core.letters.ruling import Line, Ruling, RulingKind
from tests.core.letters import reader


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
        ("p", ["drop-low", "back", "wheel-stem"]),
        ("o", ["round-closed"]),
        ("c", ["round"]),
        ("C", ["round-tall"]),
        ("6", ["round-curled-tall"]),
        ("O", ["round-closed-tall"]),
        ("D", ["drop-tall", "wheel-whole"]),
        ("P", ["drop-tall", "wheel-stem-tall"]),
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
    [
        ("e", "lead-in-low"),
        ("n", "lead-in"),
        ("h", "lead-in-tall"),
        ("t", "lead-in-tall-half"),
        ("a", "lead-in-over"),
    ],
)
def test_a_lead_in_says_how_far_it_climbs(letter: str, expected: str) -> None:
    assert keys(HANDS["joined"], letter)[0] == expected


WAYS = [
    (hand.name, letter, way)
    for hand in HANDS.values()
    for letter, ways in hand.alternatives.items()
    for way in ways
]


def not_understood(hand: Hand, letters: Iterable[str]) -> set[str]:
    """Letters whose phrase, heard by the reader, draws another one rather than themselves."""
    names = list(hand.scripts)
    upright = replace(hand.proportions, slant_deg=0.0)
    models = [draw(hand.scripts[x], upright, Ruling()).paths() for x in names]
    wrong = set()
    for letter in letters:
        script = hand.scripts[letter]
        heard = reader.drawn(start_words(script), move_words(script))
        nearest = names[int(np.argmin(reader.distances(heard, models)))]
        if not any({letter, nearest} <= drawn for drawn in ({letter}, *DRAWN_ALIKE)):
            wrong.add(f"{letter} as {nearest}")
    return wrong


@pytest.mark.parametrize("hand", HANDS.values(), ids=lambda hand: hand.name)
def test_who_only_hears_a_phrase_draws_that_letter_and_no_other(hand: Hand) -> None:
    assert not_understood(hand, hand.scripts) == set()


@pytest.mark.parametrize(("hand", "letter", "way"), WAYS)
def test_so_does_who_hears_another_accepted_way(hand: str, letter: str, way: str) -> None:
    chosen = choose(HANDS[hand], {letter: way})
    assert not_understood(chosen, [letter]) == set()


def test_a_phrase_that_is_another_letters_is_found_out() -> None:
    scripts = PLAIN.scripts | {"n": replace(PLAIN.scripts["r"], letter="n")}
    heard = reader.drawn(start_words(scripts["n"]), move_words(scripts["n"]))
    models = [draw(PLAIN.scripts[x], PLAIN.proportions, Ruling()).paths() for x in "nr"]
    assert reader.distances(heard, models).argmin() == 1


@pytest.mark.parametrize("hand", HANDS.values(), ids=lambda hand: hand.name)
@pytest.mark.parametrize("kind", RulingKind)
def test_a_move_is_said_in_five_words_at_most(hand: Hand, kind: RulingKind) -> None:
    paper = Ruling.of(kind, 1.9, -0.95)
    for script in hand.scripts.values():
        said = [words for stroke in move_words(script, paper=paper) for words in stroke]
        assert all(0 < len(words.split()) <= 5 for words in said), said


@pytest.mark.parametrize(
    ("letter", "expected"),
    [
        ("k", ["start-at-top", "start-right-at-mid"]),
        ("t", ["start-under-top", "start-left-at-mid"]),
        ("E", ["start-at-top", "start-again", "start-stem-at-mid", "start-stem-at-base"]),
        ("A", ["start-at-top", "start-again", "start-slope-half"]),
        ("Q", ["start-at-top", "start-inside-half"]),
        ("i", ["start-at-mid", "start-dot-above"]),
        ("!", ["start-at-top", "start-dot-below"]),
    ],
)
def test_where_a_stroke_begins_is_told_by_what_stands(letter: str, expected: list[str]) -> None:
    assert [place.key for place in starts(PLAIN.scripts[letter])] == expected


def test_a_phrase_names_only_lines_that_are_there_and_as_the_school_does() -> None:
    n = PLAIN.scripts["n"]
    named = Ruling(names=((Line.MID, "dotted line"),))
    assert phrase(n, paper=named).startswith("at the dotted line: ")
    assert start_words(n, paper=Ruling(kind=RulingKind.BASE)) == ("at small height",)
    squares = phrase(PLAIN.scripts["p"], paper=Ruling.of(RulingKind.SQUARES, 2.0, -1.0))
    assert squares.startswith("at the middle square's top: straight down a square lower")


def test_a_start_may_be_said_in_her_own_words() -> None:
    wording = Wording({"start-again": "to the top again"}, {Place("b", 0, 0, "start"): "high"})
    assert start_words(PLAIN.scripts["b"], wording) == ("high",)
    assert start_words(PLAIN.scripts["B"], wording)[1] == "lift, to the top again"


def test_words_for_a_thing_in_general_are_said_of_each_kind_of_it() -> None:
    wording = Wording({"slope-down": "slide", "drop": "down we go"})
    assert phrase(PLAIN.scripts["x"], wording).count("slide") == 2
    assert phrase(PLAIN.scripts["l"], wording) == "at the top line: down we go"


def test_words_for_a_kind_win_over_those_for_the_thing() -> None:
    wording = Wording({"drop": "down", "drop-tall": "all the way down"})
    assert phrase(PLAIN.scripts["l"], wording) == "at the top line: all the way down"
    assert phrase(PLAIN.scripts["i"], wording).startswith("at the mid line: down;")


def test_words_for_a_place_win_over_all_and_stay_there() -> None:
    wording = Wording({"drop-tall": "everywhere"}, {Place("l", 0, 0, "drop"): "here"})
    assert phrase(PLAIN.scripts["l"], wording) == "at the top line: here"
    assert phrase(PLAIN.scripts["h"], wording).startswith("at the top line: everywhere")


def test_words_for_a_place_are_not_said_when_something_else_is_done_there() -> None:
    wording = Wording(at={Place("l", 0, 0, "round"): "round and round"})
    assert phrase(PLAIN.scripts["l"], wording) == phrase(PLAIN.scripts["l"])
