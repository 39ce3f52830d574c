"""The door: who is answered at all, how much may be brought in, and what every answer says to the
browser. What is promised against whom is in docs/security.md."""

from collections.abc import Sequence
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

FILES = "/api/plan/files/"

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


def install(app: FastAPI, hosts: Sequence[str]) -> None:
    """Puts the door before an application that is known by some names besides this machine's own;
    who comes in passes from the last to the first."""
    app.add_middleware(Announced)
    app.add_middleware(SameOrigin)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=[*LOOPBACK, *hosts], www_redirect=False)
    app.add_middleware(Said)


class Said:
    """Says what every answer says."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Adds to the head of the answer."""

        async def saying(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in ALWAYS.items():
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


class Announced:
    """Refuses in words what announces more than may come. What comes without announcing itself, the
    framework cuts off where it has become too much."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Passes on what may come."""
        if scope["type"] == "http":
            largest = LARGEST_FILE if scope["path"].startswith(FILES) else LARGEST_BODY
            announced = Headers(scope=scope).get("content-length", "0")
            if announced.isdecimal() and int(announced) > largest:
                detail = f"at most {largest // 1_000_000} MB can be sent at once; send less"
                await problems.answer(413, "Too much at once", detail)(scope, receive, send)
                return
        await self._app(scope, receive, send)
