"""How a pad comes into a lesson, who sits at it, how it leaves."""

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from fastapi import APIRouter, Request, Response
from pydantic import StrictBool

from firstloop.api.answer import Answer
from firstloop.api.deps import (
    DEVICE_COOKIE,
    KNOWN_FOR_S,
    PAD_COOKIE,
    Db,
    HeardOf,
    Now,
    PadIn,
    PadLate,
    Record,
    address_of,
)
from firstloop.api.pads.task import PadTaskOut, task_out
from firstloop.api.problems import JOINING, TAKEN_ALREADY
from firstloop.api.sent import Id, Sent, line
from firstloop.api.texts import LONGEST_TEXT
from firstloop.api.who import Who, who_out
from firstloop.core.evidence.task import Handedness
from firstloop.core.teaching.roster import Presence
from firstloop.services import pad_seats
from firstloop.services.pad_seats import InLesson, Joined
from firstloop.store import classes, lessons
from firstloop.store import pads as pads_kept
from firstloop.store.database import Session

open_router = APIRouter(prefix="/api/pad", tags=["pad"])
router = APIRouter(prefix="/api/pad", tags=["pad"])


class KnownIn(Sent):
    """A pad that was in an earlier lesson asks to come in."""

    known: Literal[True]


class CodeIn(Sent):
    """A pad comes in by the code on the board; capitals and what joins its words do not matter."""

    code: Annotated[str, line(LONGEST_TEXT, 1)]


class WaitsOut(Answer):
    """The teacher has not nodded yet: ask again in a moment."""

    waits: Literal[True] = True


class PadLesson(Answer):
    """The lesson that a pad has come into."""

    id: int
    aim: str


class TileOut(Who):
    """A child's tile, and whether it is taken by another pad."""

    taken: bool


class JoinedOut(Answer):
    """A pad that is in: what it is called, its lesson, if there is one, the children's tiles."""

    pad: str
    lesson: PadLesson | None
    pupils: list[TileOut]


@open_router.post(
    "/join",
    responses={**JOINING, 202: {"model": WaitsOut, "description": "Waits for the teacher's nod"}},
)
def post_join(  # noqa: PLR0917  # what joining is about
    record: Record,
    heard: HeardOf,
    now: Now,
    sent: KnownIn | CodeIn,
    request: Request,
    response: Response,
) -> JoinedOut | WaitsOut:
    """Takes a pad in: by the code of a lesson; or, where it was in one before, by the teacher's
    nod, for which it waits (202)."""
    device = request.cookies.get(DEVICE_COOKIE)
    joined = (
        pad_seats.join_known(record, device, now)
        if isinstance(sent, KnownIn)
        else pad_seats.join(record, sent.code, device, address_of(request), now)
    )
    if joined is None:
        response.status_code = 202
        return WaitsOut()
    heard.of(joined.pad.id)
    _let_in(request, response, joined)
    with record.session() as session:
        return _joined_out(session, InLesson(joined.pad, joined.code), now)


def _let_in(request: Request, response: Response, joined: Joined) -> None:
    shown = ((PAD_COOKIE, joined.token, None), (DEVICE_COOKIE, joined.device, KNOWN_FOR_S))
    for name, value, max_age in shown:
        response.set_cookie(
            name,
            value,
            max_age=max_age,
            httponly=True,
            samesite="strict",
            secure=request.url.scheme == "https",
            path="/api/pad" if name == DEVICE_COOKIE else "/",
        )


@router.get("/lesson")
def get_lesson(session: Db, who: PadIn, now: Now) -> JoinedOut:
    """The lesson that the pad is in, and the children's tiles, as they are now."""
    return _joined_out(session, who, now)


def _joined_out(session: Session, who: InLesson, now: datetime) -> JoinedOut:
    school_class = classes.get(session, who.code.class_id)
    lesson = None
    if who.code.lesson_id is not None:
        found = lessons.get(session, school_class.id, who.code.lesson_id)
        lesson = PadLesson(id=found.id, aim=found.lesson.aim)
    others = pads_kept.in_lesson(session, school_class.id, now)
    taken = {one.pupil_id for one in others if one.id != who.pad.id}
    return JoinedOut(
        pad=str(who.pad.id),
        lesson=lesson,
        pupils=[
            TileOut(**who_out(one).model_dump(), taken=one.id in taken)
            for one in school_class.pupils
            if one.presence is Presence.HERE
        ],
    )


class SeatIn(Sent):
    """The tile that is taken; and whether the pad opens without the network, where it knows."""

    pupil: Id
    opens_alone: StrictBool | None = None


class SeatOut(Answer):
    """The child at the pad: `seat` is what this sitting is called in what is handed in late. With
    its task, so that there is no moment in which the pad still has that of the child before."""

    seat: int
    pupil: Who
    handedness: Handedness
    task: PadTaskOut


@router.post("/pupil", responses=TAKEN_ALREADY)
def post_pupil(record: Record, who: PadIn, now: Now, sent: SeatIn) -> SeatOut:
    """A child takes its tile; 409 where it sits at another pad that is in."""
    seat = pad_seats.sit(record, who, sent.pupil, now, opens_alone=sent.opens_alone)
    seated = replace(who, pad=replace(who.pad, seat=seat))
    with record.session() as session:
        school_class = classes.get(session, who.code.class_id)
        task = task_out(session, seated, now)
    pupil = next(one for one in school_class.pupils if one.id == seat.pupil_id)
    return SeatOut(seat=seat.id, pupil=who_out(pupil), handedness=pupil.handedness, task=task)


class LeftOut(Answer):
    """The pad is out."""

    left: Literal[True] = True


@router.post("/leave")
def post_leave(record: Record, who: PadLate, now: Now, response: Response) -> LeftOut:
    """The pad leaves; what it showed is worth nothing then."""
    pad_seats.leave(record, who.code.class_id, who.pad.id, now)
    response.delete_cookie(PAD_COOKIE, httponly=True, samesite="strict")
    return LeftOut()
