"""A reader who knows only phrases and lines: draws what it hears, and has never seen a letter.

Heights are the four lines; widths are a body's, or those of a tall letter. What a move is like it
may hear from the next one (how far a round goes before a slope), as a child that is told both does.
"""

from collections.abc import Callable, Sequence
from typing import NamedTuple

import numpy as np

from firstloop.core.geometry.polyline import FloatArray

Point = tuple[float, float]

TOP, MID, BASE, DROP, BRANCH = 1.9, 1.0, 0.0, -0.95, 0.62
HEIGHTS = {
    "at the top line": TOP,
    "under the top line": 1.55,
    "at the mid line": MID,
    "under the mid line": 0.8,
    "half way up": 0.5,
    "at the base line": BASE,
}


def drawn(starts: Sequence[str], moves: Sequence[Sequence[str]]) -> list[FloatArray]:
    """What is drawn by who hears where each stroke starts, then its moves: strokes (n, 2) in u."""
    page = _Page()
    for start, said in zip(starts, moves, strict=True):
        page.begin(start.removeprefix("lift, "))
        for words, following in zip(said, [*said[1:], ""], strict=True):
            page.make(words, following)
    return [np.array(stroke) for stroke in page.strokes]


class Arc(NamedTuple):
    """Part of an ellipse: its middle, its half sides, from one angle to another in degrees."""

    middle: Point
    sides: Point
    start: float
    end: float


class _Page:
    def __init__(self) -> None:
        self.strokes: list[list[Point]] = []
        self.high, self.stem = MID, 0.0

    @property
    def pen(self) -> Point:
        return self.strokes[-1][-1]

    @property
    def wide(self) -> float:
        return 0.75 if self.high == MID else 1.0

    def to(self, *places: Point) -> None:
        self.strokes[-1].extend(places)

    def arcs(self, *arcs: Arc, then: Point | None = None) -> None:
        """Along parts of ellipses, and straight on."""
        for (x, y), (across, up), start, end in arcs:
            angles = np.radians(np.linspace(start, end, 24))
            xs, ys = x + across * np.cos(angles), y + up * np.sin(angles)
            self.to(*zip(xs.tolist(), ys.tolist(), strict=True))
        if then is not None:
            self.to(then)

    def begin(self, start: str) -> None:
        beside, _, height = start.rpartition(", ")
        if not self.strokes:
            y = HEIGHTS[height]
            self.high = TOP if y > MID else MID
            self.strokes.append([(self.wide if y in (0.8, 1.55) else 0.0, y)])
            return
        xs = [x for stroke in self.strokes for x, _ in stroke]
        y = HEIGHTS.get(height, 0.0)
        across = {
            "left": min(xs) - 0.25, "right": max(*xs, min(xs) + self.wide),
            "on the stem": self.stem, "on the slope": min(xs) + y / self.high * self.wide / 2,
            "inside": (min(xs) + max(xs)) / 2,
        }  # fmt: skip
        first = self.strokes[0][0]
        if start == "back to the start":
            self.strokes.append([first])
        elif start == "above":
            self.strokes.append([(self.stem, 1.45)])
        elif start == "below":
            self.strokes.append([(self.pen[0], BASE)])
        else:
            self.strokes.append([(across[beside], y)])

    def make(self, words: str, following: str) -> None:
        """One move, as it is heard; what follows tells how far a curve is to go."""
        if words.startswith("lead in"):
            return self._lead_in(words.removeprefix("lead in").lstrip(", "), following)
        made = {
            "straight down": lambda: self._down(following),
            "straight down under the line": lambda: self._under(following),
            "back and round": lambda: self._round(following),
            "back over it and round": lambda: self._round(following),
            "over and round": lambda: self._over(following),
            "slope down to the right": lambda: self._slope(1, following),
            "slope down to the left": lambda: self._slope(-1, following),
        } | self._alone()
        return made[words]()

    def _alone(self) -> dict[str, Callable[[], None]]:
        """Moves that are heard whole."""
        return self._straight() | self._sloped() | self._curved() | self._small()

    def _straight(self) -> dict[str, Callable[[], None]]:
        (x, y), high, wide = self.pen, self.high, self.wide
        return {
            "a short way down": lambda: self.to((x, y - 0.8)),
            "most of the way down": lambda: self.to((x, 0.45)),
            "straight up": lambda: self.to((x, MID if y < MID else high)),
            "straight up to the top": lambda: self.to((x, TOP)),
            "back up the same line": lambda: self.to((x, BRANCH)),
            "straight across": lambda: self.to((x + wide * 0.9, y)),
            "straight back to the left": lambda: self.to((x - 0.5, y)),
        }

    def _sloped(self) -> dict[str, Callable[[], None]]:
        (x, y), high, wide = self.pen, self.high, self.wide
        first = self.strokes[0]
        halfway = ((first[0][0] + first[-1][0]) / 2, high / 2)
        return {
            "slope right, half way down": lambda: self.to((x + wide / 2, high / 2)),
            "a short slope left": lambda: self.to((x - 0.1, y - 0.35)),
            "slope left under the line": lambda: self.to((x - wide, DROP)),
            "slope in to the stem": lambda: self.to((self.stem, y / 2)),
            "slope in to meet it": lambda: self.to(halfway),
            "slope up": lambda: self.to((x + wide / 2, high)),
            "a short way out": lambda: self.to((x + 0.3, y)),
        }

    def _curved(self) -> dict[str, Callable[[], None]]:
        (x, y), high, wide = self.pen, self.high, self.wide
        top = high if y > 0.6 * high else MID
        ring = Arc((x - wide * 0.1, top / 2), (wide / 2, top / 2), 90, 450)
        under = Arc((x + wide / 2, y), (wide / 2, y), 180, 360)
        return {
            "over and down": lambda: self.arcs(
                Arc((x + 0.35, BRANCH), (0.35, MID - BRANCH), 180, 0), then=(x + 0.7, BASE)
            ),
            "over and stop": lambda: self.arcs(Arc((x + 0.3, BRANCH), (0.3, 0.38), 180, 45)),
            "down, under and up": lambda: self.arcs(
                Arc((x + wide / 2, 0.45), (wide / 2, 0.45), 180, 360), then=(x + wide, high)
            ),
            "under and up": lambda: self.arcs(under),
            "under, up and in": lambda: self.arcs(
                Arc((x + 0.4, 0.5), (0.4, 0.5), 180, 450), then=(x + 0.2, 0.85)
            ),
            "back, all the way round": lambda: self.arcs(ring),
            "back over it, all round": lambda: self.arcs(ring),
            "back, all round, up high": lambda: self.arcs(Arc((x - 0.4, 1.4), (0.4, 0.5), 20, 380)),
            "back, round and in": lambda: self.arcs(
                Arc((x, BRANCH), (0.7, TOP - BRANCH), 90, 180),
                Arc((x - 0.3, 0.5), (0.4, 0.5), 180, 540),
            ),
            "round and under": self._below,
            "over, in to the stem": lambda: self.arcs(
                Arc((x, 0.73), (0.5, 0.27), 90, -90), then=(self.stem, 0.46)
            ),
            "over, round to the stem": lambda: self._bowl(MID if y > MID + 0.3 else BASE),
            "over, round to the foot": lambda: self._bowl(BASE),
        }

    def _small(self) -> dict[str, Callable[[], None]]:
        x, y = self.pen
        return {
            "hook to the left": lambda: self.arcs(Arc((x - 0.3, y), (0.3, 0.4), 0, -150)),
            "curl to the right": lambda: self.arcs(Arc((x + 0.25, y), (0.25, 0.2), 180, 320)),
            "loop over to the left": lambda: self.arcs(Arc((x - 0.12, y), (0.12, TOP - y), 0, 180)),
            "loop left, up and across": lambda: self.arcs(
                Arc((x - 0.3, y), (0.25, 0.45), 0, -180), then=(x, BASE)
            ),
            "loop right and back up": lambda: self.arcs(
                Arc((x + 0.2, y), (0.2, 0.4), 180, 360), then=(x + 0.05, BASE)
            ),
            "flick up": lambda: self.to((x + 0.35, y + 0.3)),
            "dip and out": lambda: self.to((x + 0.25, y - 0.12), (x + 0.5, y)),
            "dot": lambda: self.to((x + 0.03, y)),
        }

    def _down(self, following: str) -> None:
        self._stands()
        turns = following in ("curl to the right", "under and up")
        self.to((self.pen[0], 0.2 if turns else BASE))

    def _under(self, following: str) -> None:
        self._stands()
        ends = not following or following.startswith("back up")
        self.to((self.pen[0], DROP if ends else -0.5))

    def _slope(self, way: int, following: str) -> None:
        x, y = self.pen
        leg = not following and len(self.strokes) == 1 and self.strokes[0] == [(0.0, TOP)]
        run = self.wide / 2 if "up" in following or leg else self.wide
        self.to((x + way * run, BASE if y > BASE else -0.3))

    def _bowl(self, bottom: float) -> None:
        top = max(self.pen[1], MID)
        middle, high = (self.stem, (top + bottom) / 2), (top - bottom) / 2
        self.arcs(Arc(middle, (0.85, high), 90, -90))

    def _below(self) -> None:
        (x, y), half = self.pen, self.wide / 2
        way = 1 if x > np.mean([place[0] for place in self.strokes[-1]]) else -1
        if y < 0.9:
            self.arcs(Arc((x - way * half, y), (way * half, y), 0, -180))
        else:
            self.arcs(Arc((x, y / 2), (0.5, y / 2), 90, -150))

    def _stands(self) -> None:
        if len(self.strokes) == 1:
            self.stem = self.pen[0]

    def _round(self, following: str) -> None:
        x, y = self.pen
        top = self.high if y > MID or self.high == MID else MID
        wide = self.wide
        if following.startswith("slope"):
            self.arcs(Arc((x - wide / 2, 0.75 * top), (wide / 2, 0.25 * top), 30, 230))
        elif following == "straight down":
            self.arcs(Arc((x - 0.2, y), (0.25, TOP - y), 30, 180))
        else:
            end = 350 if following.startswith("straight up") else 320
            self.arcs(Arc((x - wide / 2, top / 2), (wide / 2, top / 2), 40, end))

    def _over(self, following: str) -> None:
        x, y = self.pen
        if following.startswith("slope down to the left"):
            self.arcs(Arc((x + 0.4, 1.4), (0.4, 0.5), 160, -40))
        elif y > 0.7 * self.high:
            self.arcs(Arc((x + 0.4, 0.75 * TOP), (0.4, 0.25 * TOP), 160, -90))
        else:
            self.arcs(Arc((x + 0.4, 0.6), (0.4, 0.6), 150, -150))

    def _lead_in(self, how: str, following: str) -> None:
        loops = following.startswith("loop")
        height = {
            "to the top": TOP, "half way up": 0.6, "not quite up": 1.5, "high and over": TOP,
        }.get(how, 1.25 if loops else MID)  # fmt: skip
        x, _ = self.pen
        if how.endswith("over"):
            self.to((x + 0.7, height), (x + 1.05, height - 0.15))
        else:
            self.to((x + (0.9 if "half" in how else 0.45), height))
        self.stem = self.pen[0]


LIFTED, HEADING, POINTS = 0.4, 0.3, 48


def distances(one: Sequence[FloatArray], others: Sequence[Sequence[FloatArray]]) -> FloatArray:
    """How far a drawing is from each of others, as the pen goes: elastic, widths made alike,
    heights not; (other,)."""
    own, models = _followed(one), np.stack([_followed(other) for other in others], axis=2)
    costs = ((own[:, None, :, None] - models[None]) ** 2).sum(axis=2)
    reached = np.cumsum(costs[0], axis=0)
    for row in costs[1:]:
        entered = reached.copy()
        entered[1:] = np.minimum(reached[1:], reached[:-1])
        along = np.cumsum(row, axis=0)
        reached = along + np.minimum.accumulate(entered - (along - row), axis=0)
    return np.asarray(reached[-1] / POINTS)


def _followed(strokes: Sequence[FloatArray]) -> FloatArray:
    """The pen's way at even steps: place, heading, whether it is in the air; (POINTS, 5)."""
    ends = np.cumsum([len(stroke) for stroke in strokes])[:-1]
    points = np.concatenate(list(strokes))
    low, size = points.min(axis=0), np.ptp(points, axis=0)
    points = (points - [low[0], 0.0]) * [0.8 / max(float(size[0]), 0.4), 1.0]
    steps = np.hypot(*np.diff(points, axis=0).T)
    lifted = np.zeros(len(points))
    lifted[ends] = 1.0
    along = np.concatenate([[0.0], np.cumsum(np.maximum(steps, 1e-6))])
    at = np.linspace(0.0, along[-1], POINTS)
    place = np.column_stack([np.interp(at, along, points[:, axis]) for axis in (0, 1)])
    air = lifted[np.clip(np.searchsorted(along, at), 0, len(points) - 1)]
    ways = np.gradient(place, axis=0)
    ways /= np.maximum(np.hypot(*ways.T), 1e-9)[:, None]
    return np.column_stack([place, HEADING * ways, LIFTED * air])
