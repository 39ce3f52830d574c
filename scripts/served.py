"""The real server over a demo record, and Debian's Chromium: for tests, pictures and timings."""

import socket
import subprocess
import sys
import tempfile
import threading
import urllib.error
import urllib.request
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass, field
from pathlib import Path

import uvicorn
from playwright.sync_api import Browser, Playwright

from firstloop.api.app import create_app
from firstloop.cli.serving import INTERFACE
from firstloop.services.paper_reader import PaperReader
from firstloop.store.database import Database

HERE = ("127.0.0.1", 50_000)
"""Who asks the application without a socket: it sits at the machine, as a demonstration asks."""

COMMAND = Path(sys.executable).with_name("firstloop")
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


def launch_chromium(playwright: Playwright) -> Browser:
    """Debian's Chromium without a screen, in a fresh profile, asking nothing of any network."""
    return playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)


def make_demo(database: Path) -> None:
    """Makes up the class in a new record."""
    subprocess.run([COMMAND, "demo", "--db", database], check=True, capture_output=True)


def free_port() -> int:
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        return int(free.getsockname()[1])


@dataclass
class Application:
    """The installed command, serving one record; it can be stopped and started again."""

    database: Path
    port: int
    process: subprocess.Popen[str] | None = field(default=None, init=False)

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        self.process = subprocess.Popen(
            [COMMAND, "serve", "--db", self.database, "--port", str(self.port)],
            stdout=subprocess.PIPE,
            text=True,
        )
        assert self.process.stdout is not None
        assert "First Loop is at" in self.process.stdout.readline()
        while not self._answers():
            assert self.process.poll() is None, "the server ended before it answered"

    def _answers(self) -> bool:
        try:
            urllib.request.urlopen(f"{self.address}/api/session", timeout=10).close()
        except urllib.error.URLError:
            return False
        return True

    def stop(self) -> None:
        if self.process is not None:
            self.process.terminate()
            self.process.communicate()
            self.process = None

    def kill(self) -> None:
        """As the power would."""
        assert self.process is not None
        self.process.kill()
        self.process.communicate()
        self.process = None


class InProcess:
    """The application behind a real socket, in a thread: it can answer from another record without
    being started anew. Used as a context."""

    def __init__(self, database: Database, interface: Path = INTERFACE) -> None:
        self._app = create_app(database, interface)
        self._socket = socket.create_server(("127.0.0.1", 0))
        config = uvicorn.Config(self._app, log_level="warning", lifespan="off")
        self._server = uvicorn.Server(config)
        self._thread = threading.Thread(
            target=self._server.run, kwargs={"sockets": [self._socket]}, daemon=True
        )

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self._socket.getsockname()[1]}"

    @contextmanager
    def answering_from(self, database: Database) -> Iterator[None]:
        state = self._app.state
        before = state.database, state.paper
        state.database, state.paper = database, PaperReader(database, ThreadPoolExecutor)
        try:
            yield
        finally:
            state.paper.end()
            state.database, state.paper = before

    def __enter__(self) -> "InProcess":
        self._thread.start()
        return self

    def end(self) -> None:
        """Ends the lines of those who listen."""
        self._app.state.database.news.end()

    def __exit__(self, *_: object) -> None:
        self.end()
        self._server.should_exit = True
        self._thread.join(timeout=10)
        self._socket.close()


@contextmanager
def demo_server() -> Iterator[str]:
    """The address of the application over a fresh demo record."""
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "demo.db"
        make_demo(database)
        running = Application(database, free_port())
        running.start()
        try:
            yield running.address
        finally:
            running.stop()
