"""What the sentences of findings may speak of: the letter, its parts, the size of what was seen."""

from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.checking.measure.measures import Against, Measure
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import Level, MoveKind
from firstloop.core.letters.phrases import FOUR_LINES, OURS, move_words
from firstloop.core.letters.places import line_in_words, place_in_words
from firstloop.core.letters.ruling import Line, Ruling, RulingKind

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


PLURALS = {
    MoveKind.ARCH: "arches",
    MoveKind.SCOOP: "scoops",
    MoveKind.SLOPE: "slopes",
    MoveKind.CROSS: "bars",
    MoveKind.ARM: "bars",
}


@dataclass(frozen=True, slots=True)
class Said:
    """What the templates may speak of; worked out only where one does. `letter` is drawn on the
    standard lines; only lines that are on the class's `paper` are spoken of, by their names there.
    """

    measure: Measure
    letter: Letter
    paper: Ruling = FOUR_LINES

    @property
    def size(self) -> float:
        return abs(self.measure.value)

    @property
    def up(self) -> bool:
        return self.measure.value > 0

    @property
    def length(self) -> str:
        """How a part's length differs from the model's."""
        match self.measure.against:
            case Against.MOUTH:
                narrower = 1.0 - 1.0 / (1.0 + self.size)
                return f"The opening of {self.name} is {narrower:.0%} narrower than in the model."
            case Against.BODY:
                where = "goes on too far" if self.up else "stops short"
                return f"The {self.part} {where}, by {bodies(self.size)}."
            case Against.MODEL:
                longer = "longer" if self.up else "shorter"
                return f"The {self.part} is {self.size:.0%} {longer} than in the model."

    @property
    def mouth(self) -> bool:
        return self.measure.against is Against.MOUTH

    @property
    def name(self) -> str:
        return self.letter.name

    @property
    def part(self) -> str:
        return PART_NAMES[self.kind]

    @property
    def kind(self) -> MoveKind:
        """What the pen does in the move that was measured."""
        return self.letter.strokes[self.measure.stroke][self.measure.move].move.kind

    @property
    def meets(self) -> bool:
        """Whether the part comes to its stem, rather than leaves it."""
        return self.kind in (MoveKind.SCOOP, MoveKind.ROUND)

    @property
    def on_the_base(self) -> str:
        at = "at" if self.paper.kind is RulingKind.SQUARES else "on"
        return f"{at} {self.base}"

    @property
    def parts(self) -> str:
        """The part and its fellows."""
        return PLURALS.get(self.kind, "parts")

    @property
    def last_part(self) -> str:
        """The part that a letter ends with."""
        return PART_NAMES[self.letter.strokes[-1][-1].move.kind]

    @property
    def number(self) -> int:
        return self.measure.move + 1

    @property
    def ruling(self) -> Ruling:
        return self.letter.ruling.on(self.paper)

    def line(self, line: Line) -> str:
        """A line of the paper, or the height that it would be at."""
        return line_in_words(line, self.ruling)

    @property
    def top(self) -> str:
        return self.line(Line.TOP)

    @property
    def mid(self) -> str:
        return self.line(Line.MID)

    @property
    def base(self) -> str:
        return self.line(Line.BASE)

    @property
    def drop(self) -> str:
        return self.line(Line.DROP)

    @property
    def is_tall(self) -> bool:
        """Whether it reaches the top line, rather than half way there."""
        return self.letter.script.reaches(Level.TOP)

    @property
    def has_a_tail(self) -> bool:
        return self.letter.script.reaches(Level.DROP)

    @property
    def body(self) -> str:
        """What of it stands between base and mid line: all of a letter that is neither tall nor has
        a tail."""
        whole = not (self.is_tall or self.has_a_tail)
        return self.the if whole else f"the body of {self.the}"

    @property
    def tall_part(self) -> str:
        """What of it reaches the top line: its stem, or itself."""
        first = self.letter.strokes[0][0].move.kind
        small = self.letter.name.islower()
        return "The tall stem" if small and first is MoveKind.DROP else self.name

    @property
    def starts_at_the_top(self) -> bool:
        return self.letter.script.strokes[0].start.y is Level.TOP

    @property
    def _start(self) -> float:
        return float(self.letter.strokes[self.measure.stroke][0].points[0, 1])

    @property
    def start(self) -> str:
        return place_in_words(self._start, self.ruling)

    @property
    def begun(self) -> str:
        return place_in_words(self._start + self.measure.value, self.ruling)

    @property
    def first_moves(self) -> str:
        return ", then ".join(self._words(self.measure.stroke)[:2])

    @property
    def first_move(self) -> str:
        first, *_ = self.letter.strokes[0]
        return self.first_words if first.move.kind is MoveKind.LEAD_IN else self._words(0)[0]

    @property
    def first_words(self) -> str:
        return ", then ".join(self._words(0)[:2])

    def _words(self, stroke: int) -> tuple[str, ...]:
        return _words_of(self.letter, self.ruling)[stroke]

    @property
    def the(self) -> str:
        """The letter within a sentence, where an a alone would be read as a word."""
        return f"the {self.name}"

    @property
    def other(self) -> str:
        return self.measure.other or ""


@lru_cache(maxsize=1024)
def _words_of(letter: Letter, paper: Ruling) -> tuple[tuple[str, ...], ...]:
    return move_words(letter.script, OURS, paper)


def bodies(length: float) -> str:
    """A length in u as a teacher sees it: against the body of the letters."""
    return f"{length:.0%} of the body height"


def times(count: float) -> str:
    """How often, in words."""
    return "once" if count == 1 else f"{count:.0f} times"
