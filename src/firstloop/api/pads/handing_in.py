"""What a pad hands in, and which letter its child likes best."""

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import AwareDatetime, BaseModel, Field, StrictBool

from firstloop.api.deps import (
    Now,
    PadIn,
    PadLate,
    Record,
)
from firstloop.api.ink import Strokes, ink_from
from firstloop.api.problems import HANDED_IN
from firstloop.api.sent import Id, Sent, digest_of, line
from firstloop.api.texts import LONGEST_TEXT
from firstloop.core.evidence.task import Help, Kind
from firstloop.services import pad_work

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
