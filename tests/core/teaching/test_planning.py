"""What to teach next, and a lesson with its matter filled in."""

import string

import pytest

from firstloop.core.teaching.customs import Called
from firstloop.core.teaching.due import Due
from firstloop.core.teaching.families import Family, Scheme
from firstloop.core.teaching.planning import PAIRS, propose, what_next
from firstloop.core.teaching.steps import StepKind

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


@pytest.mark.parametrize(
    ("called", "aim"),
    [
        (Called.NAME, "Today you will write n."),
        (Called.SOUND, "Today you will write the first sound of “nap”."),
        (Called.BOTH, "Today you will write n, the first sound of “nap”."),
    ],
)
def test_the_aim_speaks_of_a_letter_as_the_school_does(called: Called, aim: str) -> None:
    assert propose(["n"], 20, taught="iatps", due=[], called=called).aim == aim


def test_what_begins_no_word_is_heard_at_the_end_and_a_digit_is_called_by_its_name() -> None:
    aim = propose(["x", "7"], 20, taught="satpinfo", due=[], called=Called.SOUND).aim
    assert aim == "Today you will write the last sound of “six” and 7."


def test_digits_come_with_things_counted_and_of_several_letters_each_has_one_word() -> None:
    assert propose(["7"], 20, taught="satpin", due=[]).sentence == "7 ants"
    words = propose(["n", "p", "7"], 20, taught="sati", due=[]).words
    assert len(words) == 2
    assert "n" in words[0]
    assert "p" in words[1]


def test_the_date_waits_for_a_capital_or_digit_of_it() -> None:
    def kinds(taught: str) -> set[StepKind]:
        lesson = propose(["n"], 20, taught=taught, due=[], date_text="Monday 2nd March 2026")
        return {step.kind for step in lesson.steps if not step.skipped}

    assert StepKind.DATE not in kinds("abc")
    assert StepKind.DATE in kinds("abcM")
    assert StepKind.DATE in kinds("abc6")


def test_the_sentence_of_a_pair_has_the_pair() -> None:
    for pair in ("sh", "ch", "th", "ee", "oo"):
        sentence = propose([pair], 20, taught=string.ascii_lowercase, due=[]).sentence
        assert pair in sentence.lower()
