"""Write: what the pads hand in."""

from fastapi import APIRouter, Response

from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import Class, Doubts, Now, Record
from firstloop.api.ink import Strokes, ink_from
from firstloop.api.problems import HANDED_IN
from firstloop.api.sent import HandedIn, Id, Key, PathId
from firstloop.core.evidence.task import Help
from firstloop.services import handing_in

router = APIRouter(prefix="/api/write", tags=["write"])


class AttemptIn(HandedIn):
    """One written letter."""

    pupil_id: Id
    letter: Key
    help: Help
    strokes: Strokes


@router.post("/attempts", status_code=201, responses=HANDED_IN)
def post_attempt(  # noqa: PLR0917  # what is sent, by whom, when, to what record
    record: Record,
    school_class: Class,
    now: Now,
    doubts: Doubts,
    sent: AttemptIn,
    response: Response,
) -> AttemptOut:
    """Checks a letter and keeps it with what there is to say; 200 where it came before."""
    ink = ink_from(sent.strokes)
    kept, is_new = handing_in.hand_in(
        record,
        school_class,
        pupil_id=sent.pupil_id,
        letter=sent.letter,
        help=sent.help,
        ink=ink,
        written_at=now,
        delivery=sent.delivery(),
    )
    if not is_new:
        response.status_code = 200
    return attempt_out(kept, ink, doubts)


@router.delete("/attempts/{attempt_id}", status_code=204)
def take_back(record: Record, school_class: Class, attempt_id: PathId) -> None:
    """Takes an attempt out of the record, with everything that was said of it."""
    handing_in.take_back(record, school_class.id, attempt_id)
