"""Errors in one shape: problem details (RFC 9457), with what was wrong and what to do."""

import logging
from collections.abc import Mapping

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from starlette.exceptions import HTTPException
from starlette.routing import Match
from starlette.types import Scope

from firstloop.api.answer import Answer
from firstloop.api.deps import AnotherClassOpenError, NotSignedInError, UnnamedClassError
from firstloop.api.line import COME_AGAIN_S, LineIsLongError, OneAtATimeError
from firstloop.core.errors import (
    FirstLoopError,
    InkError,
    LooksAlikeError,
    PackageError,
    TooMuchInkError,
    UnknownLetterError,
)
from firstloop.core.staff import PasswordError
from firstloop.services.accounts import WrongPasswordError
from firstloop.services.care import FlaggedAlreadyError
from firstloop.services.classes import ClassIsThereError
from firstloop.services.guessing import TooManyTriesError
from firstloop.services.pad_seats import (
    PutOutError,
    TakenTileError,
    TooLateError,
    TooManyPadsError,
    UnknownPadError,
)
from firstloop.services.pad_work import PadIsFullError
from firstloop.services.paper_pages import PageError, TooManyPhotosError
from firstloop.store.accounts import AccountTakenError
from firstloop.store.errors import RecordBusyError, RecordError
from firstloop.store.handed_in import AnotherCameFirstError, TakenBackError
from firstloop.store.pupils import NameTakenError, TileTakenError
from firstloop.store.records import NotInRecordError
from firstloop.store.staff import NotHersError

LOG = logging.getLogger(__name__)

A_WHILE_S = 300
"""Until somebody may have put a pad out, or a lesson is over."""

LONGEST_WHERE = 20
"""Places that are named; who sends a thousand faults needs no more to find them."""


class Problem(Answer):
    """What went wrong. `title` names the kind, `detail` says it in full; `where` lists places."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    where: list[str] = []


ANOTHER_CLASS_IS_OPEN = "Another class is open"

_KINDS: list[tuple[type[FirstLoopError], int, str]] = [
    (NotSignedInError, 401, "Not signed in"),
    (WrongPasswordError, 401, "Not signed in"),
    (PutOutError, 401, "Not in the lesson"),
    (UnknownPadError, 403, "Not known here"),
    (NotHersError, 403, "Not yours to do"),
    (NotInRecordError, 404, "Not in the record"),
    (UnknownLetterError, 404, "No such letter"),
    (AnotherClassOpenError, 409, ANOTHER_CLASS_IS_OPEN),
    (UnnamedClassError, 428, "Which class?"),
    (AnotherCameFirstError, 409, "Another came first"),
    (NameTakenError, 409, "There already"),
    (ClassIsThereError, 409, "There already"),
    (AccountTakenError, 409, "There already"),
    (FlaggedAlreadyError, 409, "There already"),
    (PageError, 409, "Not as it is"),
    (TooManyPhotosError, 503, "Many wait"),
    (TileTakenError, 409, "There already"),
    (LooksAlikeError, 409, "Looks alike"),
    (TakenTileError, 409, "Taken already"),
    (TakenBackError, 410, "Taken back"),
    (TooLateError, 410, "Too late to be taken"),
    (TooMuchInkError, 413, "Too much at once"),
    (PasswordError, 422, "Another password, please"),
    (TooManyTriesError, 429, "Too many tries"),
    (TooManyPadsError, 429, "Too many pads"),
    (PadIsFullError, 429, "More than a child could write"),
    (OneAtATimeError, 429, "One at a time"),
    (LineIsLongError, 503, "Busy just now"),
    (InkError, 422, "This ink cannot be checked"),
    (PackageError, 422, "This file is faulty; nothing of it was taken over"),
    (RecordBusyError, 503, "Busy just now"),
    (RecordError, 503, "The record cannot be used"),
    (FirstLoopError, 422, "This cannot be done"),
]

_TITLES = {
    400: "What was sent cannot be read",
    404: "Not in the record",
    401: "Not signed in",
    413: "Too much at once",
    422: "What was sent is faulty",
    503: "The record cannot be used just now",
}
_TITLES_OF_WRITES = {403: "Not from here"}


def _declared(titles: Mapping[int, str]) -> dict[int | str, dict[str, object]]:
    return {
        status: {
            "model": Problem,
            "content": {"application/problem+json": {}},
            "description": title,
        }
        for status, title in titles.items()
    }


ANSWERS = _declared(_TITLES | _TITLES_OF_WRITES)
"""For the OpenAPI document: what every router may answer besides its own."""

OF_A_CLASS = _declared({409: ANOTHER_CLASS_IS_OPEN, 428: "Which class?"})
"""What may be answered besides to what is about a class."""

SIGN_IN = _declared({429: "Too many tries"})

JOINING = _declared({403: "Not known here", 429: "Too many tries"})

TAKEN_ALREADY = _declared({409: "Taken already"})
"""What may be answered to who takes a place or an id."""

THERE_ALREADY = _declared({409: "There already"})
"""What may be answered to something new that has a name."""

HANDED_IN = _declared({409: "Another came first", 410: "Taken back, or too late"})
"""What may be answered to something handed in besides."""

FROM_A_PAD = HANDED_IN | _declared({429: "One at a time; or more than a child could write"})
"""The same, where a pad hands it in."""


def install(app: FastAPI) -> None:
    """Makes every error of the application a problem document."""

    @app.exception_handler(FirstLoopError)
    def ours(_: Request, error: FirstLoopError) -> JSONResponse:
        status, title = next((s, t) for kind, s, t in _KINDS if isinstance(error, kind))
        faults = error.faults if isinstance(error, PackageError) else ()
        where = [f"{place}: {what}" for place, what in faults]
        headers = _headers_of(error, status)
        if isinstance(error, RecordError):
            LOG.warning("%s", error)
        return answer(status, title, str(error), where, headers)

    @app.exception_handler(RequestValidationError)
    def faulty(_: Request, error: RequestValidationError) -> JSONResponse:
        where = [
            f"{'.'.join(str(step) for step in fault['loc'])}: {fault['msg']}"
            for fault in error.errors()[:LONGEST_WHERE]
        ]
        return answer(422, "What was sent is faulty", "; ".join(where), where)

    @app.exception_handler(HTTPException)
    def http(request: Request, error: HTTPException) -> JSONResponse:
        headers = error.headers
        if error.status_code == 405 and request.url.path.startswith("/api/"):
            headers = {"Allow": ", ".join(_methods_at(app, request.scope))}
        title = _TITLES.get(error.status_code, "Not here")
        return answer(error.status_code, title, str(error.detail), headers=headers)

    @app.exception_handler(Exception)
    def unforeseen(_: Request, __: Exception) -> JSONResponse:
        detail = "First Loop met something it does not know; what was kept before is safe"
        return answer(500, "A fault of First Loop", detail)


def _headers_of(error: FirstLoopError, status: int) -> dict[str, str]:
    if isinstance(error, RecordBusyError):
        return {"Retry-After": "2"}
    if isinstance(error, LineIsLongError):
        return {"Retry-After": str(COME_AGAIN_S)}
    if isinstance(error, (PadIsFullError, TooManyPadsError)):
        return {"Retry-After": str(A_WHILE_S)}
    if isinstance(error, (TooManyTriesError, OneAtATimeError)):
        return {"Retry-After": str(error.wait)}
    return {"WWW-Authenticate": 'Session realm="First Loop"'} if status == 401 else {}


METHODS = ("DELETE", "GET", "POST", "PUT")


def _methods_at(app: FastAPI, scope: Scope) -> list[str]:
    """By what a path may be asked, by all routes there: a route alone knows only its own."""
    return [
        method
        for method in METHODS
        for one in [{**scope, "method": method}]
        if any(route.matches(one)[0] is Match.FULL for route in app.routes)
    ]


def answer(
    status: int,
    title: str,
    detail: str,
    where: list[str] | None = None,
    headers: Mapping[str, str] | None = None,
) -> JSONResponse:
    """A problem as an answer; what in it cannot be written, as it came from outside, is marked."""
    problem = Problem(title=title, status=status, detail=detail, where=where or [])
    content = {
        name: [_writable(one) for one in value] if isinstance(value, list) else _writable(value)
        for name, value in problem.model_dump().items()
    }
    return JSONResponse(
        content,
        status_code=status,
        media_type="application/problem+json",
        headers=dict(headers or {}),
    )


def _writable(value: object) -> object:
    return value.encode("utf-8", "replace").decode() if isinstance(value, str) else value
