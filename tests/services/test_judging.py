"""Words on what was written: whose counts, and what rests on them."""

from datetime import timedelta
from typing import Any

import pytest
from sqlalchemy import text

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.judging.word import How, OnFinding, Word
from firstloop.services import judging
from firstloop.services.handing_in import hand_in_text
from firstloop.services.judging import Said
from firstloop.services.lessons import habits_of
from firstloop.services.trusting import count_from, doubted_in
from firstloop.store import attempts, finding_trust, practice_days, taught_letters
from firstloop.store.database import Database
from firstloop.store.judging import About, Author, words_on
from firstloop.store.records import ClassRecord, NotInRecordError
from tests import letters
from tests.growing import rests_on, stands
from tests.services.conftest import MONDAY, Write
from tests.table import NOON, judge
from tests.teachers import teacher_of

SAW_HER_START = Word({Dimension.DIRECTION: Verdict.SECURE}, note="saw her start")
UNWRITTEN = 0.62
"""The chance of a letter of which nothing is known: one that held is above."""
NO = Word(findings={Code.START_PLACE: OnFinding.NOT_SO})


def direction(database: Database, school_class: ClassRecord) -> Any:
    ((p, rests_on),) = {
        (chance.p, chance.rests_on)
        for (_, _, dimension), chance in stands(database, school_class.id).items()
        if dimension is Dimension.DIRECTION
    }
    assert rests_on == 1
    return Verdict.SECURE if p > UNWRITTEN else Verdict.NOT_YET


def test_the_teachers_word_is_kept_beside_the_checkers_and_counts(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    found = judge(database, school_class.id, kept.id, SAW_HER_START)
    assert found.judgement is not None
    assert (found.judgement.author, found.judgement.word.note) == ("Ms Reed", "saw her start")
    assert found.judgement.word.findings == {Code.START_PLACE: OnFinding.NOT_SO}
    assert found.attempt.checked.verdicts[Dimension.DIRECTION] is Verdict.NOT_YET
    assert found.held[Dimension.DIRECTION] is Verdict.SECURE
    assert direction(database, school_class) is Verdict.SECURE


def test_a_second_word_takes_the_place_of_the_first(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, SAW_HER_START)
    judge(database, school_class.id, kept.id, Word())
    with database.session() as session:
        (only,) = words_on(session, school_class.id, About(attempt_id=kept.id))
    assert only.word.note == ""
    assert direction(database, school_class) is Verdict.NOT_YET


def test_taken_back_the_checkers_word_stands_again(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, SAW_HER_START)
    assert judge(database, school_class.id, kept.id, None).judgement is None
    assert direction(database, school_class) is Verdict.NOT_YET


def test_several_words_stand_side_by_side_and_only_a_teachers_counts(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, Word(), at=NOON)
    later = NOON + timedelta(hours=1)
    judge(database, school_class.id, kept.id, NO, by="Mr Wren", is_teacher=False, at=later)
    with database.session() as session:
        words = words_on(session, school_class.id, About(attempt_id=kept.id))
    assert [(one.author, one.counts) for one in words] == [("Mr Wren", False), ("Ms Reed", True)]
    assert direction(database, school_class) is Verdict.NOT_YET


def test_of_two_who_teach_the_class_the_newest_counts_and_after_it_the_other(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, Word(), at=NOON)
    later = NOON + timedelta(hours=1)
    found = judge(database, school_class.id, kept.id, NO, by="Mr Wren", at=later)
    assert found.judgement is not None
    assert found.judgement.author == "Mr Wren"
    assert direction(database, school_class) is Verdict.SECURE
    found = judge(database, school_class.id, kept.id, None, by="Mr Wren")
    assert found.judgement is not None
    assert found.judgement.author == "Ms Reed"
    assert direction(database, school_class) is Verdict.NOT_YET


def test_what_is_set_aside_counts_nowhere_until_it_is_taken_back(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = [write() for _ in range(5)]
    with database.writing() as session:
        taught_letters.add(session, school_class.id, {"n"}, MONDAY.date(), joined=False)

    def counted() -> Any:
        with database.session() as session:
            return (
                rests_on(database, school_class.id),
                practice_days.of_class(session, school_class.id),
                habits_of(session, school_class, NOON),
            )

    before = counted()
    assert all(before)
    for one in kept:
        judge(database, school_class.id, one.id, Word(set_aside=True))
    assert counted() == ({}, {}, ())
    for one in kept:
        judge(database, school_class.id, one.id, None)
    assert counted() == before


def test_habits_are_proposed_from_what_she_saw_and_not_from_what_she_denied(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = [write() for _ in range(5)]
    with database.writing() as session:
        taught_letters.add(session, school_class.id, {"n"}, MONDAY.date(), joined=False)
    saw_a_gap = {Code.START_PLACE: OnFinding.NOT_SO, Code.RETRACE_GAP: OnFinding.MISSED}
    for one in kept:
        judge(database, school_class.id, one.id, Word(findings=saw_a_gap))
    with database.session() as session:
        assert [one.code for one in habits_of(session, school_class, NOON)] == [Code.RETRACE_GAP]


def word_of(database: Database, school_class: ClassRecord) -> Any:
    kept, _ = hand_in_text(
        database, school_class, pupil_id=school_class.pupils[0].id, kind=Kind.WORD, target="nn",
        help=Help.COPY, ink=letters.good_m(), written_at=MONDAY,
    )  # fmt: skip
    return kept


def test_a_text_that_is_nobodys_takes_its_letters_along_and_brings_them_back(
    database: Database, school_class: ClassRecord
) -> None:
    kept = word_of(database, school_class)
    author = Author(teacher_of(database), is_teacher=True)

    def say(word: Word | None) -> Any:
        said = [Said(About(text_id=kept.id), word)]
        (whole,) = judging.judge(database, school_class.id, author, said, NOON).texts
        with database.session() as session:
            found = attempts.some(session, school_class.id, list(kept.attempts.values()))
            days = practice_days.of_class(session, school_class.id)
        return whole, [one.judgement for one in found], days

    before = say(None)[2]
    letter = next(iter(kept.attempts.values()))
    judge(database, school_class.id, letter, Word(note="hers"))
    hers = say(None)[1]
    whole, words, days = say(Word(set_aside=True))
    assert whole.judgement.word.set_aside
    assert all(one.word.set_aside for one in words)
    assert days == {}
    assert say(None)[1:] == (hers, before)
    assert sum(one is not None for one in hers) == 1  # what she had said of a letter is there again


def test_what_a_colleague_said_who_is_gone_stays_when_she_speaks(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, NO, by="Mr Wren", is_teacher=False)
    judge(database, school_class.id, kept.id, Word())
    with database.writing() as session:
        session.execute(text("UPDATE judgement SET account_id = NULL WHERE NOT counts"))
    judge(database, school_class.id, kept.id, Word(), at=NOON + timedelta(hours=1))
    with database.session() as session:
        words = words_on(session, school_class.id, About(attempt_id=kept.id))
    assert [one.author for one in words] == ["Ms Reed", None]


def test_all_words_are_kept_or_none(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    author = Author(teacher_of(database), is_teacher=True)
    said = [Said(About(attempt_id=kept.id), Word()), Said(About(attempt_id=999), Word())]
    with pytest.raises(NotInRecordError, match="no attempt 999"):
        judging.judge(database, school_class.id, author, said, NOON)
    with database.session() as session:
        assert words_on(session, school_class.id, About(attempt_id=kept.id)) == []


def test_a_finding_overruled_nine_times_of_ten_is_doubted_here_and_one_press_ends_it(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = [write(days=at) for at in range(10)]
    for one in kept[:9]:
        judge(database, school_class.id, one.id, NO)
    judge(database, school_class.id, kept[9].id, Word())
    with database.session() as session:
        assert doubted_in(session, school_class.id) == {Code.START_PLACE}
        assert doubted_in(session, school_class.id + 1) == frozenset()
        assert attempts.get(session, school_class.id, kept[9].id).held[Dimension.DIRECTION] is (
            Verdict.NOT_YET  # what is kept does not change
        )
    count_from(database, school_class.id, Code.START_PLACE, NOON + timedelta(seconds=1), NOON)
    with database.session() as session:
        assert doubted_in(session, school_class.id) == frozenset()
    count_from(database, school_class.id, Code.START_PLACE, None, NOON)
    with database.session() as session:
        assert doubted_in(session, school_class.id) == {Code.START_PLACE}


def test_words_of_a_year_ago_are_not_counted(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, NO)
    with database.writing() as session:
        later = NOON + timedelta(days=366)
        finding_trust.recount(session, school_class.id, [Code.START_PLACE], later)
        spoken = finding_trust.of_class(session, school_class.id)[Code.START_PLACE]
    assert (spoken.so, spoken.not_so) == (0, 0)


def test_how_she_came_to_her_word_is_kept(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    found = judge(database, school_class.id, write().id, Word(how=How.MANY))
    assert found.judgement is not None
    assert found.judgement.word.how is How.MANY
