"""Judging a letter: its ink is explained, measured, and said as a teacher would."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation, explain, without_left_over
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.measure import (
    branching,
    direction,
    eyes,
    lengths,
    line,
    parts,
    shape,
    size,
)
from firstloop.core.checking.measure.frame import Frame, frame_of
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.measure.reading import NEAR, Reading, read
from firstloop.core.checking.measure.scan import explain_image
from firstloop.core.checking.measure.travel import travelled
from firstloop.core.checking.measure.turned import faces_of, other_way_up, other_way_up_and_leaning
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.consequences import without_consequences
from firstloop.core.checking.say.findings import Finding
from firstloop.core.checking.say.limit import Limit
from firstloop.core.checking.say.said import Said
from firstloop.core.checking.say.verdicts import WORST_FIRST
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.geometry.even import Lines, evenly
from firstloop.core.geometry.matching import Path
from firstloop.core.geometry.pictures import Look
from firstloop.core.letters import Hand, Letter
from firstloop.core.letters.ruling import Ruling

Forms = tuple[Letter, ...]

read_as_limited = partial(read, clearly_nearer=CATALOGUE[Code.READS_AS_OTHER].limit.not_yet)

_RANK = {code: rank for rank, code in enumerate(CATALOGUE)}


@dataclass(frozen=True, slots=True, eq=False)
class Measured:
    """What was made of the evidence: the explanation, what it reads as, and what was measured."""

    explanation: Explanation
    reading: Reading
    measures: Sequence[Measure]


@dataclass(frozen=True, slots=True)
class Judgement:
    """What there is to say of a letter of a text: what it reads as, and what was found."""

    reads_as: str | None
    findings: tuple[Finding, ...]


def judge(lines: Lines, forms: Forms, setting: Setting) -> Judgement:
    """What there is to say of tidied ink on the standard lines, written as the first of these
    forms; the others are as good."""
    measured = measure_ink(lines, forms, setting)
    return Judgement(measured.reading.letter, findings_of(measured, setting, frozenset(Dimension)))


def finding_of(measure: Measure, letter: Letter, setting: Setting) -> Finding | None:
    """A measure of a letter in words; None where it is within its limits."""
    limit = setting.limits[measure.code].times(measure.of_limit)
    severity = limit.severity(measure.value)
    if severity is Verdict.SECURE:
        return None
    return _in_words(measure, severity, limit, letter, setting.paper)


def measure_ink(lines: Lines, forms: Forms, setting: Setting) -> Measured:
    """Everything measured of tidied ink, written as the first of these forms or another."""
    hand, limits, left_handed = setting.hand, setting.limits, setting.left_handed
    as_it_is = explanation = explain(lines, forms)
    whole = explanation.path if explanation.settled.strokes is lines else Path.of_trace(lines)
    look: tuple[Look, float] | None = None
    if not explanation.is_right:  # what clearly is the letter is looked at no other way up
        picture, faces = Look.of(whole), faces_of(forms, hand.proportions.slant_deg)
        costs = faces.costs(picture)
        look = picture, float(costs[0])
        turned = other_way_up(lines, forms, faces, costs, explanation)
        if turned is None and costs[0] > NEAR and not explanation.is_meant:
            turned = other_way_up_and_leaning(lines, forms, faces, explanation)
        if turned is not None:
            return Measured(
                turned[1],
                read_as_limited(*look, forms[0], hand, explained=False),
                [*_measures_other_way_up(*turned, setting), *line.wobble(lines)],
            )
    explanation = without_more = without_left_over(lines, explanation)
    leaning = line.slant(explanation, hand) if explanation.holds else []
    if any(limits[m.code].severity(m.value) is Verdict.NOT_YET for m in leaning):
        explanation = _upright(explanation, forms, leaning[0].value)
    if explanation is not as_it_is or explanation.settled.extra:
        # Read without its lean and what was gone over again, but with what was left over: an n
        # with a hump more is read as m.
        whole = Path.of_trace(lines if explanation.left_over else explanation.settled.as_made)
        look = None
    if explanation is as_it_is and explanation.is_sure:
        reading = Reading(forms[0].name)
        return Measured(
            explanation,
            reading,
            [
                *leaning,
                *line.wobble(explanation.strokes),
                *_measures(explanation, reading, left_handed=left_handed),
            ],
        )
    look = look or _looked_at(whole, forms, hand)
    reading = read_as_limited(*look, forms[0], hand, explained=explanation.is_meant)
    measures = _measures(explanation, reading, left_handed=left_handed)
    if look[1] < NEAR and not reading.margin and _is_off(measures, limits):
        measures = [m for m in measures if m.code is not Code.SHAPE_OFF]
        measures += travelled(explanation.settled.as_made, forms, left_handed=left_handed)
    shaking = line.wobble(without_more.strokes) if explanation.holds else []
    return Measured(explanation, reading, [*leaning, *shaking, *measures])


def _measures_other_way_up(
    turned: Measure, explanation: Explanation, setting: Setting
) -> list[Measure]:
    """What is measured of a letter that stands another way up, beside that: all that it would be
    the right way up; but how it looks from there is no matter."""
    name = explanation.letter.name
    found = _measures(explanation, Reading(name), left_handed=setting.left_handed)
    if explanation.holds and not setting.hand.proportions.slant_deg:
        to_the_left = turned.code is Code.MIRRORED
        found += [
            replace(leaning, value=-leaning.value if to_the_left else leaning.value)
            for leaning in line.slant(explanation, setting.hand)
        ]
    return [turned, *(measure for measure in found if measure.code is not Code.SHAPE_OFF)]


def _is_off(measures: Sequence[Measure], limits: dict[Code, Limit]) -> bool:
    """Whether the shape would be said to be off: no way of making it is known that explains it."""
    return any(
        m.code is Code.SHAPE_OFF and limits[m.code].severity(m.value) is Verdict.NOT_YET
        for m in measures
    )


def _looked_at(whole: Path, forms: Forms, hand: Hand) -> tuple[Look, float]:
    """How ink looks, and what that differs by (u²) from the letter asked for."""
    look = Look.of(whole)
    return look, faces_of(forms, hand.proportions.slant_deg).upright_cost(look)


def measure_image(lines: Lines, forms: Forms, hand: Hand) -> Measured:
    """The same of the lines of a picture, which has no way of being made."""
    sighting = explain_image(lines, forms, hand.proportions.slant_deg)
    explanation = sighting.explanation
    explained = explanation.is_meant and sighting.turned is None
    look = _looked_at(Path.of_trace(sighting.lines), forms, hand)
    reading = read_as_limited(*look, forms[0], hand, explained=explained)
    if sighting.turned is not None:
        sizes = _sizes(explanation, frame_of(explanation))
        return Measured(explanation, reading, [sighting.turned, *sizes])
    leaning = line.slant(explanation, hand) if explanation.holds else []
    return Measured(
        explanation,
        reading,
        [
            *(replace(measure, value=measure.value + sighting.lean_deg) for measure in leaning),
            Measure(Code.OPEN_GAP, sighting.gap, 0, 0),
            # A picture of a line is smoother than the line: it does not show whether that shakes.
            *_measures(explanation, reading),
        ],
    )


def _upright(explanation: Explanation, forms: Forms, lean_deg: float) -> Explanation:
    """A letter that leans away is explained once more as if it stood: its lean is one thing, what
    it is made of another."""
    shear = np.array([[1.0, 0.0], [-math.tan(math.radians(lean_deg)), 1.0]])
    again = explain(tuple(evenly(stroke @ shear) for stroke in explanation.settled.as_made), forms)
    if again.total >= explanation.total:
        return explanation
    # What was left over, or went over the letter again, is there however it leans.
    settled = replace(again.settled, extra=(*explanation.settled.extra, *again.settled.extra))
    return replace(
        again, settled=settled, left_over=explanation.left_over, straightened_deg=lean_deg
    )


def _measures(
    explanation: Explanation, reading: Reading, *, left_handed: bool = False
) -> list[Measure]:
    """Everything that can be measured, in no order."""
    other = shape.reads_as_other(reading)
    if not explanation.holds:
        return other or line.shape_off(explanation)
    frame = frame_of(explanation)
    return [
        *(eyes.bar_place(explanation, frame) or direction.start_place(explanation, frame)),
        *direction.stroke_order(explanation),
        *direction.stroke_direction(explanation, left_handed),
        *direction.extra_lift(explanation),
        *shape.missing_part(explanation),
        *shape.extra_part(explanation),
        *shape.open_gap(explanation),
        *shape.retrace_gap(explanation, frame),
        *lengths.part_length(explanation, frame),
        *parts.uneven_parts(explanation),
        *branching.branch_place(explanation, frame),
        *parts.dot_place(explanation, frame),
        *parts.entry_missing(explanation),
        *parts.exit_missing(explanation),
        *parts.loop_cross(explanation, frame),
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


def findings_of(
    measured: Measured, setting: Setting, visible: frozenset[Dimension]
) -> tuple[Finding, ...]:
    """What is beyond its limit on the page, the most important first, each cause once."""
    limits, onto = setting.limits, setting.onto

    def limit_of(measure: Measure) -> Limit:
        return limits[measure.code].times(measure.of_limit)

    judged = [
        (measure, severity)
        for measure in map(onto.measure, measured.measures)
        if CATALOGUE[measure.code].dimension in visible
        and (severity := limit_of(measure).severity(measure.value)) is not Verdict.SECURE
    ]
    # What is another letter beyond doubt is told to be that before how it was made; but what it is
    # for want of a part is told by the part.
    whole = all(measure.code is not Code.MISSING_PART for measure, _ in judged)
    other_first = measured.reading.beyond_doubt and whole
    rank = {**_RANK, Code.READS_AS_OTHER: -1} if other_first else _RANK
    ranked = sorted(
        without_consequences(judged, measured.explanation),
        key=lambda one: (WORST_FIRST.index(one[1]), rank[one[0].code]),
    )
    letter = measured.explanation.letter
    return tuple(
        _in_words(measure, severity, limit_of(measure), letter, setting.paper)
        for measure, severity in ranked
    )


def _in_words(
    measure: Measure, severity: Verdict, limit: Limit, letter: Letter, paper: Ruling
) -> Finding:
    kind, said = CATALOGUE[measure.code], Said(measure, measure.form or letter, paper)
    return Finding(
        code=measure.code,
        dimension=kind.dimension,
        severity=severity,
        stroke=measure.stroke,
        move=measure.move,
        measure=round(measure.value, 3),
        limit=round(limit.not_yet, 4),
        unit=limit.unit,
        note=kind.note(said),
        say=kind.say(said),
        other=measure.other,
    )
