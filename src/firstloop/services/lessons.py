"""Lessons: what today is about, planning one, changing it, giving it."""

from collections import Counter, defaultdict
from collections.abc import Callable
from dataclasses import dataclass
from datetime import date, datetime, timedelta

from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import find_script
from firstloop.core.progress.habits import Strand, belongs_to_a_movement
from firstloop.core.teaching.due import Due, Practised, due
from firstloop.core.teaching.families import Family
from firstloop.core.teaching.habits import LOOKED_AT_DAYS, Habit, Slipped, habits
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.load import pace_of
from firstloop.core.teaching.pad_tasks import Doing
from firstloop.core.teaching.planning import Next, propose, what_next
from firstloop.core.teaching.steps import Shape, StepKind, usual_minutes
from firstloop.core.teaching.under_way import UnderWay, under_way
from firstloop.core.text.joins import pairs_in
from firstloop.core.vocabulary.language import long_date
from firstloop.services import joined_plan, progress, schemes
from firstloop.services.clock import day_of
from firstloop.services.pad_seats import TAKEN_LATE
from firstloop.services.trusting import doubted_in
from firstloop.services.weak import Weakness, slip_of, weaknesses
from firstloop.store import (
    classes,
    happenings,
    lesson_codes,
    lessons,
    own_vocabulary,
    practice_days,
    pupils,
    school,
    slipped,
    taught_letters,
    taught_words,
)
from firstloop.store.database import Database, Session
from firstloop.store.happenings import What
from firstloop.store.records import ClassRecord, LessonRecord

SCHOOL_DAYS = 5
STAGES = 2
"""Of the way from print to joined: as many are offered as there are letters."""
LOOKED_AT = timedelta(days=LOOKED_AT_DAYS)


@dataclass(frozen=True, slots=True)
class Today:
    """What there is to know of a day: the letters and whole words that are taught, the families of
    the class's scheme, what could come next, what is due, the lessons of its week by day, and its
    own lesson, if there is one; and those of its groups, which go on beside each other."""

    day: date
    taught: tuple[str, ...]
    families: tuple[Family, ...]
    taught_words: tuple[str, ...]
    next: tuple[Next, ...]
    due: tuple[Due, ...]
    week: tuple[tuple[date, tuple[LessonRecord, ...]], ...]
    lesson: LessonRecord | None
    of_groups: tuple[LessonRecord, ...]


def today(session: Session, school_class: ClassRecord, now: datetime) -> Today:
    """Today, as the teacher finds it."""
    scheme = schemes.find(session, school_class, school_class.scheme)
    stages = joined_plan.next_stages(session, school_class)
    day = day_of(now, school.zone(session))
    taught = tuple(letters_taught(session, school_class))
    words = tuple(taught_words.of_class(session, school_class.id))
    monday = day - timedelta(days=day.weekday())
    found = lessons.between(session, school_class.id, monday, monday + timedelta(days=6))
    coming_back = due(_practised(session, school_class, day), day)
    days = [monday + timedelta(days=at) for at in range(SCHOOL_DAYS)]
    mine = [one for one in found if one.day == day and one.group is None]
    return Today(
        day=day,
        taught=taught,
        taught_words=words,
        families=tuple(scheme.families),
        next=(
            *(Next(one.parts, one.why) for one in stages[:STAGES]),
            *what_next(scheme, taught, school_class.customs.largest_family),
        ),
        due=coming_back,
        week=tuple((one, tuple(k for k in found if k.day == one)) for one in days),
        lesson=mine[-1] if mine else None,
        of_groups=tuple(one for one in found if one.day == day and one.group is not None),
    )


@dataclass(frozen=True, slots=True)
class Asked:
    """The lesson that a teacher asks for: what it is on, its shape, its minutes (None: what such a
    lesson usually has), and of one that mends a habit, which; for which children, where it is a
    group's; for today, or for the next day of school."""

    new: tuple[str, ...]
    minutes: int | None = None
    shape: Shape = Shape.FULL
    habit: Code | None = None
    group: frozenset[int] | None = None
    next_day: bool = False


def proposal(session: Session, school_class: ClassRecord, asked: Asked, now: datetime) -> Lesson:
    """The lesson that would be planned; nothing is kept. Raises LessonError and
    UnknownLetterError."""
    for letter in "".join(asked.new):
        find_script(letter, school_class.hand)
    minutes = asked.minutes or usual_minutes(asked.shape, len(asked.new))
    day = day_of(now, school.zone(session))
    return propose(
        asked.new,
        minutes,
        taught=letters_taught(session, school_class),
        due=due(_practised(session, school_class, day), day),
        own_words=own_vocabulary.of_class(session, school_class.id),
        shape=asked.shape,
        habit=asked.habit,
        joins=school_class.hand.joins,
        taught_words=taught_words.of_class(session, school_class.id),
        slips=school_class.customs.slips,
        called=school_class.customs.called,
        date_text=long_date(day, school_class.language),
    )


def plan(record: Database, school_class: ClassRecord, asked: Asked, now: datetime) -> LessonRecord:
    """Plans a lesson, in place of one of that day that was planned and not given: the class's in
    place of the class's, a group's in place of those of its children. One that is open to pads
    stays, and so does one of which pads may still hand in. Raises LessonError, UnknownLetterError,
    and NotInRecordError for children who are not of the class."""
    with record.session() as session:
        lesson = proposal(session, school_class, asked, now)
        for pupil_id in asked.group or ():
            pupils.get(session, school_class.id, pupil_id)
    with record.writing() as session:
        return _planned(session, school_class, lesson, now, asked.group, next_day=asked.next_day)


def _planned(  # which lesson, for whom, when
    session: Session,
    school_class: ClassRecord,
    lesson: Lesson,
    now: datetime,
    group: frozenset[int] | None = None,
    *,
    next_day: bool = False,
) -> LessonRecord:
    today = day_of(now, school.zone(session))
    day = next_school_day(today) if next_day else today
    opened = lesson_codes.open_of(session, school_class.id, now - TAKEN_LATE)
    under_way = [one.lesson_id for one in opened if one.lesson_id]
    return lessons.add(session, school_class.id, day, lesson, under_way, group)


def next_school_day(day: date) -> date:
    """The next of the days on which there is school.

    >>> next_school_day(date(2026, 11, 27)).isoformat(), next_school_day(date(2026, 11, 30)).day
    ('2026-11-30', 1)
    """
    following = day + timedelta(days=1)
    return following if following.weekday() < SCHOOL_DAYS else next_school_day(following)


def again(
    record: Database, school_class: ClassRecord, lesson_id: int, now: datetime
) -> LessonRecord:
    """Plans today's lesson as one that was given before was, its notes and minutes with it, in
    place of one that was planned and not given. Raises NotInRecordError."""
    with record.writing() as session:
        before = lessons.get(session, school_class.id, lesson_id)
        return _planned(session, school_class, before.lesson, now)


def habits_of(session: Session, school_class: ClassRecord, now: datetime) -> tuple[Habit, ...]:
    """What several children could mend together: the movements and lines that they are weak in, by
    the estimates; and slips that belong to no movement, from what they wrote lately."""
    lately = slipped.since(session, school_class.id, now - LOOKED_AT)
    doubts = doubted_in(session, school_class.id)
    here = [o for o in lately if o.pupil_id in school_class.here and o.code not in doubts]
    taught = letters_taught(session, school_class)
    day = day_of(now, school.zone(session))
    by_strand = defaultdict[Strand, list[Weakness]](list)
    for weak in weaknesses(session, school_class, taught, day):
        if isinstance(weak.what, Strand):
            by_strand[weak.what].append(weak)
    weak_in = [
        (code, one.pupil_id, letter)
        for theirs in by_strand.values()
        if (code := slip_of(theirs, here))
        for one in theirs
        for letter in one.letters
    ]
    others = [one for one in here if not belongs_to_a_movement(one.code)]
    return habits([*(Slipped(code, x, pupil) for code, pupil, x in weak_in), *others], taught)


def slips_seen(
    session: Session, school_class: ClassRecord, letter: str, now: datetime
) -> dict[Code, float]:
    """Which share of the class's children had which slip in a letter of late."""
    here = school_class.here
    lately = slipped.since(session, school_class.id, now - LOOKED_AT)
    counts = Counter(one.code for one in lately if one.letter == letter and one.pupil_id in here)
    for code in doubted_in(session, school_class.id):
        counts.pop(code, None)
    return {code: count / len(here) for code, count in counts.items()}


def under_way_of(kept: LessonRecord, school_class: ClassRecord) -> UnderWay:
    """A lesson as it is given in its class: where it is, and what is shown, said and written."""
    return under_way(
        kept.lesson,
        kept.day,
        school_class.language,
        school_class.customs,
        kept.at,
        kept.part,
    )


def change(
    record: Database,
    class_id: int,
    lesson_id: int,
    changed: Callable[[Lesson], Lesson],
    now: datetime,
) -> LessonRecord:
    """Keeps a lesson as the teacher has changed it; raises NotInRecordError and LessonError."""
    with record.writing() as session:
        before = lessons.get(session, class_id, lesson_id)
        lesson_codes.tell_pads(session, class_id, lesson_id, What.TASK, now)
        return lessons.change(session, class_id, lesson_id, changed(before.lesson))


def remove(record: Database, class_id: int, lesson_id: int) -> None:
    """Deletes a lesson; what it taught stays taught. Raises NotInRecordError."""
    with record.writing() as session:
        lessons.remove(session, class_id, lesson_id)


def keep_written(  # noqa: PLR0917  # what is on which board
    record: Database, class_id: int, lesson_id: int, kind: StepKind, part: str | None, ink: Ink
) -> None:
    """Keeps what is on the board in a step; no ink: it was wiped. Raises NotInRecordError."""
    with record.writing() as session:
        lessons.keep_written(session, class_id, lesson_id, kind, ink, part=part)


def go_to(  # noqa: PLR0917  # where, of which lesson, when
    record: Database,
    class_id: int,
    lesson_id: int,
    at: StepKind,
    part: str | None,
    now: datetime,
    by: str | None = None,
) -> None:
    """The lesson comes to a step, and where that comes round, to a letter: boards and pads follow.
    `by` is the screen that went there. Raises NotInRecordError."""
    with record.writing() as session:
        lessons.go_to(session, class_id, lesson_id, at, part)
        kept = lessons.get(session, class_id, lesson_id)
        there = under_way_of(kept, classes.get(session, class_id)).now
        happenings.add(session, class_id, What.PLACE, now, lesson_id=lesson_id, by=by)
        is_choosing = there is not None and there.doing is Doing.CHOOSE
        what = What.CHOOSE if is_choosing else What.TASK
        lesson_codes.tell_pads(session, class_id, lesson_id, what, now)


def onwards(record: Database, class_id: int, lesson_id: int, now: datetime) -> None:
    """What the board shows goes on within its step; raises NotInRecordError."""
    with record.writing() as session:
        lessons.get(session, class_id, lesson_id)
        happenings.add(session, class_id, What.ONWARDS, now, lesson_id=lesson_id)


def close(
    record: Database, school_class: ClassRecord, lesson_id: int, now: datetime
) -> LessonRecord:
    """The lesson was given: what was new in it is taught from its day on, not from today."""
    with record.writing() as session:
        given = lessons.set_given(session, school_class.id, lesson_id, now)
        lesson_codes.end(session, school_class.id, lesson_id, now)
        letters = set(given.lesson.taught)
        taught_words.add(session, school_class.id, set(given.lesson.whole_words), given.day)
        if school_class.hand.joins:
            pairs = set(pairs_in(given.lesson.new)) if given.lesson.shape.teaches else set()
            joined_plan.teach(session, school_class.id, letters, pairs, given.day)
        else:
            taught_letters.add(session, school_class.id, letters, given.day, joined=False)
        return given


def set_taught(
    record: Database,
    school_class: ClassRecord,
    letters: set[str],
    now: datetime,
    words: set[str] | None = None,
) -> tuple[str, ...]:
    """Sets which letters are taught in the class's hand, and which whole words (None: as they are),
    whatever lessons were given; the letters that are."""
    with record.writing() as session:
        day = day_of(now, school.zone(session))
        joined = school_class.hand.joins
        taught_letters.replace(session, school_class.id, letters, day, joined=joined)
        if words is not None:
            taught_words.replace(session, school_class.id, words, day)
        return tuple(letters_taught(session, school_class))


def pace_of_class(session: Session, school_class: ClassRecord) -> float:
    """Letters a minute: by the class's stage, or by what its own pads know."""
    gaps = practice_days.gaps_between_letters(session, school_class.id)
    return pace_of(school_class.stage, gaps)


def letters_taught(session: Session, school_class: ClassRecord) -> dict[str, date]:
    """The letters that are taught in the hand that the class writes now."""
    return taught_letters.of_class(session, school_class.id, joined=school_class.hand.joins)


def _practised(session: Session, school_class: ClassRecord, day: date) -> list[Practised]:
    """Every taught letter, as it was practised, and every word that was taught as it stands."""
    wrote = practice_days.of_class(session, school_class.id)
    stand = progress.of_class(session, school_class, day)
    words = taught_words.of_class(session, school_class.id)
    letters = [
        Practised(
            letter=letter,
            taught=since,
            last=max(since, wrote[letter][0]) if letter in wrote else since,
            pause_days=stands.pause_days,
            shaky=stands.shaky,
        )
        for letter, since in letters_taught(session, school_class).items()
        for stands in [stand(letter)]
    ]
    return letters + [Practised(word, since, since, 1, 0.0) for word, since in words.items()]
