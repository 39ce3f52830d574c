"""Habits over texts: what is known of them holds as often as it says, changes are seen, and what is
unseen says nothing."""

from datetime import date, timedelta

import numpy as np
import pytest

from firstloop.core.contract import Verdict
from firstloop.core.judging.text_habits import NEWEST, TextSaid, chance_of, text_habits
from firstloop.core.judging.word import Aspect
from firstloop.core.progress.estimates import LetterState

LAST = date(2026, 5, 29)


def said(*spacing: Verdict, joins: Verdict = Verdict.UNSEEN) -> list[TextSaid]:
    """Texts, the newest first, by how their spacing was."""
    return [
        TextSaid(at, LAST - timedelta(days=at), "a hen", {Aspect.SPACING: one, Aspect.JOINS: joins})
        for at, one in enumerate(spacing)
    ]


def test_what_fails_and_where_it_failed_is_told_the_newest_first() -> None:
    (habit,) = text_habits(said(Verdict.NOT_YET, Verdict.NEARLY, *[Verdict.NOT_YET] * 9))
    assert habit.aspect is Aspect.SPACING
    assert habit.is_weak
    assert habit.chance.rests_on == 11
    assert [text.text_id for text in habit.failed] == [0, *range(2, 11)]  # nearly holds


def test_what_is_unseen_or_seen_too_seldom_is_no_habit() -> None:
    assert text_habits(said(*[Verdict.UNSEEN] * 5)) == ()
    (habit,) = text_habits(said(Verdict.NOT_YET, Verdict.NOT_YET))
    assert habit.chance.state is LetterState.UNKNOWN
    assert not habit.is_weak


def test_what_was_long_ago_is_not_added_up() -> None:
    lately = [Verdict.SECURE] * NEWEST
    (habit,), (same,) = (
        text_habits(said(*lately)),
        text_habits(said(*lately, *[Verdict.NOT_YET] * 9)),
    )
    assert habit == same


def test_a_habit_that_is_mended_is_seen_within_eight_texts() -> None:
    before = [False] * 20
    crossed = next(n for n in range(1, 30) if chance_of([True] * n + before).p > 0.5)
    assert crossed <= 8
    assert chance_of([True, *before]).p < 0.3  # one that holds is no habit yet


@pytest.mark.parametrize("truth", [0.2, 0.5, 0.8, 0.95])
@pytest.mark.parametrize("texts", [6, 12, 24])
def test_the_interval_of_steady_children_holds_the_truth_eight_times_in_ten(
    truth: float, texts: int
) -> None:
    drawn = np.random.default_rng(texts).random((400, texts)) < truth
    chances = [chance_of(row.tolist()) for row in drawn]
    held = np.mean([one.low <= truth <= one.high for one in chances])
    assert 0.72 <= held <= 1.0
    assert np.mean([one.high - one.low for one in chances]) < 0.55
