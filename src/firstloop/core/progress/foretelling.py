"""How letters and habits stand on a day: what was held at the last attempts, carried on to then.

The same steps as before an attempt in `following.py`, for all letters at once in whole arrays: a
page that is asked for first waits for no machine code.
"""

from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.progress.evidence import Indices
from firstloop.core.progress.likelihood import LOGITS
from firstloop.core.progress.model import Held, Rules


class Forecast(NamedTuple):
    """What is held on a day, as a chance and the interval about it: `letters` (letter, dimension,
    3) and `strands` (strand, 3) with the chance, its low and its high end."""

    letters: FloatArray
    strands: FloatArray


def forecast(held: Held, rules: Rules, day: float) -> Forecast:
    """How a child's letters and habits stand on a day that is no earlier than its last attempt."""
    return Forecast(summed(letters_on(held, rules, day), rules), summed(held.strands, rules))


def letters_on(held: Held, rules: Rules, day: float | FloatArray) -> FloatArray:
    """How likely each step of each letter is on a day, or each on a day of its own (letter, 1);
    (letter, dimension, 13)."""
    habits = _weakest(held, rules)
    may_be = _may_be(held, rules, habits)
    said = _still_said(held, rules, habits, may_be, day)
    return _parts(may_be * said)


def _parts(shares: FloatArray) -> FloatArray:
    parts: FloatArray = shares / shares.sum(axis=-1, keepdims=True)
    return parts


def _weakest(held: Held, rules: Rules) -> FloatArray:
    """How the weakest habit of each letter stands."""
    above = np.concatenate([held.above, np.ones((1, held.above.shape[1]))])  # none, at the end
    all_above = above[rules.parents].prod(axis=2)
    weakest: FloatArray = all_above - np.concatenate(
        [all_above[..., 1:], np.zeros((*all_above.shape[:2], 1))], axis=-1
    )
    return weakest


def _has_habits(rules: Rules) -> npt.NDArray[np.bool_]:
    return rules.parents[:, :, 0] >= 0


def _may_be(held: Held, rules: Rules, habits: FloatArray) -> FloatArray:
    """What each letter may be, whatever its own attempts say."""
    numbers, counts = rules.numbers, held.counts
    others = held.pool - held.stands + numbers.unknown_weighs * rules.first
    told = np.concatenate([held.strand_counts, [0]])[rules.parents]
    by_others = 1.0 - counts[:, :, None] / np.maximum(told, 1)
    by_others = np.where(told > 0, by_others, 0.0)
    by_others = np.where(rules.parents >= 0, by_others, 1.0).min(axis=2)
    by_habits = (numbers.like_habits * by_others * _has_habits(rules))[..., None]
    may_be = (1.0 - by_habits) * _parts(others) + by_habits * (habits @ rules.spread)
    sibling = _siblings(held, rules)
    there = np.take_along_axis(held.stands, sibling[..., None], axis=0)
    is_lent = sibling != np.arange(len(sibling))[:, None]
    lent = (numbers.lent_by_other_hand * is_lent)[..., None]
    with_lent: FloatArray = (1.0 - lent) * may_be + lent * (there @ rules.spread)
    return with_lent


def _siblings(held: Held, rules: Rules) -> Indices:
    """The same letter in another hand that was written, or the letter itself; (letter,
    dimension)."""
    itself = np.arange(len(rules.siblings))[:, None]
    sibling = np.repeat(rules.siblings[:, None], held.counts.shape[1], axis=1)
    while True:
        is_written = np.take_along_axis(held.counts, sibling, axis=0) > 0
        goes_on = ~is_written & (sibling != itself)
        if not goes_on.any():
            return sibling
        sibling = np.where(goes_on, rules.siblings[sibling], sibling)


def _still_said(
    held: Held, rules: Rules, habits: FloatArray, may_be: FloatArray, day: float | FloatArray
) -> FloatArray:
    """What the attempts at each letter still say of it."""
    numbers = rules.numbers
    stays = 1.0 / (1.0 + numbers.changes_a_day * np.maximum(0.0, day - held.last))
    moved = np.abs(habits @ rules.chances - held.habits_then)
    followed = numbers.follows_habit * (moved - numbers.habit_stirs)
    followed = np.clip(followed, 0.0, numbers.follows_at_most) * _has_habits(rules)
    changes = np.array([numbers.steady_changes, numbers.restless_changes])
    drift = np.array([0.0, numbers.drift])[:, None]
    remains = ((1.0 - changes) * (stays * (1.0 - followed))[..., None])[..., None]
    heard = held.heard
    below = np.concatenate([heard[..., :1], heard[..., :-1]], axis=-1)
    above = np.concatenate([heard[..., 1:], heard[..., -1:]], axis=-1)
    stayed = heard * (1.0 - 2.0 * drift) + drift * (below + above)
    at_all = (may_be[:, :, None] * heard).sum(axis=-1, keepdims=True)
    said: FloatArray = (remains * stayed + (1.0 - remains) * at_all).sum(axis=2)
    return said


def summed(shares: FloatArray, rules: Rules) -> FloatArray:
    """The mean of chances, and where their outer parts end, evenly within a step; (..., 3) of
    (..., 13)."""
    outer, width = rules.numbers.outer, LOGITS[1] - LOGITS[0]
    after = shares.cumsum(axis=-1)
    found = [shares @ rules.chances]
    for wanted in (outer, 1.0 - outer):
        step = np.minimum((after < wanted).sum(axis=-1), len(LOGITS) - 1)[..., None]
        here = np.take_along_axis(shares, step, axis=-1)
        ahead = np.take_along_axis(after, step, axis=-1) - here
        logit = LOGITS[step] + width * ((wanted - ahead) / here - 0.5)
        found.append(1.0 / (1.0 + np.exp(-logit[..., 0])))
    return np.stack(found, axis=-1)
