"""How the children of a class stand, on any day: from the newest marks before it, and what was
written since."""

from collections import defaultdict
from collections.abc import Callable, Collection, Iterator
from datetime import date, timedelta

from firstloop.core.progress.estimates import (
    ChildEstimates,
    LetterEstimate,
    estimates,
    letters_of_all,
)
from firstloop.core.progress.evidence import Evidence, bounds, letter_key
from firstloop.core.progress.following import follow
from firstloop.core.progress.model import (
    attempts_of,
    nothing_held,
    rules_for,
    with_letters,
)
from firstloop.core.progress.of_class import LetterOfClass, class_of, letters_of
from firstloop.store import attempts, classes, evidence, finding_trust, progress_marks
from firstloop.store.database import Database, Session
from firstloop.store.progress_marks import Mark
from firstloop.store.records import ClassRecord

MARKED_EVERY = 7
"""Days between marks that stay: a past day is no more than a week of letters from one."""

BEGINNING = date(1970, 1, 1)
A_DAY = timedelta(days=1)


def stand(
    session: Session, school_class: ClassRecord, *days: date
) -> list[dict[int, tuple[LetterEstimate, ...]]]:
    """How the letters of each child of a class stand at the end of some days, the earliest first,
    by all that was written until then."""
    found = []
    for day in sorted(days):
        marks = _followed(session, school_class.id, school_class.here, day)
        moment = float((day - BEGINNING).days + 1)
        stands = letters_of_all([(mark.held, mark.letters) for mark in marks.values()], moment)
        found.append(dict(zip(marks, stands, strict=True)))
    return found


def children(session: Session, school_class: ClassRecord, day: date) -> dict[int, ChildEstimates]:
    """How each child of a class stands at the end of a day, its habits too."""
    moment = float((day - BEGINNING).days + 1)
    marks = _followed(session, school_class.id, school_class.here, day)
    return {
        mark.pupil_id: estimates(mark.held, mark.letters, range(len(mark.letters)), moment)
        for mark in marks.values()
    }


def of_child(
    session: Session, school_class: ClassRecord, pupil_id: int, day: date
) -> ChildEstimates | None:
    """How one child of a class stands at the end of a day, its habits too; None where it wrote
    nothing."""
    moment = float((day - BEGINNING).days + 1)
    mark = _followed(session, school_class.id, [pupil_id], day).get(pupil_id)
    if mark is None:
        return None
    return estimates(mark.held, mark.letters, range(len(mark.letters)), moment)


def of_class(
    session: Session, school_class: ClassRecord, day: date
) -> Callable[[str], LetterOfClass]:
    """How the letters of a class stand in all children together, by name, in the hand that the
    class writes."""
    (stands,) = stand(session, school_class, day)
    children = [letters_of(child) for child in stands.values()]
    joins = school_class.hand.joins

    def of_letter(letter: str) -> LetterOfClass:
        key = letter_key(letter, joins=joins)
        return class_of(child[key] for child in children if key in child)

    return of_letter


def keep_marks(record: Database, class_id: int, today: date) -> None:
    """Makes the marks that a class lacks: of days that stay marked, and of yesterday, for today's
    pages; what was yesterday's before goes. Each day's in a write of its own: what a child wrote
    changes meanwhile or not, but not in between."""
    yesterday = today - A_DAY
    with record.session() as session:
        wrote = attempts.first_days(session, class_id)
        marked = progress_marks.newest_days(session, class_id, yesterday)
    # Who wrote nothing has no marks, and lacks none.
    begin = min((marked.get(child, first - A_DAY) for child, first in wrote.items()), default=today)
    for day in _days_to_mark(begin, yesterday):
        with record.writing() as session:
            behind = {child for child in wrote if marked.get(child, BEGINNING) < day}
            progress_marks.keep(
                session, class_id, _followed(session, class_id, behind, day).values()
            )
    if begin < yesterday:
        with record.writing() as session:
            days = progress_marks.days_of(session, class_id)
            gone = {day for day in days if not _stays(day) and day < yesterday}
            progress_marks.without(session, class_id, gone)


def rebuild(record: Database, today: date) -> None:
    """Makes all marks of all classes afresh."""
    with record.writing() as session:
        progress_marks.clear(session)
        found = [one.id for one in classes.every(session)]
    for class_id in found:
        keep_marks(record, class_id, today)


def _stays(day: date) -> bool:
    return (day - BEGINNING).days % MARKED_EVERY == 0


def _days_to_mark(after: date, until: date) -> Iterator[date]:
    """Days that stay marked, after a day and before another; and that one."""
    day = after + timedelta(days=MARKED_EVERY - (after - BEGINNING).days % MARKED_EVERY)
    while day < until:
        yield day
        day += timedelta(days=MARKED_EVERY)
    if after < until:
        yield until


def _followed(
    session: Session, class_id: int, pupil_ids: Collection[int], day: date
) -> dict[int, Mark]:
    """What is held of children of a class at the end of a day, from their newest marks before it;
    nothing of who wrote nothing."""
    trust = finding_trust.of_class(session, class_id)
    known = progress_marks.newest(session, class_id, day)
    by_day = defaultdict[date | None, list[int]](list)
    for pupil_id in sorted(pupil_ids):
        by_day[known[pupil_id].day if pupil_id in known else None].append(pupil_id)
    found = dict[int, Mark]()
    for after, together in by_day.items():
        since = evidence.of_children(session, class_id, together, after, day, trust).in_order()
        for pupil_id in together:
            if pupil_id in known or pupil_id in since.pupils:
                found[pupil_id] = _carried_on(known.get(pupil_id), pupil_id, since, day)
    return found


def _carried_on(before: Mark | None, pupil_id: int, since: Evidence, day: date) -> Mark:
    """A child's mark carried on by what it wrote since."""
    known = before.letters if before else ()
    begin, end = 0, 0
    if pupil_id in since.pupils:
        place = since.pupils.index(pupil_id)
        ends = bounds(since.pupil, len(since.pupils))
        begin, end = int(ends[place]), int(ends[place + 1])
    new = {since.letters[at] for at in set(since.letter[begin:end].tolist())}
    letters = tuple(sorted({*known, *new}))
    held = with_letters(before.held, known, letters) if before else nothing_held(len(letters))
    if begin < end:
        own = since.renamed(letters, begin, end)
        follow(held, attempts_of(own, 0, len(own)), rules_for(letters))
    return Mark(pupil_id, day, letters, held)
