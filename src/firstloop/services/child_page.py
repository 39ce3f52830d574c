"""A child's page: how its letters and habits stand, each letter's story, how large it writes, and
what of that holds in words."""

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, datetime, timedelta

from firstloop.core.evidence.ink import Ink
from firstloop.core.judging.text_habits import NEWEST, TextHabit, text_habits
from firstloop.core.letters import draw
from firstloop.core.progress.estimates import HabitEstimate
from firstloop.core.progress.evidence import letter_key
from firstloop.core.progress.in_words import Compared
from firstloop.core.progress.of_class import LetterOfChild, letters_of
from firstloop.core.progress.sizes import Part, Spread, reached, spreads
from firstloop.services import progress
from firstloop.services.class_map import COMPARED, NOTHING_KNOWN, FamilySpan, families_of
from firstloop.services.clock import day_of
from firstloop.store import attempts, inks, pupils, school, stories
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord, PupilRecord

PICTURES = 4
"""Of a letter's story: as many as stand side by side on a phone."""

WEEKS, A_WEEKS_LETTERS = 10, 12
"""Weeks of which sizes are shown, and letters of each: a plot that is read at a glance, in as much
ink as is read at once."""

LOOKED_THROUGH = timedelta(weeks=26)
"""Before the latest letter, for ten weeks in which the child wrote: holidays lie between; and
before today, for its texts."""


@dataclass(frozen=True, slots=True, eq=False)
class Picture:
    """A letter as it was written, on which day."""

    attempt_id: int
    day: date
    ink: Ink


@dataclass(frozen=True, slots=True, eq=False)
class LetterStory:
    """A letter of a child: how it stands, the pictures of it (the oldest first), and how it does in
    words."""

    letter: str
    stands: LetterOfChild
    pictures: tuple[Picture, ...]
    compared: Compared


@dataclass(frozen=True, slots=True)
class Week:
    """The week from a Monday on, and what letters reached in it."""

    monday: date
    spreads: Mapping[Part, Spread]


@dataclass(frozen=True, slots=True, eq=False)
class ChildPage:
    """All that there is on a child's page but care: its letters in the class's families, of those
    that are taught or were written; its habits, over movements and over texts, that anything is
    known of, and its weeks."""

    pupil: PupilRecord
    day: date
    since: date | None
    families: tuple[FamilySpan, ...]
    letters: tuple[LetterStory, ...]
    habits: tuple[HabitEstimate, ...]
    text_habits: tuple[TextHabit, ...]
    weeks: tuple[Week, ...]


def child_page(
    record: Database, school_class: ClassRecord, pupil_id: int, now: datetime
) -> ChildPage:
    """The page of a child of a class; raises NotInRecordError."""
    with record.session() as session:
        pupil = pupils.get(session, school_class.id, pupil_id)
        today = day_of(now, school.zone(session))
    progress.keep_marks(record, school_class.id, today)
    with record.session() as session:
        stand = progress.of_child(session, school_class, pupil_id, today)
        letters = letters_of(stand.letters) if stand else {}
        spans = families_of(session, school_class)
        names = [name for family in spans for name in family.letters]
        told = stories.of_letters(session, school_class.id, pupil_id, names, PICTURES)
        ink = inks.of(session, [at for story in told.values() for at, _ in story])
        last = max((day for story in told.values() for _, day in story), default=today)
        since = last - COMPARED
        words = stories.in_words(session, school_class.id, since, today, pupil_id)
        families, found = [], []
        for family in spans:
            theirs = []
            for name in family.letters:
                key = letter_key(name, joins=school_class.hand.joins)
                if name not in told and key not in letters:
                    continue
                theirs.append(name)
                found.append(
                    LetterStory(
                        name,
                        letters.get(key, NOTHING_KNOWN),
                        tuple(Picture(a, d, ink[a]) for a, d in told.get(name, ()) if a in ink),
                        words.get((pupil_id, name), Compared()),
                    )
                )
            if theirs:
                families.append(FamilySpan(family.name, tuple(theirs)))
        return ChildPage(
            pupil=pupil,
            day=today,
            since=attempts.first_days(session, school_class.id).get(pupil_id),
            families=tuple(families),
            letters=tuple(found),
            habits=stand.habits if stand else (),
            text_habits=_text_habits(session, school_class.id, pupil_id, today),
            weeks=_weeks(session, school_class, pupil_id, last - LOOKED_THROUGH),
        )


def _text_habits(
    session: Session, class_id: int, pupil_id: int, today: date
) -> tuple[TextHabit, ...]:
    days = (today - LOOKED_THROUGH, today)
    return text_habits(stories.of_texts(session, class_id, days, NEWEST, pupil_id)[pupil_id])


def _weeks(
    session: Session, school_class: ClassRecord, pupil_id: int, since: date
) -> tuple[Week, ...]:
    """What letters reached, week by week, in the hand and on the lines of the class."""
    class_id = school_class.id
    written = stories.of_weeks(session, class_id, pupil_id, since, (WEEKS, A_WEEKS_LETTERS))
    ink = inks.of(session, [attempt_id for attempt_id, _, _ in written])
    hand, ruling = school_class.hand, school_class.ruling
    of_monday = defaultdict[date, list[tuple[Part, float]]](list)
    for attempt_id, letter, day in written:
        script = hand.scripts.get(letter)
        if script is not None and attempt_id in ink:
            model = draw(script, hand.proportions, ruling)
            monday = day - timedelta(days=day.weekday())
            of_monday[monday] += reached(model, ink[attempt_id])
    return tuple(
        Week(monday, found) for monday in sorted(of_monday) if (found := spreads(of_monday[monday]))
    )
