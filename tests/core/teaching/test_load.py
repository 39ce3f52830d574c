"""How much a lesson asks of a hand: what is too much is said, and what is cut makes it less."""

from dataclasses import replace
from datetime import date

import pytest

from firstloop.core.contract import Stage
from firstloop.core.teaching.changing import changed
from firstloop.core.teaching.customs import USUAL, Customs, OwnAmount
from firstloop.core.teaching.lesson import Lesson, plan
from firstloop.core.teaching.load import PACE, Cut, Load, load_of, pace_of, with_cut
from firstloop.core.teaching.steps import Shape, StepKind
from firstloop.core.teaching.under_way import under_way
from firstloop.core.vocabulary.language import Language

SEVEN = list("rnmhbpk")
THREE_ROWS = replace(USUAL, own=OwnAmount.ROWS)


def load(lesson: Lesson, customs: Customs = USUAL, stage: Stage = Stage.DEVELOPING) -> Load:
    given = under_way(lesson, date(2026, 3, 2), Language(), customs)
    return load_of(given, stage, PACE[stage])


def test_a_usual_short_lesson_is_neither_too_much_nor_too_quick() -> None:
    found = load(plan(["n"], 8, words=["nap", "ant"], shape=Shape.SHORT))
    assert (found.letters, found.says, found.cuts) == (17, (), ())
    assert found.takes == pytest.approx(1.7)


def test_seven_letters_at_full_length_are_told_to_be_long() -> None:
    found = load(plan(SEVEN, 44, words=["nap"]))
    assert found.says[0].startswith("44 minutes are long at this age")
    assert Cut.FEWER_LETTERS in found.cuts


def test_three_rows_of_seven_letters_are_too_many_for_time_and_hand() -> None:
    lesson = plan(SEVEN, 26, shape=Shape.SHORT)
    before = load(lesson, THREE_ROWS)
    assert before.letters == 7 * 30
    assert any("minutes at this class's pace" in said for said in before.says)
    assert {Cut.FEWER_OWN, Cut.FEWER_LETTERS} <= set(before.cuts)
    after = load(with_cut(lesson, Cut.FEWER_OWN), THREE_ROWS)
    assert after.letters == 7 * 11
    assert Cut.FEWER_OWN not in after.cuts


def test_a_step_with_far_too_little_time_is_named() -> None:
    lesson = changed(plan(["n"], 20, words=["nap"]), StepKind.OWN, minutes=0.5)
    found = load(replace(lesson, steps=lesson.steps), stage=Stage.BEGINNING)
    (said,) = [one for one in found.says if one.startswith("Trace, finish, own: half a minute")]
    assert said.endswith("for 11 letters, which take about 2 minutes.")


def test_a_pause_rests_the_hand() -> None:
    words = ["yesterday", "tomorrow", "holiday", "together", "birthday"]
    lesson = plan(["n"], 20, words=words, sentence="We went to the sea together in the holiday.")
    lesson = replace(lesson, word_times=1)
    before = load(lesson, stage=Stage.BEGINNING)
    assert any("without a rest" in said for said in before.says)
    assert Cut.PAUSE in before.cuts
    after = load(with_cut(lesson, Cut.PAUSE), stage=Stage.BEGINNING)
    assert not any("79 letters without a rest" in said for said in after.says)
    assert Cut.PAUSE not in after.cuts


@pytest.mark.parametrize("cut", Cut)
def test_what_is_cut_leaves_no_more_to_write_and_the_minutes_as_they_were(cut: Cut) -> None:
    lesson = plan(["n", "m"], 25, words=["nap", "man"], sentence="A man naps.")
    less = with_cut(lesson, cut)
    assert load(less, THREE_ROWS).letters <= load(lesson, THREE_ROWS).letters
    assert less.spent == lesson.spent


def test_a_class_is_as_quick_as_its_own_pads_say_once_they_know_enough() -> None:
    assert pace_of(Stage.SECURE, []) == PACE[Stage.SECURE]
    assert pace_of(Stage.BEGINNING, [4.0] * 199) == PACE[Stage.BEGINNING]
    assert pace_of(Stage.BEGINNING, [4.0] * 200 + [300.0] * 900) == 15.0
    assert pace_of(Stage.BEGINNING, [0.1] * 300) == 30.0


def test_a_letter_that_waits_takes_its_word_along_and_leaves_the_aim_true() -> None:
    words, aim = ["nap", "man", "tin"], "Today you will write n and m."
    less = with_cut(plan(["n", "m"], 20, words=words, aim=aim), Cut.FEWER_LETTERS)
    assert (less.new, less.words) == (("n",), ("nap", "tin"))
    assert less.aim == "Today you will write n."
    hers = with_cut(plan(["n", "m"], 20, aim="Our humps."), Cut.FEWER_LETTERS)
    assert hers.aim == "Our humps."
