"""Ways of writing, derived by rules: what holds for every letter of every hand."""

from collections.abc import Iterator
from itertools import pairwise

import numpy as np
import pytest

from firstloop.core.checking.explain.explanation import explain
from firstloop.core.checking.explain.ways import Way, ways_of, ways_with_two_faults
from firstloop.core.contract import Code
from firstloop.core.geometry.even import evenly
from firstloop.core.letters import HANDS, Letter, draw
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.ruling import Ruling


def letters(hand: str) -> Iterator[Letter]:
    own = HANDS[hand]
    for script in own.scripts.values():
        yield draw(script, own.proportions, Ruling())


def way(letter: Letter, name: str) -> Way:
    return next(way for way in ways_of(letter) if way.name == name)


def plain(name: str) -> Letter:
    return draw(HANDS["plain"].scripts[name], HANDS["plain"].proportions, Ruling())


@pytest.mark.parametrize("hand", HANDS)
def test_the_right_way_comes_first_and_is_the_letter_itself(hand: str) -> None:
    for letter in letters(hand):
        right = ways_of(letter)[0]
        assert right.faults == ()
        for stroke, path in zip(right.strokes, letter.paths(), strict=True):
            made = np.vstack([piece.points for piece in stroke])
            assert np.allclose(made[0], path[0])
            assert np.allclose(made[-1], path[-1])


@pytest.mark.parametrize("hand", HANDS)
def test_every_other_way_says_what_is_wrong_with_it_and_where(hand: str) -> None:
    for letter in letters(hand):
        for other in ways_of(letter)[1:]:
            assert other.faults, (letter.name, other.name)
            for fault in other.faults:
                assert fault.move < len(letter.strokes[fault.stroke]), (letter.name, other.name)


@pytest.mark.parametrize("hand", HANDS)
def test_the_pen_does_not_jump_within_a_stroke(hand: str) -> None:
    for letter in letters(hand):
        for one in ways_of(letter):
            for stroke in one.strokes:
                for before, after in pairwise(stroke):
                    if before.backwards != after.backwards:
                        continue  # a round made the other way about ends where it pleases
                    gap = np.hypot(*(after.points[0] - before.points[-1]))
                    assert gap < 0.1, (letter.name, one.name)


@pytest.mark.parametrize("hand", HANDS)
def test_a_missing_stroke_is_in_no_way(hand: str) -> None:
    for letter in letters(hand):
        if len(letter.strokes) < 2:
            continue
        for one in ways_of(letter, frozenset({0})):
            assert all(piece.drawn.stroke != 0 for piece in one.pieces)


def test_an_arch_may_be_forgotten_and_what_follows_moves_up() -> None:
    shorter = way(plain("m"), "without part 2")
    assert [fault.code for fault in shorter.faults] == [Code.MISSING_PART]
    kinds = [piece.drawn.move.kind for piece in shorter.pieces]
    whole = [piece.drawn.move.kind for piece in ways_of(plain("m"))[0].pieces]
    assert kinds.count(MoveKind.ARCH) == whole.count(MoveKind.ARCH) - 1
    right = max(piece.high[0] for piece in ways_of(plain("m"))[0].pieces)
    assert max(piece.high[0] for piece in shorter.pieces) < right - 0.3


def test_a_stem_pushed_up_runs_the_other_way_from_the_foot() -> None:
    pushed = way(plain("n"), "stem pushed up").pieces[0]
    assert pushed.backwards
    assert pushed.points[0, 1] == pytest.approx(0.0, abs=0.03)
    assert pushed.leaving[1] > 0.9


def test_a_print_letter_has_no_lead_in_to_leave_out() -> None:
    codes = {fault.code for one in ways_of(plain("a")) for fault in one.faults}
    assert Code.ENTRY_MISSING not in codes
    joined = HANDS["joined"]
    a = draw(joined.scripts["a"], joined.proportions, Ruling())
    print_like = way(a, "as in print")
    assert {fault.code for fault in print_like.faults} == {Code.ENTRY_MISSING, Code.EXIT_MISSING}
    assert len(print_like.pieces) == len(ways_of(a)[0].pieces) - 2


@pytest.mark.parametrize("hand", HANDS)
def test_two_faults_at_once_are_two_and_no_way_is_listed_twice(hand: str) -> None:
    for letter in letters(hand):
        ways = [*ways_of(letter), *ways_with_two_faults(letter)]
        made = [[(p.drawn.stroke, p.drawn.index, p.backwards) for p in way.pieces] for way in ways]
        lifts = [[len(stroke) for stroke in way.strokes] for way in ways]
        told = list(zip(map(str, made), map(str, lifts), strict=True))
        assert len(set(told)) == len(told), letter.name
        for way in ways_with_two_faults(letter):
            assert len(set(way.faults)) >= 2


def test_a_b_begun_at_the_foot_with_its_bowl_the_wrong_way_is_told_both() -> None:
    names = [way.name for way in ways_with_two_faults(plain("b"))]
    both = ways_with_two_faults(plain("b"))[names.index("from the foot, round the wrong way")]
    written = np.vstack([piece.points for piece in both.pieces])
    explanation = explain((evenly(written),), (plain("b"),))
    assert explanation.way.name == "from the foot, round the wrong way"
    assert {fault.code for fault in explanation.way.faults} == {
        Code.START_PLACE,
        Code.STROKE_DIRECTION,
    }
