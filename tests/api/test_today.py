"""Plan, today, by real requests: a lesson planned, changed, given, found again."""

from datetime import date, datetime, timedelta
from io import BytesIO
from typing import Any

import numpy as np
import pytest
from fastapi.testclient import TestClient
from PIL import Image

from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.pace import movement_of
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose
from tests import letters
from tests.api.test_api import hand_in

ONCE = {"times": 1, "gap": ""}
"""What is written once, and all of it shown."""


def planned(client: TestClient, new: Any = "n", minutes: int = 20) -> dict[str, Any]:
    answer = client.post("/api/plan/lessons", json={"new": [new], "minutes": minutes})
    assert answer.status_code == 201
    return dict(answer.json())


def test_a_lesson_is_planned_from_what_is_taught_and_due(taught: TestClient) -> None:
    lesson = planned(taught)
    assert lesson["spent"] == 20
    assert set(lesson["look_back"]) <= set("iatpsrm")
    assert len(lesson["words"]) == 4
    assert all(set(word) <= set("iatpsrmn") for word in lesson["words"])
    assert lesson["sentence"]["notes"] == []
    today = taught.get("/api/plan/today").json()
    assert today["lesson"]["id"] == lesson["id"]
    assert today["week"][0]["name"] == "Monday"
    assert sum(day["today"] for day in today["week"]) <= 1


def test_a_second_plan_takes_the_place_of_the_first_until_it_is_given(taught: TestClient) -> None:
    planned(taught)
    second = planned(taught, "h")
    taught.post(f"/api/show/lessons/{second['id']}/close")
    third = planned(taught, "d")
    today = datetime.now().astimezone().date()
    week = taught.get("/api/plan/today").json()["week"]
    kept = [one["id"] for day in week for one in day["lessons"]]
    assert kept == ([second["id"], third["id"]] if today.weekday() < 5 else [])


def test_what_was_given_is_taught_and_changes_what_comes_next(taught: TestClient) -> None:
    before = taught.get("/api/plan/today").json()
    lesson = planned(taught)
    assert taught.post(f"/api/show/lessons/{lesson['id']}/close").status_code == 204
    after = taught.get("/api/plan/today").json()
    assert "n" not in before["taught"]
    assert "n" in after["taught"]
    assert after["lesson"]["given"]


def test_shaky_letters_are_due_with_their_reason(taught: TestClient) -> None:
    for pupil in (1, 2):
        hand_in(taught, letters.moved(letters.good_r(), 0, 0.5), letter="r", pupil_id=pupil)
    first = taught.get("/api/plan/today").json()["due"][0]
    assert (first["letter"], first["why"]) == ("r", "not yet steady for nearly all of the class")


def test_what_the_teacher_does_is_done_and_what_follows_is_the_servers(taught: TestClient) -> Any:
    lesson = planned(taught)
    place = f"/api/plan/lessons/{lesson['id']}/changes"

    def do(what: str, **fields: Any) -> dict[str, Any]:
        answer = taught.post(place, json={"do": what, **fields})
        assert answer.status_code == 200, answer.text
        return dict(answer.json())

    moved = do("move", kind="settle", by=1)
    assert [s["kind"] for s in moved["steps"][:2]] == ["date", "settle"]
    timed = do("time", kind="slips", minutes=4)
    assert timed["spent"] > 20  # set by hand, the minutes are hers
    assert do("share_out")["spent"] == 20
    skipped = do("skip", kind="look_back", skipped=True)
    assert {s["kind"]: s["skipped"] for s in skipped["steps"]}["look_back"]
    assert skipped["spent"] == 20
    noted = do("note", kind="big", note=" on the carpet ")
    assert {s["kind"]: s["note"] for s in noted["steps"]}["big"] == "on the carpet"
    word = lesson["words"][0]
    assert word not in do("word", text=word, there=False)["words"]
    assert do("word", text="tan", there=True)["words"][-1] == "tan"
    assert do("look_back", letter="h", there=True)["look_back"][-1] == "h"
    assert do("sentence", sentence="A man sat")["sentence"]["notes"] == [
        "End with a full stop, ! or ?"
    ]


def test_a_change_that_cannot_be_is_refused(taught: TestClient) -> None:
    place = f"/api/plan/lessons/{planned(taught)['id']}/changes"
    for sent in ({"do": "dance"}, {"do": "time", "kind": "big", "minutes": 0}, {"do": "move"}):
        assert taught.post(place, json=sent).status_code == 422
    assert taught.post("/api/plan/lessons/99/changes", json={"do": "share_out"}).status_code == 404


def test_a_step_says_how_it_can_be_shown_and_what_is_written_in_it(taught: TestClient) -> None:
    lesson = planned(taught)
    steps = {stop["kind"]: stop for stop in lesson["course"]}
    assert steps["show"]["showings"] == ["shown", "turns", "beside", "memory", "write"]
    assert steps["settle"]["showings"] == ["shown"]
    others = [step["showings"] for kind, step in steps.items() if kind not in ("settle", "free")]
    assert all("beside" in showings for showings in others)
    assert steps["words"]["text"] == ", ".join(lesson["words"])
    assert steps["close"]["told"][0] == "Where does n start?"
    pair = planned(taught, "sh")
    assert (pair["parts"], pair["letters"]) == (["sh", "s", "h"], ["s", "h"])


def test_a_lesson_is_proposed_without_keeping_it(taught: TestClient) -> None:
    asked: dict[str, Any] = {"new": ["n"], "minutes": 15}
    proposed = taught.get("/api/plan/lessons/proposal", params=asked).json()
    assert proposed["spent"] == 15
    assert taught.get("/api/plan/today").json()["lesson"] is None
    kept = planned(taught, minutes=15)
    assert {k: kept[k] for k in proposed} == proposed


def test_the_plan_is_one_page_of_pdf(taught: TestClient) -> None:
    lesson = planned(taught)
    page = taught.get(f"/api/plan/lessons/{lesson['id']}/page")
    assert page.headers["content-type"] == "application/pdf"
    assert page.content.startswith(b"%PDF")
    assert page.content.count(b"/Type /Page\n") == 1
    assert taught.get("/api/plan/lessons/999/page").status_code == 404


def test_the_date_follows_the_classs_language(client: TestClient) -> None:
    sent = {"variety": "american", "ordinal": False, "stop": True, "minutes": 15}
    assert client.put("/api/plan/language", json=sent).json() == sent
    today = client.get("/api/plan/today").json()
    assert today["language"] == sent
    assert today["date_text"].endswith(f", {datetime.now().astimezone().year}.")
    assert client.put("/api/plan/language", json=sent | {"minutes": 2}).status_code == 422


def test_the_place_in_a_lesson_is_remembered(taught: TestClient) -> None:
    lesson = planned(taught)
    taught.put(f"/api/show/lessons/{lesson['id']}/place", json={"at": "show"})
    assert taught.get("/api/plan/today").json()["lesson"]["at"] == "show"


def test_lessons_of_other_weeks_are_not_this_weeks(taught: TestClient) -> None:
    planned(taught)
    today = taught.get("/api/plan/today").json()
    first, last = (date.fromisoformat(today["week"][at]["day"]) for at in (0, -1))
    assert last - first == timedelta(days=4)


def test_what_is_written_on_the_board_is_kept_with_its_step(taught: TestClient) -> None:
    lesson = planned(taught)
    at = f"/api/show/lessons/{lesson['id']}/written"
    assert taught.get(f"{at}/show").json() == {"strokes": []}
    stroke = {"points": [[0.5, 1.0, 0, None], [0.5, -1.52, 250, None]]}
    assert taught.put(f"{at}/show", json={"strokes": [stroke]}).status_code == 204
    assert taught.get(f"{at}/show").json() == {"strokes": [stroke]}
    assert taught.get(f"{at}/date").json() == {"strokes": []}
    taught.put(f"{at}/show", json={"strokes": []})
    assert taught.get(f"{at}/show").json() == {"strokes": []}
    empty = taught.put(f"{at}/show", json={"strokes": [{"points": []}]})
    assert empty.status_code == 422
    assert "strokes.0.points: List should have at least 1 item" in empty.json()["detail"]


def test_print_is_shown_beside_joined_for_letters_and_pairs(client: TestClient) -> None:
    for text in ("n", "sh"):
        own = client.get("/api/show/text", params={"text": text}).json()
        other = client.get("/api/show/text", params={"text": text, "other_hand": True}).json()
        assert [own[0]["letter"], other[0]["letter"]] == [text, text]
        assert len(own[0]["strokes"]) == len(text)
        assert len(other[0]["strokes"]) == 1  # joined: written in one


def test_a_movement_goes_home_as_a_gif_that_is_written_bit_by_bit(client: TestClient) -> None:
    answer = client.get("/api/show/movement", params={"text": "ship"})
    assert answer.headers["content-type"] == "image/gif"
    picture = Image.open(BytesIO(answer.content))
    assert picture.info["loop"] == 0
    inked, lasting = [], 0
    for frame in range(getattr(picture, "n_frames", 1)):
        picture.seek(frame)
        lasting += picture.info["duration"]
        inked.append(int((np.asarray(picture.convert("L")) < 90).sum()))
    assert inked[0] == 0
    # Softened edges may be counted or not, so not every frame has more.
    assert np.all(np.diff(inked) > -0.02 * inked[-1])
    drawn = draw(compose("ship", PLAIN).script, PLAIN.proportions, Ruling())
    assert lasting / 1000 == pytest.approx(movement_of(drawn).whole, rel=0.03)


SEVEN = list("rnmhbpk")


@pytest.mark.parametrize(
    "asked",
    [
        {"new": ["n"], "shape": "short"},
        {"new": ["r", "n", "m"], "shape": "short"},
        {"new": SEVEN, "shape": "full"},
        {"new": ["N", "n"], "shape": "short"},
        {"new": ["7"], "shape": "short"},
        {"new": ["said"], "shape": "short"},
        {"new": ["t", "a"], "shape": "look_back"},
        {"new": ["t", "a"], "shape": "mend", "habit": "start_place"},
        {"new": [], "shape": "words"},
    ],
    ids=lambda asked: f"{asked['shape']} {' '.join(asked['new'])}",
)
def test_a_lesson_of_any_shape_runs_from_its_first_stop_to_its_last(
    taught: TestClient, asked: dict[str, Any]
) -> None:
    answer = taught.post("/api/plan/lessons", json=asked)
    assert answer.status_code == 201, answer.text
    lesson = answer.json()
    assert (lesson["shape"], lesson["new"]) == (asked["shape"], asked["new"])
    assert lesson["aim"].startswith("Today you will")
    assert sum(stop["minutes"] for stop in lesson["course"]) == pytest.approx(lesson["minutes"])
    for stop in lesson["course"]:
        place = f"/api/show/lessons/{lesson['id']}/place"
        sent = {"at": stop["kind"]} | ({"part": stop["part"]} if stop["part"] else {})
        assert taught.put(place, json=sent).status_code == 204
        now = taught.get("/api/plan/today").json()["lesson"]
        assert (now["at"], now["part"]) == (stop["kind"], stop["part"])
        for letter in stop["letters"]:
            assert taught.get(f"/api/show/letters/{letter}").status_code == 200
    before = set(taught.get("/api/plan/today").json()["taught"])
    assert taught.post(f"/api/show/lessons/{lesson['id']}/close").status_code == 204
    new = set(taught.get("/api/plan/today").json()["taught"]) - before
    parts = asked["new"] if asked["shape"] in ("short", "full") else []
    assert new == {part for part in parts if len(part) == 1} - before


def test_what_the_hand_has_not_is_no_lesson(taught: TestClient) -> None:
    answer = taught.post("/api/plan/lessons", json={"new": ["("], "shape": "short"})
    assert answer.status_code == 422
    too_many = taught.post("/api/plan/lessons", json={"new": [*SEVEN, "a"]})
    assert too_many.status_code == 422


def test_a_lesson_takes_another_shape_another_aim_and_comes_round_otherwise(
    taught: TestClient,
) -> None:
    lesson = taught.post("/api/plan/lessons", json={"new": ["n", "m"], "shape": "short"}).json()
    place = f"/api/plan/lessons/{lesson['id']}/changes"

    def do(what: str, **fields: Any) -> dict[str, Any]:
        return dict(taught.post(place, json={"do": what, **fields}).json())

    by_step = do("rounds", rounds="by_step")
    assert [stop["part"] for stop in by_step["course"]][:2] == [None, "n"]
    full = do("shape", shape="full")
    assert len(full["course"]) > len(lesson["course"])
    assert full["words"] == lesson["words"]
    assert full["spent"] == full["minutes"] > lesson["minutes"]
    assert do("aim", aim=" One thing. ")["aim"] == "One thing."


def test_habits_are_those_that_children_show_in_taught_letters(taught: TestClient) -> None:
    taught.put("/api/plan/taught", json={"letters": ["m"]})
    for pupil in (1, 2):
        hand_in(taught, letters.m_from_the_base_line(), letter="m", pupil_id=pupil)
    assert taught.get("/api/plan/habits").json() == []  # one letter is no habit
    for pupil in (1, 2) * 4:
        hand_in(taught, letters.m_from_the_base_line(), letter="m", pupil_id=pupil)
    first = taught.get("/api/plan/habits").json()[0]
    assert (first["code"], first["letters"], first["children"]) == ("start_place", ["m"], 2)
    taught.put("/api/plan/taught", json={"letters": []})
    assert taught.get("/api/plan/habits").json() == []


def test_one_page_for_home_holds_each_letter_and_its_phrase_and_asks_nothing_of_a_network(
    taught: TestClient,
) -> None:
    lesson = taught.post("/api/plan/lessons", json={"new": SEVEN, "shape": "short"}).json()
    answer = taught.get(f"/api/plan/lessons/{lesson['id']}/home")
    assert answer.headers["content-type"] == "text/html; charset=utf-8"
    page = answer.text
    assert len(page) < 150_000
    assert "straight down" in page
    assert all(f'"text":"{letter}"' in page for letter in SEVEN)
    assert "http" not in page.replace("http://www.w3.org/2000/svg", "").replace("http-equiv", "")
    empty = taught.post("/api/plan/lessons", json={"new": [], "shape": "words"}).json()
    for word in empty["words"]:
        taught.post(
            f"/api/plan/lessons/{empty['id']}/changes",
            json={"do": "word", "text": word, "there": False},
        )
    nothing = taught.get(f"/api/plan/lessons/{empty['id']}/home")
    assert nothing.status_code == 422
    assert "choose a word" in nothing.json()["detail"]


def test_a_capital_and_a_digit_that_are_taught_stay_taught_beside_the_small_letters(
    taught: TestClient,
) -> None:
    lesson = taught.post("/api/plan/lessons", json={"new": ["N", "7"], "shape": "short"}).json()
    taught.post(f"/api/show/lessons/{lesson['id']}/close")
    known = taught.get("/api/plan/today").json()["taught"]
    assert {"N", "7"} <= set(known)
    again = taught.put("/api/plan/taught", json={"letters": [*known, "k", "sh"]}).json()["letters"]
    assert set(again) == {*known, "k"}


def test_what_is_written_in_a_lesson_are_tasks(taught: TestClient) -> None:
    taught.put("/api/plan/customs", json={"own": "rows", "rubbing_out": False, "largest_family": 5})
    lesson = planned(taught)
    assert "date" not in {stop["kind"] for stop in lesson["course"]}  # no capital is taught
    place = f"/api/plan/lessons/{lesson['id']}/changes"
    asked_for = {"do": "skip", "kind": "date", "skipped": False}
    lesson = taught.post(place, json=asked_for).json()
    writings = {stop["kind"]: stop["writings"] for stop in lesson["course"]}
    date_text = taught.get("/api/plan/today").json()["date_text"]
    assert writings["date"] == [
        {"kind": "sentence", "text": date_text, "lines": 2, "letters": None, **ONCE}
    ]
    assert writings["look_back"][0]["kind"] == "sequence"
    assert writings["look_back"][0]["text"].split() == lesson["look_back"]
    assert writings["own"] == [{"kind": "row", "text": "n", "lines": 3, "letters": None, **ONCE}]
    assert [one["text"] for one in writings["words"]] == lesson["words"]
    assert writings["show"] == []


def test_the_date_comes_with_a_lesson_once_a_capital_or_digit_of_it_is_taught(
    taught: TestClient,
) -> None:
    date_text = taught.get("/api/plan/today").json()["date_text"]
    known = taught.get("/api/plan/today").json()["taught"]
    taught.put("/api/plan/taught", json={"letters": [*known, date_text[0]]})
    assert "date" in {stop["kind"] for stop in planned(taught)["course"]}


def test_slips_are_never_looked_at_where_the_class_does_not(taught: TestClient) -> None:
    customs = {"own": "few", "rubbing_out": False, "largest_family": 5, "slips": "never"}
    taught.put("/api/plan/customs", json=customs)
    lesson = planned(taught)
    place = f"/api/plan/lessons/{lesson['id']}/changes"
    short = taught.post(place, json={"do": "shape", "shape": "short"}).json()
    for one in (lesson, short):
        assert "slips" not in {stop["kind"] for stop in one["course"]}


def test_free_writing_begins_with_a_picture_or_a_question(taught: TestClient) -> None:
    prompts = taught.get("/api/plan/today").json()["free_prompts"]
    assert {one["picture"] for one in prompts} >= {"boat", "kite", None}
    place = f"/api/plan/lessons/{planned(taught)['id']}/changes"
    drawn = taught.post(place, json={"do": "prompt", "prompt": "picture: boat"}).json()
    assert (drawn["picture"], drawn["prompt"]) == ("boat", "picture: boat")
    (stop,) = [stop for stop in drawn["course"] if stop["kind"] == "free"]
    assert stop["writings"] == [{"kind": "free", "text": "", "lines": 3, "letters": None, **ONCE}]
    gone = taught.post(place, json={"do": "prompt", "prompt": ""}).json()
    assert "free" not in [stop["kind"] for stop in gone["course"]]


def test_an_earlier_lesson_is_found_looked_at_and_given_again(taught: TestClient) -> None:
    first = planned(taught, "n", 12)
    place = f"/api/plan/lessons/{first['id']}"
    taught.post(f"{place}/changes", json={"do": "note", "kind": "show", "note": "slowly"})
    taught.post(f"/api/show/lessons/{first['id']}/close")
    earlier = taught.get("/api/plan/lessons").json()
    assert [(one["id"], one["new"], one["given"]) for one in earlier] == [
        (first["id"], ["n"], True)
    ]
    seen = taught.get(place).json()
    assert (seen["new"], seen["given"]) == (["n"], True)
    again = taught.post(f"{place}/again")
    assert again.status_code == 201
    copy = again.json()
    assert copy["id"] != first["id"]
    assert (copy["given"], copy["minutes"], copy["words"]) == (False, 12, seen["words"])
    assert [step["note"] for step in copy["steps"] if step["kind"] == "show"] == ["slowly"]
    assert taught.get("/api/plan/lessons/999").status_code == 404
