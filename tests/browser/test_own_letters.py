"""Our own letters: written with the pen, understood, mended by keyboard, accepted; from then on the
board shows it so and it is checked so."""

from playwright.sync_api import Page, expect

from firstloop.core.evidence.ink import Ink
from tests import letters
from tests.browser.pen import write

HAND = "/plan/hand/ours/Meadow%20Lane"
Y = letters.ink(
    letters.pen((0, 1), (0.4, 0.05)), letters.pen((0.8, 1), (0.35, -0.5), (-0.15, -0.75))
)
SCRIBBLE = letters.ink(
    letters.pen(*((x % 0.9, (x * 7) % 1.9) for x in (at * 0.37 for at in range(40))))
)


def written(page: Page, letter: str, ink: Ink) -> None:
    page.goto(f"{HAND}/{letter}")
    write(page, ink)
    page.get_by_role("button", name="That is it").click()


def strokes_of(page: Page, letter: str) -> list[str]:
    asked = page.request.get(f"/api/plan/own-hands/Meadow%20Lane/letters/{letter}")
    strokes: list[str] = asked.json()["now"]["strokes"]
    return strokes


def test_a_letter_written_is_understood_accepted_shown_and_checked(page: Page) -> None:
    written(page, "y", Y)
    expect(page.get_by_text("Is this how it goes?")).to_be_visible()
    expect(page.get_by_text("Understood as your own form")).to_be_visible()
    moves = page.get_by_role("list", name="Moves").get_by_role("button")
    expect(moves).to_have_count(2)
    page.get_by_role("button", name="So it goes").click()
    expect(page.get_by_role("link", name="y, yours")).to_be_visible()
    expect(page.get_by_role("heading", name="z", exact=True)).to_be_visible()  # on to the next

    page.goto("/plan/hand")
    page.get_by_role("radio", name="Meadow Lane").click()
    with page.expect_response("**/api/plan/style"):
        page.get_by_role("button", name="Write like this").click()
    expect(page.get_by_role("button", name="Write like this")).to_be_disabled()
    shown = page.request.get("/api/show/letters/y").json()
    assert shown["strokes"][1][0]["points"][-1][1] < -0.6  # the tail as it was written
    page.goto("/show/y")
    expect(page.get_by_text("slope left").first).to_be_visible()

    page.goto("/write/y")
    write(page, Y)
    with page.expect_response("**/api/write/attempts") as handed:
        page.keyboard.press("Enter")
    assert "not_yet" not in handed.value.json()["checked"].values()


def test_a_scribble_is_refused_with_what_to_do(page: Page) -> None:
    written(page, "z", SCRIBBLE)
    expect(page.get_by_text("No z is seen in this")).to_be_visible()
    expect(page.get_by_text("No good one so far.")).to_be_visible()
    expect(page.get_by_role("button", name="So it goes")).to_be_disabled()
    page.get_by_role("button", name="Take back z number 1").click()
    expect(page.get_by_text("Lent by the hand")).to_be_visible()


def test_a_letter_is_mended_and_accepted_by_keyboard_alone(page: Page) -> None:
    page.goto(f"{HAND}/r")
    expect(page.get_by_text("Is this how it goes?")).to_be_visible()
    understood = page.request.get("/api/plan/own-hands/Meadow%20Lane/letters/r").json()
    undo = page.get_by_role("button", name="Undo")
    expect(undo).to_be_disabled()
    with page.expect_response("**/mended"):
        page.keyboard.press("ArrowUp")
    expect(undo).to_be_enabled()
    with page.expect_response("**/mended"):
        page.keyboard.press("ArrowUp")
    page.keyboard.press("z")
    page.keyboard.press("z")
    expect(undo).to_be_disabled()
    page.keyboard.press("n")
    page.keyboard.press("n")
    with page.expect_response("**/mended"):
        page.keyboard.press("s")
    expect(undo).to_be_enabled()
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="r, yours, mended")).to_be_visible()
    assert strokes_of(page, "r") != understood["understood"]["strokes"]


def test_what_a_letter_cannot_have_is_said(page: Page, complaints: list[str]) -> None:
    page.goto(f"{HAND}/l")
    expect(page.get_by_text("Yours, as you wrote it.")).to_be_visible()
    page.keyboard.press("b")
    expect(page.get_by_role("alert")).to_contain_text("goes back over nothing")
    complaints.clear()  # that the server refused it is what was asked


def test_a_hand_is_begun_and_typed_in(page: Page) -> None:
    page.goto("/plan/hand")
    page.get_by_role("link", name="Our own letters").click()
    page.get_by_label("Its name").fill("Reed Road")
    page.get_by_role("radio", name="Joined", exact=True).click()
    page.get_by_role("button", name="Begin writing").click()
    expect(page.get_by_role("heading", name="Reed Road")).to_be_visible()
    page.get_by_role("link", name="Joins").click()
    expect(page.get_by_text("546 of 676 pairs are joined.")).to_be_visible()
    page.get_by_role("link", name="As a font").click()
    page.get_by_role("button", name="Type in it here").click()
    line = page.get_by_label("Type in Reed Road")
    expect(line).to_be_visible()
    assert page.evaluate("document.fonts.check('20px \"tried solid\"')")
    with page.expect_download() as saved:
        page.get_by_role("link", name="Save the font").click()
    assert saved.value.suggested_filename == "Reed Road-solid.otf"
