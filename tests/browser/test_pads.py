"""A teacher and pads, each in a browser of its own: what is written arrives, whatever happens to
the network, and what the teacher does is followed."""

from collections.abc import Callable, Iterator
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from tests.browser import pen

pytestmark = pytest.mark.browser

TABLET = (1024, 768)
SHARP_N = [(0.0, 1.0), (0.0, 0.5), (0.0, 0.0), (0.0, 0.5), (0.1, 0.8), (0.3, 1.0), (0.5, 0.9),
           (0.6, 0.6), (0.6, 0.0)]  # fmt: skip
CELL_HEIGHT, BASE = 1.9 + 0.95 + 0.9 - 0.24, 1.9 + 0.45 - 0.12
"""u: of the cell that is written in, and its base line from its top."""

NewPad = Callable[[], Page]


@pytest.fixture
def lesson(page: Page) -> int:
    """Today's on n, at the children's own letters; no board is open."""
    made = page.request.post("/api/plan/lessons", data={"new": ["n"], "shape": "short"})
    number = int(made.json()["id"])
    go_to(page, number, "own")
    return number


def go_to(page: Page, lesson: int, step: str) -> None:
    put = page.request.put(f"/api/show/lessons/{lesson}/place", data={"at": step})
    assert put.status == 204


@pytest.fixture
def new_pad(browser: Browser, page: Page, address: str, lesson: int) -> Iterator[NewPad]:
    """Pads that come in by the square on the board; each is another browser."""
    opened: list[BrowserContext] = []
    code = page.request.post("/api/write/lesson-code", data={"lesson": lesson}).json()["code"]

    def pad() -> Page:
        width, height = TABLET
        context = browser.new_context(
            base_url=address, viewport={"width": width, "height": height}, has_touch=True
        )
        opened.append(context)
        made = context.new_page()
        made.goto(f"/pad?code={code.replace(' ', '-')}")
        return made

    yield pad
    for one in opened:
        one.close()


def sit(pad: Page, name: str) -> None:
    pad.get_by_role("button", name=name).click()
    expect(pad.get_by_role("application")).to_be_visible()


@pytest.fixture
def pad(new_pad: NewPad) -> Page:
    made = new_pad()
    sit(made, "Bram")
    return made


def write_n(pad: Page, points: list[tuple[float, float]] = SHARP_N) -> None:
    """By mouse, in the cell that is to be written in."""
    cell = pad.locator("[data-active-cell]").bounding_box()
    assert cell is not None
    unit = cell["height"] / CELL_HEIGHT
    left, base = cell["x"] + cell["width"] / 2 - 0.3 * unit, cell["y"] + BASE * unit
    before = strokes_on(pad)
    pad.mouse.move(left + points[0][0] * unit, base - points[0][1] * unit)
    pad.mouse.down()
    for x, y in points[1:]:
        pad.mouse.move(left + x * unit, base - y * unit, steps=3)
    pad.mouse.up()
    expect(pad.get_by_role("application")).to_have_attribute("data-strokes", str(before + 1))


def strokes_on(pad: Page) -> int:
    return int(pad.get_by_role("application").get_attribute("data-strokes") or 0)


def done(pad: Page, button: str = "Done") -> None:
    pad.get_by_role("button", name=button).click()
    expect(pad.get_by_role("application")).to_have_attribute("data-strokes", "0")


def kept(page: Page, count: int) -> list[dict[str, Any]]:
    """The n of Bram that are in the record, once there are so many."""
    found: list[dict[str, Any]] = []

    def total() -> int:
        answer = page.request.get("/api/write/room").json()
        child = next(one for one in answer["children"] if one["who"]["name"] == "Bram")
        found[:] = child["newest"]
        return len(found)

    for _ in range(100):
        if total() == count:
            break
        page.wait_for_timeout(100)
    assert len(found) == count
    return found


def test_what_is_written_is_seen_and_the_pad_follows_the_lesson(
    page: Page, pad: Page, lesson: int
) -> None:
    page.goto("/write")
    card = page.get_by_role("button", name="Bram")
    expect(card).to_contain_text("not begun")
    for _ in range(2):
        write_n(pad)
        done(pad)
    expect(card.get_by_role("img", name="n")).to_have_count(2)
    expect(card).to_contain_text("writing")
    go_to(page, lesson, "best")
    pad.get_by_role("button", name="2. n").click()
    expect(card.get_by_role("img", name="n, chosen as the best")).to_be_visible()
    page.get_by_role("button", name="Look at the board").click()
    expect(pad.get_by_role("status").filter(has_text="Look at the board")).to_be_visible()
    go_to(page, lesson, "show")
    expect(pad.get_by_role("application")).to_have_count(0)


def test_alone_it_keeps_what_is_written_and_hands_it_in_when_the_network_is_back(
    page: Page, pad: Page
) -> None:
    pad.evaluate("navigator.serviceWorker.ready.then(() => true)")
    write_n(pad)
    done(pad)
    kept(page, 1)
    pad.context.set_offline(True)
    for _ in range(2):
        write_n(pad)
        done(pad)
    expect(pad.get_by_text("Alone: what you write is kept here")).to_be_attached()
    pad.reload()  # a lid that was closed: it opens by itself
    expect(pad.get_by_role("application")).to_be_visible()
    expect(pad.get_by_text("Alone: what you write is kept here")).to_be_attached()
    kept(page, 1)
    pad.context.set_offline(False)
    assert len({one["id"] for one in kept(page, 3)}) == 3
    expect(pad.get_by_text("Alone: what you write is kept here")).to_have_count(0)


def test_reloaded_in_mid_letter_nothing_of_it_is_lost(page: Page, pad: Page) -> None:
    write_n(pad, [(0.0, 1.0), (0.0, 0.5), (0.0, 0.0)])
    pad.reload()
    sheet = pad.get_by_role("application")
    expect(sheet).to_have_attribute("data-strokes", "1")
    pad.set_viewport_size({"width": 768, "height": 1024})  # and turned
    write_n(pad, [(0.0, 0.4), (0.2, 1.0), (0.5, 0.9), (0.6, 0.5), (0.6, 0.0)])
    done(pad)
    (letter,) = kept(page, 1)
    assert len(letter["picture"]["strokes"]) == 2
    xs = [x for stroke in letter["picture"]["strokes"] for x, _ in stroke]
    assert max(xs) - min(xs) < 1.2  # in u, however the pad lay


def test_a_letter_is_struck_through_and_the_next_one_begun(page: Page, pad: Page) -> None:
    write_n(pad)
    done(pad, "Strike it through")
    write_n(pad)
    done(pad)
    struck, good = kept(page, 2)
    assert (struck["struck"], struck["verdict"], good["struck"]) == (True, None, False)
    expect(pad.get_by_role("button", name="Last stroke away")).to_have_count(0)


def test_the_next_letter_is_begun_in_the_next_cell(page: Page, pad: Page) -> None:
    write_n(pad)
    cell = pad.locator("[data-active-cell]").bounding_box()
    assert cell is not None
    middle = cell["y"] + cell["height"] / 2
    pad.mouse.move(cell["x"] + 1.4 * cell["width"], middle - 40)
    pad.mouse.down()
    pad.mouse.move(cell["x"] + 1.4 * cell["width"], middle + 40, steps=4)
    pad.mouse.up()
    kept(page, 1)
    expect(pad.get_by_role("application")).to_have_attribute("data-strokes", "1")


def test_when_the_step_ends_what_was_being_written_is_handed_in(
    page: Page, pad: Page, lesson: int
) -> None:
    write_n(pad)
    go_to(page, lesson, "best")
    kept(page, 1)
    expect(pad.get_by_role("button", name="1. n")).to_be_visible()


def test_when_the_lesson_ends_a_letter_that_was_begun_is_still_taken(
    page: Page, pad: Page, lesson: int
) -> None:
    write_n(pad)
    page.request.delete(f"/api/write/lesson-code?lesson={lesson}")
    expect(pad.get_by_text("The lesson is over.")).to_be_visible()
    page.request.post("/api/write/lesson-code", data={"lesson": lesson})
    kept(page, 1)


def test_a_palm_that_lay_there_before_the_pen_came_is_no_stroke(pad: Page) -> None:
    sheet = pad.get_by_role("application")
    sheet.evaluate(
        """(pad) => {
            const box = pad.getBoundingClientRect();
            pad.setPointerCapture = () => undefined;
            const send = (name, kind, x, y) =>
              pad.dispatchEvent(new PointerEvent("pointer" + name, {
                pointerId: kind === "pen" ? 7 : 8, pointerType: kind, pressure: 0.5, button: 0,
                clientX: box.left + x, clientY: box.top + y, bubbles: true, cancelable: true,
              }));
            send("down", "touch", 300, 300); send("move", "touch", 305, 305);
            send("down", "pen", 120, 200); send("move", "pen", 120, 260);
            send("up", "touch", 305, 305); send("up", "pen", 120, 260);
        }"""
    )
    expect(sheet).to_have_attribute("data-strokes", "1")
    pen.touch(pad, "touch", [(300, 300), (310, 310), (320, 320)])
    expect(sheet).to_have_attribute("data-strokes", "1")


def test_one_tablet_is_passed_around(page: Page, pad: Page) -> None:
    write_n(pad)
    done(pad)
    pad.get_by_role("button", name="Bram: pass the pad on").click()
    sit(pad, "Elif")
    expect(pad.get_by_role("button", name="Elif: pass the pad on")).to_be_visible()
    write_n(pad)
    done(pad)
    page.goto("/write")
    for name in ("Bram", "Elif"):
        expect(page.get_by_role("button", name=name).get_by_role("img", name="n")).to_have_count(1)


def test_a_tile_is_one_pads_and_the_teacher_frees_it(
    page: Page, pad: Page, new_pad: NewPad
) -> None:
    other = new_pad()
    expect(other.get_by_role("button", name="Bram")).to_be_disabled()
    page.goto("/write")
    page.get_by_role("button", name="Bram").click()
    page.get_by_role("button", name="Free the tile").click()
    expect(pad.get_by_role("heading", name="Who are you?")).to_be_visible()
    other.reload()
    sit(other, "Bram")


def test_a_pad_of_an_earlier_lesson_waits_for_the_nod(page: Page, pad: Page, lesson: int) -> None:
    page.request.delete(f"/api/write/lesson-code?lesson={lesson}")
    expect(pad.get_by_text("The lesson is over.")).to_be_visible()
    page.request.post("/api/write/lesson-code", data={"lesson": lesson})
    pad.get_by_role("button", name="To the next lesson").click()
    expect(pad.get_by_text("Your teacher lets you in.")).to_be_visible()
    page.goto("/write")
    page.get_by_role("button", name="Let it in").click()
    expect(pad.get_by_role("heading", name="Who are you?")).to_be_visible()


def test_from_memory_nothing_is_shown_and_the_word_is_seen_only_in_her_hand(
    page: Page, pad: Page, lesson: int
) -> None:
    for change in (
        {"do": "words", "words": ["hen"]},
        {"do": "skip", "kind": "words", "skipped": False},
    ):
        assert page.request.post(f"/api/plan/lessons/{lesson}/changes", data=change).ok
    assert page.request.put("/api/plan/prompts/hen/tile", data={"tile": "snail"}).ok
    go_to(page, lesson, "words")
    expect(pad.get_by_role("button", name="See it written")).to_be_visible()
    page.goto("/plan/ways")
    page.get_by_role("radio", name="From memory").click()
    expect(pad.get_by_role("button", name="See it written")).to_have_count(0)
    expect(pad.locator("img[src^='/api/pad/prompts/']")).to_be_visible()
    page.goto("/hand")
    expect(page.get_by_text("To dictate; only you see this:")).to_be_visible()
    expect(page.get_by_text("3 sounds")).to_be_visible()


def test_the_board_is_sent_on_from_her_hand(
    browser: Browser, page: Page, address: str, lesson: int
) -> None:
    page.goto(f"/show/lesson/{lesson}")
    expect(page.get_by_role("heading", level=1)).to_have_text("Trace, finish, own")
    phone = browser.new_page(base_url=address, viewport={"width": 390, "height": 844})
    phone.goto("/hand")
    phone.get_by_role("button", name="Back").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Slips to spot")
    page.keyboard.press("PageUp")
    expect(phone.get_by_role("heading", level=1)).to_have_text("Show")
    phone.get_by_role("button", name="Go on within").click()
    expect(page.get_by_role("button", name="Pause")).to_be_visible()
    phone.close()


def test_the_board_shows_how_pads_come_in(page: Page, lesson: int) -> None:
    page.goto(f"/show/lesson/{lesson}")
    page.get_by_role("button", name="Pads").wait_for()
    page.keyboard.press("p")
    dialog = page.get_by_role("dialog", name="Pads come in")
    expect(dialog.get_by_role("img")).to_be_visible()
    expect(dialog.get_by_text("/pad")).to_be_visible()
    page.keyboard.press("Escape")
    expect(dialog).to_have_count(0)
