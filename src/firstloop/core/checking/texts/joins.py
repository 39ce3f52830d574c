"""Joins: whether the pen went on from letter to letter, and where it landed."""

from collections.abc import Collection, Iterator, Sequence
from itertools import pairwise

import numpy as np

from firstloop.core.checking.texts.measures import Stood, TextMeasure
from firstloop.core.checking.texts.pieces import Piece
from firstloop.core.contract import Code
from firstloop.core.geometry.polyline import FloatArray

A_LIFT = 0.25
"""[u] u that a lift at a join counts for at least."""

GOES_ON = 0.3
"""[u] Of ink after a letter that the hand does not join, from which a join was begun."""

LANDING = 0.15
"""[share] Share of a joined letter's ink, from its beginning, in which the join lands."""


def broken_joins(
    letters: Sequence[tuple[Piece, Stood]], open_pairs: Collection[str] = ()
) -> Iterator[TextMeasure]:
    """What is wrong with the joins of a text in a joined hand, at their left letter; `open_pairs`
    need not be joined."""
    for (a, left), (b, right) in pairwise(letters):
        if right.index != left.index + 1 or b.again or a.other_case or b.other_case:
            continue
        # Where this hand lifts another joins: who goes on towards the next letter meant to.
        if not b.joined and (a.goes_on < GOES_ON or not right.letter.islower()):
            continue
        if left.letter + right.letter in open_pairs:
            continue
        if a.main_end.trace != b.main_begin.trace:
            gap = float(np.hypot(*(_or(a.went_to, left.ends) - _or(b.came_from, right.begins))))
            by = "gap" if gap >= A_LIFT else "lifted"
            yield TextMeasure(Code.JOIN_BROKEN, max(gap, A_LIFT), left.index, by=by)
        elif right.letter in BEGIN_AT_THE_MID_LINE:
            off = _landing(right) - 1.0
            by = "lands over" if off > 0 else "lands under"
            yield TextMeasure(Code.JOIN_BROKEN, off, left.index, by=by)


def _or(place: FloatArray | None, other: FloatArray) -> FloatArray:
    return other if place is None else place


BEGIN_AT_THE_MID_LINE = frozenset("mnruvwy")
"""Letters that a join comes to from below, at the mid line, before anything of them is made; and
that come up to it again."""


def _landing(letter: Stood) -> float:
    """Where the join lands: the highest ink before the first stem has come down, in u above the
    base line; as far off as it differs from where the letter comes up to again, for a letter that
    is too tall is that."""
    line = letter.lines[0][:, 1]
    landed = float(line[: max(2, round(LANDING * len(line)))].max())
    again = float(line[len(line) // 2 :].max())
    return 1.0 + min((landed - 1.0, landed - again), key=abs)
