"""Write: what the pads hand in."""

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.deps import Class, Db, Now
from firstloop.api.shared import AttemptOut, StrokesIn, attempt_out, ink_from
from firstloop.store import attempts
from firstloop.store.handing_in import hand_in
from firstloop.store.records import Help

router = APIRouter(prefix="/api/write", tags=["write"])


class AttemptIn(BaseModel):
    """One written letter."""

    pupil_id: int
    letter: str
    help: Help
    strokes: StrokesIn


@router.post("/attempts", status_code=201)
def post_attempt(session: Db, school_class: Class, now: Now, sent: AttemptIn) -> AttemptOut:
    """Checks a letter and keeps it with what there is to say."""
    record = hand_in(
        session,
        school_class,
        pupil_id=sent.pupil_id,
        letter=sent.letter,
        help=sent.help,
        ink=ink_from(sent.strokes),
        written_at=now,
    )
    return attempt_out(record)


@router.delete("/attempts/{attempt_id}", status_code=204)
def take_back(session: Db, attempt_id: int) -> None:
    """Takes an attempt out of the record, with everything that was said of it."""
    attempts.remove(session, attempt_id)
