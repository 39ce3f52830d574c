"""A lesson on one page: its steps with their minutes, the letter to write, words and sentence."""

from io import BytesIO

import numpy as np
from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from firstloop.core.letters import Hand, draw
from firstloop.core.letters.ruling import Ruling, rules
from firstloop.core.teaching.customs import AMOUNTS, RUBBING_OUT, Customs
from firstloop.core.teaching.lesson import Lesson, Step
from firstloop.core.teaching.steps import STEPS, StepKind
from firstloop.core.text.words import compose

INK, RULE, SOFT = HexColor("#1c2b45"), HexColor("#7fb0ab"), HexColor("#5b6478")
COLOURED = HexColor("#cf6f45")
WIDTH, HEIGHT = A4
MARGIN = 18 * mm
X_HEIGHT = 7 * mm
"""Of the letters to be shown: as large as the children write them."""

STEP_HEIGHT, TOP_OF_STEPS = 11.5 * mm, 62 * mm
FONT, BOLD = "Helvetica", "Helvetica-Bold"


def lesson_page(lesson: Lesson, hand: Hand, ruling: Ruling, customs: Customs, *, day: str) -> bytes:
    """The plan of a lesson as one page of PDF; the letters as the class writes them."""
    file = BytesIO()
    canvas = Canvas(file, pagesize=A4, pageCompression=1)
    new = ", ".join(lesson.new)
    canvas.setTitle(f"Lesson: {new}, {day}")
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 20)
    canvas.drawString(MARGIN, HEIGHT - 24 * mm, f"Lesson: {new}")
    canvas.setFont(FONT, 11)
    canvas.setFillColor(SOFT)
    canvas.drawRightString(WIDTH - MARGIN, HEIGHT - 24 * mm, f"{day}, {lesson.spent:g} minutes")
    _line_of(canvas, " ".join(lesson.new), hand, ruling, HEIGHT - 46 * mm)
    y = HEIGHT - TOP_OF_STEPS
    for step in lesson.steps:
        if not step.skipped:
            below = step.note or _told(step.kind, customs)
            _step(canvas, step, _matter(step.kind, lesson, customs, day), below, y)
            y -= STEP_HEIGHT
    canvas.showPage()
    canvas.save()
    return file.getvalue()


def _matter(kind: StepKind, lesson: Lesson, customs: Customs, day: str) -> str:
    """What a step is about in this lesson."""
    return {
        StepKind.DATE: day,
        StepKind.LOOK_BACK: "  ".join(lesson.look_back),
        StepKind.OWN: AMOUNTS[customs.own].told,
        StepKind.WORDS: ", ".join(lesson.words),
        StepKind.SENTENCE: lesson.sentence,
    }.get(kind, "")


def _told(kind: StepKind, customs: Customs) -> str:
    """What the class is told in a step, by its customs; the teacher's own note goes before it."""
    return RUBBING_OUT[customs.rubbing_out] if kind is StepKind.WORDS else ""


def _step(canvas: Canvas, step: Step, matter: str, below: str, y: float) -> None:
    """A box to tick, the minutes, what is done, and small below it the note."""
    canvas.setStrokeColor(RULE)
    canvas.setLineWidth(0.8)
    canvas.rect(MARGIN, y - 0.6 * mm, 4 * mm, 4 * mm)
    canvas.setFillColor(SOFT)
    canvas.setFont(FONT, 10)
    canvas.drawRightString(MARGIN + 17 * mm, y, f"{step.minutes:g} min")
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 11)
    canvas.drawString(MARGIN + 21 * mm, y, STEPS[step.kind].title)
    canvas.setFont(FONT, 11)
    canvas.drawString(MARGIN + 66 * mm, y, _fitted(canvas, matter or STEPS[step.kind].what))
    if below:
        canvas.setFillColor(SOFT)
        canvas.setFont(FONT, 9)
        canvas.drawString(MARGIN + 66 * mm, y - 4 * mm, _fitted(canvas, below))
    canvas.line(MARGIN, y - 5.6 * mm, WIDTH - MARGIN, y - 5.6 * mm)


def _fitted(canvas: Canvas, text: str) -> str:
    """The text, cut with dots where it is longer than its column."""
    room = WIDTH - 2 * MARGIN - 66 * mm
    while text and canvas.stringWidth(text, FONT, 11) > room:
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
