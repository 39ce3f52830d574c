"""What a teacher mends in a letter, one thing at a time."""

import numpy as np
import pytest

from firstloop.core.letters import PLAIN
from firstloop.core.letters.moves import Level, MoveKind, Script, notate_stroke, parse
from firstloop.core.own_hand.mending import Change, Mend, MendError, mended
from firstloop.core.own_hand.middle import apart
from firstloop.core.own_hand.redrawn import lines_of

SHAPE = PLAIN.proportions


def after(letter: str, change: Change) -> Script:
    return mended(PLAIN.scripts[letter], change, SHAPE)


def test_a_start_is_moved_a_twentieth_of_the_body() -> None:
    moved = after("c", Change(Mend.START, way="up")).strokes[0].start
    before = PLAIN.scripts["c"].strokes[0].start
    assert (moved.x, moved.y) == (before.x, 0.85)
    assert after("l", Change(Mend.START, way="left")).strokes[0].start.y is Level.TOP


def test_a_move_is_made_straight_and_what_follows_keeps_its_curve() -> None:
    straight = after("g", Change(Mend.STRAIGHT, move=0))
    first, *others = straight.strokes[0].moves
    assert (first.kind, len(first.nodes)) == (MoveKind.DROP, 1)
    assert len(others) == len(PLAIN.scripts["g"].strokes[0].moves) - 1


def test_what_is_going_back_along_the_stem_lies_on_it() -> None:
    gap = parse("n", "0,mid; drop 0,base; slope .12,.6; arch .4,mid,E .75,.56,S .75,base")
    back = mended(gap, Change(Mend.BACK, move=1), SHAPE)
    assert [str(move.kind) for move in back.moves] == ["drop", "back", "arch"]
    assert (back.moves[1].end.x, back.moves[1].end.y) == (0.0, 0.6)


@pytest.mark.parametrize("letter", ["l", "c", "f", "z", "o"])
def test_a_stroke_turned_round_is_the_same_line_the_other_way(letter: str) -> None:
    turned = after(letter, Change(Mend.TURN))
    line, back = (lines_of(x, SHAPE)[0] for x in (PLAIN.scripts[letter], turned))
    assert apart((back,), (line[::-1],)).mean < 0.03
    assert np.hypot(*(back[0] - line[-1])) < 0.13


def test_turned_twice_it_goes_as_it_went() -> None:
    once = after("l", Change(Mend.TURN))
    assert [str(move.kind) for move in once.moves] == ["rise"]
    twice = mended(once, Change(Mend.TURN), SHAPE)
    assert [notate_stroke(stroke) for stroke in twice.strokes] == ["0,top; drop 0,base"]


def test_two_strokes_are_swapped() -> None:
    swapped = after("t", Change(Mend.SWAP, stroke=1))
    assert swapped.strokes == PLAIN.scripts["t"].strokes[::-1]


@pytest.mark.parametrize(
    ("letter", "change", "words"),
    [
        ("l", Change(Mend.SWAP), "one stroke"),
        ("l", Change(Mend.BACK), "over nothing"),
        ("a", Change(Mend.BACK, move=1), "only a straight line"),
        ("i", Change(Mend.STRAIGHT, stroke=1), "a dot"),
        ("l", Change(Mend.TURN, stroke=2), "no stroke 3"),
        ("l", Change(Mend.STRAIGHT, move=4), "no move 5"),
        ("l", Change(Mend.START, way="away"), "left, right, up, down"),
    ],
)
def test_what_a_letter_cannot_have_is_said(letter: str, change: Change, words: str) -> None:
    with pytest.raises(MendError, match=words):
        after(letter, change)
