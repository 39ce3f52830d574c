"""Rows of an earlier version of the record, brought up to the columns of today: by the migrations
that bring up a whole record, in one that holds nothing else."""

import sqlite3
from collections.abc import Iterable, Iterator, Sequence
from contextlib import closing, contextmanager
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from firstloop.formats.archive import Archive, ColumnKind, Columns
from firstloop.store import opening
from firstloop.store.carrying import Rows
from firstloop.store.database import Session
from firstloop.store.errors import RecordError
from firstloop.store.soundness import VERSIONS, opened_to_use


def columns_of(session: Session) -> Columns:
    """The columns of each table of the record."""
    return _columns(session.connection().exec_driver_sql(_COLUMNS).all())


@contextmanager
def rows_of(archive: Archive, session: Session, order: Sequence[str]) -> Iterator[Iterable[Rows]]:
    """The rows of an archive with the columns of today, table by table in that order; read as they
    are asked for. Raises RecordError for one of a later version than we are, and ArchiveError."""
    version = archive.manifest.version
    if version not in VERSIONS:
        raise RecordError(
            f"it was made by a later version of First Loop ({version}; this one knows up to "
            f"{VERSIONS[-1]}); bring this one up to date, then import it"
        )
    if version == VERSIONS[-1]:
        found = archive.tables(columns_of(session), order)
        yield (Rows(one.name, one.columns, one.rows) for one in found)
        return
    with TemporaryDirectory(prefix="firstloop-") as folder:
        path = Path(folder) / "earlier.db"
        opening.make_at(path, version)
        _fill(path, archive, order)
        opening.bring_up_to_date(path)
        with opened_to_use(path) as opened:
            yield _read(opened, archive, order)


def _fill(path: Path, archive: Archive, order: Sequence[str]) -> None:
    """Puts the rows of an archive into a record of its version, as they are: what they are tied to
    may be missing."""
    with opened_to_use(path) as opened:
        there = _columns(opened.execute(_COLUMNS).fetchall())
        for table in archive.tables(there, order):
            named = ", ".join(f'"{name}"' for name in table.columns)
            places = ", ".join("?" for _ in table.columns)
            opened.executemany(
                f'INSERT INTO "{table.name}" ({named}) VALUES ({places})', table.rows
            )
        opened.commit()


def _read(opened: sqlite3.Connection, archive: Archive, order: Sequence[str]) -> Iterator[Rows]:
    there = _columns(opened.execute(_COLUMNS).fetchall())
    for name in order:
        if name in archive.manifest.rows and name in there:
            columns = tuple(one.name for one in there[name])
            named = ", ".join(f'"{one}"' for one in columns)
            with closing(opened.execute(f'SELECT {named} FROM "{name}" ORDER BY rowid')) as found:
                yield Rows(name, columns, found)


_COLUMNS = (
    'SELECT tables.name, columns.name, columns.type, columns."notnull", columns.pk '
    "FROM sqlite_master AS tables, pragma_table_info(tables.name) AS columns "
    "WHERE tables.type = 'table' ORDER BY tables.name, columns.cid"
)


def _columns(found: Iterable[Any]) -> Columns:
    columns = dict[str, list[ColumnKind]]()
    for table, name, kind, not_null, is_key in found:
        may_be_empty = not (not_null or is_key)
        columns.setdefault(table, []).append(ColumnKind(name, kind.upper(), may_be_empty))
    return columns
