"""The class map and the groups for tomorrow, by real requests."""

from datetime import timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient

from firstloop.core.contract import Code, Dimension
from firstloop.core.evidence.task import Help
from firstloop.core.judging.word import OnFinding, Word
from firstloop.core.letters.style import Style
from firstloop.core.progress.habits import move_named
from firstloop.services import classes, lessons, progress
from firstloop.services.handing_in import hand_in
from firstloop.store import classes as classes_kept
from firstloop.store.database import Database
from firstloop.store.judged_hands import kept_text, scripts_in
from firstloop.store.records import ClassRecord
from tests import letters
from tests.services.conftest import MONDAY
from tests.table import attempts_of, judge
from tests.teachers import signed_in, teacher_of

MISSED = OnFinding.MISSED
GOOD, BAD = letters.good_n(), letters.n_from_the_base_line()


def write_n(
    database: Database, school_class: ClassRecord, child: int, went: str, from_day: int = 0
) -> None:
    """Some n of a child, a day apart: + is a good one, - begins at the base line."""
    for at, sign in enumerate(went):
        hand_in(
            database,
            school_class,
            pupil_id=school_class.pupils[child].id,
            letter="n",
            help=Help.RECALL,
            ink=GOOD if sign == "+" else BAD,
            written_at=MONDAY + timedelta(days=from_day + at),
        )


@pytest.fixture
def written(database: Database, school_class: ClassRecord) -> ClassRecord:
    """The first child cannot begin n yet; the second could not and can now."""
    lessons.set_taught(database, school_class, {"n"}, MONDAY)
    write_n(database, school_class, 0, "--------")
    write_n(database, school_class, 1, "------++++++++")
    return school_class


def state_of_n(client: TestClient, child: int, day: int, dimension: str = "direction") -> str:
    asked = {"day": (MONDAY + timedelta(days=day)).date().isoformat()}
    found = client.get("/api/grow/map", params=asked).json()
    place = [x for family in found["families"] for x in family["letters"]].index("n")
    state: str = found["rows"][child]["states"][dimension][place]
    return state


def test_the_map_of_a_past_day_is_as_it_was_seen_then(
    client: TestClient, written: ClassRecord
) -> None:
    assert state_of_n(client, 1, 5) == "not_yet"
    assert state_of_n(client, 1, 13) == "secure"
    assert state_of_n(client, 1, 5) == "not_yet"  # marks that were made since change nothing
    assert state_of_n(client, 0, 13) == "not_yet"
    assert state_of_n(client, 0, 0) == "unknown"


def test_who_moved_since_a_week_before_is_told(client: TestClient, written: ClassRecord) -> None:
    asked = {"day": (MONDAY + timedelta(days=13)).date().isoformat()}
    found = client.get("/api/grow/map", params=asked).json()
    assert [row["moved"] for row in found["rows"]] == [
        [],
        [{"letter": "n", "before": "not_yet", "now": "secure"}],
    ]
    assert found["weakest"] == {"children": 1, "letters": ["n"], "slip": None}
    assert found["slip"]["slip"] == "starts elsewhere"


def test_a_day_before_the_first_letter_or_in_the_future_is_the_nearest_there_is(
    client: TestClient, written: ClassRecord
) -> None:
    early = client.get("/api/grow/map", params={"day": "1999-01-01"}).json()
    late = client.get("/api/grow/map", params={"day": "2999-01-01"}).json()
    assert early["day"] == early["first"] == MONDAY.date().isoformat()
    assert late["day"] == late["today"]


def groups(client: TestClient) -> Any:
    return client.get("/api/grow/groups").json()


def test_who_shares_a_weakness_is_a_group_unless_kept_apart(
    client: TestClient, database: Database, written: ClassRecord
) -> None:
    alone = groups(client)
    assert alone["groups"] == []
    assert [one["why"] for one in alone["alone"]] == ["nobody_shares"]
    write_n(database, written, 1, "----------", from_day=20)
    (group,) = groups(client)["groups"]
    assert [one["letters"] for one in group["members"]] == [["n"], ["n"]]
    one, other = (member["pupil"]["id"] for member in group["members"])
    pair = {"one_id": other, "other_id": one}
    apart = client.put("/api/grow/apart", json={**pair, "apart": True}).json()
    assert apart["groups"] == []
    assert {one["why"] for one in apart["alone"]} == {"kept_apart"}
    assert len(apart["apart"]) == 1
    teacher_of(database, "Ms Wren")
    classes.share(database, written.id, "Ms Wren")
    helper = signed_in(client.app, database, "Ms Wren")
    assert helper.get("/api/grow/groups").json()["apart"] == []
    assert groups(client)["apart"] == apart["apart"]
    together = client.put("/api/grow/apart", json={**pair, "apart": False}).json()
    assert together["groups"] == [group]
    refused = client.put("/api/grow/apart", json={"one_id": 1, "other_id": 1, "apart": True})
    assert refused.status_code == 422
    assert "two children" in refused.json()["detail"]


def test_the_lesson_of_a_group_can_be_planned_as_it_is(
    client: TestClient, database: Database, written: ClassRecord
) -> None:
    write_n(database, written, 1, "----------", from_day=20)
    (group,) = groups(client)["groups"]
    planned = client.post("/api/plan/lessons", json=group["lesson"])
    assert planned.status_code == 201, planned.text
    assert planned.json()["minutes"] == 10
    today = client.get("/api/plan/today").json()
    assert today["lesson"] is None
    assert [one["group"] for one in today["of_groups"]] == [group["lesson"]["group"]]
    (group,) = groups(client)["groups"]
    assert group["planned"] == {"lesson": planned.json()["id"], "day": planned.json()["day"]}


def test_lessons_of_groups_and_of_the_class_are_planned_beside_each_other(
    client: TestClient, written: ClassRecord
) -> None:
    one, other = (pupil.id for pupil in written.pupils)

    def plan(*who: int, **more: Any) -> dict[str, Any]:
        asked = {"new": ["n"], "shape": "look_back", "group": [*who] or None} | more
        answer = client.post("/api/plan/lessons", json=asked)
        assert answer.status_code == 201, answer.text
        made: dict[str, Any] = answer.json()
        return made

    whole, first, second = plan(), plan(one), plan(other)
    today = client.get("/api/plan/today").json()
    assert today["lesson"]["id"] == whole["id"]
    assert [each["id"] for each in today["of_groups"]] == [first["id"], second["id"]]
    both = plan(one, other)  # in place of those of its children
    today = client.get("/api/plan/today").json()
    assert [each["id"] for each in today["of_groups"]] == [both["id"]]
    assert today["lesson"]["id"] == whole["id"]
    later = plan(one, next_day=True)
    assert later["day"] == groups(client)["next_day"] > both["day"] == groups(client)["today"]
    codes = {
        client.post("/api/write/lesson-code", json={"lesson": each["id"]}).json()["code"]
        for each in (whole, both)
    }
    assert len(codes) == 2
    strangers = {"new": ["n"], "shape": "look_back", "group": [999]}
    assert client.post("/api/plan/lessons", json=strangers).status_code == 404


def test_what_she_saw_and_the_checker_missed_counts_against_its_habit(
    client: TestClient, database: Database, written: ClassRecord
) -> None:
    write_n(database, written, 1, "+" * 8, from_day=20)
    with database.session() as session:
        theirs = [
            one.id
            for one in attempts_of(session, written.id)
            if one.attempt.written_at >= MONDAY + timedelta(days=20)
        ]
    for attempt_id in theirs:
        judge(database, written.id, attempt_id, Word(findings={Code.RETRACE_GAP: MISSED}))
    with database.session() as session:
        found = progress.children(session, written, (MONDAY + timedelta(days=30)).date())
    shape = {
        one.strand.habit.key: one.chance.p
        for one in found[written.pupils[1].id].habits
        if one.strand.dimension is Dimension.SHAPE
    }
    assert shape["back_along_the_stem"] < 0.3
    assert shape["straight_down"] > 0.6


def test_a_move_is_named_by_the_very_hand_that_the_letter_was_judged_by() -> None:
    barred = Style("plain", choices=(("I", "barred"),))
    own, plain = (scripts_in(kept_text(style))["I"] for style in (barred, Style("plain")))
    assert move_named(own, 1, 0) == "cross"
    assert move_named(plain, 1, 0) is None


def test_all_classes_are_told_without_a_name_and_only_her_own(
    client: TestClient, database: Database, written: ClassRecord
) -> None:
    place = client.get("/api/school/map").json()["letters"].index("n")
    assert _told(client)[0]["letters"][place] is None  # two children would be known by it
    client.post("/api/classroom/pupils", json={"children": [{"name": "Quirin"}]})
    with database.session() as session:
        grown = classes_kept.get(session, written.id)
    write_n(database, grown, 2, "++++++++")
    shares = _told(client)[0]["letters"][place]
    assert shares["not_yet"] >= 1
    assert sum(shares.values()) == 3
    told = client.get("/api/school/map").text
    assert not any(one.name in told for one in grown.pupils)
    other = signed_in(client.app, database, "Mr Finch")
    other.post("/api/classroom", json={"name": "Finches", "hand": "plain"})
    assert [one["name"] for one in _told(other)] == ["Finches"]
    assert [one["name"] for one in _told(client)] == [written.name]


def _told(client: TestClient) -> Any:
    return client.get("/api/school/map").json()["classes"]


def test_a_map_that_is_slid_over_has_the_same_marks_and_nothing_besides(
    client: TestClient, written: ClassRecord
) -> None:
    asked = {"day": (MONDAY + timedelta(days=10)).date().isoformat()}
    whole = client.get("/api/grow/map", params=asked).json()
    alone = client.get("/api/grow/map", params=asked | {"alone": "true"}).json()
    assert any(row["moved"] for row in whole["rows"])
    assert (alone["slip"], alone["weakest"]) == (None, None)
    for row, same in zip(alone["rows"], whole["rows"], strict=True):
        assert row["moved"] == []
        assert (row["states"], row["chances"]) == (same["states"], same["chances"])


def test_how_letters_do_in_words_is_told_only_where_it_is_asked_for(
    client: TestClient, written: ClassRecord
) -> None:
    rows = client.get("/api/grow/map").json()["rows"]
    assert all(row["in_words"] == [] for row in rows)
    asked = {"words": "true"}
    rows = client.get("/api/grow/map", params=asked).json()["rows"]
    assert all(len(row["in_words"]) == len(row["written"]) for row in rows)
    assert {one for row in rows for one in row["in_words"]} == {"unknown"}
