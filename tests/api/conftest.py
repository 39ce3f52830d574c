from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient

from firstloop.api.app import create_app
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord


@pytest.fixture
def client(database: Database, school_class: ClassRecord) -> Iterator[TestClient]:
    with TestClient(create_app(database), base_url="http://localhost") as opened:
        yield opened
