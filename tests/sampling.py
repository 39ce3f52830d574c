"""How much of a large set of cases is tried: by day a small sample that is always the same, at
night all of it (`make nightly`), drawn by a new seed, which pytest names at its head."""

import os
from collections.abc import Sequence
from typing import TypeVar

import numpy as np

T = TypeVar("T")

SEED = int(os.environ.get("FIRST_LOOP_NIGHT", "0"))
"""0 by day. A night is tried again with `make nightly SEED=...`."""

IS_NIGHT = SEED != 0


def every(step: int, cases: Sequence[T], *, begin: int = 0) -> list[T]:
    """Each so-manieth of some cases by day; at night all."""
    return list(cases) if IS_NIGHT else list(cases)[begin % step :: step]


def seeds(by_day: int, at_night: int) -> range:
    """What pupils, inks and pages are drawn by: never at night what was drawn by day, or on another
    night."""
    begin = 10_000 * SEED
    return range(begin, begin + (at_night if IS_NIGHT else by_day))


def drawn_by(seed: int) -> np.random.Generator:
    """Chance for a test that has a seed of its own by day."""
    return np.random.default_rng([seed, SEED] if IS_NIGHT else seed)
