"""Estimating many children at once, by whatever does the work: threads of this machine, or a
cluster."""

from collections.abc import Iterator
from concurrent.futures import Executor

import numpy as np

from firstloop.core.progress.estimates import ChildEstimates, estimates
from firstloop.core.progress.evidence import Evidence, bounds
from firstloop.core.progress.following import FEW, follow, prepare
from firstloop.core.progress.model import attempts_of, nothing_held, rules_for

BATCH = 8
"""Children that are estimated together."""


def estimate_all(
    evidence: Evidence, day: float, executor: Executor | None = None
) -> Iterator[tuple[int, ChildEstimates]]:
    """How every child stands on a day (since 1970), in the order of their numbers: by what was
    written until then."""
    ordered = evidence.at(evidence.days <= day).in_order()
    ends = bounds(ordered.pupil, len(ordered.pupils))
    parts = [
        ordered.at(np.arange(ends[first], ends[min(first + BATCH, len(ends) - 1)]))
        for first in range(0, len(ordered.pupils), BATCH)
    ]
    run = executor.map if executor else map
    for part in run(_estimate_part, parts, [day] * len(parts)):
        yield from part


def _estimate_part(evidence: Evidence, day: float) -> list[tuple[int, ChildEstimates]]:
    if len(evidence) > FEW:
        prepare()
    rules = rules_for(evidence.letters)
    found = []
    ends = bounds(evidence.pupil, len(evidence.pupils))
    for at in np.unique(evidence.pupil).tolist():
        held = nothing_held(len(evidence.letters))
        attempts = attempts_of(evidence, int(ends[at]), int(ends[at + 1]))
        follow(held, attempts, rules)
        met = np.unique(attempts.letter).tolist()
        found.append((evidence.pupils[at], estimates(held, evidence.letters, met, day)))
    return found
