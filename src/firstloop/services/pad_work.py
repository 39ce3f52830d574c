"""What a pad is given to write, and what it hands in."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from uuid import UUID

from firstloop.core.contract import Code
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.judging.told_here import first_to_mend, reminder, told_here
from firstloop.core.judging.trust import by_trust
from firstloop.core.teaching.course import Stop
from firstloop.core.teaching.pad_tasks import Doing, Key, PadTask
from firstloop.core.teaching.under_way import Moment
from firstloop.formats.result_json import finding_from, verdicts_of_answer
from firstloop.services.checks_aside import HERE, Checks
from firstloop.services.handing_in import Arrival, arrival, keep_struck, take_in, take_in_text
from firstloop.services.lessons import under_way_of
from firstloop.services.pad_seats import InLesson, TooLateError, require_in_time
from firstloop.services.trusting import doubted_in
from firstloop.store import (
    attempts,
    classes,
    handed_in,
    happenings,
    inks,
    judging,
    lesson_codes,
    lessons,
    pad_loads,
    pads,
    prompts,
    set_aside,
)
from firstloop.store.database import Database, Session
from firstloop.store.handed_in import Delivery, PadWork, TakenBackError, Work
from firstloop.store.happenings import What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.pads import Seat
from firstloop.store.records import (
    ClassRecord,
    LessonRecord,
    NewText,
    PromptRecord,
    PupilRecord,
    is_judged_by,
)
from firstloop.store.set_aside import SetAsideRecord

REMINDED_OF = timedelta(days=28)
"""How long her word on a letter comes back: what was so before is mended, or will be seen again."""

SANE_CLOCK = timedelta(days=3650)
"""A pad whose battery was dead thinks that it is 1970: then its clock says nothing."""


class PadIsFullError(FirstLoopError):
    """A pad hands in more than a child could write in a lesson."""


class NoTaskError(FirstLoopError):
    """Something is handed in that no lesson has asked for."""


@dataclass(frozen=True, slots=True, eq=False)
class Own:
    """A letter of a child's own to choose from, with its ink."""

    work: Work
    ink: Ink


@dataclass(frozen=True, slots=True, eq=False)
class PadMoment:
    """What a pad is for just now: the moment of its lesson, the task and how much of it is written,
    with what it is asked for, what there is to choose from, the question or picture of free
    writing; once all is written, what may be written freely; and what
    the child's teacher said of the last of these letters that she judged."""

    doing: Doing
    now: Moment | None = None
    task: PadTask | None = None
    written: int = 0
    asked_with: PromptRecord | None = None
    own: tuple[Own, ...] = ()
    free: str = ""
    further: str = ""
    reminder: str = ""


def moment(
    session: Session, school_class: ClassRecord, who: InLesson, pupil: PupilRecord | None
) -> PadMoment:
    """What the pad of a child is for now; it watches where nobody sits at it or there is no
    lesson."""
    if who.code.lesson_id is None or pupil is None:
        return PadMoment(Doing.WATCH)
    kept = lessons.get(session, school_class.id, who.code.lesson_id)
    now = under_way_of(kept, school_class).now
    if now is None:
        return PadMoment(Doing.WATCH)
    now = now.given(pupil.gets)
    if now.doing is Doing.CHOOSE:
        mine = handed_in.of_child(session, kept.id, pupil.id)
        return PadMoment(now.doing, now, own=_to_choose(session, mine, now.stop))
    written = handed_in.counts(session, kept.id, pupil.id) if now.tasks else {}
    task = now.task_for(written)
    if task is None:
        return PadMoment(now.doing, now)
    return PadMoment(
        now.doing,
        now,
        task,
        written.get(task.key, 0),
        _asked_with(session, school_class.id, task),
        free=kept.lesson.prompt if task.kind is Kind.FREE else "",
        further=now.further if now.progress(written).is_enough else "",
        reminder=_reminder(session, school_class.id, pupil.id, task, who.code.opened_at),
    )


def _reminder(
    session: Session, class_id: int, pupil_id: int, task: PadTask, opened_at: datetime
) -> str:
    """The one thing that a child is told before it writes a letter again: what its teacher agreed
    to, or put in her own words, on the last one she judged before this lesson. Nothing where she
    saw nothing to mend, or set it aside."""
    if task.kind not in (Kind.LETTER, Kind.ROW):
        return ""
    since = opened_at - REMINDED_OF
    found = judging.newest_on(session, class_id, pupil_id, task.target, since)
    if found is None:
        return ""
    attempt_id, said = found
    kept = attempts.get(session, class_id, attempt_id).attempt
    if kept.written_at >= opened_at:
        return ""
    return reminder(kept.checked.findings, doubted_in(session, class_id), said.word)


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


def receive(
    record: Database, who: InLesson, sent: Sent, now: datetime, checks: Checks = HERE
) -> Answer:
    """Checks what a pad hands in and keeps it, once. Raises TooLateError for what is never taken
    and NoTaskError for what the lesson did not ask for: that is noted; PadIsFullError, InkError,
    NotInRecordError and AnotherCameFirstError; then nothing is kept."""
    if abs(sent.written_at - now) > SANE_CLOCK:
        sent = replace(sent, written_at=now)
    seat, code = _by_whom(record, who, sent)
    try:
        with record.session() as session:
            taken = _looked_up(session, seat, code, sent, now)
        return _keep(record, taken, sent, checks)
    except (TooLateError, NoTaskError) as refused:
        _note(record, seat, sent, str(refused), now)
        raise
    except PadIsFullError:
        _tell_of_a_full_pad(record, seat, now)
        raise
    except TakenBackError:  # the pad has not heard of it: it is to ask no more
        return Answer(is_new=False)


@dataclass(frozen=True, slots=True, eq=False)
class _Taken:
    """Something that is taken from a pad: for which class, from which sender, and all that is to be
    known of it."""

    school_class: ClassRecord
    delivery: Delivery
    arrived: Arrival
    doubts: frozenset[Code]


def _looked_up(session: Session, seat: Seat, code: CodeRecord, sent: Sent, now: datetime) -> _Taken:
    """All that the record says of what a pad hands in, in one look."""
    ahead = handed_in.clock_ahead(session, code.lesson_id, seat.pupil_id)
    require_in_time(code, sent.written_at - ahead, now)
    if code.lesson_id is None:
        raise NoTaskError("the lesson of this was deleted; it cannot be kept with it")
    school_class = classes.get(session, seat.class_id)
    lesson = lessons.get(session, seat.class_id, code.lesson_id)
    _require_asked(lesson, school_class, sent)
    written_at = min(max(sent.written_at - ahead, code.opened_at), now, code.ends_at)
    work = PadWork(lesson.id, sent.task, sent.written_at, now, seat.pad_id, code.id)
    delivery = Delivery(sent.id, f"{seat.pupil_id} {sent.digest}", work)
    arrived = arrival(session, school_class, seat.pupil_id, written_at, delivery)
    # What came before may be asked for again.
    if not arrived.before and pad_loads.is_too_much(session, seat.pad_id, seat.code_id):
        raise PadIsFullError(
            "this pad has handed in more than a child could write in a lesson; show it to your "
            "teacher"
        )
    doubts = doubted_in(session, school_class.id) if school_class.customs.answers else frozenset()
    return _Taken(school_class, delivery, arrived, doubts)


def _tell_of_a_full_pad(record: Database, seat: Seat, now: datetime) -> None:
    """The teacher is told once of a pad that hands in more than is taken of one in a lesson."""
    with record.writing() as session:
        if pad_loads.refused(session, seat.pad_id, seat.code_id):
            happenings.add(session, seat.class_id, What.PAD, now, pad_id=seat.pad_id)


def _by_whom(record: Database, who: InLesson, sent: Sent) -> tuple[Seat, CodeRecord]:
    """Who wrote it, in which lesson: of whichever class, as the tablet goes from one to another."""
    seat = who.pad.seat
    is_another = sent.seat is not None and (seat is None or seat.id != sent.seat)
    if seat is not None and not is_another and seat.code_id == who.code.id:
        return seat, who.code
    with record.session() as session:
        if is_another and sent.seat is not None:
            seat = pads.seat(session, who.pad.device, sent.seat)
        if seat is None:
            raise NoTaskError("nobody sits at this pad; choose a tile first")
        return seat, lesson_codes.get(session, seat.class_id, seat.code_id)


def _note(record: Database, seat: Seat, sent: Sent, why: str, now: datetime) -> None:
    """Who looks on hears that something stays on a pad."""
    kind, target, _ = sent.task
    stays = SetAsideRecord(str(sent.id), seat.pad_id, seat.pupil_id, kind, target, why, now)
    with record.writing() as session:
        if set_aside.add(session, seat.class_id, stays):
            happenings.add(session, seat.class_id, What.PAD, now, pad_id=seat.pad_id)


def let_go(record: Database, class_id: int, sent_as: str, now: datetime) -> None:
    """The teacher lets something go that stays on a pad, which wipes it when it asks the next time;
    raises NotInRecordError."""
    with record.writing() as session:
        gone = set_aside.let_go(session, class_id, sent_as, now)
        pad = pads.get(session, class_id, gone.pad_id)
        happenings.add(session, class_id, What.PAD, now, pad_id=pad.id)
        happenings.add(session, class_id, What.TASK, now, pad_id=pad.id, code_id=pad.code_id)


def _require_asked(kept: LessonRecord, school_class: ClassRecord, sent: Sent) -> None:
    if under_way_of(kept, school_class).asks_for(sent.task):
        return
    kind, target, help = sent.task
    raise NoTaskError(
        f'the lesson asks for no {kind.value} "{target}" ({help.value}); it may have been changed '
        "while it was written"
    )


def _keep(record: Database, taken: _Taken, sent: Sent, checks: Checks) -> Answer:
    school_class, arrived = taken.school_class, taken.arrived
    kind, target, help = sent.task
    if sent.struck:
        is_new = keep_struck(
            record, school_class.id, arrived, ink=sent.ink, delivery=taken.delivery
        )
        return Answer(is_new)
    answers = school_class.customs.answers
    if kind is Kind.LETTER:
        kept, is_new = take_in(
            record,
            school_class,
            arrived,
            letter=target,
            help=help,
            ink=sent.ink,
            delivery=taken.delivery,
            checks=checks,
        )
        if not answers:
            return Answer(is_new)
        checked = kept.attempt.checked
        if not checked.is_judged:
            return Answer(is_new, checked.say)
        first = first_to_mend(by_trust(checked.findings, taken.doubts))
        say = told_here(checked.findings, checked.verdicts, taken.doubts)
        return Answer(is_new, say, (first.stroke, first.move) if first else None)
    text, is_new = take_in_text(
        record,
        school_class,
        arrived,
        kind=kind,
        target=target,
        help=help,
        ink=sent.ink,
        delivery=taken.delivery,
        checks=checks,
    )
    return Answer(is_new, _told(text.text, taken.doubts) if answers else None)


def _told(text: NewText, doubts: Collection[Code]) -> str:
    """What a child is told of a text."""
    if not is_judged_by(text.checker):
        return str(text.answer["say"])
    findings = [finding_from(one) for one in text.answer["findings"]]
    return told_here(findings, verdicts_of_answer(text.answer), doubts)


def seated(school_class: ClassRecord, who: InLesson) -> PupilRecord | None:
    """The child that sits at a pad, if it is of the class."""
    return next((one for one in school_class.pupils if one.id == who.pad.pupil_id), None)


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
    pupil = seated(school_class, who)
    found = moment(session, school_class, who, pupil).asked_with
    return found if found is not None and found.id == prompt_id else None
