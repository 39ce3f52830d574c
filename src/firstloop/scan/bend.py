"""Pages do not lie flat: by how much each row of a page is higher or lower than it should be, place
by place, told by its own ruled lines.

The marks lay a page's corners where they belong; a bulge between them stays. Ruled lines are
followed from window to window across the row (Viterbi 1967): where the lines are darkest, near
where the row above had them.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt

from firstloop.scan.ink import Lit
from firstloop.scan.page import PX_PER_MM

Shifts = npt.NDArray[np.float32]

FURTHEST_MM, STEP_MM = 7.0, 0.25
"""By which a row may lie off its place; and how finely it is tried."""

WINDOW_MM, EVERY_MM = 7.0, 3.5
"""Of a row, that is looked at together: a letter's stroke is no line there; and from one to the
next."""

DARKEST = 0.3
"""[share] Of the paper's light: what is darker than a rule counts as that."""

JUMPS, ELSEWHERE, BESIDE = 0.06, 0.0008, 0.004
"""[share for each mm², share for each mm, the same] Of darkness that it costs to go up or down from
window to window: paper bends and does not jump; to be elsewhere than the row above; and than the
rows above and below, once these are known."""

FEWEST = 5
"""[windows] A row that is shorter goes as the row above."""

LEAST = 0.012
"""[share] Of darkness: rules that are lighter tell nothing, and the row is left as it is."""


@dataclass(frozen=True, slots=True)
class RuledRow:
    """A row: from where to where it goes, and the heights of its ruled lines; mm."""

    left: float
    right: float
    lines: tuple[float, ...]


def bends_of(lit: Lit, rows: Sequence[RuledRow]) -> list[Shifts]:
    """For each row, by how many points each column of the page is to be fetched from further down;
    (columns,)."""
    columns = np.arange(lit.shape[1], dtype=np.float32)
    told = [_Told.of(lit, row) for row in rows]
    alone: list[Shifts] = []
    for one in told:
        above = alone[-1] if alone else np.zeros(len(columns), np.float32)
        alone.append(_bend(one, above, columns, ELSEWHERE))
    # A page bends no more between two rows than along one: by those beside it each is told again.
    return [_bend(one, _beside(alone, at), columns, BESIDE) for at, one in enumerate(told)]


@dataclass(frozen=True, slots=True, eq=False)
class _Told:
    """The middles of a row's windows, mm; and how dark its lines are in each, if they lie off by
    each of the tried, (window, tried)."""

    middles: npt.NDArray[np.float64]
    dark: npt.NDArray[np.float64]

    @classmethod
    def of(cls, lit: Lit, row: RuledRow) -> "_Told | None":
        """None where there is too little to tell."""
        middles = np.arange(row.left + WINDOW_MM / 2, row.right - WINDOW_MM / 2, EVERY_MM)
        if not row.lines or len(middles) < FEWEST:
            return None
        return cls(middles, _darkness(lit, row, middles))


def _bend(told: _Told | None, expected: Shifts, columns: Shifts, price: float) -> Shifts:
    if told is None:
        return expected
    there = np.interp(told.middles * PX_PER_MM, columns, expected) / PX_PER_MM
    shifts = _followed(told.dark, there, price)
    return expected if shifts is None else _at_each(columns, told.middles, shifts)


def _beside(rows: Sequence[Shifts], at: int) -> Shifts:
    """The mean of the rows above and below."""
    beside = [rows[other] for other in (at - 1, at + 1) if 0 <= other < len(rows)]
    return np.asarray(np.mean(beside or [rows[at]], axis=0), np.float32)


def _at_each(
    columns: Shifts, middles: npt.NDArray[np.float64], shifts: npt.NDArray[np.float64]
) -> Shifts:
    """The shifts (mm) between the windows' middles too, smooth, in points; at the row's ends they
    go on as they went."""
    room = 3
    goes_on = np.pad(shifts, room, mode="reflect", reflect_type="odd").astype(np.float32)
    smooth = cv2.GaussianBlur(goes_on[None], (5, 1), 1.0)[0, 2:-2]
    places = np.concatenate([[middles[0] - EVERY_MM], middles, [middles[-1] + EVERY_MM]])
    return np.asarray(np.interp(columns, places * PX_PER_MM, smooth * PX_PER_MM), np.float32)


def _tried() -> npt.NDArray[np.float64]:
    return np.arange(-FURTHEST_MM, FURTHEST_MM + STEP_MM / 2, STEP_MM)


def _darkness(lit: Lit, row: RuledRow, middles: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
    """How dark the row's lines are in each window, if it lies off by each of the tried; (window,
    tried)."""
    room = FURTHEST_MM + 1.0
    first = round((min(row.lines) - room) * PX_PER_MM)
    last = round((max(row.lines) + room) * PX_PER_MM)
    padded = np.ones((last - first, lit.shape[1]), np.float32)
    inside = slice(max(first, 0), min(last, lit.shape[0]))
    padded[inside.start - first : inside.stop - first] = lit[inside]
    dark = np.clip(1.0 - padded, 0.0, DARKEST)
    half = round(WINDOW_MM / 2 * PX_PER_MM)
    profiles = np.array(
        [dark[:, max(0, at - half) : at + half].mean(axis=1) for at in _pixels(middles)]
    )
    profiles = cv2.GaussianBlur(profiles, (5, 1), 1.2)
    profiles = profiles - np.median(profiles, axis=1, keepdims=True)
    places = np.rint((np.array(row.lines)[:, None] + _tried()) * PX_PER_MM).astype(int) - first
    of_each = profiles[:, places]
    # All of its lines are to be there: a space further down most of them are, too.
    return np.asarray((of_each.mean(axis=1) + of_each.min(axis=1)) / 2, np.float64)


def _pixels(mm: npt.NDArray[np.float64]) -> list[int]:
    return [round(float(one) * PX_PER_MM) for one in mm]


def _followed(
    dark: npt.NDArray[np.float64], expected: npt.NDArray[np.float64], price: float
) -> npt.NDArray[np.float64] | None:
    """The shift of each window, mm; None where the lines are too light to tell."""
    tried = _tried()
    own = -dark + price * np.abs(tried[None] - expected[:, None])
    step = JUMPS * (tried[:, None] - tried[None]) ** 2
    total, came = own[0], np.zeros(dark.shape, int)
    for at in range(1, len(dark)):
        ways = total[:, None] + step
        came[at] = ways.argmin(axis=0)
        total = ways.min(axis=0) + own[at]
    path = [int(total.argmin())]
    for at in range(len(dark) - 1, 0, -1):
        path.append(int(came[at, path[-1]]))
    chosen = np.array(path[::-1])
    if float(np.median(dark[np.arange(len(dark)), chosen])) < LEAST:
        return None
    return np.array([_between(dark[at], tried, one) for at, one in enumerate(chosen)])


def _between(dark: npt.NDArray[np.float64], tried: npt.NDArray[np.float64], at: int) -> float:
    """The shift between the tried ones, by a parabola through the darkest and its neighbours."""
    if 0 < at < len(tried) - 1:
        before, here, after = dark[at - 1 : at + 2]
        bend = before - 2 * here + after
        if bend < 0:
            return float(tried[at] + np.clip((before - after) / bend / 2, -0.5, 0.5) * STEP_MM)
    return float(tried[at])
