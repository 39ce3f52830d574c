"""Copies: whole while the record is in use, kept by rule, looked over before they replace it."""

import shutil
import sqlite3
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from types import SimpleNamespace

import pytest

from firstloop.cli import main
from firstloop.store import copies, own_vocabulary
from firstloop.store.copies import Why
from firstloop.store.database import Database
from firstloop.store.errors import RecordError
from firstloop.store.records import ClassRecord

NOW = datetime(2026, 11, 26, 9, 30, tzinfo=UTC)


def note(database: Database, school_class: ClassRecord, word: str) -> None:
    with database.writing() as session:
        own_vocabulary.add(session, school_class.id, word)


def words_in(record: Path) -> list[str]:
    opened = Database(record)
    with opened.session() as session:
        found = [word.text for word in own_vocabulary.of_class(session, 1)]
    opened.close()
    return found


def test_a_copy_of_a_record_in_use_is_one_file_that_holds_all(
    database: Database, school_class: ClassRecord, tmp_path: Path
) -> None:
    note(database, school_class, "knoll")
    with database.writing() as session:  # somebody writes meanwhile
        own_vocabulary.add(session, school_class.id, "glen")
        copies.write(database.path, tmp_path / "away.db")
    assert words_in(tmp_path / "away.db") == ["knoll"]
    assert sorted(one.name for one in tmp_path.glob("*away*")) == ["away.db"]
    assert (tmp_path / "away.db").stat().st_mode & 0o777 == 0o600
    with pytest.raises(RecordError, match="there is a file at"):
        copies.write(database.path, tmp_path / "away.db")


def test_copies_of_a_year_are_of_seven_days_and_four_weeks(database: Database) -> None:
    for day in range(60, -1, -1):
        copies.keep_daily(database.path, NOW - timedelta(days=day))
    ages = [(NOW.date() - one.made_at.date()).days for one in copies.of(database.path)]
    assert ages[:7] == [0, 1, 2, 3, 4, 5, 6]
    assert 3 <= len(ages[7:]) <= 4
    assert max(ages) < copies.LONGEST
    assert copies.keep_daily(database.path, NOW + timedelta(minutes=5)) is None


def test_any_copy_is_gone_after_thirty_days(database: Database) -> None:
    for why in Why:
        copies.keep(database.path, why, NOW)
    assert len(copies.of(database.path)) == len(Why)
    assert copies.last_gone_on(database.path) == date(2026, 12, 26)
    copies.tidy(database.path, NOW + timedelta(days=29))
    assert len(copies.of(database.path)) == len(Why)
    copies.tidy(database.path, NOW + timedelta(days=30))
    assert copies.of(database.path) == []


def test_two_of_one_second_are_two(database: Database) -> None:
    made = {copies.keep(database.path, Why.ASKED, NOW).path for _ in range(3)}
    assert len(made) == len(copies.of(database.path)) == 3


@pytest.fixture
def record(database: Database, school_class: ClassRecord) -> Path:
    """A record with a word in it, which nobody uses."""
    note(database, school_class, "knoll")
    database.close()
    return database.path


def test_what_a_copy_replaces_is_kept(
    record: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main(["backup", "--db", str(record)]) == 0
    assert "copies are kept 30 days" in capsys.readouterr().out
    (made,) = copies.of(record)
    later = Database(record)
    with later.writing() as session:
        own_vocabulary.add(session, 1, "glen")
    later.close()
    assert main(["restore", "--db", str(record)]) == 0
    assert str(made.path) in capsys.readouterr().out
    assert main(["restore", "--db", str(record), str(made.path)]) == 0
    replaced = next(one for one in copies.of(record) if one.why is Why.REPLACED)
    assert str(replaced.path) in capsys.readouterr().out
    assert words_in(record) == ["knoll"]
    assert words_in(replaced.path) == ["glen", "knoll"]


def test_a_damaged_record_is_replaced_and_kept_with_its_log(record: Path) -> None:
    made = copies.keep(record, Why.DAILY, NOW)
    record.write_bytes(b"broken")
    log = record.with_name(record.name + "-wal")
    log.write_bytes(b"its log")
    replaced = copies.restore(record, made.path, NOW)
    assert words_in(record) == ["knoll"]
    assert replaced is not None
    assert replaced.read_bytes() == b"broken"
    assert replaced.with_name(replaced.name + "-wal").read_bytes() == b"its log"


def test_a_record_that_is_gone_comes_back_from_another_disc(record: Path, tmp_path: Path) -> None:
    stick = tmp_path / "stick"
    stick.mkdir()
    copies.write(record, stick / "copy.db")
    (stick / "copy.db").chmod(0o400)
    record.unlink()
    assert copies.restore(record, stick / "copy.db", NOW) is None
    assert words_in(record) == ["knoll"]


@pytest.mark.parametrize("faulty", ["nothing", "garbage", "half", "another's"])
def test_what_is_no_whole_copy_replaces_nothing(record: Path, tmp_path: Path, faulty: str) -> None:
    source = tmp_path / "copy.db"
    if faulty == "garbage":
        source.write_bytes(b"garbage")
    elif faulty == "half":
        copies.write(record, source)
        source.write_bytes(source.read_bytes()[:40_000])
    elif faulty == "another's":
        with sqlite3.connect(source) as opened:
            opened.execute("CREATE TABLE notes (text)")
        opened.close()
    before = record.read_bytes()
    with pytest.raises(RecordError, match=r"copy\.db"):
        copies.restore(record, source, NOW)
    assert record.read_bytes() == before
    assert not list(record.parent.glob(".*"))


def test_a_record_in_use_is_not_replaced(
    database: Database, school_class: ClassRecord, tmp_path: Path
) -> None:
    copies.write(database.path, tmp_path / "copy.db")
    note(database, school_class, "knoll")
    with pytest.raises(RecordError, match="is in use; end First Loop first"):
        copies.restore(database.path, tmp_path / "copy.db", NOW)
    note(database, school_class, "glen")


def test_a_copy_is_kept_before_each_update(tmp_path: Path) -> None:
    record = tmp_path / "old.db"
    with sqlite3.connect(record) as made:
        dump = Path(__file__).parent / "records" / "0006.sql"
        made.executescript(dump.read_text(encoding="utf-8"))
    made.close()
    before = list(sqlite3.connect(record).iterdump())
    Database(record).close()
    (kept,) = copies.of(record)
    assert kept.why is Why.MIGRATION
    assert list(sqlite3.connect(kept.path).iterdump()) == before
    Database(record).close()
    assert copies.of(record) == [kept]


def test_a_copy_that_would_leave_no_room_is_not_made(
    database: Database, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(shutil, "disk_usage", lambda _: SimpleNamespace(free=20_000_000))
    with pytest.raises(RecordError, match="no room for a copy"):
        copies.keep(database.path, Why.DAILY, NOW)
    assert copies.of(database.path) == []


def test_what_a_copy_that_was_cut_short_left_behind_goes_too(database: Database) -> None:
    made = copies.keep(database.path, Why.DAILY, NOW)
    left = made.path.with_name(f".{made.path.name}.4711")
    shutil.copy(made.path, left)
    begun = left.stat().st_mtime
    copies.tidy(database.path, datetime.fromtimestamp(begun + 60, UTC))
    assert left.exists()
    copies.tidy(database.path, datetime.fromtimestamp(begun + 4000, UTC))
    assert not left.exists()
    assert made.path.exists()


def test_only_copies_of_ours_are_dropped(database: Database) -> None:
    folder = copies.folder_of(database.path)
    folder.mkdir()
    for name in ("record.db", "record-2020.db", "other-20200101-000000-daily.db", "notes.txt"):
        shutil.copy(database.path, folder / name)
    copies.renew(database.path, NOW)
    copies.renew(database.path, NOW)
    assert len(copies.of(database.path)) == 1
    assert len(list(folder.iterdir())) == 5
