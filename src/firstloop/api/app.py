"""The application: one router a station and who must be signed in for it, problems in one shape,
the built interface."""

from collections.abc import AsyncIterator, Sequence
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import Depends, FastAPI
from fastapi.routing import APIRoute

from firstloop.api import (
    beginning,
    care,
    check,
    child,
    classroom,
    door,
    groups,
    grow,
    pads,
    paper,
    plan,
    problems,
    read_later,
    room,
    roster,
    school,
    school_map,
    second_eyes,
    session,
    show,
    table,
    texts,
    tiles,
    trust,
    write,
)
from firstloop.api.deps import for_its_teacher, for_the_class_shown, pad_known, teacher
from firstloop.api.events import Streams
from firstloop.api.interface import Interface
from firstloop.api.line import Lines
from firstloop.api.pads import handing_in
from firstloop.services.checks_aside import HERE, Checks
from firstloop.services.heard import Heard
from firstloop.services.paper_reader import PaperReader
from firstloop.store.database import Database

FOR_ANYBODY = (session.router, tiles.router, *pads.FOR_ANYBODY)
"""What is answered to who is not signed in: nothing of a class."""

FOR_TEACHERS = (school.router, school_map.router, beginning.router, second_eyes.for_readers)
"""What needs nothing but somebody signed in: it is about herself."""

FOR_THE_CLASSS_TEACHER = (
    *(
        one.router
        for one in (
            *(write, classroom, roster, show, table, check, texts),
            *(trust, second_eyes, paper, grow, groups, care, child),
        )
    ),
    *room.ROUTERS,
    *plan.ROUTERS,
)
"""What is about a class: all of it to its teacher, little of it to a helper. What children wrote
comes first: routes are put together in this order when something is first matched with them."""

OF_A_CLASS = (Depends(for_its_teacher), Depends(for_the_class_shown))
"""What is asked of who wants something of a class: what she is to it, and that she means it."""


def create_app(
    database: Database,
    interface: Path | None = None,
    *,
    hosts: Sequence[str] = (),
    address: str | None = None,
    tls_for_good: bool = False,
    checks: Checks = HERE,
) -> FastAPI:
    """The application over a database, which it closes when it ends; `interface` is the folder of
    the built front end, `hosts` are names that it is known by besides this machine's own, `address`
    is where pads on the network find it, if they can; `tls_for_good`: browsers are to come by TLS
    alone from now on, as the school has a certificate of its own; `checks` is who checks what pads
    hand in."""
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
    app.state.lines = Lines()
    app.state.streams = Streams()
    app.state.heard = Heard()
    app.state.paper = PaperReader(database)
    app.state.address = address
    app.state.checks = checks
    read_later.describe(app, handing_in.PadAttemptIn)
    problems.install(app)
    door.install(app, hosts, tls_for_good=tls_for_good)
    for needed, routers, besides in (
        ((), FOR_ANYBODY, {}),
        ((Depends(pad_known),), pads.FOR_PADS, {}),
        (OF_A_CLASS, FOR_THE_CLASSS_TEACHER, problems.OF_A_CLASS),
        ((Depends(teacher),), FOR_TEACHERS, {}),
    ):
        for router in routers:
            app.include_router(
                router,
                dependencies=needed,
                responses=problems.ANSWERS | besides,
                max_body_size=door.LARGEST_BODY,
            )
    if interface is not None:
        app.router.routes.append(Interface(interface))
    return app


@asynccontextmanager
async def _while_served(app: FastAPI) -> AsyncIterator[None]:
    """The record is looked after while it is served; when that ends, for whatever reason, it is one
    file that holds all."""
    database: Database = app.state.database
    database.keep()
    app.state.paper.wake()
    yield
    app.state.paper.end()
    app.state.checks.end()
    database.close()


def _operation_name(route: APIRoute) -> str:
    return route.name
