"""What is printed in a cell to write on: where a letter starts, and dots along its path."""

from collections.abc import Sequence
from dataclasses import dataclass

import cv2
import numpy as np

from firstloop.core.evidence.image import SeenInk
from firstloop.core.geometry.even import INK_SPACING
from firstloop.core.geometry.polyline import FloatArray, distances_along, respace
from firstloop.core.letters import Hand
from firstloop.core.letters.ruling import Line, Ruling
from firstloop.core.sheets.helped import helped
from firstloop.core.sheets.items import Disc, Words
from firstloop.core.sheets.items import Line as Drawn
from firstloop.core.sheets.pages import Cell
from firstloop.core.sheets.writing import written
from firstloop.scan.ink import DARK, DARKER, Bits, Lit
from firstloop.scan.page import PX_PER_MM

SIGN_LIGHT = 0.6
"""[share] Of the paper's light: how light starting dots are printed."""

DOT_LIGHT, NUMBER_LIGHT = 0.63, 0.8
"""[share] The same of the dots of a path, and of a number on the whole."""

EDGE_MM = 0.4
"""Blur about a sign."""

A_DOT = 0.36
"""[u] Printed dots, numbers and arrows reach no further; a line that was drawn over them does."""

MORE_THAN_PRINT = 1.4
"""[ratio] Of darkness: dots cover two fifths of a path, and ink is twice as dark."""


@dataclass(frozen=True, slots=True, eq=False)
class Printed:
    """By what a sheet was printed: its hand, its lines, and which of these are seen."""

    hand: Hand
    ruling: Ruling
    ruled: tuple[Line, ...]


def signs_in(
    cells: Sequence[Cell], printed: Printed, first_row: int, shape: tuple[int, ...]
) -> Lit | None:
    """How light each place of a row is printed where there is something to write on, 1 elsewhere;
    None where there is nothing."""
    helped_cells = [cell for cell in cells if cell.begin is not None]
    if not helped_cells:
        return None
    light = np.ones(shape, np.float32)
    for cell in helped_cells:
        _print(light, cell, printed, first_row)
    return light


def _print(light: Lit, cell: Cell, printed: Printed, first_row: int) -> None:
    u_mm = cell.lines[Line.BASE] - cell.lines[Line.MID]
    text = written(cell.target, printed.hand, printed.ruling)
    origin = (cell.begin or 0.0, cell.lines[Line.BASE])
    for item in helped(text, cell.mode, origin, u_mm):
        if isinstance(item, Disc):
            (x, y), radius = item.at, item.radius
            _disc(light, (x, y), radius, first_row, SIGN_LIGHT)
        elif isinstance(item, Drawn) and item.dash is not None:
            for x, y in _dots(item):
                _disc(light, (x, y), item.width / 2, first_row, DOT_LIGHT)
        elif isinstance(item, Drawn):
            places = np.rint((item.points * PX_PER_MM - [0.0, first_row]) * 16).astype(np.int32)
            thick = max(1, round(item.width * PX_PER_MM))
            cv2.polylines(light, [places], False, SIGN_LIGHT, thick, cv2.LINE_AA, 4)
        elif isinstance(item, Words):
            x, y = item.at
            middle = (x, y - 0.35 * item.size)
            _disc(light, middle, 0.3 * item.size, first_row, NUMBER_LIGHT)


def _dots(line: Drawn) -> FloatArray:
    """The middles of a dotted line's dots."""
    assert line.dash is not None
    along = distances_along(line.points)
    places = np.arange(0.0, float(along[-1]) + 1e-6, sum(line.dash))
    return np.column_stack([np.interp(places, along, line.points[:, axis]) for axis in (0, 1)])


def _disc(light: Lit, at: tuple[float, float], radius: float, first_row: int, value: float) -> None:
    x, y = (round(one * PX_PER_MM * 16) for one in at)
    place = (x, y - first_row * 16)
    cv2.circle(light, place, round(radius * PX_PER_MM * 16), value, -1, cv2.LINE_AA, 4)


def without_signs(ink: Bits, lit: Lit, signs: Lit) -> Bits:
    """The ink without what is printed to start from and is no darker than that; what hangs together
    and lies there altogether is print, whatever its blur."""
    room = 2 * round(EDGE_MM * PX_PER_MM) + 1
    wide = cv2.erode(signs, np.ones((room, room), np.uint8))
    there = wide < 1.0
    kept = ink & (~there | (lit < wide - DARKER))
    count, labels = cv2.connectedComponents(kept.astype(np.uint8), connectivity=8)
    size = np.bincount(labels.ravel(), minlength=count)
    inside = np.bincount(labels[there], minlength=count)
    large = 2 * inside < size
    large[0] = False
    return np.asarray(large[labels])


def dots_gone(ink: Bits, u_mm: float) -> Bits:
    """The ink without what is as small as printed dots and numbers."""
    _, labels, stats, _ = cv2.connectedComponentsWithStats(ink.astype(np.uint8), connectivity=8)
    reach = stats[:, [cv2.CC_STAT_WIDTH, cv2.CC_STAT_HEIGHT]].max(axis=1)
    large = reach > A_DOT * u_mm * PX_PER_MM
    large[0] = False
    return np.asarray(large[labels])


def is_traced(lit: Lit, signs: Lit) -> bool:
    """Whether there is clearly more ink in a cell than was printed in it."""
    print_there, there = (float(np.maximum(DARK - one, 0.0).sum()) for one in (signs, lit))
    return there > MORE_THAN_PRINT * print_there


def off_the_dots(ink: SeenInk, left_mm: float, cell: Cell, printed: Printed) -> float | None:
    """u: how far ink is from the dotted path that was printed, on average; None where there was
    none. `left_mm` is where the ink's own x begins."""
    if cell.begin is None:
        return None
    u_mm = cell.lines[Line.BASE] - cell.lines[Line.MID]
    text = written(cell.target, printed.hand, printed.ruling)
    paths = [
        respace(path, INK_SPACING) + np.array([part.right_by + (cell.begin - left_mm) / u_mm, 0.0])
        for part in text.parts
        for path in part.letter.inked()
    ]
    return round(_mean_distance(np.concatenate(ink.lines), np.concatenate(paths)), 3)


def _mean_distance(ink: FloatArray, path: FloatArray) -> float:
    thin = ink[::2]
    apart = np.hypot(*(thin[:, None] - path[None, ::2]).transpose(2, 0, 1))
    return float(apart.min(axis=1).mean())
