"""Takes docs/screenshots/*.png from the demo data, 1280x800, through the real built interface."""

import re
import subprocess
import sys
import tempfile
from collections.abc import Callable
from math import cos, pi, sin
from pathlib import Path
from typing import Any
from urllib.parse import urljoin

import numpy as np
from playwright.sync_api import Browser, Page, sync_playwright
from scripts.served import COMMAND, demo_server, launch_chromium

from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.letters import PLAIN
from firstloop.demo.load import RULING
from firstloop.demo.pad_client import Json, PadClient
from firstloop.demo.playing import Play, play

FOLDER = Path(__file__).parents[1] / "docs" / "screenshots"


def _show(page: Page) -> None:
    page.get_by_role("button", name="Next move").click()


def write_n_from_the_base_line(page: Page) -> None:
    """Writes an n on the page's pad, begun at its foot."""
    box = page.get_by_role("application").bounding_box()
    assert box is not None
    x, foot = box["x"] + box["width"] * 0.5, box["y"] + box["height"] * 0.627
    head = box["y"] + box["height"] * 0.362
    turn = [(50 - 50 * cos(pi * at / 30), sin(pi * at / 30)) for at in range(31)]
    path = [
        *((0.0, foot + 0.7 * (head - foot) * at / 20) for at in range(21)),
        *((dx, foot + (0.7 + 0.3 * up) * (head - foot)) for dx, up in turn),
        *((100.0, foot + 0.7 * (head - foot) * (1 - at / 20)) for at in range(21)),
    ]
    page.mouse.move(x, foot)
    page.mouse.down()
    for dx, y in path:
        page.mouse.move(x + dx, y)
    page.mouse.up()


def _check(page: Page) -> None:
    for key in ("ArrowRight", "ArrowRight", "x"):
        page.keyboard.press(key)
    page.get_by_role("button", name="not so", pressed=True).wait_for()


def _texts(page: Page) -> None:
    """A word whose double differs, its letter taken up."""
    page.get_by_role("button", name="hammer by Anouk").click()
    page.get_by_role("heading", name="Anouk: word hammer").wait_for()


def _trust(page: Page) -> None:
    """After a pile is agreed to, and some letters are judged one by one."""
    page.get_by_role("button", name="Compare").wait_for()
    for key in "g" + "axaaa" * 3:
        with page.expect_response("**/api/check/words"):
            page.keyboard.press(key)
        if key == "x":
            page.keyboard.press("ArrowRight")
    page.get_by_role("link", name="How far to trust it").click()
    page.get_by_role("table").wait_for()


def _hand(page: Page) -> None:
    page.get_by_role("radio", name="Joined", exact=True).click()
    page.get_by_role("radio", name="z: barred").wait_for()
    with page.expect_response("**/api/plan/preview"):
        page.get_by_role("radio", name="z: barred").click()
    page.get_by_role("radio", name="z: barred", checked=True).wait_for()
    page.wait_for_load_state("networkidle")


def _today(page: Page) -> None:
    page.get_by_role("radio", name="Full").click()
    page.get_by_role("button", name="Plan the lesson on").click()
    page.get_by_role("heading", name="Lesson on").wait_for()
    page.wait_for_load_state("networkidle")


def _lesson(page: Page) -> None:
    page.get_by_role("link", name="To the board").click()
    page.get_by_role("list", name="Steps").get_by_role("button", name="Slips to spot").click()
    page.get_by_role("button", name="Letter 1").click()
    page.wait_for_load_state("networkidle")


def _words(page: Page) -> None:
    page.get_by_label("Begin with").fill("had")
    page.get_by_role("region", name="Missing pairs").get_by_role("button").nth(4).click()
    field = page.get_by_label("A new word")
    for word in ("heron", "millpond"):
        field.fill(word)
        field.press("Enter")
        page.get_by_role("button", name=f"Forget {word}").wait_for()
    page.mouse.move(0, 0)
    page.get_by_label("A word or letter").fill("hen")


def _opened(page: Page, step: str) -> str:
    """The code of today's lesson, which is at a step."""
    lesson = page.request.post(urljoin(page.url, "/api/write/lesson-code"), data={}).json()
    place = urljoin(page.url, f"/api/show/lessons/{lesson['lesson']}/place")
    page.request.put(place, data={"at": step})
    return str(lesson["code"])


def _room(page: Page) -> None:
    """Ten of twelve children write."""
    code = _opened(page, "own")
    how = Play(count=10, seconds=9.0, every_s=1.0, gaps=0.0, repeats=0.0, struck=0.1)
    made: list[PadClient] = []

    def pad() -> PadClient:
        made.append(_Staying(urljoin(page.url, "/").rstrip("/")))
        return made[-1]

    play(page.url, code, how, pad=pad)
    page.get_by_role("button", name="Bram").click()
    page.get_by_role("button", name="Show the movement", exact=True).wait_for()


class _Staying(PadClient):
    """Does not leave when it has written."""

    def ask(self, method: str, path: str, body: Json | None = None) -> tuple[int, Any]:
        return (200, None) if path.endswith("/leave") else super().ask(method, path, body)


def _remote(page: Page) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    _opened(page, "show")
    page.get_by_role("region", name="Who needs a look").wait_for()


def _pad(page: Page) -> None:
    """Luc writes an n of his own after two, one of them struck through."""
    page.set_viewport_size({"width": 1024, "height": 768})
    code = _opened(page, "own").replace(" ", "-")
    page.goto(urljoin(page.url, f"/pad?code={code}"))
    page.get_by_role("button", name="Luc").click()
    for way in ("Done",) * 7 + ("Strike it through", "Done", ""):
        _write_in_the_cell(page)
        if way:
            page.get_by_role("button", name=way).click()
            page.wait_for_timeout(400)


def _write_in_the_cell(page: Page) -> None:
    cell = page.locator("[data-active-cell]").bounding_box()
    assert cell is not None
    rng = np.random.default_rng(round(cell["x"]))
    ink = write(PLAIN.scripts["i"], PLAIN, RULING, draw_pupil(rng, steadiness=0.8), rng)
    unit = cell["height"] / (RULING.top - RULING.drop + 0.66)
    left, base = cell["x"] + cell["width"] / 2, cell["y"] + (RULING.top + 0.33) * unit
    for stroke in ink.strokes:
        (x, y), *rest = stroke.points[::2].tolist()
        page.mouse.move(left + x * unit, base - y * unit)
        page.mouse.down()
        for x, y in rest:
            page.mouse.move(left + x * unit, base - y * unit)
        page.mouse.up()


def _sheets(page: Page) -> None:
    page.get_by_role("img", name="Page 1 as it is printed").wait_for()


def _grow(page: Page) -> None:
    page.get_by_role("gridcell", name=re.compile("^Bram, m:")).click()


def _child(page: Page) -> None:
    page.get_by_role("combobox", name="Something seen").click()
    page.get_by_role("option", name="presses hard").click()
    page.get_by_text("Look again on").wait_for()


def _paper(page: Page) -> None:
    """A class's sheets read, a letter of one opened."""
    with tempfile.TemporaryDirectory() as folder:
        kept = page.request.get(urljoin(page.url, "/api/school")).json()["kept"]["file"]
        taken = [COMMAND, "photograph", "--db", kept, "--out", folder]
        subprocess.run(taken, check=True, capture_output=True)
        files = sorted(str(one) for one in Path(folder).iterdir())
        page.get_by_label("Choose files").set_input_files(files)
        page.get_by_text("JPEG, HEIC, PNG").wait_for(timeout=120_000)
    page.get_by_role("list", name="Pages").get_by_role("button", name="Celia").click()
    read = page.get_by_role("group", name="What was read, cell by cell")
    read.get_by_role("button", name=re.compile("not yet")).first.click()


VIEWS: dict[str, tuple[str, Callable[[Page], None]]] = {
    "today": ("/plan/today", _today),
    "lesson": ("/plan/today", _lesson),  # the one that was planned for the picture before
    "words": ("/plan/words", _words),
    "families": ("/plan/families", lambda page: page.locator('[data-letter="e"]').click()),
    "letter": ("/plan/letters/n", lambda _: None),
    "sheets": ("/plan/sheets/1", _sheets),
    "hand": ("/plan/hand", _hand),
    "ours": ("/plan/hand/ours/Meadow%20Lane/k", lambda _: None),
    "show": ("/show/n", _show),
    "check": ("/check/m", _check),
    "texts": ("/check?kind=word", _texts),
    "trust": ("/check/m", _trust),
    "grow": ("/grow", _grow),
    "groups": ("/grow/groups", lambda _: None),
    "child": ("/grow/child/2", _child),
    "paper": ("/check/paper", _paper),  # from here on they add to the record
    "write": ("/write", _room),
    "remote": ("/hand", _remote),
    "pad": ("/pad", _pad),
}


def main() -> None:
    wanted = sys.argv[1:] or list(VIEWS)
    FOLDER.mkdir(parents=True, exist_ok=True)
    with sync_playwright() as playwright, demo_server() as address:
        browser = launch_chromium(playwright)
        for name in [name for name in VIEWS if name in wanted]:
            _take(browser, address, name, *VIEWS[name])
        browser.close()


def _take(
    browser: Browser, address: str, name: str, place: str, prepare: Callable[[Page], None]
) -> None:
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.goto(address + place, wait_until="networkidle")
    prepare(page)
    page.wait_for_load_state("networkidle")
    page.screenshot(path=FOLDER / f"{name}.png")
    page.close()
    print(f"docs/screenshots/{name}.png")


if __name__ == "__main__":
    main()
