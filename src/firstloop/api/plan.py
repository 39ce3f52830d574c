"""Plan: how the class writes, set once and obeyed everywhere; a preview of what it would be."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from firstloop.api.deps import Class, Db
from firstloop.api.shared import Point, RulingLine, ruling_lines
from firstloop.core import polyline
from firstloop.core.letterforms import HANDS, draw, find_hand
from firstloop.core.moves import Script
from firstloop.core.style import BRANCH_RANGE, SLANT_RANGE, WIDTH_RANGE, Style, hand_of
from firstloop.core.words import word_script
from firstloop.store import classes

router = APIRouter(prefix="/api/plan", tags=["plan"])

PREVIEW_SPACING = 0.05
LONGEST_PREVIEW = 12


class StyleIn(BaseModel):
    """How a class writes. What is null is the hand's own."""

    hand: str
    choices: dict[str, str] = {}
    slant_deg: Annotated[float | None, Field(ge=SLANT_RANGE[0], le=SLANT_RANGE[1])] = None
    width: Annotated[float | None, Field(ge=WIDTH_RANGE[0], le=WIDTH_RANGE[1])] = None
    branch: Annotated[float | None, Field(ge=BRANCH_RANGE[0], le=BRANCH_RANGE[1])] = None


class Picture(BaseModel):
    """A letter or word to look at: strokes of points in u."""

    text: str
    strokes: list[list[Point]]


class Alternative(BaseModel):
    """One accepted way of writing a letter; the first of a letter is the hand's own."""

    name: str
    picture: Picture


class LetterAlternatives(BaseModel):
    """The accepted ways of writing one letter."""

    letter: str
    ways: list[Alternative]


class PreviewIn(BaseModel):
    """A style that is being tried, and the words to see it in."""

    style: StyleIn
    words: Annotated[
        list[Annotated[str, Field(min_length=1, max_length=LONGEST_PREVIEW)]], Field(max_length=8)
    ]


class Proportion(BaseModel):
    """A proportion in force, and between what it can be set."""

    value: float
    least: float
    most: float


class Preview(BaseModel):
    """What a style looks like: words, alternatives to choose among, the proportions in force."""

    hands: list[str]
    lines: list[RulingLine]
    words: list[Picture]
    alternatives: list[LetterAlternatives]
    slant_deg: Proportion
    width: Proportion
    branch: Proportion


@router.get("/style")
def get_style(school_class: Class) -> StyleIn:
    """How the class writes."""
    return _style_out(school_class.style)


@router.put("/style")
def put_style(session: Db, school_class: Class, sent: StyleIn) -> StyleIn:
    """Sets how the class writes from now on."""
    style = _style(sent)
    hand_of(style)  # an unknown hand or choice is refused before anything is kept
    return _style_out(classes.set_style(session, school_class.id, style).style)


@router.post("/preview")
def preview(school_class: Class, sent: PreviewIn) -> Preview:
    """What a style would look like; nothing is kept."""
    hand, ruling = hand_of(_style(sent.style)), school_class.ruling

    def picture(text: str, script: Script) -> Picture:
        paths = draw(script, hand.proportions, ruling).paths()
        strokes = [polyline.respace(path, PREVIEW_SPACING).round(3).tolist() for path in paths]
        return Picture(text=text, strokes=strokes)

    return Preview(
        hands=list(HANDS),
        lines=ruling_lines(ruling),
        words=[picture(word, word_script(word, hand)) for word in sent.words],
        alternatives=[
            LetterAlternatives(
                letter=letter,
                ways=[
                    Alternative(name=name, picture=picture(letter, script))
                    for name, script in ways.items()
                ],
            )
            for letter, ways in find_hand(sent.style.hand).alternatives.items()
        ],
        slant_deg=_proportion(hand.proportions.slant_deg, SLANT_RANGE),
        width=_proportion(hand.proportions.width, WIDTH_RANGE),
        branch=_proportion(hand.proportions.branch, BRANCH_RANGE),
    )


def _proportion(value: float, between: tuple[float, float]) -> Proportion:
    return Proportion(value=value, least=between[0], most=between[1])


def _style(sent: StyleIn) -> Style:
    choices = tuple(sorted(sent.choices.items()))
    return Style(sent.hand, choices, sent.slant_deg, sent.width, sent.branch)


def _style_out(style: Style) -> StyleIn:
    return StyleIn(
        hand=style.hand,
        choices=dict(style.choices),
        slant_deg=style.slant_deg,
        width=style.width,
        branch=style.branch,
    )
