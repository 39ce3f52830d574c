"""The thinnest loop, as a teacher and a child go round it: show, write, check, grow."""

import re
import sqlite3

import pytest
from playwright.sync_api import Page, expect
from scripts.served import Application

from firstloop.core.evidence.ink import Ink
from tests import letters
from tests.browser.pen import touch, write

pytestmark = pytest.mark.browser

START_AT_MID = "Start at the mid line: straight down, then back up the same line."
ALL_IS_WELL = "Just right. Make the next one the same way."


def hand_in(page: Page, pupil: str, ink: Ink) -> None:
    page.goto("/write/m")
    page.get_by_label("Who writes?").select_option(label=pupil)
    write(page, ink)
    page.get_by_role("button", name="Hand in").click()


def test_an_m_from_the_base_line_and_a_right_one_from_pad_to_record(
    page_of_application: Page, application: Application, complaints: list[str]
) -> None:
    page = page_of_application
    hand_in(page, "Elif", letters.m_from_the_base_line())
    expect(page.get_by_role("status")).to_have_text(START_AT_MID)
    hand_in(page, "Imani", letters.good_m())
    expect(page.get_by_role("status")).to_have_text(ALL_IS_WELL)

    page.get_by_role("link", name="Check").click()
    page.get_by_role("radio", name="Newest of each child").click()
    for pupil, said, seen in (
        ("Elif", START_AT_MID, "Started at the base line; m starts at the mid line."),
        ("Imani", ALL_IS_WELL, "Nothing to mend was seen."),
    ):
        page.get_by_role("combobox", name="Child").click()
        page.get_by_role("option", name=pupil).click()
        expect(page.get_by_role("article", name=f"m by {pupil}")).to_be_visible()
        page.get_by_role("button", name=re.compile(f"m by {pupil}")).first.click()
        expect(page.get_by_test_id("say")).to_have_text(f"“{said}”")
        expect(page.get_by_text(seen)).to_be_visible()

    application.stop()
    with sqlite3.connect(application.database) as record:
        kept = dict(
            record.execute(
                "SELECT pupil.name, attempt.say FROM attempt JOIN pupil ON pupil.id = pupil_id "
                "WHERE letter = 'm' AND pupil.name IN ('Elif', 'Imani') ORDER BY written_at"
            ).fetchall()
        )
    record.close()
    assert kept == {"Elif": START_AT_MID, "Imani": ALL_IS_WELL}

    application.start()
    page.reload()
    expect(page.get_by_test_id("say")).to_have_text(f"“{ALL_IS_WELL}”")
    # The page listened while nobody was there.
    complaints[:] = [one for one in complaints if "ERR_CONNECTION_REFUSED" not in one]


def test_the_board_draws_a_letter_move_by_move_by_keyboard(page: Page) -> None:
    page.goto("/show/n")
    phrase = page.get_by_role("list", name="Phrase").get_by_role("listitem")
    expect(phrase).to_have_count(3)
    page.keyboard.press("ArrowLeft")
    expect(phrase.nth(1)).to_have_attribute("aria-current", "step")
    page.keyboard.press("ArrowLeft")
    expect(phrase.nth(0)).to_have_attribute("aria-current", "step")
    page.keyboard.press("ArrowRight")
    expect(phrase.nth(1)).to_have_attribute("aria-current", "step")
    page.keyboard.press(" ")
    expect(page.get_by_role("button", name="Pause")).to_be_visible()
    page.keyboard.press(" ")
    expect(page.get_by_role("button", name="Draw it")).to_be_visible()


def test_the_stations_are_reached_by_number_and_keep_the_letter(page: Page) -> None:
    page.goto("/show/h")
    expect(page.get_by_role("button", name="Draw it")).to_be_visible()
    for key, place in (("4", "/check/h"), ("5", "/grow"), ("3", "/write"), ("2", "/show/h")):
        page.keyboard.press(key)
        expect(page).to_have_url(re.compile(f"{place}$"))


def test_the_last_letter_can_be_taken_back_before_and_after_handing_in(page: Page) -> None:
    page.goto("/write/n")
    write(page, letters.good_n())
    page.get_by_role("button", name="Take back").click()
    expect(page.get_by_role("button", name="Hand in")).to_be_disabled()
    page.get_by_role("button", name="Bring it back").click()
    with page.expect_response("**/api/write/attempts") as handed:
        page.get_by_role("button", name="Hand in").click()
    place = f"/api/write/attempts/{handed.value.json()['id']}"
    with page.expect_response(f"**{place}") as taken:
        page.get_by_role("button", name="Take back").click()
    assert taken.value.request.method == "DELETE"
    expect(page.get_by_role("button", name="Hand in")).to_be_enabled()  # the ink is back


def test_a_palm_is_ignored_once_a_pen_was_seen(page: Page) -> None:
    page.goto("/write/n")
    expect(page.get_by_role("application")).to_be_visible()
    strokes = page.get_by_role("application").locator("path.stroke-ink")
    touch(page, "touch", [(100, 100), (110, 150), (120, 200)])
    expect(strokes).to_have_count(1)
    touch(page, "pen", [(300, 100), (300, 150), (300, 200)])
    expect(strokes).to_have_count(2)
    touch(page, "touch", [(500, 100), (510, 150), (520, 200)])
    touch(page, "pen", [(400, 100), (400, 150), (400, 200)])
    expect(strokes).to_have_count(3)


def test_the_teachers_word_wins_and_shows_in_grow(page: Page) -> None:
    page.goto("/check/n?show=newest")
    page.get_by_role("button", name=re.compile("n by Bram")).click()
    expect(page.get_by_role("article", name="n by Bram")).to_be_visible()
    direction = page.get_by_role("radiogroup", name="Direction")
    direction.get_by_role("radio", name="secure", exact=True).click()
    expect(page.get_by_text("Judged.", exact=True)).to_be_visible()
    page.get_by_role("link", name="Grow").click()
    page.get_by_role("radio", name="Direction").click()
    page.get_by_role("gridcell", name=re.compile("Bram, n:")).click()
    told = page.get_by_role("region", name="Bram, n")
    expect(told).to_contain_text("rests on")
    page.get_by_role("link", name="See what was written").click()
    expect(page).to_have_url(re.compile(r"/check/n\?pupil="))


def test_a_server_that_is_gone_is_said_plainly_and_the_letter_stays(
    page: Page, complaints: list[str]
) -> None:
    page.goto("/write/n")
    write(page, letters.good_n())
    page.route("**/api/write/attempts", lambda route: route.abort())
    with page.expect_event("console"):
        page.get_by_role("button", name="Hand in").click()
    expect(page.get_by_role("alert")).to_contain_text("Is it still running?")
    complaints.clear()  # the browser's own, of the lost request
    expect(page.get_by_role("button", name="Hand in")).to_be_enabled()
    page.unroute("**/api/write/attempts")
    page.get_by_role("button", name="Hand in").click()
    expect(page.get_by_role("status")).to_have_text(ALL_IS_WELL)


def test_the_classs_hand_is_set_once_and_obeyed_by_the_board(page: Page) -> None:
    page.goto("/plan/hand")
    page.get_by_role("radio", name="Joined", exact=True).click()
    page.get_by_role("radio", name="z: barred").click()
    page.get_by_label("See a word of your own").fill("zebra")
    expect(page.get_by_role("img", name=re.compile("zebra$"))).to_be_visible()
    page.get_by_role("button", name="Write like this").click()
    expect(page.get_by_role("button", name="Write like this")).to_be_disabled()
    page.get_by_role("link", name="Show").click()
    page.get_by_role("radio", name="z", exact=True).click()
    phrase = page.get_by_role("list", name="Phrase").get_by_role("listitem")
    expect(phrase.first).to_contain_text("lead in")
    expect(phrase.last).to_contain_text("straight across")


def test_a_style_that_is_only_tried_changes_nothing(page: Page) -> None:
    page.goto("/plan/hand")
    page.get_by_role("radio", name="Joined with loops").click()
    expect(page.get_by_role("radio", name="f: open tail")).to_be_visible()
    page.get_by_role("button", name="As it was").click()
    expect(page.get_by_role("radio", name="Print", exact=True)).to_be_checked()
    page.get_by_role("slider", name="Lean").press("ArrowRight")
    expect(page.get_by_text("1°")).to_be_visible()
    page.get_by_role("link", name="Show").click()
    phrase = page.get_by_role("list", name="Phrase").get_by_role("listitem")
    expect(phrase.first).to_contain_text("back and round")


def test_a_stage_is_set_for_the_class_and_for_a_child_and_stays(page: Page) -> None:
    page.goto("/settings")
    with page.expect_response("**/api/classroom/stage"):
        page.get_by_role("radio", name="Beginning").click()
    page.goto("/grow")
    page.get_by_role("link", name="Bram’s page").click()
    page.get_by_role("combobox", name="Checked as").focus()
    page.keyboard.press("Enter")
    with page.expect_response("**/gets"):
        page.get_by_role("option", name="secure").click()
    page.reload()
    expect(page.get_by_role("combobox", name="Checked as")).to_have_text("secure")
    page.get_by_role("combobox", name="Another child").click()
    page.get_by_role("option", name="Anouk").click()
    expect(page.get_by_role("combobox", name="Checked as")).to_have_text("the class")
    page.goto("/settings")
    expect(page.get_by_role("radio", name="Beginning")).to_be_checked()


def test_the_map_is_looked_at_on_a_past_day(page: Page) -> None:
    page.goto("/grow")
    now = page.get_by_role("gridcell", name=re.compile("^Celia, m:"))
    expect(now).to_have_accessible_name("Celia, m: secure")
    slider = page.get_by_role("slider", name="Day of the map")
    slider.focus()
    slider.press("Home")
    expect(page.get_by_role("group", name="Day")).not_to_contain_text("Today")
    expect(now).to_have_accessible_name("Celia, m: too little to say")
    page.get_by_role("button", name="A week on").click()
    slider.press("End")
    expect(page.get_by_role("group", name="Day")).to_contain_text("Today")
    expect(now).to_have_accessible_name("Celia, m: secure")


def test_a_group_for_tomorrow_is_sent_to_plan_and_becomes_a_lesson(page: Page) -> None:
    page.goto("/grow")
    page.get_by_role("link", name="Groups for tomorrow").click()
    groups = page.get_by_role("list", name="Groups").locator("> li")
    expect(groups.first).to_be_visible()
    children = groups.first.get_by_role("listitem").all_inner_texts()
    assert 2 <= len(children) <= 6
    page.get_by_role("radio", name="for today").click()
    groups.first.get_by_role("button", name="Plan ten minutes on it").click()
    groups.first.get_by_role("link", name="To its lesson").click()
    expect(page).to_have_url(re.compile("/plan/today"))
    expect(page.get_by_role("region", name="Steps")).to_be_visible()
