"""The schemes that come with the program: the main schools of order.

They are computed from the scripts and the bundled words, not typed in, so that they follow a
class's hand and its alternatives: choose the slanted y and it moves to the slopes. Small letters
come first, then capitals, then digits, each kind in families of its own.
"""

import math
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from functools import cache, lru_cache

from firstloop.core.letters import Hand, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.spaces import Space, spaces_filled
from firstloop.core.teaching import order
from firstloop.core.teaching.families import (
    KINDS,
    LESSON_SIZE,
    Family,
    Scheme,
    exceptions_of,
    own_kinds,
    split,
)

Letters = tuple[str, ...]


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
    _Opening(
        "Over and round",
        "They set off to the right and go round.",
        lambda kinds: kinds[0] is MoveKind.WHEEL,
    ),
    _Opening("Straight down", "A stem straight down.", lambda kinds: kinds[0] is MoveKind.DROP),
    _Opening("Slopes", "Straight slanting lines.", lambda _: True),
)


@lru_cache(maxsize=64)
def by_movement(hand: Hand, largest: int = LESSON_SIZE) -> Scheme:
    """Families by the first moves of each letter; families too large for a lesson are parted."""
    return _of_every_kind("By movement", hand, largest, _by_opening, ordered=True)


def _by_opening(letters: Letters, hand: Hand) -> list[Family]:
    openings: dict[str, list[str]] = {opening.name: [] for opening in _OPENINGS}
    for letter in letters:
        kinds = own_kinds(hand.scripts[letter])
        opening = next(opening for opening in _OPENINGS if opening.begins(kinds))
        openings[opening.name].append(letter)
    return [
        Family(o.name, tuple(openings[o.name]), o.why, exceptions_of(openings[o.name], hand))
        for o in _OPENINGS
    ]


@lru_cache(maxsize=64)
def by_size(hand: Hand, largest: int = LESSON_SIZE) -> Scheme:
    """Families by the spaces filled: short letters, tall ones, those with tails."""
    return _of_every_kind("By size", hand, largest, _by_spaces, ordered=False)


def _by_spaces(letters: Letters, hand: Hand) -> list[Family]:
    spaces = {x: spaces_filled(draw(hand.scripts[x], hand.proportions, Ruling())) for x in letters}
    tailed = tuple(x for x in letters if Space.LOWER in spaces[x])
    tall = tuple(x for x in letters if Space.UPPER in spaces[x] and x not in tailed)
    short = tuple(x for x in letters if x not in (*tall, *tailed))
    return [
        Family("Short", short, "They fill the middle space only."),
        Family("Tall", tall, "They reach up into the upper space."),
        Family("Tailed", tailed, "They reach down into the lower space."),
    ]


@lru_cache(maxsize=64)
def by_sound(hand: Hand, largest: int = LESSON_SIZE) -> Scheme:
    """Sets of letters in the order that lets most of the bundled words be written soonest; capitals
    in the order of their small letters, digits as they are counted."""
    del hand  # words are the same in every hand
    best = order.words_soonest(GROUPS["small"])
    capitals = tuple(letter.upper() for letter in best)
    return Scheme(
        "By sound",
        (
            *_sets(best, largest, "Set", _words_with(best)),
            *_sets(capitals, largest, "Capitals, set", lambda _: "Those of the small letters."),
            *_sets((*"1234567890",), largest, "Digits, set", lambda _: "In counting order."),
        ),
    )


def _words_with(best: Letters) -> Callable[[int], str]:
    counts = order.words_after(best)
    return lambda done: f"With these, {counts[done - 1]} of the bundled words can be written."


def _sets(
    letters: Letters, largest: int, called: str, why: Callable[[int], str]
) -> Iterable[Family]:
    """The letters in sets; why, by how many letters are done after each."""
    done = 0
    for at, part in enumerate(order.sets_of(letters, largest), start=1):
        done += len(part)
        yield Family(f"{called} {at}", part, why(done))


def empty(hand: Hand, largest: int = LESSON_SIZE) -> Scheme:
    """Nothing yet: a school's own families, from the beginning."""
    del hand, largest
    return Scheme("Our own", ())


BUILT_IN: dict[str, Callable[[Hand, int], Scheme]] = {
    "movement": by_movement,
    "sound": by_sound,
    "size": by_size,
    "empty": empty,
}
"""By the key that the record and the address know them by."""

_CALLED = {"small": "", "capital": "Capitals: ", "digit": "Digits: "}


def _of_every_kind(
    name: str,
    hand: Hand,
    largest: int,
    families: Callable[[Letters, Hand], list[Family]],
    *,
    ordered: bool,
) -> Scheme:
    """The families of small letters, capitals and digits, each kind in its best order (or the
    order that the families are given in), those too large for a lesson in parts."""
    found: list[Family] = []
    for kind in KINDS:
        some = Scheme("", tuple(one for one in families(GROUPS[kind], hand) if one.letters))
        parted = _parted(order.propose(some, hand) if ordered else some, hand, largest)
        found += [_called(_CALLED[kind], family) for family in parted.families]
    return Scheme(name, tuple(found))


def _called(before: str, family: Family) -> Family:
    return replace(family, name=before + family.name.lower()) if before else family


WORDS_EARLY = 0.6
"""How much it weighs, beside what belongs together, that words can be written with the first part
of a family: twice as many weigh .4, as a pair of look-alikes of two movements that is kept apart.
By trial: with less, z is among the first seven letters, and no word has it until three lessons
on."""


def _parted(scheme: Scheme, hand: Hand, largest: int) -> Scheme:
    """Families too large for a lesson in parts, the part first by which most can be written; and
    the letters in their best order there."""

    @cache
    def early(letters: Letters) -> float:
        return WORDS_EARLY * math.log1p(order.word_count(letters))

    parts = tuple(p for family in scheme.families for p in split(family, hand, largest, early))
    return order.propose(Scheme(scheme.name, parts), hand, families_stay=True)
