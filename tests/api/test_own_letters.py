"""Our own letters: written, understood, mended, accepted; from then on everything follows."""

from io import BytesIO
from typing import Any

import pytest
from fastapi.testclient import TestClient
from fontTools.ttLib import TTFont

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import HANDS
from firstloop.formats import ink_json
from tests import letters
from tests.api.test_api import hand_in
from tests.table import letters_on_table

K = letters.ink(
    letters.pen((0, 1.9), (0, 0)), letters.pen((0.55, 1), (0.05, 0.45), (0.45, 0.35), (0.2, 0))
)
SCRIBBLE = letters.ink(
    letters.pen(*((x % 0.9, (x * 7) % 1.9) for x in (at * 0.37 for at in range(60))))
)


def strokes(ink: Ink) -> list[dict[str, Any]]:
    return ink_json.strokes_of(ink)


@pytest.fixture
def ours(client: TestClient) -> TestClient:
    answer = client.post("/api/plan/own-hands", json={"name": "Heron", "base": "plain"})
    assert answer.status_code == 201
    return client


def at(letter: str, rest: str = "") -> str:
    return f"/api/plan/own-hands/Heron/letters/{letter}{rest}"


def written(client: TestClient, letter: str, ink: Ink) -> dict[str, Any]:
    answer = client.post(at(letter, "/samples"), json={"strokes": strokes(ink)})
    assert answer.status_code == 201, answer.text
    out: dict[str, Any] = answer.json()
    return out


def accepted(client: TestClient, letter: str, ink: Ink) -> dict[str, Any]:
    understood = written(client, letter, ink)["understood"]
    answer = client.put(at(letter), json={"strokes": understood["strokes"]})
    assert answer.status_code == 200, answer.text
    out: dict[str, Any] = answer.json()
    return out


def test_until_its_letters_are_written_a_hand_is_its_bases(ours: TestClient) -> None:
    hand = ours.get("/api/plan/own-hands/Heron").json()
    assert (hand["base"], hand["joins"], hand["in_use"]) == ("plain", False, False)
    assert {one["stands"] for one in hand["letters"]} == {None}
    assert ours.get("/api/plan/own-hands").json() == [
        {"name": "Heron", "base": "plain", "written": 0}
    ]


def test_what_is_written_is_understood_at_once_move_by_move(ours: TestClient) -> None:
    answer = written(ours, "k", K)
    assert len(answer["samples"]) == 1
    understood = answer["understood"]
    assert understood["form"] == "own"
    assert [len(stroke) for stroke in understood["drawing"]["strokes"]] == [1, 3]
    assert understood["drawing"]["phrase"].startswith("at the top line: straight down")
    assert answer["stands"] is None
    assert answer["now"]["form"] == "base"


def test_what_is_being_written_is_understood_and_not_kept(ours: TestClient) -> None:
    half = ours.post(at("k", "/tried"), json={"strokes": strokes(K)[:1]}).json()
    assert half["understood"] is None  # so far it is an l
    whole = ours.post(at("k", "/tried"), json={"strokes": strokes(K)}).json()
    assert [len(stroke) for stroke in whole["understood"]["drawing"]["strokes"]] == [1, 3]
    assert ours.get(at("k")).json()["samples"] == []


def test_a_letter_that_is_the_bases_is_said_to_be(ours: TestClient) -> None:
    assert written(ours, "n", letters.good_n())["understood"]["form"] == "base"


def test_a_scribble_is_refused_with_what_to_do(ours: TestClient) -> None:
    answer = written(ours, "k", SCRIBBLE)
    assert answer["understood"] is None
    (sample,) = answer["samples"]
    assert sample["problem"]["code"] == "far_from_any"
    assert "once more" in sample["problem"]["say"]


def test_what_was_accepted_is_the_hands_letter_and_is_checked_by_it(ours: TestClient) -> None:
    before = hand_in(ours, K, letter="k")
    assert accepted(ours, "k", K)["stands"] == "pen"
    assert ours.put("/api/plan/style", json={"hand": "Heron"}).is_success
    shown = ours.get("/api/show/letters/k").json()
    assert [len(stroke) for stroke in shown["strokes"]] == [1, 3]
    after = hand_in(ours, K, letter="k")
    assert after["checked"] == {"direction": "secure", "size": "secure", "shape": "secure"}
    first = next(one for one in letters_on_table(ours, "k") if one["id"] == before["id"])
    assert first["checked"] == before["checked"]


def test_it_is_mended_step_by_step_and_nothing_is_kept_until_it_is_accepted(
    ours: TestClient,
) -> None:
    made = written(ours, "k", K)["understood"]["strokes"]
    sent = {"strokes": made, "mend": "start", "stroke": 1, "way": "down"}
    moved = ours.post(at("k", "/mended"), json=sent).json()
    assert moved["strokes"][0] == made[0]
    assert moved["strokes"][1] != made[1]
    assert ours.get(at("k")).json()["stands"] is None
    kept = ours.put(at("k"), json={"strokes": moved["strokes"]}).json()
    assert kept["stands"] == "mended"
    assert kept["now"]["strokes"] == moved["strokes"]


def test_what_a_letter_cannot_have_is_said(ours: TestClient) -> None:
    sent = {"strokes": ["0,top; drop 0,base"], "mend": "swap"}
    answer = ours.post(at("l", "/mended"), json=sent)
    assert answer.status_code == 422
    assert "one stroke" in answer.json()["detail"]


def test_what_is_no_script_is_refused_with_its_fault(ours: TestClient) -> None:
    answer = ours.put(at("k"), json={"strokes": ["0,top; drip 0,base"]})
    assert answer.status_code == 422
    assert '"drip" is no move' in answer.json()["detail"]


def test_a_letter_taken_back_is_gone_and_the_hands_letter_the_bases_again(
    ours: TestClient,
) -> None:
    accepted(ours, "k", K)
    answer = written(ours, "k", K)
    first, second = (one["id"] for one in answer["samples"])
    left = ours.delete(at("k", f"/samples/{second}")).json()
    assert [one["id"] for one in left["samples"]] == [first]
    assert ours.delete(at("k", f"/samples/{second}")).status_code == 404
    back = ours.delete(at("k")).json()
    assert (back["samples"], back["stands"], back["now"]["form"]) == ([], None, "base")


def test_what_letters_share_is_fitted_and_what_was_mended_stays(ours: TestClient) -> None:
    def leaning(ink: Ink) -> Ink:
        return letters.ink(
            *(stroke.points + stroke.points[:, 1:] * [0.2, 0.0] for stroke in ink.strokes)
        )

    hers = {"n": letters.good_n(), "h": letters.good_h(), "m": letters.good_m()}
    hers |= {x: letters.ink(*letters.drawn(HANDS["plain"].scripts[x])) for x in "lidb"}
    for letter, ink in hers.items():
        accepted(ours, letter, leaning(ink))
    mended = ours.put(
        at("o"), json={"strokes": [".4,mid; round@W 0,.5,S .4,base,E .8,.5,N .4,mid,W"]}
    )
    fitted = ours.post("/api/plan/own-hands/Heron/fitted").json()
    assert fitted["slant_deg"] == pytest.approx(11.3, abs=1.0)
    assert ours.get(at("n")).json()["now"]["form"] == "base"
    assert ours.get(at("o")).json()["now"]["strokes"] == mended.json()["now"]["strokes"]


def test_a_way_that_the_class_had_picked_goes_with_the_letter(ours: TestClient) -> None:
    style = {"hand": "Heron", "choices": {"k": "looped", "y": "slanted"}}
    assert ours.put("/api/plan/style", json=style).is_success
    accepted(ours, "k", K)
    assert ours.get("/api/plan/style").json()["choices"] == {"y": "slanted"}


def test_words_are_written_only_where_letters_join(ours: TestClient) -> None:
    ink = strokes(letters.good_n())
    sent = {"word": "us", "strokes": ink}
    refused = ours.post("/api/plan/own-hands/Heron/words", json=sent)
    assert refused.status_code == 422
    assert ours.post("/api/plan/own-hands", json={"name": "Reed", "base": "joined"}).is_success
    assert ours.post("/api/plan/own-hands/Reed/words", json=sent).status_code == 204
    assert ours.get("/api/plan/own-hands/Reed").json()["words"] == ["us"]


def test_the_joins_that_ask_most_are_shown_first(ours: TestClient) -> None:
    assert ours.post("/api/plan/own-hands", json={"name": "Reed", "base": "joined"}).is_success
    joins = ours.get("/api/plan/own-hands/Reed/joins").json()
    efforts = [one["effort"] for one in joins["worst"]]
    assert efforts == sorted(efforts, reverse=True)
    kinds = [one["how"] for one in joins["worst"]]
    assert 4 <= len(set(kinds)) == len(kinds) / 2
    assert joins["lifts_after"] == list("gjpqy")
    assert joins["joined"] == 21 * 26
    assert ours.get("/api/plan/own-hands/Heron/joins").json()["worst"] == []


@pytest.mark.parametrize(
    ("body", "words"),
    [
        ({"name": "plain", "base": "plain"}, "built in"),
        ({"name": "Heron", "base": "plain"}, "here already"),
        ({"name": "Other", "base": "copperplate"}, "no hand"),
    ],
)
def test_a_hand_that_cannot_be_begun_is_refused(
    ours: TestClient, body: dict[str, str], words: str
) -> None:
    answer = ours.post("/api/plan/own-hands", json=body)
    assert answer.status_code in (404, 409, 422)
    assert words in answer.json()["detail"]


def test_it_goes_out_as_a_file_and_as_a_font(ours: TestClient) -> None:
    accepted(ours, "k", K)
    text = ours.get("/api/plan/files/hand/Heron").text
    assert '"Heron"' in text
    font = ours.get("/api/plan/files/font/Heron", params={"family": "Heron class"})
    assert font.headers["content-type"] == "font/otf"
    assert TTFont(BytesIO(font.content))["name"].getDebugName(1) == "Heron class"


def test_no_more_is_taken_of_a_letter_than_says_something(ours: TestClient) -> None:
    for _ in range(12):
        written(ours, "n", letters.good_n())
    more = ours.post(at("n", "/samples"), json={"strokes": strokes(letters.good_n())})
    assert more.status_code == 422
    assert "take one back" in more.json()["detail"]
