"""Another print than ours, drawn by other means: sticks and arcs, no scripts, no moves.

It shares nothing with `firstloop.core`, so that the checker is tried on letters it was not made
from. Each letter has one or more good shapes; a shape is strokes, a stroke is pieces end to end.
Base line 0, mid line 1, tall parts to T, tails to D; y up.
"""

from itertools import pairwise

import numpy as np

Points = np.ndarray
Shape = list[Points]
T, D = 2.0, -1.0


def sticks(*corners: tuple[float, float]) -> Points:
    """Straight from corner to corner."""
    pieces = [np.linspace(a, b, 24) for a, b in pairwise(corners)]
    return np.vstack(pieces)


def arc(cx: float, cy: float, rx: float, ry: float, begin: float, end: float) -> Points:
    """Part of an ellipse, degrees anticlockwise from the right."""
    turn = np.radians(np.linspace(begin, end, 40))
    return np.column_stack([cx + rx * np.cos(turn), cy + ry * np.sin(turn)])


def on(*pieces: Points) -> Points:
    """Pieces one after the other, with straight joins."""
    return np.vstack(pieces)


def dot(x: float, y: float) -> Points:
    return sticks((x, y), (x + 0.03, y - 0.03))


def ring(x: float = 0.45, w: float = 0.45, begin: float = 50.0) -> Points:
    """A round with its foot on the base line, anticlockwise."""
    return arc(x, 0.5, w, 0.5, begin, begin + 360)


def hump(x: float, w: float, foot: float = 0.0) -> Points:
    """Up from the stem at x, over and down."""
    return on(arc(x + w / 2, 0.62, w / 2, 0.38, 180, 0), sticks((x + w, 0.62), (x + w, foot)))


def cup(x: float, w: float, top: float = 1.0) -> Points:
    return on(
        sticks((x, top), (x, 0.38)),
        arc(x + w / 2, 0.38, w / 2, 0.38, 180, 360),
        sticks((x + w, 0.38), (x + w, top)),
    )


def hook(x: float, r: float = 0.35) -> Points:
    """Down from the body and round to the left, as of g, j and y."""
    return on(sticks((x, 1), (x, D + r)), arc(x - r, D + r, r, r, 0, -140))


def bowl(x: float, begin: float = 120.0) -> Points:
    """Clockwise from a stem at x, back to it at the base line."""
    return arc(x + 0.4, 0.5, 0.42, 0.5, begin + 40, -165)


def round_and_down(top: float, begin: float = 40.0, foot: float = 0.0) -> Points:
    """The round of a, d, q: anticlockwise, up along a stem and down it."""
    x = 0.84
    return on(arc(0.42, 0.5, 0.42, 0.5, begin, 360), sticks((x, 0.5), (x, top), (x, foot)))


def stem(x: float, top: float, foot: float = 0.0) -> Points:
    return sticks((x, top), (x, foot))


def bar(x: float, to: float, y: float) -> Points:
    return sticks((x, y), (to, y))


SMALL: dict[str, list[Shape]] = {
    "a": [[round_and_down(1.0)], [round_and_down(1.0, 20)]],
    "b": [
        [on(stem(0, T), sticks((0, 0), (0, 0.6)), bowl(0))],
        [on(stem(0, T), sticks((0, 0), (0, 0.5)), arc(0.38, 0.48, 0.38, 0.48, 180, -170))],
    ],
    "c": [[arc(0.45, 0.5, 0.45, 0.5, 45, 315)], [arc(0.42, 0.5, 0.42, 0.5, 60, 300)]],
    "d": [[round_and_down(T)], [round_and_down(T, 15)]],
    "e": [
        [on(sticks((0.03, 0.5), (0.87, 0.5)), arc(0.45, 0.5, 0.43, 0.5, 0, 310))],
        [on(sticks((0.06, 0.42), (0.8, 0.62)), arc(0.44, 0.5, 0.42, 0.5, 20, 300))],
    ],
    "f": [
        [on(arc(0.5, T - 0.3, 0.28, 0.3, 50, 180), sticks((0.22, 1.7), (0.22, 0))), bar(0, 0.55, 1)],
        [on(arc(0.45, T - 0.22, 0.22, 0.22, 40, 180), stem(0.23, 1.78)), bar(-0.02, 0.5, 1.02)],
    ],
    "g": [
        [on(round_and_down(1.0, 40, 0.2), hook(0.84)[20:])],
        [on(round_and_down(1.0, 30, 0.2), hook(0.84, 0.42)[20:])],
    ],
    "h": [
        [on(stem(0, T), sticks((0, 0), (0, 0.62)), hump(0, 0.72))],
        [on(stem(0, T), sticks((0, 0), (0, 0.55)), hump(0, 0.85))],
    ],
    "i": [[stem(0, 1), dot(0, 1.5)], [stem(0, 1), dot(0.03, 1.4)]],
    "j": [[hook(0.35), dot(0.35, 1.5)], [hook(0.3, 0.3), dot(0.3, 1.45)]],
    "k": [
        [stem(0, T), sticks((0.6, 1), (0.04, 0.42), (0.66, 0))],
        [on(stem(0, T), sticks((0, 0), (0, 0.55)), arc(0.25, 0.72, 0.27, 0.27, 150, -95),
            sticks((0.1, 0.46), (0.62, 0)))],
    ],
    "l": [[stem(0, T)]],
    "m": [
        [on(stem(0, 1), sticks((0, 0), (0, 0.62)), hump(0, 0.6), sticks((0.6, 0), (0.6, 0.62)),
            hump(0.6, 0.6))],
        [on(stem(0, 1), sticks((0, 0), (0, 0.6)), hump(0, 0.72), sticks((0.72, 0), (0.72, 0.6)),
            hump(0.72, 0.7))],
    ],
    "n": [
        [on(stem(0, 1), sticks((0, 0), (0, 0.62)), hump(0, 0.72))],
        [on(stem(0, 1), sticks((0, 0), (0, 0.5)), hump(0, 0.85))],
    ],
    "o": [[ring(begin=90)], [ring(0.42, 0.4, 70)]],
    "p": [
        [on(stem(0, 1, D), sticks((0, D), (0, 0.6)), bowl(0))],
        [on(stem(0, 1, D), sticks((0, D), (0, 0.5)), arc(0.4, 0.5, 0.4, 0.5, 180, -165))],
    ],
    "q": [[round_and_down(1.0, 40, D)], [on(round_and_down(1.0, 45, D), sticks((0.84, D), (1.05, D + 0.25)))]],
    "r": [
        [on(stem(0, 1), sticks((0, 0), (0, 0.62)), arc(0.3, 0.62, 0.3, 0.38, 180, 60))],
        [on(stem(0, 1), sticks((0, 0), (0, 0.55)), arc(0.35, 0.6, 0.35, 0.4, 180, 45))],
    ],
    "s": [
        [on(arc(0.35, 0.75, 0.32, 0.25, 40, 250), arc(0.32, 0.25, 0.34, 0.27, 75, -150))],
        [on(arc(0.36, 0.76, 0.3, 0.24, 20, 230), sticks((0.17, 0.57), (0.5, 0.43)),
            arc(0.32, 0.24, 0.3, 0.24, 50, -160))],
    ],
    "t": [
        [stem(0.25, 1.6), bar(0, 0.5, 1)],
        [on(stem(0.25, 1.5, 0.25), arc(0.45, 0.22, 0.2, 0.22, 180, 310)), bar(0, 0.52, 1)],
        [stem(0.25, 1.95), bar(0, 0.55, 1.02)],
    ],
    "u": [
        [on(cup(0, 0.75), sticks((0.75, 1), (0.75, 0)))],
        [on(cup(0, 0.85), sticks((0.85, 1), (0.85, 0)))],
    ],
    "v": [[sticks((0, 1), (0.36, 0), (0.72, 1))], [sticks((0, 1), (0.45, 0), (0.9, 1))]],
    "w": [
        [sticks((0, 1), (0.28, 0), (0.56, 1), (0.84, 0), (1.12, 1))],
        [on(cup(0, 0.55), cup(0.55, 0.55))],
    ],
    "x": [[sticks((0, 1), (0.7, 0)), sticks((0.7, 1), (0, 0))],
          [sticks((0.7, 1), (0, 0)), sticks((0, 1), (0.7, 0))]],
    "y": [
        [on(cup(0, 0.75), hook(0.75))],
        [sticks((0, 1), (0.38, 0.05)), sticks((0.76, 1), (0.05, D))],
    ],
    "z": [[sticks((0, 1), (0.66, 1), (0, 0), (0.7, 0))]],
}  # fmt: skip

CAPITAL: dict[str, list[Shape]] = {
    "A": [[sticks((0.6, T), (0, 0)), sticks((0.6, T), (1.2, 0)), bar(0.22, 0.98, 0.7)]],
    "B": [
        [stem(0, T), on(arc(0.3, 1.5, 0.5, 0.5, 130, -90), arc(0.3, 0.5, 0.6, 0.5, 90, -130))],
        [on(stem(0, T), stem(0, 0, T), arc(0.3, 1.5, 0.5, 0.5, 120, -90),
            arc(0.3, 0.5, 0.6, 0.5, 90, -120))],
    ],
    "C": [[arc(0.65, 1, 0.65, 1, 48, 312)]],
    "D": [
        [stem(0, T), on(sticks((0, T), (0.3, T)), arc(0.3, 1, 0.8, 1, 90, -90), sticks((0.3, 0), (0, 0)))],
        [on(stem(0, T), stem(0, 0, T), sticks((0, T), (0.3, T)), arc(0.3, 1, 0.8, 1, 90, -90),
            sticks((0.3, 0), (0, 0)))],
    ],
    "E": [[stem(0, T), bar(0, 0.9, T), bar(0, 0.75, 1), bar(0, 0.9, 0)],
          [stem(0, T), bar(0, 0.8, T), bar(0, 0.7, 1.05), bar(0, 0.85, 0)]],
    "F": [[stem(0, T), bar(0, 0.9, T), bar(0, 0.75, 1)]],
    "G": [[on(arc(0.65, 1, 0.65, 1, 48, 345), sticks((1.28, 0.75), (0.75, 0.75)))],
          [on(arc(0.65, 1, 0.62, 1, 50, 330), sticks((1.2, 0.5), (1.2, 0.85), (0.75, 0.85)))]],
    "H": [[stem(0, T), stem(1.1, T), bar(0, 1.1, 1)]],
    "I": [[stem(0, T)], [stem(0.35, T), bar(0, 0.7, T), bar(0, 0.7, 0)]],
    "J": [[on(stem(0.7, T, 0.35), arc(0.35, 0.35, 0.35, 0.35, 0, -160))]],
    "K": [[stem(0, T), sticks((0.95, T), (0.03, 0.9), (1, 0))]],
    "L": [[sticks((0, T), (0, 0), (0.9, 0))]],
    "M": [[stem(0, T), sticks((0, T), (0.7, 0.4), (1.4, T), (1.4, 0))],
          [on(stem(0, T), sticks((0, 0), (0, T), (0.65, 0.3), (1.3, T), (1.3, 0)))]],
    "N": [[stem(0, T), sticks((0, T), (1.1, 0), (1.1, T))],
          [sticks((0, T), (0, 0), (0, T), (1.1, 0), (1.1, T))]],
    "O": [[arc(0.7, 1, 0.7, 1, 90, 450)], [arc(0.65, 1, 0.65, 1, 70, 430)]],
    "P": [[stem(0, T), on(sticks((0, T), (0.3, T)), arc(0.3, 1.5, 0.55, 0.5, 90, -90), sticks((0.3, 1), (0, 1)))],
          [on(stem(0, T), stem(0, 0, T), sticks((0, T), (0.3, T)), arc(0.3, 1.5, 0.55, 0.5, 90, -90),
              sticks((0.3, 1), (0, 1)))]],
    "Q": [[arc(0.7, 1, 0.7, 1, 90, 450), sticks((0.85, 0.5), (1.4, -0.05))]],
    "R": [[stem(0, T), on(sticks((0, T), (0.3, T)), arc(0.3, 1.5, 0.55, 0.5, 90, -90), sticks((0.3, 1), (0.05, 1), (0.95, 0)))],
          [on(stem(0, T), stem(0, 0, T), sticks((0, T), (0.3, T)), arc(0.3, 1.5, 0.5, 0.5, 90, -90),
              sticks((0.3, 1), (0.05, 1), (0.9, 0)))]],
    "S": [[on(arc(0.5, 1.5, 0.45, 0.5, 40, 255), arc(0.48, 0.52, 0.5, 0.52, 75, -150))]],
    "T": [[stem(0.55, T), bar(0, 1.1, T)]],
    "U": [[on(sticks((0, T), (0, 0.55)), arc(0.55, 0.55, 0.55, 0.55, 180, 360), sticks((1.1, 0.55), (1.1, T)))]],
    "V": [[sticks((0, T), (0.6, 0), (1.2, T))]],
    "W": [[sticks((0, T), (0.45, 0), (0.9, T), (1.35, 0), (1.8, T))],
          [sticks((0, T), (0.4, 0), (0.8, 1.4), (1.2, 0), (1.6, T))]],
    "X": [[sticks((0, T), (1.1, 0)), sticks((1.1, T), (0, 0))],
          [sticks((1.1, T), (0, 0)), sticks((0, T), (1.1, 0))]],
    "Y": [[sticks((0, T), (0.55, 1)), sticks((1.1, T), (0.55, 1), (0.55, 0))]],
    "Z": [[sticks((0, T), (1.05, T), (0, 0), (1.1, 0))]],
}  # fmt: skip

DIGIT: dict[str, list[Shape]] = {
    "0": [[arc(0.5, 1, 0.5, 1, 90, 450)]],
    "1": [[stem(0, T)], [sticks((0, 1.6), (0.3, T), (0.3, 0))]],
    "2": [[on(arc(0.45, 1.5, 0.42, 0.5, 160, -40), sticks((0.77, 1.18), (0, 0), (0.95, 0)))]],
    "3": [[on(arc(0.4, 1.5, 0.4, 0.48, 150, -95), arc(0.4, 0.5, 0.46, 0.52, 95, -150))]],
    "4": [[sticks((0.5, T), (0, 0.65), (1, 0.65)), stem(0.7, 1.35)],
          [sticks((0.65, T), (0, 0.6), (1, 0.6)), stem(0.67, T)]],
    "5": [[on(sticks((0.1, T), (0.08, 1.15)), arc(0.4, 0.62, 0.5, 0.62, 130, -140)), bar(0.1, 0.85, T)]],
    "6": [[on(arc(0.9, 0.6, 0.85, 1.4, 100, 180), arc(0.47, 0.5, 0.43, 0.5, 180, 530))]],
    "7": [[sticks((0, T), (0.9, T), (0.3, 0))], [sticks((0, T), (0.9, T), (0.3, 0)), bar(0.3, 0.85, 1)]],
    "8": [[on(arc(0.45, 1.5, 0.38, 0.5, 40, 270), arc(0.45, 0.5, 0.45, 0.5, 90, -270),
              arc(0.45, 1.5, 0.38, 0.5, -90, 40))]],
    "9": [[on(arc(0.43, 1.5, 0.43, 0.5, 30, 360), sticks((0.86, 1.5), (0.86, 1.8), (0.86, 0)))],
          [on(arc(0.43, 1.5, 0.43, 0.5, 30, 360), sticks((0.86, 1.5), (0.86, 1.8), (0.86, 0.6)),
              arc(0.45, 0.55, 0.41, 0.55, 0, -140))]],
}  # fmt: skip

SHAPES = SMALL | CAPITAL | DIGIT
