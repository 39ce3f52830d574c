"""What a pad hands in, and which letter its child likes best."""

from datetime import datetime
from functools import partial
from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Request, Response
from pydantic import AwareDatetime, Field, StrictBool

from firstloop.api.answer import Answer
from firstloop.api.deps import (
    CheckedBy,
    InLine,
    Now,
    PadIn,
    PadLate,
    Record,
)
from firstloop.api.ink import Strokes, ink_from
from firstloop.api.problems import FROM_A_PAD
from firstloop.api.read_later import in_document, raw_body, read
from firstloop.api.sent import Id, Sent, digest_of, line
from firstloop.api.texts import LONGEST_TEXT
from firstloop.core.evidence.task import Help, Kind
from firstloop.services import pad_work
from firstloop.services.checks_aside import Checks
from firstloop.services.pad_seats import InLesson
from firstloop.store.database import Database

router = APIRouter(prefix="/api/pad", tags=["pad"])


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


class MoveAgain(Answer):
    """A move of the letter that plays again."""

    stroke: int
    move: int


class StoredOut(Answer):
    """It is in the record. What is said to the child, and which move plays again, where the class
    wants its letters answered."""

    id: str
    stored: Literal[True] = True
    say: str | None
    replay: MoveAgain | None


LARGE = 100_000
"""Bytes: ten times a letter, and more than a sentence. It is looked at beside the others; and as no
pen writes 20 kB a second (240 points at 30 bytes make 7), no faster than that comes of one pad."""


@router.post(
    "/attempts",
    status_code=201,
    responses=FROM_A_PAD,
    openapi_extra=in_document(PadAttemptIn),
)
async def post_pad_attempt(  # noqa: PLR0917  # who hands in what
    record: Record,
    who: PadLate,
    now: Now,
    lines: InLine,
    checks: CheckedBy,
    request: Request,
    response: Response,
) -> StoredOut:
    """Keeps what was written, once; 200 where it came before. After the lesson's end what was
    written before is taken for a day. One at a time of a pad: another while it waits is 429."""
    with lines.handed_in.place(str(who.pad.id)):
        raw = await raw_body(request)
        is_large = len(raw) > LARGE
        if is_large:
            lines.large.take(str(who.pad.id), len(raw))
        stored, is_new = await lines.handed_in.do(
            partial(_receive, record, who, raw, now, checks), is_large=is_large
        )
    if not is_new:
        response.status_code = 200
    return stored


def _receive(
    record: Database, who: InLesson, raw: bytes, now: datetime, checks: Checks
) -> tuple[StoredOut, bool]:
    sent = read(PadAttemptIn, raw)
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
        checks,
    )
    replay = answer.replay
    again = None if replay is None else MoveAgain(stroke=replay[0], move=replay[1])
    return StoredOut(id=str(sent.id), say=answer.say, replay=again), answer.is_new


class BestIn(Sent):
    """The letter that its child likes best, by its id."""

    attempt: Annotated[str, Field(max_length=36, pattern=r"^[0-9a-fA-F-]{32,36}$")]


class BestOut(Answer):
    """The letter that was chosen."""

    attempt: str


@router.post("/best")
def post_best(record: Record, who: PadIn, now: Now, sent: BestIn) -> BestOut:
    """A child chooses its best letter, in place of another."""
    pad_work.choose_best(record, who, sent.attempt.lower(), now)
    return BestOut(attempt=sent.attempt)
