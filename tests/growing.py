"""Evidence for tests, noted in a line: what a child wrote, and how it went."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

import numpy as np

from firstloop.core.contract import Dimension
from firstloop.core.evidence.task import Help
from firstloop.core.progress.estimates import Chance, ChildEstimates
from firstloop.core.progress.evidence import HELPS, Evidence, LetterKey
from firstloop.core.progress.likelihood import doubts_at_large
from firstloop.services import progress
from firstloop.services.estimating import estimate_all
from firstloop.store import classes
from firstloop.store.database import Database

LONG_AFTER = date(2030, 1, 1)
"""By then all has been written that a test writes."""


@dataclass(frozen=True, slots=True)
class Written:
    """Some attempts at one letter, a day apart: `went` is one sign each, + holds, - fails."""

    letter: str
    went: str
    help: Help = Help.RECALL
    from_day: int = 0
    hand: str = ""
    judged: bool = False
    blamed: int = 0


def evidence(written: Iterable[Written]) -> Evidence:
    """One child's evidence: what is noted of an attempt holds for all three dimensions."""
    rows = [
        (part, part.from_day + at, sign == "+")
        for part in written
        for at, sign in enumerate(part.went)
    ]
    letters = tuple(sorted({LetterKey(part.letter, part.hand) for part, _, _ in rows}))
    places = [letters.index(LetterKey(part.letter, part.hand)) for part, _, _ in rows]
    return Evidence(
        pupils=(1,),
        letters=letters,
        pupil=np.zeros(len(rows), np.intp),
        letter=np.array(places, np.intp),
        days=np.array([float(day) for _, day, _ in rows]),
        help=np.array([HELPS.index(part.help) for part, _, _ in rows], np.int8),
        judged=np.array([part.judged for part, _, _ in rows], np.bool_),
        seen=np.array([[holds] * 3 for _, _, holds in rows], np.int8),
        blamed=np.array([part.blamed for part, _, _ in rows], np.uint64),
        doubt=doubts_at_large(len(rows)),
    )


def estimated(*written: Written, day: float | None = None) -> ChildEstimates:
    """How the child stands when the last of it was written, or on a day."""
    found = evidence(written)
    at = float(found.days.max()) if day is None else day
    ((_, estimates),) = estimate_all(found, at)
    return estimates


def chance_of(
    found: ChildEstimates, letter: str, dimension: Dimension = Dimension.SHAPE, hand: str = ""
) -> Chance:
    """How one letter stands."""
    return next(
        one.chance
        for one in found.letters
        if one.key == LetterKey(letter, hand) and one.dimension is dimension
    )


def chance_of_habit(
    found: ChildEstimates, habit: str, dimension: Dimension = Dimension.SHAPE
) -> Chance:
    """How one habit stands."""
    return next(
        one.chance
        for one in found.habits
        if one.strand.habit.key == habit and one.strand.dimension is dimension
    )


def stands(
    database: Database, class_id: int, day: date = LONG_AFTER
) -> dict[tuple[int, str, Dimension], Chance]:
    """How the letters of a class stand in the record, of which anything is known: by child, letter
    and dimension."""
    with database.session() as session:
        (children,) = progress.stand(session, classes.get(session, class_id), day)
    return {
        (pupil_id, one.key.glyph, one.dimension): one.chance
        for pupil_id, letters in children.items()
        for one in letters
        if one.chance.rests_on
    }


def rests_on(
    database: Database, class_id: int, day: date = LONG_AFTER
) -> dict[tuple[int, str, Dimension], int]:
    """How many attempts say anything of each letter."""
    return {key: chance.rests_on for key, chance in stands(database, class_id, day).items()}
