"""The command line: check ink files, make up a class, serve the application."""

import argparse
import json
import os
import socket
import sys
from collections.abc import Iterator
from concurrent.futures import Executor, ProcessPoolExecutor
from contextlib import AbstractContextManager, contextmanager, nullcontext
from datetime import UTC, datetime
from pathlib import Path

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters import draw, find_hand
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose
from firstloop.formats import inkml
from firstloop.formats.result_json import Answer
from firstloop.services.checking_files import Asked, InkSource, check_files

DEFAULT_DATABASE = Path("data") / "firstloop.db"
INTERFACE = Path(__file__).parents[2] / "web" / "dist"


def main(arguments: list[str] | None = None) -> int:
    """Runs a command; gives the exit status."""
    parser = _parser()
    options = parser.parse_args(arguments)
    try:
        return int(options.run(options))
    except FirstLoopError as error:
        print(f"firstloop: {error}", file=sys.stderr)
        return 1
    except BrokenPipeError:  # the reader of our output has seen enough
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 1


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="firstloop", description=__doc__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")

    checking = commands.add_parser("check", help="say what there is to say of ink files")
    checking.add_argument("paths", nargs="+", type=Path, metavar="PATH", help=".inkml or a folder")
    checking.add_argument("--json", action="store_true", help="one JSON object a line")
    checking.add_argument("--letter", help="the letter asked for, whatever the file says")
    checking.add_argument("--hand", help="the hand it is written in, whatever the file says")
    checking.add_argument("--handedness", choices=["left", "right"])
    checking.add_argument("--workers", type=int, default=0, help="processes; else one a core")
    checking.add_argument(
        "--scheduler", metavar="ADDRESS", help="let a Dask cluster do the work (extra: cluster)"
    )
    checking.set_defaults(run=_check)

    demo = commands.add_parser("demo", help="load the made-up class, if the record is empty")
    demo.add_argument("--db", type=Path, default=DEFAULT_DATABASE)
    demo.add_argument("--years", type=int, default=0, help="a class of years, made fast")
    demo.add_argument("--children", type=int, default=32, help="with --years: how many")
    demo.add_argument("--letters-a-day", type=int, default=7, help="with --years: of each child")
    demo.set_defaults(run=_demo)

    counts = commands.add_parser("rebuild", help="count afresh how letters stand")
    counts.add_argument("--db", type=Path, default=DEFAULT_DATABASE)
    counts.set_defaults(run=_rebuild)

    again = commands.add_parser("recheck", help="check old ink with the checker of today")
    again.add_argument("--db", type=Path, default=DEFAULT_DATABASE)
    again.set_defaults(run=_recheck)

    serve = commands.add_parser("serve", help="serve the application on this machine")
    serve.add_argument("--db", type=Path, default=DEFAULT_DATABASE)
    serve.add_argument("--host", default="127.0.0.1")
    serve.add_argument("--port", type=int, default=8000)
    serve.set_defaults(run=_serve)

    letters = commands.add_parser("letters", help="draw a hand on one sheet")
    letters.add_argument("--hand", default="plain", help="plain, flick, joined or looped")
    letters.add_argument("--out", type=Path, required=True, metavar="FILE.svg|FILE.png")
    letters.set_defaults(run=_letters)

    word = commands.add_parser("draw", help="draw a letter or a word")
    word.add_argument("text", help="a letter or a word")
    word.add_argument("--hand", default="plain", help="plain, flick, joined or looped")
    word.add_argument("--animated", action="store_true", help="as it is written, move by move")
    word.add_argument("--out", type=Path, required=True, metavar="FILE.svg")
    word.set_defaults(run=_draw)

    openapi = commands.add_parser("openapi", help="print the OpenAPI document")
    openapi.set_defaults(run=_openapi)
    return parser


def _check(options: argparse.Namespace) -> int:
    paths = list(_ink_files(options.paths))
    asked = Asked(
        options.letter, options.hand, Handedness(options.handedness) if options.handedness else None
    )
    failed = False
    with _workers(options, len(paths)) as executor:
        for at, answer in enumerate(check_files(map(_source, paths), asked, executor), 1):
            failed |= "error" in answer
            line = json.dumps(answer, ensure_ascii=False) if options.json else _in_a_line(answer)
            print(line, flush=True)
            _show_progress(at, len(paths))
    return 1 if failed else 0


def _ink_files(paths: list[Path]) -> Iterator[Path]:
    """Files as they were named; folders as the ink files in and below them, by name."""
    for path in paths:
        if path.is_dir():
            yield from sorted(path.rglob("*.inkml"))
        else:
            yield path


def _source(path: Path) -> InkSource:
    try:
        if path.stat().st_size > inkml.MAX_BYTES:  # not even read
            return InkSource(path.name, error=inkml.too_large())
        return InkSource(path.name, path.read_bytes())
    except OSError as error:
        return InkSource(path.name, error=f"cannot be read: {error.strerror}")


FEW_FILES = 32
"""So many are checked before other processes would have started."""


def _workers(options: argparse.Namespace, files: int) -> AbstractContextManager[Executor | None]:
    """Who does the work: a cluster, processes, or for a few files nobody else."""
    if options.scheduler:
        return cluster(options.scheduler)
    count = options.workers or os.cpu_count() or 1
    if count == 1 or files <= FEW_FILES:
        return nullcontext()
    import scipy.optimize  # noqa: F401, PLC0415  # slow to load: once, not in every process

    return ProcessPoolExecutor(count)


@contextmanager
def cluster(address: str) -> Iterator[Executor]:
    """The workers of a Dask cluster; what one of them leaves undone another does."""
    try:
        from distributed import Client  # noqa: PLC0415  # an extra
    except ImportError as error:
        raise FirstLoopError(
            '--scheduler needs the extra "cluster"; install firstloop[cluster]'
        ) from error
    try:
        client = Client(address, timeout=10)  # type: ignore[no-untyped-call]
    except (OSError, ValueError) as error:
        raise FirstLoopError(f"no scheduler answers at {address}; is it running?") from error
    with client, client.get_executor(retries=3) as executor:  # type: ignore[no-untyped-call]
        yield executor


def _show_progress(done: int, of: int) -> None:
    """How far it is, where somebody watches and the answers go elsewhere."""
    if sys.stderr.isatty() and not sys.stdout.isatty():
        end = "\n" if done == of else ""
        print(f"\r{done:,} of {of:,} files", end=end, file=sys.stderr, flush=True)


def _in_a_line(answer: Answer) -> str:
    said = answer.get("error") or answer["say"]
    return f"{answer['file']}: {said}"


def _demo(options: argparse.Namespace) -> int:
    from firstloop.demo.load import load  # noqa: PLC0415  # `check` stays quick to start
    from firstloop.demo.years import load_years  # noqa: PLC0415
    from firstloop.store import classes  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415
    from firstloop.store.records import NotInRecordError  # noqa: PLC0415

    database = Database(options.db)
    try:
        with database.session() as session:
            found = classes.first(session)
        print(f"{options.db} already holds {found.name}; nothing was changed.")
    except NotInRecordError:
        today = datetime.now(UTC).date()
        made = (
            load_years(
                database,
                today,
                years=options.years,
                children=options.children,
                letters_a_day=options.letters_a_day,
            )
            if options.years
            else load(database, today)
        )
        print(f"{made.name} with {len(made.pupils)} children is in {options.db}.")
    database.close()
    return 0


def _recheck(options: argparse.Namespace) -> int:
    from firstloop.services.rechecking import recheck  # noqa: PLC0415
    from firstloop.store import classes  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    database = Database(_existing(options.db))
    with database.session() as session:
        school_class = classes.first(session)
    done = recheck(database, school_class.id)
    database.close()
    print(f"{done.checked} letters checked again; {done.unchanged} stand as they stood.")
    for change, count in sorted(done.changes.items(), key=lambda one: -one[1]):
        before, now = (verdict.replace("_", " ") for verdict in (change.before, change.now))
        print(f"  {change.letter}, {change.dimension}: {before} is now {now}, {count} times")
    return 0


def _rebuild(options: argparse.Namespace) -> int:
    from firstloop.services.rechecking import rebuild  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    database = Database(_existing(options.db))
    rebuild(database)
    database.close()
    print("How letters stand, and the days they were written on, are counted afresh.")
    return 0


def _existing(path: Path) -> Path:
    if not path.exists():
        raise FirstLoopError(f'there is no record at "{path}"; name it with --db')
    return path


def _serve(options: argparse.Namespace) -> int:
    import uvicorn  # noqa: PLC0415

    from firstloop.api.app import create_app  # noqa: PLC0415
    from firstloop.services.preparing import prepare  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    if not INTERFACE.is_dir():
        raise FirstLoopError('the interface is not built; run "make setup" first')
    listening = _listen(options.host, options.port)
    database = Database(options.db)
    app = create_app(database, INTERFACE)
    prepare(database, datetime.now(UTC))
    app.openapi()  # the routes are put together when they are first asked for: not by a request
    print(f"First Loop is at http://{options.host}:{options.port} (Ctrl+C ends it)", flush=True)
    uvicorn.Server(uvicorn.Config(app, log_level="warning")).run(sockets=[listening])
    database.close()
    return 0


def _listen(host: str, port: int) -> socket.socket:
    """A socket that listens before anything is said of it; requests wait until they are served."""
    try:
        return socket.create_server((host, port))
    except OSError as error:
        raise FirstLoopError(
            f"{host}:{port} cannot be served on ({error.strerror}); choose another with --port"
        ) from error


def _letters(options: argparse.Namespace) -> int:
    from firstloop.formats import png, svg  # noqa: PLC0415

    hand, out = find_hand(options.hand), options.out
    if out.suffix == ".svg":
        out.write_text(svg.specimen_sheet(hand, Ruling()), encoding="utf-8")
    elif out.suffix == ".png":
        out.write_bytes(png.specimen_sheet(hand, Ruling()))
    else:
        raise FirstLoopError(f'"{out}" is neither .svg nor .png; name the file one of these')
    print(f"The {hand.name} hand is in {out}.")
    return 0


def _draw(options: argparse.Namespace) -> int:
    from firstloop.formats import svg  # noqa: PLC0415

    if options.out.suffix != ".svg":
        raise FirstLoopError(f'"{options.out}" is not .svg; name the file so')
    hand = find_hand(options.hand)
    drawn = draw(compose(options.text, hand).script, hand.proportions, Ruling())
    options.out.write_text(svg.written(drawn, animated=options.animated), encoding="utf-8")
    print(f'"{options.text}" is in {options.out}.')
    return 0


def _openapi(_: argparse.Namespace) -> int:
    import tempfile  # noqa: PLC0415

    from firstloop.api.app import create_app  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Database(Path(folder) / "empty.db"))
        print(json.dumps(app.openapi(), indent=1, ensure_ascii=False))
    return 0
