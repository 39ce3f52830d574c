"""Rows of pages without marks: laid straight by the lines that were marked, without what is ruled,
parted where there are gaps, and each piece found again in the picture."""

from dataclasses import replace

import cv2
import numpy as np
import pytest

from firstloop.core.letters.ruling import Ruling
from firstloop.demo.notebooks import Notebook
from firstloop.demo.photographs import Camera
from firstloop.scan.page import Grey
from firstloop.scan.row import U_PX, MarkedRow, RowError, StraightRow, straight_row
from tests.notebook import CAMERA, Taken

NOTEBOOK = Notebook(rows=("n", "h", "g"))


def row(taken: Taken, at: int) -> StraightRow:
    begin, end, height = taken.base_line(at)
    grey: Grey = np.asarray(cv2.cvtColor(taken.picture, cv2.COLOR_RGB2GRAY), np.uint8)
    return straight_row(grey, MarkedRow(begin, end, height), Ruling())


def heights(straight: StraightRow) -> list[tuple[float, float]]:
    """How far each piece reaches over and under the base line, u."""
    found = []
    for piece in straight.parted():
        rows = np.flatnonzero(piece.ink.any(axis=1))
        over, under = (straight.base_px - edge for edge in (rows[0], rows[-1] + 1))
        found.append((over / U_PX, under / U_PX))
    return found


@pytest.mark.parametrize(
    "camera", [CAMERA, Camera(turned_deg=-9.0), Camera(tilt_deg=14.0, longer_px=1700)]
)
def test_a_row_is_parted_into_its_letters_which_stand_on_its_line(camera: Camera) -> None:
    taken = Taken.of(NOTEBOOK, 5, camera)
    for at, (top, foot) in enumerate([(1.0, 0.0), (2.0, 0.0), (1.0, -1.0)]):
        found = heights(row(taken, at))
        assert len(found) == NOTEBOOK.letters
        assert np.median([over for over, _ in found]) == pytest.approx(top, abs=0.2)
        assert np.median([under for _, under in found]) == pytest.approx(foot, abs=0.2)


def test_what_is_ruled_is_no_ink_and_takes_none_away() -> None:
    lined = Taken.of(NOTEBOOK, 5)
    squared = Taken.of(replace(NOTEBOOK, squared=True), 5)
    for at in range(3):
        there, without = row(squared, at).ink, row(lined, at).ink
        assert there.sum() == pytest.approx(without.sum(), rel=0.08)
    empty = Taken.of(Notebook(rows=("n",), letters=0, squared=True), 5)
    assert not row(empty, 0).ink.any()


def test_what_stands_on_other_rows_is_not_this_ones() -> None:
    alone = row(Taken.of(replace(NOTEBOOK, rows=("n",)), 5), 0)
    among = row(Taken.of(replace(NOTEBOOK, rows=("n", "h")), 5), 0)
    assert len([*among.parted()]) == len([*alone.parted()]) == NOTEBOOK.letters


def test_a_piece_is_found_again_where_it_is_in_the_picture() -> None:
    taken = Taken.of(NOTEBOOK, 5)
    begin, end, height = taken.base_line(0)
    boxes = [piece.corners for piece in row(taken, 0).parted()]
    lefts = [float(corners[:, 0].min()) for corners in boxes]
    assert lefts == sorted(lefts)
    assert lefts[0] > begin[0]
    assert max(float(corners[:, 0].max()) for corners in boxes) < end[0]
    middle = (begin[1] + end[1]) / 2
    for corners in boxes:
        assert corners[:, 1].min() < middle - height
        assert corners[:, 1].max() > middle


@pytest.mark.parametrize(
    ("end", "height", "words"),
    [
        ((900.0, 100.0), 4.0, "too near each other"),
        ((130.0, 100.0), 60.0, "draw along the base line"),
        ((9000.0, 100.0), 20.0, "draw along the base line"),
    ],
)
def test_lines_that_mark_no_row_are_refused_with_what_to_do(
    end: tuple[float, float], height: float, words: str
) -> None:
    with pytest.raises(RowError, match=words):
        MarkedRow((100.0, 100.0), end, height)
