"""On which days a class wrote which letters: what brings taught letters back when they are due.

A day is the school's own. The rows are few (a letter a day), and kept up as attempts come and go.
"""

from collections import defaultdict
from datetime import date, datetime
from itertools import pairwise

from sqlalchemy import ForeignKey, delete, func, insert, select
from sqlalchemy.dialects.sqlite import insert as insert_or_update
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.evidence.task import Kind, Source
from firstloop.store.attempts import Attempt
from firstloop.store.base import Base
from firstloop.store.judgements import Judgement
from firstloop.store.pupils import Pupil


class PracticeDay(Base):
    """A day on which a class wrote a letter, and how often it did."""

    __tablename__ = "practice_day"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    letter: Mapped[str] = mapped_column(primary_key=True)
    day: Mapped[date] = mapped_column(primary_key=True)
    attempts: Mapped[int]


_IS_A_LETTER = Attempt.id.not_in(
    select(Judgement.attempt_id).where(
        Judgement.set_aside, Judgement.counts, Judgement.attempt_id.is_not(None)
    )
)
"""What she set aside is nobody's letter."""

_NEW = insert_or_update(PracticeDay)
_COUNT = _NEW.on_conflict_do_update(
    index_elements=["class_id", "letter", "day"],
    set_={"attempts": PracticeDay.attempts + _NEW.excluded.attempts},
)


def add(session: Session, class_id: int, letter: str, day: date, count: int = 1) -> None:
    """Counts attempts of a day; with a negative number those that were taken out."""
    connection = session.connection()
    row = {"class_id": class_id, "letter": letter, "day": day, "attempts": count}
    connection.execute(_COUNT, row)
    if count < 0:
        connection.execute(delete(PracticeDay).where(PracticeDay.attempts <= 0))


def without_pupil(session: Session, class_id: int, pupil_id: int) -> None:
    """Takes out what a child wrote, before the child is deleted or moves to another class."""
    for letter, day, count in _wrote(session, pupil_id):
        add(session, class_id, letter, day, -count)


def with_pupil(session: Session, class_id: int, pupil_id: int) -> None:
    """Counts what a child wrote who has come from another class."""
    for letter, day, count in _wrote(session, pupil_id):
        add(session, class_id, letter, day, count)


def _wrote(session: Session, pupil_id: int) -> list[tuple[str, date, int]]:
    wrote = (
        select(Attempt.letter, Attempt.day, func.count())
        .where(Attempt.pupil_id == pupil_id, _IS_A_LETTER)
        .group_by(Attempt.letter, Attempt.day)
    )
    return [(letter, day, count) for letter, day, count in session.execute(wrote)]


def of_class(session: Session, class_id: int) -> dict[str, tuple[date, int]]:
    """For each letter the day it was last written, and on how many days it was."""
    rows = (
        select(PracticeDay.letter, func.max(PracticeDay.day), func.count())
        .where(PracticeDay.class_id == class_id)
        .group_by(PracticeDay.letter)
    )
    return {letter: (last, count) for letter, last, count in session.execute(rows)}


def days_written(session: Session, class_id: int, limit: int) -> list[date]:
    """The newest days on which a class wrote, the newest first."""
    rows = (
        select(PracticeDay.day)
        .where(PracticeDay.class_id == class_id)
        .distinct()
        .order_by(PracticeDay.day.desc())
        .limit(limit)
    )
    return list(session.scalars(rows))


LOOKED_AT_LETTERS = 1000
"""So many of a class's newest letters tell how quickly it writes now."""


def gaps_between_letters(session: Session, class_id: int) -> list[float]:
    """Seconds from one letter of a child to its next, of the letters that the class wrote last with
    a pen, each by itself."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    newest = (
        select(Attempt.pupil_id, Attempt.written_at)
        .where(
            # Sorted out one by one, from the newest on: by the index of children all that each of
            # them ever wrote would be put in order first.
            (Attempt.pupil_id + 0).in_(of_class),
            Attempt.kind == Kind.LETTER.value,
            Attempt.source == Source.PEN.value,
            Attempt.place.is_(None),  # by itself; the index of texts would not sort out much
        )
        .order_by(Attempt.written_at.desc())
        .limit(LOOKED_AT_LETTERS)
    )
    by_child: dict[int, list[datetime]] = defaultdict(list)
    for pupil_id, written_at in session.execute(newest):
        by_child[pupil_id].append(written_at)
    return [
        (later - earlier).total_seconds()
        for moments in by_child.values()
        for later, earlier in pairwise(moments)
    ]


def rebuild(session: Session) -> None:
    """Counts all days of all classes, as if nothing had been kept."""
    session.execute(delete(PracticeDay))
    counted = (
        select(Pupil.class_id, Attempt.letter, Attempt.day, func.count())
        .join(Attempt, Attempt.pupil_id == Pupil.id)
        .where(_IS_A_LETTER)
        .group_by(Pupil.class_id, Attempt.letter, Attempt.day)
    )
    columns = ["class_id", "letter", "day", "attempts"]
    session.execute(insert(PracticeDay).from_select(columns, counted))
