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
from firstloop.core.limits import ANOTHER_KIND, NO_NEARER

READ = ("small", "capital", "digit")
"""The kinds of letters that are read; a mark is told by its place, nobody reads it out of it."""


@dataclass(frozen=True, slots=True)
class Reading:
    """The nearest letter, and by how much (u²) it is nearer than the letter asked for; 0 where no
    other is clearly nearer."""

    nearest: str
    margin: float


def read(ink: Look, cost: float, asked: Letter, hand: Hand) -> Reading:
    """What the ink reads as, among all letters and digits; `cost` (u²) is how far it is from the
    letter asked for.

    To be read as another letter it must be clearly nearer to that: ink that lies well on the target
    needs no more looking, nor does a letter for which it would have to be stretched by more than
    that.
    """
    target, ruling = asked.name, asked.ruling
    to_beat = cost - CATALOGUE[Code.READS_AS_OTHER].limit.not_yet
    if group_of(target) not in READ or to_beat <= NO_NEARER:
        return Reading(target, 0.0)
    alphabet, handicaps = _alphabet(hand, ruling), _handicaps(target, hand, ruling)
    costs = alphabet.pictures.costs(ink, at_most=to_beat - handicaps) + handicaps
    best = int(np.argmin(costs))
    if costs[best] >= to_beat:
        return Reading(target, 0.0)
    return Reading(alphabet.names[best], float(cost - costs[best]))


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
