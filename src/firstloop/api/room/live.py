"""What happens in the room, as it happens."""

import math
import time
from collections.abc import AsyncIterable
from datetime import UTC, datetime
from typing import Annotated

from fastapi import APIRouter, Depends, Request
from fastapi.sse import EventSourceResponse, ServerSentEvent

from firstloop.api.answer import Answer
from firstloop.api.attempts import attempt_out
from firstloop.api.deps import Class, HeardOf, OpenStreams, Record, Teacher, Token, sits_here
from firstloop.api.events import (
    AT_ONCE,
    LOOKED_EVERY_S,
    LastEventId,
    Stride,
    Wait,
    as_it_happens,
    begun_at,
)
from firstloop.api.room.lesson_pads import pad_out
from firstloop.api.room.work import work_told
from firstloop.core.evidence.ink import Ink
from firstloop.core.teaching.steps import StepKind
from firstloop.services import accounts
from firstloop.services.heard import Heard
from firstloop.services.looking import seen
from firstloop.store import attempts, handed_in, happenings, lessons, pupils
from firstloop.store import lesson_codes as codes_kept
from firstloop.store import pads as pads_kept
from firstloop.store.database import Session
from firstloop.store.happenings import FOR_THE_TEACHER, Happened, What
from firstloop.store.records import ClassRecord, NotInRecordError, PupilRecord

router = APIRouter(prefix="/api/write", tags=["write"])


def _told_until(record: Record, school_class: Class, last_event_id: LastEventId = None) -> int:
    return begun_at(record, school_class.id, last_event_id)


@router.get("/live", response_class=EventSourceResponse)
async def get_live(  # noqa: PLR0917  # who listens to what
    record: Record,
    school_class: Class,
    heard: HeardOf,
    token: Token,
    teacher: Teacher,
    streams: OpenStreams,
    request: Request,
    after: Annotated[int, Depends(_told_until)],
    *,
    wait: Wait = True,
) -> AsyncIterable[ServerSentEvent]:
    """What is handed in (`attempt`), which pads come, go or fall silent (`pad`), what an eye saw
    (`tally`), which letter was chosen (`best`), where a board is (`place`, `onwards`), that the
    class is another than it was, or another is open (`class`)."""
    class_id, here = school_class.id, sits_here(request)
    silent: set[int] = set()
    looked_at = -math.inf

    def stride(since: int) -> Stride:
        now = datetime.now(UTC)
        signed = accounts.signed_in(record, token, now, is_here=here)
        if signed is None:
            return (), since, False
        if signed.class_id != class_id:
            elsewhere = ServerSentEvent(event=What.CLASS.value, data=ClassTold(open=False))
            return (elsewhere,), since, False
        nonlocal looked_at
        is_due = time.monotonic() - looked_at >= LOOKED_EVERY_S / 2
        with record.session() as session:
            found = happenings.since(session, class_id, since, AT_ONCE)
            told = [_told(session, school_class, one, now, heard) for one in found]
            fallen = []
            if is_due:  # silence lasts: it is not looked for with each letter
                fallen = _fallen_silent(session, school_class, now, heard, silent)
                looked_at = time.monotonic()
        events = [one for one in told if one is not None]
        return [*events, *fallen], found[-1].id if found else since, True

    who = f"teacher {teacher.account_id}"
    told = as_it_happens(record, streams, who, (class_id, False), after, stride, wait=wait)
    async for event in told:
        yield event


def _told(
    session: Session, school_class: ClassRecord, one: Happened, now: datetime, heard: Heard
) -> ServerSentEvent | None:
    """A happening with all that is to be known of it; None where that was deleted since."""
    if one.what not in FOR_THE_TEACHER:
        return None
    try:
        data = _data_of(session, school_class, one, now, heard)
    except NotInRecordError:
        return None
    if data is None:
        return None
    return ServerSentEvent(event=one.what.value, id=str(one.id), data=data)


class ClassTold(Answer):
    """The class has changed; or, no longer open, another is on her screens now."""

    open: bool


class PlaceTold(Answer):
    """Where a lesson is, and which screen went there."""

    lesson: int
    step: StepKind | None
    part: str | None
    by: str | None


def _data_of(
    session: Session, school_class: ClassRecord, one: Happened, now: datetime, heard: Heard
) -> Answer | None:
    class_id = school_class.id
    if one.what is What.CLASS:
        return ClassTold(open=True)
    if one.handed_in is not None:
        work = handed_in.find(session, one.handed_in)
        looked = seen(session, class_id, [work]) if work else []
        return (
            work_told(looked[0], _who(session, class_id, looked[0].work.pupil_id))
            if looked
            else None
        )
    if one.attempt_id is not None:
        tallied = attempts.get(session, class_id, one.attempt_id)
        return attempt_out(tallied, Ink(()), doubts=())
    if one.pad_id is not None:
        codes = {x.id: x for x in codes_kept.open_of(session, class_id, now)}
        pad = pads_kept.get(session, class_id, one.pad_id)
        return pad_out(pad, codes, _by_id(session, school_class), heard)
    if one.lesson_id is not None:
        lesson = lessons.get(session, class_id, one.lesson_id)
        return PlaceTold(lesson=lesson.id, step=lesson.at, part=lesson.part, by=one.by)
    return None


def _who(session: Session, class_id: int, pupil_id: int) -> PupilRecord:
    return pupils.get(session, class_id, pupil_id)


def _by_id(session: Session, school_class: ClassRecord) -> dict[int, PupilRecord]:
    return {one.id: one for one in pupils.of_class(session, school_class.id)}


def _fallen_silent(
    session: Session, school_class: ClassRecord, now: datetime, heard: Heard, known: set[int]
) -> list[ServerSentEvent]:
    """The pads that have fallen silent, or are heard of again, since it was told last. This has no
    number: it is of the moment, and after a gap it is told anew."""
    there = pads_kept.in_lesson(session, school_class.id, now)
    silent = {one.id for one in there if heard.is_silent(one.id)}
    changed = [one for one in there if (one.id in silent) != (one.id in known)]
    known.clear()
    known.update(silent)
    codes = {one.id: one for one in codes_kept.open_of(session, school_class.id, now)}
    by_id = _by_id(session, school_class)
    return [
        ServerSentEvent(event=What.PAD.value, data=pad_out(one, codes, by_id, heard))
        for one in changed
    ]
