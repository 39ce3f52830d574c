"""Makes a record ready: a new one whole or not at all, an old one brought up to date, a copy of it
kept before."""

import logging
import os
import sqlite3
from contextlib import suppress
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, event

from firstloop.store import copies, school
from firstloop.store.errors import RecordError, explained
from firstloop.store.soundness import (
    APPLICATION_ID,
    MIGRATIONS,
    State,
    look_over,
    opened_to_use,
    require_tables,
)

LOG = logging.getLogger(__name__)


def make_ready(path: Path) -> None:
    """Makes, updates or only looks over the record at a place; raises RecordError, and then what is
    there is as it was."""
    state = look_over(path)
    if state is State.NOTHING:
        _make(path)
    elif state is State.OLD:
        kept = copies.keep(path, copies.Why.MIGRATION, datetime.now(UTC))
        _bring_up_to_date(path, kept)
    path.chmod(copies.OURS_ONLY)
    _require_whole(path)


def connections(path: Path, *, foreign_keys: bool = True, **options: Any) -> Engine:
    """An engine whose transactions begin when we say so, not when Python's driver thinks fit."""
    engine = create_engine(f"sqlite:///{path}", **options)

    @event.listens_for(engine, "connect")
    def settings(connection: Any, _: Any) -> None:
        connection.isolation_level = None
        cursor = connection.cursor()
        cursor.execute(f"PRAGMA foreign_keys = {'ON' if foreign_keys else 'OFF'}")
        cursor.execute("PRAGMA busy_timeout = 10000")
        cursor.execute("PRAGMA synchronous = FULL")  # what is acknowledged outlives the power
        cursor.execute("PRAGMA secure_delete = ON")  # what is deleted on request is gone
        cursor.close()

    return engine


def begin_writing(connection: Connection) -> None:
    """Begins as a writer at once: a reader that began to write later could be refused."""
    connection.exec_driver_sql("BEGIN IMMEDIATE")


def make_at(path: Path, version: str) -> None:
    """Makes a new record as it was in an earlier version; nobody else may know of its place."""
    _migrate(path, version)


def bring_up_to_date(path: Path) -> None:
    """Brings a record up to date that nobody else knows of."""
    _migrate(path)


def _make(path: Path) -> None:
    """A new record is made beside its place and put there whole; who comes second finds it."""
    making = path.with_name(f".{path.name}.{os.getpid()}")
    making.unlink(missing_ok=True)
    try:
        making.touch(mode=copies.OURS_ONLY)
        _migrate(making)
        with suppress(FileExistsError):
            path.hardlink_to(making)
    finally:
        for leftover in (making, *making.parent.glob(f"{making.name}-*")):
            leftover.unlink(missing_ok=True)


def _bring_up_to_date(path: Path, kept: copies.Copy) -> None:
    try:
        _migrate(path)
    except Exception as error:
        LOG.debug("the update failed", exc_info=True)
        raise RecordError(
            f'the record "{path}" cannot be brought up to date ({error}); it is as it was. '
            f'A copy is in "{kept.path}"'
        ) from error


def _migrate(path: Path, version: str = "head") -> None:
    """Brings the record to a version, wholly or not at all.

    Foreign keys are off meanwhile: SQLite alters a table by making it anew, and dropping the old
    one would delete all that hangs on it.
    """
    from alembic import command  # noqa: PLC0415  # slow to load, and a record seldom needs it
    from alembic.config import Config  # noqa: PLC0415

    engine = connections(path, foreign_keys=False)
    event.listen(engine, "begin", begin_writing)
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, version)
        if version == "head":
            school.settle(connection)
        connection.exec_driver_sql(f"PRAGMA application_id = {APPLICATION_ID}")
    engine.dispose()


def _require_whole(path: Path) -> None:
    try:
        with opened_to_use(path) as opened:
            opened.execute("PRAGMA journal_mode = WAL")
            require_tables(opened, path)
    except sqlite3.Error as error:
        raise explained(path, error) or error from error
