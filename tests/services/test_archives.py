"""A class or a child out of one record and into another: with the same figures, or not at all."""

import io
import json
import zipfile
from collections.abc import Callable, Iterator
from contextlib import closing
from datetime import UTC, datetime
from itertools import product
from pathlib import Path
from typing import Any

import pytest

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.judging.word import OnFinding, Word
from firstloop.core.teaching.care import Care
from firstloop.core.teaching.gets import Gets
from firstloop.formats.archive import ArchiveError
from firstloop.services import archives, care, children, class_map, groups, lessons, schemes
from firstloop.services.classes import ClassIsThereError
from firstloop.services.handing_in import hand_in_text
from firstloop.store import accounts, carrying, classes, inks, pupils, stories
from firstloop.store.carrying import DoNotFitError
from firstloop.store.database import Database
from firstloop.store.errors import RecordError
from firstloop.store.pupils import NameTakenError
from firstloop.store.records import ClassRecord
from firstloop.store.tables import METADATA
from tests import letters
from tests.growing import stands
from tests.services.conftest import MONDAY, Write
from tests.table import attempts_of, judge

NOW = datetime(2026, 9, 21, 12, tzinfo=UTC)

STAYS = {
    "school": "what holds for all classes of a machine",
    "account": "who teaches there",
    "class_teacher": "who teaches there",
    "sign_in": "who is signed in there",
    "known_device": "what is known there",
    "wrong_guess": "who tried to come in there",
    "blind_reader": "who reads there",
    "pad": "tablets of that school",
    "pad_seat": "who sat at them",
    "pad_load": "how much they handed in",
    "lesson_code": "by which they came in",
    "set_aside": "what they keep",
    "happening": "what was told of while it happened",
    "progress_mark": "made anew from what was written",
    "printed_sheet": "what was printed there",
    "paper_photo": "what waits to be read there",
    "paper_page": "pictures, which stay where they are looked at",
}


@pytest.fixture
def other(tmp_path: Path) -> Iterator[Database]:
    """Another machine's record, in which somebody already teaches."""
    folder = tmp_path / "other"
    folder.mkdir()
    with closing(Database(folder / "other.db")) as record:
        yield record


@pytest.fixture
def full(database: Database, school_class: ClassRecord, write: Write) -> ClassRecord:
    """A class with something of everything that comes along."""
    child = school_class.pupils[0].id
    lessons.set_taught(database, school_class, {"n", "l"}, MONDAY)
    for day in range(9):
        write(days=day)
        write(letters.good_n(), child=1, days=day)
    with database.session() as session:
        first = attempts_of(session, school_class.id)[0]
    judge(database, school_class.id, first.id, _WORD)
    hand_in_text(
        database,
        school_class,
        pupil_id=child,
        kind=Kind.WORD,
        target="ll",
        help=Help.COPY,
        ink=letters.ink(letters.pen((0.7, 1.9), (0.7, 0)), letters.pen((1.9, 1.9), (1.9, 0))),
        written_at=MONDAY,
    )
    own = schemes.copy(database, school_class, "movement", "Ours")
    schemes.follow(database, school_class, own)
    children.set_gets(database, school_class.id, child, Gets(fewer=True))
    care.set_flag(database, school_class.id, child, Care.PRESSES, MONDAY)
    care.add_note(database, school_class.id, child, "Likes the n.", MONDAY)
    asked = lessons.Asked(("n",), group=frozenset({child}))
    lessons.plan(database, school_class, asked, MONDAY)
    groups.keep_apart(database, school_class.id, child, school_class.pupils[1].id, apart=True)
    with database.session() as session:
        return classes.get(session, school_class.id)


_WORD = Word(findings={Code.START_PLACE: OnFinding.SO})


def exported(database: Database, to: Path, class_id: int, *, with_flags: bool = True) -> Path:
    with database.session() as session, to.open("wb") as file:
        archives.write_class(session, class_id, file, NOW, with_flags=with_flags)
    return to


def exported_child(database: Database, to: Path, class_id: int, pupil_id: int) -> Path:
    with database.session() as session, to.open("wb") as file:
        archives.write_child(session, class_id, pupil_id, file, NOW, (), with_flags=False)
    return to


def figures(database: Database, school_class: ClassRecord) -> Any:
    """All that is told of how a class stands, without the ids of children."""
    by_id = {one.id: one.name for one in school_class.pupils}
    found = stands(database, school_class.id)
    table = class_map.summary_rows(class_map.class_map(database, school_class, None, NOW))
    return (
        {(by_id[child], letter, d): chance for (child, letter, d), chance in found.items()},
        list(table),
    )


def test_every_table_comes_along_or_is_said_to_stay() -> None:
    comes = {carrying.CLASS, *carrying.COMES_ALONG}
    assert comes.isdisjoint(STAYS)
    assert comes | set(STAYS) == set(METADATA.tables)
    assert set(carrying.OF_A_CHILD) < comes


def test_a_class_has_the_same_figures_in_another_record(
    database: Database, full: ClassRecord, other: Database, tmp_path: Path
) -> None:
    file = exported(database, tmp_path / "class.zip", full.id)
    with other.writing() as session:  # ids are others there
        mine = accounts.unclaimed(session)
    archives.read_class(other, file, mine, "An earlier one")
    came = archives.read_class(other, file, mine)
    assert figures(other, came) == figures(database, full)
    assert (came.name, came.style, came.customs) == (full.name, full.style, full.customs)
    assert came.scheme != full.scheme  # its own, under its new number
    with database.session() as here, other.session() as there:
        assert schemes.find(there, came, came.scheme) == schemes.find(here, full, full.scheme)
        child, was = came.pupils[0], full.pupils[0]
        assert child.gets == was.gets == Gets(fewer=True)
        (lesson,) = lessons.today(there, came, MONDAY).of_groups
        assert lesson.group == frozenset({child.id})
        ((attempt_id, _), *_) = stories.of_letters(there, came.id, child.id, "n", 4)["n"]
        ((was_id, _), *_) = stories.of_letters(here, full.id, was.id, "n", 4)["n"]
        now, before = inks.of(there, [attempt_id]), inks.of(here, [was_id])
        assert now[attempt_id].points.tolist() == before[was_id].points.tolist()
        seen = care.care_of(there, came.id, child.id, NOW)
        assert [one.kind for one in seen.flags] == [Care.PRESSES]
        assert [one.text for one in seen.notes] == ["Likes the n."]


def test_flags_stay_unless_they_are_ticked(
    database: Database, full: ClassRecord, other: Database, tmp_path: Path
) -> None:
    file = exported(database, tmp_path / "class.zip", full.id, with_flags=False)
    assert b"presses" not in file.read_bytes()
    assert "rows/care_flag.jsonl" not in zipfile.ZipFile(file).namelist()
    came = archives.read_class(other, file, None)
    with other.session() as session:
        assert care.care_of(session, came.id, came.pupils[0].id, NOW).flags == ()


def test_a_child_comes_into_a_class_that_is_there(
    database: Database, full: ClassRecord, other: Database, tmp_path: Path
) -> None:
    came = archives.read_class(other, exported(database, tmp_path / "class.zip", full.id), None)
    file = exported_child(database, tmp_path / "child.zip", full.id, full.pupils[0].id)
    with pytest.raises(NameTakenError, match="is in the class already"):
        archives.read_child(other, file, came.id)
    twin = archives.read_child(other, file, came.id, "Her twin")
    assert twin.tile is None or twin.tile not in {one.tile for one in came.pupils}
    found = stands(other, came.id)
    hers = {key[1:]: chance for key, chance in found.items() if key[0] == twin.id}
    was = {key[1:]: chance for key, chance in found.items() if key[0] == came.pupils[0].id}
    assert hers == was != {}
    with other.session() as session:
        days = session.connection().exec_driver_sql(
            "SELECT sum(attempts) FROM practice_day WHERE letter = 'n'"
        )
        assert days.scalar_one() == 9 + 9 + 9


def test_an_archive_of_an_earlier_version_is_brought_up(
    database: Database, full: ClassRecord, other: Database, tmp_path: Path
) -> None:
    file = exported(database, tmp_path / "class.zip", full.id)

    def earlier(name: str, data: bytes) -> bytes | None:
        gone = {
            "rows/pupil.jsonl": ("gets",),
            "rows/lesson.jsonl": ("group",),
            "rows/own_hand.jsonl": ("base", "stands"),
        }
        later = ("care_flag", "pupil_note", "own_sample", "own_sheet")
        if name in [f"rows/{table}.jsonl" for table in later]:
            return None
        if name == "archive.json":
            manifest = json.loads(data)
            for table in later:
                manifest["rows"].pop(table)
            return json.dumps(manifest | {"version": "0022"}).encode()
        if name in gone:
            rows = [json.loads(line) for line in data.splitlines()]
            for row, column in product(rows, gone[name]):
                row.pop(column)
            return b"".join(json.dumps(row).encode() + b"\n" for row in rows)
        return data

    came = archives.read_class(other, _changed(file, earlier), None)
    assert figures(other, came) == figures(database, full)
    assert came.pupils[0].gets == Gets()


def _changed(file: Path, change: Callable[[str, bytes], bytes | None]) -> Path:
    """An archive with some of its files otherwise, or (None) without them."""
    to = file.with_name("changed.zip")
    with zipfile.ZipFile(file) as source, zipfile.ZipFile(to, "w") as target:
        for name in source.namelist():
            data = change(name, source.read(name))
            if data is not None:
                target.writestr(name, data)
    return to


def _in(name: str, before: bytes, after: bytes) -> Callable[[str, bytes], bytes | None]:
    return lambda one, data: data.replace(before, after, 1) if one == name else data


@pytest.mark.parametrize(
    ("change", "kind", "said"),
    [
        (_in("archive.json", b"first-loop", b"other"), ArchiveError, "archive.json"),
        (_in("archive.json", b'"00', b'"99'), RecordError, "later version"),
        (
            _in("rows/attempt.jsonl", b'"pupil_id":', b'"pupil_id":"a","x":'),
            ArchiveError,
            "rows/attempt.jsonl, line 1",
        ),
        (_in("rows/pupil.jsonl", b"\n", b'\n{"id":1'), ArchiveError, "rows/pupil.jsonl, line 2"),
        (
            lambda one, data: None if one == "rows/finding.jsonl" else data,
            ArchiveError,
            "rows/finding.jsonl is missing",
        ),
        (
            lambda one, data: b"" if one == "rows/pupil.jsonl" else data,
            ArchiveError,
            "rows/pupil.jsonl has 0 rows",
        ),
        (_in("rows/school_class.jsonl", b'{"id":1', b'{"id":7'), DoNotFitError, "do not fit"),
    ],
)
def test_what_is_faulty_is_named_and_nothing_is_taken_over(
    database: Database,
    full: ClassRecord,
    other: Database,
    tmp_path: Path,
    change: Callable[[str, bytes], bytes | None],
    kind: type[Exception],
    said: str,
) -> None:
    file = _changed(exported(database, tmp_path / "class.zip", full.id), change)
    with pytest.raises(kind, match=said):
        archives.read_class(other, file, None)
    with other.session() as session:
        assert list(classes.every(session)) == []


def test_what_is_no_archive_is_refused(other: Database, tmp_path: Path) -> None:
    file = tmp_path / "n.zip"
    file.write_bytes(b"PK no zip")
    with pytest.raises(ArchiveError, match="cannot be read as an archive"):
        archives.read_class(other, file, None)
    with zipfile.ZipFile(file, "w") as empty:
        empty.writestr("other.txt", "x")
    with pytest.raises(ArchiveError, match="no archive of ours"):
        archives.read_class(other, file, None)


def test_a_class_comes_in_once_under_a_name(
    database: Database, full: ClassRecord, other: Database, tmp_path: Path
) -> None:
    file = exported(database, tmp_path / "class.zip", full.id)
    came = archives.read_class(other, file, None)
    with other.session() as session:
        (teacher,) = [came.id for _ in classes.every(session)]
    assert teacher
    with pytest.raises(ClassIsThereError):
        archives.read_class(other, file, None)
    child = exported_child(database, tmp_path / "child.zip", full.id, full.pupils[0].id)
    with pytest.raises(ArchiveError, match="it holds a child"):
        archives.read_class(other, child, None)


def test_the_schema_in_it_holds_for_its_rows(
    database: Database, full: ClassRecord, tmp_path: Path
) -> None:
    import jsonschema  # noqa: PLC0415  # slow to load

    with zipfile.ZipFile(exported(database, tmp_path / "class.zip", full.id)) as archive:
        schema = json.loads(archive.read("schema.json"))
        manifest = json.loads(archive.read("archive.json"))
        held = {"Manifest": [manifest]}
        for name in manifest["rows"]:
            lines = io.TextIOWrapper(archive.open(f"rows/{name}.jsonl"), "utf-8")
            held[name] = [json.loads(line) for line in lines]
    for name, things in held.items():
        validator = jsonschema.Draft202012Validator(schema | {"$ref": f"#/$defs/{name}"})
        for thing in things:
            validator.validate(thing)
    with database.session() as session:
        assert len(held["pupil"]) == len(pupils.with_the_left(session, full.id))
