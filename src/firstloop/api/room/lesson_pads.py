"""Opening a lesson to pads: its code, which pads are in, what they are called to."""

from enum import StrEnum
from functools import lru_cache
from io import BytesIO
from typing import Annotated

from fastapi import APIRouter, Request, Response
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import COOKIE, CheckedBy, Class, Db, HeardOf, Now, Record, Token
from firstloop.api.interface import PADS
from firstloop.api.sent import AskedId, Id, PathId, Sent
from firstloop.api.who import Who, who_out
from firstloop.services import accounts, lesson_codes, pad_seats
from firstloop.services.heard import Heard
from firstloop.store import lesson_codes as codes_kept
from firstloop.store import pads as pads_kept
from firstloop.store.happenings import What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.pads import PadRecord
from firstloop.store.records import PupilRecord

router = APIRouter(prefix="/api/write", tags=["write"])


class WhichLesson(Sent):
    """The lesson to open; null: today's."""

    lesson: Id | None = None


class LessonCodeOut(Answer):
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
    checks: CheckedBy,
    request: Request,
    response: Response,
    sent: WhichLesson | None = None,
) -> LessonCodeOut:
    """Opens a lesson to pads; asked again it gives the same code. Where none is planned for today,
    one is, on what comes next. Who opens it stays signed in for a school day. From then on there
    will be much to check."""
    checks.begin([school_class.style])
    code = lesson_codes.open_lesson(record, school_class, sent.lesson if sent else None, now)
    if token is not None:
        accounts.stay(record, token, now)
        secure = request.url.scheme == "https"
        age = int(accounts.LASTS.total_seconds())
        response.set_cookie(
            COOKIE, token, max_age=age, httponly=True, samesite="strict", secure=secure
        )
    return code_out(code, request)


@router.delete("/lesson-code", status_code=204)
def delete_lesson_code(
    record: Record, school_class: Class, now: Now, lesson: AskedId | None = None
) -> None:
    """Ends the code of a lesson, or all of the class: what was written before is still taken."""
    lesson_codes.end(record, school_class.id, lesson, now)


def code_out(code: CodeRecord, request: Request) -> LessonCodeOut:
    """A code as an answer, with the address by which pads come here."""
    base = request.app.state.address or str(request.base_url).rstrip("/")
    url = f"{base}{PADS}?code={code.secret}"
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
    import segno  # noqa: PLC0415  # slow to load, and asked for once a lesson

    drawn = BytesIO()
    segno.make(url, micro=False).save(drawn, kind="svg", xmldecl=False, omitsize=True, border=2)
    return drawn.getvalue().decode()


class PadState(StrEnum):
    """Whether a pad is in its lesson, has fallen silent there, asks to come in, or is out."""

    IN = "in"
    SILENT = "silent"
    ASKING = "asking"
    OUT = "out"


class PadOut(Answer):
    """A pad: who sits at it, in which lesson, whether it opens without the network, if it has said,
    and whether it keeps what is written on it: else its page is to stay open. `is_full`: it wanted
    to hand in more than a child could write, and nothing more of it is taken in this lesson."""

    pad: str
    state: PadState
    pupil: Who | None
    lesson: int | None
    opens_alone: bool | None
    keeps: bool
    is_full: bool


@router.get("/pads")
def get_pads(session: Db, school_class: Class, now: Now, heard: HeardOf) -> list[PadOut]:
    """The pads that are in a lesson or ask to come in."""
    codes = {one.id: one for one in codes_kept.open_of(session, school_class.id, now)}
    by_id = {one.id: one for one in school_class.pupils}
    found = [pad_out(x, codes, by_id, heard) for x in pads_kept.of_class(session, school_class.id)]
    return [one for one in found if one.state is not PadState.OUT]


def pad_out(
    pad: PadRecord, codes: dict[int, CodeRecord], pupils: dict[int, PupilRecord], heard: Heard
) -> PadOut:
    """A pad as an answer; `codes` are those that are open."""
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
        keeps=not heard.is_forgetful(pad.id),
        is_full=pad.is_full and code is not None,
    )


@router.delete("/pads", status_code=204)
def delete_pads(record: Record, school_class: Class) -> None:
    """Forgets all pads of the class, and who sat at which: each comes in by a code again."""
    pad_seats.forget_all(record, school_class.id)


@router.delete("/pads/{pad}", status_code=204)
def delete_pad(record: Record, school_class: Class, pad: PathId, now: Now) -> None:
    """Puts a pad out: what it shows is worth nothing then."""
    pad_seats.leave(record, school_class.id, pad, now)


@router.post("/pads/{pad}/free", status_code=204)
def post_free(record: Record, school_class: Class, pad: PathId, now: Now) -> None:
    """Frees the tile that was taken at a pad."""
    pad_seats.free(record, school_class.id, pad, now)


class NodIn(Sent):
    """Which pads come in; null: all that ask. Into which lesson; null: the one opened last."""

    pads: Annotated[list[Id], Field(max_length=200)] | None = None
    lesson: Id | None = None


class NodOut(Answer):
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
