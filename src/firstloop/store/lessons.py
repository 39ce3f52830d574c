"""Lessons, what is taught, and the teacher's own words, in and out of the record."""

from dataclasses import asdict
from datetime import date, datetime
from typing import Any

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from firstloop.core.ink import Ink
from firstloop.core.language import Language, Variety
from firstloop.core.lesson import Lesson, Step, StepKind
from firstloop.core.sounds import Word, word
from firstloop.store.ink_columns import columns_of, ink_from
from firstloop.store.models import LessonRow, OwnWord, SchoolClass, TaughtLetter
from firstloop.store.records import LessonRecord, NotInRecordError


def add(session: Session, class_id: int, day: date, lesson: Lesson) -> LessonRecord:
    """Keeps a lesson for a day, in place of one that was planned for it and not given."""
    session.execute(
        delete(LessonRow).where(
            LessonRow.class_id == class_id, LessonRow.day == day, LessonRow.given_at.is_(None)
        )
    )
    row = LessonRow(class_id=class_id, day=day, plan=_plan(lesson), at=0)
    session.add(row)
    session.flush()
    return _record(row)


def get(session: Session, class_id: int, lesson_id: int) -> LessonRecord:
    """One lesson; raises NotInRecordError."""
    return _record(_row(session, class_id, lesson_id))


def change(session: Session, class_id: int, lesson_id: int, lesson: Lesson) -> LessonRecord:
    """Keeps a lesson as it now is."""
    row = _row(session, class_id, lesson_id)
    row.plan = _plan(lesson)
    session.flush()
    return _record(row)


def go_to(session: Session, class_id: int, lesson_id: int, at: int) -> LessonRecord:
    """Remembers at which of its steps the board is."""
    row = _row(session, class_id, lesson_id)
    row.at = at
    session.flush()
    return _record(row)


def written(session: Session, class_id: int, lesson_id: int, kind: StepKind) -> Ink:
    """What the teacher wrote on the board in a step."""
    return ink_from(_row(session, class_id, lesson_id).written.get(kind, []))


def keep_written(session: Session, class_id: int, lesson_id: int, kind: StepKind, ink: Ink) -> None:
    """Keeps what is on the board in a step; no ink: it was wiped."""
    row = _row(session, class_id, lesson_id)
    others = {key: columns for key, columns in row.written.items() if key != kind}
    row.written = others | ({kind.value: columns_of(ink)} if ink.strokes else {})
    session.flush()


def close(session: Session, class_id: int, lesson_id: int, now: datetime) -> LessonRecord:
    """The lesson was given: what was new in it is taught from its day on."""
    row = _row(session, class_id, lesson_id)
    row.given_at = now
    record = _record(row)
    for letter in {letter for part in record.lesson.new for letter in part}:
        if session.get(TaughtLetter, (class_id, letter)) is None:
            session.add(TaughtLetter(class_id=class_id, letter=letter, since=row.day))
    session.flush()
    return record


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


def taught(session: Session, class_id: int) -> dict[str, date]:
    """The letters that are taught, and since when; the earliest first."""
    rows = select(TaughtLetter).where(TaughtLetter.class_id == class_id)
    found = {row.letter: row.since for row in session.scalars(rows)}
    return dict(sorted(found.items(), key=lambda pair: (pair[1], pair[0])))


def set_taught(session: Session, class_id: int, letters: set[str], today: date) -> None:
    """Sets which letters are taught; those that are new to the list since today."""
    known = taught(session, class_id)
    session.execute(
        delete(TaughtLetter).where(
            TaughtLetter.class_id == class_id, TaughtLetter.letter.not_in(letters)
        )
    )
    session.add_all(
        TaughtLetter(class_id=class_id, letter=letter, since=today)
        for letter in sorted(letters - set(known))
    )
    session.flush()


def own_words(session: Session, class_id: int) -> tuple[Word, ...]:
    """The words that the teacher has added."""
    rows = select(OwnWord.noted).where(OwnWord.class_id == class_id).order_by(OwnWord.noted)
    return tuple(word(noted) for noted in session.scalars(rows))


def add_own_word(session: Session, class_id: int, noted: str) -> Word:
    """Keeps a word of the teacher's; raises WordError."""
    added = word(noted)
    if session.get(OwnWord, (class_id, noted)) is None:
        session.add(OwnWord(class_id=class_id, noted=noted))
        session.flush()
    return added


def remove_own_word(session: Session, class_id: int, text: str) -> None:
    """Deletes a word of the teacher's, however it is noted."""
    rows = session.scalars(select(OwnWord).where(OwnWord.class_id == class_id)).all()
    for row in rows:
        if word(row.noted).text == text:
            session.delete(row)
    session.flush()


def set_language(session: Session, class_id: int, language: Language, minutes: int) -> None:
    """Sets how the class writes dates and calls its stops, and how long its lessons are."""
    row = session.get_one(SchoolClass, class_id)
    row.language = asdict(language)
    row.lesson_minutes = minutes
    session.flush()


def language_from(data: dict[str, Any]) -> Language:
    """A language as the record keeps it; what is not there is as usual."""
    return Language(**{**data, "variety": Variety(data.get("variety", Variety.BRITISH))})


def _row(session: Session, class_id: int, lesson_id: int) -> LessonRow:
    row = session.get(LessonRow, lesson_id)
    if row is None or row.class_id != class_id:
        raise NotInRecordError(f"there is no lesson {lesson_id} in the record")
    return row


def _record(row: LessonRow) -> LessonRecord:
    return LessonRecord(row.id, row.day, _lesson(row.plan), row.at, row.given_at)


def _plan(lesson: Lesson) -> dict[str, Any]:
    return asdict(lesson)


def _lesson(data: dict[str, Any]) -> Lesson:
    return Lesson(
        new=tuple(data["new"]),
        minutes=data["minutes"],
        steps=tuple(Step(**{**step, "kind": StepKind(step["kind"])}) for step in data["steps"]),
        look_back=tuple(data["look_back"]),
        words=tuple(data["words"]),
        sentence=data["sentence"],
    )
