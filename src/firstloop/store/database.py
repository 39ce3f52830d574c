"""The one owner of the database file: connections, their settings, and migrations."""

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session

MIGRATIONS = Path(__file__).parent / "migrations"


class Database:
    """A database file, brought up to date on opening."""

    def __init__(self, path: Path) -> None:
        path.parent.mkdir(parents=True, exist_ok=True)
        self.path = path
        self._engine = _engine(path)
        _migrate(self._engine)

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A session that commits at its end, or changes nothing where it fails."""
        with Session(self._engine) as session, session.begin():
            yield session

    def close(self) -> None:
        """Gives back all connections."""
        self._engine.dispose()


def _engine(path: Path) -> Engine:
    engine = create_engine(f"sqlite:///{path}")

    @event.listens_for(engine, "connect")
    def settings(connection: Any, _: Any) -> None:
        cursor = connection.cursor()
        cursor.execute("PRAGMA foreign_keys = ON")
        cursor.execute("PRAGMA journal_mode = WAL")
        cursor.execute("PRAGMA busy_timeout = 5000")
        cursor.execute("PRAGMA secure_delete = ON")  # what is deleted on request is gone
        cursor.close()

    return engine


def _migrate(engine: Engine) -> None:
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
