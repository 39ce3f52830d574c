"""Writes on the pad of the page with real pointer events."""

import numpy as np
from playwright.sync_api import Page

from firstloop.core.evidence.ink import Ink

# As the pad lays out its ruling: room above the top line and below the drop line, u.
TOP, DROP, SPARE = 1.9, -0.95, 0.45


def write(page: Page, ink: Ink) -> None:
    """The ink at its height on the pad's lines, in the middle of the pad, by mouse."""
    box = page.get_by_role("application").bounding_box()
    assert box is not None
    unit = box["height"] / (TOP - DROP + 2 * SPARE)
    base = box["y"] + (TOP + SPARE) * unit
    left = box["x"] + box["width"] / 2
    for stroke in ink.strokes:
        # As close as a mouse tells a quick hand; each place is a journey to the browser and back.
        (x, y), *rest = np.vstack([stroke.points[:-1:4], stroke.points[-1:]]).tolist()
        page.mouse.move(left + x * unit, base - y * unit)
        page.mouse.down()
        for x, y in rest:
            page.mouse.move(left + x * unit, base - y * unit)
        page.mouse.up()


def stroke(page: Page, shares: list[tuple[float, float]]) -> None:
    """A stroke by mouse through places given as shares of the pad's width and height."""
    box = page.get_by_role("application").bounding_box()
    assert box is not None
    places = [(box["x"] + x * box["width"], box["y"] + y * box["height"]) for x, y in shares]
    page.mouse.move(*places[0])
    page.mouse.down()
    for place in places[1:]:
        page.mouse.move(*place)
    page.mouse.up()


def touch(page: Page, kind: str, points: list[tuple[float, float]]) -> None:
    """Pointer events of a kind (pen, touch) at pixels from the pad's top left."""
    page.get_by_role("application").evaluate(
        """(pad, [kind, points]) => {
            const box = pad.getBoundingClientRect();
            pad.setPointerCapture = () => undefined; // made-up pointers cannot be captured
            points.forEach(([x, y], at) => {
                const name = at === 0 ? "down" : at === points.length - 1 ? "up" : "move";
                pad.dispatchEvent(new PointerEvent("pointer" + name, {
                    pointerId: kind === "pen" ? 7 : 8, pointerType: kind, pressure: 0.5, button: 0,
                    clientX: box.left + x, clientY: box.top + y, bubbles: true, cancelable: true,
                }));
            });
        }""",
        [kind, points],
    )
