"""The check of a text: its ink is explained as letters, each is judged by the check of letters, and
what only a text shows is measured."""

import math
from collections.abc import Iterator, Sequence

import numpy as np

from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.say.findings import (
    CHECKER_VERSION,
    Mark,
    MarkKind,
    TextResult,
)
from firstloop.core.checking.say.told import told_to_the_child
from firstloop.core.checking.texts.drift import slope_of, slope_of_letters
from firstloop.core.checking.texts.in_words import (
    findings_of,
    letter_result,
    most_important,
    verdict_of_text,
)
from firstloop.core.checking.texts.judged import Judged, judged
from firstloop.core.checking.texts.marks import SetAside, set_aside
from firstloop.core.checking.texts.measures import TextMeasure
from firstloop.core.checking.texts.pieces import Laid, with_struck
from firstloop.core.checking.texts.retrace import retrace
from firstloop.core.checking.texts.rows import course_of_row
from firstloop.core.checking.texts.seen_text import SEEN, seen_aside
from firstloop.core.checking.texts.text_setting import Asked
from firstloop.core.checking.texts.traces import traces_of
from firstloop.core.checking.texts.whole_text import of_the_text
from firstloop.core.checking.texts.writing import PaperWriting, PenWriting, Writing
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.image import SeenInk
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import find_script
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

STANDS_ON_THE_LINE = frozenset(GROUPS["small"] + GROUPS["capital"]) - frozenset("fgjpqyQJ")
"""Letters that end on the line: f is a letter with a tail in some hands."""

DRIFTS_BY = 0.3
"""[u] From end to end, from which a line of feet may drift."""

MOST_LETTERS = 120
"""[letters] Letters of a text that are checked at once: a page of writing at this age has fewer."""


def check_text(ink: Ink, task: Task, style: Style, ruling: Ruling) -> TextResult:
    """What there is to say of a row, a word or a sentence written with a pen.

    Raises InkError where there is no ink or too much, UnknownLetterError for a letter that the hand
    has not, and UncheckedError for a text without letters or with too many.
    """
    ink.require_a_text()
    asked = _asked(task, style, ruling)
    found = set_aside(traces_of(ink, asked.setting.onto))
    return _checked(PenWriting(found.writing), found, asked)


def check_seen_text(ink: SeenInk, task: Task, style: Style, ruling: Ruling) -> TextResult:
    """The same of what is seen on paper: which way it was made is unseen. Raises as `check_text`,
    and UncheckedError where all of it is struck out."""
    asked = _asked(task, style, ruling)
    found = seen_aside(ink, asked.setting.onto)
    if asked.joined:
        retraced = retrace(found.parts, asked.target, asked.setting)
        return _checked(PenWriting(retraced), found.aside, asked, SEEN)
    return _checked(PaperWriting(found.parts), found.aside, asked, SEEN)


def _asked(task: Task, style: Style, ruling: Ruling) -> Asked:
    asked = Asked.of(task, Setting.of(task, style, ruling).within_a_text())
    if task.kind is not Kind.FREE:
        _require_letters(asked)
    return asked


def _checked(
    writing: Writing,
    found: SetAside,
    asked: Asked,
    visible: frozenset[Dimension] = frozenset(Dimension),
) -> TextResult:
    laid, slope, asked = _on_its_line(writing, asked)
    if asked.letters:
        laid = with_struck(laid, found.struck, asked.letters)
    letters = judged(laid, asked, found.left, slope, writing.judge)
    own = list(of_the_text(letters, laid.missing, asked))
    if slope:
        own.append(TextMeasure(Code.LINE_DRIFT, math.degrees(math.atan(slope)), None))
    return _result(letters, own, found, asked, visible)


def _on_its_line(writing: Writing, asked: Asked) -> tuple[Laid, float, Asked]:
    """The text in pieces on its own line of feet; how much that climbs (0: it does not drift); and
    what was asked for, which of free writing is what it reads as.

    Feet alone tell about where the line is, so that letters are found; the letters tell where.
    """
    about, feet_run = slope_of(writing.feet)
    about = about if abs(about) * feet_run >= DRIFTS_BY else 0.0
    laid, asked_here = writing.levelled(about).pieces(asked)
    told = slope_of_letters(_bottoms(laid))
    if told is None:
        return laid, about, asked_here
    more, run = told
    if about and run:  # where both tell of it, the feet of letters that are left out count too
        run = max(run, feet_run)
    slope = about + more if abs(about + more) * run >= DRIFTS_BY else 0.0
    if slope != about:
        laid, asked_here = writing.levelled(slope).pieces(asked)
    return laid, slope, asked_here


def _bottoms(laid: Laid) -> FloatArray:
    """Where each letter that stands on the line is lowest, (n, 2)."""
    standing = [p for p in laid.pieces if not p.struck and (p.letter or "") in STANDS_ON_THE_LINE]
    inks = [np.vstack(piece.lines) for piece in standing]
    return np.array([ink[ink[:, 1].argmin()] for ink in inks]).reshape(-1, 2)


def _require_letters(asked: Asked) -> None:
    if not any(letter.isalnum() for letter in asked.letters):
        raise UncheckedError("there is no letter in what was asked for")
    if len(asked.letters) > MOST_LETTERS:
        raise UncheckedError(
            f"{len(asked.letters)} letters were asked for; {MOST_LETTERS} can be checked at once"
        )
    for letter in asked.letters:
        find_script(letter, asked.setting.hand)


def _result(
    letters: Sequence[Judged],
    own: Sequence[TextMeasure],
    found: SetAside,
    asked: Asked,
    visible: frozenset[Dimension],
) -> TextResult:
    whole = findings_of(own, asked)
    results = tuple(letter_result(one, whole, visible) for one in letters)
    every = (*whole, *most_important(results, whole))
    verdict = {
        dimension: verdict_of_text(dimension, whole, results)
        if dimension in visible
        else Verdict.UNSEEN
        for dimension in Dimension
    }
    return TextResult(
        target=asked.task.target,
        kind=asked.task.kind,
        hand=asked.setting.hand.name,
        reads_as=_read(letters, asked),
        verdict=verdict,
        findings=every,
        say=told_to_the_child(every, verdict),
        letters=results,
        marks=tuple(_marks(letters, found)),
        row=course_of_row(results) if asked.is_row else None,
        checker=CHECKER_VERSION,
    )


def _read(letters: Sequence[Judged], asked: Asked) -> str:
    """The whole as it would be read: the letters as they are, with the spaces asked for; a letter
    that reads as nothing is a low line."""
    text, before = "", 0
    for one in letters:
        if one.piece.struck:
            continue
        if not asked.is_row and " " in asked.target[before : one.index]:
            text += " "
        text += (one.result.reads_as if one.result is not None else one.stood.letter) or "_"
        before = one.index
    return text


def _marks(letters: Sequence[Judged], found: SetAside) -> Iterator[Mark]:
    for one in letters:
        if one.piece.struck:
            yield Mark(MarkKind.STRIKE, one.piece.strikes, one.index)
    for kind, trace in found.marks if letters else ():
        x = trace.middle[0] - found.left
        nearest = min(letters, key=lambda one: abs(sum(one.stood.box[::2]) / 2 - x))
        yield Mark(kind, (trace.at,), nearest.index)
