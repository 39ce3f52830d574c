"""What is seen of shape: parts that are missing, returns that leave their line, other letters."""

import numpy as np

from firstloop.core.checking.explain import Explanation
from firstloop.core.checking.findings import Code, Measure, Verdict
from firstloop.core.checking.frame import Frame
from firstloop.core.checking.reading import Reading
from firstloop.core.limits import LIMITS
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray

RETURN_BAND = (0.15, 0.6)
"""Of the body: the heights between which going back is compared with coming down. Below it the
pen is turning; above it an arch has begun to leave its stem (at 0.64)."""


def missing_part(explanation: Explanation) -> list[Measure]:
    """The moves that the way leaves out."""
    return [
        Measure(Code.MISSING_PART, 1.0, Verdict.NOT_YET, fault.stroke, fault.move)
        for fault in explanation.way.faults
        if fault.code is Code.MISSING_PART
    ]


def retrace_gap(explanation: Explanation, frame: Frame) -> list[Measure]:
    """The widest gap (u) that 'back along the same line' leaves to the line it should follow."""
    found = []
    for down, back in zip(explanation.written, explanation.written[1:], strict=False):
        drawn = back.piece.drawn
        if drawn.move.kind is not MoveKind.BACK or down.piece.drawn.stroke != drawn.stroke:
            continue
        coming_down = down.ink[int(np.argmax(down.ink[:, 1])) :]  # of an arch, its leg
        value = _widest_gap(frame.place(coming_down), frame.place(back.ink)) * frame.body
        severity = LIMITS[Code.RETRACE_GAP].severity(value)
        if severity != Verdict.SECURE:
            found.append(Measure(Code.RETRACE_GAP, value, severity, drawn.stroke, drawn.index))
    return found


def _widest_gap(down: FloatArray, back: FloatArray) -> float:
    """The widest sideways distance between two branches at one height within the band."""
    low = max(RETURN_BAND[0], float(down[:, 1].min()), float(back[:, 1].min()))
    high = min(RETURN_BAND[1], float(down[:, 1].max()), float(back[:, 1].max()))
    if high <= low:
        return 0.0
    heights = np.linspace(low, high, 12)
    return float(np.abs(_x_at(heights, back) - _x_at(heights, down)).max())


def _x_at(heights: FloatArray, branch: FloatArray) -> FloatArray:
    """x of a branch at the given heights; its points are put in order of height first."""
    order = np.argsort(branch[:, 1])
    return np.asarray(np.interp(heights, branch[order, 1], branch[order, 0]))


def reads_as_other(reading: Reading) -> list[Measure]:
    """Whether the shape is nearer to another letter, and by how much (u²)."""
    severity = LIMITS[Code.READS_AS_OTHER].severity(reading.margin)
    if severity != Verdict.NOT_YET:
        return []
    return [Measure(Code.READS_AS_OTHER, reading.margin, severity, 0, 0, other=reading.nearest)]
