"""A teacher's word on a letter comes back to the child before it writes the letter again."""

from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from tests.api.pads.calls import join
from tests.api.test_api import hand_in
from tests.api.test_table import BEGUN_LOW, GOOD, say, take_back


def reminded(client: TestClient, app: FastAPI, lesson: int) -> str:
    """What Mila's pad tells her at the first n of a lesson that opens now."""
    code = str(client.post("/api/write/lesson-code", json={"lesson": lesson}).json()["code"])
    with join(app, code) as pad:
        assert pad.post("/api/pad/pupil", json={"pupil": 1}).status_code == 200
        return str(pad.get("/api/pad/task").json()["reminder"])


@pytest.mark.parametrize(
    ("said", "told"),
    [
        ({}, "Start at the mid line: straight down, then back up the same line."),
        ({"say": "Begin up here."}, "Begin up here."),
        ({"findings": {"start_place": "not_so"}}, ""),
        ({"set_aside": True}, ""),
    ],
)
def test_what_she_agreed_to_or_reworded_is_the_one_thing_and_what_she_denied_is_silent(
    client: TestClient, app: FastAPI, lesson: int, said: dict[str, Any], told: str
) -> None:
    say(client, hand_in(client, BEGUN_LOW)["id"], **said)
    assert reminded(client, app, lesson) == told


def test_without_a_word_of_hers_nothing_is_said(
    client: TestClient, app: FastAPI, lesson: int
) -> None:
    id = hand_in(client, BEGUN_LOW)["id"]
    say(client, id)
    take_back(client, id)
    assert reminded(client, app, lesson) == ""


def test_a_newer_letter_that_she_found_well_ends_it(
    client: TestClient, app: FastAPI, lesson: int
) -> None:
    for ink in (BEGUN_LOW, GOOD):
        say(client, hand_in(client, ink)["id"])
    assert reminded(client, app, lesson) == ""


def test_anothers_letter_says_nothing_to_her(client: TestClient, app: FastAPI, lesson: int) -> None:
    say(client, hand_in(client, BEGUN_LOW, pupil_id=2)["id"], say="Yours.")
    assert reminded(client, app, lesson) == ""
