"""Plan: what the class does in its own way in lessons."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from firstloop.api.deps import Class, Db
from firstloop.core.teaching.customs import AMOUNTS, RUBBING_OUT, Customs, OwnAmount
from firstloop.core.teaching.families import LESSON_SIZES
from firstloop.store import classes

router = APIRouter(prefix="/api/plan", tags=["plan"])


class CustomsIn(BaseModel):
    """How many of their own children write, whether they may rub out in games, and the largest
    family that is wished for in one lesson."""

    own: OwnAmount
    rubbing_out: bool
    largest_family: Annotated[int, Field(ge=LESSON_SIZES[0], le=LESSON_SIZES[1])]


class AmountOut(BaseModel):
    """An amount to choose, what the class is told of it, and the lines that it takes."""

    amount: OwnAmount
    title: str
    told: str
    lines: int
    letters: int | None


class RubbingRule(BaseModel):
    """Whether children may rub out in games, and what they are told."""

    allowed: bool
    told: str


class CustomsOut(CustomsIn):
    """A class's customs, and what there is to choose from."""

    amounts: list[AmountOut]
    rubbing: list[RubbingRule]
    sizes: list[int]


@router.get("/customs")
def get_customs(school_class: Class) -> CustomsOut:
    """What the class does in its own way."""
    return _customs_out(school_class.customs)


@router.put("/customs")
def put_customs(session: Db, school_class: Class, sent: CustomsIn) -> CustomsOut:
    """Sets what the class does in its own way from now on."""
    customs = Customs(**sent.model_dump())
    classes.set_customs(session, school_class.id, customs)
    return _customs_out(customs)


def _customs_out(customs: Customs) -> CustomsOut:
    return CustomsOut(
        own=customs.own,
        rubbing_out=customs.rubbing_out,
        largest_family=customs.largest_family,
        amounts=[
            AmountOut(
                amount=amount,
                title=info.title,
                told=info.told,
                lines=info.lines,
                letters=info.letters,
            )
            for amount, info in AMOUNTS.items()
        ],
        rubbing=[RubbingRule(allowed=allowed, told=told) for allowed, told in RUBBING_OUT.items()],
        sizes=list(range(LESSON_SIZES[0], LESSON_SIZES[1] + 1)),
    )
