"""Habits over texts: how the spacing, the line and the joins of what a child writes in rows, words
and sentences stand, added up over its newest texts."""

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from math import sqrt

from firstloop.core.contract import Verdict
from firstloop.core.judging.word import Aspect
from firstloop.core.progress.estimates import Chance, LetterState

NAMES = {
    Aspect.SPACING: "gaps between letters and between words",
    Aspect.LINE: "keeping to the line",
    Aspect.JOINS: "joining on to the next letter",
}
"""What a habit of texts is called."""

NEWEST = 24
"""[texts] As many are added up: older ones count for less than a fifth of the newest. Our
choice."""

FADES = 0.93
"""[share] What a text counts beside the next one: half after ten. What was so before is mended, or
is seen again. Our choice, so that a mended habit is seen within eight texts."""

SIDE = 1.28
"""[standard deviations] To either side of an interval that holds the truth eight times in ten. By
the normal distribution."""


@dataclass(frozen=True, slots=True)
class TextSaid:
    """How a text's aspects stand, by its teacher or else the checker; what it was asked for."""

    text_id: int
    day: date
    target: str
    aspects: Mapping[Aspect, Verdict]


@dataclass(frozen=True, slots=True)
class TextHabit:
    """How an aspect of a child's texts stands: the chance that it holds in the next one, and the
    texts in which it did not, the newest first."""

    aspect: Aspect
    chance: Chance
    failed: tuple[TextSaid, ...]

    @property
    def is_weak(self) -> bool:
        """Whether it fails rather than holds, and that is sure enough."""
        return self.chance.state is LetterState.NOT_YET


def text_habits(said: Iterable[TextSaid]) -> tuple[TextHabit, ...]:
    """The habits over a child's texts (the newest first) that anything is known of. An aspect holds
    where it is not `not_yet`, as a letter's dimension does; `unseen` says nothing."""
    of = defaultdict[Aspect, list[tuple[TextSaid, bool]]](list)
    for text in said:
        for aspect, verdict in text.aspects.items():
            if verdict is not Verdict.UNSEEN and len(of[aspect]) < NEWEST:
                of[aspect].append((text, verdict is not Verdict.NOT_YET))
    return tuple(
        TextHabit(
            aspect,
            chance_of([held for _, held in of[aspect]]),
            tuple(text for text, held in of[aspect] if not held),
        )
        for aspect in Aspect
        if of[aspect]
    )


def chance_of(held: Iterable[bool]) -> Chance:
    """The chance that the next one holds, by whether the last ones did (the newest first, one at
    least).

    The share of those that held, each counting FADES of the next, with one more that held and one
    more that did not; the interval is that of Agresti and Coull (The American Statistician 52,
    1998) for as many as weights that fade are worth: their sum squared over the sum of squares.

    >>> few, many = chance_of([True] * 3), chance_of([True] * 20)
    >>> few.low < many.low, many.state.value, chance_of([False] * 9).state.value
    (True, 'secure', 'not_yet')
    """
    counted = [(FADES**at, one) for at, one in enumerate(held)]
    weight = sum(share for share, _ in counted)
    p = (sum(share for share, one in counted if one) + 1) / (weight + 2)
    worth = weight**2 / sum(share**2 for share, _ in counted)
    side = SIDE * sqrt(p * (1 - p) / (worth + 2))
    return Chance(p, max(p - side, 0.0), min(p + side, 1.0), len(counted))
