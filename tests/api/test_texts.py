"""Rows, words and sentences by real requests: kept whole and letter by letter, judged, taken back,
checked again."""

from datetime import UTC, datetime
from typing import Any

import numpy as np
from fastapi.testclient import TestClient
from sqlalchemy import text

from firstloop.core.evidence.ink import Ink
from firstloop.formats.ink_json import strokes_of
from firstloop.services.rechecking import rebuild, recheck
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests.api.test_customs import set_customs
from tests.core.checking.texts.written import Line, ink_of, joined, printed
from tests.table import letters_on_table, texts_on_table


def sent(
    client: TestClient, ink: Ink, target: str, kind: str = "word", pupil: int = 1
) -> dict[str, Any]:
    answer = client.post(
        "/api/write/texts",
        json={
            "pupil_id": pupil,
            "kind": kind,
            "target": target,
            "help": "copy",
            "strokes": strokes_of(ink),
        },
    )
    assert answer.status_code == 201, answer.text
    kept: dict[str, Any] = answer.json()
    return kept


def tables(database: Database) -> list[tuple[Any, ...]]:
    """What is kept up: practice days."""
    with database.writing() as session:
        rows: list[tuple[Any, ...]] = []
        for query in ("SELECT letter, day, attempts FROM practice_day ORDER BY 1, 2",):
            rows += [tuple(row) for row in session.execute(text(query))]
        return rows


def small_e(line: Line) -> Line:
    return line.changed(1, lambda path: path * np.array([1.0, 0.6]))


def test_a_word_is_kept_whole_and_each_letter_as_an_attempt(client: TestClient) -> None:
    kept = sent(client, printed("hen").ink, "hen")
    assert kept["reads_as"] == "hen"
    assert [letter["index"] for letter in kept["letters"]] == [0, 1, 2]
    (one,) = letters_on_table(client, "e")
    assert (one["id"], one["help"]) == (kept["letters"][1]["attempt_id"], "word")
    assert one["text_id"] == kept["id"]
    assert one["strokes"]
    found = client.get("/api/grow/map").json()
    names = [letter for family in found["families"] for letter in family["letters"]]
    written = {names[at] for row in found["rows"] for at, n in enumerate(row["written"]) if n}
    assert written == {"h", "e", "n"}


def test_a_letter_of_a_word_says_what_it_says_in_the_word(client: TestClient) -> None:
    kept = sent(client, small_e(printed("hen")).ink, "hen")
    assert [f["code"] for f in kept["letters"][1]["findings"]] == ["body_height", "width"]
    assert kept["findings"][0]["index"] == 1
    (one,) = letters_on_table(client, "e")
    assert [f["code"] for f in one["findings"]] == ["body_height", "width"]
    assert one["checked"]["size"] == "not_yet"
    assert kept["verdict"]["size"] in ("nearly", "not_yet")


def test_what_says_nothing_of_a_letter_is_no_attempt(client: TestClient) -> None:
    line = printed("catt")
    kept = sent(client, line.ink, "cat")
    extra = [letter for letter in kept["letters"] if letter["target"] is None]
    assert [letter["attempt_id"] for letter in extra] == [None]
    assert len(letters_on_table(client, "t")) == 1


def test_a_text_taken_back_leaves_nothing_of_its_letters(
    client: TestClient, database: Database
) -> None:
    sent(client, printed("he").ink, "he")
    before = tables(database)
    gone = sent(client, printed("hen").ink, "hen")
    assert tables(database) != before
    assert client.delete(f"/api/write/texts/{gone['id']}").status_code == 204
    assert tables(database) == before
    assert len(letters_on_table(client, "n")) == 0
    assert client.delete(f"/api/write/texts/{gone['id']}").status_code == 404


def test_texts_lie_on_the_table_by_child_kind_and_what_is_in_them(client: TestClient) -> None:
    ids = [sent(client, printed("he").ink, "he", pupil=1 + at % 2)["id"] for at in range(5)]
    assert {one["id"] for one in texts_on_table(client)} == {*ids}
    assert {one["pupil"]["id"] for one in texts_on_table(client, pupil=2)} == {2}
    assert texts_on_table(client, kind="row") == []
    assert len(texts_on_table(client, pair="he")) == 5
    assert texts_on_table(client, pair="eh") == []


def said_of(client: TestClient, kept: Any, said: Any) -> Any:
    words = {"words": [{"text_id": kept["id"], "said": said}]}
    return client.post("/api/check/words", json=words).json()["texts"][0]


def test_the_teachers_word_on_the_whole_wins_and_can_be_taken_back(client: TestClient) -> None:
    kept = sent(client, small_e(printed("hen")).ink, "hen")
    judged = said_of(client, kept, {"size": "secure", "line": "nearly", "note": " good today "})
    assert judged["held"]["size"] == "secure"
    assert judged["verdict"] == kept["verdict"]
    assert judged["judgement"]["note"] == "good today"
    assert judged["judgement"]["author"] == "Ms Reed"
    assert kept["aspects"] == {"spacing": "secure", "line": "secure", "joins": "unseen"}
    assert judged["aspects"] == {"spacing": "secure", "line": "nearly", "joins": "unseen"}
    words = client.get(f"/api/check/texts/{kept['id']}/words").json()
    assert words == [judged["judgement"]]
    back = said_of(client, kept, None)
    assert (back["held"], back["aspects"]) == (kept["verdict"], kept["aspects"])


def test_a_row_says_which_is_the_best(client: TestClient) -> None:
    line = printed("nnn").moved(1, 0.4).moved(2, 0.4)
    kept = sent(client, small_e(line).ink, "n", "row")
    assert kept["row"]["best"] != 1
    assert len(letters_on_table(client, "n")) == 3


def test_joins_that_are_not_taught_may_stand_open(client: TestClient) -> None:
    client.put("/api/plan/style", json={"hand": "joined"}).raise_for_status()
    whole = joined("in")[0]
    cut = int((whole[:, 0] - whole[0, 0] > 0.75).argmax())
    ink = ink_of([whole[: cut - 2], whole[cut + 2 :], *joined("in")[1:]])
    broken = sent(client, ink, "in")
    assert [f["code"] for f in broken["findings"]] == ["join_broken"]
    set_customs(client, open_joins=True)
    assert sent(client, ink, "in")["findings"] == []


def test_what_is_no_text_is_a_problem_and_keeps_nothing(
    client: TestClient, database: Database
) -> None:
    good = {"pupil_id": 1, "kind": "word", "target": "he", "help": "copy"}
    ink = strokes_of(printed("he").ink)
    for change, status in (
        ({"target": "hß"}, 404),
        ({"target": " "}, 422),
        ({"strokes": []}, 422),
        ({"pupil_id": 99}, 404),
        ({"kind": "poem"}, 422),
        ({"target": "h" * 200}, 422),
    ):
        answer = client.post("/api/write/texts", json={**good, "strokes": ink, **change})
        assert answer.status_code == status, change
        assert answer.headers["content-type"] == "application/problem+json"
    assert tables(database) == []


def test_a_text_is_checked_again_with_its_letters(
    client: TestClient, database: Database, school_class: ClassRecord
) -> None:
    kept = sent(client, small_e(printed("hen")).ink, "hen")
    with database.writing() as session:
        session.execute(text("UPDATE written_text SET checker = 'old'"))
        session.execute(text("UPDATE attempt SET checker = 'old', size = 'secure'"))
    done = recheck(database, school_class.id)
    assert done.checked == 3
    assert done.changes.total() == 1
    again = texts_on_table(client)[0]
    assert again == kept
    (one,) = letters_on_table(client, "e")
    assert one["checked"]["size"] == "not_yet"


def test_counted_afresh_it_is_the_same(client: TestClient, database: Database) -> None:
    sent(client, printed("hen").ink, "hen")
    sent(client, small_e(printed("hen")).ink, "hen")
    before = tables(database)
    rebuild(database, datetime.now(UTC))
    assert tables(database) == before
