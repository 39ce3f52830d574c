"""A letter as it stands on paper: an image, and no path.

Which way and in which order it was made cannot be seen, and is not guessed. The image is thinned to
lines one pixel wide; the letter is laid over them as a picture, and what ink is found near each of
its moves is taken for it. From there on it is measured as pen ink is, but for direction.
"""

import math
from dataclasses import dataclass, replace

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.explain.explanation import Explanation, explain_as
from firstloop.core.checking.explain.looks import looks_of
from firstloop.core.checking.explain.settle import COVERED
from firstloop.core.checking.explain.tidy import STRAY_STROKE
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.measure.turned import Faces, faces_of, turned_by_shape
from firstloop.core.geometry import polyline
from firstloop.core.geometry.compiled import compiled_at_once
from firstloop.core.geometry.even import INK_SPACING, Lines, evenly
from firstloop.core.geometry.matching import Path
from firstloop.core.geometry.pictures import Look, Pictures
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter

LEANS = (-32.0, -24.0, -16.0, 16.0, 24.0, 32.0)
"""[degrees] Leans that are tried on a picture that does not lie well on the letter."""

CLEARLY_LEANS = 0.6
"""[share] A letter leans if stood up its shape costs less than this share of what it costs as it
is."""

STANDS_WELL = 0.04
"""[u²] What lies so well on the letter leans by less than would be told."""

REACHES, GENTLE = (0.45, 0.35, 0.25), 0.2
"""[u] From how far the letter is drawn towards the ink, in turn; over which length it bends."""

BROKEN = 0.12
"""[u] A step along the ink as wide as this, with nothing half way, is a break in the line."""

LEFT_OVER_COST = 0.05
"""[u² for each u] u² for each u of ink that a form leaves over, when forms are compared."""


@dataclass(frozen=True, slots=True, eq=False)
class Sighting:
    """What is seen in an image: the explanation, the lines, and what is measured on the image
    alone: which way up it is, how far it leans, where its lines are broken."""

    explanation: Explanation
    lines: Lines
    turned: Measure | None
    lean_deg: float
    gap: float


def explain_image(lines: Lines, forms: tuple[Letter, ...], slant_deg: float) -> Sighting:
    """How the lines of an image lie on the form of the letter that they fit best."""
    faces = faces_of(forms, slant_deg)
    costs = faces.costs(Look.of(Path.of_trace(lines)))
    turned = turned_by_shape(faces, costs)
    if turned is not None:
        measure, way = turned
        best, gap = _best(way.undone(lines), forms)
        return Sighting(best, lines, measure, 0.0, gap)
    lean_deg, upright = _stood_up(lines, faces, float(costs[0]))
    best, gap = _best(upright, forms)
    return Sighting(best, upright, None, lean_deg, gap)


def _stood_up(lines: Lines, faces: Faces, as_it_is: float) -> tuple[float, Lines]:
    """By how many degrees the letter leans away, and its lines without that lean; as it is its
    shape costs so much."""
    if as_it_is < STANDS_WELL:
        return 0.0, lines
    tried = [(lean, _sheared(lines, -lean)) for lean in LEANS]
    costs = [faces.upright_cost(Look.of(Path.of_trace(one))) for _, one in tried]
    best = int(np.argmin(costs))
    return tried[best] if costs[best] < CLEARLY_LEANS * as_it_is else (0.0, lines)


def _sheared(lines: Lines, degrees: float) -> Lines:
    shear = np.array([[1.0, 0.0], [np.tan(np.radians(degrees)), 1.0]])
    return tuple(evenly(line @ shear) for line in lines)


def _best(lines: Lines, forms: tuple[Letter, ...]) -> tuple[Explanation, float]:
    """The form that explains the lines best, with the least ink left over."""
    tried = [_explain_on(lines, form) for form in forms]
    return min(tried, key=lambda one: one[0].total + one[0].left_over * LEFT_OVER_COST)


def _explain_on(lines: Lines, form: Letter) -> tuple[Explanation, float]:
    """The ink followed along the letter's own moves; and the widest break in it, u."""
    look = Look.of(Path.of_trace(lines))
    fit = Pictures.of(looks_of(form)[:1]).best_fit(look)
    ink, headings = np.concatenate(lines), np.concatenate([polyline.headings(x) for x in lines])
    followed, gap, taken = [], 0.0, np.zeros(len(ink), dtype=bool)
    for path in form.paths():
        model = (polyline.respace(path, INK_SPACING) - fit.shift[0]) / fit.scale[0] + look.path.low
        model = _drawn_towards(model, ink, headings)
        nearest, off = _nearest(model, ink, headings)
        near = off < COVERED
        if near.sum() >= 2:
            found = ink[nearest[near]]
            taken |= _distance_from(ink, model) < COVERED
            gap = max(gap, _widest_break(found, ink))
            followed.append(evenly(found))
    left_over = float((~taken).sum()) * INK_SPACING
    explanation = explain_as(tuple(followed) or lines, form)
    return replace(explanation, left_over=left_over if left_over > COVERED else 0.0), gap


def _drawn_towards(model: FloatArray, ink: FloatArray, headings: FloatArray) -> FloatArray:
    """The model bent towards the ink, its bends gentle, from further off to near by."""
    for reach in REACHES if polyline.length(model) > STRAY_STROKE else ():  # a dot bends nowhere
        nearest, off = _nearest(model, ink, headings)
        pull = np.where((off < reach)[:, None], ink[nearest] - model, 0.0)
        model = model + polyline.smooth(pull, GENTLE / INK_SPACING)
    return model


def _widest_break(found: FloatArray, ink: FloatArray) -> float:
    """The widest step (u) from one point of a followed line to the next with no ink half way."""
    steps = np.hypot(*np.diff(found, axis=0).T)
    widest = 0.0
    for at in np.flatnonzero(steps > BROKEN):
        half_way = (found[at] + found[at + 1]) / 2
        if np.hypot(*(ink - half_way).T).min() > BROKEN / 2:
            widest = max(widest, float(steps[at]))
    return widest


def _nearest(
    model: FloatArray, ink: FloatArray, headings: FloatArray
) -> tuple[npt.NDArray[np.intp], FloatArray]:
    """For each point of a path the nearest ink that runs along it, and how far it is (u)."""
    runs = polyline.length(model) > STRAY_STROKE  # a dot runs nowhere
    return _nearest_along(model, polyline.headings(model), ink, headings, COVERED if runs else 0.0)


@compiled_at_once
def _nearest_along(
    model: FloatArray, ways: FloatArray, ink: FloatArray, headings: FloatArray, across: float
) -> tuple[npt.NDArray[np.intp], FloatArray]:
    """The same; `across` (u) is how much further off ink counts that runs across the path."""
    nearest, off = np.zeros(len(model), np.intp), np.full(len(model), np.inf)
    for at in range(len(model)):
        for point in range(len(ink)):
            dx, dy = model[at, 0] - ink[point, 0], model[at, 1] - ink[point, 1]
            along = abs(ways[at, 0] * headings[point, 0] + ways[at, 1] * headings[point, 1])
            far = math.sqrt(dx * dx + dy * dy) + across * (1.0 - along)
            if far < off[at]:
                nearest[at], off[at] = point, far
    return nearest, off


@compiled_at_once
def _distance_from(ink: FloatArray, model: FloatArray) -> FloatArray:
    """u from each point of the ink to the nearest of a path."""
    off = np.full(len(ink), np.inf)
    for at in range(len(ink)):
        for point in range(len(model)):
            dx, dy = model[point, 0] - ink[at, 0], model[point, 1] - ink[at, 1]
            off[at] = min(off[at], dx * dx + dy * dy)
    return np.asarray(np.sqrt(off))
