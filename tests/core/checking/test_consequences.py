"""One cause is one finding."""

from functools import lru_cache
from itertools import combinations
from typing import Any

import pytest

from firstloop.core.checking.explain.explanation import Explanation, explain
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.consequences import without_consequences
from firstloop.core.contract import Code, Verdict
from firstloop.core.geometry.even import evenly
from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.ruling import Ruling


@lru_cache
def explained(name: str) -> Explanation:
    letter = draw(PLAIN.scripts[name], PLAIN.proportions, Ruling())
    return explain(tuple(evenly(path) for path in letter.paths()), [letter])


def left(
    *found: Code | tuple[Code, Verdict],
    name: str = "n",
    other: str | None = None,
    at: tuple[int, int] = (0, 0),
) -> Any:
    judged = [
        (Measure(code, 1.0, *at, other), verdict)
        for code, verdict in (
            one if isinstance(one, tuple) else (one, Verdict.NOT_YET) for one in found
        )
    ]
    return {measure.code for measure, _ in without_consequences(judged, explained(name))}


def test_what_stands_alone_is_never_left_out() -> None:
    for code in Code:
        assert left(code) == {code}


def test_nothing_is_left_of_nothing_and_something_of_anything() -> None:
    assert left() == set()
    for some in (*combinations(CATALOGUE, 2), *combinations(CATALOGUE, 3)):
        for name in ("n", "E"):
            assert set() < left(*some, name=name) <= set(some), (name, some)


@pytest.mark.parametrize(
    ("cause", "follows"),
    [
        (Code.STROKE_ORDER, Code.START_PLACE),
        (Code.MISSING_PART, Code.WIDTH),
        (Code.OPEN_GAP, Code.READS_AS_OTHER),
        (Code.RETRACE_GAP, Code.WIDTH),
        (Code.UNEVEN_PARTS, Code.WIDTH),
        (Code.WOBBLE, Code.EXTRA_PART),
    ],
)
def test_what_follows_from_a_cause_is_not_said_as_well(cause: Code, follows: Code) -> None:
    assert left(cause, follows) == {cause}


def test_what_is_only_nearly_so_explains_nothing() -> None:
    assert left((Code.MISSING_PART, Verdict.NEARLY), Code.WIDTH) == {
        Code.MISSING_PART,
        Code.WIDTH,
    }


def test_what_is_itself_explained_explains_nothing() -> None:
    # The order explains the start; the start would explain a lift that the order explains too.
    assert left(Code.STROKE_ORDER, Code.START_PLACE, Code.EXTRA_LIFT) == {Code.STROKE_ORDER}
    # Parts that do not match explain the width, which would explain a part's length.
    three = left(Code.UNEVEN_PARTS, Code.WIDTH, Code.PART_LENGTH)
    assert three == {Code.UNEVEN_PARTS, Code.PART_LENGTH}


def test_of_two_that_may_each_cause_the_other_one_is_left() -> None:
    two = (Code.READS_AS_OTHER, Code.PART_LENGTH)
    assert left(*two, name="n") == {Code.READS_AS_OTHER}  # without its leg it is an r
    assert left(*two, name="t", at=(1, 0)) == {Code.PART_LENGTH}  # its bar is short, but there


def test_the_shape_as_a_whole_is_for_what_no_other_code_says() -> None:
    for code in set(Code) - {Code.SHAPE_OFF}:
        assert Code.SHAPE_OFF not in left(code, Code.SHAPE_OFF)


def test_a_letter_too_tall_is_not_read_as_its_own_capital() -> None:
    assert left(Code.BODY_HEIGHT, Code.READS_AS_OTHER, name="v", other="V") == {Code.BODY_HEIGHT}
    both = left(Code.BODY_HEIGHT, Code.READS_AS_OTHER, name="n", other="h")
    assert Code.READS_AS_OTHER in both
