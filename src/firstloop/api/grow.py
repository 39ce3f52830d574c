"""Grow: how each child's letters stand."""

from collections.abc import Mapping
from datetime import datetime

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.attempts import PupilOut, Verdicts, pupil_out, verdicts_out
from firstloop.api.deps import Class, Db
from firstloop.core.contract import Dimension
from firstloop.core.teaching.standing import Standing, verdicts_of
from firstloop.store import standings

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
    found = standings.of_class(session, school_class.id)
    stands = {(one.pupil_id, one.letter): one.dimensions for one in found}
    written = {letter for _, letter in stands}
    letters = [letter for letter in school_class.hand.scripts if letter in written]
    return GrowOut(
        letters=letters,
        pupils=[
            PupilStanding(
                pupil=pupil_out(pupil),
                letters=[_standing(x, stands.get((pupil.id, x), {})) for x in letters],
            )
            for pupil in school_class.pupils
        ],
    )


def _standing(letter: str, stands: Mapping[Dimension, Standing]) -> LetterStanding:
    return LetterStanding(
        letter=letter,
        verdicts=verdicts_out(verdicts_of(stands)),
        attempts=max((one.rests_on for one in stands.values()), default=0),
        last_written_at=max((one.last for one in stands.values()), default=None),
    )
