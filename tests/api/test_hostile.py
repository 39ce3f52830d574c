"""Whatever is sent: a fault of the sender's is refused as one, in the one shape of problems, and
nothing that is taken breaks what is read later."""

import shutil
from collections.abc import Iterator
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

import numpy as np
import pytest
from fastapi.testclient import TestClient

from firstloop.api.deps import DEVICE_COOKIE, PAD_COOKIE
from firstloop.core.letters import HANDS
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.formats import packages
from firstloop.formats.pictures import Grey, as_jpeg
from firstloop.store import paper
from firstloop.store.database import Database
from firstloop.store.records import PaperPageRecord
from tests.api.good_requests import (
    CODE,
    ID,
    INK,
    PAD_ATTEMPT,
    PAD_DEVICE,
    PAD_TOKEN,
    REQUESTS,
    Good,
    furnish,
)
from tests.api.hostile import Hostile, made_of, url_of
from tests.apps import app_over
from tests.conftest import add_class
from tests.pads import let_in, pad_client
from tests.sampling import every
from tests.teachers import signed_in

PAGES = [
    one
    for one in REQUESTS
    if one.method == "GET" and not (one.at or one.query) and "/pad/" not in one.path
]
"""What the stations ask for, whatever has happened before."""

SHE_IS_GONE = ("DELETE /api/session", "DELETE /api/classroom", "PUT /api/classroom/teacher")
"""After these there is no page of the class to be asked for."""

PART = 5
"""Of the pages a fifth is asked for after each operation: each page after two dozen of them."""

A_CELL = {
    "row": 0, "cell": 0, "target": "n", "kind": "letter", "mode": "own", "state": "written",
    "box_mm": [15.0, 34.0, 30.0, 55.0], "chosen": False, "ink": INK,
}  # fmt: skip
PAGE = PaperPageRecord(
    None, 1, "IMG_1.jpg", 1, datetime(2026, 9, 7, tzinfo=UTC), (), (A_CELL,), (100.0, 150.0)
)

EVERY = 100
"""Of the 10,000 hostile requests every hundredth is tried by day: all take many minutes."""


def a_notebook() -> Grey:
    """The page's photograph, something like an n in the row that the good request marks."""
    page = np.full((1200, 800), 240, np.uint8)
    page[360:400, 200:205] = page[360:365, 200:225] = page[360:400, 220:225] = 60
    return page


@pytest.fixture(scope="module")
def hand_file() -> str:
    return packages.write_hand(replace(HANDS["plain"], name="mine"))


@pytest.fixture(scope="module")
def scheme_file() -> str:
    return packages.write_scheme(BUILT_IN["movement"](HANDS["plain"], 5))


@pytest.fixture(scope="module")
def furnished(tmp_path_factory: pytest.TempPathFactory, scheme_file: str, hand_file: str) -> Path:
    """A record with something of everything, to be copied."""
    path = tmp_path_factory.mktemp("furnished") / "record.db"
    database = Database(path)
    add_class(database)
    with signed_in(app_over(database), database) as opened:
        furnish(opened, scheme_file, hand_file)
    with database.writing() as session:
        paper.add_page(session, 1, PAGE, as_jpeg(a_notebook()))
    let_in(database, 1, 1, CODE, PAD_TOKEN, PAD_DEVICE, pupil_id=1)
    with pad_client(app_over(database), PAD_TOKEN) as pad:
        assert pad.post("/api/pad/attempts", json=PAD_ATTEMPT).status_code == 201
        refused = PAD_ATTEMPT | {"id": f"{ID}7", "target": "q"}
        assert pad.post("/api/pad/attempts", json=refused).status_code == 422
    database.close()
    return path


@pytest.fixture
def database(tmp_path: Path, furnished: Path) -> Iterator[Database]:
    record = tmp_path / "record.db"
    shutil.copy(furnished, record)
    opened = Database(record)
    yield opened
    opened.close()


@pytest.fixture
def client(database: Database) -> Iterator[TestClient]:
    with signed_in(app_over(database), database, raises=False) as opened:
        opened.cookies.set(PAD_COOKIE, PAD_TOKEN)
        opened.cookies.set(DEVICE_COOKIE, PAD_DEVICE)
        yield opened


@pytest.fixture
def with_files(scheme_file: str, hand_file: str) -> dict[str, str]:
    return {
        "POST /api/plan/files/scheme": scheme_file,
        "POST /api/plan/files/hand": hand_file,
    }


def test_every_operation_has_a_good_request(client: TestClient) -> None:
    paths = client.get("/api/openapi.json").json()["paths"]
    there = {f"{method.upper()} {path}" for path, methods in paths.items() for method in methods}
    assert {one.operation for one in REQUESTS} == there


@pytest.mark.parametrize("good", REQUESTS, ids=[one.operation for one in REQUESTS])
def test_what_is_wrong_is_refused_and_what_is_taken_breaks_nothing(
    client: TestClient, good: Good, with_files: dict[str, str]
) -> None:
    if good.operation in with_files:
        good = replace(good, body={"text": with_files[good.operation]})
    broken = [found for one in some(good) if (found := broken_by(client, one))]
    assert broken == []
    assert client.request(good.method, url_of(good), json=good.body).status_code < 500
    for page in PAGES[sum(good.operation.encode()) % PART :: PART]:
        answer = client.get(url_of(page))
        ends = good.operation in SHE_IS_GONE and answer.status_code in (401, 404)
        assert ends or answer.status_code == 200, (page.path, answer.text)


@pytest.mark.parametrize("good", REQUESTS, ids=[one.operation for one in REQUESTS])
def test_a_good_request_is_answered(
    client: TestClient, good: Good, with_files: dict[str, str]
) -> None:
    text = with_files.get(good.operation)
    answer = client.request(good.method, url_of(good), json={"text": text} if text else good.body)
    elsewhere = {"POST /api/account": 409, "GET /api/pad/prompts/{prompt_id}": 404}
    if good.operation in elsewhere:  # there is an account; the pad's task is to be copied
        assert answer.status_code == elsewhere[good.operation]
    else:
        assert answer.is_success, answer.text


def some(good: Good) -> list[Hostile]:
    return every(EVERY, list(made_of(good)), begin=sum(good.operation.encode()))


def broken_by(client: TestClient, one: Hostile) -> str | None:
    """What is amiss with the answer to a hostile request."""
    answer = client.request(one.method, one.url, content=one.content, headers=one.headers)
    if answer.is_success:
        return None
    media = answer.headers.get("content-type")
    if answer.status_code >= 500 or media != "application/problem+json":
        return f"{one.method} {one.url[:60]}, {one.wrong}: {answer.status_code} {media}"
    return None


def test_a_faulty_name_in_a_file_does_not_get_into_the_record(
    client: TestClient, scheme_file: str
) -> None:
    named = scheme_file.replace('"name": "', '"name": "\\ud800', 1)
    answer = client.post("/api/plan/files/scheme", json={"text": named})
    assert answer.status_code == 422
    assert "name" in answer.json()["where"][0]
    assert client.get("/api/plan/schemes").status_code == 200


@pytest.mark.parametrize("point", [[1e308, 0, 0, None], [0, 0, 1e308, None], [0, 0, 0, 2.0]])
def test_ink_beyond_all_bounds_is_not_kept(client: TestClient, point: list[float]) -> None:
    place = "/api/show/lessons/1/written/show"
    answer = client.put(place, json={"strokes": [{"points": [[0, 1, 0, None], point]}]})
    assert answer.status_code == 422
    assert "body.strokes.0.points.1" in answer.json()["where"][0]
    assert client.get(place).json() == {"strokes": []}


@pytest.mark.parametrize(
    ("path", "mb", "status"),
    [
        ("/api/write/attempts", 2.1, 413),
        ("/api/plan/files/scheme", 2.1, 422),
        ("/api/plan/files/scheme", 10.1, 413),
    ],
)
@pytest.mark.parametrize("announced", [True, False])
def test_no_more_is_taken_in_than_may_come(
    client: TestClient, path: str, mb: float, status: int, announced: bool
) -> None:
    body = b'{"text": "' + b"a" * int(1e6 * mb) + b'"}'
    pieces = (body[at : at + 100_000] for at in range(0, len(body), 100_000))
    answer = client.post(
        path, content=body if announced else pieces, headers={"content-type": "application/json"}
    )
    assert answer.status_code == status
    assert answer.headers["content-type"] == "application/problem+json"


@pytest.mark.parametrize(
    "strokes", [[{"points": [[0, 1, 0, None]] * 20_001}], [{"points": [[0, 1, 0, None]]}] * 201]
)
def test_more_ink_than_one_attempt_can_have_is_too_much(
    client: TestClient, strokes: list[object]
) -> None:
    sent = {"pupil_id": 1, "letter": "n", "help": "copy", "strokes": strokes}
    answer = client.post("/api/write/attempts", json=sent)
    assert (answer.status_code, answer.json()["title"]) == (413, "Too much at once")


def test_what_nobody_foresaw_is_a_problem_too(
    client: TestClient, database: Database, tmp_path: Path
) -> None:
    with database.writing() as session:
        session.connection().exec_driver_sql("UPDATE lesson SET plan = '{}'")
    answer = client.get("/api/plan/today")
    assert answer.status_code == 500
    assert answer.headers["content-type"] == "application/problem+json"
    assert str(tmp_path) not in answer.text


@pytest.mark.parametrize(
    ("operation", "body"),
    [
        ("PUT /api/plan/style", {f"field {at}": 1 for at in range(100_000)}),
        ("PUT /api/plan/style", {"choices": {f"letter {at}": 1 for at in range(100_000)}}),
        ("POST /api/write/attempts", {"strokes": [{"points": [["a"] * 4] * 20_000}] * 3}),
    ],
    ids=["fields", "entries", "points"],
)
def test_of_a_hundred_thousand_faults_the_first_are_told(
    client: TestClient, operation: str, body: dict[str, object]
) -> None:
    """To describe them all would keep the server busy for seconds."""
    method, path = operation.split(" ")
    good = next(one.body for one in REQUESTS if one.operation == operation)
    answer = client.request(method, path, json=good | body)
    assert answer.status_code == 422
    assert 1 <= len(answer.json()["where"]) <= 4


def test_a_number_of_any_length_in_a_path_is_refused(client: TestClient) -> None:
    assert client.delete("/api/plan/lessons/1" + "0" * 5_000).status_code in (404, 405)
