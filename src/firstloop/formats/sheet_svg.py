"""A page of a sheet as SVG, in true millimetres: the preview, and a picture to keep."""

from collections.abc import Iterator
from xml.sax.saxutils import escape

from firstloop.core.sheets.items import Disc, Item, Line, Look, Mark, Picture, Words
from firstloop.core.sheets.pages import Page, Sheet
from firstloop.core.sheets.wish import SIZES_MM
from firstloop.formats.page_marks import ACROSS, black_squares
from firstloop.formats.tiles import COLOURS, INK, SIZE, TILES

COLOUR_OF = {
    Look.INK: "#1c2b45",
    Look.MODEL: "#1c2b45",
    Look.DOTTED: "#98a2b6",
    Look.RULE: "#7fb0ab",
    Look.RULE_COLOURED: "#cf6f45",
    Look.SIGN: "#d9855f",
    Look.SOFT: "#54607a",
    Look.MARK: "#000000",
    Look.ONCE: "#cf6f45",
    Look.TWICE: "#2c6a66",
}
"""All apart in grey too: ink is darkest, rules lightest."""

FONT = "Alegreya Sans, sans-serif"


def page_svg(sheet: Sheet, page: Page) -> str:
    """The page as an SVG document."""
    width, height = SIZES_MM[sheet.wish.paper]
    body = "".join(part for item in page.items for part in _drawn(item))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:g} {height:g}" '
        f'width="{width:g}mm" height="{height:g}mm" font-family="{FONT}">'
        f"<title>{escape(sheet.wish.title)}</title>"
        f'<rect width="100%" height="100%" fill="#ffffff"/>{body}</svg>\n'
    )


def _drawn(item: Item) -> Iterator[str]:
    match item:
        case Line():
            places = "L".join(f"{x:.3f} {y:.3f}" for x, y in item.points.tolist())
            dash = f' stroke-dasharray="{item.dash[0]:g} {item.dash[1]:g}"' if item.dash else ""
            ends = ' stroke-linecap="round" stroke-linejoin="round"' if item.round else ""
            yield (
                f'<path d="M{places}" fill="none" stroke="{COLOUR_OF[item.look]}" '
                f'stroke-width="{item.width:.3f}"{dash}{ends}/>'
            )
        case Disc(at=(x, y)):
            yield f'<circle cx="{x:.3f}" cy="{y:.3f}" r="{item.radius:.3f}" '
            yield f'fill="{COLOUR_OF[item.look]}"/>'
        case Words(at=(x, y)):
            weight = ' font-weight="bold"' if item.bold else ""
            middle = ' text-anchor="middle"' if item.middle else ""
            yield (
                f'<text x="{x:.3f}" y="{y:.3f}" font-size="{item.size:g}"{weight}{middle} '
                f'fill="{COLOUR_OF[item.look]}">{escape(item.text)}</text>'
            )
        case Mark():
            yield from _mark(item)
        case Picture(at=(x, y)):
            tile, scale = TILES[item.name], item.size / SIZE
            pen = f'stroke="{INK}" stroke-width="1.6" stroke-linecap="round"'
            yield (
                f'<g transform="translate({x:.3f} {y:.3f}) scale({scale:.4f})">'
                f'<path d="{tile["filled"]}" fill="{COLOURS[tile["colour"]]}" {pen}/>'
                f'<path d="{tile["lines"]}" fill="none" {pen}/></g>'
            )


def _mark(mark: Mark) -> Iterator[str]:
    side = mark.size / ACROSS
    left, top = mark.at[0] - mark.size / 2, mark.at[1] - mark.size / 2
    squares = "".join(
        f"M{left + column * side:.3f} {top + row * side:.3f}h{side:.3f}v{side:.3f}h{-side:.3f}z"
        for row, line in enumerate(black_squares(mark.number))
        for column, is_black in enumerate(line)
        if is_black
    )
    yield f'<path d="{squares}" fill="{COLOUR_OF[Look.MARK]}" shape-rendering="crispEdges"/>'
