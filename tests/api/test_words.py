"""Plan, words, by real requests: words for a letter, chains, sentences, whole words."""

from typing import Any

from fastapi.testclient import TestClient

from tests.api.test_today import planned


def test_words_for_a_letter_by_place_with_their_families(taught: TestClient) -> None:
    rows = taught.get("/api/plan/picker", params={"new": "n"}).json()
    by_place = {row["where"]: row["words"] for row in rows}
    first = by_place["first"][0]
    assert first["word"]["text"] == "nap"
    assert len(first["families"]) == 3
    more = taught.get("/api/plan/picker", params={"new": "n", "untaught": 1}).json()
    assert any(one["untaught"] for row in more for one in row["words"])


def test_chains_and_puzzles_keep_to_taught_letters(taught: TestClient) -> None:
    chain = taught.get("/api/plan/chain/sit", params={"start": "map"}).json()["words"]
    assert [word["text"] for word in chain][:: len(chain) - 1] == ["map", "sit"]
    long = taught.get("/api/plan/chain", params={"start": "cat", "length": 8}).json()["words"]
    assert long == []  # c is not taught
    every: dict[str, Any] = {"start": "cat", "length": 8, "all_letters": True}
    assert len(taught.get("/api/plan/chain", params=every).json()["words"]) == 8
    puzzles = taught.get("/api/plan/missing-pairs", params={"all_letters": True}).json()
    assert puzzles[0]["left"].count(None) == 1


def test_a_teachers_own_word_is_picked_and_forgotten(taught: TestClient) -> None:
    added = taught.post("/api/plan/own-words", json={"noted": "pra(mmi)t"}).json()
    assert [g["letters"] for g in added["graphemes"]] == ["p", "r", "a", "mmi", "t"]
    assert taught.post("/api/plan/own-words", json={"noted": "n1t"}).status_code == 422
    assert [w["text"] for w in taught.get("/api/plan/own-words").json()] == ["prammit"]
    assert taught.delete("/api/plan/own-words/prammit").status_code == 204
    assert taught.get("/api/plan/own-words").json() == []


def test_sentences_are_offered_and_looked_over(taught: TestClient) -> None:
    offered = taught.get("/api/plan/sentences", params={"new": "n"}).json()
    assert offered
    looked = taught.post("/api/plan/sentences/look-over", json={"text": "the man sat  in."}).json()
    assert looked["words"] == ["the", "man", "sat", "in"]
    assert len(looked["notes"]) == 3


def test_phrases_are_offered_beside_sentences(taught: TestClient) -> None:
    phrases = taught.get("/api/plan/phrases", params={"new": "n"}).json()
    assert "an ant" in phrases
    lesson = planned(taught)
    place = f"/api/plan/lessons/{lesson['id']}/changes"
    changed = taught.post(place, json={"do": "sentence", "sentence": "an ant"}).json()
    assert changed["sentence"]["notes"][0].startswith("A phrase.")
    (stop,) = [stop for stop in changed["course"] if stop["kind"] == "sentence"]
    assert [one["kind"] for one in stop["writings"]] == ["phrase"]


def test_a_chain_may_come_back_to_its_first_word(taught: TestClient) -> None:
    asked = {"length": 4, "all_letters": True, "back": True}
    words = [one["text"] for one in taught.get("/api/plan/chain", params=asked).json()["words"]]
    assert len(words) == 5
    assert words[0] == words[-1]
    assert len(set(words)) == 4


def test_a_word_is_met_in_its_own_lesson_and_a_capital_in_its_small_letters_words(
    taught: TestClient,
) -> None:
    assert planned(taught, "said", 8)["words"][0] == "said"
    assert any("a" in word for word in planned(taught, "A", 8)["words"])


def test_a_whole_word_is_taught_as_it_stands_comes_back_and_can_be_forgotten(
    taught: TestClient,
) -> None:
    lesson = taught.post("/api/plan/lessons", json={"new": ["said"], "shape": "short"}).json()
    taught.post(f"/api/show/lessons/{lesson['id']}/close")
    today = taught.get("/api/plan/today").json()
    assert today["taught_words"] == ["said"]
    assert "d" not in today["taught"]  # its letters have lessons of their own
    assert "said" in [one["letter"] for one in today["due"]]
    taught.put("/api/plan/taught", json={"letters": today["taught"], "words": []})
    again = taught.get("/api/plan/today").json()
    assert (again["taught_words"], again["taught"]) == ([], today["taught"])
