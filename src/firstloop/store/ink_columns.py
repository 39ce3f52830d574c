"""Ink as the record keeps it: each stroke as columns of numbers."""

from typing import Any

from firstloop.core.ink import Ink, Stroke
from firstloop.core.polyline import FloatArray

Columns = list[dict[str, Any]]


def columns_of(ink: Ink) -> Columns:
    """Ink, to be kept."""
    return [_columns(stroke) for stroke in ink.strokes]


def ink_from(columns: Columns) -> Ink:
    """Ink that was kept."""
    return Ink(tuple(_stroke(one) for one in columns))


def _columns(stroke: Stroke) -> dict[str, Any]:
    """A stroke as columns, to a ten-thousandth of u and a millisecond: finer than any digitiser."""

    def column(values: FloatArray | None, digits: int) -> list[float] | None:
        return None if values is None else values.round(digits).tolist()

    return {
        "x": column(stroke.points[:, 0], 4),
        "y": column(stroke.points[:, 1], 4),
        "t": column(stroke.times, 3),
        "f": column(stroke.force, 3),
    }


def _stroke(columns: dict[str, Any]) -> Stroke:
    points = list(zip(columns["x"], columns["y"], strict=True))
    return Stroke.of(points, columns["t"], columns["f"])
