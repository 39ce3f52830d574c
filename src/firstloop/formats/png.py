"""PNG out: a whole hand on one sheet, as a picture."""

from collections.abc import Iterable
from io import BytesIO

import numpy as np
from PIL import Image, ImageDraw

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.letters.ruling import Rule, Ruling, rules
from firstloop.core.text import specimen
from firstloop.formats.svg import INK, PAPER, PEN_WIDTH, PIXELS_PER_U, ink_of

OVERSAMPLING = 3
"""Drawn this much larger and scaled down, for Pillow's lines have no soft edges."""


def specimen_sheet(hand: Hand, ruling: Ruling) -> bytes:
    """The whole hand on one sheet, as a PNG file."""
    laid = specimen.specimen_sheet(hand, ruling)
    scale = PIXELS_PER_U * OVERSAMPLING
    size = (round(specimen.WIDTH * scale), round(laid.height * scale))
    image = Image.new("RGB", size, PAPER)
    pen = ImageDraw.Draw(image)
    for base, lines in laid.rows:
        draw_rules(pen, rules(ruling, 0.0, specimen.WIDTH), base, scale)
        for points in lines:
            draw_line(pen, points * scale, base * scale, radius=PEN_WIDTH / 2 * scale)
    file = BytesIO()
    image.reduce(OVERSAMPLING).save(file, "PNG")
    return file.getvalue()


def draw_rules(pen: ImageDraw.ImageDraw, ruled: Iterable[Rule], base: float, unit: float) -> None:
    """Ruled lines, y up from `base` (u from the picture's top), so many pixels a u."""
    for rule in ruled:
        (x0, y0), (x1, y1) = rule.start, rule.end
        weight = max(1, round(rule.weight * unit))
        step = 2 * rule.dash if rule.dash else x1 - x0 + 1.0
        for x in np.arange(x0, x1 + 1e-9, step).tolist():
            end = min(x + rule.dash, x1) if rule.dash else x1
            places = [(x * unit, (base - y0) * unit), (end * unit, (base - y1) * unit)]
            pen.line(places, ink_of(rule), weight)


def draw_line(pen: ImageDraw.ImageDraw, points: FloatArray, base: float, *, radius: float) -> None:
    """A round-ended line through points (n, 2), y up from `base`; all in pixels. Straight pieces
    with a disc at every joint, as Pillow's own joints leave notches."""
    places = [(x, base - y) for x, y in points.tolist()]
    pen.line(places, INK, round(2 * radius))
    for across, down in places:
        pen.ellipse((across - radius, down - radius, across + radius, down + radius), INK)
