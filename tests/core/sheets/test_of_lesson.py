"""The sheet of a lesson: what its class writes, and what one child gets otherwise."""

from dataclasses import replace
from datetime import date

from firstloop.core.evidence.task import Handedness, Kind
from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.sheets.layout import laid_out
from firstloop.core.sheets.of_lesson import for_child, rows_for_home, rows_of, week_of
from firstloop.core.sheets.wish import Mode, RowWish, SheetWish
from firstloop.core.teaching.changing import changed, with_sentence
from firstloop.core.teaching.customs import USUAL, Customs
from firstloop.core.teaching.gets import Gets, LineSize
from firstloop.core.teaching.lesson import plan
from firstloop.core.teaching.steps import StepKind
from firstloop.core.teaching.under_way import UnderWay, under_way
from firstloop.core.vocabulary.language import Language


def lesson(customs: Customs = USUAL) -> UnderWay:
    given = plan(["n"], 20, look_back=["r", "m"], words=["nap"])
    given = changed(with_sentence(given, "A man ran."), StepKind.SENTENCE, skipped=False)
    return under_way(given, date(2026, 3, 2), Language(), customs)


def told(rows: tuple[RowWish, ...]) -> list[tuple[str, Kind, Mode]]:
    return [(row.text, row.kind, row.mode) for row in rows]


def test_its_rows_are_what_the_lesson_asks_for_in_its_order() -> None:
    assert told(rows_of(lesson())) == [
        ("r m", Kind.SEQUENCE, Mode.OWN),
        ("n", Kind.LETTER, Mode.TRACE),
        ("n", Kind.LETTER, Mode.FINISH),
        ("n", Kind.LETTER, Mode.OWN),
        ("nap", Kind.WORD, Mode.OWN),
        ("A man ran.", Kind.SENTENCE, Mode.OWN),
    ]


def test_what_is_heard_in_the_lesson_has_no_model_but_a_box_a_sound() -> None:
    heard = [row for row in rows_of(lesson(Customs(from_memory=True))) if row.text == "nap"]
    assert [(row.mode, row.sound_boxes) for row in heard] == [(Mode.RECALL, True)]


def test_what_is_heard_has_its_picture_beside_it_and_nothing_else_has() -> None:
    heard = lesson(Customs(from_memory=True))
    pictures = {"nap": "moon", "n": "owl", "A man ran.": "sun"}
    assert {row.text: row.picture for row in rows_of(heard, pictures) if row.picture} == {
        row.text: pictures[row.text] for row in rows_of(heard) if row.mode is Mode.RECALL
    }
    assert not any(row.picture for row in rows_of(lesson(), pictures))


def test_home_is_traced_finished_and_written_alone() -> None:
    assert [row.mode for row in rows_for_home(lesson())] == [Mode.TRACE, Mode.FINISH, Mode.OWN]


def test_a_week_at_home_is_a_row_a_day() -> None:
    week = week_of(lesson())
    assert [row.mode for row in week] == [Mode.TRACE, Mode.FINISH, Mode.OWN, Mode.OWN, Mode.OWN]
    wish = SheetWish(PLAIN, Ruling(), 7.0, week, week=True)
    (page,) = laid_out(wish, "2222").pages
    assert {cell.row for cell in page.cells} == set(range(5))


def test_a_childs_sheet_is_by_what_it_gets_with_its_name() -> None:
    wish = SheetWish(PLAIN, Ruling(), 7.0, rows_of(lesson(Customs(from_memory=True))))
    gets = Gets(lines=LineSize.LARGEST, fewer=True, more_help=True)
    hers = for_child(wish, gets, Handedness.LEFT, "Celia")
    assert hers.x_height_mm == 7.0 * gets.times_as_high
    assert hers.left_handed
    assert not any(row.mode is Mode.RECALL for row in hers.rows)
    cells = [sum(len(page.cells) for page in laid_out(one, "2222").pages) for one in (hers, wish)]
    assert cells[0] < cells[1]
    same = for_child(wish, Gets(), Handedness.RIGHT, "Anouk")
    assert replace(same, name="").rows == wish.rows
    assert same.x_height_mm == wish.x_height_mm
