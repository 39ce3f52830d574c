"""Every old record opens, whole: nothing that was written is lost on the way."""

import sqlite3
from collections.abc import Iterator
from datetime import UTC, date, datetime
from itertools import pairwise
from pathlib import Path
from typing import Any

import pytest
from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext
from sqlalchemy import create_engine, text

from firstloop.core.checking.check import check
from firstloop.core.contract import Dimension
from firstloop.core.evidence.task import Kind, Source
from firstloop.core.letters.style import Style
from firstloop.core.teaching.steps import StepKind
from firstloop.services.accounts import begin as begin_account
from firstloop.services.rechecking import rebuild
from firstloop.store import (
    accounts,
    classes,
    inks,
    lessons,
    practice_days,
    staff,
    taught_letters,
)
from firstloop.store.database import Database
from firstloop.store.errors import RecordError
from firstloop.store.soundness import MIGRATIONS
from firstloop.store.tables import METADATA
from tests.growing import stands
from tests.table import attempts_of

RECORDS = Path(__file__).parent / "records"


@pytest.fixture
def old(tmp_path: Path) -> Iterator[Any]:
    """A record of the last version before ink had a table of its own."""
    path = tmp_path / "old.db"
    with sqlite3.connect(path) as made:
        made.executescript((RECORDS / "0006.sql").read_text(encoding="utf-8"))
    opened = Database(path)
    yield opened
    opened.close()


def test_the_migrations_make_the_tables_of_the_models(database: Database) -> None:
    engine = create_engine(f"sqlite:///{database.path}")
    with engine.connect() as connection:
        differences = compare_metadata(MigrationContext.configure(connection), METADATA)
    engine.dispose()
    assert differences == []


def test_a_migrated_record_has_the_tables_of_a_new_one(old: Database, database: Database) -> None:
    schemas = []
    for one in (old, database):
        with one.writing() as session:
            rows = session.execute(text("SELECT name FROM sqlite_master ORDER BY name"))
            schemas.append([name for (name,) in rows])
            assert session.execute(text("PRAGMA foreign_key_check")).all() == []
    assert schemas[0] == schemas[1]


def test_letters_come_along_with_ink_findings_and_the_teachers_word(old: Database) -> None:
    with old.writing() as session:
        school_class = classes.every(session)[0]
        found = attempts_of(session, school_class.id)
        ink = inks.of(session, [one.id for one in found])
    assert len(found) == len(ink) == 5
    (word,) = [one.judgement for one in found if one.judgement]
    assert (word.word.note, word.author, word.counts, word.word.findings) == (
        "I saw it", None, True, {},
    )  # fmt: skip
    for one in found:
        attempt = one.attempt
        assert (attempt.task.kind, attempt.source) == (Kind.LETTER, Source.PEN)
        assert attempt.style == Style("plain")
        assert attempt.day == attempt.written_at.date()
        again = check(ink[one.id], attempt.task, attempt.style, attempt.ruling)
        assert [f.code for f in again.findings] == [f.code for f in attempt.checked.findings]


def test_times_are_kept_to_the_millisecond_from_the_first_point_on(old: Database) -> None:
    with old.writing() as session:
        (ink,) = inks.of(session, [1]).values()
    times = ink.strokes[0].times
    assert times is not None
    assert times[0] == 0.0
    assert 0.2 < times[-1] < 5.0
    assert all(after >= before for before, after in pairwise(times))


def test_how_letters_stand_is_counted_as_the_rule_counts(old: Database) -> None:
    with old.writing() as session:
        school_class = classes.every(session)[0]
        days = practice_days.of_class(session, school_class.id)
    brought = stands(old, school_class.id)
    rebuild(old, datetime(2030, 1, 1, tzinfo=UTC))
    with old.writing() as session:
        assert practice_days.of_class(session, school_class.id) == days
    assert brought.keys() == stands(old, school_class.id).keys()
    assert brought[1, "n", Dimension.DIRECTION].rests_on == 1


def test_lessons_come_along_with_their_step_and_board_and_phrases(old: Database) -> None:
    with old.writing() as session:
        school_class = classes.every(session)[0]
        kept = lessons.between(session, school_class.id, date(2020, 1, 1), date(2030, 1, 1))
        last = next(one for one in kept if one.id == 2)
        (stroke,) = lessons.written(session, school_class.id, last.id, StepKind.SHOW).strokes
        taught = taught_letters.of_class(session, school_class.id, joined=False)
        assert taught_letters.of_class(session, school_class.id, joined=True) == {}
    shown = [step.kind for step in last.lesson.steps if not step.skipped]
    assert taught["a"] == date(2026, 10, 30)
    assert len(kept) == 2
    assert last.at is shown[3]
    assert stroke.times is not None
    assert stroke.times.tolist() == [0.0, 0.25]
    assert school_class.wording.everywhere == {"back": "climb up again"}


def test_a_record_from_before_styles_is_brought_up_to_date(tmp_path: Path) -> None:
    path = tmp_path / "first.db"
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    engine = create_engine(f"sqlite:///{path}")
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0001")
        connection.execute(
            text(
                "INSERT INTO school_class (name, hand, ruling_top, ruling_drop, x_height_mm) "
                "VALUES ('Old class', 'plain', 1.9, -0.95, 8)"
            )
        )
    engine.dispose()
    opened = Database(path)
    with opened.writing() as session:
        kept = classes.every(session)[0]
    opened.close()
    assert (kept.name, kept.style) == ("Old class", Style("plain"))


def test_a_migration_that_fails_leaves_the_record_as_it_was(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    path = tmp_path / "old.db"
    with sqlite3.connect(path) as made:
        made.executescript((RECORDS / "0006.sql").read_text(encoding="utf-8"))
        made.execute("UPDATE lesson SET plan = 'no JSON'")
    with pytest.raises(RecordError, match=r"Expecting value.*it is as it was.*before-update"):
        Database(path)
    with sqlite3.connect(path) as opened:
        assert opened.execute("SELECT version_num FROM alembic_version").fetchone() == ("0006",)
        assert opened.execute("SELECT count(*) FROM attempt WHERE ink IS NOT NULL").fetchone() == (
            5,
        )
        tables = {name for (name,) in opened.execute("SELECT name FROM sqlite_master")}
    assert "attempt_ink" not in tables


def test_its_class_belongs_to_the_first_account(old: Database) -> None:
    with old.session() as session:
        (found,) = classes.every(session)
        assert not accounts.is_claimed(session)
    begun = begin_account(old, "Ms Reed", "a hen on a wall")
    with old.session() as session:
        (hers,) = staff.classes_of(session, begun.id)
        assert (hers.id, hers.is_hers, begun.class_id) == (found.id, True, found.id)
