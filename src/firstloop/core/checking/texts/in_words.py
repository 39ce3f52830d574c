"""From measures of a text to findings in words, each cause once; and to its verdicts."""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from firstloop.core.checking.say.findings import Finding, LetterResult
from firstloop.core.checking.say.verdicts import WORST_FIRST, verdict_of
from firstloop.core.checking.texts.catalogue import TEXT_CATALOGUE, TextSaid, text_limits_for
from firstloop.core.checking.texts.judged import Judged
from firstloop.core.checking.texts.measures import TextMeasure
from firstloop.core.checking.texts.text_setting import Asked
from firstloop.core.checking.texts.traces import box_of
from firstloop.core.contract import Code, Dimension, Verdict

SHARED_BY = 1 / 3
"""[share] Share of a text's letters from which what they have in common is the text's."""


_RANK = {code: rank for rank, code in enumerate(TEXT_CATALOGUE)}
_LETTERS_RANK = {code: rank for rank, code in enumerate(Code)}
_ANOTHER_LETTER = (Code.WRONG_LETTER, Code.CAPITAL)
_OF_TWO = (Code.JOIN_BROKEN, Code.DOUBLES_DIFFER)
"""What is said of a letter and the next."""


def findings_of(own: Sequence[TextMeasure], asked: Asked) -> list[Finding]:
    """What is beyond its limit, the most important first, each cause once."""
    limits = text_limits_for(asked.task.stage)
    found = [
        _in_words(measure, severity, limits[measure.code].not_yet, asked)
        for measure in own
        if (severity := limits[measure.code].severity(measure.value)) is not Verdict.SECURE
    ]
    found.sort(key=lambda f: (WORST_FIRST.index(f.severity), _RANK[f.code], -abs(f.measure)))
    kept: list[Finding] = []
    for finding in found:
        if not _follows(finding, [f for f in kept if f.severity is Verdict.NOT_YET]):
            kept.append(finding)
    return kept


def _in_words(measure: TextMeasure, severity: Verdict, limit: float, asked: Asked) -> Finding:
    kind, said = TEXT_CATALOGUE[measure.code], TextSaid(measure, asked.target, asked.is_row)
    return Finding(
        code=measure.code,
        dimension=kind.dimension,
        severity=severity,
        stroke=0,
        move=0,
        measure=round(measure.value, 3),
        limit=limit,
        unit=kind.limit.unit,
        note=kind.note(said),
        say=kind.say(said),
        other=measure.other,
        index=measure.index,
    )


def _follows(finding: Finding, told: Sequence[Finding]) -> bool:
    """Whether something told already is its cause: beside a letter that is another nothing else is
    said, and doubles that differ are not also uneven."""
    near = {
        other.code
        for other in told
        if finding.index is not None
        and other.index is not None
        and abs(other.index - finding.index) <= 1
    }
    if finding.code is Code.SIZE_UNEVEN and Code.DOUBLES_DIFFER in near:
        return True
    return finding.code is not Code.STOP and not near.isdisjoint(_ANOTHER_LETTER)


def letter_result(
    one: Judged, whole: Sequence[Finding], visible: frozenset[Dimension] = frozenset(Dimension)
) -> LetterResult:
    """What is said of one letter: what the text's own findings do not say already."""
    findings: tuple[Finding, ...] = ()
    if one.result is not None and not one.piece.other_case:
        explained = _explained_at(one.index, whole)
        kept = (f for f in one.result.findings if f.code not in explained)
        findings = tuple(replace(finding, index=one.index) for finding in kept)
    box = one.stood.box if one.page is one.stood.lines else box_of(np.vstack(one.page))
    x0, y0, x1, y1 = (round(value, 3) for value in box)
    return LetterResult(
        index=one.index,
        target=one.piece.letter,
        reads_as=one.result.reads_as if one.result is not None else one.stood.letter or None,
        strokes=tuple(sorted({*one.piece.traces, *one.piece.strikes})),
        box=(x0, y0, x1, y1),
        verdict={
            dimension: verdict_of(findings, dimension) if dimension in visible else Verdict.UNSEEN
            for dimension in Dimension
        },
        findings=findings,
        lines=one.stood.lines,
        struck=one.piece.struck,
        asked=not one.piece.other_case and not _is_another(one.index, whole),
    )


def _is_another(index: int, whole: Sequence[Finding]) -> bool:
    return any(f.code is Code.WRONG_LETTER and f.index == index and f.other for f in whole)


def _explained_at(index: int, whole: Sequence[Finding]) -> frozenset[Code]:
    """What is not said again of a letter."""
    told = [finding for finding in whole if finding.severity is Verdict.NOT_YET]
    return frozenset().union(
        *(
            TEXT_CATALOGUE[f.code].explains
            for f in told
            if f.index is None or 0 <= index - f.index <= (f.code in _OF_TWO)
        )
    )


def most_important(letters: Sequence[LetterResult], whole: Sequence[Finding]) -> list[Finding]:
    """What of the letters' findings is told of the whole: each code once, where it is worst; what
    more letters share before what fewer do; not what the text's own say too."""
    by_code: dict[Code, list[Finding]] = {}
    said = {(f.index, code) for f in whole for code in TEXT_CATALOGUE[f.code].says}
    for finding in (f for letter in letters for f in letter.findings):
        if finding.severity is Verdict.NOT_YET and (finding.index, finding.code) not in said:
            by_code.setdefault(finding.code, []).append(finding)
    ordered = sorted(by_code.items(), key=lambda one: (-len(one[1]), _LETTERS_RANK[one[0]]))
    return [max(found, key=lambda f: abs(f.measure)) for _, found in ordered]


def verdict_of_text(
    dimension: Dimension, whole: Sequence[Finding], letters: Sequence[LetterResult]
) -> Verdict:
    """The worst of the text's own findings and of what SHARED_BY of its letters share; the slip of
    fewer makes it `nearly`."""
    own = verdict_of(whole, dimension)
    counted = [letter.verdict[dimension] for letter in letters if not letter.struck]
    off = counted.count(Verdict.NOT_YET)
    if own is Verdict.NOT_YET or (off and off >= SHARED_BY * len(counted)):
        return Verdict.NOT_YET
    watched = off or own is Verdict.NEARLY or Verdict.NEARLY in counted
    return Verdict.NEARLY if watched else Verdict.SECURE
