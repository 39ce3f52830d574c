"""Plan: a class's style is set once and obeyed everywhere."""

from typing import Any

from fastapi.testclient import TestClient

from tests import letters
from tests.api.test_api import hand_in
from tests.table import letters_on_table

UNCHANGED: dict[str, Any] = {
    "hand": "plain",
    "choices": {},
    "slant_deg": None,
    "width": None,
    "branch": None,
    "exit": None,
    "ruling": "four",
    "top": 1.9,
    "drop": -0.95,
    "looks": {},
    "names": {},
    "x_height_mm": 8,
}


def test_a_style_is_obeyed_by_board_alphabet_and_record(client: TestClient) -> None:
    sent = {"hand": "joined", "choices": {"z": "barred"}, "slant_deg": 8, "width": 1.1}
    kept = client.put("/api/plan/style", json=sent).json()
    assert kept == {**UNCHANGED, **sent} == client.get("/api/plan/style").json()
    (main, bar) = client.get("/api/show/letters/z").json()["strokes"]
    assert main[0]["kind"] == "lead-in"
    assert bar[0]["kind"] == "cross"
    assert client.get("/api/classroom").json()["hand"] == "joined"
    small = client.get("/api/show/alphabet").json()[0]["letters"]
    (z,) = [one for one in small if one["letter"] == "z"]
    assert len(z["strokes"]) == 2


def test_what_was_written_before_stays_as_it_was_checked(client: TestClient) -> None:
    hand_in(client, letters.good_n())
    client.put("/api/plan/style", json={"hand": "looped"})
    (lying,) = letters_on_table(client, "n")
    assert lying["checked"]["shape"] == "secure"


def test_an_unknown_choice_is_refused_and_nothing_changes(client: TestClient) -> None:
    answer = client.put("/api/plan/style", json={"hand": "plain", "choices": {"I": "curly"}})
    assert answer.status_code == 404
    assert 'no "curly" I; it has: barred, plain' in answer.json()["detail"]
    assert client.get("/api/plan/style").json()["choices"] == {}


def test_proportions_out_of_range_are_refused(client: TestClient) -> None:
    answer = client.put("/api/plan/style", json={"hand": "plain", "slant_deg": 60})
    assert answer.status_code == 422
    assert "less than or equal to 20" in answer.json()["detail"]


def test_a_preview_shows_a_style_and_keeps_nothing(client: TestClient) -> None:
    style = {"hand": "looped", "choices": {"y": "slanted"}, "slant_deg": 0}
    seen = client.post("/api/plan/preview", json={"style": style, "words": ["try", "me"]}).json()
    assert [word["text"] for word in seen["words"]] == ["try", "me"]
    assert seen["proportions"]["slant_deg"] == {"value": 0, "least": -5, "most": 20}
    ways = {one["letter"]: [way["name"] for way in one["ways"]] for one in seen["alternatives"]}
    assert ways["y"] == ["scooped", "slanted", "open tail"]
    assert client.get("/api/plan/style").json()["hand"] == "plain"


def test_block_squares_are_whole_squares_on_every_board(client: TestClient) -> None:
    sent = {"hand": "plain", "ruling": "squares", "top": 1.7, "x_height_mm": 12}
    kept = client.put("/api/plan/style", json=sent).json()
    assert (kept["top"], kept["drop"]) == (2, -1)
    lines = client.get("/api/show/letters/h").json()["lines"]
    assert {line["look"] for line in lines} == {"squared"}


def test_shorter_exits_are_drawn_shorter(client: TestClient) -> Any:
    def flick_width() -> float:
        (stroke,) = client.get("/api/show/letters/l").json()["strokes"]
        (first, *_, last) = stroke[-1]["points"]
        return float(last[0] - first[0])

    client.put("/api/plan/style", json={"hand": "flick"})
    usual = flick_width()
    client.put("/api/plan/style", json={"hand": "flick", "exit": 0.5})
    assert abs(flick_width() - usual / 2) < 0.01
