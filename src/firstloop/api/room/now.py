"""How it goes for each child just now."""

from datetime import datetime
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path, Request

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, HeardOf, Now, Record
from firstloop.api.room.lesson_pads import LessonCodeOut, code_out
from firstloop.api.room.work import WorkTold, work_told
from firstloop.api.sent import PathId
from firstloop.api.who import Who, who_out
from firstloop.core.contract import Code
from firstloop.core.evidence.task import Kind
from firstloop.core.teaching.going import Going
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.steps import StepKind
from firstloop.services import pad_work
from firstloop.services.heard import Heard
from firstloop.services.room import ChildNow, OpenLesson, Room, asked_of, room
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/write", tags=["write"])

SentAs = Annotated[UUID, Path()]


class OpenLessonOut(Answer):
    """A lesson that pads are in: its code and address, and the step that it is at. `is_full`: so
    many are in that no more can come; `group` are the children whose lesson it is, if it is not all
    the class's."""

    code: LessonCodeOut
    lesson: int | None
    aim: str
    new: list[str]
    step: StepKind | None
    part: str | None
    title: str
    is_full: bool
    group: list[int] | None


class ChildOut(Answer):
    """How it goes for a child: its pad, what it wrote last (the latest last), how much of the step
    of how much (null: no limit)."""

    who: Who
    pad: str | None
    silent: bool
    lesson: int | None
    going: Going
    written: int
    enough: int | None
    newest: list[WorkTold]


class MendOut(Answer):
    """Something to mend, in words, and the children in whose last letters it is."""

    code: Code
    what: str
    children: list[int]


class SetAsideOut(Answer):
    """Something that a pad was refused and keeps: by the pad's id for it, whose, what, why, since
    when; it is wiped there when it is let go, or after a week."""

    id: str
    pad: str
    who: Who
    kind: Kind
    target: str
    why: str
    at: datetime


class RoomOut(Answer):
    """The lessons that are open to pads, the class, what there is to mend in its last letters, in
    the order in which a teacher would talk of it, and what stays on pads."""

    lessons: list[OpenLessonOut]
    children: list[ChildOut]
    mend: list[MendOut]
    set_aside: list[SetAsideOut]


@router.get("/room")
def get_room(
    session: Db, school_class: Class, now: Now, heard: HeardOf, request: Request
) -> RoomOut:
    """How it goes for each child just now; `GET /api/write/live` tells what comes after."""
    found = room(session, school_class, now)
    return RoomOut(
        lessons=[_lesson_out(one, request) for one in found.lessons],
        children=[_child_out(one, heard) for one in found.children],
        mend=[
            MendOut(code=code, what=HABITS[code], children=children)
            for code, children in found.to_mend().items()
        ],
        set_aside=_set_aside_out(found, school_class),
    )


class HandOut(Answer):
    """What a teacher may ask herself about a child's hand: pressing, tiring."""

    asked: list[str]


@router.get("/room/{lesson_id}/{pupil_id}")
def get_hand(session: Db, school_class: Class, lesson_id: PathId, pupil_id: PathId) -> HandOut:
    """Whether a child's hand seems to press or to tire in a lesson, as questions to its teacher."""
    return HandOut(asked=list(asked_of(session, school_class, lesson_id, pupil_id)))


@router.delete("/set-aside/{sent_as}", status_code=204)
def delete_set_aside(record: Record, school_class: Class, sent_as: SentAs, now: Now) -> None:
    """Lets something go that stays on a pad: it is wiped there when the pad asks the next time."""
    pad_work.let_go(record, school_class.id, str(sent_as), now)


def _set_aside_out(found: Room, school_class: ClassRecord) -> list[SetAsideOut]:
    by_id = {one.id: one for one in school_class.pupils}
    return [
        SetAsideOut(
            id=one.id,
            pad=str(one.pad_id),
            who=who_out(by_id[one.pupil_id]),
            kind=one.kind,
            target=one.target,
            why=one.why,
            at=one.at,
        )
        for one in found.set_aside
        if one.pupil_id in by_id
    ]


def _lesson_out(one: OpenLesson, request: Request) -> OpenLessonOut:
    return OpenLessonOut(
        code=code_out(one.code, request),
        lesson=one.code.lesson_id,
        aim=one.lesson.lesson.aim if one.lesson else "",
        new=list(one.lesson.lesson.new) if one.lesson else [],
        step=one.now.stop.kind if one.now else None,
        part=one.now.stop.part if one.now else None,
        title=one.now.title if one.now else "",
        is_full=one.is_full,
        group=sorted(one.lesson.group) if one.lesson and one.lesson.group else None,
    )


def _child_out(one: ChildNow, heard: Heard) -> ChildOut:
    return ChildOut(
        who=who_out(one.pupil),
        pad=str(one.pad.id) if one.pad else None,
        silent=one.pad is not None and heard.is_silent(one.pad.id),
        lesson=one.lesson_id,
        going=one.going,
        written=one.written,
        enough=one.enough,
        newest=[work_told(seen, one.pupil) for seen in one.newest],
    )
