"""The course of a lesson: letter steps that come round, and the shapes that lessons have."""

import pytest

from firstloop.core.teaching.changing import with_rounds
from firstloop.core.teaching.course import course
from firstloop.core.teaching.lesson import LessonError, plan, shaped, weight_of
from firstloop.core.teaching.steps import (
    ROUND_STEPS,
    SHAPES,
    Rounds,
    Shape,
    StepKind,
    usual_minutes,
)

SEVEN = list("rnmhbpk")


@pytest.mark.parametrize("shape", Shape)
@pytest.mark.parametrize("count", [1, 3, 7])
@pytest.mark.parametrize("rounds", Rounds)
def test_every_stop_has_time_and_all_of_them_fill_the_lesson(
    shape: Shape, count: int, rounds: Rounds
) -> None:
    new, minutes = SEVEN[:count], usual_minutes(shape, count)
    lesson = with_rounds(plan(new, minutes, words=["nap"], shape=shape), rounds)
    stops = course(lesson)
    assert sum(stop.minutes for stop in stops) == pytest.approx(minutes)
    assert all(stop.minutes > 0 for stop in stops)
    assert len({(stop.kind, stop.part) for stop in stops}) == len(stops)


@pytest.mark.parametrize("rounds", Rounds)
def test_a_letter_step_comes_to_every_letter_in_turn_and_no_other_step_twice(
    rounds: Rounds,
) -> None:
    stops = course(with_rounds(plan(SEVEN, 40), rounds))
    for kind in StepKind:
        parts = [stop.part for stop in stops if stop.kind is kind]
        assert parts in ([], SEVEN if kind in ROUND_STEPS else [None])
    for stop in stops:
        assert stop.about == (tuple(SEVEN) if stop.part is None else (stop.part,))


def test_letter_by_letter_one_is_done_before_the_next_is_begun() -> None:
    parts = [stop.part for stop in course(plan(SEVEN, 40)) if stop.part]
    assert parts == [letter for letter in SEVEN for _ in ROUND_STEPS]


def test_a_pair_is_one_thing_that_steps_come_round_to() -> None:
    stops = course(plan(["sh", "ch"], 20))
    assert {stop.part for stop in stops if stop.kind is StepKind.SHOW} == {"sh", "ch"}


def test_a_further_letter_takes_more_time_but_not_as_much_again() -> None:
    one, two = plan(["n"], 20), plan(["n", "m"], 20)
    for kind in StepKind:
        more = weight_of(kind, two) / weight_of(kind, one)
        assert (1 < more < 2) if kind in ROUND_STEPS else more == 1


@pytest.mark.parametrize("shape", Shape)
def test_another_shape_has_its_steps_and_keeps_what_the_teacher_set(shape: Shape) -> None:
    full = plan(["n"], 30, look_back=["r"], words=["nap"], sentence="Nap, Ned.")
    other = shaped(full, shape)
    assert {step.kind for step in other.steps if not step.skipped} == set(SHAPES[shape].steps)
    assert (other.words, other.look_back, other.spent) == (full.words, full.look_back, 30)
    assert shaped(other, Shape.FULL) == full


def test_nothing_new_teaches_nothing() -> None:
    assert plan(["n", "sh", "said"], 20).taught == ("n", "s", "h")
    assert plan(["n"], 8, shape=Shape.LOOK_BACK).taught == ()
    assert plan([], 8, words=["nap"], shape=Shape.WORDS).taught == ()


def test_more_than_a_large_family_is_another_lesson() -> None:
    with pytest.raises(LessonError, match="at most 7"):
        plan([*SEVEN, "a"], 40)
