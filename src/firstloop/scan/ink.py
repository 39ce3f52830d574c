"""What is ink on a page that lies flat: the light made even, and what was printed taken away."""

from collections.abc import Sequence

import cv2
import numpy as np
import numpy.typing as npt

from firstloop.scan.page import PX_PER_MM, Grey

Bits = npt.NDArray[np.bool_]
Lit = npt.NDArray[np.float32]

PAPER_MM = 3.0
"""Wider than any line of a child's pen: what is as dark over more is shadow."""

DARK = 0.83
"""[share] Of the paper's light: what is darker may be ink or print."""

LINE_MM, BESIDE_MM = 0.45, 0.3
"""Half of a ruled line with its blur; and how far beyond it ink is looked for that crosses it."""

DARKER = 0.12
"""[share] Of the paper's light: ink over a ruled line is so much darker than the line alone."""

INK_IS, LEAST_DARK, GHOST = 0.7, 60, 0.5
"""[share, points, share] What is darker than the first tells how dark a page's ink is, if so many
points are; a ghost differs from paper by less than that share of what ink differs by."""

SPECK_MM2 = 0.1
"""A spot as small as this is dust, or what is left of a rule."""


def evenly_lit(picture: Grey) -> Lit:
    """The picture as shares of the paper's own light at each place: shadows and lamps are gone."""
    side = int(PAPER_MM * PX_PER_MM) | 1
    small = cv2.resize(picture, None, fx=0.25, fy=0.25, interpolation=cv2.INTER_AREA)
    window = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (side // 4 | 1, side // 4 | 1))
    paper = cv2.medianBlur(cv2.morphologyEx(small, cv2.MORPH_CLOSE, window), 9)
    paper = cv2.resize(paper, picture.shape[::-1], interpolation=cv2.INTER_LINEAR)
    return np.asarray(picture / np.maximum(paper, 1), np.float32)


def ink_of(lit: Lit, lines_px: Sequence[float]) -> Bits:
    """What a child wrote on lines at these rows: these are taken away where nothing crosses them
    and nothing darker lies over them."""
    return _without_rules(lit, np.asarray(lit < DARK), lines_px)


def faint_beside(lit: Lit) -> float:
    """How light the darkest of a ghost still is: what was rubbed out is far lighter than what else
    stands on the page. Where next to nothing is dark, nothing is faint."""
    dark = lit[lit < INK_IS]
    if len(dark) < LEAST_DARK:
        return 1.0
    return 1.0 - GHOST * (1.0 - float(np.percentile(dark, 25)))


def without_ghosts(ink: Bits, lit: Lit, faint: float) -> Bits:
    """The ink without what hangs together and is nowhere darker than that."""
    count, labels = cv2.connectedComponents(ink.astype(np.uint8), connectivity=8)
    darkest = np.ones(count, np.float32)
    np.minimum.at(darkest, np.asarray(labels[ink], np.int64), lit[ink])
    clear = darkest < faint
    clear[0] = False
    return np.asarray(clear[labels])


def without_lines(lit: Lit, lines_px: Sequence[float]) -> Lit:
    """The picture with white where lines are ruled."""
    white, half = lit.copy(), round(LINE_MM * PX_PER_MM)
    for line in lines_px:
        white[max(0, round(line) - half) : max(0, round(line) + half + 1)] = 1.0
    return white


def without_uprights(
    lit: Lit, ink: Bits, uprights_px: Sequence[tuple[float, float, float]]
) -> Bits:
    """The same without ruled lines that stand in columns, each from a row to another."""
    kept = ink.copy()
    beside = round((LINE_MM + BESIDE_MM) * PX_PER_MM) + 1
    for column, top, bottom in uprights_px:
        rows = slice(max(round(top), 0), round(bottom))
        first = max(round(column) - beside, 0)
        columns = slice(first, round(column) + beside + 1)
        if kept[rows, columns].size:
            turned = _without_rules(lit[rows, columns].T, kept[rows, columns].T, [column - first])
            kept[rows, columns] = turned.T
    return kept


def _without_rules(lit: Lit, dark: Bits, lines_px: Sequence[float]) -> Bits:
    keep = dark.copy()
    half, beside = round(LINE_MM * PX_PER_MM), round(BESIDE_MM * PX_PER_MM)
    for line in lines_px:
        top, bottom = round(line) - half, round(line) + half + 1
        if bottom <= 0 or top >= len(dark):
            continue
        band = slice(max(top, 0), bottom)
        rule = np.median(lit[band].min(axis=0))
        over = lit[band] < min(DARK, rule - DARKER)
        above = np.asarray(dark[max(top - beside, 0) : max(top, 0)].any(axis=0))
        below = np.asarray(dark[bottom : bottom + beside].any(axis=0))
        crosses = _beside(above) & _beside(below)
        keep[band] = (over & dark[band]) | (dark[band] & crosses[None])
        # A line that ends on the rule goes as far as it is dark.
        touches = (above | below)[None] & (lit[band] < rule - DARKER / 2)
        keep[band] |= touches & dark[band]
    return keep


def _beside(there: Bits) -> Bits:
    """The same, and a point further to either side: a slanting line crosses aslant."""
    wide = there.copy()
    wide[1:] |= there[:-1]
    wide[:-1] |= there[1:]
    return wide
