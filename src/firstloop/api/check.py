"""Check: the attempts of a letter spread out, and the teacher's word on each."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, Field

from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.sent import AskedId, Note, PathId, PathName, Sent, line
from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import find_script
from firstloop.services import judging, schemes
from firstloop.store import attempts, inks
from firstloop.store.attempts import Which
from firstloop.store.records import AttemptRecord, JudgementRecord

router = APIRouter(prefix="/api/check", tags=["check"])

After = Annotated[str, line(120)]
"""Where a page goes on: the `next` of the one before."""

A_TABLE, LARGEST_TABLE = 48, 200
"""Letters that lie on the table at once, and at most."""


class TaughtTogether(BaseModel):
    """A family, as large as the class takes them in one lesson."""

    name: str
    letters: list[str]


class AttemptPage(BaseModel):
    """Some attempts, the newest first; how many there are in all, and from where the next go on;
    and the family that the letter is taught in, if any."""

    family: TaughtTogether | None
    attempts: list[AttemptOut]
    total: int
    next: str | None


class JudgementIn(Sent):
    """The teacher's word: nothing but a plain yes, or what she sees otherwise."""

    direction: Verdict | None = None
    size: Verdict | None = None
    shape: Verdict | None = None
    note: Note = ""


class TableQuery(Sent):
    """Which attempts: of all children or one, all or of each child only the newest, all or only
    those that the teacher has not looked at, or with something to mend; and from where on."""

    pupil: AskedId | None = None
    newest: bool = False
    unjudged: bool = False
    to_mend: bool = False
    limit: Annotated[int, Field(ge=1, le=LARGEST_TABLE)] = A_TABLE
    after: After | None = None


@router.get("/letters/{letter}/attempts")
def get_attempts(
    session: Db,
    school_class: Class,
    letter: PathName,
    asked: Annotated[TableQuery, Query()],
) -> AttemptPage:
    """Attempts of a letter, the newest first."""
    find_script(letter, school_class.hand)
    which = Which(letter, asked.pupil, asked.newest, asked.unjudged, asked.to_mend)
    found = attempts.page(session, school_class.id, which, limit=asked.limit, after=asked.after)
    ink = inks.of(session, [one.id for one in found.attempts])
    family = schemes.find(session, school_class, school_class.scheme).family_of(letter)
    return AttemptPage(
        family=TaughtTogether(name=family.name, letters=list(family.letters)) if family else None,
        attempts=[attempt_out(one, ink.get(one.id, Ink(()))) for one in found.attempts],
        total=found.total,
        next=found.next,
    )


@router.put("/attempts/{attempt_id}/judgement")
def put_judgement(
    record: Record, school_class: Class, now: Now, attempt_id: PathId, said: JudgementIn
) -> AttemptOut:
    """Confirms or overrules the checker; both words are kept, the teacher's counts."""
    kept = judging.judge(record, school_class.id, attempt_id, judgement_from(said, now))
    return _out(record, kept)


@router.delete("/attempts/{attempt_id}/judgement")
def delete_judgement(record: Record, school_class: Class, attempt_id: PathId) -> AttemptOut:
    """Takes the teacher's word back."""
    return _out(record, judging.judge(record, school_class.id, attempt_id, None))


def judgement_from(said: JudgementIn, now: datetime) -> JudgementRecord:
    """The teacher's word as it is kept."""
    given = {dimension: getattr(said, dimension.value) for dimension in Dimension}
    verdicts = {dimension: verdict for dimension, verdict in given.items() if verdict}
    return JudgementRecord(made_at=now, verdicts=verdicts, note=said.note.strip())


def _out(record: Record, kept: AttemptRecord) -> AttemptOut:
    with record.session() as session:
        return attempt_out(kept, inks.of(session, [kept.id]).get(kept.id, Ink(())))
