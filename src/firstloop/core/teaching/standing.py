"""How a child's letter stands: the one rule for every screen that says so.

In each dimension the newest attempt counts that could show it: a scan shows no direction, so it
never wipes out what was seen while the child wrote.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime

from firstloop.core.contract import Dimension, Verdict

Verdicts = dict[Dimension, Verdict]


@dataclass(frozen=True, slots=True)
class Held:
    """What is held to be true of one attempt: the checker's verdicts, or the teacher's."""

    written_at: datetime
    verdicts: Mapping[Dimension, Verdict]


@dataclass(frozen=True, slots=True)
class Standing:
    """How one dimension stands, on how many attempts that rests, and when the last was written."""

    verdict: Verdict
    rests_on: int
    last: datetime


def stands(attempts: Iterable[Held]) -> dict[Dimension, Standing]:
    """How a letter stands, from all attempts at it, in any order; of a dimension that no attempt
    shows there is nothing.

    >>> stands([])
    {}
    """
    found: dict[Dimension, Standing] = {}
    for held in attempts:
        for dimension, verdict in held.verdicts.items():
            if verdict is Verdict.UNSEEN:
                continue
            known = found.get(dimension)
            if known is None:
                found[dimension] = Standing(verdict, 1, held.written_at)
            elif held.written_at >= known.last:
                found[dimension] = Standing(verdict, known.rests_on + 1, held.written_at)
            else:
                found[dimension] = Standing(known.verdict, known.rests_on + 1, known.last)
    return found


def verdicts_of(standing: Mapping[Dimension, Standing]) -> Verdicts:
    """The verdict of every dimension; unseen where there is no evidence.

    >>> {verdict.value for verdict in verdicts_of({}).values()}
    {'unseen'}
    """
    return {
        dimension: standing[dimension].verdict if dimension in standing else Verdict.UNSEEN
        for dimension in Dimension
    }


def holds(standing: Mapping[Dimension, Standing]) -> bool:
    """Whether nothing about the letter is still to be mended."""
    return all(one.verdict is not Verdict.NOT_YET for one in standing.values())
