"""Findings in words: a note for the teacher, and one short kind thing for the child.

What is said to the child is about the next try, and never that the last one was bad.
"""

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache

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
    """What the templates may speak of; worked out only where one does."""

    measure: Measure
    letter: Letter

    @property
    def size(self) -> float:
        return abs(self.measure.value)

    @property
    def up(self) -> bool:
        return self.measure.value > 0

    @property
    def name(self) -> str:
        return self.letter.name

    @property
    def part(self) -> str:
        return PART_NAMES[self.letter.strokes[self.measure.stroke][self.measure.move].move.kind]

    @property
    def number(self) -> int:
        return self.measure.move + 1

    @property
    def _start(self) -> float:
        return float(self.letter.strokes[self.measure.stroke][0].points[0, 1])

    @property
    def start(self) -> str:
        return place_in_words(self._start, self.letter.ruling)

    @property
    def begun(self) -> str:
        return place_in_words(self._start + self.measure.value, self.letter.ruling)

    @property
    def first_moves(self) -> str:
        return ", then ".join(_words_of(self.letter)[self.measure.stroke][:2])

    @property
    def first_words(self) -> str:
        return ", then ".join(_words_of(self.letter)[0][:2])

    @property
    def last_words(self) -> str:
        return _words_of(self.letter)[-1][-1]

    @property
    def move_words(self) -> str:
        return _words_of(self.letter)[self.measure.stroke][self.measure.move]

    @property
    def other(self) -> str:
        return self.measure.other or ""

    @property
    def tell_apart(self) -> str:
        return _tell_apart(self.letter, self.other)


_Template = Callable[[_Said], str]

NOTES: dict[Code, _Template] = {
    Code.START_PLACE: lambda s: f"Started {s.begun}; {s.name} starts {s.start}.",
    Code.STROKE_ORDER: lambda s: f"The {s.part} was made before its turn.",
    Code.STROKE_DIRECTION: lambda s: (
        f"{s.size:.0%} of the stroke ran against its direction, from the {s.part} on."
    ),
    Code.EXTRA_LIFT: lambda s: (
        f"The pen was lifted {_times(s.size)} where {s.name} goes on, at the {s.part}."
    ),
    Code.MISSING_PART: lambda s: f"The {s.part} (move {s.number}) is not there.",
    Code.MIRRORED: lambda s: f"{s.name} is written mirrored, left and right exchanged.",
    Code.TURNED: lambda s: f"{s.name} is turned round by {s.size:.0f} degrees.",
    Code.EXTRA_PART: lambda s: (
        f"There is more than {s.name} has: about {_bodies(s.size)} of line, at the {s.part}."
    ),
    Code.OPEN_GAP: lambda s: f"The {s.part} does not close: a gap of {_bodies(s.size)}.",
    Code.RETRACE_GAP: lambda s: f"Going back left its own line by {_bodies(s.size)}.",
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
    Code.REACH_DOWN: lambda s: (
        f"The tail {'passes' if s.up else 'falls short of'} the drop line by {_bodies(s.size)}."
    ),
    Code.DOT_PLACE: lambda s: f"The dot is {_bodies(s.size)} away from its place.",
    Code.ENTRY_MISSING: lambda s: f"{s.name} has no lead-in; {s.size:.0%} of it is missing.",
    Code.EXIT_MISSING: lambda s: f"{s.name} is not led out; {s.size:.0%} of the flick is missing.",
    Code.LOOP_CROSS: lambda s: (
        f"The loop crosses {_bodies(s.size)} {'above' if s.up else 'below'} its place."
    ),
    Code.PART_LENGTH: lambda s: (
        f"The {s.part} is {s.size:.0%} {'longer' if s.up else 'shorter'} than in the model."
    ),
    Code.UNEVEN_PARTS: lambda s: f"Parts that should match differ by {s.size:.0%}.",
    Code.WIDTH: lambda s: (
        f"The letter is {s.size:.0%} {'wider' if s.up else 'narrower'} than the model."
    ),
    Code.SLANT: lambda s: (
        f"Leans {s.size:.0f} degrees {'right' if s.up else 'left'} of the hand's own slant."
    ),
    Code.WOBBLE: lambda s: f"The line shakes by {_bodies(s.size)} where it should run smooth.",
    Code.SHAPE_OFF: lambda s: (
        f"The shape is off its model by {_bodies(s.size)} on average; look at the {s.part}."
    ),
}

SAYINGS: dict[Code, _Template] = {
    Code.START_PLACE: lambda s: f"Start {s.start}: {s.first_moves}.",
    Code.STROKE_DIRECTION: lambda s: f"Begin {s.start}: {s.first_moves}.",
    Code.STROKE_ORDER: lambda s: f"First {s.first_words}; the {s.part} comes later.",
    Code.MIRRORED: lambda s: f"Begin {s.start} and go the other way: {s.first_words}.",
    Code.TURNED: lambda s: f"Stand it on its feet: begin {s.start}, {s.first_words}.",
    Code.EXTRA_PART: lambda s: f"Stop when {s.name} is done: {s.last_words} is the end.",
    Code.OPEN_GAP: lambda s: f"Close it: go on until the {s.part} touches.",
    Code.EXTRA_LIFT: lambda _: "Keep your pen down and go on.",
    Code.MISSING_PART: lambda s: f"One more part to come: {s.move_words}.",
    Code.RETRACE_GAP: lambda _: "Go back on your own line before you turn away.",
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
    Code.REACH_DOWN: lambda s: (
        "Let the tail stop at the drop line."
        if s.up
        else "Let the tail go down under the base line."
    ),
    Code.DOT_PLACE: lambda _: "Put the dot right above the stem, not far.",
    Code.ENTRY_MISSING: lambda _: "Set off on the base line and lead in.",
    Code.EXIT_MISSING: lambda _: "Finish with a flick, ready for the next letter.",
    Code.LOOP_CROSS: lambda _: "Let the loop cross on the line.",
    Code.PART_LENGTH: lambda s: f"Make the {s.part} a little {'shorter' if s.up else 'longer'}.",
    Code.UNEVEN_PARTS: lambda _: "Make the parts that match the same size.",
    Code.WIDTH: lambda s: (
        "Keep it slimmer, side by side." if s.up else "Give it a little more room."
    ),
    Code.SLANT: lambda _: "Let it lean like the model.",
    Code.WOBBLE: lambda _: "Go slow and smooth, in one go.",
    Code.SHAPE_OFF: lambda s: f"Say it while you write: {s.first_words}.",
}


def words_for(measure: Measure, letter: Letter) -> tuple[str, str]:
    """A note for the teacher of what was seen, with its size; and what to tell the child: short,
    kind, about the next try."""
    said = _Said(measure, letter)
    return NOTES[measure.code](said), SAYINGS[measure.code](said)


@lru_cache(maxsize=1024)
def _words_of(letter: Letter) -> tuple[tuple[str, ...], ...]:
    return move_words(letter.script)


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
