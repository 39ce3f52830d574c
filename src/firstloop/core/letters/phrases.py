"""What is said while a letter is drawn: one steady phrase, composed from its moves.

A teacher may put words of her own in place of ours: for a move wherever it comes, or for one move
of one letter. The second wins over the first.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from itertools import pairwise

from firstloop.core.letters.moves import Move, MoveKind, Script, ScriptStroke, nominal_height

WORDS = {
    "drop": "straight down",
    "rise": "straight up",
    "back": "back up the same line",
    "arch": "over and down",
    "arm": "over and stop",
    "scoop": "down, under and up",
    "round": "back and round",
    "wheel": "over and round",
    "slope-down": "slope down",
    "slope-up": "slope up",
    "cross": "straight across",
    "hook": "hook to the left",
    "curl": "curl to the right",
    "loop": "loop",
    "lead-in": "lead in",
    "flick": "flick",
    "dot": "dot",
}
"""By what is done: the kind of move; slopes by whether they go up or down."""

LONGEST_WORDS = 60
"""Letters: longer than this is not said while a pen makes one move."""


@dataclass(frozen=True, slots=True)
class Place:
    """One move of one letter. `key` is what is done there: words that a teacher has put to a place
    are not said when the class has chosen a way of writing that does something else there."""

    letter: str
    stroke: int
    move: int
    key: str


@dataclass(frozen=True, slots=True)
class Wording:
    """A teacher's own words: by what is done, and by place."""

    everywhere: Mapping[str, str] = field(default_factory=dict)
    at: Mapping[Place, str] = field(default_factory=dict)

    def words(self, place: Place) -> str:
        """What is said there.

        >>> Wording({"back": "up again"}).words(Place("n", 0, 1, "back"))
        'up again'
        """
        return self.at.get(place) or self.everywhere.get(place.key) or WORDS[place.key]


OURS = Wording()
"""Nothing changed."""


def places(script: Script) -> tuple[tuple[Place, ...], ...]:
    """What is done in each move, by stroke, in the order of writing."""
    return tuple(_stroke_places(script.letter, at, s) for at, s in enumerate(script.strokes))


def _stroke_places(letter: str, at: int, stroke: ScriptStroke) -> tuple[Place, ...]:
    heights = [
        nominal_height(node.y) for node in (stroke.start, *(move.end for move in stroke.moves))
    ]
    return tuple(
        Place(letter, at, index, _key(move, end - start))
        for index, (move, (start, end)) in enumerate(
            zip(stroke.moves, pairwise(heights), strict=True)
        )
    )


def _key(move: Move, climb: float) -> str:
    if move.kind is not MoveKind.SLOPE:
        return move.kind.value
    return "slope-down" if climb < 0 else "slope-up"


def move_words(script: Script, wording: Wording = OURS) -> tuple[tuple[str, ...], ...]:
    """The words of each move, by stroke, in the order they are spoken."""
    return tuple(tuple(wording.words(place) for place in stroke) for stroke in places(script))


def phrase(script: Script, wording: Wording = OURS) -> str:
    """The whole phrase.

    >>> from firstloop.core.letters import PLAIN
    >>> phrase(PLAIN.scripts["r"])
    'straight down, back up the same line, over and stop'
    >>> phrase(PLAIN.scripts["x"])
    'slope down; slope down'
    """
    return "; ".join(", ".join(words) for words in move_words(script, wording))
