"""Pads by their contract: joining, tiles, tasks, handing in, what they are never answered."""

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from typing import Any
from uuid import uuid4

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.api.deps import PAD_COOKIE
from firstloop.services import tries
from firstloop.store import lesson_codes, school
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.api.good_requests import INK, REQUESTS, SOUND
from tests.api.hostile import url_of
from tests.apps import app_over
from tests.pads import attempt, pad_client
from tests.teachers import signed_in

LESSON = {"new": ["n"], "shape": "short", "minutes": 8}
LATER = datetime.now(UTC) + timedelta(hours=1)


@pytest.fixture
def app(database: Database) -> FastAPI:
    return app_over(database)


@pytest.fixture
def lesson(client: TestClient) -> int:
    """Today's, on n, which no board has begun."""
    return int(client.post("/api/plan/lessons", json=LESSON).json()["id"])


@pytest.fixture
def code(client: TestClient, lesson: int) -> str:
    return str(client.post("/api/write/lesson-code", json={"lesson": lesson}).json()["code"])


def join(app: FastAPI, code: str) -> TestClient:
    pad = pad_client(app)
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 200
    return pad


@pytest.fixture
def pad(app: FastAPI, code: str) -> Iterator[TestClient]:
    """A pad that is in, with Mila at it."""
    opened = join(app, code)
    assert opened.post("/api/pad/pupil", json={"pupil": 1}).status_code == 200
    yield opened
    opened.close()


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


# Joining


@pytest.mark.parametrize("change", [str.upper, str.title, lambda x: x.replace(" ", "-")])
def test_capitals_and_the_joiner_do_not_matter(app: FastAPI, code: str, change: Any) -> None:
    answer = pad_client(app).post("/api/pad/join", json={"code": change(code)})
    assert answer.status_code == 200
    told = answer.json()
    assert [one["name"] for one in told["pupils"]] == ["Jori", "Mila"]
    assert not any(one["taken"] for one in told["pupils"])
    cookies = answer.headers.get_list("set-cookie")
    assert all("HttpOnly" in one and "SameSite=strict" in one for one in cookies)


def test_opening_again_gives_the_same_code_and_two_lessons_have_one_each(
    client: TestClient, lesson: int, code: str, app: FastAPI
) -> None:
    again = client.post("/api/write/lesson-code").json()
    assert (again["code"], again["lesson"]) == (code, lesson)
    assert again["qr_svg"].startswith("<svg")
    assert again["url"].endswith(f"/pad?code={code.replace(' ', '-')}")
    other = client.post("/api/plan/lessons", json=LESSON | {"new": ["m"]}).json()["id"]
    second = client.post("/api/write/lesson-code", json={"lesson": other}).json()["code"]
    assert second != code
    pads = {join(app, one).get("/api/pad/lesson").json()["lesson"]["id"] for one in (code, second)}
    assert pads == {lesson, other}


def test_where_nothing_is_planned_a_lesson_on_what_comes_next_is(client: TestClient) -> None:
    opened = client.post("/api/write/lesson-code").json()
    today = client.get("/api/plan/today").json()["lesson"]
    assert (opened["lesson"], today["shape"]) == (today["id"], "short")


def test_a_wrong_code_is_refused_and_guessing_is_limited(app: FastAPI, code: str) -> None:
    pad = pad_client(app)
    found = [pad.post("/api/pad/join", json={"code": f"owl {at}"}) for at in range(12)]
    refused = [403] * tries.CODES_FROM_ONE_PLACE
    assert [one.status_code for one in found] == [*refused, 429, 429]
    assert int(found[-1].headers["retry-after"]) > 0
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 429


def test_a_known_pad_waits_for_the_nod(app: FastAPI, client: TestClient, pad: TestClient) -> None:
    known = {"known": True}
    assert pad_client(app).post("/api/pad/join", json=known).status_code == 403
    assert pad.post("/api/pad/leave").status_code == 200
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/join", json=known).status_code == 202
    assert [one["state"] for one in client.get("/api/write/pads").json()] == ["asking"]
    assert pad.post("/api/pad/join", json=known).status_code == 202
    assert client.post("/api/write/nod", json={}).json() == {"nodded": 1}
    assert pad.post("/api/pad/join", json=known).status_code == 200
    assert pad.get("/api/pad/task").status_code == 200


def test_a_tile_is_taken_once_and_can_be_freed(
    app: FastAPI, client: TestClient, pad: TestClient, code: str
) -> None:
    other = join(app, code)
    tiles = other.get("/api/pad/lesson").json()["pupils"]
    assert [one["taken"] for one in tiles] == [False, True]
    refused = other.post("/api/pad/pupil", json={"pupil": 1})
    assert refused.status_code == 409
    assert "Mila" in refused.json()["detail"]
    number = next(x["pad"] for x in client.get("/api/write/pads").json() if x["pupil"])
    assert client.post(f"/api/write/pads/{number}/free").status_code == 204
    assert other.post("/api/pad/pupil", json={"pupil": 1}).status_code == 200
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 422  # nobody sits there
    assert other.post("/api/pad/pupil", json={"pupil": 99}).status_code == 404


def test_a_pad_that_is_put_out_is_out_and_hears_it(client: TestClient, pad: TestClient) -> None:
    number = client.get("/api/write/pads").json()[0]["pad"]
    assert client.delete(f"/api/write/pads/{number}").status_code == 204
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 401
    assert client.get("/api/write/pads").json() == []


def test_pads_that_are_forgotten_come_in_by_the_code_again(
    client: TestClient, pad: TestClient, code: str
) -> None:
    assert client.delete("/api/write/pads").status_code == 204
    assert pad.get("/api/pad/task").status_code == 401
    assert pad.post("/api/pad/join", json={"known": True}).status_code == 403
    assert pad.post("/api/pad/join", json={"code": code}).status_code == 200


# What a pad may not


def test_with_a_pads_cookie_no_other_route_answers(database: Database, pad: TestClient) -> None:
    """Nor where it sits at the machine of a demonstration, which signs others in."""
    with database.writing() as session:
        school.set_demo(session)
    token = pad.cookies[PAD_COOKIE]
    here = TestClient(pad.app, base_url="http://localhost", client=("127.0.0.1", 50_000))
    here.cookies.set(PAD_COOKIE, token)
    document = here.get("/api/openapi.json").json()["paths"]
    assert len(document) > 90
    others = {"/api/session", "/api/account", "/api/tiles", "/api/tiles/{name}"}
    for good in REQUESTS:
        if not good.path.startswith("/api/pad/") and good.path not in others:
            answer = here.request(good.method, url_of(good), json=good.body)
            assert answer.status_code == 401, good.operation
            assert "Mila" not in answer.text
    assert {one.path for one in REQUESTS} == set(document)
    assert here.get("/api/session").json()["state"] in ("new", "out")


def test_signed_out_nothing_of_a_child_is_read(app: FastAPI, pad: TestClient) -> None:
    assert pad.post("/api/pad/attempts", json=attempt()).status_code == 201
    nobody = pad_client(app)
    for path in ("task", "lesson", "events", "prompts/1"):
        answer = nobody.get(f"/api/pad/{path}", params={"wait": "false"})
        assert (answer.status_code, "Mila" in answer.text) == (401, False)


def test_another_childs_letters_are_neither_read_nor_written_over(
    app: FastAPI, code: str, pad: TestClient
) -> None:
    mine = attempt()
    assert pad.post("/api/pad/attempts", json=mine).status_code == 201
    other = join(app, code)
    seat = other.post("/api/pad/pupil", json={"pupil": 2}).json()["seat"]
    assert other.post("/api/pad/attempts", json=mine).status_code == 409
    assert other.post("/api/pad/best", json={"attempt": mine["id"]}).status_code == 404
    assert other.post("/api/pad/attempts", json=attempt(seat=seat - 1)).status_code == 404


# Tasks


def test_help_fades_row_by_row(pad: TestClient) -> None:
    seen = []
    for _ in range(12):
        task = pad.get("/api/pad/task").json()
        seen.append((task["help"], task["written"], task["enough"]))
        assert pad.post("/api/pad/attempts", json=attempt(help=task["help"])).status_code == 201
    rows = [("trace", 3), ("finish", 3), ("copy", 5)]
    assert seen[:11] == [(help, at, most) for help, most in rows for at in range(most)]
    assert seen[11] == ("copy", 5, 5)  # enough; one more is no fault


def test_the_pad_follows_the_lesson(client: TestClient, lesson: int, pad: TestClient) -> None:
    def doing() -> tuple[str, str | None]:
        task = pad.get("/api/pad/task").json()
        return task["doing"], task["step"]

    client.post(f"/api/plan/lessons/{lesson}/changes", json={"do": "shape", "shape": "full"})
    assert doing() == ("write", "date")
    for step, expected in (
        ("settle", ("watch", None)),
        ("big", ("air", None)),
        ("own", ("write", "own")),
        ("best", ("choose", None)),
    ):
        go_to(client, lesson, step)
        assert doing() == (expected[0], expected[1]), step
    kinds = [kind for _, kind in events(pad, "/api/pad/events")]
    assert kinds == ["task", "task", "task", "task", "choose"]


def test_from_memory_there_is_no_model_and_the_prompt_is_this_pads_own(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    for text in ("in", "inn"):
        client.put(f"/api/plan/prompts/{text}/sound", json={"sound": SOUND})
    client.put("/api/plan/prompts/in/tile", json={"tile": "snail"})
    client.put("/api/plan/taught", json={"letters": ["i", "n"]})
    for change in (
        {"do": "words", "words": ["in"]},
        {"do": "skip", "kind": "words", "skipped": False},
    ):
        changed = client.post(f"/api/plan/lessons/{lesson}/changes", json=change)
        assert changed.status_code == 200, changed.text
    go_to(client, lesson, "words")
    copied = pad.get("/api/pad/task").json()
    assert (copied["help"], copied["model"]["words"][0]["letter"]) == ("copy", "in")
    assert copied["prompt"]["sound"] is None
    client.put("/api/plan/customs", json={**customs(client), "from_memory": True})
    task = pad.get("/api/pad/task").json()
    assert (task["help"], task["model"], task["target"]) == ("recall", None, "in")
    assert pad.get(task["prompt"]["sound"]).headers["content-type"] == "audio/ogg"
    assert pad.get(task["prompt"]["picture"]).headers["content-type"] == "image/svg+xml"
    assert pad.get("/api/pad/prompts/2").status_code == 404  # there, but not what is asked for now
    late = attempt(target="in", kind="word", help="copy")  # begun before it was changed
    assert pad.post("/api/pad/attempts", json=late).status_code == 201


def customs(client: TestClient) -> dict[str, Any]:
    known = client.get("/api/plan/customs").json()
    return {name: known[name] for name in ("own", "rubbing_out", "largest_family", "open_joins")}


def test_a_letter_is_answered_only_where_the_class_wants_it(
    client: TestClient, pad: TestClient
) -> None:
    backwards = [{"points": stroke["points"][::-1]} for stroke in INK]
    wrong = [{"points": [[x, y, 10 * at, f] for at, (x, y, _, f) in enumerate(one["points"])]}
             for one in backwards]  # fmt: skip
    quiet = pad.post("/api/pad/attempts", json=attempt(strokes=wrong)).json()
    assert (quiet["stored"], quiet["say"], quiet["replay"]) == (True, None, None)
    client.put("/api/plan/customs", json={**customs(client), "answers": True})
    told = pad.post("/api/pad/attempts", json=attempt(strokes=wrong)).json()
    assert told["say"]
    assert told["replay"] == {"stroke": 0, "move": 0}
    assert "verdict" not in told


# Handing in


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


# What the teacher is told


def test_the_teacher_is_told_what_comes_and_misses_nothing_after_a_gap(
    client: TestClient, pad: TestClient
) -> None:
    before = events(client, "/api/write/live")
    assert {kind for _, kind in before} == {"pad"}
    sent = [attempt() for _ in range(3)]
    for one in sent:
        pad.post("/api/pad/attempts", json=one)
    told = events(client, "/api/write/live", after=int(before[-1][0]))
    assert [kind for _, kind in told] == ["attempt"] * 3
    assert events(client, "/api/write/live", after=int(told[0][0])) == told[1:]
    answer = client.get(
        "/api/write/live", params={"wait": "false"}, headers={"last-event-id": before[-1][0]}
    )
    assert all(str(one["id"]) in answer.text for one in sent)
    assert '"who":{"id":1,"name":"Mila"' in answer.text


def test_a_child_that_is_deleted_is_told_of_no_more(client: TestClient, pad: TestClient) -> None:
    pad.post("/api/pad/attempts", json=attempt())
    assert client.delete("/api/classroom/pupils/1").status_code == 200
    answer = client.get("/api/write/live", params={"wait": "false"}, headers={"last-event-id": "0"})
    assert "attempt" not in answer.text
    assert "Mila" not in answer.text


def test_the_room_says_who_has_not_begun_and_who_is_stuck(
    app: FastAPI, client: TestClient, code: str, pad: TestClient
) -> None:
    jori = join(app, code)
    jori.post("/api/pad/pupil", json={"pupil": 2})
    for _ in range(3):
        pad.post("/api/pad/attempts", json=attempt(struck=True))
    children = client.get("/api/write/room").json()["children"]
    going = {one["who"]["name"]: one["going"] for one in children}
    assert going == {"Mila": "stuck", "Jori": "not_begun"}


def test_one_pad_or_all_are_called(
    app: FastAPI, client: TestClient, lesson: int, code: str, pad: TestClient
) -> None:
    other = join(app, code)
    number = client.get("/api/write/pads").json()[0]["pad"]
    call = {"what": "replay", "lesson": lesson}
    assert client.post("/api/write/call", json=call | {"pad": int(number)}).status_code == 204
    assert client.post("/api/write/call", json=call | {"what": "look"}).status_code == 204
    assert [kind for _, kind in events(pad, "/api/pad/events")] == ["replay", "look"]
    assert [kind for _, kind in events(other, "/api/pad/events")] == ["look"]


def test_what_an_eye_saw_counts_as_evidence_and_is_taken_back(client: TestClient) -> None:
    seen = {"pupil_id": 1, "letter": "n", "seen": "retrace_gap"}
    kept = client.post("/api/write/tally", json=seen)
    assert kept.status_code == 201
    assert (kept.json()["source"], kept.json()["checked"]["shape"]) == ("eye", "not_yet")
    assert client.get("/api/check/letters/n/attempts").json()["total"] == 1
    before = client.get("/api/grow").text
    taken = client.delete(f"/api/write/attempts/{kept.json()['id']}")
    assert taken.status_code == 204
    assert client.get("/api/grow").text != before
    well = client.post("/api/write/tally", json=seen | {"seen": None}).json()
    assert set(well["checked"].values()) == {"secure"}


def test_a_helper_sees_the_room_and_may_call_but_opens_nothing(
    app: FastAPI, client: TestClient, database: Database, lesson: int, code: str
) -> None:
    del code
    client.post("/api/school/colleagues", json={"name": "Ms Wren", "password": "a wren on a hen"})
    client.post("/api/classroom/helpers", json={"name": "Ms Wren"})
    helper = signed_in(app, database, "Ms Wren")
    helper.put("/api/school/open", json={"class_id": 1})
    assert helper.get("/api/write/room").status_code == 200
    call = {"what": "look", "lesson": lesson}
    assert helper.post("/api/write/call", json=call).status_code == 204
    assert helper.post("/api/write/lesson-code").status_code == 403


def test_who_is_signed_in_beside_a_pad_stays_the_teacher(client: TestClient, code: str) -> None:
    assert client.post("/api/pad/join", json={"code": code}).status_code == 200
    assert client.get("/api/write/room").status_code == 200


def test_an_id_of_another_version_is_as_good(pad: TestClient) -> None:
    assert pad.post("/api/pad/attempts", json=attempt(id=uuid4().hex)).status_code == 201
