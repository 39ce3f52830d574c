"""Board, pad, room, phone, printed plan and page for home say the same of each stop of a lesson."""

import json
import re
from io import BytesIO
from typing import Any

import pypdfium2
import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from firstloop.core.teaching.customs import AMOUNTS, OwnAmount
from firstloop.store.database import Database
from tests.api.pads.calls import join
from tests.apps import app_over
from tests.pads import attempt

USUAL = {"own": "few", "rubbing_out": False, "largest_family": 5}
LESSONS: dict[str, tuple[dict[str, Any], list[dict[str, Any]], dict[str, Any]]] = {
    "a full one on n": ({"new": ["n"], "shape": "full"}, [], USUAL),
    "two letters, step by step": (
        {"new": ["n", "m"], "shape": "short"},
        [{"do": "rounds", "rounds": "by_step"}],
        USUAL | {"own": "rows"},
    ),
    "words to rub out": (
        {"new": [], "shape": "words"},
        [{"do": "words", "words": ["ant", "tin"]}],
        USUAL | {"rubbing_out": True, "from_memory": True},
    ),
    "a look back without a limit": (
        {"new": ["t", "i"], "shape": "look_back"},
        [],
        USUAL | {"own": "any", "from_memory": True},
    ),
    "a pair, and free writing": (
        {"new": ["sh"], "shape": "full", "minutes": 40},
        [{"do": "prompt", "prompt": "What can you hear?"}, {"do": "note", "kind": "own",
          "note": "Jori at the front"}],
        USUAL | {"own": "row"},
    ),
}  # fmt: skip


@pytest.fixture
def app(database: Database) -> FastAPI:
    return app_over(database)


def printed(client: TestClient, lesson: int) -> str:
    page = client.get(f"/api/plan/lessons/{lesson}/page").content
    document = pypdfium2.PdfDocument(BytesIO(page))
    text: str = document[0].get_textpage().get_text_range()
    document.close()
    return text


@pytest.mark.parametrize("name", LESSONS)
def test_all_who_are_asked_say_the_same_of_each_stop(
    app: FastAPI, client: TestClient, name: str
) -> None:
    asked, changes, customs = LESSONS[name]
    client.put("/api/plan/taught", json={"letters": [*"iatpnsm"]})
    assert client.put("/api/plan/customs", json=customs).status_code == 200
    lesson = client.post("/api/plan/lessons", json=asked).json()["id"]
    for change in changes:
        done = client.post(f"/api/plan/lessons/{lesson}/changes", json=change)
        assert done.status_code == 200, done.text
    code = client.post("/api/write/lesson-code", json={"lesson": lesson}).json()["code"]
    pad = join(app, code)
    pad.post("/api/pad/pupil", json={"pupil": 1})
    plan, home = printed(client, lesson), client.get(f"/api/plan/lessons/{lesson}/home").text
    course = client.get("/api/plan/today").json()["lesson"]["course"]
    assert len(course) > 2
    for stop in course:
        place = {"at": stop["kind"]} | ({"part": stop["part"]} if stop["part"] else {})
        client.put(f"/api/show/lessons/{lesson}/place", json=place)
        assert_same(client, pad, stop, plan)
    own = AMOUNTS[OwnAmount(str(customs["own"]))]
    assert own.at_home in home
    at_home = [one["text"] for one in json.loads(_given(home))["texts"]]
    known = client.get("/api/plan/today").json()["lesson"]
    assert at_home == (known["new"] or known["words"])


def _given(home: str) -> str:
    found = re.search(r"(\{\"title\":.*?\})\s*</script>", home, re.DOTALL)
    found = found or re.search(r"(\{\"title\":.*\]\})", home, re.DOTALL)
    assert found
    return found.group(1).replace("<\\/", "</")


def assert_same(client: TestClient, pad: TestClient, stop: dict[str, Any], plan: str) -> None:
    """What the board and the phone are told of a stop is what the pad does, the room counts and the
    plan says."""
    here = client.get("/api/plan/today").json()["lesson"]
    assert (here["at"], here["part"]) == (stop["kind"], stop["part"])
    room = client.get("/api/write/room").json()
    (opened,) = room["lessons"]
    assert (opened["step"], opened["part"], opened["title"]) == (
        stop["kind"],
        stop["part"],
        stop["title"],
    )
    assert stop["name"] in plan
    (mila,) = [child for child in room["children"] if child["who"]["name"] == "Mila"]
    limits = [task["enough"] for task in stop["tasks"]]
    assert mila["enough"] == (sum(limits) if limits and None not in limits else None)
    texts = [writing["text"] for writing in stop["writings"]]
    assert stop["rows"] == max(1, sum(writing["lines"] for writing in stop["writings"]))
    if texts:
        assert stop["text"] == (", " if stop["kind"] == "words" else " ").join(texts)
        assert stop["kind"] == "own" or stop["text"] in plan
    else:
        assert (stop["tasks"], stop["text"]) == ([], " ".join(stop["about"]))
    written = 0
    for task in stop["tasks"]:
        shown = pad.get("/api/pad/task").json()
        for key in ("kind", "target", "help", "enough", "rows"):
            assert shown[key] == task[key], (stop["name"], key)
        assert shown["rubbing_out"] == stop["rubbing_out"]
        assert (shown["doing"], shown["is_enough"]) == ("write", False)
        for _ in range(task["enough"] or 1):
            sent = attempt(kind=task["kind"], target=task["target"], help=task["help"])
            assert pad.post("/api/pad/attempts", json=sent).status_code == 201
            written += 1
    now = pad.get("/api/pad/task").json()
    assert now["doing"] == stop["doing"]
    (mila,) = [
        child
        for child in client.get("/api/write/room").json()["children"]
        if child["who"]["name"] == "Mila"
    ]
    assert mila["written"] == written
    is_enough = bool(limits) and None not in limits
    assert now["is_enough"] == is_enough
    # Who makes the same thing to mend again is stuck, whatever is written.
    assert mila["going"] in (
        ("enough", "stuck") if is_enough else ("writing", "stuck", "not_begun")
    )
