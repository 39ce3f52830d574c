"""Server-sent events: what happened, as it happens, from where the one who listens had come to."""

import asyncio
from collections.abc import AsyncIterator, Callable, Iterable
from contextlib import suppress
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


async def as_it_happens(
    record: Database, topic: Topic, after: int, stride: Callable[[int], Stride], *, wait: bool
) -> AsyncIterator[ServerSentEvent]:
    """Tells what `stride` reads, again and again as it is woken, until it says that it is over."""
    loop, rung = asyncio.get_running_loop(), asyncio.Event()

    def wake() -> None:
        with suppress(RuntimeError):  # the loop has ended, and with it who listened
            loop.call_soon_threadsafe(rung.set)

    with record.news.heard(topic, wake):
        while True:
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
