"""The class: its hand, ruling and children."""

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.deps import Class, Db
from firstloop.api.shared import PupilOut, RulingLine, pupil_out, ruling_lines
from firstloop.store import classes

router = APIRouter(prefix="/api/classroom", tags=["classroom"])


class ClassOut(BaseModel):
    """The class, and the letters its hand has."""

    name: str
    hand: str
    letters: list[str]
    lines: list[RulingLine]
    x_height_mm: float
    pupils: list[PupilOut]


@router.get("")
def get_class(school_class: Class) -> ClassOut:
    """The class of this school."""
    return ClassOut(
        name=school_class.name,
        hand=school_class.style.hand,
        letters=list(school_class.hand.scripts),
        lines=ruling_lines(school_class.ruling),
        x_height_mm=school_class.x_height_mm,
        pupils=[pupil_out(pupil) for pupil in school_class.pupils],
    )


@router.delete("/pupils/{pupil_id}", status_code=204)
def forget_pupil(session: Db, pupil_id: int) -> None:
    """Deletes a child and all that they wrote, for good."""
    classes.remove_pupil(session, pupil_id)
