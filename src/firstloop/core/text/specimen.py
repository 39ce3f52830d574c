"""A hand on one sheet: where each specimen stands, for whatever draws it."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose

SPECIMEN_WORDS = ("hoop", "wave", "flock", "very", "jigsaw", "brown", "quiz", "text")
"""Eight words that together hold every kind of join."""

WIDTH, ROW_HEIGHT = 26.0, 3.5
"""u."""

SPACE = 0.75
"""u between specimens."""


@dataclass(frozen=True, slots=True, eq=False)
class SpecimenSheet:
    """Lines of ink (n, 2) in u, y up, x from the sheet's left; and the base line of each row,
    whose y counts down from the sheet's top."""

    title: str
    ruling: Ruling
    height: float
    rows: tuple[tuple[float, tuple[FloatArray, ...]], ...]


def specimen_sheet(hand: Hand, ruling: Ruling) -> SpecimenSheet:
    """The whole hand: alphabet, capitals, digits and marks, eight words."""

    def drawn(scripts: Iterable[Script]) -> list[Letter]:
        return [draw(script, hand.proportions, ruling) for script in scripts]

    rows = [
        *_broken(drawn(hand.scripts[letter] for letter in GROUPS["small"])),
        *_broken(drawn(hand.scripts[letter] for letter in GROUPS["capital"])),
        *_broken(drawn(hand.scripts[letter] for letter in (*GROUPS["digit"], *GROUPS["mark"]))),
        *_broken(drawn(compose(word, hand).script for word in SPECIMEN_WORDS)),
    ]
    return SpecimenSheet(
        title=f"The {hand.name} hand",
        ruling=ruling,
        height=ROW_HEIGHT * len(rows),
        rows=tuple(
            (ROW_HEIGHT * at + ruling.top + 0.3, _set(letters)) for at, letters in enumerate(rows)
        ),
    )


def _broken(letters: list[Letter]) -> list[list[Letter]]:
    """Letters broken into rows that fit the sheet."""
    rows: list[list[Letter]] = [[]]
    used = 0.0
    for letter in letters:
        left, right = _extent(letter)
        if used + right - left + SPACE > WIDTH and rows[-1]:
            rows.append([])
            used = 0.0
        rows[-1].append(letter)
        used += right - left + SPACE
    return rows


def _set(letters: list[Letter]) -> tuple[FloatArray, ...]:
    lines, x = [], SPACE / 2
    for letter in letters:
        left, right = _extent(letter)
        lines += [path + np.array([x - left, 0.0]) for path in letter.inked()]
        x += right - left + SPACE
    return tuple(lines)


def _extent(letter: Letter) -> tuple[float, float]:
    xs = np.concatenate([path[:, 0] for path in letter.inked()])
    return float(xs.min()), float(xs.max())
