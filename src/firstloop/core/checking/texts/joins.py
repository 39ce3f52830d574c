"""Joins: whether the pen went on from letter to letter, and where it landed."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

import numpy as np

from firstloop.core.checking.texts.measures import Stood, TextMeasure
from firstloop.core.checking.texts.pieces import Piece
from firstloop.core.contract import Code
from firstloop.core.limits import A_LIFT


def broken_joins(letters: Sequence[tuple[Piece, Stood]]) -> Iterator[TextMeasure]:
    """What is wrong with the joins of a text in a joined hand, at their left letter."""
    for (a, left), (b, right) in pairwise(letters):
        if right.index != left.index + 1 or not b.joined or b.again or a.other_case or b.other_case:
            continue
        if a.main_end.trace != b.main_begin.trace:
            gap = float(np.hypot(*(left.ends - right.begins)))
            by = "gap" if gap >= A_LIFT else "lifted"
            yield TextMeasure(Code.JOIN_BROKEN, max(gap, A_LIFT), left.index, by=by)
