"""A made-up class writes on the sheets of a lesson, and its teacher photographs them: for who has
no printer, no children and no camera at hand."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from io import BytesIO

import numpy as np
from PIL import Image

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import Pupil, draw_pupil, write
from firstloop.core.evidence.task import Kind
from firstloop.core.evidence.text_pupils import write_joined, write_row, write_text
from firstloop.core.letters import Hand
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Slip
from firstloop.core.sheets.pages import Cell, Sheet
from firstloop.core.sheets.wish import Mode
from firstloop.demo.marks_by_children import MARKS, marked
from firstloop.demo.photographs import Camera, Pen, photographed, printed, written_on
from firstloop.services.sheets import SheetAsked, print_lesson
from firstloop.store import classes, lessons
from firstloop.store.database import Database

EMPTY, MARKED, SLIPS_OF = 0.06, 0.06, 0.3
"""Shares of cells that are left empty, that a child draws over or by, and of letters that slip."""

A_SPACE = 1.2
"""u between joined words."""

Rng = np.random.Generator


@dataclass(frozen=True)
class Photograph:
    """A file as a camera would leave it."""

    name: str
    jpeg: bytes


def photograph_lesson(record: Database, day: date, seed: int, each: bool) -> Iterator[Photograph]:
    """Prints the sheets of the first class's lesson of a day, or the last before it, has its first
    pages written on by seeded children, and photographs them; raises FirstLoopError where there is
    no lesson."""
    with record.session() as session:
        school_class = next(iter(classes.every(session)), None)
        planned = lessons.earlier(session, school_class.id, day) if school_class else []
    if school_class is None or not planned:
        raise FirstLoopError("no lesson is planned yet; open Plan, Today, then come again")
    sheets = print_lesson(record, school_class, planned[0].id, SheetAsked(each=each))
    rng = np.random.default_rng(seed)
    for number, sheet in enumerate(sheets, start=1):
        picture = written_sheet(sheet, school_class.hand, school_class.ruling, rng)
        file = BytesIO()
        Image.fromarray(photographed(picture, a_camera(rng), rng)).save(file, "JPEG", quality=85)
        yield Photograph(f"IMG_{1000 + number}.jpg", file.getvalue())


def written_sheet(
    sheet: Sheet, hand: Hand, ruling: Ruling, rng: Rng
) -> np.ndarray[tuple[int, ...], np.dtype[np.uint8]]:
    """The first page of a sheet, as one child gives it back."""
    picture = printed(sheet, 0)
    pupil = draw_pupil(rng, steadiness=0.85)
    pen = Pen(int(rng.integers(40, 100)), float(rng.uniform(0.4, 0.8)))
    for cell in sheet.pages[0].cells:
        if rng.random() < EMPTY:
            continue
        ink = write_cell(cell, hand, ruling, pupil, rng)
        if np.ptp(ink.points[:, 0]) * sheet.wish.x_height_mm > cell.box[2] - cell.box[0]:
            continue
        if cell.kind is Kind.LETTER and cell.mode is Mode.OWN and rng.random() < MARKED:
            ink = marked(ink, MARKS[str(rng.choice(list(MARKS)))], rng)
        written_on(picture, cell, ink, pen)
    return picture


def a_slip(script: Script, rng: Rng, share: float) -> list[Slip]:
    """One that a letter can have, in that share of letters."""
    possible = [one for one in SLIPS.values() if one.fits(script)]
    slipped = bool(possible) and rng.random() < share
    return [possible[int(rng.integers(len(possible)))]] if slipped else []


def write_cell(  # noqa: PLR0917  # what, by whom, on what
    cell: Cell, hand: Hand, ruling: Ruling, pupil: Pupil, rng: Rng, slips: float = SLIPS_OF
) -> Ink:
    """What a child writes in a cell, with a slip in that share of letters."""
    if cell.kind is Kind.LETTER:
        script = hand.scripts[cell.target]
        return write(script, hand, ruling, pupil, rng, slips=a_slip(script, rng, slips))
    if cell.kind is Kind.ROW:
        return write_row(cell.target, 5, hand, ruling, pupil, rng)
    if not hand.joins:
        return write_text(cell.target, hand, ruling, pupil, rng)
    right, strokes = 0.0, []
    for word in cell.target.split():
        ink = write_joined(word, hand, ruling, pupil, rng)
        by = np.array([right - float(ink.points[:, 0].min()), 0.0])
        strokes += [Stroke(one.points + by) for one in ink.strokes]
        right = max(float(one.points[:, 0].max()) for one in strokes) + A_SPACE
    return Ink(tuple(strokes))


def a_camera(rng: Rng) -> Camera:
    """A picture as one comes to be, by hand and in a hurry."""
    return Camera(
        tilt_deg=float(rng.uniform(0, 15)),
        turned_deg=float(rng.normal(0, 4)),
        shadow=float(rng.uniform(0, 0.45)),
        blur_px=float(rng.uniform(0.3, 1.0)),
        noise=float(rng.uniform(1, 5)),
        longer_px=int(rng.integers(2200, 3200)),
        curl_mm=float(rng.uniform(0, 4)),
    )
