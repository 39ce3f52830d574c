"""Simulated pupils who write texts: letters beside each other as they stand in print, or along the
one path of a joined word; with slips of single letters, and with those that only a text shows."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import Pupil, write
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, find_script
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import Slip
from firstloop.core.text.words import compose

INSIDE, BETWEEN, IN_A_ROW = 0.34, 1.25, 0.75
"""u of white between letters of a word, between words, between letters of a row."""

WAVER = 0.05
"""u by which that differs from letter to letter."""


@dataclass(frozen=True, slots=True, eq=False)
class WrittenLetter:
    """A letter where it stands on the line: its place in the text, spaces counted, and its ink."""

    index: int
    letter: str
    strokes: tuple[Stroke, ...]

    def mapped(self, change: Callable[[FloatArray], FloatArray]) -> "WrittenLetter":
        """The letter with its places (n, 2) changed."""
        strokes = tuple(replace(s, points=change(s.points)) for s in self.strokes)
        return replace(self, strokes=strokes)

    def moved(self, x: float, y: float = 0.0) -> "WrittenLetter":
        """The letter elsewhere."""
        return self.mapped(lambda points: points + np.array([x, y]))

    @property
    def left(self) -> float:
        """u: its left edge."""
        return float(min(s.points[:, 0].min() for s in self.strokes))

    @property
    def right(self) -> float:
        """u: its right edge."""
        return float(max(s.points[:, 0].max() for s in self.strokes))


Line = tuple[WrittenLetter, ...]
TextSlip = Callable[[Line, np.random.Generator], Line]


def write_text(
    text: str,
    hand: Hand,
    ruling: Ruling,
    pupil: Pupil,
    rng: np.random.Generator,
    *,
    slips: Mapping[int, Sequence[Slip]] | None = None,
    text_slip: TextSlip | None = None,
    inside: float = INSIDE,
) -> Ink:
    """A text as this child prints it, or in a joined hand writes it letter by letter: with slips of
    single letters by their places, and one of the whole."""
    given = slips or {}
    letters = [
        WrittenLetter(
            at,
            letter,
            write(
                find_script(letter, hand), hand, ruling, pupil, rng, slips=given.get(at, ())
            ).strokes,
        )
        for at, letter in enumerate(text)
        if letter != " "
    ]
    line = _laid_out(letters, rng, inside)
    if text_slip is not None:
        line = text_slip(line, rng)
    return ink_of(line)


def write_row(  # noqa: PLR0917  # as `write`, and how many
    letter: str,
    count: int,
    hand: Hand,
    ruling: Ruling,
    pupil: Pupil,
    rng: np.random.Generator,
    *,
    slips: Mapping[int, Sequence[Slip]] | None = None,
) -> Ink:
    """A row of one letter."""
    return write_text(letter * count, hand, ruling, pupil, rng, slips=slips, inside=IN_A_ROW)


def write_joined(
    word: str, hand: Hand, ruling: Ruling, pupil: Pupil, rng: np.random.Generator
) -> Ink:
    """A word of a joined hand in one go, dots and bars last."""
    return write(compose(word, hand).script, hand, ruling, pupil, rng)


def ink_of(line: Line) -> Ink:
    """The ink of a line, its letters one after the other in time."""
    strokes: list[Stroke] = []
    clock = 0.0
    for letter in line:
        began = next((float(s.times[0]) for s in letter.strokes if s.times is not None), 0.0)
        for stroke in letter.strokes:
            times = None if stroke.times is None else stroke.times - began + clock
            strokes.append(replace(stroke, times=times))
        ends = [float(s.times[-1]) for s in strokes if s.times is not None]
        clock = (ends[-1] if ends else clock) + 0.4
    return Ink(tuple(strokes))


def _laid_out(letters: Sequence[WrittenLetter], rng: np.random.Generator, inside: float) -> Line:
    line: list[WrittenLetter] = []
    right = 0.0
    for letter in letters:
        gap = 0.0
        if line:
            skipped = letter.index > line[-1].index + 1
            gap = (BETWEEN if skipped else inside) + float(rng.normal(0.0, WAVER))
        placed = letter.moved(right + gap - letter.left)
        line.append(placed)
        right = placed.right
    return tuple(line)


def _from(line: Line, at: int, x: float) -> Line:
    return tuple(one.moved(x) if place >= at else one for place, one in enumerate(line))


def _one(line: Line, at: int, change: Callable[[FloatArray], FloatArray]) -> Line:
    return tuple(one.mapped(change) if place == at else one for place, one in enumerate(line))


def _some(line: Line, rng: np.random.Generator, fits: Callable[[int], bool]) -> int | None:
    places = [at for at in range(len(line)) if fits(at)]
    return places[int(rng.integers(len(places)))] if places else None


def _gap(by: float, *, words: bool) -> TextSlip:
    """After some letter there is less white, or more."""

    def slip(line: Line, rng: np.random.Generator) -> Line:
        def fits(at: int) -> bool:
            skips = at > 0 and line[at].index > line[at - 1].index + 1
            return at > 0 and skips is words and line[at].letter.isalpha()

        at = _some(line, rng, fits)
        return line if at is None else _from(line, at, by)

    return slip


def _sized(by: float, letters: str) -> TextSlip:
    def slip(line: Line, rng: np.random.Generator) -> Line:
        at = _some(line, rng, lambda place: line[place].letter in letters)
        if at is None:
            return line
        left = line[at].left
        wider = (by - 1.0) * (line[at].right - left)
        larger = _one(line, at, lambda p: (p - np.array([left, 0.0])) * by + np.array([left, 0.0]))
        return _from(larger, at + 1, wider)

    return slip


def _drifting(degrees: float) -> TextSlip:
    slope = float(np.tan(np.radians(degrees)))

    def slip(line: Line, rng: np.random.Generator) -> Line:
        del rng
        begin = line[0].left
        return tuple(
            one.mapped(lambda p: p + np.column_stack([0.0 * p[:, 0], slope * (p[:, 0] - begin)]))
            for one in line
        )

    return slip


def _without(line: Line, rng: np.random.Generator) -> Line:
    at = _some(line, rng, lambda place: 0 < place < len(line) - 1)
    if at is None:
        return line
    shift = line[at].left - line[at + 1].left
    return tuple(one for place, one in enumerate(_from(line, at + 1, shift)) if place != at)


def _twice(line: Line, rng: np.random.Generator) -> Line:
    at = _some(line, rng, lambda place: place > 0)
    if at is None:
        return line
    by = line[at].right - line[at].left + INSIDE
    return (*line[: at + 1], line[at].moved(by), *_from(line, 0, by)[at + 1 :])


def _stop_floats(line: Line, rng: np.random.Generator) -> Line:
    del rng
    return (*line[:-1], line[-1].moved(0.0, 0.7))


def _no_stop(line: Line, rng: np.random.Generator) -> Line:
    del rng
    return line[:-1]


TEXT_SLIPS: dict[str, TextSlip] = {
    "letters touch": _gap(-INSIDE - 0.12, words=False),
    "letters too far apart": _gap(1.1, words=False),
    "no space between words": _gap(-BETWEEN + INSIDE, words=True),
    "a hole between words": _gap(2.4, words=True),
    "one letter too large": _sized(1.5, "acemnorsuvwxz"),
    "one letter too small": _sized(0.6, "acemnorsuvwxz"),
    "the line climbs": _drifting(7.0),
    "the line sinks": _drifting(-7.0),
    "a letter left out": _without,
    "a letter twice": _twice,
    "the stop floats": _stop_floats,
    "no stop": _no_stop,
}
"""What goes wrong in texts in print, by name."""
