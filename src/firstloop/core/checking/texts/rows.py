"""A row: which of its letters is the best, and whether it gets better or worse along its way."""

from collections.abc import Sequence

import numpy as np

from firstloop.core.checking.say.findings import LetterResult, RowCourse
from firstloop.core.checking.say.off import off


def course_of_row(letters: Sequence[LetterResult]) -> RowCourse | None:
    """The course of a row; None of fewer than two letters.

    What a letter is off by is the sum over its findings of how far each is beyond where it becomes
    worth correcting; the course is told by the slope of a line through that, from end to end.
    """
    written = [letter for letter in letters if not letter.struck]
    if len(written) < 2:
        return None
    how_far = np.array([off(letter.findings) for letter in written])
    slope = float(np.polyfit(np.arange(len(how_far)), how_far, 1)[0])
    return RowCourse(
        best=written[int(how_far.argmin())].index, change=round(-slope * (len(how_far) - 1), 3)
    )
