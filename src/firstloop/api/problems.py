"""Errors in one shape: problem details (RFC 9457), with what was wrong and what to do."""

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from firstloop.core.errors import FirstLoopError, InkError, PackageError, UnknownLetterError
from firstloop.store.records import NotInRecordError


class Problem(BaseModel):
    """What went wrong. `title` names the kind, `detail` says it in full; `where` lists places."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    where: list[str] = []


_KINDS: list[tuple[type[FirstLoopError], int, str]] = [
    (NotInRecordError, 404, "Not in the record"),
    (UnknownLetterError, 404, "No such letter"),
    (InkError, 422, "This ink cannot be checked"),
    (PackageError, 422, "This file is faulty; nothing of it was taken over"),
    (FirstLoopError, 422, "This cannot be done"),
]

ANSWERS: dict[int | str, dict[str, object]] = {
    status: {"model": Problem, "content": {"application/problem+json": {}}, "description": title}
    for status, title in ((404, "Not in the record"), (422, "What was sent is faulty"))
}
"""For the OpenAPI document: what every router may answer besides its own."""


def install(app: FastAPI) -> None:
    """Makes every error of the application a problem document."""

    @app.exception_handler(FirstLoopError)
    def ours(_: Request, error: FirstLoopError) -> JSONResponse:
        status, title = next((s, t) for kind, s, t in _KINDS if isinstance(error, kind))
        faults = error.faults if isinstance(error, PackageError) else ()
        where = [f"{place}: {what}" for place, what in faults]
        return _answer(status, title, str(error), where)

    @app.exception_handler(RequestValidationError)
    def faulty(_: Request, error: RequestValidationError) -> JSONResponse:
        where = [
            f"{'.'.join(str(step) for step in fault['loc'])}: {fault['msg']}"
            for fault in error.errors()
        ]
        return _answer(422, "What was sent is faulty", "; ".join(where), where)

    @app.exception_handler(HTTPException)
    def http(_: Request, error: HTTPException) -> JSONResponse:
        return _answer(error.status_code, "Not here", str(error.detail))


def _answer(status: int, title: str, detail: str, where: list[str] | None = None) -> JSONResponse:
    problem = Problem(title=title, status=status, detail=detail, where=where or [])
    return JSONResponse(
        problem.model_dump(), status_code=status, media_type="application/problem+json"
    )
