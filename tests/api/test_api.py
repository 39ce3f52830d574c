"""The API by real requests: the path from the board to the record, and errors that help."""

import json
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from firstloop.core.evidence.ink import Ink
from firstloop.formats import ink_json
from firstloop.store.database import Database
from tests import letters
from tests.apps import app_over
from tests.table import letters_on_table
from tests.teachers import signed_in

STORED_DOCUMENT = Path(__file__).parents[2] / "web" / "src" / "api" / "openapi.json"


def sent(ink: Ink, letter: str = "n", pupil_id: int = 1) -> dict[str, Any]:
    return {
        "pupil_id": pupil_id,
        "letter": letter,
        "help": "copy",
        "strokes": ink_json.strokes_of(ink),
    }


def hand_in(client: TestClient, ink: Ink, **fields: Any) -> dict[str, Any]:
    answer = client.post("/api/write/attempts", json=sent(ink, **fields))
    assert answer.status_code == 201
    return dict(answer.json())


def test_the_class_has_its_letters_lines_and_children(client: TestClient) -> None:
    answer = client.get("/api/classroom").json()
    assert answer["letters"][:4] == ["a", "b", "c", "d"]
    assert len(answer["letters"]) == 68
    assert [line["name"] for line in answer["lines"]] == ["top", "mid", "base", "drop"]
    assert [pupil["name"] for pupil in answer["pupils"]] == ["Jori", "Mila"]


def test_a_letter_comes_move_by_move_with_its_words(client: TestClient) -> None:
    answer = client.get("/api/show/letters/n").json()
    (stroke,) = answer["strokes"]
    assert [move["kind"] for move in stroke] == ["drop", "back", "arch"]
    assert stroke[0]["points"] == [[0.0, 1.0], [0.0, 0.0]]
    assert [move["begin"] for move in stroke] == ["at the mid line", None, None]
    said = ", ".join(move["words"] for move in stroke)
    assert answer["phrase"] == f"at the mid line: {said}"


def test_a_letter_handed_in_lies_on_the_table_and_counts_in_the_record(client: TestClient) -> None:
    handed = hand_in(client, letters.m_from_the_base_line(), letter="m")
    assert [finding["code"] for finding in handed["findings"]] == ["start_place"]
    table = client.get("/api/check/table", params={"letter": "m"}).json()
    assert table["family"]["letters"] == ["r", "n", "h", "m"]
    assert letters_on_table(client, "m") == [handed]
    found = client.get("/api/grow/map").json()
    letters_there = [letter for family in found["families"] for letter in family["letters"]]
    place = letters_there.index("m")
    row = found["rows"][1]
    assert row["written"][place] == 1
    assert row["states"]["weakest"][place] == "unknown"  # one letter says too little
    chances = row["chances"]
    likely = 0
    assert chances["direction"][place][likely] < chances["size"][place][likely]


def test_a_letter_taken_back_is_gone(client: TestClient) -> None:
    handed = hand_in(client, letters.good_n())
    assert client.delete(f"/api/write/attempts/{handed['id']}").status_code == 204
    assert letters_on_table(client, "n") == []


def test_a_child_is_forgotten_on_request(client: TestClient) -> None:
    hand_in(client, letters.good_n())
    assert client.delete("/api/classroom/pupils/1").status_code == 200
    assert [p["name"] for p in client.get("/api/classroom").json()["pupils"]] == ["Jori"]
    assert letters_on_table(client, "n") == []


def test_a_left_handed_child_may_pull_a_bar_from_the_right(client: TestClient) -> None:
    """Which hand a child writes with is the record's to know, not the pad's to say."""
    pulled = letters.ink(letters.pen((0.25, 1.5), (0.25, 0.0)), letters.pen((0.5, 1.0), (0.0, 1.0)))
    hands = {p["id"]: p["handedness"] for p in client.get("/api/classroom").json()["pupils"]}
    codes = {
        hands[child]: [
            f["code"] for f in hand_in(client, pulled, letter="t", pupil_id=child)["findings"]
        ]
        for child in hands
    }
    assert codes == {"left": [], "right": ["stroke_direction"]}


WORD_ON_NOTHING = {"words": [{"attempt_id": 99, "said": {}}]}


@pytest.mark.parametrize(
    ("method", "place", "body", "status", "detail"),
    [
        ("GET", "/api/show/letters/ß", None, 404, 'the plain hand has no letter "ß"'),
        ("GET", "/api/check/attempts/99/closer", None, 404, "no attempt 99"),
        ("DELETE", "/api/write/attempts/99", None, 404, "no attempt 99"),
        ("POST", "/api/check/words", WORD_ON_NOTHING, 404, "no attempt 99"),
        ("POST", "/api/check/words", {"words": [{"said": {}}]}, 422, "which text it is about"),
        ("DELETE", "/api/classroom/pupils/99", None, 404, "no pupil 99"),
        ("GET", "/api/nothing", None, 404, "Not Found"),
        ("POST", "/api/write/attempts", sent(Ink(())), 422, "there is no ink"),
        ("POST", "/api/write/attempts", sent(letters.good_n(), pupil_id=99), 404, "no pupil 99"),
        ("POST", "/api/write/attempts", {"letter": "n"}, 422, "body.pupil_id: Field required"),
        (
            "POST",
            "/api/write/attempts",
            sent(letters.good_n()) | {"strokes": [{"points": [[0, 1]]}]},
            422,
            "body.strokes.0.points.0.2: Field required",
        ),
    ],
)
def test_what_goes_wrong_is_a_problem_document(
    client: TestClient, method: str, place: str, body: Any, status: int, detail: str
) -> None:
    answer = client.request(method, place, json=body)
    assert answer.status_code == status
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert detail in problem["detail"]
    assert problem["status"] == status


def test_a_faulty_letter_loses_nothing_that_was_there(client: TestClient) -> None:
    hand_in(client, letters.good_n())
    client.post("/api/write/attempts", json=sent(Ink(())))
    assert len(letters_on_table(client, "n")) == 1


def test_an_empty_record_answers_with_what_to_do(database: Database) -> None:
    with signed_in(app_over(database), database) as empty:
        answer = empty.get("/api/classroom")
    assert answer.status_code == 404
    assert "firstloop demo" in answer.json()["detail"]


def test_the_stored_document_is_what_the_application_gives(client: TestClient) -> None:
    assert json.loads(STORED_DOCUMENT.read_text()) == client.get("/api/openapi.json").json()


def test_stages_are_set_for_the_class_and_for_a_child(client: TestClient) -> None:
    assert client.get("/api/classroom").json()["stage"] == "developing"
    assert client.put("/api/classroom/stage", json={"stage": "secure"}).json()["stage"] == "secure"
    changed = client.put("/api/classroom/pupils/1/gets", json={"stage": "beginning"})
    assert changed.json()["gets"]["stage"] == "beginning"
    assert client.put("/api/classroom/pupils/99/gets", json={"stage": None}).status_code == 404
    assert client.put("/api/classroom/stage", json={"stage": "perfect"}).status_code == 422
