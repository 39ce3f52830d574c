"""Processes beside the server, for work that would keep it from answering."""

import os
import signal
from concurrent.futures import Executor, ProcessPoolExecutor
from multiprocessing import get_context, parent_process
from threading import Thread


def processes(count: int) -> Executor:
    """So many, which begin afresh (what a server holds open is none of theirs) and end with the
    server, whatever ends it."""
    return ProcessPoolExecutor(
        count, mp_context=get_context("spawn"), initializer=_end_with_the_server
    )


def _end_with_the_server() -> None:
    """A process waits for work on a line of which it holds both ends: it would not hear that nobody
    is left to send any. What is pressed to end the server is the server's to hear."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    Thread(target=_wait_for_its_end, name="the server's end", daemon=True).start()


def _wait_for_its_end() -> None:
    server = parent_process()
    if server is not None:
        server.join()
        os._exit(0)
