"""Letters and digits as others make them: good ones, told only by what they are.

Digits in the many makes that people have, begun and closed where they like; rings begun anywhere;
and single-line alphabets drawn by others (the Hershey fonts, which were digitised in 1967).
"""

from collections import defaultdict
from collections.abc import Iterator, Sequence

import numpy as np
from HersheyFonts import HersheyFonts
from scripts.other_print.glyphs import Points, Shape, arc, on, sticks

from firstloop.core.geometry import polyline
from firstloop.core.letters.ruling import Ruling

Rng = np.random.Generator

PRINTED = ("futural", "rowmans")
"""The Hershey alphabets that are print."""


def at(x: float, y: float) -> Points:
    """A place that a line goes on to, straight."""
    return np.array([[x, y]])


def _five(begin: Sequence[tuple[float, float]]) -> Points:
    return on(sticks(*begin), arc(0.35, 0.6, 0.48, 0.6, 120, -140))


_UPPER, _LOWER = (0.4, 1.5, 0.4, 0.48), (0.4, 0.5, 0.45, 0.5)
_NINE = (0.45, 1.5, 0.42, 0.48)
_NECK = ((0.1, 2), (0.05, 1.15))

DIGITS: dict[str, list[Shape]] = {
    "1": [
        [sticks((0.3, 2), (0.3, 0))],
        [sticks((0, 1.6), (0.35, 2), (0.35, 0))],
        [sticks((0, 1.2), (0.4, 2), (0.4, 0))],
        [sticks((0.05, 1.5), (0.4, 2), (0.4, 0)), sticks((0, 0), (0.8, 0))],
        [sticks((0.5, 2), (0.2, 0))],
        [sticks((0, 1), (0.45, 2), (0.4, 0))],
    ],
    "2": [
        [on(arc(0.45, 1.5, 0.42, 0.5, 160, -30), sticks((0, 0), (0.9, 0)))],
        [on(arc(0.4, 1.45, 0.4, 0.5, 150, -20), sticks((0.3, 0.5), (0, 0), (0.85, 0.05)))],
        [
            on(
                arc(0.45, 1.5, 0.42, 0.5, 180, -40),
                at(0.1, 0.05),
                arc(0.1, 0.15, 0.15, 0.12, 200, 420),
                at(0.95, 0),
            )
        ],
    ],
    "3": [
        [on(arc(*_UPPER, 150, -90), arc(*_LOWER, 90, -150))],
        [on(sticks((0, 2), (0.8, 2), (0.35, 1.2)), arc(0.38, 0.58, 0.42, 0.58, 90, -150))],
        [on(arc(*_UPPER, 130, -70), at(0.3, 1.0), arc(*_LOWER, 70, -160))],
    ],
    "4": [
        [sticks((0.6, 2), (0, 0.7), (1, 0.7)), sticks((0.7, 1.3), (0.7, 0))],
        [sticks((0.1, 2), (0.05, 1), (0.9, 1)), sticks((0.8, 2), (0.8, 0))],
        [sticks((0.7, 0), (0.7, 2), (0, 0.7), (1, 0.7))],
        [sticks((0, 2), (0, 1), (0.8, 1), (0.8, 2), (0.8, 0))],
        [sticks((0.5, 2), (0, 0.8), (0.95, 0.8)), sticks((0.8, 2), (0.75, 0))],
    ],
    "5": [
        [_five(_NECK), sticks((0.1, 2), (0.8, 2))],
        [_five([(0.85, 2), *_NECK])],
        [sticks((0.1, 2), (0.85, 2)), _five(_NECK)],
        [on(sticks((0.8, 1.95), (0.15, 1.95)), arc(0.38, 0.6, 0.45, 0.6, 140, -130))],
    ],
    "6": [
        [on(arc(0.9, 1, 0.9, 1, 100, 180), arc(0.45, 0.5, 0.45, 0.5, 180, 540))],
        [on(sticks((0.6, 2), (0.05, 0.6)), arc(0.42, 0.45, 0.4, 0.45, 170, 520))],
        [on(arc(0.85, 0.9, 0.8, 1.1, 95, 180), arc(0.42, 0.42, 0.38, 0.42, 180, 520))],
    ],
    "7": [
        [sticks((0, 2), (0.9, 2), (0.3, 0))],
        [sticks((0, 2), (0.9, 2), (0.35, 0)), sticks((0.2, 1), (0.85, 1))],
        [sticks((0, 1.8), (0.05, 2), (0.9, 1.95), (0.4, 1), (0.3, 0))],
        [sticks((0, 2), (0.85, 1.9), (0.6, 0.8), (0.5, 0))],
    ],
    "9": [
        [on(arc(*_NINE, 20, 380), at(0.87, 0))],
        [on(arc(*_NINE, 40, 395), sticks((0.85, 1), (0.6, 0)))],
        [arc(*_NINE, 10, 375), sticks((0.87, 2), (0.87, 0))],
        [on(arc(*_NINE, 60, 400), arc(0.3, 1, 0.57, 1, 20, -70))],
        [on(arc(*_NINE, 0, -360), at(0.87, 0))],
    ],
}
"""Shapes by digit, y up, x-height 1; 0 and 8, which close, are `rings`."""


def rings(rng: Rng, count: int) -> Iterator[tuple[str, Shape]]:
    """0 and 8 begun anywhere on their line and made either way about."""
    for _ in range(count):
        begin, way = rng.uniform(0, 2 * np.pi), rng.choice([-1, 1])
        turn = begin + way * np.linspace(0, 2 * np.pi, 80)
        yield "0", [np.column_stack([0.5 + 0.45 * np.cos(turn), 1 + np.sin(turn)])]
        yield "8", [np.column_stack([0.42 + 0.4 * np.sin(2 * turn), 1 + 0.98 * np.sin(turn)])]


def digits(rng: Rng, count: int) -> Iterator[tuple[str, Shape]]:
    """Digits of people's makes, each about `count` times, in hands of their own."""
    for digit, makes in DIGITS.items():
        for make in makes:
            for _ in range(max(1, round(count / len(makes)))):
                yield digit, _in_a_hand(make, rng)
    for digit, ring in rings(rng, count):
        yield digit, _in_a_hand(ring, rng)


def _in_a_hand(shape: Shape, rng: Rng) -> Shape:
    """Wide or narrow, leaning, turned a little, corners rounded, bent by slow waves, shaken."""
    width, height, base = rng.normal(1, 0.14), rng.normal(1, 0.06), rng.normal(0, 0.05)
    lean, turn = np.tan(np.radians(rng.normal(4, 7))), np.radians(rng.normal(0, 3))
    cosine, sine = np.cos(turn), np.sin(turn)
    waves, written = rng.normal(0, 0.03, (3, 2)), []
    for stroke in shape:
        path = polyline.respace(stroke, 0.03)
        path = polyline.smooth(path, rng.uniform(1, 3.5)) if len(path) > 6 else path
        bent = np.sin(np.outer(1.7 * path[:, 1] + path[:, 0], np.arange(1, 4))) @ waves
        path = path * [width, height] + bent
        path = path @ np.array([[1, 0], [lean, 1]]) @ np.array([[cosine, sine], [-sine, cosine]])
        written.append(path + np.array([0, base]) + rng.normal(0, 0.004, path.shape))
    return written


def hershey(font: str) -> tuple[Ruling, dict[str, Shape]]:
    """An alphabet of the Hershey fonts on lines of its own: letters and digits, y up."""
    drawn: dict[str, list[Points]] = defaultdict(list)
    source = HersheyFonts()
    source.load_default_font(font)
    for letter in "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789":
        for stroke in source.strokes_for_text(letter):
            drawn[letter].append(np.array(stroke, dtype=float) * [1, -1])
    body = np.vstack(drawn["x"])[:, 1]
    base, unit = body.min(), np.ptp(body)
    alphabet: dict[str, Shape] = {
        letter: [_without_repeats((stroke - [0, base]) / unit) for stroke in strokes]
        for letter, strokes in drawn.items()
    }
    top, drop = np.vstack(alphabet["l"])[:, 1].max(), np.vstack(alphabet["p"])[:, 1].min()
    return Ruling(float(top), float(drop)), alphabet


def _without_repeats(stroke: Points) -> Points:
    steps = np.hypot(*np.diff(stroke, axis=0).T)
    return np.asarray(stroke[np.concatenate([[True], steps > 1e-9])])
