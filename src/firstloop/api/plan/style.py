"""Plan: how the class writes, set once and obeyed everywhere; a preview of what it would be."""

from dataclasses import replace
from typing import Annotated, Any, Literal

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Record, ToldToAll
from firstloop.api.drawings import Picture, RulingLine, picture, ruling_lines
from firstloop.api.sent import Key, Sent, at_most, line
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import (
    DROP_RANGE,
    LONGEST_NAME,
    PRESETS,
    TOP_RANGE,
    USUAL_NAMES,
    X_HEIGHT_MM_RANGE,
    Line,
    LineLook,
    Looks,
    Names,
    Ruling,
    RulingKind,
)
from firstloop.core.letters.style import (
    PROPORTIONS,
    Style,
    hand_of,
)
from firstloop.core.text.words import compose
from firstloop.services import how_it_writes
from firstloop.store import own_hands
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/plan", tags=["plan"])

LONGEST_PREVIEW = 12
MOST_CHOICES = 99
"""More than there are letters."""


def _within(between: tuple[float, float]) -> Any:
    return Field(ge=between[0], le=between[1], strict=True)


LineName = Annotated[str, line(LONGEST_NAME, 1)]
ChosenLook = Literal[LineLook.SOLID, LineLook.DASHED, LineLook.COLOURED]


class StyleIn(Sent):
    """How a class writes. What is null is the hand's own; `looks` are of lines that do not look as
    they usually do on their ruling, `names` of those that the school calls otherwise."""

    hand: Key
    choices: Annotated[dict[Key, Key], Field(max_length=MOST_CHOICES), at_most(MOST_CHOICES)] = {}
    slant_deg: Annotated[float | None, _within(PROPORTIONS["slant_deg"])] = None
    width: Annotated[float | None, _within(PROPORTIONS["width"])] = None
    branch: Annotated[float | None, _within(PROPORTIONS["branch"])] = None
    exit: Annotated[float | None, _within(PROPORTIONS["exit"])] = None
    ruling: RulingKind = RulingKind.FOUR
    top: Annotated[float, _within(TOP_RANGE)] = 1.9
    drop: Annotated[float, _within(DROP_RANGE)] = -0.95
    looks: Annotated[dict[Line, ChosenLook], at_most(len(Line))] = {}
    names: Annotated[dict[Line, LineName], at_most(len(Line))] = {}
    x_height_mm: Annotated[float, _within(X_HEIGHT_MM_RANGE)] = 8.0


class Alternative(Answer):
    """One accepted way of writing a letter; the first of a letter is the hand's own."""

    name: str
    picture: Picture


class LetterAlternatives(Answer):
    """The accepted ways of writing one letter."""

    letter: str
    ways: list[Alternative]


class PreviewIn(Sent):
    """A style that is being tried, and the words to see it in."""

    style: StyleIn
    words: Annotated[list[Annotated[str, line(LONGEST_PREVIEW, 1)]], Field(max_length=8)]


class Proportion(Answer):
    """A proportion in force, and between what it can be set."""

    value: float
    least: float
    most: float


class ProportionsOut(Answer):
    """All that can be set by degrees: of the hand, and of the lines."""

    slant_deg: Proportion
    width: Proportion
    branch: Proportion
    exit: Proportion
    top: Proportion
    drop: Proportion
    x_height_mm: Proportion


class HandChoice(Answer):
    """A hand to choose; `own` is one that the school has brought along."""

    name: str
    own: bool


class LinesPreset(Answer):
    """Looks of lines that some schools' paper has: what to choose for it, and what it is like."""

    name: str
    looks: dict[Line, ChosenLook]
    lines: list[RulingLine]


class Preview(Answer):
    """What a style looks like: words, alternatives to choose among, the proportions in force."""

    hands: list[HandChoice]
    rulings: list[RulingKind]
    presets: list[LinesPreset]
    lines: list[RulingLine]
    words: list[Picture]
    alternatives: list[LetterAlternatives]
    proportions: ProportionsOut


@router.get("/style")
def get_style(school_class: Class) -> StyleIn:
    """How the class writes."""
    return _style_out(school_class)


@router.put("/style", dependencies=ToldToAll)
def put_style(record: Record, school_class: Class, sent: StyleIn) -> StyleIn:
    """Sets how the class writes from now on."""
    with record.session() as session:
        style = _style(session, school_class, sent)
    changed = how_it_writes.set_style(
        record, school_class.id, style, _ruling(sent), sent.x_height_mm
    )
    return _style_out(changed)


@router.post("/preview")
def preview(session: Db, school_class: Class, sent: PreviewIn) -> Preview:
    """What a style would look like; nothing is kept."""
    own_names = own_hands.names(session, school_class.id)
    hand = hand_of(_style(session, school_class, sent.style))
    ruling = _ruling(sent.style)

    def drawn(text: str, script: Script) -> Picture:
        return picture(text, draw(script, hand.proportions, ruling).inked())

    return Preview(
        hands=[
            *(HandChoice(name=name, own=False) for name in HANDS),
            *(HandChoice(name=name, own=True) for name in own_names),
        ],
        rulings=list(RulingKind),
        presets=[
            LinesPreset(
                name=name,
                looks=_looks_out(looks),
                lines=ruling_lines(replace(ruling, looks=looks)),
            )
            for name, looks in PRESETS.items()
        ],
        lines=ruling_lines(ruling),
        words=[drawn(word, compose(word, hand).script) for word in sent.words],
        alternatives=[
            LetterAlternatives(
                letter=letter,
                ways=[
                    Alternative(name=name, picture=drawn(letter, script))
                    for name, script in ways.items()
                ],
            )
            for letter, ways in hand.alternatives.items()
        ],
        proportions=ProportionsOut(
            **{
                name: _proportion(getattr(hand.proportions, name), between)
                for name, between in PROPORTIONS.items()
            },
            top=_proportion(ruling.top, TOP_RANGE),
            drop=_proportion(ruling.drop, DROP_RANGE),
            x_height_mm=_proportion(sent.style.x_height_mm, X_HEIGHT_MM_RANGE),
        ),
    )


def _proportion(value: float, between: tuple[float, float]) -> Proportion:
    return Proportion(value=value, least=between[0], most=between[1])


def _style(session: Session, school_class: ClassRecord, sent: StyleIn) -> Style:
    own = own_hands.find(session, school_class.id, sent.hand)
    return Style.of(sent.hand, sent.choices, sent.model_dump(include={*PROPORTIONS}), own)


def _ruling(sent: StyleIn) -> Ruling:
    return Ruling.of(
        sent.ruling, sent.top, sent.drop, tuple(sent.looks.items()), _names(sent.names)
    )


def _names(sent: dict[Line, str]) -> Names:
    """A name that is only spaces, or ours, is ours."""
    named = ((line, name.strip()) for line, name in sent.items())
    return tuple((line, name) for line, name in named if name not in ("", USUAL_NAMES[line]))


def _looks_out(looks: Looks) -> dict[Line, Any]:
    return dict(looks)


def _style_out(school_class: ClassRecord) -> StyleIn:
    style, ruling = school_class.style, school_class.ruling
    return StyleIn(
        hand=style.hand,
        choices=dict(style.choices),
        **style.proportions,
        ruling=ruling.kind,
        top=ruling.top,
        drop=ruling.drop,
        looks=_looks_out(ruling.looks),
        names=dict(ruling.names),
        x_height_mm=school_class.x_height_mm,
    )
