"""What pads are for at each stop of a lesson, and how it goes for who writes on them."""

from dataclasses import replace
from datetime import UTC, date, datetime, timedelta
from itertools import permutations

import pytest

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.changing import with_gap, with_line_filled, with_word_times
from firstloop.core.teaching.customs import USUAL, Customs, OwnAmount
from firstloop.core.teaching.going import AGAIN, QUIET, Going, Wrote, how_it_goes
from firstloop.core.teaching.lesson import Lesson, LessonError, plan
from firstloop.core.teaching.lesson_codes import WORDS, new_code, plain
from firstloop.core.teaching.pad_tasks import FREELY, Doing, task_now
from firstloop.core.teaching.steps import Shape, StepKind
from firstloop.core.teaching.under_way import Moment, Progress, UnderWay, under_way
from firstloop.core.vocabulary.language import Language

DAY = date(2026, 3, 2)
FULL = plan(["n"], 25, look_back=["r", "m"], words=["nap"], sentence="Nap, Ned.")
BEGAN = datetime(2026, 1, 12, 9, 0, tzinfo=UTC)


def given(lesson: Lesson, step: StepKind | None = None, customs: Customs = USUAL) -> UnderWay:
    return under_way(lesson, DAY, Language(), customs, step)


def now(lesson: Lesson, step: StepKind | None = None, customs: Customs = USUAL) -> Moment:
    found = given(lesson, step, customs).now
    assert found is not None
    return found


def at(lesson: Lesson, step: StepKind, customs: Customs = USUAL) -> list[tuple[str, str, str]]:
    return [(x.kind.value, x.target, x.help.value) for x in now(lesson, step, customs).tasks]


def test_every_step_has_something_to_do_and_what_is_written_has_a_task() -> None:
    for moment in given(FULL).moments:
        assert bool(moment.tasks) == (moment.doing is Doing.WRITE), moment.name
        assert all(given(FULL).asks_for(task.key) for task in moment.tasks)


def test_what_may_be_written_from_memory_or_from_a_model_is_asked_for_either_way() -> None:
    for from_memory in (False, True):
        lesson = given(FULL, customs=replace(USUAL, from_memory=from_memory))
        assert lesson.asks_for((Kind.WORD, "nap", Help.COPY))
        assert lesson.asks_for((Kind.WORD, "nap", Help.RECALL))
        assert not lesson.asks_for((Kind.WORD, "nap", Help.TRACE))


def test_more_than_enough_of_one_task_makes_up_for_no_other() -> None:
    trace, finish, own = now(FULL, StepKind.OWN).tasks
    assert now(FULL, StepKind.OWN).progress({trace.key: 11}) == Progress(3, 11, is_enough=False)
    done = {trace.key: 3, finish.key: 4, own.key: 5}
    assert now(FULL, StepKind.OWN).progress(done) == Progress(11, 11, is_enough=True)
    any_number = replace(USUAL, own=OwnAmount.ANY)
    assert now(FULL, StepKind.OWN, any_number).progress(done) == Progress(11, None, is_enough=False)
    assert not now(FULL, StepKind.SETTLE).progress({}).is_enough


def test_who_has_written_all_may_write_on_freely_and_it_counts_for_nothing() -> None:
    moment = now(FULL, StepKind.OWN)
    assert moment.further.startswith("Done early? Find more words with n")
    assert given(FULL).asks_for(FREELY)
    before = moment.progress({})
    assert moment.progress({FREELY: 5}) == before
    assert now(FULL, StepKind.DATE).further == ""
    looked_back = plan(["n"], 10, shape=Shape.LOOK_BACK)
    assert at(looked_back, StepKind.OWN) == [("letter", "n", "copy")]  # nothing is traced again


def test_a_word_is_written_so_often_a_sequence_to_its_end_a_sentence_with_a_gap() -> None:
    lesson = with_gap(with_line_filled(with_word_times(FULL, 3), filled=True), "Ned")
    (word,) = now(lesson, StepKind.WORDS).tasks
    assert (word.target, word.enough) == ("nap", 3)
    assert "Write each one 3 times." in now(lesson, StepKind.WORDS).said
    (sequence,) = now(lesson, StepKind.LOOK_BACK).tasks
    assert sequence.target == "r m r m r m r m"
    (sentence,) = now(lesson, StepKind.SENTENCE).tasks
    assert (sentence.target, sentence.gap) == ("Nap, Ned.", "Ned")
    with pytest.raises(LessonError, match="no word of the sentence"):
        with_gap(FULL, "Sam")
    with pytest.raises(LessonError, match="1 to 5 times"):
        with_word_times(FULL, 6)


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
    assert now(FULL, StepKind.OWN, customs).tasks[-1].enough == enough


@pytest.mark.parametrize(("own", "enough"), [("few", 3), ("row", 3), ("rows", 3), ("any", None)])
def test_a_pair_is_written_less_often_than_a_letter_and_helped_once(
    own: str, enough: int | None
) -> None:
    customs = replace(USUAL, own=OwnAmount(own))
    tasks = now(plan(["sh"], 20), StepKind.OWN, customs).tasks
    assert [task.enough for task in tasks] == [1, 1, enough]


def test_what_is_looked_back_on_may_be_letters_and_words() -> None:
    lesson = plan(["n"], 25, look_back=["r", "sh", "m", "nap"])
    words = [("word", "sh", "copy"), ("word", "nap", "copy")]
    assert at(lesson, StepKind.LOOK_BACK) == [("sequence", "r m", "copy"), *words]
    assert at(plan(["n"], 25, look_back=["sh", "nap"]), StepKind.LOOK_BACK) == words
    memory = replace(USUAL, from_memory=True)
    recalled = [("letter", "r"), ("letter", "m"), ("word", "sh"), ("word", "nap")]
    assert at(lesson, StepKind.LOOK_BACK, memory) == [(*one, "recall") for one in recalled]


HEARD = {StepKind.WORDS, StepKind.SENTENCE}


@pytest.mark.parametrize(
    ("customs", "steps"),
    [
        (replace(USUAL, own=OwnAmount.ROWS), {StepKind.OWN}),
        (replace(USUAL, rubbing_out=True), {StepKind.WORDS}),
        (replace(USUAL, from_memory=True), {StepKind.LOOK_BACK, *HEARD}),
        (replace(USUAL, answers=True, tilted=True, largest_family=3, open_joins=True), set()),
    ],
)
def test_a_custom_changes_the_steps_that_it_is_about_and_no_other(
    customs: Customs, steps: set[StepKind]
) -> None:
    usual, changed = given(FULL).moments, given(FULL, customs=customs).moments
    differ = {a.stop.kind for a, b in zip(usual, changed, strict=True) if a != b}
    assert differ == steps


def test_a_lesson_that_no_board_has_begun_is_at_the_first_thing_to_write() -> None:
    short = plan(["n"], 8, shape=Shape.SHORT)
    assert now(short).stop.kind is StepKind.OWN
    assert now(FULL, StepKind.SETTLE).doing is Doing.WATCH


def test_without_a_limit_the_last_task_goes_on_and_on() -> None:
    customs = replace(USUAL, own=OwnAmount.ANY)
    moment = now(FULL, StepKind.OWN, customs)
    last = moment.task_for({task.key: 100 for task in moment.tasks})
    assert last is not None
    assert (last.help, last.enough) == (Help.COPY, None)
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
    among = made(struck=True)
    assert goes(replace(among[0], struck=False), *among[1:]) is Going.WRITING
    assert goes(*made()[:1], after=QUIET + timedelta(seconds=1)) is Going.STUCK
    assert goes(*made(), enough=True, after=timedelta(hours=1)) is Going.ENOUGH
    assert goes(*made(), has_pad=False) is Going.AWAY
    before = Wrote(BEGAN - timedelta(seconds=1))
    assert goes(before) is Going.NOT_BEGUN  # that was another step's
    assert goes(before, enough=True) is Going.ENOUGH  # or this one's, come back to


def test_who_writes_slowly_and_steadily_is_not_stuck() -> None:
    every = QUIET - timedelta(seconds=10)
    wrote = [Wrote(BEGAN + place * every) for place in range(1, 5)]
    assert goes(*wrote, after=4 * every + QUIET) is Going.WRITING
    assert goes(*wrote, after=4 * every + QUIET + timedelta(seconds=1)) is Going.STUCK


def test_codes_are_short_words_of_which_no_two_pairs_read_alike() -> None:
    assert len(set(WORDS)) == len(WORDS) > 250
    assert all(word.isalpha() and 3 <= len(word) <= 7 for word in WORDS)
    codes = [plain(f"{one} {other}") for one, other in permutations(WORDS, 2)]
    assert len(set(codes)) == len(codes)
    drawn = iter(["owl", "kite", "sun", "moss"])
    assert new_code(lambda _: next(drawn), {"owlkite"}) == "sun moss"
