"""What children of a class had to mend lately, by letter and code."""

from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from firstloop.core.contract import Verdict
from firstloop.core.teaching.habits import Slipped
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.findings import FindingRow
from firstloop.store.pupils import Pupil


def since(session: Session, class_id: int, moment: datetime) -> list[Slipped]:
    """Each child's letters that had something to mend since a moment, each code once."""
    rows = session.execute(
        select(FindingRow.code, Attempt.letter, Attempt.pupil_id)
        .join(Attempt, Attempt.id == FindingRow.attempt_id)
        .join(Pupil, Pupil.id == Attempt.pupil_id)
        .where(
            Pupil.class_id == class_id,
            Attempt.written_at >= moment,
            FindingRow.severity == Verdict.NOT_YET.value,
        )
        .distinct()
    )
    known = [(upgrades.code(code), letter, pupil_id) for code, letter, pupil_id in rows]
    return [Slipped(code, letter, pupil_id) for code, letter, pupil_id in known if code]
