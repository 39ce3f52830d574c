"""How easily two letters are confused: by their shape, by their mirror image, by their movement."""

from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.matching import (
    Fit,
    Models,
    Path,
    directed,
    every_cost,
    fit_boxes,
    ink_terms,
    step_costs,
)
from firstloop.core.geometry.pictures import undirected
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter, draw
from firstloop.core.letters.hands import GROUPS, group_of
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.ruling import Ruling

SCALE = 0.05
"""u²: pictures or movements that differ by this are half confusable; n and h differ by 0.07."""

FINE = 40
"""Points of a path: two letters are compared once and for all, so that time does not matter."""

DOTTED = 0.4
"""What two letters are alike for having a dot: it is seen before all else, and few letters have it,
but it is too small to weigh in a distance."""

STEP, TOGETHER = 0.05, 0.15
"""u: how finely two movements are followed, and how close they keep while they are the same."""

MIRRORED = 0.6
"""What a likeness in the mirror counts: children of this age still turn letters round, but a mirror
image is told apart sooner than a shape that is nearly the same."""


@dataclass(frozen=True, slots=True)
class Likeness:
    """How alike two letters are, each 0 to 1."""

    shape: float
    mirror: float
    movement: float

    @property
    def confusable(self) -> float:
        """How easily they are confused: by eye or in the mirror, the more so the more alike the
        hand moves."""
        by_eye = max(self.shape, MIRRORED * self.mirror)
        return 0.7 * by_eye + 0.3 * self.movement

    @property
    def why(self) -> str:
        """What makes them alike most, in words.

        >>> Likeness(shape=0.3, mirror=0.9, movement=0.1).why
        'alike in the mirror'
        """
        reasons = {
            "alike to look at": self.shape,
            "alike in the mirror": MIRRORED * self.mirror,
            "alike to write": self.movement,
        }
        return max(reasons, key=lambda reason: reasons[reason])


@lru_cache(maxsize=16)
def likeness_table(hand: Hand, group: str = "small") -> dict[tuple[str, str], Likeness]:
    """The likeness of every two letters of a kind; keys in the hand's order, the earlier first."""
    letters = {x: draw(hand.scripts[x], hand.proportions, Ruling()) for x in GROUPS[group]}
    paths = [Path.of(letter.paths(), FINE) for letter in letters.values()]
    mirrored = [Path.of([_turned(p) for p in one.paths()], FINE) for one in letters.values()]
    pictures, movements = Models.of(paths, undirected), Models.of(paths, directed)
    shape = [_shape_costs(path, pictures) for path in paths]
    mirror = [_shape_costs(path, pictures) for path in mirrored]
    movement = [every_cost(path, movements) for path in paths]
    begun = [
        np.vstack([polyline.respace(path, STEP) for path in one.paths()])
        for one in letters.values()
    ]
    dotted = [_dotted(letter) for letter in letters.values()]

    def alike(a: int, b: int) -> Likeness:
        dots = DOTTED if dotted[a] and dotted[b] else 0.0
        return Likeness(
            shape=max(_alike(float(shape[a][b])), dots),
            mirror=_alike(float(mirror[a][b])),
            movement=max(_alike(float(movement[a][b])), _begun_alike(begun[a], begun[b])),
        )

    names = list(letters)
    return {(names[a], names[b]): alike(a, b) for a, b in combinations(range(len(names)), 2)}


def most_confusable(hand: Hand, letter: str, count: int = 4) -> list[tuple[str, Likeness]]:
    """The letters that a letter is most easily confused with, the likeliest first."""
    pairs = [
        (b if a == letter else a, likeness)
        for (a, b), likeness in likeness_table(hand, group_of(letter)).items()
        if letter in (a, b)
    ]
    return sorted(pairs, key=lambda pair: -pair[1].confusable)[:count]


def confusable(hand: Hand, one: str, other: str) -> float:
    """How easily two letters are confused, 0 to 1; letters of different kinds (a capital and a
    small letter) are told apart by where they stand, and count as 0.

    >>> from firstloop.core.letters import PLAIN
    >>> confusable(PLAIN, "d", "b") > 0.4, confusable(PLAIN, "O", "o")
    (True, 0.0)
    """
    if group_of(one) != group_of(other):
        return 0.0
    table = likeness_table(hand, group_of(one))
    return (table.get((one, other)) or table[other, one]).confusable


def _dotted(letter: Letter) -> bool:
    return any(move.kind is MoveKind.DOT for move in letter.script.moves)


def _alike(cost: float) -> float:
    return SCALE / (SCALE + cost)


def _turned(path: FloatArray) -> FloatArray:
    return np.asarray(path * np.array([-1.0, 1.0]))


def _shape_costs(ink: Path, models: Models) -> FloatArray:
    """u² from each to the nearest of the other, both ways round, boxes laid over each other in
    width only: a child sees how tall letters are. (model,)."""
    box = fit_boxes(ink.size, models)
    in_width = np.array([1.0, 0.0])
    fit = Fit(np.where(in_width, box.scale, 1.0), np.where(in_width, box.shift, ink.low))
    costs = step_costs(ink_terms(ink, undirected), fit, models)
    return np.asarray(costs.min(axis=0).mean(axis=0) + costs.min(axis=1).mean(axis=0) + fit.costs)


def _begun_alike(first: FloatArray, second: FloatArray) -> float:
    """The share of the longer movement for which both run together from their start: a u has been
    written before a y is seen to be one. Points STEP apart."""
    shorter = min(len(first), len(second))
    apart = np.hypot(*(first[:shorter] - first[0] - second[:shorter] + second[0]).T)
    together = int(np.argmax(apart > TOGETHER)) if (apart > TOGETHER).any() else shorter
    return together / max(len(first), len(second))
