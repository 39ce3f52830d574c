"""Which letters come back, by what is known of each."""

from datetime import UTC, date, datetime, timedelta

import pytest

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.teaching.due import PAUSES, SHAKY_SHARE, Practised, due, shaky_share
from firstloop.core.teaching.standing import Standing

TODAY = date(2026, 11, 25)

MOMENT = datetime(2026, 11, 20, 9, tzinfo=UTC)


def practised(letter: str, days_ago: int, times: int = 0, shaky: float = 0.0) -> Practised:
    last = TODAY - timedelta(days=days_ago)
    return Practised(letter, last, last, times, shaky)


def test_each_return_makes_the_next_pause_longer() -> None:
    over = [due([practised("n", 40, times)], TODAY)[0].days_over for times in range(len(PAUSES))]
    assert over == sorted(over, reverse=True)
    assert len(set(over)) == len(PAUSES)
    beyond = due([practised("n", 40, 50)], TODAY)[0].days_over
    assert beyond == over[-1]  # the longest pause is kept, however often it came back


@pytest.mark.parametrize("times", range(len(PAUSES)))
def test_a_letter_is_due_on_the_very_day_its_pause_ends(times: int) -> None:
    pause = PAUSES[times]
    assert due([practised("n", pause, times)], TODAY)[0].days_over == 0
    assert due([practised("n", pause - 1, times)], TODAY)[0].days_over < 0


def test_a_shaky_letter_comes_back_the_next_day_however_often_it_came() -> None:
    (steady,) = due([practised("r", 1, 5, SHAKY_SHARE - 0.01)], TODAY)
    (shaky,) = due([practised("r", 1, 5, SHAKY_SHARE)], TODAY)
    assert steady.days_over < 0 == shaky.days_over
    assert "a third of the class" in shaky.why
    assert "class" not in steady.why


def test_shaky_ones_stand_first_then_the_longest_overdue_then_those_not_yet_due() -> None:
    letters = [
        practised("a", 1, 5),  # not due for four weeks
        practised("b", 3, 0),
        practised("c", 9, 0),
        practised("d", 2, 0, 0.9),
        practised("e", 2, 0, 0.4),
    ]
    assert [one.letter for one in due(letters, TODAY)] == ["d", "e", "c", "b", "a"]
    assert due(reversed(letters), TODAY) == due(letters, TODAY)


def test_why_is_said_in_plain_words() -> None:
    said = [due([practised("n", days)], TODAY)[0].why for days in (0, 1, 5)]
    assert said == ["written today", "last written yesterday", "last written 5 days ago"]


def stands(**verdicts: Verdict) -> dict[Dimension, Standing]:
    return {Dimension(name): Standing(one, 1, MOMENT) for name, one in verdicts.items()}


def test_the_share_counts_children_not_dimensions() -> None:
    fine = stands(shape=Verdict.SECURE, size=Verdict.NEARLY)
    one_thing = stands(shape=Verdict.SECURE, size=Verdict.NOT_YET)
    everything = stands(shape=Verdict.NOT_YET, size=Verdict.NOT_YET)
    assert shaky_share([fine, fine]) == 0
    assert shaky_share([fine, one_thing, everything, fine]) == 0.5


@pytest.mark.parametrize(
    ("share", "words"),
    [
        (0.3, "a third"),
        (0.45, "half"),
        (0.62, "two thirds"),
        (0.8, "nearly all"),
        (1, "nearly all"),
    ],
)
def test_a_share_is_said_in_a_teachers_words(share: float, words: str) -> None:
    (one,) = due([practised("n", 3, 0, share)], TODAY)
    assert one.why == f"not yet steady for {words} of the class"


def test_a_letter_that_holds_for_most_does_not_push_before_one_that_is_longer_overdue() -> None:
    letters = [practised("a", 3, 0, SHAKY_SHARE - 0.05), practised("b", 9, 0)]
    assert [one.letter for one in due(letters, TODAY)] == ["b", "a"]
