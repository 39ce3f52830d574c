"""However it was made: what looks like its letter is neither turned nor off in its shape, what is
near to no letter is read as none, and what is said is where it began and how it travelled."""

from itertools import pairwise

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.checking.measure.travel import travelled
from firstloop.core.checking.say.findings import Result
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Task
from firstloop.core.geometry.even import evenly
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, PLAIN, draw
from firstloop.core.letters.hands import unflicked
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from tests import letters
from tests.letters import checked, ink, pen, to_mend

OF_MAKING = {"start_place", "stroke_direction", "stroke_order", "extra_lift"}
TALL = {"o": 1.0, "O": 1.9, "0": 1.9}
WIDE = {"o": 0.92, "O": 1.3, "0": 0.85}


def ring(letter: str, begun_deg: float, turn: int) -> FloatArray:
    """A closed ring of the letter's size, begun anywhere and made either way (1: anticlockwise)."""
    angles = np.radians(begun_deg + turn * np.linspace(0.0, 365.0, 80))
    tall, wide = TALL[letter], WIDE[letter]
    x, y = wide / 2 * (1 + np.cos(angles)), tall / 2 * (1 + np.sin(angles))
    return np.column_stack([x, y])


@pytest.mark.parametrize("letter", "oO0")
@pytest.mark.parametrize("begun_deg", range(0, 360, 45))
@pytest.mark.parametrize("turn", [1, -1])
def test_a_ring_is_its_letter_wherever_it_is_begun(letter: str, begun_deg: int, turn: int) -> None:
    result = checked(ink(ring(letter, begun_deg, turn)), letter)
    assert result.reads_as in {"o": ["o"], "O": ["O", "0"], "0": ["0", "O"]}[letter]
    assert set(to_mend(result)) <= OF_MAKING
    right_way = turn == 1
    if not right_way or begun_deg in (180, 225, 270):
        assert to_mend(result), "made the other way, or begun far from its start"


@pytest.mark.parametrize("turn", [1, -1])
def test_a_ring_made_the_other_way_is_told_as_that(turn: int) -> None:
    found = to_mend(checked(ink(ring("o", 80, turn)), "o"))
    assert found == ([] if turn == 1 else ["stroke_direction"])


def two_strokes_down(*corners: tuple[float, float]) -> Ink:
    """Slopes made one by one, each from its top, where the pen should go on."""
    return ink(*(pen(*sorted(pair, key=lambda at: -at[1])) for pair in pairwise(corners)))


@pytest.mark.parametrize(
    ("letter", "corners"),
    [
        ("v", [(0, 1), (0.4, 0), (0.8, 1)]),
        ("w", [(0, 1), (0.3, 0), (0.6, 1), (0.9, 0), (1.2, 1)]),
        ("V", [(0, 1.9), (0.6, 0), (1.2, 1.9)]),
    ],
)
def test_slopes_made_one_by_one_are_told_by_their_making(
    letter: str, corners: list[tuple[float, float]]
) -> None:
    result = checked(two_strokes_down(*corners), letter)
    assert result.reads_as == letter
    first, *_ = to_mend(result)
    assert first in OF_MAKING


def test_where_it_began_and_how_it_travelled_are_measured_on_the_letter() -> None:
    result = checked(two_strokes_down((0, 1), (0.4, 0), (0.8, 1)), "v")
    lifted = next(f for f in result.findings if f.code is Code.EXTRA_LIFT)
    assert lifted.measure == 1
    assert result.verdict[Dimension.DIRECTION] is Verdict.NOT_YET


def test_a_left_handed_child_may_pull_a_bar_there_too() -> None:
    form = draw(PLAIN.scripts["T"], PLAIN.proportions, Ruling())
    stem, bar = form.paths()
    lines = (evenly(stem), evenly(bar[::-1]))
    share = {
        left_handed: next(
            m.value
            for m in travelled(lines, (form,), left_handed=left_handed)
            if m.code is Code.STROKE_DIRECTION
        )
        for left_handed in (True, False)
    }
    assert share[True] == 0.0
    assert share[False] > 0.3


def scribble(seed: int) -> Ink:
    rng = np.random.default_rng(seed)
    steps = rng.normal(0, 1, (12, 2)).cumsum(axis=0)
    steps = (steps - steps.min(axis=0)) / np.ptp(steps, axis=0)
    return ink(pen(*map(tuple, steps * [1.0, 1.8])))


def test_three_of_four_scribbles_read_as_no_letter() -> None:
    read = [checked(scribble(seed), letter).reads_as for seed in range(10) for letter in "nkgR"]
    assert read.count(None) >= 30


@pytest.mark.parametrize(
    ("asked", "made", "reads"),
    [("n", letters.good_h(), "h"), ("h", letters.good_n(), "n"), ("m", letters.good_n(), "n")],
)
def test_what_is_another_letter_is_read_as_that(asked: str, made: Ink, reads: str) -> None:
    assert checked(made, asked).reads_as == reads


def test_what_is_another_beyond_doubt_is_told_before_how_it_was_made() -> None:
    given = checked(ink(pen((0, 1.9), (0, 0)), pen((0, 0.06), (0.85, 0.06))), "T")
    assert given.reads_as == "L"
    assert to_mend(given)[0] == "reads_as_other"


@pytest.mark.parametrize("letter", [x for x, s in PLAIN.scripts.items() if x.islower()])
def test_a_flick_may_be_left_out_in_print(letter: str) -> None:
    flicked = HANDS["flick"].scripts[letter]
    bare = unflicked(flicked)
    assert unflicked(bare) is bare
    paths = letters.drawn(bare)
    result = check(ink(*paths), Task(letter), Style("flick"), Ruling())
    assert (result.reads_as, to_mend(result)) == (letter, [])


RULINGS = [Ruling(top, drop) for top in (1.6, 2.0, 2.4) for drop in (-0.7, -1.4)]


def on(ruling: Ruling, given: Ink) -> Ink:
    """Ink for the usual lines, stretched above and below as letters are for a ruling."""
    usual = Ruling()

    def put(points: FloatArray) -> FloatArray:
        x, y = points.T
        up = 1 + (y - 1) * (ruling.top - 1) / (usual.top - 1)
        return np.column_stack(
            [x, np.where(y > 1, up, np.where(y < 0, y * ruling.drop / usual.drop, y))]
        )

    return ink(*(put(stroke.points) for stroke in given.strokes))


@pytest.mark.parametrize("ruling", RULINGS, ids=str)
def test_a_good_letter_is_good_on_any_lines(ruling: Ruling) -> None:
    for letter, make in letters.GOOD.items():
        result = checked(on(ruling, make()), letter, ruling)
        assert (result.reads_as, to_mend(result)) == (letter, [])


@pytest.mark.parametrize("ruling", [one for one in RULINGS if one.top >= 2.0], ids=str)
@pytest.mark.parametrize("short", [0.35, 0.5])
def test_how_far_it_falls_short_is_told_in_the_pages_own_u(ruling: Ruling, short: float) -> None:
    result = checked(letters.h_with_a_stem(ruling.top - short), "h", ruling)
    assert measure(result, Code.REACH_UP) == pytest.approx(-short, abs=0.06)


@pytest.mark.parametrize("ruling", RULINGS, ids=str)
@pytest.mark.parametrize("by", [-0.4, 0.4])
def test_how_far_it_floats_or_sinks_too(ruling: Ruling, by: float) -> None:
    result = checked(letters.moved(letters.good_n(), 0, by), "n", ruling)
    assert measure(result, Code.OFF_BASE) == pytest.approx(by, abs=0.06)


@pytest.mark.parametrize("ruling", RULINGS, ids=str)
def test_the_trail_lies_where_the_ink_was(ruling: Ruling) -> None:
    given = on(ruling, letters.good_h())
    trail = np.vstack([part.points for part in checked(given, "h", ruling).trail])
    apart = np.hypot(*(trail[:, None] - given.points[None]).transpose(2, 0, 1)).min(axis=1)
    assert apart.max() < 0.06


def measure(result: Result, code: Code) -> float:
    found = [finding.measure for finding in result.findings if finding.code is code]
    assert found, f"{code} is not found"
    return found[0]


@pytest.mark.parametrize("wider", [1.0, 1.2, 1.5, 1.7])
def test_an_o_half_as_wide_again_is_too_wide(wider: float) -> None:
    turn = np.radians(np.linspace(80, 445, 80))
    given = ink(np.column_stack([0.46 * wider * (1 + np.cos(turn)), 0.5 + 0.5 * np.sin(turn)]))
    assert ("width" in to_mend(checked(given, "o"))) == (wider >= 1.5)


def e_with_bars(*heights: float) -> Ink:
    return ink(pen((0, 1.9), (0, 0)), *(pen((0, y), (0.75, y)) for y in heights))


def test_like_parts_are_counted_before_they_are_placed() -> None:
    assert to_mend(checked(e_with_bars(1.9, 1.0, 0.0), "E")) == []
    assert to_mend(checked(e_with_bars(1.9, 1.3, 0.65, 0.0), "E")) == ["extra_part"]
    assert "missing_part" in to_mend(checked(e_with_bars(1.9, 1.0), "E"))


def test_one_wrong_foot_does_not_move_the_letter() -> None:
    k = ink(pen((0, 1.9), (0, 0)), pen((0.5, 1), (0, 0.45), (0.62, -0.45)))
    found = to_mend(checked(k, "k"))
    assert "off_base" not in found
    assert found, "a leg that goes on below the line is told"
    short = ink(pen((0, 1), (0, 0), (0, 0.6), *letters.hump(0, 0.7, base=0.35)))
    assert to_mend(checked(short, "n")) == []
    floating = ink(pen((0, 1.35), (0, 0.35), (0, 0.95), *letters.hump(0, 0.7, 0.35, 1.35)))
    assert to_mend(checked(floating, "n")) == ["off_base"]


@pytest.mark.parametrize(("gap", "seen"), [(0.0, False), (0.1, False), (0.45, True)])
def test_a_stem_that_leaves_its_way_up_is_seen_in_u(gap: float, seen: bool) -> None:
    turn = np.radians(np.linspace(180, 360, 30))
    cup = [(0.3 + 0.3 * np.cos(a), 0.4 + 0.4 * np.sin(a)) for a in turn]
    u = ink(pen((0, 1), (0, 0.4), *cup, (0.6, 1), (0.6 + gap, 0)))
    assert (Code.RETRACE_GAP in {f.code for f in checked(u, "u").findings}) == seen


def test_a_stubby_e_is_no_other_letter() -> None:
    stubby = ink(pen((0, 1.9), (0, 0)), *(pen((0, y), (0.22, y)) for y in (1.9, 1.0, 0.0)))
    assert set(to_mend(checked(stubby, "E"))) == {"part_length"}
