"""A lesson that is open, and a pad in it."""

from collections.abc import Iterator

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.store.database import Database
from tests.api.pads.calls import LESSON, join
from tests.apps import app_over


@pytest.fixture
def app(database: Database) -> FastAPI:
    return app_over(database)


@pytest.fixture
def lesson(client: TestClient) -> int:
    """Today's, on n, which no board has begun."""
    return int(client.post("/api/plan/lessons", json=LESSON).json()["id"])


@pytest.fixture
def code(client: TestClient, lesson: int) -> str:
    return str(client.post("/api/write/lesson-code", json={"lesson": lesson}).json()["code"])


@pytest.fixture
def pad(app: FastAPI, code: str) -> Iterator[TestClient]:
    """A pad that is in, with Mila at it."""
    opened = join(app, code)
    assert opened.post("/api/pad/pupil", json={"pupil": 1}).status_code == 200
    yield opened
    opened.close()
