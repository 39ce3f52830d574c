"""Ink as a scanner would see it: black on white, with its ruling known."""

from collections.abc import Iterable
from typing import Any

import numpy as np
from PIL import Image, ImageDraw

from firstloop.core.evidence.image import LetterImage

X_HEIGHT, PEN, MARGIN = 40.0, 5, 20


def scanned(strokes: Iterable[Any], x_height: float = X_HEIGHT, pen: int = PEN) -> LetterImage:
    """The strokes drawn with a pencil line, by default of an eighth of the body."""
    strokes = list(strokes)
    every = np.vstack(strokes)
    left, base = float(every[:, 0].min()), 3.2 * x_height
    width = int(np.ptp(every[:, 0]) * x_height) + 2 * MARGIN
    picture = Image.new("1", (width, int(5.4 * x_height)))
    drawn = ImageDraw.Draw(picture)
    for stroke in strokes:
        places = [((x - left) * x_height + MARGIN, base - y * x_height) for x, y in stroke]
        drawn.line(places, 1, pen)
        for x, y in places:
            drawn.ellipse((x - pen / 2, y - pen / 2, x + pen / 2, y + pen / 2), 1)
    return LetterImage(np.asarray(picture), base, x_height)
