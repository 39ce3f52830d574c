"""A lesson from plan to close, by keyboard only; what is set up stays; the pictures it shows."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

pytestmark = pytest.mark.browser


def planned(page: Page) -> None:
    """A full lesson on i."""
    page.goto("/plan/today")
    page.get_by_role("radio", name="Full").focus()
    page.keyboard.press(" ")
    page.get_by_role("textbox", name=re.compile("^Or others")).fill("i")
    plan_i = page.get_by_role("button", name="Plan the lesson on i", exact=True)
    expect(plan_i).to_be_visible()
    page.get_by_role("button", name=re.compile("^Plan the lesson on")).focus()
    with page.expect_response("**/api/plan/lessons"):
        page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Lesson on")).to_be_visible()


def steps(page: Page) -> list[str]:
    rows = page.get_by_role("region", name="Steps").get_by_role("listitem")
    return [row.get_attribute("aria-label") or "" for row in rows.all()]


def test_a_lesson_from_plan_to_close_by_keyboard_only(page: Page) -> None:
    planned(page)
    page.get_by_label("Note on Show").focus()
    page.keyboard.type("slowly")
    with page.expect_response("**/changes"):
        page.keyboard.press("Tab")
    page.get_by_role("link", name="To the board").focus()
    page.keyboard.press("Enter")
    board = page.get_by_role("region", name="Lesson on i", exact=True)
    expect(board.get_by_role("heading", level=1)).to_have_text("Settle")
    for name in ("Look back", "The family", "Show"):  # no capital is taught: no date yet
        page.keyboard.press("PageDown")
        expect(board.get_by_role("heading", level=1)).to_have_text(name)
    expect(board.get_by_text("slowly")).to_be_visible()
    expect(board.get_by_role("list", name="Phrase")).to_contain_text("straight down")
    page.keyboard.press("PageUp")
    expect(board.get_by_text("A stem straight down.")).to_be_visible()
    for _ in range(9):
        page.keyboard.press("PageDown")
    expect(board.get_by_role("heading", level=1)).to_have_text("Home")
    board.get_by_role("button", name="Finish the lesson").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Today's lesson was given. What comes next?")).to_be_visible()
    taught = page.get_by_role("region", name="Taught letters")
    expect(taught.get_by_role("button", name="i", exact=True)).to_have_attribute(
        "aria-pressed", "true"
    )


ROUND = ("Show", "Try it big", "Slips to spot", "Trace, finish, own", "Choose the best", "Words")
"""What is done with each letter of several before the next."""


def rounds_of(page: Page, parts: list[str], steps: tuple[str, ...]) -> list[str]:
    """What is done with each in turn; where no word has it, without one."""
    found = page.request.get("/api/plan/today").json()["lesson"]["course"]
    with_words = [stop["part"] for stop in found if stop["kind"] == "words"]
    assert len(with_words) >= len(parts) // 2
    return [
        f"{step}: {part}"
        for part in parts
        for step in steps
        if step != "Words" or part in with_words
    ]


def given_by_keyboard(
    page: Page, parts: list[str], before: list[str], after: list[str], *steps: str
) -> None:
    """From the plan to the close: every stop in turn, the aim first and last."""
    with page.expect_response("**/api/plan/lessons"):
        page.keyboard.press("Enter")
    page.get_by_role("link", name="To the board").focus()
    titles = [*before, *rounds_of(page, parts, steps or ROUND), *after]
    page.keyboard.press("Enter")
    board = page.get_by_role("region", name=f"Lesson on {', '.join(parts)}", exact=True)
    title = board.get_by_role("heading", level=1)
    expect(board.get_by_text("Today you will")).to_be_visible()
    for at, said in enumerate(titles):
        if at:
            page.keyboard.press("PageDown")
        expect(title).to_have_text(said)
    expect(board.get_by_text("Did we do it?")).to_be_visible()
    board.get_by_role("button", name="Finish the lesson").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Today's lesson was given. What comes next?")).to_be_visible()


def plan_button(page: Page) -> Locator:
    return page.get_by_role("button", name=re.compile("^Plan the lesson"))


@pytest.mark.parametrize("parts", [["i", "t", "l"], ["N", "7"]], ids=" ".join)
def test_letters_a_capital_a_digit_come_round_in_a_lesson_by_keyboard_only(
    page: Page, parts: list[str]
) -> None:
    page.goto("/plan/today")
    page.get_by_role("textbox", name=re.compile("^Or others")).focus()
    page.keyboard.press("Control+A")
    page.keyboard.type(" ".join(parts))
    plan_button(page).focus()
    given_by_keyboard(page, parts, ["Settle"], [])
    taught = page.get_by_role("region", name="Taught letters")
    for part in filter(str.islower, parts):
        expect(taught.get_by_role("button", name=part, exact=True)).to_have_attribute(
            "aria-pressed", "true"
        )


def test_a_family_is_looked_back_on_and_nothing_new_is_taught_by_keyboard_only(page: Page) -> None:
    page.goto("/plan/today")
    page.get_by_role("radio", name="Look back").focus()
    page.keyboard.press(" ")
    page.get_by_role("radio", name=re.compile("^Down and back up")).first.focus()
    page.keyboard.press(" ")
    expect(plan_button(page)).to_be_enabled()
    letters = (plan_button(page).text_content() or "").removeprefix("Plan the lesson on ").split()
    plan_button(page).focus()
    given_by_keyboard(page, letters, ["Settle", "Look back", "The family"], ["Close"], *ROUND[3:])


def test_joins_are_planned_taught_and_ticked_by_keyboard_only(page: Page) -> None:
    page.request.put("/api/plan/style", data={"hand": "joined"})
    page.goto("/plan/joining")
    stages = page.get_by_role("list", name="Stages").get_by_role("listitem")
    (name,) = re.findall("Stage 2: (.*)", stages.nth(1).get_attribute("aria-label") or "")
    stages.nth(1).get_by_role("link", name="Plan a lesson").focus()
    page.keyboard.press("Enter")
    expect(plan_button(page)).to_have_text(f"Plan the lesson on {name}")
    plan_button(page).focus()
    pairs = name.split()
    given_by_keyboard(page, pairs, ["Settle"], [])
    page.get_by_role("link", name="To joined").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("checkbox", name=f"{name} is taught")).to_be_checked()


def test_the_way_to_joined_is_rearranged_undone_and_computed_again(page: Page) -> None:
    page.request.put("/api/plan/style", data={"hand": "joined"})
    page.goto("/plan/joining")
    stages = page.get_by_role("list", name="Stages").get_by_role("listitem")
    first = stages.first.get_attribute("aria-label") or ""
    page.get_by_role("button", name="Stage 2 up", exact=True).click()
    expect(stages.first).not_to_have_attribute("aria-label", first)
    expect(page.get_by_role("button", name="As computed")).to_be_enabled()
    page.keyboard.press("u")
    expect(stages.first).to_have_attribute("aria-label", first)
    expect(page.get_by_role("button", name="As computed")).to_be_disabled()


def test_the_teacher_sees_the_word_on_her_own_screen_and_sends_the_board_on(page: Page) -> None:
    page.goto("/plan/ways")
    with page.expect_response("**/customs"):
        page.get_by_role("radio", name="Heard").click()
    page.goto("/plan/today")
    plan_button(page).click()
    page.get_by_role("link", name="To the board").click()
    title = page.get_by_role("region", name=re.compile("^Lesson on")).get_by_role(
        "heading", level=1
    )
    title.wait_for()
    with page.expect_popup() as opened:
        page.keyboard.press("t")
    mine = opened.value
    own_title = mine.get_by_role("heading", level=1)
    for name in ROUND:
        expect(own_title).to_be_visible()
        mine.keyboard.press("PageDown")
        expect(title).to_have_text(name)
        expect(own_title).to_have_text(name)
    expect(mine.get_by_text("Only you see this:")).to_be_visible()
    word = mine.get_by_role("status").get_by_role("img").get_attribute("aria-label") or ""
    (text, *_) = re.findall("[a-z]+", word)
    expect(page.get_by_role("radio", name=text, exact=True)).to_have_count(0)
    onwards = mine.get_by_role("button", name="Next part of this step")
    onwards.click()
    expect(page.get_by_role("list", name=re.compile("sounds: 1 counted"))).to_be_visible()
    boxes = page.get_by_role("list", name=re.compile("sounds: "))
    (sounds,) = re.findall(r"^(\d+) sounds", boxes.get_attribute("aria-label") or "")
    # The counters that are left, writing, each sound shown, the whole word.
    for _ in range(2 * int(sounds) + 1):
        onwards.click()
    expect(page.get_by_role("radio", name=text, exact=True)).to_be_checked()
    expect(mine.get_by_text("Only you see this:")).to_have_count(0)
    page.close()


def test_free_writing_begins_with_a_picture(page: Page) -> None:
    page.goto("/plan/today")
    plan_button(page).click()
    free = page.get_by_role("region", name="Free writing")
    free.get_by_role("combobox", name="A picture or a question").click()
    with page.expect_response("**/changes"):
        page.get_by_role("option", name="A picture: the kite").click()
    page.get_by_role("link", name="To the board").click()
    board = page.get_by_role("region", name=re.compile("^Lesson on"))
    board.get_by_role("button", name="Free writing").click()
    expect(page.get_by_role("img", name="A picture: a kite in the wind")).to_be_visible()
    expect(page.get_by_text("Write what you want to say.")).to_be_visible()


def test_the_board_is_where_it_was_after_a_reload(page: Page) -> None:
    planned(page)
    page.get_by_role("link", name="To the board").click()
    page.get_by_role("heading", name="Settle").wait_for()
    with page.expect_response("**/place"):
        page.get_by_role("button", name="Slips to spot").click()
    page.reload()
    expect(page.get_by_role("heading", level=1)).to_have_text("Slips to spot")
    page.get_by_role("button", name="Letter 1").click()
    expect(page.get_by_role("button", name="Letter 1")).to_have_count(0)


def test_steps_are_moved_skipped_and_retimed_and_stay(page: Page) -> None:
    planned(page)
    assert steps(page)[:2] == ["Settle", "Today's date"]
    page.get_by_label("Note on Settle").focus()
    with page.expect_response("**/changes"):
        page.keyboard.press("Shift+ArrowDown")
    with page.expect_response("**/changes"):
        page.get_by_role("checkbox", name="A sentence is in the lesson").click()
    expect(page.get_by_text("20 of 20 minutes")).to_be_visible()
    with page.expect_response("**/changes"):
        page.get_by_role("button", name="More time for Show").click()
    expect(page.get_by_text("20½ of 20 minutes")).to_be_visible()
    with page.expect_response("**/changes"):
        page.get_by_role("button", name="Share out anew").click()
    expect(page.get_by_text("20 of 20 minutes")).to_be_visible()
    page.reload()
    page.get_by_role("heading", name="Lesson on").wait_for()
    assert steps(page)[:2] == ["Today's date", "Settle"]
    expect(page.get_by_role("checkbox", name="A sentence is in the lesson")).not_to_be_checked()


def test_words_are_chosen_and_a_sentence_is_looked_over(page: Page) -> None:
    planned(page)
    page.get_by_role("button", name="Choose words").click()
    inside = page.get_by_role("region", name="i inside")
    with page.expect_response("**/changes"):
        inside.get_by_role("button", name="dig", exact=True).click()
    expect(page.get_by_role("button", name="Leave out dig")).to_be_visible()
    sentence = page.get_by_label("The sentence")
    sentence.fill("Can i dig")
    with page.expect_response("**/changes"):
        sentence.press("Tab")
    expect(page.get_by_text("The word I is always a capital.")).to_be_visible()
    expect(page.get_by_text("End with a full stop, ! or ?")).to_be_visible()


def test_the_date_is_written_as_the_class_writes_it(page: Page) -> None:
    page.goto("/plan/today")
    page.get_by_role("button", name="How dates are written").click()
    with page.expect_response("**/api/plan/language"):
        page.get_by_role("radio", name="American").click()
    expect(page.get_by_role("heading", level=1)).to_have_text(
        re.compile(r"^\w+day, \w+ \d+\w\w, \d{4}$")
    )
