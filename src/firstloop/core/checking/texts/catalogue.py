"""The catalogue of what only a text shows: one record a code, as those of letters in
`checking/say/catalogue.py`. Reasons that name the contract mean the section on words in
docs/checking.md."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache

from firstloop.core.checking.say.catalogue import CATALOGUE, LENIENCE
from firstloop.core.checking.say.limit import Limit
from firstloop.core.checking.say.said import bodies
from firstloop.core.checking.texts.measures import TextMeasure
from firstloop.core.contract import Code, Dimension, Stage


@dataclass(frozen=True, slots=True)
class TextSaid:
    """What the sentences may speak of: what was measured, and the text that was asked for."""

    measure: TextMeasure
    target: str
    in_a_row: bool = False

    @property
    def size(self) -> float:
        """Its size, whatever its sign."""
        return abs(self.measure.value)

    @property
    def letter(self) -> str:
        """The letter that was asked for at its place."""
        at = self.measure.index
        if at is None or at >= len(self.target):
            return self.target[-1]
        return self.target[at]

    @property
    def next(self) -> str:
        """The letter after it."""
        at = (self.measure.index or 0) + 1
        return self.target[at] if at < len(self.target) else self.target[-1]

    @property
    def pair(self) -> str:
        """The two letters that a gap or a join is between."""
        return f"{self.first} and {self.second}"

    @property
    def first(self) -> str:
        """The letter that a gap or a join comes after; of a row, which it is."""
        return f"number {self._number}" if self.in_a_row else self.letter

    @property
    def second(self) -> str:
        """The letter that a gap or a join comes before."""
        return f"number {self._number + 1}" if self.in_a_row else self.next

    @property
    def _number(self) -> int:
        return (self.measure.index or 0) + 1

    @property
    def words(self) -> str:
        """The two words that a space is between."""
        at = self.measure.index or 0
        before, after = self.target[:at].split(), self.target[at:].split()
        return f"{before[-1] if before else ''} and {after[0] if after else ''}"

    @property
    def by(self) -> str:
        """What the child did."""
        return self.measure.by

    @property
    def other(self) -> str:
        """Another letter that it is about."""
        return self.measure.other or ""


END_MARKS = {".": "the full stop", "?": "the question mark", "!": "the exclamation mark"}

Template = Callable[[TextSaid], str]


@dataclass(frozen=True, slots=True)
class TextKind:
    """All that is known of a code. `explains` are the codes of letters, at its own place or of the
    whole text where it has none, that follow from it, and are not the letter's; `says` those that
    are, but are not told of the text again."""

    code: Code
    dimension: Dimension
    limit: Limit
    note: Template
    say: Template
    explains: frozenset[Code] = frozenset()
    says: frozenset[Code] = frozenset()


_BY_SIZE = frozenset(
    {Code.BODY_HEIGHT, Code.REACH_UP, Code.REACH_DOWN, Code.OFF_BASE, Code.WIDTH, Code.START_PLACE}
)

_KINDS = (
    TextKind(
        Code.WRONG_LETTER,
        Dimension.SHAPE,
        Limit(1, 1, "count", "A letter is the one that was asked for or it is not."),
        note=lambda s: {
            "left out": f"The {s.letter} is left out.",
            "too many": f"There is a letter too many{f', {s.other},' if s.other else ''} "
            f"by the {s.letter}.",
        }.get(s.by, f"Where {s.letter} should be there is {s.other}."),
        say=lambda s: {
            "left out": f"Say it slowly: where does {s.letter} come in?",
            "too many": "Say it slowly: which letter is one too many?",
        }.get(s.by, f"Say it slowly: this one is {s.letter}."),
        explains=frozenset(Code),
    ),
    TextKind(
        Code.CAPITAL,
        Dimension.SHAPE,
        Limit(1, 1, "count", "A letter is a capital or it is not."),
        note=lambda s: (
            f"A small {s.other} where the capital {s.letter} should be."
            if s.letter.isupper()
            else f"A capital {s.other} where the small {s.letter} should be."
        ),
        say=lambda s: (
            f"This one is a capital: {s.letter}."
            if s.letter.isupper()
            else f"Inside a word we write small: {s.letter}."
        ),
        explains=frozenset(Code),
    ),
    TextKind(
        Code.STOP,
        Dimension.SHAPE,
        Limit(
            0.3, 0.4, "u", "Contract: a stop on the line is good, one 0.4 u above it is no stop."
        ),
        note=lambda s: (
            f"The end mark ({s.other}) is missing."
            if s.by == "missing"
            else f"{END_MARKS.get(s.other, 'the mark').capitalize()} floats {bodies(s.size)} above "
            "the line."
        ),
        say=lambda s: (
            f"One thing is still to come at the end: {END_MARKS.get(s.other, 'its mark')}."
            if s.by == "missing"
            else f"Let {END_MARKS.get(s.other, 'the mark')} sit on the line."
        ),
        explains=frozenset({Code.OFF_BASE}),
    ),
    TextKind(
        Code.JOIN_BROKEN,
        Dimension.SHAPE,
        Limit(0.18, 0.25, "u", "Contract: a gap of a quarter of the body is seen."),
        note=lambda s: {
            "lifted": f"The pen was lifted between {s.pair}.",
            "lands over": f"The join from {s.pair} lands {bodies(s.size)} too high.",
            "lands under": f"The join from {s.pair} lands {bodies(s.size)} too low.",
        }.get(s.by, f"The join between {s.pair} has a gap of {bodies(s.size)}."),
        say=lambda s: {
            "lands over": f"Come in to {s.second} a little lower.",
            "lands under": f"Come in to {s.second} a little higher.",
        }.get(s.by, f"Keep the pen down from {s.first} to {s.second}."),
        explains=frozenset({Code.ENTRY_MISSING, Code.EXIT_MISSING, Code.START_PLACE}),
    ),
    TextKind(
        Code.WORD_GAP,
        Dimension.SIZE,
        Limit(0.08, 0.1, "u", "Contract: under about 0.5 u no space, over about 2.5 u a hole."),
        note=lambda s: (
            f"The space between {s.words} is hardly wider than those inside a word."
            if s.by == "close"
            else f"The space between {s.words} is wider than a word needs."
        ),
        say=lambda s: (
            "Leave a finger's space before the next word."
            if s.by == "close"
            else "One finger's space is enough."
        ),
    ),
    TextKind(
        Code.SPACING,
        Dimension.SIZE,
        Limit(0.08, 0.1, "u", "Contract: touching is too close, a letter's width too wide."),
        note=lambda s: (
            f"{s.pair} touch or run into each other."
            if s.by == "close"
            else f"{s.pair} stand too far apart."
        ),
        say=lambda s: (
            "Leave a little white between them."
            if s.by == "close"
            else "Write the next one a little closer."
        ),
    ),
    TextKind(
        Code.DOUBLES_DIFFER,
        Dimension.SIZE,
        Limit(0.2, 0.27, "ratio - 1", "Contract: a quarter is seen where the two stand together."),
        note=lambda s: f"The two {s.letter} differ by {s.size:.0%}.",
        say=lambda s: f"Write both {s.letter} the same size.",
    ),
    TextKind(
        Code.SIZE_UNEVEN,
        Dimension.SIZE,
        Limit(0.2, 0.28, "ratio - 1", "Contract: a quarter off the others is seen."),
        note=lambda s: f"{s.letter} is {s.size:.0%} {s.by} than letters of its height.",
        say=lambda s: (
            f"Make the {s.letter} a little {'smaller' if s.by == 'larger' else 'larger'}, "
            "like the others of its height."
        ),
        says=_BY_SIZE,
    ),
    TextKind(
        Code.TAILS_UNEVEN,
        Dimension.SIZE,
        Limit(0.28, 0.36, "u", "Contract: 0.35 u; tails vary more than stems."),
        note=lambda s: f"Tails of one word end {bodies(s.size)} apart.",
        say=lambda _: "Let all tails reach the same line.",
    ),
    TextKind(
        Code.LINE_DRIFT,
        Dimension.SIZE,
        Limit(3.2, 4.0, "degrees", "Contract: 4 degrees, and 0.3 u from end to end."),
        note=lambda s: (
            f"The writing {'climbs off' if s.measure.value > 0 else 'sinks through'} "
            f"the line, by {s.size:.0f} degrees."
        ),
        say=lambda _: "Let every letter stand on the line, to the end.",
        explains=frozenset({Code.OFF_BASE}),
    ),
)

TEXT_CATALOGUE = {kind.code: kind for kind in _KINDS}
"""By code, the most important first."""

DIMENSION_OF: dict[Code, Dimension] = {
    **{code: kind.dimension for code, kind in CATALOGUE.items()},
    **{code: kind.dimension for code, kind in TEXT_CATALOGUE.items()},
}
"""What each code is about, of a letter and of a text."""


@lru_cache(maxsize=3)
def text_limits_for(stage: Stage) -> dict[Code, Limit]:
    """The limits of a stage, as those of letters.

    >>> text_limits_for(Stage.BEGINNING)[Code.SIZE_UNEVEN].not_yet
    0.364
    """
    return {code: _at_stage(kind.limit, LENIENCE[stage]) for code, kind in TEXT_CATALOGUE.items()}


def _at_stage(limit: Limit, lenience: float) -> Limit:
    if limit.is_counted:
        return limit
    return replace(limit, not_yet=max(limit.nearly, round(limit.not_yet * lenience, 4)))
