"""A report on a child as one page of PDF."""

from collections.abc import Iterator
from io import BytesIO
from xml.sax.saxutils import escape

import numpy as np
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, KeepInFrame, Paragraph, SimpleDocTemplate, Spacer

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters.ruling import Ruling
from firstloop.core.progress.report import Report, ThenAndNow, in_a_row, stands_in_words
from firstloop.core.vocabulary.language import Language, long_date
from firstloop.paper import type as printed
from firstloop.paper.ruled import INK, SOFT, draw_ink, draw_rules

MARGIN = 20 * mm
WIDTH, HEIGHT = A4[0] - 2 * MARGIN, A4[1] - 2 * MARGIN
U, PEN = 8 * mm, 0.08
"""Body height of what is shown, and its pen in u: as large as children write."""

CELL, GAP = 36 * mm, 8 * mm
"""Of a letter, then and now."""

_TEXT = ParagraphStyle("text", fontName=printed.REGULAR, fontSize=12, leading=16, textColor=INK)
_SMALL = ParagraphStyle("small", parent=_TEXT, fontSize=10.5, leading=14, textColor=SOFT)
_TITLE = ParagraphStyle(
    "title", parent=_TEXT, fontName=printed.BOLD, fontSize=22, leading=27, spaceAfter=1 * mm
)
_HEAD = ParagraphStyle(
    "head", parent=_TEXT, fontName=printed.BOLD, fontSize=14, leading=18, spaceBefore=6 * mm
)


def report_page(report: Report, ruling: Ruling, language: Language) -> bytes:
    """The report on one page, the letters on the class's lines; what is longer is set smaller."""
    printed.ready()
    file = BytesIO()
    document = SimpleDocTemplate(
        file,
        pagesize=A4,
        leftMargin=MARGIN,
        rightMargin=MARGIN,
        topMargin=MARGIN,
        bottomMargin=MARGIN,
        title=f"{report.name}: letters",
        lang="en-GB",
    )
    room = (WIDTH - 12, HEIGHT - 12)  # the frame of a page has a border of six points
    document.build([KeepInFrame(*room, [*_parts(report, ruling, language)], mode="shrink")])
    return file.getvalue()


def _parts(report: Report, ruling: Ruling, language: Language) -> Iterator[Flowable]:
    yield Paragraph(escape(report.name), _TITLE)
    until = long_date(report.until, language)
    begun = f"{long_date(report.since, language)} to {until}" if report.since else until
    yield Paragraph(escape(f"{report.class_name}, {begun}"), _SMALL)
    told = list(stands_in_words(report.stands))
    if told:
        yield Paragraph("How the letters stand", _HEAD)
        yield from (Paragraph(escape(one), _TEXT) for one in told)
        yield Paragraph(
            "For a letter written alone, from memory: direction, size and shape together.", _SMALL
        )
    if report.then_and_now:
        yield Paragraph("Then and now", _HEAD)
        yield Spacer(1, 2 * mm)
        yield from (_SideBySide(one, ruling, language) for one in report.then_and_now)
    if report.practise:
        yield Paragraph("To practise, a few minutes a day", _HEAD)
        for one in report.practise:
            letters = f" ({in_a_row(one.letters)})" if len(one.letters) > 1 else ""
            what = f"<b>{escape(one.what + letters)}</b>. {escape(one.how)}"
            yield Paragraph(what, _TEXT)
    for head, lines in (("Noted", report.notes), ("To know", report.flags)):
        if lines:
            yield Paragraph(head, _HEAD)
            yield from (Paragraph(escape(one), _TEXT) for one in lines)


class _SideBySide(Flowable):
    """A letter as it was first written, and as it was last."""

    def __init__(self, shown: ThenAndNow, ruling: Ruling, language: Language) -> None:
        super().__init__()
        self._shown, self._ruling, self._language = shown, ruling, language
        self.width = 2 * CELL + GAP
        self.height = (ruling.top - ruling.drop + 1.0) * U

    def wrap(self, *_: float) -> tuple[float, float]:
        """How much room it takes."""
        return self.width, self.height

    def draw(self) -> None:
        """Draws both, with their days beside them."""
        base = (0.5 - self._ruling.drop) * U
        one = self._shown
        for left, ink, day in (
            (0.0, one.first, one.first_day),
            (CELL + GAP + 42 * mm, one.latest, one.latest_day),
        ):
            draw_rules(self.canv, self._ruling, (left, base), CELL, U)
            _in_the_middle(self.canv, ink, left, base)
            self.canv.setFillColor(SOFT)
            self.canv.setFont(printed.REGULAR, 10)
            told = f"{day.day} {day:%B %Y}"
            self.canv.drawString(left + CELL + 3 * mm, base, told)


def _in_the_middle(canvas: Canvas, ink: Ink, left: float, base: float) -> None:
    paths = [stroke.points for stroke in ink.strokes]
    every = np.concatenate(paths)
    u = min(U, 0.9 * CELL / max(float(np.ptp(every[:, 0])), 1e-6))
    middle = float(every[:, 0].min() + every[:, 0].max()) / 2
    draw_ink(canvas, paths, (left + CELL / 2 - middle * u, base), u, PEN)
