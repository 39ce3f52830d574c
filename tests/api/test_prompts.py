"""Recordings and pictures for words: kept as they came, deleted without a trace."""

import base64

import pytest
from fastapi.testclient import TestClient

from firstloop.store import prompts
from firstloop.store.database import Database

OGG = b"OggS" + bytes(range(200))
HEN = "/api/plan/prompts/hen"


def sound(data: bytes) -> dict[str, str]:
    return {"sound": base64.b64encode(data).decode()}


def test_a_word_is_said_shown_and_forgotten(client: TestClient, database: Database) -> None:
    assert client.get(f"{HEN}/sound").status_code == 404
    assert client.put(f"{HEN}/sound", json=sound(OGG)).status_code == 204
    assert client.put(f"{HEN}/tile", json={"tile": "egg"}).status_code == 204
    heard = client.get(f"{HEN}/sound")
    assert (heard.content, heard.headers["content-type"]) == (OGG, "audio/ogg")
    there = client.get("/api/plan/prompts").json()
    assert there == [{"text": "hen", "tile": "egg", "has_sound": True}]
    assert client.delete(f"{HEN}/sound").status_code == 204
    assert client.put(f"{HEN}/tile", json={"tile": None}).status_code == 204
    assert client.get("/api/plan/prompts").json() == []
    assert OGG not in database.path.read_bytes()


@pytest.mark.parametrize(
    ("data", "words"),
    [(b"<script>", "no recording"), (OGG + bytes(1_000_000), "too long"), (b"", "no recording")],
)
def test_what_is_no_recording_is_not_kept(client: TestClient, data: bytes, words: str) -> None:
    answer = client.put(f"{HEN}/sound", json=sound(data))
    assert answer.status_code == 422
    assert words in answer.json()["detail"]
    assert client.get("/api/plan/prompts").json() == []


def test_recordings_of_a_class_are_so_many_and_no_more(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The limits, made small."""
    monkeypatch.setattr(prompts, "MOST_SOUNDS", 3)
    monkeypatch.setattr(prompts, "MOST_SOUND_BYTES", 4 * len(OGG))
    words = ("hen", "pen", "ten", "men")
    paths = [f"/api/plan/prompts/{word}/sound" for word in words]
    assert [client.put(path, json=sound(OGG)).status_code for path in paths] == [204] * 3 + [422]
    assert "more do not fit" in client.put(paths[3], json=sound(OGG)).json()["detail"]
    assert client.put(paths[0], json=sound(OGG * 2)).status_code == 204  # in place of its own
    assert client.put(paths[0], json=sound(OGG * 3)).status_code == 422
    assert client.delete(paths[1]).status_code == 204
    assert client.put(paths[3], json=sound(OGG)).status_code == 204
