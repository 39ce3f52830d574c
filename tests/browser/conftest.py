"""The real built interface against the real server, driven through Debian's Chromium."""

import shutil
import socket
import subprocess
import sys
import urllib.error
import urllib.request
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, sync_playwright

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


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
        command = Path(sys.executable).with_name("firstloop")
        self._process = subprocess.Popen(
            [command, "serve", "--db", self.database, "--port", str(self.port)],
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


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        opened = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        yield opened
        opened.close()


@pytest.fixture(scope="session")
def demo_record(tmp_path_factory: pytest.TempPathFactory) -> Path:
    command = Path(sys.executable).with_name("firstloop")
    database = tmp_path_factory.mktemp("demo") / "demo.db"
    subprocess.run([command, "demo", "--db", database], check=True, capture_output=True)
    return database


@pytest.fixture
def application(tmp_path: Path, demo_record: Path) -> Iterator[Application]:
    """The application over the made-up class, in a record of its own."""
    database = tmp_path / "demo.db"
    shutil.copy(demo_record, database)
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    running = Application(database, port)
    running.start()
    yield running
    running.stop()


@pytest.fixture
def complaints() -> list[str]:
    """What the page's console complained of. A test that provokes a complaint clears it."""
    return []


@pytest.fixture
def page(browser: Browser, application: Application, complaints: list[str]) -> Iterator[Page]:
    """A page in a fresh profile; whatever its console complains of fails the test."""
    context = browser.new_context(
        viewport={"width": 1280, "height": 800},
        base_url=application.address,
        reduced_motion="reduce",
    )
    opened = context.new_page()
    opened.on("pageerror", lambda error: complaints.append(str(error)))
    opened.on(
        "console",
        lambda said: complaints.append(said.text) if said.type in ("error", "warning") else None,
    )
    yield opened
    context.close()
    assert complaints == []
