"""The address of every screen, for what all of them are to keep to."""

from playwright.sync_api import Page

SCREENS = [
    "/plan/today",
    "/plan/sheet/1",
    "/plan/sheets",
    "/plan/sheets/1",
    "/plan/families",
    "/plan/letters/n",
    "/plan/words",
    "/plan/hand",
    "/plan/hand/ours",
    "/plan/hand/ours/Meadow%20Lane/r",
    "/plan/hand/ours/Meadow%20Lane/font",
    "/plan/joining",
    "/plan/ways",
    "/plan/class",
    "/show/n",
    "/write",
    "/write/tally",
    "/hand",
    "/write/n",
    "/write/text?kind=word&target=hen",
    "/check/n",
    "/check?kind=word",
    "/check/trust",
    "/check/paper",
    "/check/blind",
    "/grow",
    "/grow/groups",
    "/grow/child/2",
    "/grow/classes",
    "/settings",
    "/new-class",
]

SETTLED = """() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => {
  const told = [...document.querySelectorAll("[role=status]")];
  done(!told.some((one) => one.textContent.startsWith("Fetching")));
})))"""


def settled(page: Page) -> None:
    """Waits until a screen has all that it asked for, and has drawn it."""
    page.wait_for_function(SETTLED)
