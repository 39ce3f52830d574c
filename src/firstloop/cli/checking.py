"""`firstloop check`: what there is to say of ink files."""

import argparse
import json
import os
import sys
from collections.abc import Iterator
from pathlib import Path

from firstloop.cli.options import Commands
from firstloop.cli.workers import with_workers, workers
from firstloop.core.evidence.task import Handedness
from firstloop.formats import inkml
from firstloop.formats.result_json import Answer
from firstloop.services.checking_files import Asked, InkSource, check_files


def add_to(commands: Commands) -> None:
    """Adds the command."""
    checking = commands.add_parser("check", help="say what there is to say of ink files")
    checking.add_argument("paths", nargs="+", type=Path, metavar="PATH", help=".inkml or a folder")
    checking.add_argument("--json", action="store_true", help="one JSON object a line")
    checking.add_argument("--letter", help="the letter asked for, whatever the file says")
    checking.add_argument("--hand", help="the hand it is written in, whatever the file says")
    checking.add_argument("--handedness", choices=["left", "right"])
    with_workers(checking)
    checking.set_defaults(run=_check)


def _check(options: argparse.Namespace) -> int:
    paths = list(_ink_files(options.paths))
    asked = Asked(
        options.letter, options.hand, Handedness(options.handedness) if options.handedness else None
    )
    failed = False
    with workers(options, len(paths)) as executor:
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
    name = _written(path.name)
    try:
        if path.stat().st_size > inkml.MAX_BYTES:  # not even read
            return InkSource(name, error=inkml.too_large())
        return InkSource(name, path.read_bytes())
    except OSError as error:
        return InkSource(name, error=f"cannot be read: {error.strerror}")


def _written(name: str) -> str:
    r"""A file's name as it can be written: its bytes that are no UTF-8 are escaped.

    >>> print(_written(os.fsdecode(b"m_\xff\xfe.inkml")))
    m_\xff\xfe.inkml
    """
    return os.fsencode(name).decode("utf-8", "backslashreplace")


def _show_progress(done: int, of: int) -> None:
    """How far it is, where somebody watches and the answers go elsewhere."""
    if sys.stderr.isatty() and not sys.stdout.isatty():
        end = "\n" if done == of else ""
        print(f"\r{done:,} of {of:,} files", end=end, file=sys.stderr, flush=True)


def _in_a_line(answer: Answer) -> str:
    said = answer.get("error") or answer["say"]
    return f"{answer['file']}: {said}"
