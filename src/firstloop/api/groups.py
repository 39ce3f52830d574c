"""Groups for tomorrow: who could practise what together, and who is to be kept apart."""

from datetime import date

from fastapi import APIRouter

from firstloop.api.answer import Answer
from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Hers, Now, Record
from firstloop.api.sent import Id, Sent
from firstloop.core.contract import Code, Dimension
from firstloop.core.progress.groups import Alone
from firstloop.core.teaching.steps import Shape
from firstloop.services.groups import GroupsFound, TopicGroup, groups_for, keep_apart

router = APIRouter(prefix="/api/grow", tags=["grow"])


class MemberOut(Answer):
    """A child of a group, and the letters and dimensions that show what it needs."""

    pupil: PupilOut
    letters: list[str]
    dimensions: list[Dimension]


class GroupLesson(Answer):
    """The lesson that a group could have, as it is sent to be planned."""

    new: list[str]
    minutes: int
    shape: Shape
    habit: Code | None
    group: list[int]


class PlannedOut(Answer):
    """The lesson that is planned for a group, and for when."""

    lesson: int
    day: date


class GroupOut(Answer):
    """Children who practise one thing together: a movement by name, in which dimension; or a letter
    (null); the lesson that it could have, and the one that is planned for just these."""

    name: str
    dimension: Dimension | None
    letters: list[str]
    members: list[MemberOut]
    lesson: GroupLesson
    planned: PlannedOut | None


class AloneOut(Answer):
    """A child who needs something, is in no group, and why."""

    pupil: PupilOut
    why: Alone


class ApartOut(Answer):
    """Two children who are not put into one group."""

    one: PupilOut
    other: PupilOut


class GroupsOut(Answer):
    """The groups, who is left alone, who is kept apart; today, and the next day of school."""

    today: date
    next_day: date
    groups: list[GroupOut]
    alone: list[AloneOut]
    apart: list[ApartOut]


class ApartIn(Sent):
    """Whether two children are kept apart."""

    one_id: Id
    other_id: Id
    apart: bool


@router.get("/groups")
def get_groups(record: Record, school_class: Class, asks: Hers, now: Now) -> GroupsOut:
    """Groups of two to six who share a weak movement or letter. Who is kept apart only the class's
    teacher is told."""
    found = _groups_out(groups_for(record, school_class, now))
    return found if asks.is_teacher else found.model_copy(update={"apart": []})


@router.put("/apart")
def put_apart(record: Record, school_class: Class, now: Now, sent: ApartIn) -> GroupsOut:
    """Keeps two children apart, or no longer; the groups that follow."""
    keep_apart(record, school_class.id, sent.one_id, sent.other_id, apart=sent.apart)
    return _groups_out(groups_for(record, school_class, now))


def _groups_out(found: GroupsFound) -> GroupsOut:
    return GroupsOut(
        today=found.today,
        next_day=found.next_day,
        groups=[_group_out(group) for group in found.groups],
        alone=[AloneOut(pupil=pupil_out(pupil), why=why) for pupil, why in found.alone],
        apart=[ApartOut(one=pupil_out(one), other=pupil_out(other)) for one, other in found.apart],
    )


def _group_out(group: TopicGroup) -> GroupOut:
    topic, asked, planned = group.topic, group.asked, group.planned
    return GroupOut(
        name=topic.name,
        dimension=topic.dimension,
        letters=list(topic.letters),
        members=[
            MemberOut(
                pupil=pupil_out(one.pupil),
                letters=list(one.letters),
                dimensions=list(one.dimensions),
            )
            for one in group.members
        ],
        lesson=GroupLesson(
            new=list(asked.new),
            minutes=asked.minutes or 0,
            shape=asked.shape,
            habit=asked.habit,
            group=sorted(asked.group or ()),
        ),
        planned=PlannedOut(lesson=planned.id, day=planned.day) if planned else None,
    )
