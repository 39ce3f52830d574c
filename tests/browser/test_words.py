"""Words from the pad to the table: read letter by letter, struck out, joined."""

import re

import numpy as np
import pytest
from playwright.sync_api import Locator, Page, expect

from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry.polyline import respace
from tests.browser.pen import DROP, SPARE, TOP
from tests.core.checking.texts.written import ink_of, joined, printed

pytestmark = pytest.mark.browser


def write_word(page: Page, word: str, ink: Ink) -> None:
    """The ink by mouse on the pad for a word, from its left end."""
    page.goto(f"/write/text?kind=word&target={word}")
    pad = page.get_by_role("application", name=f"Pad for {word}")
    box = pad.bounding_box()
    assert box is not None
    unit = box["height"] / (TOP - DROP + 2 * SPARE)
    left, base = box["x"] + 0.6 * unit, box["y"] + (TOP + SPARE) * unit
    for stroke in ink.strokes:
        along = respace(stroke.points, 0.08)
        (x, y), *rest = along.tolist()
        page.mouse.move(left + x * unit, base - y * unit)
        page.mouse.down()
        for x, y in rest:
            page.mouse.move(left + x * unit, base - y * unit)
        page.mouse.up()
    page.get_by_role("button", name="Hand in").click()
    expect(page.get_by_role("button", name="Take back")).to_be_visible()


def table(page: Page) -> Locator:
    page.get_by_role("link", name="Check").click()
    return page.get_by_role("region", name="What the class wrote")


def letters_of(page: Page) -> Locator:
    return page.get_by_role("article").locator("rect[data-letter]")


def test_a_word_written_with_a_mouse_is_read_letter_by_letter(page: Page) -> None:
    write_word(page, "hen", printed("hen").ink)
    expect(page.get_by_role("status")).to_have_text("Just right. Make the next one the same way.")
    on_table = table(page)
    expect(on_table.get_by_role("heading", level=1)).to_contain_text("hen")
    expect(on_table.get_by_text("reads as “hen”").first).to_be_visible()
    expect(letters_of(page)).to_have_count(3)
    letter = page.get_by_role("region", name="The letter")
    expect(letter.get_by_role("heading")).to_contain_text("The h")
    page.keyboard.press(".")
    expect(letter.get_by_role("heading")).to_contain_text("The e")
    page.keyboard.press(".")
    page.keyboard.press(".")
    expect(letter.get_by_role("heading")).to_contain_text("The n")
    letters_of(page).first.hover()
    expect(letter.get_by_role("heading")).to_contain_text("The h")


def test_each_letter_counts_and_taken_back_is_gone(page: Page) -> None:
    write_word(page, "hen", printed("hen").ink)
    table(page)
    page.get_by_role("link", name="All h by").click()
    expect(page).to_have_url(re.compile(r"/check/h\?pupil="))
    expect(page.get_by_role("article", name=re.compile("^h by"))).to_be_visible()


def test_a_struck_out_letter_is_no_fault(page: Page) -> None:
    line = printed("heen")
    every = np.vstack(line.letters[1])
    (x0, _), (x1, _) = every.min(axis=0), every.max(axis=0)
    line.letters[1].append(np.linspace((x0 - 0.1, 0.5), (x1 + 0.1, 0.6), 20))
    write_word(page, "hen", line.ink)
    expect(page.get_by_role("status")).to_have_text("Just right. Make the next one the same way.")
    table(page)
    expect(page.get_by_text("1 struck out.")).to_be_visible()
    expect(letters_of(page)).to_have_count(4)
    page.keyboard.press(".")
    expect(page.get_by_text("Struck out, and written again")).to_be_visible()


def test_a_joined_word_with_one_broken_join_shows_where(page: Page) -> None:
    page.request.put("/api/plan/style", data={"hand": "joined"})
    whole = respace(joined("lemon")[0], 0.02)
    at = int(np.argmin(np.hypot(*(whole - np.array([1.95, 0.6])).T)))  # between e and m
    write_word(page, "lemon", ink_of([whole[: at - 3], whole[at + 3 :]]))
    table(page)
    seen = page.get_by_role("list", name="Seen in the whole")
    expect(seen).to_contain_text("The pen was lifted between e and m.")
    ring = page.get_by_role("article").locator("[data-measure=ring]").bounding_box()
    left, right = (letters_of(page).nth(place).bounding_box() for place in (1, 2))
    assert ring is not None
    assert left is not None
    assert right is not None
    middle = ring["x"] + ring["width"] / 2
    assert left["x"] < middle < right["x"] + right["width"]
    expect(page.get_by_role("region", name="The letter")).to_contain_text("The e")


def test_a_long_line_goes_on_in_the_row_below(page: Page) -> None:
    page.set_viewport_size({"width": 1024, "height": 768})
    page.goto("/write/text?kind=sentence&target=a red hen ran")
    pad = page.get_by_role("application")
    expect(pad).to_be_visible()
    lines = pad.locator("svg > g[transform]")
    assert lines.count() == 2
    for row, text in enumerate(("a red", "hen ran")):
        box = pad.bounding_box()
        assert box is not None
        height = box["height"] / 2
        unit = height / (TOP - DROP + 2 * SPARE)
        base = box["y"] + row * height + (TOP + SPARE) * unit
        for stroke in printed(text).ink.strokes:
            (x, y), *rest = respace(stroke.points, 0.12).tolist()
            page.mouse.move(box["x"] + (0.4 + x) * unit, base - y * unit)
            page.mouse.down()
            for x, y in rest:
                page.mouse.move(box["x"] + (0.4 + x) * unit, base - y * unit)
            page.mouse.up()
    page.get_by_role("button", name="Hand in").click()
    expect(page.get_by_role("button", name="Take back")).to_be_visible()
    table(page)
    expect(page.get_by_text("reads as “a red hen ran”")).to_be_visible()
