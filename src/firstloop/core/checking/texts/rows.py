"""A row: which of its letters is the best, and whether it gets better or worse along its way."""

from collections.abc import Sequence

import numpy as np

from firstloop.core.checking.say.findings import LetterResult, RowCourse
from firstloop.core.contract import Verdict

_WEIGHT = {Verdict.NOT_YET: 1.0, Verdict.NEARLY: 0.4}


def course_of_row(letters: Sequence[LetterResult]) -> RowCourse | None:
    """The course of a row; None of fewer than two letters.

    What a letter is off by is the sum over its findings of how far each is beyond where it becomes
    worth correcting; the course is told by the slope of a line through that, from end to end.
    """
    written = [letter for letter in letters if not letter.struck]
    if len(written) < 2:
        return None
    off = np.array([_off(letter) for letter in written])
    slope = float(np.polyfit(np.arange(len(off)), off, 1)[0])
    return RowCourse(
        best=written[int(off.argmin())].index, change=round(-slope * (len(off) - 1), 3)
    )


def _off(letter: LetterResult) -> float:
    return sum(
        _WEIGHT[finding.severity] * max(1.0, abs(finding.measure) / finding.limit)
        for finding in letter.findings
    )
