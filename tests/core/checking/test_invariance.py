"""What must not change what is found: where, how large and how finely a letter was recorded."""

from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from firstloop.core.checking.check import check
from firstloop.core.errors import InkError
from firstloop.core.evidence.ink import MAX_POINTS, MAX_TEXT_POINTS, Ink, Stroke
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.geometry import polyline
from firstloop.core.letters import HANDS, PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.formats import inkml
from tests import letters
from tests.letters import checked, ink

INKS = {
    "good n": ("n", letters.good_n()),
    "good m": ("m", letters.good_m()),
    "m from the base line": ("m", letters.m_from_the_base_line()),
    "n running off its stem": ("n", letters.n_running_off_its_stem()),
    "n lifted": ("n", letters.n_lifted_at_the_foot()),
    "short h": ("h", letters.h_with_a_stem(1.3)),
    "good h": ("h", letters.good_h()),
    "floating n": ("n", letters.moved(letters.good_n(), 0, 0.4)),
}


def findings(given: Ink, letter: str) -> list[tuple[str, str, float]]:
    return [(f.code, f.severity, f.measure) for f in checked(given, letter).findings]


def assert_same_findings(
    first: list[tuple[str, str, float]], second: list[tuple[str, str, float]]
) -> None:
    assert [f[:2] for f in first] == [f[:2] for f in second]
    assert [f[2] for f in first] == pytest.approx([f[2] for f in second], abs=0.05)


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=15, deadline=None)
@given(right=st.floats(-10_000, 10_000))
def test_where_on_the_line_it_stands(name: Any, right: Any) -> None:
    letter, given_ink = INKS[name]
    assert_same_findings(
        findings(given_ink, letter), findings(letters.moved(given_ink, right, 0), letter)
    )


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=15, deadline=None)
@given(spacing=st.floats(0.004, 0.06))
def test_how_finely_it_was_sampled(name: Any, spacing: Any) -> None:
    letter, given_ink = INKS[name]
    finer = ink(*(polyline.respace(stroke.points, spacing) for stroke in given_ink.strokes))
    assert_same_findings(findings(given_ink, letter), findings(finer, letter))


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=15, deadline=None)
@given(seed=st.integers(0, 2**32 - 1))
def test_pauses_that_repeat_points(name: Any, seed: Any) -> None:
    letter, given_ink = INKS[name]
    rng = np.random.default_rng(seed)
    paused = ink(
        *(
            stroke.points.repeat(rng.integers(1, 4, len(stroke.points)), axis=0)
            for stroke in given_ink.strokes
        )
    )
    assert_same_findings(findings(given_ink, letter), findings(paused, letter))


@settings(max_examples=60, deadline=None)
@given(
    strokes=st.lists(
        st.lists(
            st.tuples(st.floats(-9, 9), st.floats(-9, 9)),
            min_size=1,
            max_size=12,
        ),
        min_size=1,
        max_size=5,
    ),
    letter=st.sampled_from(sorted(PLAIN.scripts)),
    hand=st.sampled_from(sorted(HANDS)),
)
def test_no_scribble_breaks_the_checker(strokes: Any, letter: str, hand: str) -> None:
    scribble = Ink(tuple(Stroke.of(stroke) for stroke in strokes))
    if any(polyline.length(stroke.points) > 0 for stroke in scribble.strokes):
        result = check(scribble, Task(letter), Style(hand), Ruling())
        assert all(np.isfinite(f.measure) for f in result.findings)


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=10, deadline=None)
@given(x_height=st.floats(2.0, 400.0), unit=st.sampled_from([b"mm", b"px"]))
def test_how_large_the_page_was(name: Any, x_height: Any, unit: Any) -> None:
    """Written to a file in any size and unit, with its ruling, and read again."""
    letter, given_ink = INKS[name]
    page = inkml.write(inkml.InkFile(given_ink, Ruling(), target=letter), x_height_mm=x_height)
    again = inkml.read(page.replace(b'units="mm"', b'units="' + unit + b'"'))
    assert_same_findings(findings(given_ink, letter), findings(again.ink, letter))


@settings(max_examples=30, deadline=None)
@given(seed=st.integers(0, 2**32 - 1))
def test_a_good_b_in_the_mirror_is_mirrored(seed: Any) -> None:
    rng = np.random.default_rng(seed)
    pupil = draw_pupil(rng, steadiness=0.8)
    good = write(PLAIN.scripts["b"], PLAIN, Ruling(), pupil, rng)
    turned = ink(*(stroke.points * np.array([-1.0, 1.0]) for stroke in good.strokes))
    assert "mirrored" in [f.code for f in checked(turned, "b").findings]


@pytest.mark.parametrize(
    "points", [[[0.0, np.nan], [1.0, 0.0]], [[np.inf, 0.0], [1.0, 0.0]], [], [[0.0]]]
)
def test_what_is_no_ink_is_refused_in_words(points: Any) -> None:
    with pytest.raises(InkError, match=r"finite|no points"):
        Stroke.of(points)


@pytest.mark.parametrize("points", [MAX_POINTS, MAX_POINTS + 1, MAX_TEXT_POINTS])
def test_a_letter_of_as_many_points_as_there_can_be_is_checked_as_it_is(points: int) -> None:
    once = letters.m_from_the_base_line()
    finer = ink(*(polyline.resample(stroke.points, points) for stroke in once.strokes))
    assert_same_findings(findings(once, "m"), findings(finer, "m"))
