"""Write: what the pads hand in."""

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import Class, Now, Record
from firstloop.api.ink import Strokes, ink_from
from firstloop.core.evidence.task import Help
from firstloop.services import handing_in

router = APIRouter(prefix="/api/write", tags=["write"])


class AttemptIn(BaseModel):
    """One written letter."""

    pupil_id: int
    letter: str
    help: Help
    strokes: Strokes


@router.post("/attempts", status_code=201)
def post_attempt(record: Record, school_class: Class, now: Now, sent: AttemptIn) -> AttemptOut:
    """Checks a letter and keeps it with what there is to say."""
    ink = ink_from(sent.strokes)
    kept = handing_in.hand_in(
        record,
        school_class,
        pupil_id=sent.pupil_id,
        letter=sent.letter,
        help=sent.help,
        ink=ink,
        written_at=now,
    )
    return attempt_out(kept, ink)


@router.delete("/attempts/{attempt_id}", status_code=204)
def take_back(record: Record, school_class: Class, attempt_id: int) -> None:
    """Takes an attempt out of the record, with everything that was said of it."""
    handing_in.take_back(record, school_class.id, attempt_id)
