"""From an empty record to the first letter of the first child, as a teacher does it on a Monday."""

import time
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect
from scripts.served import Application, free_port

from tests import letters
from tests.browser.pen import write

pytestmark = pytest.mark.browser

TWO_MINUTES_S = 120


@pytest.fixture
def empty(tmp_path: Path) -> Iterator[Application]:
    running = Application(tmp_path / "school" / "new.db", free_port())
    running.start()
    yield running
    running.stop()


def first_letter(page: Page, child: str) -> None:
    page.goto("/write/n")
    page.get_by_label("Who writes?").select_option(label=child)
    write(page, letters.good_n())
    page.keyboard.press("Enter")
    expect(page.get_by_role("status")).to_be_visible()


def test_by_keyboard_from_nothing_to_the_first_letter(browser: Browser, empty: Application) -> None:
    began = time.monotonic()
    page = browser.new_page(base_url=empty.address, viewport={"width": 1280, "height": 800})
    page.goto("/")
    keys = page.keyboard
    page.get_by_label("Your name").focus()
    keys.type("Ms Reed")
    keys.press("Tab")
    keys.type("a hen on a wall")
    keys.press("Enter")
    name = page.get_by_label("Name of the class")
    expect(name).to_be_visible()
    name.focus()
    keys.press("Control+A")
    keys.type("Reed class")
    keys.press("Tab")  # the hand: arrows go, space chooses
    keys.press("ArrowRight")
    # An arrow moves the focus a moment later: nobody's hand is as quick as a test's.
    flicks = page.get_by_role("radio", name="Print with flicks")
    expect(flicks).to_be_focused()
    keys.press("Space")
    expect(flicks).to_be_checked()
    keys.press("Tab")  # the lines stay as they are
    keys.press("Tab")
    keys.type("Mila, left\nJori\nMila")
    to_mend = page.get_by_role("list", name="To mend")
    expect(to_mend).to_contain_text("Line 3: Mila is there already")
    expect(page.get_by_role("button", name="Begin")).to_be_disabled()
    keys.type(" K")
    expect(page.get_by_role("list", name="Understood").get_by_role("listitem")).to_have_count(3)
    expect(to_mend).to_have_count(0)
    keys.press("Tab")
    keys.press("Tab")
    expect(page.get_by_role("button", name="Begin")).to_be_focused()
    keys.press("Enter")
    expect(page.get_by_role("button", name="Class: Reed class")).to_be_visible()
    expect(page).to_have_url(f"{empty.address}/plan/today")
    first_letter(page, "Mila")
    assert time.monotonic() - began < TWO_MINUTES_S
    page.goto("/plan/class")
    expect(page.get_by_label("Name of Mila K")).to_be_visible()
    page.close()


def test_by_touch_on_a_tablet(browser: Browser, empty: Application) -> None:
    context = browser.new_context(
        base_url=empty.address, viewport={"width": 1024, "height": 768}, has_touch=True
    )
    page = context.new_page()
    page.goto("/")
    page.get_by_label("Your name").tap()
    page.keyboard.type("Ms Reed")
    page.get_by_label("Password", exact=True).tap()
    page.keyboard.type("a hen on a wall")
    page.get_by_role("button", name="Go on").tap()
    page.get_by_role("radio", name="Joined with loops").tap()
    page.get_by_role("radio", name="Two lines").tap()
    page.get_by_label("Children, one a line").tap()
    page.keyboard.type("Ada\nBo")
    expect(page.get_by_role("list", name="Understood").get_by_role("listitem")).to_have_count(2)
    page.get_by_role("button", name="Begin").tap()
    expect(page).to_have_url(f"{empty.address}/plan/today")
    first_letter(page, "Ada")
    context.close()


def test_a_list_grows_and_its_names_are_changed_where_they_stand(page: Page) -> None:
    page.goto("/plan/class")
    field = page.get_by_label("Name of Anouk")
    field.fill("Annouk")
    field.press("Enter")
    expect(page.get_by_label("Name of Annouk")).to_be_visible()
    page.get_by_role("radiogroup", name="Annouk writes with the").get_by_role(
        "radio", name="left"
    ).click()
    page.get_by_label("Children, one a line").fill("first name;hand\nZora;left")
    page.get_by_role("button", name="Take them in").click()
    expect(page.get_by_label("Name of Zora")).to_be_visible()
    page.reload()
    hand = page.get_by_role("radiogroup", name="Annouk writes with the")
    expect(hand.get_by_role("radio", name="left")).to_be_checked()
