"""GIF out: a letter or word as it is written, over and over, to be sent home."""

from io import BytesIO

import numpy as np
from PIL import Image, ImageDraw

from firstloop.core.geometry import polyline
from firstloop.core.letters import Letter
from firstloop.core.letters.pace import Movement, movement_of
from firstloop.core.letters.ruling import rules
from firstloop.formats.png import OVERSAMPLING, draw_line, draw_rules
from firstloop.formats.svg import PAPER, PEN_WIDTH, page_of

LARGEST_UNIT, WIDEST = 72, 720
"""Pixels of one u, and of the whole picture: what goes into a message to a phone."""

FRAME, MOST_FRAMES = 0.08, 160
"""Seconds a frame is shown while the pen moves, longer where there would be more frames."""

COLOURS = 16
"""Ink, paper, rule and what softens their edges."""


def written(letter: Letter) -> bytes:
    """A letter or word on its lines, written move by move, over and over, as a GIF file."""
    left, right, bottom, top = page_of(letter)
    unit = min(LARGEST_UNIT, WIDEST / (right - left)) * OVERSAMPLING
    page = Image.new("RGB", (round((right - left) * unit), round((top - bottom) * unit)), PAPER)
    pen = ImageDraw.Draw(page)
    draw_rules(pen, rules(letter.ruling, 0.0, right - left), top, unit)
    frames, shown = [_frame(page)], [0.0]
    movement = movement_of(letter)
    drawing = sum(end - start for start, end in movement.moves)
    step = max(FRAME, drawing / MOST_FRAMES)
    for move, (start, end) in zip(letter.moves, movement.moves, strict=True):
        count = max(2, round((end - start) / step) + 1)
        path = (polyline.resample(move.ink, 8 * (count - 1) + 1) - np.array([left, 0.0])) * unit
        for at in range(count - 1):
            part = path[8 * at : 8 * at + 9]
            draw_line(pen, part, top * unit, radius=PEN_WIDTH / 2 * unit)
            frames.append(_frame(page))
            shown.append(start + (end - start) * (at + 1) / (count - 1))
    return _file(frames, _durations(shown, movement))


def _frame(page: Image.Image) -> Image.Image:
    return page.reduce(OVERSAMPLING).quantize(COLOURS)


def _durations(shown: list[float], movement: Movement) -> list[int]:
    """Milliseconds that each frame stays: until the next is shown, the last to the end. A GIF
    counts in hundredths; moments are rounded to them, not durations, so that none is lost."""
    hundredths = np.rint(np.array([*shown, movement.whole]) * 100)
    return [10 * max(1, round(one)) for one in np.diff(hundredths).tolist()]


def _file(frames: list[Image.Image], durations: list[int]) -> bytes:
    file = BytesIO()
    first, *rest = frames
    first.save(file, "GIF", save_all=True, append_images=rest, duration=durations, loop=0)
    return file.getvalue()
