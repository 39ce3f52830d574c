"""The steps of a lesson: what each is called, what is done in it, how long it takes, and in which
ways the board can show it."""

from dataclasses import dataclass
from enum import StrEnum


class StepKind(StrEnum):
    """The steps of a lesson, in the order of practice."""

    SETTLE = "settle"
    DATE = "date"
    LOOK_BACK = "look_back"
    FAMILY = "family"
    SHOW = "show"
    BIG = "big"
    SLIPS = "slips"
    OWN = "own"
    BEST = "best"
    WORDS = "words"
    PAUSE = "pause"
    SENTENCE = "sentence"
    FREE = "free"
    CLOSE = "close"
    HOME = "home"


ROUND_STEPS = (
    StepKind.SHOW,
    StepKind.BIG,
    StepKind.SLIPS,
    StepKind.OWN,
    StepKind.BEST,
    StepKind.WORDS,
    StepKind.PAUSE,
)
"""What is done with one letter at a time; of several letters these come round for each."""


class SlipsAt(StrEnum):
    """Where slips are spotted: after the letter was shown and tried once, or before it is tried, or
    not at all; never before it was seen."""

    AFTER = "after"
    BEFORE = "before"
    NEVER = "never"


class Rounds(StrEnum):
    """How the letter steps come round for several letters: all of them for one letter, then for the
    next; or one step for all letters, then the next."""

    BY_LETTER = "by_letter"
    BY_STEP = "by_step"


class Shape(StrEnum):
    """What kind of lesson: something new, in short or with all that belongs to it; or nothing
    new."""

    SHORT = "short"
    FULL = "full"
    LOOK_BACK = "look_back"
    MEND = "mend"
    WORDS = "words"

    @property
    def teaches(self) -> bool:
        """Whether what it is about is new."""
        return self in (Shape.SHORT, Shape.FULL)


class Showing(StrEnum):
    """A way in which the board can show a step."""

    SHOWN = "shown"
    TURNS = "turns"
    BESIDE = "beside"
    MEMORY = "memory"
    PAIRS = "pairs"
    RUB_OUT = "rub_out"
    WRITE = "write"


@dataclass(frozen=True, slots=True)
class StepInfo:
    """What is known of a step: its title, what is done, its weight in a full lesson, and how soon
    it is left out of a short one (0: never); and the ways to show it, the first being how it
    begins."""

    title: str
    what: str
    weight: float
    dispensable: int
    showings: tuple[Showing, ...] = (Showing.SHOWN, Showing.BESIDE)


_ALONE = (Showing.SHOWN, Showing.WRITE)
_WRITTEN = (Showing.SHOWN, Showing.BESIDE, Showing.WRITE)

STEPS: dict[StepKind, StepInfo] = {
    StepKind.SETTLE: StepInfo(
        "Settle", "Feet, chair, paper, pencil; stretch.", 1.0, 0, (Showing.SHOWN,)
    ),
    StepKind.DATE: StepInfo("Today's date", "The long date on the line.", 1.5, 3, _WRITTEN),
    StepKind.LOOK_BACK: StepInfo(
        "Look back",
        "A row of earlier letters, each named.",
        1.5,
        2,
        (Showing.SHOWN, Showing.BESIDE, Showing.MEMORY, Showing.WRITE),
    ),
    StepKind.FAMILY: StepInfo("The family", "What these letters have in common.", 0.5, 4),
    StepKind.SHOW: StepInfo(
        "Show",
        "Its lines, its start, every move spoken.",
        2.5,
        0,
        (Showing.SHOWN, Showing.TURNS, Showing.BESIDE, Showing.MEMORY, Showing.WRITE),
    ),
    StepKind.BIG: StepInfo("Try it big", "In the air, on the palm; speaking.", 1.0, 1),
    StepKind.SLIPS: StepInfo("Slips to spot", "Wrong ones, and the right one beside.", 1.5, 2),
    StepKind.OWN: StepInfo("Trace, finish, own", "On dots, then alone, gaps between.", 4.0, 0),
    StepKind.BEST: StepInfo("Choose the best", "Ring it, and say why.", 1.0, 0),
    StepKind.WORDS: StepInfo(
        "Words",
        "Say, count the sounds, write, read back.",
        3.0,
        1,
        (Showing.SHOWN, Showing.RUB_OUT, Showing.PAIRS, Showing.BESIDE, Showing.WRITE),
    ),
    StepKind.PAUSE: StepInfo("Pause", "Pencils down; hands shaken out.", 0.5, 0, (Showing.SHOWN,)),
    StepKind.SENTENCE: StepInfo(
        "A sentence", "Say it, count its words, write it.", 2.5, 3, _WRITTEN
    ),
    StepKind.FREE: StepInfo(
        "Free writing", "From a picture or a question; own words.", 4.0, 0, _ALONE
    ),
    StepKind.CLOSE: StepInfo("Close", "What we learned; a small drawing.", 1.0, 0),
    StepKind.HOME: StepInfo("Home", "The sheet to take along.", 0.5, 4),
}


@dataclass(frozen=True, slots=True)
class ShapeInfo:
    """What is known of a shape of lesson: its title, what it is, its steps, and the minutes that it
    is first offered with, for one letter and for each further one."""

    title: str
    what: str
    steps: tuple[StepKind, ...]
    minutes: int
    minutes_more: int


_ALL = tuple(kind for kind in StepKind if kind not in (StepKind.FREE, StepKind.PAUSE))
"""Free writing is a lesson's work by itself, and a pause is put in where much is written: a teacher
takes them in when she wants them."""

SHAPES: dict[Shape, ShapeInfo] = {
    Shape.SHORT: ShapeInfo(
        "Short",
        "Show, try, slips, write, choose, a word.",
        (
            StepKind.SETTLE,
            StepKind.SHOW,
            StepKind.BIG,
            StepKind.SLIPS,
            StepKind.OWN,
            StepKind.BEST,
            StepKind.WORDS,
        ),
        8,
        3,
    ),
    Shape.FULL: ShapeInfo("Full", "From settling down to the sheet for home.", _ALL, 20, 4),
    Shape.LOOK_BACK: ShapeInfo(
        "Look back",
        "Nothing new: letters that are taught, written again.",
        (
            StepKind.SETTLE,
            StepKind.LOOK_BACK,
            StepKind.FAMILY,
            StepKind.OWN,
            StepKind.BEST,
            StepKind.WORDS,
            StepKind.CLOSE,
        ),
        8,
        2,
    ),
    Shape.MEND: ShapeInfo(
        "Mend a habit",
        "Nothing new: one slip, and the letters that have it.",
        (
            StepKind.SETTLE,
            StepKind.SHOW,
            StepKind.BIG,
            StepKind.SLIPS,
            StepKind.OWN,
            StepKind.BEST,
            StepKind.CLOSE,
        ),
        8,
        2,
    ),
    Shape.WORDS: ShapeInfo(
        "Words",
        "Nothing new: words and a sentence of taught letters.",
        (
            StepKind.SETTLE,
            StepKind.DATE,
            StepKind.WORDS,
            StepKind.SENTENCE,
            StepKind.CLOSE,
        ),
        8,
        0,
    ),
}


def usual_minutes(shape: Shape, letters: int) -> int:
    """The minutes that a lesson of a shape is first offered with.

    >>> usual_minutes(Shape.SHORT, 1), usual_minutes(Shape.SHORT, 7)
    (8, 26)
    """
    info = SHAPES[shape]
    return info.minutes + info.minutes_more * (max(letters, 1) - 1)
