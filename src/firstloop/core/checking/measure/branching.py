"""Where an arch or a round parts from its stem, or meets it.

Near its stem an arch runs so close to it that where it parts cannot be seen in one place; a child's
hand sways by as much. So the whole way to the crown is laid over arches that part at one height or
another, round ones, pointed ones and wedges: that which explains it best tells the height, and
where several explain it nearly as well, the class's own is believed. A round that meets its stem is
the same, upside down.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry.curves import curve
from firstloop.core.geometry.even import evenly
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter
from firstloop.core.letters.drawing import DrawnMove, Proportions
from firstloop.core.letters.moves import Level, MoveKind

HEIGHTS = np.linspace(0.08, 0.96, 23)
"""[bodies] At which the way is compared: at its foot the pen turns, at its crown it lies level."""

BRANCHES = np.arange(0.04, 1.0, 0.03)
"""[bodies] At which it may part."""

STRAIGHT = (0.05, 0.45)
"""[bodies] Between these a stem tells the line that it stands on."""

SWAY, LEANS = 0.06, 0.06
"""[u] By how much a way up may lie beside its stem, and lean away from it, that parts where it
should: its own line, `retrace_gap`, is another matter. By trial, as are those that follow."""

UNSTEADY, UNLEVEL = 0.045, 0.03
"""[u] By how much a child's line strays from where it is meant, across and up."""

UNLIKE = 0.3
"""[share] By how much an arch is wider or narrower than its crown says."""

STEEPEST = 8.0
"""[u a body] An arch that runs flatter than this runs level."""

USUALLY_BELOW, USUALLY_ABOVE = 0.132, 0.45
"""[bodies] By how much ways part lower or higher than the class's own: ink must speak for more. A
corner at the very top is plainly seen, a low branch hardly from a line that sways."""

AT_MOST_AS_SELDOM = 6.0
"""[logarithm] How much the ink must say for a branch that is far off: a wedge from the foot says
twice as much."""

SURE_OF_STEADINESS, SEEN_APART = 2.0, 10.0
"""[count] How many strayings UNSTEADY is known from, and how many of a way's are independent: a
steadier hand is believed more (Student's t in place of the normal distribution)."""

TOO_HIGH_FOR_ANY = 0.68
"""[bodies] A higher branch of a class's own counts as this: a quarter of the body above it an arch
leaves at the very top, which is too high whatever the class has set (docs/checking.md)."""

POINTS = ((0.6, 0.9), (0.9, 0.97))
"""[share] Of width and height: where arches that run straight to a point, and wedges that run
nearly to their crown, begin to turn."""

WIDTHS = (0.15, 0.9)
"""[u] From a stem to the crown; narrower or wider ones are taken for these."""

TINY = 1e-9
"""[bodies²] A stem without height has no lean."""

LEAST_POINTS, LOWEST_CROWN = 4, 0.5
"""[points, bodies] A line of fewer, or an arch no higher, tells nothing."""

WITH_A_BRANCH = frozenset("nmhrbpuydagq")
"""Letters of which an arch or a round leaves its stem, or comes to it."""

_OVER = {MoveKind.ARCH, MoveKind.WHEEL, MoveKind.ARM}


@dataclass(frozen=True, slots=True, eq=False)
class _Junction:
    """A stem and the way that parts from it or meets it, in bodies (n, 2), base 0; a way that meets
    its stem is turned by half a turn, so that it parts from it. `drawn` is the move it is told of.
    """

    stem: FloatArray
    way: FloatArray
    drawn: DrawnMove
    meets: bool


def branch_place(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far (u) above (+) or below its place an arch parts from its stem, or a round meets it; of
    several arches the common place of all."""
    meant = _branch_of_model(explanation.letter)
    if meant is None:
        return []
    found = [
        (likely, junction)
        for junction in _junctions(_parts_of_ink(explanation, frame))
        if (likely := _likelihood(junction)) is not None
    ]
    if not found:
        return []
    made = _likeliest(sum((likely for likely, _ in found), np.zeros(len(BRANCHES))), meant)
    junction = found[0][1]
    drawn = junction.drawn
    off = made - min(meant, TOO_HIGH_FOR_ANY) if made > meant else made - meant
    value = -off if junction.meets else off
    return [Measure(Code.BRANCH_PLACE, value * frame.body, drawn.stroke, drawn.index)]


@lru_cache(maxsize=1024)
def _branch_of_model(letter: Letter) -> float | None:
    """Where (bodies) the arches of a model part, measured as those of ink are; None for a letter
    without."""
    if letter.name not in WITH_A_BRANCH:
        return None
    parts = [(move, evenly(move.points)) for move in letter.moves]
    likely = [one for junction in _junctions(parts) if (one := _likelihood(junction)) is not None]
    return float(BRANCHES[int(np.sum(likely, axis=0).argmax())]) if likely else None


_Part = tuple[DrawnMove, FloatArray]


def _parts_of_ink(explanation: Explanation, frame: Frame) -> list[_Part]:
    """The moves that were made as they should be, with their ink in the letter's own frame."""
    return [
        (w.piece.drawn, frame.place(w.ink)) for w in explanation.written if not w.piece.backwards
    ]


def _junctions(parts: list[_Part]) -> Iterator[_Junction]:
    for at in range(len(parts) - 1):
        few = parts[at : at + 3]
        if len({move.stroke for move, _ in few[:2]}) > 1:
            continue
        kinds = [move.move.kind for move, _ in few]
        lines = [line for _, line in few]
        if kinds[:2] == [MoveKind.SCOOP, MoveKind.DROP]:
            yield _meeting(lines[1], lines[0], few[0][0])
        elif len({move.stroke for move, _ in few}) > 1 or len(few) < 3:
            continue
        elif kinds == [MoveKind.ROUND, MoveKind.RISE, MoveKind.DROP]:
            yield _meeting(lines[2], np.concatenate(lines[:2]), few[0][0])
        elif kinds[1] is MoveKind.BACK and kinds[2] in _OVER and _is_a_branch(few[1][0]):
            yield _Junction(lines[0], _to_the_crown(np.concatenate(lines[1:])), few[2][0], False)


def _is_a_branch(back: DrawnMove) -> bool:
    return back.move.end.y is Level.BRANCH


def _meeting(stem: FloatArray, way: FloatArray, drawn: DrawnMove) -> _Junction:
    """A way that comes up from its lowest place to a stem that goes down, turned by half a turn and
    run backwards."""
    way = way[int(way[:, 1].argmin()) :]
    half = np.array([0.0, 1.0])
    return _Junction(half - stem, _to_the_crown(half - way[::-1]), drawn, True)


def _to_the_crown(way: FloatArray) -> FloatArray:
    """A way up from its foot to its highest place."""
    way = way[: int(way[:, 1].argmax()) + 1]
    return way[int(way[:, 1].argmin()) :]


def _likelihood(junction: _Junction) -> FloatArray | None:
    """How well each of the BRANCHES explains the way (logarithm); None where nothing is told."""
    way, low, high = junction.way, *STRAIGHT
    stem = junction.stem[(junction.stem[:, 1] > low) & (junction.stem[:, 1] < high)]
    if min(len(way), len(stem)) < LEAST_POINTS or way[-1, 1] < LOWEST_CROWN:
        return None
    (across, up), middle = (stem - stem.mean(axis=0)).T, stem.mean(axis=0)
    lean = float(up @ across) / max(float(up @ up), TINY)
    upright = middle[0] - lean * middle[1]
    ordered = way[way[:, 1].argsort()]
    heights = HEIGHTS * way[-1, 1]
    aside = np.interp(heights, ordered[:, 1], ordered[:, 0]) - (upright + lean * heights)
    width = float(np.clip(way[-1, 0] - (upright + lean * way[-1, 1]), *WIDTHS))
    whitened, unsure = _unsteadiness(round(width, 1))
    off = np.einsum("bij,bj->bi", whitened, aside - width * _arches())
    strayed = np.log1p((off * off).sum(axis=1) / SURE_OF_STEADINESS)
    likely = -0.5 * (SURE_OF_STEADINESS + SEEN_APART) * strayed - unsure
    return np.asarray(likely.reshape(-1, len(BRANCHES)).max(axis=0))


def _likeliest(likelihood: FloatArray, meant: float) -> float:
    """The branch (bodies) that ink and class together speak for."""
    off = BRANCHES - meant
    seldom = 0.5 * (off / np.where(off < 0.0, USUALLY_BELOW, USUALLY_ABOVE)) ** 2
    return float(BRANCHES[int((likelihood - np.minimum(seldom, AT_MOST_AS_SELDOM)).argmax())])


@lru_cache(maxsize=1)
def _arches() -> FloatArray:
    """x at HEIGHTS of ways to a crown at (1, 1) that part at BRANCHES: the quarters of ellipses,
    then those of each of POINTS; (kinds * branches, heights)."""
    fullness = Proportions().fullness
    ways = [curve((0.0, branch), 90.0, (1.0, 1.0), 0.0, fullness) for branch in BRANCHES]
    ways += [_pointed(branch, point) for point in POINTS for branch in BRANCHES]
    return np.array([np.interp(HEIGHTS, way[:, 1], way[:, 0]) for way in ways])


def _pointed(branch: float, point: tuple[float, float]) -> FloatArray:
    """Straight from a branch to where it turns, and round to the crown."""
    across, up = point
    turn = (across, max(up, branch))
    steep = math.degrees(math.atan2(turn[1] - branch, across))
    return np.vstack([[[0.0, branch]], curve(turn, steep, (1.0, 1.0), 0.0)])


@lru_cache(maxsize=16)
def _unsteadiness(width: float) -> tuple[FloatArray, FloatArray]:
    """What makes the strayings of each of the arches of a width (bodies) even (arches, heights,
    heights), and by how much its being unsure counts against it (arches,).

    Strayings are Gaussian: a way up beside its stem or leaning away from it, a width that is not
    its crown's, a line that is unsteady across and up, where it runs flat the more.
    """
    across = 2.0 * HEIGHTS - 1.0
    beside = SWAY**2 + LEANS**2 * np.outer(across, across)
    whitened = []
    for arch in width * _arches():
        flat = np.minimum(np.gradient(arch, HEIGHTS), STEEPEST)
        strays = beside + UNLIKE**2 * np.outer(arch, arch) + UNLEVEL**2 * np.outer(flat, flat)
        strays += np.diag(UNSTEADY**2 * (1.0 + flat**2))
        whitened.append(np.linalg.inv(np.linalg.cholesky(strays)))
    every = np.array(whitened)
    return every, -np.log(np.diagonal(every, axis1=1, axis2=2)).sum(axis=1)
