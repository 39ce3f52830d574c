"""A child's page: what it tells is what the record holds; what is set there is followed; what is
deleted there is gone."""

import re
from datetime import date, timedelta
from pathlib import Path
from typing import Any

from playwright.sync_api import Locator, Page, expect

from tests.browser.pad_page import NewPad, go_to
from tests.browser.screens import settled

CHILD = "Dario"  # runs off the stem in r, n, m and h


def open_page(page: Page, name: str = CHILD) -> None:
    page.goto("/grow")
    page.get_by_role("link", name=f"{name}’s page").click()
    expect(page.get_by_role("heading", level=1, name=name)).to_be_visible()


def map_row(page: Page, name: str) -> Any:
    found = page.request.get("/api/grow/map").json()
    letters = [letter for family in found["families"] for letter in family["letters"]]
    (row,) = [one for one in found["rows"] if one["pupil"]["name"] == name]
    return {
        letter: state
        for letter, state, written in zip(
            letters, row["states"]["weakest"], row["written"], strict=True
        )
        if written
    }


def ticked(page: Page, label: str) -> Locator:
    return page.get_by_role("checkbox", name=label, exact=True)


def test_the_report_holds_the_records_numbers_and_what_is_ticked(page: Page) -> None:
    open_page(page)
    states = map_row(page, CHILD)
    letters = page.get_by_role("region", name="Letters over time")
    for letter, state in states.items():
        told = {"not_yet": "not yet", "unknown": "too little to say"}.get(state, state)
        expect(letters.get_by_role("link", name=re.compile(f"^{letter} ?{told}"))).to_be_visible()
    with page.expect_popup() as opened:
        page.get_by_role("link", name="A page to send").click()
    report = opened.value
    practised = [letter for letter, state in states.items() if state == "not_yet"]
    secure = [letter for letter, state in states.items() if state == "secure"]
    body = report.locator("body")
    expect(body).to_contain_text(f"{len(practised)} letters are being practised")
    expect(body).to_contain_text(f"{len(secure)} letters hold well")
    expect(body).to_contain_text("Back along the stem, then over")
    pictures = page.request.get(f"/api/grow/children/{child_id(page)}").json()["letters"]
    twice = [one for one in pictures if len({shown["day"] for shown in one["pictures"]}) > 1]
    expect(report.get_by_role("heading", name="Then and now")).to_be_visible()
    assert report.locator("figure").count() == 2 * min(4, len(twice))
    for day in (twice[0]["pictures"][0]["day"], twice[0]["pictures"][-1]["day"]):
        expect(body).to_contain_text(f"{date.fromisoformat(day):%-d %B %Y}")
    report.close()
    ticked(page, "letters then and now").click()
    with page.expect_popup() as again:
        page.get_by_role("link", name="A page to send").click()
    expect(again.value.locator("body")).not_to_contain_text("Then and now")


def child_id(page: Page) -> int:
    found = re.search(r"/grow/child/(\d+)", page.url)
    assert found is not None
    return int(found[1])


def test_what_was_seen_is_looked_at_again_and_comes_into_no_report_by_itself(page: Page) -> None:
    open_page(page)
    page.get_by_role("combobox", name="Something seen").click()
    page.get_by_role("option", name="hand hurts").click()
    seen = page.get_by_role("region", name="Seen and noted")
    expect(seen).to_contain_text("Stop writing for today.")
    expect(seen).to_contain_text("occupational therapist")
    again = date.today() + timedelta(days=14)  # noqa: DTZ011  # as the page shows it
    expect(seen).to_contain_text(f"{again:%-d %B}")
    page.get_by_role("textbox", name="A note of today").fill("Chose the best h.")
    page.get_by_role("button", name="Keep the note").click()
    expect(seen.get_by_label(re.compile("^Note of"))).to_have_value("Chose the best h.")
    link = page.get_by_role("link", name="A page to send").get_attribute("href")
    assert "hand hurts" not in page.request.get(link or "").text()
    ticked(page, "what I saw").click()
    link = page.get_by_role("link", name="A page to send").get_attribute("href")
    assert "hand hurts" in page.request.get(link or "").text()


def test_what_a_child_gets_is_followed_by_its_pad(page: Page, lesson: int, new_pad: NewPad) -> None:
    pad, other = new_pad(seat=CHILD), new_pad(seat="Elif")
    usual = pad.locator("[data-active-cell]").bounding_box()
    open_page(page)
    page.get_by_role("combobox", name="Lines").click()
    page.get_by_role("option", name="largest").click()
    page.get_by_role("combobox", name="Model").click()
    page.get_by_role("option", name="on the right").click()
    ticked(page, "Fewer letters (three of five)").click()
    expect(ticked(page, "Fewer letters (three of five)")).to_be_checked()
    sheet = pad.get_by_role("application")
    model = pad.get_by_role("button", name="See it written")
    expect(model).to_be_visible()
    pad.wait_for_function(
        "() => document.querySelector('[aria-label=\"See it written\"]')"
        ".getBoundingClientRect().left > innerWidth / 2"
    )
    large = pad.locator("[data-active-cell]").bounding_box()
    assert usual is not None and large is not None  # noqa: PT018
    assert large["height"] > 1.2 * usual["height"]
    expect(sheet).to_be_visible()
    pad.wait_for_function("async () => (await (await fetch('/api/pad/task')).json()).enough === 2")
    assert other.request.get("/api/pad/task").json()["enough"] == 3
    go_to(page, lesson, "own")
    small = other.locator("[data-active-cell]").bounding_box()
    assert small is not None
    assert small["height"] == usual["height"]


def test_a_child_who_is_deleted_leaves_no_trace_but_in_copies(page: Page, record: Path) -> None:
    held = [file for file in record.parent.iterdir() if file.is_file()]
    assert any(CHILD.encode() in file.read_bytes() for file in held)
    open_page(page)
    page.get_by_role("textbox", name="A note of today").fill(f"{CHILD} likes hens.")
    page.get_by_role("button", name="Keep the note").click()
    expect(page.get_by_label(re.compile("^Note of"))).to_have_value(f"{CHILD} likes hens.")
    page.get_by_role("button", name=f"Delete {CHILD}").click()
    page.get_by_role("button", name="Delete for good").click()
    expect(page.get_by_role("status")).to_contain_text("Deleted.")
    expect(page.get_by_role("status")).to_contain_text("cop")
    for file in record.parent.iterdir():
        if file.is_file():
            assert CHILD.encode() not in file.read_bytes(), file
    page.get_by_role("link", name="Back to the map").click()
    expect(page.get_by_role("grid")).to_be_visible()
    expect(page.get_by_role("link", name=f"{CHILD}’s page")).to_have_count(0)


def test_two_groups_lessons_go_on_side_by_side_each_with_its_code(page: Page) -> None:
    page.goto("/grow/groups")
    page.get_by_role("radio", name="for today").click()
    groups = page.get_by_role("list", name="Groups").locator("> li")
    expect(groups.nth(1)).to_be_visible()
    for at in range(2):
        groups.nth(at).get_by_role("button", name="Plan ten minutes on it").click()
        expect(groups.nth(at)).to_contain_text("Planned for today")
    groups.nth(1).get_by_role("link", name="To its lesson").click()
    whose = page.get_by_role("radiogroup", name="Whose lesson").or_(
        page.get_by_role("group", name="Whose lesson")
    )
    expect(whose.get_by_role("radio")).to_have_count(3)
    expect(page.get_by_text("It has a code of its own for the pads.")).to_be_visible()
    lessons = page.request.get("/api/plan/today").json()["of_groups"]
    codes = {
        page.request.post("/api/write/lesson-code", data={"lesson": one["id"]}).json()["code"]
        for one in lessons
    }
    assert len(codes) == len(lessons) == 2
    page.goto("/write")
    room = page.request.get("/api/write/room").json()
    assert [one["group"] for one in room["lessons"]] == [one["group"] for one in lessons]


def test_a_lessons_sheet_is_looked_at_page_by_page_and_printed_as_it_is(
    page: Page, lesson: int
) -> None:
    page.goto("/plan/today")
    settled(page)  # what comes later moves the link
    page.get_by_role("link", name="A sheet to write on").click()
    page.wait_for_url("**/plan/sheet/*")
    shown = page.get_by_role("img", name="Page 1 as it is printed")
    expect(shown).to_be_visible()
    page.wait_for_function("() => document.querySelector('main img').naturalWidth > 0")
    page.get_by_role("radio", name="One a child").click()
    told = page.request.get(f"/api/plan/lessons/{lesson}/sheet?each=true").json()
    assert told["children"] == 12
    printing = page.get_by_role("link", name=f"Print {told['pages']} pages")
    expect(printing).to_be_visible()
    page.get_by_role("button", name="The next page").click()
    expect(page.get_by_role("img", name="Page 2 as it is printed")).to_be_visible()
    printed = page.request.get(printing.get_attribute("href") or "")
    assert printed.body().startswith(b"%PDF")
