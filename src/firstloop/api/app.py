"""The application: one router a station, problems in one shape, the built interface."""

from collections.abc import AsyncIterator, Sequence
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import FastAPI
from fastapi.routing import APIRoute

from firstloop.api import check, classroom, door, grow, plan, problems, roster, show, texts, write
from firstloop.api.interface import Interface
from firstloop.store.database import Database


def create_app(
    database: Database, interface: Path | None = None, *, hosts: Sequence[str] = ()
) -> FastAPI:
    """The application over a database, which it closes when it ends; `interface` is the folder of
    the built front end, `hosts` are names that it is known by besides this machine's own."""
    app = FastAPI(
        title="First Loop",
        version="1",
        generate_unique_id_function=_operation_name,
        docs_url=None,  # its page fetches scripts from elsewhere; the document itself is served
        redoc_url=None,
        openapi_url="/api/openapi.json",
        redirect_slashes=False,
        lifespan=_while_served,
    )
    app.state.database = database
    problems.install(app)
    door.install(app, hosts)
    routers = [station.router for station in (classroom, roster, show, write, check, texts, grow)]
    for router in (*routers, *plan.ROUTERS):
        app.include_router(router, responses=problems.ANSWERS, max_body_size=door.LARGEST_BODY)
    if interface is not None:
        app.router.routes.append(Interface(interface))
    return app


@asynccontextmanager
async def _while_served(app: FastAPI) -> AsyncIterator[None]:
    """The record is looked after while it is served; when that ends, for whatever reason, it is one
    file that holds all."""
    database: Database = app.state.database
    database.keep()
    yield
    database.close()


def _operation_name(route: APIRoute) -> str:
    return route.name
