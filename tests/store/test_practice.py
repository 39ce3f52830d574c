"""What the class has practised, and lessons, in the record."""

from dataclasses import replace
from datetime import UTC, date, datetime, timedelta

import pytest

from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.due import Practised
from firstloop.core.ink import Ink, Stroke
from firstloop.core.lesson import StepKind, plan
from firstloop.core.ruling import Ruling
from firstloop.core.style import Style
from firstloop.store import attempts, classes, lessons
from firstloop.store.handing_in import hand_in
from firstloop.store.practice import NEWEST, practised
from firstloop.store.records import Handedness, Help, JudgementRecord, NotInRecordError
from tests import letters

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)
GOOD, BAD = letters.good_n(), letters.n_from_the_base_line()


@pytest.fixture
def session(database, school_class):
    with database.session() as opened:
        lessons.set_taught(opened, school_class.id, set("nr"), MONDAY.date())
        yield opened


def write(session, school_class, ink, *, days: int, child: int = 0) -> int:
    record = hand_in(
        session,
        school_class,
        pupil_id=school_class.pupils[child].id,
        letter="n",
        help=Help.COPY,
        ink=ink,
        written_at=MONDAY + timedelta(days=days),
    )
    return record.id


def of(session, school_class, letter: str = "n") -> Practised:
    found = {one.letter: one for one in practised(session, school_class.id)}
    return found[letter]


def test_what_was_never_written_was_last_met_when_it_was_taught(session, school_class):
    found = of(session, school_class, "r")
    assert (found.last, found.times, found.shaky) == (MONDAY.date(), 0, 0.0)


def test_days_count_once_however_many_children_write(session, school_class):
    for days in (1, 1, 4):
        for child in (0, 1):
            write(session, school_class, GOOD, days=days, child=child)
    found = of(session, school_class)
    assert found.last == date(2026, 9, 11)
    assert found.times == 1  # it was there on two days, so it came back once


def test_the_newest_letter_counts_and_old_ones_are_forgotten(session, school_class):
    write(session, school_class, BAD, days=1)
    assert of(session, school_class).shaky == 1.0
    for days in range(2, 2 + NEWEST):
        write(session, school_class, GOOD, days=days)
    assert of(session, school_class).shaky == 0.0
    write(session, school_class, BAD, days=9, child=1)
    assert of(session, school_class).shaky == 0.5


def test_the_teachers_word_counts_more_than_the_checkers(session, school_class):
    kept = write(session, school_class, BAD, days=1)
    fine = dict.fromkeys(Dimension, Verdict.SECURE)
    attempts.judge(session, kept, JudgementRecord(MONDAY, fine, ""))
    assert of(session, school_class).shaky == 0.0


def test_another_class_is_none_of_its_business(session, school_class):
    other = classes.add(
        session,
        "Other",
        style=Style("plain"),
        ruling=Ruling(),
        x_height_mm=8.0,
        pupils=[("Ada", Handedness.LEFT)],
    )
    write(session, other, BAD, days=3)
    assert of(session, school_class).shaky == 0.0
    assert of(session, school_class).last == MONDAY.date()
    assert practised(session, other.id) == []


def test_a_lesson_is_kept_whole_and_in_place_of_one_not_given(session, school_class):
    day = MONDAY.date()
    lessons.add(session, school_class.id, day, plan(["n"], 20, words=["nap"]))
    second = lessons.add(session, school_class.id, day, plan(["r"], 15, sentence="Run."))
    assert lessons.get(session, school_class.id, second.id) == second
    assert lessons.between(session, school_class.id, day, day) == [second]
    lessons.close(session, school_class.id, second.id, MONDAY)
    lessons.add(session, school_class.id, day, plan(["m"], 20))
    kept = lessons.between(session, school_class.id, day, day)
    assert [one.lesson.new for one in kept] == [("r",), ("m",)]


def test_what_is_on_the_board_is_kept_by_step_and_goes_with_its_lesson(session, school_class):
    day = MONDAY.date()
    kept = lessons.add(session, school_class.id, day, plan(["n"], 20))
    stroke = Stroke.of([[0.0, 1.0], [0.0, 0.25]], [0.0, 0.4])
    args = (session, school_class.id, kept.id)
    lessons.keep_written(*args, StepKind.SHOW, Ink((stroke,)))
    lessons.keep_written(*args, StepKind.DATE, Ink((stroke, stroke)))
    (back,) = lessons.written(*args, StepKind.SHOW).strokes
    assert back.points.tolist() == stroke.points.tolist()
    assert back.times is not None
    assert back.times.tolist() == [0.0, 0.4]
    lessons.change(*args, replace(kept.lesson, sentence="Nap."))
    lessons.keep_written(*args, StepKind.SHOW, Ink(()))
    assert lessons.written(*args, StepKind.SHOW).strokes == ()
    assert len(lessons.written(*args, StepKind.DATE).strokes) == 2
    lessons.remove(*args)
    with pytest.raises(NotInRecordError):
        lessons.written(*args, StepKind.DATE)


def test_own_words_are_the_classs_and_can_be_forgotten(session, school_class):
    lessons.add_own_word(session, school_class.id, "(kn)oll")
    lessons.add_own_word(session, school_class.id, "(kn)oll")
    (word,) = lessons.own_words(session, school_class.id)
    assert [g.letters for g in word.graphemes] == ["kn", "o", "ll"]
    lessons.remove_own_word(session, school_class.id, "knoll")
    assert lessons.own_words(session, school_class.id) == ()
