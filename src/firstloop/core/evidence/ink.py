"""Ink: what a pen left behind, in u, y up, base line 0."""

from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from firstloop.core.errors import InkError, TooMuchInkError
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray

MAX_STROKES, MAX_POINTS = 200, 20_000
"""More than this in one letter is a stuck pen or a test of patience, not a letter: at 240 samples a
second it would have taken a child over a minute without a pause. Pads send no more; of a file that
a faster pen wrote so many points are looked at."""

MAX_TEXT_STROKES, MAX_TEXT_POINTS = 1_000, 100_000
"""More is no text either: some fifty letters with their dots and bars, slowly written."""

FURTHEST = 100_000.0
"""u from where x and y begin: no page is as large. What lies further off is in other units."""


@dataclass(frozen=True, slots=True, eq=False)
class Stroke:
    """One pen-down: points (n, 2) in u; times (n,) in seconds, or None; force (n,) 0 to 1, or None.

    >>> Stroke.of([[0.0, 1.0], [0.0, 0.0]]).points.shape
    (2, 2)
    >>> Stroke.of([[0.0, float("nan")]])
    Traceback (most recent call last):
    firstloop.core.errors.InkError: a point is not a number; every x and y must be finite
    """

    points: FloatArray
    times: FloatArray | None = None
    force: FloatArray | None = None

    @classmethod
    def of(cls, points: object, times: object = None, force: object = None) -> "Stroke":
        """A stroke from anything numpy can read; raises InkError where it is no ink."""
        kept = polyline.read_only(points)  # type: ignore[arg-type]  # numpy judges what it can read
        if kept.ndim != 2 or kept.shape[1] != 2 or len(kept) == 0:
            raise InkError("a stroke has no points; it needs at least one x and y")
        if not np.isfinite(kept).all():
            raise InkError("a point is not a number; every x and y must be finite")
        if np.abs(kept).max() > FURTHEST:
            raise InkError(
                f"a point lies more than {FURTHEST:,.0f} times the x-height away; "
                "ink and ruling must be in one unit"
            )
        return cls(kept, _channel(times, len(kept), "time"), _channel(force, len(kept), "force"))

    def at(self, places: npt.NDArray[np.intp]) -> "Stroke":
        """What it is at some of its points alone."""
        times = None if self.times is None else self.times[places]
        return Stroke(
            self.points[places], times, None if self.force is None else self.force[places]
        )

    @property
    def duration_s(self) -> float | None:
        """How long the pen was down, or None where no times came with it."""
        return None if self.times is None else float(self.times[-1] - self.times[0])


def _channel(values: object, count: int, name: str) -> FloatArray | None:
    if values is None:
        return None
    kept = polyline.read_only(values)  # type: ignore[arg-type]
    if kept.shape != (count,) or not np.isfinite(kept).all():
        raise InkError(f"the {name} of a stroke must be one finite number for each of its points")
    return kept


@dataclass(frozen=True, slots=True, eq=False)
class Ink:
    """The strokes of one attempt, in the order they were written."""

    strokes: tuple[Stroke, ...]

    @property
    def points(self) -> FloatArray:
        """All points in writing order; (n, 2)."""
        return np.vstack([stroke.points for stroke in self.strokes])

    def require_a_letter(self) -> None:
        """Raises InkError unless there is something that could be a letter.

        >>> Ink(()).require_a_letter()
        Traceback (most recent call last):
        firstloop.core.errors.InkError: there is no ink; write the letter, then hand it in
        """
        if not self.strokes:
            raise InkError("there is no ink; write the letter, then hand it in")
        count = sum(len(stroke.points) for stroke in self.strokes)
        if count < 2:
            raise InkError("the ink is a single point; a letter needs a line")
        require_no_more(len(self.strokes), count, MAX_STROKES, MAX_TEXT_POINTS)
        if not any(polyline.length(stroke.points) > 0.0 for stroke in self.strokes):
            raise InkError("the ink stays in one place; a letter needs a line")

    def thinned(self, most: int) -> "Ink":
        """The same line in about so many points, evenly left out; where it has no more, itself.

        >>> many = Ink((Stroke.of(np.arange(20.0).reshape(10, 2)),))
        >>> many.thinned(4).points[:, 0].tolist()
        [0.0, 6.0, 12.0, 18.0]
        """
        count = sum(len(stroke.points) for stroke in self.strokes)
        every = -(-count // most)
        if every <= 1:
            return self
        kept = [np.append(np.arange(0, len(s.points) - 1, every), -1) for s in self.strokes]
        return Ink(tuple(s.at(places) for s, places in zip(self.strokes, kept, strict=True)))

    def require_a_text(self) -> None:
        """Raises InkError unless there is something that could be a text."""
        if not self.strokes:
            raise InkError("there is no ink; write on the line, then hand it in")
        count = sum(len(stroke.points) for stroke in self.strokes)
        require_no_more(len(self.strokes), count, MAX_TEXT_STROKES, MAX_TEXT_POINTS)
        if not any(polyline.length(stroke.points) > 0.0 for stroke in self.strokes):
            raise InkError("the ink stays in one place; writing needs a line")


def require_no_more(strokes: int, points: int, most_strokes: int, most_points: int) -> None:
    """Raises TooMuchInkError for more ink than there can be.

    >>> require_no_more(3, 20_001, MAX_STROKES, MAX_POINTS)  # doctest: +ELLIPSIS
    Traceback (most recent call last):
    firstloop.core.errors.TooMuchInkError: the ink has 20,001 points, more than the...
    """
    for count, most, what in ((strokes, most_strokes, "strokes"), (points, most_points, "points")):
        if count > most:
            raise TooMuchInkError(
                f"the ink has {count:,} {what}, more than the {most:,} there can be; "
                "check that the pen was not left lying on the tablet"
            )
