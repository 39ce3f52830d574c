import resource
import sqlite3
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import pytest
from sqlalchemy import text

from firstloop.store import classes, own_vocabulary, upgrades
from firstloop.store.database import Database
from firstloop.store.errors import RecordBusyError, RecordError
from firstloop.store.records import ClassRecord, NotInRecordError
from firstloop.store.soundness import log_of


def test_every_connection_keeps_foreign_keys_and_a_write_ahead_log(database: Database) -> None:
    with database.writing() as session:
        assert session.execute(text("PRAGMA foreign_keys")).scalar_one() == 1
        assert session.execute(text("PRAGMA journal_mode")).scalar_one() == "wal"


def test_a_session_that_fails_keeps_nothing(database: Database, school_class: ClassRecord) -> None:
    def keep_then_fail() -> None:
        with database.writing() as session:
            own_vocabulary.add(session, school_class.id, "knoll")
            classes.get(session, 99)

    with pytest.raises(NotInRecordError, match="no class 99"):
        keep_then_fail()
    with database.writing() as session:
        assert own_vocabulary.of_class(session, school_class.id) == ()


def test_a_session_to_read_with_changes_nothing(
    database: Database, school_class: ClassRecord
) -> None:
    with pytest.raises(RecordError, match="cannot be written to"), database.session() as session:
        own_vocabulary.add(session, school_class.id, "knoll")


def test_one_writes_at_a_time_and_nobody_is_refused(
    database: Database, school_class: ClassRecord
) -> None:
    """Each looks first and then writes, as what could not be begun again would be refused."""

    def write(client: int) -> None:
        for at in range(5):
            with database.writing() as session:
                own_vocabulary.of_class(session, school_class.id)
                own_vocabulary.add(session, school_class.id, f"{WORDS[client]}{WORDS[at]}")

    with ThreadPoolExecutor(len(WORDS)) as clients:
        list(clients.map(write, range(len(WORDS))))
    with database.session() as session:
        assert len(own_vocabulary.of_class(session, school_class.id)) == 5 * len(WORDS)


WORDS = ["bab", "cig", "dop", "fun", "get", "him", "kot", "led", "mun", "nas", "pel", "rin"]


def test_who_waits_too_long_for_another_program_is_told_so(
    database: Database, monkeypatch: pytest.MonkeyPatch
) -> None:
    with database.writing() as session:
        session.connection().exec_driver_sql("PRAGMA busy_timeout = 50")
    other = sqlite3.connect(database.path, isolation_level=None)
    other.execute("BEGIN IMMEDIATE")
    with pytest.raises(RecordBusyError, match="try again"), database.writing():
        pass
    other.execute("ROLLBACK")
    other.close()
    with database.writing():
        pass


def taken_away(path: Path) -> None:
    path.rename(path.with_name("elsewhere.db"))


def replaced(path: Path) -> None:
    path.with_name("other.db").write_bytes(path.read_bytes())
    path.with_name("other.db").replace(path)


def its_log_taken_away(path: Path) -> None:
    log_of(path).unlink()


@pytest.mark.parametrize("gone", [taken_away, replaced, its_log_taken_away])
def test_nothing_is_written_into_what_nobody_sees(
    database: Database, school_class: ClassRecord, gone: Callable[[Path], None]
) -> None:
    gone(database.path)
    with pytest.raises(RecordError, match="taken away or replaced"), database.writing() as session:
        own_vocabulary.add(session, school_class.id, "knoll")


def write_much(database: Database) -> None:
    with database.writing() as session:
        much = text("UPDATE school_class SET name = hex(randomblob(1000000))")
        session.execute(much)


def test_a_full_disc_is_said_so_and_loses_nothing(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        own_vocabulary.add(session, school_class.id, "knoll")
    soft, hard = resource.getrlimit(resource.RLIMIT_FSIZE)
    most = max(database.path.stat().st_size, log_of(database.path).stat().st_size)
    resource.setrlimit(resource.RLIMIT_FSIZE, (most, hard))  # no file grows beyond it
    try:
        with pytest.raises(RecordError, match="room"):
            write_much(database)
    finally:
        resource.setrlimit(resource.RLIMIT_FSIZE, (soft, hard))
    with database.writing() as session:
        own_vocabulary.add(session, school_class.id, "glen")
        found = [word.text for word in own_vocabulary.of_class(session, school_class.id)]
    assert found == ["glen", "knoll"]


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
