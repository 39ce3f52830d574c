"""Server-sent events: what happened, as it happens, from where the one who listens had come to."""

import asyncio
from collections.abc import AsyncIterator, Callable, Iterable, Iterator
from contextlib import contextmanager, suppress
from typing import Annotated

from fastapi import Header, Query
from fastapi.sse import ServerSentEvent
from starlette.concurrency import run_in_threadpool

from firstloop.api.sent import LARGEST_ID
from firstloop.store import happenings
from firstloop.store.database import Database
from firstloop.store.news import Topic

AT_ONCE = 100
"""Happenings that are read at once: after a long gap they come in several strides."""

LOOKED_EVERY_S = 10.0
"""Seconds after which who listens is looked at again, whatever happens: whether still signed in,
which pads have fallen silent."""

LastEventId = Annotated[
    int | None, Header(ge=0, le=LARGEST_ID, description="What was told last, after a gap.")
]
Wait = Annotated[
    bool,
    Query(description="False: what there is, and no more; for who cannot hold a connection."),
]

Stride = tuple[Iterable[ServerSentEvent], int, bool]
"""Events, up to which happening they are, and whether there will be others."""


def begun_at(record: Database, class_id: int, last: int | None) -> int:
    """From where on is told: what was told last, or from now on. It is asked before the answer
    begins: who has its head misses nothing that comes after."""
    if last is not None:
        return last
    with record.session() as session:
        return happenings.newest(session, class_id)


MOST_STREAMS = 12
"""Of one and the same at once: the pages of a teacher, or a pad that comes back before its cut line
was noticed. Of more, the one that has listened longest is ended."""


class Streams:
    """Who listens just now."""

    def __init__(self) -> None:
        self._open: dict[str, list[asyncio.Event]] = {}

    @contextmanager
    def one_of(self, who: str, rung: asyncio.Event) -> Iterator[Callable[[], bool]]:
        """One more, which is woken by `rung`; whether it still goes on, to be asked then."""
        mine = self._open.setdefault(who, [])
        mine.append(rung)
        for longest in mine[:-MOST_STREAMS]:
            mine.remove(longest)
            longest.set()
        try:
            yield lambda: rung in mine
        finally:
            if rung in mine:
                mine.remove(rung)
            if not mine:
                self._open.pop(who, None)


async def as_it_happens(  # noqa: PLR0917  # who listens to what, from where on
    record: Database,
    streams: Streams,
    who: str,
    topic: Topic,
    after: int,
    stride: Callable[[int], Stride],
    *,
    wait: bool,
) -> AsyncIterator[ServerSentEvent]:
    """Tells what `stride` reads, again and again as it is woken, until it says that it is over."""
    loop, rung = asyncio.get_running_loop(), asyncio.Event()

    def wake() -> None:
        with suppress(RuntimeError):  # the loop has ended, and with it who listened
            loop.call_soon_threadsafe(rung.set)

    with record.news.heard(topic, wake), streams.one_of(who, rung) as goes_on_listening:
        while goes_on_listening():
            rung.clear()
            before = after
            events, after, goes_on = await run_in_threadpool(stride, before)
            for event in events:
                yield event
            if not goes_on or record.news.ended:
                return
            if after - before >= AT_ONCE:
                continue
            if not wait:
                return
            with suppress(TimeoutError):
                await asyncio.wait_for(rung.wait(), LOOKED_EVERY_S)
