"""Words: print beside each other, joined hands in one movement, dots and bars last."""

from itertools import pairwise
from typing import Any

import numpy as np
import pytest

from firstloop.core.errors import UnknownLetterError
from firstloop.core.geometry import polyline
from firstloop.core.letters import HANDS, Hand, draw
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.specimen import SPECIMEN_WORDS, WIDTH, specimen_sheet
from firstloop.core.text.words import compose

pytestmark = pytest.mark.measuring

SMALL = "abcdefghijklmnopqrstuvwxyz"
JOINED = ("joined", "looped")
PAIRS = [first + second for first in SMALL for second in SMALL]


def drawn(word: str, hand: str) -> Any:
    return draw(compose(word, HANDS[hand]).script, HANDS[hand].proportions, Ruling())


@pytest.mark.parametrize("hand", HANDS)
def test_letters_of_a_pair_stand_clear_of_each_other_but_not_far(hand: str) -> None:
    """The body of the second begins right of the first's, and within a letter's width."""
    for pair in PAIRS:
        one = np.concatenate([p[:, 0] for p in drawn(pair[0], hand).paths()]).max()
        both = np.concatenate([p[:, 0] for p in drawn(pair, hand).paths()]).max()
        assert 0.0 < both - one < 2.4, pair


def space_between(pair: str) -> tuple[float, float]:
    """u between two print letters at their nearest, and between where they begin and end."""
    one, both = drawn(pair[0], "plain"), drawn(pair, "plain")
    count = len(one.paths())
    first, second = (
        np.concatenate([polyline.respace(path, 0.04) for path in paths])
        for paths in (both.paths()[:count], both.paths()[count:])
    )
    apart = np.hypot(*(first[:, None] - second[None]).transpose(2, 0, 1))
    return float(apart.min()), float(second[:, 0].min() - first[:, 0].max())


def test_no_two_print_letters_touch_and_stems_stand_further_apart_than_rounds() -> None:
    nearest = {pair: space_between(pair)[0] for pair in PAIRS}
    assert min(nearest.values()) > 0.19  # aslant; 0.28 at one height
    stems, rounds = space_between("il")[1], space_between("oo")[1]
    assert stems == pytest.approx(0.5, abs=0.03)
    assert 0.25 < rounds < stems - 0.1


@pytest.mark.parametrize("text", ["n.", "p,", "n't", "A!", "19"])
def test_marks_and_digits_stand_clear_of_their_neighbours(text: str) -> None:
    script = compose(text, HANDS["plain"]).script
    xs = [draw_stroke[:, 0] for draw_stroke in drawn(text, "plain").paths()]
    assert len(xs) == len(script.strokes)
    assert xs[0].max() < xs[-1].max()


@pytest.mark.parametrize(
    ("pair", "apart"), [("1.", 0.28), ("'n", 0.15), ("o'", 0.09), ("-a", 0.28), (",b", 0.28)]
)
def test_beside_a_mark_is_as_much_room_as_its_height_leaves(pair: str, apart: float) -> None:
    assert space_between(pair)[1] == pytest.approx(apart, abs=0.03)


@pytest.mark.parametrize("hand", JOINED)
def test_joined_letters_are_one_stroke_until_a_letter_that_lifts(hand: Any) -> None:
    for pair in PAIRS:
        script = HANDS[hand].scripts[pair[0]]
        lifts = script.strokes[0].moves[-1].kind is not MoveKind.FLICK
        begun = sum(
            stroke.moves[0].kind is MoveKind.LEAD_IN
            for stroke in compose(pair, HANDS[hand]).script.strokes
        )
        assert begun == (2 if lifts else 1), pair


@pytest.mark.parametrize("hand", JOINED)
def test_a_join_sets_off_the_way_the_pen_was_going(hand: Any) -> None:
    """From the base line there is no corner between one letter and the next."""
    for pair in PAIRS:
        (main, *_) = drawn(pair, hand).strokes
        for before, join in pairwise(main):
            if join.move.kind is MoveKind.LEAD_IN and join.move.leave_deg is None:
                path = polyline.respace(np.vstack([before.points, join.points[1:]]), 0.03)
                middle = int(np.argmin(np.hypot(*(path - join.points[0]).T)))
                heading = np.diff(path[max(0, middle - 2) : middle + 3], axis=0)
                turned = np.diff(np.degrees(np.unwrap(np.arctan2(heading[:, 1], heading[:, 0]))))
                assert np.abs(turned).max() < 28, pair


def test_dots_and_bars_wait_for_the_end_of_a_joined_word() -> None:
    kinds = [stroke.moves[0].kind for stroke in compose("tin", HANDS["joined"]).script.strokes]
    assert kinds == [MoveKind.LEAD_IN, MoveKind.CROSS, MoveKind.DOT]
    kinds = [stroke.moves[0].kind for stroke in compose("tin", HANDS["plain"]).script.strokes]
    assert kinds == [MoveKind.DROP, MoveKind.CROSS, MoveKind.DROP, MoveKind.DOT, MoveKind.DROP]


@pytest.mark.parametrize("hand", JOINED)
def test_capitals_do_not_join(hand: Any) -> None:
    script = compose("An", HANDS[hand]).script
    assert len(script.strokes) == 3 + 1


def test_a_word_with_an_unknown_letter_says_which() -> None:
    with pytest.raises(UnknownLetterError, match='"ß"'):
        compose("Fuß", HANDS["plain"])


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
def test_the_specimen_sheet_holds_everything_within_its_edges(hand: Hand) -> None:
    sheet = specimen_sheet(hand, Ruling())
    strokes = sum(len(script.strokes) for script in hand.scripts.values()) + sum(
        len(compose(word, hand).script.strokes) for word in SPECIMEN_WORDS
    )
    lines = [line for _, row in sheet.rows for line in row]
    assert len(lines) == strokes
    assert min(line[:, 0].min() for line in lines) >= 0
    assert max(line[:, 0].max() for line in lines) <= WIDTH
