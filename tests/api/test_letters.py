"""Plan: a letter's page, and the teacher's own words for what the pen does."""

import pytest
from fastapi.testclient import TestClient


def spoken(client: TestClient, letter: str) -> str:
    """What is said of its moves, without where they begin."""
    phrase = str(client.get(f"/api/show/letters/{letter}").json()["phrase"])
    return "; ".join(stroke.partition(": ")[2] for stroke in phrase.split("; "))


def test_a_letters_page_has_all_there_is_to_know(client: TestClient) -> None:
    page = client.get("/api/plan/letters/n").json()
    assert [form["hand"] for form in page["forms"]] == ["plain", "joined"]
    assert page["forms"][0]["drawing"]["spaces"] == ["middle"]
    assert [move["words"] for move in page["moves"][0]] == [
        "straight down",
        "back up the same line",
        "over and down",
    ]
    assert "n" in page["family"]["letters"]
    assert {"h", "r"} <= {relative["letter"] for relative in page["relatives"]}
    assert page["slips"][0]["name"] == "from the foot"
    assert page["word_count"] >= len(page["words"]) > 10
    assert all("n" in word["text"] for word in page["words"])


def test_an_exception_says_what_is_different_in_it(client: TestClient) -> None:
    family = client.get("/api/plan/letters/e").json()["family"]
    assert family["exception"].startswith("begins half way up to the mid line")


def test_a_capital_has_one_form_a_family_of_its_own_and_the_words_that_it_adds(
    client: TestClient,
) -> None:
    page = client.get("/api/plan/letters/M").json()
    assert [form["hand"] for form in page["forms"]] == ["plain"]
    assert page["family"]["family"].startswith("Capitals: straight down")
    assert "Monday" in [word["text"] for word in page["words"]]


def test_the_teachers_words_are_said_wherever_a_move_comes(client: TestClient) -> None:
    client.put("/api/plan/phrases", json={"key": "back", "words": "  climb   up again "})
    assert spoken(client, "n") == "straight down, climb up again, over and down"
    assert "climb up again" in spoken(client, "h")


def test_words_for_one_letter_win_and_can_be_taken_back(client: TestClient) -> None:
    client.put("/api/plan/phrases", json={"key": "back", "words": "climb"})
    here = {"key": "back", "letter": "n", "stroke": 0, "move": 1}
    client.put("/api/plan/phrases", json={**here, "words": "hop up"})
    assert "hop up" in spoken(client, "n")
    assert "climb" in spoken(client, "m")
    client.put("/api/plan/phrases", json={**here, "words": ""})
    assert "climb" in spoken(client, "n")


@pytest.mark.parametrize("place", [{}, {"letter": "l", "stroke": 0, "move": 0}])
def test_ours_are_said_again_even_where_hers_were_for_every_stem(
    client: TestClient, place: dict[str, object]
) -> None:
    ours = spoken(client, "l")
    for key in ("drop", "drop-tall"):
        client.put("/api/plan/phrases", json={**place, "key": key, "words": f"my {key}"})
    assert spoken(client, "l") == "my drop-tall"
    client.put("/api/plan/phrases", json={**place, "key": "drop-tall", "words": ""})
    assert spoken(client, "l") == ours


def test_words_for_tall_stems_leave_those_for_every_stem(client: TestClient) -> None:
    client.put("/api/plan/phrases", json={"key": "drop", "words": "down we go"})
    client.put("/api/plan/phrases", json={"key": "drop-tall", "words": "all the way"})
    assert spoken(client, "l") == "all the way"
    assert spoken(client, "n").startswith("down we go")


def test_words_belong_to_the_hand_they_were_said_in(client: TestClient) -> None:
    client.put("/api/plan/phrases", json={"key": "drop", "words": "down we go"})
    client.put("/api/plan/style", json={"hand": "looped"})
    assert "down we go" not in spoken(client, "l")
    client.put("/api/plan/style", json={"hand": "plain"})
    assert spoken(client, "l") == "down we go"


def test_a_word_is_drawn_as_a_file_still_or_moving(client: TestClient) -> None:
    still = client.get("/api/show/drawing", params={"text": "cat"})
    moving = client.get("/api/show/drawing", params={"text": "cat", "animated": True})
    assert still.headers["content-type"] == moving.headers["content-type"] == "image/svg+xml"
    assert "@keyframes" in moving.text
    assert "@keyframes" not in still.text


def test_slips_follow_what_the_class_had_and_a_habit_comes_first(client: TestClient) -> None:
    def first(**query: str) -> str:
        page = client.get("/api/plan/letters/n", params=query).json()
        return str(page["slips"][0]["name"])

    assert first() == "from the foot"
    assert first(habit="branch_place") == "leaving the stem at the top"
    pair = client.get("/api/plan/pairs/sh").json()
    assert [slip["name"] for slip in pair["slips"]] == [
        "far apart",
        "the other way round",
        "h too short",
    ]
    assert client.get("/api/plan/pairs/n").json()["slips"] == []
