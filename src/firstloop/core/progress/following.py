"""Following a child: every attempt in turn changes what is held of its letter and of its habits.

What is held of a letter is how likely each step of its chance is, twice over: as a letter that
stays as it is, and as one that changes. Before each attempt a letter may have changed: by itself,
by the days that went by, and by as much as its habits have changed since. What it may have become
is what this child's letters are like. The weakest of its habits decides what a letter is before it
was written; an attempt in turn says something of each habit, of the named ones if a finding names
any. Written down with its reasons in docs/progress.md.
"""

import numpy as np

from firstloop.core.geometry.compiled import as_they_stand, compiled, compiled_at_once
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.progress.evidence import Indices
from firstloop.core.progress.model import Attempts, Held, Numbers, Rules, Small

FEW = 40
"""[attempts] So many are followed before machine code would be loaded."""


def prepare() -> None:
    """Machine code follows from now on, however few attempts there are at once."""
    _follow.machine_code()  # type: ignore[attr-defined]  # that is how a loop is made


def follow(held: Held, attempts: Attempts, rules: Rules) -> None:
    """Changes what is held of a child, attempt after attempt."""
    if len(attempts.letter) > FEW:
        _follow(held, attempts, rules)
    else:
        with as_they_stand():
            _follow(held, attempts, rules)


@compiled_at_once
def _follow(held: Held, attempts: Attempts, rules: Rules) -> None:
    """All attempts in turn. What the loops below work on they are passed array by array: an array
    that is taken out of a tuple within a loop is counted each time, which takes longer than the
    loop."""
    heard, stands, pool = held.heard, held.stands, held.pool
    strands, above = held.strands, held.above
    then, last, counts = held.habits_then, held.last, held.counts
    strand_last, strand_counts = held.strand_last, held.strand_counts
    likely, likely_of_habit, doubts = rules.said, rules.smeared, attempts.doubt
    parents, siblings, numbers = rules.parents, rules.siblings, rules.numbers
    chances, first, spread = rules.chances, rules.first, rules.spread
    seen_of, named, by_her, helps = attempts.seen, attempts.blamed, attempts.judged, attempts.help
    written, moments = attempts.letter, attempts.days
    habits, others, said = np.empty_like(chances), np.empty_like(chances), np.empty_like(chances)
    of_habit, told, prior = np.empty_like(chances), np.empty_like(chances), np.empty_like(chances)
    now = np.empty_like(spread)
    for at in range(len(written)):
        letter, day = written[at], moments[at]
        help_, judge = helps[at], 1 if by_her[at] else 0
        for dimension in range(seen_of.shape[1]):
            seen = seen_of[at, dimension]
            if seen < 0:
                continue
            _weakest(above, parents, letter, dimension, habits)
            moved = abs(_mean(habits, chances) - then[letter, dimension])
            _like_others(stands, pool, first, letter, dimension, numbers.unknown_weighs, others)
            _may_be(
                stands, counts, strand_counts, parents, siblings, spread, numbers,
                letter, dimension, habits, others, prior,
            )  # fmt: skip
            days = day - last[letter, dimension]
            _go_on(heard, parents, numbers, letter, dimension, days, moved, prior, now)
            doubt = doubts[at, dimension] if seen == 0 else 0.0
            _say(likely, help_, judge, seen, doubt, said)
            _say(likely_of_habit, help_, judge, seen, doubt, of_habit)
            _learn(heard, letter, dimension, now, said)
            _stand(prior, now, said)
            _keep(stands, pool, letter, dimension, said)
            counts[letter, dimension] += 1
            last[letter, dimension] = day
            blamed = named[at] if seen == 0 else np.uint64(0)
            if not _is_named(parents, letter, dimension, blamed):
                blamed = np.uint64(0)
            for at_parent in range(parents.shape[2]):
                strand = parents[letter, dimension, at_parent]
                if strand < 0:
                    break
                strand_counts[strand] += 1
                if blamed == 0:
                    _tell_one(above, parents, letter, dimension, strand, of_habit, told)
                elif (blamed >> np.uint64(strand)) & np.uint64(1):
                    _copy(of_habit, told)
                else:
                    continue
                days = day - strand_last[strand]
                _turn(strands, above, strand, days, told, first, numbers)
                strand_last[strand] = day
            _weakest(above, parents, letter, dimension, habits)
            then[letter, dimension] = _mean(habits, chances)


@compiled
def _mean(shares: FloatArray, chances: FloatArray) -> float:
    total = 0.0
    for step in range(len(chances)):
        total += shares[step] * chances[step]
    return total


@compiled
def _copy(values: FloatArray, into: FloatArray) -> None:
    for step in range(len(values)):
        into[step] = values[step]


@compiled
def _above_all(
    above: FloatArray, parents: Small, letter: int, dimension: int, but: int, weakest: FloatArray
) -> None:
    """How likely all habits of a letter are at a step or above, one left out; 1 with none at all:
    nothing holds the letter back."""
    for step in range(len(weakest)):
        weakest[step] = 1.0
    for at in range(parents.shape[2]):
        strand = parents[letter, dimension, at]
        if strand < 0:
            break
        if strand != but:
            for step in range(len(weakest)):
                weakest[step] *= above[strand, step]


@compiled
def _weakest(
    above: FloatArray, parents: Small, letter: int, dimension: int, weakest: FloatArray
) -> None:
    """How the weakest habit of a letter stands."""
    _above_all(above, parents, letter, dimension, -1, weakest)
    for step in range(len(weakest) - 1):
        weakest[step] -= weakest[step + 1]


@compiled
def _like_others(
    stands: FloatArray,
    pool: FloatArray,
    first: FloatArray,
    letter: int,
    dimension: int,
    weighs: float,
    shares: FloatArray,
) -> None:
    """What a letter of this child may be, by its other letters."""
    total = weighs
    for step in range(len(shares)):
        shares[step] = pool[dimension, step] - stands[letter, dimension, step]
        total += shares[step]
    part = 1.0 / total
    for step in range(len(shares)):
        shares[step] = (shares[step] + weighs * first[step]) * part


@compiled
def _may_be(
    stands: FloatArray,
    counts: Indices,
    strand_counts: Indices,
    parents: Small,
    siblings: Indices,
    spread: FloatArray,
    numbers: Numbers,
    letter: int,
    dimension: int,
    habits: FloatArray,
    others: FloatArray,
    prior: FloatArray,
) -> None:
    """What a letter may be, whatever its own attempts say: as the child's letters are, widely about
    its habits, and as it is in another hand. Habits count by what other letters say of them."""
    steps, sibling = len(habits), siblings[letter]
    while sibling != letter and counts[sibling, dimension] == 0:
        sibling = siblings[sibling]
    lent = numbers.lent_by_other_hand if sibling != letter else 0.0
    by_others = 0.0
    for at in range(parents.shape[2]):
        strand = parents[letter, dimension, at]
        if strand < 0:
            break
        told = strand_counts[strand]
        share = 1.0 - counts[letter, dimension] / told if told > 0 else 0.0
        by_others = share if at == 0 else min(by_others, share)
    by_habits = numbers.like_habits * by_others
    for step in range(steps):
        prior[step] = (1.0 - by_habits) * others[step]
    if by_habits > 0.0:
        for other in range(steps):
            there = by_habits * habits[other]
            for step in range(steps):
                prior[step] += there * spread[other, step]
    if lent > 0.0:
        for step in range(steps):
            prior[step] *= 1.0 - lent
        for other in range(steps):
            there = lent * stands[sibling, dimension, other]
            for step in range(steps):
                prior[step] += there * spread[other, step]


@compiled
def _go_on(
    heard: FloatArray,
    parents: Small,
    numbers: Numbers,
    letter: int,
    dimension: int,
    days: float,
    moved: float,
    prior: FloatArray,
    now: FloatArray,
) -> None:
    """What earlier attempts still say of a letter: all of it if the letter is as it was, nothing
    if it has changed meanwhile. `moved` is by how much of a chance its habits have changed."""
    steps = len(prior)
    stays = 1.0 / (1.0 + numbers.changes_a_day * max(0.0, days))
    if parents[letter, dimension, 0] >= 0:
        followed = numbers.follows_habit * (moved - numbers.habit_stirs)
        stays *= 1.0 - min(numbers.follows_at_most, max(0.0, followed))
    for kind in range(2):
        changes = numbers.steady_changes if kind == 0 else numbers.restless_changes
        drift = 0.0 if kind == 0 else numbers.drift
        remains = (1.0 - changes) * stays
        total = 0.0
        for step in range(steps):
            total += prior[step] * heard[letter, dimension, kind, step]
        for step in range(steps):
            here = heard[letter, dimension, kind, step]
            below = heard[letter, dimension, kind, step - 1] if step > 0 else here
            above = heard[letter, dimension, kind, step + 1] if step < steps - 1 else here
            stayed = here * (1.0 - 2.0 * drift) + drift * (below + above)
            now[kind, step] = remains * stayed + (1.0 - remains) * total


@compiled
def _say(
    likely: FloatArray, help_: int, judge: int, seen: int, doubt: float, said: FloatArray
) -> None:
    """How likely what was seen is at each step; a fault that is doubted may be none."""
    for step in range(len(said)):
        holds = likely[help_, judge, 1, step]
        said[step] = (1.0 - doubt) * likely[help_, judge, seen, step] + doubt * holds


@compiled
def _stand(prior: FloatArray, now: FloatArray, shares: FloatArray) -> None:
    """How a letter stands, by what it may be and what its attempts say."""
    total = 0.0
    for step in range(len(prior)):
        shares[step] = prior[step] * (now[0, step] + now[1, step])
        total += shares[step]
    for step in range(len(prior)):
        shares[step] /= total


@compiled
def _keep(
    stands: FloatArray, pool: FloatArray, letter: int, dimension: int, shares: FloatArray
) -> None:
    """Keeps how a letter stands, and what it adds to all of the child's."""
    for step in range(len(shares)):
        pool[dimension, step] += shares[step] - stands[letter, dimension, step]
        stands[letter, dimension, step] = shares[step]


@compiled
def _learn(
    heard: FloatArray,
    letter: int,
    dimension: int,
    now: FloatArray,
    said: FloatArray,
) -> None:
    """What all attempts say of a letter after one more, as shares of the most."""
    most = 0.0
    for kind in range(2):
        for step in range(len(said)):
            now[kind, step] *= said[step]
            most = max(most, now[kind, step])
    for kind in range(2):
        for step in range(len(said)):
            now[kind, step] /= most
            heard[letter, dimension, kind, step] = now[kind, step]


@compiled
def _is_named(parents: Small, letter: int, dimension: int, blamed: np.uint64) -> bool:
    """Whether a finding names a habit of the letter."""
    if blamed == 0:
        return False
    for at in range(parents.shape[2]):
        strand = parents[letter, dimension, at]
        if strand >= 0 and (blamed >> np.uint64(strand)) & np.uint64(1):
            return True
    return False


@compiled
def _tell_one(
    above: FloatArray,
    parents: Small,
    letter: int,
    dimension: int,
    strand: int,
    said: FloatArray,
    told: FloatArray,
) -> None:
    """What an attempt says of one habit of its letter, if the others are as they are held to be:
    where another is weaker, it is that one's."""
    steps = len(told)
    _above_all(above, parents, letter, dimension, strand, told)
    below = 0.0
    for step in range(steps):
        here = told[step] - (told[step + 1] if step < steps - 1 else 0.0)
        told[step] = below + said[step] * told[step]
        below += said[step] * here


@compiled
def _turn(
    strands: FloatArray,
    above: FloatArray,
    strand: int,
    days: float,
    told: FloatArray,
    first: FloatArray,
    numbers: Numbers,
) -> None:
    """What is held of a habit after it was told of."""
    steps, drift = len(told), numbers.habit_drift
    remains = (1.0 - numbers.habit_changes) / (1.0 + numbers.habit_changes_a_day * max(0.0, days))
    total, before = 0.0, strands[strand, 0]
    for step in range(steps):
        here = strands[strand, step]
        after = strands[strand, step + 1] if step < steps - 1 else here
        stayed = here * (1.0 - 2.0 * drift) + drift * (before + after)
        strands[strand, step] = (remains * stayed + (1.0 - remains) * first[step]) * told[step]
        total += strands[strand, step]
        before = here
    part, at_or_above = 1.0 / total, 0.0
    for step in range(steps - 1, -1, -1):
        strands[strand, step] *= part
        at_or_above += strands[strand, step]
        above[strand, step] = at_or_above
