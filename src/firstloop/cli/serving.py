"""`firstloop serve`, and the document of what it answers."""

import argparse
import ipaddress
import json
import socket
from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path

from firstloop.cli.options import Commands, with_record
from firstloop.core.errors import FirstLoopError

INTERFACE = Path(__file__).parents[3] / "web" / "dist"

LARGE = 500_000_000
"""Bytes that a disc may take seconds to read."""

LONGEST_GOODBYE_S = 5
"""For requests that are being answered when it is told to end."""


def add_to(commands: Commands) -> None:
    """Adds the commands."""
    serve = with_record(commands.add_parser("serve", help="serve the application on this machine"))
    serve.add_argument("--host", default="127.0.0.1")
    serve.add_argument("--port", type=int, default=8000)
    serve.add_argument(
        "--name",
        action="append",
        default=[],
        help="another name that this machine is called by in addresses; may be given again",
    )
    serve.set_defaults(run=_serve)

    openapi = commands.add_parser("openapi", help="print the OpenAPI document")
    openapi.set_defaults(run=_openapi)


def _serve(options: argparse.Namespace) -> int:
    import uvicorn  # noqa: PLC0415  # `firstloop check` stays quick to start

    from firstloop.api.app import create_app  # noqa: PLC0415
    from firstloop.services.preparing import prepare  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    if not INTERFACE.is_dir():
        raise FirstLoopError('the interface is not built; run "make setup" first')
    listening = _listen(options.host, options.port)
    if options.db.exists() and options.db.stat().st_size > LARGE:
        print(f"The record is looked over first: {options.db}", flush=True)
    with closing(Database(options.db)) as database:
        app = create_app(database, INTERFACE, hosts=_names(options.host, options.name))
        prepare(database, datetime.now(UTC))
        app.openapi()  # the routes are put together when they are first asked for: not by a request
        print(f"First Loop is at http://{options.host}:{options.port} (Ctrl+C ends it)", flush=True)
        settings = uvicorn.Config(
            app,
            log_level="warning",
            server_header=False,
            proxy_headers=False,  # nobody stands before it whose word would count
            timeout_graceful_shutdown=LONGEST_GOODBYE_S,
        )
        uvicorn.Server(settings).run(sockets=[listening])
    return 0


def _names(host: str, more: list[str]) -> list[str]:
    """What the server may be called in the addresses of those who ask: nothing else is answered."""
    try:
        address = ipaddress.ip_address(host)
    except ValueError:
        return [host, *more]
    if not address.is_unspecified:
        return [f"[{host}]" if address.version == 6 else host, *more]
    own = socket.gethostname()
    try:
        found = {str(info[4][0]) for info in socket.getaddrinfo(own, None, family=socket.AF_INET)}
    except OSError:  # its name leads nowhere; it may be given with --name
        found = set()
    return [own, f"{own}.local", *sorted(found), *more]


def _listen(host: str, port: int) -> socket.socket:
    """A socket that listens before anything is said of it; requests wait until they are served."""
    try:
        listening = socket.create_server((host, port))
        # Else the end of an answer waits until its head is acknowledged: 40 ms for nothing.
        listening.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
        return listening
    except OSError as error:
        raise FirstLoopError(
            f"{host}:{port} cannot be served on ({error.strerror}); choose another with --port"
        ) from error


def _openapi(_: argparse.Namespace) -> int:
    import tempfile  # noqa: PLC0415

    from firstloop.api.app import create_app  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with (
        tempfile.TemporaryDirectory() as folder,
        closing(Database(Path(folder) / "empty.db")) as database,
    ):
        print(json.dumps(create_app(database).openapi(), indent=1, ensure_ascii=False))
    return 0
