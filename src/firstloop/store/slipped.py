"""What children of a class had to mend lately, by letter and code, as her word has it: without what
she denied or set aside, with what she saw and the checker missed."""

from datetime import date, datetime

from sqlalchemy import ColumnElement, Select, and_, or_, select, union
from sqlalchemy.orm import Session

from firstloop.core.contract import Verdict
from firstloop.core.judging.word import OnFinding
from firstloop.core.teaching.habits import Slipped
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.findings import FindingRow
from firstloop.store.judgements import JudgedFinding, Judgement
from firstloop.store.pupils import Pupil

_HER_WORD = and_(Judgement.attempt_id == Attempt.id, Judgement.counts)


def since(session: Session, class_id: int, moment: datetime) -> list[Slipped]:
    """Each child's letters that had something to mend since a moment, each code once."""
    return _slipped(session, and_(Pupil.class_id == class_id, Attempt.written_at >= moment))


def between(session: Session, class_id: int, begin: date, end: date) -> list[Slipped]:
    """The same of the days from one to another."""
    return _slipped(session, and_(Pupil.class_id == class_id, Attempt.day.between(begin, end)))


def _slipped(session: Session, of_class: ColumnElement[bool]) -> list[Slipped]:
    known = [
        (upgrades.code(code), letter, pupil_id)
        for code, letter, pupil_id in session.execute(
            union(_found().where(of_class), _missed().where(of_class))
        )
    ]
    return [Slipped(code, letter, pupil_id) for code, letter, pupil_id in known if code]


def days_of(
    session: Session, class_id: int, begin: date, end: date
) -> set[tuple[int, str, str, date]]:
    """On which days which child had what to mend in which letter, by the checker: child, letter,
    code, day."""
    rows = (
        select(Attempt.pupil_id, Attempt.letter, FindingRow.code, Attempt.day)
        .join(FindingRow, FindingRow.attempt_id == Attempt.id)
        .where(
            Attempt.pupil_id.in_(select(Pupil.id).where(Pupil.class_id == class_id)),
            Attempt.day.between(begin, end),
            FindingRow.severity == Verdict.NOT_YET.value,
        )
        .distinct()
    )
    return {(pupil_id, letter, code, day) for pupil_id, letter, code, day in session.execute(rows)}


def _found() -> Select[str, str, int]:
    """What the checker found to mend, and she did not deny."""
    denied = and_(
        JudgedFinding.judgement_id == Judgement.id,
        JudgedFinding.code == FindingRow.code,
        JudgedFinding.said == OnFinding.NOT_SO.value,
    )
    return (
        select(FindingRow.code, Attempt.letter, Attempt.pupil_id)
        .join(Attempt, Attempt.id == FindingRow.attempt_id)
        .join(Pupil, Pupil.id == Attempt.pupil_id)
        .outerjoin(Judgement, _HER_WORD)
        .outerjoin(JudgedFinding, denied)
        .where(
            FindingRow.severity == Verdict.NOT_YET.value,
            JudgedFinding.code.is_(None),
            or_(Judgement.id.is_(None), ~Judgement.set_aside),
        )
    )


def _missed() -> Select[str, str, int]:
    """What she saw besides."""
    return (
        select(JudgedFinding.code, Attempt.letter, Attempt.pupil_id)
        .join(Judgement, Judgement.id == JudgedFinding.judgement_id)
        .join(Attempt, _HER_WORD)
        .join(Pupil, Pupil.id == Attempt.pupil_id)
        .where(JudgedFinding.said == OnFinding.MISSED.value)
    )
