"""One who means harm, at a server that is being taught with: a bad pad that hands in all at once
and far too much, one who tries names and passwords, one who opens lines and says nothing. Run as a
process of its own until it is ended: `python -m scripts.harm KIND ADDRESS CODE`."""

import json
import resource
import socket
import sys
import threading
from collections.abc import Callable
from contextlib import suppress
from datetime import UTC, datetime
from http.client import HTTPConnection, HTTPException
from itertools import count
from urllib.parse import urlsplit
from uuid import uuid4

import numpy as np

from firstloop.demo.pad_client import NoAnswerError, PadClient

AT_ONCE, HALF_OPEN, POINTS = 45, 1_200, 20_000
PATIENCE_S = 60.0


def bad_pad(address: str, code: str) -> None:
    """Forty-five letters of twenty thousand points at once, again and again."""
    pad = PadClient(address)
    _, joined = pad.ask("POST", "/api/pad/join", {"code": code})
    for pupil in reversed(joined["pupils"]):
        if pad.ask("POST", "/api/pad/pupil", {"pupil": pupil["id"]})[0] == 200:
            break
    _, task = pad.ask("GET", "/api/pad/task")
    places = np.random.default_rng(1).uniform(-2, 2, (POINTS, 2)).round(3).tolist()
    strokes = [{"points": [[x, y, at, None] for at, (x, y) in enumerate(places)]}]
    sent = {
        **{name: task[name] for name in ("target", "kind", "help")},
        "written_at": datetime.now(UTC).isoformat(),
        "struck": False,
        "strokes": strokes,
    }
    raw = json.dumps(sent)
    cookie = "; ".join(f"{name}={value}" for name, value in pad.cookies.items())
    headers = {"Content-Type": "application/json", "Cookie": cookie}

    def hand_in(line: HTTPConnection, _: int) -> None:
        body = f'{{"id": "{uuid4()}", {raw[1:]}'
        line.request("POST", "/api/pad/attempts", body, headers)
        line.getresponse().read()

    _all_at_once(address, hand_in)


def guesser(address: str, code: str) -> None:
    """First accounts, and passwords for names that may be there."""
    del code

    def guess(line: HTTPConnection, at: int) -> None:
        path = "/api/account" if at % 2 else "/api/session"
        body = json.dumps({"name": f"Ms Reed {at % 7}", "password": f"not this one {at}"})
        line.request("POST", path, body, {"Content-Type": "application/json"})
        line.getresponse().read()

    _all_at_once(address, guess)


def silent(address: str, code: str) -> None:
    """Lines on which a request is begun and never ended; each that is cut is opened again."""
    del code
    port = urlsplit(address).port or 80
    most = resource.getrlimit(resource.RLIMIT_NOFILE)[1]
    resource.setrlimit(resource.RLIMIT_NOFILE, (min(most, 4096), most))
    lines: list[socket.socket] = []
    while True:
        with suppress(OSError):
            lines.append(socket.create_connection(("127.0.0.1", port), timeout=PATIENCE_S))
            lines[-1].sendall(b"POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 9")
        if len(lines) >= HALF_OPEN:
            lines.pop(0).close()
            threading.Event().wait(0.01)


def _all_at_once(address: str, ask: Callable[[HTTPConnection, int], None]) -> None:
    numbers = count()

    def again() -> None:
        parts = urlsplit(address)
        while True:
            line = HTTPConnection(parts.hostname or "", parts.port, timeout=PATIENCE_S)
            with suppress(OSError, HTTPException, NoAnswerError):
                ask(line, next(numbers))
            line.close()

    for _ in range(AT_ONCE):
        threading.Thread(target=again, daemon=True).start()
    with suppress(KeyboardInterrupt):
        threading.Event().wait()


KINDS = {"bad_pad": bad_pad, "guesser": guesser, "silent": silent}

if __name__ == "__main__":
    KINDS[sys.argv[1]](sys.argv[2], sys.argv[3])
