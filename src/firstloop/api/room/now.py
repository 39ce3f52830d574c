"""How it goes for each child just now."""

from fastapi import APIRouter, Request
from pydantic import BaseModel

from firstloop.api.deps import Class, Db, HeardOf, Now
from firstloop.api.room.pads import LessonCodeOut, code_out
from firstloop.api.room.work import WorkTold, work_told
from firstloop.api.who import Who, who_out
from firstloop.core.contract import Code
from firstloop.core.teaching.going import Going
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.steps import STEPS, StepKind
from firstloop.services.heard import Heard
from firstloop.services.room import ChildNow, OpenLesson, room

router = APIRouter(prefix="/api/write", tags=["write"])


class OpenLessonOut(BaseModel):
    """A lesson that pads are in: its code and address, and the step that it is at."""

    code: LessonCodeOut
    lesson: int | None
    aim: str
    new: list[str]
    step: StepKind | None
    part: str | None
    title: str


class ChildOut(BaseModel):
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


class MendOut(BaseModel):
    """Something to mend, in words, and the children in whose last letters it is."""

    code: Code
    what: str
    children: list[int]


class RoomOut(BaseModel):
    """The lessons that are open to pads, the class, and what there is to mend in its last letters,
    in the order in which a teacher would talk of it."""

    lessons: list[OpenLessonOut]
    children: list[ChildOut]
    mend: list[MendOut]


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
    )


def _lesson_out(one: OpenLesson, request: Request) -> OpenLessonOut:
    return OpenLessonOut(
        code=code_out(one.code, request),
        lesson=one.code.lesson_id,
        aim=one.lesson.lesson.aim if one.lesson else "",
        new=list(one.lesson.lesson.new) if one.lesson else [],
        step=one.stop.kind if one.stop else None,
        part=one.stop.part if one.stop else None,
        title=STEPS[one.stop.kind].title if one.stop else "",
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
