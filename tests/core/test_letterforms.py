"""Letters as they are drawn: on their lines, without kinks, branching where the design says."""

from itertools import pairwise

import numpy as np
import pytest

from firstloop.core import polyline
from firstloop.core.letterforms import PLAIN, draw
from firstloop.core.moves import MoveKind
from firstloop.core.phrases import move_words, phrase
from firstloop.core.ruling import Height, Line, Ruling

RULING = Ruling(top=1.8)
LETTERS = {name: draw(script, PLAIN, RULING) for name, script in PLAIN.scripts.items()}


@pytest.mark.parametrize(("name", "top"), [("r", 1.0), ("n", 1.0), ("m", 1.0), ("h", 1.8)])
def test_a_letter_fills_its_spaces_and_no_more(name, top):
    points = np.vstack([move.points for move in LETTERS[name].moves])
    assert points[:, 1].min() == pytest.approx(0.0)
    assert points[:, 1].max() == pytest.approx(top)


@pytest.mark.parametrize("name", LETTERS)
def test_each_move_begins_where_the_last_one_ended(name):
    for stroke in LETTERS[name].strokes:
        for before, after in pairwise(stroke):
            np.testing.assert_array_equal(before.points[-1], after.points[0])


@pytest.mark.parametrize("name", LETTERS)
def test_arches_leave_their_stem_without_a_kink(name):
    """Going back up and over is one movement: no turn sharper than a few degrees in it."""
    for stroke in LETTERS[name].strokes:
        for back, over in pairwise(stroke):
            if back.move.kind is MoveKind.BACK:
                path = polyline.respace(np.vstack([back.points, over.points[1:]]), 0.02)
                heading = np.diff(path, axis=0)
                angles = np.degrees(np.unwrap(np.arctan2(heading[:, 1], heading[:, 0])))
                assert np.abs(np.diff(angles)).max() < 12


@pytest.mark.parametrize("name", "nmh")
def test_arches_branch_between_six_and_seven_tenths_of_the_body(name):
    ends = [m.points[-1, 1] for m in LETTERS[name].moves if m.move.kind is MoveKind.BACK]
    assert all(0.6 <= end <= 0.7 for end in ends)


def test_the_phrase_has_words_for_every_move():
    for name, letter in LETTERS.items():
        words = [word for stroke in move_words(letter.script) for word in stroke]
        assert len(words) == len(letter.moves)
        assert all(word in phrase(PLAIN.scripts[name]) for word in words)


def test_a_file_without_top_and_drop_takes_the_hands_own():
    ruling = Ruling.from_page({Line.BASE: 50.0, Line.MID: 42.0}, x_height=8.0)
    assert ruling == Ruling()
    assert Height(Line.TOP).on(ruling) == pytest.approx(1.9)
