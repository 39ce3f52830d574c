"""Grow: how each child's letters stand."""

from collections import defaultdict
from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.deps import Class, Db
from firstloop.api.shared import PupilOut, Verdicts, held, pupil_out, verdicts_out
from firstloop.core.progress import Seen, standing
from firstloop.store import attempts

router = APIRouter(prefix="/api/grow", tags=["grow"])


class LetterStanding(BaseModel):
    """How one letter of a child stands."""

    letter: str
    verdicts: Verdicts
    attempts: int
    last_written_at: datetime | None


class PupilStanding(BaseModel):
    """A child's row."""

    pupil: PupilOut
    letters: list[LetterStanding]


class GrowOut(BaseModel):
    """Children by name; the letters that anyone has written, in the hand's order."""

    letters: list[str]
    pupils: list[PupilStanding]


@router.get("")
def get_standings(session: Db, school_class: Class) -> GrowOut:
    """Children by letters, with the three verdicts of each."""
    seen: dict[tuple[int, str], list[Seen]] = defaultdict(list)
    for record in attempts.of_class(session, school_class.id):
        place = (record.pupil.id, record.attempt.letter)
        seen[place].append(Seen(record.attempt.written_at, held(record)))
    written = {letter for _, letter in seen}
    letters = [letter for letter in school_class.hand.scripts if letter in written]
    return GrowOut(
        letters=letters,
        pupils=[
            PupilStanding(
                pupil=pupil_out(pupil),
                letters=[_standing(letter, seen[pupil.id, letter]) for letter in letters],
            )
            for pupil in school_class.pupils
        ],
    )


def _standing(letter: str, seen: list[Seen]) -> LetterStanding:
    return LetterStanding(
        letter=letter,
        verdicts=verdicts_out(standing(seen)),
        attempts=len(seen),
        last_written_at=max((one.written_at for one in seen), default=None),
    )
