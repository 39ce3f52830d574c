"""The real built interface against the real server, driven through Debian's Chromium.

One server and one browser serve all tests of a worker; each test has a record, a page and a profile
of its own. A test that ends the server and starts it again has it as a process of its own.
"""

import fcntl
import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect, sync_playwright
from scripts.served import Application, InProcess, free_port, launch_chromium, make_demo

from firstloop.store.database import Database
from tests.browser.pad_page import TABLET, NewPad, go_to, take_seat

# What is waited for comes at once, or, where the machine has much else to do, later.
expect.set_options(timeout=20_000)


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        opened = launch_chromium(playwright)
        yield opened
        opened.close()


@pytest.fixture(scope="session")
def demo_record(tmp_path_factory: pytest.TempPathFactory, worker_id: str) -> Path:
    """The made-up class as it is made, once for all workers: each waits until it is there."""
    if worker_id == "master":  # there is one
        where = tmp_path_factory.mktemp("demo")
    else:
        where = tmp_path_factory.getbasetemp().parent
    database = where / "demo.db"
    with (where / "demo.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not database.exists():
            make_demo(database)
    return database


@pytest.fixture(scope="session")
def server(tmp_path_factory: pytest.TempPathFactory, demo_record: Path) -> Iterator[InProcess]:
    own = tmp_path_factory.mktemp("first") / "demo.db"
    shutil.copy(demo_record, own)
    first = Database(own)
    with InProcess(first) as running:
        yield running
    first.close()


@pytest.fixture
def record(tmp_path: Path, demo_record: Path) -> Path:
    """The made-up class, in a record of its own."""
    database = tmp_path / "demo.db"
    shutil.copy(demo_record, database)
    return database


@pytest.fixture
def address(server: InProcess, record: Path) -> Iterator[str]:
    """Where the server is, which answers from this test's record meanwhile."""
    database = Database(record)
    with server.answering_from(database):
        yield server.address
    database.close()


@pytest.fixture
def application(record: Path) -> Iterator[Application]:
    """The installed command, which can be stopped and started again."""
    running = Application(record, free_port())
    running.start()
    yield running
    running.stop()


@pytest.fixture
def complaints() -> list[str]:
    """What the page's console complained of. A test that provokes a complaint clears it."""
    return []


def opened(browser: Browser, address: str, complaints: list[str]) -> Iterator[Page]:
    """A page in a fresh profile; whatever its console complains of fails the test."""
    context = browser.new_context(
        viewport={"width": 1280, "height": 800}, base_url=address, reduced_motion="reduce"
    )
    page = context.new_page()
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on(
        "console",
        lambda said: complaints.append(said.text) if said.type in ("error", "warning") else None,
    )
    yield page
    context.close()
    assert complaints == []


@pytest.fixture
def page(browser: Browser, address: str, complaints: list[str]) -> Iterator[Page]:
    yield from opened(browser, address, complaints)


@pytest.fixture
def page_of_application(
    browser: Browser, application: Application, complaints: list[str]
) -> Iterator[Page]:
    """A page of a server that the test may stop and start again."""
    yield from opened(browser, application.address, complaints)


@pytest.fixture
def lesson(page: Page) -> int:
    """Today's on n, at the children's own letters; no board is open."""
    made = page.request.post("/api/plan/lessons", data={"new": ["n"], "shape": "short"})
    number = int(made.json()["id"])
    go_to(page, number, "own")
    return number


@pytest.fixture
def new_pad(browser: Browser, page: Page, address: str, lesson: int) -> Iterator[NewPad]:
    """Pads that come in by the square on the board; each is another browser."""
    opened: list[BrowserContext] = []
    code = page.request.post("/api/write/lesson-code", data={"lesson": lesson}).json()["code"]

    def pad(script: str = "", seat: str = "") -> Page:
        width, height = TABLET
        context = browser.new_context(
            base_url=address, viewport={"width": width, "height": height}, has_touch=True
        )
        opened.append(context)
        if script:
            context.add_init_script(script)
        made = context.new_page()
        if seat:
            take_seat(context, code, seat)
            made.goto("/pad/")
            expect(made.get_by_role("application")).to_be_visible()
        else:
            made.goto(f"/pad?code={code.replace(' ', '-')}")
        return made

    yield pad
    for one in opened:
        one.close()


@pytest.fixture
def pad(new_pad: NewPad) -> Page:
    """One at which Bram sits."""
    return new_pad(seat="Bram")
