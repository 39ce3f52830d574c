"""What children of a class had to mend lately, by letter and code, as her word has it: without what
she denied or set aside, with what she saw and the checker missed."""

from collections.abc import Collection
from datetime import UTC, date, datetime, time, timedelta

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


def days_of(  # noqa: PLR0917  # whose, when, of what
    session: Session,
    class_id: int,
    begin: date,
    end: date,
    pupil_ids: Collection[int],
    letters: Collection[str],
) -> set[tuple[int, str, str, date]]:
    """On which days which of some children of the class had what to mend in which of some letters,
    by the checker: child, letter, code, day."""
    rows = (
        select(Attempt.pupil_id, Attempt.letter, FindingRow.code, Attempt.day)
        .join(FindingRow, FindingRow.attempt_id == Attempt.id)
        .where(
            Attempt.pupil_id.in_(
                select(Pupil.id).where(Pupil.class_id == class_id, Pupil.id.in_(pupil_ids))
            ),
            Attempt.day.between(begin, end),
            Attempt.written_at.between(*_moments(begin, end)),
            Attempt.letter.in_(letters),
            FindingRow.severity == Verdict.NOT_YET.value,
        )
        .distinct()
    )
    return {(*row,) for row in session.connection().execute(rows)}


def _moments(begin: date, end: date) -> tuple[datetime, datetime]:
    """Within which days of wherever the school is lie; letters are found by their moment."""
    return (
        datetime.combine(begin, time.min, UTC) - timedelta(days=1),
        datetime.combine(end, time.max, UTC) + timedelta(days=1),
    )


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
