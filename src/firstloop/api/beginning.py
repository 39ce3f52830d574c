"""A class to begin with: what it is chosen from, a list of children as it is read, the class as it
is made."""

from typing import Annotated

from fastapi import APIRouter, BackgroundTasks
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.classroom import ClassOut, class_out
from firstloop.api.deps import Alike, Db, Now, Record, Teacher
from firstloop.api.drawings import Picture, RulingLine, picture, ruling_lines
from firstloop.api.problems import THERE_ALREADY
from firstloop.api.roster import Children, as_pairs
from firstloop.api.sent import Key, Name, Sent
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import X_HEIGHT_MM_RANGE, Ruling, RulingKind
from firstloop.core.letters.style import Style
from firstloop.core.plain_text import ON_LINES
from firstloop.core.teaching.roster import read_roster
from firstloop.core.text.words import compose
from firstloop.formats.class_list import rows_of
from firstloop.services import classes as her_classes
from firstloop.services.clock import day_of
from firstloop.services.preparing import prepare
from firstloop.store import pupils, school

router = APIRouter(prefix="/api/classroom", tags=["classroom"])

LONGEST_LIST = 20_000
"""Characters: a table of sixty children with much else in it."""

SHOWN = "king"
"""The word that hands are told apart by: a tall letter, a tail, an arch and a round."""

USUAL_X_HEIGHT_MM = 8.0


class ClassIn(Sent):
    """A class to begin: its name, how it writes, its children."""

    name: Name
    hand: Key
    ruling: RulingKind = RulingKind.FOUR
    x_height_mm: Annotated[
        float, Field(ge=X_HEIGHT_MM_RANGE[0], le=X_HEIGHT_MM_RANGE[1], strict=True)
    ] = USUAL_X_HEIGHT_MM
    children: Children = []


class ListIn(Sent):
    """A class list as it was typed or brought along; for a class that is to be begun, or for the
    one that is open."""

    text: Annotated[str, Field(max_length=LONGEST_LIST, pattern=ON_LINES)]
    is_new: Annotated[bool, Field(strict=True)] = False


class EntryOut(Answer):
    """A child on a list, and on which line."""

    line: int
    name: str
    handedness: Handedness


class ListFault(Answer):
    """What is wrong on a line of a list, and what to do."""

    line: int
    what: str


class ListOut(Answer):
    """A list as it was read; nothing of it is kept."""

    children: list[EntryOut]
    faults: list[ListFault]


class HandPicture(Answer):
    """A hand to choose by a word in it."""

    hand: str
    picture: Picture


class RulingPicture(Answer):
    """Lines to choose by their picture."""

    ruling: RulingKind
    lines: list[RulingLine]


class ChoicesOut(Answer):
    """What a class is chosen from."""

    hands: list[HandPicture]
    rulings: list[RulingPicture]


@router.get("/choices")
def get_choices() -> ChoicesOut:
    """What a class is chosen from."""
    lines = Ruling()
    return ChoicesOut(
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
    record: Record,
    teacher: Teacher,
    now: Now,
    sent: ClassIn,
    after_the_answer: BackgroundTasks,
    *,
    alike: Alike = False,
) -> ClassOut:
    """Makes a class of hers, and opens it."""
    usual = Ruling()
    made = her_classes.begin(
        record,
        teacher.account_id,
        sent.name,
        style=Style(sent.hand),
        ruling=Ruling.of(sent.ruling, usual.top, usual.drop),
        x_height_mm=sent.x_height_mm,
        children=as_pairs(sent.children),
        alike=alike,
    )
    after_the_answer.add_task(prepare, record, now)
    return class_out(made)


@router.post("/demo", status_code=201, responses=THERE_ALREADY)
def post_demo(
    record: Record, teacher: Teacher, now: Now, after_the_answer: BackgroundTasks
) -> ClassOut:
    """Makes the made-up class up beside hers, and opens it; it can be deleted like any other."""
    with record.session() as session:
        today = day_of(now, school.zone(session))
    from firstloop.demo.load import load_beside  # noqa: PLC0415  # slow to load, seldom asked for

    made = load_beside(record, teacher.account_id, today)
    after_the_answer.add_task(prepare, record, now)
    return class_out(made)


@router.post("/list")
def post_list(session: Db, teacher: Teacher, sent: ListIn) -> ListOut:
    """What a class list says, line by line; nothing is kept."""
    has_class = teacher.class_id is not None and not sent.is_new
    there = pupils.with_the_left(session, teacher.class_id or 0) if has_class else ()
    read = read_roster(rows_of(sent.text), [one.name for one in there])
    return ListOut(
        children=[EntryOut.model_validate(one, from_attributes=True) for one in read.entries],
        faults=[ListFault.model_validate(one, from_attributes=True) for one in read.faults],
    )
