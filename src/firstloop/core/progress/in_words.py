"""Words against letters alone: whether a letter that holds alone falls apart in words."""

from dataclasses import dataclass
from enum import StrEnum
from math import sqrt


class InWords(StrEnum):
    """How a letter does in words, as against alone."""

    HOLDS = "holds"
    LESS = "less"
    UNKNOWN = "unknown"


LEAST = 4
"""[attempts] Alone, and as many in words: fewer say nothing."""

SURE = 1.28
"""[standard deviations] So far apart, the difference is no luck in nine of ten letters that do as
well in words as alone: the upper end of an 80 % interval, as everywhere here."""


@dataclass(frozen=True, slots=True)
class Compared:
    """How often a letter was written alone and in words, and how often each held."""

    alone: int = 0
    alone_held: int = 0
    words: int = 0
    words_held: int = 0

    @property
    def comes_to(self) -> InWords:
        """What that comes to, by the interval for a difference of shares of Agresti and Caffo (The
        American Statistician 54, 2000): one more that held and one more that did not on each side.

        >>> [Compared(9, 9, 8, held).comes_to.value for held in (8, 3)]
        ['holds', 'less']
        >>> Compared(9, 9, 3, 0).comes_to.value
        'unknown'
        """
        if min(self.alone, self.words) < LEAST:
            return InWords.UNKNOWN
        alone = (self.alone_held + 1) / (self.alone + 2)
        words = (self.words_held + 1) / (self.words + 2)
        deviation = sqrt(
            alone * (1 - alone) / (self.alone + 2) + words * (1 - words) / (self.words + 2)
        )
        return InWords.LESS if alone - words > SURE * deviation else InWords.HOLDS
