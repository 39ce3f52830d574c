"""The class: its hand, ruling and children."""

from datetime import date

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Now, Record
from firstloop.api.drawings import RulingLine, ruling_lines
from firstloop.api.sent import PathId, Sent
from firstloop.core.contract import Stage
from firstloop.services import children
from firstloop.services.children import InCopies
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


class StageIn(Sent):
    """By which limits letters are checked."""

    stage: Stage


class InCopiesOut(BaseModel):
    """How many copies of the record still hold what was deleted, and until when the last does."""

    copies: int
    until: date | None


class PupilStageIn(Sent):
    """A child's own stage; null is the class's."""

    stage: Stage | None


@router.get("")
def get_class(school_class: Class) -> ClassOut:
    """The class of this school."""
    return class_out(school_class)


@router.put("/stage")
def put_stage(record: Record, school_class: Class, sent: StageIn) -> ClassOut:
    """Sets by which limits the class's letters are checked from now on."""
    with record.writing() as session:
        changed = classes.set_stage(session, school_class.id, sent.stage)
    return class_out(changed)


@router.put("/pupils/{pupil_id}/stage")
def put_pupil_stage(
    record: Record, school_class: Class, pupil_id: PathId, sent: PupilStageIn
) -> PupilOut:
    """Sets a child's own stage."""
    with record.writing() as session:
        changed = pupils.set_stage(session, school_class.id, pupil_id, sent.stage)
    return pupil_out(changed)


def class_out(school_class: ClassRecord) -> ClassOut:
    """A class as an answer."""
    return ClassOut(
        name=school_class.name,
        hand=school_class.style.hand,
        letters=list(school_class.hand.scripts),
        lines=ruling_lines(school_class.ruling),
        x_height_mm=school_class.x_height_mm,
        stage=school_class.stage,
        pupils=[pupil_out(pupil) for pupil in school_class.pupils],
    )


@router.delete("/pupils/{pupil_id}")
def forget_pupil(record: Record, school_class: Class, pupil_id: PathId) -> InCopiesOut:
    """Deletes a child and all that they wrote, for good; and says which copies still hold them."""
    return _in_copies_out(children.forget(record, school_class.id, pupil_id))


@router.post("/copies")
def renew_copies(record: Record, now: Now) -> InCopiesOut:
    """Makes a copy of the record as it is now and drops all earlier ones."""
    return _in_copies_out(children.renew_copies(record, now))


def _in_copies_out(found: InCopies) -> InCopiesOut:
    return InCopiesOut(copies=found.count, until=found.until)
