"""The sheet of a lesson, by real requests."""

from io import BytesIO
from typing import Any

import pypdfium2
import pytest
from fastapi.testclient import TestClient


@pytest.fixture
def lesson(client: TestClient) -> str:
    made = client.post("/api/plan/lessons", json={"new": ["n"], "shape": "short"})
    return f"/api/plan/lessons/{made.json()['id']}/sheet"


def words_of(client: TestClient, address: str, **asked: Any) -> list[str]:
    """The text of each page of the PDF."""
    found = client.get(f"{address}/pdf", params=asked)
    assert found.headers["content-type"] == "application/pdf"
    document = pypdfium2.PdfDocument(BytesIO(found.content))
    told = [page.get_textpage().get_text_range() for page in document]
    document.close()
    return told


def test_one_for_all_has_as_many_pages_as_it_says_and_no_name(
    client: TestClient, lesson: str
) -> None:
    told = client.get(lesson).json()
    pages = words_of(client, lesson)
    assert (told["children"], len(pages)) == (0, told["pages"])
    names = [one["name"] for one in client.get("/api/classroom").json()["pupils"]]
    assert not any(name in page for name in names for page in pages)
    svg = client.get(f"{lesson}/pages/1")
    assert svg.headers["content-type"] == "image/svg+xml"
    assert 'width="210mm"' in svg.text
    assert client.get(f"{lesson}/pages/{told['pages'] + 1}").status_code == 404


def test_one_a_child_is_by_what_it_gets_and_of_a_group_for_its_own(
    client: TestClient, lesson: str
) -> None:
    first, second = client.get("/api/classroom").json()["pupils"]
    client.put(f"/api/classroom/pupils/{first['id']}/gets", json={"lines": "largest"})
    told = client.get(lesson, params={"each": "true"}).json()
    assert told["children"] == 2
    pages = words_of(client, lesson, each="true")
    assert first["name"] in pages[0]
    assert second["name"] in pages[-1]
    asked = {"new": ["n"], "shape": "look_back", "group": [second["id"]]}
    group = client.post("/api/plan/lessons", json=asked).json()["id"]
    (alone,) = words_of(client, f"/api/plan/lessons/{group}/sheet", each="true")
    assert second["name"] in alone


def test_for_home_it_says_the_words_of_the_letter(client: TestClient, lesson: str) -> None:
    (page,) = words_of(client, lesson, home="true", paper="Letter")
    assert "straight down" in page
    assert "Stop while it is still fun" in page


def test_a_lesson_in_which_nothing_is_written_says_so(client: TestClient, lesson: str) -> None:
    given = lesson.removesuffix("/sheet")
    for kind in ("date", "look_back", "own", "words", "sentence", "free"):
        change = {"do": "skip", "kind": kind, "skipped": True}
        client.post(f"{given}/changes", json=change)
    found = client.get(lesson)
    assert found.status_code == 422
    assert "nothing is written in this lesson" in found.json()["detail"]
    assert client.get(lesson, params={"home": "true"}).json()["pages"] == 1


def test_with_no_child_here_there_is_none_for_each(client: TestClient, lesson: str) -> None:
    for one in client.get("/api/classroom").json()["pupils"]:
        apart = {"presence": "apart"}
        assert client.put(f"/api/classroom/pupils/{one['id']}/presence", json=apart).is_success
    for address in (lesson, f"{lesson}/pdf"):
        answer = client.get(address, params={"each": "true"})
        assert (answer.status_code, "no child" in answer.json()["detail"]) == (422, True)
    assert client.get(f"{lesson}/pdf").is_success
