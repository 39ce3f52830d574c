"""`firstloop check`: what there is to say of ink files."""

import argparse
import json
import sys
from pathlib import Path

from firstloop.cli.ink_files import ink_files, ink_source
from firstloop.cli.options import HAND_HELP, Commands, hand_named
from firstloop.cli.workers import with_workers, workers
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters.style import Style
from firstloop.formats.result_json import Answer
from firstloop.services.checking_files import Asked, check_files


def add_to(commands: Commands) -> None:
    """Adds the command."""
    checking = commands.add_parser("check", help="say what there is to say of ink files")
    checking.add_argument("paths", nargs="+", type=Path, metavar="PATH", help=".inkml or a folder")
    checking.add_argument("--json", action="store_true", help="one JSON object a line")
    checking.add_argument("--letter", help="the letter asked for, whatever the file says")
    checking.add_argument("--hand", help=f"whatever the file says: {HAND_HELP}")
    checking.add_argument("--handedness", choices=["left", "right"])
    with_workers(checking)
    checking.set_defaults(run=_check)


def _check(options: argparse.Namespace) -> int:
    paths = list(ink_files(options.paths))
    style = None if options.hand is None else _style(options.hand)
    handedness = Handedness(options.handedness) if options.handedness else None
    asked = Asked(options.letter, style, handedness)
    failed = False
    with workers(options, len(paths)) as executor:
        for at, answer in enumerate(check_files(map(ink_source, paths), asked, executor), 1):
            failed |= "error" in answer
            line = json.dumps(answer, ensure_ascii=False) if options.json else _in_a_line(answer)
            print(line, flush=True)
            _show_progress(at, len(paths))
    return 1 if failed else 0


def _style(name: str) -> Style:
    """A hand's own style; an unknown name is told of each file."""
    own = hand_named(name) if name.endswith(".json") else None
    return Style(own.name if own else name, own=own)


def _show_progress(done: int, of: int) -> None:
    """How far it is, where somebody watches and the answers go elsewhere."""
    if sys.stderr.isatty() and not sys.stdout.isatty():
        end = "\n" if done == of else ""
        print(f"\r{done:,} of {of:,} files", end=end, file=sys.stderr, flush=True)


def _in_a_line(answer: Answer) -> str:
    said = answer.get("error") or answer["say"]
    return f"{answer['file']}: {said}"
