"""What commands share: how they are added, and the record that they work with."""

import argparse
from pathlib import Path
from typing import TypeAlias

from firstloop.core.errors import FirstLoopError

Commands: TypeAlias = "argparse._SubParsersAction[argparse.ArgumentParser]"  # it has no other name

DEFAULT_DATABASE = Path("data") / "firstloop.db"


def with_record(command: argparse.ArgumentParser) -> argparse.ArgumentParser:
    """Adds the option that names the record."""
    command.add_argument(
        "--db", type=Path, default=DEFAULT_DATABASE, metavar="FILE", help="the record"
    )
    return command


def existing(path: Path) -> Path:
    """The record; raises FirstLoopError where there is none."""
    if not path.exists():
        raise FirstLoopError(f'there is no record at "{path}"; name it with --db')
    return path
