"""Plan: from print to joined, stage by stage."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field, StrictBool

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.drawings import Picture, picture
from firstloop.api.sent import Sent, line
from firstloop.core.letters import draw
from firstloop.core.teaching.joined_plan import MOST_STAGES
from firstloop.core.teaching.lesson import MOST_NEW
from firstloop.core.text.words import compose
from firstloop.services import joined_plan
from firstloop.store import classes
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/plan/joining", tags=["plan"])

Part = Annotated[str, line(2, 1)]
Parts = Annotated[list[Part], Field(min_length=1, max_length=MOST_NEW)]


class StageOut(Answer):
    """A lesson's worth of letters alone or of pairs, drawn; why it stands here; whether it is
    taught."""

    parts: list[str]
    pictures: list[Picture]
    joins: bool
    why: str
    done: bool


class JoiningOut(Answer):
    """The plan; `joins` says whether the class's hand joins at all, `own` whether the plan is the
    teacher's own."""

    joins: bool
    own: bool
    stages: list[StageOut]


class JoiningIn(Sent):
    """A plan of the teacher's own."""

    stages: Annotated[list[Parts], Field(max_length=MOST_STAGES)]


class TaughtPartsIn(Sent):
    """Letters or pairs, and whether they are taught."""

    parts: Parts
    taught: StrictBool


@router.get("")
def get_joining(session: Db, school_class: Class) -> JoiningOut:
    """The plan, and how far it is."""
    return _joining_out(session, school_class)


@router.put("")
def put_joining(record: Record, school_class: Class, sent: JoiningIn) -> JoiningOut:
    """Keeps a plan of the teacher's own."""
    joined_plan.follow(record, school_class, sent.stages)
    return _again(record, school_class)


@router.delete("")
def delete_joining(record: Record, school_class: Class) -> JoiningOut:
    """Goes back to the plan as it is computed."""
    joined_plan.follow(record, school_class, None)
    return _again(record, school_class)


@router.post("/taught")
def post_taught_stage(
    record: Record, school_class: Class, sent: TaughtPartsIn, now: Now
) -> JoiningOut:
    """Says of a stage that it is taught, or is not, whatever lessons were given."""
    joined_plan.set_taught(record, school_class, sent.parts, now, taught=sent.taught)
    return _again(record, school_class)


def _again(record: Record, school_class: ClassRecord) -> JoiningOut:
    with record.session() as session:
        changed = classes.get(session, school_class.id)
        return _joining_out(session, changed)


def _joining_out(session: Session, school_class: ClassRecord) -> JoiningOut:
    hand = school_class.hand
    found = joined_plan.find(session, school_class)

    def drawn(part: str) -> Picture:
        letter = draw(compose(part, hand).script, hand.proportions, school_class.ruling)
        return picture(part, letter.inked())

    return JoiningOut(
        joins=hand.joins,
        own=found.own,
        stages=[
            StageOut(
                parts=list(stage.parts),
                pictures=[drawn(part) for part in stage.parts],
                joins=stage.joins,
                why=stage.why,
                done=done,
            )
            for stage, done in found.stages
        ],
    )
