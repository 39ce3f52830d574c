"""The teacher's word on an attempt, into the record and out of it."""

from firstloop.core.contract import Dimension
from firstloop.store import attempts
from firstloop.store.database import Session
from firstloop.store.judgements import Judgement
from firstloop.store.records import JudgementRecord


def keep(session: Session, class_id: int, attempt_id: int, judgement: JudgementRecord) -> None:
    """Sets the teacher's word on an attempt; raises NotInRecordError."""
    attempts.row_in(session, class_id, attempt_id)
    session.merge(
        Judgement(
            attempt_id=attempt_id,
            made_at=judgement.made_at,
            note=judgement.note,
            **{one.value: judgement.verdicts.get(one) for one in Dimension},
        )
    )
    session.flush()


def withdraw(session: Session, class_id: int, attempt_id: int) -> None:
    """Takes the teacher's word back; the checker's stands again. Raises NotInRecordError."""
    attempts.row_in(session, class_id, attempt_id)
    row = session.get(Judgement, attempt_id)
    if row is not None:
        session.delete(row)
        session.flush()
