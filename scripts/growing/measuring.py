"""How good estimates are, on pupils whose truth is known."""

from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
from scripts.growing.schools import School

from firstloop.core.progress.evidence import Evidence, bounds
from firstloop.core.progress.following import follow, prepare
from firstloop.core.progress.foretelling import letters_on, summed
from firstloop.core.progress.model import attempts_of, nothing_held, rules_for, together

Values = npt.NDArray[np.float64]

WITHIN = 6
"""Attempts within which a change is to be noticed."""

CLEARLY = 0.7, 0.4
"""A change goes from above the first to below the second, or back."""

SETTLED = 8
"""Attempts after which a letter should be known."""


@dataclass(frozen=True, slots=True)
class Measured:
    """`loss` of the estimates and `at_best` of who knows the truth, in nats; the share of intervals
    that `hold` the truth; of `changes` the share `noticed` in time; and of what was estimated of
    steady, clear letters the share on the `wrong` side of even, and of these letters the share that
    ever `jumped` there from the right side."""

    loss: float
    at_best: float
    hold: float
    noticed: float
    changes: int
    wrong: float
    jumped: float
    steady: int


def foretold(evidence: Evidence) -> Values:
    """What is estimated just before each attempt, by what was seen until then: (n, 3, 3) with the
    chance, its low and its high end."""
    prepare()
    rules, found = rules_for(evidence.letters), np.empty((len(evidence), 3, 3))
    ends, count = bounds(evidence.pupil, len(evidence.pupils)), len(evidence.letters)
    helds = [nothing_held(count) for _ in evidence.pupils]
    # Each pupil's next attempt in one go: a step takes whole arrays hardly longer for eight.
    for step in range(int(np.diff(ends).max())):
        there = np.flatnonzero(ends[:-1] + step < ends[1:])
        at = ends[there] + step
        held, of_all = together([(helds[pupil], rules) for pupil in there])
        days = np.repeat(evidence.days[at], count)[:, None]
        letters = np.arange(len(there)) * count + evidence.letter[at]
        found[at] = summed(letters_on(held, of_all, days)[letters], rules)
        for pupil, attempt in zip(there.tolist(), at.tolist(), strict=True):
            follow(helds[pupil], attempts_of(evidence, attempt, attempt + 1), rules)
    return found


def measure(school: School) -> Measured:
    """What estimates of a school are worth."""
    found, truth = foretold(school.evidence), school.truth
    noticed, changes, wrong, steady, jumped, letters = 0, 0, 0, 0, 0, 0
    for places in _by_letter(school.evidence):
        for dimension in range(3):
            true, p = truth[places, dimension], found[places, dimension, 0]
            in_time, of = _noticed(true, p)
            noticed, changes = noticed + in_time, changes + of
            if len(true) > SETTLED and np.ptp(true) < 0.02 and abs(true[0] - 0.5) > 0.25:
                is_wrong = (p[SETTLED:] > 0.5) != (true[0] > 0.5)
                wrong += int(np.sum(is_wrong))
                jumped += bool(np.any(is_wrong[1:] & ~is_wrong[:-1]))
                letters += 1
                steady += len(true) - SETTLED
    return Measured(
        loss=loss(found[..., 0], truth),
        at_best=loss(truth, truth),
        hold=float(np.mean((found[..., 1] <= truth) & (truth <= found[..., 2]))),
        noticed=noticed / changes if changes else float("nan"),
        changes=changes,
        wrong=wrong / steady if steady else float("nan"),
        jumped=jumped / letters if letters else float("nan"),
        steady=steady,
    )


def loss(p: Values, truth: Values) -> float:
    """The log loss that chances will have, by the true ones; nats."""
    p = np.clip(p, 0.001, 0.999)
    return float(-np.mean(truth * np.log(p) + (1.0 - truth) * np.log(1.0 - p)))


def _by_letter(evidence: Evidence) -> list[npt.NDArray[np.intp]]:
    key = evidence.pupil * len(evidence.letters) + evidence.letter
    order = np.argsort(key, kind="stable")
    return np.split(order, np.flatnonzero(np.diff(key[order])) + 1)


def _noticed(true: Values, p: Values) -> tuple[int, int]:
    """Of the clear changes of a letter those that the estimate crosses even with in time, and how
    many there are: from and to a state that lasts, and known before."""
    high, low = CLEARLY
    noticed = of = 0
    for at in range(SETTLED, len(true) - WITHIN - 1):
        before, after = true[at - 1], true[at]
        is_clear = (before >= high and after <= low) or (before <= low and after >= high)
        lasts = np.ptp(true[at - WITHIN : at]) < 0.1 and np.ptp(true[at : at + WITHIN]) < 0.1
        if is_clear and lasts and (p[at] > 0.5) == (before > 0.5):
            of += 1
            noticed += bool(np.any((p[at + 1 : at + WITHIN + 1] > 0.5) == (after > 0.5)))
    return noticed, of
