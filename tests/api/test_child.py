"""A child's page, what it gets, what its teacher saw, what is told of it: by real requests."""

import io
import json
import re
import zipfile
from datetime import timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient

from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind
from firstloop.formats import inkml
from firstloop.services import classes, lessons
from firstloop.services.handing_in import hand_in, hand_in_text
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests import letters
from tests.core.checking.texts.written import printed
from tests.services.conftest import MONDAY
from tests.teachers import signed_in, teacher_of

GOOD, BAD = letters.good_n(), letters.n_from_the_base_line()
DAYS = 9


@pytest.fixture
def child(database: Database, school_class: ClassRecord) -> int:
    """A child that could not begin n and can now; the other child of the class cannot yet."""
    lessons.set_taught(database, school_class, {"n"}, MONDAY)
    first, second = (one.id for one in school_class.pupils)
    for day in range(DAYS):
        for pupil_id, good in ((first, day > 2), (second, False)):
            hand_in(
                database,
                school_class,
                pupil_id=pupil_id,
                letter="n",
                help=Help.RECALL if day else Help.TRACE,
                ink=GOOD if good else BAD,
                written_at=MONDAY + timedelta(days=day),
            )
    return first


def page_of(client: TestClient, child: int) -> Any:
    found = client.get(f"/api/grow/children/{child}")
    assert found.status_code == 200, found.text
    return found.json()


def report_of(client: TestClient, child: int, *include: str, form: str = "html") -> str:
    asked = {"include": list(include), "format": form} if include else {"format": form}
    found = client.get(f"/api/grow/children/{child}/report", params=asked)
    assert found.status_code == 200, found.text
    return found.text


def test_a_letters_story_is_the_childs_own_from_the_first_to_the_latest(
    client: TestClient, child: int
) -> None:
    page = page_of(client, child)
    (story,) = page["letters"]
    days = [one["day"] for one in story["pictures"]]
    own = [(MONDAY + timedelta(days=day)).date().isoformat() for day in range(1, DAYS)]
    assert days == sorted(days)
    assert (days[0], days[-1], len(days)) == (own[0], own[-1], 4)  # the traced one is not its own
    assert all(one["strokes"] for one in story["pictures"])
    assert page["since"] == MONDAY.date().isoformat()
    assert [one["letters"] for one in page["families"]] == [["n"]]


def test_it_says_the_same_as_the_class_map(client: TestClient, child: int) -> None:
    (story,) = page_of(client, child)["letters"]
    found = client.get("/api/grow/map").json()
    place = [x for family in found["families"] for x in family["letters"]].index("n")
    (row,) = [one for one in found["rows"] if one["pupil"]["id"] == child]
    assert story["state"] == row["states"]["weakest"][place]
    for dimension in ("direction", "size", "shape"):
        chance = story[dimension]
        assert [*chance.values()] == row["chances"][dimension][place]
    assert story["written"] == row["written"][place] == DAYS


def test_sizes_are_told_week_by_week_by_the_lines_of_the_class(
    client: TestClient, child: int
) -> None:
    page = page_of(client, child)
    assert [one["monday"] for one in page["weeks"]] == ["2026-09-07"]  # one letter is no spread
    by_part = {one["part"]: one for one in page["weeks"][0]["spreads"]}
    assert set(by_part) == {"small", "foot"}
    assert by_part["small"]["middle"] == pytest.approx(1.0, abs=0.1)
    assert by_part["foot"]["middle"] == pytest.approx(0.0, abs=0.1)
    heights = {one["part"]: one["height"] for one in page["part_lines"]}
    assert heights["small"] == 1.0


def test_a_letter_that_falls_apart_in_words_is_said_to(
    client: TestClient, database: Database, school_class: ClassRecord, child: int
) -> None:
    assert page_of(client, child)["letters"][0]["in_words"] == "unknown"
    for day in range(4):
        hand_in_text(
            database,
            school_class,
            pupil_id=child,
            kind=Kind.WORD,
            target="nn",
            help=Help.COPY,
            ink=Ink(BAD.strokes + letters.moved(BAD, 1.4, 0.0).strokes),
            written_at=MONDAY + timedelta(days=DAYS + day),
        )
    (story,) = page_of(client, child)["letters"]
    assert (story["in_words"], story["words"]) == ("less", 8)


def test_what_does_not_hold_in_texts_is_told_with_the_texts_and_by_her_word(
    client: TestClient, database: Database, school_class: ClassRecord
) -> None:
    good, wide = printed("a hen ran"), printed("a hen ran").moved(4, 2.2)
    first, second = (one.id for one in school_class.pupils)
    kept = [
        hand_in_text(
            database, school_class, pupil_id=pupil_id, kind=Kind.PHRASE, target="a hen ran",
            help=Help.COPY, ink=line.ink, written_at=MONDAY + timedelta(days=day),
        )[0].id
        for day in range(5)
        for pupil_id, line in ((first, wide if day else good), (second, good))
    ]  # fmt: skip
    gaps, line = page_of(client, first)["text_habits"]
    assert (gaps["state"], gaps["rests_on"], line["state"]) == ("not_yet", 5, "secure")
    assert [one["text_id"] for one in gaps["failed"]] == [kept[8], kept[6], kept[4]]
    asked = {"day": (MONDAY + timedelta(days=4)).date().isoformat()}
    (told,) = client.get("/api/grow/map", params=asked).json()["in_texts"]
    assert told["what"] == gaps["name"]
    assert [one["id"] for one in told["pupils"]] == [first]
    assert client.get("/api/grow/map", params=asked | {"alone": "true"}).json()["in_texts"] == []

    words = [{"text_id": text_id, "said": {"spacing": "secure"}} for text_id in kept[2::2]]
    assert client.post("/api/check/words", json={"words": words}).is_success
    gaps, _ = page_of(client, first)["text_habits"]
    assert (gaps["state"], gaps["failed"]) == ("secure", [])


def test_a_report_tells_what_the_page_tells_and_only_what_is_ticked(
    client: TestClient, child: int
) -> None:
    (story,) = page_of(client, child)["letters"]
    told = report_of(client, child)
    said = {
        "secure": "1 letter holds well: n.",
        "nearly": "1 letter is nearly there: n.",
        "not_yet": "1 letter is being practised: n.",
    }[story["state"]]
    assert said in told
    first, latest = (one["day"] for one in (story["pictures"][0], story["pictures"][-1]))
    assert all(str(int(day[-2:])) + " September 2026" in told for day in (first, latest))
    assert told.count("<svg") == 2
    assert "n" not in re.findall(r"<h2>(.*?)</h2>", report_of(client, child, "practise"))
    assert "Then and now" not in report_of(client, child, "stands")
    other = client.get("/api/classroom").json()["pupils"][1]["name"]
    assert other not in told


def test_two_things_to_practise_at_most_by_what_weighs_most(
    client: TestClient, school_class: ClassRecord, child: int
) -> None:
    assert "To practise" not in report_of(client, child, "stands")
    other = next(one.id for one in school_class.pupils if one.id != child)
    told = report_of(client, other, "practise")
    assert 1 <= told.count("<p><b>") <= 2
    assert "Starting at the top" in told or "The letter n" in told


def test_as_pdf_it_is_one_page_that_can_be_printed(client: TestClient, child: int) -> None:
    found = client.get(f"/api/grow/children/{child}/report")
    assert found.headers["content-type"] == "application/pdf"
    assert found.content.startswith(b"%PDF")
    assert len(re.findall(rb"/Type /Page\b", found.content)) == 1
    assert b"/FontFile2" in found.content  # its type is in it: any name can be written


def test_what_she_saw_and_noted_is_told_only_when_she_ticks_it(
    client: TestClient, child: int
) -> None:
    care = f"/api/grow/children/{child}/care"
    assert client.post(f"{care}/flags", json={"kind": "hurts"}).status_code == 201
    client.post(f"{care}/notes", json={"text": "Rests <often>."})
    assert "hand hurts" not in report_of(client, child)
    assert "Rests" not in report_of(client, child)
    told = report_of(client, child, "notes", "flags")
    assert "hand hurts" in told
    assert "Rests &lt;often&gt;." in told
    (flag,) = client.get(care).json()["flags"]
    client.put(f"/api/grow/care/flags/{flag['id']}", json={**_AGAIN, "is_over": True})
    assert "hand hurts" not in report_of(client, child, "flags")


_AGAIN = {"look_again": "2026-12-24"}


def test_a_flag_has_a_day_to_look_again_and_is_told_of_then(client: TestClient, child: int) -> None:
    care = f"/api/grow/children/{child}/care"
    flag = client.post(f"{care}/flags", json={"kind": "presses"}).json()
    again = client.post(f"{care}/flags", json={"kind": "presses"})
    assert again.status_code == 409
    assert client.get("/api/grow/care").json() == []
    past = {"look_again": flag["since"], "is_over": False}
    assert client.put(f"/api/grow/care/flags/{flag['id']}", json=past).json()["is_due"]
    (due,) = client.get("/api/grow/care").json()
    assert (due["pupil"]["id"], due["name"]) == (child, "presses hard")
    assert client.delete(f"/api/grow/care/flags/{flag['id']}").status_code == 204
    assert client.get(care).json()["flags"] == []


def test_a_helper_is_told_nothing_of_it(
    client: TestClient, database: Database, school_class: ClassRecord, child: int
) -> None:
    care = f"/api/grow/children/{child}/care"
    client.post(f"{care}/flags", json={"kind": "shakes"})
    past = {"look_again": "2026-01-01"}
    client.put("/api/grow/care/flags/1", json=past)
    teacher_of(database, "Ms Wren")
    classes.share(database, school_class.id, "Ms Wren")
    helper = signed_in(client.app, database, "Ms Wren")
    asked = f"/api/grow/children/{child}"
    assert helper.get(care).status_code == 403
    assert helper.get(f"{asked}/archive").status_code == 403
    for hers in ("notes", "flags"):
        assert helper.get(f"{asked}/report", params={"include": hers}).status_code == 403
    assert helper.get("/api/grow/care").json() == []
    assert helper.get(f"{asked}/report").status_code == 200
    assert "shakes" not in json.dumps(page_of(helper, child))


def test_another_classs_child_is_as_if_there_were_none(
    client: TestClient, database: Database, child: int
) -> None:
    other = signed_in(client.app, database, "Mr Finch")
    other.post("/api/classroom", json={"name": "Finches", "hand": "plain"})
    client.post(f"/api/grow/children/{child}/care/notes", json={"text": "Hers."})
    other = signed_in(client.app, database, "Mr Finch")
    asked = f"/api/grow/children/{child}"
    for path in ("", "/care", "/report", "/archive"):
        assert other.get(asked + path).status_code == 404
    assert other.post(f"{asked}/care/notes", json={"text": "Mine."}).status_code == 404
    assert other.put("/api/grow/care/notes/1", json={"text": "Mine."}).status_code == 404
    assert other.delete("/api/grow/care/notes/1").status_code == 404


def test_handing_the_class_over_deletes_what_she_saw_unless_she_ticks_it(
    client: TestClient, database: Database, child: int
) -> None:
    care = f"/api/grow/children/{child}/care"
    for ticked, left in ((True, 1), (False, 0)):
        teacher = signed_in(client.app, database, "Ms Reed" if ticked else "Mr Finch")
        if ticked:
            teacher.post(f"{care}/flags", json={"kind": "tires"})
        name = "Mr Finch" if ticked else "Ms Reed"
        teacher_of(database, name)
        body = {"name": name, "flags": ticked}
        assert teacher.put("/api/classroom/teacher", json=body).status_code == 204
        found = signed_in(client.app, database, name).get(care).json()
        assert len(found["flags"]) == left


def test_all_of_a_child_is_one_file_with_its_ink_and_its_report(
    client: TestClient, child: int
) -> None:
    client.post(f"/api/grow/children/{child}/care/flags", json={"kind": "avoids"})
    found = client.get(f"/api/grow/children/{child}/archive")
    with zipfile.ZipFile(io.BytesIO(found.content)) as archive:
        names = archive.namelist()
        manifest = json.loads(archive.read("archive.json"))
        ink = [name for name in names if name.startswith("ink/letter-")]
        assert inkml.read(archive.read(ink[0])).target == "n"
        assert archive.read("report.pdf").startswith(b"%PDF")
        pupils = archive.read("rows/pupil.jsonl").splitlines()
    assert (manifest["what"], manifest["rows"]["attempt"], len(ink)) == ("child", DAYS, DAYS)
    assert len(pupils) == 1
    assert "rows/care_flag.jsonl" not in names
    ticked = client.get(f"/api/grow/children/{child}/archive", params={"flags": True})
    assert "rows/care_flag.jsonl" in zipfile.ZipFile(io.BytesIO(ticked.content)).namelist()


def test_the_classs_summary_holds_each_dimension_of_each_letter(
    client: TestClient, child: int
) -> None:
    found = client.get("/api/grow/summary")
    head, *lines = found.text.strip().split("\n")
    assert head.startswith("child,letter,family,taught,dimension,state,likely,low,high")
    (story,) = page_of(client, child)["letters"]
    name = page_of(client, child)["pupil"]["name"]
    (size,) = [one for one in lines if one.startswith(f"{name},n") and ",size," in one]
    chance = story["size"]
    numbers = f"{chance['likely']},{chance['low']},{chance['high']},{DAYS}"
    assert size.endswith(numbers)
