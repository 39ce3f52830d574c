"""What a sheet is wished to hold."""

from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Kind
from firstloop.core.letters import Hand
from firstloop.core.letters.ruling import Ruling


class SheetError(FirstLoopError):
    """A wish that no sheet can meet: what is wrong and what it may be (`said`), of which row, from
    0, and in which field of it or of the sheet.

    >>> str(SheetError("it is no letter", "kind", row=1))
    'rows[1].kind: it is no letter'
    """

    def __init__(self, said: str, field: str = "", row: int | None = None) -> None:
        self.said, self.row = said, row
        place = field if row is None else f"rows[{row}].{field}"
        super().__init__(f"{place}: {said}" if place else said)


class Mode(StrEnum):
    """How much of a row is there already."""

    TRACE = "trace"
    FINISH = "finish"
    OWN = "own"
    RECALL = "recall"


class ModelAt(StrEnum):
    """Where what is to be copied stands."""

    START = "start"
    ABOVE = "above"
    NONE = "none"


class Paper(StrEnum):
    """Which paper."""

    A4 = "A4"
    LETTER = "Letter"


SIZES_MM = {Paper.A4: (210.0, 297.0), Paper.LETTER: (215.9, 279.4)}
"""Width and height: ISO 216, ANSI/ASME Y14.1."""

MOST_ROWS, MOST_TIMES, MOST_LINES, MOST_PAGES = 60, 60, 30, 63
"""Of a wish; of what is written once and again, the lines of a row; and of a sheet."""

MOST_STRIPS = 8
"""Of a page."""


@dataclass(frozen=True, slots=True)
class RowWish:
    """A row: what is written, how much of it is there, how often (`times`) or on how many lines;
    the word that a sentence's model leaves out; where the model stands; a picture beside it by its
    name; and whether each sound of a word has a box of its own."""

    text: str
    mode: Mode
    kind: Kind
    times: int | None = None
    lines: int = 1
    gap: str = ""
    model: ModelAt | None = None
    picture: str | None = None
    sound_boxes: bool = False


@dataclass(frozen=True, slots=True, eq=False)
class SheetWish:
    """A sheet: the hand and lines that it is written in, its rows, and what is on each page. `name`
    is whose it is, on its line; `pupils` are numbers, a page or more each (none: one sheet for
    all); `grown_up` are lines for who sits beside the child at home. `colours`: so many times each
    traced letter is gone over, in a colour each. `week`: a row a day, with a box to tick; `strips`:
    all rows so many times on a page, to be cut apart: they are not read back, and have no corner to
    draw in."""

    hand: Hand
    ruling: Ruling
    x_height_mm: float
    rows: tuple[RowWish, ...]
    paper: Paper = Paper.A4
    left_handed: bool = False
    title: str = ""
    name: str = ""
    readable: bool = True
    pupils: tuple[int, ...] = ()
    date_line: bool = False
    drawing_corner: bool = False
    grown_up: tuple[str, ...] = ()
    colours: int = 1
    week: bool = False
    strips: int = 1
