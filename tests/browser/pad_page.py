"""A pad in a browser of its own: how it comes in, is written on, and loses the network."""

from collections.abc import Callable
from typing import Any

from playwright.sync_api import BrowserContext, Page, expect

TABLET = (1024, 768)
SHARP_N = [(0.0, 1.0), (0.0, 0.5), (0.0, 0.0), (0.0, 0.5), (0.1, 0.8), (0.3, 1.0), (0.5, 0.9),
           (0.6, 0.6), (0.6, 0.0)]  # fmt: skip
CELL_HEIGHT, BASE = 1.9 + 0.95 + 0.9 - 0.24, 1.9 + 0.45 - 0.12
"""u: of the cell that is written in, and its base line from its top."""

NewPad = Callable[..., Page]
"""Opens one; a script may be given that is run before its page, and whose seat it is."""


def go_to(page: Page, lesson: int, step: str) -> None:
    put = page.request.put(f"/api/show/lessons/{lesson}/place", data={"at": step})
    assert put.status == 204


def sit(pad: Page, name: str) -> None:
    pad.get_by_role("button", name=name).click()
    expect(pad.get_by_role("application")).to_be_visible()


def take_seat(context: BrowserContext, code: str, name: str) -> None:
    """Comes in and takes a child's tile, without the pages for that."""
    joined = context.request.post("/api/pad/join", data={"code": code}).json()
    (pupil,) = [one["id"] for one in joined["pupils"] if one["name"] == name]
    assert context.request.post("/api/pad/pupil", data={"pupil": pupil}).ok


def away(pad: Page) -> None:
    """The network is gone, also for a page that is loaded meanwhile."""
    pad.context.set_offline(True)
    pad.context.route("**/api/**", lambda route: route.abort())


def back(pad: Page) -> None:
    """The network is there again."""
    pad.context.unroute("**/api/**")
    pad.context.set_offline(False)


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

    for _ in range(300):
        if total() == count:
            break
        page.wait_for_timeout(100)
    assert len(found) == count, [(one["at"], one["struck"]) for one in found]
    return found
