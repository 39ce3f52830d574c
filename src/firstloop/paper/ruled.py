"""Ruled lines and writing on a page of PDF."""

from collections.abc import Iterable

from reportlab.lib.colors import HexColor
from reportlab.pdfgen.canvas import Canvas

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.ruling import Ruling, rules

INK, RULE, SOFT = HexColor("#1c2b45"), HexColor("#7fb0ab"), HexColor("#5b6478")
COLOURED = HexColor("#cf6f45")


def draw_rules(
    canvas: Canvas, ruling: Ruling, at: tuple[float, float], width: float, u: float
) -> None:
    """Draws a ruling from its left end on the base line, so wide, with u so large; points."""
    left, base = at
    for rule in rules(ruling, 0.0, width / u):
        canvas.setStrokeColor(COLOURED if rule.coloured else RULE)
        (x0, y0), (x1, y1) = rule.start, rule.end
        canvas.setLineWidth(rule.weight * u)
        canvas.setDash([rule.dash * u] if rule.dash else [])
        canvas.line(left + x0 * u, base + y0 * u, left + x1 * u, base + y1 * u)
    canvas.setDash([])


def draw_ink(
    canvas: Canvas, paths: Iterable[FloatArray], at: tuple[float, float], u: float, pen: float
) -> None:
    """Draws lines of ink (n, 2) in u, their origin at a place, with a pen so wide (u); points."""
    left, base = at
    canvas.setStrokeColor(INK)
    canvas.setLineCap(1)
    canvas.setLineJoin(1)
    canvas.setLineWidth(pen * u)
    for path in paths:
        line = canvas.beginPath()
        for place, (x, y) in enumerate(path.tolist()):
            (line.lineTo if place else line.moveTo)(left + x * u, base + y * u)
        canvas.drawPath(line)
