"""Plan, files: a hand as a font."""

from dataclasses import dataclass
from typing import Annotated, Literal

from fastapi import APIRouter, Depends, Response

from firstloop.api.deps import Class, Db
from firstloop.api.sent import PathName, line
from firstloop.core.letters import find_hand
from firstloop.store import own_hands


@dataclass(frozen=True, slots=True)
class FontAsked:
    """Which hand is to be a font, in which style, called what, with which licence."""

    name: str
    style: str
    family: str
    licence: str


router = APIRouter(prefix="/api/plan/files/font", tags=["plan"])


def _font_asked(
    name: PathName,
    style: Literal["solid", "dotted", "arrows"] = "solid",
    family: Annotated[str | None, line(60)] = None,
    licence: Annotated[str, line(200)] = "",
) -> FontAsked:
    return FontAsked(name, style, (family or "").strip() or name, licence.strip())


@router.get("/{name}", response_class=Response)
def get_font(
    session: Db, school_class: Class, asked: Annotated[FontAsked, Depends(_font_asked)]
) -> Response:
    """A hand, built in or one's own, as a font."""
    from firstloop.formats.font import FontWish, font_of  # noqa: PLC0415  # slow to load

    hand = own_hands.find(session, school_class.id, asked.name) or find_hand(asked.name)
    if school_class.style.hand == asked.name:
        hand = school_class.hand  # with the ways that the class has picked, and its proportions
    wish = FontWish(asked.family, asked.style, licence=asked.licence)
    return Response(font_of(hand, wish), media_type="font/otf")
