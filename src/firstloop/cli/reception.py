"""Takes in who comes to the server. Nobody keeps others out by coming often and saying nothing:
each has so long to say what it wants, and so many from one address may be silent at once; the one
that has been so longest goes. Over TLS, who comes without it is told where to go."""

import asyncio
import logging
import resource
import signal
import socket
import ssl
from collections.abc import Callable, Coroutine
from contextlib import suppress
from dataclasses import dataclass, field
from http import HTTPStatus
from types import FrameType

import h11
import uvicorn
from uvicorn.protocols.http.h11_impl import H11Protocol

LOG = logging.getLogger(__name__)

HEAD_S, BODY_S = 15.0, 60.0
"""Seconds for the head of a request, from when its line is opened or the one before was answered,
and for its body: 10 MB over a network that is slower than any school's."""

MOST_SILENT, MOST_OF_ONE = 128, 1024
"""From one address at once: lines on which nothing has been asked yet, and lines at all. A school
behind one router has thirty pads in each of ten classes, with two lines each."""

MOST_FILES = 65_536
"""Open files that we ask for: a line is one."""

TLS_HANDSHAKE = 0x16
"""The first byte of whoever begins with TLS (RFC 8446, 5.1)."""


def raise_the_limit() -> None:
    """Lets the process open as many lines as it may: its usual limit (1,024) is soon reached."""
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    most = MOST_FILES if hard == resource.RLIM_INFINITY else min(hard, MOST_FILES)
    if soft != resource.RLIM_INFINITY and soft < most:
        with suppress(ValueError, OSError):
            resource.setrlimit(resource.RLIMIT_NOFILE, (most, hard))


class Timed(H11Protocol):
    """A line that is ended where what is asked on it takes too long to come."""

    is_asking = False
    """Whether all of a request has come, and is being answered."""

    when_gone: Callable[[], None] | None = None
    _given_up: asyncio.TimerHandle | None = None
    _phase: object = None

    def connection_made(self, transport: asyncio.Transport) -> None:  # type: ignore[override]
        """The line is open, and its time begins."""
        super().connection_made(transport)
        self._look()

    def data_received(self, data: bytes) -> None:
        """More of a request has come."""
        super().data_received(data)
        self._look()

    def on_response_complete(self) -> None:
        """The request is answered; another may come."""
        super().on_response_complete()
        self._look()

    def connection_lost(self, exc: Exception | None) -> None:
        """The line has ended."""
        self._stop_the_clock()
        super().connection_lost(exc)
        if self.when_gone:
            self.when_gone()

    def _look(self) -> None:
        """How far the request has come; each part of it has its own time, however it drips."""
        phase = self.conn.their_state
        if phase is self._phase:
            return
        self._phase = phase
        self._stop_the_clock()
        self.is_asking = phase not in (h11.IDLE, h11.SEND_BODY)
        if not self.is_asking:
            within = HEAD_S if phase is h11.IDLE else BODY_S
            self._given_up = self.loop.call_later(within, self.transport.abort)

    def _stop_the_clock(self) -> None:
        if self._given_up is not None:
            self._given_up.cancel()
            self._given_up = None


@dataclass(eq=False)
class _Guest:
    """A line that somebody opened, from an address; what ends it, and what is said on it."""

    address: str
    end: Callable[[], object] = lambda: None
    protocol: Timed | None = None

    @property
    def is_silent(self) -> bool:
        return self.protocol is None or not self.protocol.is_asking


@dataclass
class Reception:
    """Takes in who comes to a socket. `make` makes what speaks with each; with a TLS context also
    where who comes without it is sent (None: it is only told so)."""

    listening: socket.socket
    make: Callable[[], Timed]
    tls: ssl.SSLContext | None = None
    where: str | None = None
    _guests: dict[str, list[_Guest]] = field(default_factory=dict)
    _tasks: set[asyncio.Task[None]] = field(default_factory=set)

    def open(self) -> None:
        """Begins to take in."""
        self.listening.setblocking(False)
        self._later(self._take_in())

    def close(self) -> None:
        """Takes in nobody any more; who is in goes on."""
        for task in self._tasks:
            task.cancel()

    async def wait_closed(self) -> None:
        """As uvicorn asks it of its servers: there is nothing to wait for."""

    async def _take_in(self) -> None:
        loop = asyncio.get_running_loop()
        while True:
            try:
                line, (address, *_) = await loop.sock_accept(self.listening)
            except OSError:  # no file is left for it, or it went again: others go meanwhile
                await asyncio.sleep(0.05)
                continue
            guest = _Guest(str(address))
            if self._finds_room(guest):
                guest.end = self._later(self._receive(guest, line)).cancel
            else:
                line.close()

    def _finds_room(self, guest: _Guest) -> bool:
        others = self._guests.setdefault(guest.address, [])
        silent = [one for one in others if one.is_silent]
        if len(silent) >= MOST_SILENT or (len(others) >= MOST_OF_ONE and silent):
            self._gone(silent[0])
            silent[0].end()
        elif len(others) >= MOST_OF_ONE:
            return False
        others.append(guest)
        return True

    def _gone(self, guest: _Guest) -> None:
        others = self._guests.get(guest.address, [])
        if guest in others:
            others.remove(guest)
        if not others:
            self._guests.pop(guest.address, None)

    async def _receive(self, guest: _Guest, line: socket.socket) -> None:
        """Speaks with a guest from here on, or sends it away."""
        loop = asyncio.get_running_loop()
        line.setblocking(False)
        with suppress(OSError):
            line.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
        try:
            async with asyncio.timeout(HEAD_S):
                if self.tls and await _first_byte(line) != TLS_HANDSHAKE:
                    await self._send_away(line)
                    raise ConnectionError
                transport, protocol = await loop.connect_accepted_socket(
                    self.make,
                    line,
                    ssl=self.tls,
                    ssl_handshake_timeout=HEAD_S if self.tls else None,
                )
        except (OSError, ValueError, TimeoutError, asyncio.CancelledError):
            line.close()
            self._gone(guest)
            return
        guest.protocol, guest.end = protocol, transport.abort
        protocol.when_gone = lambda: self._gone(guest)
        if transport.is_closing():
            self._gone(guest)

    async def _send_away(self, line: socket.socket) -> None:
        """What comes without TLS is answered in plain words, and a browser goes where it should."""
        loop = asyncio.get_running_loop()
        asked = await loop.sock_recv(line, 4096)
        method, _, rest = asked.partition(b" ")
        path = rest.partition(b" ")[0].decode("ascii", "replace")
        to = self.where or "https, at the same address"
        said = f"First Loop speaks TLS only. It is at {to}\n".encode()
        head = [f"HTTP/1.1 {HTTPStatus.BAD_REQUEST} Bad Request"]
        if self.where and method in (b"GET", b"HEAD") and path.isprintable() and path[:1] == "/":
            head = [
                f"HTTP/1.1 {HTTPStatus.TEMPORARY_REDIRECT} Temporary Redirect",
                f"Location: {self.where}{path}",
            ]
        head += [
            "Content-Type: text/plain; charset=utf-8",
            f"Content-Length: {len(said)}",
            "Connection: close",
            "",
            "",
        ]
        await loop.sock_sendall(line, "\r\n".join(head).encode("ascii", "replace") + said)

    def _later(self, work: Coroutine[None, None, None]) -> asyncio.Task[None]:
        task = asyncio.get_running_loop().create_task(work)
        self._tasks.add(task)
        task.add_done_callback(self._tasks.discard)
        return task


async def _first_byte(line: socket.socket) -> int:
    """The first byte that comes, which stays to be read; -1 where the line is ended before."""
    loop = asyncio.get_running_loop()
    came = asyncio.Event()
    loop.add_reader(line.fileno(), came.set)
    try:
        await came.wait()
    finally:
        loop.remove_reader(line.fileno())
    return (line.recv(1, socket.MSG_PEEK) or b"\xff")[0]


class Server(uvicorn.Server):
    """The server behind the reception. `before_it_ends` is called when it is told to end: who
    listens to what happens would keep it waiting. `was_told` says whether it was told to before it
    listened to that."""

    def __init__(
        self,
        config: uvicorn.Config,
        before_it_ends: Callable[[], None],
        where: str | None,
        was_told: Callable[[], bool],
    ) -> None:
        super().__init__(config)
        self._before_it_ends = before_it_ends
        self._where = where
        self._was_told = was_told

    async def startup(self, sockets: list[socket.socket] | None = None) -> None:
        """Takes in who comes by our own reception."""
        await super().startup(sockets=[])
        for listening in sockets or []:
            reception = Reception(listening, self._speaker, self.config.ssl, self._where)
            reception.open()
            self.servers.append(reception)  # type: ignore[arg-type]  # it closes as a server does
        if self._was_told():  # soon: it ends in order only once it has begun
            asyncio.get_running_loop().call_soon(self.handle_exit, signal.SIGINT, None)

    def _speaker(self) -> Timed:
        return Timed(
            config=self.config, server_state=self.server_state, app_state=self.lifespan.state
        )

    def handle_exit(self, sig: int, frame: FrameType | None) -> None:
        """It is told to end."""
        self._before_it_ends()
        super().handle_exit(sig, frame)
