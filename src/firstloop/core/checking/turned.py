"""Whether a letter is written mirrored or turned round: which way up explains it best."""

from collections.abc import Callable
from functools import lru_cache

import numpy as np

from firstloop.core.checking.explain import Explanation, explain_as
from firstloop.core.checking.findings import Code, Measure, Verdict
from firstloop.core.checking.match import Models, Path, fit_boxes, step_costs
from firstloop.core.checking.reading import undirected
from firstloop.core.letterforms import Letter
from firstloop.core.limits import CLEARLY_TURNED, SAME_OTHER_WAY_UP, UNEXPLAINED
from firstloop.core.polyline import FloatArray

Strokes = tuple[FloatArray, ...]


def _about_the_middle(strokes: Strokes, turn: FloatArray) -> Strokes:
    every = np.vstack(strokes)
    middle = (every.min(axis=0) + every.max(axis=0)) / 2
    return tuple((stroke - middle) @ turn + middle for stroke in strokes)


def _turning(degrees: float) -> Callable[[Strokes], Strokes]:
    cosine, sine = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    turn = np.array([[cosine, sine], [-sine, cosine]])
    return lambda strokes: _about_the_middle(strokes, turn)


def _mirrored(strokes: Strokes) -> Strokes:
    return _about_the_middle(strokes, np.diag([-1.0, 1.0]))


_OTHER_WAYS_UP: tuple[tuple[Code, float, Callable[[Strokes], Strokes]], ...] = (
    (Code.MIRRORED, 0.0, _mirrored),
    (Code.TURNED, 180.0, _turning(180.0)),
    (Code.TURNED, 90.0, _turning(-90.0)),
    (Code.TURNED, -90.0, _turning(90.0)),
)
"""The ink is turned back by what the child has turned it."""


_WayUp = tuple[Code, float, Callable[[Strokes], Strokes]]


@lru_cache(maxsize=512)
def _ways_up(letter: Letter) -> tuple[_WayUp, ...]:
    """The other ways up in which the letter looks another: an o is an o whichever way it lies."""
    return tuple(way for way in _OTHER_WAYS_UP if _looks_another(letter, way[2]))


def _looks_another(letter: Letter, turn: Callable[[Strokes], Strokes]) -> bool:
    one = Path.of(list(letter.paths()))
    other = Models.of([Path.of(list(turn(letter.paths())))], undirected)
    costs = step_costs(one, fit_boxes(one.points, other), other)[0]
    return float(costs.min(axis=0).mean() + costs.min(axis=1).mean()) > SAME_OTHER_WAY_UP


def other_way_up(
    strokes: Strokes, letter: Letter, upright: Explanation
) -> tuple[Measure, Explanation] | None:
    """What the ink is if it is clearly better explained some other way up than as it stands."""
    tried = [
        (code, degrees, explain_as(turn(strokes), letter)) for code, degrees, turn in _OTHER_WAYS_UP
    ]
    code, degrees, best = min(tried, key=lambda one: one[2].cost)
    if best.cost > UNEXPLAINED / 2 or best.cost > CLEARLY_TURNED * upright.cost:
        return None
    share = upright.cost / (upright.cost + best.cost)
    value = share if code is Code.MIRRORED else degrees
    return Measure(code, value, Verdict.NOT_YET, 0, 0), best
