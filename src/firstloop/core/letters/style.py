"""A class's style: its hand, the alternatives it has picked, and proportions of its own."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any

from firstloop.core.letters.hands import Hand, choose, find_hand

PROPORTIONS = {
    "slant_deg": (-5.0, 20.0),
    "width": (0.75, 1.35),
    "branch": (0.5, 0.8),
    "exit": (0.5, 1.5),
}
"""[degrees, ratio, u, ratio] What a class may set of its hand, and between which values: beyond
these a hand is no longer what its scripts were drawn for."""


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

    @classmethod
    def of(
        cls,
        hand: str,
        choices: Mapping[str, str],
        proportions: Mapping[str, float | None],
        own: Hand | None = None,
    ) -> "Style":
        """A style of what is known of one by name; what is no proportion is passed over."""
        chosen = tuple(sorted(choices.items()))
        wanted: dict[str, Any] = {name: proportions[name] for name in PROPORTIONS}
        return cls(hand, chosen, own=own, **wanted)

    @property
    def proportions(self) -> dict[str, float | None]:
        """Its own proportions, by name."""
        return {name: getattr(self, name) for name in PROPORTIONS}


@lru_cache(maxsize=64)
def hand_of(style: Style) -> Hand:
    """The hand as the class writes it; raises UnknownLetterError for unknown hands or choices.

    The same style gives the same hand, so that what is computed from a hand is computed once.

    >>> hand_of(Style("joined", slant_deg=0.0)).proportions.slant_deg
    0.0
    """
    hand = choose(style.own or find_hand(style.hand), dict(style.choices))
    changed = {name: value for name, value in style.proportions.items() if value is not None}
    return replace(hand, proportions=replace(hand.proportions, **changed))
