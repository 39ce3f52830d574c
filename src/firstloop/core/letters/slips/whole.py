"""Slips of the whole letter: turned round, leaning, shaking, off its line, too large, too small."""

import numpy as np

from firstloop.core.contract import Code
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import Level, MoveKind, Script, nominal_height
from firstloop.core.letters.slips.slip import Redraw, Slip, Strokes, both, of_group, only

SEEN_IN_THE_MIRROR = only("abcdefgjkpqrsyzBCDEFGJKLNPQRSZ2345679")
"""Letters and digits that look another in the mirror."""

NOT_UPSIDE_DOWN = only("afgjkrtAFGJKLPRTUVY2457")
"""Letters that are neither themselves nor another letter when they are turned round."""

UPRIGHT = {MoveKind.DROP, MoveKind.BACK, MoveKind.RISE}
SWING, SWINGS = 0.07, 5.0
"""u, and how often in one u: how a shaking line swings from side to side."""


def _mirrored(strokes: Strokes) -> Strokes:
    return tuple(stroke * np.array([-1.0, 1.0]) for stroke in strokes)


def _upside_down(strokes: Strokes) -> Strokes:
    """Turned by half a circle about the middle of its box, so that it stays where it was."""
    every = np.vstack(strokes)
    corners = every.min(axis=0) + every.max(axis=0)
    return tuple(corners - stroke for stroke in strokes)


def _leaning(degrees: float) -> Redraw:
    lean = float(np.tan(np.radians(degrees)))
    shear = np.array([[1.0, 0.0], [lean, 1.0]])
    return lambda strokes: tuple(stroke @ shear for stroke in strokes)


def _has_an_upright(script: Script) -> bool:
    return script.letter not in "G?!" and bool(UPRIGHT & {move.kind for move in script.moves})


def _shaking(strokes: Strokes) -> Strokes:
    return tuple(_shaken(polyline.respace(stroke, 0.01)) for stroke in strokes)


def _shaken(path: FloatArray) -> FloatArray:
    headings = polyline.headings(path)
    aside = np.column_stack([-headings[:, 1], headings[:, 0]])
    swing = SWING * np.sin(2 * np.pi * SWINGS * polyline.distances_along(path))
    return np.asarray(path + swing[:, None] * aside)


def _raised(by: float) -> Redraw:
    return lambda strokes: tuple(stroke + np.array([0.0, by]) for stroke in strokes)


def _scaled(across: float, up: float) -> Redraw:
    return lambda strokes: tuple(stroke * np.array([across, up]) for stroke in strokes)


def _above_the_mid_line(by: float) -> Redraw:
    """What is above the mid line is longer or shorter by this ratio."""
    return lambda strokes: tuple(_bent(stroke, 1.0, by) for stroke in strokes)


def _below_the_base_line(by: float) -> Redraw:
    return lambda strokes: tuple(
        _bent(stroke * [1.0, -1.0], 0.0, by) * [1.0, -1.0] for stroke in strokes
    )


def _bent(stroke: FloatArray, at: float, by: float) -> FloatArray:
    """The stroke with its heights above `at` scaled by `by`."""
    height = stroke[:, 1]
    return np.column_stack([stroke[:, 0], np.where(height > at, at + by * (height - at), height)])


def _standing_on_its_tail(strokes: Strokes) -> Strokes:
    """The whole letter is pushed up until its tail stands on the base line."""
    return _raised(-float(np.vstack(strokes)[:, 1].min()))(strokes)


def _is_tall(script: Script) -> bool:
    return script.reaches(Level.TOP)


def _has_a_tail(script: Script) -> bool:
    return script.reaches(Level.DROP)


def _is_short(script: Script) -> bool:
    heights = [nominal_height(node.y) for node in script.nodes]
    return min(heights) > -0.2 and max(heights) < 1.2


def _has_width(script: Script) -> bool:
    xs = [node.x for node in script.nodes]
    return max(xs) - min(xs) > 0.5


SMALL, LARGE = of_group("small"), of_group("capital", "digit")

WHOLE_SLIPS = (
    Slip(
        "mirrored",
        Code.MIRRORED,
        SEEN_IN_THE_MIRROR,
        redraw=_mirrored,
        or_as=frozenset({Code.READS_AS_OTHER}),
    ),
    Slip("upside down", Code.TURNED, NOT_UPSIDE_DOWN, redraw=_upside_down),
    Slip(
        "tail on the base line",
        Code.REACH_DOWN,
        both(SMALL, _has_a_tail),
        redraw=_standing_on_its_tail,
    ),
    Slip(
        "tail too short",
        Code.REACH_DOWN,
        both(SMALL, _has_a_tail),
        redraw=_below_the_base_line(0.3),
    ),
    Slip(
        "tall part too short",
        Code.REACH_UP,
        both(SMALL, _is_tall),
        redraw=_above_the_mid_line(0.35),
        or_as=frozenset({Code.READS_AS_OTHER}),
    ),
    Slip(
        "tall part too long", Code.REACH_UP, both(SMALL, _is_tall), redraw=_above_the_mid_line(1.7)
    ),
    Slip("floating", Code.OFF_BASE, lambda s: SMALL(s) or LARGE(s), redraw=_raised(0.45)),
    Slip("sinking", Code.OFF_BASE, both(SMALL, _is_short), redraw=_raised(-0.4)),
    Slip("body too small", Code.BODY_HEIGHT, both(SMALL, _is_short), redraw=_scaled(0.58, 0.58)),
    Slip("body too tall", Code.BODY_HEIGHT, both(SMALL, _is_short), redraw=_scaled(1.5, 1.5)),
    Slip("too small", Code.REACH_UP, both(LARGE, _is_tall), redraw=_scaled(0.6, 0.6)),
    Slip("too wide", Code.WIDTH, both(SMALL, _is_short, _has_width), redraw=_scaled(1.9, 1.0)),
    Slip("too narrow", Code.WIDTH, both(SMALL, _is_short, _has_width), redraw=_scaled(0.42, 1.0)),
    Slip("leaning over", Code.SLANT, _has_an_upright, redraw=_leaning(32.0)),
    Slip("leaning back", Code.SLANT, _has_an_upright, redraw=_leaning(-30.0)),
    Slip("shaking", Code.WOBBLE, lambda s: SMALL(s) or LARGE(s), redraw=_shaking),
)
