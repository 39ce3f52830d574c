"""Work that is dear stands in line: so much of it is done at once, a few may wait, the others are
told at once to come again. Who waits holds no thread that others need."""

from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from math import ceil
from time import monotonic
from typing import TypeVar

from anyio import CapacityLimiter, sleep
from anyio.to_thread import run_sync

from firstloop.core.errors import FirstLoopError

T = TypeVar("T")

COME_AGAIN_S = 1


class OneAtATimeError(FirstLoopError):
    """Somebody asks for more at once than one may. `wait` is after how many seconds to come
    again."""

    def __init__(self, said: str, wait: int = COME_AGAIN_S) -> None:
        self.wait = wait
        super().__init__(said)


class LineIsLongError(FirstLoopError):
    """So many wait already that another would wait too long."""


class Pace:
    """How fast one and the same may send what is far larger than usual: so many bytes a second, and
    some at once that were kept while the network was away. A clock may be given in place of the
    machine's."""

    def __init__(self, a_second: float, at_once: float, clock: Callable[[], float] = monotonic):
        self._a_second, self._at_once, self._clock = a_second, at_once, clock
        self._owed: dict[str, tuple[float, float]] = {}

    def take(self, who: str, size: int) -> None:
        """Counts what somebody sends; raises OneAtATimeError where it comes too soon."""
        now = self._clock()
        owed = self._owes(who, now)
        if owed > self._at_once:
            wait = ceil((owed - self._at_once) / self._a_second)
            raise OneAtATimeError("so much was sent before that this has to wait", wait)
        self._owed = {name: one for name, one in self._owed.items() if self._owes(name, now) > 0}
        self._owed[who] = (owed + size, now)

    def _owes(self, who: str, now: float) -> float:
        owed, since = self._owed.get(who, (0.0, now))
        return max(0.0, owed - (now - since) * self._a_second)


class Line:
    """One line, of which one piece of work is done at a time, in a thread of its own; beside it
    another for what is far larger than usual. How many may be in it, how many of them one and the
    same may have there, and how long it rests after each piece, by how long that took: the machine
    is for others meanwhile."""

    def __init__(self, *, longest: int, of_one: int, rest: float = 0.0) -> None:
        self._usual, self._large = CapacityLimiter(1), CapacityLimiter(1)
        self._threads = CapacityLimiter(2)
        self._longest = longest
        self._of_one = of_one
        self._rest, self._rested_at = rest, 0.0
        self._waiting: Counter[str] = Counter()

    @contextmanager
    def place(self, who: str) -> Iterator[None]:
        """Somebody's place in the line; raises OneAtATimeError and LineIsLongError."""
        if self._waiting[who] >= self._of_one:
            raise OneAtATimeError("what was sent before is still being looked at; send it again")
        if self._waiting.total() >= self._longest:
            raise LineIsLongError("so many ask at once that it would take too long; try again")
        self._waiting[who] += 1
        try:
            yield
        finally:
            self._waiting[who] -= 1
            if not self._waiting[who]:
                del self._waiting[who]

    async def do(self, work: Callable[[], T], *, is_large: bool = False) -> T:
        """Does a piece of work of somebody who has a place, when it is its turn."""
        async with self._large if is_large else self._usual:
            await sleep(max(0.0, self._rested_at - monotonic()))
            began = monotonic()
            try:
                return await run_sync(work, limiter=self._threads)
            finally:
                ended = monotonic()
                self._rested_at = ended + self._rest * (ended - began)

    async def run(self, who: str, work: Callable[[], T]) -> T:
        """Takes a place and does a piece of work. Raises OneAtATimeError and LineIsLongError, and
        whatever the work raises."""
        with self.place(who):
            return await self.do(work)


class Lines:
    """The lines of the application: passwords of who is known and of who is not, so that strangers
    keep no teacher waiting; and what pads hand in."""

    def __init__(self) -> None:
        self.strangers = Line(longest=12, of_one=3, rest=1.0)
        self.known = Line(longest=12, of_one=3)
        self.handed_in = Line(longest=300, of_one=1)
        self.large = Pace(a_second=20_000, at_once=1_000_000)
