"""What a pad is for just now: its task, what that is asked for with, what it is called to."""

from collections.abc import AsyncIterable
from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Depends, Response
from fastapi.sse import EventSourceResponse, ServerSentEvent

from firstloop.api.answer import Answer
from firstloop.api.deps import (
    Db,
    HeardOf,
    Now,
    OpenStreams,
    PadIn,
    PadToken,
    Record,
)
from firstloop.api.drawings import LetterDrawing, text_drawings
from firstloop.api.events import AT_ONCE, LastEventId, Stride, Wait, as_it_happens, begun_at
from firstloop.api.ink import InkStroke, strokes_out
from firstloop.api.pads.prompts import AskedWith, asked_with_out
from firstloop.api.sent import PathId
from firstloop.api.who import Who, who_out
from firstloop.core.evidence.task import Handedness, Help, Kind
from firstloop.core.letters.ruling import Line, LineLook, RulingKind
from firstloop.core.teaching.gets import Side
from firstloop.core.teaching.pad_tasks import Doing
from firstloop.core.teaching.steps import StepKind
from firstloop.formats.sounds import media_of
from firstloop.formats.tiles import tile_svg
from firstloop.services import joined_plan, pad_seats, pad_work
from firstloop.services.clock import day_of
from firstloop.services.pad_seats import InLesson
from firstloop.store import classes, happenings, prompts, school, set_aside
from firstloop.store.database import Session
from firstloop.store.happenings import FOR_PADS, Happened, What
from firstloop.store.records import ClassRecord, NotInRecordError

router = APIRouter(prefix="/api/pad", tags=["pad"])


class PadLine(Answer):
    """A ruled line: its height above the base line in u, and how it is drawn."""

    name: Line
    u: float
    look: LineLook


class PadRuling(Answer):
    """The class's lines."""

    kind: RulingKind
    lines: list[PadLine]


class PadModel(Answer):
    """What is written, word by word, as it is made."""

    words: list[LetterDrawing]


class OwnLetter(Answer):
    """A letter of the child's own to choose from."""

    id: str
    target: str
    strokes: list[InkStroke]
    best: bool


class PadTaskOut(Answer):
    """What the pad is for now. `step` null: there is nothing to write; `doing` says what to do
    then, `model` what to trace in the air, `choose` what to choose from. `enough` null: none.
    `is_enough`: so many are written; one more is no fault. `gap` is the word that the model leaves
    out; `further` what may be written freely (kind free, help recall) once all is written;
    `reminder` what the teacher said of this child's last such letter. `model_on` is the side
    of its model, and `times_as_high` how much larger its lines are than the class's. `now` is the
    server's clock, by which the pad sets its own; `let_go` are letters, by the pad's ids, that were
    set aside there and that the teacher has let go."""

    step: StepKind | None
    kind: Kind | None
    target: str | None
    hand: str
    ruling: PadRuling
    help: Help | None
    model: PadModel | None
    enough: int | None
    written: int
    is_enough: bool
    answers: bool
    prompt: AskedWith
    doing: Doing
    seat: int | None
    pupil: Who | None
    handedness: Handedness | None
    model_on: Side
    times_as_high: float
    rows: int
    cells: bool
    tilted: bool
    rubbing_out: bool
    gap: str
    further: str
    reminder: str
    choose: list[OwnLetter]
    now: datetime
    let_go: list[str]


@router.get("/task")
def get_task(
    session: Db, who: PadIn, now: Now, heard: HeardOf, *, keeps: bool = True
) -> PadTaskOut:
    """What this pad is for now; with `keeps` false it says that it cannot keep what is written."""
    heard.keeps(who.pad.id, it_does=keeps)
    return task_out(session, who, now)


def task_out(session: Session, who: InLesson, now: datetime) -> PadTaskOut:
    """What a pad is for now, told."""
    school_class = classes.get(session, who.code.class_id)
    pupil = pad_work.seated(school_class, who)
    moment = pad_work.moment(session, school_class, who, pupil)
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
        is_enough=task is not None and task.is_enough(moment.written),
        answers=school_class.customs.answers,
        prompt=asked_with_out(moment),
        doing=moment.doing,
        seat=who.pad.seat.id if who.pad.seat else None,
        pupil=who_out(pupil) if pupil else None,
        handedness=pupil.handedness if pupil else None,
        model_on=pupil.gets.side_for(pupil.handedness) if pupil else Side.LEFT,
        times_as_high=pupil.gets.times_as_high if pupil else 1.0,
        rows=task.rows if task else 1,
        cells=task.in_cells if task else False,
        tilted=school_class.customs.tilted,
        rubbing_out=moment.now is not None and moment.now.may_rub_out,
        gap=task.gap if task else "",
        further=moment.further,
        reminder=moment.reminder,
        choose=[
            OwnLetter(
                id=own.work.id,
                target=own.work.task[1] if own.work.task else "",
                strokes=strokes_out(own.ink),
                best=own.work.is_best,
            )
            for own in moment.own
        ],
        now=now,
        let_go=list(set_aside.let_go_of_device(session, who.pad.device)),
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
    if moment.doing is Doing.AIR and moment.now:
        text = moment.now.text
    if not text:
        return None
    joins = joined_plan.joins_of(session, school_class, day_of(now, school.zone(session)))
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
    token: PadToken,
    streams: OpenStreams,
    after: Annotated[int, Depends(_told_until)],
    *,
    wait: Wait = True,
) -> AsyncIterable[ServerSentEvent]:
    """A new task, the movement once more, choosing the best, a look at the board, the end."""
    class_id = who.code.class_id

    def stride(since: int) -> Stride:
        if not pad_seats.still_holds(record, token, who):
            return (ServerSentEvent(event=What.END.value, data={}),), since, False
        with record.session() as session:
            found = happenings.since(session, class_id, since, AT_ONCE)
        for_me = [one for one in found if _is_for(one, who)]
        told = [ServerSentEvent(event=x.what.value, id=str(x.id), data={}) for x in for_me]
        goes_on = not any(one.what is What.END for one in for_me)
        return told, found[-1].id if found else since, goes_on

    name = f"pad {who.pad.id}"
    told = as_it_happens(record, streams, name, (class_id, True), after, stride, wait=wait)
    async for event in told:
        yield event


def _is_for(one: Happened, who: InLesson) -> bool:
    return (
        one.what in FOR_PADS
        and one.code_id in (None, who.code.id)
        and one.pad_id in (None, who.pad.id)
    )
