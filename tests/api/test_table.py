"""The table over the wire: piles, words on many things at once, and what comes back of them."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from firstloop.store.database import Database
from tests import letters
from tests.api.test_api import hand_in
from tests.apps import app_over
from tests.table import letters_on_table
from tests.teachers import signed_in

BEGUN_LOW, GOOD = letters.n_from_the_base_line(), letters.good_n()


def table(client: TestClient, **asked: Any) -> Any:
    answer = client.get("/api/check/table", params=asked)
    assert answer.status_code == 200, answer.text
    return answer.json()


def piles(client: TestClient, **asked: Any) -> dict[str, list[int]]:
    """The ids in each pile."""
    found = table(client, **asked)
    cards = found["cards"]
    return {one["key"]: [cards[at]["attempt_id"] for at in one["cards"]] for one in found["piles"]}


def say(client: TestClient, *ids: int, many: bool = False, **said: Any) -> list[Any]:
    words = [{"attempt_id": id, "said": said} for id in ids]
    answer = client.post("/api/check/words", json={"words": words, "many": many})
    assert answer.status_code == 200, answer.text
    found: list[Any] = answer.json()["attempts"]
    return found


def take_back(client: TestClient, id: int) -> Any:
    words = {"words": [{"attempt_id": id, "said": None}]}
    return client.post("/api/check/words", json=words).json()["attempts"][0]


@pytest.fixture
def written(client: TestClient) -> list[int]:
    """Of two children each an n begun at the base line and a good one."""
    return [
        hand_in(client, ink, pupil_id=child)["id"] for child in (1, 2) for ink in (BEGUN_LOW, GOOD)
    ]


def test_what_is_alike_lies_together_by_the_childrens_names(
    client: TestClient, written: list[int]
) -> None:
    mila_low, mila_good, jori_low, jori_good = written
    assert piles(client) == {
        "start_place": [jori_low, mila_low],
        "well": [jori_good, mila_good],
    }
    assert [one["name"] for one in table(client)["piles"]] == [
        "Starts elsewhere",
        "Nothing to mend",
    ]
    assert piles(client, newest=True) == {"well": [jori_good, mila_good]}
    assert piles(client, pupil=2, finding="start_place") == {"start_place": [jori_low]}
    assert table(client, letter="m")["cards"] == []


def test_the_best_of_a_childs_letters_of_a_day_is_known_by_its_measures(
    client: TestClient, written: list[int]
) -> None:
    best = {one["attempt_id"] for one in table(client)["cards"] if one["best"]}
    assert best == {written[1], written[3]}


def test_many_are_agreed_to_in_one_press_and_one_is_said_otherwise(
    client: TestClient, written: list[int]
) -> None:
    low = piles(client)["start_place"]
    agreed = say(client, *low, many=True)
    assert [one["judgement"]["how"] for one in agreed] == ["many", "many"]
    assert all(one["judgement"]["findings"] == {"start_place": "so"} for one in agreed)
    (no,) = say(client, low[0], findings={"start_place": "not_so"}, say="Well begun.")
    assert (no["held"]["direction"], no["say"]) == ("secure", "Well begun.")
    cards = {one["attempt_id"]: one for one in table(client)["cards"]}
    assert [cards[id]["judged"] for id in low] == [True, True]
    assert [cards[id]["overruled"] for id in low] == [True, False]
    assert piles(client, judged=False) == {"well": [written[3], written[1]]}
    back = take_back(client, low[0])
    assert (back["judgement"], back["held"]["direction"]) == (None, "not_yet")


def test_a_note_of_hers_wants_her_eye_first(client: TestClient, written: list[int]) -> None:
    say(client, written[1], note="ask about her hand")
    assert piles(client)["first"] == [written[1]]


def test_what_was_overruled_three_times_is_looked_at_first_when_it_comes_again(
    client: TestClient, written: list[int]
) -> None:
    more = [hand_in(client, BEGUN_LOW)["id"] for _ in range(2)]
    say(client, *more, written[0], findings={"start_place": "not_so"})
    again = hand_in(client, BEGUN_LOW)["id"]
    found = piles(client, judged=False)
    assert again in found["first"]
    cards = table(client, judged=False)["cards"]
    assert {"at_odds"} <= {why for one in cards for why in one["why"]}


def test_what_is_set_aside_leaves_the_table(client: TestClient, written: list[int]) -> None:
    (aside,) = say(client, written[0], set_aside=True)
    assert set(aside["held"].values()) == {"unseen"}
    assert aside["say"] == ""
    assert written[0] not in [one["attempt_id"] for one in table(client)["cards"]]
    assert piles(client, set_aside=True) == {"start_place": [written[0]]}
    take_back(client, written[0])
    assert written[0] in piles(client)["start_place"]


def test_looked_at_closely_the_faulty_move_and_its_place_are_shown(
    client: TestClient, written: list[int]
) -> None:
    say(client, written[0], shape="nearly")
    found = client.get(f"/api/check/attempts/{written[0]}/closer").json()
    assert found["pointed"]["mark"] == "from_to"
    assert found["pointed"]["start"] == [0.0, 0.0]
    assert [one["shape"] for one in found["words"]] == ["nearly"]
    well = client.get(f"/api/check/attempts/{written[1]}/closer").json()
    assert well == {"faulty": [], "pointed": None, "words": []}


def test_a_childs_first_latest_and_best_are_worth_comparing(
    client: TestClient, written: list[int]
) -> None:
    del written
    first, good, latest = (
        hand_in(client, ink, letter="n", pupil_id=2)["id"] for ink in (BEGUN_LOW, GOOD, BEGUN_LOW)
    )
    found = client.get("/api/check/pupils/2/letters/n/pair").json()
    assert found["latest"] == latest
    assert found["first"] < first
    assert found["best"] == good
    assert found["chosen"] is None
    nothing = client.get("/api/check/pupils/2/letters/z/pair").json()
    assert set(nothing.values()) == {None}


def test_another_classs_letters_are_not_there(
    client: TestClient, database: Database, written: list[int]
) -> None:
    with signed_in(app_over(database), database, "Mr Wren") as other:
        assert other.get("/api/check/table").status_code in (404, 409)
        sent = {"words": [{"attempt_id": written[0], "said": {}}]}
        assert other.post("/api/check/words", json=sent).status_code in (404, 409)
    assert letters_on_table(client, "n")[0]["judgement"] is None


def test_letters_for_the_wall_are_printed_by_name_or_without(
    client: TestClient, written: list[int]
) -> None:
    asked = {"attempt": [*written, 999]}
    page = client.get("/api/check/wall", params=asked)
    assert page.headers["content-type"] == "application/pdf"
    assert page.content.startswith(b"%PDF")
    nameless = client.get("/api/check/wall", params=asked | {"names": False}).content
    assert len(nameless) < len(page.content)
    assert client.get("/api/check/wall").status_code == 422
