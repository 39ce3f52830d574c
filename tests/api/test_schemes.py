"""Plan: schemes copied, changed, checked, parted and put in a better order; files in and out."""

import json
from typing import Any

import pytest
from fastapi.testclient import TestClient


def copied(client: TestClient, like: str = "movement") -> dict[str, Any]:
    made = client.post("/api/plan/schemes", json={"like": like, "name": "Our order"})
    return dict(made.json())


def kept(scheme: dict[str, Any]) -> dict[str, Any]:
    fields = ("name", "why", "letters", "exceptions")
    families = [{field: family[field] for field in fields} for family in scheme["families"]]
    return {"name": scheme["name"], "families": families}


def letters(scheme: dict[str, Any]) -> list[str]:
    return ["".join(family["letters"]) for family in scheme["families"]]


@pytest.mark.parametrize("key", ["movement", "sound", "size"])
def test_a_built_in_scheme_is_whole_and_stays_as_it_is(client: TestClient, key: str) -> None:
    scheme = client.get(f"/api/plan/schemes/{key}").json()
    assert scheme["faults"] == scheme["missing"] == []
    assert len(scheme["steps"]) == 62
    answer = client.put(f"/api/plan/schemes/{key}", json=kept(scheme))
    assert answer.status_code == 404
    assert "copy it" in answer.json()["detail"]


def test_a_letter_moved_to_another_family_is_there_when_one_comes_back(client: TestClient) -> None:
    scheme = copied(client)
    changed = kept(scheme)
    moved = changed["families"][0]["letters"].pop()
    changed["families"][1]["letters"].insert(0, moved)
    client.put(f"/api/plan/schemes/{scheme['key']}", json=changed)
    again = client.get(f"/api/plan/schemes/{scheme['key']}").json()
    assert again["families"][1]["letters"][0] == moved


def test_an_unfinished_scheme_is_kept_and_says_so(client: TestClient) -> None:
    scheme = copied(client, "empty")
    assert len(scheme["missing"]) == 62
    assert len(scheme["faults"]) == 26  # capitals and digits may come in their own time
    changed = {"name": "Ours", "families": [{"name": "First", "letters": list("abcdef")}]}
    answer = client.put(f"/api/plan/schemes/{scheme['key']}", json=changed).json()
    assert answer["faults"][0] == {
        "family": 0,
        "letter": None,
        "what": "6 letters: more than the 5 that you wish for in a lesson",
        "wish": True,
    }
    assert "z" in answer["missing"]


def test_a_family_is_parted_and_an_order_bettered_without_keeping_anything(
    client: TestClient,
) -> None:
    scheme = copied(client, "empty")
    url = f"/api/plan/schemes/{scheme['key']}"
    families = [{"name": "Many", "letters": list("zxqvwbdp")}, {"name": "Few", "letters": ["a"]}]
    client.put(url, json={"name": "Ours", "families": families})
    parts = client.post(f"{url}/split", json={"family": 0}).json()
    assert [len(part["letters"]) for part in parts] == [4, 4]
    proposal = client.post(f"{url}/proposal").json()
    assert proposal["after"]["total"] < proposal["before"]["total"]
    assert letters(client.get(url).json()) == ["zxqvwbdp", "a"]


def test_the_scheme_that_is_followed_decides_a_letters_family(client: TestClient) -> None:
    client.put("/api/plan/schemes", json={"key": "size"})
    assert client.get("/api/plan/letters/g").json()["family"]["family"] == "Tailed"


def test_a_scheme_that_is_forgotten_is_no_longer_followed(client: TestClient) -> None:
    scheme = copied(client)
    client.put("/api/plan/schemes", json={"key": scheme["key"]})
    client.delete(f"/api/plan/schemes/{scheme['key']}")
    assert client.get("/api/plan/schemes").json()["chosen"] == "movement"
    assert client.get(f"/api/plan/schemes/{scheme['key']}").status_code == 404


def test_a_scheme_goes_out_as_a_file_and_comes_in_again(client: TestClient) -> None:
    text = client.get("/api/plan/files/scheme/size").text
    key = client.post("/api/plan/files/scheme", json={"text": text}).json()["key"]
    came = client.get(f"/api/plan/schemes/{key}").json()
    assert letters(came) == letters(client.get("/api/plan/schemes/size").json())


def test_a_faulty_file_is_refused_whole_with_all_its_faults(client: TestClient) -> None:
    data = json.loads(client.get("/api/plan/files/scheme/size").text)
    data["families"][0]["letters"].append("é")
    data["families"][1]["letters"].append("g")
    before = client.get("/api/plan/schemes").json()
    answer = client.post("/api/plan/files/scheme", json={"text": json.dumps(data)})
    assert answer.status_code == 422
    assert len(answer.json()["where"]) == 2
    assert client.get("/api/plan/schemes").json() == before


def test_a_hand_that_was_brought_along_is_written_and_checked_by(client: TestClient) -> None:
    data = json.loads(client.get("/api/plan/files/hand/plain").text)
    data["name"] = "ours"
    data["letters"]["l"] = [{"name": "hooked", "strokes": ["0,top; drop 0,.3; curl .3,base,E"]}]
    client.post("/api/plan/files/hand", json={"text": json.dumps(data)})
    client.put("/api/plan/style", json={"hand": "ours"})
    (stroke,) = client.get("/api/show/letters/l").json()["strokes"]
    assert [move["kind"] for move in stroke] == ["drop", "curl"]
    assert client.delete("/api/plan/files/hand/ours").status_code == 422
    client.put("/api/plan/style", json={"hand": "plain"})
    assert client.delete("/api/plan/files/hand/ours").status_code == 204


def test_a_lessons_letters_are_in_whole_families_however_these_are_parted(
    client: TestClient,
) -> None:
    families = client.get("/api/plan/families-of", params={"letter": list("rbp")}).json()
    (family,) = families
    assert family["name"] == "Down and back up"
    assert sorted(family["letters"]) == list("bhmnpr")
    assert [
        one["name"]
        for one in client.get("/api/plan/families-of", params={"letter": ["A", "7"]}).json()
    ] == ["Capitals: slopes", "Digits: slopes"]
