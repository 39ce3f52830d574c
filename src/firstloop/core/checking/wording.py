"""Findings in words: a note for the teacher, and one short kind thing for the child.

What is said to the child is about the next try, and never that the last one was bad.
"""

from collections.abc import Callable
from dataclasses import dataclass

from firstloop.core.checking.findings import Code, Measure
from firstloop.core.letterforms import Letter
from firstloop.core.moves import MoveKind
from firstloop.core.phrases import WORDS
from firstloop.core.ruling import Line, Ruling

PART_NAMES = {
    MoveKind.DROP: "stem",
    MoveKind.BACK: "way back up the stem",
    MoveKind.ARCH: "arch",
    MoveKind.ARM: "arm",
}
LINE_NAMES = {
    Line.TOP: "top line",
    Line.MID: "mid line",
    Line.BASE: "base line",
    Line.DROP: "drop line",
}
AT_A_LINE = 0.25
"""u: nearer to a line than this is at the line, to anyone who looks."""
ALL_IS_WELL = "Just right. Make the next one the same way."


@dataclass(frozen=True, slots=True)
class _Said:
    """What the templates may speak of."""

    size: float
    up: bool
    name: str
    part: str
    number: int
    start: str
    begun: str
    first_moves: str
    move_words: str
    other: str
    tell_apart: str


_Template = Callable[[_Said], str]

NOTES: dict[Code, _Template] = {
    Code.START_PLACE: lambda s: f"Started {s.begun}; {s.name} starts at the {s.start}.",
    Code.STROKE_DIRECTION: lambda s: (
        f"{s.size:.0%} of the stroke ran against its direction, from the {s.part} on."
    ),
    Code.EXTRA_LIFT: lambda s: (
        f"The pen was lifted {_times(s.size)} where {s.name} goes on, at the {s.part}."
    ),
    Code.MISSING_PART: lambda s: f"The {s.part} (move {s.number}) is not there.",
    Code.RETRACE_GAP: lambda s: f"Going back up left the stem by {_bodies(s.size)}.",
    Code.READS_AS_OTHER: lambda s: f"The shape would be read as {s.other}.",
    Code.OFF_BASE: lambda s: (
        f"Stands {_bodies(s.size)} {'above' if s.up else 'below'} the base line."
    ),
    Code.BODY_HEIGHT: lambda s: (
        f"The body is {s.size:.0%} {'taller' if s.up else 'smaller'} than the space between "
        "base and mid line."
    ),
    Code.REACH_UP: lambda s: (
        f"The tall stem {'passes' if s.up else 'falls short of'} the top line by {_bodies(s.size)}."
    ),
}

SAYINGS: dict[Code, _Template] = {
    Code.START_PLACE: lambda s: f"Start at the {s.start}: {s.first_moves}.",
    Code.STROKE_DIRECTION: lambda s: f"Begin at the {s.start}: {s.first_moves}.",
    Code.EXTRA_LIFT: lambda _: "Keep your pen down: go back up the same line.",
    Code.MISSING_PART: lambda s: f"One more part to come: {s.move_words}.",
    Code.RETRACE_GAP: lambda _: "Climb back up on your own line, then go over.",
    Code.READS_AS_OTHER: lambda s: s.tell_apart,
    Code.OFF_BASE: lambda _: "Let its feet stand on the base line.",
    Code.BODY_HEIGHT: lambda s: (
        "Stop at the mid line, then go over." if s.up else "Make it touch the mid line."
    ),
    Code.REACH_UP: lambda s: (
        "Start right on the top line, not above it."
        if s.up
        else "Make the stem tall: start at the top line."
    ),
}


def note(measure: Measure, letter: Letter) -> str:
    """What was seen, for the teacher, with its size."""
    return NOTES[measure.code](_said(measure, letter))


def say(measure: Measure, letter: Letter) -> str:
    """What to tell the child: short, kind, about the next try."""
    return SAYINGS[measure.code](_said(measure, letter))


def _said(measure: Measure, letter: Letter) -> _Said:
    stroke = letter.script.strokes[measure.stroke]
    kind = stroke.moves[measure.move].kind
    return _Said(
        size=abs(measure.value),
        up=measure.value > 0,
        name=letter.name,
        part=PART_NAMES[kind],
        number=measure.move + 1,
        start=LINE_NAMES[stroke.start.line],
        begun=_place_in_words(stroke.start.on(letter.ruling) + measure.value, letter.ruling),
        first_moves=", then ".join(WORDS[move.kind] for move in stroke.moves[:2]),
        move_words=WORDS[kind],
        other=measure.other or "",
        tell_apart=_tell_apart(letter, measure.other or ""),
    )


def _bodies(length: float) -> str:
    """A length in u as a teacher sees it: against the body of the letters."""
    return f"{length:.0%} of the body height"


def _place_in_words(height: float, ruling: Ruling) -> str:
    """A height as a place on the lines.

    >>> _place_in_words(0.06, Ruling()), _place_in_words(0.5, Ruling())
    ('at the base line', 'between the base line and the mid line')
    """
    nearest = min(Line, key=lambda line: abs(ruling.height(line) - height))
    if abs(ruling.height(nearest) - height) <= AT_A_LINE:
        return f"at the {LINE_NAMES[nearest]}"
    above = [line for line in Line if ruling.height(line) > height]
    below = [line for line in Line if ruling.height(line) < height]
    if not above or not below:
        side, line = ("above", below[0]) if below else ("below", above[-1])
        return f"{side} the {LINE_NAMES[line]}"
    return f"between the {LINE_NAMES[below[0]]} and the {LINE_NAMES[above[-1]]}"


def _times(count: float) -> str:
    return "once" if count == 1 else f"{count:.0f} times"


def _tell_apart(letter: Letter, other: str) -> str:
    """What keeps a letter from being the other one."""
    start = letter.script.strokes[0].start
    if start.line is Line.MID and other == "h":
        return "Keep the stem short: start at the mid line."
    if start.line is Line.TOP:
        return "Make the stem tall: start at the top line."
    last = letter.script.strokes[0].moves[-1]
    return f"Finish it as {letter.name}: {WORDS[last.kind]}."
