"""What is seen of single parts against their model: their match, their place, what joins them."""

import numpy as np

from firstloop.core.checking.explain.cut import Written
from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.lengths import NOTHING, is_a_bar
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import MoveKind


def uneven_parts(explanation: Explanation) -> list[Measure]:
    """Humps, valleys and bars that should match: the widest against the narrowest, each against its
    model, minus one. A valley is two slopes, for where one ends and the next begins children are
    not so exact."""
    found = []
    for kind, in_a_part in ((MoveKind.ARCH, 1), (MoveKind.SCOOP, 1), (MoveKind.SLOPE, 2)):
        same = [w for w in explanation.written if w.piece.drawn.move.kind is kind]
        if len(same) < 2 * in_a_part or len({w.piece.drawn.stroke for w in same}) > 1:
            continue
        widths = [_share(same[at : at + in_a_part]) for at in range(0, len(same), in_a_part)]
        drawn = same[widths.index(max(widths)) * in_a_part].piece.drawn
        value = max(widths) / min(widths) - 1.0
        found.append(Measure(Code.UNEVEN_PARTS, value, drawn.stroke, drawn.index))
    bars = [w for w in explanation.written if is_a_bar(explanation, w)]
    if len(bars) > 1:
        widths = [max(w.width, NOTHING) / max(w.piece.size[0], NOTHING) for w in bars]
        drawn = bars[widths.index(max(widths))].piece.drawn
        value = max(widths) / min(widths) - 1.0
        found.append(Measure(Code.UNEVEN_PARTS, value, drawn.stroke, drawn.index))
    return found


def dot_place(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far (u) a dot is from its place: sideways it is counted from the top of the stem, for how
    wide a tail swings has nothing to do with it."""
    for written in explanation.written:
        drawn = written.piece.drawn
        if drawn.move.kind is not MoveKind.DOT:
            continue
        off = frame.place(written.ink).mean(axis=0) - written.piece.points.mean(axis=0)
        stem = _stem_of(explanation)
        if stem is not None:
            off[0] -= (frame.place(_top(stem.ink)) - _top(stem.piece.points))[0]
        return [
            Measure(Code.DOT_PLACE, float(np.hypot(*off)) * frame.body, drawn.stroke, drawn.index)
        ]
    return []


def _stem_of(explanation: Explanation) -> Written | None:
    stems = (w for w in explanation.written if w.piece.drawn.move.kind is MoveKind.DROP)
    return next(stems, None)


def _top(points: FloatArray) -> FloatArray:
    return np.asarray(points[points[:, 1].argmax()])


def entry_missing(explanation: Explanation) -> list[Measure]:
    """Joined hands: the share of the lead-in that is not there."""
    return _lacking(explanation, MoveKind.LEAD_IN, Code.ENTRY_MISSING)


def exit_missing(explanation: Explanation) -> list[Measure]:
    """Joined hands: the share of the flick that is not there; in print a flick may be left out."""
    joined = any(move.move.kind is MoveKind.LEAD_IN for move in explanation.letter.moves)
    return _lacking(explanation, MoveKind.FLICK, Code.EXIT_MISSING) if joined else []


def _lacking(explanation: Explanation, kind: MoveKind, code: Code) -> list[Measure]:
    for fault in explanation.way.faults:
        if fault.code is code:
            return [Measure(code, 1.0, fault.stroke, fault.move)]
    for written in explanation.written:
        drawn = written.piece.drawn
        if drawn.move.kind is kind:
            share = max(0.0, 1.0 - written.length / written.piece.length)
            return [Measure(code, share, drawn.stroke, drawn.index)]
    return []


def loop_cross(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far (u) above (+) or below its place a tail's loop crosses its stem."""
    for stem, loop in zip(explanation.written, explanation.written[1:], strict=False):
        drawn = loop.piece.drawn
        if drawn.move.kind is not MoveKind.LOOP or stem.piece.drawn.move.kind is not MoveKind.DROP:
            continue
        meant = _crossing(stem.piece.points, loop.piece.points)
        made = _crossing(frame.place(stem.ink), frame.place(loop.ink))
        if meant is None or made is None:
            continue
        value = (made - meant) * frame.body
        return [Measure(Code.LOOP_CROSS, value, drawn.stroke, drawn.index)]
    return []


def _crossing(stem: FloatArray, loop: FloatArray) -> float | None:
    """The height at which a loop crosses its stem: where it comes nearest to it on its way back."""
    down, back = polyline.respace(stem, 0.03), polyline.respace(loop, 0.03)
    back = back[int(np.argmin(back[:, 1])) :]  # the turn at the bottom is past
    if len(back) < 2:
        return None
    apart = np.hypot(*(down[:, None] - back[None]).transpose(2, 0, 1))
    at = np.unravel_index(int(apart.argmin()), apart.shape)
    return float(back[at[1], 1])


def _share(parts: list[Written]) -> float:
    """How wide parts are against their model."""
    made = max(w.high[0] for w in parts) - min(w.low[0] for w in parts)
    meant = max(w.piece.high[0] for w in parts) - min(w.piece.low[0] for w in parts)
    return max(made, NOTHING) / max(meant, NOTHING)
