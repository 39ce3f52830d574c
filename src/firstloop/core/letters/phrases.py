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
    "scoop-tall": "down from the top, under and up",
    "round": "back and round",
    "round-tall": "from the top, back and round",
    "round-closed": "back and all the way round",
    "round-closed-tall": "from the top, back and all the way round",
    "round-curled": "back and round, and in to close",
    "round-curled-tall": "from the top, back and round, and in to close",
    "wheel": "over and round",
    "wheel-tall": "from the top, over and round",
    "wheel-whole": "from the top, over and round to the line",
    "slope-down-left": "slope down to the left",
    "slope-down-left-tall": "slope down to the left from the top",
    "slope-down-right": "slope down to the right",
    "slope-down-right-tall": "slope down to the right from the top",
    "slope-up": "slope up",
    "cross": "straight across",
    "cross-tall": "straight across the top",
    "hook": "hook to the left",
    "curl": "curl to the right",
    "loop": "loop",
    "lead-in": "lead in",
    "lead-in-low": "lead in to the middle",
    "lead-in-tall": "lead in all the way up",
    "flick": "flick",
    "dot": "dot",
}
"""By what is done: the kind of move, and what a hand must hear to make it and no other: whether a
stroke begins at the top or a stem ends below the line, which way a slope goes, whether a round
closes and where, how far a lead-in climbs. (A d said like an a would be an a.)"""

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
            kind = f"slope-{_way(start, end)}"
        case MoveKind.DROP if nominal_height(end.y) < BELOW:
            return "drop-low"
        case MoveKind.RISE if end.y is Level.TOP:
            return "rise-tall"
        case MoveKind.ROUND:
            kind += _closing(move, start)
        case MoveKind.WHEEL if _climb(start, end) < -HIGH:
            return "wheel-whole"
        case MoveKind.LEAD_IN:
            return kind + _climbing(move)
    tall = f"{kind}-tall"
    at_the_top = index == 0 and nominal_height(start.y) > HIGH
    return tall if at_the_top and tall in WORDS else kind


def _closing(move: Move, start: Node) -> str:
    """Whether a round comes back to where it began, or to where it was well below that (6)."""
    for node in (start, *move.nodes[:-1]):
        away = math.hypot(move.end.x - node.x, _climb(node, move.end))
        if away < CLOSED:
            return "-curled" if _climb(start, node) < -LOWER else "-closed"
    return ""


def _climbing(move: Move) -> str:
    highest = max(nominal_height(node.y) for node in move.nodes)
    if highest > HIGH_LEAD_IN:
        return "-tall"
    return "-low" if highest < LOW_LEAD_IN else ""


def _way(start: Node, end: Node) -> str:
    if _climb(start, end) > 0:
        return "up"
    return "down-left" if end.x < start.x else "down-right"


BELOW, HIGH = -0.3, 1.3
"""u: a stem that ends lower is a tail; a stroke that begins higher begins at the top."""

CLOSED, LOWER = 0.2, 0.5
"""u: a round that ends this near to where it was is closed; so much below its start, curled in."""

LOW_LEAD_IN, HIGH_LEAD_IN = 0.8, 1.2
"""u: a lead-in that stays lower goes to the middle only (e), one that goes higher up a stem."""


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
