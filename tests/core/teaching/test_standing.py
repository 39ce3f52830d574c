from datetime import UTC, datetime, timedelta
from itertools import permutations
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.teaching.standing import Held, Standing, holds, stands, verdicts_of

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)


def held(day: int, verdict: Verdict, **others: Verdict) -> Held:
    verdicts = dict.fromkeys(Dimension, verdict) | {Dimension(k): v for k, v in others.items()}
    return Held(MONDAY + timedelta(days=day), verdicts)


def test_the_newest_attempt_counts_in_whatever_order_they_come() -> None:
    attempts = [held(3, Verdict.SECURE), held(1, Verdict.NOT_YET), held(2, Verdict.NEARLY)]
    expected = Standing(Verdict.SECURE, 3, MONDAY + timedelta(days=3))
    for order in permutations(attempts):
        assert stands(order) == dict.fromkeys(Dimension, expected)


def test_what_an_attempt_cannot_show_is_remembered_from_before() -> None:
    attempts = [held(1, Verdict.NOT_YET), held(2, Verdict.SECURE, direction=Verdict.UNSEEN)]
    found = stands(attempts)
    assert found[Dimension.DIRECTION] == Standing(Verdict.NOT_YET, 1, MONDAY + timedelta(days=1))
    assert found[Dimension.SHAPE] == Standing(Verdict.SECURE, 2, MONDAY + timedelta(days=2))


def test_of_what_nothing_shows_there_is_no_standing_and_it_is_unseen() -> None:
    found = stands([held(1, Verdict.SECURE, direction=Verdict.UNSEEN)])
    assert Dimension.DIRECTION not in found
    assert verdicts_of(found)[Dimension.DIRECTION] is Verdict.UNSEEN


def test_a_letter_holds_unless_something_is_to_be_mended() -> None:
    assert holds({})
    assert holds(stands([held(1, Verdict.NEARLY)]))
    assert not holds(stands([held(1, Verdict.SECURE, size=Verdict.NOT_YET)]))


@given(
    st.lists(
        st.tuples(st.integers(0, 400), st.sampled_from(list(Verdict))),
        unique_by=lambda pair: pair[0],
    )
)
def test_it_rests_on_every_attempt_that_shows_it(written: Any) -> None:
    found = stands(held(day, verdict) for day, verdict in written)
    shown = [(day, verdict) for day, verdict in written if verdict is not Verdict.UNSEEN]
    if not shown:
        assert found == {}
        return
    day, verdict = max(shown)
    expected = Standing(verdict, len(shown), MONDAY + timedelta(days=day))
    assert found == dict.fromkeys(Dimension, expected)
