"""From print to joined: planned, taught by hand, adjusted; joins not taught may stand open."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.test_customs import set_customs


@pytest.fixture
def joined(client: TestClient) -> TestClient:
    """A class that was taught n and i in print and writes a joined hand from now on."""
    client.put("/api/plan/taught", json={"letters": ["n", "i", "A"]})
    client.put("/api/plan/style", json={"hand": "joined"})
    return client


def plan_of(client: TestClient) -> dict[str, Any]:
    return dict(client.get("/api/plan/joining").json())


def strokes(client: TestClient, word: str) -> int:
    (drawing,) = client.get("/api/show/text", params={"text": word}).json()
    return len(drawing["strokes"])


def test_a_class_that_prints_has_no_plan(client: TestClient) -> None:
    assert plan_of(client) == {"joins": False, "own": False, "stages": []}
    answer = client.put("/api/plan/joining", json={"stages": [["in"]]})
    assert answer.status_code == 422
    assert "the class prints" in answer.json()["detail"]


def test_what_is_taught_is_kept_by_hand(joined: TestClient) -> None:
    assert joined.get("/api/plan/today").json()["taught"] == ["A"]  # it joins in no hand
    joined.put("/api/plan/taught", json={"letters": ["A", "c"]})
    joined.put("/api/plan/style", json={"hand": "plain"})
    assert sorted(joined.get("/api/plan/today").json()["taught"]) == ["A", "i", "n"]
    joined.put("/api/plan/style", json={"hand": "looped"})
    assert sorted(joined.get("/api/plan/today").json()["taught"]) == ["A", "c"]


def test_the_next_stage_is_offered_given_and_done(joined: TestClient) -> None:
    first, second, *_ = plan_of(joined)["stages"]
    offered = joined.get("/api/plan/today").json()["next"]
    assert [one["new"] for one in offered[:2]] == [first["parts"], second["parts"]]
    for stage in (first, second):
        asked = {"new": stage["parts"], "shape": "short"}
        lesson = joined.post("/api/plan/lessons", json=asked).json()
        joined.post(f"/api/show/lessons/{lesson['id']}/close")
    again = plan_of(joined)["stages"]
    assert [stage["done"] for stage in again[:3]] == [True, True, False]
    assert joined.get("/api/plan/today").json()["next"][0]["new"] == again[2]["parts"]


def test_a_stage_can_be_said_to_be_taught_and_not(joined: TestClient) -> None:
    first, second, *_ = plan_of(joined)["stages"]
    for stage in (first, second):
        joined.post("/api/plan/joining/taught", json={"parts": stage["parts"], "taught": True})
    assert [stage["done"] for stage in plan_of(joined)["stages"][:2]] == [True, True]
    joined.post("/api/plan/joining/taught", json={"parts": second["parts"], "taught": False})
    joined.post("/api/plan/joining/taught", json={"parts": first["parts"][:1], "taught": False})
    assert [stage["done"] for stage in plan_of(joined)["stages"][:2]] == [False, False]


def test_a_join_that_is_not_taught_may_stand_open_on_the_board(joined: TestClient) -> None:
    assert strokes(joined, "can") == 1
    set_customs(joined, open_joins=True)
    assert strokes(joined, "can") == 3
    joined.post("/api/plan/joining/taught", json={"parts": ["un"], "taught": True})
    assert strokes(joined, "can") == 2  # as un is joined so is an
    joined.post("/api/plan/lessons", json={"new": ["ca"], "shape": "short"})
    assert strokes(joined, "can") == 1  # what is being taught is shown


def test_a_plan_of_her_own_is_kept_checked_and_given_up(joined: TestClient) -> None:
    computed = [stage["parts"] for stage in plan_of(joined)["stages"]]
    own = [computed[1], computed[0], ["in", "un"]]
    changed = joined.put("/api/plan/joining", json={"stages": own}).json()
    assert changed["own"]
    assert [stage["parts"] for stage in changed["stages"]] == own
    refused = joined.put("/api/plan/joining", json={"stages": [["ga"]]})
    assert refused.status_code == 422
    assert "the pen is lifted after g" in refused.json()["detail"]
    assert plan_of(joined)["own"]
    back = joined.delete("/api/plan/joining").json()
    assert [stage["parts"] for stage in back["stages"]] == computed


def test_a_plan_made_for_another_hand_is_followed_as_far_as_this_one_joins(
    joined: TestClient,
) -> None:
    joined.put("/api/plan/style", json={"hand": "looped"})
    kept = joined.put("/api/plan/joining", json={"stages": [["ga", "in"], ["go"]]}).json()
    assert len(kept["stages"]) == 2
    joined.put("/api/plan/style", json={"hand": "joined"})
    assert [stage["parts"] for stage in plan_of(joined)["stages"]] == [["in"]]
    assert joined.get("/api/plan/today").json()["next"][0]["new"] == ["in"]


def test_what_the_hand_does_not_join_cannot_be_taught_and_spoils_nothing(
    joined: TestClient,
) -> None:
    set_customs(joined, open_joins=True)
    for parts in (["\u00dfx"], ["ga"], ["4a"]):
        sent = {"parts": parts, "taught": True}
        assert joined.post("/api/plan/joining/taught", json=sent).status_code == 422
    assert strokes(joined, "can") == 3
