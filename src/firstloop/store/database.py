"""The one owner of the database file: who reads and who writes, and when both must stop."""

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from sqlalchemy import event
from sqlalchemy.exc import DBAPIError
from sqlalchemy.exc import TimeoutError as WaitedTooLongError
from sqlalchemy.orm import Session

from firstloop.store.errors import BUSY, RecordBusyError, RecordError, explained
from firstloop.store.keeper import Keeper, emptied
from firstloop.store.news import News
from firstloop.store.opening import begin_writing, connections, make_ready
from firstloop.store.soundness import log_of

__all__ = ["Database", "Session"]

LONGEST_WAIT_S = 20
"""For those who write before; a whole class that hands in at once is through in a second or two."""

LONGEST_READ_S = 2
"""So long is waited for who reads, before the log is emptied."""

MOST_READERS = 100
"""At once: more than there are threads that answer."""


class Database:
    """A record, looked over and brought up to date on opening; raises RecordError.

    Any number read at once, each what was there when it began. One writes at a time: the others
    wait in line for the only connection that may.
    """

    def __init__(self, path: Path) -> None:
        make_ready(path)
        self.path = path
        self._file = _which_file(path)
        self._reading = connections(path, pool_size=8, max_overflow=MOST_READERS)
        event.listen(self._reading, "connect", _read_only)
        event.listen(self._reading, "begin", _begin_reading)
        self._writing = connections(path, pool_size=1, max_overflow=0, pool_timeout=LONGEST_WAIT_S)
        event.listen(self._writing, "begin", begin_writing)
        self._keeper: Keeper | None = None
        self.news = News()

    @contextmanager
    def session(self) -> Iterator[Session]:
        """A session to read with; raises RecordError."""
        with self._explaining():
            self._require_the_file()
            with Session(self._reading) as session, session.begin():
                yield session

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """A session that commits at its end, or changes nothing where it fails; raises RecordError.
        Others wait meanwhile: what takes long is done before."""
        with self._explaining():
            with Session(self._writing) as session, session.begin():
                session.connection()  # we are the writer from here on
                self._require_the_file(with_log=True)
                yield session
            if self._keeper:
                self._keeper.written()
            self.news.tell(session)

    def clear_log(self) -> None:
        """Puts what the log holds into the file, and empties it: what was deleted is then in
        neither. Where somebody reads for long, it is done soon after; raises RecordError."""
        with self._explaining():
            if not emptied(self.path, LONGEST_READ_S) and self._keeper:
                self._keeper.written()

    def keep(self) -> None:
        """From now on the file is brought up with its log soon after each write, and copied once a
        day."""
        self._keeper = Keeper(self.path)
        self._keeper.start()

    def close(self) -> None:
        """Gives back all connections. The last to close leaves one file that holds all."""
        if self._keeper:
            self._keeper.end()
            self._keeper = None
        self._reading.dispose()
        self._writing.dispose()

    @contextmanager
    def _explaining(self) -> Iterator[None]:
        try:
            yield
        except WaitedTooLongError as error:
            raise RecordBusyError(BUSY) from error
        except DBAPIError as error:
            raise explained(self.path, error) or error from error

    def _require_the_file(self, *, with_log: bool = False) -> None:
        """Raises RecordError where the file was taken away, or another is in its place: SQLite
        would go on writing into what nobody sees."""
        gone = _which_file(self.path) != self._file
        if gone or (with_log and not log_of(self.path).exists()):
            raise RecordError(
                f'the record "{self.path}" was taken away or replaced while First Loop was '
                "running; nothing more is written. End First Loop, put the record back, and start "
                "it again"
            )


def _which_file(path: Path) -> tuple[int, int] | None:
    try:
        found = path.stat()
    except OSError:
        return None
    return found.st_dev, found.st_ino


def _read_only(connection: Any, _: Any) -> None:
    connection.execute("PRAGMA query_only = ON")


def _begin_reading(connection: Any) -> None:
    connection.exec_driver_sql("BEGIN")
