"""A pad without a screen: what it says to a server by the contract, over HTTP. It keeps what it has
written until the server has said that it has it."""

import json
import ssl
from collections import deque
from dataclasses import dataclass, field
from http.client import HTTPConnection, HTTPException, HTTPResponse, HTTPSConnection
from http.cookies import SimpleCookie
from typing import Any
from urllib.parse import urlsplit

from firstloop.core.errors import FirstLoopError

PATIENCE_S = 20
"""Seconds for an answer."""

Json = dict[str, Any]


class NoAnswerError(FirstLoopError):
    """The server cannot be reached just now."""


@dataclass(slots=True)
class PadClient:
    """One browser: its cookies, and what it has not handed in yet."""

    url: str
    trust: ssl.SSLContext | None = None
    cookies: dict[str, str] = field(default_factory=dict)
    waiting: deque[Json] = field(default_factory=deque)
    _line: HTTPConnection | None = None

    def ask(self, method: str, path: str, body: Json | None = None) -> tuple[int, Any]:
        """The status of an answer, and what it says; raises NoAnswerError."""
        headers = {"Content-Type": "application/json"}
        if self.cookies:
            headers["Cookie"] = "; ".join(f"{name}={x}" for name, x in self.cookies.items())
        sent = None if body is None else json.dumps(body)
        answer, said = self._answer(method, path, sent, headers)
        self._keep_cookies(answer)
        is_json = "json" in (answer.getheader("Content-Type") or "")
        return answer.status, json.loads(said) if said and is_json else None

    def _answer(
        self, method: str, path: str, sent: str | None, headers: dict[str, str]
    ) -> tuple[HTTPResponse, bytes]:
        """On the line that is there; where that was closed for want of use, on a new one."""
        was_used = self._line is not None
        line = self._line = self._line or self._connected()
        try:
            line.request(method, path, sent, headers)
            answer = line.getresponse()
            return answer, answer.read()
        except (OSError, HTTPException) as error:
            self.drop()
            if was_used:
                return self._answer(method, path, sent, headers)
            raise NoAnswerError(f"{self.url} does not answer; is First Loop running?") from error

    def drop(self) -> None:
        """The network is gone, for the moment."""
        if self._line is not None:
            self._line.close()
            self._line = None

    def hand_in(self) -> tuple[int, Json] | None:
        """Sends the oldest of what waits, which goes only once the server has answered for it; None
        where nothing waits. Raises NoAnswerError."""
        if not self.waiting:
            return None
        oldest = self.waiting[0]
        status, _ = self.ask("POST", "/api/pad/attempts", oldest)
        if status < 500 and status != 429:
            self.waiting.popleft()
        return status, oldest

    def _connected(self) -> HTTPConnection:
        parts = urlsplit(self.url)
        host = parts.hostname or ""
        if parts.scheme == "https":
            return HTTPSConnection(host, parts.port, timeout=PATIENCE_S, context=self.trust)
        return HTTPConnection(host, parts.port, timeout=PATIENCE_S)

    def _keep_cookies(self, answer: HTTPResponse) -> None:
        for header in answer.headers.get_all("Set-Cookie") or ():
            for name, morsel in SimpleCookie(header).items():
                if morsel["max-age"] == "0" or not morsel.value:
                    self.cookies.pop(name, None)
                else:
                    self.cookies[name] = morsel.value
