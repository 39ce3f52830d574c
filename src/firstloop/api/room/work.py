"""What children handed in, as the teacher is told of it while they write."""

import json
from datetime import datetime
from functools import lru_cache

from firstloop.api.answer import Answer
from firstloop.api.attempts import Verdicts
from firstloop.api.drawings import Picture
from firstloop.api.who import Who, who_out
from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help, Kind
from firstloop.services.looking import Seen
from firstloop.store.records import PupilRecord


class WorkTold(Answer):
    """Something handed in: by its sender's id, by whom, what, with how much help; what is held to
    be true of it (null of what was struck through), the one thing to say, what is to be mended, and
    as it looks. `judged` false: the checker failed on it, and a later version will judge it."""

    id: str
    who: Who
    letter: str
    kind: Kind
    help: Help
    verdict: Verdicts | None
    say: str | None
    to_mend: list[Code]
    picture: Picture
    struck: bool
    judged: bool
    best: bool
    at: datetime | None
    attempt_id: int | None
    text_id: int | None


# The newest letters of a class are asked for with each that comes: they are read once.
@lru_cache(maxsize=512)
def _picture(text: str, strokes: str) -> Picture:
    return Picture.model_validate({"text": text, "strokes": json.loads(strokes)})


def work_told(seen: Seen, pupil: PupilRecord) -> WorkTold:
    """Something handed in, to be told."""
    work = seen.work
    kind, target, help = work.task or (Kind.LETTER, "", Help.COPY)
    return WorkTold(
        id=work.id,
        who=who_out(pupil),
        letter=target,
        kind=kind,
        help=help,
        verdict=Verdicts.model_validate(seen.verdicts) if seen.verdicts else None,
        say=seen.say or None,
        to_mend=[Code(one) for one in seen.to_mend],
        picture=_picture(target, work.picture),
        struck=work.is_struck,
        judged=seen.is_judged,
        best=work.is_best,
        at=work.came_at,
        attempt_id=work.attempt_id,
        text_id=work.text_id,
    )
