"""What is said while a letter is drawn: one steady phrase, composed from its moves.

A teacher may put words of her own in place of ours: for a move wherever it comes, or for one move
of one letter. The second wins over the first.
"""

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace
from itertools import pairwise

from firstloop.core.letters.moves import (
    Level,
    Move,
    MoveKind,
    Node,
    Script,
    ScriptStroke,
    nominal_height,
)

WORDS = {
    "drop": "straight down",
    "drop-tall": "down from the top",
    "drop-low": "straight down below the line",
    "rise": "straight up",
    "rise-tall": "straight up to the top",
    "back": "back up the same line",
    "arch": "over and down",
    "arm": "over and stop",
    "scoop": "down, under and up",
    "round": "back and round",
    "round-closed": "back and all the way round",
    "wheel": "over and round",
    "slope-down-left": "slope down to the left",
    "slope-down-right": "slope down to the right",
    "slope-up": "slope up",
    "cross": "straight across",
    "hook": "hook to the left",
    "curl": "curl to the right",
    "loop": "loop",
    "lead-in": "lead in",
    "flick": "flick",
    "dot": "dot",
}
"""By what is done: the kind of move, and what a hand must hear to make it and no other: whether a
stem begins at the top or ends below the line, which way a slope goes, whether a round closes. (A d
said like an a would be an a.)"""

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
        >>> Wording({"drop": "down we go"}).words(Place("l", 0, 0, "drop-tall"))
        'down we go'
        """
        keys = list(from_special_to_general(place.key))
        for key in keys:
            if here := self.at.get(replace(place, key=key)):
                return here
        everywhere = (self.everywhere[key] for key in keys if key in self.everywhere)
        return next(everywhere, WORDS[place.key])


OURS = Wording()
"""Nothing changed."""


def places(script: Script) -> tuple[tuple[Place, ...], ...]:
    """What is done in each move, by stroke, in the order of writing."""
    return tuple(_stroke_places(script.letter, at, s) for at, s in enumerate(script.strokes))


def _stroke_places(letter: str, at: int, stroke: ScriptStroke) -> tuple[Place, ...]:
    ends = (stroke.start, *(move.end for move in stroke.moves))
    return tuple(
        Place(letter, at, index, _key(move, start, index))
        for index, (move, (start, _)) in enumerate(zip(stroke.moves, pairwise(ends), strict=True))
    )


def _key(move: Move, start: Node, index: int) -> str:
    end, kind = move.end, move.kind.value
    match move.kind:
        case MoveKind.SLOPE:
            return f"slope-{_way(start, end)}"
        case MoveKind.DROP if nominal_height(end.y) < BELOW:
            return "drop-low"
        case MoveKind.DROP if index == 0 and start.y is Level.TOP:
            return "drop-tall"
        case MoveKind.RISE if end.y is Level.TOP:
            return "rise-tall"
        case MoveKind.ROUND if math.hypot(end.x - start.x, _climb(start, end)) < CLOSED:
            return "round-closed"
        case _:
            return kind


def _way(start: Node, end: Node) -> str:
    if _climb(start, end) > 0:
        return "up"
    return "down-left" if end.x < start.x else "down-right"


BELOW, CLOSED = -0.3, 0.2
"""u: a stem that ends lower is a tail; a round that ends this near to its start is closed."""


def _climb(start: Node, end: Node) -> float:
    return nominal_height(end.y) - nominal_height(start.y)


def from_special_to_general(key: str) -> Iterator[str]:
    """Under which keys words are looked for: what she says for stems she says for tall stems too.

    >>> list(from_special_to_general("slope-down-left"))
    ['slope-down-left', 'slope-down', 'slope']
    """
    while key:
        yield key
        key = key.rpartition("-")[0]


def move_words(script: Script, wording: Wording = OURS) -> tuple[tuple[str, ...], ...]:
    """The words of each move, by stroke, in the order they are spoken."""
    return tuple(tuple(wording.words(place) for place in stroke) for stroke in places(script))


def phrase(script: Script, wording: Wording = OURS) -> str:
    """The whole phrase.

    >>> from firstloop.core.letters import PLAIN
    >>> phrase(PLAIN.scripts["r"])
    'straight down, back up the same line, over and stop'
    >>> phrase(PLAIN.scripts["x"])
    'slope down to the right; slope down to the left'
    """
    return "; ".join(", ".join(words) for words in move_words(script, wording))
