"""Ink as it comes and goes: one shape for pads, boards and the table."""

from typing import Annotated, Any

from pydantic import BaseModel, Field

from firstloop.core.evidence.ink import MAX_POINTS, MAX_STROKES, MAX_TEXT_STROKES, Ink
from firstloop.formats import ink_json

InkPoint = tuple[float, float, float | None, float | None]
"""x and y in u (base line 0, y up), milliseconds since the ink's first point, force 0 to 1."""


class InkStroke(BaseModel):
    """One pen-down: points [x, y, ms, force]."""

    points: Annotated[list[InkPoint], Field(max_length=MAX_POINTS)]


Strokes = Annotated[list[InkStroke], Field(max_length=MAX_STROKES)]


LongStrokes = Annotated[list[InkStroke], Field(max_length=MAX_TEXT_STROKES)]


def ink_from(strokes: list[InkStroke]) -> Ink:
    """Ink as it was sent; raises InkError where it is none."""
    return ink_json.ink_from(stroke.model_dump() for stroke in strokes)


def strokes_out(ink: Ink) -> list[InkStroke]:
    """Ink as an answer."""
    kept: list[dict[str, Any]] = ink_json.strokes_of(ink)
    return [InkStroke.model_validate(stroke) for stroke in kept]
