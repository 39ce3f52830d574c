"""Lessons: what today is about, what is practised, what is taught since when."""

from datetime import UTC, date, datetime, timedelta
from functools import partial
from typing import Any

import pytest

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.judging.word import Word
from firstloop.core.teaching.changing import with_sentence
from firstloop.core.teaching.lesson import LessonError
from firstloop.services import lessons
from firstloop.services.lessons import Asked, Today
from firstloop.store import school, taught_letters
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError
from tests import letters
from tests.services.conftest import MONDAY, Write
from tests.table import judge

GOOD, BAD = letters.good_n(), letters.n_from_the_base_line()


def today_of(database: Database, school_class: ClassRecord, now: datetime) -> Today:
    with database.session() as session:
        return lessons.today(session, school_class, now)


def due_of(database: Database, school_class: ClassRecord, letter: str = "n", days: Any = 20) -> Any:
    today = today_of(database, school_class, MONDAY + timedelta(days=days))
    return {one.letter: one for one in today.due}[letter]


in_print = partial(taught_letters.of_class, joined=False)


@pytest.fixture
def taught(database: Database, school_class: ClassRecord) -> None:
    lessons.set_taught(database, school_class, set("nr"), MONDAY)


@pytest.mark.usefixtures("taught")
class TestPractice:
    def test_what_was_never_written_was_last_met_when_it_was_taught(
        self, database: Database, school_class: ClassRecord
    ) -> None:
        assert due_of(database, school_class, "r").why == "last written 20 days ago"
        assert due_of(database, school_class, "r").days_over == 20 - 1

    def test_the_newest_practice_counts_and_days_once(
        self, database: Database, school_class: ClassRecord, write: Write
    ) -> None:
        for days in (1, 1, 4):
            for child in (0, 1):
                write(GOOD, days=days, child=child)
        found = due_of(database, school_class)
        assert found.why == "last written 16 days ago"
        assert found.days_over == 16 - 2  # written on two days, so it came back once

    def test_it_is_shaky_while_the_newest_letter_of_too_many_does_not_hold(
        self, database: Database, school_class: ClassRecord, write: Write
    ) -> None:
        write(BAD, days=1)
        assert due_of(database, school_class).shaky == 1.0
        write(GOOD, days=2)
        assert due_of(database, school_class).shaky == 0.0
        write(BAD, days=9, child=1)
        assert due_of(database, school_class).shaky == 0.5

    def test_due_and_grow_count_alike(
        self, database: Database, school_class: ClassRecord, write: Write
    ) -> None:
        """A letter seen on paper long ago and good with a pen since: one rule, one answer."""
        write(BAD, days=1)
        for days in range(2, 9):
            write(GOOD, days=days)
        assert due_of(database, school_class).shaky == 0.0

    def test_the_teachers_word_counts_more_than_the_checkers(
        self, database: Database, school_class: ClassRecord, write: Write
    ) -> None:
        kept = write(BAD, days=1)
        fine = dict.fromkeys(Dimension, Verdict.SECURE)
        judge(database, school_class.id, kept.id, Word(fine))
        assert due_of(database, school_class).shaky == 0.0


def test_a_lesson_teaches_its_letters_from_its_own_day_on(
    database: Database, school_class: ClassRecord
) -> None:
    planned = lessons.plan(database, school_class, Asked(("sh",), 20), MONDAY)
    lessons.close(database, school_class, planned.id, MONDAY + timedelta(days=3))
    with database.writing() as session:
        known = taught_letters.of_class(session, school_class.id, joined=False)
        before = taught_letters.of_class(
            session, school_class.id, joined=False, as_of=date(2026, 9, 6)
        )
    assert known == {"h": date(2026, 9, 7), "s": date(2026, 9, 7)}
    assert before == {}


def test_what_was_known_before_stays_known_since_then(
    database: Database, school_class: ClassRecord
) -> None:
    lessons.set_taught(database, school_class, {"n"}, MONDAY - timedelta(days=30))
    planned = lessons.plan(database, school_class, Asked(("n",), 20), MONDAY)
    lessons.close(database, school_class, planned.id, MONDAY)
    with database.writing() as session:
        assert taught_letters.of_class(session, school_class.id, joined=False) == {
            "n": date(2026, 8, 8)
        }


def test_a_second_plan_takes_the_place_of_one_not_given(
    database: Database, school_class: ClassRecord
) -> None:
    lessons.plan(database, school_class, Asked(("n",), 20), MONDAY)
    second = lessons.plan(database, school_class, Asked(("r",), 15), MONDAY)
    assert today_of(database, school_class, MONDAY).lesson == second
    lessons.close(database, school_class, second.id, MONDAY)
    third = lessons.plan(database, school_class, Asked(("m",), 20), MONDAY)
    today = today_of(database, school_class, MONDAY)
    assert [one.lesson.new for one in today.week[0][1]] == [("r",), ("m",)]
    assert today.lesson == third


def test_today_is_where_the_school_is(database: Database, school_class: ClassRecord) -> None:
    with database.writing() as session:
        school.set_zone(session, "Pacific/Auckland")
    late = datetime(2026, 9, 7, 13, 0, tzinfo=UTC)
    planned = lessons.plan(database, school_class, Asked(("n",), 20), late)
    assert planned.day == date(2026, 9, 8)
    assert today_of(database, school_class, late).lesson == planned


def test_a_change_that_cannot_be_keeps_the_lesson_as_it_was(
    database: Database, school_class: ClassRecord
) -> None:
    planned = lessons.plan(database, school_class, Asked(("n",), 20), MONDAY)
    with pytest.raises(LessonError):
        lessons.change(
            database, school_class.id, planned.id, lambda one: with_sentence(one, "x" * 500), MONDAY
        )
    assert today_of(database, school_class, MONDAY).lesson == planned
    with pytest.raises(NotInRecordError):
        lessons.change(database, school_class.id, 99, lambda one: one, MONDAY)


def test_a_proposal_is_what_would_be_planned_and_keeps_nothing(
    database: Database, school_class: ClassRecord
) -> None:
    with database.session() as session:
        proposed = lessons.proposal(session, school_class, Asked(("n",), 20), MONDAY)
    assert today_of(database, school_class, MONDAY).lesson is None
    assert lessons.plan(database, school_class, Asked(("n",), 20), MONDAY).lesson == proposed
