"""What one child gets otherwise than its class."""

from datetime import date

import pytest

from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.customs import USUAL
from firstloop.core.teaching.gets import AS_THE_CLASS, FEWER, Gets, LineSize
from firstloop.core.teaching.lesson import plan
from firstloop.core.teaching.pad_tasks import PadTask
from firstloop.core.teaching.steps import StepKind
from firstloop.core.teaching.under_way import UnderWay, under_way
from firstloop.core.vocabulary.language import Language


def lesson() -> UnderWay:
    given = plan(["n"], 20, look_back=["r", "m"], words=["nap", "men"])
    return under_way(given, date(2026, 3, 2), Language(), USUAL, StepKind.OWN)


def tasks_of(given: UnderWay, gets: Gets) -> list[PadTask]:
    return [task for moment in given.moments for task in moment.given(gets).tasks]


def test_who_gets_nothing_else_writes_what_the_class_writes() -> None:
    given = lesson()
    assert [moment.given(AS_THE_CLASS) for moment in given.moments] == list(given.moments)


def test_fewer_letters_are_three_of_five_of_everything_and_never_none() -> None:
    given = lesson()
    usual, fewer = tasks_of(given, AS_THE_CLASS), tasks_of(given, Gets(fewer=True))
    assert [task.key for task in fewer] == [task.key for task in usual]
    for less, task in zip(fewer, usual, strict=True):
        assert less.enough is not None
        assert task.enough is not None
        assert 1 <= less.enough <= task.enough
        assert less.enough - 1 < FEWER * task.enough <= less.enough


def test_more_help_begins_each_own_letter_with_its_dots_once() -> None:
    task = PadTask(StepKind.LOOK_BACK, Kind.LETTER, "r", Help.RECALL)
    dots, own = Gets(more_help=True).of([task])
    assert (dots.help, own.help) == (Help.FINISH, Help.COPY)
    given = lesson().now
    assert given is not None
    helps = [task.help for task in given.given(Gets(more_help=True)).tasks]
    assert helps == [Help.TRACE, Help.FINISH, Help.COPY]  # it has them already


@pytest.mark.parametrize("gets", [Gets(more_help=True), Gets(fewer=True, more_help=True)])
def test_whatever_a_child_gets_its_lesson_asks_for(gets: Gets) -> None:
    given = lesson()
    assert all(given.asks_for(task.key) for task in tasks_of(given, gets))
    assert not given.asks_for((Kind.LETTER, "z", Help.FINISH))


def test_progress_is_counted_by_what_the_child_gets() -> None:
    now = lesson().now
    assert now is not None
    now = now.given(Gets(fewer=True))
    written = {task.key: 2 for task in now.tasks}
    assert now.progress(written).enough == 2 + 2 + 3
    assert not now.progress(written).is_enough
    assert now.progress(written | {now.tasks[-1].key: 3}).is_enough


def test_lines_grow_and_as_the_class_is_as_high() -> None:
    heights = [Gets(lines=size).times_as_high for size in LineSize]
    assert heights == sorted(set(heights))
    assert heights[0] == 1.0
