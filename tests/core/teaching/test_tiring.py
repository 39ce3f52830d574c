"""Pressing and tiring: asked of who presses or tires, of nobody else, never of a pen that cannot
tell."""

import numpy as np
import pytest

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.teaching.tiring import HURTS, Made, made, questions

RNG = np.random.default_rng(20261129)


def letters(count: int, force: float | None, spread: float = 0.05) -> list[Made]:
    forces = [None] * count if force is None else RNG.normal(force, spread, count).tolist()
    times, heights = RNG.normal(1.5, 0.15, count), RNG.normal(1.0, 0.06, count)
    return [Made(*one) for one in zip(forces, times.tolist(), heights.tolist(), strict=True)]


@pytest.mark.parametrize("force", [None, 0.3, 0.5])
def test_who_writes_steadily_is_asked_nothing(force: float | None) -> None:
    assert all(questions(letters(20, force)) == () for _ in range(200))


def test_who_presses_hard_for_three_rows_is_asked_about_and_told_what_to_do() -> None:
    asked = questions(letters(20, 0.9, 0.03))
    assert asked == ("Presses hard, three rows running: is the hand tired?", HURTS)
    assert questions(letters(14, 0.9, 0.03)) == ()  # not three rows yet


def test_a_pen_that_always_tells_the_same_force_says_nothing() -> None:
    assert questions(letters(30, 1.0, 0.0)) == ()


def test_who_grows_slower_and_larger_along_a_row_is_asked_about() -> None:
    row = letters(6, None) + [Made(None, 2.6, 1.35) for _ in range(6)]
    assert questions(row)[0].startswith("Slower and larger")
    slower = letters(6, None) + [Made(None, 2.6, 1.0) for _ in range(6)]
    larger = letters(6, None) + [Made(None, 1.5, 1.35) for _ in range(6)]
    assert questions(slower) == questions(larger) == ()


def test_how_a_letter_was_made_is_read_from_its_ink() -> None:
    stroke = Stroke.of([[0, 1], [0, 0]], [0.0, 0.8], [0.5, 0.7])
    assert made(Ink((stroke,))) == Made(0.6, 0.8, 1.0)
    assert made(Ink((Stroke.of([[0, 1], [0, 0]]),))) == Made(None, None, 1.0)
