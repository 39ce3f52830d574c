"""Who waits for what: one at a time, no longer than one would wait, and who floods for longer."""

import asyncio
import threading
from time import monotonic

import pytest
from starlette.responses import Response
from starlette.types import Message, Scope

from firstloop.api import door
from firstloop.api.door import Slowed
from firstloop.api.line import Line, LineIsLongError, OneAtATimeError, Pace


def test_what_stands_in_line_is_done_one_after_another_and_large_work_beside_it() -> None:
    line, at_work, most = Line(longest=10, of_one=2), [0], [0]
    ended = threading.Event()

    def usual() -> None:
        at_work[0] += 1
        most[0] = max(most[0], at_work[0])
        at_work[0] -= 1

    async def all_of_it() -> None:
        large = asyncio.create_task(line.do(lambda: ended.wait(20), is_large=True))
        await asyncio.gather(*(line.run(f"pad {at}", usual) for at in range(8)))
        ended.set()
        assert await large

    asyncio.run(all_of_it())
    assert most == [1]


def test_a_line_has_so_many_places_and_so_many_of_one() -> None:
    line = Line(longest=3, of_one=2)
    with line.place("a"), line.place("a"):
        with pytest.raises(OneAtATimeError), line.place("a"):
            pass
        with line.place("b"), pytest.raises(LineIsLongError), line.place("c"):
            pass
    with line.place("a"):
        pass


def test_a_line_may_rest_as_long_as_it_worked() -> None:
    line, begun, worked = Line(longest=10, of_one=9, rest=2.0), list[float](), list[float]()

    def work() -> None:
        begun.append(monotonic())
        threading.Event().wait(0.05)
        worked.append(monotonic() - begun[-1])

    async def all_of_it() -> None:
        await asyncio.gather(*(line.run("a stranger", work) for _ in range(3)))

    asyncio.run(all_of_it())
    for at in (1, 2):
        assert begun[at] - begun[at - 1] >= 3.0 * worked[at - 1]


def test_who_sends_far_too_much_waits_until_a_pen_could_have_written_it() -> None:
    now = [0.0]
    pace = Pace(a_second=20, at_once=100, clock=lambda: now[0])
    for _ in range(3):
        pace.take("a", 50)
    with pytest.raises(OneAtATimeError) as held:
        pace.take("a", 50)
    assert held.value.wait == 3  # 150 owed, 50 more than may be, at 20 a second
    pace.take("b", 50)
    now[0] = 3.0
    pace.take("a", 50)
    with pytest.raises(OneAtATimeError):
        pace.take("a", 50)


async def _held_back(status: int, together: int, address: str) -> int:
    """How many of some questions are answered late, asked so many at a time, a hundred in all."""

    async def answers(scope: Scope, receive: object, send: object) -> None:
        await asyncio.sleep(0)
        await Response(status_code=status)(scope, receive, send)  # type: ignore[arg-type]

    slowed, late = Slowed(answers), 0

    async def ask() -> None:
        nonlocal late
        began = monotonic()
        scope = {"type": "http", "method": "GET", "path": "/", "client": (address, 1)}

        async def receive() -> Message:
            return {"type": "http.request"}

        async def send(_: Message) -> None:
            return

        await slowed(scope, receive, send)
        late += monotonic() - began >= door.HELD_BACK_S

    for _ in range(100 // together):
        await asyncio.gather(*(ask() for _ in range(together)))
    return late


@pytest.mark.parametrize(
    ("status", "together", "least", "most"),
    [(401, 50, 30, 90), (200, 50, 0, 0), (401, 1, 0, 0), (422, 4, 0, 0)],
)
def test_who_floods_and_is_refused_is_answered_late_and_nobody_else(
    monkeypatch: pytest.MonkeyPatch, status: int, together: int, least: int, most: int
) -> None:
    monkeypatch.setattr(door, "HELD_BACK_S", 0.3)
    assert least <= asyncio.run(_held_back(status, together, "10.0.0.1")) <= most
