"""Formation families: letters taught together, and schemes of them in an order."""

import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, replace
from itertools import combinations, compress, pairwise, product, takewhile
from math import ceil

import numpy as np
from numpy.typing import NDArray

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.done import move_keys
from firstloop.core.letters.hands import GROUPS, group_of
from firstloop.core.letters.likeness import confusable
from firstloop.core.letters.moves import MoveKind, Script
from firstloop.core.letters.phrases import move_words
from firstloop.core.letters.places import place_in_words
from firstloop.core.letters.ruling import Ruling

LESSON_SIZE, LESSON_SIZES = 5, (3, 8)
"""Letters: the largest family that one lesson can introduce and practise, where the class has no
wish of its own, and between what that wish may be. A larger family is better split, but no fault.
"""

IntArray = NDArray[np.intp]

LED_IN = (MoveKind.LEAD_IN, MoveKind.LOOP)

KINDS = ("small", "capital", "digit")
LETTERS = tuple(letter for kind in KINDS for letter in GROUPS[kind])
"""What a scheme arranges. Small letters belong to every scheme; capitals and digits may be taught
in their own time, but if any of them is arranged then all are."""


@dataclass(frozen=True, slots=True)
class Family:
    """Letters taught together. `exceptions` says, for an exception, what is different in it."""

    name: str
    letters: tuple[str, ...]
    why: str
    exceptions: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True, slots=True)
class Scheme:
    """A complete set of families in teaching order."""

    name: str
    families: tuple[Family, ...]

    @property
    def order(self) -> tuple[str, ...]:
        """The letters in the order they are taught."""
        return tuple(letter for family in self.families for letter in family.letters)

    def family_of(self, letter: str) -> Family | None:
        """The family that a letter is taught in, if it is in one."""
        return next((family for family in self.families if letter in family.letters), None)


@dataclass(frozen=True, slots=True)
class SchemeFault:
    """Something wrong with a scheme; `family` is its place in the order, None for all, `place` the
    letter's in its family. What `breaks` it is never right, what is only a `wish` may stay as it
    is; what is neither is unfinished."""

    family: int | None
    letter: str | None
    what: str
    place: int | None = None
    breaks: bool = False
    wish: bool = False


def loose(scheme: Scheme, letters: Iterable[str] = LETTERS) -> tuple[str, ...]:
    """The letters that are in no family."""
    return tuple(letter for letter in letters if letter not in scheme.order)


def faults(
    scheme: Scheme, letters: Iterable[str] = LETTERS, largest: int = LESSON_SIZE
) -> tuple[SchemeFault, ...]:
    """What keeps a scheme from being taught: letters twice, missing or unknown, families larger
    than is wished, exceptions of letters that are elsewhere.

    >>> few = Scheme("mine", (Family("first", ("a", "b", "a"), ""),))
    >>> [fault.what for fault in faults(few, "abcAB")]
    ['a is in it twice', 'c is in no family']
    """
    wanted, found = tuple(letters), list[SchemeFault]()
    first_in: dict[str, int] = {}
    for at, family in enumerate(scheme.families):
        for place, letter in enumerate(family.letters):
            if letter in first_in:
                twice = "it twice" if first_in[letter] == at else "an earlier family already"
                found.append(SchemeFault(at, letter, f"{letter} is in {twice}", place, breaks=True))
            elif letter not in wanted:
                what = f'"{letter}" is no letter of this hand'
                found.append(SchemeFault(at, letter, what, place, breaks=True))
            first_in.setdefault(letter, at)
        found += [
            SchemeFault(at, letter, f"{letter} is not in this family", breaks=True)
            for letter, _ in family.exceptions
            if letter not in family.letters
        ]
        if len(family.letters) > largest:
            size = len(family.letters)
            what = f"{size} letters: more than the {largest} that you wish for in a lesson"
            found.append(SchemeFault(at, None, what, wish=True))
    begun = {"small", *(group_of(x) for x in first_in if x in wanted)}
    found += [
        SchemeFault(None, x, f"{x} is in no family")
        for x in loose(scheme, wanted)
        if group_of(x) in begun
    ]
    return tuple(found)


def own_start(script: Script) -> int:
    """Where in the first stroke the letter itself begins: a joined hand's lead-in, and the loop at
    the top that it ends in, are before it."""
    kinds = [move.kind for move in script.strokes[0].moves]
    return next(at for at, kind in enumerate(kinds) if kind not in LED_IN)


def own_kinds(script: Script) -> tuple[MoveKind, ...]:
    """The kinds of the letter's own moves in its first stroke."""
    return tuple(move.kind for move in script.strokes[0].moves[own_start(script) :])


def one_movement(script: Script, other: Script) -> bool:
    """Whether two letters begin with one movement: look-alikes of it (c o a d; n m h) belong
    together and are contrasted on purpose; those of different movements (b d, p q, n u) are not.

    >>> from firstloop.core.letters import PLAIN
    >>> pairs = ("ao", "nh", "bp", "bd", "nu", "lh")
    >>> [one_movement(PLAIN.scripts[a], PLAIN.scripts[b]) for a, b in map(tuple, pairs)]
    [True, True, True, False, False, False]
    """
    own, others = own_kinds(script), own_kinds(other)
    goes_back = [MoveKind.BACK in kinds[1:2] for kinds in (own, others)]
    return own[0] is others[0] and goes_back[0] is goes_back[1]


def exceptions_of(letters: Iterable[str], hand: Hand) -> tuple[tuple[str, str], ...]:
    """Letters whose first move is not the one that most of their family begin with, and how they
    begin."""
    firsts = {letter: own_kinds(hand.scripts[letter])[0] for letter in letters}
    kinds = list(firsts.values())
    usual = max(kinds, key=kinds.count, default=None)
    return tuple(
        (letter, _beginning(hand.scripts[letter], hand))
        for letter, first in firsts.items()
        if first is not usual
    )


def opening(letters: Iterable[str], hand: Hand, ruling: Ruling) -> tuple[FloatArray, ...]:
    """What the letters of a family begin with, drawn: the moves that all but the exceptions
    share, at least one; points (n, 2) in u. None of it for no letters.

    >>> from firstloop.core.letters import PLAIN
    >>> len(opening("nmh", PLAIN, Ruling()))
    3
    >>> opening("", PLAIN, Ruling())
    ()
    """
    letters = tuple(letters)
    exceptions = dict(exceptions_of(letters, hand))
    usual = [letter for letter in letters if letter not in exceptions]
    if not usual:
        return ()
    kinds = [own_kinds(hand.scripts[letter]) for letter in usual]
    shared = sum(1 for _ in takewhile(lambda same: len(set(same)) == 1, zip(*kinds, strict=False)))
    script = hand.scripts[usual[0]]
    start = own_start(script)
    moves = draw(script, hand.proportions, ruling).moves
    return tuple(move.points for move in moves[start : start + shared])


def split(
    family: Family,
    hand: Hand,
    largest: int = LESSON_SIZE,
    early: Callable[[tuple[str, ...]], float] | None = None,
) -> tuple[Family, ...]:
    """A proposal to part a family: into as few as fit a lesson, of two letters at least; what looks
    alike and is one movement together, what is of different movements in different parts, and else
    what shows (open or closed) together. Letters keep their order; a small family stays whole.
    `early` is what it is worth that some letters are taught first: the part that is worth most
    comes first, and that weighs with what belongs together; else the one that has the family's
    first letter.

    >>> from firstloop.core.letters import PLAIN
    >>> bowls = Family("Bowls", tuple("abdopq"), "They have a bowl.")
    >>> [(part.name, "".join(part.letters)) for part in split(bowls, PLAIN)]
    [('Bowls (1)', 'adoq'), ('Bowls (2)', 'bp')]
    """
    parts = ceil(len(family.letters) / largest)
    if parts < 2:
        return (family,)
    dealt = _parted(parts, family.letters, hand, largest, early)
    members = [
        tuple(x for x, part in zip(family.letters, dealt, strict=True) if part == at)
        for at in range(parts)
    ]
    if early:
        members.sort(key=early, reverse=True)
    else:
        members.sort(key=lambda letters: family.letters.index(letters[0]))
    return tuple(
        replace(
            family,
            name=f"{family.name} ({at})",
            letters=letters,
            exceptions=tuple(pair for pair in family.exceptions if pair[0] in letters),
        )
        for at, letters in enumerate(members, start=1)
    )


PART = re.compile(r" \(\d+\)$")


def families_of(scheme: Scheme, letters: Iterable[str]) -> tuple[Family, ...]:
    """The families that some letters are in, each once; one that was parted as the whole it is.

    >>> parts = (Family("Bowls (1)", ("a", "d"), "b"), Family("Bowls (2)", ("o",), "b"))
    >>> [(one.name, one.letters) for one in families_of(Scheme("s", parts), "a")]
    [('Bowls', ('a', 'd', 'o'))]
    """
    wanted, whole = set(letters), dict[tuple[str, str], Family]()
    for family in scheme.families:
        name = PART.sub("", family.name)
        before = whole.get((name, family.why), Family(name, (), family.why))
        whole[name, family.why] = replace(
            before,
            letters=before.letters + family.letters,
            exceptions=before.exceptions + family.exceptions,
        )
    return tuple(family for family in whole.values() if wanted & set(family.letters))


SHOWS = 0.1
"""How much it weighs that two letters show the same, both closed or both open, beside the square of
how easily they are confused. By trial: with more, n and h are parted for their height, with less, a
round that is open from those that are closed."""

LEAST_PART = 2
"""[letters] A part of one letter is no family."""


def _parted(
    parts: int,
    letters: tuple[str, ...],
    hand: Hand,
    largest: int,
    early: Callable[[tuple[str, ...]], float] | None,
) -> IntArray:
    """The part that each letter is dealt to (n,): letters moved or exchanged between parts for as
    long as more of what belongs together is together and the first part is worth more, begun from
    wherever it could be cut."""
    belong = np.zeros((len(letters), len(letters)))
    for a, b in combinations(range(len(letters)), 2):
        belong[a, b] = _belong_together(letters[a], letters[b], hand)

    def together(dealt: IntArray) -> float:
        worth = float(belong[dealt[:, None] == dealt].sum())
        if early is None:
            return worth
        dealt_to = (tuple(compress(letters, dealt == at)) for at in range(parts))
        return worth + max(map(early, dealt_to))

    def improved(dealt: IntArray) -> IntArray:
        while True:
            best = max(_others(dealt, largest), key=together)
            if together(best) <= together(dealt) + 1e-9:
                return dealt
            dealt = best

    evenly = np.arange(len(letters)) * parts // len(letters)
    begun = range(ceil(len(letters) / parts))
    return max((improved(np.roll(evenly, by)) for by in begun), key=together)


def _others(dealt: IntArray, largest: int) -> Iterator[IntArray]:
    """The same with two letters exchanged, or one moved to where there is room."""
    sizes = np.bincount(dealt)
    for a, b in combinations(range(len(dealt)), 2):
        other = dealt.copy()
        other[[a, b]] = dealt[[b, a]]
        yield other
    for at, part in product(range(len(dealt)), range(len(sizes))):
        if part != dealt[at] and sizes[part] < largest and sizes[dealt[at]] > LEAST_PART:
            other = dealt.copy()
            other[at] = part
            yield other


def _belong_together(letter: str, other: str, hand: Hand) -> float:
    one, two = hand.scripts[letter], hand.scripts[other]
    confused = confusable(hand, letter, other) ** 2
    shows = SHOWS if _is_closed(one) is _is_closed(two) else 0.0
    return (confused if one_movement(one, two) else -confused) + shows


def _is_closed(script: Script) -> bool:
    """Whether a round of it comes back to a stem or to its beginning."""
    keys = [key for stroke in move_keys(script) for key in stroke]
    kinds = [move.kind for move in script.moves]
    to_a_stem = any(
        kind is MoveKind.ROUND and following in (MoveKind.RISE, MoveKind.DROP)
        for kind, following in pairwise(kinds)
    )
    return to_a_stem or any("closed" in key or "stem" in key for key in keys)


def _beginning(script: Script, hand: Hand) -> str:
    """How a letter begins, in words."""
    own = own_start(script)
    drawn = draw(script, hand.proportions, Ruling()).moves[own]
    words = move_words(script)[0][own]
    return f"begins {place_in_words(float(drawn.points[0, 1]), Ruling())}: {words}"
