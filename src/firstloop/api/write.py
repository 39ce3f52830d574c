"""Write: what the pads hand in."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from firstloop.api.deps import Class, Db, Now
from firstloop.api.shared import AttemptOut, attempt_out
from firstloop.core.errors import InkError
from firstloop.core.ink import MAX_POINTS, Ink, Stroke
from firstloop.store import attempts
from firstloop.store.handing_in import hand_in
from firstloop.store.records import Help

router = APIRouter(prefix="/api/write", tags=["write"])

Samples = Annotated[list[float], Field(max_length=MAX_POINTS)]


class StrokeIn(BaseModel):
    """One pen-down, as columns: x and y in u (y up, base line 0), t in seconds, f 0 to 1."""

    x: Samples
    y: Samples
    t: Samples | None = None
    f: Samples | None = None


class AttemptIn(BaseModel):
    """One written letter."""

    pupil_id: int
    letter: str
    help: Help
    strokes: Annotated[list[StrokeIn], Field(max_length=200)]


@router.post("/attempts", status_code=201)
def post_attempt(session: Db, school_class: Class, now: Now, sent: AttemptIn) -> AttemptOut:
    """Checks a letter and keeps it with what there is to say."""
    record = hand_in(
        session,
        school_class,
        pupil_id=sent.pupil_id,
        letter=sent.letter,
        help=sent.help,
        ink=Ink(tuple(_stroke(stroke) for stroke in sent.strokes)),
        written_at=now,
    )
    return attempt_out(record)


def _stroke(sent: StrokeIn) -> Stroke:
    if len(sent.x) != len(sent.y):
        raise InkError(f"a stroke has {len(sent.x)} x but {len(sent.y)} y; every point needs both")
    return Stroke.of(list(zip(sent.x, sent.y, strict=True)), sent.t, sent.f)


@router.delete("/attempts/{attempt_id}", status_code=204)
def take_back(session: Db, attempt_id: int) -> None:
    """Takes an attempt out of the record, with everything that was said of it."""
    attempts.remove(session, attempt_id)
