"""A class or a child out of one record and into another, on the same machine or not."""

from collections.abc import Iterable, Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import IO

from firstloop.core.evidence.ink import Ink
from firstloop.core.names import key_of
from firstloop.core.staff import Role
from firstloop.formats import archive as archives
from firstloop.formats import inkml
from firstloop.formats.archive import Archive, ArchiveError, Manifest, Table
from firstloop.services.children import require_room
from firstloop.services.classes import require_free
from firstloop.store import (
    accounts,
    attempts,
    carrying,
    classes,
    earlier_rows,
    inks,
    pupils,
    staff,
    stories,
    texts,
)
from firstloop.store.carrying import Rows
from firstloop.store.database import Database, Session
from firstloop.store.pupils import NameTakenError
from firstloop.store.records import ClassRecord, NewAttempt, NewText, PupilRecord
from firstloop.store.soundness import VERSIONS

AT_ONCE = 500
"""Letters that are read together."""

OF_A_CLASS = (carrying.CLASS, *carrying.COMES_ALONG)


def write_class(
    session: Session, class_id: int, to: IO[bytes], now: datetime, *, with_flags: bool
) -> Manifest:
    """Writes all of a class to an archive; what that holds. Raises NotInRecordError."""
    name = classes.get(session, class_id).name
    rows = carrying.of_class(session, class_id, with_flags=with_flags)
    return _write(session, to, _manifest("class", name, now, with_flags=with_flags), rows)


def write_child(  # noqa: PLR0917  # whose archive, with what beside it
    session: Session,
    class_id: int,
    pupil_id: int,
    to: IO[bytes],
    now: datetime,
    beside: Iterable[tuple[str, bytes]],
    *,
    with_flags: bool,
) -> Manifest:
    """Writes all of a child to an archive, with files for people beside it; what that holds. Raises
    NotInRecordError."""
    name = pupils.get(session, class_id, pupil_id).name
    rows = carrying.of_child(session, class_id, pupil_id, with_flags=with_flags)
    manifest = _manifest("child", name, now, with_flags=with_flags)
    return _write(session, to, manifest, rows, beside)


def ink_files(session: Session, class_id: int, pupil_id: int) -> Iterator[tuple[str, bytes]]:
    """What a child wrote as files of ink, with their names, each made when it is asked for; raises
    NotInRecordError."""
    letters, written = stories.with_ink(session, class_id, pupil_id)
    for begin in range(0, len(letters), AT_ONCE):
        some = letters[begin : begin + AT_ONCE]
        ink = inks.of(session, some)
        for one in sorted(attempts.some(session, class_id, some), key=lambda one: one.id):
            name = f"letter-{one.attempt.day}-{one.id}"
            yield name, _ink_file(one.attempt, ink[one.id])
    for text_id in written:
        text = texts.get(session, class_id, text_id).text
        yield f"text-{text.day}-{text_id}", _ink_file(text, text.ink)


def _ink_file(written: NewAttempt | NewText, ink: Ink) -> bytes:
    task = written.task
    file = inkml.InkFile(
        ink,
        written.ruling,
        task.target,
        task.kind,
        written.style.hand,
        task.handedness,
        task.may_stand_open,
    )
    return inkml.write(file)


def _manifest(what: str, name: str, now: datetime, *, with_flags: bool) -> Manifest:
    return Manifest(
        format=archives.FORMAT,
        version=VERSIONS[-1],
        what="child" if what == "child" else "class",
        name=name,
        made_at=now.astimezone(UTC).isoformat(timespec="seconds"),
        with_flags=with_flags,
        rows={},
    )


def _write(
    session: Session,
    to: IO[bytes],
    manifest: Manifest,
    rows: Iterable[Rows],
    beside: Iterable[tuple[str, bytes]] = (),
) -> Manifest:
    tables = (Table(one.table, one.columns, one.rows) for one in rows)
    archives.write(to, manifest, tables, earlier_rows.columns_of(session), beside)
    return manifest


def read_class(
    record: Database, path: Path, account_id: int | None, name: str | None = None
) -> ClassRecord:
    """Brings a class in from an archive, as one more of a teacher's, called otherwise if a name is
    given; of whoever makes the first account, where there is none. All or nothing. Raises
    ArchiveError, RecordError, DoNotFitError and ClassIsThereError."""
    with archives.opened(path) as archive, record.writing() as session:
        _require(archive, "class")
        hers = account_id or accounts.unclaimed(session)
        named = name or archive.manifest.name
        require_free(staff.classes_of(session, hers), named, alike=True)
        with earlier_rows.rows_of(archive, session, OF_A_CLASS) as rows:
            class_id = carrying.bring_class(session, rows, named)
        staff.add(session, class_id, hers, Role.TEACHER)
        accounts.open_class(session, hers, class_id)
        return classes.get(session, class_id)


def read_child(record: Database, path: Path, class_id: int, name: str | None = None) -> PupilRecord:
    """Brings a child into a class from an archive, called otherwise if a name is given. All or
    nothing. Raises ArchiveError, RecordError, DoNotFitError, NameTakenError and
    ClassIsFullError."""
    with archives.opened(path) as archive, record.writing() as session:
        _require(archive, "child")
        named = name or archive.manifest.name
        there = pupils.with_the_left(session, class_id)
        if key_of(named) in {key_of(one.name) for one in there}:
            raise NameTakenError(f"{named} is in the class already; choose another name")
        with earlier_rows.rows_of(archive, session, carrying.OF_A_CHILD) as rows:
            pupil_id = carrying.bring_child(session, rows, class_id, named)
        require_room(session, class_id, 0)
        came = pupils.get(session, class_id, pupil_id)
        is_taken = came.tile in {one.tile for one in there}
        return pupils.set_tile(session, class_id, pupil_id, None) if is_taken else came


def _require(archive: Archive, what: str) -> None:
    if archive.manifest.what != what:
        raise ArchiveError(
            f"it holds a {archive.manifest.what} ({archive.manifest.name}), not a {what}"
        )
