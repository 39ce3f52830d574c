"""What pads are for at each stop of a lesson, and how it goes for who writes on them."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import permutations

import pytest

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.course import course
from firstloop.core.teaching.customs import USUAL, Customs, OwnAmount
from firstloop.core.teaching.going import AGAIN, QUIET, Going, Wrote, how_it_goes
from firstloop.core.teaching.lesson import Lesson, plan
from firstloop.core.teaching.lesson_codes import WORDS, new_code, plain
from firstloop.core.teaching.pads import Doing, doing_at, stop_at, task_now, tasks_at, tasks_of
from firstloop.core.teaching.steps import Shape, StepKind

DATE = "Monday 2nd March 2026"
FULL = plan(["n"], 25, look_back=["r", "m"], words=["nap"], sentence="Nap, Ned.")
BEGAN = datetime(2026, 1, 12, 9, 0, tzinfo=UTC)


def at(lesson: Lesson, step: StepKind, customs: Customs = USUAL) -> list[tuple[str, str, str]]:
    stop = stop_at(lesson, step, None, DATE, customs)
    assert stop is not None
    found = tasks_at(stop, lesson, DATE, customs)
    return [(one.kind.value, one.target, one.help.value) for one in found]


def test_every_step_has_something_to_do_and_what_is_written_has_a_task() -> None:
    for stop in course(FULL):
        writes = bool(tasks_at(stop, FULL, DATE, USUAL))
        assert writes == (doing_at(stop) is Doing.WRITE), stop.kind


def test_help_fades_from_dots_to_ones_own() -> None:
    helps = [Help.TRACE, Help.FINISH, Help.COPY]
    assert at(FULL, StepKind.OWN) == [("letter", "n", help.value) for help in helps]
    assert at(plan(["sh"], 20), StepKind.OWN) == [("word", "sh", help.value) for help in helps]


def test_from_memory_words_have_no_model_and_letters_come_one_by_one() -> None:
    memory = replace(USUAL, from_memory=True)
    assert at(FULL, StepKind.WORDS, memory) == [("word", "nap", "recall")]
    assert at(FULL, StepKind.LOOK_BACK, memory) == [
        ("letter", "r", "recall"),
        ("letter", "m", "recall"),
    ]
    assert at(FULL, StepKind.SENTENCE, memory) == at(FULL, StepKind.SENTENCE)


@pytest.mark.parametrize(("own", "enough"), [("few", 5), ("row", 8), ("rows", 24), ("any", None)])
def test_enough_is_what_the_class_says(own: str, enough: int | None) -> None:
    customs = replace(USUAL, own=OwnAmount(own))
    assert tasks_of(FULL, DATE, customs)[Kind.LETTER, "n", Help.COPY].enough == enough


def test_a_lesson_that_no_board_has_begun_is_at_the_first_thing_to_write() -> None:
    short = plan(["n"], 8, shape=Shape.SHORT)
    stop = stop_at(short, None, None, DATE, USUAL)
    assert stop is not None
    assert stop.kind is StepKind.OWN
    settled = stop_at(FULL, StepKind.SETTLE, None, DATE, USUAL)
    assert doing_at(settled) is Doing.WATCH


def test_without_a_limit_the_last_task_goes_on_and_on() -> None:
    customs = replace(USUAL, own=OwnAmount.ANY)
    stop = stop_at(FULL, StepKind.OWN, None, DATE, customs)
    assert stop is not None
    tasks = tasks_at(stop, FULL, DATE, customs)
    now = task_now(tasks, {task.key: 100 for task in tasks})
    assert now is not None
    assert (now.help, now.enough) == (Help.COPY, None)
    assert task_now((), {}) is None


def goes(*wrote: Wrote, after: timedelta = timedelta(seconds=60), **changes: bool) -> Going:
    known = {"has_pad": True, "enough": False} | changes
    return how_it_goes(wrote, BEGAN + after, BEGAN, **known)


def test_who_is_stuck_is_found_whatever_it_is() -> None:
    def made(**changes: object) -> list[Wrote]:
        return [
            replace(Wrote(BEGAN + timedelta(seconds=5 * place)), **changes)  # type: ignore[arg-type]
            for place in range(AGAIN)
        ]

    assert goes(*made(to_mend=Code.OPEN_GAP)) is Going.STUCK
    assert goes(*made(struck=True)) is Going.STUCK
    assert goes(*made()) is Going.WRITING
    assert goes(*made()[:1], after=QUIET + timedelta(seconds=1)) is Going.STUCK
    assert goes(*made(), enough=True, after=timedelta(hours=1)) is Going.ENOUGH
    assert goes(*made(), has_pad=False) is Going.AWAY
    before = Wrote(BEGAN - timedelta(seconds=1))
    assert goes(before) is Going.NOT_BEGUN  # that was another step's


def test_codes_are_short_words_of_which_no_two_pairs_read_alike() -> None:
    assert len(set(WORDS)) == len(WORDS) > 250
    assert all(word.isalpha() and 3 <= len(word) <= 7 for word in WORDS)
    codes = [plain(f"{one} {other}") for one, other in permutations(WORDS, 2)]
    assert len(set(codes)) == len(codes)
    drawn = iter(["owl", "kite", "sun", "moss"])
    assert new_code(lambda _: next(drawn), {"owlkite"}) == "sun moss"
