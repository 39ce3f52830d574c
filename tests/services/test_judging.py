from typing import Any

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.teaching.standing import verdicts_of
from firstloop.services.judging import judge
from firstloop.store import attempts, standings
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, JudgementRecord
from tests.services.conftest import MONDAY, Write

SAW_HER_START = JudgementRecord(MONDAY, {Dimension.DIRECTION: Verdict.SECURE}, "saw her start")


def direction(database: Database, school_class: ClassRecord) -> Any:
    with database.writing() as session:
        (one,) = standings.of_class(session, school_class.id)
    return verdicts_of(one.dimensions)[Dimension.DIRECTION]


def test_the_teachers_word_is_kept_beside_the_checkers_and_counts(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, SAW_HER_START)
    with database.writing() as session:
        found = attempts.get(session, school_class.id, kept.id)
    assert found.judgement == SAW_HER_START
    assert found.attempt.checked.verdicts[Dimension.DIRECTION] is Verdict.NOT_YET
    assert found.held[Dimension.DIRECTION] is Verdict.SECURE
    assert direction(database, school_class) is Verdict.SECURE


def test_a_second_word_takes_the_place_of_the_first(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, SAW_HER_START)
    agreed = judge(database, school_class.id, kept.id, JudgementRecord(MONDAY, {}, ""))
    assert agreed.judgement == JudgementRecord(MONDAY, {}, "")
    assert direction(database, school_class) is Verdict.NOT_YET


def test_taken_back_the_checkers_word_stands_again(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    judge(database, school_class.id, kept.id, SAW_HER_START)
    assert judge(database, school_class.id, kept.id, None).judgement is None
    assert direction(database, school_class) is Verdict.NOT_YET
