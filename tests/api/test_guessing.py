"""Passwords that are guessed at from outside: nobody waits for what need not be digested, and who
guesses keeps no thread and no teacher waiting."""

from concurrent.futures import ThreadPoolExecutor

import pytest
from fastapi.testclient import TestClient

from firstloop.api.deps import COOKIE, KNOWN_COOKIE
from firstloop.api.line import Line
from firstloop.core.patience import FREE
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.apps import app_over
from tests.teachers import PASSWORD, signed_out, teacher_of

HERSELF = {"name": "Ms Reed", "password": PASSWORD}


def _from(database: Database, address: str) -> TestClient:
    app = app_over(database)
    return TestClient(app, base_url="http://localhost", client=(address, 50_000))


@pytest.fixture
def taught(database: Database, school_class: ClassRecord) -> Database:
    del school_class
    teacher_of(database)
    return database


def test_where_nothing_is_to_be_digested_nothing_waits(taught: Database) -> None:
    """A line in which there is no place: a first account is refused before it would be asked."""
    with signed_out(app_over(taught)) as nobody:
        nobody.app.state.lines.strangers = Line(longest=0, of_one=1)  # type: ignore[attr-defined]
        assert nobody.post("/api/account", json=HERSELF).status_code == 409
        full = nobody.post("/api/session", json=HERSELF)
        assert full.status_code == 503
        assert int(full.headers["retry-after"]) > 0


def test_a_known_device_does_not_stand_in_line_with_strangers(taught: Database) -> None:
    with signed_out(app_over(taught)) as hers:
        assert hers.post("/api/session", json=HERSELF).status_code == 204
        hers.app.state.lines.strangers = Line(longest=0, of_one=1)  # type: ignore[attr-defined]
        del hers.cookies[COOKIE]
        assert hers.post("/api/session", json=HERSELF).status_code == 204
        hers.cookies.clear()
        hers.cookies.set(KNOWN_COOKIE, "another's")
        assert hers.post("/api/session", json=HERSELF).status_code == 503


def test_many_at_once_from_one_address_are_told_to_come_again(taught: Database) -> None:
    wrong = HERSELF | {"password": "not this one"}
    with _from(taught, "10.0.0.1") as nobody, ThreadPoolExecutor(20) as threads:
        statuses = list(
            threads.map(lambda _: nobody.post("/api/session", json=wrong).status_code, range(20))
        )
    assert set(statuses) <= {401, 429}
    assert statuses.count(401) <= FREE + 1


def test_a_device_stays_known_when_the_server_is_started_anew(taught: Database) -> None:
    hers = _from(taught, "10.0.0.1")
    assert hers.post("/api/session", json=HERSELF).status_code == 204
    shown = hers.cookies[KNOWN_COOKIE]
    wrong = HERSELF | {"password": "not this one"}
    for at in reversed(range(5)):
        guesser = _from(taught, f"10.0.0.{at + 1}")  # hers is the last of them
        assert [guesser.post("/api/session", json=wrong).status_code for _ in range(5)].count(401)
    again = _from(taught, "10.0.0.1")
    assert again.post("/api/session", json=HERSELF).status_code == 429
    again.cookies.set(KNOWN_COOKIE, shown)
    assert again.post("/api/session", json=HERSELF).status_code == 204
    assert _from(taught, "10.0.9.9").post("/api/session", json=HERSELF).status_code == 204


def test_a_new_password_is_not_got_by_guessing_the_old(taught: Database) -> None:
    hers = _from(taught, "10.0.0.1")
    assert hers.post("/api/session", json=HERSELF).status_code == 204
    wrong = {"old": "not this one", "new": "two hens on a wall"}
    found = [hers.put("/api/school/password", json=wrong).status_code for _ in range(40)]
    assert found[: FREE + 1] == [401] * FREE + [429]
    assert found.count(401) <= FREE + 2  # where forty questions take long, a wait runs out
    assert hers.get("/api/classroom").status_code == 200
