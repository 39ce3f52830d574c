"""Marks: what is held of a child at the end of some days, so that nobody follows three years of
letters while a teacher waits.

A mark holds as long as nothing changes of what was written until its day; then it goes. It is made
anew from the one before it and the evidence since (`services/progress.py`).
"""

import json
from collections.abc import Collection, Iterable
from dataclasses import dataclass
from datetime import date

import numpy as np
from sqlalchemy import ForeignKey, LargeBinary, ScalarSelect, bindparam, delete, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Mapped, Session, aliased, mapped_column

from firstloop.core.progress.evidence import LetterKey
from firstloop.core.progress.model import MODEL_VERSION, Held, held_from, kept_parts
from firstloop.store.base import Base
from firstloop.store.pupils import Pupil


class ProgressMark(Base):
    """What is held of a child at the end of a day, by a version of the model: its letters, and the
    numbers of each as bytes."""

    __tablename__ = "progress_mark"

    pupil_id: Mapped[int] = mapped_column(
        ForeignKey("pupil.id", ondelete="CASCADE"), primary_key=True
    )
    day: Mapped[date] = mapped_column(primary_key=True)
    model: Mapped[str]
    letters: Mapped[str]
    held: Mapped[bytes] = mapped_column(LargeBinary)


@dataclass(frozen=True, slots=True, eq=False)
class Mark:
    """What is held of a child at the end of a day, and of which letters."""

    pupil_id: int
    day: date
    letters: tuple[LetterKey, ...]
    held: Held


_FORGET = delete(ProgressMark).where(
    ProgressMark.pupil_id == bindparam("of_pupil"), ProgressMark.day >= bindparam("from_day")
)


def newest(session: Session, class_id: int, until: date) -> dict[int, Mark]:
    """The newest mark of each child of a class until a day, where there is one."""
    rows = session.execute(
        select(ProgressMark.pupil_id, ProgressMark.day, ProgressMark.letters, ProgressMark.held)
        .join(Pupil, Pupil.id == ProgressMark.pupil_id)
        .where(Pupil.class_id == class_id, ProgressMark.day == _newest_day(until))
    )
    return {
        pupil_id: Mark(pupil_id, day, letters, _held(letters, held))
        for pupil_id, day, names, held in rows
        for letters in [tuple(LetterKey(*name) for name in json.loads(names))]
    }


def newest_days(session: Session, class_id: int, until: date) -> dict[int, date]:
    """The day of the newest mark of each child of a class until a day."""
    rows = select(Pupil.id, _newest_day(until)).where(Pupil.class_id == class_id)
    return {pupil_id: day for pupil_id, day in session.execute(rows) if day is not None}


def _newest_day(until: date) -> ScalarSelect[date]:
    """The day of a child's newest mark: the first that is come by from the end of its own, without
    a look at all of them."""
    mark = aliased(ProgressMark)
    return (
        select(mark.day)
        .where(mark.pupil_id == Pupil.id, mark.day <= until, mark.model == MODEL_VERSION)
        .order_by(mark.day.desc())
        .limit(1)
        .correlate(Pupil)
        .scalar_subquery()
    )


def keep(session: Session, class_id: int, marks: Iterable[Mark]) -> None:
    """Keeps marks of children of a class, in place of those of the same days."""
    here = set(session.scalars(select(Pupil.id).where(Pupil.class_id == class_id)))
    rows = [
        {
            "pupil_id": mark.pupil_id,
            "day": mark.day,
            "model": MODEL_VERSION,
            "letters": json.dumps(
                [(key.glyph, key.hand) for key in mark.letters], ensure_ascii=False
            ),
            "held": b"".join(part.tobytes() for part in kept_parts(mark.held)),
        }
        for mark in marks
        if mark.pupil_id in here
    ]
    if rows:
        new = insert(ProgressMark)
        columns = ("model", "letters", "held")
        kept = new.on_conflict_do_update(
            index_elements=["pupil_id", "day"],
            set_={name: new.excluded[name] for name in columns},
        )
        session.connection().execute(kept, rows)


def forget(session: Session, class_id: int, pupil_id: int, day: date) -> None:
    """Something that a child wrote on a day is another now: marks from that day on hold no more."""
    del class_id  # the caller has found the child in it
    session.connection().execute(_FORGET, {"of_pupil": pupil_id, "from_day": day})


def without(session: Session, class_id: int, days: Collection[date]) -> None:
    """Lets marks of a class go."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    session.execute(
        delete(ProgressMark).where(ProgressMark.pupil_id.in_(of_class), ProgressMark.day.in_(days))
    )


def days_of(session: Session, class_id: int) -> set[date]:
    """The days of which a class has marks."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    return set(
        session.scalars(
            select(ProgressMark.day).where(ProgressMark.pupil_id.in_(of_class)).distinct()
        )
    )


def clear(session: Session) -> None:
    """Lets all marks go, of all classes."""
    session.execute(delete(ProgressMark))


def _held(letters: tuple[LetterKey, ...], kept: bytes) -> Held:
    return held_from(len(letters), np.frombuffer(kept, np.uint8))
