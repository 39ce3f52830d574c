"""Which findings of the checker a class's teacher keeps overruling: those count less there.

Nothing that is kept changes: a doubted finding is told after the others, and a class's habits and
slips are proposed without it. Estimates take its faults for as doubtful as they were found."""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass

from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Code
from firstloop.core.judging.agreement import ENOUGH_TO_SAY, wilson

MOSTLY = 0.5
"""[share] A finding is doubted where even the low end of the 95 % interval of "not so" is above:
nine of the first ten, fifteen of twenty."""

AT_ODDS_FROM = 3
"""[count] A finding that was overruled so often is looked at first when it comes again, long before
it is doubted."""


@dataclass(frozen=True, slots=True)
class Spoken:
    """How often a finding was said to be so, and not so."""

    so: int
    not_so: int


def is_doubted(spoken: Spoken) -> bool:
    """Whether a finding counts less, by what was said of it.

    >>> is_doubted(Spoken(1, 9)), is_doubted(Spoken(2, 8)), is_doubted(Spoken(0, 9))
    (True, False, False)
    """
    of = spoken.so + spoken.not_so
    return of >= ENOUGH_TO_SAY and wilson(spoken.not_so, of)[0] > MOSTLY


def share_not_so(spoken: Spoken) -> float | None:
    """Of the times that a finding was spoken of the share that it was not so; None where that were
    too few to say.

    >>> share_not_so(Spoken(9, 3)), share_not_so(Spoken(5, 4))
    (0.25, None)
    """
    of = spoken.so + spoken.not_so
    return spoken.not_so / of if of >= ENOUGH_TO_SAY else None


def doubted(spoken: Mapping[Code, Spoken]) -> frozenset[Code]:
    """The findings that count less in a class."""
    return frozenset(code for code, one in spoken.items() if is_doubted(one))


def at_odds(spoken: Mapping[Code, Spoken]) -> frozenset[Code]:
    """The findings at which teacher and checker were at odds before."""
    return frozenset(code for code, one in spoken.items() if one.not_so >= AT_ODDS_FROM)


def by_trust(findings: Iterable[Finding], doubts: Collection[Code]) -> list[Finding]:
    """Findings in their order, the doubted ones after all others."""
    return sorted(findings, key=lambda finding: finding.code in doubts)
