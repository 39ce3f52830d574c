"""A sample: one letter as a teacher wrote it, as even lines on the nominal grid."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines, evenly
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.geometry.reports import jitter_of, line_under
from firstloop.core.letters.moves import NOMINAL_DROP, NOMINAL_TOP
from firstloop.core.letters.ruling import Ruling
from firstloop.core.own_hand.middle import coarse

TREMOR = 4.0
"""[samples] Of an even line: what bends over a shorter way than some three times this is tremor."""

OF_JITTER = 0.12
"""[ratio] Of a tablet's jitter that is left in an even line, and is no hand's."""

DOT = 0.16
"""[u] A stroke that stays within so much is a dot, however the pen was turned in it."""

DOT_LENGTH = 0.04
"""[u] Along the line: what a dot is laid over others by."""


@dataclass(frozen=True, eq=False)
class Sample:
    """A letter, or a word, as it was written once. `lines`: each stroke (n, 2), evenly spaced, on
    the nominal grid (top line at 1.9, drop line at -0.95), from the left edge of all; `shake`: how
    far the pen shook, u; `name`: what the sample is called where it has to be named."""

    letter: str
    name: str
    lines: Lines
    shake: float

    @cached_property
    def coarse(self) -> Lines:
        """Its lines in fewer points, where many are compared."""
        return coarse(self.lines)

    @property
    def points(self) -> FloatArray:
        """All of its points; (n, 2)."""
        return np.vstack(self.lines)


def sampled(letter: str, name: str, ink: Ink, ruling: Ruling) -> Sample:
    """The sample that ink is, which was written on a ruling."""
    lines = [evenly(line_under(stroke.points)) for stroke in ink.strokes]
    shakes = [
        _shake(line) - OF_JITTER * jitter_of(stroke.points)
        for stroke, line in zip(ink.strokes, lines, strict=True)
        if not _is_dot(line)
    ]
    lines = [_dot(line) if _is_dot(line) else line for line in lines]
    left = min(float(line[:, 0].min()) for line in lines)
    return Sample(
        letter,
        name,
        tuple(_nominal(line - (left, 0.0), ruling) for line in lines),
        max(shakes, default=0.0),
    )


def _is_dot(line: FloatArray) -> bool:
    low, high = polyline.corners(line)
    return bool(np.hypot(*(high - low)) < DOT)


def _dot(line: FloatArray) -> FloatArray:
    middle = line.mean(axis=0)
    return np.array(
        [middle + np.array([along, 0.0]) for along in (-DOT_LENGTH / 2, 0.0, DOT_LENGTH / 2)]
    )


def _nominal(line: FloatArray, ruling: Ruling) -> FloatArray:
    """The line where the nominal grid has it: the inverse of `drawing.height_of`."""
    y = line[:, 1]
    above = 1.0 + (y - 1.0) * (NOMINAL_TOP - 1.0) / (ruling.top - 1.0)
    below = y * NOMINAL_DROP / ruling.drop
    return np.column_stack([line[:, 0], np.where(y > 1.0, above, np.where(y < 0.0, below, y))])


def _shake(line: FloatArray) -> float:
    """u: how far half of the line at least is from one that bends no faster than letters do."""
    return float(np.median(np.hypot(*polyline.unsmooth(line, TREMOR).T)))
