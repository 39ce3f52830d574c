"""The class list: children taken in, called otherwise, given pictures, put apart, moved,
deleted."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.classroom import InCopiesOut, in_copies_out
from firstloop.api.deps import Alike, Class, Db, Now, Record, Teacher, ToldToAll
from firstloop.api.problems import THERE_ALREADY
from firstloop.api.sent import Id, Key, Name, PathId, Sent
from firstloop.core.contract import Stage
from firstloop.core.evidence.task import Handedness
from firstloop.core.teaching.gets import Gets, LineSize, Side
from firstloop.core.teaching.roster import MOST_CHILDREN, Presence
from firstloop.services import children, classes
from firstloop.store import pupils

router = APIRouter(prefix="/api/classroom", tags=["classroom"])


class ChildIn(Sent):
    """A child to take in: what to call them, and the hand they write with."""

    name: Name
    handedness: Handedness = Handedness.RIGHT


Children = Annotated[list[ChildIn], Field(max_length=MOST_CHILDREN)]


class ChildrenIn(Sent):
    """Children to take in, all or none."""

    children: Annotated[Children, Field(min_length=1)]


class PresenceIn(Sent):
    """Whether a child is taught with the class."""

    presence: Presence


class TileIn(Sent):
    """A child's picture; null is none."""

    tile: Key | None


class GetsIn(Sent):
    """What a child gets; what is left out is as for the class."""

    lines: LineSize = LineSize.AS_CLASS
    fewer: bool = False
    more_help: bool = False
    model_side: Side | None = None
    stage: Stage | None = None


class MoveIn(Sent):
    """To which class a child goes."""

    class_id: Id


class RosterOut(Answer):
    """All children of the class, those who have left among them."""

    pupils: list[PupilOut]


@router.get("/pupils")
def get_roster(session: Db, school_class: Class) -> RosterOut:
    """The class list."""
    found = pupils.with_the_left(session, school_class.id)
    return RosterOut(pupils=[pupil_out(one) for one in found])


@router.post("/pupils", status_code=201, responses=THERE_ALREADY, dependencies=ToldToAll)
def post_pupils(
    record: Record, school_class: Class, sent: ChildrenIn, *, alike: Alike = False
) -> list[PupilOut]:
    """Takes children in, all or none."""
    made = children.take_in(record, school_class.id, as_pairs(sent.children), alike=alike)
    return [pupil_out(one) for one in made]


@router.put("/pupils/{pupil_id}", responses=THERE_ALREADY, dependencies=ToldToAll)
def put_pupil(
    record: Record, school_class: Class, pupil_id: PathId, sent: ChildIn, *, alike: Alike = False
) -> PupilOut:
    """Calls a child otherwise, or says that they write with the other hand."""
    changed = children.change(
        record, school_class.id, pupil_id, sent.name, sent.handedness, alike=alike
    )
    return pupil_out(changed)


@router.put("/pupils/{pupil_id}/presence", dependencies=ToldToAll)
def put_presence(
    record: Record, school_class: Class, pupil_id: PathId, now: Now, sent: PresenceIn
) -> PupilOut:
    """Puts a child apart, lets them leave or come back; their letters are kept."""
    changed = children.set_presence(record, school_class.id, pupil_id, sent.presence, now)
    return pupil_out(changed)


@router.put("/pupils/{pupil_id}/tile", responses=THERE_ALREADY, dependencies=ToldToAll)
def put_tile(record: Record, school_class: Class, pupil_id: PathId, sent: TileIn) -> PupilOut:
    """Gives a child a picture, or takes it away."""
    return pupil_out(children.set_tile(record, school_class.id, pupil_id, sent.tile))


@router.put("/pupils/{pupil_id}/gets", dependencies=ToldToAll)
def put_gets(record: Record, school_class: Class, pupil_id: PathId, sent: GetsIn) -> PupilOut:
    """Sets what a child gets otherwise than its class, on the board, on pads and on paper."""
    gets = Gets(**sent.model_dump())
    return pupil_out(children.set_gets(record, school_class.id, pupil_id, gets))


@router.post("/tiles", dependencies=ToldToAll)
def post_tiles(record: Record, school_class: Class) -> list[PupilOut]:
    """Gives each child without a picture one of their own."""
    return [pupil_out(one) for one in children.give_tiles(record, school_class.id)]


@router.put(
    "/pupils/{pupil_id}/class", status_code=204, responses=THERE_ALREADY, dependencies=ToldToAll
)
def move_pupil(
    record: Record, teacher: Teacher, school_class: Class, pupil_id: PathId, sent: MoveIn
) -> None:
    """Moves a child with all their letters to another class of hers."""
    classes.move(record, teacher.account_id, school_class.id, pupil_id, sent.class_id)


@router.delete("/pupils/{pupil_id}", dependencies=ToldToAll)
def forget_pupil(record: Record, school_class: Class, pupil_id: PathId) -> InCopiesOut:
    """Deletes a child and all that they wrote, for good; and says which copies still hold them."""
    return in_copies_out(children.forget(record, school_class.id, pupil_id))


def as_pairs(sent: list[ChildIn]) -> list[tuple[str, Handedness]]:
    """Children as the services take them."""
    return [(one.name, one.handedness) for one in sent]
