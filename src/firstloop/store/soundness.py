"""Looks a file over before it is opened as the record: whose it is, whether it is whole, whether we
know its version. What is not ours is not touched."""

import logging
import os
import shutil
import sqlite3
import stat
from contextlib import closing
from enum import StrEnum
from pathlib import Path

from firstloop.store.errors import RecordError
from firstloop.store.tables import METADATA

LOG = logging.getLogger(__name__)

APPLICATION_ID = int.from_bytes(b"1stL")
"""In the header of every record of ours since 0014 (SQLite's own place for it)."""

MIGRATIONS = Path(__file__).parent / "migrations"
VERSIONS = sorted(file.name[:4] for file in (MIGRATIONS / "versions").glob("0*.py"))
"""All versions of the record that we know, the oldest first."""

ROOM = 32_000_000
"""Bytes that must be free: a day of a full class, with its log, several times over."""

SQLITE_HEADER = b"SQLite format 3\0"
PAGE_AT, PAGES_AT, ID_AT = slice(16, 18), slice(28, 32), slice(68, 72)
"""Where the size of a page, their number, and the application's id stand in a file's header:
https://sqlite.org/fileformat.html."""

BRING_BACK = '"firstloop restore" brings a copy back'


class State(StrEnum):
    """What a place holds."""

    NOTHING = "nothing"
    OLD = "old"
    CURRENT = "current"


def look_over(path: Path) -> State:
    """What is at the place of a record; raises RecordError for anything that is not ours, not
    whole, newer than we are, or cannot be written."""
    _require_a_place(path)
    if not path.exists():
        if log_of(path).exists():
            raise RecordError(
                f'the record "{path}" is gone, but its log "{log_of(path)}" is there and may hold '
                "what was written last; put the record back beside it, or move the log away"
            )
        return State.NOTHING
    if not _may_write(path):
        raise _unreadable(path)
    return recognised(path)


def recognised(path: Path) -> State:
    """What a file holds, which need not be written to; raises RecordError as `look_over`."""
    _require_a_file(path)
    try:
        with opened_to_look(path) as opened:
            return _state(opened, path)
    except sqlite3.Error as error:
        raise _damaged(path, error) from error


def opened_to_look(path: Path) -> closing[sqlite3.Connection]:
    """A connection that changes nothing of a file that nobody writes to. Without a log it is read
    as it lies; with one, SQLite must join the two."""
    how = "mode=ro" if log_of(path).exists() else "mode=ro&immutable=1"
    return closing(sqlite3.connect(f"{path.absolute().as_uri()}?{how}", uri=True))


def opened_to_use(path: Path) -> closing[sqlite3.Connection]:
    """A connection to a record that others may be using; it makes no new file."""
    return closing(sqlite3.connect(f"{path.absolute().as_uri()}?mode=rw", uri=True, timeout=10))


def log_of(path: Path) -> Path:
    """SQLite's write-ahead log of a record."""
    return path.with_name(path.name + "-wal")


def require_tables(opened: sqlite3.Connection, path: Path) -> None:
    """Raises RecordError unless all tables and columns are there; others may be."""
    there: dict[str, set[str]] = {}
    for table, column in opened.execute(_COLUMNS):
        there.setdefault(table, set()).add(column)
    for expected in METADATA.sorted_tables:
        if expected.name not in there:
            raise RecordError(f'the record "{path}" has no table {expected.name}; {BRING_BACK}')
        missing = sorted({column.name for column in expected.columns} - there[expected.name])
        if missing:
            raise RecordError(
                f'the record "{path}" lacks {", ".join(missing)} in {expected.name}; {BRING_BACK}'
            )


_COLUMNS = (
    "SELECT tables.name, columns.name FROM sqlite_master AS tables, "
    "pragma_table_info(tables.name) AS columns WHERE tables.type = 'table'"
)


def _require_a_place(path: Path) -> None:
    """Its folder is there or can be made, can be written to, and has room."""
    if path.is_dir():
        raise RecordError(
            f'"{path}" is a folder; name a file in it with --db, such as "{path}/firstloop.db"'
        )
    folder = path.parent
    try:
        folder.mkdir(parents=True, exist_ok=True, mode=0o700)
        free = shutil.disk_usage(folder).free
    except OSError as error:
        raise RecordError(
            f'there can be no record at "{path}" ({error.strerror}); name another place with --db'
        ) from error
    if not _may_write(folder):
        raise RecordError(
            f'the folder "{folder}" cannot be written to, and the record needs its log beside it; '
            "allow this user to write there, or name another place with --db"
        )
    if free < ROOM:
        raise RecordError(
            f'there is no room for "{path}": {free // 1_000_000} MB are free, '
            f"{ROOM // 1_000_000} MB are needed; free some, or name another place with --db"
        )


def _require_a_file(path: Path) -> None:
    """It is a file, can be read, and begins as every file of SQLite does."""
    if not path.is_file():
        raise RecordError(f'"{path}" is no file; name another place with --db')
    if not os.access(path, os.R_OK):
        raise _unreadable(path)
    with path.open("rb") as file:
        header = file.read(100)
    if not header:
        raise RecordError(
            f'"{path}" is empty; if there was a record, {BRING_BACK}, else delete the file'
        )
    if not header.startswith(SQLITE_HEADER):
        raise RecordError(
            f'"{path}" is no record of First Loop; name the record with --db. If it was one, it is '
            f"damaged: {BRING_BACK}"
        )
    if int.from_bytes(header[ID_AT]) not in (0, APPLICATION_ID):
        raise _anothers(path)
    page, pages = int.from_bytes(header[PAGE_AT]), int.from_bytes(header[PAGES_AT])
    if not log_of(path).exists() and page * pages > path.stat().st_size:
        raise _damaged(path, "its end is missing")


def _may_write(path: Path) -> bool:
    """Whether it may be written; what is marked as read-only is left alone by who may do all."""
    marked = stat.S_IMODE(path.stat().st_mode) & 0o222
    return bool(marked) and os.access(path, os.W_OK)


def _state(opened: sqlite3.Connection, path: Path) -> State:
    (found,) = opened.execute("PRAGMA application_id").fetchone()
    tables = {name for (name,) in opened.execute("SELECT name FROM sqlite_master")}
    _require_nothing_that_acts(opened, path)
    if not {"alembic_version", "school_class"} <= tables:
        if found == APPLICATION_ID:
            raise RecordError(f'the record "{path}" has lost its tables; {BRING_BACK}')
        raise _anothers(path)
    (said,) = opened.execute("PRAGMA quick_check(1)").fetchone()
    if said != "ok":
        raise _damaged(path, " ".join(said.split()))
    version = opened.execute("SELECT version_num FROM alembic_version").fetchone()
    if version is None:
        raise RecordError(f'the record "{path}" has lost its version; {BRING_BACK}')
    if version[0] not in VERSIONS:
        raise RecordError(
            f'the record "{path}" was last used by a newer First Loop (its version is '
            f"{version[0]}, ours {VERSIONS[-1]}); use that one, or name another record with --db"
        )
    is_current = version[0] == VERSIONS[-1] and found == APPLICATION_ID
    return State.CURRENT if is_current else State.OLD


def _require_nothing_that_acts(opened: sqlite3.Connection, path: Path) -> None:
    """Raises RecordError where the file would do something by itself: of ours it holds tables and
    indices alone."""
    for kind, name, sql in opened.execute("SELECT type, name, sql FROM sqlite_master"):
        if kind not in ("table", "index") or (sql or "").upper().startswith("CREATE VIRTUAL"):
            raise RecordError(
                f'"{path}" holds a {kind} that is none of First Loop\'s ("{name}"); somebody may '
                f"have changed it to do harm. It was not opened; {BRING_BACK}"
            )


def require_keys(opened: sqlite3.Connection, path: Path) -> None:
    """Raises RecordError where something in a record belongs to what is not there."""
    broken = opened.execute("PRAGMA foreign_key_check").fetchone()
    if broken is not None:
        raise _damaged(
            path, f"a row of {broken[0]} belongs to one of {broken[2]} that is not there"
        )


def make_ours_alone(folder: Path) -> None:
    """Makes a folder that only we read, or mends one that others may, and says so."""
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    others = stat.S_IMODE(folder.stat().st_mode) & 0o077
    if others:
        folder.chmod(0o700)
        LOG.warning(
            'the folder "%s" was open to others of this machine (%o); it is ours alone now, but '
            "what lies in it may have been read",
            folder,
            0o700 | others,
        )


def _unreadable(path: Path) -> RecordError:
    return RecordError(
        f'the record "{path}" cannot be read and written; allow this user to, '
        "or name another with --db"
    )


def _damaged(path: Path, how: object) -> RecordError:
    return RecordError(f'the record "{path}" is damaged ({how}); {BRING_BACK}')


def _anothers(path: Path) -> RecordError:
    return RecordError(
        f'"{path}" belongs to another program; nothing in it was touched. '
        "Name First Loop's own record with --db"
    )
