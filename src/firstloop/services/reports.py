"""A report on a child: from its page, as much of it as is asked for."""

from collections import defaultdict
from collections.abc import Collection, Iterator
from datetime import datetime

from firstloop.core.progress.estimates import LetterState
from firstloop.core.progress.evidence import letter_key
from firstloop.core.progress.report import (
    MOST_SHOWN,
    THINGS_TO_PRACTISE,
    WHERE,
    Include,
    Report,
    ThenAndNow,
    ToPractise,
    how_to_practise,
)
from firstloop.core.teaching.care import CARE
from firstloop.services import progress
from firstloop.services.child_page import ChildPage, LetterStory, child_page
from firstloop.services.lessons import letters_taught
from firstloop.services.weak import Weakness, weaknesses_of
from firstloop.store import care
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from firstloop.store.staff import NotHersError

_SHOWN_FIRST = (
    LetterState.SECURE,
    LetterState.NEARLY,
    LetterState.NOT_YET,
    LetterState.UNKNOWN,
)


ONLY_HERS = frozenset({Include.NOTES, Include.FLAGS})
"""What only the class's teacher sees and tells."""


def require_hers(include: Collection[Include], *, is_hers: bool) -> None:
    """Raises NotHersError where who asks only helps in the class and what is asked for is hers."""
    if not is_hers and not ONLY_HERS.isdisjoint(include):
        raise NotHersError("what the class's teacher saw in a child and noted of it is hers alone")


def report(
    record: Database,
    school_class: ClassRecord,
    pupil_id: int,
    include: Collection[Include],
    now: datetime,
) -> Report:
    """The report on a child, with what is included; raises NotInRecordError."""
    page = child_page(record, school_class, pupil_id, now)
    with record.session() as session:
        child = progress.of_child(session, school_class, pupil_id, page.day)
        taught = letters_taught(session, school_class)
        notes = care.notes(session, school_class.id, pupil_id)
        flags = care.flags(session, school_class.id, pupil_id)
    keys = {letter_key(one, joins=school_class.hand.joins): one for one in taught}
    weak = [*weaknesses_of(pupil_id, child, keys)] if child else []
    return Report(
        name=page.pupil.name,
        class_name=school_class.name,
        since=page.since,
        until=page.day,
        stands=_stands(page) if Include.STANDS in include else {},
        then_and_now=_then_and_now(page) if Include.THEN_AND_NOW in include else (),
        practise=tuple(_to_practise(weak)) if Include.PRACTISE in include else (),
        notes=tuple(one.text for one in notes) if Include.NOTES in include else (),
        flags=tuple(CARE[one.kind].name for one in flags if one.done is None)
        if Include.FLAGS in include
        else (),
    )


def _stands(page: ChildPage) -> dict[LetterState, tuple[str, ...]]:
    found = defaultdict[LetterState, list[str]](list)
    for one in page.letters:
        found[one.stands.state].append(one.letter)
    return {state: tuple(letters) for state, letters in found.items()}


def _then_and_now(page: ChildPage) -> tuple[ThenAndNow, ...]:
    """The letters with most days between the first and the latest, of those that stand best."""
    told = [one for one in page.letters if len(one.pictures) > 1]
    chosen = sorted(told, key=_shown_first)[:MOST_SHOWN]
    return tuple(
        ThenAndNow(
            one.letter,
            one.pictures[0].ink,
            one.pictures[0].day,
            one.pictures[-1].ink,
            one.pictures[-1].day,
        )
        for one in page.letters
        if one in chosen
    )


def _shown_first(one: LetterStory) -> tuple[int, int]:
    days = (one.pictures[-1].day - one.pictures[0].day).days
    return _SHOWN_FIRST.index(one.stands.state), -days


def _to_practise(weak: list[Weakness]) -> Iterator[ToPractise]:
    """What weighs most; nothing whose letters are told of already."""
    told, things = set[str](), 0
    for one in sorted(weak, key=lambda one: -one.weight):
        if things == THINGS_TO_PRACTISE:
            return
        if told.isdisjoint(one.letters):
            told |= {*one.letters}
            things += 1
            yield ToPractise(_named(one), one.letters, how_to_practise(_habit_of(one)))


def _named(weak: Weakness) -> str:
    if isinstance(weak.what, str):
        return f"The letter {weak.what}: {' and '.join(WHERE[d] for d in weak.dimensions)}"
    return weak.what.habit.name.capitalize()


def _habit_of(weak: Weakness) -> str | None:
    return None if isinstance(weak.what, str) else weak.what.habit.key
