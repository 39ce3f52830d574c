"""Ink as it comes and goes: one shape for pads, boards and the table."""

from typing import Annotated, Any

from pydantic import FailFast, Field

from firstloop.api.answer import Answer
from firstloop.api.sent import Sent
from firstloop.core.evidence.ink import FURTHEST, MAX_POINTS, MAX_STROKES, Ink, require_no_more
from firstloop.formats import ink_json

DAY_MS = 86_400_000
"""No attempt lasts a day, whatever a device's clock says of it."""

_Place = Annotated[float, Field(ge=-FURTHEST, le=FURTHEST, strict=True)]
_Time = Annotated[float, Field(ge=-DAY_MS, le=DAY_MS, strict=True)]
_Force = Annotated[float, Field(ge=0, le=1, strict=True)]

InkPoint = tuple[float, float, float | None, float | None]
"""x and y in u (base line 0, y up), milliseconds since the ink's first point, force 0 to 1."""

SentPoint = tuple[_Place, _Place, _Time | None, _Force | None]


class InkStroke(Answer):
    """One pen-down: points [x, y, ms, force]."""

    points: list[InkPoint]


class SentStroke(Sent):
    """One pen-down as it is sent."""

    points: Annotated[
        list[SentPoint],
        Field(min_length=1, json_schema_extra={"maxItems": MAX_POINTS}),
        FailFast(),
    ]


Strokes = Annotated[
    list[SentStroke], Field(json_schema_extra={"maxItems": MAX_STROKES}), FailFast()
]
"""What is more is refused as too much (413), by itself and not as one fault among others. Only the
first fault is told: of ink that is none each number would be one."""


def ink_from(strokes: list[SentStroke]) -> Ink:
    """Ink as it was sent; raises InkError where it is none, TooMuchInkError where it is more than
    one attempt can have."""
    count = sum(len(stroke.points) for stroke in strokes)
    require_no_more(len(strokes), count, MAX_STROKES, MAX_POINTS)
    return ink_json.ink_from(stroke.model_dump() for stroke in strokes)


def strokes_out(ink: Ink) -> list[InkStroke]:
    """Ink as an answer."""
    kept: list[dict[str, Any]] = ink_json.strokes_of(ink)
    return [InkStroke.model_validate(stroke) for stroke in kept]
