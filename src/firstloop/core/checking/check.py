"""The check: explain first, then measure, then say it as a teacher would."""

import math
from collections.abc import Callable, Iterator, Sequence

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.checking.explain.tidy import tidy
from firstloop.core.checking.letters.judge import (
    Measured,
    findings_of,
    measure_image,
    measure_ink,
)
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.say.findings import CHECKER_VERSION, Finding, MoveInk, Result
from firstloop.core.checking.say.told import told_to_the_child
from firstloop.core.checking.say.verdicts import verdict_of
from firstloop.core.checking.texts.course import compose_pairs
from firstloop.core.checking.texts.joined_letter import as_joined
from firstloop.core.checking.texts.retrace import retrace
from firstloop.core.checking.texts.seen_text import SEEN, parts_of
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.image import LetterImage, SeenInk
from firstloop.core.evidence.ink import MAX_POINTS, Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.geometry.compiled import from_now_on
from firstloop.core.geometry.even import evenly
from firstloop.core.letters import draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of

Evidence = Ink | LetterImage | SeenInk


def check(evidence: Evidence, task: Task, style: Style, ruling: Ruling) -> Result:
    """What there is to say of one letter, written with a pen or seen on paper.

    Of an image shape and size are judged; direction is unseen. Raises InkError where the evidence
    cannot be a letter, UnknownLetterError where the hand has no such letter, and UncheckedError
    where more than a letter was asked for, which is for `check_text`.
    """
    if task.kind is not Kind.LETTER:
        raise UncheckedError(f"a {task.kind} is more than one letter")
    setting = Setting.of(task, style, ruling)
    forms = forms_of(task.target, setting.hand, STANDARD)
    if isinstance(evidence, Ink):
        evidence.require_a_letter()
        lines = tidy(setting.onto.ink(evidence.thinned(MAX_POINTS)), forms[0])
        measured = measure_ink(lines, forms, setting)
        visible = frozenset(Dimension)
        findings, reads_as = as_joined(
            lines,
            forms[0],
            setting,
            findings_of(measured, setting, visible),
            measured.reading.letter,
        )
    else:
        seen = evidence.seen() if isinstance(evidence, LetterImage) else evidence
        visible = SEEN
        measured, findings = _seen(seen, task.target, setting)
        reads_as = measured.reading.letter
    verdict = {
        dimension: verdict_of(findings, dimension) if dimension in visible else Verdict.UNSEEN
        for dimension in Dimension
    }
    return Result(
        target=task.target,
        kind=task.kind,
        hand=setting.hand.name,
        reads_as=reads_as,
        way=measured.explanation.way.name,
        verdict=verdict,
        findings=findings,
        say=told_to_the_child(findings, verdict),
        trail=_trail(measured.explanation, setting, findings),
        checker=CHECKER_VERSION,
    )


def _seen(seen: SeenInk, letter: str, setting: Setting) -> tuple[Measured, tuple[Finding, ...]]:
    """What is measured and found of a letter as a picture. Where there is something against it in a
    hand that joins, whose letters cross themselves, it is gone along in its order of writing too,
    as words are; what has less against it counts."""
    setting = setting.seen_on_paper()
    forms = forms_of(letter, setting.hand, STANDARD)
    lines = tuple(evenly(setting.onto.points(line)) for line in seen.lines)
    measured = measure_image(lines, forms, setting.hand)
    findings = findings_of(measured, setting, SEEN)
    if not setting.hand.joins or not _against(findings):
        return measured, findings
    traces = retrace(parts_of(seen.parts, setting.onto), letter, setting)
    strokes = Ink(tuple(Stroke.of(trace.line) for trace in traces))
    again = measure_ink(tidy(strokes, forms[0]), forms, setting)
    found = findings_of(again, setting, SEEN)
    return (again, found) if _against(found) < _against(findings) else (measured, findings)


def _against(findings: Sequence[Finding]) -> int:
    return sum(one.severity is Verdict.NOT_YET for one in findings)


def _trail(
    explanation: Explanation, setting: Setting, findings: Sequence[Finding]
) -> tuple[MoveInk, ...]:
    """The ink of each move as it lies on the page: leaning, where it was explained upright. None of
    a letter that was explained the other way round."""
    if any(one.code in (Code.MIRRORED, Code.TURNED) for one in findings):
        return ()
    lean = np.array([[1.0, 0.0], [math.tan(math.radians(explanation.straightened_deg)), 1.0]])
    return tuple(
        MoveInk(w.piece.drawn.stroke, w.piece.drawn.index, setting.onto.back(w.ink @ lean))
        for w in explanation.written
    )


def prepare(style: Style) -> None:
    """Works out once what every check in a hand needs: forms, ways and pictures of its letters, and
    how they join. The first check is then as quick as the next."""
    from_now_on()
    for piece in prepared_for(style):
        piece()


def prepared_for(style: Style) -> Iterator[Callable[[], object]]:
    """The same piece by piece, of some hundredths of a second each; each is to be called."""
    hand = hand_of(style)

    def checked(name: str, letter: str, *, backwards: bool = False) -> None:
        paths = draw(hand.scripts[letter], hand.proportions, STANDARD).paths()
        strokes = (Stroke.of(path[::-1] if backwards else path) for path in paths)
        check(Ink(tuple(strokes)), Task(name), style, STANDARD)

    # What is no k is read among all letters.
    yield lambda: checked("k", "n", backwards=True)
    for letter in hand.scripts:
        yield lambda letter=letter: checked(letter, letter)  # type: ignore[misc]
    yield lambda: compose_pairs(hand)
