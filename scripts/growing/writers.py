"""How a made-up pupil's letters truly stand, and how that changes: five models that disagree.

A writer is asked for the chance that a letter holds, written alone from memory, in one dimension;
it is told when a letter was written and when days went by.
"""

from collections.abc import Callable, Sequence
from typing import Protocol

import numpy as np

Key = tuple[str, int]
"""A letter and a dimension, 0 to 2."""

SHARED = {
    "stems back": "nmhrbp",
    "rounds": "adgqocsef",
    "unders": "uytl",
    "tails": "gqpyj",
    "bars": "ftez",
    "slants": "vwxkz",
    "from the top": "nmhrbpitlkuj",
}
"""What letters have in common in these pupils' hands: not quite what the model takes them to."""

LETTERS = "nmhrbpkadgqocsefuytilvwxzj"
LEAST, MOST = 0.02, 0.98


class Writer(Protocol):
    """A pupil's true state."""

    def chance(self, key: Key) -> float:
        """That the letter holds next time."""

    def wrote(self, key: Key) -> None:
        """It was written once more."""

    def passed(self, days: float) -> None:
        """Days went by."""

    def weak_part(self, key: Key) -> str:
        """What a finding would name."""


def logistic(value: float) -> float:
    """A chance from its logit."""
    return float(np.clip(1.0 / (1.0 + np.exp(-value)), LEAST, MOST))


def logit(chance: float) -> float:
    """The other way round."""
    return float(np.log(chance / (1.0 - chance)))


class _Plain:
    """What most have in common: nothing happens, and a finding names any part."""

    def __init__(self, rng: np.random.Generator, letters: Sequence[str]) -> None:
        self.rng, self.keys = rng, [(letter, at) for letter in letters for at in range(3)]

    def wrote(self, key: Key) -> None:
        pass

    def passed(self, days: float) -> None:
        pass

    def weak_part(self, key: Key) -> str:
        return str(self.rng.choice(parts_of(key[0])))


def parts_of(letter: str) -> list[str]:
    """What a letter shares with others."""
    return [part for part, letters in SHARED.items() if letter in letters]


class ByHabits(_Plain):
    """Every letter is as good as the weakest of its habits, and a little its own. A habit is had or
    not; by and by one is mended or lost, and all its letters with it."""

    def __init__(
        self, rng: np.random.Generator, letters: Sequence[str], a_day: float | None = None
    ) -> None:
        super().__init__(rng, letters)
        self.a_day = rng.uniform(0.0008, 0.006) if a_day is None else a_day
        habits = [(part, at) for part in SHARED for at in range(3)]
        self.had = {habit: bool(rng.random() < 0.65) for habit in habits}
        self.chances = {habit: self._drawn(had) for habit, had in self.had.items()}
        self.own = {key: rng.normal(0.0, 0.4) for key in self.keys}

    def _drawn(self, had: bool) -> float:
        drawn = self.rng.beta(15, 1.6) if had else self.rng.beta(2.5, 7)
        return float(np.clip(drawn, LEAST, MOST))

    def chance(self, key: Key) -> float:
        weakest = min(self.chances[part, key[1]] for part in parts_of(key[0]))
        return logistic(logit(weakest) + self.own[key])

    def passed(self, days: float) -> None:
        for habit in self.had:
            if self.rng.random() < 1.0 - np.exp(-self.a_day * days):
                self.had[habit] = not self.had[habit]
                self.chances[habit] = self._drawn(self.had[habit])

    def weak_part(self, key: Key) -> str:
        return min(parts_of(key[0]), key=lambda part: self.chances[part, key[1]])


class ByPractice(_Plain):
    """Every letter grows towards a ceiling with each time it is written, and fades over days."""

    def __init__(self, rng: np.random.Generator, letters: Sequence[str]) -> None:
        super().__init__(rng, letters)
        start = rng.normal(-0.2, 0.8)
        self.floor = {key: start + rng.normal(0.0, 0.9) for key in self.keys}
        self.now = dict(self.floor)
        self.gain, self.fade = rng.uniform(0.005, 0.1), rng.uniform(0.0, 0.02)
        self.top = rng.uniform(1.5, 3.5)

    def chance(self, key: Key) -> float:
        return logistic(self.now[key])

    def wrote(self, key: Key) -> None:
        self.now[key] += self.gain * (self.top - self.now[key])

    def passed(self, days: float) -> None:
        left = np.exp(-self.fade * days)
        for key, floor in self.floor.items():
            self.now[key] = floor + (self.now[key] - floor) * left


class Knowing(_Plain):
    """Every letter is known or not; what is known slips at times, what is not is hit by luck."""

    def __init__(self, rng: np.random.Generator, letters: Sequence[str]) -> None:
        super().__init__(rng, letters)
        self.known = {key: bool(rng.random() < 0.45) for key in self.keys}
        self.learns, self.loses = rng.uniform(0.01, 0.06), rng.uniform(0.0, 0.006)
        self.slips, self.guesses = rng.uniform(0.04, 0.18), rng.uniform(0.08, 0.35)

    def chance(self, key: Key) -> float:
        return 1.0 - self.slips if self.known[key] else self.guesses

    def wrote(self, key: Key) -> None:
        turns = self.loses if self.known[key] else self.learns
        if self.rng.random() < turns:
            self.known[key] = not self.known[key]


class ByLetters(_Plain):
    """Every letter is its own, and becomes another now and then."""

    def __init__(
        self, rng: np.random.Generator, letters: Sequence[str], turns: float | None = None
    ) -> None:
        super().__init__(rng, letters)
        self.about, self.spread = rng.normal(0.8, 0.6), rng.uniform(0.8, 1.8)
        self.turns = rng.uniform(0.003, 0.015) if turns is None else turns
        self.now = {key: rng.normal(self.about, self.spread) for key in self.keys}

    def chance(self, key: Key) -> float:
        return logistic(self.now[key])

    def wrote(self, key: Key) -> None:
        if self.rng.random() < self.turns:
            self.now[key] = self.rng.normal(self.about, self.spread)


class Drifting(_Plain):
    """Every letter wanders, and all of them together."""

    def __init__(self, rng: np.random.Generator, letters: Sequence[str]) -> None:
        super().__init__(rng, letters)
        self.now = {key: rng.normal(0.8, 1.3) for key in self.keys}
        self.step, self.common = rng.uniform(0.02, 0.2), np.zeros(3)

    def chance(self, key: Key) -> float:
        return logistic(self.now[key] + self.common[key[1]])

    def wrote(self, key: Key) -> None:
        self.now[key] += self.rng.normal() * self.step

    def passed(self, days: float) -> None:
        self.common += self.rng.normal(size=3) * 0.04 * np.sqrt(days)


Made = Callable[[np.random.Generator, Sequence[str]], Writer]

MODELS: dict[str, Made] = {
    "habits": ByHabits,
    "practice": ByPractice,
    "knowing": Knowing,
    "letters": ByLetters,
    "drifting": Drifting,
    "steady habits": lambda rng, letters: ByHabits(rng, letters, 0.0),
    "steady letters": lambda rng, letters: ByLetters(rng, letters, 0.0),
}
