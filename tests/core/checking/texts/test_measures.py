"""What only a text shows, by known geometry: one thing is changed, and that is what is found."""

import numpy as np
import pytest

from firstloop.core.checking.texts.drift import slope_of
from firstloop.core.checking.texts.joins import BEGIN_AT_THE_MID_LINE
from firstloop.core.checking.texts.traces import Trace, Traces
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Kind
from firstloop.core.geometry.polyline import respace
from firstloop.core.letters import HANDS, draw
from firstloop.core.text.words import compose
from tests.core.checking.texts.written import (
    RULING,
    Change,
    checked,
    ink_of,
    joined,
    printed,
    to_mend,
)
from tests.letters import n_from_the_base_line


@pytest.mark.parametrize(("by", "left"), [(-0.45, 0), (1.0, 1)])
def test_letters_that_touch_or_stand_apart(by: float, left: int) -> None:
    assert to_mend(checked(printed("hen").moved(left + 1, by).ink, "hen")) == [(Code.SPACING, left)]


def test_the_measure_of_a_gap_is_how_far_it_is_from_good() -> None:
    near, far = (
        checked(printed("hen").moved(1, by).ink, "hen").findings[0].measure for by in (1.0, 1.5)
    )
    assert far - near == pytest.approx(0.5, abs=0.01)
    assert checked(printed("hen").moved(1, -0.45).ink, "hen").findings[0].measure < 0


@pytest.mark.parametrize("by", [-1.05, 2.2])
def test_words_that_run_together_or_lie_too_far_apart(by: float) -> None:
    text = "a hen ran"
    line = printed(text).moved(4, by)
    found = to_mend(checked(line.ink, text, Kind.PHRASE))
    assert found == [(Code.WORD_GAP, 5)]


@pytest.mark.parametrize("by", [0.6, 1.5])
def test_the_odd_one_in_size(by: float) -> None:
    line = printed("neon").changed(2, lambda path: path * np.array([1.0, by]))
    (code, index), *_ = to_mend(checked(line.ink, "neon"))
    assert (code, index) == (Code.SIZE_UNEVEN, 2)


@pytest.mark.parametrize(("by", "found"), [(0.79, []), (0.77, [(Code.SIZE_UNEVEN, 2)])])
def test_half_as_tall_is_as_far_off_as_twice_as_tall(by: float, found: list[object]) -> None:
    line = printed("neon").changed(2, lambda path: path * np.array([1.0, by]))
    assert [one for one in to_mend(checked(line.ink, "neon")) if one[1] is not None] == found


@pytest.mark.parametrize("degrees", [6.0, -6.0])
def test_a_line_that_drifts_is_told_once(degrees: float) -> None:
    slope = np.tan(np.radians(degrees))
    line = printed("planet")
    for at in range(6):
        line = line.changed(at, lambda p: p + np.column_stack([0 * p[:, 0], slope * p[:, 0]]))
    result = checked(line.ink, "planet")
    assert to_mend(result) == [(Code.LINE_DRIFT, None)]
    assert result.findings[0].measure == pytest.approx(degrees, abs=0.8)


@pytest.mark.parametrize(("word", "degrees"), [("cat", 9.0), ("sun", -9.0), ("man", 10.0)])
def test_a_short_word_that_climbs_is_told_as_that(word: str, degrees: float) -> None:
    slope = np.tan(np.radians(degrees))
    line = printed(word)
    for at in range(len(word)):
        line = line.changed(at, lambda p: p + np.column_stack([0 * p[:, 0], slope * p[:, 0]]))
    assert to_mend(checked(line.ink, word)) == [(Code.LINE_DRIFT, None)]


@pytest.mark.parametrize("word", ["yes", "pony", "happy", "jelly", "garage", "I jog."])
def test_tails_and_letters_that_tremble_make_no_slope(word: str) -> None:
    rng = np.random.default_rng(3)
    for _ in range(5):
        line = printed(word)
        for at in range(len(line.letters)):
            by = float(rng.normal(0.0, 0.05))
            line = line.changed(at, lambda p, by=by: p + np.array([0.0, by]))  # type: ignore[misc]
        kind = Kind.SENTENCE if word.endswith(".") else Kind.WORD
        assert Code.LINE_DRIFT not in dict(to_mend(checked(line.ink, word, kind)))


def test_one_letter_that_floats_turns_no_line() -> None:
    line = printed("sun").changed(2, lambda p: p + np.array([0.0, 0.55]))
    assert to_mend(checked(line.ink, "sun"))[:1] == [(Code.OFF_BASE, 2)]


def feet(*places: tuple[float, float]) -> Traces:
    """A small v at each place."""
    v = np.array([[-0.2, 0.4], [0.0, 0.0], [0.2, 0.4]])
    return tuple(Trace.of(at, respace(v + place, 0.02)) for at, place in enumerate(places))


def test_what_hangs_below_a_line_speaks_against_it() -> None:
    climbing = [(x, 0.22 * x) for x in (0.3, 1.0, 1.6, 2.2, 2.8, 3.4, 4.0)]
    level = [(x, 0.0) for x in (1.3, 1.9, 2.5, 3.1, 3.7)]
    assert slope_of(feet(*climbing))[0] == pytest.approx(0.22, abs=0.01)
    assert slope_of(feet(*climbing, *level)) == (0.0, 0.0)


def test_tails_may_hang_below_a_line_that_climbs() -> None:
    climbing = [(x, 0.1 * x) for x in (0.3, 1.0, 1.6, 2.2, 2.8, 3.4, 4.0)]
    tails = [(x, 0.1 * x - 1.0) for x in (1.3, 2.5, 3.7)]
    assert slope_of(feet(*climbing, *tails))[0] == pytest.approx(0.1, abs=0.01)


def test_tails_of_one_word_against_each_other() -> None:
    line = printed("gypsy").changed(
        4, lambda p: np.column_stack([p[:, 0], np.where(p[:, 1] < 0, 0.4 * p[:, 1], p[:, 1])])
    )
    result = checked(line.ink, "gypsy")
    # The letter's own says it.
    assert to_mend(result) == [(Code.REACH_DOWN, 4), (Code.READS_AS_OTHER, 4)]


def test_tails_that_differ_though_each_is_near_its_line() -> None:
    def deeper(by: float) -> Change:
        return lambda p: np.column_stack([p[:, 0], np.where(p[:, 1] < 0, by * p[:, 1], p[:, 1])])

    line = printed("gypsy").changed(0, deeper(1.2)).changed(4, deeper(0.8))
    assert to_mend(checked(line.ink, "gypsy")) == [(Code.TAILS_UNEVEN, 4)]


@pytest.mark.parametrize(("x", "y"), [(1.0, 0.6), (1.5, 1.0)])
def test_the_two_of_a_double(x: float, y: float) -> None:
    line = printed("moon")
    left = min(float(path[:, 0].min()) for path in line.letters[2])
    line = line.changed(
        2, lambda p: (p - np.array([left, 0])) * np.array([x, y]) + np.array([left, 0])
    ).moved(3, 0.9 * (x - 1))
    assert to_mend(checked(line.ink, "moon"))[0] == (Code.DOUBLES_DIFFER, 1)


def test_the_end_mark() -> None:
    text = "It is wet."
    line = printed(text)
    assert to_mend(checked(line.without(7).ink, text, Kind.SENTENCE)) == [(Code.STOP, 9)]
    floats = line.changed(7, lambda path: path + np.array([0, 0.7]))
    assert to_mend(checked(floats.ink, text, Kind.SENTENCE)) == [(Code.STOP, 9)]
    phrase = line.without(7).ink
    assert to_mend(checked(phrase, "It is wet", Kind.PHRASE)) == []


def test_a_broken_join_shows_where() -> None:
    whole = respace(joined("lemon")[0], 0.02)
    place = np.array([1.95, 0.6])  # between e and m
    at = int(np.argmin(np.hypot(*(whole - place).T)))
    broken = ink_of([whole[: at - 2], whole[at + 2 :]])
    assert to_mend(checked(broken, "lemon", hand="joined")) == [(Code.JOIN_BROKEN, 1)]
    assert to_mend(checked(broken, "lemon", hand="joined", may_stand_open=True)) == []


@pytest.mark.parametrize("letter", sorted(BEGIN_AT_THE_MID_LINE))
@pytest.mark.parametrize("by", [0.0, 0.7])
def test_a_join_lands_at_the_mid_line(letter: str, by: float) -> None:
    hand = HANDS["joined"]
    composed = compose(f"c{letter}", hand)
    (origins,) = composed.origins
    (path,) = draw(composed.script, hand.proportions, RULING).paths()
    join = next(at for at, origin in enumerate(origins) if origin.join)
    landed = draw(composed.script, hand.proportions, RULING).moves[join].points[-1]
    near = np.clip(1.0 - np.hypot(*(path - landed).T) / 0.4, 0.0, 1.0)
    ink = ink_of([path + np.column_stack([0.0 * near, by * near])])
    found = to_mend(checked(ink, f"c{letter}", hand="joined"))
    assert ((Code.JOIN_BROKEN, 0) in found) == (by > 0)


def test_beside_another_letter_nothing_else_is_said_but_further_off_it_is() -> None:
    line = printed("hens")
    left = float(line.letters[0][0][:, 0].min())
    line.letters[0] = [path + np.array([left, 0]) for path in printed("s").letters[0]]
    for since, found in ((1, []), (2, []), (3, [(Code.SPACING, 2)])):
        told = to_mend(checked(line.moved(since, 1.2).ink, "hens"))
        assert told == [(Code.WRONG_LETTER, 0), *found], since


def test_a_slip_of_one_letter_is_its_own_and_makes_the_text_nearly() -> None:
    line = printed("open")
    left = float(line.letters[3][0][:, 0].min())
    line.letters[3] = [
        stroke.points + np.array([left, 0]) for stroke in n_from_the_base_line().strokes
    ]
    result = checked(line.ink, "open")
    assert to_mend(result) == [(Code.START_PLACE, 3)]
    assert [f.code for f in result.letters[3].findings] == [Code.START_PLACE]
    assert result.verdict[Dimension.DIRECTION] is Verdict.NEARLY


def test_what_a_third_of_the_letters_share_is_the_texts() -> None:
    line = printed("non")
    for at in (0, 2):
        line = line.changed(at, lambda p: p * np.array([1.0, 0.62]))
    result = checked(line.ink, "non")
    assert result.verdict[Dimension.SIZE] is Verdict.NOT_YET


@pytest.mark.parametrize(("word", "verdict"), [("pen", Verdict.NOT_YET), ("pine", Verdict.NEARLY)])
def test_one_of_three_is_a_third_and_one_of_four_is_not(word: str, verdict: Verdict) -> None:
    line = printed(word)
    at = word.index("n")
    left = float(line.letters[at][0][:, 0].min())
    slipped = n_from_the_base_line().strokes
    line.letters[at] = [stroke.points + np.array([left, 0]) for stroke in slipped]
    assert checked(line.ink, word).verdict[Dimension.DIRECTION] is verdict
