"""How pads come into a lesson, are freed, put out and forgotten."""

from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.services.guessing import CODES
from firstloop.store.pads import MOST_IN_A_LESSON
from tests.api.pads.calls import LESSON, join
from tests.pads import attempt, pad_client


@pytest.mark.parametrize("change", [str.upper, str.title, lambda x: x.replace(" ", "-")])
def test_capitals_and_the_joiner_do_not_matter(app: FastAPI, code: str, change: Any) -> None:
    answer = pad_client(app).post("/api/pad/join", json={"code": change(code)})
    assert answer.status_code == 200
    told = answer.json()
    assert [one["name"] for one in told["pupils"]] == ["Jori", "Mila"]
    assert not any(one["taken"] for one in told["pupils"])
    cookies = answer.headers.get_list("set-cookie")
    assert all("HttpOnly" in one and "SameSite=strict" in one for one in cookies)


def test_opening_again_gives_the_same_code_and_two_lessons_have_one_each(
    client: TestClient, lesson: int, code: str, app: FastAPI
) -> None:
    again = client.post("/api/write/lesson-code").json()
    assert (again["code"], again["lesson"]) == (code, lesson)
    assert again["qr_svg"].startswith("<svg")
    assert "/pad/?code=" in again["url"]
    assert len(again["url"].partition("?code=")[2]) >= 40  # nobody guesses what the square says
    other = client.post("/api/plan/lessons", json=LESSON | {"new": ["m"]}).json()["id"]
    second = client.post("/api/write/lesson-code", json={"lesson": other}).json()["code"]
    assert second != code
    pads = {join(app, one).get("/api/pad/lesson").json()["lesson"]["id"] for one in (code, second)}
    assert pads == {lesson, other}


def test_where_nothing_is_planned_a_lesson_on_what_comes_next_is(client: TestClient) -> None:
    opened = client.post("/api/write/lesson-code").json()
    today = client.get("/api/plan/today").json()["lesson"]
    assert (opened["lesson"], today["shape"]) == (today["id"], "short")


def test_a_wrong_code_is_refused_and_guessing_is_limited(
    app: FastAPI, client: TestClient, code: str
) -> None:
    pad = pad_client(app)
    found = [pad.post("/api/pad/join", json={"code": f"owl {at}"}) for at in range(12)]
    refused = [403] * CODES.free
    assert [one.status_code for one in found] == [*refused, 429, 429]
    assert int(found[-1].headers["retry-after"]) > 0
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 429
    square = _square(client)
    assert pad.post("/api/pad/join", json={"code": square}).status_code == 200


def _square(client: TestClient) -> str:
    """What the square on the board says."""
    url: str = client.post("/api/write/lesson-code").json()["url"]
    return url.partition("?code=")[2]


def _from(app: FastAPI, address: str) -> TestClient:
    return TestClient(app, base_url="http://localhost", client=(address, 50_000))


def _join_status(pad: TestClient, code: str) -> int:
    return pad.post("/api/pad/join", json={"code": code}).status_code


def test_words_that_are_guessed_at_from_everywhere_let_in_who_knows_them(
    app: FastAPI, client: TestClient, pad: TestClient, code: str
) -> None:
    """A hundred wrong ones from ten addresses: who comes from another is let in all the same, and
    so are pads that were here before, and who shows the square."""
    guesses = [_from(app, f"10.0.0.{at}") for at in range(10)]
    wrong = [_join_status(one, f"owl {at}") for one in guesses for at in range(10)]
    assert wrong == [403] * 100
    assert _join_status(guesses[0], code) == 429
    assert _join_status(_from(app, "10.0.1.1"), code) == 200
    assert _join_status(guesses[0], _square(client)) == 200
    assert _join_status(pad, code) == 200  # its address is one of those that guess, or any other


def test_who_knows_one_code_guesses_no_more_for_it(app: FastAPI, code: str) -> None:
    guesser = _from(app, "10.0.0.1")
    found = [_join_status(guesser, code if at % 4 == 0 else f"owl {at}") for at in range(60)]
    assert found.count(403) <= 2 * CODES.free  # as an address, and as the pad that it becomes


def test_a_whole_class_comes_in_at_once_from_behind_one_router(app: FastAPI, code: str) -> None:
    pads = [_from(app, "10.0.0.1") for _ in range(30)]
    with ThreadPoolExecutor(30) as threads:
        assert list(threads.map(lambda one: _join_status(one, code), pads)) == [200] * 30


def test_so_many_pads_are_in_a_lesson_and_no_more(
    app: FastAPI, client: TestClient, pad: TestClient, code: str
) -> None:
    found = [_join_status(_from(app, "10.0.0.1"), code) for _ in range(MOST_IN_A_LESSON)]
    assert found == [*[200] * (MOST_IN_A_LESSON - 1), 429]
    assert _join_status(pad, code) == 200  # it is in already
    number = client.get("/api/write/pads").json()[-1]["pad"]
    assert client.delete(f"/api/write/pads/{number}").status_code == 204
    assert _join_status(_from(app, "10.0.0.1"), code) == 200


def test_a_known_pad_waits_for_the_nod(app: FastAPI, client: TestClient, pad: TestClient) -> None:
    known = {"known": True}
    assert pad_client(app).post("/api/pad/join", json=known).status_code == 403
    assert pad.post("/api/pad/leave").status_code == 200
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/join", json=known).status_code == 202
    assert [one["state"] for one in client.get("/api/write/pads").json()] == ["asking"]
    assert pad.post("/api/pad/join", json=known).status_code == 202
    assert client.post("/api/write/nod", json={}).json() == {"nodded": 1}
    assert pad.post("/api/pad/join", json=known).status_code == 200
    assert pad.get("/api/pad/task").status_code == 200


def test_a_tile_is_taken_once_and_can_be_freed(
    app: FastAPI, client: TestClient, pad: TestClient, code: str
) -> None:
    other = join(app, code)
    tiles = other.get("/api/pad/lesson").json()["pupils"]
    assert [one["taken"] for one in tiles] == [False, True]
    refused = other.post("/api/pad/pupil", json={"pupil": 1})
    assert refused.status_code == 409
    assert "Mila" in refused.json()["detail"]
    number = next(x["pad"] for x in client.get("/api/write/pads").json() if x["pupil"])
    assert client.post(f"/api/write/pads/{number}/free").status_code == 204
    told, asked = (
        other.post("/api/pad/pupil", json={"pupil": 1}).json()["task"],
        other.get("/api/pad/task").json(),
    )
    assert told | {"now": None} == asked | {"now": None}
    assert told["pupil"]["name"] == "Mila"
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 422  # nobody sits there
    assert other.post("/api/pad/pupil", json={"pupil": 99}).status_code == 404


def test_a_pad_that_is_put_out_is_out_and_hears_it(client: TestClient, pad: TestClient) -> None:
    number = client.get("/api/write/pads").json()[0]["pad"]
    assert client.delete(f"/api/write/pads/{number}").status_code == 204
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 401
    assert client.get("/api/write/pads").json() == []


def test_pads_that_are_forgotten_come_in_by_the_code_again(
    client: TestClient, pad: TestClient, code: str
) -> None:
    assert client.delete("/api/write/pads").status_code == 204
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/join", json={"known": True}).status_code == 403
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 200
