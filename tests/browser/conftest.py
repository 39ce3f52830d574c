"""The real built interface against the real server, driven through Debian's Chromium."""

import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, sync_playwright
from scripts.served import Application, free_port, launch_chromium, make_demo


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        opened = launch_chromium(playwright)
        yield opened
        opened.close()


@pytest.fixture(scope="session")
def demo_record(tmp_path_factory: pytest.TempPathFactory) -> Path:
    database = tmp_path_factory.mktemp("demo") / "demo.db"
    make_demo(database)
    return database


@pytest.fixture
def application(tmp_path: Path, demo_record: Path) -> Iterator[Application]:
    """The application over the made-up class, in a record of its own."""
    database = tmp_path / "demo.db"
    shutil.copy(demo_record, database)
    running = Application(database, free_port())
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
