"""A sheet as PDF and SVG: true sizes, the preview identical to the print."""

import json
import re
from collections.abc import Iterator
from pathlib import Path

import numpy as np
import pypdfium2
import pypdfium2.raw as pdfium
import pytest
from PIL import Image

from firstloop.core.sheets.items import Mark
from firstloop.core.sheets.layout import laid_out
from firstloop.core.sheets.marks import sheet_name
from firstloop.core.sheets.pages import Sheet
from firstloop.formats.sheet_spec import cells_json, read_spec
from firstloop.formats.sheet_svg import page_svg
from firstloop.paper.sheet_pdf import sheet_pdf

MM = 72 / 25.4
SPEC = json.dumps({
    "title": "m and Łódź",
    "x_height_mm": 7,
    "pupils": [1, 2],
    "rows": [
        {"text": "m", "mode": "trace"},
        {"text": "hen", "mode": "own", "picture": "bee"},
        {"text": "A hen hid.", "mode": "own"},
    ],
}).encode()  # fmt: skip


@pytest.fixture(scope="module")
def sheet() -> Sheet:
    return laid_out(read_spec(SPEC), sheet_name(SPEC))


@pytest.fixture(scope="module")
def document(sheet: Sheet) -> Iterator[pypdfium2.PdfDocument]:
    opened = pypdfium2.PdfDocument(sheet_pdf(sheet))
    yield opened
    opened.close()


def level_lines(page: pypdfium2.PdfPage, height: float) -> list[tuple[float, float, float]]:
    """The level lines of a page that are as wide as a row: left, right, and y from the top, mm."""
    found = []
    for item in page.get_objects([pdfium.FPDF_PAGEOBJ_PATH]):
        left, bottom, right, top = item.get_bounds()
        if right - left > 150 * MM and top - bottom < 1.0 * MM:
            found.append((left / MM, right / MM, height - (top + bottom) / 2 / MM))
    return sorted(found, key=lambda one: one[2])


def test_ruled_lines_are_where_the_cells_say_to_a_tenth_of_a_millimetre(
    sheet: Sheet, document: pypdfium2.PdfDocument
) -> None:
    told = json.loads(cells_json(sheet))
    assert (told["sheet"], told["paper"], told["x_height_mm"]) == (sheet.name, "A4", 7.0)
    page = document[0]
    assert [round(size / MM, 2) for size in page.get_size()] == [210.0, 297.0]
    ruled = np.array([y for *_, y in level_lines(page, 297.0)])
    for cell in told["pages"][0]["cells"]:
        for name, y in cell["lines_mm"].items():
            assert np.abs(ruled - y).min() < 0.1, (cell["target"], name)


def test_a_page_for_each_pupil_and_marks_where_they_are_said_to_be(
    sheet: Sheet, document: pypdfium2.PdfDocument
) -> None:
    told = json.loads(cells_json(sheet))
    assert [one["pupil"] for one in told["pages"]] == [1, 2]
    assert len(document) == 2
    picture = document[1].render(scale=4, grayscale=True).to_numpy()
    for (x, y), mark in zip(told["pages"][1]["marks_mm"], _corners(sheet), strict=True):
        half = mark.size / 2
        left, top, right, bottom = (
            round(4 * MM * at) for at in (x - half, y - half, x + half, y + half)
        )
        assert picture[top + 4 : bottom - 4, left + 4].max() < 60  # its black rim
        assert picture[top - 8, left:right].min() > 200  # white about it
        assert picture[bottom + 8, left:right].min() > 200


def _corners(sheet: Sheet) -> list[Mark]:
    return [item for item in sheet.pages[1].items if isinstance(item, Mark)][:4]


def test_marks_are_found_in_a_picture_of_the_page_by_their_numbers(
    sheet: Sheet, document: pypdfium2.PdfDocument
) -> None:
    import cv2  # noqa: PLC0415  # slow to load

    picture = document[0].render(scale=1600 / 842, grayscale=True).to_numpy()
    marks = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_5X5_1000)
    _, numbers, _ = cv2.aruco.ArucoDetector(marks).detectMarkers(np.ascontiguousarray(picture))
    there = {item.number for item in sheet.pages[0].items if isinstance(item, Mark)}
    assert set(numbers.ravel().tolist()) == there


def test_the_preview_is_the_print(sheet: Sheet, tmp_path: Path) -> None:
    """Both are drawn from the same numbers: the paths of the SVG are those of the page."""
    svg = page_svg(sheet, sheet.pages[0])
    assert 'width="210mm" height="297mm" ' in svg
    told = re.findall(r'<path d="M([^"]+?)" fill="none"', svg)
    first = next(item for item in sheet.pages[0].items if hasattr(item, "points"))
    places = [[float(x) for x in one.split()] for one in told[0].split("L")]
    assert np.allclose(places, first.points, atol=0.001)
    assert "Łódź" in svg


def test_in_grey_ink_is_far_darker_than_dots_and_these_no_lighter_than_rules(sheet: Sheet) -> None:
    from firstloop.core.sheets.items import Look  # noqa: PLC0415
    from firstloop.formats.sheet_svg import COLOUR_OF  # noqa: PLC0415

    def grey(look: Look) -> int:
        return int(np.asarray(Image.new("RGB", (1, 1), COLOUR_OF[look]).convert("L"))[0, 0])

    # A pencil over the dots must show as darker: dots are told from rules by their form.
    assert grey(Look.INK) + 90 < grey(Look.DOTTED) <= grey(Look.RULE)
    assert abs(grey(Look.ONCE) - grey(Look.TWICE)) > 30


def test_its_type_is_in_the_file(sheet: Sheet) -> None:
    assert b"/FontFile2" in sheet_pdf(sheet)


@pytest.mark.parametrize(
    ("spec", "said"),
    [
        (b"{", "the file"),
        (b'{"rows": []}', "rows: "),
        (b'{"rows": [{"text": "m", "mode": "copy"}]}', "it may be trace, finish, own, recall"),
        (b'{"rows": [{"text": "m", "mode": "own"}], "x_height_mm": "7"}', "x_height_mm: expected"),
        (b'{"rows": [{"text": "m", "mode": "own"}], "x_height_mm": 300}', "x_height_mm: "),
        (b'{"rows": [{"text": "m", "mode": "own"}], "paper": "A3"}', "it may be A4, Letter"),
        (b'{"rows": [{"text": "m", "mode": "own"}], "hand": "other"}', "it may be plain"),
        (b'{"rows": [{"text": "m", "mode": "own"}], "colour": 1}', "colour"),
        ('{"rows": [{"text": "ß", "mode": "own"}]}'.encode(), "rows[0].text"),
        (b'{"rows": [{"text": "m", "mode": "own", "picture": "yak"}]}', "rows[0].picture"),
        (b'{"rows": [{"text": "mn", "mode": "own", "kind": "letter"}]}', "rows[0].kind"),
        (b'{"rows": [{"text": "m", "mode": "own", "kind": "free"}]}', "rows[0].kind"),
        (b'{"rows": [{"text": "m", "mode": "own"}], "pupils": [0]}', "pupils"),
        (b"\xff", "the file: JSON is malformed"),
    ],
)
def test_a_fault_in_a_wish_is_one_line_that_names_its_field(spec: bytes, said: str) -> None:
    from firstloop.core.sheets.wish import SheetError  # noqa: PLC0415

    with pytest.raises(SheetError) as told:
        read_spec(spec)
    assert said in str(told.value)
    assert "\n" not in str(told.value)
