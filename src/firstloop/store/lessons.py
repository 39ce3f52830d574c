"""Lessons in and out of the record, and what was written on the board in them."""

import json
from collections.abc import Collection
from datetime import date, datetime
from functools import lru_cache
from typing import Any

import cattrs
from cattrs.preconf.json import make_converter
from sqlalchemy import JSON, ForeignKey, Index, Text, bindparam, select, type_coerce
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.evidence.ink import Ink
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.steps import StepKind
from firstloop.formats.ink_json import ink_from, strokes_of
from firstloop.store import upgrades
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.records import LessonRecord, NotInRecordError

_CONVERTER: cattrs.Converter = make_converter()

AT = "/"
"""Between a step and its letter in the name that board ink is kept under."""


class LessonRow(Base):
    """A lesson: what was planned, at which step the board is (of a step that comes round, with
    which letter), when it was given, if it was; what is written on the board, by place; the
    children of a group, by their ids, where it is not the whole class's."""

    __tablename__ = "lesson"
    __table_args__ = (Index("ix_lesson_class_id_day", "class_id", "day"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    day: Mapped[date]
    plan: Mapped[dict[str, Any]] = mapped_column(JSON)
    step: Mapped[str | None]
    part: Mapped[str | None]
    given_at: Mapped[datetime | None] = mapped_column(UtcDateTime)
    written: Mapped[dict[str, Any]] = mapped_column(JSON, server_default="{}", deferred=True)
    group: Mapped[list[int] | None] = mapped_column(JSON(none_as_null=True))


# Every request of a pad reads its lesson: past the mapper, its plan as the text that it is.
_ONE = select(
    LessonRow.id,
    LessonRow.class_id,
    LessonRow.day,
    type_coerce(LessonRow.plan, Text).label("plan"),
    LessonRow.step,
    LessonRow.part,
    LessonRow.given_at,
    LessonRow.group,
).where(LessonRow.id == bindparam("lesson_id"))


def add(  # noqa: PLR0917  # what is known of a lesson
    session: Session,
    class_id: int,
    day: date,
    lesson: Lesson,
    under_way: Collection[int] = (),
    group: Collection[int] | None = None,
) -> LessonRecord:
    """Keeps a lesson for a day: the class's in place of one of the class that was planned for it,
    not given and is not under way; a group's in place of such of which one of its children is."""
    for one in between(session, class_id, day, day):
        if one.given_at is None and one.id not in under_way and _same(one.group, group):
            remove(session, class_id, one.id)
    row = LessonRow(
        class_id=class_id,
        day=day,
        plan=_kept(lesson),
        written={},
        group=None if group is None else sorted(group),
    )
    session.add(row)
    session.flush()
    return _record(row)


def get(session: Session, class_id: int, lesson_id: int) -> LessonRecord:
    """One lesson; raises NotInRecordError."""
    row = session.connection().execute(_ONE, {"lesson_id": lesson_id}).first()
    if row is None or row.class_id != class_id:
        raise _not_there(lesson_id)
    return LessonRecord(
        row.id,
        row.day,
        _lesson_from(row.plan),
        _step(row.step),
        row.part,
        row.given_at,
        _group(row.group),
    )


def change(session: Session, class_id: int, lesson_id: int, lesson: Lesson) -> LessonRecord:
    """Keeps a lesson as it now is."""
    row = _row(session, class_id, lesson_id)
    row.plan = _kept(lesson)
    session.flush()
    return _record(row)


def go_to(
    session: Session, class_id: int, lesson_id: int, at: StepKind, part: str | None = None
) -> LessonRecord:
    """Remembers at which of its steps the board is, and where it comes round, with which letter."""
    row = _row(session, class_id, lesson_id)
    row.step, row.part = at, part
    session.flush()
    return _record(row)


def set_given(session: Session, class_id: int, lesson_id: int, now: datetime) -> LessonRecord:
    """Remembers that a lesson was given."""
    row = _row(session, class_id, lesson_id)
    row.given_at = now
    session.flush()
    return _record(row)


def remove(session: Session, class_id: int, lesson_id: int) -> None:
    """Deletes a lesson; what it taught stays taught."""
    session.delete(_row(session, class_id, lesson_id))
    session.flush()


def between(session: Session, class_id: int, first: date, last: date) -> list[LessonRecord]:
    """The lessons of some days, in their order."""
    rows = (
        select(LessonRow)
        .where(LessonRow.class_id == class_id, LessonRow.day.between(first, last))
        .order_by(LessonRow.day, LessonRow.id)
    )
    return [_record(row) for row in session.scalars(rows)]


MOST_EARLIER = 100
"""Lessons that are looked through: a term of them."""


def earlier(session: Session, class_id: int, until: date) -> list[LessonRecord]:
    """The lessons up to a day, the newest first, MOST_EARLIER at most."""
    rows = (
        select(LessonRow)
        .where(LessonRow.class_id == class_id, LessonRow.day <= until)
        .order_by(LessonRow.day.desc(), LessonRow.id.desc())
        .limit(MOST_EARLIER)
    )
    return [_record(row) for row in session.scalars(rows)]


def written(
    session: Session, class_id: int, lesson_id: int, kind: StepKind, part: str | None = None
) -> Ink:
    """What the teacher wrote on the board in a step; of one that comes round, with a letter."""
    kept = _row(session, class_id, lesson_id).written
    return ink_from(
        stroke
        for name, strokes in kept.items()
        if _place_of(name) == (kind, part)
        for stroke in strokes
    )


def keep_written(
    session: Session,
    class_id: int,
    lesson_id: int,
    kind: StepKind,
    ink: Ink,
    *,
    part: str | None = None,
) -> None:
    """Keeps what is on the board in a step; no ink: it was wiped."""
    row = _row(session, class_id, lesson_id)
    others = {k: strokes for k, strokes in row.written.items() if _place_of(k) != (kind, part)}
    name = kind.value if part is None else f"{kind.value}{AT}{part}"
    row.written = others | ({name: strokes_of(ink)} if ink.strokes else {})
    session.flush()


def _place_of(name: str) -> tuple[StepKind | None, str | None]:
    """The step, and the letter that it had come round to, under whose name ink is kept."""
    kind, _, part = name.partition(AT)
    return upgrades.step_kind(kind), part or None


def _row(session: Session, class_id: int, lesson_id: int) -> LessonRow:
    row = session.get(LessonRow, lesson_id)
    if row is None or row.class_id != class_id:
        raise _not_there(lesson_id)
    return row


def _not_there(lesson_id: int) -> NotInRecordError:
    return NotInRecordError(f"there is no lesson {lesson_id} in the record")


def _kept(lesson: Lesson) -> dict[str, Any]:
    return {**_CONVERTER.unstructure(lesson), "version": upgrades.PLAN_VERSION}


@lru_cache(maxsize=64)
def _lesson_from(text: str) -> Lesson:
    """The same text gives the same lesson, which is read once."""
    return _lesson(json.loads(text))


def _lesson(plan: dict[str, Any]) -> Lesson:
    return _CONVERTER.structure(upgrades.plan(plan), Lesson)


def _step(name: str | None) -> StepKind | None:
    return None if name is None else upgrades.step_kind(name)


def _record(row: LessonRow) -> LessonRecord:
    return LessonRecord(
        id=row.id,
        day=row.day,
        lesson=_lesson(row.plan),
        at=_step(row.step),
        part=row.part,
        given_at=row.given_at,
        group=_group(row.group),
    )


def _group(pupil_ids: list[int] | None) -> frozenset[int] | None:
    return None if pupil_ids is None else frozenset(pupil_ids)


def _same(one: frozenset[int] | None, other: Collection[int] | None) -> bool:
    """Whether the one lesson is in the other's place: of the class both, or of a same child."""
    if one is None or other is None:
        return one is None and other is None
    return not one.isdisjoint(other)
