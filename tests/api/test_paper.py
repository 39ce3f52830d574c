"""Photographs of a lesson's sheet: brought in, read, looked over, and taken into the record."""

import threading
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from datetime import UTC, datetime
from io import BytesIO
from typing import Any

import numpy as np
import pytest
from fastapi.testclient import TestClient
from PIL import Image

from firstloop.core.evidence.pupils import draw_pupil
from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.sheets.pages import Cell, Sheet
from firstloop.core.sheets.wish import Mode
from firstloop.demo.notebooks import Notebook
from firstloop.demo.on_paper import write_cell
from firstloop.demo.photographs import Camera, Rgb, photographed, printed, written_on
from firstloop.formats.ink_json import strokes_of
from firstloop.scan.page import PX_PER_MM
from firstloop.services import paper_pages, sheets
from firstloop.services.paper_reader import PaperReader
from firstloop.services.sheets import SheetAsked
from firstloop.store import attempts, classes, paper
from firstloop.store.database import Database
from firstloop.store.records import PaperPageRecord
from tests import letters
from tests.notebook import Taken
from tests.table import EVER, letters_on_table, texts_on_table

PAPER = "/api/check/paper"
NOW = datetime(2026, 5, 4, 9, 0, tzinfo=UTC)


@dataclass(frozen=True)
class Filled:
    """The sheets of a lesson, one a child, and a photograph of the first page of each."""

    sheets: tuple[Sheet, ...]
    photos: tuple[bytes, ...]


def fill(page: Rgb, cells: tuple[Cell, ...], seed: int) -> None:
    """Every other cell of what is a child's own, and all that is traced."""
    rng = np.random.default_rng(seed)
    pupil = draw_pupil(rng, steadiness=0.9)
    for cell in cells:
        if cell.mode is Mode.OWN and cell.cell % 2:
            continue
        ink = write_cell(cell, PLAIN, Ruling(), pupil, rng, slips=0.0)
        written_on(page, cell, ink)


def photo_of(sheet: Sheet, page: int, seed: int, camera: Camera = Camera()) -> bytes:  # noqa: B008  # frozen
    picture = printed(sheet, page)
    fill(picture, sheet.pages[page].cells, seed)
    file = BytesIO()
    taken = Image.fromarray(photographed(picture, camera, np.random.default_rng(seed)))
    taken.save(file, "JPEG", quality=88)
    return file.getvalue()


@pytest.fixture(scope="module")
def photos() -> dict[str, bytes]:
    """Kept from one test to the next: to make one takes as long as to read it."""
    return {}


@pytest.fixture
def filled(client: TestClient, database: Database, photos: dict[str, bytes]) -> Filled:
    lesson = client.post("/api/plan/lessons", json={"new": ["n"], "shape": "short"}).json()["id"]
    each = {"each": "true"}
    assert client.get(f"/api/plan/lessons/{lesson}/sheet/pdf", params=each).is_success
    with database.session() as session:
        school_class = classes.every(session)[0]
        school_class = classes.get(session, school_class.id)
        made = sheets.of_lesson(session, school_class, lesson, SheetAsked(each=True)).sheets
    for at, sheet in enumerate(made):
        name = f"{sheet.name} {at}"
        if name not in photos:
            photos[name] = photo_of(sheet, 0, at)
    return Filled(made, tuple(photos[f"{sheet.name} {at}"] for at, sheet in enumerate(made)))


def send(client: TestClient, photo: bytes, name: str = "IMG_2.jpg") -> None:
    kind = {"content-type": "application/octet-stream"}
    sent = client.post(f"{PAPER}/photos", params={"name": name}, content=photo, headers=kind)
    assert sent.status_code == 202, sent.text


def read(client: TestClient) -> list[Any]:
    """The pages, once all are read."""
    for _ in range(2_000):
        answer = client.get(PAPER).json()
        if not answer["waiting"]:
            return list(answer["pages"])
        threading.Event().wait(0.05)
    raise AssertionError("it is not read")


def test_a_childs_page_is_read_looked_over_and_taken_into_the_record(
    client: TestClient, filled: Filled
) -> None:
    first = client.get("/api/classroom").json()["pupils"][0]
    send(client, filled.photos[0])
    (page,) = read(client)
    assert (page["pupil_id"], page["page"], page["problems"]) == (first["id"], 1, [])
    assert page["states"]["written"] > 0
    assert page["states"]["empty"] > 0
    in_full = client.get(f"{PAPER}/pages/{page['id']}").json()
    assert len(in_full["cells"]) == len(filled.sheets[0].pages[0].cells)
    own = [one for one in in_full["cells"] if one["mode"] == "own" and one["state"] == "written"]
    assert {one["verdict"]["direction"] for one in own} == {"unseen"}
    assert all("kept_u" in one for one in in_full["cells"] if one["mode"] == "trace")
    picture = client.get(f"{PAPER}/pages/{page['id']}/picture")
    flat = Image.open(BytesIO(picture.content))
    assert flat.size == (1680, 2376)
    assert not flat.getexif()

    left_out = own[0]
    cell = f"{PAPER}/pages/{page['id']}/cells/{left_out['row']}/{left_out['cell']}"
    assert client.put(cell, json={"state": "struck"}).is_success
    taken = client.post(f"{PAPER}/pages/{page['id']}/take", json={"keep_picture": False})
    finished = sum(o["mode"] == "finish" and o["state"] == "written" for o in in_full["cells"])
    assert sum(taken.json().values()) == len(own) - 1 + finished
    assert taken.json()["left_out"] == 0

    on_table = letters_on_table(client, "n", source="scan")
    assert len(on_table) >= taken.json()["letters"] > 0
    assert len(texts_on_table(client, source="scan")) == taken.json()["texts"]
    assert client.get(f"{PAPER}/pages/{page['id']}/picture").status_code == 404
    again = client.post(f"{PAPER}/pages/{page['id']}/take", json={"keep_picture": False})
    assert again.status_code == 409


def test_a_page_is_judged_by_the_hand_that_it_was_printed_in(
    client: TestClient, database: Database, filled: Filled
) -> None:
    send(client, filled.photos[0])
    (before,) = read(client)
    in_print = client.get(f"{PAPER}/pages/{before['id']}").json()["cells"]
    assert client.delete(f"{PAPER}/pages/{before['id']}").is_success
    assert client.put("/api/plan/style", json={"hand": "looped", "slant_deg": 15}).is_success
    send(client, filled.photos[0])
    (page,) = read(client)
    assert client.get(f"{PAPER}/pages/{page['id']}").json()["cells"] == in_print
    client.post(f"{PAPER}/pages/{page['id']}/take", json={"keep_picture": False})
    with database.session() as session:
        class_id = classes.every(session)[0].id
        ids = [one["id"] for one in letters_on_table(client, "n", source="scan")]
        kept = attempts.some(session, class_id, ids)
    assert {one.attempt.style.hand for one in kept} == {"plain"}


def test_a_page_that_comes_again_counts_once_unless_it_is_the_better_picture(
    client: TestClient, filled: Filled
) -> None:
    poor = photo_of(filled.sheets[0], 0, 7, Camera(longer_px=1100))
    send(client, poor)
    (before,) = read(client)
    assert "too_small" in [one["code"] for one in before["problems"]]
    send(client, filled.photos[0])
    (better,) = read(client)
    assert better["problems"] == []
    send(client, filled.photos[0])
    _, again = read(client)
    assert [one["code"] for one in again["problems"]] == ["page_twice"]
    assert client.get(f"{PAPER}/pages/{again['id']}").json()["cells"] == []
    second = client.get("/api/classroom").json()["pupils"][1]["id"]
    whose = f"{PAPER}/pages/{better['id']}/pupil"
    assert client.put(whose, json={"pupil_id": second}).json()["pupil_id"] == second


def test_what_cannot_be_read_says_why_and_the_others_are_read(
    client: TestClient, filled: Filled
) -> None:
    blank = BytesIO()
    Image.new("L", (1200, 900), 230).save(blank, "PNG")
    for content in (b"no picture", blank.getvalue(), filled.photos[1]):
        send(client, content)
    by_code = {one["problems"][0]["code"] if one["problems"] else "": one for one in read(client)}
    assert set(by_code) == {"unreadable", "not_a_sheet", ""}
    assert by_code["unreadable"]["problems"][0]["say"].startswith("It is no picture")
    gone = by_code["unreadable"]["id"]
    assert client.delete(f"{PAPER}/pages/{gone}").status_code == 204
    assert len(read(client)) == 2
    unknown = by_code["not_a_sheet"]["id"]
    nobody = client.post(f"{PAPER}/pages/{unknown}/take", json={"keep_picture": False})
    assert (nobody.status_code, "whose page" in nobody.json()["detail"]) == (409, True)


def test_what_waits_when_the_server_ends_is_read_when_it_begins_again(
    client: TestClient, database: Database, filled: Filled
) -> None:
    school_class = client.get("/api/classroom").json()["id"]
    for at, photo in enumerate(filled.photos):
        paper_pages.bring(database, school_class, f"{at}.jpg", photo, NOW)
    reader = PaperReader(database, ThreadPoolExecutor)
    reader.end()
    assert client.get(PAPER).json()["waiting"] == len(filled.photos)
    PaperReader(database, ThreadPoolExecutor).wake()
    assert {one["page"] for one in read(client)} == {1}


def test_what_waits_can_be_let_go(client: TestClient, database: Database, filled: Filled) -> None:
    school_class = client.get("/api/classroom").json()["id"]
    paper_pages.bring(database, school_class, "a.jpg", filled.photos[0], NOW)
    assert client.delete(f"{PAPER}/photos").status_code == 204
    assert client.get(PAPER).json() == {"waiting": 0, "pages": []}
    assert filled.photos[0][2_000:2_400] not in database.path.read_bytes()


def a_page(database: Database, client: TestClient, targets: str, chosen: int | None = None) -> str:
    """Where a page of the first child's letters is, one of them ringed, all written alike."""
    first = client.get("/api/classroom").json()["pupils"][0]["id"]
    ink = strokes_of(letters.good_n())
    cells = tuple(
        {
            "row": 0, "cell": at, "target": target, "kind": "letter", "mode": "own",
            "state": "written", "chosen": at == chosen, "box_mm": [15.0, 34.0, 30.0, 55.0],
            "ink": ink,
        }
        for at, target in enumerate(targets)
    )  # fmt: skip
    with database.writing() as session:
        class_id = classes.every(session)[0].id
        page = PaperPageRecord(None, first, "a.jpg", 1, NOW, (), cells)
        return f"{PAPER}/pages/{paper.add_page(session, class_id, page, None)}"


def test_a_cell_that_the_check_does_not_look_at_is_told_and_the_others_are_taken(
    client: TestClient, database: Database
) -> None:
    page = a_page(database, client, "n§")
    taken = client.post(f"{page}/take", json={"keep_picture": False})
    assert taken.json() == {"letters": 1, "texts": 0, "left_out": 1}
    _, left_out = client.get(page).json()["cells"]
    assert left_out["state"] == "unreadable"
    assert "§" in left_out["why"]


def test_what_a_child_ringed_on_paper_is_its_choice_on_the_table_too(
    client: TestClient, database: Database
) -> None:
    page = a_page(database, client, "nnn", chosen=1)
    client.post(f"{page}/take", json={"keep_picture": False})
    cards = client.get("/api/check/table", params=EVER | {"source": "scan"}).json()["cards"]
    in_order = sorted(cards, key=lambda one: one["attempt_id"])
    assert [one["chosen"] for one in in_order] == [False, True, False]


@pytest.fixture
def notebook(client: TestClient) -> tuple[Taken, int]:
    """A photograph of a notebook that was brought, and its page."""
    taken = Taken.of(Notebook(), 5)
    send(client, taken.jpeg, "notebook.jpg")
    (page,) = read(client)
    assert (page["is_notebook"], page["title"], page["pupil_id"]) == (True, None, None)
    assert [one["code"] for one in page["problems"]] == ["not_a_sheet"]
    return taken, page["id"]


def marked_on(taken: Taken, row: int, **changes: Any) -> dict[str, Any]:
    begin, end, height = taken.base_line(row)
    (x0, y0), (x1, y1) = ((x / PX_PER_MM, y / PX_PER_MM) for x, y in (begin, end))
    return {
        "begin": {"x": x0, "y": y0},
        "end": {"x": x1, "y": y1},
        "x_height": height / PX_PER_MM,
        "target": taken.notebook.rows[row],
    } | changes


def test_rows_of_a_notebook_are_marked_read_and_taken_into_the_record(
    client: TestClient, notebook: tuple[Taken, int]
) -> None:
    taken, page_id = notebook
    where = f"{PAPER}/pages/{page_id}"
    picture = Image.open(BytesIO(client.get(f"{where}/picture").content))
    assert picture.size == taken.picture.shape[1::-1]
    assert not picture.getexif()
    for row in range(3):
        answer = client.post(f"{where}/rows", json=marked_on(taken, row, from_memory=row == 1))
        assert answer.status_code == 201, answer.text
    page = answer.json()
    by_row = [[one for one in page["cells"] if one["row"] == row] for row in range(3)]
    assert [len(cells) for cells in by_row] == [6, 6, 1]
    assert {one["mode"] for one in by_row[1]} == {"recall"}
    assert {(one["target"], one["kind"]) for one in by_row[2]} == {("a red hen ran", "sentence")}
    assert {one["state"] for one in page["cells"]} == {"written"}
    letters_read = [one["reads_as"] for row in by_row[:2] for one in row]
    assert letters_read == [*"nnnnnnhhhhhh"]
    assert {one["verdict"]["direction"] for one in page["cells"]} == {"unseen"}

    back = client.delete(f"{where}/rows/1").json()
    assert sorted({one["row"] for one in back["cells"]}) == [0, 2]
    assert client.delete(f"{where}/rows/1").status_code == 404
    refused = client.post(f"{where}/take", json={"keep_picture": False})
    assert (refused.status_code, "whose page" in refused.text) == (409, True)
    child = client.get("/api/classroom").json()["pupils"][0]["id"]
    assert client.put(f"{where}/pupil", json={"pupil_id": child}).is_success
    done = client.post(f"{where}/take", json={"keep_picture": False}).json()
    assert done == {"letters": 6, "texts": 1, "left_out": 0}
    assert len(letters_on_table(client, "n", source="scan")) == 6 + 2  # and those of hen and ran
    assert client.get(f"{where}/picture").status_code == 404  # it is deleted, as photographs are
    assert client.post(f"{where}/rows", json=marked_on(taken, 1)).status_code == 409
    (page,) = client.get(PAPER).json()["pages"]
    assert page["is_notebook"]


def test_a_row_where_nothing_is_or_that_is_none_is_refused_and_what_is_read_stays(
    client: TestClient, notebook: tuple[Taken, int]
) -> None:
    taken, page_id = notebook
    rows = f"{PAPER}/pages/{page_id}/rows"
    good = marked_on(taken, 0)
    assert client.post(rows, json=good).status_code == 201
    below = {"begin": good["begin"] | {"y": 150.0}, "end": good["end"] | {"y": 150.0}}
    for changes, words in (
        (below, "nothing is seen"),
        ({"x_height": 0.5}, "too near each other"),
        ({"end": good["begin"]}, "draw along the base line"),
    ):
        answer = client.post(rows, json=good | changes)
        assert (answer.status_code, words in answer.text) == (422, True), answer.text
    assert client.post(rows, json=good | {"target": "  "}).status_code == 422
    assert len(client.get(f"{PAPER}/pages/{page_id}").json()["cells"]) == 6


def test_rows_are_marked_on_no_sheet(client: TestClient, filled: Filled) -> None:
    send(client, filled.photos[0])
    (page,) = read(client)
    row = marked_on(Taken.of(Notebook(), 5), 0)
    answer = client.post(f"{PAPER}/pages/{page['id']}/rows", json=row)
    assert (answer.status_code, "no sheets" in answer.text) == (409, True)
