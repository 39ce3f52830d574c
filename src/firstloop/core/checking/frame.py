"""Where a letter stands on the ruling: its own base line and body, found from its anchors.

An anchor is a place where the script touches a line: the foot of a stem, the crown of an arch.
Parts of a letter are judged in the letter's own frame, so that a letter that floats is said to
float and is not also said to start too high, reach too far and end too soon.
"""

from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.explain import Explanation, Written
from firstloop.core.moves import Level
from firstloop.core.polyline import FloatArray

SMALLEST_BODY = 0.1
"""u: a flatter body than this is no body; lengths are not blown up by dividing by less."""


@dataclass(frozen=True, slots=True)
class Frame:
    """Where the letter's base is above the page's base line (u), and how tall its body is (u).

    `left` is how far right of its model the letter lies; it means nothing but is needed to lay
    one over the other. `scale` is how large the letter is against its model: its body's, or of
    capitals and digits, which have none, their height's.
    """

    base: float
    body: float
    left: float
    scale: float

    def place(self, points: FloatArray) -> FloatArray:
        """Page points in the letter's own frame: base 0, body 1, over its model."""
        return np.asarray((points - np.array([self.left, self.base])) / self.body)


def frame_of(explanation: Explanation) -> Frame:
    """The letter's own frame; the page's where it has no anchor on a line.

    Feet that disagree are averaged: one leg too short is not a letter off its line.
    """
    feet = [y for w in explanation.written for y in _feet(w)]
    crowns = [y for w in explanation.written for y in _crowns(w)]
    crowns = crowns or [y for w in explanation.written for y in _tips(w)]
    crowns = crowns or _starts(explanation)
    if crowns and not feet:  # a j stands on nothing: it hangs from where it starts
        feet = [float(np.mean(crowns)) - 1.0]
    base = float(np.mean(feet)) if feet else 0.0
    body = max(float(np.mean(crowns)) - base, SMALLEST_BODY) if crowns and feet else 1.0
    ink_x = min(w.low[0] for w in explanation.written)
    model_x = min(w.piece.low[0] for w in explanation.written)
    scale = body if crowns and feet else _height(explanation)
    return Frame(base, body, ink_x - model_x * body, scale)


def _height(explanation: Explanation) -> float:
    """The ink's height against its model's."""
    written = explanation.written
    ink = max(w.high[1] for w in written) - min(w.low[1] for w in written)
    model = max(w.piece.high[1] for w in written) - min(w.piece.low[1] for w in written)
    return ink / model if model > SMALLEST_BODY else 1.0


def _feet(written: Written) -> list[float]:
    """The ink's height where the move touches the base line."""
    nodes = written.piece.drawn.move.nodes
    # A loop crosses the base line on its way; its lowest ink is its tail's.
    touches = {Level.BASE, Level.DROP} & {node.y for node in nodes} == {Level.BASE}
    return [written.low[1]] if touches else []


def _crowns(written: Written) -> list[float]:
    """The ink's height where the move is level at the mid line: the top of an arch or a round."""
    move = written.piece.drawn.move
    level = any(
        node.y is Level.MID and node.heading_deg is not None and node.heading_deg % 180 == 0
        for node in move.nodes
    )
    return [written.high[1]] if level else []


def _tips(written: Written) -> list[float]:
    """The ink's height where a move ends at the mid line; for letters that have no crown."""
    move = written.piece.drawn.move
    return [written.high[1]] if move.end.y is Level.MID else []


def _starts(explanation: Explanation) -> list[float]:
    """The ink's heights where strokes set off from the mid line; for letters without even that."""
    letter = explanation.letter
    return [
        float(w.ink[0, 1])
        for w in explanation.written
        if w.piece.drawn.index == 0
        and not w.piece.backwards
        and letter.script.strokes[w.piece.drawn.stroke].start.y is Level.MID
    ]
