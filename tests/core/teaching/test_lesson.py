"""The lesson: minutes that add up, steps that fit, changes that keep it whole; what is due."""

from collections.abc import Callable
from datetime import date, timedelta
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from firstloop.core.teaching.changing import (
    changed,
    moved,
    with_look_back,
    with_prompt,
    with_sentence,
    with_word,
    with_words,
)
from firstloop.core.teaching.due import Practised, due
from firstloop.core.teaching.instructions import prompts
from firstloop.core.teaching.lesson import (
    HALF,
    LONGEST_NOTE,
    MOST_LOOKED_BACK,
    MOST_WORDS,
    Lesson,
    LessonError,
    plan,
    retimed,
)
from firstloop.core.teaching.steps import STEPS, StepKind

TODAY = date(2026, 11, 25)


def full(minutes: int = 20) -> Lesson:
    return plan(["n"], minutes, look_back=["r"], words=["nap", "ant"], sentence="An ant naps.")


def kept(lesson: Lesson) -> list[StepKind]:
    return [step.kind for step in lesson.steps if not step.skipped]


@given(minutes=st.integers(5, 60))
def test_the_minutes_add_up_and_no_step_is_shorter_than_a_half(minutes: int) -> None:
    lesson = full(minutes)
    assert lesson.spent == minutes
    assert all(step.minutes >= HALF for step in lesson.steps)
    assert all((step.minutes / HALF).is_integer() for step in lesson.steps)


def test_a_full_lesson_has_every_step_in_the_order_of_practice() -> None:
    assert kept(full()) == [k for k in StepKind if k not in (StepKind.FREE, StepKind.PAUSE)]
    assert list(STEPS) == list(StepKind)


def test_a_short_lesson_leaves_out_what_can_be_done_without() -> None:
    assert {StepKind.SETTLE, StepKind.SHOW, StepKind.OWN, StepKind.CLOSE} <= set(kept(full(5)))
    assert [len(kept(full(minutes))) for minutes in (5, 10, 15, 20)] == [5, 7, 13, 13]


def test_steps_without_matter_are_skipped() -> None:
    skipped = {step.kind for step in plan(["n"], 20).steps if step.skipped}
    assert skipped == {
        StepKind.LOOK_BACK,
        StepKind.WORDS,
        StepKind.SENTENCE,
        StepKind.FREE,
        StepKind.PAUSE,
    }


def test_free_writing_comes_with_its_prompt_and_goes_without_it() -> None:
    asked = with_prompt(full(), "Who lives in your house?")
    assert StepKind.FREE in kept(asked)
    assert asked.spent == asked.minutes
    assert prompts(asked, StepKind.FREE)[0] == "Who lives in your house?"
    drawn = with_prompt(asked, "picture: boat")
    assert prompts(drawn, StepKind.FREE)[0].startswith("Write what you want")
    assert StepKind.FREE not in kept(with_prompt(drawn, ""))


@pytest.mark.parametrize(
    ("new", "minutes", "words"),
    [([], 20, "choose a letter"), (["n"], 4, "5 to 60 minutes"), (["n"], 61, "not 61")],
)
def test_a_lesson_that_cannot_be_given_says_why(new: Any, minutes: int, words: str) -> None:
    with pytest.raises(LessonError, match=words):
        plan(new, minutes)


@given(kind=st.sampled_from(list(StepKind)), by=st.integers(-20, 20))
def test_a_moved_step_is_still_there_once(kind: Any, by: Any) -> None:
    lesson = moved(full(), kind, by)
    assert sorted(step.kind for step in lesson.steps) == sorted(StepKind)
    assert lesson.spent == 20


def test_what_is_skipped_gives_its_minutes_to_the_others_and_gets_them_back() -> None:
    skipped = changed(full(), StepKind.SENTENCE, skipped=True)
    assert skipped.spent == 20
    assert changed(skipped, StepKind.SENTENCE, skipped=False) == full()


def test_a_step_timed_by_hand_keeps_its_minutes_when_the_rest_is_shared_out() -> None:
    longer = changed(full(), StepKind.OWN, minutes=6.2, note="whiteboards")
    assert longer.spent == 23
    again = retimed(longer, fixed=[StepKind.OWN])
    assert again.spent == 20
    own = next(step for step in again.steps if step.kind is StepKind.OWN)
    assert (own.minutes, own.note) == (6.0, "whiteboards")
    with pytest.raises(LessonError, match=r"0\.5 to 60 minutes"):
        changed(full(), StepKind.OWN, minutes=0.2)


def test_the_shaky_come_back_the_next_day_and_first() -> None:
    week = TODAY - timedelta(days=7)
    steady = Practised("l", week, week, 2, 0.1)
    shaky = Practised("r", week, TODAY - timedelta(days=1), 14, 0.6)
    found = due([steady, shaky], TODAY)
    assert [one.letter for one in found] == ["r", "l"]
    assert found[0].why == "not yet steady for two thirds of the class"


def test_words_take_the_place_of_words_and_leave_the_rest_as_it_was() -> None:
    lesson = full()
    again = with_words(lesson, [" pan ", "pin"])
    assert again.words == ("pan", "pin")
    assert (again.steps, again.sentence, again.look_back) == (
        lesson.steps,
        lesson.sentence,
        lesson.look_back,
    )
    assert with_sentence(again, " A pan. ").sentence == "A pan."


def test_a_word_is_taken_in_once_and_left_out_again() -> None:
    lesson = with_word(full(), "ant", there=True)
    assert lesson.words == full().words
    assert with_word(lesson, "nap", there=False).words == ("ant",)
    assert with_word(lesson, "sun", there=False).words == full().words


def test_a_letter_to_look_back_on_is_taken_in_and_left_out() -> None:
    lesson = with_look_back(full(), "i", there=True)
    assert lesson.look_back == ("r", "i")
    assert lesson.new == ("n",)
    assert with_look_back(lesson, "r", there=False).look_back == ("i",)


FULL_OF = plan(
    ["z"], 20, look_back="abcdefghij"[:MOST_LOOKED_BACK], words=[f"w{n}" for n in range(MOST_WORDS)]
)


@pytest.mark.parametrize(
    "change",
    [
        lambda: with_word(FULL_OF, "one", there=True),
        lambda: with_words(FULL_OF, [*FULL_OF.words, "one"]),
        lambda: with_look_back(FULL_OF, "z", there=True),
        lambda: with_word(full(), "x" * (LONGEST_NOTE + 1), there=True),
    ],
)
def test_more_than_a_lesson_holds_is_refused_and_said(change: Callable[[], Lesson]) -> None:
    with pytest.raises(LessonError, match=r"leave|shorter"):
        change()


def test_the_class_is_told_what_to_do_where_it_works_by_itself() -> None:
    told = {kind for kind in StepKind if prompts(full(), kind)}
    assert told == {
        StepKind.DATE,
        StepKind.LOOK_BACK,
        StepKind.FREE,
        StepKind.OWN,
        StepKind.BEST,
        StepKind.WORDS,
        StepKind.PAUSE,
        StepKind.CLOSE,
        StepKind.HOME,
    }
    assert "Where do n and m start?" in prompts(plan(["n", "m"], 20), StepKind.CLOSE)
