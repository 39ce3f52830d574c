"""Whether a letter is written mirrored or turned round: which way up its shape is the letter."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.checking.explain import Explanation, explain
from firstloop.core.checking.findings import Code, Measure, Verdict
from firstloop.core.checking.match import Models, Path
from firstloop.core.checking.reading import fits_of, picture_costs, undirected
from firstloop.core.letterforms import Letter
from firstloop.core.limits import AS_GOOD, LOOKS_LIKE, SAME_OTHER_WAY_UP, TURNED_SHAPE, TURNED_WAY
from firstloop.core.polyline import FloatArray

Strokes = tuple[FloatArray, ...]


@dataclass(frozen=True, slots=True, eq=False)
class _WayUp:
    """What the child has done to the letter, degrees, and the matrix that undoes it."""

    code: Code
    degrees: float
    undo: FloatArray

    def undone(self, strokes: Strokes) -> Strokes:
        """The strokes put right, about the middle of their box."""
        every = np.vstack(strokes)
        middle = (every.min(axis=0) + every.max(axis=0)) / 2
        return tuple((stroke - middle) @ self.undo + middle for stroke in strokes)


def _turned(degrees: float) -> _WayUp:
    cosine, sine = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    return _WayUp(Code.TURNED, degrees, np.array([[cosine, -sine], [sine, cosine]]))


_OTHER_WAYS_UP = (
    _WayUp(Code.MIRRORED, 0.0, np.diag([-1.0, 1.0])),
    _turned(180.0),
    _turned(90.0),
    _turned(-90.0),
)
"""Mirrored first: of a letter that is the same upside down, it is the likelier."""


@dataclass(frozen=True, slots=True, eq=False)
class _Looks:
    """The pictures of a letter's forms, and the other ways up in which it looks another: an o is an
    o whichever way it lies."""

    models: Models
    ways_up: tuple[_WayUp, ...]


@lru_cache(maxsize=512)
def _looks(forms: tuple[Letter, ...]) -> _Looks:
    models = Models.of([Path.of(list(form.paths())) for form in forms], undirected)
    own = forms[0].paths()
    return _Looks(
        models,
        tuple(
            way
            for way in _OTHER_WAYS_UP
            if _cost(Path.of(list(way.undone(own))), models) > SAME_OTHER_WAY_UP
        ),
    )


def _cost(ink: Path, models: Models) -> float:
    every = np.arange(len(models.squares))
    return float(picture_costs(ink, fits_of(ink, models), models, every).min())


def other_way_up(
    strokes: Strokes, forms: tuple[Letter, ...], upright: Explanation
) -> tuple[Measure, Explanation] | None:
    """What the ink is if it is clearly the letter some other way up than as it stands.

    `strokes` as they were made, `upright` what they are as they stand. The shape must speak for it,
    and so must the way it was made, the less the more clearly the shape does: a round made
    clockwise is not a mirrored one.
    """
    looks = _looks(forms)
    as_it_stands = _cost(Path.of(list(strokes)), looks.models)
    put_right = [(way, way.undone(strokes)) for way in looks.ways_up]
    costs = [_cost(Path.of(list(undone)), looks.models) for _, undone in put_right]
    least = min(costs, default=np.inf)
    share = least / max(as_it_stands, least)
    if least > LOOKS_LIKE or share > TURNED_SHAPE[-1]:
        return None
    best = [one for one, cost in zip(put_right, costs, strict=True) if cost < AS_GOOD * least]
    explained = [(way, explain(undone, forms)) for way, undone in best]
    way, explanation = min(explained, key=lambda one: one[1].total)
    made = TURNED_WAY[0] if share < TURNED_SHAPE[0] else TURNED_WAY[-1]
    if explanation.total > made * upright.total:
        return None
    value = 1.0 - share / (1.0 + share) if way.code is Code.MIRRORED else way.degrees
    return Measure(way.code, value, Verdict.NOT_YET, 0, 0), explanation
