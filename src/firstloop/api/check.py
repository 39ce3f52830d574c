"""Check: the attempts of a letter spread out, and the teacher's word on each."""

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.deps import Class, Db, Now
from firstloop.api.shared import AttemptOut, attempt_out
from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.letterforms import find_script
from firstloop.store import attempts
from firstloop.store.records import JudgementRecord

router = APIRouter(prefix="/api/check", tags=["check"])


class JudgementIn(BaseModel):
    """The teacher's word: nothing but a plain yes, or what she sees otherwise."""

    direction: Verdict | None = None
    size: Verdict | None = None
    shape: Verdict | None = None
    note: str = ""


@router.get("/letters/{letter}/attempts")
def get_attempts(session: Db, school_class: Class, letter: str) -> list[AttemptOut]:
    """All attempts of a letter, the newest first."""
    find_script(letter, school_class.hand)
    return [
        attempt_out(record)
        for record in attempts.of_class(session, school_class.id, letters=[letter])
    ]


@router.put("/attempts/{attempt_id}/judgement")
def put_judgement(session: Db, now: Now, attempt_id: int, said: JudgementIn) -> AttemptOut:
    """Confirms or overrules the checker; both words are kept, the teacher's counts."""
    given = {dimension: getattr(said, dimension.value) for dimension in Dimension}
    verdicts = {dimension: verdict for dimension, verdict in given.items() if verdict}
    judgement = JudgementRecord(made_at=now, verdicts=verdicts, note=said.note.strip())
    return attempt_out(attempts.judge(session, attempt_id, judgement))


@router.delete("/attempts/{attempt_id}/judgement")
def delete_judgement(session: Db, attempt_id: int) -> AttemptOut:
    """Takes the teacher's word back."""
    return attempt_out(attempts.withdraw_judgement(session, attempt_id))
