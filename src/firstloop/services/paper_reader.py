"""Photographs are read beside everything else, by processes of their own, file after file. A file
stays in the record until its pages are: what was not read when the server ended is read when it
begins again."""

import logging
from collections.abc import Callable
from concurrent.futures import BrokenExecutor, Executor
from dataclasses import dataclass
from threading import Condition, Thread

from firstloop.services.beside import processes
from firstloop.store import paper
from firstloop.store.database import Database
from firstloop.store.records import PaperPhotoRecord

LOG = logging.getLogger(__name__)

READERS = 2
"""Processes that read. One file more is opened meanwhile."""

FAILED = "It could not be read, for a fault of ours; take it again, or look at it yourself."


@dataclass
class PaperReader:
    """Reads what waits; made anew for each server. Nothing is begun before something is to be
    read."""

    record: Database
    make_executor: Callable[[int], Executor] = processes

    def __post_init__(self) -> None:
        self._changed = Condition()
        self._threads: list[Thread] = []
        self._begun = set[int]()
        self._executor: Executor | None = None
        self._ended = False

    def wake(self) -> None:
        """Something waits, or may."""
        with self._changed:
            if not self._threads and self._next() is not None:
                self._executor = self.make_executor(READERS)
                self._threads = [
                    Thread(target=self._work, name=f"reading paper {at}", daemon=True)
                    for at in range(READERS + 1)
                ]
                for thread in self._threads:
                    thread.start()
            self._changed.notify_all()

    def end(self) -> None:
        """No further file is begun; what is begun is read again next time."""
        with self._changed:
            self._ended = True
            self._changed.notify_all()
        if self._executor is not None:
            self._executor.shutdown(cancel_futures=True)
        for thread in self._threads:
            thread.join()

    def _work(self) -> None:
        while (photo := self._taken()) is not None:
            try:
                self._read(*photo)
            except Exception:  # it waits, and is read when the server begins again
                LOG.exception("what was read of a photograph could not be kept")

    def _taken(self) -> tuple[PaperPhotoRecord, bytes] | None:
        """The next file, once there is one; None at the end."""
        with self._changed:
            while not self._ended:
                found = self._next()
                if found is not None:
                    self._begun.add(found[0].id)
                    return found
                self._changed.wait()
        return None

    def _next(self) -> tuple[PaperPhotoRecord, bytes] | None:
        with self.record.session() as session:
            return paper.next_photo(session, but=self._begun)

    def _read(self, photo: PaperPhotoRecord, content: bytes) -> None:
        from firstloop.services import reading_kept  # noqa: PLC0415  # slow to load

        executor = self._executor
        assert executor is not None
        try:
            found = reading_kept.read(self.record, photo, content, executor)
        except Exception as fault:  # whatever it is: the next file is read all the same
            if self._ended:
                return
            if isinstance(fault, BrokenExecutor):
                self._begin_anew(executor)
            LOG.exception("a photograph could not be read")
            found = [reading_kept.untold(photo, FAILED)]
        reading_kept.keep(self.record, photo, found)
        with self._changed:
            self._begun.discard(photo.id)

    def _begin_anew(self, broken: Executor) -> None:
        """Other processes in place of those that died, once for all files that they had."""
        with self._changed:
            if self._executor is broken:
                self._executor = self.make_executor(READERS)
