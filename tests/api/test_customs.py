"""Where schools differ: each setting is obeyed by the board, by the check and by what goes out."""

from typing import Any

import pypdfium2
import pytest
from fastapi.testclient import TestClient

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import Ruling
from tests import letters
from tests.api.test_api import hand_in
from tests.letters import ink, pen
from tests.table import letters_on_table, texts_on_table

USUAL = {"own": "few", "rubbing_out": False, "largest_family": 5}


def set_style(client: TestClient, **fields: Any) -> None:
    assert client.put("/api/plan/style", json={"hand": "plain", **fields}).status_code == 200


def set_customs(client: TestClient, **fields: Any) -> None:
    assert client.put("/api/plan/customs", json={**USUAL, **fields}).status_code == 200


def board(client: TestClient, letter: str) -> list[Any]:
    """What the board draws of a letter, stroke by stroke."""
    strokes = client.get(f"/api/show/letters/{letter}").json()["strokes"]
    return [[move["points"] for move in stroke] for stroke in strokes]


def exported(client: TestClient, text: str) -> str:
    return client.get("/api/show/drawing", params={"text": text}).text


def to_mend(client: TestClient, letter: str, written: Ink) -> list[str]:
    """What the check finds in a letter that is handed in."""
    kept = hand_in(client, written, letter=letter)
    page = letters_on_table(client, letter)
    (attempt,) = [one for one in page if one["id"] == kept["id"]]
    return [finding["code"] for finding in attempt["findings"] if finding["severity"] != "unseen"]


def an_e(middle: float) -> Ink:
    bars = [pen((0, y), (long, y)) for y, long in ((1.9, 0.84), (1, middle), (0, 0.84))]
    return ink(pen((0, 1.9), (0, 0)), *bars)


def a_t(top: float) -> Ink:
    return ink(pen((0.22, top), (0.22, 0)), pen((0, 1), (0.46, 1)))


def planned(client: TestClient) -> dict[str, Any]:
    return dict(client.post("/api/plan/lessons", json={"new": ["n"], "shape": "full"}).json())


def checked_text(client: TestClient, kind: str, target: str, paths: list[Any]) -> dict[str, Any]:
    """What lies on the table of a row or a word that is handed in."""
    points = [[[x, y, None, None] for x, y in path] for path in paths]
    sent = {"pupil_id": 1, "kind": kind, "target": target, "help": "copy"}
    strokes = [{"points": each} for each in points]
    kept = client.post("/api/write/texts", json={**sent, "strokes": strokes})
    assert kept.status_code == 201, kept.text
    found = texts_on_table(client)
    return dict(next(one for one in found if one["id"] == kept.json()["id"]))


def told(lesson: dict[str, Any], kind: str) -> str:
    (stop,) = [stop for stop in lesson["course"] if stop["kind"] == kind]
    return " ".join(stop["told"])


@pytest.mark.parametrize(
    ("own", "on_the_board", "in_the_check", "at_home"),
    [
        ("few", "five or six", "five or six were", "write five or six on paper"),
        ("row", "Fill a row", "a row was", "write one row on paper"),
        ("rows", "Fill three rows", "three rows were", "write three rows on paper"),
        ("any", "as you like", "as many as they liked were", "write as many as your child likes"),
    ],
)
def test_how_many_of_their_own_is_told_on_the_board_in_the_check_and_at_home(
    client: TestClient, own: str, on_the_board: str, in_the_check: str, at_home: str
) -> None:
    lesson = planned(client)
    set_customs(client, own=own)
    again = client.get("/api/plan/today").json()["lesson"]
    assert on_the_board in told(again, "own")
    assert on_the_board in printed(client, lesson["id"])
    (stop,) = [stop for stop in again["course"] if stop["kind"] == "own"]
    lines = {"few": (1, 5), "row": (1, None), "rows": (3, None), "any": (3, None)}[own]
    assert [(one["lines"], one["letters"]) for one in stop["writings"]] == [lines]
    assert at_home in client.get(f"/api/plan/lessons/{lesson['id']}/home").text
    assert client.get("/api/plan/customs").json()["own"] == own
    row = checked_text(client, "row", "l", [[(x, 1.9), (x, 0.0)] for x in (0.0, 1.2, 2.4)])["row"]
    assert row["written"] == f"3 written; {in_the_check} asked for."


def printed(client: TestClient, lesson_id: int) -> str:
    """What stands on the printed plan, its lines run on."""
    page = client.get(f"/api/plan/lessons/{lesson_id}/page").content
    with pypdfium2.PdfDocument(page) as document:
        return " ".join(" ".join(one.get_textpage().get_text_range().split()) for one in document)


def test_rubbing_out_in_games_is_told_on_the_board_in_the_check_and_on_the_plan(
    client: TestClient,
) -> None:
    client.put("/api/plan/taught", json={"letters": [*"iatps"]})
    lesson = planned(client)
    right = [[(0.0, 1.9), (0.0, 0.0)], [(0.5, 1.9), (0.5, 0.0)]]
    for allowed, words in ((False, "Cross it out"), (True, "you may rub out")):
        set_customs(client, rubbing_out=allowed)
        assert words in told(client.get("/api/plan/today").json()["lesson"], "words")
        assert words in printed(client, lesson["id"])
        assert words in checked_text(client, "word", "ll", right[:1])["put_right"]
        assert checked_text(client, "word", "ll", right)["put_right"] is None


def test_the_largest_family_is_that_of_the_board_of_the_check_and_of_what_goes_out(
    client: TestClient,
) -> None:
    sizes = []
    for largest in (8, 3):
        set_customs(client, largest_family=largest)
        (offer,) = (o for o in client.get("/api/plan/today").json()["next"] if len(o["new"]) > 1)
        first, *_ = together = offer["new"]
        sizes.append(len(together))
        lesson = client.post("/api/plan/lessons", json={"new": together}).json()
        shown = [stop["part"] for stop in lesson["course"] if stop["kind"] == "show"]
        assert shown == together
        table = client.get("/api/check/table", params={"letter": first}).json()
        assert table["family"]["letters"] == together
        file = client.get("/api/plan/files/scheme/movement").json()
        assert together in [family["letters"] for family in file["families"]]
    assert sizes[0] > sizes[1] == 3
    assert client.get("/api/check/table", params={"letter": "!"}).json()["family"] is None


def test_the_largest_family_parts_the_schemes_and_is_a_wish(client: TestClient) -> None:
    set_customs(client, largest_family=3)
    scheme = client.get("/api/plan/schemes/movement").json()
    assert max(len(family["letters"]) for family in scheme["families"]) == 3
    set_customs(client, largest_family=8)
    key = client.post("/api/plan/schemes", json={"like": "movement", "name": "Ours"}).json()["key"]
    set_customs(client, largest_family=4)
    faults = client.get(f"/api/plan/schemes/{key}").json()["faults"]
    assert faults
    assert all(fault["wish"] for fault in faults)
    assert "more than the 4 that you wish for" in faults[0]["what"]
    assert client.put("/api/plan/customs", json={**USUAL, "largest_family": 9}).status_code == 422


def test_bars_of_e_are_equal_or_the_middle_one_is_shorter(client: TestClient) -> None:
    before = exported(client, "E")
    assert to_mend(client, "E", an_e(0.55)) == []
    set_style(client, choices={"E": "bars equal"})
    _, *bars = board(client, "E")
    assert {bar[0][-1][0] for bar in bars} == {0.84}
    assert to_mend(client, "E", an_e(0.55)) != []
    assert to_mend(client, "E", an_e(0.84)) == []
    assert exported(client, "E") != before


def test_a_t_is_half_way_or_nearly_as_tall_as_l(client: TestClient) -> None:
    before, low, tall = exported(client, "t"), a_t(1.25), a_t(1.76)
    assert to_mend(client, "t", low) == []
    set_style(client, choices={"t": "tall, straight foot"})
    assert board(client, "t")[0][0][0][1] == 1.76
    assert to_mend(client, "t", tall) == []
    assert to_mend(client, "t", low) != []
    assert exported(client, "t") != before


def test_a_joined_p_has_an_exit_or_none(client: TestClient) -> None:
    set_style(client, hand="joined")
    joined = HANDS["joined"]
    without = ink(*draw(joined.scripts["p"], joined.proportions, Ruling()).paths())
    before, moves = exported(client, "p"), len(board(client, "p")[0])
    assert to_mend(client, "p", without) == []
    set_style(client, hand="joined", choices={"p": "with an exit"})
    assert len(board(client, "p")[0]) == moves + 2
    assert "exit_missing" in to_mend(client, "p", without)
    assert exported(client, "p") != before


def test_each_line_is_solid_dashed_or_in_colour_on_board_pad_and_paper(client: TestClient) -> None:
    usual = client.get("/api/classroom").json()["lines"]
    assert [line["look"] for line in usual] == ["solid", "dashed", "solid", "solid"]
    looks = {"base": "coloured", "top": "dashed", "mid": "solid"}
    set_style(client, looks=looks)
    chosen = ["dashed", "solid", "coloured", "solid"]
    assert [line["look"] for line in client.get("/api/classroom").json()["lines"]] == chosen
    assert [line["look"] for line in client.get("/api/show/letters/n").json()["lines"]] == chosen
    drawing = exported(client, "n")
    assert drawing.count("stroke-dasharray") == 1
    assert drawing.count("#cf6f45") == 1
    assert client.get("/api/plan/style").json()["looks"] == looks
    assert to_mend(client, "n", letters.good_n()) == []


def test_squares_have_no_other_look_and_what_is_not_seen_stays_unseen(client: TestClient) -> None:
    looks = {"top": "coloured", "base": "coloured"}
    set_style(client, ruling="squares", looks=looks)
    lines = client.get("/api/classroom").json()["lines"]
    assert {line["look"] for line in lines} == {"squared"}
    set_style(client, ruling="base", looks=looks)
    lines = client.get("/api/classroom").json()["lines"]
    assert [line["look"] for line in lines] == ["hidden", "hidden", "coloured", "hidden"]


def test_a_line_cannot_be_made_to_vanish(client: TestClient) -> None:
    answer = client.put("/api/plan/style", json={"hand": "plain", "looks": {"base": "hidden"}})
    assert answer.status_code == 422


def test_lines_are_called_what_the_school_calls_them(client: TestClient) -> None:
    names = {"mid": "dotted line", "base": "grass", "top": "top line", "drop": "  "}
    set_style(client, names=names)
    assert client.get("/api/plan/style").json()["names"] == {"mid": "dotted line", "base": "grass"}
    assert client.get("/api/show/letters/n").json()["phrase"].startswith("at the dotted line: ")
    page = client.get("/api/plan/letters/k").json()
    assert [start["words"] for start in page["starts"]] == [
        "at the top line",
        "right, at the dotted line",
    ]
    set_style(client, names={})
    assert client.get("/api/plan/style").json()["names"] == {}
    longest = {"hand": "plain", "names": {"mid": "a" * 25}}
    assert client.put("/api/plan/style", json=longest).status_code == 422
