"""`firstloop pads`, `photograph` and `colleague`: a made-up class at its pads or on paper, and a
made-up second pair of eyes, for who has none at hand."""

import argparse
import getpass
import ssl
import sys
from contextlib import closing
from datetime import UTC, datetime
from itertools import chain
from pathlib import Path
from typing import TYPE_CHECKING

from firstloop.cli.options import Commands, existing, with_record
from firstloop.core.errors import FirstLoopError

if TYPE_CHECKING:
    from firstloop.demo.pad_client import PadClient

# What a command needs is fetched when it runs: `firstloop check` stays quick to start.


def add_to(commands: Commands) -> None:
    """Adds the command."""
    pads = commands.add_parser("pads", help="play a class at its pads, on a server that runs")
    pads.add_argument("--count", type=int, default=30, help="how many pads")
    pads.add_argument("--url", default="http://127.0.0.1:8000", help="where First Loop is")
    pads.add_argument(
        "--code", help="the code on the board; else today's lesson is opened, as its teacher"
    )
    pads.add_argument("--teacher", metavar="NAME", help="who opens it; no demonstration needs her")
    pads.add_argument("--authority", type=Path, metavar="FILE", help="the school's own, for https")
    pads.add_argument("--minutes", type=float, default=2.0)
    pads.add_argument("--every", type=float, default=3.0, metavar="SECONDS", help="a letter each")
    pads.add_argument("--seed", type=int, default=1)
    pads.add_argument("--gaps", type=float, default=0.05, help="share that is lost on the way")
    pads.add_argument("--repeats", type=float, default=0.1, help="share that is sent twice")
    pads.set_defaults(run=_pads)

    taken = with_record(
        commands.add_parser("photograph", help="play printer, class and camera for today's lesson")
    )
    taken.add_argument("--out", type=Path, required=True, metavar="FOLDER", help="for the pictures")
    taken.add_argument("--one-for-all", action="store_true", help="one sheet, not one a child")
    taken.add_argument("--notebook", action="store_true", help="and a page of a notebook")
    taken.add_argument("--seed", type=int, default=1)
    taken.set_defaults(run=_photograph)

    eyes = commands.add_parser(
        "colleague", help="play a colleague who judges the sets that wait for her"
    )
    eyes.add_argument("--url", default="http://127.0.0.1:8000", help="where First Loop is")
    eyes.add_argument("--name", help="whose account; in a demonstration who is there judges")
    eyes.add_argument("--authority", type=Path, metavar="FILE", help="the school's own, for https")
    eyes.add_argument("--hand", default="plain", help="that the class writes, by its name")
    eyes.add_argument("--otherwise", type=float, default=0.15, help="share that she sees otherwise")
    eyes.add_argument("--seed", type=int, default=1)
    eyes.set_defaults(run=_colleague)


def _pads(options: argparse.Namespace) -> int:
    from firstloop.demo.pad_client import PadClient  # noqa: PLC0415
    from firstloop.demo.playing import Play, play  # noqa: PLC0415

    if options.count < 1 or options.every <= 0 or options.minutes <= 0:
        raise FirstLoopError("there is at least one pad, and some time for it")
    trust = _trust(options.authority)
    code = options.code or _opened(PadClient(options.url, trust), options.teacher)
    how = Play(
        count=options.count,
        seconds=60 * options.minutes,
        every_s=options.every,
        seed=options.seed,
        gaps=options.gaps,
        repeats=options.repeats,
    )
    print(f"{how.count} pads come in by the code {code}", flush=True)
    played = play(options.url, code, how, pad=lambda: PadClient(options.url, trust))
    answered = ", ".join(f"{count} × {status}" for status, count in sorted(played.statuses.items()))
    print(f"{len(played.stored)} handed in ({answered}), {played.gaps} network gaps")
    if len(played.times) > 1:
        middle, late = played.quantile_ms(0.5), played.quantile_ms(0.95)
        print(f"from hand-in to answer: p50 {middle:.0f} ms, p95 {late:.0f} ms")
    for one in sorted(set(played.refused)):
        print(f"refused: {one}", file=sys.stderr)
    if played.left:
        print(f"{played.left} were not answered and wait", file=sys.stderr)
    return 1 if played.left or played.refused else 0


def _colleague(options: argparse.Namespace) -> int:
    from firstloop.core.letters import find_hand  # noqa: PLC0415
    from firstloop.core.letters.style import Style  # noqa: PLC0415
    from firstloop.demo.colleague import Eyes, judge_sets  # noqa: PLC0415
    from firstloop.demo.pad_client import PadClient  # noqa: PLC0415

    client = PadClient(options.url, _trust(options.authority))
    if options.name is not None:
        _sign_in(client, options.name)
    eyes = Eyes(Style(find_hand(options.hand).name), options.otherwise, options.seed)
    waited = False
    for one in judge_sets(client, eyes):
        waited = True
        print(f"{one.name}: {one.letters} letters judged", flush=True)
    client.drop()
    if not waited:
        print("no set waits; make one in Check, A second pair of eyes")
    return 0


def _photograph(options: argparse.Namespace) -> int:
    from firstloop.demo.notebooks import photograph_notebook  # noqa: PLC0415
    from firstloop.demo.on_paper import photograph_lesson  # noqa: PLC0415
    from firstloop.services.clock import day_of  # noqa: PLC0415
    from firstloop.store import classes, school  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    options.out.mkdir(parents=True, exist_ok=True)
    with closing(Database(existing(options.db))) as record:
        with record.session() as session:
            today = day_of(datetime.now(UTC), school.zone(session))
            first = next(iter(classes.every(session)), None)
        each = not options.one_for_all
        taken = photograph_lesson(record, today, options.seed, each)
        if options.notebook and first is not None:
            taken = chain(taken, [photograph_notebook(first.hand, first.ruling, options.seed)])
        for one in taken:
            (options.out / one.name).write_bytes(one.jpeg)
            print(options.out / one.name, flush=True)
    print("Bring them to Check, On paper.")
    return 0


def _trust(authority: Path | None) -> ssl.SSLContext | None:
    if authority is None:
        return None
    if not authority.is_file():
        raise FirstLoopError(f'there is no file "{authority}"; name the authority\'s PEM file')
    return ssl.create_default_context(cafile=str(authority))


def _opened(teacher: "PadClient", name: str | None) -> str:
    """The code of today's lesson, opened by its teacher."""
    if name is not None:
        _sign_in(teacher, name)
    status, opened = teacher.ask("POST", "/api/write/lesson-code", {})
    teacher.drop()
    if status != 200:
        raise FirstLoopError(
            f"the lesson cannot be opened ({opened['detail']}); give --teacher or --code"
        )
    return str(opened["code"])


def _sign_in(teacher: "PadClient", name: str) -> None:
    sent = {"name": name, "password": getpass.getpass(f"Password of {name}: ")}
    if teacher.ask("POST", "/api/session", sent)[0] != 204:
        raise FirstLoopError("this name and this password do not go together; try again")
