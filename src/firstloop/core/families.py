"""Formation families: letters taught together, and schemes of them in an order.

The built-in schemes are computed from the scripts, not typed in, so that they follow a class's hand
and its alternatives: choose the slanted y and it moves to the slopes.
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from firstloop.core.letterforms import Hand, draw
from firstloop.core.letterforms.hands import GROUPS
from firstloop.core.moves import MoveKind, Script
from firstloop.core.phrases import move_words
from firstloop.core.ruling import Ruling, place_in_words
from firstloop.core.spaces import Space, spaces_filled

LESSON_SIZE = 5
"""Letters: what one lesson can introduce and practise; a larger family is to be split."""

LED_IN = (MoveKind.LEAD_IN, MoveKind.LOOP)

LETTERS = GROUPS["small"]
"""What a scheme arranges; capitals and digits are taught in their own time."""


@dataclass(frozen=True, slots=True)
class Family:
    """Letters taught together. `exceptions` says, for a rule-breaker, what is different in it."""

    name: str
    letters: tuple[str, ...]
    why: str
    exceptions: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True, slots=True)
class Scheme:
    """A complete set of families in teaching order."""

    name: str
    families: tuple[Family, ...]


@dataclass(frozen=True, slots=True)
class SchemeFault:
    """Something wrong with a scheme; `family` is its place in the order, None for the whole."""

    family: int | None
    letter: str | None
    what: str


def faults(scheme: Scheme, letters: Iterable[str] = LETTERS) -> tuple[SchemeFault, ...]:
    """What keeps a scheme from being taught: letters twice, missing or unknown, families too large.

    >>> few = Scheme("mine", (Family("first", ("a", "b", "a"), ""),))
    >>> [fault.what for fault in faults(few, "abc")]
    ['a is in it twice', 'c is in no family']
    """
    wanted, seen, found = tuple(letters), set(), []
    for at, family in enumerate(scheme.families):
        for letter in family.letters:
            if letter in seen:
                twice = "it" if family.letters.count(letter) > 1 else "an earlier family"
                word = "twice" if twice == "it" else "already"
                found.append(SchemeFault(at, letter, f"{letter} is in {twice} {word}"))
            elif letter not in wanted:
                found.append(SchemeFault(at, letter, f"{letter} is no letter of this hand"))
            seen.add(letter)
        if len(family.letters) > LESSON_SIZE:
            size = len(family.letters)
            found.append(
                SchemeFault(at, None, f"{size} letters are more than the {LESSON_SIZE} of a lesson")
            )
    found += [SchemeFault(None, x, f"{x} is in no family") for x in wanted if x not in seen]
    return tuple(found)


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


def by_movement(hand: Hand) -> Scheme:
    """Families by the first moves of each letter; the largest family first, for it gives most."""
    openings: dict[str, list[str]] = {opening.name: [] for opening in _OPENINGS}
    for letter in LETTERS:
        kinds = _kinds(hand.scripts[letter])
        opening = next(opening for opening in _OPENINGS if opening.begins(kinds))
        openings[opening.name].append(letter)
    families = [
        Family(o.name, tuple(openings[o.name]), o.why, _exceptions(openings[o.name], hand))
        for o in _OPENINGS
        if openings[o.name]
    ]
    return Scheme("By movement", tuple(sorted(families, key=lambda f: -len(f.letters))))


def by_size(hand: Hand) -> Scheme:
    """Families by the spaces filled: short letters, then tall ones, then those with tails."""
    spaces = {x: spaces_filled(hand.scripts[x], hand) for x in LETTERS}
    tailed = tuple(x for x in LETTERS if Space.LOWER in spaces[x])
    tall = tuple(x for x in LETTERS if Space.UPPER in spaces[x] and x not in tailed)
    short = tuple(x for x in LETTERS if x not in (*tall, *tailed))
    families = (
        Family("Short", short, "They fill the middle space only."),
        Family("Tall", tall, "They reach up into the upper space."),
        Family("Tailed", tailed, "They reach down into the lower space."),
    )
    return Scheme("By size", families)


def _own(script: Script) -> int:
    """Where in the first stroke the letter itself begins: a joined hand's lead-in, and the loop at
    the top that it ends in, are before it."""
    kinds = [move.kind for move in script.strokes[0].moves]
    return next(at for at, kind in enumerate(kinds) if kind not in LED_IN)


def _kinds(script: Script) -> tuple[MoveKind, ...]:
    """The kinds of the letter's own moves in its first stroke."""
    return tuple(move.kind for move in script.strokes[0].moves[_own(script) :])


def _exceptions(letters: list[str], hand: Hand) -> tuple[tuple[str, str], ...]:
    """Letters whose first move is not the one that most of their family begin with."""
    firsts = [_kinds(hand.scripts[letter])[0] for letter in letters]
    usual = max(firsts, key=firsts.count, default=None)
    return tuple(
        (letter, _beginning(hand.scripts[letter], hand))
        for letter, first in zip(letters, firsts, strict=True)
        if first is not usual
    )


def _beginning(script: Script, hand: Hand) -> str:
    """How a letter begins, in words."""
    own = _own(script)
    drawn = draw(script, hand.proportions, Ruling()).moves[own]
    words = move_words(script)[0][own]
    return f"begins {place_in_words(float(drawn.points[0, 1]), Ruling())}, {words}"
