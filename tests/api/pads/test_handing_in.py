"""What pads hand in: once, of this lesson, by this child."""

import json
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta
from typing import Any
from uuid import uuid4

import numpy as np
import pytest
from fastapi.testclient import TestClient
from sqlalchemy import select, update

from firstloop.formats.ink_json import SMALL_BYTES
from firstloop.services import checks
from firstloop.store import lesson_codes
from firstloop.store.database import Database
from firstloop.store.handed_in import HandedIn
from firstloop.store.pad_loads import MOST_LETTERS, MOST_POINTS, PadLoad
from firstloop.store.records import ClassRecord
from tests.api.good_requests import STYLE
from tests.api.pads.calls import LATER, events, go_to, newest, stay_on_pads
from tests.conftest import add_class
from tests.pads import attempt
from tests.table import letters_on_table, texts_on_table
from tests.teachers import showing


def test_sent_twice_it_is_kept_once(client: TestClient, pad: TestClient) -> None:
    one = attempt()
    first, second = (pad.post("/api/pad/attempts", json=one) for _ in range(2))
    assert (first.status_code, second.status_code) == (201, 200)
    assert first.json() == second.json()
    assert pad.post("/api/pad/attempts", json=one | {"help": "trace"}).status_code == 409
    assert len(letters_on_table(client, "n")) == 1


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
    assert len(letters_on_table(client, "n")) == 0
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
    for _ in range(2):
        assert pad.post("/api/pad/attempts", json=late).status_code == 410
    (stays,) = stay_on_pads(client)
    assert (stays["id"], stays["who"]["name"], stays["target"]) == (late["id"], "Mila", "n")
    assert "after the lesson's end" in stays["why"]


def test_a_day_after_the_end_nothing_is_taken_whatever_lesson_the_pad_is_in_by_then(
    client: TestClient,
    database: Database,
    school_class: ClassRecord,
    lesson: int,
    pad: TestClient,
) -> None:
    stale = attempt(seat=pad.get("/api/pad/task").json()["seat"])
    with database.writing() as session:
        ended = datetime.now(UTC) - timedelta(hours=25)
        lesson_codes.end(session, school_class.id, lesson, ended)
    assert pad.post("/api/pad/attempts", json=stale).status_code == 410
    code = client.post("/api/write/lesson-code", json={"lesson": lesson}).json()["code"]
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 200
    assert pad.post("/api/pad/attempts", json=stale).status_code == 410
    seat = pad.post("/api/pad/pupil", json={"pupil": 1}).json()["seat"]
    assert pad.post("/api/pad/attempts", json=attempt(seat=seat)).status_code == 201
    assert [one["id"] for one in stay_on_pads(client)] == [stale["id"]]


def test_what_stays_on_a_pad_is_let_go_from_where_the_teacher_is(
    client: TestClient, pad: TestClient
) -> None:
    refused = attempt(target="q")
    assert pad.post("/api/pad/attempts", json=refused).status_code == 422
    address = f"/api/write/set-aside/{refused['id']}"
    assert pad.get("/api/pad/task").json()["let_go"] == []
    assert client.delete(address).status_code == 204
    assert pad.get("/api/pad/task").json()["let_go"] == [refused["id"]]
    assert [kind for _, kind in events(pad, "/api/pad/events")] == ["task"]
    assert stay_on_pads(client) == []
    assert client.delete(f"/api/write/set-aside/{uuid4()}").status_code == 404


def test_a_pad_whose_clock_runs_ahead_loses_no_letter(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    """It told of its clock by what it handed in while the lesson went on."""

    def by_its_clock(**ago: float) -> str:
        return (datetime.now(UTC) + timedelta(hours=1) - timedelta(**ago)).isoformat()

    begun = attempt(written_at=by_its_clock())
    assert pad.post("/api/pad/attempts", json=begun).status_code == 201
    waiting = attempt(written_at=by_its_clock(seconds=5))
    client.post(f"/api/show/lessons/{lesson}/close")
    assert pad.post("/api/pad/attempts", json=waiting).status_code == 201
    late = attempt(written_at=by_its_clock(minutes=-1))
    assert pad.post("/api/pad/attempts", json=late).status_code == 410


def test_what_was_written_in_one_class_is_taken_while_the_tablet_is_in_another(
    client: TestClient, database: Database, lesson: int, pad: TestClient
) -> None:
    waiting = attempt(seat=pad.get("/api/pad/task").json()["seat"])
    other = add_class(database, account_id=1, name="Rush class", children=("Ada", "Bo"))
    client.put("/api/school/open", json={"class_id": other.id})
    showing(client, database, 1)
    code = client.post("/api/write/lesson-code").json()["code"]
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 200
    assert pad.post("/api/pad/attempts", json=waiting).status_code == 201
    client.put("/api/school/open", json={"class_id": 1})
    showing(client, database, 1)
    client.post("/api/write/lesson-code", json={"lesson": lesson})
    assert [wrote["who"]["name"] for wrote in newest(client)] == ["Mila"]


def test_one_at_a_time_is_taken_of_a_pad_and_nothing_else_waits_for_it(
    pad: TestClient,
) -> None:
    """Forty-five at once: while one is looked at, the others are told to come again."""
    with pad, ThreadPoolExecutor(45) as threads:  # as one server, with one loop
        sent = [attempt() for _ in range(45)]
        answers = list(threads.map(lambda one: pad.post("/api/pad/attempts", json=one), sent))
    refused = [one for one in answers if one.status_code == 429]
    assert {one.status_code for one in answers} == {201, 429}
    assert all(one.headers["retry-after"] == "1" for one in refused)
    assert refused[0].json()["title"] == "One at a time"
    again = [pad.post("/api/pad/attempts", json=one).status_code for one in sent]
    assert again.count(200) == 45 - len(refused)
    assert again.count(201) == len(refused)


def test_of_one_pad_so_much_is_taken_in_a_lesson_and_the_teacher_is_told(
    client: TestClient, database: Database, pad: TestClient
) -> None:
    first = attempt()
    assert pad.post("/api/pad/attempts", json=first).status_code == 201
    with database.writing() as session:
        session.execute(update(PadLoad).values(letters=MOST_LETTERS - 1))
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 201
    held = pad.post("/api/pad/attempts", json=attempt())
    assert held.status_code == 429
    assert int(held.headers["retry-after"]) >= 60
    assert held.json()["title"] == "More than a child could write"  # the pad tells it by this
    assert pad.post("/api/pad/attempts", json=first).status_code == 200
    (told,) = client.get("/api/write/pads").json()
    assert told["is_full"]
    with database.writing() as session:
        session.execute(update(PadLoad).values(letters=1, points=MOST_POINTS))
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 429


def test_what_is_far_more_than_a_letter_takes_little_room(
    database: Database, pad: TestClient
) -> None:
    """Twenty thousand points from one end of a field to the other."""
    places = np.random.default_rng(3).uniform(-90_000, 90_000, (20_000, 2)).round(1).tolist()
    strokes = [{"points": [[x, y, at * 4, None] for at, (x, y) in enumerate(places)]}]
    assert pad.post("/api/pad/attempts", json=attempt(strokes=strokes)).status_code == 201
    with database.session() as session:
        (picture,) = session.scalars(select(HandedIn.picture))
    assert len(json.dumps(picture)) <= SMALL_BYTES
    assert len(picture[0]) > 50


def test_what_is_no_ink_is_refused_with_its_place_before_anything_is_done(pad: TestClient) -> None:
    for raw, place in (
        (b"", "body"),
        (b"{", "body"),
        (json.dumps(attempt() | {"more": 1}).encode(), "body.more"),
        (json.dumps(attempt(strokes=[{"points": [[0, "a", None, None]]}])).encode(), "strokes.0"),
    ):
        answer = pad.post("/api/pad/attempts", content=raw)
        assert answer.status_code == 422
        assert any(place in where for where in answer.json()["where"]), answer.json()
    assert pad.post("/api/pad/attempts", content=b" " * 2_000_001).status_code == 413


def test_a_letter_that_the_check_fails_on_is_kept_and_told(
    client: TestClient, pad: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    def fails(*_: object) -> None:
        raise IndexError("a fault of ours")

    monkeypatch.setattr(checks, "check", fails)
    sent = attempt()
    assert [pad.post("/api/pad/attempts", json=sent).status_code for _ in range(2)] == [201, 200]
    (wrote,) = newest(client)
    assert (wrote["id"], wrote["judged"], wrote["say"]) == (sent["id"], False, None)
    assert set(wrote["verdict"].values()) == {"unseen"}


def test_free_writing_that_no_check_can_read_is_kept_all_the_same(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    """Nobody can read a joined hand without knowing what was to be written."""
    client.put("/api/plan/style", json=STYLE | {"hand": "joined", "choices": {}})
    client.post(f"/api/plan/lessons/{lesson}/changes", json={"do": "prompt", "prompt": "A hen?"})
    go_to(client, lesson, "free")
    sent = attempt(kind="free", target="", help="recall")
    assert pad.post("/api/pad/attempts", json=sent).status_code == 201
    assert [wrote["judged"] for wrote in newest(client)] == [False]
    (text,) = texts_on_table(client)
    assert (text["judged"], len(text["strokes"])) == (False, 1)


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
    wrote = letters_on_table(client, "n")
    assert sorted(one["pupil"]["name"] for one in wrote) == ["Jori", "Mila"]


def test_an_id_of_another_version_is_as_good(pad: TestClient) -> None:
    assert pad.post("/api/pad/attempts", json=attempt(id=uuid4().hex)).status_code == 201
