"""The real server over a demo record, and Debian's Chromium: for tests, pictures and timings."""

import socket
import subprocess
import sys
import tempfile
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from pathlib import Path

from playwright.sync_api import Browser, Playwright

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
    _process: subprocess.Popen[str] | None = field(default=None, init=False)

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        self._process = subprocess.Popen(
            [COMMAND, "serve", "--db", self.database, "--port", str(self.port)],
            stdout=subprocess.PIPE,
            text=True,
        )
        assert self._process.stdout is not None
        assert "First Loop is at" in self._process.stdout.readline()
        while not self._answers():
            assert self._process.poll() is None, "the server ended before it answered"

    def _answers(self) -> bool:
        try:
            urllib.request.urlopen(f"{self.address}/api/classroom", timeout=10).close()
        except urllib.error.URLError:
            return False
        return True

    def stop(self) -> None:
        if self._process is not None:
            self._process.terminate()
            self._process.communicate()


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
