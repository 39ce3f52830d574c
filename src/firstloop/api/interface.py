"""The built front end, and what a browser may keep of it."""

import secrets
from pathlib import Path

from starlette.datastructures import URL
from starlette.exceptions import HTTPException
from starlette.responses import HTMLResponse, RedirectResponse, Response
from starlette.routing import Match, Mount
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

from firstloop.api.door import POLICY

PAGE, PAD = "index.html", "pad.html"
"""The teacher's page, and the children's."""

PADS = "/pad/"
"""Where pads find theirs. What keeps it there without the network reaches no further than this."""

NONCE = "%NONCE%"
"""In the page, where the word stands by which its own styles are known. Dialogs and menus lay
styles of theirs into the page while they are open; no other may."""

KEPT_FOR_GOOD, ASKED_AGAIN = "public, max-age=31536000, immutable", "no-cache"
"""Files with a digest in their names, and all others."""


class Interface(Mount):
    """The built files; any path that is no file is a place within the page. What is the server's
    own (`/api`) is never a page."""

    def __init__(self, directory: Path) -> None:
        super().__init__("/", app=_Files(directory))

    def matches(self, scope: Scope) -> tuple[Match, Scope]:
        """Leaves what is the server's own to it."""
        path = scope["path"]
        if path == "/api" or path.startswith("/api/"):
            return Match.NONE, {}
        return super().matches(scope)


class _Files(StaticFiles):
    def __init__(self, directory: Path) -> None:
        super().__init__(directory=directory)
        self._directory = directory

    async def get_response(self, path: str, scope: Scope) -> Response:
        """The file, or the page that finds its own place."""
        if scope["path"] == PADS[:-1]:
            return RedirectResponse(URL(scope=scope).replace(path=PADS, scheme="", netloc=""))
        if scope["path"] == PADS or path == PAD:
            return self._paged(PAD)
        if path in (".", PAGE):
            return self._paged(PAGE)
        try:
            found = await super().get_response(path, scope)
        except HTTPException as error:
            if error.status_code != 404 or path.startswith("assets/"):
                raise
            return self._paged(PAGE)
        is_hashed = path.startswith("assets/")
        found.headers["Cache-Control"] = KEPT_FOR_GOOD if is_hashed else ASKED_AGAIN
        return found

    def _paged(self, page: str) -> Response:
        nonce = secrets.token_urlsafe(16)
        policy = POLICY.replace("style-src 'self'", f"style-src 'self' 'nonce-{nonce}'")
        return HTMLResponse(
            (self._directory / page).read_text(encoding="utf-8").replace(NONCE, nonce),
            headers={"Content-Security-Policy": policy},
        )
