"""Every screen reflows: down to 320 px (WCAG 1.4.10) nothing has to be scrolled to sideways."""

import pytest
from playwright.sync_api import Page

from tests.browser.screens import settled

pytestmark = pytest.mark.browser

WIDTHS = [320, 500, 780, 1000]
STATIONS = ("Plan", "Show", "Write", "Check", "Grow")

# What reaches out of the page to the left or right, but for what scrolls by itself.
OUT_OF_REACH = """() => [...document.querySelectorAll("a, button, input, select, h1, h2, p, li")]
  .filter((one) => !one.closest("svg, .sr-only, [role=region][tabindex]"))
  .filter((one) => getComputedStyle(one).position !== "fixed")
  .map((one) => [one, one.getBoundingClientRect()])
  .filter(([one, box]) => box.width > 1 && (box.right > innerWidth + 1 || box.left < -1))
  .map(([one, box]) => `${one.tagName} "${one.textContent.slice(0, 40)}": ${box.left} ${box.right}`)
"""


def assert_nothing_is_out_of_reach(page: Page, width: int) -> None:
    page.set_viewport_size({"width": width, "height": 720})
    settled(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= width, width
    assert page.evaluate(OUT_OF_REACH) == [], width
    for station in STATIONS:
        box = page.get_by_role("link", name=station, exact=True).first.bounding_box()
        assert box is not None
        assert box["x"] >= 0
        assert box["x"] + box["width"] <= width


def test_a_lesson_can_be_given_on_a_narrow_screen(page: Page) -> None:
    page.goto("/plan/today")
    page.set_viewport_size({"width": 320, "height": 640})
    page.get_by_role("radio", name="Full").click()
    page.get_by_role("button", name="Plan the lesson on").click()
    page.get_by_role("heading", name="Lesson on").wait_for()
    assert page.evaluate(OUT_OF_REACH) == []
    page.get_by_role("link", name="To the board").click()
    page.get_by_role("heading", name="Settle").wait_for()
    for _ in range(13):
        settled(page)
        # What a step draws may come a moment after it is gone to.
        page.wait_for_function("() => document.documentElement.scrollWidth <= 320")
        page.keyboard.press("PageDown")
