"""Measures how soon ink is under the pen: from a pointer event to the frame that shows it, in
Chromium's own trace, on an empty sheet and with sixty strokes on it."""

import json
from bisect import bisect
from collections.abc import Iterator
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

import numpy as np
from playwright.sync_api import Browser, Page, sync_playwright
from scripts.served import demo_server, launch_chromium

STROKES = 60
FRAME_MS = 1000 / 60
EVENT_MS = 8.0
"""Between pointer events: a pen or a finger tells 120 to 240 places a second."""

CATEGORIES = ["cc", "benchmark", "input", "viz"]
DRAWN = "Display::DrawAndSwap"
MOVED = ("MOUSE_MOVED", "MOUSE_DRAGGED", "POINTER_MOVED", "TOUCH_MOVED")


def bench_pen() -> None:
    with demo_server() as address, sync_playwright() as playwright, TemporaryDirectory() as folder:
        browser = launch_chromium(playwright)
        page = _pad(browser, address)
        trace = Path(folder) / "trace.json"
        empty = _traced(browser, page, trace)
        while _strokes(page) < STROKES:
            _stroke(page, _strokes(page))
        full = _traced(browser, page, trace)
        browser.close()
    for name, times in (("on an empty sheet", empty), (f"with {STROKES} strokes", full)):
        print(
            f"pointer to paint {name:18} p50 {np.median(times):5.1f} ms, "
            f"p95 {np.quantile(times, 0.95):5.1f} ms of {len(times)}   (bar: {FRAME_MS:.1f} ms)"
        )


def _pad(browser: Browser, address: str) -> Page:
    """A pad at a sentence, which has the longest line."""
    teacher = browser.new_page(base_url=address)
    lesson = teacher.request.post("/api/plan/lessons", data={"new": ["n"], "shape": "full"}).json()
    opened = teacher.request.post("/api/write/lesson-code", data={"lesson": lesson["id"]}).json()
    place = f"/api/show/lessons/{lesson['id']}/place"
    teacher.request.put(place, data={"at": "date"})
    teacher.close()
    context = browser.new_context(base_url=address, viewport={"width": 1024, "height": 768})
    page = context.new_page()
    page.goto(f"/pad?code={opened['code'].replace(' ', '-')}")
    page.get_by_role("button", name="Bram").click()
    page.get_by_role("application").wait_for()
    return page


def _strokes(page: Page) -> int:
    return int(page.get_by_role("application").get_attribute("data-strokes") or 0)


def _stroke(page: Page, number: int) -> None:
    """A bow, as long as a letter; each at another place."""
    box = page.get_by_role("application").bounding_box()
    assert box is not None
    x = box["x"] + 30 + (number * 37) % (box["width"] - 120)
    y = box["y"] + 30 + (number * 53) % (box["height"] - 120)
    page.mouse.move(x, y)
    page.mouse.down()
    for at in range(40):
        page.mouse.move(x + at, y + 60 * np.sin(at / 12))
        page.wait_for_timeout(EVENT_MS)
    page.mouse.up()


def _traced(browser: Browser, page: Page, trace: Path) -> list[float]:
    """ms from each pointer event of three strokes to the frame that shows it."""
    browser.start_tracing(page=page, path=trace, categories=CATEGORIES)
    for number in range(3):
        _stroke(page, 7 * number)
    browser.stop_tracing()
    return list(_latencies(json.loads(trace.read_text(encoding="utf-8"))["traceEvents"]))


def _latencies(events: list[dict[str, Any]]) -> Iterator[float]:
    """From when an event came to the end of the first drawing of the display after it was handled:
    a desynchronised canvas goes to the display past the page's own frames, to which Chromium counts
    the latency of events."""
    drawn = sorted(one["ts"] + one.get("dur", 0) for one in events if one["name"] == DRAWN)
    came: dict[str, float] = {}
    for one in (one for one in events if one["name"] == "EventLatency"):
        key = json.dumps(one["id2"])
        if one["ph"] == "b" and one["args"]["event_latency"]["event_type"] in MOVED:
            came[key] = one["ts"]
        elif one["ph"] == "e" and key in came:
            after = bisect(drawn, one["ts"])
            if after < len(drawn):
                yield (drawn[after] - came.pop(key)) / 1000


if __name__ == "__main__":
    bench_pen()
