"""Attempts in and out of the record, always of one class; their ink is in a table of its own."""

from collections.abc import Iterable, Sequence
from datetime import date, datetime
from typing import Any

from sqlalchemy import ForeignKey, Index, Select, func, insert, select
from sqlalchemy.orm import (
    Mapped,
    Session,
    foreign,
    joinedload,
    mapped_column,
    relationship,
    selectinload,
)

from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Dimension, Stage, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Kind, Source, Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.store import inks, judged_hands, pupils
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.findings import FindingRow, columns_of, finding_from
from firstloop.store.judged_hands import JudgedHand
from firstloop.store.judgements import Judgement, judgement_from
from firstloop.store.pupils import Pupil
from firstloop.store.records import (
    AttemptRecord,
    Checked,
    InText,
    NewAttempt,
    NotInRecordError,
)


class Attempt(Base):
    """Something written: what was asked for, how it is known, by which hand and on which lines it
    was judged, and what the checker said of it. `day` is the school's own."""

    __tablename__ = "attempt"
    __table_args__ = (
        Index("ix_attempt_letter_written_at", "letter", "written_at"),
        Index("ix_attempt_written_at", "written_at"),
        Index("ix_attempt_pupil_id_letter_written_at", "pupil_id", "letter", "written_at"),
        Index("ix_attempt_pupil_id_day_letter", "pupil_id", "day", "letter"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"))
    letter: Mapped[str]
    kind: Mapped[str] = mapped_column(server_default="letter")
    source: Mapped[str] = mapped_column(server_default="pen")
    help: Mapped[str]
    hand_id: Mapped[int] = mapped_column(ForeignKey("judged_hand.id"), index=True)
    stage: Mapped[str] = mapped_column(server_default="developing")
    handedness: Mapped[str | None]
    ruling_top: Mapped[float]
    ruling_drop: Mapped[float]
    written_at: Mapped[datetime] = mapped_column(UtcDateTime)
    day: Mapped[date]
    reads_as: Mapped[str | None]
    way: Mapped[str]
    direction: Mapped[str]
    size: Mapped[str]
    shape: Mapped[str]
    say: Mapped[str]
    checker: Mapped[str]
    text_id: Mapped[int | None] = mapped_column(
        ForeignKey("written_text.id", ondelete="CASCADE"), index=True
    )
    place: Mapped[int | None]
    pupil: Mapped[Pupil] = relationship()
    hand: Mapped[JudgedHand] = relationship()
    findings: Mapped[list[FindingRow]] = relationship(
        cascade="all, delete-orphan", order_by="FindingRow.position"
    )
    judgement: Mapped[Judgement | None] = relationship(
        primaryjoin=lambda: (Attempt.id == foreign(Judgement.attempt_id)) & Judgement.counts,
        uselist=False,
        viewonly=True,
    )


# Built once: to build such a statement takes longer than to run it.
_ADD = insert(Attempt).returning(Attempt.id)
_ADD_FINDINGS = insert(FindingRow)


def add(session: Session, class_id: int, new: NewAttempt, ink: Ink) -> int:
    """Keeps an attempt with its findings and ink; its id. Raises NotInRecordError for a child of
    another class.

    Row by row and past the mapper: a class hands in at once, and all wait for who writes.
    """
    pupils.get(session, class_id, new.pupil_id)
    hand_id = judged_hands.keep(session, class_id, new.style)
    connection = session.connection()
    row = {**_columns(new, hand_id), **_checked_columns(new.checked)}
    attempt_id = connection.execute(_ADD, row).scalar_one()
    found = [
        {"attempt_id": attempt_id, **columns_of(place, finding)}
        for place, finding in enumerate(new.checked.findings)
    ]
    if found:
        connection.execute(_ADD_FINDINGS, found)
    inks.add(session, attempt_id, ink)
    return attempt_id


def add_many(session: Session, class_id: int, new: Iterable[tuple[NewAttempt, Ink]]) -> int:
    """Keeps many attempts with their ink at once; how many. The children are the class's: that is
    not looked at one by one, nor is anything counted that is kept up. Standings are to be rebuilt.
    """
    known = list(new)
    first_id = (session.scalar(select(func.max(Attempt.id))) or 0) + 1
    styles = {one.style for one, _ in known}
    hands = {style: judged_hands.keep(session, class_id, style) for style in styles}
    rows, found = [], []
    for at, (one, _) in enumerate(known, start=first_id):
        rows.append({"id": at, **_columns(one, hands[one.style]), **_checked_columns(one.checked)})
        found += [
            {"attempt_id": at, **columns_of(place, finding)}
            for place, finding in enumerate(one.checked.findings)
        ]
    if rows:
        session.execute(insert(Attempt), rows)
    inks.add_many(session, ((at, ink) for at, (_, ink) in enumerate(known, start=first_id)))
    if found:
        session.execute(insert(FindingRow), found)
    return len(rows)


def replace_check(
    session: Session, class_id: int, attempt_id: int, again: Checked, style: Style | None = None
) -> AttemptRecord:
    """Puts what a later checker says in place of what was said, by another hand if that was asked
    of; the teacher's word stays."""
    row = row_in(session, class_id, attempt_id)
    if style is not None:
        row.hand_id = judged_hands.keep(session, class_id, style)
    _take_over(row, again)
    session.flush()
    return _record(row)


def get(session: Session, class_id: int, attempt_id: int) -> AttemptRecord:
    """One attempt; raises NotInRecordError."""
    return _record(row_in(session, class_id, attempt_id))


def remove(session: Session, class_id: int, attempt_id: int) -> None:
    """Deletes an attempt with everything that was said of it; raises NotInRecordError."""
    session.delete(row_in(session, class_id, attempt_id))
    session.flush()


def first_days(session: Session, class_id: int) -> dict[int, date]:
    """The first day on which each child of a class wrote anything; of who wrote nothing, none."""
    # A look into the index for each child: a minimum over all of them reads all that was written.
    first = select(func.min(Attempt.day)).where(Attempt.pupil_id == Pupil.id).scalar_subquery()
    rows = session.execute(select(Pupil.id, first).where(Pupil.class_id == class_id))
    return {pupil_id: day for pupil_id, day in rows if day is not None}


def newest(session: Session, class_id: int, most: int) -> list[int]:
    """The newest attempts of a class, at most so many, the newest first."""
    return list(session.scalars(_of_class(class_id).order_by(Attempt.id.desc()).limit(most)))


def not_checked_by(session: Session, class_id: int, checker: str) -> list[int]:
    """The attempts of a class that another checker has judged, the oldest first; letters of a text
    are checked with it, and what an eye saw by nobody."""
    rows = (
        _of_class(class_id)
        .where(
            Attempt.checker != checker,
            Attempt.text_id.is_(None),
            Attempt.source != Source.EYE.value,
        )
        .order_by(Attempt.id)
    )
    return list(session.scalars(rows))


def in_another_hand(session: Session, class_id: int, style: Style) -> list[int]:
    """The attempts of a class that were judged by another hand than this, or by it as it was; those
    of a text and what an eye saw left out; the oldest first."""
    rows = (
        _of_class(class_id)
        .where(
            Attempt.hand_id != judged_hands.keep(session, class_id, style),
            Attempt.text_id.is_(None),
            Attempt.source != Source.EYE.value,
        )
        .order_by(Attempt.id)
    )
    return list(session.scalars(rows))


def failed_on(session: Session, class_id: int, mark: str, but: str) -> list[int]:
    """The attempts of a class that a checker failed on, whose version stands behind the mark; but
    for one version."""
    rows = _of_class(class_id).where(
        Attempt.checker.startswith(mark, autoescape=True), Attempt.checker != mark + but
    )
    return list(session.scalars(rows.order_by(Attempt.id)))


def some(session: Session, class_id: int, ids: Sequence[int]) -> list[AttemptRecord]:
    """Attempts of a class by their ids, in no order."""
    return [
        _record(row)
        for row in session.scalars(
            _whole().join(Attempt.pupil).where(Pupil.class_id == class_id, Attempt.id.in_(ids))
        )
    ]


def row_in(session: Session, class_id: int, attempt_id: int) -> Attempt:
    """The row of an attempt of a class, for the tables that hang on it; raises NotInRecordError."""
    row = session.get(Attempt, attempt_id)
    if row is None or row.pupil.class_id != class_id:
        raise NotInRecordError(f"there is no attempt {attempt_id} in the class")
    return row


def _of_class(class_id: int) -> Select[int]:
    pupils_of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    return select(Attempt.id).where(Attempt.pupil_id.in_(pupils_of_class))


def _whole() -> Select[Attempt]:
    return select(Attempt).options(
        joinedload(Attempt.pupil),
        joinedload(Attempt.hand),
        selectinload(Attempt.findings),
        selectinload(Attempt.judgement),
    )


def _columns(new: NewAttempt, hand_id: int) -> dict[str, Any]:
    """What was asked for and how it is known, as columns."""
    return {
        "pupil_id": new.pupil_id,
        "letter": new.task.target,
        "kind": new.task.kind.value,
        "source": new.source.value,
        "help": new.help.value,
        "hand_id": hand_id,
        "stage": new.task.stage.value,
        "handedness": new.task.handedness.value,
        "ruling_top": new.ruling.top,
        "ruling_drop": new.ruling.drop,
        "written_at": new.written_at,
        "day": new.day,
        "text_id": new.within.text_id if new.within else None,
        "place": new.within.place if new.within else None,
    }


def _checked_columns(checked: Checked) -> dict[str, Any]:
    """What the checker says, as columns; its findings have rows of their own."""
    return {
        "reads_as": checked.reads_as,
        "way": checked.way,
        "say": checked.say,
        "checker": checked.checker,
        **{dimension.value: verdict.value for dimension, verdict in checked.verdicts.items()},
    }


def _take_over(row: Attempt, checked: Checked) -> None:
    """What the checker says, into the row."""
    for name, value in _checked_columns(checked).items():
        setattr(row, name, value)
    row.findings = [
        FindingRow(**columns_of(at, finding)) for at, finding in enumerate(checked.findings)
    ]


def _record(row: Attempt) -> AttemptRecord:
    # An attempt from before it was kept was written by the hand that the child writes with now.
    handedness = Handedness(row.handedness or row.pupil.handedness)
    return AttemptRecord(
        id=row.id,
        pupil=pupils.record_of(row.pupil),
        attempt=NewAttempt(
            pupil_id=row.pupil_id,
            task=Task(row.letter, Kind(row.kind), handedness, Stage(row.stage)),
            source=Source(row.source),
            help=Help(row.help),
            style=judged_hands.style_from(row.hand.style),
            ruling=Ruling(row.ruling_top, row.ruling_drop),
            written_at=row.written_at,
            day=row.day,
            checked=Checked(
                reads_as=row.reads_as,
                way=row.way,
                verdicts={dimension: Verdict(getattr(row, dimension)) for dimension in Dimension},
                findings=tuple(_known(finding_from(finding) for finding in row.findings)),
                say=row.say,
                checker=row.checker,
            ),
            within=_within(row),
        ),
        judgement=None if row.judgement is None else judgement_from(row.judgement),
    )


def _within(row: Attempt) -> InText | None:
    if row.text_id is None or row.place is None:
        return None
    return InText(row.text_id, row.place)


def _known(values: Iterable[Finding | None]) -> Iterable[Finding]:
    return (value for value in values if value is not None)
