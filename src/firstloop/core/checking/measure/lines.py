"""From the lines of a page to the lines that the checker's letters are drawn on, and back.

In u the base line is at 0 and the mid line at 1 on every page; top and drop line differ from
page to page. Letters are drawn for a ruling by stretching what lies above the mid line and below
the base line (`height_of`). So ink need not be met by letters drawn for its page: it is stretched
the other way, and letters, their ways and their pictures are worked out once a hand.
"""

import math
from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry.compiled import NUMBER, POINTS, compiled_for
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.ruling import Ruling

STANDARD = Ruling()
"""The lines that letters are drawn on to check by."""


@dataclass(frozen=True, slots=True)
class OntoStandard:
    """How much longer than on the page everything is above the mid line, and below the base line;
    and the hand's lean (u across for u up), which stays as it is."""

    above: float
    below: float
    lean: float

    @classmethod
    def of(cls, page: Ruling, slant_deg: float) -> "OntoStandard":
        """For a page and a hand that leans by so much.

        >>> OntoStandard.of(STANDARD, 0.0).ink_is_there
        True
        """
        return cls(
            above=(STANDARD.top - 1.0) / (page.top - 1.0),
            below=STANDARD.drop / page.drop,
            lean=math.tan(math.radians(slant_deg)),
        )

    @property
    def ink_is_there(self) -> bool:
        """Whether the page has these lines already."""
        return self.above == 1.0 and self.below == 1.0

    def ink(self, ink: Ink) -> Ink:
        """Ink of the page, on the standard lines."""
        if self.ink_is_there:
            return ink
        return Ink(tuple(replace(s, points=self.points(s.points)) for s in ink.strokes))

    def points(self, points: FloatArray) -> FloatArray:
        """Places on the page (n, 2), on the standard lines."""
        if self.ink_is_there:
            return points
        return self._stretched(points, self.above, self.below)

    def back(self, points: FloatArray) -> FloatArray:
        """Places on the standard lines (n, 2), on the page."""
        if self.ink_is_there:
            return points
        return self._stretched(points, 1.0 / self.above, 1.0 / self.below)

    def _stretched(self, points: FloatArray, above: float, below: float) -> FloatArray:
        return _stretched(points, above - 1.0, below - 1.0, self.lean)

    def measure(self, measure: Measure) -> Measure:
        """What was measured, in the page's own u."""
        match measure.code:
            case Code.REACH_UP | Code.DOT_PLACE:
                by = self.above
            case Code.BODY_HEIGHT if measure.value > 0.0:
                by = self.above
            case Code.REACH_DOWN:
                by = self.below
            case Code.OFF_BASE if measure.value < 0.0:
                by = self.below
            case _:
                return measure
        return replace(measure, value=measure.value / by)


@compiled_for(POINTS, NUMBER, NUMBER, NUMBER)
def _stretched(points: FloatArray, above: float, below: float, lean: float) -> FloatArray:
    """Places (n, 2) further up by a share of what they are above the mid line, and further down by
    another of what they are below the base; and along the lean, as far as that goes."""
    put = np.empty((len(points), 2))
    for at in range(len(points)):
        x, y = points[at, 0], points[at, 1]
        further = max(y - 1.0, 0.0) * above + min(y, 0.0) * below
        put[at, 0], put[at, 1] = x + lean * further, y + further
    return put
