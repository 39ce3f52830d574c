import pytest
from sqlalchemy import text

from firstloop.store import classes, own_vocabulary, upgrades
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError


def test_every_connection_keeps_foreign_keys_and_a_write_ahead_log(database: Database) -> None:
    with database.writing() as session:
        assert session.execute(text("PRAGMA foreign_keys")).scalar_one() == 1
        assert session.execute(text("PRAGMA journal_mode")).scalar_one() == "wal"


def test_an_empty_record_says_how_to_fill_it(database: Database) -> None:
    with database.writing() as session, pytest.raises(NotInRecordError, match="firstloop demo"):
        classes.first(session)


def test_a_session_that_fails_keeps_nothing(database: Database, school_class: ClassRecord) -> None:
    def keep_then_fail() -> None:
        with database.writing() as session:
            own_vocabulary.add(session, school_class.id, "knoll")
            classes.get(session, 99)

    with pytest.raises(NotInRecordError, match="no class 99"):
        keep_then_fail()
    with database.writing() as session:
        assert own_vocabulary.of_class(session, school_class.id) == ()


def test_own_words_are_the_classs_and_can_be_forgotten(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        own_vocabulary.add(session, school_class.id, "(kn)oll")
        own_vocabulary.add(session, school_class.id, "(kn)oll")
        (word,) = own_vocabulary.of_class(session, school_class.id)
        assert [g.letters for g in word.graphemes] == ["kn", "o", "ll"]
        own_vocabulary.remove(session, school_class.id, "knoll")
        assert own_vocabulary.of_class(session, school_class.id) == ()


def test_what_was_renamed_is_found_and_what_is_gone_is_left_out(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    monkeypatch.setitem(upgrades.RENAMED_STEPS, "large", "big")
    monkeypatch.setitem(upgrades.RENAMED_CODES, "gap", "open_gap")
    assert upgrades.step_kind("large") == "big"
    assert upgrades.step_kind("nothing of ours") is None
    assert upgrades.code("gap") == "open_gap"
    assert upgrades.code("nothing of ours") is None
