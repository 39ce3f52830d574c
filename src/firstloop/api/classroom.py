"""The class: its hand, ruling and children; what becomes of it as a whole."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Alike, Class, Db, Now, Record, Teacher, ToldToAll
from firstloop.api.drawings import RulingLine, ruling_lines
from firstloop.api.problems import THERE_ALREADY
from firstloop.api.sent import Id, Name, PathId, Sent
from firstloop.core.contract import Stage
from firstloop.core.staff import Role
from firstloop.core.teaching.roster import MOST_CHILDREN
from firstloop.services import children, how_it_writes
from firstloop.services import classes as her_classes
from firstloop.services.children import InCopies
from firstloop.store import staff
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/classroom", tags=["classroom"])


class ClassOut(Answer):
    """The class, and the letters its hand has; whether who asks only helps in it."""

    id: int
    name: str
    is_made_up: bool
    hand: str
    letters: list[str]
    lines: list[RulingLine]
    x_height_mm: float
    stage: Stage
    pupils: list[PupilOut]
    helps: bool


class StageIn(Sent):
    """By which limits letters are checked."""

    stage: Stage


class InCopiesOut(Answer):
    """How many copies of the record still hold what was deleted, and until when the last does."""

    copies: int
    until: date | None


class ClassNameIn(Sent):
    """What the class is called."""

    name: Name


class NewYearIn(Sent):
    """The class of a new school year, and the children who move up into it."""

    name: Name
    pupils: Annotated[list[Id], Field(max_length=MOST_CHILDREN)]


class ColleagueIn(Sent):
    """A colleague, by her name."""

    name: Name


class HandOverIn(ColleagueIn):
    """A colleague who takes the class over; and whether she is told what its teacher saw in the
    children: else that is deleted."""

    flags: bool = False


class StaffOut(Answer):
    """Somebody who teaches the class or helps in it."""

    id: int
    name: str
    role: Role


@router.get("")
def get_class(teacher: Teacher, school_class: Class) -> ClassOut:
    """The class of this school."""
    return class_out(school_class, helps=teacher.role is Role.HELPER)


@router.put("/stage", dependencies=ToldToAll)
def put_stage(record: Record, school_class: Class, sent: StageIn) -> ClassOut:
    """Sets by which limits the class's letters are checked from now on."""
    return class_out(how_it_writes.set_stage(record, school_class.id, sent.stage))


def class_out(school_class: ClassRecord, *, helps: bool = False) -> ClassOut:
    """A class as an answer; who changes it teaches it."""
    return ClassOut(
        id=school_class.id,
        name=school_class.name,
        is_made_up=school_class.is_made_up,
        hand=school_class.style.hand,
        letters=list(school_class.hand.scripts),
        lines=ruling_lines(school_class.ruling),
        x_height_mm=school_class.x_height_mm,
        stage=school_class.stage,
        pupils=[pupil_out(pupil) for pupil in school_class.pupils],
        helps=helps,
    )


@router.put("", responses=THERE_ALREADY, dependencies=ToldToAll)
def put_class(
    record: Record,
    teacher: Teacher,
    school_class: Class,
    sent: ClassNameIn,
    *,
    alike: Alike = False,
) -> ClassOut:
    """Calls the class otherwise."""
    changed = her_classes.rename(
        record, teacher.account_id, school_class.id, sent.name, alike=alike
    )
    return class_out(changed)


@router.post("/new-year", status_code=201, responses=THERE_ALREADY)
def post_new_year(
    record: Record, teacher: Teacher, school_class: Class, sent: NewYearIn, *, alike: Alike = False
) -> ClassOut:
    """Makes the class of a new school year, into which children move up with all their letters."""
    made = her_classes.new_year(
        record,
        teacher.account_id,
        school_class.id,
        sent.name,
        sorted(set(sent.pupils)),
        alike=alike,
    )
    return class_out(made)


@router.delete("")
def delete_class(record: Record, teacher: Teacher, school_class: Class) -> InCopiesOut:
    """Deletes the class, its children and all that they wrote, for good."""
    return in_copies_out(her_classes.remove(record, teacher.account_id, school_class.id))


@router.get("/staff")
def get_staff(session: Db, school_class: Class) -> list[StaffOut]:
    """Who teaches the class, and who helps in it."""
    return [
        StaffOut(id=one.id, name=one.name, role=role)
        for one, role in staff.of_class(session, school_class.id)
    ]


@router.put("/teacher", status_code=204, responses=THERE_ALREADY)
def hand_over(record: Record, teacher: Teacher, school_class: Class, sent: HandOverIn) -> None:
    """Hands the class over to a colleague, who is its teacher from now on."""
    her_classes.hand_over(
        record, teacher.account_id, school_class.id, sent.name, with_flags=sent.flags
    )


@router.post("/helpers", status_code=201)
def post_helper(record: Record, school_class: Class, sent: ColleagueIn) -> StaffOut:
    """Shares the class with a colleague, who helps in it from now on."""
    helper = her_classes.share(record, school_class.id, sent.name)
    return StaffOut(id=helper.id, name=helper.name, role=Role.HELPER)


@router.delete("/helpers/{account_id}", status_code=204)
def delete_helper(record: Record, school_class: Class, account_id: PathId) -> None:
    """A helper helps no more."""
    her_classes.no_longer_share(record, school_class.id, account_id)


@router.post("/copies")
def renew_copies(record: Record, now: Now) -> InCopiesOut:
    """Makes a copy of the record as it is now and drops all earlier ones."""
    return in_copies_out(children.renew_copies(record, now))


def in_copies_out(found: InCopies) -> InCopiesOut:
    """What copies still hold, as an answer."""
    return InCopiesOut(copies=found.count, until=found.until)
