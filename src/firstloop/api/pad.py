"""What a child's pad may do, and nothing else: join a lesson, take a tile, ask for its task, hand
in, choose the best, leave."""

from collections.abc import AsyncIterable
from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Depends, Request, Response
from fastapi.sse import EventSourceResponse, ServerSentEvent
from pydantic import AwareDatetime, BaseModel, Field, StrictBool

from firstloop.api.deps import (
    DEVICE_COOKIE,
    PAD_COOKIE,
    CodeTries,
    Db,
    HeardOf,
    Now,
    PadIn,
    PadLate,
    Record,
    address_of,
)
from firstloop.api.drawings import LetterDrawing, text_drawings
from firstloop.api.events import AT_ONCE, LastEventId, Stride, Wait, as_it_happens, begun_at
from firstloop.api.ink import InkStroke, Strokes, ink_from, strokes_out
from firstloop.api.pad_prompts import AskedWith, asked_with_out
from firstloop.api.problems import HANDED_IN, JOINING, TAKEN_ALREADY
from firstloop.api.sent import Id, PathId, Sent, digest_of, line
from firstloop.api.texts import LONGEST_TEXT
from firstloop.api.work import Who, who_out
from firstloop.core.evidence.task import Handedness, Help, Kind
from firstloop.core.letters.ruling import Line, LineLook, RulingKind
from firstloop.core.teaching.pads import Doing
from firstloop.core.teaching.roster import Presence
from firstloop.core.teaching.steps import StepKind
from firstloop.formats.sounds import media_of
from firstloop.formats.tiles import tile_svg
from firstloop.services import joining, pad_work, pads
from firstloop.services.clock import day_of
from firstloop.services.pads import InLesson, Joined
from firstloop.store import classes, happenings, lessons, prompts, school
from firstloop.store import pads as pads_kept
from firstloop.store.database import Session
from firstloop.store.happenings import FOR_PADS, Happened, What
from firstloop.store.records import ClassRecord, NotInRecordError

joining_router = APIRouter(prefix="/api/pad", tags=["pad"])
router = APIRouter(prefix="/api/pad", tags=["pad"])

KNOWN_FOR_S = 400 * 24 * 3600
"""A pad is known from one school year to the next; browsers keep no cookie for longer."""


class KnownIn(Sent):
    """A pad that was in an earlier lesson asks to come in."""

    known: Literal[True]


class CodeIn(Sent):
    """A pad comes in by the code on the board; capitals and what joins its words do not matter."""

    code: Annotated[str, line(LONGEST_TEXT, 1)]


class WaitsOut(BaseModel):
    """The teacher has not nodded yet: ask again in a moment."""

    waits: Literal[True] = True


class PadLesson(BaseModel):
    """The lesson that a pad has come into."""

    id: int
    aim: str


class TileOut(Who):
    """A child's tile, and whether it is taken by another pad."""

    taken: bool


class JoinedOut(BaseModel):
    """A pad that is in: what it is called, its lesson, if there is one, the children's tiles."""

    pad: str
    lesson: PadLesson | None
    pupils: list[TileOut]


@joining_router.post(
    "/join",
    responses={**JOINING, 202: {"model": WaitsOut, "description": "Waits for the teacher's nod"}},
)
def post_join(  # noqa: PLR0917  # what joining is about
    record: Record,
    tries: CodeTries,
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
        pads.join_known(record, device, now)
        if isinstance(sent, KnownIn)
        else pads.join(record, tries, sent.code, device, address_of(request), now)
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


class SeatOut(BaseModel):
    """The child at the pad: `seat` is what this sitting is called in what is handed in late."""

    seat: int
    pupil: Who
    handedness: Handedness


@router.post("/pupil", responses=TAKEN_ALREADY)
def post_pupil(record: Record, who: PadIn, now: Now, sent: SeatIn) -> SeatOut:
    """A child takes its tile; 409 where it sits at another pad that is in."""
    seat = pads.sit(record, who, sent.pupil, now, opens_alone=sent.opens_alone)
    with record.session() as session:
        school_class = classes.get(session, who.code.class_id)
    pupil = next(one for one in school_class.pupils if one.id == seat.pupil_id)
    return SeatOut(seat=seat.id, pupil=who_out(pupil), handedness=pupil.handedness)


class PadLine(BaseModel):
    """A ruled line: its height above the base line in u, and how it is drawn."""

    name: Line
    u: float
    look: LineLook


class PadRuling(BaseModel):
    """The class's lines."""

    kind: RulingKind
    lines: list[PadLine]


class PadModel(BaseModel):
    """What is written, word by word, as it is made."""

    words: list[LetterDrawing]


class OwnLetter(BaseModel):
    """A letter of the child's own to choose from."""

    id: str
    target: str
    strokes: list[InkStroke]
    best: bool


class PadTaskOut(BaseModel):
    """What the pad is for now. `step` null: there is nothing to write; `doing` says what to do
    then, `model` what to trace in the air, `choose` what to choose from. `enough` null: none."""

    step: StepKind | None
    kind: Kind | None
    target: str | None
    hand: str
    ruling: PadRuling
    help: Help | None
    model: PadModel | None
    enough: int | None
    written: int
    answers: bool
    prompt: AskedWith
    doing: Doing
    seat: int | None
    pupil: Who | None
    handedness: Handedness | None
    rows: int
    cells: bool
    tilted: bool
    rubbing_out: bool
    choose: list[OwnLetter]


@router.get("/task")
def get_task(session: Db, who: PadIn, now: Now) -> PadTaskOut:
    """What this pad is for now."""
    school_class = classes.get(session, who.code.class_id)
    pupil = next((one for one in school_class.pupils if one.id == who.pad.pupil_id), None)
    moment = pad_work.moment(session, school_class, who, pupil.id if pupil else None)
    task = moment.task
    return PadTaskOut(
        step=task.step if task else None,
        kind=task.kind if task else None,
        target=task.target if task else None,
        hand=school_class.style.hand,
        ruling=_ruling_out(school_class),
        help=task.help if task else None,
        model=_model(session, school_class, moment, now),
        enough=task.enough if task else None,
        written=moment.written,
        answers=school_class.customs.answers,
        prompt=asked_with_out(moment),
        doing=moment.doing,
        seat=who.pad.seat.id if who.pad.seat else None,
        pupil=who_out(pupil) if pupil else None,
        handedness=pupil.handedness if pupil else None,
        rows=task.rows if task else 1,
        cells=task.in_cells if task else False,
        tilted=school_class.customs.tilted,
        rubbing_out=school_class.customs.rubbing_out
        and moment.stop is not None
        and moment.stop.kind is StepKind.WORDS,
        choose=[
            OwnLetter(
                id=own.work.id,
                target=own.work.task[1] if own.work.task else "",
                strokes=strokes_out(own.ink),
                best=own.work.is_best,
            )
            for own in moment.own
        ],
    )


def _ruling_out(school_class: ClassRecord) -> PadRuling:
    ruling = school_class.ruling
    lines = [PadLine(name=one, u=ruling.height(one), look=ruling.look(one)) for one in Line]
    return PadRuling(kind=ruling.kind, lines=lines)


def _model(
    session: Session, school_class: ClassRecord, moment: pad_work.PadMoment, now: datetime
) -> PadModel | None:
    """None from memory, in free writing, and where the board is looked at."""
    text = moment.task.target if moment.task else ""
    if moment.task and moment.task.help is Help.RECALL:
        return None
    if moment.doing is Doing.AIR and moment.stop:
        text = " ".join(moment.stop.about)
    if not text:
        return None
    joins = joining.joins_of(session, school_class, day_of(now, school.zone(session)))
    hand, wording = school_class.hand, school_class.wording
    return PadModel(words=text_drawings(text, hand, school_class.ruling, wording, joins))


@router.get("/prompts/{prompt_id}", response_class=Response)
def get_pad_prompt(session: Db, who: PadIn, prompt_id: PathId, picture: bool = False) -> Response:
    """The sound of this pad's task, or its picture; 404 any other."""
    school_class = classes.get(session, who.code.class_id)
    found = pad_work.prompt_now(session, school_class, who, prompt_id)
    if found is None or (picture and found.tile is None) or not (picture or found.has_sound):
        raise NotInRecordError("the task of this pad is asked for with nothing of that kind")
    if picture:
        return Response(tile_svg(found.tile or ""), media_type="image/svg+xml")
    sound = prompts.sound_of(session, school_class.id, found.text)
    return Response(sound, media_type=media_of(sound))


def _told_until(record: Record, who: PadIn, last_event_id: LastEventId = None) -> int:
    return begun_at(record, who.code.class_id, last_event_id)


@router.get("/events", response_class=EventSourceResponse)
async def get_pad_events(
    record: Record,
    who: PadIn,
    after: Annotated[int, Depends(_told_until)],
    *,
    wait: Wait = True,
) -> AsyncIterable[ServerSentEvent]:
    """A new task, the movement once more, choosing the best, a look at the board, the end."""
    class_id = who.code.class_id

    def stride(since: int) -> Stride:
        with record.session() as session:
            found = happenings.since(session, class_id, since, AT_ONCE)
        for_me = [one for one in found if _is_for(one, who)]
        told = [ServerSentEvent(event=x.what.value, id=str(x.id), data={}) for x in for_me]
        goes_on = not any(one.what is What.END for one in for_me)
        return told, found[-1].id if found else since, goes_on

    async for event in as_it_happens(record, (class_id, True), after, stride, wait=wait):
        yield event


def _is_for(one: Happened, who: InLesson) -> bool:
    return (
        one.what in FOR_PADS
        and one.code_id in (None, who.code.id)
        and one.pad_id in (None, who.pad.id)
    )


class PadAttemptIn(Sent):
    """Something written on a pad, by the pad's own id for it. `written_at` is the pad's own time;
    `seat` is who sat there, where it was not who does now."""

    id: UUID
    target: Annotated[str, line(LONGEST_TEXT)]
    kind: Kind
    help: Help
    written_at: AwareDatetime
    struck: StrictBool = False
    seat: Id | None = None
    strokes: Strokes


class MoveAgain(BaseModel):
    """A move of the letter that plays again."""

    stroke: int
    move: int


class StoredOut(BaseModel):
    """It is in the record. What is said to the child, and which move plays again, where the class
    wants its letters answered."""

    id: str
    stored: Literal[True] = True
    say: str | None
    replay: MoveAgain | None


@router.post("/attempts", status_code=201, responses=HANDED_IN)
def post_pad_attempt(
    record: Record, who: PadLate, now: Now, sent: PadAttemptIn, response: Response
) -> StoredOut:
    """Keeps what was written, once; 200 where it came before. After the lesson's end what was
    written before is taken for a day."""
    answer = pad_work.receive(
        record,
        who,
        pad_work.Sent(
            id=sent.id,
            digest=digest_of(sent),
            task=(sent.kind, sent.target, sent.help),
            written_at=sent.written_at,
            struck=sent.struck,
            ink=ink_from(sent.strokes),
            seat=sent.seat,
        ),
        now,
    )
    if not answer.is_new:
        response.status_code = 200
    replay = answer.replay
    again = None if replay is None else MoveAgain(stroke=replay[0], move=replay[1])
    return StoredOut(id=str(sent.id), say=answer.say, replay=again)


class BestIn(Sent):
    """The letter that its child likes best, by its id."""

    attempt: Annotated[str, Field(max_length=36, pattern=r"^[0-9a-fA-F-]{32,36}$")]


class BestOut(BaseModel):
    """The letter that was chosen."""

    attempt: str


@router.post("/best")
def post_best(record: Record, who: PadIn, now: Now, sent: BestIn) -> BestOut:
    """A child chooses its best letter, in place of another."""
    pad_work.choose_best(record, who, sent.attempt.lower(), now)
    return BestOut(attempt=sent.attempt)


class LeftOut(BaseModel):
    """The pad is out."""

    left: Literal[True] = True


@router.post("/leave")
def post_leave(record: Record, who: PadLate, now: Now, response: Response) -> LeftOut:
    """The pad leaves; what it showed is worth nothing then."""
    pads.leave(record, who.code.class_id, who.pad.id, now)
    response.delete_cookie(PAD_COOKIE, httponly=True, samesite="strict")
    return LeftOut()
