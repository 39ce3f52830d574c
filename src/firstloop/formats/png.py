"""PNG out: a hand's contact sheet as a picture."""

from io import BytesIO

from PIL import Image, ImageDraw

from firstloop.core import sheet
from firstloop.core.letterforms import Hand
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Line, Ruling
from firstloop.formats.svg import INK, PAPER, PEN_WIDTH, PIXELS_PER_U, RULE, rule_width

OVERSAMPLING = 3
"""Drawn this much larger and scaled down, for Pillow's lines have no soft edges."""


def contact_sheet(hand: Hand, ruling: Ruling) -> bytes:
    """The whole hand on one sheet, as a PNG file."""
    laid = sheet.contact_sheet(hand, ruling)
    scale = PIXELS_PER_U * OVERSAMPLING
    size = (round(sheet.WIDTH * scale), round(laid.height * scale))
    image = Image.new("RGB", size, PAPER)
    pen = ImageDraw.Draw(image)
    for base, lines in laid.rows:
        for line in Line:
            y = (base - ruling.height(line)) * scale
            pen.line([(0, y), (size[0], y)], RULE, round(rule_width(line) * scale))
        for points in lines:
            draw_line(pen, points * scale, base * scale, radius=PEN_WIDTH / 2 * scale)
    file = BytesIO()
    image.reduce(OVERSAMPLING).save(file, "PNG")
    return file.getvalue()


def draw_line(pen: ImageDraw.ImageDraw, points: FloatArray, base: float, *, radius: float) -> None:
    """A round-ended line through points (n, 2), y up from `base`; all in pixels. Straight pieces
    with a disc at every joint, as Pillow's own joints leave notches."""
    places = [(x, base - y) for x, y in points.tolist()]
    pen.line(places, INK, round(2 * radius))
    for across, down in places:
        pen.ellipse((across - radius, down - radius, across + radius, down + radius), INK)
