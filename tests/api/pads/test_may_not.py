"""What a pad is never answered."""

from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.api.deps import PAD_COOKIE
from firstloop.store import school
from firstloop.store.database import Database
from tests.api.good_requests import REQUESTS
from tests.api.hostile import url_of
from tests.api.pads.calls import join
from tests.pads import attempt, pad_client


def test_with_a_pads_cookie_no_other_route_answers(database: Database, pad: TestClient) -> None:
    """Nor where it sits at the machine of a demonstration, which signs others in."""
    with database.writing() as session:
        school.set_demo(session)
    token = pad.cookies[PAD_COOKIE]
    here = TestClient(pad.app, base_url="http://localhost", client=("127.0.0.1", 50_000))
    here.cookies.set(PAD_COOKIE, token)
    document = here.get("/api/openapi.json").json()["paths"]
    assert len(document) > 90
    others = {"/api/session", "/api/account", "/api/tiles", "/api/tiles/{name}"}
    for good in REQUESTS:
        if not good.path.startswith("/api/pad/") and good.path not in others:
            answer = here.request(good.method, url_of(good), json=good.body)
            assert answer.status_code == 401, good.operation
            assert "Mila" not in answer.text
    assert {one.path for one in REQUESTS} == set(document)
    assert here.get("/api/session").json()["state"] in ("new", "out")


def test_signed_out_nothing_of_a_child_is_read(app: FastAPI, pad: TestClient) -> None:
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 201
    nobody = pad_client(app)
    for path in ("task", "lesson", "events", "prompts/1"):
        answer = nobody.get(f"/api/pad/{path}", params={"wait": "false"})
        assert (answer.status_code, "Mila" in answer.text) == (401, False)


def test_another_childs_letters_are_neither_read_nor_written_over(
    app: FastAPI, code: str, pad: TestClient
) -> None:
    mine = attempt()
    assert pad.post("/api/pad/attempts", json=mine).status_code == 201
    other = join(app, code)
    seat = other.post("/api/pad/pupil", json={"pupil": 2}).json()["seat"]
    assert other.post("/api/pad/attempts", json=mine).status_code == 409
    assert other.post("/api/pad/best", json={"attempt": mine["id"]}).status_code == 404
    assert other.post("/api/pad/attempts", json=attempt(seat=seat - 1)).status_code == 404
