from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from datetime import timedelta

import pytest
from sqlalchemy import text

from firstloop.core.checking.say.findings import CHECKER_VERSION
from firstloop.core.contract import Dimension, Stage, Verdict
from firstloop.core.judging.word import Word
from firstloop.core.letters import PLAIN
from firstloop.core.letters.moves import parse
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.services.rechecking import (
    SENT,
    Change,
    rebuild,
    recheck,
    recheck_by_todays_hand,
)
from firstloop.store import attempts, classes, own_hands
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests import letters
from tests.growing import stands
from tests.services.conftest import MONDAY, Write
from tests.table import judge


def age(database: Database, attempt_id: int) -> None:
    """An attempt as an earlier checker might have left it, which saw nothing."""
    with database.writing() as session:
        session.execute(
            text("UPDATE attempt SET checker = '0', direction = 'secure' WHERE id = :id"),
            {"id": attempt_id},
        )
        session.execute(text("DELETE FROM finding"))


def test_old_ink_is_checked_again_and_the_teachers_word_stays(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    write(letters.good_n())
    jogged = Word({Dimension.SIZE: Verdict.NEARLY}, note="was jogged")
    said = judge(database, school_class.id, kept.id, jogged).judgement
    age(database, kept.id)
    done = recheck(database, school_class.id)
    change = Change("n", Dimension.DIRECTION, Verdict.SECURE, Verdict.NOT_YET)
    assert (done.checked, done.unchanged, done.changes) == (1, 0, {change: 1})
    with database.writing() as session:
        again = attempts.get(session, school_class.id, kept.id)
    assert again.judgement == said
    assert again.attempt.checked.findings == kept.attempt.checked.findings
    assert again.attempt.checked.checker == CHECKER_VERSION
    assert recheck(database, school_class.id).checked == 0


def test_how_a_letter_stands_follows(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    age(database, kept.id)
    rebuild(database, MONDAY + timedelta(days=60))
    before = stands(database, school_class.id)
    recheck(database, school_class.id)
    after = stands(database, school_class.id)
    changed = {dimension for key in after for dimension in [key[2]] if after[key] != before[key]}
    assert Dimension.DIRECTION in changed
    assert all(after[key].p < before[key].p for key in after if key[2] is Dimension.DIRECTION)


def test_the_question_is_that_of_then(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    """By the limits, in the very hand and on the lines that the letter was checked by."""
    with database.writing() as session:
        beginning = classes.set_stage(session, school_class.id, Stage.BEGINNING)
    kept = write(letters.moved(letters.good_n(), 0, 0.28), school_class=beginning)
    assert kept.attempt.checked.verdicts[Dimension.SIZE] == "nearly"
    with database.writing() as session:
        classes.set_stage(session, school_class.id, Stage.SECURE)
        joined = Style("joined", choices=(("y", "looped tail"),))
        classes.set_style(session, school_class.id, joined, Ruling(top=2.4), 8.0)
        session.execute(text("UPDATE attempt SET checker = '0'"))
    done = recheck(database, school_class.id)
    assert (done.checked, done.unchanged) == (1, 1)
    with database.writing() as session:
        again = attempts.get(session, school_class.id, kept.id).attempt
    assert again.checked.findings == kept.attempt.checked.findings


def test_many_are_checked_in_pieces(
    database: Database, school_class: ClassRecord, write: Write, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("firstloop.services.rechecking.AT_ONCE", 2)
    for days in range(5):
        write(days=days)
    with database.writing() as session:
        session.execute(text("UPDATE attempt SET checker = '0'"))
    assert recheck(database, school_class.id).checked == 5
    assert recheck(database, school_class.id).checked == 0


def test_what_has_no_ink_stays_as_it_is_and_is_not_counted(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept, without = write(), write(days=1)
    with database.writing() as session:
        session.execute(text("UPDATE attempt SET checker = '0'"))
        session.execute(text("DELETE FROM attempt_ink WHERE attempt_id = :id"), {"id": without.id})
    done = recheck(database, school_class.id)
    assert (done.checked, done.unchanged) == (1, 1)
    with database.writing() as session:
        checkers = [
            attempts.get(session, school_class.id, one.id).attempt.checked.checker
            for one in (kept, without)
        ]
    assert checkers == [CHECKER_VERSION, "0"]


def test_by_other_processes_it_is_the_same(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = [write() for _ in range(SENT + 3)]
    for one in kept:
        age(database, one.id)
    with ProcessPoolExecutor(2) as executor:
        done = recheck(database, school_class.id, executor)
    assert done.checked == len(kept)
    assert sum(done.changes.values()) == sum(1 for one in done.changes) * len(kept)
    with database.session() as session:
        again = attempts.some(session, school_class.id, [one.id for one in kept])
    for before, after in zip(kept, again, strict=True):
        assert after.attempt.checked.verdicts == before.attempt.checked.verdicts
        assert after.attempt.checked.findings == before.attempt.checked.findings


def test_by_todays_hand_what_another_hand_nagged_is_asked_again(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    tailed = parse(
        "f", ".7,1.7; round@120 .45,top,W .2,1.5,S; drop .2,-.7; hook 0,drop,W -.2,-.7,130 // "
        "0,mid; cross .5,mid"
    )  # fmt: skip
    ours = replace(PLAIN, name="Ours", scripts=PLAIN.scripts | {"f": tailed})
    nagged = write(letters.ink(*letters.drawn(tailed)), letter="f")
    assert nagged.attempt.checked.verdicts[Dimension.SIZE] is Verdict.NOT_YET
    assert recheck_by_todays_hand(database, school_class.id).checked == 0
    with database.writing() as session:
        own_hands.keep(session, school_class.id, ours)
        style = Style("Ours", own=ours)
        classes.set_style(session, school_class.id, style, Ruling(), 8.0)
    done = recheck_by_todays_hand(database, school_class.id)
    assert done.changes[Change("f", Dimension.SIZE, Verdict.NOT_YET, Verdict.SECURE)] == 1
    with database.session() as session:
        again = attempts.get(session, school_class.id, nagged.id).attempt
    assert again.style.hand == "Ours"
    assert recheck_by_todays_hand(database, school_class.id).checked == 0


def test_what_was_print_is_not_asked_by_a_hand_that_joins(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    write(letters.good_n())
    with database.writing() as session:
        classes.set_style(session, school_class.id, Style("joined"), Ruling(), 8.0)
    assert recheck_by_todays_hand(database, school_class.id).checked == 0
