"""Plan: earlier lessons, found, looked at and given again."""

from datetime import date

from fastapi import APIRouter

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.plan.lesson_answers import LessonOut, known_of, lesson_out
from firstloop.api.sent import PathId
from firstloop.core.teaching.steps import Shape
from firstloop.core.vocabulary.language import long_date
from firstloop.services import lessons as planning
from firstloop.services.clock import day_of
from firstloop.store import lessons, school

router = APIRouter(prefix="/api/plan", tags=["plan"])


class EarlierOut(Answer):
    """A lesson that was planned or given: its day, what it was on, whether it was given."""

    id: int
    day: date
    date_text: str
    new: list[str]
    words: list[str]
    shape: Shape
    given: bool


@router.get("/lessons")
def get_earlier_lessons(session: Db, school_class: Class, now: Now) -> list[EarlierOut]:
    """Earlier lessons, the newest first."""
    today = day_of(now, school.zone(session))
    return [
        EarlierOut(
            id=one.id,
            day=one.day,
            date_text=long_date(one.day, school_class.language),
            new=list(one.lesson.new),
            words=list(one.lesson.words),
            shape=one.lesson.shape,
            given=one.given_at is not None,
        )
        for one in lessons.earlier(session, school_class.id, today)
    ]


@router.get("/lessons/{lesson_id:digits}")
def get_planned_lesson(session: Db, school_class: Class, lesson_id: PathId) -> LessonOut:
    """One lesson, of whatever day."""
    kept = lessons.get(session, school_class.id, lesson_id)
    return lesson_out(kept, known_of(session, school_class))


@router.post("/lessons/{lesson_id}/again", status_code=201)
def give_again(
    record: Record, session: Db, school_class: Class, lesson_id: PathId, now: Now
) -> LessonOut:
    """Plans today's lesson as an earlier one was."""
    kept = planning.again(record, school_class, lesson_id, now)
    return lesson_out(kept, known_of(session, school_class))
