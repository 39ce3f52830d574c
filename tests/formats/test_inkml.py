"""InkML: what is written is what is read; what is wrong is said with its place."""

from contextlib import suppress
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from firstloop.core.errors import FirstLoopError, InkError, RulingError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Handedness, Kind
from firstloop.core.letters.ruling import Ruling
from firstloop.formats.inkml import InkFile, InkmlError, read, write

NUMBER = st.floats(0, 4).map(lambda value: round(value, 3))
STROKE = st.lists(st.tuples(NUMBER, NUMBER), min_size=1, max_size=20)


def document(
    trace: str = "1 20 0, 1 30 8",
    *,
    lines: str = '<line name="mid" y="20"/><line name="base" y="30"/>',
    channels: str = '<channel name="X"/><channel name="Y"/><channel name="T"/>',
) -> bytes:
    return (
        '<ink xmlns="http://www.w3.org/2003/InkML"><annotation type="target">n</annotation>'
        f'<annotationXML type="ruling">{lines}</annotationXML>'
        f"<traceFormat>{channels}</traceFormat><trace>{trace}</trace></ink>"
    ).encode()


MID_BASE = '<line name="mid" y="{mid}"/><line name="base" y="{base}"/>'


@settings(max_examples=50, deadline=None)
@given(strokes=st.lists(STROKE, min_size=1, max_size=4), timed=st.booleans())
def test_what_is_written_is_what_is_read(strokes: Any, timed: Any) -> None:
    ink = Ink(
        tuple(
            Stroke.of(points, [0.008 * at for at in range(len(points))] if timed else None)
            for points in strokes
        )
    )
    given_file = InkFile(ink, Ruling(2.0, -1.0), "n", Kind.LETTER, "plain", Handedness.LEFT)
    file = read(write(given_file))
    assert (file.target, file.hand, file.handedness) == ("n", "plain", "left")
    assert file.ruling.top == pytest.approx(2.0)
    left = ink.points[:, 0].min()  # where on the page it stood is not kept: only the ruling counts
    for before, after in zip(ink.strokes, file.ink.strokes, strict=True):
        np.testing.assert_allclose(after.points, before.points - [left, 0], atol=0.001)
        assert (after.times is not None) == timed


def test_page_units_become_u_with_y_up() -> None:
    (stroke,) = read(document("100 20 0, 100 30 16, 105 25 32")).ink.strokes
    assert stroke.points.tolist() == [[0, 1], [0, 0], [0.5, 0.5]]
    assert stroke.times is not None
    assert np.allclose(stroke.times, [0, 0.016, 0.032])


def test_any_unit_gives_the_same_ink() -> None:
    large = document(
        "1000 200 0, 1050 300 8", lines='<line name="mid" y="200"/><line name="base" y="300"/>'
    )
    small = document("10 2 0, 10.5 3 8", lines='<line name="mid" y="2"/><line name="base" y="3"/>')
    np.testing.assert_allclose(read(large).ink.points, read(small).ink.points)


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "the file is empty"),
        (b"  \n", "the file is empty"),
        (b"not ink at all", "not XML: line 1, column 1"),
        (b"<ink>", "not XML: line 1"),
        (b"<svg/>", r"the root is <svg>; it should be <ink"),
        (document(lines=""), "no base and mid line"),
        (document(lines='<line name="base" y="30"/>'), "no mid line"),
        (
            document(lines='<line name="mid" y="30"/><line name="base" y="20"/>'),
            "not below the mid line",
        ),
        (document("1 20 0, 1 abc 8"), 'trace 0, sample 1: Y is "abc"; write a number'),
        (document("1 20 0, nan 30 8"), 'trace 0, sample 1: X is "nan"; write a number'),
        (document("1 20 0, 1 inf 8"), 'Y is "inf"'),
        (document("1 20 0, 1 30"), "trace 0, sample 1 has 2 numbers; .* 3 channels"),
        (document(""), "trace 0 is empty"),
        (document(channels='<channel name="T"/>'), "it needs X and Y"),
        (document("1 20 0, 1e308 30 8"), "more than 100,000 times the x-height away"),
        (document("-1e308 20 0, 1e308 30 8"), "must be finite|more than 100,000 times"),
        (document(lines=MID_BASE.format(mid="30", base="30.000001")), "more than 100,000 times"),
        (
            document(lines='<line name="top" y="20"/>' + MID_BASE.format(mid=20, base=30)),
            "top line",
        ),
        (document(lines='<line name="drop" y="30"/>' + MID_BASE.format(mid=20, base=30)), "drop"),
        (document("1 20 0, 1 30 8</trace><trace>" * 200 + "1 20 0"), "201 strokes"),
        (b"<ink>" + b"<a/>" * 4_000_000, "more than 10,000 elements"),
        (
            document().replace(b"<trace>", b'<trace a="' + b"x" * 64_001 + b'">'),
            "attributes of an element are longer",
        ),
        (b"<ink>" + b" " * 20_000_000, "larger than 20 MB"),
        (b'<?xml version="1.0" encoding="none-such"?><ink/>', "not XML"),
        (document("1 20 0, " * 1_000_000 + "1 20 0"), "1,000,001 points"),
        (
            b'<!DOCTYPE ink [<!ENTITY a "aaaa">]><ink xmlns="http://www.w3.org/2003/InkML">&a;</ink>',
            "without a DTD",
        ),
    ],
)
def test_a_faulty_file_says_what_is_wrong_and_where(data: Any, words: str) -> None:
    with pytest.raises((InkmlError, InkError, RulingError), match=words):
        read(data)


@settings(max_examples=200, deadline=None)
@given(
    data=st.one_of(
        st.binary(max_size=200),
        st.text(max_size=60).map(lambda t: document(t.replace("<", "").replace("&", ""))),
    )
)
def test_no_file_breaks_the_reader(data: Any) -> None:
    with suppress(FirstLoopError):  # any other error fails the test
        read(data)
