"""The command line: check ink files, make up a class, look after the record, serve it."""

import argparse
import os
import sys

from firstloop.cli import (
    archives,
    checking,
    drawing,
    hand,
    paper,
    playing,
    progress,
    record,
    serving,
    teachers,
)
from firstloop.core.errors import FirstLoopError

GROUPS = (
    checking,
    progress,
    record,
    archives,
    serving,
    teachers,
    playing,
    drawing,
    paper,
    hand,
)
"""Of commands, as the help lists them."""


def main(arguments: list[str] | None = None) -> int:
    """Runs a command; gives the exit status."""
    parser = argparse.ArgumentParser(prog="firstloop", description=__doc__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    for group in (
        checking,
        progress,
        record,
        archives,
        serving,
        teachers,
        playing,
        drawing,
        paper,
        hand,
    ):
        group.add_to(commands)
    options = parser.parse_args(arguments)
    try:
        return int(options.run(options))
    except FirstLoopError as error:
        print(f"firstloop: {error}", file=sys.stderr)
        return 1
    except BrokenPipeError:  # the reader of our output has seen enough
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 1
