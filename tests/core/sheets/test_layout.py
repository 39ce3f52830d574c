"""Sheets as they are laid out: nothing leaves its cell, nothing is squeezed."""

import math
from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from firstloop.core.evidence.task import Kind
from firstloop.core.letters import HANDS, PLAIN
from firstloop.core.letters.ruling import Line as Ruled
from firstloop.core.letters.ruling import Ruling, RulingKind
from firstloop.core.sheets.items import Disc, Line, Look, Mark, Words
from firstloop.core.sheets.layout import BOTTOM_MM, TOP_MM, laid_out
from firstloop.core.sheets.marks import CORNERS, DIGITS, PageCode, code_of, marks_of
from firstloop.core.sheets.pages import Cell, Page, Sheet
from firstloop.core.sheets.placing import SIDE_MM
from firstloop.core.sheets.wish import (
    SIZES_MM,
    Mode,
    ModelAt,
    Paper,
    RowWish,
    SheetError,
    SheetWish,
)

ROWS = (
    RowWish("m", Mode.TRACE, Kind.LETTER),
    RowWish("g", Mode.FINISH, Kind.LETTER),
    RowWish("i", Mode.OWN, Kind.LETTER),
    RowWish("hen", Mode.OWN, Kind.WORD),
    RowWish("A hen hid in a big red hat.", Mode.OWN, Kind.SENTENCE),
    RowWish("n m r", Mode.OWN, Kind.SEQUENCE),
)


def sheet(*rows: RowWish, **more: object) -> Sheet:
    wish = SheetWish(PLAIN, Ruling(), 7.0, rows or ROWS)
    return laid_out(replace(wish, **more), "7Q3K")  # type: ignore[arg-type]  # fields by name


def inks(page: Page, *looks: Look) -> list[np.ndarray]:
    return [item.points for item in page.items if isinstance(item, Line) and item.look in looks]


def cells_of(given: Sheet) -> list[Cell]:
    return [cell for page in given.pages for cell in page.cells]


@settings(deadline=None)
@given(
    st.sampled_from(sorted(HANDS)),
    st.sampled_from(list(RulingKind)),
    st.floats(4.0, 14.0),
    st.sampled_from(list(Paper)),
    st.booleans(),
)
def test_whatever_is_wished_for_stays_in_its_cell_and_on_its_page(
    hand: str, kind: RulingKind, size: float, paper: Paper, left: bool
) -> None:
    made = sheet(
        hand=HANDS[hand],
        ruling=Ruling.of(kind, 1.9, -0.95),
        x_height_mm=size,
        paper=paper,
        left_handed=left,
    )
    width, height = SIZES_MM[made.wish.paper]
    for page in made.pages:
        for points in inks(page, Look.MODEL, Look.DOTTED, Look.RULE):
            assert points[:, 0].min() >= SIDE_MM - 0.01 or points[:, 1].max() < TOP_MM
            assert points[:, 0].max() <= width - SIDE_MM + 0.01 or points[:, 1].max() < TOP_MM
            assert points[:, 1].max() <= height - BOTTOM_MM + 0.01
        for points in inks(page, Look.DOTTED):
            assert any(_holds(cell, points) for cell in page.cells), "dots outside any cell"
        for cell in page.cells:
            assert cell.lines[Ruled.BASE] - cell.lines[Ruled.MID] == pytest.approx(
                made.wish.x_height_mm, abs=0.002
            )
        for one, other in pairwise(sorted(page.cells, key=lambda c: (c.row, c.box[0]))):
            apart = one.row != other.row or one.box[2] <= other.box[0] + 0.002
            assert apart, "two cells of a row overlap"
            assert one.row == other.row or one.box[3] <= other.box[1] + 0.002


def _holds(cell: Cell, points: np.ndarray) -> bool:
    left, top, right, bottom = cell.box
    return bool(
        left - 0.01 <= points[:, 0].min()
        and points[:, 0].max() <= right + 0.01
        and top - 0.6 <= points[:, 1].min()  # a dot's own width above the line
        and points[:, 1].max() <= bottom + 0.6
    )


def test_a_row_is_filled_and_larger_letters_are_fewer() -> None:
    counts = [
        len(cells_of(sheet(RowWish("m", Mode.TRACE, Kind.LETTER), x_height_mm=size)))
        for size in (4.0, 7.0, 12.0)
    ]
    assert counts == sorted(counts, reverse=True)
    assert counts[0] > counts[-1] >= 3
    (last,) = [max(cells_of(sheet(ROWS[0])), key=lambda cell: cell.box[2])]
    assert last.box[2] == pytest.approx(SIZES_MM[Paper.A4][0] - SIDE_MM, abs=0.01)


def test_so_many_times_is_that_many_on_as_many_lines_as_it_takes() -> None:
    found = cells_of(sheet(RowWish("m", Mode.OWN, Kind.LETTER, times=25)))
    assert len(found) == 25
    rows = [cell.row for cell in found]
    assert rows == sorted(rows)
    assert max(rows) >= 2
    assert [cell.cell for cell in found if cell.row == 0] == list(range(rows.count(0)))


@pytest.mark.parametrize("left", [False, True])
def test_the_model_stands_where_the_hand_does_not_cover_it(left: bool) -> None:
    made = sheet(RowWish("m", Mode.OWN, Kind.LETTER), left_handed=left)
    model = np.concatenate(inks(made.pages[0], Look.MODEL))
    boxes = [cell.box for cell in cells_of(made)]
    if left:
        assert model[:, 0].min() > max(box[2] for box in boxes) - 0.01
    else:
        assert model[:, 0].max() < min(box[0] for box in boxes) + 0.01


def test_on_squares_a_letter_takes_its_own_and_leaves_the_next_one_free() -> None:
    made = sheet(ROWS[0], ruling=Ruling.of(RulingKind.SQUARES, 2.0, -1.0))
    boxes = sorted(cell.box for cell in cells_of(made))
    for box, following in pairwise(boxes):
        own = (box[2] - box[0]) / 7.0
        assert own == pytest.approx(round(own), abs=0.01)
        assert (following[0] - box[2]) / 7.0 == pytest.approx(1.0, abs=0.01)
        assert (box[0] - SIDE_MM) / 7.0 == pytest.approx(round((box[0] - SIDE_MM) / 7.0), abs=0.01)


def test_a_sentence_is_broken_between_words_its_model_above_each_line() -> None:
    row = ROWS[4]
    made = sheet(row, x_height_mm=12.0)
    lines = [cell.target for cell in cells_of(made)]
    assert " ".join(lines) == row.text
    assert len(lines) > 1
    bases = sorted(
        {round(float(points[:, 1].max()), 0) for points in inks(made.pages[0], Look.MODEL)}
    )
    assert all(any(base < cell.lines[Ruled.BASE] for base in bases) for cell in cells_of(made))


def test_a_gap_is_left_out_of_the_model_and_not_of_the_target() -> None:
    row = replace(ROWS[4], text="A hen hid.", gap="hen")
    whole = sheet(replace(row, gap=""))
    gapped = sheet(row)
    assert len(inks(gapped.pages[0], Look.MODEL)) < len(inks(whole.pages[0], Look.MODEL))
    assert [cell.target for cell in cells_of(gapped)] == ["A hen hid."]


@pytest.mark.parametrize(
    ("row", "size"),
    [
        (RowWish("extraordinarily", Mode.OWN, Kind.WORD), 14.0),
        (RowWish("unbelievableness ends", Mode.OWN, Kind.SENTENCE), 14.0),
        (RowWish("m", Mode.TRACE, Kind.LETTER), 110.0),
    ],
)
def test_what_does_not_fit_is_said_with_the_size_at_which_it_would(
    row: RowWish, size: float
) -> None:
    with pytest.raises(SheetError, match=r"x_height_mm|choose at most") as told:
        sheet(row, x_height_mm=size)
    most = float(str(told.value).rpartition("at most ")[2].split(",")[0].split()[0])
    assert most < size
    assert cells_of(sheet(row, x_height_mm=math.floor(most)))


def test_rows_go_on_the_next_page_and_a_model_stays_with_its_line() -> None:
    rows = (ROWS[4],) * 12
    made = sheet(*rows)
    assert len(made.pages) > 1
    for page in made.pages:
        assert page.cells
        assert min(cell.row for cell in page.cells) == 0
        models = [float(points[:, 1].max()) for points in inks(page, Look.MODEL)]
        assert min(models) < min(cell.lines[Ruled.BASE] for cell in page.cells)
    with pytest.raises(SheetError, match="at most 63"):
        sheet(*(rows * 40))


def test_each_pupil_has_pages_of_its_own_with_its_number_and_no_name() -> None:
    made = sheet(pupils=(3, 31))
    assert [page.pupil for page in made.pages] == [3, 31]
    for page in made.pages:
        numbers = {item.number: item.at for item in page.items if isinstance(item, Mark)}
        assert [numbers[one] for one in CORNERS] == list(page.marks)
        code = [one for one in sorted(numbers, key=lambda n: numbers[n]) if one not in CORNERS]
        assert code_of(code) == PageCode("7Q3K", page.page, page.pupil)
    first, second = (page.cells for page in made.pages)
    assert first == second
    plain = sheet(readable=False)
    assert not any(isinstance(item, Mark) for item in plain.pages[0].items)


def test_what_is_heard_is_on_a_page_for_the_adult_alone() -> None:
    made = sheet(RowWish("ship", Mode.RECALL, Kind.WORD, sound_boxes=True, picture="boat", times=1))
    page, read_out = made.pages
    assert inks(page, Look.MODEL, Look.DOTTED) == []
    assert not any(isinstance(item, Words) and "ship" in item.text for item in page.items)
    assert any(isinstance(item, Words) and "ship" in item.text for item in read_out.items)
    assert read_out.cells == ()
    uprights = [one for one in inks(page, Look.RULE) if one[0, 0] == one[1, 0]]
    assert len(uprights) == 4  # sh, i, p


def test_traced_letters_say_where_to_begin_and_which_way() -> None:
    page = sheet(RowWish("m", Mode.TRACE, Kind.LETTER, times=1)).pages[0]
    starts = [item for item in page.items if isinstance(item, Disc) and item.look is Look.SIGN]
    numbers = [
        item.text for item in page.items if isinstance(item, Words) and item.look is Look.SIGN
    ]
    assert len(starts) == 1
    assert numbers == ["1", "2", "3", "4", "5"]
    finish = sheet(RowWish("m", Mode.FINISH, Kind.LETTER, times=1)).pages[0]
    assert inks(finish, Look.DOTTED) == []


@given(st.integers(0, 32**4 - 1), st.integers(1, 63), st.integers(0, 2**16 - 1))
def test_any_code_is_read_back(name: int, page: int, pupil: int) -> None:
    signs = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ"
    code = PageCode("".join(signs[name >> 5 * at & 31] for at in range(4)), page, pupil or None)
    assert code_of(marks_of(code)) == code


def test_a_mark_that_is_read_wrong_makes_no_other_code() -> None:
    marks = marks_of(PageCode("7Q3K", 2, 31))
    rng = np.random.default_rng(5)
    taken = 0
    for _ in range(3000):
        wrong = list(marks)
        wrong[int(rng.integers(DIGITS))] = 10 + int(rng.integers(900))
        taken += tuple(wrong) != marks and code_of(wrong) is not None
    assert taken / 3000 < 0.02


def test_above_is_above_and_none_is_none() -> None:
    above = sheet(replace(ROWS[2], model=ModelAt.ABOVE, times=3))
    assert len(inks(above.pages[0], Look.MODEL)) == 2  # stem and dot, once
    assert inks(sheet(replace(ROWS[2], model=ModelAt.NONE)).pages[0], Look.MODEL) == []


def test_strips_are_alike_one_below_the_other_and_cut_between() -> None:
    (page,) = sheet(
        RowWish("m", Mode.TRACE, Kind.LETTER),
        RowWish("hen", Mode.OWN, Kind.WORD),
        strips=3,
        readable=False,
    ).pages
    by_row: dict[int, list[Cell]] = {}
    for cell in page.cells:
        by_row.setdefault(cell.row, []).append(cell)
    assert [len(by_row[at]) for at in range(6)] == [len(by_row[0]), len(by_row[1])] * 3
    step = by_row[2][0].box[1] - by_row[0][0].box[1]
    for first, then in zip(by_row[0] + by_row[1], by_row[4] + by_row[5], strict=True):
        down = np.array(then.box) - np.array(first.box)
        assert down == pytest.approx([0, 2 * step, 0, 2 * step], abs=0.01)
    cuts = [points[0, 1] for points in inks(page, Look.SOFT) if np.ptp(points[:, 0]) == 210.0]
    lowest = [max(cell.box[3] for cell in by_row[at]) for at in (1, 3)]
    highest = [min(cell.box[1] for cell in by_row[at]) for at in (2, 4)]
    assert [low < cut < high for low, cut, high in zip(lowest, cuts, highest, strict=True)] == [
        True,
        True,
    ]
    assert max(cell.box[3] for cell in page.cells) < 297.0 - 6.0
    assert not [item for item in page.items if isinstance(item, Mark)]


def test_strips_that_find_no_room_say_how_many_would() -> None:
    rows = [RowWish("m", Mode.OWN, Kind.LETTER, lines=3)]
    with pytest.raises(SheetError, match=r"strips: 6 .* at most (\d)") as refused:
        sheet(*rows, strips=6, readable=False)
    most = int(str(refused.value)[-1])
    assert len(sheet(*rows, strips=most, readable=False).pages) == 1
    with pytest.raises(SheetError, match="strips"):
        sheet(*rows, strips=most + 1, readable=False)


def test_a_week_names_its_days_in_order_and_has_a_box_for_each() -> None:
    days = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday"]
    rows = [RowWish("m", Mode.OWN, Kind.LETTER, lines=2) for _ in days]
    made = sheet(*rows, week=True, x_height_mm=5.0)
    named = [
        (item.text, item.at[1])
        for page in made.pages
        for item in page.items
        if isinstance(item, Words) and item.text in days
    ]
    assert [name for name, _ in named] == days
    (page,) = made.pages
    tops = [cell.box[1] for cell in page.cells if cell.cell == 0][::2]
    assert all(0 < top - y < 5 for (_, y), top in zip(named, tops, strict=True))
    boxes = [points for points in inks(page, Look.SOFT) if len(points) == 5]
    assert len(boxes) == len(days)
    for box, top in zip(boxes, tops, strict=True):
        assert box[:, 0].min() > 210.0 - SIDE_MM
        assert box[:, 0].max() < 210.0 - 6.0
        assert box[:, 1].min() > top


def test_a_strip_says_whose_it_is_and_what_the_grown_up_is_told() -> None:
    rows = [RowWish("m", Mode.OWN, Kind.LETTER)]
    told = ("m: straight down", "A few minutes are enough.")
    asked = {"strips": 3, "readable": False, "name": "Celia", "date_line": True}
    (page,) = sheet(*rows, **asked, grown_up=told).pages
    words = [item for item in page.items if isinstance(item, Words)]
    for text in ("Name", "Date", "Celia", *told):
        assert sum(one.text == text for one in words) == 3
    tops = sorted({cell.box[1] for cell in page.cells})
    lowest = [one.at[1] for one in words if one.text == told[1]]
    assert all(y < top for y, top in zip(lowest, tops, strict=True))


def test_a_week_has_no_eighth_day() -> None:
    rows = [RowWish("m", Mode.OWN, Kind.LETTER) for _ in range(8)]
    assert len(cells_of(sheet(*rows[:7], week=True))) > 0
    with pytest.raises(SheetError, match="rows: a week has 7 days, a row each; there are 8"):
        sheet(*rows, week=True)
