"""What goes wrong in a pair of letters that is one sound: slips of its own, beside its letters'."""

import numpy as np

from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.drawing import path_of
from firstloop.core.letters.moves import Level
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Strokes
from firstloop.core.text.words import compose

APART = 0.9
"""u more between the two: a space that parts two words."""


def pair_slips(pair: str, hand: Hand, ruling: Ruling) -> list[tuple[str, Strokes]]:
    """The slips of a pair by name, each as it looks in this hand; points in u. Nothing for what is
    no pair; raises UnknownLetterError.

    >>> from firstloop.core.letters import HANDS
    >>> [name for name, _ in pair_slips("sh", HANDS["plain"], Ruling())]
    ['far apart', 'the other way round', 'h too short']
    >>> [name for name, _ in pair_slips("ee", HANDS["plain"], Ruling())]
    ['far apart', 'the second too small']
    """
    if len(pair) != 2:
        return []
    first, second = pair[0], pair[1]
    own, other = _letters(pair, hand, ruling)
    found = [("far apart", _far_apart(pair, hand, ruling))]
    if first != second:
        found.append(("the other way round", draw_pair(second + first, hand, ruling)))
    if first != second and hand.scripts[second].reaches(Level.TOP):
        short = SLIPS["tall part too short"].redraw(other)
        found.append((f"{second} too short", (*own, *short)))
    if first == second and not hand.joins:  # a join to a smaller one would give it away
        found.append(("the second too small", (*own, *SLIPS["body too small"].redraw(other))))
    return found


def draw_pair(pair: str, hand: Hand, ruling: Ruling) -> Strokes:
    """A pair as it is written; points in u."""
    script = compose(pair, hand).script
    return draw(script, hand.proportions, ruling).inked()


def _letters(pair: str, hand: Hand, ruling: Ruling) -> tuple[Strokes, Strokes]:
    """What belongs to the first letter of a pair, and what to the second; a join to the second."""
    composed = compose(pair, hand)
    drawn = draw(composed.script, hand.proportions, ruling)
    each: tuple[list[FloatArray], list[FloatArray]] = ([], [])
    for stroke, origins in zip(drawn.strokes, composed.origins, strict=True):
        for of in (0, 1):
            moves = [m for m, origin in zip(stroke, origins, strict=True) if origin.letter == of]
            if moves:
                each[of].append(path_of(moves))
    return tuple(each[0]), tuple(each[1])


def _far_apart(pair: str, hand: Hand, ruling: Ruling) -> Strokes:
    """The two without a join, and a space between them."""
    composed = compose(pair, hand, lambda _: False)
    drawn = draw(composed.script, hand.proportions, ruling)
    return tuple(
        path + np.array([APART, 0.0]) if origins[0].letter else path
        for path, origins in zip(drawn.inked(), composed.origins, strict=True)
    )
