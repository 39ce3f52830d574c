"""`firstloop serve`, and the document of what it answers."""

import argparse
import gc
import json
import signal
import socket
from collections.abc import Callable, Iterator
from contextlib import closing, suppress
from datetime import UTC, datetime
from functools import partial
from pathlib import Path
from threading import Thread
from types import FrameType
from typing import TYPE_CHECKING

from firstloop.cli.options import Commands, with_record
from firstloop.core.errors import FirstLoopError

if TYPE_CHECKING:
    from fastapi import FastAPI

    from firstloop.services.certificates import Certificate
    from firstloop.store.database import Database

PACKAGED = Path(__file__).parents[1] / "interface"
INTERFACE = PACKAGED if PACKAGED.is_dir() else Path(__file__).parents[3] / "web" / "dist"
"""The built front end: of a wheel within it, of a checkout where it is built."""

LARGE = 500_000_000
"""Bytes that a disc may take seconds to read."""

WAITING = 1024
"""Lines that may wait to be taken in: a school's pads at once, and who wants to do harm beside."""

LONGEST_GOODBYE_S = 5
"""For requests that are being answered when it is told to end."""


def add_to(commands: Commands) -> None:
    """Adds the commands."""
    serve = with_record(commands.add_parser("serve", help="serve the application on this machine"))
    serve.add_argument(
        "--host",
        default="127.0.0.1",
        help="this machine's address on the school's network, or 0.0.0.0 for all that it has; "
        "needs an account, and is served over TLS",
    )
    serve.add_argument("--port", type=int, default=8000)
    serve.add_argument(
        "--name",
        action="append",
        default=[],
        help="another name that this machine is called by in addresses; may be given again",
    )
    serve.add_argument(
        "--cert", type=Path, metavar="FILE", help="a certificate of your own for --host (PEM)"
    )
    serve.add_argument("--key", type=Path, metavar="FILE", help="the key of --cert (PEM)")
    serve.set_defaults(run=_serve)

    openapi = commands.add_parser("openapi", help="print the OpenAPI document")
    openapi.set_defaults(run=_openapi)


def _serve(options: argparse.Namespace) -> int:
    gc.disable()  # until all that stays is loaded
    try:
        return _served(options)
    finally:
        gc.enable()


def _served(options: argparse.Namespace) -> int:
    import uvicorn  # noqa: PLC0415  # `firstloop check` stays quick to start

    from firstloop.api.app import create_app  # noqa: PLC0415
    from firstloop.api.door import Slowed  # noqa: PLC0415
    from firstloop.cli.reached import is_loopback, names_of, where_pads_come  # noqa: PLC0415
    from firstloop.cli.reception import Server, Timed, raise_the_limit  # noqa: PLC0415
    from firstloop.core.geometry import compiled  # noqa: PLC0415
    from firstloop.services.checks_aside import ChecksAside  # noqa: PLC0415
    from firstloop.services.preparing import prepare_aside, taught_now  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    if not INTERFACE.is_dir():
        raise FirstLoopError('the interface is not built; run "make setup" first')
    raise_the_limit()
    listening = _listen(options.host, options.port)
    if options.db.exists() and options.db.stat().st_size > LARGE:
        print(f"The record is looked over first: {options.db}", flush=True)
    # Ctrl+C is how it is ended, whatever it was doing.
    with (
        closing(listening),
        closing(Database(options.db)) as database,
        Interrupts() as interrupts,
        suppress(KeyboardInterrupt),
    ):
        names = names_of(options.host, options.name)
        tls = None if is_loopback(options.host) else _tls(options, database, names)
        where = where_pads_come(names, options.port) if tls else None
        is_their_own = tls is not None and tls.authority is None
        checks = ChecksAside()
        app = create_app(
            database,
            INTERFACE,
            hosts=names,
            address=where,
            tls_for_good=is_their_own,
            checks=checks,
        )
        compiled.load_aside()
        if taught := taught_now(database, datetime.now(UTC)):
            checks.begin(taught)
        _put_together(app, "/api/write/attempts")
        gc.freeze()  # what is loaded stays: nobody waits while it is gone through
        gc.enable()
        _answer_from_now_on(listening, options.host, options.port)
        if tls and where is None:
            print("This machine is on no network just now: pads will not find it", flush=True)
        shown = where or f"http{'s' if tls else ''}://{options.host}:{options.port}"
        print(f"First Loop is at {shown} (Ctrl+C ends it)", flush=True)
        if tls and tls.authority:
            print(f"Put this on each pad, once, so that it trusts the address: {tls.authority}")
        settings = uvicorn.Config(
            Slowed(app),
            http=Timed,
            log_level="warning",
            server_header=False,
            proxy_headers=False,  # nobody stands before it whose word would count
            timeout_graceful_shutdown=LONGEST_GOODBYE_S,
            ssl_certfile=tls.certificate if tls else None,
            ssl_keyfile=tls.key if tls else None,
        )

        Thread(
            target=prepare_aside,
            args=(
                database,
                datetime.now(UTC),
                _routes_put_together(app),
                lambda: checks.has_begun,
            ),
            name="preparing",
            daemon=True,
        ).start()
        server = Server(settings, database.news.end, where, lambda: interrupts.came)
        server.run(sockets=[listening])
    return 0


class Interrupts:
    """Ctrl+C until the server listens to it itself. It interrupts what is being done, and is kept
    in mind: where that is a callback of Python's own, whose faults it lets go, it would be lost."""

    def __init__(self) -> None:
        self.came = False

    def __enter__(self) -> "Interrupts":
        self._before = signal.signal(signal.SIGINT, self._comes)
        return self

    def __exit__(self, *_: object) -> None:
        signal.signal(signal.SIGINT, self._before)

    def _comes(self, _: int, __: FrameType | None) -> None:
        self.came = True
        raise KeyboardInterrupt


def _put_together(app: "FastAPI", path: str) -> None:
    """Routes are put together when something is first matched with them, up to the one that takes
    it: those by which children hand in, before a request waits for it."""
    from starlette.routing import Match  # noqa: PLC0415

    for route in app.router.routes:
        if route.matches(_posted(path))[0] is Match.FULL:
            return


def _routes_put_together(app: "FastAPI") -> Iterator[Callable[[], object]]:
    """The same of all routes, a router at a time: who asks for one meanwhile waits for that one."""
    for route in app.router.routes:
        yield partial(route.matches, _posted("/api"))


def _posted(path: str) -> dict[str, object]:
    return {"type": "http", "method": "POST", "path": path, "root_path": "", "headers": []}


def _tls(options: argparse.Namespace, database: "Database", names: list[str]) -> "Certificate":
    """What a server needs that others on the network can reach; raises FirstLoopError where nobody
    could sign in, or a certificate lacks its key."""
    from firstloop.services.certificates import Certificate, certificate_for  # noqa: PLC0415
    from firstloop.store import accounts  # noqa: PLC0415

    with database.session() as session:
        if not accounts.is_claimed(session):
            raise FirstLoopError(
                f"{options.host} opens the class to the network, and there is no account yet; "
                'start "firstloop serve" without --host first and make one'
            )
    if options.cert or options.key:
        if not (options.cert and options.key):
            raise FirstLoopError("--cert and --key belong together; give both")
        for file in (options.cert, options.key):
            if not file.is_file():
                raise FirstLoopError(f'there is no file "{file}"; name the PEM file of it')
        return Certificate(options.cert, options.key)
    folder = options.db.parent / f"{options.db.stem}-tls"
    return certificate_for(["localhost", "127.0.0.1", *names], folder, datetime.now(UTC))


def _listen(host: str, port: int) -> socket.socket:
    """A socket at the address, taken before anything long is begun. Who comes while the server
    prepares is not answered, and comes again: a pad that waited for seconds would be no better."""
    try:
        family, kind, _, _, address = socket.getaddrinfo(host, port, type=socket.SOCK_STREAM)[0]
    except OSError as error:
        raise _taken(host, port, error) from error
    listening = socket.socket(family, kind)
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    # Else the end of an answer waits until its head is acknowledged: 40 ms for nothing.
    listening.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
    try:
        listening.bind(address)
    except OSError as error:
        listening.close()
        raise _taken(host, port, error) from error
    return listening


def _answer_from_now_on(listening: socket.socket, host: str, port: int) -> None:
    try:
        listening.listen(WAITING)
    except OSError as error:  # another took the address meanwhile
        raise _taken(host, port, error) from error


def _taken(host: str, port: int, error: OSError) -> FirstLoopError:
    return FirstLoopError(
        f"{host}:{port} cannot be served on ({error.strerror}); choose another with --port"
    )


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
