"""The record: ink kept whole, judgements beside verdicts, deletion that leaves nothing."""

from datetime import UTC, datetime

import numpy as np
import pytest
from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext
from sqlalchemy import create_engine, text

from firstloop.core.checking.check import CHECKER_VERSION
from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.ink import Ink, Stroke
from firstloop.core.limits import Stage
from firstloop.core.style import Style
from firstloop.store import attempts, classes
from firstloop.store.database import MIGRATIONS, Database
from firstloop.store.handing_in import Change, hand_in, recheck
from firstloop.store.models import Base
from firstloop.store.records import (
    AttemptRecord,
    ClassRecord,
    Help,
    JudgementRecord,
    NotInRecordError,
)
from tests import letters

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)


def handed_in(
    database: Database, school_class: ClassRecord, ink: Ink | None = None
) -> AttemptRecord:
    with database.session() as session:
        return hand_in(
            session,
            school_class,
            pupil_id=school_class.pupils[0].id,
            letter="n",
            help=Help.COPY,
            ink=ink or letters.n_from_the_base_line(),
            written_at=MONDAY,
        )


def rows(database: Database) -> dict[str, int]:
    with database.session() as session:
        return {
            table: session.execute(text(f"SELECT count(*) FROM {table}")).scalar_one()
            for table in ("pupil", "attempt", "finding", "judgement")
        }


def test_the_migrations_make_the_tables_of_the_models(database):
    engine = create_engine(f"sqlite:///{database.path}")
    with engine.connect() as connection:
        differences = compare_metadata(MigrationContext.configure(connection), Base.metadata)
    engine.dispose()
    assert differences == []


def test_every_connection_keeps_foreign_keys_and_a_write_ahead_log(database):
    with database.session() as session:
        assert session.execute(text("PRAGMA foreign_keys")).scalar_one() == 1
        assert session.execute(text("PRAGMA journal_mode")).scalar_one() == "wal"


def test_ink_and_findings_are_kept_whole(database, school_class):
    times = np.linspace(0, 1.2, len(letters.n_strokes()))
    force = np.full(len(times), 0.4)
    kept = handed_in(database, school_class, Ink((Stroke.of(letters.n_strokes(), times, force),)))
    with database.session() as session:
        found = attempts.get(session, kept.id).attempt
    (before,), (after,) = kept.attempt.ink.strokes, found.ink.strokes
    np.testing.assert_allclose(after.points, before.points, atol=1e-4)
    np.testing.assert_allclose(after.times, times, atol=1e-3)
    np.testing.assert_allclose(after.force, force, atol=1e-3)
    assert found.checked.findings == kept.attempt.checked.findings
    assert found.written_at == MONDAY


def test_what_was_found_is_there_after_a_restart(database, school_class):
    kept = handed_in(database, school_class)
    database.close()
    opened_again = Database(database.path)
    with opened_again.session() as session:
        (found,) = attempts.of_class(session, school_class.id, letters=["n"])
    opened_again.close()
    assert [f.code for f in found.attempt.checked.findings] == ["start_place"]
    assert found.attempt.checked.say == kept.attempt.checked.say


def test_the_teachers_word_is_kept_beside_the_checkers(database, school_class):
    kept = handed_in(database, school_class)
    word = JudgementRecord(MONDAY, {Dimension.DIRECTION: Verdict.SECURE}, "saw her start")
    with database.session() as session:
        attempts.judge(session, kept.id, word)
    with database.session() as session:
        found = attempts.get(session, kept.id)
        assert found.judgement == word
        assert found.attempt.checked.verdicts[Dimension.DIRECTION] is Verdict.NOT_YET
        assert attempts.withdraw_judgement(session, kept.id).judgement is None


def test_forgetting_a_child_leaves_nothing_of_what_they_wrote(database, school_class):
    kept = handed_in(database, school_class)
    with database.session() as session:
        attempts.judge(session, kept.id, JudgementRecord(MONDAY, {}, ""))
    assert rows(database) == {"pupil": 2, "attempt": 1, "finding": 1, "judgement": 1}
    with database.session() as session:
        classes.remove_pupil(session, school_class.pupils[0].id)
    assert rows(database) == {"pupil": 1, "attempt": 0, "finding": 0, "judgement": 0}


def test_what_fails_changes_nothing(database, school_class):
    def keep_one_then_fail() -> None:
        with database.session() as session:
            hand_in(
                session,
                school_class,
                pupil_id=school_class.pupils[0].id,
                letter="n",
                help=Help.COPY,
                ink=letters.good_n(),
                written_at=MONDAY,
            )
            attempts.get(session, 999)

    with pytest.raises(NotInRecordError, match="no attempt 999"):
        keep_one_then_fail()
    assert rows(database)["attempt"] == 0


def test_an_empty_record_says_how_to_fill_it(database):
    with database.session() as session, pytest.raises(NotInRecordError, match="firstloop demo"):
        classes.first(session)


def test_a_record_from_before_styles_is_brought_up_to_date(tmp_path):
    path = tmp_path / "old.db"
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
    with opened.session() as session:
        kept = classes.first(session)
    opened.close()
    assert (kept.name, kept.style) == ("Old class", Style("plain"))


def test_a_childs_own_stage_goes_before_the_classs(database, school_class):
    child = school_class.pupils[0].id
    with database.session() as session:
        classes.set_pupil_stage(session, child, Stage.SECURE)
        changed = classes.set_stage(session, school_class.id, Stage.BEGINNING)
    assert handed_in(database, changed).attempt.stage is Stage.SECURE
    with database.session() as session:
        classes.set_pupil_stage(session, child, None)
    assert handed_in(database, changed).attempt.stage is Stage.BEGINNING


def test_a_floating_n_is_let_be_at_the_beginning_only(database, school_class):
    floating = letters.moved(letters.good_n(), 0, 0.28)
    assert handed_in(database, school_class, floating).attempt.checked.verdicts["size"] == "not_yet"
    with database.session() as session:
        beginning = classes.set_stage(session, school_class.id, Stage.BEGINNING)
    assert handed_in(database, beginning, floating).attempt.checked.verdicts["size"] == "nearly"


def test_old_ink_is_checked_again_and_the_teachers_word_stays(database, school_class):
    record = handed_in(database, school_class)
    handed_in(database, school_class, letters.good_n())
    said = JudgementRecord(MONDAY, {Dimension.DIRECTION: Verdict.NEARLY}, "was jogged")
    with database.session() as session:
        attempts.judge(session, record.id, said)
        # As an earlier checker might have left it, which saw nothing.
        session.execute(
            text("UPDATE attempt SET checker = '0', direction = 'secure' WHERE id = :id"),
            {"id": record.id},
        )
        session.execute(text("DELETE FROM finding"))
    with database.session() as session:
        done = recheck(session, school_class)
    change = Change("n", Dimension.DIRECTION, Verdict.SECURE, Verdict.NOT_YET)
    assert (done.checked, done.unchanged, done.changes) == (1, 0, {change: 1})
    with database.session() as session:
        again = attempts.get(session, record.id)
    assert again.judgement == said
    assert again.attempt.checked.findings == record.attempt.checked.findings
    assert again.attempt.checked.checker == CHECKER_VERSION
