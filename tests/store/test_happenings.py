"""What happens is told in its order, once, and after a gap; what is old is forgotten, and no number
that was told once is ever another's."""

from datetime import UTC, datetime, timedelta

import pytest

from firstloop.store import happenings
from firstloop.store.database import Database
from firstloop.store.happenings import KEPT, What
from firstloop.store.records import ClassRecord

NOW = datetime(2026, 1, 12, 9, 0, tzinfo=UTC)


def test_it_is_told_from_where_one_had_come_to(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        for what in (What.PAD, What.LOOK, What.END):
            happenings.add(session, school_class.id, what, NOW)
    with database.session() as session:
        told = happenings.since(session, school_class.id, 0, most=2)
        assert [one.what for one in told] == [What.PAD, What.LOOK]
        rest = happenings.since(session, school_class.id, told[-1].id, most=2)
        assert [one.what for one in rest] == [What.END]
        assert happenings.newest(session, school_class.id) == rest[0].id
        assert happenings.since(session, school_class.id + 1, 0, most=9) == []


def test_what_is_old_is_forgotten_and_its_number_not_given_again(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        happenings.add(session, school_class.id, What.PAD, NOW)
        last = happenings.newest(session, school_class.id)
        happenings.forget_old(session, school_class.id, NOW + KEPT)
        assert happenings.newest(session, school_class.id) == last
        happenings.forget_old(session, school_class.id, NOW + KEPT + timedelta(seconds=1))
        assert happenings.newest(session, school_class.id) == 0
        happenings.add(session, school_class.id, What.PAD, NOW)
        assert happenings.newest(session, school_class.id) == last + 1


def fail_after_writing(database: Database, school_class: ClassRecord) -> None:
    with database.writing() as session:
        happenings.add(session, school_class.id, What.TASK, NOW)
        raise ZeroDivisionError


def test_who_waits_is_woken_once_it_is_kept_and_not_where_it_failed(
    database: Database, school_class: ClassRecord
) -> None:
    woken: list[str] = []
    teachers, pads = (school_class.id, False), (school_class.id, True)
    with (
        database.news.heard(teachers, lambda: woken.append("teacher")),
        database.news.heard(pads, lambda: woken.append("pad")),
    ):
        with database.writing() as session:
            happenings.add(session, school_class.id, What.ATTEMPT, NOW)
            happenings.add(session, school_class.id, What.ATTEMPT, NOW)
            assert woken == []
        assert woken == ["teacher"]
        with pytest.raises(ZeroDivisionError):
            fail_after_writing(database, school_class)
        assert woken == ["teacher"]
        with database.writing() as session:
            happenings.add(session, school_class.id, What.TASK, NOW)
        assert woken == ["teacher", "pad"]
