"""One application for all tests of a process: to put it together takes longer than most of them."""

from concurrent.futures import ThreadPoolExecutor
from functools import cache

from fastapi import FastAPI

from firstloop.api.app import create_app
from firstloop.api.events import Streams
from firstloop.api.line import Lines
from firstloop.services.heard import Heard
from firstloop.services.paper_reader import PaperReader
from firstloop.store.database import Database


def app_over(database: Database) -> FastAPI:
    """The application, answering from a record from now on, with nobody held up."""
    app = _app()
    app.state.database, app.state.lines, app.state.heard = database, Lines(), Heard()
    app.state.streams = Streams()
    app.state.paper = PaperReader(database, ThreadPoolExecutor)
    return app


@cache
def _app() -> FastAPI:
    nothing: Database | None = None
    return create_app(nothing)  # type: ignore[arg-type]  # each test gives it its own
