"""A child who is deleted is gone: from the record, its file and its log; copies are spoken of."""

from datetime import UTC, datetime, timedelta
from pathlib import Path

from firstloop.core.evidence.task import Help, Kind
from firstloop.services import children
from firstloop.services.handing_in import hand_in_text
from firstloop.store import classes, copies, pupils
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests import letters
from tests.services.conftest import MONDAY, Write

NOW = datetime(2026, 11, 26, 9, tzinfo=UTC)


def traces(folder: Path, *words: bytes) -> list[str]:
    """The files in which any of the words is, copies left out."""
    files = [file for file in folder.iterdir() if file.is_file()]
    return [file.name for file in files if any(word in file.read_bytes() for word in words)]


def test_no_trace_of_a_deleted_child_stays_in_the_file_or_its_log(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    child = school_class.pupils[0]
    for day in range(12):
        for at in range(2):
            write(child=at, days=day)
    ink = letters.ink(letters.pen((0.7317, 1.0), (0.7317, 0.0)), letters.pen((1.9, 1.0), (1.9, 0)))
    hand_in_text(
        database,
        school_class,
        pupil_id=child.id,
        kind=Kind.WORD,
        target="ll",
        help=Help.COPY,
        ink=ink,
        written_at=MONDAY,
    )
    name, place = child.name.encode(), b"0.7317"
    assert traces(database.path.parent, name) != []
    assert traces(database.path.parent, place) != []
    left = children.forget(database, school_class.id, child.id)
    assert left == children.InCopies(0, None)
    assert traces(database.path.parent, name, place) == []
    with database.session() as session:
        (kept,) = classes.every(session)
        assert [one.name for one in kept.pupils] == [school_class.pupils[1].name]
        for table in ("handed_in", "written_text"):
            rows = session.connection().exec_driver_sql(f"SELECT count(*) FROM {table}")
            assert rows.scalar_one() == 0


def test_what_copies_still_hold_is_said_and_they_can_be_renewed(
    database: Database, school_class: ClassRecord
) -> None:
    copies.keep_daily(database.path, NOW - timedelta(days=2))
    copies.keep_daily(database.path, NOW)
    folder, name = copies.folder_of(database.path), school_class.pupils[0].name.encode()
    left = children.forget(database, school_class.id, school_class.pupils[0].id)
    assert left == children.InCopies(2, NOW.date() + timedelta(days=30))
    assert len(traces(folder, name)) == 2
    assert children.renew_copies(database, NOW) == children.InCopies(0, None)
    assert traces(folder, name) == []
    assert len(copies.of(database.path)) == 1


def test_a_reader_meanwhile_delays_the_wiping_and_loses_nothing(
    database: Database, school_class: ClassRecord
) -> None:
    """Who is in the middle of a report reads on; the log is emptied soon after."""
    name = school_class.pupils[0].name.encode()
    database.keep()
    with database.session() as reading:
        classes.every(reading)[0]
        children.forget(database, school_class.id, school_class.pupils[0].id)
        assert len(classes.every(reading)[0].pupils) == 2
    database.close()
    assert traces(database.path.parent, name) == []
    with database.session() as session:
        assert pupils.of_class(session, school_class.id)[0].name != name.decode()
