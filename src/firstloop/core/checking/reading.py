"""Reading: which letter a shape would be taken for by someone who does not know the target."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.checking.catalogue import CATALOGUE
from firstloop.core.checking.forms import forms_of
from firstloop.core.checking.looks import looks_of
from firstloop.core.contract import Code
from firstloop.core.geometry.pictures import Look, Pictures
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter
from firstloop.core.letters.hands import GROUPS, group_of
from firstloop.core.letters.ruling import Ruling
from firstloop.core.limits import ANOTHER_KIND, NEAR, NO_NEARER, NOT_FAR, VERY_NEAR

READ = ("small", "capital", "digit")
"""The kinds of letters that are read; a mark is told by its place, nobody reads it out of it."""


@dataclass(frozen=True, slots=True)
class Reading:
    """What it is read as, if anything; by how much (u²) that is nearer than the letter asked for, 0
    where it is that; and whether it is that other letter beyond doubt."""

    letter: str | None
    margin: float = 0.0
    beyond_doubt: bool = False


def read(ink: Look, cost: float, asked: Letter, hand: Hand, *, explained: bool) -> Reading:
    """What the ink reads as, among all letters and digits; `cost` (u²) is how far it is from the
    letter asked for, `explained` whether its making is that letter's.

    To be read as another letter it must be near to that, and clearly nearer than to the target: ink
    that lies well on the target needs no more looking, nor does a letter for which it would have to
    be stretched by more than that. What is near to none is the target if it was made as that or
    is not far from it, and else nothing.
    """
    target, ruling = asked.name, asked.ruling
    as_asked = Reading(target if explained or cost < NOT_FAR else None)
    to_beat = min(cost - CATALOGUE[Code.READS_AS_OTHER].limit.not_yet, NEAR)
    if group_of(target) not in READ:
        return Reading(target)
    if to_beat <= NO_NEARER:
        return as_asked
    alphabet, handicaps = _alphabet(hand, ruling), _handicaps(target, hand, ruling)
    costs = alphabet.pictures.costs(ink, at_most=to_beat - handicaps) + handicaps
    best = int(np.argmin(costs))
    if costs[best] >= to_beat:
        return as_asked
    beyond_doubt = bool(costs[best] < VERY_NEAR < NEAR < cost)
    return Reading(alphabet.names[best], float(cost - costs[best]), beyond_doubt)


@dataclass(frozen=True, slots=True, eq=False)
class _Alphabet:
    """Every accepted form of every letter and digit of a hand; `names` says of which."""

    names: tuple[str, ...]
    pictures: Pictures


@lru_cache(maxsize=64)
def _alphabet(hand: Hand, ruling: Ruling) -> _Alphabet:
    looks = [
        (letter, look)
        for group in READ
        for letter in GROUPS[group]
        if letter in hand.scripts
        for form in forms_of(letter, hand, ruling)
        for look in looks_of(form)
    ]
    names, paths = zip(*looks, strict=True)
    return _Alphabet(names, Pictures.of(paths))


@lru_cache(maxsize=512)
def _handicaps(target: str, hand: Hand, ruling: Ruling) -> FloatArray:
    """For each picture what it must be nearer by (u²); infinite for the target's own.

    What was asked for settles what shape cannot: who asked for a letter does not read a digit.
    """
    kind = group_of(target)
    return np.array(
        [
            np.inf if name == target else 0.0 if group_of(name) == kind else ANOTHER_KIND
            for name in _alphabet(hand, ruling).names
        ]
    )
