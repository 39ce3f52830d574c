"""How long the parts of a letter are: bars, arms, legs, stems, slopes, and what they leave open."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.explain.cut import Written
from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.closures import closures, is_a_ring
from firstloop.core.checking.measure.eyes import curve_under
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.measures import Against, Measure
from firstloop.core.contract import Code
from firstloop.core.geometry.polyline import FloatArray, length
from firstloop.core.letters.moves import MoveKind

A_LEG = 0.35
"""[u] What comes to the base line from no higher is a bar, not a leg."""

SAME_LINE = 0.06
"""[u] What a script draws up to one line is drawn no further apart."""

A_CURVES_END = 1.55
"""[u] What a missing end of a curve counts against, so that six tenths of a body are missed and
four tenths are everyone's."""

A_MOUTH = 0.4
"""[u] Between the ends of a letter that stays open; the mouth of an e is narrower, and often shut.
"""

NOTHING = 0.05
"""[u] What is no wider has no width to be compared."""


CURVED = (MoveKind.ROUND, MoveKind.WHEEL)
"""The moves that end on their way round, where no line tells how far they go."""

STANDING = (MoveKind.DROP, MoveKind.SLOPE, MoveKind.RISE, MoveKind.SCOOP)
"""The moves that begin or end at a height that is their own: stems, slopes and cups."""


def part_length(explanation: Explanation, frame: Frame) -> list[Measure]:
    """Parts longer (+) or shorter than their model: of arms and bars the width; of legs where they
    stand, and of stems and slopes how high they begin, against the others of the letter; of other
    straight ends the length."""
    across = [
        _against(w, max(w.width, NOTHING), max(w.piece.size[0], NOTHING) * frame.scale)
        for w in explanation.written
        if w.piece.drawn.move.kind is MoveKind.ARM or is_a_bar(explanation, w)
    ]
    lengths = [
        _against(w, max(_chord(w.ink), NOTHING), _chord(w.piece.points) * frame.scale)
        for w in explanation.written
        if _is_a_straight_end(explanation, w)
    ]
    heads = _heads_of(explanation)
    standing = [
        *_legs(explanation, frame),
        *_short_heads(heads, frame),
        *_short_curves(explanation, frame),
    ]
    mouths = _mouths(explanation, heads, frame)
    found = [*standing, *across, *lengths, *mouths, *curve_under(explanation)]
    worst: dict[tuple[int, int], Measure] = {}
    for one in sorted(found, key=lambda one: abs(math.log(max(1.0 + one.value, NOTHING)))):
        worst[one.stroke, one.move] = one
    return list(worst.values())


def _against(written: Written, made: float, meant: float) -> Measure:
    drawn = written.piece.drawn
    return Measure(Code.PART_LENGTH, made / meant - 1.0, drawn.stroke, drawn.index)


def _chord(points: FloatArray) -> float:
    """u from the first to the last: of a straight part its length, shaken or not."""
    return float(np.hypot(*(points[-1] - points[0])))


def _is_a_straight_end(explanation: Explanation, written: Written) -> bool:
    """Whether it is a slope, or a bar that goes on from another straight move, at an end of its
    stroke: how far it goes no line tells. Marks are no longer than they happen to be; how far the
    bar of a G comes in and how long the flag of a 1 is are everyone's own."""
    drawn, letter = written.piece.drawn, explanation.letter
    kinds = [move.move.kind for move in letter.strokes[drawn.stroke]]
    if drawn.index not in (0, len(kinds) - 1) or is_a_ring(letter) or not letter.name.isalnum():
        return False
    if drawn.move.kind is MoveKind.CROSS:
        return len(kinds) > 1 and MoveKind.ROUND not in kinds
    return drawn.move.kind is MoveKind.SLOPE and kinds != [MoveKind.SLOPE, MoveKind.DROP]


def _legs(explanation: Explanation, frame: Frame) -> list[Measure]:
    """Of a letter of several feet those that stand elsewhere than the others."""
    feet = [w for w in explanation.written if w.piece.foot and w.piece.size[1] > A_LEG]
    if len(feet) < 2:
        return []
    return [_misses(w, frame.base - w.low[1], frame) for w in feet]


@dataclass(frozen=True, slots=True, eq=False)
class _Head:
    """An end of a stem, slope or cup on the letter's highest line: where the model's is, where the
    ink's highest point on that side is, and whether it is an end of its stroke too."""

    written: Written
    meant: FloatArray
    made: FloatArray
    outer: bool


def _heads_of(explanation: Explanation) -> list[_Head]:
    line = max(w.piece.high[1] for w in explanation.written)
    found = []
    for written in explanation.written:
        drawn, ink = written.piece.drawn, written.ink
        last, half = len(explanation.letter.strokes[drawn.stroke]) - 1, len(ink) // 2
        for end, index, side in ((0, 0, ink[: half + 1]), (-1, last, ink[half:])):
            meant = written.piece.points[end]
            if drawn.move.kind in STANDING and line - meant[1] < SAME_LINE:
                made = side[side[:, 1].argmax()]
                found.append(_Head(written, meant, made, drawn.index == index))
    return found


def _short_heads(heads: Sequence[_Head], frame: Frame) -> list[Measure]:
    """Of a letter whose strokes begin or end on its highest line more than once the stems and
    slopes that stay below the tallest. A middle point, as of a W, may stand lower."""
    heads = [head for head in heads if head.outer]
    tallest = max((head.made[1] for head in heads), default=0.0)
    return [
        _misses(head.written, float(head.made[1] - tallest), frame)
        for head in heads
        if head.made[1] < tallest
    ]


def _short_curves(explanation: Explanation, frame: Frame) -> list[Measure]:
    """Curves that stop short at a free end of their stroke (C, S, 2, 3, 5): what is missing of
    their way round, as a share of A_CURVES_END. One that goes on too long closes, or is off."""
    letter = explanation.letter
    if explanation.way.faults or is_a_ring(letter) or not letter.name.isalnum():
        return []
    closing = {(one.stroke, one.move) for one in closures(letter)}
    found = []
    for written in explanation.written:
        drawn = written.piece.drawn
        last = len(letter.strokes[drawn.stroke]) - 1
        free = drawn.index in (0, last) and (drawn.stroke, drawn.index) not in closing
        if not free or drawn.move.kind not in CURVED:
            continue
        missing = length(written.ink) - length(written.piece.points) * frame.scale
        if missing < 0.0:
            value = missing / (A_CURVES_END * frame.body)
            found.append(
                Measure(Code.PART_LENGTH, value, drawn.stroke, drawn.index, against=Against.BODY)
            )
    return found


def _mouths(explanation: Explanation, heads: Sequence[_Head], frame: Frame) -> list[Measure]:
    """What should stay open (c, u, v) and is closing: the opening against its model's, which counts
    as a part that goes on too long. Told of letters of one line, as it should be made."""
    if (
        len(explanation.letter.strokes) > 1
        or explanation.way.faults
        or closures(explanation.letter)
    ):
        return []
    between = _around_a_mouth(explanation, heads)
    if between is None:
        return []
    meant, made = _chord(between[0]), _chord(between[1]) / frame.scale
    if made > meant or meant < A_MOUTH:
        return []
    drawn = explanation.written[-1].piece.drawn
    value = meant / max(made, NOTHING) - 1.0
    return [Measure(Code.PART_LENGTH, value, drawn.stroke, drawn.index, against=Against.MOUTH)]


def _around_a_mouth(
    explanation: Explanation, heads: Sequence[_Head]
) -> tuple[FloatArray, FloatArray] | None:
    """The two places (2, 2) that a letter's opening lies between, of the model and of the ink: its
    outer heads, or of a round that does not close its ends."""
    if len(heads) > 1:
        left, *_, right = sorted(heads, key=lambda head: float(head.meant[0]))
        return np.array([left.meant, right.meant]), np.array([left.made, right.made])
    kinds = {written.piece.drawn.move.kind for written in explanation.written}
    if MoveKind.ROUND not in kinds or MoveKind.WHEEL in kinds:
        return None
    first, last = explanation.written[0], explanation.written[-1]
    model = np.array([first.piece.points[0], last.piece.points[-1]])
    return model, np.array([first.ink[0], last.ink[-1]])


def _misses(written: Written, by: float, frame: Frame) -> Measure:
    """Longer (+) or shorter by so many u, as a share of the part; of a long one as a share of a
    body, for what is missing at its end is as plain as on a short one."""
    drawn, size = written.piece.drawn, written.piece.size[1]
    value = by / max(min(size, 1.0) * frame.body, NOTHING)
    against = Against.BODY if size > 1.0 else Against.MODEL
    return Measure(Code.PART_LENGTH, value, drawn.stroke, drawn.index, against=against)


def is_a_bar(explanation: Explanation, written: Written) -> bool:
    """Whether it is a bar that is a stroke of its own."""
    drawn = written.piece.drawn
    return drawn.move.kind is MoveKind.CROSS and len(explanation.letter.strokes[drawn.stroke]) == 1
