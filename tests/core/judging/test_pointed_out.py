"""Marks lie where the ink is that they are about."""

import numpy as np
import pytest

from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.judging.pointed_out import Mark, Pointed, pointed_out
from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.ruling import Ruling
from tests import letters
from tests.letters import checked, ink, pen

MIDDLE = 0.35
"""Of an n of these tests, from side to side; in the model it is as wide."""


def marked(given: Ink, letter: str, code: Code) -> Pointed | None:
    result = checked(given, letter)
    (finding,) = [one for one in result.findings if one.code is code]
    model = draw(PLAIN.scripts[letter], PLAIN.proportions, Ruling())
    return pointed_out(finding, result.trail, given, model)


def test_a_wrong_start_points_from_where_the_pen_was_set_down_to_where_it_should_be() -> None:
    found = marked(letters.n_from_the_base_line(), "n", Code.START_PLACE)
    assert found is not None
    assert (found.mark, found.start) == (Mark.FROM_TO, (0.0, 0.0))
    assert found.end == pytest.approx((0.0, 1.0), abs=0.1)


def test_a_gap_lies_between_the_stem_and_the_way_back() -> None:
    found = marked(letters.n_running_off_its_stem(), "n", Code.RETRACE_GAP)
    assert found is not None
    assert found.mark is Mark.GAP
    assert found.end[0] == pytest.approx(0.0, abs=0.05)
    assert 0.05 < found.start[0] - found.end[0] <= 0.4


def test_an_open_round_is_bracketed_from_end_to_end() -> None:
    turn = np.radians(np.linspace(60, 360, 80))
    open_o = 0.5 + 0.5 * np.column_stack([np.cos(turn), np.sin(turn)])
    found = marked(ink(pen(*map(tuple, open_o))), "o", Code.OPEN_GAP)
    assert found is not None
    ends = sorted([found.start, found.end])
    assert ends == [pytest.approx(p, abs=0.08) for p in sorted([(0.75, 0.933), (1.0, 0.5)])]


def test_a_short_stem_points_up_to_its_line() -> None:
    found = marked(letters.h_with_a_stem(1.3), "h", Code.REACH_UP)
    assert found is not None
    assert found.start == pytest.approx((0.0, 1.3), abs=0.03)
    assert found.end[1] > 1.8


def test_a_leaning_letter_has_a_line_along_its_stem() -> None:
    lean = np.array([[1.0, 0.0], [0.45, 1.0]])
    leaning = Ink(tuple(type(s).of(s.points @ lean) for s in letters.good_n().strokes))
    found = marked(leaning, "n", Code.SLANT)
    assert found is not None
    assert found.mark is Mark.LEAN
    (x0, y0), (x1, y1) = found.start, found.end
    assert (x1 - x0) / (y1 - y0) == pytest.approx(0.45, abs=0.08)


def test_what_has_no_one_place_has_no_mark() -> None:
    assert marked(letters.n_lifted_at_the_foot(), "n", Code.EXTRA_LIFT) is None
