"""Who does the work of a command: processes of this machine, or a Dask cluster."""

import argparse
import os
from collections.abc import Iterator
from concurrent.futures import Executor, ProcessPoolExecutor
from contextlib import AbstractContextManager, contextmanager, nullcontext

from firstloop.core.errors import FirstLoopError


def with_workers(command: argparse.ArgumentParser, what: str = "processes") -> None:
    """Adds the options that say so."""
    command.add_argument("--workers", type=int, default=0, help=f"{what}; else one a core")
    command.add_argument(
        "--scheduler", metavar="ADDRESS", help="let a Dask cluster do the work (extra: cluster)"
    )


FEW = 32
"""So many letters are checked before other processes would have started."""


def workers(options: argparse.Namespace, letters: int) -> AbstractContextManager[Executor | None]:
    """Who does the work: a cluster, processes, or for a few letters nobody else."""
    if options.scheduler:
        return cluster(options.scheduler)
    count = options.workers or os.cpu_count() or 1
    if count == 1 or letters <= FEW:
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
