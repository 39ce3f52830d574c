"""The class: its hand, ruling and children."""

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Db, Record
from firstloop.api.drawings import RulingLine, ruling_lines
from firstloop.core.contract import Stage
from firstloop.services import children
from firstloop.store import classes, pupils
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/classroom", tags=["classroom"])


class ClassOut(BaseModel):
    """The class, and the letters its hand has."""

    name: str
    hand: str
    letters: list[str]
    lines: list[RulingLine]
    x_height_mm: float
    stage: Stage
    pupils: list[PupilOut]


class StageIn(BaseModel):
    """By which limits letters are checked."""

    stage: Stage


class PupilStageIn(BaseModel):
    """A child's own stage; null is the class's."""

    stage: Stage | None


@router.get("")
def get_class(school_class: Class) -> ClassOut:
    """The class of this school."""
    return _class_out(school_class)


@router.put("/stage")
def put_stage(session: Db, school_class: Class, sent: StageIn) -> ClassOut:
    """Sets by which limits the class's letters are checked from now on."""
    return _class_out(classes.set_stage(session, school_class.id, sent.stage))


@router.put("/pupils/{pupil_id}/stage")
def put_pupil_stage(
    session: Db, school_class: Class, pupil_id: int, sent: PupilStageIn
) -> PupilOut:
    """Sets a child's own stage."""
    return pupil_out(pupils.set_stage(session, school_class.id, pupil_id, sent.stage))


def _class_out(school_class: ClassRecord) -> ClassOut:
    return ClassOut(
        name=school_class.name,
        hand=school_class.style.hand,
        letters=list(school_class.hand.scripts),
        lines=ruling_lines(school_class.ruling),
        x_height_mm=school_class.x_height_mm,
        stage=school_class.stage,
        pupils=[pupil_out(pupil) for pupil in school_class.pupils],
    )


@router.delete("/pupils/{pupil_id}", status_code=204)
def forget_pupil(record: Record, school_class: Class, pupil_id: int) -> None:
    """Deletes a child and all that they wrote, for good."""
    children.forget(record, school_class.id, pupil_id)
