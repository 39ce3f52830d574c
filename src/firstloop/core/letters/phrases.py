"""What is said while a letter is drawn: one steady phrase, composed from its moves.

A teacher may put words of her own in place of ours: for a move wherever it comes, or for one move
of one letter. The second wins over the first.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace

from firstloop.core.letters.beginnings import beginnings
from firstloop.core.letters.done import move_keys
from firstloop.core.letters.drawing import Letter
from firstloop.core.letters.moves import Script
from firstloop.core.letters.places import height_in_words, under_the_line
from firstloop.core.letters.ruling import Ruling

FOUR_LINES = Ruling()

WORDS = {
    "drop": "straight down",
    "drop-short": "a short way down",
    "drop-most": "most of the way down",
    "drop-low": "straight down {under}",
    "rise": "straight up",
    "rise-tall": "straight up to the top",
    "back": "back up the same line",
    "arch": "over and down",
    "arm": "over and stop",
    "scoop": "down, under and up",
    "scoop-on": "under and up",
    "scoop-in": "under, up and in",
    "round": "back and round",
    "round-over": "back over it and round",
    "round-closed": "back, all the way round",
    "round-over-closed": "back over it, all round",
    "round-closed-high": "back, all round, up high",
    "round-curled": "back, round and in",
    "round-right": "over and round",
    "wheel": "over and round",
    "wheel-under": "round and under",
    "wheel-stem": "over, round to the stem",
    "wheel-stem-in": "over, in to the stem",
    "wheel-whole": "over, round to the foot",
    "slope-down-left": "slope down to the left",
    "slope-down-left-low": "slope left {under}",
    "slope-down-left-short": "a short slope left",
    "slope-down-left-stem": "slope in to the stem",
    "slope-down-left-met": "slope in to meet it",
    "slope-down-right": "slope down to the right",
    "slope-down-right-half": "slope right, half way down",
    "slope-down-right-out": "a short way out",
    "slope-up": "slope up",
    "cross": "straight across",
    "cross-left": "straight back to the left",
    "hook": "hook to the left",
    "curl": "curl to the right",
    "loop-over": "loop over to the left",
    "loop-left": "loop left, up and across",
    "loop-right": "loop right and back up",
    "lead-in": "lead in and up",
    "lead-in-low": "lead in half way up",
    "lead-in-over": "lead in, up and over",
    "lead-in-tall": "lead in to the top",
    "lead-in-tall-half": "lead in, not quite up",
    "lead-in-tall-over": "lead in high and over",
    "flick": "flick up",
    "flick-dip": "dip and out",
    "dot": "dot",
}
"""By what is done: the kind of move, and what a hand must hear to make it and no other: whether a
stem ends below the line, which way a slope goes and whether it meets what stands, whether a round
closes and where, how far a lead-in climbs. At most five words, sayable while the pen makes the
move. Where it begins is said before (`STARTS`)."""

STARTS = {
    "start": "{height}",
    "start-again": "back to the start",
    "start-stem": "on the stem, {height}",
    "start-slope": "on the slope, {height}",
    "start-line": "on the line, {height}",
    "start-left": "left, {height}",
    "start-right": "right, {height}",
    "start-inside": "inside, {height}",
    "start-beside": "apart, {height}",
    "start-dot-above": "above",
    "start-dot-below": "below",
}
"""Where a stroke begins, said while the pen is in the air."""

LIFT = "lift"

LONGEST_WORDS = 60
"""Letters: longer than this is not said while a pen makes one move."""


@dataclass(frozen=True, slots=True)
class Place:
    """One move of one letter, or by its key where one of its strokes begins. `key` is what is done
    there: words that a teacher has put to a place are not said when the class has chosen a way of
    writing that does something else there."""

    letter: str
    stroke: int
    move: int
    key: str


@dataclass(frozen=True, slots=True)
class Wording:
    """A teacher's own words: by what is done, and by place."""

    everywhere: Mapping[str, str] = field(default_factory=dict)
    at: Mapping[Place, str] = field(default_factory=dict)

    def __hash__(self) -> int:
        """What follows from the same words is worked out once."""
        return hash((frozenset(self.everywhere.items()), frozenset(self.at.items())))

    def words(self, place: Place, paper: Ruling = FOUR_LINES) -> str:
        """What is said there, on a paper.

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
        return next(everywhere, None) or ours(place.key, paper)


OURS = Wording()
"""Nothing changed."""


def ours(key: str, paper: Ruling = FOUR_LINES) -> str:
    """Our words for a key, on a paper; raises KeyError for what is no key.

    >>> ours("drop-tall"), ours("start-right-at-mid")
    ('straight down', 'right, at the mid line')
    """
    known = STARTS | WORDS
    general = next(one for one in from_special_to_general(key) if one in known)
    height = key.removeprefix(general).removeprefix("-")
    return known[general].format(
        height=height_in_words(height, paper) if general in STARTS and height else "",
        under=under_the_line(paper),
    )


def places(script: Script) -> tuple[tuple[Place, ...], ...]:
    """What is done in each move, by stroke, in the order of writing."""
    return tuple(
        tuple(Place(script.letter, at, index, key) for index, key in enumerate(keys))
        for at, keys in enumerate(move_keys(script))
    )


def starts(script: Script) -> tuple[Place, ...]:
    """Where each stroke begins."""
    return tuple(Place(script.letter, at, 0, one.key) for at, one in enumerate(beginnings(script)))


def from_special_to_general(key: str) -> Iterator[str]:
    """Under which keys words are looked for: what she says for stems she says for tall stems too.

    >>> list(from_special_to_general("slope-down-left"))
    ['slope-down-left', 'slope-down', 'slope']
    """
    while key:
        yield key
        key = key.rpartition("-")[0]


def move_words(
    script: Script, wording: Wording = OURS, paper: Ruling = FOUR_LINES
) -> tuple[tuple[str, ...], ...]:
    """The words of each move, by stroke, in the order they are spoken."""
    return tuple(
        tuple(wording.words(place, paper) for place in stroke) for stroke in places(script)
    )


def start_words(
    script: Script, wording: Wording = OURS, paper: Ruling = FOUR_LINES
) -> tuple[str, ...]:
    """What is said of each stroke before the pen is set down: of later ones, that it is lifted."""
    said = (wording.words(place, paper) for place in starts(script))
    return tuple(f"{LIFT}, {words}" if at else words for at, words in enumerate(said))


def begun_in_words(letter: Letter, wording: Wording = OURS) -> tuple[str | None, ...]:
    """What is said before each stroke of what is drawn on the class's lines; nothing of a word,
    whose letters follow each other."""
    if len(letter.name) > 1:
        return (None,) * len(letter.strokes)
    return start_words(letter.script, wording, letter.ruling)


def phrase(script: Script, wording: Wording = OURS, paper: Ruling = FOUR_LINES) -> str:
    """The whole phrase.

    >>> from firstloop.core.letters import PLAIN
    >>> phrase(PLAIN.scripts["r"])
    'at the mid line: straight down, back up the same line, over and stop'
    >>> phrase(PLAIN.scripts["x"]).partition("; ")[2]
    'lift, right, at the mid line: slope down to the left'
    """
    strokes = zip(
        start_words(script, wording, paper), move_words(script, wording, paper), strict=True
    )
    return "; ".join(f"{start}: {', '.join(words)}" for start, words in strokes)
