"""Which letters come back, by what is known of each."""

from datetime import date, timedelta

import pytest

from firstloop.core.teaching.due import SHAKY_SHARE, Practised, due

TODAY = date(2026, 11, 25)


def practised(letter: str, days_ago: int, pause: int = 1, shaky: float = 0.0) -> Practised:
    last = TODAY - timedelta(days=days_ago)
    return Practised(letter, last, last, pause, shaky)


@pytest.mark.parametrize("pause", [1, 4, 28])
def test_a_letter_is_due_on_the_very_day_its_pause_ends(pause: int) -> None:
    assert due([practised("n", pause, pause)], TODAY)[0].days_over == 0
    assert due([practised("n", pause - 1, pause)], TODAY)[0].days_over < 0


def test_a_shaky_letter_comes_back_the_next_day_however_often_it_came() -> None:
    (steady,) = due([practised("r", 1, 14, SHAKY_SHARE - 0.01)], TODAY)
    (shaky,) = due([practised("r", 1, 14, SHAKY_SHARE)], TODAY)
    assert steady.days_over < 0 == shaky.days_over
    assert "a third of the class" in shaky.why
    assert "class" not in steady.why


def test_shaky_ones_stand_first_then_the_longest_overdue_then_those_not_yet_due() -> None:
    letters = [
        practised("a", 1, 28),  # not due for four weeks
        practised("b", 3),
        practised("c", 9),
        practised("d", 2, 1, 0.9),
        practised("e", 2, 1, 0.4),
    ]
    assert [one.letter for one in due(letters, TODAY)] == ["d", "e", "c", "b", "a"]
    assert due(reversed(letters), TODAY) == due(letters, TODAY)


def test_why_is_said_in_plain_words() -> None:
    said = [due([practised("n", days)], TODAY)[0].why for days in (0, 1, 5)]
    assert said == ["written today", "last written yesterday", "last written 5 days ago"]


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
    (one,) = due([practised("n", 3, 1, share)], TODAY)
    assert one.why == f"not yet steady for {words} of the class"


def test_a_letter_that_holds_for_most_does_not_push_before_one_that_is_longer_overdue() -> None:
    letters = [practised("a", 3, 1, SHAKY_SHARE - 0.05), practised("b", 9)]
    assert [one.letter for one in due(letters, TODAY)] == ["b", "a"]
