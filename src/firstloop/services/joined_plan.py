"""From print to joined: the plan a class follows, how far it is, and what it joins meanwhile."""

from dataclasses import dataclass
from datetime import date, datetime

from firstloop.core.teaching.joined_plan import JoiningError, Stage, checked, fitting, is_done, plan
from firstloop.core.text.joins import is_joined, kinds_of, pairs_in
from firstloop.core.text.words import Joins
from firstloop.services import schemes
from firstloop.services.clock import day_of
from firstloop.store import classes, lessons, school, taught_joins, taught_letters
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord


@dataclass(frozen=True, slots=True)
class Joining:
    """A class's plan, for each stage whether it is done, and whether the plan is the teacher's own.
    A class that prints has none."""

    stages: tuple[tuple[Stage, bool], ...]
    own: bool


def find(session: Session, school_class: ClassRecord) -> Joining:
    """The plan, and how far it is."""
    stages = _stages(session, school_class)
    letters = taught_letters.of_class(session, school_class.id, joined=True)
    pairs = taught_joins.of_class(session, school_class.id)
    done = tuple((stage, is_done(stage, letters, pairs)) for stage in stages)
    return Joining(done, school_class.joining is not None)


def follow(record: Database, school_class: ClassRecord, stages: list[list[str]] | None) -> None:
    """Keeps a plan of the teacher's own, or with None goes back to the computed one; raises
    JoiningError."""
    if stages is not None:
        if not school_class.hand.joins:
            raise JoiningError("the class prints; choose a joined hand first")
        checked(stages, school_class.hand)
    with record.writing() as session:
        classes.set_joining(session, school_class.id, stages)


def set_taught(
    record: Database, school_class: ClassRecord, parts: list[str], now: datetime, *, taught: bool
) -> None:
    """Says of letters or pairs that they are taught in the joined hand, or are not; raises
    JoiningError for what the hand does not join."""
    if taught:
        checked([parts], school_class.hand)
    letters = {part for part in parts if len(part) == 1}
    pairs = set(parts) - letters
    with record.writing() as session:
        today = day_of(now, school.zone(session))
        known = set(taught_letters.of_class(session, school_class.id, joined=True))
        if taught:
            teach(session, school_class.id, letters, pairs, today)
        else:
            taught_letters.replace(session, school_class.id, known - letters, today, joined=True)
            taught_joins.forget(session, school_class.id, pairs)


def teach(session: Session, class_id: int, letters: set[str], pairs: set[str], since: date) -> None:
    """Letters and joins of a joined hand are taught since a day."""
    taught_letters.add(session, class_id, letters, since, joined=True)
    taught_joins.add(session, class_id, pairs, since)


def joins_of(session: Session, school_class: ClassRecord, today: date) -> Joins | None:
    """Which letters the class joins: None for all; or, if it lets others stand open, those whose
    join is taught, or is being taught in today's lesson."""
    hand = school_class.hand
    if not hand.joins or not school_class.customs.open_joins:
        return None
    lesson = lessons.between(session, school_class.id, today, today)
    pairs = (
        *taught_joins.of_class(session, school_class.id),
        *pairs_in(part for one in lesson for part in one.lesson.new),
    )
    kinds = kinds_of(pairs, hand)
    return lambda pair: is_joined(pair, hand, kinds)


def next_stages(session: Session, school_class: ClassRecord) -> tuple[Stage, ...]:
    """The stages that are not done, in their order."""
    return tuple(stage for stage, done in find(session, school_class).stages if not done)


def _stages(session: Session, school_class: ClassRecord) -> tuple[Stage, ...]:
    hand = school_class.hand
    if not hand.joins:
        return ()
    computed = plan(schemes.find(session, school_class, school_class.scheme), hand)
    if school_class.joining is None:
        return computed
    return fitting(school_class.joining, hand, computed)
