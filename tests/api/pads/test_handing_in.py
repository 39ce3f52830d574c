"""What pads hand in: once, of this lesson, by this child."""

from datetime import UTC, datetime, timedelta
from typing import Any
from uuid import uuid4

import pytest
from fastapi.testclient import TestClient

from firstloop.store import lesson_codes
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.api.pads.calls import LATER, events, go_to
from tests.pads import attempt


def test_sent_twice_it_is_kept_once(client: TestClient, pad: TestClient) -> None:
    one = attempt()
    first, second = (pad.post("/api/pad/attempts", json=one) for _ in range(2))
    assert (first.status_code, second.status_code) == (201, 200)
    assert first.json() == second.json()
    assert pad.post("/api/pad/attempts", json=one | {"help": "trace"}).status_code == 409
    assert client.get("/api/check/letters/n/attempts").json()["total"] == 1


@pytest.mark.parametrize(
    ("change", "status"),
    [
        ({"strokes": []}, 422),
        ({"strokes": [{"points": [[0, 1, 0, None]] * 5}]}, 422),
        ({"strokes": [{"points": [[0, 1, 0, None]]}] * 201}, 413),
        ({"strokes": [{"points": [[0, 1, 0, None]] * 20_001}]}, 413),
        ({"target": "q"}, 422),
        ({"kind": "word"}, 422),
        ({"help": "recall"}, 422),
        ({"id": "7"}, 422),
        ({"written_at": "2026-01-12T09:14:03"}, 422),
        ({"written_at": "0001-01-01T00:00:00+14:00"}, 201),
        ({"written_at": "1970-01-01T00:00:00Z"}, 201),
    ],
)
def test_what_is_no_ink_or_was_not_asked_for_is_refused(
    pad: TestClient, change: dict[str, Any], status: int
) -> None:
    assert pad.post("/api/pad/attempts", json=attempt(**change)).status_code == status


def test_what_is_struck_through_is_kept_and_counts_as_nothing(
    client: TestClient, pad: TestClient
) -> None:
    struck = attempt(struck=True)
    assert pad.post("/api/pad/attempts", json=struck).status_code == 201
    assert pad.post("/api/pad/attempts", json=struck).status_code == 200
    assert client.get("/api/check/letters/n/attempts").json()["total"] == 0
    assert pad.get("/api/pad/task").json()["written"] == 0
    (child,) = [x for x in client.get("/api/write/room").json()["children"] if x["newest"]]
    assert (child["newest"][0]["struck"], child["newest"][0]["verdict"]) == (True, None)
    assert pad.post("/api/pad/best", json={"attempt": struck["id"]}).status_code == 404


def test_the_best_one_is_chosen_and_chosen_anew(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    own = [attempt() for _ in range(2)]
    for one in (attempt(help="trace"), *own):
        pad.post("/api/pad/attempts", json=one)
    go_to(client, lesson, "best")
    offered = pad.get("/api/pad/task").json()["choose"]
    assert [one["id"] for one in offered] == [one["id"] for one in own]  # none that was traced
    for one in own:
        assert pad.post("/api/pad/best", json={"attempt": one["id"]}).status_code == 200
    assert [x["best"] for x in pad.get("/api/pad/task").json()["choose"]] == [False, True]
    assert events(client, "/api/write/live")[-1][1] == "best"


def test_after_the_end_only_what_was_written_before_is_taken(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    before = attempt()
    assert client.post(f"/api/show/lessons/{lesson}/close").status_code == 204
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/attempts", json=before).status_code == 201
    late = attempt(written_at=LATER.isoformat())
    assert pad.post("/api/pad/attempts", json=late).status_code == 401


def test_a_day_after_the_end_nothing_is_taken(
    database: Database, school_class: ClassRecord, lesson: int, pad: TestClient
) -> None:
    before = attempt()
    with database.writing() as session:
        ended = datetime.now(UTC) - timedelta(hours=25)
        lesson_codes.end(session, school_class.id, lesson, ended)
    assert pad.post("/api/pad/attempts", json=before).status_code == 401


def test_what_a_child_wrote_stays_its_own_when_the_tablet_is_passed_on(
    client: TestClient, pad: TestClient
) -> None:
    """Mila's letter is still on the pad when Jori takes it."""
    milas = pad.get("/api/pad/task").json()["seat"]
    waiting = attempt(seat=milas)
    joris = pad.post("/api/pad/pupil", json={"pupil": 2}).json()
    assert joris["handedness"] == "left"
    assert pad.post("/api/pad/attempts", json=waiting).status_code == 201
    assert pad.post("/api/pad/attempts", json=attempt(seat=joris["seat"])).status_code == 201
    wrote = client.get("/api/check/letters/n/attempts").json()["attempts"]
    assert sorted(one["pupil"]["name"] for one in wrote) == ["Jori", "Mila"]


def test_an_id_of_another_version_is_as_good(pad: TestClient) -> None:
    assert pad.post("/api/pad/attempts", json=attempt(id=uuid4().hex)).status_code == 201
