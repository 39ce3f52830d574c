"""What all tests share: the plain hand on an ordinary ruling, and a record of its own each."""

import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest

from firstloop.core.evidence.task import Handedness
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.services.classes import begin
from firstloop.store import accounts
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.sampling import IS_NIGHT, SEED


def pytest_report_header() -> str:
    return f"all is tried, drawn by {SEED}" if IS_NIGHT else "a sample is tried; make nightly: all"


INKS = Path(__file__).parent / "inks"


@pytest.fixture(scope="session")
def empty_record(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A record as it is made: to be copied, for making one takes longer than most tests."""
    path = tmp_path_factory.mktemp("empty") / "record.db"
    Database(path).close()
    return path


@pytest.fixture
def database(tmp_path: Path, empty_record: Path) -> Iterator[Database]:
    record = tmp_path / "record.db"
    shutil.copy(empty_record, record)
    opened = Database(record)
    yield opened
    opened.close()


@pytest.fixture
def school_class(database: Database) -> ClassRecord:
    return add_class(database)


def add_class(
    database: Database,
    account_id: int | None = None,
    name: str = "Reed class",
    children: tuple[str, str] = ("Mila", "Jori"),
) -> ClassRecord:
    """The class of nearly all tests: one child of each hand."""
    with database.writing() as session:
        teacher = account_id or accounts.unclaimed(session)
    return begin(
        database,
        teacher,
        name,
        style=Style("plain"),
        ruling=Ruling(),
        x_height_mm=8.0,
        children=list(zip(children, (Handedness.RIGHT, Handedness.LEFT), strict=True)),
    )
