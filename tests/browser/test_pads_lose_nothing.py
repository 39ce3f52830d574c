"""What a pad's own store must not lose, tried with the browser's real store: the ink is kept, what
is newer goes on, and somebody is told. Every other way in which it may fail, fall silent or grow
old is tried on a store in memory (`web/src/pad/store.test.ts`)."""

import shutil
import sqlite3
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, expect
from scripts.served import InProcess

from firstloop.cli.serving import INTERFACE
from firstloop.store.database import Database
from tests.browser.pad_page import NewPad, away, back, done, go_to, kept, sit, write_n

pytestmark = pytest.mark.browser

EDIT = """(edit) => new Promise((resolve, reject) => {
  const opening = indexedDB.open("first-loop-pad");
  opening.onerror = () => reject(opening.error);
  opening.onsuccess = () => {
    const shelf = opening.result.transaction("written", "readwrite").objectStore("written");
    const all = shelf.getAll();
    all.onsuccess = () => {
      const found = all.result.sort((a, b) => a.at - b.at);
      for (const [at, change] of Object.entries(edit)) {
        Object.assign(found[at].body, change);
        shelf.put(found[at]);
      }
      shelf.transaction.oncomplete = () => {
        opening.result.close();
        resolve(found.map(({ id, state }) => [id, state]));
      };
    };
  };
})"""
"""What is in the tablet's store, the oldest first, after some of it was changed."""

FULL = """
  const put = IDBObjectStore.prototype.put;
  IDBObjectStore.prototype.put = function (...given) {
    if (sessionStorage.getItem("full")) throw new DOMException("no room", "QuotaExceededError");
    return put.apply(this, given);
  };
"""
NONE = 'Object.defineProperty(window, "indexedDB", { value: undefined });'


def write(pad: Page, count: int) -> None:
    for _ in range(count):
        write_n(pad)
        done(pad)


def in_store(pad: Page, edit: dict[int, dict[str, Any]] | None = None) -> list[list[str]]:
    found: list[list[str]] = pad.evaluate(EDIT, edit or {})
    return found


def states(pad: Page) -> list[str]:
    return [state for _, state in in_store(pad)]


def is_saved(pad: Page, expected: list[str]) -> None:
    """What is in memory is in the tablet's store soon after."""
    for _ in range(400):
        if states(pad) == expected:
            return
        pad.wait_for_timeout(50)
    assert states(pad) == expected


def seat_of(pad: Page) -> int:
    seat: int = pad.request.get("/api/pad/task").json()["seat"]
    return seat


def end_long_ago(record: Path) -> None:
    """The lessons that are open ended more than a day ago."""
    ended = datetime.now(UTC) - timedelta(hours=25)
    with sqlite3.connect(record, timeout=20) as opened:
        opened.execute("UPDATE lesson_code SET ends_at = ?", [ended.isoformat(" ")[:19]])


def open_to_pads(page: Page, lesson: int) -> str:
    code: str = page.request.post("/api/write/lesson-code", data={"lesson": lesson}).json()["code"]
    return code.replace(" ", "-")


def join_again(pad: Page, code: str) -> None:
    pad.goto(f"/pad?code={code}")
    sit(pad, "Bram")


@pytest.fixture
def pad(pad: Page) -> Page:
    """One that opens without the network."""
    pad.evaluate("navigator.serviceWorker.ready.then(() => true)")
    return pad


def test_one_refused_and_one_stale_letter_hold_up_no_other(
    page: Page, pad: Page, record: Path, lesson: int
) -> None:
    old_seat = seat_of(pad)
    end_long_ago(record)
    join_again(pad, open_to_pads(page, lesson))
    away(pad)
    write(pad, 5)
    is_saved(pad, ["waits"] * 5)
    in_store(pad, {0: {"target": "q"}, 1: {"seat": old_seat}})
    pad.reload()
    expect(pad.get_by_text("Alone: what you write is kept here")).to_be_attached()
    began = datetime.now(UTC)
    back(pad)
    arrived = kept(page, 3)
    assert datetime.now(UTC) - began < timedelta(seconds=2)
    assert [one["id"] for one in arrived] == [id for id, _ in in_store(pad)[2:]]
    is_saved(pad, ["aside", "aside", "stored", "stored", "stored"])
    expect(pad.get_by_role("button", name="For adults: 2 set aside")).to_be_visible()
    page.goto("/write")
    told = page.get_by_role("region", name="Set aside on pads")
    expect(told.get_by_role("listitem")).to_have_count(2)
    expect(told.get_by_role("listitem").first).to_contain_text("Bram")


def test_what_is_set_aside_is_let_go_at_the_pad_or_from_where_the_teacher_is(
    page: Page, pad: Page, lesson: int
) -> None:
    away(pad)
    write(pad, 2)
    is_saved(pad, ["waits"] * 2)
    in_store(pad, {0: {"target": "q"}, 1: {"target": "q"}})
    pad.reload()
    back(pad)
    aside = pad.get_by_role("button", name="For adults: 2 set aside")
    aside.click()
    dialog = pad.get_by_role("dialog", name="Set aside on this tablet")
    expect(dialog.get_by_role("img", name="q")).to_have_count(2)
    expect(dialog.get_by_role("listitem").first).to_contain_text("Bram, the letter q")
    dialog.get_by_role("button", name="Let it go").first.click()
    pad.get_by_role("button", name="Wipe it").click()
    is_saved(pad, ["aside"])
    page.goto("/write")
    told = page.get_by_role("region", name="Set aside on pads")
    for left in (1, 0):  # the one that is gone at the pad, and the one that is still there
        told.get_by_role("button", name="Let it go").first.click()
        page.get_by_role("button", name="Wipe it").click()
        expect(told.get_by_role("listitem")).to_have_count(left)
    is_saved(pad, [])
    expect(pad.get_by_role("button", name="For adults")).to_have_count(0)


def test_where_the_store_takes_no_more_ink_stays_and_is_kept_when_there_is_room(
    page: Page, pad: Page
) -> None:
    pad.context.add_init_script(FULL)
    pad.reload()
    pad.evaluate("sessionStorage.setItem('full', '1')")
    write(pad, 1)
    told = pad.get_by_text("This tablet cannot keep what is written")
    expect(told).to_be_attached()
    kept(page, 1)  # it is sent all the same
    away(pad)
    write(pad, 2)
    page.goto("/write")
    expect(page.get_by_text("One pad cannot keep what is written")).to_be_visible()
    pad.evaluate("sessionStorage.removeItem('full')")
    expect(told).to_have_count(0)
    is_saved(pad, ["stored", "waits", "waits"])
    pad.reload()
    back(pad)
    kept(page, 3)


def test_without_a_store_a_pad_opens_and_hands_in_and_says_so(page: Page, new_pad: NewPad) -> None:
    made = new_pad(NONE)
    sit(made, "Bram")
    expect(made.get_by_text("This tablet cannot keep what is written")).to_be_attached()
    write(made, 1)
    kept(page, 1)
    away(made)
    write(made, 1)
    back(made)
    kept(page, 2)


@pytest.mark.parametrize("ahead", [{"hours": 1}, {"days": 1}, {"days": -1}])
def test_a_clock_that_is_wrong_loses_no_letter_that_was_written_in_time(
    page: Page, new_pad: NewPad, lesson: int, ahead: dict[str, float]
) -> None:
    ms = timedelta(**ahead).total_seconds() * 1000
    made = new_pad(f"Date.now = ((now) => () => now() + {ms})(Date.now)")
    sit(made, "Bram")
    away(made)
    write(made, 2)
    page.request.delete(f"/api/write/lesson-code?lesson={lesson}")
    back(made)
    expect(made.get_by_text("The lesson is over.")).to_be_visible()
    page.request.post("/api/write/lesson-code", data={"lesson": lesson})
    kept(page, 2)
    assert page.request.get("/api/write/room").json()["set_aside"] == []


def test_a_pad_that_was_put_out_hands_in_once_it_is_in_again(
    page: Page, pad: Page, lesson: int
) -> None:
    away(pad)
    write(pad, 2)
    is_saved(pad, ["waits"] * 2)
    number = page.request.get("/api/write/pads").json()[0]["pad"]
    page.request.delete(f"/api/write/pads/{number}")
    back(pad)
    expect(pad.get_by_text("The lesson is over.")).to_be_visible()
    is_saved(pad, ["waits"] * 2)
    join_again(pad, open_to_pads(page, lesson))
    kept(page, 2)


def test_what_one_lesson_asked_for_arrives_from_the_next_and_is_its_own_childs(
    page: Page, pad: Page, lesson: int
) -> None:
    away(pad)
    write(pad, 1)
    write_n(pad)  # and one that was begun
    is_saved(pad, ["waits"])
    page.request.delete(f"/api/write/lesson-code?lesson={lesson}")
    other = page.request.post("/api/plan/lessons", data={"new": ["m"], "shape": "short"}).json()
    go_to(page, other["id"], "own")
    code = open_to_pads(page, other["id"])
    back(pad)
    pad.goto(f"/pad?code={code}")
    sit(pad, "Elif")
    expect(pad.get_by_role("application", name="Sheet for m")).to_be_visible()
    page.request.post("/api/write/lesson-code", data={"lesson": lesson})
    kept(page, 2)


def test_a_page_of_before_an_upgrade_gives_way_and_loses_no_stroke(
    browser: Browser, record: Path, tmp_path: Path
) -> None:
    built = tmp_path / "built"
    shutil.copytree(INTERFACE, built)
    database = Database(record)
    with InProcess(database, built) as running:
        teacher = browser.new_context(base_url=running.address)
        made = teacher.request.post("/api/plan/lessons", data={"new": ["n"], "shape": "short"})
        lesson = made.json()["id"]
        teacher.request.put(f"/api/show/lessons/{lesson}/place", data={"at": "own"})
        code = teacher.request.post("/api/write/lesson-code").json()["code"].replace(" ", "-")
        context = browser.new_context(base_url=running.address, has_touch=True)
        pad = context.new_page()
        pad.goto(f"/pad?code={code}")
        sit(pad, "Bram")
        pad.evaluate("navigator.serviceWorker.ready.then(() => true)")
        pad.reload()  # from now on the worker gives the page
        write_n(pad)
        upgrade(built)
        pad.evaluate("document.dispatchEvent(new Event('visibilitychange'))")  # a lid is opened
        pad.wait_for_selector("meta[name=build]", state="attached")
        expect(pad.get_by_role("application")).to_have_attribute("data-strokes", "1")
        for one in (context, teacher):
            one.close()
    database.close()


def upgrade(built: Path) -> None:
    """Another page, and a worker that knows it."""
    page, worker = built / "pad.html", built / "pad-worker.js"
    page.write_text(page.read_text().replace("</head>", '<meta name="build" content="2"></head>'))
    known = worker.read_text()
    assert known.count('url:"pad.html",revision:"') == 1
    worker.write_text(known.replace('url:"pad.html",revision:"', 'url:"pad.html",revision:"next'))
