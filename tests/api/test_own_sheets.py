"""Sheets made by hand, by real requests: kept, changed, looked at, printed, read back."""

from io import BytesIO
from typing import Any

import pypdfium2
import pytest
from fastapi.testclient import TestClient

from firstloop.store import paper
from firstloop.store.database import Database

SHEETS = "/api/plan/own-sheets"
ROWS: list[dict[str, Any]] = [
    {"text": "n", "mode": "trace"},
    {"text": "hen", "mode": "own", "lines": 2},
    {"text": "sun", "mode": "recall", "boxes": "sounds", "picture": "sun"},
]


@pytest.fixture
def sheet(client: TestClient) -> str:
    made = client.post(SHEETS, json={"title": "n and hen", "rows": ROWS})
    assert made.status_code == 201
    return f"{SHEETS}/{made.json()['id']}"


def printed(client: TestClient, sheet: str, **asked: Any) -> list[str]:
    """The text of each page of the PDF."""
    found = client.get(f"{sheet}/pdf", params=asked)
    assert found.headers["content-type"] == "application/pdf"
    document = pypdfium2.PdfDocument(BytesIO(found.content))
    told = [page.get_textpage().get_text_range() for page in document]
    document.close()
    return told


def test_it_is_kept_as_it_is_made_and_changed(client: TestClient, sheet: str) -> None:
    kept = client.get(sheet).json()
    assert [row["text"] for row in kept["rows"]] == ["n", "hen", "sun"]
    changed = kept | {"title": "sun", "rows": kept["rows"][2:]}
    del changed["id"]
    assert client.put(sheet, json=changed).json()["title"] == "sun"
    assert [one["title"] for one in client.get(SHEETS).json()] == ["sun"]
    assert client.get(sheet).json()["rows"] == kept["rows"][2:]
    assert client.delete(sheet).status_code == 204
    assert client.get(sheet).status_code == 404
    assert client.get(SHEETS).json() == []


@pytest.mark.parametrize(
    ("part", "told"),
    [
        ({"rows": [*ROWS, {"text": "\N{LATIN SMALL LETTER SHARP S}", "mode": "own"}]}, "Row 4: "),
        ({"rows": [{"text": "n", "mode": "own", "picture": "gnu"}]}, 'Row 1: "gnu" is none'),
        ({"rows": ROWS, "strips": 8}, "choose at most"),
        ({"rows": [ROWS[0]] * 8, "week": True}, "a week has 7 days, a row each"),
    ],
)
def test_what_cannot_be_laid_out_is_said_in_a_teachers_words_and_changes_nothing(
    client: TestClient, sheet: str, part: dict[str, Any], told: str
) -> None:
    before = client.get(sheet).json()
    for answer in (
        client.put(sheet, json={"title": "x", **part}),
        client.post(SHEETS, json={"title": "x", **part}),
    ):
        assert answer.status_code == 422
        assert told in answer.json()["detail"]
        assert "rows[" not in answer.json()["detail"]
    assert client.get(sheet).json() == before
    assert len(client.get(SHEETS).json()) == 1


def test_it_is_looked_at_and_printed_in_the_classs_hand_on_its_lines(
    client: TestClient, sheet: str
) -> None:
    told = client.get(f"{sheet}/pages").json()
    assert told["pages"] == len(printed(client, sheet)) == 2
    assert "To read out" in printed(client, sheet)[1]
    before = client.get(f"{sheet}/pages/1").text
    style = client.get("/api/plan/style").json()
    client.put("/api/plan/style", json=style | {"x_height_mm": 12.0})
    assert client.get(f"{sheet}/pages/1").text != before
    assert client.get(f"{sheet}/pages/{told['pages'] + 1}").status_code == 404


def test_one_a_child_has_its_name_and_is_for_who_is_here(client: TestClient, sheet: str) -> None:
    names = [one["name"] for one in client.get("/api/classroom").json()["pupils"]]
    pages = printed(client, sheet, each="true")
    assert all(any(name in page for page in pages) for name in names)
    assert client.get(f"{sheet}/pages", params={"each": "true"}).json()["children"] == len(names)


def test_what_is_printed_can_be_read_and_what_is_cut_apart_cannot(
    client: TestClient, database: Database, sheet: str
) -> None:
    assert kept_sheets(database) == 0
    printed(client, sheet)
    printed(client, sheet)
    assert kept_sheets(database) == 1
    strips = client.post(SHEETS, json={"title": "strips", "rows": ROWS[:1], "strips": 4}).json()
    assert len(printed(client, f"{SHEETS}/{strips['id']}")) == 1
    assert kept_sheets(database) == 1


def kept_sheets(database: Database) -> int:
    with database.session() as session:
        return session.query(paper.PrintedSheet).count()
