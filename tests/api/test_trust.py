"""How far the checker is trusted, and a second pair of eyes, over the wire."""

import csv
import json
from collections.abc import Iterator
from io import StringIO
from typing import Any

import pytest
from fastapi.testclient import TestClient

from firstloop.store.database import Database
from tests import letters
from tests.api.test_api import hand_in
from tests.api.test_table import BEGUN_LOW, GOOD, say
from tests.apps import app_over
from tests.table import letters_on_table
from tests.teachers import signed_in, teacher_of


def finding(client: TestClient, code: str) -> Any:
    found = client.get("/api/check/trust").json()["findings"]
    return next(one for one in found if one["code"] == code)


def test_what_was_said_one_by_one_blind_and_in_one_press_is_counted_apart(
    client: TestClient,
) -> None:
    low = [hand_in(client, BEGUN_LOW)["id"] for _ in range(14)]
    say(client, *low[:3], many=True)
    for one in low[3:13]:
        say(client, one)
    say(client, low[13], findings={"start_place": "not_so", "slant": "missed"})
    found = finding(client, "start_place")
    assert (found["seen"]["agreed"], found["seen"]["of"], found["many"]) == (10, 11, 3)
    assert 0.5 < found["seen"]["low"] < 10 / 11 < found["seen"]["high"]
    assert found["blind"] == {"agreed": 0, "of": 0, "low": None, "high": None}
    assert finding(client, "slant")["missed"] == 1
    trust = client.get("/api/check/trust").json()
    (of_n,) = trust["letters"]
    assert (of_n["name"], of_n["share"]["of"]) == ("n", 11)
    assert [one["name"] for one in trust["hands"]] == ["plain"]


def test_a_finding_overruled_nine_times_is_told_last_here_until_she_ends_it(
    client: TestClient,
) -> None:
    low_and_large = letters.scaled(BEGUN_LOW, 1.6)
    for at in range(10):
        id = hand_in(client, BEGUN_LOW)["id"]
        say(client, id, findings={"start_place": "not_so"} if at < 9 else {})
    assert finding(client, "start_place")["doubted"]
    mixed = hand_in(client, low_and_large)
    codes = [one["code"] for one in mixed["findings"]]
    assert codes[-1] == "start_place"
    assert len(codes) > 1
    assert mixed["say"] == mixed["findings"][0]["say"]
    answer = client.put("/api/check/trust/start_place", json={"in_full": True})
    assert answer.status_code == 204
    assert not finding(client, "start_place")["doubted"]
    (again,) = [one for one in letters_on_table(client, "n") if one["id"] == mixed["id"]]
    assert again["findings"][0]["code"] == "start_place"
    client.put("/api/check/trust/start_place", json={"in_full": False})
    assert finding(client, "start_place")["doubted"]


def test_judgements_leave_as_csv_and_json_without_names_unless_they_are_wished(
    client: TestClient,
) -> None:
    id = hand_in(client, BEGUN_LOW)["id"]
    say(client, id, findings={"start_place": "not_so"})
    text = client.get("/api/check/judgements/csv").text
    (row,) = list(csv.DictReader(StringIO(text)))
    assert "Mila" not in text
    assert (row["target"], row["checked_direction"], row["direction"]) == ("n", "not_yet", "secure")
    assert row["findings"] == "start_place:not_so"
    named = client.get("/api/check/judgements/json", params={"names": True}).text
    (said,) = json.loads(named)["judgements"]
    assert (said["pupil"], said["author"], said["how"]) == ("Mila", "Ms Reed", "seen")


@pytest.fixture
def colleague(client: TestClient, database: Database) -> Iterator[TestClient]:
    with signed_in(app_over(database), database, "Mr Wren") as opened:
        yield opened


def blind_set(client: TestClient, database: Database) -> Any:
    """Twenty letters of the class, for its teacher and a colleague."""
    for at in range(24):
        hand_in(client, BEGUN_LOW if at % 2 else GOOD, pupil_id=1 + at % 2)
    readers = [teacher_of(database), teacher_of(database, "Mr Wren")]
    sent = {"name": "Autumn", "size": 20}
    answer = client.post("/api/check/sets", json=sent | {"readers": readers})
    assert answer.status_code == 201, answer.text
    return answer.json()


def judge_all(reader: TestClient, set_id: int, differs: int) -> None:
    """Sees a start at the base line where the letter has one; of the first few otherwise."""
    sent: dict[str, Any]
    for at, one in enumerate(reader.get(f"/api/blind/sets/{set_id}").json()):
        low = one["strokes"][0]["points"][0][1] < 0.5
        seen = "not_yet" if low is (at >= differs) else "secure"
        sent = {"direction": seen, "size": "secure", "shape": "secure"}
        sent["codes"] = ["start_place"] if seen == "not_yet" else []
        place = f"/api/blind/sets/{set_id}/letters/{one['attempt_id']}"
        assert reader.put(place, json=sent).status_code == 204


def test_two_judge_the_same_letters_and_nobody_sees_anothers_word_before_both_are_through(
    client: TestClient, colleague: TestClient, database: Database
) -> None:
    made = blind_set(client, database)
    (to_judge,) = colleague.get("/api/blind/sets").json()
    assert (to_judge["name"], to_judge["size"], to_judge["done"]) == ("Autumn", 20, 0)
    shown = colleague.get(f"/api/blind/sets/{made['id']}")
    assert "Mila" not in shown.text
    assert "verdict" not in shown.text
    assert all(one["said"] is None for one in shown.json())
    judge_all(colleague, made["id"], differs=2)
    (half,) = client.get("/api/check/sets").json()["sets"]
    assert (half["through"], half["compared"]) == (False, [])
    assert len(client.get("/api/check/judgements/json").json()["judgements"]) == 0
    first = client.get(f"/api/blind/sets/{made['id']}").json()[0]
    assert first["said"] is None  # hers, not his
    judge_all(client, made["id"], differs=0)
    (through,) = client.get("/api/check/sets").json()["sets"]
    pairs = {(one["one"], one["other"]): one for one in through["compared"]}
    hers = pairs["The checker", "Ms Reed"]
    his = pairs["The checker", "Mr Wren"]
    assert hers["direction"]["value"] == 1.0
    assert hers["differ"] == []
    assert 0.7 < his["direction"]["value"] < 0.9
    assert len(his["differ"]) == 2
    assert his["size"] is None  # all alike
    assert {one["code"] for one in his["findings"]} == {"start_place"}


def test_only_the_teachers_blind_word_counts_and_it_goes_with_its_set(
    client: TestClient, colleague: TestClient, database: Database
) -> None:
    made = blind_set(client, database)
    judge_all(colleague, made["id"], differs=20)
    assert all(one["judgement"] is None for one in letters_on_table(client, "n"))
    judge_all(client, made["id"], differs=0)
    judged = [one for one in letters_on_table(client, "n") if one["judgement"]]
    assert len(judged) == 20
    assert {one["judgement"]["author"] for one in judged} == {"Ms Reed"}
    assert client.get("/api/check/trust").json()["blind"]["of"] == 10
    assert client.delete(f"/api/check/sets/{made['id']}").status_code == 204
    assert all(one["judgement"] is None for one in letters_on_table(client, "n"))
    assert colleague.get("/api/blind/sets").json() == []


def test_a_set_is_not_there_for_who_does_not_judge_it(
    client: TestClient, database: Database
) -> None:
    made = blind_set(client, database)
    with signed_in(app_over(database), database, "Ms Finch") as other:
        assert other.get(f"/api/blind/sets/{made['id']}").status_code == 404
        sent = {"direction": "secure", "size": "secure", "shape": "secure"}
        place = f"/api/blind/sets/{made['id']}/letters/1"
        assert other.put(place, json=sent).status_code == 404


def test_too_few_letters_for_a_set_is_said(client: TestClient, database: Database) -> None:
    hand_in(client, GOOD)
    sent = {"name": "A", "size": 20, "readers": [1]}
    answer = client.post("/api/check/sets", json=sent)
    assert answer.status_code == 422
    assert "there are 1 letters to choose from" in answer.json()["detail"]
