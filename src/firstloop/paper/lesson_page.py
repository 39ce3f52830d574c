"""A lesson on one page: its steps with their minutes, the letter to write, words and sentence."""

from io import BytesIO

import numpy as np
from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from firstloop.core.letters import Hand, draw
from firstloop.core.letters.ruling import Ruling, rules
from firstloop.core.teaching.under_way import Moment, UnderWay
from firstloop.core.text.words import compose

INK, RULE, SOFT = HexColor("#1c2b45"), HexColor("#7fb0ab"), HexColor("#5b6478")
COLOURED = HexColor("#cf6f45")
WIDTH, HEIGHT = A4
MARGIN = 18 * mm
X_HEIGHT = 7 * mm
"""Of the letters to be shown: as large as the children write them."""

STEP_HEIGHT, TOP_OF_STEPS, ROOM_BELOW = 11.5 * mm, 62 * mm, 9 * mm
FONT, BOLD = "Helvetica", "Helvetica-Bold"


def lesson_page(given: UnderWay, hand: Hand, ruling: Ruling) -> bytes:
    """The plan of a lesson as one page of PDF, stop by stop, in the letters of the class."""
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
    for rule in rules(ruling, 0.0, (WIDTH - 2 * MARGIN) / X_HEIGHT):
        canvas.setStrokeColor(COLOURED if rule.coloured else RULE)
        (x0, y0), (x1, y1) = rule.start, rule.end
        canvas.setLineWidth(rule.weight * X_HEIGHT)
        canvas.setDash([rule.dash * X_HEIGHT] if rule.dash else [])
        canvas.line(
            MARGIN + x0 * X_HEIGHT,
            base + y0 * X_HEIGHT,
            MARGIN + x1 * X_HEIGHT,
            base + y1 * X_HEIGHT,
        )
    canvas.setDash([])
    canvas.setStrokeColor(INK)
    canvas.setLineCap(1)
    canvas.setLineJoin(1)
    canvas.setLineWidth(0.09 * X_HEIGHT)
    left = MARGIN + X_HEIGHT
    for part in text.split():
        paths = draw(compose(part, hand).script, hand.proportions, ruling).inked()
        every = np.concatenate(paths)
        for path in paths:
            pen = canvas.beginPath()
            for at, (x, y) in enumerate(path.tolist()):
                place = left + (x - float(every[:, 0].min())) * X_HEIGHT, base + y * X_HEIGHT
                (pen.lineTo if at else pen.moveTo)(*place)
            canvas.drawPath(pen)
        left += (float(np.ptp(every[:, 0])) + 1.5) * X_HEIGHT
