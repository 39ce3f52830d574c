"""Ink that nobody would call a letter: reversed, cut, mixed, turned, doubled, in any order."""

from collections.abc import Callable
from functools import cache

import numpy as np

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, draw, find_script
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling

LETTERS = [letter for group in ("small", "capital", "digit") for letter in GROUPS[group]]

Lines = list[FloatArray]
Strange = Callable[[Lines, np.random.Generator, str], Lines]


@cache
def _paths(letter: str, hand: str) -> tuple[FloatArray, ...]:
    return draw(find_script(letter, HANDS[hand]), HANDS[hand].proportions, Ruling()).paths()


def _reversed(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [line[::-1] if rng.random() < 0.7 else line for line in lines]


def _cut_short(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [line[: max(1, int(len(line) * rng.random()))] for line in lines]


def _cut_up(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    pieces = [np.array_split(line, rng.integers(1, 6)) for line in lines]
    return [piece for several in pieces for piece in several if len(piece)]


def _mixed(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    other = _paths(LETTERS[rng.integers(len(LETTERS))], hand)
    return [*lines, *(line + np.array([rng.normal(0.0, 0.5), 0.0]) for line in other)]


def _turned(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    angle = rng.uniform(0.0, 2 * np.pi)
    turn = np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
    return [line @ turn for line in lines]


def _doubled(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [*lines, *(line + rng.normal(0.0, 0.1, 2) for line in lines)]


def _scaled(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [line * rng.uniform(0.05, 4.0) for line in lines]


def _trembling(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [line + rng.normal(0.0, 0.05, line.shape) for line in lines]


def _shuffled(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [lines[place] for place in rng.permutation(len(lines))]


def _never_lifted(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [np.concatenate(lines)]


def _mirrored(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [line * np.array([-1.0, 1.0]) for line in lines]


def _resting(lines: Lines, rng: np.random.Generator, hand: str) -> Lines:
    return [np.repeat(line, 3, axis=0) for line in lines] + [rng.normal(size=(1, 2))]


WAYS: tuple[Strange, ...] = (
    _reversed, _cut_short, _cut_up, _mixed, _turned, _doubled, _scaled, _trembling, _shuffled,
    _never_lifted, _mirrored, _resting,
)  # fmt: skip
MOST = 60
"""Strokes of one letter: more is too much ink, which is refused."""


def strange_lines(rng: np.random.Generator, letter: str, hand: str) -> Lines:
    """One letter, made strange in one to three ways, one after another."""
    lines = list(_paths(letter, hand))
    for way in rng.choice(len(WAYS), rng.integers(1, 4)):
        lines = WAYS[way](lines, rng, hand)
    return lines[:MOST]


def strange_letter(rng: np.random.Generator, letter: str, hand: str) -> Ink:
    """The ink of one letter, made strange."""
    return Ink(tuple(Stroke.of(line) for line in strange_lines(rng, letter, hand)))


def strange_text(rng: np.random.Generator, letters: str, hand: str) -> Ink:
    """The ink of a few letters beside each other, each made strange."""
    return Ink(
        tuple(
            Stroke.of(line + np.array([1.2 * place, 0.0]))
            for place, letter in enumerate(letters)
            for line in strange_lines(rng, letter, hand)
        )
    )
