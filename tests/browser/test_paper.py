"""On paper: a sheet from a lesson, its photographs dropped and read, a cell put right, and what was
written seen in Grow."""

import re
from datetime import date
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Locator, Page, expect

from firstloop.demo.notebooks import Notebook
from firstloop.demo.on_paper import photograph_lesson
from firstloop.store.database import Database
from tests.notebook import Taken


@pytest.fixture
def photographs(record: Path, tmp_path: Path) -> list[Path]:
    """Of the last lesson's sheets, the first two children's."""
    database = Database(record)
    taken = photograph_lesson(database, date.max, seed=4, each=True)
    files = []
    for one in (next(taken), next(taken)):
        file = tmp_path / one.name
        file.write_bytes(one.jpeg)
        files.append(file)
    database.close()
    return files


def drop(page: Page, files: list[Path]) -> None:
    """Lets files fall on the place for them, as a hand does."""
    where = page.get_by_text("Drop photographs or a scan here")
    sent: list[Any] = [{"name": one.name, "bytes": list(one.read_bytes())} for one in files]
    carried = page.evaluate_handle(
        """(files) => {
          const carried = new DataTransfer();
          for (const { name, bytes } of files)
            carried.items.add(new File([new Uint8Array(bytes)], name, { type: "image/jpeg" }));
          return carried;
        }""",
        sent,
    )
    where.dispatch_event("dragover", {"dataTransfer": carried})
    where.dispatch_event("drop", {"dataTransfer": carried})


def cells(page: Page) -> Locator:
    return page.get_by_role("group", name="What was read, cell by cell").get_by_role("button")


def written_on_paper(page: Page) -> int:
    asked: Any = {"begin": "0001-01-01", "end": "9999-12-31", "source": "scan"}
    return int(page.request.get("/api/check/table", params=asked).json()["total"])


def test_a_sheet_is_looked_at_before_it_is_printed(page: Page) -> None:
    page.goto("/plan/sheet/1")
    page.get_by_role("radio", name="One a child").click()
    shown = page.get_by_role("img", name="Page 1 as it is printed")
    expect(shown).to_be_visible()
    page.wait_for_function("() => document.querySelector('img[alt^=Page]').naturalWidth > 100")
    page.get_by_role("link", name="Check, On paper").click()
    expect(page.get_by_text("Nothing was read yet.")).to_be_visible()


def test_photographs_are_read_a_cell_is_put_right_and_all_is_seen_in_grow(
    page: Page, photographs: list[Path]
) -> None:
    page.goto("/check/paper")
    drop(page, photographs)
    listed = page.get_by_role("list", name="Pages").get_by_role("button")
    expect(listed).to_have_count(2, timeout=60_000)
    first = page.request.get("/api/check/paper").json()["pages"][0]
    names = {one["id"]: one["name"] for one in page.request.get("/api/classroom").json()["pupils"]}
    own = names[first["pupil_id"]]
    listed.filter(has_text=own).click()
    expect(page.get_by_role("combobox", name="Whose page it is")).to_have_text(own)
    written = cells(page).filter(visible=True).and_(page.get_by_label(re.compile("shape")))
    before = written.count()
    assert before > 5

    written.first.focus()
    page.keyboard.press("Enter")
    opened = page.get_by_role("region", name="The cell")
    expect(opened.get_by_role("img", name=re.compile("as it was written"))).to_be_visible()
    opened.get_by_role("radio", name="Struck out").click()
    expect(opened).to_contain_text("Nothing here goes into the record.")
    expect(written).to_have_count(before - 1)

    assert written_on_paper(page) == 0
    page.get_by_role("button", name="Into the record", exact=True).click()
    expect(listed.filter(has_text="In the record")).to_have_count(1, timeout=60_000)
    expect(page.get_by_text("The photograph was deleted")).to_be_visible()
    assert written_on_paper(page) >= before - 1

    page.goto(f"/grow/child/{first['pupil_id']}")
    letters = page.get_by_role("region", name="Letters over time")
    expect(letters.get_by_role("link", name=re.compile(f"^{first['title'][0]} "))).to_be_visible()


def test_what_is_no_sheet_says_what_to_do_and_can_be_deleted(page: Page, tmp_path: Path) -> None:
    other = tmp_path / "dinner.jpg"
    other.write_bytes(b"no picture at all")
    page.goto("/check/paper")
    drop(page, [other])
    listed = page.get_by_role("list", name="Pages").get_by_role("button")
    expect(listed).to_contain_text(["It is no picture; send JPEG, HEIC, PNG, TIFF or PDF"])
    page.get_by_role("button", name="Delete the page").click()
    page.get_by_role("button", name="Delete it").click()
    expect(listed).to_have_count(0)


def test_a_sheet_is_made_by_hand_and_looked_at_as_it_grows(page: Page) -> None:
    page.goto("/plan/sheets")
    page.get_by_role("button", name="Begin a sheet").click()
    shown = page.get_by_role("img", name="Page 1 as it is printed")
    expect(shown).to_be_visible()
    before = shown.get_attribute("src") or ""
    drawn = page.request.get(before).text()
    text = page.get_by_label("What is written in row 3")
    text.fill("hen")
    text.press("Enter")
    expect(shown).not_to_have_attribute("src", before)
    assert page.request.get(shown.get_attribute("src") or "").text() != drawn
    page.get_by_label("How row 3 is written").click()
    page.get_by_role("option", name="heard").click()
    expect(page.get_by_role("link", name="Print 2 pages")).to_be_visible()  # one to read out
    page.keyboard.press("u")
    expect(page.get_by_role("link", name="Print it")).to_be_visible()
    printed = page.get_by_role("link", name="Print it").get_attribute("href") or ""
    assert page.request.get(printed).body().startswith(b"%PDF")
    page.get_by_role("link", name="Sheets", exact=True).first.click()
    expect(page.get_by_role("link", name="h, a row a day")).to_be_visible()


def drag(page: Page, way: tuple[tuple[float, float], tuple[float, float]]) -> None:
    (x0, y0), (x1, y1) = way
    page.mouse.move(x0, y0)
    page.mouse.down()
    page.mouse.move((x0 + x1) / 2, (y0 + y1) / 2)
    page.mouse.move(x1, y1)
    page.mouse.up()


def test_rows_of_a_notebook_are_marked_with_two_drags_then_one(page: Page, tmp_path: Path) -> None:
    taken = Taken.of(Notebook(), 5)
    file = tmp_path / "notebook.jpg"
    file.write_bytes(taken.jpeg)
    page.goto("/check/paper")
    drop(page, [file])
    mine = page.get_by_role("list", name="Pages").get_by_role("button", name="notebook.jpg")
    mine.click(timeout=60_000)
    shown = page.get_by_role("group", name="What was read, cell by cell").locator("image")
    box = shown.bounding_box()
    assert box is not None
    scale = box["width"] / taken.picture.shape[1]

    def on_screen(at: tuple[float, float]) -> tuple[float, float]:
        return box["x"] + at[0] * scale, box["y"] + at[1] * scale

    form = page.get_by_role("region", name="A row of this page")
    expect(form.get_by_role("status")).to_contain_text("Draw along the base line of a row")
    begin, end, height = taken.base_line(0)
    drag(page, (on_screen(begin), on_screen(end)))
    expect(form.get_by_role("status")).to_contain_text("up to the mid line")
    middle = ((begin[0] + end[0]) / 2, (begin[1] + end[1]) / 2)
    drag(page, (on_screen(middle), on_screen((middle[0], middle[1] - height))))
    form.get_by_label("What was to be written").fill("n")
    form.get_by_role("button", name="Read this row").click()
    expect(page.get_by_label(re.compile("^n, row 1"))).to_have_count(6)

    begin, end, _ = taken.base_line(2)  # the lines of the next row stand as far apart
    drag(page, (on_screen(begin), on_screen(end)))
    page.get_by_role("button", name="Where the base line ends").press("ArrowRight")
    form.get_by_label("What was to be written").fill("a red hen ran")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile("^a red hen ran, row 2"))).to_be_visible()
    form.get_by_role("button", name="Let go of the row n").click()
    expect(page.get_by_label(re.compile("^n, row 1"))).to_have_count(0)

    before = written_on_paper(page)
    page.get_by_role("combobox", name="Whose page it is").click()
    page.get_by_role("option", name="Celia").click()
    page.get_by_role("button", name="Into the record").click()
    expect(page.get_by_text("In the record.")).to_be_visible()
    assert written_on_paper(page) == before + 1
