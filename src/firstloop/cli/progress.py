"""`firstloop estimate`: how letters and habits stand, from judged attempts of any origin."""

import argparse
import os
import sys
from collections.abc import Iterator
from concurrent.futures import Executor, ProcessPoolExecutor, ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass
from functools import partial
from itertools import pairwise
from pathlib import Path
from typing import TYPE_CHECKING

from firstloop.cli.options import Commands
from firstloop.cli.workers import cluster, with_workers
from firstloop.core.errors import FirstLoopError

if TYPE_CHECKING:
    from firstloop.formats.evidence_lines import Part


def add_to(commands: Commands) -> None:
    """Adds the command."""
    estimating = commands.add_parser(
        "estimate", help="say how letters and habits stand, from lines of judged attempts"
    )
    estimating.add_argument("evidence", type=Path, metavar="FILE", help="JSON lines; - for input")
    estimating.add_argument("--json", action="store_true", help="one JSON object a line")
    estimating.add_argument(
        "--at", metavar="MOMENT", help="on which day; else when the last attempt was written"
    )
    with_workers(estimating, "processes that read, threads that estimate")
    estimating.set_defaults(run=_estimate)


PIECE_BYTES = 8_000_000
"""So much is read at once; a file that has no more is read before other processes would start."""


def _estimate(options: argparse.Namespace) -> int:
    from firstloop.formats import evidence_lines  # noqa: PLC0415  # slow to load
    from firstloop.services.estimating import estimate_all  # noqa: PLC0415

    at = evidence_lines.parsed_moment(options.at) if options.at else None
    with _workers(options) as workers:
        parts = _read(options.evidence, workers.reading)
        evidence, faults = evidence_lines.joined(parts)
        for fault in faults:
            print(f"firstloop: {options.evidence}, {fault}", file=sys.stderr)
        latest = evidence.days.max() if len(evidence) else 0.0
        day = evidence_lines.days_of(at) if at else float(latest)
        written = evidence_lines.write_lines if options.json else evidence_lines.in_words
        for pupil, found in estimate_all(evidence, day, workers.following):
            sys.stdout.buffer.writelines(line + b"\n" for line in written(pupil, found))
    sys.stdout.flush()
    return 1 if faults else 0


@dataclass(frozen=True, slots=True)
class _Workers:
    """Who reads, and who follows the children; None: nobody else."""

    reading: Executor | None = None
    following: Executor | None = None


@contextmanager
def _workers(options: argparse.Namespace) -> Iterator[_Workers]:
    """A cluster does all of it; on this machine processes read, for reading keeps Python busy, and
    threads follow, for machine code does not."""
    count = options.workers or os.cpu_count() or 1
    if options.scheduler:
        with cluster(options.scheduler) as executor:
            yield _Workers(executor, executor)
    elif count == 1:
        yield _Workers()
    else:
        with ProcessPoolExecutor(count) as reading, ThreadPoolExecutor(count) as following:
            yield _Workers(reading, following)


def _read(path: Path, executor: Executor | None) -> "list[Part]":
    """A file in parts, by whoever reads; what comes by the input, here."""
    from firstloop.core.geometry.compiled import begin_loading  # noqa: PLC0415
    from firstloop.formats.evidence_lines import read_part  # noqa: PLC0415

    if str(path) == "-":
        return [read_part(sys.stdin.buffer.read())]
    try:
        begins = _beginnings(path)
        if len(begins) <= 2 or executor is None:
            return [_read_piece(path, *piece) for piece in pairwise(begins)]
        reading = executor.map(partial(_read_piece, path), begins[:-1], begins[1:])
        begin_loading()  # meanwhile
        return list(reading)
    except OSError as error:
        raise FirstLoopError(f"{path} cannot be read: {error.strerror}") from error


def _beginnings(path: Path) -> list[int]:
    """Where pieces of whole lines begin, and the last one ends."""
    size, begins = path.stat().st_size, [0]
    with path.open("rb") as file:
        while begins[-1] < size:
            file.seek(begins[-1] + PIECE_BYTES)
            file.readline()
            begins.append(min(file.tell(), size))
    return begins if size else [0, 0]


def _read_piece(path: Path, begin: int, end: int) -> "Part":
    from firstloop.formats.evidence_lines import read_part  # noqa: PLC0415

    with path.open("rb") as file:
        file.seek(begin)
        return read_part(file.read(end - begin))
