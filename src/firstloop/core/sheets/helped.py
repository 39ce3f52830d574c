"""What is there of a letter or word before a child writes: a model, dots to go along with numbers
and arrows, or only where it begins."""

import math
from collections.abc import Iterator

import numpy as np

from firstloop.core.geometry.polyline import length
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.numbering import number_places
from firstloop.core.sheets.items import Disc, Item, Line, Look, Words
from firstloop.core.sheets.wish import Mode
from firstloop.core.sheets.writing import Written, moved

MODEL_PEN, DOTTED_PEN = 0.09, 0.07
"""[u] As wide as a soft pencil writes; dots a little finer, so that ink covers them."""

DOTS_APART = 0.17
"""[u] From one dot of a path to the next."""

START, NUMBER, HEAD = 0.1, 0.26, 0.09
"""[u] The starting dot's radius, the height of a number, the length of an arrow's head."""

HEAD_DEG = 150.0
"""[degrees] Between the way an arrow goes and the lines of its head."""


def model(text: Written, at: tuple[float, float], u: float) -> Iterator[Item]:
    """The text as it should be; the place (mm) is where it begins on the base line."""
    x, base = at
    for part in text.parts:
        origin = (x + u * part.right_by, base)
        for path in part.letter.inked():
            yield Line(moved(path, origin, u), MODEL_PEN * u, Look.MODEL)


def helped(text: Written, mode: Mode, at: tuple[float, float], u: float) -> Iterator[Item]:
    """What a child traces or finishes; nothing of what is its own."""
    if mode not in (Mode.TRACE, Mode.FINISH):
        return
    x, base = at
    for part in text.parts:
        origin = (x + u * part.right_by, base)
        if mode is Mode.TRACE:
            for move in part.letter.moves:
                if move.move.kind is not MoveKind.BACK:  # it runs on dots that are there already
                    points = moved(move.ink, origin, u)
                    dash = (0.01 * u, DOTS_APART * u)
                    yield Line(points, DOTTED_PEN * u, Look.DOTTED, dash)
            yield from _numbers(part.letter, origin, u)
        for path in part.letter.paths():
            if mode is Mode.FINISH and length(path) < 2 * START:
                continue  # of a dot its start is all: it is the child's to make
            first = moved(path[:1], origin, u)[0]
            yield Disc((float(first[0]), float(first[1])), START * u, Look.SIGN)


def _numbers(letter: Letter, origin: tuple[float, float], u: float) -> Iterator[Item]:
    """The number of each move beside its start, with the way the pen goes."""
    for number, place in enumerate(number_places(letter), start=1):
        (x, y), turn = place.at, math.radians(place.heading_deg)
        ahead = np.array([math.cos(turn), math.sin(turn)])
        sides = [
            np.array([math.cos(turn + way), math.sin(turn + way)])
            for way in (math.radians(HEAD_DEG), -math.radians(HEAD_DEG))
        ]
        tip = np.array(place.arrow) + HEAD / 2 * ahead
        head = np.array([tip + HEAD * sides[0], tip, tip + HEAD * sides[1]])
        yield Line(moved(head, origin, u), 0.035 * u, Look.SIGN)
        below = np.array([[x, y - NUMBER / 3]])
        left, base = moved(below, origin, u)[0].tolist()
        yield Words((left, base), NUMBER * u, str(number), Look.SIGN, middle=True)
