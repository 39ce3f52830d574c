"""GIF out: a letter or word as it is written, over and over, to be sent home."""

from io import BytesIO

import numpy as np
from PIL import Image, ImageDraw

from firstloop.core import polyline
from firstloop.core.letterforms import Letter
from firstloop.core.movement import Movement, movement_of
from firstloop.core.ruling import Line, LineLook
from firstloop.formats.png import OVERSAMPLING, draw_line
from firstloop.formats.svg import PAPER, PEN_WIDTH, RULE, page_of, rule_width

LARGEST_UNIT, WIDEST = 72, 720
"""Pixels of one u, and of the whole picture: what goes into a message to a phone."""

FRAME, MOST_FRAMES = 0.08, 160
"""Seconds a frame is shown while the pen moves, longer where there would be more frames."""

COLOURS = 16
"""Ink, paper, rule and what softens their edges."""

DASH = 0.14
"""u of a dash, and of the gap after it."""


def written(letter: Letter) -> bytes:
    """A letter or word on its lines, written move by move, over and over, as a GIF file."""
    left, right, bottom, top = page_of(letter)
    unit = min(LARGEST_UNIT, WIDEST / (right - left)) * OVERSAMPLING
    page = Image.new("RGB", (round((right - left) * unit), round((top - bottom) * unit)), PAPER)
    pen = ImageDraw.Draw(page)
    _rule(pen, letter, unit, top, page.width)
    frames, shown = [_frame(page)], [0.0]
    movement = movement_of(letter)
    drawing = sum(end - start for start, end in movement.moves)
    step = max(FRAME, drawing / MOST_FRAMES)
    for move, (start, end) in zip(letter.moves, movement.moves, strict=True):
        count = max(2, round((end - start) / step) + 1)
        path = (polyline.resample(move.points, 8 * (count - 1) + 1) - np.array([left, 0.0])) * unit
        for at in range(count - 1):
            part = path[8 * at : 8 * at + 9]
            draw_line(pen, part, top * unit, radius=PEN_WIDTH / 2 * unit)
            frames.append(_frame(page))
            shown.append(start + (end - start) * (at + 1) / (count - 1))
    return _file(frames, _durations(shown, movement))


def _rule(pen: ImageDraw.ImageDraw, letter: Letter, unit: float, top: float, width: int) -> None:
    """The lines of the ruling that are seen."""
    for line in Line:
        look = letter.ruling.look(line)
        if look is LineLook.HIDDEN:
            continue
        y, dash = (top - letter.ruling.height(line)) * unit, DASH * unit
        starts = np.arange(0, width, 2 * dash).tolist() if look is LineLook.DASHED else [0]
        length = dash if look is LineLook.DASHED else width
        for x in starts:
            pen.line([(x, y), (x + length, y)], RULE, max(1, round(rule_width(line) * unit)))


def _frame(page: Image.Image) -> Image.Image:
    return page.reduce(OVERSAMPLING).quantize(COLOURS)


def _durations(shown: list[float], movement: Movement) -> list[int]:
    """Milliseconds that each frame stays: until the next is shown, the last to the end."""
    milliseconds = np.diff([*shown, movement.whole]) * 1000
    return [max(10, round(one)) for one in milliseconds.tolist()]


def _file(frames: list[Image.Image], durations: list[int]) -> bytes:
    file = BytesIO()
    first, *rest = frames
    first.save(file, "GIF", save_all=True, append_images=rest, duration=durations, loop=0)
    return file.getvalue()
