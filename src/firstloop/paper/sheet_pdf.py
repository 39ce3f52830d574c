"""A sheet as PDF, in vector paths and true sizes: what the preview shows, line by line."""

from collections.abc import Sequence
from functools import lru_cache
from io import BytesIO

from fontTools.pens.recordingPen import RecordingPen
from fontTools.svgLib.path import parse_path
from reportlab.lib.colors import HexColor
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from firstloop.core.sheets.items import Disc, Item, Line, Look, Mark, Picture, Words
from firstloop.core.sheets.pages import Sheet
from firstloop.core.sheets.wish import SIZES_MM
from firstloop.formats.page_marks import ACROSS, black_squares
from firstloop.formats.sheet_svg import COLOUR_OF
from firstloop.formats.tiles import COLOURS as TILE_COLOURS
from firstloop.formats.tiles import INK, SIZE, TILES
from firstloop.paper import type as printed

COLOURS = {look: HexColor(colour) for look, colour in COLOUR_OF.items()}


def sheet_pdf(sheet: Sheet) -> bytes:
    """All pages of a sheet."""
    return sheets_pdf([sheet])


def sheets_pdf(sheets: Sequence[Sheet]) -> bytes:
    """All pages of sheets, one after another; of none, an empty page."""
    printed.ready()
    file = BytesIO()
    canvas = Canvas(file, pageCompression=1, lang="en-GB")
    titles = {sheet.wish.title for sheet in sheets if sheet.wish.title}
    canvas.setTitle(", ".join(sorted(titles)) or "A sheet to write on")
    for sheet in sheets:
        width, height = SIZES_MM[sheet.wish.paper]
        for page in sheet.pages:
            canvas.setPageSize((width * mm, height * mm))
            # As on the page: millimetres, and y downwards.
            canvas.transform(mm, 0, 0, -mm, 0, height * mm)
            for item in page.items:
                _draw(canvas, item)
            canvas.showPage()
    canvas.save()
    return file.getvalue()


def _draw(canvas: Canvas, item: Item) -> None:
    match item:
        case Line():
            _line(canvas, item)
        case Disc(at=(x, y)):
            canvas.setFillColor(COLOURS[item.look])
            canvas.circle(x, y, item.radius, stroke=0, fill=1)
        case Words():
            _words(canvas, item)
        case Mark():
            _mark(canvas, item)
        case Picture():
            _picture(canvas, item)


def _line(canvas: Canvas, line: Line) -> None:
    canvas.setStrokeColor(COLOURS[line.look])
    canvas.setLineWidth(line.width)
    canvas.setLineCap(1 if line.round else 0)
    canvas.setLineJoin(1)
    canvas.setDash(list(line.dash) if line.dash else [])
    path = canvas.beginPath()
    for place, (x, y) in enumerate(line.points.tolist()):
        (path.lineTo if place else path.moveTo)(x, y)
    canvas.drawPath(path)


def _words(canvas: Canvas, words: Words) -> None:
    """Letters stand upright: for them y goes up again."""
    canvas.saveState()
    canvas.translate(*words.at)
    canvas.scale(1, -1)
    canvas.setFillColor(COLOURS[words.look])
    canvas.setFont(printed.BOLD if words.bold else printed.REGULAR, words.size)
    (canvas.drawCentredString if words.middle else canvas.drawString)(0, 0, words.text)
    canvas.restoreState()


def _mark(canvas: Canvas, mark: Mark) -> None:
    side = mark.size / ACROSS
    left, top = mark.at[0] - mark.size / 2, mark.at[1] - mark.size / 2
    canvas.setFillColor(COLOURS[Look.MARK])
    for row, line in enumerate(black_squares(mark.number)):
        for column, is_black in enumerate(line):
            if is_black:
                # A hair wider, so that no white shows between two.
                canvas.rect(left + column * side, top + row * side, side + 0.01, side + 0.01, 0, 1)


def _picture(canvas: Canvas, picture: Picture) -> None:
    tile, scale = TILES[picture.name], picture.size / SIZE
    canvas.saveState()
    canvas.translate(*picture.at)
    canvas.scale(scale, scale)
    canvas.setStrokeColor(HexColor(INK))
    canvas.setFillColor(HexColor(TILE_COLOURS[tile["colour"]]))
    canvas.setLineWidth(1.6)
    canvas.setLineCap(1)
    canvas.setLineJoin(1)
    canvas.setDash([])
    for part, filled in (("filled", 1), ("lines", 0)):
        path = canvas.beginPath()
        for name, places in _steps(tile[part]):
            if name == "closePath":
                path.close()
            elif name != "endPath":
                getattr(path, name)(*(at for place in places for at in place))
        canvas.drawPath(path, stroke=1, fill=filled, fillMode=0)
    canvas.restoreState()


@lru_cache(maxsize=256)
def _steps(path: str) -> tuple[tuple[str, tuple[tuple[float, float], ...]], ...]:
    """The steps of a path of a small picture: moveTo, lineTo and curveTo, arcs as curves."""
    pen = RecordingPen()
    parse_path(path, pen)
    return tuple(pen.value)
