"""A lesson on one page: its steps with their minutes, the letter to write, words and sentence."""

from io import BytesIO

import numpy as np
from reportlab.lib.pagesizes import A4
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from firstloop.core.letters import Hand, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.teaching.under_way import Moment, UnderWay
from firstloop.core.text.words import compose
from firstloop.paper import type as printed
from firstloop.paper.ruled import INK, RULE, SOFT, draw_ink, draw_rules

WIDTH, HEIGHT = A4
MARGIN = 18 * mm
X_HEIGHT = 7 * mm
"""Of the letters to be shown: as large as the children write them."""

STEP_HEIGHT, TOP_OF_STEPS, ROOM_BELOW = 11.5 * mm, 62 * mm, 9 * mm
FONT, BOLD = printed.REGULAR, printed.BOLD


def lesson_page(given: UnderWay, hand: Hand, ruling: Ruling) -> bytes:
    """The plan of a lesson as one page of PDF, stop by stop, in the letters of the class."""
    printed.ready()
    lesson, file = given.lesson, BytesIO()
    canvas = Canvas(file, pagesize=A4, pageCompression=1)
    new = ", ".join(lesson.new)
    canvas.setTitle(f"Lesson: {new}, {given.date_text}")
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 20)
    canvas.drawString(MARGIN, HEIGHT - 24 * mm, f"Lesson: {new}")
    canvas.setFont(FONT, 11)
    canvas.setFillColor(SOFT)
    spent = f"{given.date_text}, {lesson.spent:g} minutes"
    canvas.drawRightString(WIDTH - MARGIN, HEIGHT - 24 * mm, spent)
    _line_of(canvas, " ".join(lesson.new), hand, ruling, HEIGHT - 46 * mm)
    room = (HEIGHT - TOP_OF_STEPS - MARGIN) / max(1, len(given.moments))
    height = min(STEP_HEIGHT, room)  # many letters come round often: it stays one page
    for place, moment in enumerate(given.moments):
        _stop(canvas, moment, HEIGHT - TOP_OF_STEPS - place * height, height)
    canvas.showPage()
    canvas.save()
    return file.getvalue()


def _stop(canvas: Canvas, moment: Moment, y: float, height: float) -> None:
    """A box to tick, the minutes, what it is, what is written; small below it the teacher's note,
    or what the class is told."""
    canvas.setStrokeColor(RULE)
    canvas.setLineWidth(0.8)
    canvas.rect(MARGIN, y - 0.6 * mm, 4 * mm, 4 * mm)
    canvas.setFillColor(SOFT)
    canvas.setFont(FONT, 10)
    canvas.drawRightString(MARGIN + 17 * mm, y, f"{moment.stop.minutes:.2g} min")
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 11)
    canvas.drawString(MARGIN + 21 * mm, y, moment.name)
    canvas.setFont(FONT, 11)
    canvas.drawString(MARGIN + 66 * mm, y, _fitted(canvas, moment.matter))
    below = moment.note or " ".join(said for said in moment.said if said != moment.matter)
    if below and height >= ROOM_BELOW:
        canvas.setFillColor(SOFT)
        canvas.setFont(FONT, 9)
        canvas.drawString(MARGIN + 66 * mm, y - 4 * mm, _fitted(canvas, below, 9))
    line = y - min(5.6 * mm, height / 2)
    canvas.line(MARGIN, line, WIDTH - MARGIN, line)


def _fitted(canvas: Canvas, text: str, size: float = 11) -> str:
    """The text, cut with dots where it is longer than its column."""
    room = WIDTH - 2 * MARGIN - 66 * mm
    while text and canvas.stringWidth(text, FONT, size) > room:
        text = text[:-2].rstrip() + "…"
    return text


def _line_of(canvas: Canvas, text: str, hand: Hand, ruling: Ruling, base: float) -> None:
    """What is new, written on the class's lines."""
    draw_rules(canvas, ruling, (MARGIN, base), WIDTH - 2 * MARGIN, X_HEIGHT)
    left = MARGIN + X_HEIGHT
    for part in text.split():
        paths = draw(compose(part, hand).script, hand.proportions, ruling).inked()
        every = np.concatenate(paths)
        from_left = left - float(every[:, 0].min()) * X_HEIGHT
        draw_ink(canvas, paths, (from_left, base), X_HEIGHT, 0.09)
        left += (float(np.ptp(every[:, 0])) + 1.5) * X_HEIGHT
