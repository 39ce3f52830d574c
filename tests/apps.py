"""One application for all tests of a process: to put it together takes longer than most of them."""

from functools import cache

from fastapi import FastAPI

from firstloop.api.app import create_app
from firstloop.services.heard import Heard
from firstloop.services.tries import Tries, of_codes
from firstloop.store.database import Database


def app_over(database: Database) -> FastAPI:
    """The application, answering from a record from now on, with nobody held up."""
    app = _app()
    app.state.database, app.state.tries, app.state.heard = database, Tries(), Heard()
    app.state.code_tries = of_codes()
    return app


@cache
def _app() -> FastAPI:
    nothing: Database | None = None
    return create_app(nothing)  # type: ignore[arg-type]  # each test gives it its own
