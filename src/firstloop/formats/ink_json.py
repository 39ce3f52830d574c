"""Ink as JSON, in one shape for pads, screens and the record: strokes of points, each
`[x, y, ms, force]` with x and y in u (base line 0, y up), the milliseconds since the ink's first
point and the force (0 to 1), both null where the pen did not tell."""

import json
from collections.abc import Iterable, Mapping
from typing import Any

import msgspec
import numpy as np

from firstloop.core.errors import InkError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry import polyline

PLACE_DIGITS, FORCE_DIGITS = 4, 3
"""Decimals kept: a ten-thousandth of the body is finer than any digitiser."""

SMALL_SPACING, SMALL_DIGITS = 0.1, 2
"""Of a small picture: u between its points, a third of which would not be seen; decimals."""

SMALL_POINTS, SMALL_BYTES = 250, 4096
"""At most, of a small picture. A letter has fifty points; what has far more is no letter, and is
shown the coarser for it."""

Point = tuple[float, float, float | None, float | None]


def strokes_of(ink: Ink) -> list[dict[str, Any]]:
    """Ink, to be written down.

    >>> strokes_of(Ink((Stroke.of([[0, 1], [0, 0]], times=[7.0, 7.25]),)))
    [{'points': [[0.0, 1.0, 0, None], [0.0, 0.0, 250, None]]}]
    """
    began = next((float(s.times[0]) for s in ink.strokes if s.times is not None), 0.0)
    return [{"points": [list(point) for point in points_of(s, began)]} for s in ink.strokes]


def points_of(stroke: Stroke, began: float) -> list[Point]:
    """The points of a stroke, with their times since a moment (s)."""
    count = len(stroke.points)
    places = stroke.points.round(PLACE_DIGITS).tolist()
    times: list[int | None] = [None] * count
    if stroke.times is not None:
        times = [round(1000 * (time - began)) for time in stroke.times.tolist()]
    forces: list[float | None] = [None] * count
    if stroke.force is not None:
        forces = stroke.force.round(FORCE_DIGITS).tolist()
    return [(x, y, ms, f) for (x, y), ms, f in zip(places, times, forces, strict=True)]


def small_picture(ink: Ink) -> list[list[list[float]]]:
    """Ink to be looked at, small: strokes of places in u, no finer than is seen.

    >>> small_picture(Ink((Stroke.of([[0, 1], [0, 0.95], [0, 0.8]]),)))
    [[[0.0, 1.0], [0.0, 0.9], [0.0, 0.8]]]
    """
    lengths = [polyline.length(one.points) for one in ink.strokes]
    longest_first = sorted(range(len(lengths)), key=lambda at: -lengths[at])
    kept = sorted(longest_first[: SMALL_POINTS // 3])
    spacing = max(SMALL_SPACING, sum(lengths) / (SMALL_POINTS - 2 * len(kept)))
    picture = [
        polyline.respace(ink.strokes[at].points, spacing).round(SMALL_DIGITS).tolist()
        for at in kept
    ]
    while len(json.dumps(picture)) > SMALL_BYTES:  # far from the line its numbers are long
        picture = [
            [*line[:-1:2], line[-1]] for line in picture if len(picture) < 3 or len(line) > 2
        ]
    return picture


def ink_from(strokes: Iterable[Mapping[str, Any]]) -> Ink:
    """Ink that was written down; raises InkError.

    >>> ink = ink_from([{"points": [[0, 1, 0, None], [0, 0, 250, None]]}])
    >>> ink.strokes[0].times.tolist()
    [0.0, 0.25]
    >>> ink_from([{"points": []}])
    Traceback (most recent call last):
    firstloop.core.errors.InkError: a stroke has no points; it needs at least one x and y
    """
    return Ink(tuple(_stroke(stroke["points"]) for stroke in strokes))


def ink_in(text: str) -> Ink:
    """Ink as its text was written down: far quicker than by way of the standard library, for pages
    that show some hundreds of letters. Raises InkError.

    >>> ink_in('[{"points": [[0, 1, 0, null], [0, 0, 250, null]]}]').points.tolist()
    [[0.0, 1.0], [0.0, 0.0]]
    """
    return ink_from(msgspec.json.decode(text))


def _stroke(points: list[Point]) -> Stroke:
    if not points:
        raise InkError("a stroke has no points; it needs at least one x and y")
    x, y, times, forces = zip(*points, strict=True)
    return Stroke.of(
        np.column_stack([x, y]),
        None if None in times else np.array(times) / 1000.0,
        None if None in forces else forces,
    )
