"""The model that letters and habits are followed by: its numbers, what is held of a child, and what
the loops need to know. Its reasons are in docs/progress.md."""

from collections.abc import Sequence
from functools import lru_cache
from itertools import groupby
from typing import Any, NamedTuple

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.progress.evidence import DIMENSIONS, Evidence, Indices, LetterKey
from firstloop.core.progress.habits import MOST_PARENTS, STRANDS, strands_of
from firstloop.core.progress.likelihood import (
    CHANCES,
    OWN_SPREAD,
    at_first,
    likelihoods,
    normal,
)

Small = npt.NDArray[np.int8]

MODEL_VERSION = "1"
"""Goes up whenever the same evidence may come to something else."""

CHANGES_AT_FIRST = 0.45
"""[share] How likely a letter is one that changes, before anything is known. By trial on made-up
pupils: fewer forecast a little better, and notice fewer changes in time."""

STEADY_CHANGES, RESTLESS_CHANGES = 0.003, 0.06
"""[share] How likely a letter has become another between two attempts, if it stays as it is, and if
it changes. By trial on made-up pupils."""

CHANGES_A_DAY = 0.0015
"""[share] How likely it has in a day that goes by: what is old fades. By trial on made-up
pupils, half of whom forget over holidays."""

DRIFT = 0.1
"""[share] How much of what is held of a letter that changes goes one step up, and one down."""

HABIT_CHANGES, HABIT_CHANGES_A_DAY, HABIT_DRIFT = 0.01, 0.004, 0.02
"""[share] The same of a habit, which is shown by many letters. By trial on made-up pupils."""

LIKE_HABITS = 0.3
"""[share] How much of what a letter may be comes from its habits, if all that is known of them
comes from other letters; the rest from these letters themselves. By trial on made-up pupils."""

LENT_BY_OTHER_HAND = 0.4
"""[share] How much of what a letter may be at first comes from the same letter in another hand:
a secure print letter lends to its joined form, no more."""

FOLLOWS_HABIT, HABIT_STIRS = 0.4, 0.06
"""[share per chance, chance] How likely a letter has changed with its habits, for each chance by
which they changed since it was last written, and by how much they change all the time."""

FOLLOWS_AT_MOST = 0.9
"""[share] However much its habits change."""

UNKNOWN_WEIGHS = 4.0
"""[letters] How many letters the letter that nothing is known of counts for among the child's."""


OUTER = 0.12
"""[share] What lies outside either end of an interval. 80 % would leave a tenth; what is held is a
little wider than that, for it allows for changes that most letters do not make. By trial on made-up
pupils: so 75 to 85 % hold the truth."""


class Held(NamedTuple):
    """What is held of one child. `heard` (letter, dimension, 2, 13) is what its attempts say of a
    letter, as one that stays as it is and as one that changes. `stands` (letter, dimension, 13) is
    how likely each step was at the last of them, `pool` (dimension, 13) the sum of that over
    letters, `strands` (strand, 13) the same of habits, `above` of each step or one above it.
    `habits_then` (letter, dimension) is how its habits stood when a letter was last written; `last`
    and `strand_last` are days; `counts` and `strand_counts` attempts that said anything."""

    heard: FloatArray
    stands: FloatArray
    strands: FloatArray
    above: FloatArray
    pool: FloatArray
    habits_then: FloatArray
    last: FloatArray
    counts: Indices
    strand_last: FloatArray
    strand_counts: Indices


class Numbers(NamedTuple):
    """The numbers above, for loops that may name none."""

    steady_changes: float = STEADY_CHANGES
    restless_changes: float = RESTLESS_CHANGES
    changes_a_day: float = CHANGES_A_DAY
    drift: float = DRIFT
    habit_changes: float = HABIT_CHANGES
    habit_changes_a_day: float = HABIT_CHANGES_A_DAY
    habit_drift: float = HABIT_DRIFT
    like_habits: float = LIKE_HABITS
    lent_by_other_hand: float = LENT_BY_OTHER_HAND
    follows_habit: float = FOLLOWS_HABIT
    habit_stirs: float = HABIT_STIRS
    follows_at_most: float = FOLLOWS_AT_MOST
    unknown_weighs: float = UNKNOWN_WEIGHS
    outer: float = OUTER


class Rules(NamedTuple):
    """What the loops need to know. `parents` (letter, dimension, 8) strands, -1 behind the last;
    `siblings` (letter,) the next hand's same letter, in a ring; `said` the likelihoods, and
    `smeared` what they say of a habit; `spread` (13, 13) a letter about its habits."""

    parents: Small
    siblings: Indices
    chances: FloatArray
    first: FloatArray
    said: FloatArray
    smeared: FloatArray
    spread: FloatArray
    numbers: Numbers


class Attempts(NamedTuple):
    """The evidence of one child, in its order."""

    letter: Indices
    days: FloatArray
    help: Small
    judged: npt.NDArray[np.bool_]
    seen: Small
    blamed: npt.NDArray[np.uint64]
    doubt: FloatArray


def nothing_held(letters: int) -> Held:
    """What is held of a child before the first attempt."""
    steps, dimensions = len(CHANCES), len(DIMENSIONS)
    return Held(
        heard=np.tile(
            np.array([1.0 - CHANGES_AT_FIRST, CHANGES_AT_FIRST])[:, None],
            (letters, dimensions, 1, steps),
        ),
        stands=np.zeros((letters, dimensions, steps)),
        strands=np.tile(at_first(), (len(STRANDS), 1)),
        above=np.tile(at_first()[::-1].cumsum()[::-1], (len(STRANDS), 1)),
        pool=np.zeros((dimensions, steps)),
        habits_then=np.zeros((letters, dimensions)),
        last=np.zeros((letters, dimensions)),
        counts=np.zeros((letters, dimensions), np.intp),
        strand_last=np.zeros(len(STRANDS)),
        strand_counts=np.zeros(len(STRANDS), np.intp),
    )


@lru_cache(maxsize=256)
def rules_for(letters: tuple[LetterKey, ...]) -> Rules:
    """What the loops need to know of these letters."""
    parents = np.full((len(letters), len(DIMENSIONS), MOST_PARENTS), -1, np.int8)
    for at, key in enumerate(letters):
        for dimension, strands in enumerate(strands_of(key)):
            parents[at, dimension, : len(strands)] = strands
    glyphs = [key.glyph for key in letters]
    order = sorted(range(len(letters)), key=lambda at: glyphs[at])
    siblings = np.empty(len(letters), np.intp)
    for _, ring in groupby(order, key=lambda at: glyphs[at]):
        same = list(ring)
        siblings[same] = same[1:] + same[:1]
    said, spread = likelihoods(), normal(OWN_SPREAD)
    return Rules(
        parents,
        siblings,
        CHANCES,
        at_first(),
        said,
        said @ spread.T,
        spread,
        Numbers(),
    )


def attempts_of(evidence: Evidence, begin: int, end: int) -> Attempts:
    """The evidence of one child out of that of all."""
    part = slice(begin, end)
    return Attempts(
        evidence.letter[part],
        evidence.days[part],
        evidence.help[part],
        evidence.judged[part],
        evidence.seen[part],
        evidence.blamed[part],
        evidence.doubt[part],
    )


def together(children: Sequence[tuple[Held, Rules]]) -> tuple[Held, Rules]:
    """Several children as if they were one: their letters and habits one after another, each letter
    with its own child's habits, hands and others (`pool` (letter, dimension, 13)). A class that is
    looked at is so in one go."""
    helds, rules = zip(*children, strict=True)
    sizes = [len(held.stands) for held in helds]
    first_letter = np.repeat(np.cumsum([0, *sizes[:-1]]), sizes)
    first_strand = np.repeat(len(STRANDS) * np.arange(len(sizes)), sizes)[:, None, None]
    parents = np.concatenate([one.parents for one in rules]).astype(np.intp)
    pool = np.repeat(np.stack([held.pool for held in helds]), sizes, axis=0)
    columns = {name: np.concatenate([getattr(held, name) for held in helds]) for name in _STACKED}
    return Held(**columns, pool=pool), rules[0]._replace(
        parents=np.where(parents >= 0, parents + first_strand, parents),
        siblings=np.concatenate([one.siblings for one in rules]) + first_letter,
    )


_STACKED = tuple(name for name in Held._fields if name != "pool")
_EXACT = ("habits_then", "last", "counts", "strand_last", "strand_counts")
_COARSE = ("heard", "stands", "strands")
"""What is kept of a child, in full and in single precision; the rest follows from it."""


def kept_parts(held: Held) -> list[npt.NDArray[Any]]:
    """What is held of a child, as it is kept: the shapes follow from how many letters there are."""
    return [getattr(held, name) for name in _EXACT] + [
        getattr(held, name).astype(np.float32) for name in _COARSE
    ]


def held_from(letters: int, kept: npt.NDArray[np.uint8]) -> Held:
    """What is held of a child that has so many letters, from how it is kept."""
    held, begin = nothing_held(letters), 0
    for names, kind in ((_EXACT, None), (_COARSE, np.float32)):
        for name in names:
            field = getattr(held, name)
            kept_as = np.dtype(kind or field.dtype)
            end = begin + field.size * kept_as.itemsize
            field[...] = kept[begin:end].view(kept_as).reshape(field.shape)
            begin = end
    return _completed(held)


def with_letters(held: Held, before: tuple[LetterKey, ...], letters: tuple[LetterKey, ...]) -> Held:
    """What is held of a child, with places for more letters than before."""
    if before == letters:
        return held
    at = {key: place for place, key in enumerate(letters)}
    more, places = nothing_held(len(letters)), [at[key] for key in before]
    for name in ("heard", "stands", "habits_then", "last", "counts"):
        getattr(more, name)[places] = getattr(held, name)
    for name in ("strands", "strand_last", "strand_counts"):
        getattr(more, name)[...] = getattr(held, name)
    return _completed(more)


def _completed(held: Held) -> Held:
    """With what follows from the rest."""
    held.pool[...] = held.stands.sum(axis=0)
    held.above[...] = held.strands[:, ::-1].cumsum(axis=1)[:, ::-1]
    return held
