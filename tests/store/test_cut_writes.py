"""The power goes in the middle of a write: whatever of it is on the disc, the record opens whole.

SQLite appends what is written to a log, frame by frame, each with a page of the file, and brings
the log into the file later. What a cut leaves behind is the log up to some byte, or the file with
some of the log's pages in it, the last perhaps torn. All of these are made here, by the page and
within one.
"""

import shutil
import sqlite3
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from uuid import UUID

import pytest

from firstloop.core.evidence.task import Help
from firstloop.services.handing_in import hand_in
from firstloop.store import classes
from firstloop.store.database import Database
from firstloop.store.handed_in import Delivery
from firstloop.store.soundness import State, log_of, look_over
from tests import letters
from tests.conftest import add_class

HEADER, FRAME = 32, 24
"""Bytes before the first frame of a log, and before the page in each."""

HAND_INS = 2


@dataclass(frozen=True)
class Written:
    """A file as it was, the log of hand-ins, and how long it was when each was acknowledged."""

    file: bytes
    log: bytes
    page: int
    acknowledged: list[int]

    @property
    def frames(self) -> range:
        """Where the log's frames begin."""
        return range(HEADER, len(self.log), FRAME + self.page)


@pytest.fixture(scope="module")
def written(tmp_path_factory: pytest.TempPathFactory, empty_record: Path) -> Written:
    path = tmp_path_factory.mktemp("written") / "record.db"
    shutil.copy(empty_record, path)
    with_class = Database(path)
    add_class(with_class)
    with_class.close()
    before = path.read_bytes()
    database = Database(path)
    with database.session() as session:
        own = classes.every(session)[0]
    acknowledged = []
    for at in range(HAND_INS):
        hand_in(
            database,
            own,
            pupil_id=1,
            letter="n",
            help=Help.COPY,
            ink=letters.n_from_the_base_line(),
            written_at=datetime(2026, 11, 26, 9, at, tzinfo=UTC),
            delivery=Delivery(UUID(int=at), "digest"),
        )
        acknowledged.append(log_of(path).stat().st_size)
    log = log_of(path).read_bytes()
    database.close()
    return Written(before, log, int.from_bytes(before[16:18]), acknowledged)


def kept_in(path: Path) -> int:
    """How many hand-ins a record holds, each of them whole."""
    assert look_over(path) is State.CURRENT
    opened = Database(path)
    with opened.session() as session:
        rows = session.connection().exec_driver_sql
        count = int(rows("SELECT count(*) FROM handed_in").scalar_one())
        for table in ("attempt", "attempt_ink"):
            assert rows(f"SELECT count(*) FROM {table}").scalar_one() == count
        days = rows("SELECT coalesce(sum(attempts), 0) FROM practice_day").scalar_one()
        assert days == count
        assert rows("PRAGMA foreign_key_check").all() == []
    opened.close()
    return count


def cuts(written: Written) -> Iterator[int]:
    """After each frame, within it, and within its head."""
    for begin in written.frames:
        yield from (begin, begin + 11, begin + FRAME + written.page // 3)
    yield len(written.log)


def test_a_log_that_ends_anywhere_holds_all_that_was_acknowledged(
    written: Written, tmp_path: Path
) -> None:
    path, found = tmp_path / "record.db", set()
    for cut in cuts(written):
        path.write_bytes(written.file)
        log_of(path).write_bytes(written.log[:cut])
        kept = kept_in(path)
        assert kept >= sum(length <= cut for length in written.acknowledged)
        found.add(kept)
        path.unlink()
    assert found == set(range(HAND_INS + 1))


def test_a_file_with_some_of_the_logs_pages_in_it_holds_all(
    written: Written, tmp_path: Path
) -> None:
    path = tmp_path / "record.db"
    file = bytearray(written.file)
    for begin in written.frames:
        number = int.from_bytes(written.log[begin : begin + 4])
        page = written.log[begin + FRAME : begin + FRAME + written.page]
        place = (number - 1) * written.page
        file.extend(bytes(max(0, place + written.page - len(file))))
        for torn in (len(page) // 2, len(page)):
            file[place : place + torn] = page[:torn]
            path.write_bytes(file)
            log_of(path).write_bytes(written.log)
            assert kept_in(path) == HAND_INS
            path.unlink()


def test_an_update_that_is_cut_anywhere_is_made_again(tmp_path: Path) -> None:
    path = tmp_path / "old.db"
    dump = (Path(__file__).parent / "records" / "0006.sql").read_text(encoding="utf-8")
    with sqlite3.connect(path) as made:
        made.execute("PRAGMA journal_mode = WAL")
        made.executescript(dump)
    made.close()
    before = path.read_bytes()
    hold = sqlite3.connect(path)  # so that the log stays when the update has been made
    hold.execute("SELECT count(*) FROM attempt").fetchone()
    Database(path).close()
    log = log_of(path).read_bytes()
    hold.close()
    page = int.from_bytes(before[16:18])
    frames = range(HEADER, len(log), FRAME + page)
    for begin in [*frames[::17], len(log) - page // 2, len(log)]:
        path.write_bytes(before)
        log_of(path).write_bytes(log[:begin])
        opened = Database(path)
        with opened.session() as session:
            rows = session.connection().exec_driver_sql
            assert rows("SELECT count(*) FROM attempt_ink").scalar_one() == 5
        opened.close()
