"""Opening a lesson to pads, and ending it: a code for each, so that two groups may have one
each."""

import secrets
from datetime import datetime

from firstloop.core.teaching.lesson_codes import new_code, plain
from firstloop.core.teaching.steps import Shape
from firstloop.services import lessons as giving
from firstloop.services.digests import new_token
from firstloop.store import happenings, lesson_codes, lessons, pads, set_aside
from firstloop.store.database import Database
from firstloop.store.happenings import What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.records import ClassRecord, NotInRecordError


def open_lesson(
    record: Database, school_class: ClassRecord, lesson_id: int | None, now: datetime
) -> CodeRecord:
    """The code of a lesson; of today's, where none is named, and where none is planned, of a short
    one on what comes next. Asked again, it is the same code. Raises NotInRecordError."""
    chosen = lesson_id or _todays(record, school_class, now)
    with record.writing() as session:
        if chosen is not None:
            lessons.get(session, school_class.id, chosen)
        mine = lesson_codes.open_of(session, school_class.id, now)
        found = next((one for one in mine if one.lesson_id == chosen), None)
        if found is not None:
            return found
        taken = {plain(one.code) for one in lesson_codes.every_open(session, now)}
        code = new_code(secrets.choice, taken)
        happenings.forget_old(session, school_class.id, now)
        set_aside.forget_old(session, school_class.id, now)
        return lesson_codes.add(session, school_class.id, chosen, code, new_token(), now)


def _todays(record: Database, school_class: ClassRecord, now: datetime) -> int | None:
    with record.session() as session:
        today = giving.today(session, school_class, now)
    if today.lesson is not None:
        return today.lesson.id
    if not today.next:
        return None
    asked = giving.Asked(tuple(today.next[0].new), shape=Shape.SHORT)
    return giving.plan(record, school_class, asked, now).id


def end(record: Database, class_id: int, lesson_id: int | None, now: datetime) -> None:
    """Ends the code of a lesson, or all of a class: only what was written before is taken from then
    on."""
    with record.writing() as session:
        lesson_codes.end(session, class_id, lesson_id, now)


def class_changed(record: Database, class_id: int, now: datetime) -> None:
    """Another screen changed how the class writes or who is in it: her other screens and the pads
    hear of it."""
    with record.writing() as session:
        happenings.add(session, class_id, What.CLASS, now)
        lesson_codes.tell_pads(session, class_id, None, What.TASK, now)


def call(  # noqa: PLR0917  # who is called to what
    record: Database,
    class_id: int,
    lesson_id: int,
    what: What,
    pad_id: int | None,
    now: datetime,
) -> None:
    """Calls the pads of a lesson, or one of them: to see the movement again, to look at the board.
    Raises NotInRecordError."""
    with record.writing() as session:
        lessons.get(session, class_id, lesson_id)
        if pad_id is not None:
            pads.get(session, class_id, pad_id)
        lesson_codes.tell_pads(session, class_id, lesson_id, what, now, pad_id)


def nod_in(
    record: Database,
    class_id: int,
    pad_ids: list[int] | None,
    lesson_id: int | None,
    now: datetime,
) -> int:
    """Lets pads that ask into a lesson, or into the one that was opened last; all that ask, where
    none are named; how many. Raises NotInRecordError where no such lesson is open."""
    with record.writing() as session:
        for_them = [
            one
            for one in lesson_codes.open_of(session, class_id, now)
            if lesson_id is None or one.lesson_id == lesson_id
        ]
        if not for_them:
            raise NotInRecordError("the lesson is not open to pads; open it first")
        asking = [
            one
            for one in pads.of_class(session, class_id)
            if one.asked_at and (pad_ids is None or one.id in pad_ids)
        ]
        for one in asking:
            pads.nodded(session, class_id, one.id, for_them[-1])
            happenings.add(session, class_id, What.PAD, now, pad_id=one.id)
    return len(asking)
