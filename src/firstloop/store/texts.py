"""Rows, words and sentences in and out of the record, always of one class. Each letter that says
something of how it is written is an attempt as well (`attempts`), which hangs on its text."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, Index, Select, select
from sqlalchemy.orm import (
    Mapped,
    Session,
    foreign,
    joinedload,
    mapped_column,
    relationship,
    selectinload,
)

from firstloop.core.contract import Stage
from firstloop.core.evidence.task import Handedness, Help, Kind, Source, Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.formats.ink_json import ink_from, strokes_of
from firstloop.store import judged_hands, pupils, text_seen, upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.judged_hands import JudgedHand
from firstloop.store.judgements import Judgement, judgement_from
from firstloop.store.pupils import Pupil
from firstloop.store.records import (
    NewText,
    NotInRecordError,
    TextRecord,
)


class WrittenText(Base):
    """Something longer than a letter: what was asked for, how it is known, by which hand and on
    which lines it was judged, its ink, and the checker's answer in the words of the contract."""

    __tablename__ = "written_text"
    __table_args__ = (
        Index("ix_written_text_pupil_id_written_at", "pupil_id", "written_at"),
        Index("ix_written_text_pupil_id_day", "pupil_id", "day"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"))
    kind: Mapped[str]
    target: Mapped[str]
    source: Mapped[str]
    help: Mapped[str]
    hand_id: Mapped[int] = mapped_column(ForeignKey("judged_hand.id"), index=True)
    stage: Mapped[str]
    handedness: Mapped[str | None]
    may_stand_open: Mapped[bool]
    open_pairs: Mapped[list[str]] = mapped_column(JSON)
    ruling_top: Mapped[float]
    ruling_drop: Mapped[float]
    written_at: Mapped[datetime] = mapped_column(UtcDateTime)
    day: Mapped[date]
    checker: Mapped[str]
    answer: Mapped[dict[str, Any]] = mapped_column(JSON)
    strokes: Mapped[list[dict[str, Any]]] = mapped_column(JSON)
    pupil: Mapped[Pupil] = relationship()
    hand: Mapped[JudgedHand] = relationship()
    judgement: Mapped[Judgement | None] = relationship(
        primaryjoin=lambda: (WrittenText.id == foreign(Judgement.text_id)) & Judgement.counts,
        uselist=False,
        viewonly=True,
    )


def add(session: Session, class_id: int, new: NewText) -> int:
    """Keeps a text; its id. Raises NotInRecordError for a child of another class."""
    pupils.get(session, class_id, new.pupil_id)
    row = WrittenText(
        pupil_id=new.pupil_id,
        kind=new.task.kind.value,
        target=new.task.target,
        source=new.source.value,
        help=new.help.value,
        hand_id=judged_hands.keep(session, class_id, new.style),
        stage=new.task.stage.value,
        handedness=new.task.handedness.value,
        may_stand_open=new.task.may_stand_open,
        open_pairs=sorted(new.task.open_pairs),
        ruling_top=new.ruling.top,
        ruling_drop=new.ruling.drop,
        written_at=new.written_at,
        day=new.day,
        checker=new.checker,
        answer=new.answer,
        strokes=strokes_of(new.ink),
    )
    session.add(row)
    session.flush()
    text_seen.keep(session, row.id, new.answer)
    return row.id


def get(session: Session, class_id: int, text_id: int) -> TextRecord:
    """One text; raises NotInRecordError."""
    return _records(session, [row_in(session, class_id, text_id)])[0]


def some(session: Session, class_id: int, ids: Sequence[int]) -> list[TextRecord]:
    """Texts of a class by their ids, in no order."""
    rows = session.scalars(
        select(WrittenText)
        .join(WrittenText.pupil)
        .options(
            joinedload(WrittenText.pupil),
            joinedload(WrittenText.hand),
            selectinload(WrittenText.judgement),
        )
        .where(Pupil.class_id == class_id, WrittenText.id.in_(ids))
    )
    return _records(session, rows.all())


def remove(session: Session, class_id: int, text_id: int) -> None:
    """Deletes a text with its letters and everything that was said of them; raises
    NotInRecordError."""
    session.delete(row_in(session, class_id, text_id))
    session.flush()


@dataclass(frozen=True, slots=True)
class AnsweredBy:
    """By which checker a text was answered, and by which hand, if it is another than before."""

    checker: str
    style: Style | None = None


def answered_again(
    session: Session, class_id: int, text_id: int, answer: dict[str, Any], by: AnsweredBy
) -> None:
    """Puts what a later checker says in place of what was said, by another hand if that was asked
    of; the teacher's word stays."""
    row, checker = row_in(session, class_id, text_id), by.checker
    if by.style is not None:
        row.hand_id = judged_hands.keep(session, class_id, by.style)
    row.answer, row.checker = answer, checker
    session.flush()
    text_seen.keep(session, text_id, answer)


def not_checked_by(session: Session, class_id: int, checker: str) -> list[int]:
    """The texts of a class that another checker has judged, the oldest first."""
    rows = _of_class(class_id).where(WrittenText.checker != checker).order_by(WrittenText.id)
    return list(session.scalars(rows))


def in_another_hand(session: Session, class_id: int, style: Style) -> list[int]:
    """The texts of a class that were judged by another hand than this, or by it as it was; the
    oldest first."""
    rows = (
        _of_class(class_id)
        .where(WrittenText.hand_id != judged_hands.keep(session, class_id, style))
        .order_by(WrittenText.id)
    )
    return list(session.scalars(rows))


def failed_on(session: Session, class_id: int, mark: str, but: str) -> list[int]:
    """The texts of a class that a checker failed on, whose version stands behind the mark; but for
    one version."""
    rows = _of_class(class_id).where(
        WrittenText.checker.startswith(mark, autoescape=True), WrittenText.checker != mark + but
    )
    return list(session.scalars(rows.order_by(WrittenText.id)))


def row_in(session: Session, class_id: int, text_id: int) -> WrittenText:
    """The row of a text of a class, for the tables that hang on it; raises NotInRecordError."""
    row = session.get(WrittenText, text_id)
    if row is None or row.pupil.class_id != class_id:
        raise NotInRecordError(f"there is no text {text_id} in the class")
    return row


def _of_class(class_id: int) -> Select[int]:
    pupils_of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    return select(WrittenText.id).where(WrittenText.pupil_id.in_(pupils_of_class))


def _records(session: Session, rows: Sequence[WrittenText]) -> list[TextRecord]:
    letters: dict[int, dict[int, int]] = {row.id: {} for row in rows}
    found = select(Attempt.text_id, Attempt.place, Attempt.id).where(Attempt.text_id.in_(letters))
    for text_id, place, attempt_id in session.execute(found):
        if text_id is not None and place is not None:
            letters[text_id][place] = attempt_id
    return [_record(row, letters[row.id]) for row in rows]


def _record(row: WrittenText, letters: dict[int, int]) -> TextRecord:
    task = Task(
        row.target,
        Kind(row.kind),
        Handedness(row.handedness or row.pupil.handedness),
        Stage(row.stage),
        may_stand_open=row.may_stand_open,
        open_pairs=frozenset(row.open_pairs),
    )
    return TextRecord(
        id=row.id,
        pupil=pupils.record_of(row.pupil),
        text=NewText(
            pupil_id=row.pupil_id,
            task=task,
            source=Source(row.source),
            help=Help(row.help),
            style=judged_hands.style_from(row.hand.style),
            ruling=Ruling(row.ruling_top, row.ruling_drop),
            written_at=row.written_at,
            day=row.day,
            checker=row.checker,
            answer=upgrades.answer(row.answer),
            ink=ink_from(row.strokes),
        ),
        attempts=letters,
        judgement=None if row.judgement is None else judgement_from(row.judgement),
    )
