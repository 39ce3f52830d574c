"""What to teach next, and a lesson with its matter filled in."""

import pytest

from firstloop.core.teaching.due import Due
from firstloop.core.teaching.families import Family, Scheme
from firstloop.core.teaching.planning import PAIRS, propose, what_next

SCHEME = Scheme("mine", (Family("Down", tuple("lit"), ""), Family("Round", tuple("cosh"), "")))


def new(taught: str) -> list[str]:
    return [" ".join(one.new) for one in what_next(SCHEME, taught)]


@pytest.mark.parametrize(
    ("taught", "expected"),
    [
        ("", ["l", "c", "l i t"]),
        ("l", ["i", "c", "i t"]),
        ("lit", ["c", "c o s h"]),
        ("lits", ["c", "c o h"]),
        ("litc", ["o", "o s h"]),
        ("litcos", ["h"]),
        ("litcosh", ["sh", "ch"]),
    ],
)
def test_the_familys_next_letter_and_the_next_familys_come_first(
    taught: str, expected: list[str]
) -> None:
    assert [one for one in new(taught) if one not in PAIRS or one in expected] == expected


def test_a_family_in_one_lesson_is_no_larger_than_wished_nor_than_a_lesson_may_be() -> None:
    large = Scheme("large", (Family("All", tuple("acdeghijk"), ""),))
    for largest, expected in ((3, "acd"), (5, "acdeg"), (8, "acdeghi")):
        assert "".join(what_next(large, "", largest)[1].new) == expected


@pytest.mark.parametrize("taught", ["s", "h", "lit", "so", "ch"])
def test_a_pair_is_proposed_only_once_both_its_letters_are_taught(taught: str) -> None:
    pairs = [one for one in new(taught) if len(one) == 2]
    assert all(set(pair) <= set(taught) for pair in pairs)
    assert ("ch" in pairs) == (taught == "ch")


def test_what_is_due_is_looked_back_on_but_not_what_is_new() -> None:
    due = [Due(letter, 1, 0.0, "") for letter in "nrmhb"]
    lesson = propose(["m"], 20, taught="nrhb", due=due)
    assert lesson.look_back == ("n", "r", "h", "b")


def test_words_and_sentence_are_of_taught_letters_and_hold_the_new_one() -> None:
    lesson = propose(["n"], 20, taught="iatpscekmd", due=[])
    known = set("iatpscekmdn")
    assert len(lesson.words) == 4
    assert all(set(word.lower()) <= known for word in lesson.words)
    assert all("n" in word for word in lesson.words)
    assert {x for x in lesson.sentence.lower() if x.isalpha()} <= known


def test_with_few_letters_there_is_no_matter_and_its_steps_are_skipped() -> None:
    lesson = propose(["l"], 20, taught="", due=[])
    assert (lesson.words, lesson.sentence, lesson.look_back) == ((), "", ())
    skipped = {step.kind.value for step in lesson.steps if step.skipped}
    assert {"words", "sentence", "look_back"} <= skipped
