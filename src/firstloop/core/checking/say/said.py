"""What the sentences of findings may speak of: the letter, its parts, the size of what was seen."""

from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.checking.measure.measures import Against, Measure
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import Level, MoveKind
from firstloop.core.letters.phrases import move_words
from firstloop.core.letters.ruling import place_in_words

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


@dataclass(frozen=True, slots=True)
class Said:
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
        return PART_NAMES[self.letter.strokes[self.measure.stroke][self.measure.move].move.kind]

    @property
    def meets(self) -> bool:
        """Whether the part comes to its stem, rather than leaves it."""
        kind = self.letter.strokes[self.measure.stroke][self.measure.move].move.kind
        return kind in (MoveKind.SCOOP, MoveKind.ROUND)

    @property
    def where_it_branches(self) -> str:
        """Where the next one is to leave its stem, or to meet it."""
        if self.meets:
            return (
                "Run into the stem lower down."
                if self.up
                else "Bend up round before the stem comes."
            )
        return (
            "Turn away a little before the top."
            if self.up
            else "Go back up your stem further before you turn away."
        )

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


@lru_cache(maxsize=1024)
def _words_of(letter: Letter) -> tuple[tuple[str, ...], ...]:
    return move_words(letter.script)


def bodies(length: float) -> str:
    """A length in u as a teacher sees it: against the body of the letters."""
    return f"{length:.0%} of the body height"


def times(count: float) -> str:
    """How often, in words."""
    return "once" if count == 1 else f"{count:.0f} times"


def _tell_apart(letter: Letter, other: str) -> str:
    """What keeps a letter from being the other one."""
    start = letter.script.strokes[0].start
    if start.y is Level.MID and other == "h":
        return "Keep the stem short: start at the mid line."
    if start.y is Level.TOP:
        return "Make the stem tall: start at the top line."
    return f"Finish it as {letter.name}: {move_words(letter.script)[-1][-1]}."
