"""Plan, the families: the schemes there are, what an order costs, changes, proposals."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Record
from firstloop.api.drawings import Picture, picture
from firstloop.api.sent import Key, Name, PathName, Sent, at_most, line
from firstloop.core.teaching import order, scheme_package
from firstloop.core.teaching.families import (
    LETTERS,
    Family,
    exceptions_of,
    families_of,
    faults,
    loose,
    opening,
    split,
)
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.services import schemes
from firstloop.store import own_schemes
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord, NotInRecordError

MOST_LETTERS = 40
"""Of a lesson: those of its letters, pairs and words."""

router = APIRouter(prefix="/api/plan", tags=["plan"])

Reason = Annotated[str, line(200)]
Letter = Annotated[str, line(1, 1)]
Letters = Annotated[list[Letter], Field(max_length=len(LETTERS))]


class FamilyIn(Sent):
    """A family: its letters in order, why they belong together, what is different in some."""

    name: Name
    why: Reason = ""
    letters: Letters
    exceptions: Annotated[dict[Letter, Reason], at_most(len(LETTERS))] = {}


class SchemeIn(Sent):
    """A scheme as the teacher wants it kept."""

    name: Name
    families: Annotated[list[FamilyIn], Field(max_length=len(LETTERS))]


class CopyIn(Sent):
    """A new scheme, to begin as a copy of another."""

    like: Key
    name: Name


class FollowIn(Sent):
    """The scheme that the class is taught by."""

    key: Key


class SplitIn(Sent):
    """The place of the family to part."""

    family: Annotated[int, Field(ge=0, le=len(LETTERS), strict=True)]


class SchemeName(Answer):
    """A scheme to choose."""

    key: str
    name: str
    own: bool


class SchemeList(Answer):
    """All schemes, and the one the class is taught by."""

    chosen: str
    schemes: list[SchemeName]


class CloseOut(Answer):
    """A confusable letter taught so many lessons before."""

    letter: str
    lessons: int


class StepOut(Answer):
    """What a letter brings where it stands in the order."""

    letter: str
    new_moves: list[str]
    words: int
    new_words: int
    too_close: list[CloseOut]


class FamilyOut(Answer):
    """A family with what its letters have in common, drawn.

    `differs` says of exceptions how they begin; the teacher's `exceptions` win over it.
    """

    name: str
    why: str
    letters: list[str]
    exceptions: dict[str, str]
    differs: dict[str, str]
    opening: Picture | None


class FaultOut(Answer):
    """What keeps a scheme from being taught, and where; a `wish` does not keep it."""

    family: int | None
    letter: str | None
    what: str
    wish: bool


class CostOut(Answer):
    """What an order costs."""

    crowded: int
    close: int
    late: float
    total: float


class SchemeOut(Answer):
    """A scheme, checked and counted; `missing` are letters that are in no family."""

    key: str
    name: str
    own: bool
    families: list[FamilyOut]
    missing: list[str]
    faults: list[FaultOut]
    steps: list[StepOut]
    cost: CostOut


class ProposalOut(Answer):
    """A better order within the families, and what both cost."""

    families: list[FamilyIn]
    before: CostOut
    after: CostOut


@router.get("/schemes")
def get_schemes(session: Db, school_class: Class) -> SchemeList:
    """The schemes there are."""
    built_in = [
        SchemeName(key=key, name=schemes.find(session, school_class, key).name, own=False)
        for key in BUILT_IN
        if key != "empty"
    ]
    own = [
        SchemeName(key=key, name=name, own=True)
        for key, name in own_schemes.names(session, school_class.id)
    ]
    return SchemeList(chosen=school_class.scheme, schemes=[*built_in, *own])


@router.put("/schemes", status_code=204)
def follow_scheme(record: Record, school_class: Class, sent: FollowIn) -> None:
    """Makes a scheme the one that the class is taught by."""
    schemes.follow(record, school_class, sent.key)


@router.post("/schemes", status_code=201)
def copy_scheme(record: Record, session: Db, school_class: Class, sent: CopyIn) -> SchemeOut:
    """A new scheme of the teacher's own; `empty` has no families yet."""
    key = schemes.copy(record, school_class, sent.like, sent.name)
    return _scheme_out(session, school_class, key)


@router.get("/schemes/{key}")
def get_scheme(session: Db, school_class: Class, key: PathName) -> SchemeOut:
    """One scheme."""
    return _scheme_out(session, school_class, key)


@router.put("/schemes/{key}")
def change_scheme(
    record: Record, session: Db, school_class: Class, key: PathName, sent: SchemeIn
) -> SchemeOut:
    """Keeps a scheme as it is now wanted, finished or not."""
    data = {"name": sent.name, "families": [family.model_dump() for family in sent.families]}
    schemes.change(record, school_class.id, key, scheme_package.scheme_from(data))
    return _scheme_out(session, school_class, key)


@router.delete("/schemes/{key}", status_code=204)
def delete_scheme(record: Record, school_class: Class, key: PathName) -> None:
    """Forgets a scheme of the teacher's own."""
    schemes.remove(record, school_class, key)


@router.post("/schemes/{key}/split")
def split_family(session: Db, school_class: Class, key: PathName, sent: SplitIn) -> list[FamilyIn]:
    """A proposal to part a family; nothing is kept."""
    scheme = schemes.find(session, school_class, key)
    if sent.family >= len(scheme.families):
        raise NotInRecordError(f"there is no family {sent.family + 1} in {scheme.name}")
    largest = school_class.customs.largest_family
    parts = split(scheme.families[sent.family], school_class.hand, largest)
    return [_family_in(part) for part in parts]


@router.post("/schemes/{key}/proposal")
def propose_order(session: Db, school_class: Class, key: PathName) -> ProposalOut:
    """A better order for a scheme's families and their letters; nothing is kept."""
    hand = school_class.hand
    scheme = schemes.find(session, school_class, key)
    better = order.propose(scheme, hand)
    return ProposalOut(
        families=[_family_in(family) for family in better.families],
        before=_cost_out(order.cost(scheme.order, hand)),
        after=_cost_out(order.cost(better.order, hand)),
    )


@router.get("/families-of")
def get_families_of(
    session: Db,
    school_class: Class,
    letter: Annotated[list[Letter], Query(max_length=MOST_LETTERS)],
) -> list[FamilyOut]:
    """The families that some letters are in, by the class's scheme; a parted one as a whole."""
    scheme = schemes.find(session, school_class, school_class.scheme)
    return [_family_out(family, school_class) for family in families_of(scheme, letter)]


def _scheme_out(session: Session, school_class: ClassRecord, key: str) -> SchemeOut:
    hand = school_class.hand
    scheme = schemes.find(session, school_class, key)
    found = faults(scheme, largest=school_class.customs.largest_family)
    return SchemeOut(
        key=key,
        name=scheme.name,
        own=key not in BUILT_IN,
        families=[_family_out(family, school_class) for family in scheme.families],
        missing=list(loose(scheme)),
        faults=[
            FaultOut(family=f.family, letter=f.letter, what=f.what, wish=f.wish) for f in found
        ],
        steps=[_step_out(step) for step in order.steps(scheme.order, hand)],
        cost=_cost_out(order.cost(scheme.order, hand)),
    )


def _family_out(family: Family, school_class: ClassRecord) -> FamilyOut:
    hand = school_class.hand
    shared = opening(family.letters, hand, school_class.ruling)
    return FamilyOut(
        name=family.name,
        why=family.why,
        letters=list(family.letters),
        exceptions=dict(family.exceptions),
        differs=dict(exceptions_of(family.letters, hand)),
        opening=picture(family.name, shared) if shared else None,
    )


def _family_in(family: Family) -> FamilyIn:
    return FamilyIn(
        name=family.name,
        why=family.why,
        letters=list(family.letters),
        exceptions=dict(family.exceptions),
    )


def _step_out(step: order.Step) -> StepOut:
    return StepOut(
        letter=step.letter,
        new_moves=[kind.value for kind in step.new_moves],
        words=step.words,
        new_words=step.new_words,
        too_close=[CloseOut(letter=other, lessons=back) for other, back in step.too_close],
    )


def _cost_out(cost: order.Cost) -> CostOut:
    return CostOut(
        crowded=cost.crowded,
        close=cost.close,
        late=round(cost.late, 3),
        total=round(cost.total, 2),
    )
