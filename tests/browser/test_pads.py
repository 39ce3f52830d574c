"""A teacher and pads, each in a browser of its own: what is written arrives, whatever happens to
the network, and what the teacher does is followed."""

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser import pen
from tests.browser.pad_page import NewPad, away, back, done, go_to, kept, sit, write_n

pytestmark = pytest.mark.browser


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
    scope = pad.evaluate("navigator.serviceWorker.ready.then(({ scope }) => scope)")
    assert scope.endswith("/pad/")
    assert pad.url == scope  # and no secret stands in the address
    write_n(pad)
    done(pad)
    kept(page, 1)
    away(pad)
    for _ in range(2):
        write_n(pad)
        done(pad)
    expect(pad.get_by_text("Alone: what you write is kept here")).to_be_attached()
    pad.reload()  # a lid that was closed: it opens by itself
    expect(pad.get_by_role("application")).to_be_visible()
    expect(pad.get_by_text("Alone: what you write is kept here")).to_be_attached()
    kept(page, 1)
    back(pad)
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
    page.get_by_role("radio", name="Heard").click()
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
    for name in ("Try it big", "Show"):
        page.keyboard.press("PageUp")
        expect(phone.get_by_role("heading", level=1)).to_have_text(name)
    phone.get_by_role("button", name="Next part").click()
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
