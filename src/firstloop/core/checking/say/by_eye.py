"""What a teacher's eye saw on paper or a whiteboard while she walked round, in the words of a
check: one thing to mend, of which nothing is measured, or that all was well."""

from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.findings import ALL_IS_WELL, Finding
from firstloop.core.contract import Code, Dimension, Verdict

ROUGHLY = {
    Code.START_PLACE: "Start",
    Code.STROKE_DIRECTION: "Direction",
    Code.BODY_HEIGHT: "Size",
    Code.SHAPE_OFF: "Shape",
}
"""What is seen at a glance of any letter, where none of its usual slips is."""

_SAY = {
    Dimension.DIRECTION: "Look where it starts, and which way it goes.",
    Dimension.SIZE: "Look at the lines: how far it goes up and down.",
    Dimension.SHAPE: "Look at the letter once more, and make the next one like it.",
}


def seen_by_eye(code: Code | None) -> tuple[dict[Dimension, Verdict], tuple[Finding, ...], str]:
    """Verdicts, findings and what is said; None: it was well made. What was not looked at is
    unseen.

    >>> verdicts, findings, say = seen_by_eye(Code.START_PLACE)
    >>> [verdict.value for verdict in verdicts.values()], findings[0].note
    (['not_yet', 'unseen', 'unseen'], 'Seen by eye; nothing was measured.')
    >>> seen_by_eye(None)[0][Dimension.SHAPE].value
    'secure'
    """
    if code is None:
        return dict.fromkeys(Dimension, Verdict.SECURE), (), ALL_IS_WELL
    kind = CATALOGUE[code]
    verdicts = dict.fromkeys(Dimension, Verdict.UNSEEN) | {kind.dimension: Verdict.NOT_YET}
    finding = Finding(
        code=code,
        dimension=kind.dimension,
        severity=Verdict.NOT_YET,
        stroke=0,
        move=0,
        measure=kind.limit.not_yet,
        limit=kind.limit.not_yet,
        unit=kind.limit.unit,
        note="Seen by eye; nothing was measured.",
        say=_SAY[kind.dimension],
    )
    return verdicts, (finding,), finding.say
