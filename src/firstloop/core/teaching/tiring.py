"""Whether a hand presses hard or tires, as a question for the teacher, who looks at the child.

Never said to a child, and never more than a question: a pen's force is not a diagnosis, and many
pens have none. What is asked rests on the letters that one child wrote one after the other.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.evidence.ink import Ink

A_ROW = 5
"""[letters] Fewer tell nothing of a row: a letter more or less is chance."""

ROWS = 3
"""[rows] Pressing hard is asked about when it goes on for so many rows."""

HARD = 0.75
"""[of a pen's full force] By our own trial with simulated pens: a usual hand is at a third to a
half; nothing is known that would let us say what is too much for this child."""

FORCE_VARIES = 0.02
"""[of a pen's full force] A pen whose force differs by less between its letters has no sensor worth
the name: then nothing is said."""

SLOWER, LARGER = 1.4, 1.2
"""[ratio] So much slower, and so much larger, at the end of a row than at its beginning is asked
about; either alone is how children write."""

HURTS = (
    "If it hurts, stop for today. Pain or cramp that lasts: tell the family, and whoever at your "
    "school is there for it."
)
"""Said with every question: what a teacher does, and what the program does not."""


@dataclass(frozen=True, slots=True)
class Made:
    """How a letter was made: the pen's mean force (0 to 1, None without), the seconds it took (None
    where no times came with it), and its height in u."""

    force: float | None
    seconds: float | None
    height: float


def made(ink: Ink) -> Made:
    """How the ink of a letter was made."""
    forces = [stroke.force for stroke in ink.strokes if stroke.force is not None]
    took = [stroke.duration_s for stroke in ink.strokes]
    return Made(
        force=float(np.concatenate(forces).mean()) if forces else None,
        seconds=None if None in took or not took else sum(one or 0.0 for one in took),
        height=float(np.ptp(ink.points[:, 1])),
    )


def questions(letters: Sequence[Made]) -> tuple[str, ...]:
    """What to ask oneself about a child's hand, from letters of one kind in the order they were
    written; nothing where there is nothing to ask.

    >>> steady = [Made(0.4 + 0.03 * (at % 2), 1.0, 1.0) for at in range(20)]
    >>> questions(steady)
    ()
    >>> pressed = [Made(0.9 - 0.03 * (at % 2), 1.0, 1.0) for at in range(20)]
    >>> questions(pressed)[0]
    'Presses hard, three rows running: is the hand tired?'
    """
    asked = []
    if _presses(letters):
        asked.append("Presses hard, three rows running: is the hand tired?")
    if _tires(letters):
        asked.append("Slower and larger towards the end of the row: is the hand tired?")
    return (*asked, HURTS) if asked else ()


def _presses(letters: Sequence[Made]) -> bool:
    forces = [one.force for one in letters if one.force is not None]
    if len(forces) < ROWS * A_ROW or float(np.ptp(forces)) < FORCE_VARIES:
        return False
    last = np.array(forces[-ROWS * A_ROW :]).reshape(ROWS, A_ROW)
    return bool((np.median(last, axis=1) > HARD).all())


def _tires(letters: Sequence[Made]) -> bool:
    """By medians of the first and the last letters: one bad letter is no tired hand."""
    if len(letters) < 2 * A_ROW:
        return False
    first, last = letters[:A_ROW], letters[-A_ROW:]
    seconds = [[one.seconds for one in row if one.seconds] for row in (first, last)]
    if any(len(row) < A_ROW for row in seconds):
        return False
    slower = float(np.median(seconds[1]) / np.median(seconds[0]))
    heights = [float(np.median([one.height for one in row])) for row in (first, last)]
    return slower > SLOWER and heights[1] > LARGER * heights[0] > 0.0
