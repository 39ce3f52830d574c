"""Joins: told by where they leave and arrive; where one is not known, letters stand open."""

from itertools import pairwise

import numpy as np
import pytest

from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.joins import Arrives, JoinKind, Leaves, is_joined, join_of, kinds_of
from firstloop.core.text.words import compose

JOINED, LOOPED = HANDS["joined"], HANDS["looped"]


@pytest.mark.parametrize(
    ("pair", "leaves", "arrives"),
    [
        ("in", Leaves.BASE, Arrives.SHORT),
        ("ca", Leaves.BASE, Arrives.ROUND),
        ("il", Leaves.BASE, Arrives.TALL),
        ("le", Leaves.BASE, Arrives.MIDDLE),
        ("on", Leaves.TOP, Arrives.SHORT),
        ("wa", Leaves.TOP, Arrives.ROUND),
        ("rk", Leaves.TOP, Arrives.TALL),
        ("ve", Leaves.TOP, Arrives.MIDDLE),
    ],
)
def test_a_join_is_told_by_where_it_leaves_and_arrives(
    pair: str, leaves: Leaves, arrives: Arrives
) -> None:
    join = join_of(pair, JOINED)
    assert join is not None
    assert join.kind == JoinKind(leaves, arrives)


def test_tails_join_out_of_their_loops_and_else_the_pen_is_lifted() -> None:
    out_of_a_loop = join_of("ga", LOOPED)
    assert out_of_a_loop is not None
    assert out_of_a_loop.kind.leaves is Leaves.LOOP
    assert join_of("ga", JOINED) is None
    assert join_of("qu", JOINED) is None


def test_a_longer_way_with_more_turns_is_more_effort() -> None:
    efforts = [join.effort for pair in ("le", "in", "ca") if (join := join_of(pair, JOINED))]
    assert efforts == sorted(efforts)


def gaps(word: str, joined: bool) -> list[float]:
    """u between the strokes of a word whose letters are made in one stroke each."""
    script = compose(word, JOINED, lambda _: joined).script
    paths = draw(script, JOINED.proportions, Ruling()).paths()
    return [float(np.hypot(*(after[0] - before[-1]))) for before, after in pairwise(paths)]


def test_letters_whose_join_is_not_known_stand_close_and_do_not_touch() -> None:
    assert gaps("can", joined=True) == []
    between = gaps("can", joined=False)
    assert len(between) == 2
    assert all(0.05 < gap < 0.6 for gap in between)


def test_only_the_joins_that_are_known_are_made() -> None:
    known = kinds_of(["in"], JOINED)
    script = compose("mince", JOINED, lambda pair: is_joined(pair, JOINED, known)).script
    assert [stroke.moves[0].kind.value for stroke in script.strokes] == [
        "lead-in",  # min
        "lead-in",  # c
        "lead-in",  # e
        "dot",
    ]
    assert not is_joined("1n", JOINED, known)
