"""Strokes in any order and from either end, put in the letter's own."""

from dataclasses import replace
from itertools import permutations

import numpy as np
import pytest

from firstloop.core.checking.explain.settle import settle
from firstloop.core.geometry.even import evenly
from firstloop.core.letters import PLAIN, Letter, draw
from firstloop.core.letters.ruling import Ruling

SEVERAL = ("i", "x", "t", "f", "A", "E", "H", "F")


def letter(name: str) -> Letter:
    return draw(PLAIN.scripts[name], PLAIN.proportions, Ruling(top=2.0, drop=-1.0))


def even(shape: Letter) -> list[np.ndarray]:
    return [evenly(path) for path in shape.paths()]


@pytest.mark.parametrize("name", sorted(PLAIN.scripts))
def test_a_letter_as_taught_has_nothing_to_put_right(name: str) -> None:
    shape = letter(name)
    settled = settle(tuple(even(shape)), shape)
    assert settled.oddities == 0
    assert settled.of == tuple(range(len(shape.strokes)))


@pytest.mark.parametrize("name", SEVERAL)
def test_every_order_is_found_and_the_childs_own_is_kept(name: str) -> None:
    shape = letter(name)
    strokes = even(shape)
    for order in permutations(range(len(strokes))):
        settled = settle(tuple(strokes[i] for i in order), shape)
        wrong = sum(a > b for k, a in enumerate(order) for b in order[k + 1 :])
        assert settled.swaps == wrong, order
        assert settled.first == order[0]
        assert np.array_equal(settled.start, strokes[order[0]][0])
        assert all(
            np.array_equal(got, strokes[i])
            for got, i in zip(settled.strokes, settled.of, strict=True)
        )


@pytest.mark.parametrize("name", SEVERAL)
def test_a_stroke_from_its_end_is_turned_and_told(name: str) -> None:
    shape = letter(name)
    strokes = even(shape)
    for turned in range(len(strokes)):
        if len(strokes[turned]) < 8:
            continue  # a dot has no end
        backwards = [s[::-1] if i == turned else s for i, s in enumerate(strokes)]
        settled = settle(tuple(backwards), shape)
        assert settled.flipped == {turned}
        assert np.allclose(settled.strokes[turned], strokes[turned])


@pytest.mark.parametrize("name", SEVERAL)
def test_what_was_not_written_is_missing(name: str) -> None:
    shape = letter(name)
    strokes = even(shape)
    settled = settle(tuple(strokes[:-1]), shape)
    assert settled.missing == {len(strokes) - 1}


def test_a_lift_within_a_stroke_is_one_lift_and_nothing_else() -> None:
    shape = letter("n")
    (whole,) = even(shape)
    middle = len(whole) // 2
    settled = settle((whole[:middle], whole[middle:]), shape)
    assert (settled.lifts, settled.swaps, settled.flipped, settled.extra) == (1, 0, frozenset(), ())


@pytest.mark.parametrize("beside", [-1.0, -0.6, 0.6, 1.0, 1.5, 2.0, 3.0])
@pytest.mark.parametrize("name", ["x", "A", "n", "o", "i", "t", "g", "B", "4"])
def test_a_stroke_that_stands_beside_the_letter_is_left_out(name: str, beside: float) -> None:
    shape = letter(name)
    strokes = even(shape)
    across = np.concatenate(strokes)[:, 0]
    at = across.max() + beside if beside > 0 else across.min() + beside
    stray = evenly(np.array([[at, 1.0], [at, 0.0]]))
    for place in range(len(strokes) + 1):
        settled = settle((*strokes[:place], stray, *strokes[place:]), shape)
        assert [np.array_equal(extra, stray) for extra in settled.extra] == [True]
        assert replace(settled, extra=()).oddities == 0
