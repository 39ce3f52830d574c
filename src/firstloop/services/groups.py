"""Groups for tomorrow: who shares a weak movement or letter, by the estimates of today, with the
lesson that each group could have."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta

from firstloop.core.contract import Code, Dimension
from firstloop.core.errors import FirstLoopError
from firstloop.core.progress.groups import Alone, Need, Pair, grouped
from firstloop.core.teaching.habits import LOOKED_AT_DAYS, Slipped
from firstloop.core.teaching.steps import Shape
from firstloop.services.clock import day_of
from firstloop.services.lessons import Asked, letters_taught, next_school_day
from firstloop.services.weak import Weakness, letters_in, slip_of, weaknesses
from firstloop.store import kept_apart, lessons, school, slipped
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, LessonRecord, PupilRecord

MINUTES = 10
"""Of a group's lesson: it runs beside others."""

LETTERS_OF_A_LESSON = 4
"""So many letters are practised in ten minutes, those that are weak in most first."""


@dataclass(frozen=True, slots=True)
class Topic:
    """What a group practises: a habit by its name, in which dimension and with which letters; or
    one letter, `dimension` None. `code` is the slip that a lesson on it mends, where there is
    one."""

    name: str
    dimension: Dimension | None
    letters: tuple[str, ...]
    code: Code | None

    @property
    def asked(self) -> Asked:
        """The lesson on it, as Plan takes it."""
        shape = Shape.MEND if self.code else Shape.LOOK_BACK
        return Asked(self.letters[:LETTERS_OF_A_LESSON], MINUTES, shape, self.code)


@dataclass(frozen=True, slots=True)
class Member:
    """A child of a group, and the letters and dimensions that show what it needs."""

    pupil: PupilRecord
    letters: tuple[str, ...]
    dimensions: tuple[Dimension, ...]


@dataclass(frozen=True, slots=True)
class TopicGroup:
    """Children, by name, who practise one thing together; the lesson that is planned for just
    these, if there is one."""

    topic: Topic
    members: tuple[Member, ...]
    planned: LessonRecord | None = None

    @property
    def asked(self) -> Asked:
        """The lesson that it could have, as Plan takes it."""
        return replace(self.topic.asked, group=frozenset(one.pupil.id for one in self.members))


@dataclass(frozen=True, slots=True)
class GroupsFound:
    """The groups, who is left alone and why, the pairs that are kept apart; today, and the next day
    of school."""

    today: date
    next_day: date
    groups: tuple[TopicGroup, ...]
    alone: tuple[tuple[PupilRecord, Alone], ...]
    apart: tuple[tuple[PupilRecord, PupilRecord], ...]


def groups_for(record: Database, school_class: ClassRecord, now: datetime) -> GroupsFound:
    """The groups of a class, by all that was written until now."""
    with record.session() as session:
        day = day_of(now, school.zone(session))
        taught = letters_taught(session, school_class)
        weak = list(weaknesses(session, school_class, taught, day))
        pairs = kept_apart.of_class(session, school_class.id)
        slips = slipped.since(session, school_class.id, now - timedelta(LOOKED_AT_DAYS))
        next_day = next_school_day(day)
        coming = lessons.between(session, school_class.id, day, next_day)
    planned = {one.group: one for one in coming if one.group and one.given_at is None}
    here = {pupil.id: pupil for pupil in school_class.pupils}
    apart = {pair for pair in pairs if pair <= here.keys()}
    by_need = {(one.pupil_id, _key(one)): one for one in weak}
    needs = [Need(pupil_id, key, one.weight) for (pupil_id, key), one in by_need.items()]
    found = grouped(needs, apart)
    groups = []
    for group in found.groups:
        theirs = [by_need[pupil_id, group.topic] for pupil_id in group.pupil_ids]
        members = [Member(here[one.pupil_id], one.letters, one.dimensions) for one in theirs]
        by_name = sorted(members, key=lambda member: member.pupil.name)
        who = frozenset(one.pupil_id for one in theirs)
        groups.append(TopicGroup(_topic(theirs, slips), tuple(by_name), planned.get(who)))
    return GroupsFound(
        day,
        next_day,
        tuple(groups),
        tuple((here[pupil_id], why) for pupil_id, why in found.alone),
        tuple(sorted((_by_name(pair, here) for pair in apart), key=lambda pair: pair[0].name)),
    )


def _key(weak: Weakness) -> str:
    """What a weakness is called among the needs."""
    if isinstance(weak.what, str):
        return f"letter {weak.what}"
    return f"habit {weak.what.habit.key} {weak.what.dimension}"


def _topic(theirs: Sequence[Weakness], slips: Collection[Slipped]) -> Topic:
    what, letters = theirs[0].what, letters_in(theirs)
    if isinstance(what, str):
        return Topic(what, None, letters, None)
    return Topic(what.habit.name, what.dimension, letters, slip_of(theirs, slips))


def keep_apart(record: Database, class_id: int, one_id: int, other_id: int, *, apart: bool) -> None:
    """Keeps two children out of one group, or no longer; raises NotInRecordError and
    AlwaysTogetherError."""
    if one_id == other_id:
        raise AlwaysTogetherError("choose two children; one is always in its own group")
    with record.writing() as session:
        kept_apart.put(session, class_id, frozenset((one_id, other_id)), apart=apart)


class AlwaysTogetherError(FirstLoopError):
    """A child cannot be kept apart from itself."""


def _by_name(pair: Pair, here: Mapping[int, PupilRecord]) -> tuple[PupilRecord, PupilRecord]:
    one, other = sorted((here[pupil_id] for pupil_id in pair), key=lambda pupil: pupil.name)
    return one, other
