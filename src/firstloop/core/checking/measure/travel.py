"""Where the pen began and how it travelled, on a letter whose picture is right but whose way of
making is none that is known: what can be said of direction without knowing the moves."""

from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.matching import Models, Path, fit_boxes
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import MoveKind

BESIDE, ALONG = 0.3, 0.6
"""[u, cosine] u from the letter's line, and cosine of the angle to it, within which ink runs along
it."""


SPACING = 0.05
"""[u] Between the places that are compared."""


@dataclass(frozen=True, slots=True, eq=False)
class _Track:
    """A letter's way: points (n, 2), unit headings (n, 2), and of which stroke and move each is."""

    points: FloatArray
    headings: FloatArray
    of: tuple[tuple[int, int], ...]


def travelled(lines: Lines, forms: tuple[Letter, ...], *, left_handed: bool) -> list[Measure]:
    """What is to be said of the direction, by the form for which that is least."""
    return min(
        (
            [replace(measure, form=form) for measure in _travelled(lines, form, left_handed)]
            for form in forms
        ),
        key=lambda found: sum(abs(measure.value) for measure in found),
    )


def _travelled(lines: Lines, letter: Letter, left_handed: bool) -> list[Measure]:
    laid = _laid_over(lines, letter)
    measures = [*_begun(laid[0][0], letter), *_against(laid, letter, left_handed)]
    lifts = len(lines) - len(letter.strokes)
    if lifts > 0:
        measures.append(Measure(Code.EXTRA_LIFT, float(lifts), 0, 0))
    return measures


def _laid_over(lines: Lines, letter: Letter) -> list[FloatArray]:
    """The ink's strokes with their box on the letter's, evenly spaced."""
    ink, model = Path.of_trace(lines), Path.of(letter.paths())
    fit = fit_boxes(ink.size, Models.of([model]))
    return [
        polyline.respace((line - ink.low) * fit.scale[0] + fit.shift[0], SPACING) for line in lines
    ]


def _begun(start: FloatArray, letter: Letter) -> list[Measure]:
    """How far from the letter's start the pen was set down; or that another stroke was first."""
    starts = np.stack([stroke[0].points[0] for stroke in letter.strokes])
    off = np.hypot(*(starts - start).T)
    nearest = int(off.argmin())
    if nearest > 0 and off[nearest] < BESIDE:
        return [Measure(Code.STROKE_ORDER, 1.0, nearest, 0)]
    below = start[1] < starts[0, 1]
    return [Measure(Code.START_PLACE, float(-off[0] if below else off[0]), 0, 0)]


def _against(lines: list[FloatArray], letter: Letter, left_handed: bool) -> list[Measure]:
    """The share of the ink that runs along the letter's line, but against the pen's way there.
    Where the pen comes and goes on one line, either way is right; so is a bar that a left-handed
    child pulls."""
    track = _track_of(letter)
    ink = np.concatenate(lines)
    headings = np.concatenate([polyline.headings(line) for line in lines])
    near = np.hypot(*(ink[:, None] - track.points[None]).transpose(2, 0, 1)) < BESIDE
    cosines = np.where(near, headings @ track.headings.T, 0.0)
    if left_handed:
        kinds = [letter.strokes[stroke][move].move.kind for stroke, move in track.of]
        pulled = np.array([kind is MoveKind.CROSS for kind in kinds])
        cosines[:, pulled] = np.abs(cosines[:, pulled])
    ahead, back = cosines.max(axis=1) > ALONG, cosines.min(axis=1) < -ALONG
    against = back & ~ahead
    told = max(int((ahead | back).sum()), 1)
    where = np.bincount(cosines[against].argmin(axis=1), minlength=1) if against.any() else [0]
    stroke, move = track.of[int(np.argmax(where))]
    return [Measure(Code.STROKE_DIRECTION, float(against.sum()) / told, stroke, move)]


def _track_of(letter: Letter) -> _Track:
    moves = [(drawn, polyline.respace(drawn.points, SPACING)) for drawn in letter.moves]
    return _Track(
        np.concatenate([points for _, points in moves]),
        np.concatenate([polyline.headings(points) for _, points in moves]),
        tuple((drawn.stroke, drawn.index) for drawn, points in moves for _ in points),
    )
