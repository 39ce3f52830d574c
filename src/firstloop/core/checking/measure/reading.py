"""Reading: which letter a shape would be taken for by someone who does not know the target."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.checking.explain.looks import looks_of
from firstloop.core.geometry.pictures import Look, Pictures
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter
from firstloop.core.letters.hands import GROUPS, group_of
from firstloop.core.letters.ruling import Ruling

NO_NEARER = 0.002
"""[u²] A steady child's ink is at least this far from the letter that it is."""

NEAR, VERY_NEAR, NOT_FAR = 0.075, 0.02, 0.12
"""[u²] Ink is read as a letter only if it is near to it, whatever else is further off; what is very
near to another is that, before anything is said of how it was made; and what is near to none is the
letter asked for if it is not far from it. Of 1,200 letters written for another nine in ten lie
within 0.064 of what they are; of 300 scribbles one in ten within 0.074 of anything."""

ANOTHER_KIND = 0.012
"""[u²] What a digit must be nearer by to be read where a letter was asked for, and so on."""


READ = ("small", "capital", "digit")
"""The kinds of letters that are read; a mark is told by its place, nobody reads it out of it."""


@dataclass(frozen=True, slots=True)
class Reading:
    """What it is read as, if anything; by how much (u²) that is nearer than the letter asked for, 0
    where it is that; and whether it is that other letter beyond doubt."""

    letter: str | None
    margin: float = 0.0
    beyond_doubt: bool = False


def read(
    ink: Look, cost: float, asked: Letter, hand: Hand, *, clearly_nearer: float, explained: bool
) -> Reading:
    """What the ink reads as, among all letters and digits; `cost` (u²) is how far it is from the
    letter asked for, `clearly_nearer` (u²) what it must be nearer by to be another, `explained`
    whether its making is that letter's.

    To be read as another letter it must be near to that, and clearly nearer than to the target: ink
    that lies well on the target needs no more looking, nor does a letter for which it would have to
    be stretched by more than that. What is near to none is the target if it was made as that or
    is not far from it, and else nothing.
    """
    target, ruling = asked.name, asked.ruling
    as_asked = Reading(target if explained or cost < NOT_FAR else None)
    to_beat = min(cost - clearly_nearer, NEAR)
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
