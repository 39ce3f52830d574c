"""The schemes that come with the program: the main schools of order.

They are computed from the scripts and the bundled words, not typed in, so that they follow a
class's hand and its alternatives: choose the slanted y and it moves to the slopes.
"""

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.letters import Hand, draw
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.spaces import Space, spaces_filled
from firstloop.core.teaching import order
from firstloop.core.teaching.families import (
    LESSON_SIZE,
    LETTERS,
    Family,
    Scheme,
    exceptions_of,
    own_kinds,
    split,
)


@dataclass(frozen=True, slots=True)
class _Opening:
    """A way to begin, in the order it is taught: what letters that begin so have in common."""

    name: str
    why: str
    begins: Callable[[tuple[MoveKind, ...]], bool]


_OPENINGS = (
    _Opening(
        "Back and round",
        "They set off to the left and go round.",
        lambda kinds: MoveKind.ROUND in kinds[:2] and MoveKind.DROP not in kinds[:1],
    ),
    _Opening(
        "Down and back up",
        "A stem straight down, then back up the same line to branch off.",
        lambda kinds: kinds[:2] == (MoveKind.DROP, MoveKind.BACK),
    ),
    _Opening(
        "Down and under",
        "Down, under and up again without stopping.",
        lambda kinds: kinds[0] is MoveKind.SCOOP,
    ),
    _Opening("Straight down", "A stem straight down.", lambda kinds: kinds[0] is MoveKind.DROP),
    _Opening("Slopes", "Straight slanting lines.", lambda _: True),
)


@lru_cache(maxsize=16)
def by_movement(hand: Hand) -> Scheme:
    """Families by the first moves of each letter; families too large for a lesson are parted."""
    openings: dict[str, list[str]] = {opening.name: [] for opening in _OPENINGS}
    for letter in LETTERS:
        kinds = own_kinds(hand.scripts[letter])
        opening = next(opening for opening in _OPENINGS if opening.begins(kinds))
        openings[opening.name].append(letter)
    families = [
        Family(o.name, tuple(openings[o.name]), o.why, exceptions_of(openings[o.name], hand))
        for o in _OPENINGS
        if openings[o.name]
    ]
    return _parted(order.propose(Scheme("By movement", tuple(families)), hand), hand)


@lru_cache(maxsize=16)
def by_size(hand: Hand) -> Scheme:
    """Families by the spaces filled: short letters, tall ones, those with tails."""
    spaces = {x: spaces_filled(draw(hand.scripts[x], hand.proportions, Ruling())) for x in LETTERS}
    tailed = tuple(x for x in LETTERS if Space.LOWER in spaces[x])
    tall = tuple(x for x in LETTERS if Space.UPPER in spaces[x] and x not in tailed)
    short = tuple(x for x in LETTERS if x not in (*tall, *tailed))
    families = (
        Family("Short", short, "They fill the middle space only."),
        Family("Tall", tall, "They reach up into the upper space."),
        Family("Tailed", tailed, "They reach down into the lower space."),
    )
    return _parted(Scheme("By size", families), hand)


@lru_cache(maxsize=16)
def by_sound(hand: Hand) -> Scheme:
    """Sets of letters in the order that lets most of the bundled words be written soonest."""
    del hand  # words are the same in every hand
    best = order.words_soonest(LETTERS)
    counts = order.words_after(best)
    families, done = [], 0
    for at, letters in enumerate(order.sets_of(best, LESSON_SIZE), start=1):
        done += len(letters)
        why = f"With these, {counts[done - 1]} of the bundled words can be written."
        families.append(Family(f"Set {at}", letters, why))
    return Scheme("By sound", tuple(families))


def empty(hand: Hand) -> Scheme:
    """Nothing yet: a school's own families, from the beginning."""
    del hand
    return Scheme("Our own", ())


BUILT_IN: dict[str, Callable[[Hand], Scheme]] = {
    "movement": by_movement,
    "sound": by_sound,
    "size": by_size,
    "empty": empty,
}
"""By the key that the record and the address know them by."""


def _parted(scheme: Scheme, hand: Hand) -> Scheme:
    """Families too large for a lesson in parts, the part first by which most can be written; and
    the letters in their best order there."""

    def fewest_words(letters: tuple[str, ...]) -> int:
        return -len(order.writable(letters))

    parts = tuple(part for family in scheme.families for part in split(family, hand, fewest_words))
    return order.propose(Scheme(scheme.name, parts), hand, families_stay=True)
