"""What the teacher is told of the pads, and may do with them."""

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.store.database import Database
from tests.api.good_requests import STYLE
from tests.api.pads.calls import customs, events, go_to, join, newest
from tests.conftest import add_class
from tests.pads import attempt
from tests.table import letters_on_table
from tests.teachers import signed_in


def test_the_teacher_is_told_what_comes_and_misses_nothing_after_a_gap(
    client: TestClient, pad: TestClient
) -> None:
    before = events(client, "/api/write/live")
    assert {kind for _, kind in before} == {"pad"}
    sent = [attempt() for _ in range(3)]
    for one in sent:
        pad.post("/api/pad/attempts", json=one)
    told = events(client, "/api/write/live", after=int(before[-1][0]))
    assert [kind for _, kind in told] == ["attempt"] * 3
    assert events(client, "/api/write/live", after=int(told[0][0])) == told[1:]
    answer = client.get(
        "/api/write/live", params={"wait": "false"}, headers={"last-event-id": before[-1][0]}
    )
    assert all(str(one["id"]) in answer.text for one in sent)
    assert '"who":{"id":1,"name":"Mila"' in answer.text


def test_a_child_that_is_deleted_is_told_of_no_more(client: TestClient, pad: TestClient) -> None:
    pad.post("/api/pad/attempts", json=attempt())
    assert client.delete("/api/classroom/pupils/1").status_code == 200
    answer = client.get("/api/write/live", params={"wait": "false"}, headers={"last-event-id": "0"})
    assert "attempt" not in answer.text
    assert "Mila" not in answer.text


def test_the_room_says_who_has_not_begun_and_who_is_stuck(
    app: FastAPI, client: TestClient, code: str, pad: TestClient
) -> None:
    jori = join(app, code)
    jori.post("/api/pad/pupil", json={"pupil": 2})
    for _ in range(3):
        pad.post("/api/pad/attempts", json=attempt(struck=True))
    children = client.get("/api/write/room").json()["children"]
    going = {one["who"]["name"]: one["going"] for one in children}
    assert going == {"Mila": "stuck", "Jori": "not_begun"}


def test_the_room_shows_the_newest_four_letters_of_a_child(
    client: TestClient, pad: TestClient
) -> None:
    sent = [attempt() for _ in range(5)]
    for one in sent:
        assert pad.post("/api/pad/attempts", json=one).status_code == 201
    assert [one["id"] for one in newest(client)] == [one["id"] for one in sent[1:]]


def test_a_child_that_is_apart_has_no_tile_and_is_not_in_the_room(
    client: TestClient, pad: TestClient
) -> None:
    apart = client.put("/api/classroom/pupils/2/presence", json={"presence": "apart"})
    assert apart.status_code == 200
    tiles = pad.get("/api/pad/lesson").json()["pupils"]
    assert [one["name"] for one in tiles] == ["Mila"]
    children = client.get("/api/write/room").json()["children"]
    assert [one["who"]["name"] for one in children] == ["Mila"]


def test_one_pad_or_all_are_called(
    app: FastAPI, client: TestClient, lesson: int, code: str, pad: TestClient
) -> None:
    other = join(app, code)
    number = client.get("/api/write/pads").json()[0]["pad"]
    call = {"what": "replay", "lesson": lesson}
    assert client.post("/api/write/call", json=call | {"pad": int(number)}).status_code == 204
    assert client.post("/api/write/call", json=call | {"what": "look"}).status_code == 204
    assert [kind for _, kind in events(pad, "/api/pad/events")] == ["replay", "look"]
    assert [kind for _, kind in events(other, "/api/pad/events")] == ["look"]


def test_what_an_eye_saw_counts_as_evidence_and_is_taken_back(client: TestClient) -> None:
    seen = {"pupil_id": 1, "letter": "n", "seen": "retrace_gap"}
    kept = client.post("/api/write/tally", json=seen)
    assert kept.status_code == 201
    assert (kept.json()["source"], kept.json()["checked"]["shape"]) == ("eye", "not_yet")
    assert len(letters_on_table(client, "n")) == 1
    before = client.get("/api/grow/map").text
    taken = client.delete(f"/api/write/attempts/{kept.json()['id']}")
    assert taken.status_code == 204
    assert client.get("/api/grow/map").text != before
    well = client.post("/api/write/tally", json=seen | {"seen": None}).json()
    assert set(well["checked"].values()) == {"secure"}


def test_a_helper_sees_the_room_and_may_call_but_opens_nothing(
    app: FastAPI, client: TestClient, database: Database, lesson: int, code: str
) -> None:
    del code
    client.post("/api/school/colleagues", json={"name": "Ms Wren", "password": "a wren on a hen"})
    client.post("/api/classroom/helpers", json={"name": "Ms Wren"})
    helper = signed_in(app, database, "Ms Wren")
    helper.put("/api/school/open", json={"class_id": 1})
    assert helper.get("/api/write/room").status_code == 200
    call = {"what": "look", "lesson": lesson}
    assert helper.post("/api/write/call", json=call).status_code == 204
    assert helper.post("/api/write/lesson-code").status_code == 403


def test_who_is_signed_in_beside_a_pad_stays_the_teacher(client: TestClient, code: str) -> None:
    assert client.post("/api/pad/join", json={"code": code}).status_code == 200
    assert client.get("/api/write/room").status_code == 200


def test_a_note_or_a_custom_makes_nobody_begin_anew_another_step_does(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    def mila() -> tuple[str, int]:
        children = client.get("/api/write/room").json()["children"]
        (child,) = [one for one in children if one["who"]["name"] == "Mila"]
        return child["going"], child["written"]

    go_to(client, lesson, "own")
    for _ in range(2):
        pad.post("/api/pad/attempts", json=attempt(help="trace"))
    assert mila() == ("writing", 2)
    note = {"do": "note", "kind": "own", "note": "Jori at the front"}
    client.post(f"/api/plan/lessons/{lesson}/changes", json=note)
    client.put("/api/plan/customs", json={**customs(client), "tilted": True})
    assert mila() == ("writing", 2)
    go_to(client, lesson, "best")
    assert mila() == ("not_begun", 0)
    go_to(client, lesson, "own")
    assert mila() == ("not_begun", 2)


@pytest.mark.parametrize(
    ("method", "path", "body"),
    [
        ("PUT", "/api/plan/style", STYLE),
        ("PUT", "/api/plan/language", {"variety": "american", "ordinal": False, "stop": True,
                                       "minutes": 20}),
        ("PUT", "/api/classroom", {"name": "Rush class"}),
        ("PUT", "/api/classroom/pupils/1", {"name": "Milla"}),
    ],
)  # fmt: skip
def test_what_changes_the_class_is_told_to_its_pads_and_to_her_other_screens(
    client: TestClient, pad: TestClient, method: str, path: str, body: dict[str, object]
) -> None:
    before = int(events(client, "/api/write/live")[-1][0])
    assert client.request(method, path, json=body).status_code == 200
    assert [kind for _, kind in events(client, "/api/write/live", after=before)] == ["class"]
    assert [kind for _, kind in events(pad, "/api/pad/events", after=before)] == ["task"]
    refused = client.request(method, path, json={"no": "such"})
    assert refused.status_code == 422
    assert len(events(client, "/api/write/live", after=before)) == 1


def test_where_another_class_is_opened_her_other_screens_hear_it(
    client: TestClient, database: Database, code: str
) -> None:
    del code
    other = add_class(database, account_id=1, name="Rush class", children=("Ada", "Bo"))
    assert client.put("/api/school/open", json={"class_id": 1}).status_code == 204
    found: list[tuple[int, bool]] = []
    with database.news.heard((1, False), lambda: found.append((1, False))):
        client.put("/api/school/open", json={"class_id": other.id})
    assert found == [(1, False)]  # who listens to the first is woken
