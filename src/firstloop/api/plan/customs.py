"""Plan: what the class does in its own way in lessons."""

from dataclasses import asdict
from typing import Annotated

from fastapi import APIRouter
from pydantic import Field, StrictBool

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Record, ToldToAll
from firstloop.api.drawings import Picture, picture
from firstloop.api.sent import Sent
from firstloop.core.letters import draw
from firstloop.core.teaching.customs import (
    AMOUNTS,
    OPEN_JOINS,
    RUBBING_OUT,
    Called,
    Customs,
    OwnAmount,
)
from firstloop.core.teaching.families import LESSON_SIZES
from firstloop.core.teaching.steps import SlipsAt
from firstloop.core.text.words import compose
from firstloop.services import how_it_writes
from firstloop.store.records import ClassRecord

SHOWN = "can"
"""The word that shows how joins are."""

router = APIRouter(prefix="/api/plan", tags=["plan"])


class CustomsIn(Sent):
    """How many of their own children write, whether they may rub out in games, the largest family
    that is wished for in one lesson, whether joins stand open that are not taught yet, where slips
    are spotted, how the aim speaks of a letter, whether words are heard before they are seen; on
    pads whether each letter is answered, and whether the paper lies tilted."""

    own: OwnAmount
    rubbing_out: StrictBool
    largest_family: Annotated[int, Field(ge=LESSON_SIZES[0], le=LESSON_SIZES[1], strict=True)]
    open_joins: StrictBool = False
    slips: SlipsAt = SlipsAt.AFTER
    called: Called = Called.NAME
    from_memory: StrictBool = False
    answers: StrictBool = False
    tilted: StrictBool = False


class AmountOut(Answer):
    """An amount to choose, what the class is told of it, and the lines that it takes."""

    amount: OwnAmount
    title: str
    told: str
    lines: int
    letters: int | None


class RubbingRule(Answer):
    """Whether children may rub out in games, and what they are told."""

    allowed: bool
    told: str


class JoinsChoice(Answer):
    """Whether joins that are not taught stand open, a word written so, and what follows."""

    open: bool
    picture: Picture
    told: str


class CustomsOut(CustomsIn):
    """A class's customs, and what there is to choose from; no joins of a hand that has none."""

    amounts: list[AmountOut]
    rubbing: list[RubbingRule]
    sizes: list[int]
    joins: list[JoinsChoice]


@router.get("/customs")
def get_customs(school_class: Class) -> CustomsOut:
    """What the class does in its own way."""
    return _customs_out(school_class.customs, school_class)


@router.put("/customs", dependencies=ToldToAll)
def put_customs(record: Record, school_class: Class, sent: CustomsIn) -> CustomsOut:
    """Sets what the class does in its own way from now on."""
    customs = Customs(**sent.model_dump())
    how_it_writes.set_customs(record, school_class.id, customs)
    return _customs_out(customs, school_class)


def _customs_out(customs: Customs, school_class: ClassRecord) -> CustomsOut:
    return CustomsOut(
        **asdict(customs),
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
        joins=[
            JoinsChoice(open=is_open, picture=_joined(school_class, is_open=is_open), told=told)
            for is_open, told in OPEN_JOINS.items()
            if school_class.hand.joins
        ],
        sizes=list(range(LESSON_SIZES[0], LESSON_SIZES[1] + 1)),
    )


def _joined(school_class: ClassRecord, *, is_open: bool) -> Picture:
    hand = school_class.hand
    script = compose(SHOWN, hand, lambda _: not is_open).script
    return picture(SHOWN, draw(script, hand.proportions, school_class.ruling).inked())
