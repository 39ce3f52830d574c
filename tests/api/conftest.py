from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient

from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.apps import app_over
from tests.teachers import signed_in


@pytest.fixture
def client(database: Database, school_class: ClassRecord) -> Iterator[TestClient]:
    del school_class
    with signed_in(app_over(database), database) as opened:
        yield opened
