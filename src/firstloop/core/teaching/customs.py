"""What schools do differently in a lesson: each class has its own customs, set once."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.contract import Code
from firstloop.core.teaching.families import LESSON_SIZE
from firstloop.core.teaching.steps import SlipsAt


class OwnAmount(StrEnum):
    """How many letters of their own children write after tracing and finishing some."""

    FEW = "few"
    ROW = "row"
    ROWS = "rows"
    ANY = "any"


class Called(StrEnum):
    """How the aim of a lesson speaks of a letter: by its name, by its sound, or by both."""

    NAME = "name"
    SOUND = "sound"
    BOTH = "both"


@dataclass(frozen=True, slots=True)
class AmountInfo:
    """What is known of an amount: what it is called, what the class is told, how it is said to
    those at home and to her who looks at a row, and the lines it takes; `letters` of a few, None
    where they fill their lines; `on_a_pad` after how many a pad says that it is enough (None:
    never)."""

    title: str
    told: str
    at_home: str
    asked: str
    lines: int
    on_a_pad: int | None
    letters: int | None = None


AMOUNTS: dict[OwnAmount, AmountInfo] = {
    OwnAmount.FEW: AmountInfo(
        "Five or six",
        "Write five or six of your own, a gap between them.",
        "five or six",
        "five or six were asked for",
        1,
        5,
        5,
    ),
    OwnAmount.ROW: AmountInfo(
        "A row",
        "Fill a row with your own, a gap between them.",
        "one row",
        "a row was asked for",
        1,
        8,
    ),
    OwnAmount.ROWS: AmountInfo(
        "Three rows",
        "Fill three rows with your own, a gap between them.",
        "three rows",
        "three rows were asked for",
        3,
        24,
    ),
    OwnAmount.ANY: AmountInfo(
        "No limit",
        "Write as many of your own as you like, a gap between them.",
        "as many as your child likes",
        "as many as they liked were asked for",
        3,
        None,
    ),
}


def written_of(own: OwnAmount, written: int) -> str:
    """How many a child wrote in a row of their own, beside what was asked for.

    >>> written_of(OwnAmount.FEW, 3)
    '3 written; five or six were asked for.'
    """
    return f"{written} written; {AMOUNTS[own].asked}."


@dataclass(frozen=True, slots=True)
class Customs:
    """A class's customs: how many of their own children write; whether they may rub out in games;
    the largest family that one lesson takes; whether joins that are not taught stand open; where
    slips are spotted; how the aim speaks of a letter; whether words are heard and then written
    (else they are shown, and written along), and earlier letters from memory, on the board as on
    pads; on pads whether each letter is answered, and whether the paper lies tilted."""

    own: OwnAmount = OwnAmount.FEW
    rubbing_out: bool = False
    largest_family: int = LESSON_SIZE
    open_joins: bool = False
    slips: SlipsAt = SlipsAt.AFTER
    called: Called = Called.NAME
    from_memory: bool = False
    answers: bool = False
    tilted: bool = False


USUAL = Customs()

OPEN_JOINS = {
    False: "Every word is joined, as the hand joins it.",
    True: "Letters stand close until their join is taught.",
}
"""What follows for the board, by whether joins that are not taught stand open."""

RUBBING_OUT = {
    True: "In a game you may rub out and change a letter.",
    False: "Not what you wanted? Cross it out and write it again.",
}
"""What the class is told in games with words, by whether it may rub out."""

NOT_THE_LETTER = frozenset(
    {Code.WRONG_LETTER, Code.CAPITAL, Code.READS_AS_OTHER, Code.MIRRORED, Code.TURNED}
)
"""What is found where a letter is not the one that was wanted, or cannot be taken for it."""


def how_to_change(customs: Customs, to_mend: Iterable[str]) -> str | None:
    """How the class changes a letter of a word in which these codes are to be mended; None where
    each is the letter that was wanted.

    >>> how_to_change(USUAL, ["wrong_letter"])
    'Not what you wanted? Cross it out and write it again.'
    >>> how_to_change(USUAL, ["spacing"]) is None
    True
    """
    return None if NOT_THE_LETTER.isdisjoint(to_mend) else RUBBING_OUT[customs.rubbing_out]
