"""What children strike a letter or a word out with: a line, two, a cross, a zigzag in any direction,
a spiral; each as the hand that writes it shakes."""

from collections.abc import Callable
from dataclasses import replace

import numpy as np
from scripts.other_print.glyphs import Points, sticks
from scripts.other_print.texts import letters_of
from scripts.other_print.words import Rng, Writer, Written, laid_out, letter_of, written

Box = tuple[float, float, float, float]
Strike = Callable[[Box, Rng], list[Points]]


def _line(box: Box, rng: Rng) -> list[Points]:
    x0, y0, x1, y1 = box
    y = y0 + (y1 - y0) * float(rng.uniform(0.35, 0.65))
    half = max(x1 - x0, 0.35) / 2 + float(rng.uniform(0.08, 0.25))
    x, tilt = (x0 + x1) / 2, float(rng.normal(0.0, 0.1))
    return [sticks((x - half, y - tilt), (x + half, y + tilt))]


def _double(box: Box, rng: Rng) -> list[Points]:
    (one,), (other,) = _line(box, rng), _line(box, rng)
    return [one + np.array([0.0, 0.12]), other - np.array([0.0, 0.12])]


def _slanted(box: Box, rng: Rng) -> list[Points]:
    x0, y0, x1, y1 = box
    half = max(x1 - x0, 0.5) / 2 + 0.12
    rise = min(0.35 * (y1 - y0), 1.2 * half)
    x, y = (x0 + x1) / 2, (y0 + y1) / 2
    return [sticks((x - half, y - rise), (x + half, y + rise))]


def _cross(box: Box, rng: Rng) -> list[Points]:
    x0, y0, x1, y1 = box
    half = max(x1 - x0, 0.4) / 2 + float(rng.uniform(0.05, 0.15))
    x = (x0 + x1) / 2
    return [
        sticks((x - half, y1), (x + half, y0)),
        sticks((x + half, y1), (x - half, y0)),
    ]


def _zigzag(box: Box, rng: Rng) -> list[Points]:
    """To and fro at any angle, four to seven times, while it goes over the letter."""
    x0, y0, x1, y1 = box
    middle = np.array([(x0 + x1) / 2, (y0 + y1) / 2])
    turn = float(rng.uniform(0, np.pi))
    along, across = np.array([np.cos(turn), np.sin(turn)]), np.array([-np.sin(turn), np.cos(turn)])
    half = np.array([max(x1 - x0, 0.3), y1 - y0]) / 2 + 0.08
    reach, walk = np.abs(along) @ half, np.abs(across) @ half
    count = int(rng.integers(4, 8))
    ends = [
        tuple(middle + along * reach * (-1) ** k + across * walk * (2 * k / count - 1))
        for k in range(count + 1)
    ]
    return [sticks(*(_within(end, box) for end in ends))]


def _within(place: tuple[float, ...], box: Box) -> tuple[float, float]:
    """Hardly beyond the letter that is struck out."""
    x0, y0, x1, y1 = box
    return (
        float(np.clip(place[0], min(x0, x1 - 0.3) - 0.12, x1 + 0.12)),
        float(np.clip(place[1], y0 - 0.12, y1 + 0.12)),
    )


def _spiral(box: Box, rng: Rng) -> list[Points]:
    x0, y0, x1, y1 = box
    turns = float(rng.uniform(2.6, 4.0))
    angle = np.linspace(0, 2 * np.pi * turns, 160) * rng.choice([-1, 1])
    half = np.array([max(x1 - x0, 0.3), y1 - y0]) / 2 + 0.05
    walk = np.linspace(-0.3, 0.3, len(angle)) * (x1 - x0)
    return [
        np.column_stack(
            [
                (x0 + x1) / 2 + walk + half[0] * 0.8 * np.cos(angle),
                (y0 + y1) / 2 + half[1] * 0.8 * np.sin(angle),
            ]
        )
    ]


STRIKES: dict[str, Strike] = {
    "line": _line,
    "double": _double,
    "slanted": _slanted,
    "cross": _cross,
    "zigzag": _zigzag,
    "spiral": _spiral,
}


def letter_struck(word: str, at: int, how: str, writer: Writer, rng: Rng) -> Written:
    """A letter, or another in its place, that is struck out and written again."""
    writer = replace(writer, late=False)
    letters = letters_of(word, writer, rng)
    wrong = letters[at].letter if rng.uniform() < 0.5 else str(rng.choice(list("abdeghilnu")))
    bad = replace(letter_of(wrong, at, writer, rng), struck=True)
    placed = laid_out([*letters[:at], bad, *letters[at:]], writer, rng)
    lines = STRIKES[how](placed[at].box, rng)
    placed[at] = replace(placed[at], strokes=[*placed[at].strokes, *lines])
    return written(placed, writer, rng)


def word_struck(word: str, how: str, writer: Writer, rng: Rng) -> Written:
    """A whole word that is struck out, and written again after it."""
    writer = replace(writer, late=False)
    first = [replace(one, struck=True) for one in letters_of(word, writer, rng)]
    again = letters_of(word, writer, rng)
    placed = laid_out([*first, *again], writer, rng, {len(word) - 1: writer.space})
    x0, y0, _, y1 = placed[0].box
    boxes = [one.box for one in placed[: len(word)]]
    box = (x0, min(b[1] for b in boxes), boxes[-1][2], max(b[3] for b in boxes))
    del y0, y1
    last = placed[len(word) - 1]
    placed[len(word) - 1] = replace(last, strokes=[*last.strokes, *STRIKES[how](box, rng)])
    return written(placed, writer, rng)
