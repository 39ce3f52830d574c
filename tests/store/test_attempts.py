"""Lists of attempts: paged, filtered and counted where they are kept; never another class's."""

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest

from firstloop.core.checking.check import check
from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Source, Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.store import attempts, classes, inks, judging
from firstloop.store.attempts import Which
from firstloop.store.database import Database, Session
from firstloop.store.records import (
    Checked,
    ClassRecord,
    JudgementRecord,
    NewAttempt,
    NotInRecordError,
)
from tests import letters

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)
GOOD, BAD = letters.good_n(), letters.n_from_the_base_line()


@pytest.fixture
def session(database: Database, school_class: ClassRecord) -> Iterator[Any]:
    with database.writing() as opened:
        yield opened


def new(pupil_id: int, ink: Ink = GOOD, *, minutes: int = 0, letter: str = "n") -> NewAttempt:
    task, style = Task(letter), Style("plain")
    return NewAttempt(
        pupil_id=pupil_id,
        task=task,
        source=Source.PEN,
        help=Help.COPY,
        style=style,
        ruling=Ruling(),
        written_at=MONDAY + timedelta(minutes=minutes),
        day=MONDAY.date(),
        checked=Checked.of(check(ink, task, style, Ruling())),
    )


ALL = Which()


def ids(session: Session, school_class: ClassRecord, which: Which = ALL, **page: Any) -> list[int]:
    found = attempts.page(session, school_class.id, which, **({"limit": 50} | page))
    return [one.id for one in found.attempts]


def test_pages_follow_each_other_without_gap_or_repeat(
    session: Session, school_class: ClassRecord
) -> None:
    child = school_class.pupils[0].id
    kept = [
        attempts.add(session, school_class.id, new(child, minutes=m // 2), GOOD) for m in range(7)
    ]
    read, after = [], None
    while True:
        page = attempts.page(session, school_class.id, Which("n"), limit=3, after=after)
        assert page.total == 7
        read += [one.id for one in page.attempts]
        after = page.next
        if after is None:
            break
    assert read == kept[::-1]  # two of a minute: the later one first


def test_a_last_page_that_is_just_full_says_so(session: Session, school_class: ClassRecord) -> None:
    for _ in range(3):
        attempts.add(session, school_class.id, new(school_class.pupils[0].id), GOOD)
    assert attempts.page(session, school_class.id, Which(), limit=3).next is None
    assert attempts.page(session, school_class.id, Which("m"), limit=3).total == 0


def test_a_place_that_is_none_is_refused(session: Session, school_class: ClassRecord) -> None:
    for after in ("nowhere", "nowhere 3"):
        with pytest.raises(NotInRecordError, match='no page after "nowhere'):
            attempts.page(session, school_class.id, Which(), limit=3, after=after)


def test_of_each_child_only_the_newest(session: Session, school_class: ClassRecord) -> None:
    one, other = (pupil.id for pupil in school_class.pupils)
    attempts.add(session, school_class.id, new(one, minutes=1), GOOD)
    newest = attempts.add(session, school_class.id, new(one, minutes=5), GOOD)
    attempts.add(session, school_class.id, new(one, minutes=3), GOOD)
    only = attempts.add(session, school_class.id, new(other, minutes=2), GOOD)
    # By name, whoever wrote last: Jori before Mila.
    assert ids(session, school_class, Which("n", newest=True)) == [newest, only]
    first = attempts.page(session, school_class.id, Which("n", newest=True), limit=1)
    after = {"limit": 1, "after": first.next}
    assert ids(session, school_class, Which("n", newest=True), **after) == [only]
    assert ids(session, school_class, Which("n", pupil_id=other)) == [only]


def test_what_is_to_mend_follows_the_teachers_word(
    session: Session, school_class: ClassRecord
) -> None:
    child = school_class.pupils[0].id
    attempts.add(session, school_class.id, new(child), GOOD)
    bad = attempts.add(session, school_class.id, new(child, BAD), GOOD)
    assert ids(session, school_class, Which(to_mend=True)) == [bad]
    judging.keep(
        session,
        school_class.id,
        bad,
        JudgementRecord(MONDAY, {Dimension.DIRECTION: Verdict.SECURE}, ""),
    )
    assert ids(session, school_class, Which(to_mend=True)) == []
    assert bad not in ids(session, school_class, Which(unjudged=True))


def test_many_are_kept_at_once_as_one_by_one(session: Session, school_class: ClassRecord) -> None:
    child = school_class.pupils[0].id
    made = [(new(child, BAD, minutes=m), BAD) for m in range(3)]
    attempts.add(session, school_class.id, *made[0])
    assert attempts.add_many(session, school_class.id, made) == 3
    found = attempts.page(session, school_class.id, Which(), limit=9).attempts
    assert len(found) == 4
    for one in found:
        assert one.attempt.checked.findings == made[0][0].checked.findings
    assert len(inks.of(session, [one.id for one in found])) == 4
    assert attempts.add_many(session, school_class.id, []) == 0


def test_another_classs_attempts_are_not_there(session: Session, school_class: ClassRecord) -> None:
    other = classes.add(
        session,
        "Other",
        style=Style("plain"),
        ruling=Ruling(),
        x_height_mm=8.0,
        children=[("Ada", Handedness.LEFT)],
    )
    theirs = attempts.add(session, other.id, new(other.pupils[0].id), GOOD)
    assert ids(session, school_class) == []
    assert attempts.some(session, school_class.id, [theirs]) == []
    for call in (attempts.get, attempts.remove):
        with pytest.raises(NotInRecordError, match=f"no attempt {theirs} in the class"):
            call(session, school_class.id, theirs)
    with pytest.raises(NotInRecordError):
        attempts.add(session, school_class.id, new(other.pupils[0].id), GOOD)
