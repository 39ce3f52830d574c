"""A sheet that is wished for, as JSON, in; the places of its cells, as JSON, out: the words of the
contract (docs/paper.md)."""

import re
from collections.abc import Iterator
from typing import Annotated, Any, Literal

import msgspec

from firstloop.core.evidence.task import Kind
from firstloop.core.letters import HANDS, Hand
from firstloop.core.letters.phrases import phrase
from firstloop.core.letters.ruling import (
    DROP_RANGE,
    TOP_RANGE,
    Line,
    LineLook,
    Ruling,
    RulingKind,
)
from firstloop.core.sheets.marks import LARGEST_PUPIL
from firstloop.core.sheets.pages import Sheet
from firstloop.core.sheets.wish import (
    MOST_LINES,
    MOST_ROWS,
    MOST_STRIPS,
    MOST_TIMES,
    Mode,
    ModelAt,
    Paper,
    RowWish,
    SheetError,
    SheetWish,
)
from firstloop.formats.tiles import TILES

SMALLEST_MM, LARGEST_MM = 3.0, 30.0
"""Body heights that a sheet can have: finer than any exercise book, larger than a first board's."""

MOST_PUPILS, LONGEST_TEXT, LONGEST_TITLE = 60, 120, 60

Text = Annotated[str, msgspec.Meta(min_length=1, max_length=LONGEST_TEXT)]
Count = Annotated[int, msgspec.Meta(ge=1, le=MOST_TIMES)]


class RowSpec(msgspec.Struct, forbid_unknown_fields=True):
    """A row of a sheet."""

    text: Text
    mode: Mode
    kind: Kind | None = None
    times: Count | None = None
    lines: Annotated[int, msgspec.Meta(ge=1, le=MOST_LINES)] = 1
    gap: str = ""
    model: ModelAt | None = None
    picture: str | None = None
    boxes: Literal["sounds"] | None = None


class SheetSpec(msgspec.Struct, forbid_unknown_fields=True):
    """A sheet."""

    rows: Annotated[list[RowSpec], msgspec.Meta(min_length=1, max_length=MOST_ROWS)]
    hand: str = "plain"
    ruling: RulingKind = RulingKind.FOUR
    x_height_mm: Annotated[float, msgspec.Meta(ge=SMALLEST_MM, le=LARGEST_MM)] = 7.0
    top_u: Annotated[float, msgspec.Meta(ge=TOP_RANGE[0], le=TOP_RANGE[1])] = Ruling().top
    drop_u: Annotated[float, msgspec.Meta(ge=DROP_RANGE[0], le=DROP_RANGE[1])] = Ruling().drop
    looks: dict[Line, LineLook] = {}
    paper: Paper = Paper.A4
    left_handed: bool = False
    title: Annotated[str, msgspec.Meta(max_length=LONGEST_TITLE)] = ""
    readable: bool = True
    per_pupil: bool = False
    pupils: Annotated[
        list[Annotated[int, msgspec.Meta(ge=1, le=LARGEST_PUPIL)]],
        msgspec.Meta(max_length=MOST_PUPILS),
    ] = []
    date_line: bool = False
    drawing_corner: bool = False
    home: bool = False
    colours: Annotated[int, msgspec.Meta(ge=1, le=4)] = 1
    week: bool = False
    strips: Annotated[int, msgspec.Meta(ge=1, le=MOST_STRIPS)] = 1


MAY_BE = {
    "mode": ", ".join(Mode),
    "kind": ", ".join(kind for kind in Kind if kind is not Kind.FREE),
    "model": ", ".join(ModelAt),
    "ruling": ", ".join(RulingKind),
    "paper": ", ".join(Paper),
    "boxes": "sounds",
    "looks": "lines (top, mid, base, drop) with " + ", ".join(LineLook),
}


def read_spec(content: bytes, own: Hand | None = None) -> SheetWish:
    """The wish of a file, in a hand of one's own if that is given; raises SheetError that names the
    field and says what it may be."""
    try:
        spec = msgspec.json.decode(content, type=SheetSpec)
    except msgspec.DecodeError as fault:
        raise SheetError(_in_words(str(fault))) from fault
    hand = own or HANDS.get(spec.hand)
    if hand is None:
        raise SheetError(f'"{spec.hand:.40}" is none; it may be {", ".join(HANDS)}', "hand")
    ruling = Ruling.of(spec.ruling, spec.top_u, spec.drop_u, tuple(spec.looks.items()))
    rows = tuple(_row(at, row, hand) for at, row in enumerate(spec.rows))
    return SheetWish(
        hand=hand,
        ruling=ruling,
        x_height_mm=spec.x_height_mm,
        rows=rows,
        paper=spec.paper,
        left_handed=spec.left_handed,
        title=spec.title,
        readable=spec.readable and spec.strips == 1,
        pupils=tuple(dict.fromkeys(spec.pupils)),
        date_line=spec.date_line,
        drawing_corner=spec.drawing_corner,
        grown_up=tuple(_for_the_grown_up(rows, hand, ruling)) if spec.home else (),
        colours=spec.colours,
        week=spec.week,
        strips=spec.strips,
    )


def _in_words(fault: str) -> str:
    """A fault as it is told: the field first, then what it may be.

    >>> _in_words("Expected `float`, got `str` - at `$.x_height_mm`")
    'x_height_mm: expected `float`, got `str`'
    >>> _in_words("Invalid enum value 'copy' - at `$.rows[0].mode`")
    "rows[0].mode: invalid enum value 'copy'; it may be trace, finish, own, recall"
    """
    what, _, where = fault.partition(" - at ")
    field = where.strip("`").removeprefix("$").removeprefix(".") or "the file"
    name = re.sub(r"\[.*?\]$", "", field).rpartition(".")[2]
    may_be = f"; it may be {MAY_BE[name]}" if name in MAY_BE else ""
    told = what if what.startswith("JSON") else what[:1].lower() + what[1:]
    return f"{field}: {told}{may_be}"


def _row(at: int, row: RowSpec, hand: Hand) -> RowWish:
    unknown = sorted({one for one in row.text if one != " " and one not in hand.scripts})
    if unknown:
        raise SheetError(
            f"{' '.join(unknown)} is in no hand; it may be letters, digits and . , ! ? - '",
            "text",
            at,
        )
    kind = row.kind or Kind.of(row.text)
    if row.picture is not None and row.picture not in TILES:
        raise SheetError(
            f'"{row.picture:.40}" is none; it may be {", ".join(TILES)}', "picture", at
        )
    if kind is Kind.FREE:
        raise SheetError("free is not asked for by a text; leave the row out", "kind", at)
    if kind is Kind.LETTER and len(row.text) > 1:
        raise SheetError(f'"{row.text:.40}" is no letter; it may be a word', "kind", at)
    return RowWish(
        row.text,
        row.mode,
        kind,
        row.times,
        row.lines,
        row.gap,
        row.model,
        row.picture,
        sound_boxes=row.boxes == "sounds",
    )


FOR_THE_GROWN_UP = "A few minutes are enough. Stop while it is still fun, and let the child choose"
"""And then: its best one."""

MOST_PHRASES = 3
"""Letters whose words are told on a page: more is not read."""


def _for_the_grown_up(rows: tuple[RowWish, ...], hand: Hand, ruling: Ruling) -> Iterator[str]:
    letters = dict.fromkeys(row.text for row in rows if row.kind is Kind.LETTER)
    for letter in list(letters)[:MOST_PHRASES]:
        yield f"{letter}: {phrase(hand.scripts[letter], paper=ruling)}"
    yield f"{FOR_THE_GROWN_UP} its best one."


def cells_json(sheet: Sheet, *others: Sheet) -> bytes:
    """Where the cells of a sheet are: the very numbers that it is drawn with. Sheets of one name,
    for a child each, are one."""
    pages = [
        {
            "page": page.page,
            "pupil": page.pupil,
            "marks_mm": [list(one) for one in page.marks],
            "cells": [
                {
                    "row": one.row,
                    "cell": one.cell,
                    "target": one.target,
                    "kind": one.kind.value,
                    "mode": one.mode.value,
                    "box_mm": list(one.box),
                    "lines_mm": {line.value: y for line, y in one.lines.items()},
                    "begin_mm": one.begin,
                    "uprights_mm": list(one.uprights),
                }
                for one in page.cells
            ],
        }
        for one_of_it in (sheet, *others)
        for page in one_of_it.pages
        if page.cells
    ]
    wish = sheet.wish
    found: dict[str, Any] = {
        "sheet": sheet.name,
        "paper": wish.paper.value,
        "x_height_mm": wish.x_height_mm,
        "hand": wish.hand.name,
        "left_handed": wish.left_handed,
        "ruled": [line.value for line in Line if wish.ruling.look(line) is not LineLook.HIDDEN],
        "pages": pages,
    }
    return msgspec.json.format(msgspec.json.encode(found), indent=1)
