"""The class list: a first class, children taken in and called otherwise, lists read before anything
is kept."""

from typing import Annotated

from fastapi import APIRouter, BackgroundTasks
from pydantic import BaseModel, Field

from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.classroom import ClassOut, class_out
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.drawings import Picture, RulingLine, picture, ruling_lines
from firstloop.api.problems import THERE_ALREADY
from firstloop.api.sent import Key, Name, PathId, Sent
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import X_HEIGHT_MM_RANGE, Ruling, RulingKind
from firstloop.core.letters.style import Style
from firstloop.core.plain_text import ON_LINES
from firstloop.core.teaching.roster import MOST_CHILDREN, read_roster
from firstloop.core.text.words import compose
from firstloop.formats.class_list import rows_of
from firstloop.services import children
from firstloop.services.preparing import prepare
from firstloop.store import classes, pupils
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord, NotInRecordError

router = APIRouter(prefix="/api/classroom", tags=["classroom"])

LONGEST_LIST = 20_000
"""Characters: a table of sixty children with much else in it."""

SHOWN = "king"
"""The word that hands are told apart by: a tall letter, a tail, an arch and a round."""

USUAL_X_HEIGHT_MM = 8.0


class ChildIn(Sent):
    """A child to take in: what to call them, and the hand they write with."""

    name: Name
    handedness: Handedness = Handedness.RIGHT


Children = Annotated[list[ChildIn], Field(max_length=MOST_CHILDREN)]


class ChildrenIn(Sent):
    """Children to take in, all or none."""

    children: Annotated[Children, Field(min_length=1)]


class ClassIn(Sent):
    """A first class: its name, how it writes, its children."""

    name: Name
    hand: Key
    ruling: RulingKind = RulingKind.FOUR
    x_height_mm: Annotated[
        float, Field(ge=X_HEIGHT_MM_RANGE[0], le=X_HEIGHT_MM_RANGE[1], strict=True)
    ] = USUAL_X_HEIGHT_MM
    children: Children = []


class ListIn(Sent):
    """A class list as it was typed or brought along."""

    text: Annotated[str, Field(max_length=LONGEST_LIST, pattern=ON_LINES)]


class EntryOut(BaseModel):
    """A child on a list, and on which line."""

    line: int
    name: str
    handedness: Handedness


class ListFault(BaseModel):
    """What is wrong on a line of a list, and what to do."""

    line: int
    what: str


class ListOut(BaseModel):
    """A list as it was read; nothing of it is kept."""

    children: list[EntryOut]
    faults: list[ListFault]


class HandPicture(BaseModel):
    """A hand to choose by a word in it."""

    hand: str
    picture: Picture


class RulingPicture(BaseModel):
    """Lines to choose by their picture."""

    ruling: RulingKind
    lines: list[RulingLine]


class ChoicesOut(BaseModel):
    """What a first class is chosen from; and its name if there is one already."""

    there: str | None
    hands: list[HandPicture]
    rulings: list[RulingPicture]


@router.get("/choices")
def get_choices(session: Db) -> ChoicesOut:
    """What a first class is chosen from."""
    there, lines = _class_there(session), Ruling()
    return ChoicesOut(
        there=there.name if there else None,
        hands=[
            HandPicture(
                hand=name,
                picture=picture(
                    SHOWN, draw(compose(SHOWN, hand).script, hand.proportions, lines).inked()
                ),
            )
            for name, hand in HANDS.items()
        ],
        rulings=[
            RulingPicture(ruling=kind, lines=ruling_lines(Ruling.of(kind, lines.top, lines.drop)))
            for kind in RulingKind
        ],
    )


@router.post("", status_code=201, responses=THERE_ALREADY)
def post_class(
    record: Record, now: Now, sent: ClassIn, after_the_answer: BackgroundTasks
) -> ClassOut:
    """Makes the first class of a record."""
    usual = Ruling()
    made = children.begin(
        record,
        sent.name,
        style=Style(sent.hand),
        ruling=Ruling.of(sent.ruling, usual.top, usual.drop),
        x_height_mm=sent.x_height_mm,
        children=_as_pairs(sent.children),
    )
    after_the_answer.add_task(prepare, record, now)
    return class_out(made)


@router.post("/list")
def post_list(session: Db, sent: ListIn) -> ListOut:
    """What a class list says, line by line; nothing is kept."""
    there = _class_there(session)
    known = [pupil.name for pupil in there.pupils] if there else []
    read = read_roster(rows_of(sent.text), known)
    return ListOut(
        children=[EntryOut.model_validate(one, from_attributes=True) for one in read.entries],
        faults=[ListFault.model_validate(one, from_attributes=True) for one in read.faults],
    )


@router.post("/pupils", status_code=201, responses=THERE_ALREADY)
def post_pupils(record: Record, school_class: Class, sent: ChildrenIn) -> list[PupilOut]:
    """Takes children in, all or none."""
    made = children.take_in(record, school_class.id, _as_pairs(sent.children))
    return [pupil_out(one) for one in made]


@router.put("/pupils/{pupil_id}", responses=THERE_ALREADY)
def put_pupil(record: Record, school_class: Class, pupil_id: PathId, sent: ChildIn) -> PupilOut:
    """Calls a child otherwise, or says that they write with the other hand."""
    with record.writing() as session:
        changed = pupils.change(session, school_class.id, pupil_id, sent.name, sent.handedness)
    return pupil_out(changed)


def _as_pairs(sent: list[ChildIn]) -> list[tuple[str, Handedness]]:
    return [(one.name, one.handedness) for one in sent]


def _class_there(session: Session) -> ClassRecord | None:
    try:
        return classes.first(session)
    except NotInRecordError:
        return None
