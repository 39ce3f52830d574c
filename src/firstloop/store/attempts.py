"""Attempts and judgements in and out of the record."""

from collections.abc import Sequence

from sqlalchemy import select
from sqlalchemy.orm import Session, joinedload, selectinload

from firstloop.core.checking.findings import DIMENSION_OF, Code, Dimension, Finding, Verdict
from firstloop.core.limits import Stage
from firstloop.core.ruling import Ruling
from firstloop.store import classes
from firstloop.store.ink_columns import columns_of, ink_from
from firstloop.store.models import Attempt, FindingRow, Judgement, Pupil
from firstloop.store.records import (
    AttemptRecord,
    Checked,
    Help,
    JudgementRecord,
    NewAttempt,
    NotInRecordError,
)


def add(session: Session, new: NewAttempt) -> AttemptRecord:
    """Keeps an attempt with its findings."""
    if session.get(Pupil, new.pupil_id) is None:
        raise NotInRecordError(f"there is no pupil {new.pupil_id} in the record")
    row = Attempt(
        pupil_id=new.pupil_id,
        letter=new.letter,
        hand=new.hand,
        stage=new.stage,
        ruling_top=new.ruling.top,
        ruling_drop=new.ruling.drop,
        help=new.help,
        written_at=new.written_at,
        ink=columns_of(new.ink),
    )
    _take_over(row, new.checked)
    session.add(row)
    session.flush()
    return _record(row)


def replace_check(session: Session, attempt_id: int, again: Checked) -> AttemptRecord:
    """Puts what a later checker says in place of what was said; the teacher's word stays."""
    row = _row(session, attempt_id)
    _take_over(row, again)
    session.flush()
    return _record(row)


def _take_over(row: Attempt, checked: Checked) -> None:
    """What the checker says, into the row."""
    row.reads_as, row.way = checked.reads_as, checked.way
    row.say, row.checker = checked.say, checked.checker
    row.findings = [_finding_row(at, finding) for at, finding in enumerate(checked.findings)]
    for dimension, verdict in checked.verdicts.items():
        setattr(row, dimension.value, verdict)


def of_class(
    session: Session, class_id: int, *, letters: Sequence[str] | None = None
) -> list[AttemptRecord]:
    """All attempts of a class, or those of some letters; the newest first."""
    query = (
        select(Attempt)
        .join(Attempt.pupil)
        .where(Pupil.class_id == class_id)
        .options(
            joinedload(Attempt.pupil),
            selectinload(Attempt.findings),
            selectinload(Attempt.judgement),
        )
        .order_by(Attempt.written_at.desc(), Attempt.id.desc())
    )
    if letters is not None:
        query = query.where(Attempt.letter.in_(letters))
    return [_record(row) for row in session.scalars(query)]


def get(session: Session, attempt_id: int) -> AttemptRecord:
    """One attempt; raises NotInRecordError."""
    return _record(_row(session, attempt_id))


def remove(session: Session, attempt_id: int) -> None:
    """Deletes an attempt with everything that was said of it."""
    session.delete(_row(session, attempt_id))


def judge(session: Session, attempt_id: int, judgement: JudgementRecord) -> AttemptRecord:
    """Sets the teacher's word on an attempt, in place of an earlier one."""
    row = _row(session, attempt_id)
    kept = row.judgement or Judgement(attempt_id=attempt_id)
    kept.made_at, kept.note = judgement.made_at, judgement.note
    for dimension in Dimension:
        setattr(kept, dimension.value, judgement.verdicts.get(dimension))
    row.judgement = kept
    session.flush()
    return _record(row)


def withdraw_judgement(session: Session, attempt_id: int) -> AttemptRecord:
    """Takes the teacher's word back; the checker's stands again."""
    row = _row(session, attempt_id)
    row.judgement = None
    session.flush()
    return _record(row)


def _row(session: Session, attempt_id: int) -> Attempt:
    row = session.get(Attempt, attempt_id)
    if row is None:
        raise NotInRecordError(f"there is no attempt {attempt_id} in the record")
    return row


def _record(row: Attempt) -> AttemptRecord:
    return AttemptRecord(
        id=row.id,
        pupil=classes.pupil_record(row.pupil),
        attempt=NewAttempt(
            pupil_id=row.pupil_id,
            letter=row.letter,
            hand=row.hand,
            stage=Stage(row.stage),
            ruling=Ruling(row.ruling_top, row.ruling_drop),
            help=Help(row.help),
            written_at=row.written_at,
            ink=ink_from(row.ink),
            checked=Checked(
                reads_as=row.reads_as,
                way=row.way,
                verdicts={dimension: Verdict(getattr(row, dimension)) for dimension in Dimension},
                findings=tuple(_finding(finding) for finding in row.findings),
                say=row.say,
                checker=row.checker,
            ),
        ),
        judgement=None if row.judgement is None else _judgement(row.judgement),
    )


def _judgement(row: Judgement) -> JudgementRecord:
    said = {dimension: getattr(row, dimension) for dimension in Dimension}
    verdicts = {dimension: Verdict(value) for dimension, value in said.items() if value}
    return JudgementRecord(row.made_at, verdicts, row.note)


def _finding_row(position: int, finding: Finding) -> FindingRow:
    return FindingRow(
        position=position,
        code=finding.code,
        severity=finding.severity,
        stroke=finding.stroke,
        move=finding.move,
        measure=finding.measure,
        limit=finding.limit,
        unit=finding.unit,
        note=finding.note,
        say=finding.say,
        other=finding.other,
    )


def _finding(row: FindingRow) -> Finding:
    code = Code(row.code)
    return Finding(
        code=code,
        dimension=DIMENSION_OF[code],
        severity=Verdict(row.severity),
        stroke=row.stroke,
        move=row.move,
        measure=row.measure,
        limit=row.limit,
        unit=row.unit,
        note=row.note,
        say=row.say,
        other=row.other,
    )
