"""What a pad is given to write, and what it hands in."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from threading import Lock
from uuid import UUID

from firstloop.core.contract import Verdict
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.course import Stop
from firstloop.core.teaching.pads import (
    Doing,
    Key,
    PadTask,
    doing_at,
    stop_at,
    task_now,
    tasks_at,
    tasks_of,
)
from firstloop.core.vocabulary.language import long_date
from firstloop.services.handing_in import hand_in, hand_in_text, keep_struck
from firstloop.services.pads import TAKEN_LATE, InLesson, PutOutError
from firstloop.store import (
    classes,
    handed_in,
    happenings,
    inks,
    lesson_codes,
    lessons,
    pads,
    prompts,
)
from firstloop.store.database import Database, Session
from firstloop.store.handed_in import Delivery, PadWork, TakenBackError, Work
from firstloop.store.happenings import What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.records import ClassRecord, LessonRecord, PromptRecord

SANE_CLOCK = timedelta(days=3650)
"""A pad whose battery was dead thinks that it is 1970: then its clock says nothing."""


class NoTaskError(FirstLoopError):
    """Something is handed in that no lesson has asked for."""


@dataclass(frozen=True, slots=True, eq=False)
class Own:
    """A letter of a child's own to choose from, with its ink."""

    work: Work
    ink: Ink


@dataclass(frozen=True, slots=True, eq=False)
class PadMoment:
    """What a pad is for just now: at which stop of the lesson, the task and how much of it is
    written, with what it is asked for, what there is to choose from, and the question or picture of
    free writing."""

    doing: Doing
    stop: Stop | None = None
    task: PadTask | None = None
    written: int = 0
    asked_with: PromptRecord | None = None
    own: tuple[Own, ...] = ()
    free: str = ""


def moment(
    session: Session, school_class: ClassRecord, who: InLesson, pupil_id: int | None
) -> PadMoment:
    """What the pad of a child is for now; it watches where nobody sits at it or there is no
    lesson."""
    if who.code.lesson_id is None or pupil_id is None:
        return PadMoment(Doing.WATCH)
    record = lessons.get(session, school_class.id, who.code.lesson_id)
    stop = where(record, school_class)
    doing = doing_at(stop)
    if stop is None:
        return PadMoment(doing)
    if doing is Doing.CHOOSE:
        mine = handed_in.of_lessons(session, [record.id], pupil_id)
        return PadMoment(doing, stop, own=_to_choose(session, mine, stop))
    if doing is not Doing.WRITE:
        return PadMoment(doing, stop)
    counts = handed_in.counts(session, record.id, pupil_id)
    date_text = long_date(record.day, school_class.language)
    task = task_now(tasks_at(stop, record.lesson, date_text, school_class.customs), counts)
    if task is None:
        return PadMoment(Doing.WATCH, stop)
    return PadMoment(
        doing,
        stop,
        task,
        counts.get(task.key, 0),
        _asked_with(session, school_class.id, task),
        free=record.lesson.prompt if task.kind is Kind.FREE else "",
    )


def where(record: LessonRecord, school_class: ClassRecord) -> Stop | None:
    """The stop that a lesson has come to."""
    date_text = long_date(record.day, school_class.language)
    return stop_at(record.lesson, record.at, record.part, date_text, school_class.customs)


def _asked_with(session: Session, class_id: int, task: PadTask) -> PromptRecord | None:
    if task.help is not Help.RECALL:
        return None
    known = prompts.of_class(session, class_id)
    return next((one for one in known if one.text == task.target), None)


def _to_choose(session: Session, mine: Sequence[Work], stop: Stop) -> tuple[Own, ...]:
    """The child's own letters of what the step is about; those with less help only where there are
    no others."""
    about = {*stop.about}
    found = [one for one in mine if one.attempt_id and one.task and one.task[1] in about]
    helped = (Help.TRACE, Help.FINISH)
    alone = [one for one in found if one.task and one.task[2] not in helped]
    chosen = alone or found
    ink = inks.of(session, [one.attempt_id for one in chosen if one.attempt_id])
    return tuple(
        Own(one, ink[one.attempt_id]) for one in chosen if one.attempt_id and one.attempt_id in ink
    )


@dataclass(frozen=True, slots=True, eq=False)
class Sent:
    """What a pad hands in: its own id and a digest of all of it, the task, when it was written by
    the pad's clock, whether it was struck through; and who sat there, where it is not who does."""

    id: UUID
    digest: str
    task: Key
    written_at: datetime
    struck: bool
    ink: Ink
    seat: int | None = None


@dataclass(frozen=True, slots=True)
class Answer:
    """What the pad is answered: whether it is new; what is said to the child and which move plays
    again (stroke, move), where the class wants that."""

    is_new: bool
    say: str | None = None
    replay: tuple[int, int] | None = None


ONE_AFTER_ANOTHER = Lock()
"""A class that hands in all at once: the interpreter does one thing at a time, and where thirty are
begun together each waits for all. One after another they are answered in half the time."""


def receive(record: Database, who: InLesson, sent: Sent, now: datetime) -> Answer:
    """Checks what a pad hands in and keeps it, once. Raises PutOutError for what was written after
    the end of its lesson, NoTaskError for what the lesson did not ask for, InkError,
    NotInRecordError and AnotherCameFirstError; then nothing is kept."""
    with ONE_AFTER_ANOTHER:
        return _receive(record, who, sent, now)


def _receive(record: Database, who: InLesson, sent: Sent, now: datetime) -> Answer:
    class_id = who.code.class_id
    if abs(sent.written_at - now) > SANE_CLOCK:
        sent = replace(sent, written_at=now)
    with record.session() as session:
        pupil_id, code = _by_whom(session, who, sent)
        _require_in_time(code, sent, now)
        if code.lesson_id is None:
            raise NoTaskError("the lesson of this was deleted; it cannot be kept with it")
        school_class = classes.get(session, class_id)
        lesson = lessons.get(session, class_id, code.lesson_id)
    _require_asked(lesson, school_class, sent)
    written_at = min(max(sent.written_at, code.opened_at), now, code.ends_at)
    work = PadWork(lesson.id, sent.task, sent.written_at, now)
    delivery = Delivery(sent.id, f"{pupil_id} {sent.digest}", work)
    try:
        return _keep(record, school_class, pupil_id, sent, delivery, written_at)
    except TakenBackError:  # the pad has not heard of it: it is to ask no more
        return Answer(is_new=False)


def _by_whom(session: Session, who: InLesson, sent: Sent) -> tuple[int, CodeRecord]:
    """Who wrote it, in which lesson."""
    seat = who.pad.seat
    if sent.seat is not None and (seat is None or seat.id != sent.seat):
        seat = pads.seat(session, who.code.class_id, who.pad.id, sent.seat)
    if seat is None:
        raise NoTaskError("nobody sits at this pad; choose a tile first")
    if seat.code_id == who.code.id:
        return seat.pupil_id, who.code
    return seat.pupil_id, lesson_codes.get(session, who.code.class_id, seat.code_id)


def _require_in_time(code: CodeRecord, sent: Sent, now: datetime) -> None:
    if code.is_open(now):
        return
    if sent.written_at > code.ends_at or now >= code.ends_at + TAKEN_LATE:
        raise PutOutError(
            "this was written after the lesson's end, or is a day old; it is not kept"
        )


def _require_asked(lesson: LessonRecord, school_class: ClassRecord, sent: Sent) -> None:
    """Whether from memory or from a model may have been changed while it was written."""
    date_text = long_date(lesson.day, school_class.language)
    for from_memory in (False, True):
        customs = replace(school_class.customs, from_memory=from_memory)
        if sent.task in tasks_of(lesson.lesson, date_text, customs):
            return
    kind, target, help = sent.task
    raise NoTaskError(
        f'this lesson asks for no {kind.value} "{target}" with the help "{help.value}"; '
        "GET /api/pad/task says what it asks for"
    )


def _keep(  # noqa: PLR0917  # what is kept, for whom
    record: Database,
    school_class: ClassRecord,
    pupil_id: int,
    sent: Sent,
    delivery: Delivery,
    written_at: datetime,
) -> Answer:
    kind, target, help = sent.task
    if sent.struck:
        is_new = keep_struck(
            record,
            school_class.id,
            pupil_id=pupil_id,
            ink=sent.ink,
            delivery=delivery,
            came_at=written_at,
        )
        return Answer(is_new)
    answers = school_class.customs.answers
    if kind is Kind.LETTER:
        kept, is_new = hand_in(
            record,
            school_class,
            pupil_id=pupil_id,
            letter=target,
            help=help,
            ink=sent.ink,
            written_at=written_at,
            delivery=delivery,
        )
        if not answers:
            return Answer(is_new)
        checked = kept.attempt.checked
        to_mend = [one for one in checked.findings if one.severity is Verdict.NOT_YET]
        replay = (to_mend[0].stroke, to_mend[0].move) if to_mend else None
        return Answer(is_new, checked.say, replay)
    text, is_new = hand_in_text(
        record,
        school_class,
        pupil_id=pupil_id,
        kind=kind,
        target=target,
        help=help,
        ink=sent.ink,
        written_at=written_at,
        delivery=delivery,
    )
    return Answer(is_new, text.text.answer["say"] if answers else None)


def choose_best(record: Database, who: InLesson, sent_as: str, now: datetime) -> None:
    """A child chooses the best of its letters; raises NotInRecordError for another's."""
    pupil_id, lesson_id = who.pad.pupil_id, who.code.lesson_id
    if pupil_id is None or lesson_id is None:
        raise NoTaskError("nobody sits at this pad; choose a tile first")
    with record.writing() as session:
        handed_in.set_best(session, lesson_id, pupil_id, sent_as)
        happenings.add(session, who.code.class_id, What.BEST, now, handed_in=sent_as)


def prompt_now(
    session: Session, school_class: ClassRecord, who: InLesson, prompt_id: int
) -> PromptRecord | None:
    """What the pad's task is asked for with, if it is that."""
    found = moment(session, school_class, who, who.pad.pupil_id).asked_with
    return found if found is not None and found.id == prompt_id else None
