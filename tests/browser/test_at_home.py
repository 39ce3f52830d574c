"""The page for home, from disk, on a phone without a network."""

from datetime import date
from pathlib import Path

import pytest
from playwright.sync_api import Browser, expect

from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.teaching.customs import USUAL
from firstloop.core.teaching.lesson import plan
from firstloop.core.teaching.under_way import under_way
from firstloop.core.vocabulary.language import Language
from firstloop.formats.home_page import home_page

pytestmark = pytest.mark.browser


def test_a_letter_is_watched_and_traced_on_a_phone_without_a_network(
    browser: Browser, tmp_path: Path, complaints: list[str]
) -> None:
    file = tmp_path / "at-home.html"
    lesson = under_way(plan(["n", "i"], 20), date(2026, 3, 2), Language(), USUAL)
    file.write_text(home_page(lesson, HANDS["plain"], Ruling()), encoding="utf-8")
    context = browser.new_context(
        viewport={"width": 390, "height": 844}, offline=True, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    page.on("console", lambda said: complaints.append(said.text))
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.clock.install(time=0)
    page.goto(file.as_uri())
    page.clock.pause_at(60_000)  # from here on it moves only as it is told
    expect(page.get_by_role("heading", level=1)).to_have_text("At home: n, i")
    said = page.get_by_role("list", name="What to say").get_by_role("listitem")
    expect(said).to_have_count(3)
    page.get_by_role("button", name="Watch it again").click()
    page.clock.run_for(400)
    expect(said.first).to_have_attribute("aria-current", "step")  # it is being written
    page.clock.run_for(10_000)
    expect(page.locator("[aria-current]")).to_have_count(0)
    page.get_by_role("button", name="i", exact=True).click()
    expect(said).to_have_count(2)
    assert page.evaluate("document.documentElement.scrollWidth") <= 390

    row = page.locator(".trace").first
    row.scroll_into_view_if_needed()
    box = row.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 3)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2, steps=4)
    page.mouse.up()
    traced = page.locator(".own")
    expect(traced).to_have_count(1)
    assert traced.get_attribute("d").count("L") >= 4  # type: ignore[union-attr]
    page.get_by_role("button", name="Wipe the lines").click()
    expect(traced).to_have_count(0)
    context.close()
    assert complaints == []
