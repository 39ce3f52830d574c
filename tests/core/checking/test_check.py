"""The checker on inks of known geometry: each slip is found first, and good letters are let be."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.errors import InkError, UnknownLetterError
from firstloop.core.evidence.ink import MAX_TEXT_POINTS, Ink
from firstloop.core.letters import HANDS
from tests import letters
from tests.letters import checked, ink, pen, to_mend

TWICE_THE_SAME = [
    ("n", letters.n_from_the_base_line(), "start_place", -1.0),
    ("m", letters.m_from_the_base_line(), "start_place", -1.0),
    ("n", letters.n_with_its_stem_pushed_up(), "start_place", -1.0),
    ("n", letters.n_backwards(), "stroke_direction", 1.0),
    ("n", letters.n_lifted_at_the_foot(), "extra_lift", 1),
    ("n", letters.n_running_off_its_stem(0.4), "retrace_gap", 0.4),
    ("m", letters.m_with_one_hump(), "missing_part", 1),
    ("n", letters.moved(letters.good_n(), 0, 0.4), "off_base", 0.4),
    ("n", letters.moved(letters.good_n(), 0, -0.35), "off_base", -0.35),
    ("n", letters.scaled(letters.good_n(), 0.6), "body_height", -0.4),
    ("n", letters.scaled(letters.good_n(), 1.5), "body_height", 0.5),
    ("h", letters.h_with_a_stem(1.3), "reach_up", -0.6),
    ("h", letters.h_with_a_stem(2.4), "reach_up", 0.5),
]


@pytest.mark.parametrize(("letter", "given", "code", "measure"), TWICE_THE_SAME)
def test_a_slip_is_the_first_finding_with_its_size(
    letter: Any, given: Any, code: Any, measure: Any
) -> None:
    first = checked(given, letter).findings[0]
    assert first.code == code
    assert first.severity is Verdict.NOT_YET
    assert first.measure == pytest.approx(measure, abs=0.12)


@pytest.mark.parametrize("letter", letters.GOOD)
def test_a_good_letter_has_no_finding_and_is_praised(letter: Any) -> None:
    result = checked(letters.GOOD[letter](), letter)
    assert result.findings == ()
    assert set(result.verdict.values()) == {Verdict.SECURE}
    assert result.reads_as == letter
    assert result.say.startswith("Just right")


@pytest.mark.parametrize("written", letters.GOOD)
@pytest.mark.parametrize("asked", letters.GOOD)
def test_a_good_letter_reads_as_itself_whatever_was_asked_for(written: Any, asked: Any) -> None:
    assert checked(letters.GOOD[written](), asked).reads_as == written


@pytest.mark.parametrize(
    ("letter", "given", "other"),
    [
        ("n", letters.n_as_tall_as_h(), "h"),
        ("h", letters.h_with_a_stem(1.1), "n"),
        ("r", letters.r_with_a_leg(), "n"),
        ("m", letters.m_with_one_hump(), "n"),
        ("n", letters.good_m(), "m"),
        ("n", letters.good_r(), "r"),
    ],
)
def test_a_letter_that_could_be_taken_for_another_says_which(
    letter: str, given: Any, other: str
) -> None:
    result = checked(given, letter)
    (finding,) = [f for f in result.findings if f.code == "reads_as_other"]
    assert finding.other == result.reads_as == other


def test_one_cause_is_one_finding() -> None:
    assert to_mend(checked(letters.n_with_its_stem_pushed_up(), "n")) == ["start_place"]
    assert to_mend(checked(letters.moved(letters.good_h(), 0, 0.4), "h")) == ["off_base"]
    assert to_mend(checked(letters.scaled(letters.good_h(), 0.6), "h")) == ["body_height"]


def test_two_slips_are_both_found_and_direction_comes_first() -> None:
    both = letters.moved(letters.n_from_the_base_line(), 0, 0.4)
    assert to_mend(checked(both, "n")) == ["start_place", "off_base"]


def test_a_tall_n_is_an_h_and_not_begun_in_the_wrong_place() -> None:
    assert to_mend(checked(letters.n_as_tall_as_h(), "n")) == ["reads_as_other"]


def test_what_is_said_is_the_first_thing_to_mend() -> None:
    result = checked(letters.m_from_the_base_line(), "m")
    assert result.say == result.findings[0].say
    assert "mid line" in result.say
    assert result.findings[0].note == "Started at the base line; m starts at the mid line."


def test_the_worst_finding_of_a_dimension_is_its_verdict() -> None:
    verdict = checked(letters.n_from_the_base_line(), "n").verdict
    assert verdict == {
        Dimension.DIRECTION: Verdict.NOT_YET,
        Dimension.SIZE: Verdict.SECURE,
        Dimension.SHAPE: Verdict.SECURE,
    }


def test_between_the_limits_is_worth_watching_but_not_correcting() -> None:
    result = checked(letters.moved(letters.good_n(), 0, 0.2), "n")
    assert [(f.code.value, f.severity) for f in result.findings] == [("off_base", Verdict.NEARLY)]
    assert result.say == "You began and went the right way. Now write the next one."


def test_a_tap_beside_the_letter_is_not_a_lift() -> None:
    stray = ink(letters.n_strokes(), pen((0.9, 0.5), (0.93, 0.5)))
    assert to_mend(checked(stray, "n")) == []


def test_the_trail_covers_every_move_of_a_good_letter() -> None:
    trail = checked(letters.good_m(), "m").trail
    assert [(part.stroke, part.move) for part in trail] == [(0, move) for move in range(5)]
    assert trail[0].points[-1][1] == pytest.approx(0, abs=0.06)


@pytest.mark.parametrize(
    ("given", "words"),
    [
        (Ink(()), "no ink"),
        (ink(pen((0, 0), (0, 1))[:1]), "single point"),
        (ink(pen((0, 0), (0, 1))[[0, 0, 0]]), "one place"),
        (
            ink(pen((0, 0), (0, 1)).repeat(MAX_TEXT_POINTS // 30, axis=0)),
            "left lying on the tablet",
        ),
    ],
)
def test_ink_that_is_no_letter_is_said_to_be_none(given: Any, words: str) -> None:
    with pytest.raises(InkError, match=words):
        checked(given, "n")


def test_an_unknown_letter_says_which_there_are() -> None:
    with pytest.raises(UnknownLetterError, match='no letter "ß"'):
        checked(letters.good_n(), "ß")


def open_o(gap_deg: float) -> list[tuple[float, float]]:
    """An o that is made the right way and stops before it is closed, by so many degrees."""
    turn = np.radians(np.linspace(80.0, 440.0 - gap_deg, 60))
    return [(0.45 + 0.45 * float(np.cos(a)), 0.5 + 0.5 * float(np.sin(a))) for a in turn]


def test_a_short_patch_that_closes_a_gap_is_no_extra_part() -> None:
    ring = open_o(45.0)
    patched = ink(pen(*ring), pen(ring[-1], (0.45, 1.0), ring[0]))
    codes = [finding.code.value for finding in checked(patched, "o").findings]
    assert "extra_part" not in codes
    longer = ink(pen(*ring), pen(ring[-1], (0.45, 1.0), (0.9, 1.4), (1.6, 1.5)))
    assert "extra_part" in [finding.code.value for finding in checked(longer, "o").findings]


@pytest.mark.parametrize(
    ("scale", "tail", "expected"),
    [
        (1.0, -0.95, None),
        (1.0, -0.45, -0.5),  # the tail alone is short: by what the line says
        (0.7, -0.665, None),  # small as a whole: its tail is as deep as its body is high
        (1.3, -0.95, None),  # large, but its tail ends on its line: nobody would make it longer
        (0.7, -0.3, -0.365),  # small, and its tail is short even for that: only that much is told
    ],
)
def test_of_two_misses_of_a_tail_the_smaller_one_counts(
    scale: float, tail: float, expected: float | None
) -> None:
    """Against the drop line, and against what the letter's own body would make of it."""
    stem = 0.88 * scale
    p = ink(pen((0.0, scale), (0.0, tail), (0.0, 0.6 * scale), *mirrored_bowl(stem, scale)))
    found = [f for f in checked(p, "p").findings if f.code.value == "reach_down"]
    assert [round(f.measure, 2) for f in found] == (
        [] if expected is None else [pytest.approx(expected, abs=0.08)]
    )


def mirrored_bowl(width: float, height: float) -> list[tuple[float, float]]:
    """The bowl of a p: over, round and back to its stem, clockwise."""
    turn = np.radians(np.linspace(150.0, -180.0, 40))
    half = width / 2
    return [
        (half + half * float(np.cos(a)), height / 2 + height / 2 * float(np.sin(a))) for a in turn
    ]


def onto_its_tail(given: Ink, squeezed: bool) -> Ink:
    """The letter pushed up until its tail stands on the base line, or squeezed above it."""
    lowest = float(given.points[:, 1].min())
    share = 1.0 / (1.0 - lowest) if squeezed else 1.0
    top = 1.0 if squeezed else 1.0 - lowest
    return ink(
        *(
            np.column_stack([s.points[:, 0], top - share * (1.0 - s.points[:, 1])])
            for s in given.strokes
        )
    )


@pytest.mark.parametrize("letter", ["g", "p", "q", "y"])
@pytest.mark.parametrize("squeezed", [False, True])
def test_a_tail_on_the_line_is_told_as_a_tail_however_it_came_there(
    letter: str, squeezed: bool
) -> None:
    good = ink(*letters.drawn(HANDS["plain"].scripts[letter]))
    assert to_mend(checked(good, letter)) == []
    on_the_line = onto_its_tail(good, squeezed)
    assert to_mend(checked(on_the_line, letter)) == ["reach_down"]
    assert checked(on_the_line, letter).findings[0].measure == pytest.approx(-0.95, abs=0.05)


def test_a_letter_with_a_tail_that_floats_a_little_still_floats() -> None:
    floating = letters.moved(ink(*letters.drawn(HANDS["plain"].scripts["y"])), 0, 0.4)
    assert to_mend(checked(floating, "y")) == ["off_base"]
