"""What tests of pads have in common: a pad that joins, a lesson that goes on, what is told."""

from datetime import UTC, datetime, timedelta
from typing import Any

from fastapi import FastAPI
from fastapi.testclient import TestClient

from tests.pads import pad_client

LESSON = {"new": ["n"], "shape": "short", "minutes": 8}
LATER = datetime.now(UTC) + timedelta(hours=1)


def join(app: FastAPI, code: str) -> TestClient:
    pad = pad_client(app)
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 200
    return pad


def go_to(client: TestClient, lesson: int, step: str) -> None:
    place = f"/api/show/lessons/{lesson}/place"
    assert client.put(place, json={"at": step}).status_code == 204


def events(client: TestClient, path: str, after: int = 0) -> list[tuple[str, str]]:
    """What there is to be told after something: its number and its kind."""
    answer = client.get(path, params={"wait": "false"}, headers={"last-event-id": str(after)})
    assert answer.headers["content-type"].startswith("text/event-stream")
    lines = [line.partition(": ") for line in answer.text.splitlines()]
    kinds = [value for name, _, value in lines if name == "event"]
    return list(zip([value for name, _, value in lines if name == "id"], kinds, strict=True))


def newest(client: TestClient) -> list[Any]:
    """What the room shows of what was handed in last."""
    children = client.get("/api/write/room").json()["children"]
    return [wrote for child in children for wrote in child["newest"]]


def stay_on_pads(client: TestClient) -> list[Any]:
    """What pads were refused for good, as the room shows it."""
    return list(client.get("/api/write/room").json()["set_aside"])


def customs(client: TestClient) -> dict[str, Any]:
    known = client.get("/api/plan/customs").json()
    return {name: known[name] for name in ("own", "rubbing_out", "largest_family", "open_joins")}
