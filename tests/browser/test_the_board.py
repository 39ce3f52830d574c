"""The ways in which the board shows a step; words as games; what is written on the board stays."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.pen import stroke
from tests.browser.test_the_lesson import planned

pytestmark = pytest.mark.browser


def at_step(page: Page, step: str, way: str | None = None) -> Locator:
    """A planned lesson on the board, at a step, shown in a way."""
    planned(page)
    page.get_by_role("link", name="To the board").click()
    page.get_by_role("button", name=step, exact=True).first.click()
    if way is not None:
        page.get_by_role("radio", name=way).click()
    return page.get_by_role("region", name=re.compile("^Lesson on"))


def strokes_on(board: Locator) -> Locator:
    return board.get_by_role("application").locator("path.stroke-ink")


def test_what_the_teacher_writes_on_the_board_stays_with_its_step(page: Page) -> None:
    board = at_step(page, "Show", "Write here")
    for across in (0.3, 0.6):
        with page.expect_response(re.compile("written/show")):
            stroke(page, [(across, 0.3), (across, 0.45), (across, 0.6)])
    expect(strokes_on(board)).to_have_count(2)
    page.reload()
    page.get_by_role("radio", name="Write here").click()
    expect(strokes_on(board)).to_have_count(2)
    with page.expect_response(re.compile("written/show")):
        page.keyboard.press("z")
    expect(strokes_on(board)).to_have_count(1)
    page.keyboard.press("PageDown")
    page.keyboard.press("PageUp")
    page.get_by_role("radio", name="Write here").click()
    expect(strokes_on(board)).to_have_count(1)
    board.get_by_role("button", name="Wipe").click()
    expect(strokes_on(board)).to_have_count(0)
    board.get_by_role("button", name="Bring it back").click()
    expect(strokes_on(board)).to_have_count(1)


def test_from_memory_the_letter_is_revealed_after_a_pause(page: Page) -> None:
    page.clock.install()
    board = at_step(page, "Look back", "From memory")
    said = board.get_by_role("status")
    expect(said).to_contain_text("Listen to the sound.")
    asked = board.get_by_text("for you:").inner_text().split()[-1]
    expect(said.get_by_role("img")).to_have_count(0)
    page.keyboard.press("Space")
    page.clock.fast_forward(7_000)
    expect(said.get_by_role("img")).to_have_count(0)
    page.clock.fast_forward(2_000)
    expect(said.get_by_role("img", name=asked, exact=True)).to_be_visible()
    page.keyboard.press("Space")
    expect(said).to_contain_text("Listen to the sound.")
    expect(board.get_by_text("for you:")).not_to_have_text(re.compile(f" {asked}$"))


def test_the_family_is_given_with_a_gap_where_the_letter_is(page: Page) -> None:
    board = at_step(page, "Show", "From memory")
    board.get_by_role("radio", name="Give its family").click()
    expect(board.get_by_role("status")).to_contain_text("which one is missing?")
    expect(board.get_by_role("status").get_by_text("?", exact=True)).to_be_visible()


def test_print_stands_beside_joined_and_the_key_goes_round_the_ways(page: Page) -> None:
    board = at_step(page, "Show")
    page.keyboard.press("m")
    expect(board.get_by_text("Watch, then write")).to_be_visible()
    page.keyboard.press("m")
    expect(board.get_by_role("figure")).to_have_count(2)
    expect(board.get_by_text("Print, as we write it")).to_be_visible()
    for _ in range(3):
        page.keyboard.press("m")
    expect(board.get_by_role("list", name="Phrase")).to_be_visible()


def test_the_spaces_it_fills_are_tinted(page: Page) -> None:
    board = at_step(page, "Show")
    expect(board.get_by_role("list", name="Phrase")).to_be_visible()
    expect(board.locator("svg[role='img'] rect")).to_have_count(0)
    page.keyboard.press("s")
    expect(board.locator("svg[role='img'] rect")).to_have_count(1)  # an i fills the middle one


def test_a_pair_is_shown_as_a_pair_and_then_letter_by_letter(page: Page) -> None:
    page.request.post("/api/plan/lessons", data={"new": ["ch"], "minutes": 20})
    page.goto("/plan/today")
    page.get_by_role("link", name="To the board").click()
    page.get_by_role("button", name="Show", exact=True).click()
    board = page.get_by_role("region", name="The letter ch")
    expect(board.get_by_role("list", name="Phrase").get_by_role("listitem")).to_have_count(4)
    page.get_by_role("radio", name="h", exact=True).click()
    expect(page.get_by_role("region", name="The letter h", exact=True)).to_be_visible()


def test_pairs_that_fit_are_uncovered_one_by_one(page: Page) -> None:
    board = at_step(page, "Words", "Missing pair")
    count = int(board.get_by_text(re.compile(r"\d+ pairs fit")).inner_text().split()[0])
    for uncovered in range(count):
        expect(board.get_by_role("status").get_by_role("listitem")).to_have_count(uncovered)
        page.keyboard.press("Space")
    expect(board.get_by_role("button", name="The next word")).to_be_visible()


def test_a_chain_becomes_the_words_of_today_and_can_be_taken_back(page: Page) -> None:
    planned(page)
    page.get_by_role("link", name="Words", exact=True).click()
    chains = page.get_by_role("region", name="Chains")
    expect(chains.get_by_role("list", name="The chain").get_by_role("listitem")).to_have_count(6)
    chains.get_by_label("Begin with").fill("had")
    chains.get_by_label("End with, or leave open").fill("bed")
    expect(chains.get_by_role("list", name="The chain").get_by_role("listitem")).to_have_count(3)
    with page.expect_response("**/changes"):
        chains.get_by_role("button", name="Take as today's words").click()
    expect(chains.get_by_role("button", name="These are today's words")).to_be_disabled()
    page.get_by_role("link", name="Today", exact=True).click()
    expect(page.get_by_role("button", name="Leave out bed")).to_be_visible()


def test_where_there_is_no_chain_it_is_said(page: Page) -> None:
    page.goto("/plan/words")
    chains = page.get_by_role("region", name="Chains")
    chains.get_by_label("Begin with").fill("xylophone")
    expect(chains.get_by_role("status").last).to_contain_text("There is no such chain")


def test_own_words_are_added_with_their_sounds_and_forgotten(
    page: Page, complaints: list[str]
) -> None:
    page.goto("/plan/words")
    mine = page.get_by_role("region", name="My words")
    field = mine.get_by_label("A new word")
    field.fill("w0mbat")
    field.press("Enter")
    expect(mine.get_by_role("alert")).to_contain_text("write letters only")
    complaints.clear()  # the server said no, as it should
    field.fill("(wom)bat")
    field.press("Enter")
    expect(mine.get_by_role("img", name="wombat: wom b a t")).to_be_visible()
    expect(field).to_have_value("")
    mine.get_by_role("button", name="Forget wombat").click()
    expect(mine.get_by_text("None yet.")).to_be_visible()


def test_a_movement_is_saved_as_a_gif(page: Page) -> None:
    planned(page)
    home = page.get_by_role("region", name="To send home")
    with page.expect_download() as found:
        home.get_by_role("link", name="For a phone").click()
    assert found.value.suggested_filename == "i.gif"
    assert found.value.path().read_bytes().startswith(b"GIF89a")


def test_with_a_pause_at_each_move_the_pen_waits_to_be_sent_on(page: Page) -> None:
    page.goto("/show/n")
    page.get_by_role("checkbox", name="Pause at each move").click()
    moves = page.get_by_role("list", name="Phrase").get_by_role("listitem")
    page.get_by_role("heading", level=1).click(force=True)  # away from what owns the space key
    for at in (0, 1, 2, 0):
        page.keyboard.press("Space")
        expect(page.get_by_role("button", name="Draw it")).to_be_visible(timeout=10_000)
        if at < 2:
            expect(moves.nth(at)).to_have_attribute("aria-current", "step")


def test_words_are_shown_as_their_chain_of_families(page: Page) -> None:
    planned(page)
    page.get_by_role("button", name="Choose words").click()
    page.get_by_role("checkbox", name="Words as their families").click()
    families = page.get_by_role("list", name="Families").get_by_role("listitem")
    expect(families.first).to_have_text(re.compile("^1 "))
    word = page.get_by_role("img", name=re.compile("^dig: ")).first
    expect(word).to_be_visible()
    assert len((word.get_attribute("aria-label") or "").split(", ")) == 3
