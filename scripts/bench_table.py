"""Measures the table of *Check* while it is scrolled: the longest piece of script and layout in
Chromium's own trace, with some two thousand letters on it."""

import json
from datetime import UTC, datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from playwright.sync_api import Page, sync_playwright
from scripts.served import InProcess, launch_chromium

from firstloop.demo.years import load_years
from firstloop.services.preparing import prepare
from firstloop.store.database import Database

CHILDREN, A_DAY, DAYS = 32, 21, 3
"""Three days of a full class: 2,016 letters on the table at once."""

CATEGORIES = [
    "devtools.timeline",
    "disabled-by-default-devtools.timeline",
    "toplevel",
    "__metadata",
]
MAIN = "CrRendererMain"
PIECE = "ThreadControllerImpl::RunTask"
WHEELS, WHEEL_PX = 400, 120
"""A wheel that is turned fast: past a row of letters in two of its steps."""
BAR_MS = 50.0


def bench_table() -> None:
    """Prints how long the longest pieces took."""
    with TemporaryDirectory() as folder:
        database = Database(Path(folder) / "years.db")
        today = datetime.now(UTC).date()
        load_years(database, today, years=1, children=CHILDREN, letters_a_day=A_DAY)
        prepare(database, datetime.now(UTC))
        with InProcess(database) as server:
            pieces, lying = _scrolled(server.address, Path(folder) / "trace.json")
        database.close()
    longest = sorted(pieces)[-3:]
    over = sum(one > BAR_MS for one in pieces)
    print(
        f"the table scrolled past {lying}: longest pieces "
        f"{' / '.join(f'{one:.0f}' for one in reversed(longest))} ms, {over} over {BAR_MS:.0f} "
        f"of {len(pieces)}   (bar: none over {BAR_MS:.0f})"
    )


def _scrolled(address: str, trace: Path) -> tuple[list[float], str]:
    """ms of each piece that the page's main thread did while it was scrolled through by wheel; how
    much lay there."""
    with sync_playwright() as playwright:
        browser = launch_chromium(playwright)
        page = browser.new_page(base_url=address, viewport={"width": 1280, "height": 800})
        lying = _opened(page)
        browser.start_tracing(page=page, path=trace, categories=CATEGORIES)
        for _ in range(WHEELS):
            page.mouse.wheel(0, WHEEL_PX)
            page.wait_for_timeout(10)
        browser.stop_tracing()
        browser.close()
    return _pieces(json.loads(trace.read_text(encoding="utf-8"))["traceEvents"]), lying


def _opened(page: Page) -> str:
    """Opens the table on the last days in which the class wrote."""
    days: list[str] = page.request.get("/api/check/table").json()["days"]
    begin = sorted(days)[-DAYS]
    last = datetime.fromisoformat(max(days)).date() + timedelta(days=1)
    page.goto(f"/check?begin={begin}&end={last}")
    piles = page.get_by_role("list", name="Piles")
    piles.get_by_role("button").nth(8).wait_for()
    page.mouse.move(400, 400)
    return page.get_by_text("judged").last.inner_text()


def _pieces(events: list[dict[str, Any]]) -> list[float]:
    """How long each task of the page's main thread took, ms."""
    threads = {
        (one["pid"], one["tid"])
        for one in events
        if one["name"] == "thread_name" and one["args"]["name"] == MAIN
    }
    return [
        one["dur"] / 1000
        for one in events
        if one["name"] == PIECE and "dur" in one and (one["pid"], one["tid"]) in threads
    ]


if __name__ == "__main__":
    bench_table()
