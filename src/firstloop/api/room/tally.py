"""The tally: what the teacher's eye saw on paper and whiteboards."""

from typing import Annotated

from fastapi import APIRouter, Query

from firstloop.api.answer import Answer
from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import Class, Now, Record
from firstloop.api.drawings import Picture, picture
from firstloop.api.sent import LONGEST_NAME, Id, Key, Sent, line
from firstloop.core.checking.say.by_eye import ROUGHLY
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import find_script
from firstloop.core.letters.slips import shown_slips
from firstloop.services import tally as tallying

router = APIRouter(prefix="/api/write", tags=["write"])


class SlipSeen(Answer):
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
    kept = tallying.keep(
        record,
        school_class,
        pupil_id=sent.pupil_id,
        letter=sent.letter,
        seen=sent.seen,
        now=now,
    )
    return attempt_out(kept, Ink(()), doubts=())
