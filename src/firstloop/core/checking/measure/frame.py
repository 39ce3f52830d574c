"""Where a letter stands on the ruling: its own base line and body, found from its anchors.

An anchor is a place where the script touches a line: the foot of a stem, the crown of an arch.
Parts of a letter are judged in the letter's own frame, so that a letter that floats is said to
float and is not also said to start too high, reach too far and end too soon.
"""

from dataclasses import dataclass
from statistics import fmean

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import Level

A_WRONG_FOOT = 0.3
"""[u] Feet that stand further apart in height are not a letter that slopes: one of them is wrong.
"""

SMALLEST_BODY = 0.1
"""[u] A flatter body than this is no body; lengths are not blown up by dividing by less."""


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

    Feet that disagree a little are averaged. Where one is clearly wrong, the letter stands on the
    one nearest to the line: a leg too long is not a letter below its line.
    """
    written = explanation.written
    feet = [w.low[1] for w in written if w.piece.foot]
    crowns = [w.high[1] for w in written if w.piece.crown]
    # Letters that have no crown are told by their tips; and those without even that by their start.
    crowns = crowns or [w.high[1] for w in written if w.piece.tip] or _starts(explanation)
    if crowns and not feet:  # a j stands on nothing: it hangs from where it starts
        feet = [fmean(crowns) - 1.0]
    base = _standing_on(feet)
    body = max(fmean(crowns) - base, SMALLEST_BODY) if crowns and feet else 1.0
    ink_x = min(w.low[0] for w in explanation.written)
    model_x = min(w.piece.low[0] for w in explanation.written)
    scale = body if crowns and feet else _height(explanation, base if feet else None)
    return Frame(base, body, ink_x - model_x * body, scale)


def _standing_on(feet: list[float]) -> float:
    """The height (u) that a letter stands at, by those of its feet."""
    if not feet:
        return 0.0
    return fmean(feet) if max(feet) - min(feet) < A_WRONG_FOOT else min(feet, key=abs)


def _height(explanation: Explanation, base: float | None) -> float:
    """The ink's height against its model's; where it stands on a foot, from there up: a leg that
    goes on too long does not make the letter larger."""
    written = explanation.written
    ink = max(w.high[1] for w in written)
    model = max(w.piece.high[1] for w in written)
    ink -= min(w.low[1] for w in written) if base is None else base
    model -= min(w.piece.low[1] for w in written) if base is None else 0.0
    return ink / model if min(ink, model) > SMALLEST_BODY else 1.0


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
