"""The check: explain first, then measure, then say it as a teacher would."""

import math
from collections.abc import Sequence

import numpy as np

from firstloop.core.checking import direction, line, parts, shape, size, wording
from firstloop.core.checking.explain import Explanation, explain, without_left_over
from firstloop.core.checking.findings import (
    DIMENSION_OF,
    Code,
    Dimension,
    Finding,
    Measure,
    MoveInk,
    Result,
    Verdict,
)
from firstloop.core.checking.forms import forms_of
from firstloop.core.checking.frame import Frame, frame_of
from firstloop.core.checking.pictures import look_of_trace
from firstloop.core.checking.reading import Reading, read
from firstloop.core.checking.trace import Lines, evenly, tidy
from firstloop.core.checking.turned import faces_of, other_way_up
from firstloop.core.ink import Ink
from firstloop.core.letterforms import Hand, Letter
from firstloop.core.limits import DOUBTFUL, LIMITS
from firstloop.core.moves import MoveKind
from firstloop.core.ruling import Ruling

CHECKER_VERSION = "2"
"""Goes up whenever the same ink may get another answer."""

_RANK = {code: rank for rank, code in enumerate(Code)}
_WORST_FIRST = (Verdict.NOT_YET, Verdict.NEARLY)


def check(
    ink: Ink, target: str, hand: Hand, ruling: Ruling, *, left_handed: bool = False
) -> Result:
    """What there is to say of one letter written with a pen.

    Raises InkError where the ink cannot be a letter, UnknownLetterError where the hand has no
    such letter.
    """
    ink.require_a_letter()
    forms = forms_of(target, hand, ruling)
    strokes = tidy(ink, forms[0])
    explanation = explain(strokes, forms)
    path, faces = look_of_trace(strokes), faces_of(forms, hand.proportions.slant_deg)
    look = faces.costs(path, DOUBTFUL)
    turned = other_way_up(strokes, forms, faces, look, explanation)
    if turned is not None:
        reading = read(path, target, float(look[0]), hand, ruling)
        measure, explanation = turned
        found = [measure, *_sizes(explanation, frame_of(explanation))]
    else:
        explanation = without_left_over(strokes, explanation)
        leaning = line.slant(explanation, hand) if explanation.holds else []
        if any(measure.severity is Verdict.NOT_YET for measure in leaning):
            explanation = _upright(explanation, forms, leaning[0].value)
        reading = _read(explanation, strokes, forms, hand)
        found = [*leaning, *_measures(explanation, reading, left_handed)]
    letter = explanation.letter
    measures = sorted(
        _without_consequences(found, explanation),
        key=lambda m: (_WORST_FIRST.index(m.severity), _RANK[m.code]),
    )
    findings = tuple(_in_words(measure, letter) for measure in measures)
    to_mend = [finding for finding in findings if finding.severity is Verdict.NOT_YET]
    return Result(
        target=target,
        hand=hand.name,
        reads_as=reading.nearest,
        way=explanation.way.name,
        verdict={dimension: _verdict(findings, dimension) for dimension in Dimension},
        findings=findings,
        say=to_mend[0].say if to_mend else wording.ALL_IS_WELL,
        trail=tuple(
            MoveInk(w.piece.drawn.stroke, w.piece.drawn.index, w.ink) for w in explanation.written
        ),
        checker=CHECKER_VERSION,
    )


def _read(
    explanation: Explanation, strokes: Lines, forms: tuple[Letter, ...], hand: Hand
) -> Reading:
    """What the letter reads as, without what was gone over again, but with what was left over: an
    n with a hump more is read as m."""
    path = look_of_trace(strokes if explanation.left_over else explanation.settled.as_made)
    cost = float(faces_of(forms, hand.proportions.slant_deg).costs(path, np.inf)[0])
    return read(path, forms[0].name, cost, hand, forms[0].ruling)


def _upright(explanation: Explanation, forms: Sequence[Letter], lean_deg: float) -> Explanation:
    """A letter that leans away is explained once more as if it stood: its lean is one thing, what
    it is made of another."""
    shear = np.array([[1.0, 0.0], [-math.tan(math.radians(lean_deg)), 1.0]])
    again = explain(tuple(evenly(stroke @ shear) for stroke in explanation.settled.as_made), forms)
    return again if again.total < explanation.total else explanation


def _measures(explanation: Explanation, reading: Reading, left_handed: bool) -> list[Measure]:
    """Everything measured that is beyond its limit, in no order."""
    other = shape.reads_as_other(reading)
    if not explanation.holds:
        return other or line.shape_off(explanation)
    frame = frame_of(explanation)
    return [
        *direction.start_place(explanation, frame),
        *direction.stroke_order(explanation),
        *direction.stroke_direction(explanation, left_handed),
        *direction.extra_lift(explanation),
        *shape.missing_part(explanation),
        *shape.extra_part(explanation),
        *shape.open_gap(explanation),
        *shape.retrace_gap(explanation, frame),
        *parts.part_length(explanation, frame),
        *parts.uneven_parts(explanation),
        *parts.dot_place(explanation, frame),
        *parts.entry_missing(explanation),
        *parts.exit_missing(explanation),
        *parts.loop_cross(explanation, frame),
        *line.wobble(explanation),
        *line.shape_off(explanation),
        *other,
        *_sizes(explanation, frame),
    ]


def _sizes(explanation: Explanation, frame: Frame) -> list[Measure]:
    return [
        *size.off_base(explanation, frame),
        *size.body_height(explanation, frame),
        *size.reach_up(explanation, frame),
        *size.reach_down(explanation, frame),
        *size.width(explanation, frame),
    ]


_EXPLAINS: dict[Code, frozenset[Code]] = {
    Code.STROKE_ORDER: frozenset({Code.START_PLACE, Code.EXTRA_LIFT}),
    Code.START_PLACE: frozenset({Code.EXTRA_LIFT}),
    Code.STROKE_DIRECTION: frozenset({Code.RETRACE_GAP, Code.EXTRA_LIFT, Code.OPEN_GAP}),
    Code.EXTRA_LIFT: frozenset({Code.RETRACE_GAP}),
    Code.MISSING_PART: frozenset({Code.WIDTH, Code.OPEN_GAP}),
    Code.OPEN_GAP: frozenset({Code.READS_AS_OTHER}),
    Code.ENTRY_MISSING: frozenset({Code.READS_AS_OTHER, Code.WIDTH, Code.START_PLACE}),
    Code.EXIT_MISSING: frozenset({Code.READS_AS_OTHER, Code.WIDTH}),
    Code.RETRACE_GAP: frozenset({Code.WIDTH, Code.SLANT, Code.UNEVEN_PARTS}),
    Code.DOT_PLACE: frozenset({Code.READS_AS_OTHER}),
    Code.READS_AS_OTHER: frozenset({Code.PART_LENGTH}),
    Code.UNEVEN_PARTS: frozenset({Code.WIDTH}),
    Code.BODY_HEIGHT: frozenset({Code.WOBBLE, Code.READS_AS_OTHER}),
    Code.WIDTH: frozenset({Code.PART_LENGTH, Code.READS_AS_OTHER}),
    Code.WOBBLE: frozenset({Code.EXTRA_PART, Code.RETRACE_GAP}),
}
"""What another finding already explains: one cause, one finding."""


def _without_consequences(measures: list[Measure], explanation: Explanation) -> list[Measure]:
    codes = {measure.code for measure in measures if measure.severity is Verdict.NOT_YET}
    explained: set[Code] = set()
    for code in Code:  # the more important first; what is explained itself explains nothing
        if code in codes and code not in explained:
            explained |= _EXPLAINS.get(code, frozenset())
    # Begun at the foot, the stem is pushed up: a round the other way is a thing of its own.
    if Code.START_PLACE in codes and (
        any(fault.code is Code.START_PLACE for fault in explanation.way.faults)
        or _begins_reversed(explanation)
    ):
        explained.add(Code.STROKE_DIRECTION)
    if Code.WIDTH in codes and not _began_at_another_end(explanation):
        explained.add(Code.START_PLACE)
    if Code.READS_AS_OTHER in codes and _ends_in_an_arm(explanation):
        explained.add(Code.EXTRA_PART)  # r with a leg: it is the n that matters
    if codes - {Code.SHAPE_OFF}:
        explained.add(Code.SHAPE_OFF)  # it is for what no other code says
    if Code.READS_AS_OTHER in codes and _started_high(measures):
        explained.add(Code.START_PLACE)  # n with the stem of an h: it is the h that matters
    return [measure for measure in measures if measure.code not in explained]


def _began_at_another_end(explanation: Explanation) -> bool:
    return bool(explanation.settled.flipped) or bool(explanation.way.faults)


def _begins_reversed(explanation: Explanation) -> bool:
    first = explanation.written[0].piece.drawn.stroke
    return first in explanation.settled.flipped


def _ends_in_an_arm(explanation: Explanation) -> bool:
    return explanation.written[-1].piece.drawn.move.kind is MoveKind.ARM


def _started_high(measures: list[Measure]) -> bool:
    return any(m.code is Code.START_PLACE and m.value > 0 for m in measures)


def _in_words(measure: Measure, letter: Letter) -> Finding:
    limit = LIMITS[measure.code]
    return Finding(
        code=measure.code,
        dimension=DIMENSION_OF[measure.code],
        severity=measure.severity,
        stroke=measure.stroke,
        move=measure.move,
        measure=round(measure.value, 3),
        limit=limit.not_yet,
        unit=limit.unit,
        note=wording.note(measure, letter),
        say=wording.say(measure, letter),
        other=measure.other,
    )


def _verdict(findings: tuple[Finding, ...], dimension: Dimension) -> Verdict:
    severities = {finding.severity for finding in findings if finding.dimension is dimension}
    for severity in _WORST_FIRST:
        if severity in severities:
            return severity
    return Verdict.SECURE
