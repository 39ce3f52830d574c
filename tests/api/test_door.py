"""The door: who is answered, from where, and what every answer says to the browser."""

from collections.abc import Iterator

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.api.app import create_app
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.teachers import signed_in

PAGE = '<html><meta name="style-nonce" content="%NONCE%"><script src="/assets/a-1.js"></script>'


@pytest.fixture(scope="module")
def app(tmp_path_factory: pytest.TempPathFactory) -> Iterator[FastAPI]:
    """The application with a front end as it is built; each test gives it a record."""
    outside = tmp_path_factory.mktemp("built")
    folder = outside / "dist"
    (folder / "assets").mkdir(parents=True)
    (folder / "index.html").write_text(PAGE)
    (folder / "loop.svg").write_text("<svg/>")
    (folder / "assets" / "a-1.js").write_text("0")
    (outside / "secret.txt").write_text("not for you")
    record = Database(outside / "record.db")
    yield create_app(record, folder, hosts=["school-pc.local"])
    record.close()


@pytest.fixture
def client(database: Database, school_class: ClassRecord, app: FastAPI) -> Iterator[TestClient]:
    del school_class
    app.state.database = database
    with signed_in(app, database, port=":8000") as opened:
        yield opened


@pytest.mark.parametrize(
    "host",
    [
        "evil.example", "evil.example:8000", "localhost.evil.example", "127.0.0.1.nip.example",
        "localhost@evil.example", "", "xn--localhost", "0x7f000001", "192.168.1.7", "[::2]:8000",
        "school-pc.local.evil.example",
    ],
)  # fmt: skip
@pytest.mark.parametrize("path", ["/api/classroom", "/", "/assets/a-1.js", "/api/openapi.json"])
def test_by_another_name_nobody_is_answered(client: TestClient, host: str, path: str) -> None:
    answer = client.get(path, headers={"host": host})
    assert answer.status_code == 400
    assert "Mila" not in answer.text


@pytest.mark.parametrize(
    "host", ["localhost:8000", "127.0.0.1", "LOCALHOST", "[::1]:8000", "school-pc.local:8000"]
)
def test_by_its_own_names_it_is(client: TestClient, host: str) -> None:
    assert client.get("/api/classroom", headers={"host": host}).status_code == 200


@pytest.mark.parametrize(
    "headers",
    [
        {"origin": "http://evil.example"},
        {"origin": "null"},
        {"origin": "http://localhost:9000"},
        {"origin": "http://localhost:8000.evil.example"},
        {"origin": "http://[broken"},
        {"sec-fetch-site": "cross-site"},
        {"sec-fetch-site": "same-site"},
        {"sec-fetch-site": "cross-site", "origin": "http://localhost:8000"},
    ],
)
@pytest.mark.parametrize(
    ("method", "path", "body"),
    [
        ("PUT", "/api/classroom/stage", {"stage": "secure"}),
        ("DELETE", "/api/classroom/pupils/1", None),
        ("POST", "/api/classroom/copies", None),
    ],
)
def test_another_sites_page_changes_nothing(
    client: TestClient, headers: dict[str, str], method: str, path: str, body: object
) -> None:
    answer = client.request(method, path, json=body, headers=headers)
    assert answer.status_code == 403
    assert answer.headers["content-type"] == "application/problem+json"
    classroom = client.get("/api/classroom").json()
    assert (len(classroom["pupils"]), classroom["stage"]) == (2, "developing")


@pytest.mark.parametrize(
    "headers",
    [{}, {"origin": "http://localhost:8000", "sec-fetch-site": "same-origin"},
     {"sec-fetch-site": "none"}],
)  # fmt: skip
def test_our_own_page_and_programs_that_are_no_browser_change_what_they_may(
    client: TestClient, headers: dict[str, str]
) -> None:
    answer = client.put("/api/classroom/stage", json={"stage": "secure"}, headers=headers)
    assert answer.status_code == 200


@pytest.mark.parametrize("path", ["/", "/plan/today", "/api/classroom", "/api/none", "/loop.svg"])
def test_every_answer_says_what_the_browser_may_do(client: TestClient, path: str) -> None:
    headers = client.get(path).headers
    policy = dict(
        part.strip().split(" ", 1) for part in headers["content-security-policy"].split(";")
    )
    assert policy["default-src"] == policy["frame-ancestors"] == policy["base-uri"] == "'none'"
    assert policy["script-src"] == "'self'"
    assert "unsafe" not in headers["content-security-policy"]
    assert headers["x-content-type-options"] == "nosniff"
    assert headers["referrer-policy"] == "same-origin"
    assert headers["cross-origin-resource-policy"] == "same-origin"
    assert "access-control-allow-origin" not in headers


def test_each_page_has_a_nonce_of_its_own_for_styles_alone(client: TestClient) -> None:
    nonces = set()
    for path in ("/", "/plan/today", "/index.html"):
        page = client.get(path)
        nonce = page.text.split('content="')[1].split('"')[0]
        assert f"style-src 'self' 'nonce-{nonce}'" in page.headers["content-security-policy"]
        nonces.add(nonce)
    assert len(nonces) == 3
    assert all(len(nonce) > 20 for nonce in nonces)


@pytest.mark.parametrize(
    ("path", "rule"),
    [
        ("/api/classroom", "no-store"),
        ("/api/grow/map", "no-store"),
        ("/api/none", "no-store"),
        ("/", "no-store"),
        ("/loop.svg", "no-cache"),
        ("/assets/a-1.js", "public, max-age=31536000, immutable"),
        ("/assets/gone-2.js", "no-store"),
    ],
)
def test_what_a_browser_may_keep(client: TestClient, path: str, rule: str) -> None:
    assert client.get(path).headers["cache-control"] == rule


@pytest.mark.parametrize("method", ["GET", "POST", "DELETE", "PUT"])
@pytest.mark.parametrize("path", ["/api", "/api/", "/api/none", "/api/classroom/", "/api/../api/x"])
def test_an_unknown_call_is_a_problem_and_never_the_page(
    client: TestClient, method: str, path: str
) -> None:
    answer = client.request(method, path)
    assert answer.status_code == 404
    assert answer.headers["content-type"] == "application/problem+json"


def test_what_a_call_cannot_be_asked_by_is_said_with_all_that_it_can(client: TestClient) -> None:
    answer = client.patch("/api/plan/schemes")
    assert (answer.status_code, answer.headers["allow"]) == (405, "GET, POST, PUT")


@pytest.mark.parametrize(
    "path",
    ["/../secret.txt", "/%2e%2e/secret.txt", "/assets/..%2f..%2fsecret.txt", "/assets/%2e%2e/%2e/",
     "//etc/passwd", "/..%5csecret.txt", "/%00"],
)  # fmt: skip
def test_no_path_leads_out_of_the_built_files(client: TestClient, path: str) -> None:
    answer = client.get(path)
    assert "not for you" not in answer.text
    assert "root:" not in answer.text
    assert answer.status_code in (200, 404)


def test_a_place_within_the_page_is_the_page_and_a_missing_file_is_missing(
    client: TestClient,
) -> None:
    assert client.get("/check/n").text.startswith("<html>")
    assert client.get("/assets/none.js").status_code == 404
