"""Findings in words: a note for the teacher, and one short kind thing for the child.

What is said to the child is about the next try, and never that the last one was bad.
"""

from collections.abc import Callable
from dataclasses import dataclass

from firstloop.core.checking.findings import Code, Measure
from firstloop.core.letterforms import Letter
from firstloop.core.moves import Level, MoveKind
from firstloop.core.phrases import move_words
from firstloop.core.ruling import place_in_words

PART_NAMES = {
    MoveKind.DROP: "stem",
    MoveKind.RISE: "way up",
    MoveKind.BACK: "way back up the stem",
    MoveKind.ARCH: "arch",
    MoveKind.ARM: "arm",
    MoveKind.SCOOP: "scoop",
    MoveKind.ROUND: "round",
    MoveKind.WHEEL: "bowl",
    MoveKind.SLOPE: "slope",
    MoveKind.CROSS: "bar",
    MoveKind.HOOK: "hook",
    MoveKind.CURL: "curl",
    MoveKind.LOOP: "loop",
    MoveKind.LEAD_IN: "lead-in",
    MoveKind.FLICK: "flick",
    MoveKind.DOT: "dot",
}
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
    Code.START_PLACE: lambda s: f"Started {s.begun}; {s.name} starts {s.start}.",
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
    Code.START_PLACE: lambda s: f"Start {s.start}: {s.first_moves}.",
    Code.STROKE_DIRECTION: lambda s: f"Begin {s.start}: {s.first_moves}.",
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
    stroke = letter.strokes[measure.stroke]
    words = move_words(letter.script)[measure.stroke]
    start = float(letter.strokes[measure.stroke][0].points[0, 1])
    return _Said(
        size=abs(measure.value),
        up=measure.value > 0,
        name=letter.name,
        part=PART_NAMES[stroke[measure.move].move.kind],
        number=measure.move + 1,
        start=place_in_words(start, letter.ruling),
        begun=place_in_words(start + measure.value, letter.ruling),
        first_moves=", then ".join(words[:2]),
        move_words=words[measure.move],
        other=measure.other or "",
        tell_apart=_tell_apart(letter, measure.other or ""),
    )


def _bodies(length: float) -> str:
    """A length in u as a teacher sees it: against the body of the letters."""
    return f"{length:.0%} of the body height"


def _times(count: float) -> str:
    return "once" if count == 1 else f"{count:.0f} times"


def _tell_apart(letter: Letter, other: str) -> str:
    """What keeps a letter from being the other one."""
    start = letter.script.strokes[0].start
    if start.y is Level.MID and other == "h":
        return "Keep the stem short: start at the mid line."
    if start.y is Level.TOP:
        return "Make the stem tall: start at the top line."
    return f"Finish it as {letter.name}: {move_words(letter.script)[-1][-1]}."
