"""Letters for the wall: each child's, as it was written, on its lines, by the children's names."""

from collections.abc import Sequence
from dataclasses import dataclass
from io import BytesIO

import numpy as np
from reportlab.lib.pagesizes import A4, landscape
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters.ruling import Ruling
from firstloop.paper import type as printed
from firstloop.paper.ruled import INK, draw_ink, draw_rules

WIDTH, HEIGHT = landscape(A4)
MARGIN = 15 * mm
COLUMNS, ROWS = 4, 3
CELL = (WIDTH - 2 * MARGIN) / COLUMNS, (HEIGHT - 2 * MARGIN) / ROWS
U = 11 * mm
"""Body height: seen from across a room, and a wide letter keeps to its cell."""

PEN = 0.08
"""u, of a pencil that is seen from afar."""


@dataclass(frozen=True, slots=True, eq=False)
class OnTheWall:
    """A letter for the wall: whose, as it is to be called there, and its ink."""

    name: str
    ink: Ink


def wall_page(letters: Sequence[OnTheWall], ruling: Ruling) -> bytes:
    """Letters on pages of PDF, twelve a page, in the order of the names: nobody's is first."""
    printed.ready()
    file = BytesIO()
    canvas = Canvas(file, pagesize=(WIDTH, HEIGHT), pageCompression=1)
    canvas.setTitle("For the wall")
    for place, letter in enumerate(sorted(letters, key=lambda one: one.name)):
        on_page = place % (COLUMNS * ROWS)
        if place and on_page == 0:
            canvas.showPage()
        row, column = divmod(on_page, COLUMNS)
        left = MARGIN + column * CELL[0]
        _cell(canvas, letter, ruling, left, HEIGHT - MARGIN - (row + 1) * CELL[1])
    canvas.showPage()
    canvas.save()
    return file.getvalue()


def _cell(canvas: Canvas, letter: OnTheWall, ruling: Ruling, left: float, bottom: float) -> None:
    width = CELL[0] - 6 * mm
    base = bottom + 12 * mm - ruling.drop * U
    draw_rules(canvas, ruling, (left, base), width, U)
    paths = [stroke.points for stroke in letter.ink.strokes]
    if paths:
        every = np.concatenate(paths)
        u = min(U, width / max(float(np.ptp(every[:, 0])), 1e-6))
        middle = float(every[:, 0].min() + every[:, 0].max()) / 2
        draw_ink(canvas, paths, (left + width / 2 - middle * u, base), u, PEN)
    canvas.setFillColor(INK)
    canvas.setFont(printed.REGULAR, 15)
    canvas.drawCentredString(left + width / 2, bottom + 3 * mm, letter.name)
