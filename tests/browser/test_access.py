"""Every screen can be used without a mouse and read without strain: axe finds nothing to mend, and
down to 320 px nothing has to be scrolled to sideways."""

from pathlib import Path

import pytest
from playwright.sync_api import Page

from tests.browser.pad_page import NewPad, away, back, go_to, sit
from tests.browser.screens import SCREENS, settled
from tests.browser.test_reflow import WIDTHS, assert_nothing_is_out_of_reach

pytestmark = pytest.mark.browser

AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
STEPS = 13


def faults(page: Page) -> list[str]:
    page.evaluate(Path(AXE).read_text(encoding="utf-8"))  # what the page lays in itself is refused
    found = page.evaluate("axe.run({ resultTypes: ['violations'] })")
    return [
        f"{fault['id']}: {node['target']} {node['failureSummary']}"
        for fault in found["violations"]
        for node in fault["nodes"]
    ]


@pytest.mark.parametrize("screen", SCREENS)
def test_axe_finds_nothing_to_mend_and_nothing_is_out_of_reach(page: Page, screen: str) -> None:
    page.goto(screen)
    page.get_by_role("heading", level=1).wait_for(state="attached")
    settled(page)
    assert faults(page) == []
    for width in WIDTHS:
        assert_nothing_is_out_of_reach(page, width)


def test_axe_finds_nothing_to_mend_in_a_lesson(page: Page) -> None:
    page.goto("/plan/today")
    page.get_by_role("radio", name="Full").click()
    page.get_by_role("button", name="Plan the lesson on").click()
    page.get_by_role("button", name="Choose words").click()
    settled(page)
    assert faults(page) == []
    page.get_by_role("link", name="To the board").click()
    page.get_by_role("heading", name="Settle").wait_for()
    ways = page.get_by_role("group", name="How it is shown").get_by_role("radio")
    for _ in range(STEPS):
        for _ in range(max(1, ways.count())):
            settled(page)
            assert faults(page) == []
            page.keyboard.press("m")
        page.keyboard.press("PageDown")


def test_axe_finds_nothing_to_mend_on_a_pad(page: Page, new_pad: NewPad, lesson: int) -> None:
    pad = new_pad()
    pad.get_by_role("button", name="Bram").wait_for()
    assert faults(pad) == []
    sit(pad, "Bram")
    for step in ("own", "big", "best", "show"):
        go_to(page, lesson, step)
        settled(pad)
        assert faults(pad) == [], step
    pad.evaluate("navigator.serviceWorker.ready.then(() => true)")
    away(pad)
    pad.reload()
    pad.get_by_text("Alone: what you write is kept here").wait_for(state="attached")
    assert faults(pad) == []
    back(pad)
    page.request.delete(f"/api/write/lesson-code?lesson={lesson}")
    pad.get_by_text("The lesson is over.").wait_for()
    assert faults(pad) == []
