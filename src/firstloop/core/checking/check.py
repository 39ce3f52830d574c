"""The check: explain first, then measure, then say it as a teacher would."""

from firstloop.core.checking import direction, shape, size, wording
from firstloop.core.checking.explain import Explanation, explain, tidy
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
from firstloop.core.checking.frame import frame_of
from firstloop.core.checking.match import Path
from firstloop.core.checking.reading import Reading, read
from firstloop.core.ink import Ink
from firstloop.core.letterforms import Hand, Letter, draw, find_script
from firstloop.core.limits import LIMITS
from firstloop.core.ruling import Ruling

CHECKER_VERSION = "1"
"""Goes up whenever the same ink may get another answer."""

_RANK = {code: rank for rank, code in enumerate(Code)}
_WORST_FIRST = (Verdict.NOT_YET, Verdict.NEARLY)


def check(ink: Ink, target: str, hand: Hand, ruling: Ruling) -> Result:
    """What there is to say of one letter written with a pen.

    Raises InkError where the ink cannot be a letter, UnknownLetterError where the hand has no
    such letter.
    """
    ink.require_a_letter()
    letter = draw(find_script(target, hand), hand.proportions, ruling)
    strokes = tidy(ink, letter)
    path = Path.of(list(strokes))
    explanation = explain(strokes, path, letter)
    reading = read(path, letter, hand)
    measures = sorted(
        _without_consequences(_measures(explanation, reading)),
        key=lambda m: (_WORST_FIRST.index(m.severity), _RANK[m.code]),
    )
    findings = tuple(_in_words(measure, letter) for measure in measures)
    to_mend = [finding for finding in findings if finding.severity is Verdict.NOT_YET]
    other = next((m.other for m in measures if m.other), None)
    return Result(
        target=target,
        hand=hand.name,
        reads_as=other or target,
        way=explanation.way.name,
        verdict={dimension: _verdict(findings, dimension) for dimension in Dimension},
        findings=findings,
        say=to_mend[0].say if to_mend else wording.ALL_IS_WELL,
        trail=tuple(
            MoveInk(w.piece.drawn.stroke, w.piece.drawn.index, w.ink) for w in explanation.written
        ),
        checker=CHECKER_VERSION,
    )


def _measures(explanation: Explanation, reading: Reading) -> list[Measure]:
    """Everything measured that is beyond its limit, in no order."""
    other = shape.reads_as_other(reading)
    if not explanation.holds:
        return other
    frame = frame_of(explanation)
    return [
        *direction.start_place(explanation, frame),
        *direction.stroke_direction(explanation),
        *direction.extra_lift(explanation),
        *shape.missing_part(explanation),
        *shape.retrace_gap(explanation, frame),
        *other,
        *size.off_base(explanation, frame),
        *size.body_height(explanation, frame),
        *size.reach_up(explanation, frame),
    ]


def _without_consequences(measures: list[Measure]) -> list[Measure]:
    """Drops what another finding already explains: one cause, one finding."""
    codes = {measure.code for measure in measures if measure.severity is Verdict.NOT_YET}
    explained: set[Code] = set()
    if Code.START_PLACE in codes:  # begun at the foot, the stem is pushed up and often left there
        explained |= {Code.STROKE_DIRECTION, Code.EXTRA_LIFT}
    if Code.STROKE_DIRECTION in codes:
        explained |= {Code.RETRACE_GAP, Code.EXTRA_LIFT}
    if Code.EXTRA_LIFT in codes:
        explained.add(Code.RETRACE_GAP)
    if Code.READS_AS_OTHER in codes:  # n with the stem of an h: it is the h that matters
        explained |= {code for code in (Code.START_PLACE,) if _started_high(measures)}
    return [measure for measure in measures if measure.code not in explained]


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
