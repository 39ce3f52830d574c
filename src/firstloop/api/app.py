"""The application: one router a station, problems in one shape, the built interface."""

from pathlib import Path

from fastapi import FastAPI
from fastapi.routing import APIRoute
from starlette.exceptions import HTTPException
from starlette.responses import Response
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

from firstloop.api import check, classroom, grow, plan, problems, show, texts, write
from firstloop.store.database import Database


class Interface(StaticFiles):
    """The built front end: any path that is no file is a place within it."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """The file, or the page that finds its own place."""
        try:
            return await super().get_response(path, scope)
        except HTTPException as error:
            if error.status_code != 404 or path.startswith(("api/", "assets/")):
                raise
            return await super().get_response("index.html", scope)


def create_app(database: Database, interface: Path | None = None) -> FastAPI:
    """The application over a database; `interface` is the folder of the built front end."""
    app = FastAPI(
        title="First Loop",
        version="1",
        generate_unique_id_function=_operation_name,
        docs_url=None,  # its page fetches scripts from elsewhere; the document itself is served
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    app.state.database = database
    problems.install(app)
    routers = [station.router for station in (classroom, show, write, check, texts, grow)]
    for router in (*routers, *plan.ROUTERS):
        app.include_router(router, responses=problems.ANSWERS)
    if interface is not None:
        app.mount("/", Interface(directory=interface, html=True))
    return app


def _operation_name(route: APIRoute) -> str:
    return route.name
