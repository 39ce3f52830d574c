"""The one owner of the database file: connections, their settings, and migrations."""

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.orm import Session

__all__ = ["MIGRATIONS", "Database", "Session"]

MIGRATIONS = Path(__file__).parent / "migrations"


class Database:
    """A database file, brought up to date on opening."""

    def __init__(self, path: Path) -> None:
        path.parent.mkdir(parents=True, exist_ok=True)
        self.path = path
        _migrate(path)
        self._engine = _engine(path, foreign_keys=True)

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A session that commits at its end, or changes nothing where it fails."""
        with Session(self._engine) as session, session.begin():
            yield session

    def close(self) -> None:
        """Gives back all connections."""
        self._engine.dispose()


def _engine(path: Path, *, foreign_keys: bool) -> Engine:
    engine = create_engine(f"sqlite:///{path}")

    @event.listens_for(engine, "connect")
    def settings(connection: Any, _: Any) -> None:
        cursor = connection.cursor()
        cursor.execute(f"PRAGMA foreign_keys = {'ON' if foreign_keys else 'OFF'}")
        cursor.execute("PRAGMA journal_mode = WAL")
        cursor.execute("PRAGMA busy_timeout = 5000")
        cursor.execute("PRAGMA secure_delete = ON")  # what is deleted on request is gone
        cursor.close()

    return engine


def _migrate(path: Path) -> None:
    """Brings the record up to date, wholly or not at all.

    Foreign keys are off meanwhile: SQLite alters a table by making it anew, and dropping the old
    one would delete all that hangs on it.
    """
    engine = _engine(path, foreign_keys=False)

    @event.listens_for(engine, "connect")
    def no_implicit_commits(connection: Any, _: Any) -> None:
        # Python's driver would commit before each change of a table.
        connection.isolation_level = None

    @event.listens_for(engine, "begin")
    def begin(connection: Connection) -> None:
        connection.exec_driver_sql("BEGIN IMMEDIATE")

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
    engine.dispose()
