"""What commands share: how they are added, and the record that they work with."""

import argparse
from pathlib import Path
from typing import TYPE_CHECKING, TypeAlias

from firstloop.core.errors import FirstLoopError

if TYPE_CHECKING:
    from firstloop.core.letters import Hand

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


HAND_HELP = "plain, flick, joined, looped, or the file of a hand of one's own (HAND.json)"


def hand_named(name: str) -> "Hand":
    """A hand that is built in, by its name, or one of one's own, by its file; raises FirstLoopError
    for what is neither."""
    from firstloop.core.letters import HANDS, find_hand  # noqa: PLC0415

    if name in HANDS or not name.endswith(".json"):
        return find_hand(name)
    from firstloop.formats.packages import read_hand  # noqa: PLC0415

    return read_hand(content_of(Path(name)))


def content_of(path: Path) -> bytes:
    """What is in a file; raises FirstLoopError where it cannot be read."""
    try:
        return path.read_bytes()
    except OSError as error:
        raise FirstLoopError(f'"{path}" cannot be read: {error.strerror}') from error
