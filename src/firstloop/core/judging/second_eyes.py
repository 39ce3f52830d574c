"""How well two agree who judged the same letters: by dimension, by finding, and where they differ
most."""

from collections.abc import Mapping
from dataclasses import dataclass

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.agreement import (
    GRADES,
    Kappa,
    kappa_of_findings,
    kappa_of_verdicts,
)


@dataclass(frozen=True, slots=True)
class Judged:
    """What somebody, or the checker, sees in a letter: verdicts, and which findings are there."""

    verdicts: Mapping[Dimension, Verdict]
    codes: frozenset[Code]


@dataclass(frozen=True, slots=True)
class Two:
    """How two agree: on how many letters, kappa of each dimension and of each finding that either
    named (None: too few to say, or all alike), and the letters where they differ, by id, the
    furthest apart first."""

    letters: int
    dimensions: dict[Dimension, Kappa | None]
    findings: dict[Code, Kappa | None]
    differ: tuple[int, ...]


def agreement_of(one: Mapping[int, Judged], other: Mapping[int, Judged]) -> Two:
    """How two agree on the letters, by id, that both judged.

    >>> agreement_of({}, {}).letters
    0
    """
    both = sorted(one.keys() & other.keys())
    dimensions = {
        dimension: kappa_of_verdicts(
            [(one[at].verdicts[dimension], other[at].verdicts[dimension]) for at in both]
        )
        for dimension in Dimension
    }
    named = {code for at in both for code in one[at].codes | other[at].codes}
    findings = {
        code: kappa_of_findings([(code in one[at].codes, code in other[at].codes) for at in both])
        for code in Code
        if code in named
    }
    apart = {at: _apart(one[at], other[at]) for at in both}
    differ = sorted((at for at in both if apart[at]), key=lambda at: (-apart[at], at))
    return Two(len(both), dimensions, findings, tuple(differ))


def _apart(one: Judged, other: Judged) -> int:
    """By how many grades two differ over all dimensions that both saw."""
    rank = {grade: at for at, grade in enumerate(GRADES)}
    pairs = [(one.verdicts[d], other.verdicts[d]) for d in Dimension]
    return sum(abs(rank[a] - rank[b]) for a, b in pairs if a in rank and b in rank)
