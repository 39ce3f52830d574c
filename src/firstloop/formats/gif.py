"""GIF out: a letter or word as it is written, over and over, to be sent home."""

from io import BytesIO

import numpy as np
from PIL import Image, ImageDraw

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
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
    pen, radius = ImageDraw.Draw(page), PEN_WIDTH / 2 * unit
    draw_rules(pen, rules(letter.ruling, 0.0, right - left), top, unit)
    whole = page.copy()
    for line in letter.inked():
        place = (line - np.array([left, 0.0])) * unit
        draw_line(ImageDraw.Draw(whole), place, top * unit, radius=radius)
    palette = whole.reduce(OVERSAMPLING).quantize(COLOURS)
    seen = _quantized(page, palette)
    frames, shown = [seen.copy()], [0.0]
    movement = movement_of(letter)
    drawing = sum(end - start for start, end in movement.moves)
    step = max(FRAME, drawing / MOST_FRAMES)
    for move, (start, end) in zip(letter.moves, movement.moves, strict=True):
        count = max(2, round((end - start) / step) + 1)
        path = (polyline.resample(move.ink, 8 * (count - 1) + 1) - np.array([left, 0.0])) * unit
        for at in range(count - 1):
            part = path[8 * at : 8 * at + 9]
            draw_line(pen, part, top * unit, radius=radius)
            box = _around(part, top * unit, radius + OVERSAMPLING, page.size)
            seen.paste(
                _quantized(page, palette, box), (box[0] // OVERSAMPLING, box[1] // OVERSAMPLING)
            )
            frames.append(seen.copy())
            shown.append(start + (end - start) * (at + 1) / (count - 1))
    return _file(frames, _durations(shown, movement))


Box = tuple[int, int, int, int]
"""Left, top, right, bottom, in pixels."""


def _quantized(page: Image.Image, palette: Image.Image, box: Box | None = None) -> Image.Image:
    """A part of the page as it is seen, in the colours of the whole."""
    return page.reduce(OVERSAMPLING, box).quantize(palette=palette, dither=Image.Dither.NONE)


def _around(part: FloatArray, base: float, margin: float, size: tuple[int, int]) -> Box:
    """Where a part of a line changes the page, to whole pixels of what is seen: only there is it
    looked at anew, which makes a long word in a tenth of the time."""
    x, y = part[:, 0], base - part[:, 1]
    first = np.floor(np.array([x.min() - margin, y.min() - margin]) / OVERSAMPLING)
    last = np.ceil(np.array([x.max() + margin, y.max() + margin]) / OVERSAMPLING)
    left, top = np.maximum(first, 0).astype(int).tolist()
    right, bottom = np.minimum(last * OVERSAMPLING, size).astype(int).tolist()
    return left * OVERSAMPLING, top * OVERSAMPLING, right, bottom


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
