"""Numbers and arrows of moves: one a move, off the ink, apart from each other, near their start."""

import math

import numpy as np
import pytest

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, PLAIN, Hand, draw
from firstloop.core.letters.drawing import Letter
from firstloop.core.letters.numbering import NumberPlace, number_places
from firstloop.core.letters.ruling import Ruling

PAIRS = [(hand, letter) for hand in HANDS.values() for letter in hand.scripts]


def numbered(hand: Hand, letter: str) -> tuple[Letter, tuple[NumberPlace, ...]]:
    drawn = draw(hand.scripts[letter], hand.proportions, Ruling())
    return drawn, number_places(drawn)


def ink_of(letter: Letter) -> FloatArray:
    return np.vstack([polyline.respace(path, 0.02) for path in letter.paths()])


def nearest(place: tuple[float, float], others: FloatArray) -> float:
    return float(np.hypot(*(others - np.array(place)).T).min())


@pytest.mark.parametrize(("hand", "letter"), PAIRS, ids=[f"{h.name} {x}" for h, x in PAIRS])
def test_each_move_has_its_number_beside_it_and_none_stands_on_ink(hand: Hand, letter: str) -> None:
    drawn, places = numbered(hand, letter)
    ink = ink_of(drawn)
    assert len(places) == len(drawn.moves)
    for place, move in zip(places, drawn.moves, strict=True):
        assert nearest(place.at, ink) > 0.1
        assert math.dist(place.at, move.points[0]) < 1.0


@pytest.mark.parametrize("letter", "mnwkeEMW8")
def test_numbers_and_arrows_of_crowded_letters_are_told_apart(letter: str) -> None:
    _, places = numbered(PLAIN, letter)
    marks = [mark for place in places for mark in (place.at, place.arrow)]
    for at, place in enumerate(places[1:], 1):
        assert nearest(place.at, np.array(marks[: 2 * at])) > 0.2


def test_an_arrow_goes_the_way_of_the_pen() -> None:
    _, (down, up, over) = numbered(PLAIN, "n")
    assert [round(place.heading_deg) for place in (down, up)] == [-90, 90]
    assert down.arrow[1] < down.at[1]
    assert up.arrow[1] > up.at[1]
    assert over.heading_deg > 0
