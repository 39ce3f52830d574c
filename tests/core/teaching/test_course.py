"""The course of a lesson: letter steps that come round, and the shapes that lessons have."""

import pytest

from firstloop.core.teaching.changing import moved, with_rounds
from firstloop.core.teaching.course import course
from firstloop.core.teaching.lesson import LessonError, plan, shaped, weight_of
from firstloop.core.teaching.steps import (
    ROUND_STEPS,
    SHAPES,
    Rounds,
    Shape,
    SlipsAt,
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
    stops = course(plan(SEVEN, 40, words=["run", "net", "mat", "hat", "bat", "pen", "kit"]))
    own = [kind for kind in ROUND_STEPS if kind is not StepKind.PAUSE]
    assert [(one.part, one.kind) for one in stops if one.part] == [
        (letter, kind) for letter in SEVEN for kind in own
    ]


def test_each_letter_has_a_word_of_its_own_and_what_is_left_comes_at_the_end() -> None:
    words = ["hen", "pan", "nap", "tin"]
    stops = [s for s in course(plan(["n", "p"], 30, words=words)) if s.kind is StepKind.WORDS]
    assert [(s.part, s.words) for s in stops] == [
        ("n", ("hen",)),
        ("p", ("pan",)),
        (None, ("nap", "tin")),
    ]
    assert len({s.minutes / len(s.words) for s in stops}) == 1


def test_words_that_were_moved_to_the_end_are_for_all_letters_at_once() -> None:
    lesson = moved(plan(["n", "p"], 30, words=["hen", "pan"], sentence="Nap."), StepKind.WORDS, 3)
    stops = [stop for stop in course(lesson) if stop.kind is StepKind.WORDS]
    assert [(stop.part, stop.words) for stop in stops] == [(None, ("hen", "pan"))]


@pytest.mark.parametrize(
    ("slips", "expected"),
    [
        (SlipsAt.AFTER, ["show", "big", "slips", "own"]),
        (SlipsAt.BEFORE, ["show", "slips", "big", "own"]),
        (SlipsAt.NEVER, ["show", "big", "own"]),
    ],
)
def test_slips_come_where_the_school_has_them_and_never_before_the_letter_was_seen(
    slips: SlipsAt, expected: list[str]
) -> None:
    stops = course(plan(["n", "m"], 20, slips=slips, shape=Shape.SHORT))
    assert [stop.kind.value for stop in stops if stop.part == "n"][:-1] == expected


def test_the_date_waits_until_it_can_be_written() -> None:
    assert StepKind.DATE not in [stop.kind for stop in course(plan(["n"], 20, dated=False))]


def test_a_whole_word_is_shown_whole() -> None:
    said = plan(["said"], 20, words=["said"])
    assert said.parts == ("said",)
    kinds = {stop.kind for stop in course(said)}
    assert not kinds & {StepKind.FAMILY, StepKind.SLIPS}


@pytest.mark.parametrize("shape", Shape)
def test_every_shape_of_lesson_begins_by_settling_longest_in_the_full_one(shape: Shape) -> None:
    lesson = plan(["n"], 20, words=["nap"], shape=shape)
    assert course(lesson)[0].kind is StepKind.SETTLE
    assert (weight_of(StepKind.SETTLE, lesson) == 1.0) is (shape is Shape.FULL)


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
