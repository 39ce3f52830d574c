"""Sheets that were printed, written on and photographed (demo/photographs.py), read back."""

import json
from dataclasses import dataclass, replace
from io import BytesIO
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from PIL import Image

from firstloop.cli import main
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.sheets.layout import laid_out
from firstloop.core.sheets.pages import Sheet
from firstloop.demo.on_paper import write_cell
from firstloop.demo.photographs import Camera, Pen, Rgb, photographed, printed, written_on
from firstloop.formats import packages
from firstloop.formats.sheet_cells import SheetCells, read_cells
from firstloop.formats.sheet_spec import cells_json, read_spec
from firstloop.services.reading_paper import read_files

SPEC = json.dumps({
    "x_height_mm": 7,
    "pupils": [4, 9],
    "rows": [
        {"text": letter, "mode": "own", "times": 4} for letter in "nhmaeg"
    ],
}).encode()  # fmt: skip

EMPTY = 2
"""A cell of each line that has so many is left empty."""

CAMERAS = {
    "flat": Camera(tilt_deg=0, turned_deg=0, shadow=0, blur_px=0.4, noise=1),
    "by hand": Camera(),
    "aslant in shadow": Camera(tilt_deg=18, turned_deg=-9, shadow=0.55, noise=5),
    "upside down": Camera(turned_deg=184),
    "curled": Camera(curl_mm=5.0),
}


@dataclass(frozen=True)
class Written:
    """A sheet, its cells, its first page as it was written on, and the ink of each cell."""

    sheet: Sheet
    cells: SheetCells
    page: Rgb
    inks: dict[tuple[int, int], Ink]


@pytest.fixture(scope="module")
def written() -> Written:
    sheet = laid_out(read_spec(SPEC), "7Q3K")
    rng = np.random.default_rng(20)
    page, inks = printed(sheet, 0), {}
    for cell in sheet.pages[0].cells:
        if cell.cell == EMPTY:
            continue
        pupil = draw_pupil(rng, steadiness=0.8)
        ink = write(PLAIN.scripts[cell.target], PLAIN, Ruling(), pupil, rng, slips=[])
        inks[cell.row, cell.cell] = ink
        written_on(page, cell, ink)
    return Written(sheet, read_cells(cells_json(sheet)), page, inks)


def as_jpeg(picture: Rgb) -> bytes:
    file = BytesIO()
    Image.fromarray(picture).save(file, "JPEG", quality=90)
    return file.getvalue()


def taken(written: Written, camera: Camera, seed: int = 1) -> bytes:
    return as_jpeg(photographed(written.page, camera, np.random.default_rng(seed)))


def read(cells: SheetCells, *photos: bytes) -> list[Any]:
    files = ((f"{at}.jpg", lambda photo=photo: photo) for at, photo in enumerate(photos))
    return [json.loads(json.dumps(one)) for one in read_files(files, cells)]


@pytest.fixture(scope="module", params=CAMERAS)
def page(request: pytest.FixtureRequest, written: Written) -> Any:
    (found,) = read(written.cells, taken(written, CAMERAS[request.param]))
    return found


def test_the_page_is_known_by_its_marks_and_nothing_is_amiss(page: Any) -> None:
    assert (page["sheet"], page["page"], page["pupil"]) == ("7Q3K", 1, 4)
    assert page["problems"] == []


def test_each_cell_is_written_or_empty_as_it_is(written: Written, page: Any) -> None:
    states = {(one["row"], one["cell"]): one["state"] for one in page["cells"]}
    assert states == {
        (cell.row, cell.cell): "written" if (cell.row, cell.cell) in written.inks else "empty"
        for cell in written.sheet.pages[0].cells
    }


def test_what_is_written_is_measured_where_it_is(written: Written, page: Any) -> None:
    off = []
    for one in page["cells"]:
        ink = written.inks.get((one["row"], one["cell"]))
        if ink is not None:
            (left, low), (right, high) = ink.points.min(axis=0), ink.points.max(axis=0)
            measures = one["measures"]
            off.append([
                measures["height_u"] - high,
                measures["foot_u"] - low,
                measures["width_u"] - (right - left),
            ])  # fmt: skip
    assert (np.median(np.abs(off), axis=0) < 0.06).all()
    assert (np.quantile(np.abs(off), 0.95, axis=0) < 0.12).all()


def test_letters_are_read_as_what_they_are_and_good_ones_are_not_nagged(
    written: Written, page: Any
) -> None:
    judged = [one for one in page["cells"] if one["state"] == "written"]
    assert len(judged) == len(written.inks)
    assert {one["verdict"]["direction"] for one in judged} == {"unseen"}
    assert np.mean([one["reads_as"] == one["target"] for one in judged]) >= 0.95
    nagged = [one for one in judged if "not_yet" in one["verdict"].values()]
    assert len(nagged) <= 1


def test_a_page_that_comes_again_counts_once(written: Written) -> None:
    first, again = read(written.cells, *(taken(written, Camera(), seed) for seed in (1, 2)))
    assert first["cells"]
    assert again["cells"] == []
    assert [one["code"] for one in again["problems"]] == ["page_twice"]


def test_a_picture_without_marks_says_what_to_do(written: Written) -> None:
    blank = as_jpeg(np.full((1200, 900, 3), 230, np.uint8))
    (found,) = read(written.cells, blank)
    assert [one["code"] for one in found["problems"]] == ["not_a_sheet"]
    assert found["problems"][0]["say"]
    assert found["cells"] == []


def test_another_sheet_is_not_read_with_these_cells(written: Written) -> None:
    other = laid_out(read_spec(SPEC), "2222")
    photo = as_jpeg(photographed(printed(other, 0), Camera(), np.random.default_rng(1)))
    (found,) = read(written.cells, photo)
    assert [one["code"] for one in found["problems"]] == ["other_sheet"]
    assert found["cells"] == []


def test_with_a_corner_covered_its_good_cells_are_kept(written: Written) -> None:
    covered = written.page.copy()
    covered[:220, :220] = 255
    photo = as_jpeg(photographed(covered, Camera(), np.random.default_rng(1)))
    (found,) = read(written.cells, photo)
    assert [one["code"] for one in found["problems"]] == ["mark_missing"]
    assert sum(one["state"] == "written" for one in found["cells"]) == len(written.inks)


@pytest.mark.parametrize(
    ("camera", "code"),
    [
        (Camera(blur_px=9.0), "blurred"),
        (Camera(longer_px=900), "too_small"),
    ],
)
def test_a_picture_that_is_no_good_is_said_to_be(
    written: Written, camera: Camera, code: str
) -> None:
    (found,) = read(written.cells, taken(written, camera))
    assert {one["code"] for one in found["problems"]} & {code, "not_a_sheet"}


@pytest.mark.parametrize(
    ("content", "said"),
    [
        (b"", "no picture"),
        (b"%PDF-1.7 no more", "PDF"),
        (b"\x89PNG\r\n\x1a\n" + b"\0" * 40, ""),
        (b"GIF89a" + b"\0" * 40, "send JPEG, HEIC, PNG, TIFF or PDF"),
    ],
)
def test_a_file_that_cannot_be_read_says_so_and_the_others_are_read(
    written: Written, content: bytes, said: str
) -> None:
    bad, good = read(written.cells, content, taken(written, Camera()))
    assert said in bad["error"]
    assert good["cells"]


def test_a_picture_cut_short_or_far_too_large_is_refused(written: Written) -> None:
    photo = taken(written, Camera())
    (short,) = read(written.cells, photo[: len(photo) // 3])
    assert "cut short" in short["error"]
    bomb = BytesIO()
    Image.new("1", (20_000, 20_000)).save(bomb, "PNG")
    (large,) = read(written.cells, bomb.getvalue())
    assert "points" in large["error"]


def test_the_command_gives_an_object_a_page_and_reads_scans_of_many(
    written: Written, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    cells, scan, bad = (tmp_path / name for name in ("cells.json", "scan.tiff", "bad.jpg"))
    cells.write_bytes(cells_json(written.sheet))
    rng = np.random.default_rng(1)
    pages = [
        Image.fromarray(photographed(picture, replace(CAMERAS["flat"], longer_px=1754), rng))
        for picture in (written.page, printed(written.sheet, len(written.sheet.pages) // 2))
    ]
    pages[0].save(scan, save_all=True, append_images=pages[1:])
    bad.write_bytes(b"none")
    assert main(["read", str(bad), str(scan), "--cells", str(cells), "--json"]) == 1
    first, *others = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    assert first["file"] == "bad.jpg"
    assert [(one["page"], one["pupil"]) for one in others] == [(1, 4), (1, 9)]
    assert {one["state"] for one in others[1]["cells"]} == {"empty"}
    assert main(["read", str(scan), "--cells", str(cells)]) == 0
    assert "page 1, pupil 9, 0 of" in capsys.readouterr().out


ALL_KINDS = json.dumps({
    "x_height_mm": 8,
    "rows": [
        {"text": "m", "mode": "trace", "times": 4},
        {"text": "m", "mode": "finish", "times": 4},
        {"text": "a", "mode": "own", "kind": "row"},
        {"text": "hen", "mode": "own"},
        {"text": "A hen hid.", "mode": "own"},
    ],
}).encode()  # fmt: skip


def test_rows_words_and_sentences_are_judged_letter_by_letter_and_tracing_by_its_dots() -> None:
    sheet = laid_out(read_spec(ALL_KINDS), "7Q3K")
    rng = np.random.default_rng(21)
    page, pupil = printed(sheet, 0), draw_pupil(rng, steadiness=0.9)
    for cell in sheet.pages[0].cells:
        written_on(page, cell, write_cell(cell, PLAIN, Ruling(), pupil, rng, slips=0.0))
    photo = as_jpeg(photographed(page, Camera(), rng))
    (found,) = read(read_cells(cells_json(sheet)), photo)
    assert {one["state"] for one in found["cells"]} == {"written"}
    by_mode = {
        mode: [one for one in found["cells"] if one["mode"] == mode]
        for mode in ("trace", "finish", "own")
    }
    assert all(one["kept_u"] < 0.25 and "verdict" not in one for one in by_mode["trace"])
    assert all(one["reads_as"] == "m" for one in by_mode["finish"])
    letters = {one["target"]: [o["target"] for o in one["letters"]] for one in by_mode["own"]}
    assert letters["a"] == ["a"] * 5
    assert letters["hen"] == [*"hen"]
    assert "".join(one or "" for one in letters["A hen hid."]) == "Ahenhid."
    verdicts = [verdict for one in by_mode["own"] for verdict in one["verdict"].values()]
    assert "not_yet" not in verdicts
    assert {one["verdict"]["direction"] for one in by_mode["own"]} == {"unseen"}


def test_what_was_rubbed_out_is_not_the_childs(written: Written) -> None:
    page, ghost = written.page.copy(), Pen(grey=200)
    for cell in written.sheet.pages[0].cells:
        if cell.cell == EMPTY:
            written_on(page, cell, written.inks[cell.row, 0], ghost)
    photo = as_jpeg(photographed(page, Camera(), np.random.default_rng(1)))
    (found,) = read(written.cells, photo)
    states = {(one["row"], one["cell"]): one["state"] for one in found["cells"]}
    assert {state for (_, cell), state in states.items() if cell == EMPTY} == {"empty"}
    assert sum(state == "written" for state in states.values()) == len(written.inks)


def test_a_phones_own_kind_of_file_is_read(written: Written) -> None:
    import pillow_heif  # noqa: PLC0415

    pillow_heif.register_heif_opener()
    file = BytesIO()
    taken_by_it = photographed(written.page, Camera(), np.random.default_rng(1))
    Image.fromarray(taken_by_it).save(file, "HEIF", quality=80)
    (found,) = read(written.cells, file.getvalue())
    assert sum(one["state"] == "written" for one in found["cells"]) == len(written.inks)


def test_a_sheet_in_a_hand_of_ones_own_is_read_with_that_hand(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    hand, spec, cells, photo = (
        tmp_path / name for name in ("hand.json", "spec.json", "cells.json", "a.jpg")
    )
    hand.write_text(packages.write_hand(replace(PLAIN, name="ours")), encoding="utf-8")
    spec.write_text('{"rows": [{"text": "n", "mode": "own", "times": 3}]}', encoding="utf-8")
    made = ["sheet", str(spec), "--out", str(tmp_path / "a.pdf"), "--cells", str(cells)]
    assert main([*made, "--hand", str(hand)]) == 0
    sheet = laid_out(read_spec(spec.read_bytes(), replace(PLAIN, name="ours")), "7Q3K")
    sheet = laid_out(sheet.wish, json.loads(cells.read_bytes())["sheet"])
    page, rng = printed(sheet, 0), np.random.default_rng(3)
    for cell in sheet.pages[0].cells:
        pupil = draw_pupil(rng, steadiness=0.9)
        written_on(page, cell, write(PLAIN.scripts["n"], PLAIN, Ruling(), pupil, rng))
    photo.write_bytes(as_jpeg(photographed(page, Camera(), rng)))
    capsys.readouterr()
    asked = ["read", str(photo), "--cells", str(cells), "--json"]
    assert main(asked) == 1
    assert 'hand "ours" is none' in capsys.readouterr().err
    assert main([*asked, "--hand", str(hand)]) == 0
    (found,) = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    assert [one["reads_as"] for one in found["cells"]] == ["n"] * 3


def test_what_is_printed_beside_the_rows_of_a_week_is_nobodys_ink() -> None:
    modes = ("trace", "finish", "own", "own", "recall")
    rows = [{"text": "h", "mode": mode} for mode in modes]
    rows[-1] |= {"text": "hat", "boxes": "sounds", "picture": "hat"}
    spec = {"x_height_mm": 7, "rows": rows, "week": True, "home": True}
    sheet = laid_out(read_spec(json.dumps(spec).encode()), "7Q3K")
    page, rng = printed(sheet, 0), np.random.default_rng(3)
    photo = as_jpeg(photographed(page, Camera(), rng))
    (told,) = read_files([("a.jpg", lambda: photo)], read_cells(cells_json(sheet)))
    assert told["problems"] == []
    assert {cell["row"] for cell in told["cells"]} == set(range(5))
    assert {cell["state"] for cell in told["cells"]} == {"empty"}
