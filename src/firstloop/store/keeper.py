"""Looks after the record while it is served: soon after each write the file holds it without its
log, and once a day a copy is made."""

import logging
import sqlite3
from datetime import UTC, datetime
from pathlib import Path
from threading import Event, Thread
from time import monotonic

from firstloop.store import copies
from firstloop.store.errors import RecordError
from firstloop.store.soundness import opened_to_use

LOG = logging.getLogger(__name__)

SOON_S = 0.3
"""After a write; so much of a class's work at once is brought into the file together."""

BEGINS_AFTER_S, LOOKS_EVERY_S = 5.0, 600.0
"""With the day's copy, once the first pages are answered; then whether a new day has begun."""


class Keeper:
    """A thread of its own; what it cannot do now is tried again later."""

    def __init__(self, record: Path) -> None:
        self._record = record
        self._written, self._ended = Event(), Event()
        self._thread = Thread(target=self._run, name="keeper", daemon=True)

    def start(self) -> None:
        """Begins, soon with the copy of today if there is none."""
        self._thread.start()

    def written(self) -> None:
        """Something was committed."""
        self._written.set()

    def end(self) -> None:
        """Ends when what is being done is done."""
        self._ended.set()
        self._written.set()
        self._thread.join()

    def _run(self) -> None:
        copy_at = monotonic() + BEGINS_AFTER_S
        while not self._ended.is_set():
            if self._written.wait(max(0.0, copy_at - monotonic())):
                self._ended.wait(SOON_S)
                self._written.clear()
                self._bring_up()
            if monotonic() >= copy_at:
                self._copy()
                copy_at = monotonic() + LOOKS_EVERY_S

    def _copy(self) -> None:
        try:
            copies.keep_daily(self._record, datetime.now(UTC))
        except (RecordError, OSError) as error:
            LOG.warning("today's copy was not made: %s", error)

    def _bring_up(self) -> None:
        try:
            if not emptied(self._record) and not self._ended.is_set():
                self._written.set()
        except sqlite3.Error as error:
            LOG.warning("the log was not brought into the record: %s", error)


def emptied(record: Path, wait_s: float = 0.0) -> bool:
    """Puts what the log holds into the record and empties it; whether that was possible, or others
    read or wrote for longer than was waited."""
    with opened_to_use(record) as opened:
        opened.execute(f"PRAGMA busy_timeout = {round(1000 * wait_s)}")
        (busy, _, _) = opened.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchone()
    return not busy
