"""SVG out: a hand's contact sheet as lines on their ruling."""

from xml.sax.saxutils import escape

from firstloop.core import sheet
from firstloop.core.letterforms import Hand
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Line, Ruling

INK, RULE, PAPER = "#1c2b45", "#7fb0ab", "#fffdf8"
PEN_WIDTH = 0.09
"""u: about what a soft pencil leaves on 8 mm lines."""
PIXELS_PER_U = 44


def rule_width(line: Line) -> float:
    """u: the base line is the strongest."""
    return 0.03 if line is Line.BASE else 0.015


def contact_sheet(hand: Hand, ruling: Ruling) -> str:
    """The whole hand on one sheet, as an SVG document."""
    laid = sheet.contact_sheet(hand, ruling)
    rules = "".join(
        f'<path d="M0 {base - ruling.height(line):.3f}H{sheet.WIDTH}" stroke="{RULE}" '
        f'stroke-width="{rule_width(line)}"/>'
        for base, _ in laid.rows
        for line in Line
    )
    pens = "".join(_pen(points, base) for base, lines in laid.rows for points in lines)
    return _document(sheet.WIDTH, laid.height, laid.title, rules + pens)


def _pen(points: FloatArray, base: float) -> str:
    """A pen line; y is turned, as SVG counts downwards."""
    places = "L".join(f"{x:.3f} {base - y:.3f}" for x, y in points)
    return f'<path class="pen" d="M{places}"/>'


def _document(width: float, height: float, title: str, body: str) -> str:
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:g} {height:g}" '
        f'width="{width * PIXELS_PER_U:g}" height="{height * PIXELS_PER_U:g}">'
        f"<title>{escape(title)}</title>"
        f'<rect width="100%" height="100%" fill="{PAPER}"/>'
        f"<style>.pen{{fill:none;stroke:{INK};stroke-width:{PEN_WIDTH};"
        f"stroke-linecap:round;stroke-linejoin:round}}</style>{body}</svg>\n"
    )
