"""What a family or the next teacher is told of a child, in plain words: how its letters stand, the
first and the latest side by side, two things to practise. Nothing is scored, and nobody else is in
it."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from firstloop.core.contract import Dimension
from firstloop.core.evidence.ink import Ink
from firstloop.core.progress.estimates import LetterState


class Include(StrEnum):
    """What a report may hold besides the name."""

    STANDS = "stands"
    THEN_AND_NOW = "then_and_now"
    PRACTISE = "practise"
    NOTES = "notes"
    FLAGS = "flags"


USUALLY = (Include.STANDS, Include.THEN_AND_NOW, Include.PRACTISE)
"""What a report holds unless it is asked for otherwise: her notes and flags never by themselves."""

MOST_SHOWN = 4
"""[letters] Then and now: what fits a page with the rest."""

THINGS_TO_PRACTISE = 2
"""[things] More than a family would do, and remember, is not told."""


@dataclass(frozen=True, slots=True, eq=False)
class ThenAndNow:
    """A letter as it was first written and as it was last, and on which days."""

    letter: str
    first: Ink
    first_day: date
    latest: Ink
    latest_day: date


@dataclass(frozen=True, slots=True)
class ToPractise:
    """Something to practise: what, in which letters, and how, in a sentence."""

    what: str
    letters: tuple[str, ...]
    how: str


@dataclass(frozen=True, slots=True, eq=False)
class Report:
    """A report on a child: whom it is about, of which days, and what it tells (empty: not
    included). `stands` are the letters by how they stand."""

    name: str
    class_name: str
    since: date | None
    until: date
    stands: Mapping[LetterState, tuple[str, ...]]
    then_and_now: tuple[ThenAndNow, ...]
    practise: tuple[ToPractise, ...]
    notes: tuple[str, ...]
    flags: tuple[str, ...]


TOLD = {
    LetterState.SECURE: "hold well",
    LetterState.NEARLY: "are nearly there",
    LetterState.NOT_YET: "are being practised",
    LetterState.UNKNOWN: "were written too seldom to say",
}
"""How letters stand, to be read after the letters."""

_HOW = {
    "from_the_top": "Begin at the top, always: put a dot there first for the pencil to find.",
    "straight_down": "Draw long lines straight down, like rain, and stop on the line.",
    "back_along_the_stem": (
        "Slowly with a finger: down, back up the very same line, and only then over."
    ),
    "round_and_back": "Begin a little to the right, go back and round, and close it again.",
    "bowl_from_the_stem": "Down first, back up, then round until it meets the line again.",
    "under_and_up": "Go under like a swing and up again, without a corner.",
    "slants": "Draw slanting lines from the top to the foot, ending exactly on the line.",
    "bars": "Put the bar last, from side to side, and keep it level.",
    "dots": "Write the letter first; the dot comes last, just above.",
    "tail_turn": "Go down under the line, and only there turn.",
    "lead_in": "Begin on the line and lead up to where the letter starts.",
    "lead_out": "Finish each letter with its little way out, towards the next.",
    "on_the_line": "Let letters stand on the line and fill the space up to the middle one.",
    "tall_parts": "Let tall letters reach up to their line, and no further.",
    "tails": "Let tails go down under the line, all equally deep.",
}
_HOW_A_LETTER = "Write it large with a finger first, then three or four with the pencil."


def how_to_practise(habit: str | None) -> str:
    """A sentence on how something is practised: of a habit by its key, or (None) of a letter."""
    return _HOW_A_LETTER if habit is None else _HOW[habit]


WHERE = {
    Dimension.DIRECTION: "the way it goes",
    Dimension.SIZE: "its size",
    Dimension.SHAPE: "its shape",
}


def in_a_row(letters: Sequence[str]) -> str:
    """Letters as they are told.

    >>> in_a_row(["n", "m", "h"]), in_a_row(["n"]), in_a_row([])
    ('n, m and h', 'n', '')
    """
    *others, last = letters or [""]
    return f"{', '.join(others)} and {last}" if others else last


def stands_in_words(stands: Mapping[LetterState, Sequence[str]]) -> Iterable[str]:
    """How the letters stand, a sentence for each state that any letter is in; of which too little
    is known, nothing is said.

    >>> list(stands_in_words({LetterState.SECURE: ("n",), LetterState.NEARLY: ("a", "d")}))
    ['1 letter holds well: n.', '2 letters are nearly there: a and d.']
    """
    for state, told in TOLD.items():
        letters = stands.get(state, ())
        if letters and state is not LetterState.UNKNOWN:
            one = told.replace("hold ", "holds ").replace("are ", "is ", 1)
            said = f"1 letter {one}" if len(letters) == 1 else f"{len(letters)} letters {told}"
            yield f"{said}: {in_a_row(letters)}."
