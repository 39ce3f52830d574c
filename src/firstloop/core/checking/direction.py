"""What is seen of direction: where it began, which way it ran, whether the pen was lifted."""

import numpy as np

from firstloop.core import polyline
from firstloop.core.checking.explain import Explanation
from firstloop.core.checking.findings import Code, Measure, Verdict
from firstloop.core.checking.frame import Frame
from firstloop.core.limits import LIMITS


def start_place(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far from the letter's start the pen was set down; negative: below it.

    A stem that begins at the right end but is too short or too long is not begun in the wrong
    place: that is `reach_up`'s to say, so tall starts count only where the way says so.
    """
    letter, first = explanation.letter, explanation.written[0]
    start = letter.moves[0].points[0]
    wrong_end = any(fault.code is Code.START_PLACE for fault in explanation.way.faults)
    if not wrong_end and (first.piece.backwards or start[1] > 1.0):
        return []
    off = (frame.place(first.ink)[0] - start) * frame.body
    value = float(np.copysign(np.hypot(*off), off[1]))
    severity = LIMITS[Code.START_PLACE].severity(value)
    return [Measure(Code.START_PLACE, value, severity, 0, 0)] if severity != Verdict.SECURE else []


def stroke_direction(explanation: Explanation) -> list[Measure]:
    """Share of each stroke's length that ran against its direction."""
    found = []
    for index in range(len(explanation.letter.strokes)):
        own = [w for w in explanation.written if w.piece.drawn.stroke == index]
        against = sum(polyline.length(w.ink) for w in own if w.piece.backwards)
        share = against / max(sum(polyline.length(w.ink) for w in own), 1e-9)
        severity = LIMITS[Code.STROKE_DIRECTION].severity(share)
        if severity != Verdict.SECURE:
            move = min(w.piece.drawn.index for w in own if w.piece.backwards)
            found.append(Measure(Code.STROKE_DIRECTION, share, severity, index, move))
    return found


def extra_lift(explanation: Explanation) -> list[Measure]:
    """How many times the pen was lifted where the letter goes on."""
    lifts = len(explanation.strokes) - len(explanation.letter.strokes)
    if lifts < 1:
        return []
    stroke, move = _lifted_before(explanation)
    severity = LIMITS[Code.EXTRA_LIFT].severity(lifts)
    return [Measure(Code.EXTRA_LIFT, float(lifts), severity, stroke, move)]


def _lifted_before(explanation: Explanation) -> tuple[int, int]:
    """The move in or before which the pen came off: the one whose ink holds the first gap."""
    for fault in explanation.way.faults:
        if fault.code is Code.EXTRA_LIFT:
            return fault.stroke, fault.move
    set_down = explanation.strokes[1][0]
    for written in explanation.written:
        if (np.abs(written.ink - set_down).sum(axis=1) == 0.0).any():
            return written.piece.drawn.stroke, written.piece.drawn.index
    return 0, 0
