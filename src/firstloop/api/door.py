"""The door: who is answered at all, how much may be brought in, and what every answer says to the
browser. What is promised against whom is in docs/security.md."""

import asyncio
from collections import Counter, deque
from collections.abc import Mapping, Sequence
from time import monotonic
from urllib.parse import urlsplit

from fastapi import FastAPI
from starlette.datastructures import Headers, MutableHeaders
from starlette.middleware.trustedhost import TrustedHostMiddleware
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from firstloop.api import problems

LOOPBACK = ("127.0.0.1", "localhost", "[::1]")
"""What this machine calls itself."""

LARGEST_BODY, LARGEST_FILE = 2_000_000, 10_000_000
"""Bytes of what is sent: at all, and as a file that is brought along. No more is read."""

REFUSED_A_SECOND, REFUSED_AT_ONCE, HELD_BACK_S = 20, 8, 3.0
"""Refusals to one address, and questions of its at once, beyond which a refusal is held back, and
for how many seconds: who floods waits; of thirty pads behind one router that all mistype, ten."""

MOST_ADDRESSES = 10_000

LARGEST_PHOTO = 60_000_000
"""Bytes of a file of photographs: a scan of a class's sheets."""

FILES, PHOTOS = "/api/plan/files/", "/api/check/paper/photos"

READING = ("GET", "HEAD", "OPTIONS")
OWN_SITES = ("same-origin", "none")
"""What a browser says (Sec-Fetch-Site) of what our own page asks for, or its user."""

POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; media-src 'self'; base-uri 'none'; form-action 'none'; "
    "frame-ancestors 'none'"
)
"""What our pages may do: nothing that did not come with them."""

ALWAYS = {
    "Content-Security-Policy": POLICY,
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Permissions-Policy": "camera=(), geolocation=(), microphone=(self)",
    "Cache-Control": "no-store",
}
"""What every answer says that does not say it otherwise. Nothing of a pupil is left in a cache."""


TLS_FOR_GOOD = {"Strict-Transport-Security": "max-age=31536000"}
"""Where the school has a certificate of its own (RFC 6797): a year. With one that we made a browser
that lost our authority could not come at all, so there it is not said."""


def install(app: FastAPI, hosts: Sequence[str], *, tls_for_good: bool = False) -> None:
    """Puts the door before an application that is known by some names besides this machine's own;
    who comes in passes from the last to the first."""
    app.add_middleware(Announced)
    app.add_middleware(SameOrigin)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=[*LOOPBACK, *hosts], www_redirect=False)
    app.add_middleware(Said, said=ALWAYS | (TLS_FOR_GOOD if tls_for_good else {}))


class Said:
    """Says what every answer says."""

    def __init__(self, app: ASGIApp, said: Mapping[str, str]) -> None:
        self._app = app
        self._said = said

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Adds to the head of the answer."""

        async def saying(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in self._said.items():
                    headers.setdefault(name, value)
            await send(message)

        await self._app(scope, receive, saying)


class SameOrigin:
    """Refuses whatever changes something and comes from another site's page. A program that is no
    browser says nothing of where it comes from, and has no cookies that could be misused."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Passes on what may pass."""
        if scope["type"] == "http" and scope["method"] not in READING:
            headers = Headers(scope=scope)
            site, origin = headers.get("sec-fetch-site"), headers.get("origin")
            is_foreign = site is not None and site not in OWN_SITES
            if is_foreign or (origin is not None and not _is_ours(origin, headers)):
                detail = "this came from another site's page; use First Loop's own"
                await problems.answer(403, "Not from here", detail)(scope, receive, send)
                return
        await self._app(scope, receive, send)


def _is_ours(origin: str, headers: Headers) -> bool:
    try:
        return urlsplit(origin).netloc.lower() == headers.get("host", "").lower()
    except ValueError:
        return False


class Slowed:
    """Answers whom it refuses again and again, many at a time from one address, the later for it:
    to refuse costs time that others wait for. What is answered well is never slowed, nor one who
    asks one thing after another."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app
        self._asking: Counter[str] = Counter()
        self._refused: dict[str, deque[float]] = {}

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Passes on, and holds an answer back where it is a refusal too many."""
        address = (scope.get("client") or ("",))[0]

        async def slowing(message: Message) -> None:
            is_refused = message["type"] == "http.response.start" and message["status"] >= 400
            if is_refused and self._is_too_often(address):
                await asyncio.sleep(HELD_BACK_S)
            await send(message)

        self._asking[address] += 1
        try:
            await self._app(scope, receive, slowing)
        finally:
            self._asking[address] -= 1
            if not self._asking[address]:
                del self._asking[address]

    def _is_too_often(self, address: str) -> bool:
        now = monotonic()
        if len(self._refused) > MOST_ADDRESSES:
            self._refused.clear()
        lately = self._refused.setdefault(address, deque(maxlen=REFUSED_A_SECOND))
        is_full = len(lately) == REFUSED_A_SECOND and now - lately[0] < 1.0
        lately.append(now)
        return is_full and self._asking[address] > REFUSED_AT_ONCE


def _largest(path: str) -> int:
    if path == PHOTOS:
        return LARGEST_PHOTO
    return LARGEST_FILE if path.startswith(FILES) else LARGEST_BODY


class Announced:
    """Refuses in words what announces more than may come. What comes without announcing itself, the
    framework cuts off where it has become too much."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Passes on what may come."""
        if scope["type"] == "http":
            largest = _largest(scope["path"])
            announced = Headers(scope=scope).get("content-length", "0")
            if announced.isdecimal() and int(announced) > largest:
                detail = f"at most {largest // 1_000_000} MB can be sent at once; send less"
                await problems.answer(413, "Too much at once", detail)(scope, receive, send)
                return
        await self._app(scope, receive, send)
