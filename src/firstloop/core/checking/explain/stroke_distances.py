"""How far strokes of ink lie from strokes of a letter, each taken at POINTS places."""

from functools import lru_cache
from itertools import permutations

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.explain.tidy import STRAY_STROKE
from firstloop.core.geometry import polyline
from firstloop.core.geometry.matching import SMALLEST_BOX
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import MoveKind

ACROSS = 0.25
"""[u] By which ink that crosses a part at right angles is as good as further off: a stem does not
stand for the bar that crosses it."""

LEAST_SCALE, MOST_SCALE = 0.5, 2.0
"""[ratio] By what a part of the ink is drawn down or up at most, to be compared."""


POINTS = 24
"""[points] Of a stroke, compared with those of another."""


def point_by_point(ink: FloatArray, models: FloatArray) -> FloatArray:
    """u that strokes lie off the letter's, each point off the one in its turn, on average; from
    their start and from their end, (2, i, j)."""
    both_ways = np.stack((ink, ink[:, ::-1]))[:, :, None]
    off = both_ways - models
    return np.asarray(np.hypot(off[..., 0], off[..., 1]).sum(axis=3) / POINTS)


def off_in_any_order(off: FloatArray) -> float:
    """Of `point_by_point` what the worst stroke is off, in the order and the directions that suit
    best."""
    either: list[list[float]] = np.minimum(off[0], off[1]).tolist()
    orders = permutations(range(len(either)))
    return min(max(row[j] for row, j in zip(either, to, strict=True)) for to in orders)


def off_the_letter(stroke: FloatArray, models: FloatArray) -> float:
    """u that a stroke (POINTS, 2) is from the letter, on average."""
    return float(distances(stroke[None], models).min(axis=(1, 3)).mean())


@lru_cache(maxsize=512)
def models_of(letter: Letter) -> FloatArray:
    """The letter's strokes at POINTS places each; (stroke, POINTS, 2)."""
    return np.stack([polyline.resample(path, POINTS) for path in letter.paths()])


@lru_cache(maxsize=512)
def dots_of(letter: Letter) -> npt.NDArray[np.bool_]:
    """Which of the letter's strokes are dots."""
    return np.array([is_dot(letter, j) for j in range(len(letter.strokes))])


def fitted(ink: FloatArray, models: FloatArray, by: FloatArray | None = None) -> FloatArray:
    """The ink with its box, or the box of a part of it, laid over the letter's."""
    flat, onto = (ink if by is None else by).reshape(-1, 2), models.reshape(-1, 2)
    (low, high), (to_low, to_high) = polyline.corners(flat), polyline.corners(onto)
    scale = np.maximum(to_high - to_low, SMALLEST_BOX) / np.maximum(high - low, SMALLEST_BOX)
    scale = np.minimum(np.maximum(scale, LEAST_SCALE), MOST_SCALE)
    return np.asarray(ink * scale + ((to_low + to_high) / 2 - scale * (low + high) / 2))


def distances(ink: FloatArray, models: FloatArray) -> FloatArray:
    """u from each point of each ink stroke to each of each model stroke; (i, j, POINTS, POINTS)."""
    one, other = ink.reshape(-1, 2), models.reshape(-1, 2)
    # |a - b|² = |a|² + |b|² - 2ab, which is one matrix product for all.
    squares = -2.0 * (one @ other.T)
    squares += np.einsum("ij,ij->i", one, one)[:, None]
    squares += np.einsum("ij,ij->i", other, other)
    np.maximum(squares, 0.0, out=squares)
    return _by_stroke(np.sqrt(squares))


def _by_stroke(between: FloatArray) -> FloatArray:
    """From (all points, all points) to (i, j, POINTS, POINTS)."""
    i, j = len(between) // POINTS, between.shape[1] // POINTS
    return between.reshape(i, POINTS, j, POINTS).transpose(0, 2, 1, 3)


def running_across(ink: FloatArray, models: FloatArray) -> FloatArray:
    """u by which ink that runs across a part is further off than it lies; a dot has no direction.

    As `distances`: (i, j, POINTS, POINTS).
    """
    one, other = _directions(ink), _directions(models)
    along = one.reshape(-1, 2) @ other.reshape(-1, 2).T
    across = _by_stroke(ACROSS - ACROSS * along * along)
    has_one = np.array([stroke[0].any() for stroke in one])[:, None]
    both = has_one & np.array([stroke[0].any() for stroke in other])
    return np.asarray(across if both.all() else across * both[:, :, None, None])


def _directions(strokes: FloatArray) -> FloatArray:
    """Unit headings; none for what is as short as a dot. (stroke, POINTS, 2)."""
    ahead = np.empty_like(strokes)
    np.subtract(strokes[:, 2:], strokes[:, :-2], out=ahead[:, 1:-1])
    ahead[:, 0] = strokes[:, 1] - strokes[:, 0]
    ahead[:, -1] = strokes[:, -1] - strokes[:, -2]
    size = np.hypot(ahead[..., 0], ahead[..., 1])
    short = size.sum(axis=1) < 2 * STRAY_STROKE  # `ahead` spans two steps
    size[size == 0.0] = 1.0
    ahead /= size[:, :, None]
    ahead[short] = 0.0
    return ahead


def reached(ink: FloatArray, models: FloatArray, across: FloatArray) -> FloatArray:
    """u from each point of each model stroke to the nearest ink; (j, POINTS)."""
    return np.asarray((distances(ink, models) + across).min(axis=(0, 2)))


def moved_sideways(ink: FloatArray, models: FloatArray) -> list[FloatArray]:
    """The ink moved sideways: its left, its middle or its right on the letter's."""
    (low, to_low), (high, to_high) = (
        (float(f(ink[..., 0])), float(f(models[..., 0]))) for f in (np.min, np.max)
    )
    shifts = (to_low - low, (to_low + to_high - low - high) / 2, to_high - high)
    return [ink + np.array([shift, 0.0]) for shift in shifts]


def as_tall(ink: FloatArray, models: FloatArray) -> FloatArray:
    """The ink scaled to the letter's height, its feet on the letter's."""
    low, to_low = ink.min(axis=(0, 1)), models.min(axis=(0, 1))
    height = max(float(np.ptp(ink[..., 1])), SMALLEST_BOX)
    scale = min(max(float(np.ptp(models[..., 1])) / height, LEAST_SCALE), MOST_SCALE)
    return np.asarray((ink - low) * scale + to_low)


def is_dot(letter: Letter, stroke: int) -> bool:
    """Whether a stroke of the letter is a dot."""
    return letter.script.strokes[stroke].moves[0].kind is MoveKind.DOT
