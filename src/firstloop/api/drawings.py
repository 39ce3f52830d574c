"""Answers that draw: ruled lines, letters move by move, pictures."""

from collections.abc import Iterable
from functools import lru_cache

import numpy as np

from firstloop.api.answer import Answer
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter, draw, phrases
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.numbering import NumberPlace, number_places
from firstloop.core.letters.pace import movement_of
from firstloop.core.letters.ruling import Line, LineLook, Ruling
from firstloop.core.letters.spaces import Space, spaces_filled
from firstloop.core.text.words import Joins, Origin, compose

Point = tuple[float, float]
Origins = tuple[tuple[Origin, ...], ...]

A_DOT, POINTS_OF_A_DOT = 0.15, 20
"""u, points: a stroke within so much room, and of no more points, is a dot as it was drawn."""

PICTURE_SPACING = 0.05
"""u between the points of a picture: a tenth of a pencil's line would not be seen."""


class RulingLine(Answer):
    """A ruled line, its height above the base line in u, and how it is drawn."""

    name: Line
    y: float
    look: LineLook


class MoveNumber(Answer):
    """Where a move's number stands, where its arrow, and which way that points (degrees, y up)."""

    at: Point
    arrow: Point
    heading_deg: float


class MoveDrawing(Answer):
    """A move to draw and to say: points in u, y up; from when to when (s) a teacher draws it; and
    where its number stands. `begin` is said before the first of a letter's stroke, while the pen is
    in the air: where it is to be set down. `of` is the letter of a word that it belongs to, from 0;
    a join belongs to the one that it leads to."""

    kind: MoveKind
    of: int
    begin: str | None
    words: str
    points: list[Point]
    start_s: float
    end_s: float
    number: MoveNumber


class LetterDrawing(Answer):
    """A letter or word to draw move by move, on its lines; `spaces` are those that it fills."""

    letter: str
    lines: list[RulingLine]
    phrase: str
    spaces: list[Space]
    strokes: list[list[MoveDrawing]]


class Picture(Answer):
    """A letter or word to look at: strokes of points in u."""

    text: str
    strokes: list[list[Point]]


def ruling_lines(ruling: Ruling) -> list[RulingLine]:
    """The four lines, from above."""
    return [RulingLine(name=line, y=ruling.height(line), look=ruling.look(line)) for line in Line]


def letter_drawing(
    letter: Letter, wording: phrases.Wording, origins: Origins | None = None
) -> LetterDrawing:
    """A letter as an answer, in the teacher's words; or a word, with where its moves come from."""
    words = phrases.move_words(letter.script, wording, letter.ruling)
    begun = phrases.begun_in_words(letter, wording)
    times, places = iter(movement_of(letter).moves), iter(number_places(letter))
    return LetterDrawing(
        letter=letter.name,
        lines=ruling_lines(letter.ruling),
        phrase=phrases.phrase(letter.script, wording, letter.ruling),
        spaces=list(spaces_filled(letter)),
        strokes=[
            [
                MoveDrawing(
                    kind=drawn.move.kind,
                    of=origins[drawn.stroke][drawn.index].letter if origins else 0,
                    begin=begun[drawn.stroke] if drawn.index == 0 else None,
                    words=words[drawn.stroke][drawn.index],
                    points=drawn.ink.round(4).tolist(),
                    start_s=round(start, 3),
                    end_s=round(end, 3),
                    number=_number(place),
                )
                for drawn in stroke
                for (start, end), place in [(next(times), next(places))]
            ]
            for stroke in letter.strokes
        ],
    )


def text_drawings(
    text: str, hand: Hand, ruling: Ruling, wording: phrases.Wording, joins: Joins | None = None
) -> list[LetterDrawing]:
    """A line of text, word by word, each as one movement, with the joins that are known."""
    if joins is None:
        return [_with_every_join(word, hand, ruling, wording) for word in text.split()]
    return [_word_drawing(word, hand, ruling, wording, joins) for word in text.split()]


@lru_cache(maxsize=256)
def _with_every_join(
    word: str, hand: Hand, ruling: Ruling, wording: phrases.Wording
) -> LetterDrawing:
    """Asked for by each pad of a class, again and again."""
    return _word_drawing(word, hand, ruling, wording, None)


def _word_drawing(
    word: str, hand: Hand, ruling: Ruling, wording: phrases.Wording, joins: Joins | None
) -> LetterDrawing:
    composed = compose(word, hand, joins)
    drawn = draw(composed.script, hand.proportions, ruling)
    return letter_drawing(drawn, wording, composed.origins)


def picture(text: str, strokes: Iterable[FloatArray]) -> Picture:
    """Strokes as an answer, no finer than is seen: a dot, which is small and round, as it is."""
    spaced = [stroke if _is_small(stroke) else _respaced(stroke) for stroke in strokes]
    return Picture(text=text, strokes=[stroke.round(3).tolist() for stroke in spaced])


def _respaced(stroke: FloatArray) -> FloatArray:
    return polyline.respace(stroke, PICTURE_SPACING)


def _is_small(stroke: FloatArray) -> bool:
    return len(stroke) <= POINTS_OF_A_DOT and float(np.ptp(stroke, axis=0).max()) < A_DOT


def _number(place: NumberPlace) -> MoveNumber:
    return MoveNumber(
        at=(round(place.at[0], 3), round(place.at[1], 3)),
        arrow=(round(place.arrow[0], 3), round(place.arrow[1], 3)),
        heading_deg=round(place.heading_deg, 1),
    )
