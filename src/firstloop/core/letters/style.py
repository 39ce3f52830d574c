"""A class's style: its hand, the alternatives it has picked, and proportions of its own."""

from dataclasses import dataclass, replace
from functools import lru_cache

from firstloop.core.letters.hands import Hand, choose, find_hand

SLANT_RANGE, WIDTH_RANGE, BRANCH_RANGE = (-5.0, 20.0), (0.75, 1.35), (0.5, 0.8)
EXIT_RANGE = (0.5, 1.5)
"""Degrees, ratio, u, ratio: beyond these a hand is no longer what its scripts were drawn for."""


@dataclass(frozen=True, slots=True)
class Style:
    """What a class writes: a hand by its name, what it picks in it, proportions of its own; where
    they are None, the hand's."""

    hand: str
    choices: tuple[tuple[str, str], ...] = ()
    slant_deg: float | None = None
    width: float | None = None
    branch: float | None = None
    exit: float | None = None
    own: Hand | None = None
    """The school's own hand of that name, where it is not built in."""


@lru_cache(maxsize=64)
def hand_of(style: Style) -> Hand:
    """The hand as the class writes it; raises UnknownLetterError for unknown hands or choices.

    The same style gives the same hand, so that what is computed from a hand is computed once.

    >>> hand_of(Style("joined", slant_deg=0.0)).proportions.slant_deg
    0.0
    """
    hand = choose(style.own or find_hand(style.hand), dict(style.choices))
    own = {
        "slant_deg": style.slant_deg,
        "width": style.width,
        "branch": style.branch,
        "exit": style.exit,
    }
    changed = {name: value for name, value in own.items() if value is not None}
    return replace(hand, proportions=replace(hand.proportions, **changed))
