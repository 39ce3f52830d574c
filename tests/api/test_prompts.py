"""Recordings and pictures for words: kept as they came, deleted without a trace."""

import base64

import pytest
from fastapi.testclient import TestClient

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
