"""The course of one stroke: its corners, and between them straight and curved runs.

By general rules, whatever the letter: a corner is a turn that is sharper than any curve; a run is
straight where it turns by little over a length that no curve could; the rest are curves, parted
where they begin to turn the other way.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import pairwise

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import INK_SPACING
from firstloop.core.geometry.polyline import FloatArray

CORNER_DEG, SIDE = 48.0, 4
"""[degrees, samples] A turn by more between what comes so shortly before and after is a corner: the
tightest curve that letters have, of 0.13 u, turns by 35 degrees there."""

NEAR = 2
"""[samples] By what comes so shortly before and after, the place of a corner is told."""

EDGE, TIP = 8, 3
"""[samples] Of a curve that a corner beside it may reach into; and of these, the tip of the corner,
in which the pen turns."""

LEAST_STRAIGHT, TURNS_DEG, TURNS_DEG_A_U, BENDS = 0.3, 13.0, 20.0, 0.03
"""[u, degrees, degrees a u, u] A straight run is so long at least; it turns by no more from its
beginning to its end, and a u, and bends by no more. The side of a round 0 turns by 29 a u."""

HEADING_SMOOTHING = 4.0
"""[samples] Of headings along a line, before they are looked at."""

WIGGLE_DEG = 22.0
"""[degrees] A curve that turns the other way by less goes on as it was."""

LEAST_PART, LEAST_TURN, GOES_ON = 0.16, 0.24, 0.06
"""[u, u, u] A curve between two others that is shorter is no part but a corner that the hand
rounded (than the second, where it turns as much as a corner); straight lines that together bend by
no more are one."""

LEAST_END = 0.08
"""[u] A part at the end of a line that is shorter is a landing or a lift of the pen, no part."""


@dataclass(frozen=True, slots=True, eq=False)
class Run:
    """A part of a stroke between two of its samples, straight or turning one way. `turn`: degrees
    that it turns by, anticlockwise positive; `begins` and `ends`: its headings there, in degrees,
    `ends` being `begins` and the turn; whether it begins at a corner of the stroke."""

    points: FloatArray
    straight: bool
    begins: float
    turn: float
    at_corner: bool

    @property
    def ends(self) -> float:
        """Degrees: its heading at its end."""
        return self.begins + self.turn

    @property
    def start(self) -> FloatArray:
        """Its first point, (2,)."""
        return np.asarray(self.points[0])

    @property
    def end(self) -> FloatArray:
        """Its last point, (2,)."""
        return np.asarray(self.points[-1])

    @property
    def length(self) -> float:
        """u along it."""
        return polyline.length(self.points)

    @property
    def across(self) -> float:
        """u that it goes to the right."""
        return float(self.points[-1, 0] - self.points[0, 0])

    @property
    def up(self) -> float:
        """u that it goes up."""
        return float(self.points[-1, 1] - self.points[0, 1])


def runs_of(line: FloatArray) -> tuple[Run, ...]:
    """The runs of a stroke, in their order."""
    places = [0, *corners_of(line), len(line) - 1]
    spans: list[_Span] = []
    for first, last in pairwise(places):
        parts = list(_parts(line[first : last + 1]))
        spans += [
            _Span(first + a, first + b, straight, not at)
            for at, (a, b, straight) in enumerate(parts)
        ]
    spans = _one_line(line, _without_rounded_corners(line, spans))
    return tuple(
        _run(line[one.first : one.last + 1], straight=one.straight, at_corner=one.at_corner)
        for one in spans
    )


@dataclass(frozen=True, slots=True)
class _Span:
    """A run by its first and last sample."""

    first: int
    last: int
    straight: bool
    at_corner: bool


def _without_rounded_corners(line: FloatArray, spans: list[_Span]) -> list[_Span]:
    """Spans without those that are too short to be a part: a corner that the hand rounded, or that
    lies beside where it was found. Each neighbour goes on to the middle of it."""
    found: list[_Span] = []
    for at, span in enumerate(spans):
        inside = 0 < at < len(spans) - 1
        turns = abs(_turn(line[span.first : span.last + 1]))
        least = LEAST_TURN if turns > CORNER_DEG else LEAST_PART
        short = (span.last - span.first) * INK_SPACING < least
        if not (inside and short) or span.straight:
            found.append(span)
            continue
        after = spans[at + 1]
        if span.at_corner or after.at_corner or turns > WIGGLE_DEG:
            middle = span.last if after.at_corner else span.first
            middle = middle if span.at_corner or after.at_corner else (span.first + span.last) // 2
            corner = True
        else:
            middle, corner = span.first, False
        found[-1] = replace(found[-1], last=middle)
        spans[at + 1] = replace(after, first=middle, at_corner=corner)
    return found


def _one_line(line: FloatArray, spans: list[_Span]) -> list[_Span]:
    """Spans in which straight lines that go on as one are one."""
    found = spans[:1]
    for span in spans[1:]:
        before = found[-1]
        both = line[before.first : span.last + 1]
        goes_on = span.straight and before.straight and not span.at_corner
        if goes_on and _bends(both) < GOES_ON:
            found[-1] = replace(before, last=span.last)
        else:
            found.append(span)
    return found


def _turn(part: FloatArray) -> float:
    headings = headings_along(part)
    return float(headings[-1] - headings[0])


def corners_of(line: FloatArray) -> list[int]:
    """Which samples of an even line are its corners."""
    if len(line) < 2 * SIDE + 2:
        return []
    inner = line[SIDE:-SIDE]
    before, after = inner - line[: -2 * SIDE], line[2 * SIDE :] - inner
    cross = before[:, 0] * after[:, 1] - before[:, 1] * after[:, 0]
    turns = np.degrees(np.abs(np.arctan2(cross, (before * after).sum(axis=1))))
    found: list[int] = []
    for at in np.flatnonzero(turns > CORNER_DEG):
        around = turns[max(0, at - 2 * SIDE) : at + 2 * SIDE + 1]
        if turns[at] >= around.max() and (not found or at + SIDE - found[-1] > SIDE):
            found.append(int(at) + SIDE)
    least = round(LEAST_END / INK_SPACING)
    found = [_sharpest(line, at) for at in found]
    return [at for at in found if least <= at <= len(line) - 1 - least]


def _sharpest(line: FloatArray, corner: int) -> int:
    """The very sample at which the pen turns round, near where a corner was found."""
    around = np.arange(max(NEAR, corner - SIDE), min(len(line) - NEAR, corner + SIDE + 1))
    bends = line[around - NEAR] - 2.0 * line[around] + line[around + NEAR]
    return int(around[np.argmax(np.hypot(*bends.T))])


def headings_along(points: FloatArray) -> FloatArray:
    """Degrees at each point, unwound; (n,)."""
    steps = polyline.smooth(polyline.headings(points), HEADING_SMOOTHING)
    return np.degrees(np.unwrap(np.arctan2(steps[:, 1], steps[:, 0])))


def _parts(piece: FloatArray) -> Iterator[tuple[int, int, bool]]:
    """First and last sample of each run of a piece without corners, and whether it is straight."""
    straight = _longest_straight(piece)
    if straight is None:
        yield from ((a, b, False) for a, b in _one_way(piece))
        return
    first, last = straight
    if first:
        yield from _parts(piece[: first + 1])
    yield first, last, True
    if last < len(piece) - 1:
        yield from ((a + last, b + last, s) for a, b, s in _parts(piece[last:]))


def _longest_straight(piece: FloatArray) -> tuple[int, int] | None:
    """The longest straight run; all of a piece that bends by little; None where there is none."""
    if _bends(piece) < _all_may_bend(piece):
        return 0, len(piece) - 1
    headings, least = headings_along(piece), round(LEAST_STRAIGHT / INK_SPACING)
    best, longest = None, least - 1
    for first in range(0, len(piece) - least, 2):
        last = first + longest + 1
        while last < len(piece) and _is_straight(
            piece[first : last + 1], headings[first : last + 1]
        ):
            best, longest = (first, last), last - first
            last += 2
    if best is None:
        return None
    # What is left over at an end is the pen's landing or its lift.
    first, last = best
    few = round(LEAST_END / INK_SPACING)
    return (0 if first <= few else first), (
        len(piece) - 1 if len(piece) - 1 - last <= few else last
    )


def _all_may_bend(piece: FloatArray) -> float:
    return min(1.3 * BENDS, 0.06 * polyline.length(piece))


def _bends(part: FloatArray) -> float:
    """u that a part is off its chord."""
    chord = part[-1] - part[0]
    length = float(np.hypot(*chord))
    if length < INK_SPACING:
        return np.inf
    off = (part - part[0]) @ np.array([-chord[1], chord[0]]) / length
    return float(np.abs(off).max())


def _is_straight(part: FloatArray, headings: FloatArray) -> bool:
    count = len(headings)
    at = np.linspace(-0.5, 0.5, count)
    turn = float((at * headings).sum() / (at * at).sum())
    most = min(TURNS_DEG, TURNS_DEG_A_U * INK_SPACING * count)
    return abs(turn) < most and _bends(part) < BENDS


def _one_way(piece: FloatArray) -> Iterator[tuple[int, int]]:
    """First and last sample of the parts of a curved piece that turn one way each."""
    headings = headings_along(piece)
    first, furthest, sense = 0, 0, 0.0
    for at, heading in enumerate(headings):
        ahead = sense * (heading - headings[furthest])
        if not sense:
            if abs(heading - headings[0]) > WIGGLE_DEG:
                sense, furthest = float(np.sign(heading - headings[0])), at
        elif ahead > 0:
            furthest = at
        elif ahead < -WIGGLE_DEG:
            yield first, furthest
            first, furthest, sense = furthest, at, -sense
    yield first, len(piece) - 1


def _run(points: FloatArray, *, straight: bool, at_corner: bool) -> Run:
    if straight:
        across, up = points[-1] - points[0]
        return Run(points, True, float(np.degrees(np.arctan2(up, across))), 0.0, at_corner)
    begins, ends = _without_landing(headings_along(points))
    return Run(points, False, begins, ends - begins, at_corner)


def _without_landing(headings: FloatArray) -> tuple[float, float]:
    """The headings that a curve begins and ends with: what is left of the corners beside it, in
    which the pen turned the other way, is no part of it."""
    edge = max(1, min(EDGE, len(headings) // 4))
    tip = min(TIP, edge - 1)
    first, last = headings[tip:edge], headings[-edge : len(headings) - tip]
    if headings[-1] < headings[0]:
        return float(first.max()), float(last.min())
    return float(first.min()), float(last.max())
