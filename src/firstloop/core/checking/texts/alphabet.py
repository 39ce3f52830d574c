"""What ink is like each of a few letters: how it looks, and where it stands on the lines."""

import math
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.checking.explain.looks import looks_of
from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.texts.traces import Trace, lines_of
from firstloop.core.geometry.matching import Path
from firstloop.core.geometry.pictures import Look, Pictures
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import MoveKind

MOST_TRACES = 5
"""[traces] Traces in a row that may be one letter: an E is made of four, and one may be lifted once
more."""

ELSEWHERE, FURTHEST_OFF, ANOTHER_CASE, SURELY_A_CASE = 0.1, 1.0, 0.03, 0.1
"""[u² for each u², u², u², u²] u² for each u² that ink stands above or below a letter's place, up
to the second; what its capital costs more than a small letter, or the other way round, and what it
costs at most."""


@dataclass(frozen=True, slots=True)
class Seen:
    """Ink as a letter: what it differs by (u²), and whether it is rather the letter's other case, a
    capital for a small one or the other way round."""

    cost: float
    other_case: bool = False
    letter: str = ""
    """Where any may be meant, which it is."""


@dataclass(frozen=True, slots=True, eq=False)
class Alphabet:
    """The letters that may be meant, each in every accepted form; dots left out, for they may come
    later. `starts` are where a letter's pictures begin, `bottoms` and `tops` their heights (u);
    `traces` is in how many traces a letter is made at most."""

    names: tuple[str, ...]
    pictures: Pictures
    starts: npt.NDArray[np.intp]
    bottoms: FloatArray
    tops: FloatArray
    traces: dict[str, int]
    asked: tuple[str, ...]
    """Of its letters those that were asked for; the others are these in their other case."""

    def costs(self, runs: Sequence[Sequence[Trace]]) -> FloatArray:
        """u² by which each run of traces differs from each of the letters; (run, name)."""
        inks = [Path.of_trace(lines_of(run)) for run in runs]
        low, high = (
            np.array([end]).T for end in zip(*((i.low[1], i.high[1]) for i in inks), strict=True)
        )
        off = _off(self.bottoms - low) + _off(self.tops - high)
        each = self.pictures.costs_of_each([Look.of(ink) for ink in inks]) + ELSEWHERE * off
        return np.minimum.reduceat(each, self.starts, axis=1)

    def of(self, runs: Sequence[Sequence[Trace]]) -> list[dict[str, Seen]]:
        """What each run of traces is as each of the letters asked for."""
        known = (dict(zip(self.names, costs, strict=True)) for costs in self.costs(runs).tolist())
        return [{letter: self._seen(letter, one) for letter in self.asked} for one in known]

    @staticmethod
    def _seen(letter: str, costs: dict[str, float]) -> Seen:
        own, other = costs[letter], costs.get(letter.swapcase(), math.inf) + ANOTHER_CASE
        as_other = other < own and other < SURELY_A_CASE
        return Seen(other if as_other else own, as_other)

    def most_traces(self, letter: str, seen: Seen) -> int:
        """In how many traces a letter is made at most, in the case that ink is like."""
        return self.traces[letter.swapcase() if seen.other_case else letter]

    def some(self, asked: Collection[str]) -> "Alphabet":
        """Only these of its letters, in both cases."""
        letters = {*asked, *(letter.swapcase() for letter in asked)}
        ends = [*self.starts[1:].tolist(), len(self.bottoms)]
        kept = [
            (name, np.arange(begin, end))
            for name, begin, end in zip(self.names, self.starts.tolist(), ends, strict=True)
            if name in letters
        ]
        at = np.concatenate([places for _, places in kept])
        return Alphabet(
            names=tuple(name for name, _ in kept),
            pictures=self.pictures.some(at),
            starts=np.cumsum([0, *(len(places) for _, places in kept[:-1])]),
            bottoms=self.bottoms[at],
            tops=self.tops[at],
            traces=self.traces,
            asked=tuple(asked),
        )


def _off(apart: FloatArray) -> FloatArray:
    return np.minimum(apart * apart, FURTHEST_OFF)


def alphabet_of(text: str, hand: Hand) -> Alphabet:
    """The letters of a text in a hand, in both cases."""
    return whole_alphabet(hand).some(frozenset(text))


@lru_cache(maxsize=8)
def whole_alphabet(hand: Hand) -> Alphabet:
    """All letters of a hand."""
    letters = tuple(hand.scripts)
    looks = [_dotless_looks(letter, hand) for letter in letters]
    every = [path for paths in looks for path in paths]
    return Alphabet(
        names=letters,
        pictures=Pictures.of(every),
        starts=np.cumsum([0, *(len(paths) for paths in looks[:-1])]),
        bottoms=np.array([path.low[1] for path in every]),
        tops=np.array([path.high[1] for path in every]),
        traces={letter: _most_traces(letter, hand) for letter in letters},
        asked=letters,
    )


def _dotless_looks(letter: str, hand: Hand) -> tuple[Path, ...]:
    forms = forms_of(letter, hand, STANDARD)
    return tuple(look for form in forms for look in looks_of(without_dots(form)))


def _most_traces(letter: str, hand: Hand) -> int:
    return max(len(without_dots(form).strokes) for form in forms_of(letter, hand, STANDARD))


ANY = "*"
"""In place of a letter: any may be meant."""


@dataclass(frozen=True, slots=True, eq=False)
class AnyLetter:
    """All letters of a hand at once, for what nobody asked for; `handicaps` (u²) are what is less
    often meant must be nearer by."""

    alphabet: Alphabet
    handicaps: FloatArray

    def of(self, runs: Sequence[Sequence[Trace]]) -> list[dict[str, Seen]]:
        """What each run of traces is most like."""
        costs = self.alphabet.costs(runs) + self.handicaps
        best = costs.argmin(axis=1).tolist()
        return [
            {ANY: Seen(float(of_run[at]), letter=self.alphabet.names[at])}
            for of_run, at in zip(costs, best, strict=True)
        ]

    @staticmethod
    def most_traces(letter: str, seen: Seen) -> int:
        """As many as there may be: how many it has is told by how it looks."""
        del letter, seen
        return MOST_TRACES


@lru_cache(maxsize=8)
def any_letter(hand: Hand) -> AnyLetter:
    """Any letter of a hand; a capital, a digit or a mark is less often meant than a small one."""
    alphabet = whole_alphabet(hand)
    handicaps = [LESS_OFTEN.get(group_of(letter), 0.0) for letter in alphabet.names]
    return AnyLetter(alphabet, np.array(handicaps))


LESS_OFTEN = {"capital": 0.03, "digit": 0.05, "mark": 0.04}
"""u²: a capital like its small letter, an o like a nought, are what children write more often."""


def without_dots(letter: Letter) -> Letter:
    """The letter without the dots over it; a mark stays as it is, for a stop is all dot."""
    strokes = tuple(s for s in letter.strokes if not _is_a_dot_above(s[0].move.kind, s[0].points))
    return Letter(letter.script, letter.ruling, strokes) if strokes else letter


def _is_a_dot_above(kind: MoveKind, points: FloatArray) -> bool:
    return kind is MoveKind.DOT and bool(points[0, 1] > 1.0)
