from datetime import UTC, datetime, timedelta

from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.progress import Seen, held_verdicts, standing

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)


def seen(day: int, verdict: Verdict, **others: Verdict) -> Seen:
    verdicts = dict.fromkeys(Dimension, verdict) | {Dimension(k): v for k, v in others.items()}
    return Seen(MONDAY + timedelta(days=day), verdicts)


def test_the_newest_attempt_counts_in_whatever_order_they_come():
    attempts = [seen(3, Verdict.SECURE), seen(1, Verdict.NOT_YET)]
    assert standing(attempts) == dict.fromkeys(Dimension, Verdict.SECURE)
    assert standing(reversed(attempts)) == standing(attempts)


def test_what_an_attempt_cannot_show_is_remembered_from_before():
    attempts = [seen(1, Verdict.NOT_YET), seen(2, Verdict.SECURE, direction=Verdict.UNSEEN)]
    assert standing(attempts)[Dimension.DIRECTION] is Verdict.NOT_YET
    assert standing(attempts)[Dimension.SHAPE] is Verdict.SECURE


def test_the_teachers_word_wins_where_she_gave_it():
    checked = dict.fromkeys(Dimension, Verdict.NOT_YET)
    held = held_verdicts(checked, {Dimension.SIZE: Verdict.SECURE})
    assert held[Dimension.SIZE] is Verdict.SECURE
    assert held[Dimension.SHAPE] is Verdict.NOT_YET
    assert held_verdicts(checked, None) == checked
