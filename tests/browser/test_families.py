"""Plan: families rearranged with mouse and keyboard, files brought along, words reworded."""

import json
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

pytestmark = pytest.mark.browser


def own_copy(page: Page) -> None:
    page.goto("/plan/families")
    page.get_by_role("button", name="Copy").click()
    expect(page.get_by_role("radio", name="Our order")).to_be_checked()


def family(page: Page, name: str) -> Locator:
    return page.get_by_role("listitem", name=name, exact=True)


def letters_of(page: Page, name: str) -> Locator:
    return page.get_by_role("list", name=f"Letters of {name}").get_by_role("button")


def letter(page: Page, name: str) -> Locator:
    return page.locator(f'[data-letter="{name}"]')


def _is_carried_to(page: Page, to: Locator) -> bool:
    for _ in range(20):  # the lines may yet move, while what was done before is being kept
        end = to.bounding_box()
        assert end
        page.mouse.move(end["x"] + 20, end["y"] + end["height"] / 2, steps=8)
        if to.get_attribute("data-over") == "true":
            return True
    return False


def drag(page: Page, what: Locator, to: Locator) -> None:
    # Away from the edge of the screen, where the page scrolls while a letter is held.
    to.evaluate("line => line.scrollIntoView({ block: 'center' })")
    for _ in range(3):  # a letter that is drawn anew just then was not taken up
        what.hover()
        page.mouse.down()
        if _is_carried_to(page, to):
            break
        page.mouse.up()
    expect(to).to_have_attribute("data-over", "true")
    page.mouse.up()


def test_a_letter_is_moved_by_keyboard_and_is_still_there_after_a_reload(page: Page) -> None:
    own_copy(page)
    letter(page, "u").click()
    with page.expect_response("**/api/plan/schemes/*"):
        page.keyboard.press("Shift+ArrowDown")
    expect(letters_of(page, "Down and under")).to_have_count(1)
    expect(family(page, "Slopes").locator('[data-letter="u"]')).to_be_focused()
    page.reload()
    page.get_by_role("radio", name="Our order").click()
    expect(family(page, "Slopes").locator('[data-letter="u"]')).to_be_visible()


def test_a_letter_is_dragged_to_another_family_and_back_by_undo(page: Page) -> None:
    own_copy(page)
    with page.expect_response("**/api/plan/schemes/*"):
        drag(page, letter(page, "y"), family(page, "Slopes"))
    expect(family(page, "Slopes").locator('[data-letter="y"]')).to_be_visible()
    page.reload()
    page.get_by_role("radio", name="Our order").click()
    expect(family(page, "Slopes").locator('[data-letter="y"]')).to_be_visible()
    drag(page, letter(page, "y"), family(page, "Down and under"))
    expect(letters_of(page, "Down and under")).to_have_count(2)
    page.keyboard.press("u")
    expect(letters_of(page, "Down and under")).to_have_count(1)


def test_a_family_too_large_says_so_and_is_split(page: Page) -> None:
    own_copy(page)
    for name, count in (("u", 6), ("y", 7)):
        with page.expect_response("**/api/plan/schemes/*"):  # it may move the lines
            drag(page, letter(page, name), family(page, "Straight down"))
        expect(letters_of(page, "Straight down")).to_have_count(count)
    expect(page.get_by_text("7 letters: more than the 5 that you wish for")).to_be_visible()
    page.get_by_role("button", name="Split Straight down", exact=True).click()
    expect(letters_of(page, "Straight down (1)")).to_have_count(5)
    expect(letters_of(page, "Straight down (2)")).to_have_count(2)


def test_a_letter_put_aside_makes_the_scheme_unfinished(page: Page) -> None:
    own_copy(page)
    letter(page, "x").click()
    page.keyboard.press("Delete")
    aside = page.get_by_role("region", name="In no family yet")
    expect(aside).to_contain_text("Unfinished: 1 letter is in no family yet")
    aside.get_by_role("button", name="Place x").click()
    expect(aside).to_contain_text("Every letter has its family")


def test_a_better_order_is_proposed_and_used(page: Page) -> None:
    own_copy(page)
    for _ in range(3):
        page.get_by_role("button", name="Slopes up", exact=True).click()
    page.get_by_role("button", name="Propose a better order").click()
    page.get_by_role("button", name="Use it").click()
    expect(page.get_by_role("button", name="Use it")).to_have_count(0)
    page.get_by_role("button", name="Propose a better order").click()
    expect(page.get_by_text("No exchange of families or letters")).to_be_visible()


def test_a_scheme_with_two_faults_is_refused_and_both_are_said(
    page: Page, tmp_path: Path, complaints: list[str]
) -> None:
    own_copy(page)
    with page.expect_download() as saved:
        page.get_by_role("link", name="Save").click()
    data = json.loads(Path(saved.value.path()).read_text())
    data["families"][0]["letters"].append("ß")
    data["families"][-1]["letters"].append(data["families"][0]["letters"][0])
    faulty = tmp_path / "faulty.json"
    faulty.write_text(json.dumps(data))
    page.get_by_label("Bring a scheme").first.set_input_files(faulty)
    faults = page.get_by_role("alert").get_by_role("listitem")
    expect(faults).to_have_count(2)
    expect(faults.first).to_contain_text('"ß" is no letter of this hand')
    expect(faults.last).to_contain_text("is in an earlier family already")
    expect(page.get_by_role("radio", name="Our order")).to_have_count(1)
    complaints.clear()  # the browser's own, of the refused request


def test_a_move_is_reworded_on_a_letters_page_and_said_so_on_the_board(page: Page) -> None:
    page.goto("/plan/letters/h")
    page.get_by_role("button", name="back up the same line").click()
    page.get_by_label("In your words").fill("climb up again")
    page.get_by_role("button", name="In every letter").click()
    expect(page.get_by_role("button", name="climb up again")).to_be_visible()
    page.goto("/show/n")
    expect(page.get_by_role("list", name="Phrase")).to_contain_text("climb up again")


def test_a_letter_is_found_by_keyboard(page: Page) -> None:
    page.goto("/plan/families")
    page.get_by_role("list", name="Families: By movement").wait_for()
    page.keyboard.press("/")
    page.keyboard.type("slope")
    expect(page.get_by_role("button", name="Open x", exact=True)).to_be_visible()
    page.keyboard.press("Escape")
    page.keyboard.type("g")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", level=1)).to_have_text("g")
    page.keyboard.press("Tab")
    page.get_by_role("heading", level=1).click()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("heading", level=1)).to_have_text("h")
