"""Handing in: something written is checked and kept, with how the letter stands since. Where the
check fails the ink is kept all the same, and judged by a later one."""

from dataclasses import dataclass, replace
from datetime import date, datetime

from firstloop.core.checking.say.findings import LetterResult, TextResult
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.image import SeenInk
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Help, Kind, Source, Task
from firstloop.core.text.joins import pairs_in
from firstloop.formats.result_json import as_json, unjudged_json
from firstloop.services import joined_plan
from firstloop.services.checks import evidence_of
from firstloop.services.checks_aside import HERE, Checks
from firstloop.services.clock import day_of
from firstloop.store import (
    attempts,
    handed_in,
    happenings,
    practice_days,
    progress_marks,
    pupils,
    school,
    texts,
)
from firstloop.store.database import Database, Session
from firstloop.store.handed_in import Delivery, KeptAs
from firstloop.store.happenings import What
from firstloop.store.records import (
    AttemptRecord,
    Checked,
    ClassRecord,
    InText,
    NewAttempt,
    NewText,
    PupilRecord,
    TextRecord,
)

THINNED = 3
"""Of the even points of a letter in a text every third is kept: 0.06 u apart."""


@dataclass(frozen=True, slots=True)
class Arrival:
    """What is looked up before something is checked that comes: as what it is kept already (None:
    it is new), whose it is, when it was written, and on which day of the school's."""

    before: KeptAs | None
    pupil: PupilRecord
    written_at: datetime
    day: date


def arrival(
    session: Session,
    school_class: ClassRecord,
    pupil_id: int,
    written_at: datetime,
    delivery: Delivery | None = None,
) -> Arrival:
    """Looks up what is to be known of something that comes. Raises NotInRecordError,
    AnotherCameFirstError or TakenBackError."""
    before = handed_in.kept_as(session, delivery) if delivery else None
    pupil = pupils.get(session, school_class.id, pupil_id)
    return Arrival(before, pupil, written_at, day_of(written_at, school.zone(session)))


def hand_in(
    record: Database,
    school_class: ClassRecord,
    *,
    pupil_id: int,
    letter: str,
    help: Help,
    ink: Ink,
    written_at: datetime,
    delivery: Delivery | None = None,
) -> tuple[AttemptRecord, bool]:
    """A letter comes: looks up what is to be known of it, checks and keeps it (`take_in`)."""
    with record.session() as session:
        arrived = arrival(session, school_class, pupil_id, written_at, delivery)
    return take_in(
        record, school_class, arrived, letter=letter, help=help, ink=ink, delivery=delivery
    )


def hand_in_text(
    record: Database,
    school_class: ClassRecord,
    *,
    pupil_id: int,
    kind: Kind,
    target: str,
    help: Help,
    ink: Ink,
    written_at: datetime,
    delivery: Delivery | None = None,
) -> tuple[TextRecord, bool]:
    """A text comes: looks up what is to be known of it, checks and keeps it (`take_in_text`)."""
    with record.session() as session:
        arrived = arrival(session, school_class, pupil_id, written_at, delivery)
    return take_in_text(
        record,
        school_class,
        arrived,
        kind=kind,
        target=target,
        help=help,
        ink=ink,
        delivery=delivery,
    )


def take_in(
    record: Database,
    school_class: ClassRecord,
    arrived: Arrival,
    *,
    letter: str,
    help: Help,
    ink: Ink,
    source: Source = Source.PEN,
    delivery: Delivery | None = None,
    checks: Checks = HERE,
) -> tuple[AttemptRecord, bool]:
    """Checks a letter in the class's hand on the class's ruling, and keeps it; and whether it is
    new, or what its sender had sent before. Of what was seen on paper the ink is its lines.

    Raises InkError, UnknownLetterError, NotInRecordError, AnotherCameFirstError or TakenBackError;
    then nothing is kept.
    """
    if arrived.before:
        with record.session() as session:
            return attempts.get(session, school_class.id, arrived.before.id), False
    pupil, day = arrived.pupil, arrived.day
    stage = pupil.gets.stage or school_class.stage
    task = Task(letter, Kind.LETTER, pupil.handedness, stage)
    new = NewAttempt(
        pupil_id=pupil.id,
        task=task,
        source=source,
        help=help,
        style=school_class.style,
        ruling=school_class.ruling,
        written_at=arrived.written_at,
        day=day,
        checked=checks.letter(
            evidence_of(source, ink), task, school_class.style, school_class.ruling
        ),
    )
    with record.writing() as session:
        if delivery and (before := handed_in.kept_as(session, delivery)):
            return attempts.get(session, school_class.id, before.id), False
        kept_id = attempts.add(session, school_class.id, new, ink)
        practice_days.add(session, school_class.id, letter, day)
        progress_marks.forget(session, school_class.id, pupil.id, day)
        if delivery:
            handed_in.add(session, delivery, pupil.id, ink, attempt_id=kept_id)
            _tell(session, school_class.id, delivery, arrived.written_at)
    return AttemptRecord(kept_id, pupil, new, None), True


def take_in_text(
    record: Database,
    school_class: ClassRecord,
    arrived: Arrival,
    *,
    kind: Kind,
    target: str,
    help: Help,
    ink: Ink,
    source: Source = Source.PEN,
    delivery: Delivery | None = None,
    checks: Checks = HERE,
) -> tuple[TextRecord, bool]:
    """Checks a row, a word or a sentence in the class's hand on its ruling, and keeps it, and each
    letter of it that says something of how it is written as an attempt of its own; and whether it
    is new, or what its sender had sent before.

    Raises InkError, UnknownLetterError, UncheckedError, NotInRecordError, AnotherCameFirstError or
    TakenBackError; then nothing is kept.
    """
    pupil, day = arrived.pupil, arrived.day
    with record.session() as session:
        if arrived.before:
            return texts.get(session, school_class.id, arrived.before.id), False
        joins = joined_plan.joins_of(session, school_class, day)
    task = Task(
        target,
        kind,
        pupil.handedness,
        pupil.gets.stage or school_class.stage,
        open_pairs=frozenset(pair for pair in pairs_in([target]) if joins and not joins(pair)),
    )
    from_a_pad = delivery is not None and delivery.work is not None
    evidence = evidence_of(source, ink)
    result = _whatever_it_is(checks, evidence, task, school_class, from_a_pad=from_a_pad)
    new = NewText(
        pupil_id=pupil.id,
        task=task,
        source=source,
        help=help,
        style=school_class.style,
        ruling=school_class.ruling,
        written_at=arrived.written_at,
        day=day,
        checker=result.checker if result else Checked.unjudged().checker,
        answer=as_json(result) if result else unjudged_json(task, school_class.style.hand),
        ink=ink,
    )
    with record.writing() as session:
        if delivery and (before := handed_in.kept_as(session, delivery)):
            return texts.get(session, school_class.id, before.id), False
        text_id = texts.add(session, school_class.id, new)
        if result:
            keep_letters(session, school_class.id, new, result, text_id)
        if delivery:
            handed_in.add(session, delivery, pupil.id, ink, text_id=text_id)
            _tell(session, school_class.id, delivery, arrived.written_at)
    with record.session() as session:
        return texts.get(session, school_class.id, text_id), True


def keep_struck(
    record: Database, class_id: int, arrived: Arrival, *, ink: Ink, delivery: Delivery
) -> bool:
    """Keeps what a child struck through, as it is: nobody judges it; whether it is new. Raises
    InkError, NotInRecordError, AnotherCameFirstError or TakenBackError."""
    ink.require_a_text()
    if arrived.before:
        return False
    with record.writing() as session:
        if handed_in.kept_as(session, delivery):
            return False
        pupils.get(session, class_id, arrived.pupil.id)
        handed_in.add(session, delivery, arrived.pupil.id, ink)
        _tell(session, class_id, delivery, arrived.written_at)
    return True


def _tell(session: Session, class_id: int, delivery: Delivery, at: datetime) -> None:
    """Who looks on hears of it once it is kept."""
    moment = delivery.work.came_at if delivery.work else at
    happenings.add(session, class_id, What.ATTEMPT, moment, handed_in=str(delivery.id))


def _whatever_it_is(
    checks: Checks,
    ink: Ink | SeenInk,
    task: Task,
    school_class: ClassRecord,
    *,
    from_a_pad: bool,
) -> TextResult | None:
    """What the check says of a text; None where it failed, or does not look at such a text and a
    child who cannot write it anew was asked for it."""
    try:
        return checks.text(ink, task, school_class.style, school_class.ruling)
    except UncheckedError:
        if from_a_pad:
            return None
        raise


def keep_letters(
    session: Session, class_id: int, text: NewText, result: TextResult, text_id: int
) -> None:
    """Each letter that says something of how it is written, as an attempt of its own."""
    for place, letter in enumerate(result.letters):
        if letter.is_evidence:
            attempt = _letter_of(text, letter, InText(text_id, place))
            ink = Ink(tuple(Stroke.of(line[::THINNED]) for line in letter.lines))
            attempts.add(session, class_id, attempt, ink)
            practice_days.add(session, class_id, attempt.task.target, text.day)
    progress_marks.forget(session, class_id, text.pupil_id, text.day)


def _letter_of(text: NewText, letter: LetterResult, within: InText) -> NewAttempt:
    return NewAttempt(
        pupil_id=text.pupil_id,
        task=replace(text.task, target=letter.target or "", kind=Kind.LETTER),
        source=text.source,
        help=Help.WORD,
        style=text.style,
        ruling=text.ruling,
        written_at=text.written_at,
        day=text.day,
        checked=Checked.of_letter(letter, text.checker),
        within=within,
    )


def take_back_text(record: Database, class_id: int, text_id: int) -> None:
    """Takes a text out of the record, with its letters and everything that was said of them; raises
    NotInRecordError."""
    with record.writing() as session:
        gone = texts.get(session, class_id, text_id)
        letters = attempts.some(session, class_id, list(gone.attempts.values()))
        texts.remove(session, class_id, text_id)
        for one in letters:
            practice_days.add(session, class_id, one.attempt.task.target, one.attempt.day, -1)
        progress_marks.forget(session, class_id, gone.text.pupil_id, gone.text.day)


def take_back(record: Database, class_id: int, attempt_id: int) -> None:
    """Takes an attempt out of the record, with everything that was said of it; raises
    NotInRecordError."""
    with record.writing() as session:
        gone = attempts.get(session, class_id, attempt_id).attempt
        attempts.remove(session, class_id, attempt_id)
        practice_days.add(session, class_id, gone.task.target, gone.day, -1)
        progress_marks.forget(session, class_id, gone.pupil_id, gone.day)
