"""The teacher's word on an attempt: it always wins over the checker, and both are kept."""

from firstloop.store import attempts, judging, standings
from firstloop.store.database import Database
from firstloop.store.records import AttemptRecord, JudgementRecord


def judge(
    record: Database, class_id: int, attempt_id: int, said: JudgementRecord | None
) -> AttemptRecord:
    """Sets the teacher's word in place of an earlier one; with None it is taken back, and the
    checker's stands again. Raises NotInRecordError."""
    with record.writing() as session:
        found = attempts.get(session, class_id, attempt_id).attempt
        if said is None:
            judging.withdraw(session, class_id, attempt_id)
        else:
            judging.keep(session, class_id, attempt_id, said)
        standings.recount(session, class_id, found.pupil_id, found.task.target)
        session.expire_all()
        return attempts.get(session, class_id, attempt_id)
