"""Checks of what pads hand in, in processes of their own beside the server: thirty children's
letters hold up nobody's page. Until such a process is ready, and where it dies, they are done
here."""

import logging
import os
from collections.abc import Callable, Iterable
from concurrent.futures import BrokenExecutor, Executor, Future
from dataclasses import dataclass
from functools import partial
from threading import Lock
from typing import Protocol, TypeVar

from firstloop.core.checking.check import Evidence
from firstloop.core.checking.check import prepare as prepare_checks
from firstloop.core.checking.say.findings import TextResult
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.image import SeenInk
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Task
from firstloop.core.geometry.compiled import as_they_stand, begin_loading
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.services.beside import processes
from firstloop.services.checks import letter_checked, text_checked
from firstloop.store.records import Checked

LOG = logging.getLogger(__name__)

T = TypeVar("T")

LARGE = 3_000
"""[points] As many as a long sentence has. More of them at once are looked at by a process that
gives way to all others."""

GIVES_WAY = 10
"""By so much nicer is the process that looks at what is far larger than usual."""


class Checks(Protocol):
    """Who checks what is handed in; for what it raises see `letter_checked`, `text_checked`."""

    def begin(self, styles: Iterable[Style]) -> None:
        """From now on there will be much to check in these styles."""

    def letter(self, evidence: Evidence, task: Task, style: Style, ruling: Ruling) -> Checked:
        """What the check says of a letter."""

    def text(
        self, evidence: Ink | SeenInk, task: Task, style: Style, ruling: Ruling
    ) -> TextResult | None:
        """What the check says of a text."""

    def end(self) -> None:
        """Nothing more is checked."""


class _Here:
    """Checks in the thread that asks."""

    letter = staticmethod(letter_checked)
    text = staticmethod(text_checked)

    @staticmethod
    def begin(styles: Iterable[Style]) -> None:
        del styles  # what a hand needs is worked out when it is first asked for
        begin_loading()

    @staticmethod
    def end() -> None:
        """There is nothing to end."""


HERE: Checks = _Here()


class ChecksAside:
    """Checks in one process for what is as large as usual, and in another, begun when it is first
    needed, for what is far larger."""

    def __init__(self, make: Callable[[int], Executor] = processes) -> None:
        self._usual, self._large = _Beside(make), _Beside(make, GIVES_WAY)

    def begin(self, styles: Iterable[Style]) -> None:
        """Begins the process, which works out first what these styles need."""
        self._usual.begin(tuple(styles))

    def letter(self, evidence: Evidence, task: Task, style: Style, ruling: Ruling) -> Checked:
        """As `letter_checked`."""
        return self._asked(evidence, partial(letter_checked, evidence, task, style, ruling))

    def text(
        self, evidence: Ink | SeenInk, task: Task, style: Style, ruling: Ruling
    ) -> TextResult | None:
        """As `text_checked`."""
        return self._asked(evidence, partial(text_checked, evidence, task, style, ruling))

    @property
    def has_begun(self) -> bool:
        """Whether there is much to check, and it is not done here."""
        return self._usual.has_begun

    def end(self) -> None:
        """What is being checked is; then the processes end."""
        self._usual.end()
        self._large.end()

    def _asked(self, evidence: Evidence, check: Callable[[], T]) -> T:
        if isinstance(evidence, Ink) and sum(len(s.points) for s in evidence.strokes) > LARGE:
            self._large.begin(())
            return self._large.done(check, waits=True)
        return self._usual.done(check)


@dataclass(frozen=True, slots=True)
class _Refused:
    """What was sent is nothing to check: why, is said where it is asked."""


class _Beside:
    """A process beside this one; `nicer` is by how much it gives way to others."""

    def __init__(self, make: Callable[[int], Executor], nicer: int = 0) -> None:
        self._make, self._nicer = make, nicer
        self._lock = Lock()
        self._executor: Executor | None = None
        self._ready: Future[None] | None = None
        self._styles: tuple[Style, ...] = ()

    @property
    def has_begun(self) -> bool:
        return self._executor is not None

    def begin(self, styles: tuple[Style, ...]) -> None:
        with self._lock:
            self._styles = styles or self._styles
            if self._executor is None:
                self._executor = self._make(1)
                self._ready = self._executor.submit(_made_ready, self._styles, self._nicer)

    def done(self, check: Callable[[], T], *, waits: bool = False) -> T:
        """A check, done there, or here as long as it is not ready."""
        executor, ready = self._executor, self._ready
        if executor is None or ready is None:
            return check()
        if waits or _is_ready(ready):
            try:
                answer = executor.submit(_checked, check).result()
                if not isinstance(answer, _Refused):
                    return answer
            except Exception as fault:  # whatever it is: a child's ink is not to be lost over it
                LOG.exception("it could not be checked beside the server, and is checked in it")
                if isinstance(fault, BrokenExecutor):
                    self._begin_anew(executor)
        with as_they_stand():
            return check()

    def end(self) -> None:
        with self._lock:
            executor, self._executor = self._executor, None
        if executor is not None:
            executor.shutdown(cancel_futures=True)

    def _begin_anew(self, broken: Executor) -> None:
        with self._lock:
            if self._executor is not broken:
                return
            self._executor = None
        self.begin(())


def _is_ready(ready: "Future[None]") -> bool:
    return ready.done() and not ready.cancelled()


def _made_ready(styles: tuple[Style, ...], nicer: int) -> None:
    """In the process: all that is to be loaded, and what the checks of these hands need."""
    os.nice(nicer)
    begin_loading().join()
    for style in styles:
        prepare_checks(style)


def _checked(check: Callable[[], T]) -> T | _Refused:
    """In the process."""
    try:
        return check()
    except FirstLoopError:
        return _Refused()
