from collections.abc import Iterator
from typing import Any

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


@pytest.fixture
def taught(client: TestClient) -> Any:
    """A class that has been taught the first letters."""
    assert client.put("/api/plan/taught", json={"letters": list("iatpsrm")}).status_code == 200
    return client
