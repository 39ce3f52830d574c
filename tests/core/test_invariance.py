"""What must not change what is found: where, how large and how finely a letter was recorded."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from firstloop.core import polyline
from firstloop.core.ink import Ink, Stroke
from tests import letters
from tests.letters import checked, ink

INKS = {
    "good n": ("n", letters.good_n()),
    "good m": ("m", letters.good_m()),
    "m from the base line": ("m", letters.m_from_the_base_line()),
    "n running off its stem": ("n", letters.n_running_off_its_stem()),
    "n lifted": ("n", letters.n_lifted_at_the_foot()),
    "short h": ("h", letters.h_with_a_stem(1.3)),
    "floating n": ("n", letters.moved(letters.good_n(), 0, 0.4)),
}


def findings(given: Ink, letter: str) -> list[tuple[str, str, float]]:
    return [(f.code, f.severity, f.measure) for f in checked(given, letter).findings]


def assert_same_findings(first: list, second: list) -> None:
    assert [f[:2] for f in first] == [f[:2] for f in second]
    assert [f[2] for f in first] == pytest.approx([f[2] for f in second], abs=0.05)


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=15, deadline=None)
@given(right=st.floats(-50, 50))
def test_where_on_the_line_it_stands(name, right):
    letter, given_ink = INKS[name]
    assert_same_findings(
        findings(given_ink, letter), findings(letters.moved(given_ink, right, 0), letter)
    )


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=15, deadline=None)
@given(spacing=st.floats(0.004, 0.06))
def test_how_finely_it_was_sampled(name, spacing):
    letter, given_ink = INKS[name]
    finer = ink(*(polyline.respace(stroke.points, spacing) for stroke in given_ink.strokes))
    assert_same_findings(findings(given_ink, letter), findings(finer, letter))


@pytest.mark.parametrize("name", INKS)
@settings(max_examples=15, deadline=None)
@given(seed=st.integers(0, 2**32 - 1))
def test_pauses_that_repeat_points(name, seed):
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
    letter=st.sampled_from("rnmh"),
)
def test_no_scribble_breaks_the_checker(strokes, letter):
    scribble = Ink(tuple(Stroke.of(stroke) for stroke in strokes))
    if any(polyline.length(stroke.points) > 0 for stroke in scribble.strokes):
        result = checked(scribble, letter)
        assert all(np.isfinite(f.measure) for f in result.findings)
