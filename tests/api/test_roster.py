"""A class of one's own: made once, its children read from a list, taken in, called otherwise."""

from collections.abc import Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient

from firstloop.store.database import Database
from tests.apps import app_over
from tests.teachers import signed_in

LIST = "/api/classroom/list"


@pytest.fixture
def empty(database: Database) -> Iterator[TestClient]:
    """A record without a class."""
    with signed_in(app_over(database), database) as opened:
        yield opened


def names(client: TestClient) -> list[str]:
    return [one["name"] for one in client.get("/api/classroom").json()["pupils"]]


@pytest.mark.parametrize(
    "called", ["Mila\u200b", "\u3164Mila", "Mi\u00adla", "Ｍｉｌａ", "  Mila\u2060 ", "MILA"]
)
def test_what_is_not_seen_makes_no_other_name(client: TestClient, called: str) -> None:
    answer = client.post("/api/classroom/pupils", json={"children": [{"name": called}]})
    assert answer.status_code == 409
    assert answer.json()["title"] == "There already"


@pytest.mark.parametrize("called", ["\u200b", "\u3164", "\u00ad\u00ad", " \u2060 "])
def test_a_name_of_nothing_that_is_seen_is_none(client: TestClient, called: str) -> None:
    answer = client.post("/api/classroom/pupils", json={"children": [{"name": called}]})
    assert answer.status_code == 422


def test_names_that_look_alike_are_asked_about(client: TestClient) -> None:
    """A Cyrillic a; a tall I for an l."""
    for path, sent in (
        ("/api/classroom/pupils", {"children": [{"name": "Mil\u0430"}]}),
        ("/api/classroom/pupils", {"children": [{"name": "MiIa"}]}),
        ("/api/school/colleagues", {"name": "Ms R\u0435ed", "password": "two hens on a wall"}),
        ("/api/classroom", {"name": "Reed cl\u0430ss", "hand": "plain"}),
    ):
        asked = client.post(path, json=sent)
        assert asked.status_code == 409, sent
        assert asked.json()["title"] == "Looks alike"
        assert client.post(path, params={"alike": True}, json=sent).status_code == 201, sent
        assert client.post(path, json=sent).status_code == 409


def test_from_nothing_to_a_class_with_its_children(empty: TestClient) -> None:
    choices = empty.get("/api/classroom/choices").json()
    assert [one["hand"] for one in choices["hands"]] == ["plain", "flick", "joined", "looped"]
    assert len(choices["rulings"]) == 5
    read = empty.post(LIST, json={"text": "Mila, left\nJori\n"}).json()
    assert read["faults"] == []
    children = [{"name": c["name"], "handedness": c["handedness"]} for c in read["children"]]
    sent = {"name": "Reed class", "hand": "joined", "ruling": "three", "children": children}
    made = empty.post("/api/classroom", json=sent)
    assert made.status_code == 201
    assert [(p["name"], p["handedness"]) for p in made.json()["pupils"]] == [
        ("Jori", "right"),
        ("Mila", "left"),
    ]
    assert made.json() == empty.get("/api/classroom").json()
    assert empty.get("/api/plan/today").status_code == 200


@pytest.mark.parametrize(
    ("changed", "status", "words"),
    [
        ({"hand": "quill"}, 404, 'no hand "quill"'),
        ({"name": "  "}, 422, "body.name"),
        ({"x_height_mm": 90.0}, 422, "body.x_height_mm"),
        ({"children": [{"name": "Mila"}, {"name": "MILA"}]}, 409, "Mila is there already"),
        ({"children": [{"name": f"Child {at}"} for at in range(61)]}, 422, "body.children"),
    ],
)
def test_a_faulty_class_is_not_made(
    empty: TestClient, changed: dict[str, Any], status: int, words: str
) -> None:
    answer = empty.post("/api/classroom", json={"name": "Reed class", "hand": "plain"} | changed)
    assert answer.status_code == status
    assert words in answer.json()["detail"]
    assert empty.get("/api/classroom").status_code == 404


def test_a_second_class_is_beside_the_first_and_called_otherwise(client: TestClient) -> None:
    answer = client.post("/api/classroom", json={"name": "REED class", "hand": "plain"})
    assert answer.status_code == 409
    assert "you have a class called REED class already" in answer.json()["detail"]
    assert client.post("/api/classroom", json={"name": "Rush", "hand": "joined"}).is_success
    assert client.get("/api/classroom").json()["name"] == "Rush"
    hers = client.get("/api/school/classes").json()["classes"]
    assert [(one["name"], one["is_open"]) for one in hers] == [
        ("Reed class", False),
        ("Rush", True),
    ]
    assert client.put("/api/school/open", json={"class_id": hers[0]["id"]}).status_code == 204
    assert client.get("/api/classroom").json()["name"] == "Reed class"


def test_children_come_all_or_none(client: TestClient) -> None:
    sent = {"children": [{"name": "Ada", "handedness": "left"}, {"name": "jori"}]}
    assert client.post("/api/classroom/pupils", json=sent).status_code == 409
    assert names(client) == ["Jori", "Mila"]
    sent["children"][1]["name"] = "Bo"
    assert client.post("/api/classroom/pupils", json=sent).status_code == 201
    assert names(client) == ["Ada", "Bo", "Jori", "Mila"]
    many = {"children": [{"name": f"Child {at}"} for at in range(57)]}
    full = client.post("/api/classroom/pupils", json=many)
    assert (full.status_code, len(names(client))) == (422, 4)


def test_a_child_is_called_otherwise_and_keeps_what_it_wrote(client: TestClient) -> None:
    place = "/api/classroom/pupils/1"
    changed = client.put(place, json={"name": " Milla ", "handedness": "left"}).json()
    assert (changed["name"], changed["handedness"]) == ("Milla", "left")
    assert client.put(place, json={"name": "milla"}).status_code == 200
    taken = client.put(place, json={"name": "JORI"})
    assert (taken.status_code, taken.json()["title"]) == (409, "There already")
    assert client.put("/api/classroom/pupils/9", json={"name": "Ada"}).status_code == 404


def test_two_faults_of_a_list_are_named_by_their_lines(client: TestClient) -> None:
    text = "name;hand\nAda;left\nBo;both\n;right\nMila;"
    read = client.post(LIST, json={"text": text}).json()
    assert [(one["line"], one["what"].split(";")[0]) for one in read["faults"]] == [
        (3, '"both" is no hand'),
        (4, "there is no name"),
        (5, "Mila is there already"),
    ]
    assert [one["name"] for one in read["children"]] == ["Ada", "Mila"]
    assert names(client) == ["Jori", "Mila"]
