"""A page of a child's notebook, ruled in blue and without marks, as a camera sees it."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from io import BytesIO

import cv2
import numpy as np
from PIL import Image

from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil
from firstloop.core.evidence.task import Kind
from firstloop.core.letters import Hand
from firstloop.core.letters.ruling import Line, Ruling
from firstloop.core.sheets.pages import Cell
from firstloop.core.sheets.wish import Mode
from firstloop.demo.on_paper import Photograph, Rng, a_camera, write_cell
from firstloop.demo.photographs import PRINTED_PX_PER_MM, Pen, Rgb, photographed, written_on

SIZE_MM = (148.0, 210.0)
U_MM, BESIDE_MM, FIRST_MM, APART_U = 5.0, 12.0, 25.0, 4.0
"""[mm, mm, mm, u] Its x-height, its margin, its first base line, and from one to the next."""

BLUE = (150, 175, 225)
USUAL = ("n", "h", "a red hen ran")
"""What is written on the page of the demonstration, a row each."""


@dataclass(frozen=True)
class Notebook:
    """A page of rows, each with what is written on it."""

    rows: tuple[str, ...] = USUAL
    letters: int = 6
    """Of a row of one letter."""
    squared: bool = False
    """Whether it is ruled in squares of a row's x-height besides."""

    def cell(self, row: int) -> Cell:
        """Where a row is written."""
        base = FIRST_MM + row * APART_U * U_MM
        right = SIZE_MM[0] - BESIDE_MM
        lines = {
            Line.TOP: base - 2 * U_MM,
            Line.MID: base - U_MM,
            Line.BASE: base,
            Line.DROP: base + U_MM,
        }
        box = (BESIDE_MM, lines[Line.TOP], right, lines[Line.DROP])
        text = self.rows[row]
        return Cell(row, 0, text, Kind.of(text), Mode.OWN, box, lines)

    def ruled(self) -> Rgb:
        """The page before it is written on: base and mid line of every row."""
        width, height = (round(side * PRINTED_PX_PER_MM) for side in SIZE_MM)
        page = np.full((height, width, 3), 250, np.uint8)
        for row in range(len(self.rows)):
            for line in (Line.MID, Line.BASE):
                y = round(self.cell(row).lines[line] * PRINTED_PX_PER_MM)
                cv2.line(page, (0, y), (width, y), BLUE, 3, cv2.LINE_AA)
        side = U_MM * PRINTED_PX_PER_MM
        first = FIRST_MM * PRINTED_PX_PER_MM % side
        for at in range(int(height / side) if self.squared else 0):
            across, down = round(at * side), round(first + at * side)
            cv2.line(page, (across, 0), (across, height), BLUE, 3, cv2.LINE_AA)
            cv2.line(page, (0, down), (width, down), BLUE, 3, cv2.LINE_AA)
        return page

    def written(self, hand: Hand, ruling: Ruling, rng: Rng, *, slips: float = 0.2) -> Rgb:
        """The page as a child gives it back."""
        page, pupil = self.ruled(), draw_pupil(rng, steadiness=0.9)
        for row in range(len(self.rows)):
            for cell in self._places(row):
                ink = write_cell(cell, hand, ruling, pupil, rng, slips=slips)
                written_on(page, cell, _fitting(ink, cell), Pen(60, 0.5))
        return page

    def _places(self, row: int) -> Sequence[Cell]:
        cell = self.cell(row)
        if cell.kind is not Kind.LETTER:
            return [cell]
        left, top, right, bottom = cell.box
        step = (right - left) / max(self.letters, 1)
        return [
            replace(cell, cell=at, box=(left + at * step, top, left + (at + 1) * step, bottom))
            for at in range(self.letters)
        ]


def _fitting(ink: Ink, cell: Cell) -> Ink:
    """A text that would leave its line is no text of this page."""
    width = float(np.ptp(ink.points[:, 0])) * (cell.lines[Line.BASE] - cell.lines[Line.MID])
    assert width <= cell.box[2] - cell.box[0], "the row is too short for what is written on it"
    return ink


def photograph_notebook(hand: Hand, ruling: Ruling, seed: int) -> Photograph:
    """A page of a notebook, photographed by hand."""
    rng = np.random.default_rng(seed)
    page = Notebook().written(hand, ruling, rng)
    file = BytesIO()
    camera = replace(a_camera(rng), curl_mm=0.0)
    Image.fromarray(photographed(page, camera, rng)).save(file, "JPEG", quality=85)
    return Photograph("notebook.jpg", file.getvalue())
