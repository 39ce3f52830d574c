"""Where a letter stands on the ruling: its own base line and body, found from its anchors.

An anchor is a place where the script touches a line: the foot of a stem, the crown of an arch.
Parts of a letter are judged in the letter's own frame, so that a letter that floats is said to
float and is not also said to start too high, reach too far and end too soon.
"""

from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.explain import Explanation, Written
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Line

OVER_THE_TOP = frozenset({MoveKind.ARCH, MoveKind.ARM})
"""Moves whose highest place is the mid line, wherever they end."""

SMALLEST_BODY = 0.1
"""u: a flatter body than this is no body; lengths are not blown up by dividing by less."""


@dataclass(frozen=True, slots=True)
class Frame:
    """Where the letter's base is above the page's base line (u), and how tall its body is (u).

    `left` is how far right of its model the letter lies; it means nothing but is needed to lay
    one over the other.
    """

    base: float
    body: float
    left: float

    def place(self, points: FloatArray) -> FloatArray:
        """Page points in the letter's own frame: base 0, body 1, over its model."""
        return np.asarray((points - np.array([self.left, self.base])) / self.body)


def frame_of(explanation: Explanation) -> Frame:
    """The letter's own frame; the page's where it has no anchor on a line.

    Feet that disagree are averaged: one leg too short is not a letter off its line.
    """
    feet = [y for w in explanation.written for y in _anchors(w, Line.BASE)]
    crowns = [y for w in explanation.written for y in _anchors(w, Line.MID)]
    base = float(np.mean(feet)) if feet else 0.0
    body = max(float(np.mean(crowns)) - base, SMALLEST_BODY) if crowns else 1.0
    ink_x = min(float(w.ink[:, 0].min()) for w in explanation.written)
    model_x = min(float(w.piece.points[:, 0].min()) for w in explanation.written)
    return Frame(base, body, ink_x - model_x * body)


def _anchors(written: Written, line: Line) -> list[float]:
    """Heights of the ink where the move touches the line; empty where it does not."""
    move = written.piece.drawn.move
    heights = written.ink[:, 1]
    if line is Line.MID:
        return [float(heights.max())] if move.kind in OVER_THE_TOP else []
    touches = move.to.is_a_line and move.to.line is line
    return [float(heights.min())] if touches else []
