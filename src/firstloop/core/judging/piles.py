"""How what a class wrote is laid out to be judged: in piles of the same slip, so that what is alike
is seen together and agreed to at once."""

from collections import Counter
from collections.abc import Collection, Sequence
from dataclasses import dataclass

from firstloop.core.contract import Code
from firstloop.core.judging.look_first import Reason, weight

FIRST = "first"
"""The pile of what wants her eye before all else."""

WELL = "well"
"""The pile of what has nothing to be mended."""

WANTS_HER_EYE = 2
"""[weight] A new fault alone stays with its like, first among them: of a letter that is new to a
class all faults are new. From here on it is looked at by itself."""


@dataclass(frozen=True, slots=True)
class Thing:
    """Something to be laid out, by its place in what it comes from: what is to be mended in it, the
    most important first, why it wants her eye, and by what it is ordered among its like."""

    place: int
    to_mend: tuple[Code, ...]
    why: tuple[Reason, ...]
    name: str


@dataclass(frozen=True, slots=True)
class Pile:
    """A pile: `first`, `well`, or the code of what is to be mended; the places of its things."""

    key: str
    places: tuple[int, ...]


def piles(things: Sequence[Thing], doubts: Collection[Code] = ()) -> list[Pile]:
    """Things in piles: what wants her eye, then slips, those of most things first, then what is
    well. In a pile what has a reason to be looked at comes first, then by the child's name.

    >>> some = [Thing(0, (), (), "Mila"), Thing(1, (Code.SLANT,), (), "Jori")]
    >>> [(pile.key, pile.places) for pile in piles(some)]
    [('slant', (1,)), ('well', (0,))]
    """
    keys = {thing.place: _key(thing, doubts) for thing in things}
    counts = Counter(keys.values())
    order = list(Code)

    def rank(key: str) -> tuple[int, int, int]:
        if key in (FIRST, WELL):
            return (0 if key == FIRST else 2, 0, 0)
        return (1, -counts[key], order.index(Code(key)))

    ordered = sorted(things, key=lambda one: (-weight(one.why), one.name, one.place))
    return [
        Pile(key, tuple(one.place for one in ordered if keys[one.place] == key))
        for key in sorted(counts, key=rank)
    ]


def _key(thing: Thing, doubts: Collection[Code]) -> str:
    if weight(thing.why) >= WANTS_HER_EYE:
        return FIRST
    by_trust = sorted(thing.to_mend, key=lambda code: code in doubts)
    return by_trust[0].value if by_trust else WELL
