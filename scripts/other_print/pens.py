"""Pens and tablets that make it hard: that jitter, rest, report to and fro, on a coarse grid, often or
seldom. What was written is the same; only what is reported of it differs."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scripts.other_print.glyphs import Points
from scripts.other_print.words import Rng

MOST_REPORTS = 4_000
"""Of a stroke: no pen is slower, however its line shakes."""


@dataclass(frozen=True)
class Pen:
    """u of jitter (each axis, each report), reports a second, u a second, reports of one place when
    it rests (in the middle of each stroke), u to and fro along the line, u of the grid."""

    jitter: float = 0.003
    rate_hz: float = 120.0
    speed: float = 3.0
    rest: int = 0
    to_and_fro: float = 0.0
    grid: float = 0.0

    def reports(self, strokes: Sequence[Points], rng: Rng) -> list[Points]:
        """What the tablet reports of strokes; each (n, 2)."""
        return [self._of(stroke, rng) for stroke in strokes]

    def _of(self, stroke: Points, rng: Rng) -> Points:
        along = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(stroke, axis=0).T))])
        arrives = self._arrives(stroke, along)
        count = min(max(4, round(arrives[-1] * self.rate_hz)), MOST_REPORTS)
        at = np.interp(np.linspace(0.0, arrives[-1], count), arrives, along)
        at[1:-1] += rng.uniform(-0.2, 0.2, count - 2) * np.diff(at)[1:]
        if self.to_and_fro:
            at = np.clip(at + rng.normal(0.0, self.to_and_fro, count), 0.0, along[-1])
        if self.rest:
            middle = int(rng.integers(count // 4, max(count // 4 + 1, 3 * count // 4)))
            at = np.concatenate([at[:middle], np.full(self.rest, at[middle]), at[middle:]])
        taken = np.column_stack([np.interp(at, along, axis) for axis in stroke.T])
        taken += rng.normal(0.0, self.jitter, taken.shape)
        return np.round(taken / self.grid) * self.grid if self.grid else taken

    def _arrives(self, stroke: Points, along: Points) -> Points:
        """s at which the pen is at each place: in a bend of half a u at half its speed."""
        if len(stroke) < 3 or along[-1] == 0.0:
            return along / self.speed
        headings = np.unwrap(np.arctan2(*np.gradient(stroke, axis=0).T[::-1]))
        bends = np.abs(np.gradient(headings)) / np.maximum(np.gradient(along), 1e-6)
        pace = self.speed / (1.0 + 0.5 * np.minimum(bends, 20.0))
        return np.concatenate([[0.0], np.cumsum(np.diff(along) * 2 / (pace[1:] + pace[:-1]))])


PENS = {
    "a good tablet": Pen(),
    "jitter .01 u, 120 Hz": Pen(jitter=0.01),
    "jitter .02 u, 30 Hz": Pen(jitter=0.02, rate_hz=30.0),
    "jitter .02 u, 60 Hz": Pen(jitter=0.02, rate_hz=60.0),
    "jitter .02 u, 120 Hz": Pen(jitter=0.02),
    "jitter .02 u, 250 Hz": Pen(jitter=0.02, rate_hz=250.0),
    "jitter .03 u, 120 Hz": Pen(jitter=0.03),
    "jitter .01 u, 1000 Hz": Pen(jitter=0.01, rate_hz=1000.0),
    "rests, 100 reports": Pen(rest=100),
    "rests and jitters .01 u": Pen(jitter=0.01, rest=200, rate_hz=240.0),
    "to and fro .03 u, 200 Hz": Pen(to_and_fro=0.03, rate_hz=200.0),
    "grid of .1 mm at 3 mm": Pen(jitter=0.0, grid=1 / 30),
    "grid of .1 mm at 8 mm": Pen(jitter=0.0, grid=1 / 80),
    "15 u/s at 30 Hz": Pen(rate_hz=30.0, speed=15.0),
}


def shaken(stroke: Points, by: float = 0.06, waves: float = 4.0) -> Points:
    """A line that shakes where it should run smooth: by so many u, so many waves for each u."""
    along = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(stroke, axis=0).T))])
    if along[-1] < 0.3:
        return stroke
    at = np.arange(0.0, along[-1], 0.01)
    path = np.column_stack([np.interp(at, along, axis) for axis in stroke.T])
    headings = np.gradient(path, axis=0)
    headings /= np.maximum(np.hypot(*headings.T), 1e-9)[:, None]
    aside = np.column_stack([-headings[:, 1], headings[:, 0]])
    fades = np.clip(np.minimum(at, along[-1] - at) / 0.15, 0.0, 1.0)
    return np.asarray(path + aside * (by * np.sin(2 * np.pi * waves * at) * fades)[:, None])
