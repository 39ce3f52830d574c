"""What made-up pupils write, and what of it is seen: lessons of many kinds, as evidence whose truth
is known."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
from scripts.growing.writers import LETTERS, MODELS, Writer, logistic, logit

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help
from firstloop.core.progress.evidence import HELPS, Evidence, LetterKey
from firstloop.core.progress.habits import blamed_by
from firstloop.core.progress.likelihood import doubts_at_large

NAMED = {
    "stems back": "back_along_the_stem",
    "rounds": "round_and_back",
    "unders": "under_and_up",
    "tails": "tail_turn",
    "bars": "bars",
    "slants": "slants",
    "from the top": "from_the_top",
}
CODES = (Code.START_PLACE, Code.BODY_HEIGHT, Code.SHAPE_OFF)
"""What is found in each dimension, with the move of the weak part named."""


@dataclass(frozen=True, slots=True, eq=False)
class School:
    """Evidence in its order, and (n, 3) the true chance of each attempt's letter just before it."""

    evidence: Evidence
    truth: npt.NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Kind:
    """How pupils of a set are taught: ranges that each pupil draws its own from."""

    letters: tuple[int, int] = (4, 20)
    days: tuple[int, int] = (20, 200)
    a_day: tuple[float, float] = (0.6, 4.0)
    in_a_row: tuple[int, int] = (1, 6)
    scans: float = 0.3
    judged: float = 0.3
    false_faults: tuple[float, float] = (0.0, 0.03)
    missed: tuple[float, float] = (0.01, 0.08)
    easier: tuple[tuple[float, float], ...] = (
        (1.5, 3.5),
        (0.7, 2.0),
        (0.1, 1.0),
        (0, 0),
        (-0.8, 0.1),
    )
    mix: tuple[float, ...] = (0.7, 0.7, 1.5, 2.0, 2.0)
    named: float = 0.8
    holidays: float = 0.03


TUNED_ON = Kind()
OTHERS = Kind(
    letters=(6, 26),
    days=(30, 150),
    a_day=(1.0, 6.0),
    in_a_row=(1, 3),
    scans=0.6,
    judged=0.1,
    false_faults=(0.0, 0.05),
    missed=(0.0, 0.12),
    easier=((0.5, 5.0), (0.5, 2.5), (0.0, 1.5), (0, 0), (-1.2, 0.0)),
    mix=(1.0, 0.3, 1.0, 1.0, 3.0),
    named=0.4,
    holidays=0.05,
)
"""By other rules than those that numbers were tuned on."""


def school(model: str, seed: int, pupils: int, kind: Kind = TUNED_ON) -> School:
    """Pupils of one model."""
    number = list(MODELS).index(model)
    rows = [
        (at, *row)
        for at in range(pupils)
        for row in _pupil(model, np.random.default_rng((seed, number, at)), kind)
    ]
    pupil, days, letter, help_, judged, seen, truth, blamed = zip(*rows, strict=True)
    evidence = Evidence(
        pupils=tuple(range(pupils)),
        letters=tuple(LetterKey(letter) for letter in LETTERS),
        pupil=np.array(pupil, np.intp),
        letter=np.array(letter, np.intp),
        days=np.array(days),
        help=np.array(help_, np.int8),
        judged=np.array(judged, np.bool_),
        seen=np.array(seen, np.int8),
        blamed=np.array(blamed, np.uint64),
        doubt=doubts_at_large(len(rows)),
    )
    return School(evidence, np.array(truth))


Row = tuple[float, int, int, bool, list[int], list[float], int]


def _pupil(model: str, rng: np.random.Generator, kind: Kind) -> Iterator[Row]:
    count = int(rng.integers(kind.letters[0], kind.letters[1] + 1))
    letters = [str(letter) for letter in rng.permutation(list(LETTERS))[:count]]
    writer, seeing = MODELS[model](rng, letters), _Seeing(rng, kind)
    known, day = max(1, int(count * rng.random())), 0.0
    a_day, in_a_row = rng.uniform(*kind.a_day), int(rng.integers(*kind.in_a_row)) + 1
    for at in range(int(rng.integers(*kind.days))):
        gap = (1 if at % 5 else 3) + (
            int(rng.integers(7, 40)) if rng.random() < kind.holidays else 0
        )
        day += gap
        writer.passed(gap)
        known = min(count, known + (rng.random() < 0.15))
        for turn in range(int(rng.poisson(a_day)) + 1):
            letter = letters[min(int(known * rng.beta(1.6, 1.0)), known - 1)]
            for again in range(int(rng.integers(1, in_a_row + 1))):
                yield seeing.attempt(writer, letter, day + 0.3 + 0.01 * turn + 0.001 * again)


class _Seeing:
    """How one pupil's attempts are helped and seen."""

    def __init__(self, rng: np.random.Generator, kind: Kind) -> None:
        self.rng = rng
        self.easier = [rng.uniform(*bounds) for bounds in kind.easier]
        self.false_faults, self.missed = rng.uniform(*kind.false_faults), rng.uniform(*kind.missed)
        self.mix = rng.dirichlet(kind.mix)
        self.scans = rng.random() * kind.scans if rng.random() < 0.5 else 0.0
        self.judged = rng.random() * kind.judged
        self.named = kind.named if rng.random() < 0.8 else 0.0

    def attempt(self, writer: Writer, letter: str, day: float) -> Row:
        """One attempt; the writer is told of it."""
        rng, help_ = self.rng, int(self.rng.choice(len(HELPS), p=self.mix))
        is_scan, is_judged = rng.random() < self.scans, bool(rng.random() < self.judged)
        truth, seen, blamed = list[float](), list[int](), 0
        for dimension in range(3):
            key = (letter, dimension)
            truth.append(writer.chance(key))
            holds = rng.random() < logistic(logit(truth[-1]) + self.easier[help_])
            if not is_judged:
                holds = rng.random() >= self.false_faults if holds else rng.random() < self.missed
            seen.append(-1 if is_scan and dimension == 0 else int(holds))
            if not holds and rng.random() < self.named:
                blamed |= blamed_by(CODES[dimension], NAMED[writer.weak_part(key)])
        for dimension in range(3):
            writer.wrote((letter, dimension))
        return day, LETTERS.index(letter), help_, is_judged, seen, truth, blamed


RECALL = HELPS.index(Help.RECALL)
