"""Whatever lies where the record should: what is not ours, not whole or newer is named, with what
to do, and not touched."""

import os
import shutil
import sqlite3
import stat
from collections.abc import Callable
from contextlib import closing
from datetime import UTC, datetime, timedelta
from pathlib import Path
from types import SimpleNamespace

import pytest

from firstloop.cli import main
from firstloop.services.certificates import certificate_for
from firstloop.store import copies
from firstloop.store.database import Database
from firstloop.store.errors import RecordError
from firstloop.store.soundness import APPLICATION_ID, VERSIONS

NOW = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)

Broken = Callable[[Path], None]


def change(sql: str) -> Broken:
    def done(record: Path) -> None:
        with sqlite3.connect(record) as opened:
            opened.executescript(sql)
        opened.close()

    return done


def overwrite(at: int, data: bytes) -> Broken:
    def done(record: Path) -> None:
        with record.open("r+b") as file:
            file.seek(at if at >= 0 else record.stat().st_size + at)
            file.write(data)

    return done


def cut(share: float) -> Broken:
    return lambda record: os.truncate(record, int(share * record.stat().st_size))


def instead(data: bytes) -> Broken:
    def done(record: Path) -> None:
        record.write_bytes(data)

    return done


def a_folder(record: Path) -> None:
    record.unlink()
    record.mkdir()


def a_pipe(record: Path) -> None:
    record.unlink()
    os.mkfifo(record)


def another_programs(record: Path) -> None:
    record.unlink()
    with sqlite3.connect(record) as opened:
        opened.executescript("PRAGMA application_id = 77; CREATE TABLE notes (text)")
    opened.close()


def a_plain_database(record: Path) -> None:
    record.unlink()
    change("CREATE TABLE notes (text)")(record)


def gone_but_for_its_log(record: Path) -> None:
    record.with_name(record.name + "-wal").write_bytes(b"what was written last")
    record.unlink()


BROKEN: dict[str, tuple[Broken, str]] = {
    "garbage": (instead(os.urandom(9_000)), "is no record of First Loop"),
    "text": (instead(b"Dear diary"), "is no record of First Loop"),
    "empty": (instead(b""), "is empty"),
    "zeros": (instead(bytes(40_960)), "is no record of First Loop"),
    "a header alone": (instead(b"SQLite format 3\0"), "is damaged|belongs to another"),
    "half": (cut(0.5), "is damaged"),
    "the first page alone": (cut(0.02), "is damaged"),
    "its last page lost": (cut(0.99), "is damaged"),
    "its header overwritten": (overwrite(0, bytes(100)), "is no record of First Loop"),
    "its first page overwritten": (overwrite(100, os.urandom(3_000)), "is damaged"),
    "its middle overwritten": (overwrite(40_000, os.urandom(60_000)), "is damaged"),
    "its end overwritten": (overwrite(-30_000, os.urandom(30_000)), "is damaged"),
    "another page size": (overwrite(16, b"\x02\x00"), "is damaged"),
    "another program's": (another_programs, "belongs to another program"),
    "a plain database": (a_plain_database, "belongs to another program"),
    "newer": (change("UPDATE alembic_version SET version_num = '9999'"), "newer First Loop"),
    "without its version": (change("DELETE FROM alembic_version"), "lost its version"),
    "without a table": (change("DROP TABLE progress_mark"), "has no table progress_mark"),
    "without a column": (change("ALTER TABLE pupil DROP COLUMN stage"), "lacks stage in pupil"),
    "without all tables": (change("DROP TABLE alembic_version"), "lost its tables"),
    "a folder": (a_folder, "is a folder"),
    "a pipe": (a_pipe, "is no file"),
    "read-only": (lambda record: record.chmod(0o400), "cannot be read and written"),
    "in a read-only folder": (lambda record: record.parent.chmod(0o500), "cannot be written to"),
    "gone but for its log": (gone_but_for_its_log, "its log .* is there"),
}


@pytest.fixture
def record(tmp_path: Path, empty_record: Path) -> Path:
    folder = tmp_path / "school"
    folder.mkdir()
    path = folder / "record.db"
    shutil.copy(empty_record, path)
    return path


def state_of(folder: Path) -> dict[str, tuple[int, bytes]]:
    return {
        one.name: (one.stat().st_mode, one.read_bytes() if one.is_file() else b"")
        for one in folder.iterdir()
    }


@pytest.mark.parametrize(
    "harm",
    [
        "CREATE TRIGGER harm AFTER INSERT ON sign_in BEGIN INSERT OR REPLACE INTO class_teacher "
        "SELECT id, NEW.account_id, 'teacher' FROM school_class; END",
        "CREATE VIEW harm AS SELECT * FROM pupil",
        "ALTER TABLE pupil RENAME TO hidden; CREATE VIEW pupil AS SELECT * FROM hidden",
        "CREATE VIRTUAL TABLE harm USING fts5(a)",
    ],
)
def test_a_copy_that_would_do_something_by_itself_is_not_brought_back(
    tmp_path: Path, empty_record: Path, harm: str
) -> None:
    copy, record = tmp_path / "copy.db", tmp_path / "record.db"
    shutil.copy(empty_record, copy)
    with closing(sqlite3.connect(copy)) as changed:
        changed.executescript(harm)
    for opens in (lambda: copies.restore(record, copy, NOW), lambda: Database(copy)):
        with pytest.raises(RecordError, match="somebody may have changed it"):
            opens()
    assert not record.exists()


def test_a_copy_whose_rows_belong_to_nothing_is_not_brought_back(
    tmp_path: Path, empty_record: Path
) -> None:
    copy = tmp_path / "copy.db"
    shutil.copy(empty_record, copy)
    with closing(sqlite3.connect(copy)) as changed:
        changed.execute("INSERT INTO sign_in VALUES ('a', 77, '2026-01-01')")
        changed.commit()
    with pytest.raises(RecordError, match="sign_in belongs to one of account that is not there"):
        copies.restore(tmp_path / "record.db", copy, NOW)


def test_folders_that_others_may_look_into_are_mended_and_told(
    tmp_path: Path, empty_record: Path, caplog: pytest.LogCaptureFixture
) -> None:
    record = tmp_path / "record.db"
    shutil.copy(empty_record, record)
    for folder, used in (
        (tmp_path / "copies", lambda: copies.keep_daily(record, NOW)),
        (tmp_path / "record-tls", lambda: certificate_for(["pc"], tmp_path / "record-tls", NOW)),
    ):
        folder.mkdir()
        folder.chmod(0o777)
        used()
        assert folder.stat().st_mode & 0o777 == 0o700
        assert f'"{folder}" was open to others' in caplog.text
    caplog.clear()
    copies.keep_daily(record, NOW + timedelta(days=1))
    assert caplog.text == ""


@pytest.mark.parametrize(("broken", "said"), BROKEN.values(), ids=list(BROKEN))
def test_what_cannot_be_the_record_is_explained_and_left_alone(
    record: Path, broken: Broken, said: str, capsys: pytest.CaptureFixture[str]
) -> None:
    broken(record)
    before = state_of(record.parent)
    with pytest.raises(RecordError, match=said) as explained:
        Database(record)
    assert str(record.parent) in str(explained.value)
    assert "\n" not in str(explained.value)
    assert main(["demo", "--db", str(record)]) == 1
    assert str(record.parent) in capsys.readouterr().err
    record.parent.chmod(0o700)
    after = state_of(record.parent)
    assert {name: after[name][1] for name in before} == {n: data for n, (_, data) in before.items()}


def test_no_room_is_said_before_anything_is_begun(
    record: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(shutil, "disk_usage", lambda _: SimpleNamespace(free=1_000_000))
    with pytest.raises(RecordError, match="there is no room"):
        Database(record)


def test_a_place_below_a_file_is_none(tmp_path: Path) -> None:
    (tmp_path / "file").touch()
    with pytest.raises(RecordError, match="there can be no record"):
        Database(tmp_path / "file" / "record.db")


def test_a_record_is_ours_and_its_owners_alone(record: Path) -> None:
    record.chmod(0o644)
    opened = Database(record)
    with opened.writing() as session:
        session.connection().exec_driver_sql("UPDATE school SET time_zone = 'Europe/Lisbon'")
    modes = {file.name: stat.S_IMODE(file.stat().st_mode) for file in record.parent.iterdir()}
    opened.close()
    assert set(modes.values()) == {0o600}
    with sqlite3.connect(record) as raw:
        assert raw.execute("PRAGMA application_id").fetchone() == (APPLICATION_ID,)
        assert raw.execute("SELECT version_num FROM alembic_version").fetchone() == (VERSIONS[-1],)
    raw.close()


def test_a_new_record_is_there_whole_or_not_at_all(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    def out_of_power(*_: object) -> None:
        raise KeyboardInterrupt

    monkeypatch.setattr("firstloop.store.opening.school.settle", out_of_power)
    with pytest.raises(KeyboardInterrupt):
        Database(tmp_path / "new" / "record.db")
    assert list((tmp_path / "new").iterdir()) == []
