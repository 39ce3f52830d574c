"""Write, for the teacher: the code by which pads join, who is in, how it goes for each child as it
goes, calls to the pads, the tally."""

from collections.abc import AsyncIterable
from datetime import UTC, datetime
from enum import StrEnum
from functools import lru_cache
from io import BytesIO
from typing import Annotated

import segno
from fastapi import APIRouter, Depends, Query, Request, Response
from fastapi.sse import EventSourceResponse, ServerSentEvent
from pydantic import BaseModel, Field

from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import COOKIE, Class, Db, HeardOf, Now, Record, Token, sits_here
from firstloop.api.drawings import Picture, picture
from firstloop.api.events import AT_ONCE, LastEventId, Stride, Wait, as_it_happens, begun_at
from firstloop.api.sent import LONGEST_NAME, AskedId, Id, Key, PathId, Sent, line
from firstloop.api.work import Who, WorkTold, who_out, work_told
from firstloop.core.checking.by_eye import ROUGHLY
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import find_script
from firstloop.core.letters.slips import shown_slips
from firstloop.core.teaching.going import Going
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.steps import STEPS, StepKind
from firstloop.services import accounts, lesson_codes, pads, tally
from firstloop.services.heard import Heard
from firstloop.services.looking import seen
from firstloop.services.room import ChildNow, OpenLesson, room
from firstloop.store import attempts, handed_in, happenings, lessons, pupils
from firstloop.store import lesson_codes as codes_kept
from firstloop.store import pads as pads_kept
from firstloop.store.database import Session
from firstloop.store.happenings import FOR_THE_TEACHER, Happened, What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.pads import PadRecord
from firstloop.store.records import ClassRecord, NotInRecordError, PupilRecord

router = APIRouter(prefix="/api/write", tags=["write"])

PADS_PAGE = "/pad"


class WhichLesson(Sent):
    """The lesson to open; null: today's."""

    lesson: Id | None = None


class LessonCodeOut(BaseModel):
    """A lesson's code, its address and that as a square to be read by a camera. `reaches`: whether
    other devices can come to that address."""

    code: str
    url: str
    qr_svg: str
    lesson: int | None
    reaches: bool


@router.post("/lesson-code")
def post_lesson_code(  # noqa: PLR0917  # who opens what, where
    record: Record,
    school_class: Class,
    now: Now,
    token: Token,
    request: Request,
    response: Response,
    sent: WhichLesson | None = None,
) -> LessonCodeOut:
    """Opens a lesson to pads; asked again it gives the same code. Where none is planned for today,
    one is, on what comes next. Who opens it stays signed in for a school day."""
    code = lesson_codes.open_lesson(record, school_class, sent.lesson if sent else None, now)
    if token is not None:
        accounts.stay(record, token, now)
        secure = request.url.scheme == "https"
        age = int(accounts.LASTS.total_seconds())
        response.set_cookie(
            COOKIE, token, max_age=age, httponly=True, samesite="strict", secure=secure
        )
    return _code_out(code, request)


@router.delete("/lesson-code", status_code=204)
def delete_lesson_code(
    record: Record, school_class: Class, now: Now, lesson: AskedId | None = None
) -> None:
    """Ends the code of a lesson, or all of the class: what was written before is still taken."""
    lesson_codes.end(record, school_class.id, lesson, now)


def _code_out(code: CodeRecord, request: Request) -> LessonCodeOut:
    base = request.app.state.address or str(request.base_url).rstrip("/")
    url = f"{base}{PADS_PAGE}?code={code.code.replace(' ', '-')}"
    return LessonCodeOut(
        code=code.code,
        url=url,
        qr_svg=_qr(url),
        lesson=code.lesson_id,
        reaches=request.app.state.address is not None,
    )


@lru_cache(maxsize=16)
def _qr(url: str) -> str:
    """The square of an address, as SVG."""
    drawn = BytesIO()
    segno.make(url, micro=False).save(drawn, kind="svg", xmldecl=False, omitsize=True, border=2)
    return drawn.getvalue().decode()


class PadState(StrEnum):
    """Whether a pad is in its lesson, has fallen silent there, asks to come in, or is out."""

    IN = "in"
    SILENT = "silent"
    ASKING = "asking"
    OUT = "out"


class PadOut(BaseModel):
    """A pad: who sits at it, in which lesson, and whether it opens without the network, if it has
    said."""

    pad: str
    state: PadState
    pupil: Who | None
    lesson: int | None
    opens_alone: bool | None


@router.get("/pads")
def get_pads(session: Db, school_class: Class, now: Now, heard: HeardOf) -> list[PadOut]:
    """The pads that are in a lesson or ask to come in."""
    codes = {one.id: one for one in codes_kept.open_of(session, school_class.id, now)}
    by_id = {one.id: one for one in school_class.pupils}
    found = [_pad_out(x, codes, by_id, heard) for x in pads_kept.of_class(session, school_class.id)]
    return [one for one in found if one.state is not PadState.OUT]


def _pad_out(
    pad: PadRecord, codes: dict[int, CodeRecord], pupils: dict[int, PupilRecord], heard: Heard
) -> PadOut:
    code = codes.get(pad.code_id) if pad.code_id is not None else None
    if pad.asked_at is not None:
        state = PadState.ASKING
    elif code is None or not pad.is_in:
        state = PadState.OUT
    else:
        state = PadState.SILENT if heard.is_silent(pad.id) else PadState.IN
    pupil = pupils.get(pad.pupil_id) if pad.pupil_id is not None and code else None
    return PadOut(
        pad=str(pad.id),
        state=state,
        pupil=who_out(pupil) if pupil else None,
        lesson=code.lesson_id if code else None,
        opens_alone=pad.opens_alone,
    )


@router.delete("/pads", status_code=204)
def delete_pads(record: Record, school_class: Class) -> None:
    """Forgets all pads of the class, and who sat at which: each comes in by a code again."""
    with record.writing() as session:
        pads_kept.forget_all(session, school_class.id)
    record.clear_log()


@router.delete("/pads/{pad}", status_code=204)
def delete_pad(record: Record, school_class: Class, pad: PathId, now: Now) -> None:
    """Puts a pad out: what it shows is worth nothing then."""
    pads.leave(record, school_class.id, pad, now)


@router.post("/pads/{pad}/free", status_code=204)
def post_free(record: Record, school_class: Class, pad: PathId, now: Now) -> None:
    """Frees the tile that was taken at a pad."""
    pads.free(record, school_class.id, pad, now)


class NodIn(Sent):
    """Which pads come in; null: all that ask. Into which lesson; null: the one opened last."""

    pads: Annotated[list[Id], Field(max_length=200)] | None = None
    lesson: Id | None = None


class NodOut(BaseModel):
    """How many came in."""

    nodded: int


@router.post("/nod")
def post_nod(record: Record, school_class: Class, now: Now, sent: NodIn) -> NodOut:
    """Lets pads in that ask, all at once where none is named."""
    count = lesson_codes.nod_in(record, school_class.id, sent.pads, sent.lesson, now)
    return NodOut(nodded=count)


class Call(StrEnum):
    """What pads can be called to: see the movement once more, look at the board."""

    REPLAY = "replay"
    LOOK = "look"


class CallIn(Sent):
    """What the pads of a lesson are called to; one of them, or (null) all."""

    what: Call
    lesson: Id
    pad: Id | None = None


@router.post("/call", status_code=204)
def post_call(record: Record, school_class: Class, now: Now, sent: CallIn) -> None:
    """Calls a pad, or all of a lesson."""
    what = What(sent.what.value)
    lesson_codes.call(record, school_class.id, sent.lesson, what, sent.pad, now)


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
        code=_code_out(one.code, request),
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


def _told_until(record: Record, school_class: Class, last_event_id: LastEventId = None) -> int:
    return begun_at(record, school_class.id, last_event_id)


@router.get("/live", response_class=EventSourceResponse)
async def get_live(  # noqa: PLR0917  # who listens to what
    record: Record,
    school_class: Class,
    heard: HeardOf,
    token: Token,
    request: Request,
    after: Annotated[int, Depends(_told_until)],
    *,
    wait: Wait = True,
) -> AsyncIterable[ServerSentEvent]:
    """What is handed in (`attempt`), which pads come, go or fall silent (`pad`), what an eye saw
    (`tally`), which letter was chosen (`best`), where a board is (`place`, `onwards`)."""
    class_id, here = school_class.id, sits_here(request)
    silent: set[int] = set()

    def stride(since: int) -> Stride:
        now = datetime.now(UTC)
        if accounts.signed_in(record, token, now, is_here=here) is None:
            return (), since, False
        with record.session() as session:
            found = happenings.since(session, class_id, since, AT_ONCE)
            told = [_told(session, school_class, one, now, heard) for one in found]
            fallen = _fallen_silent(session, school_class, now, heard, silent)
        events = [one for one in told if one is not None]
        return [*events, *fallen], found[-1].id if found else since, True

    async for event in as_it_happens(record, (class_id, False), after, stride, wait=wait):
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


class PlaceTold(BaseModel):
    """Where a lesson is, and which screen went there."""

    lesson: int
    step: StepKind | None
    part: str | None
    by: str | None


def _data_of(
    session: Session, school_class: ClassRecord, one: Happened, now: datetime, heard: Heard
) -> BaseModel | None:
    class_id = school_class.id
    if one.handed_in is not None:
        work = handed_in.find(session, one.handed_in)
        looked = seen(session, class_id, [work]) if work else []
        return (
            work_told(looked[0], _who(session, class_id, looked[0].work.pupil_id))
            if looked
            else None
        )
    if one.attempt_id is not None:
        return attempt_out(attempts.get(session, class_id, one.attempt_id), Ink(()))
    if one.pad_id is not None:
        codes = {x.id: x for x in codes_kept.open_of(session, class_id, now)}
        pad = pads_kept.get(session, class_id, one.pad_id)
        return _pad_out(pad, codes, _by_id(session, school_class), heard)
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
        ServerSentEvent(event=What.PAD.value, data=_pad_out(one, codes, by_id, heard))
        for one in changed
    ]


class SlipSeen(BaseModel):
    """Something that an eye may see: a usual slip of the letter, drawn; or roughly what it is
    about, of any letter."""

    code: Code
    name: str
    picture: Picture | None


@router.get("/tally")
def get_tally(
    school_class: Class, letter: Annotated[str, Query(), line(LONGEST_NAME, 1)]
) -> list[SlipSeen]:
    """What there is to be seen of a letter: its usual slips first, each kind once."""
    hand, ruling = school_class.hand, school_class.ruling
    usual: dict[Code, SlipSeen] = {}
    for slip, strokes in shown_slips(find_script(letter, hand), hand, ruling):
        shown = SlipSeen(code=slip.code, name=slip.name, picture=picture(letter, strokes))
        usual.setdefault(slip.code, shown)
    rough = [
        SlipSeen(code=code, name=name, picture=None)
        for code, name in ROUGHLY.items()
        if code not in usual
    ]
    return [*usual.values(), *rough]


class TallyIn(Sent):
    """What an eye saw of a child's letter: one thing to mend, or (null) that it was well made."""

    pupil_id: Id
    letter: Key
    seen: Code | None = None


@router.post("/tally", status_code=201)
def post_tally(record: Record, school_class: Class, now: Now, sent: TallyIn) -> AttemptOut:
    """Keeps what was seen as evidence by eye; DELETE /api/write/attempts/{id} takes it back."""
    kept = tally.keep(
        record,
        school_class,
        pupil_id=sent.pupil_id,
        letter=sent.letter,
        seen=sent.seen,
        now=now,
    )
    return attempt_out(kept, Ink(()))
