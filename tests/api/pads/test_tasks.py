"""What a pad has to write, as the lesson goes on."""

from fastapi.testclient import TestClient

from tests.api.good_requests import INK, SOUND
from tests.api.pads.calls import customs, events, go_to
from tests.pads import attempt


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


def test_who_is_done_may_write_on_freely_and_a_gap_is_told(
    client: TestClient, lesson: int, pad: TestClient
) -> None:
    client.put("/api/plan/taught", json={"letters": ["i", "n"]})
    for change in (
        {"do": "sentence", "sentence": "in it"},
        {"do": "gap", "word": "it"},
        {"do": "skip", "kind": "sentence", "skipped": False},
    ):
        client.post(f"/api/plan/lessons/{lesson}/changes", json=change)
    go_to(client, lesson, "sentence")
    task = pad.get("/api/pad/task").json()
    assert (task["gap"], task["further"], task["is_enough"]) == ("it", "", False)
    written = attempt(target="in it", kind=task["kind"], help="copy")
    assert pad.post("/api/pad/attempts", json=written).status_code == 201
    done = pad.get("/api/pad/task").json()
    assert done["further"] == "Done early? Write a sentence of your own."
    freely = attempt(target="", kind="free", help="recall")
    assert pad.post("/api/pad/attempts", json=freely).status_code == 201
    assert pad.get("/api/pad/task").json()["written"] == 1


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
