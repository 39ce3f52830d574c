"""Who listens to a class as it writes: a teacher's screen without a screen. It comes back after a
gap from where it had come to, as browsers do."""

import json
import socket
import threading
import time
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, field
from typing import Any, BinaryIO

AGAIN_AFTER_S = 0.2


@dataclass
class Heard:
    """An event: when it came (by this machine's clock), its number, its kind, what it says."""

    at: float
    number: str | None
    kind: str
    data: Any


@dataclass
class Listener:
    """Listens in a thread of its own until it is told to stop. Used as a context."""

    port: int
    path: str = "/api/write/live"
    cookie: str | None = None
    heard: list[Heard] = field(default_factory=list)
    ready: threading.Event = field(default_factory=threading.Event)
    _ended: threading.Event = field(default_factory=threading.Event)
    _thread: threading.Thread | None = None
    _line: socket.socket | None = None

    def of(self, kind: str) -> list[Heard]:
        return [one for one in self.heard if one.kind == kind]

    def __enter__(self) -> "Listener":
        self._thread = threading.Thread(target=self._listen, daemon=True)
        self._thread.start()
        assert self.ready.wait(10)
        return self

    def __exit__(self, *_: object) -> None:
        self._ended.set()
        if self._line is not None:
            with suppress(OSError):
                self._line.shutdown(socket.SHUT_RDWR)
        if self._thread is not None:
            self._thread.join(timeout=10)

    def _listen(self) -> None:
        last: str | None = None
        while not self._ended.is_set():
            with suppress(OSError), socket.create_connection(("127.0.0.1", self.port)) as line:
                self._line = line
                line.sendall(self._question(last))
                with line.makefile("rb") as answer:
                    for fields in self._events(answer):
                        last = fields.get("id", last)
                        self.heard.append(_heard(fields))
            self._ended.wait(AGAIN_AFTER_S)

    def _question(self, last: str | None) -> bytes:
        """By HTTP/1.0, in which an answer goes on until the line is cut, without any wrapping."""
        head = {"Host": "127.0.0.1", "Cookie": self.cookie, "Last-Event-ID": last}
        lines = [f"{name}: {value}" for name, value in head.items() if value is not None]
        return "\r\n".join([f"GET {self.path} HTTP/1.0", *lines, "", ""]).encode()

    def _events(self, answer: BinaryIO) -> Iterator[dict[str, str]]:
        fields: dict[str, str] = {}
        for raw in answer:
            self.ready.set()
            name, _, value = raw.decode().rstrip("\r\n").partition(": ")
            if name in ("event", "id", "data"):
                fields[name] = value
            elif not name and "event" in fields:
                yield fields
                fields = {}


def _heard(fields: dict[str, str]) -> Heard:
    said = json.loads(fields.get("data", "null"))
    return Heard(time.monotonic(), fields.get("id"), fields["event"], said)
