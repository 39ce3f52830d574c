"""How far a letter is from having nothing to be said of it: by this the best of some is found."""

from collections.abc import Iterable
from typing import Protocol

from firstloop.core.contract import Verdict

_WEIGHT = {Verdict.NOT_YET: 1.0, Verdict.NEARLY: 0.4}


class Measured(Protocol):
    """A finding as far as its size goes."""

    @property
    def severity(self) -> Verdict:
        """How it stands."""

    @property
    def measure(self) -> float:
        """What was measured."""

    @property
    def limit(self) -> float:
        """From where on it is worth correcting."""


def off(findings: Iterable[Measured]) -> float:
    """The sum over the findings of how far each is beyond where it becomes worth correcting.

    >>> off([])
    0
    """
    return sum(
        _WEIGHT[finding.severity] * max(1.0, abs(finding.measure) / finding.limit)
        for finding in findings
    )
