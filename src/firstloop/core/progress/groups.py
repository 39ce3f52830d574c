"""Groups for tomorrow: children who could practise the same thing together.

A choice among all groups at once, by scipy's solver of mixed integer programmes (HiGHS): as many
children as can be are placed, those with the greatest need in what they need most; few groups, of
about four; who is to be kept apart is. The same children give the same groups.
"""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import combinations
from typing import TYPE_CHECKING

import numpy as np

if TYPE_CHECKING:
    from scipy.optimize import LinearConstraint

SMALLEST, LARGEST = 2, 6
"""[children] So many practise together with one adult near them: fewer are no group."""

BEST_SIZE, OVER_BEST = 4, 0.15
"""[children, worth] A group of more is worth so much less for each, so that two of four are made
rather than one of six and one of two."""

PLACED = 1.0
"""[worth] Of each child that is in a group at all, beside its need (0 to 1)."""

A_GROUP_COSTS = 0.6
"""[worth] Each group is a lesson to be given: two that could be one are one."""

MOST_WISHES = 4
"""[topics] Of a child, those it needs most: what is beyond is seldom chosen, and takes long."""

LONGEST_S = 5.0
"""[s] The solver is stopped then, with the best that it has found."""


@dataclass(frozen=True, slots=True)
class Need:
    """That a child is weak in something: how much, 0 to 1."""

    pupil_id: int
    topic: str
    weight: float


@dataclass(frozen=True, slots=True)
class Group:
    """Children who practise one thing together."""

    topic: str
    pupil_ids: tuple[int, ...]


class Alone(StrEnum):
    """Why a child who needs something is in no group."""

    NOBODY_SHARES = "nobody_shares"
    """Nobody else is weak in the same."""
    KEPT_APART = "kept_apart"
    """Only such as it is to be kept apart from."""
    BETTER_SO = "better_so"
    """The others who share it are needed in groups that could not hold one more."""


@dataclass(frozen=True, slots=True)
class Grouping:
    """The groups, and who is left alone and why."""

    groups: tuple[Group, ...]
    alone: tuple[tuple[int, Alone], ...]


Pair = frozenset[int]


def grouped(needs: Iterable[Need], apart: Collection[Pair] = ()) -> Grouping:
    """The groups that are worth most.

    >>> needs = [Need(1, "n", 0.8), Need(2, "n", 0.6), Need(3, "o", 0.9)]
    >>> found = grouped(needs)
    >>> found.groups, [(pupil, why.value) for pupil, why in found.alone]
    ((Group(topic='n', pupil_ids=(1, 2)),), [(3, 'nobody_shares')])
    """
    wishes = _wishes(needs)
    slots = _slots(wishes, apart)
    groups = _solved(wishes, slots, apart) if slots else ()
    placed = {pupil_id for group in groups for pupil_id in group.pupil_ids}
    everybody = sorted({pupil_id for pupil_id, _ in wishes})
    return Grouping(
        groups,
        tuple((one, _why_alone(one, wishes, apart)) for one in everybody if one not in placed),
    )


def worth(groups: Iterable[Group], needs: Iterable[Need]) -> float:
    """What groups are worth, by the numbers above."""
    weights = {(need.pupil_id, need.topic): need.weight for need in needs}
    return sum(
        sum(PLACED + weights[pupil_id, group.topic] for pupil_id in group.pupil_ids)
        - A_GROUP_COSTS
        - OVER_BEST * max(0, len(group.pupil_ids) - BEST_SIZE)
        for group in groups
    )


def _wishes(needs: Iterable[Need]) -> dict[tuple[int, str], float]:
    """What each child needs most, by child and topic."""
    of_child: dict[int, list[Need]] = {}
    for need in sorted(needs, key=lambda one: (-one.weight, one.topic)):
        of_child.setdefault(need.pupil_id, []).append(need)
    kept = [need for wanted in of_child.values() for need in wanted[:MOST_WISHES]]
    return {(need.pupil_id, need.topic): need.weight for need in kept}


def _who(wishes: Mapping[tuple[int, str], float], topic: str) -> list[int]:
    return sorted(pupil_id for pupil_id, wanted in wishes if wanted == topic)


def _slots(wishes: Mapping[tuple[int, str], float], apart: Collection[Pair]) -> list[str]:
    """A place for each group that may be: of every topic as many as its children could fill."""
    slots = []
    for topic in sorted({topic for _, topic in wishes}):
        who = _who(wishes, topic)
        if any(frozenset(pair) not in apart for pair in combinations(who, 2)):
            slots += [topic] * (len(who) // SMALLEST)
    return slots


def _solved(
    wishes: Mapping[tuple[int, str], float], slots: Sequence[str], apart: Collection[Pair]
) -> tuple[Group, ...]:
    """Columns: whether a child is in a slot, for each that it wishes for; whether a slot is open;
    by how many it is larger than best."""
    from scipy.optimize import Bounds, milp  # noqa: PLC0415  # slow to load, and seldom needed

    seats = [(pupil_id, at) for at, topic in enumerate(slots) for pupil_id in _who(wishes, topic)]
    count, rows = len(seats), _Rows(len(seats) + 2 * len(slots))
    seat_of = {seat: column for column, seat in enumerate(seats)}
    for pupil_id in sorted({pupil_id for pupil_id, _ in seats}):
        rows.add({seat_of[s]: 1.0 for s in seats if s[0] == pupil_id}, 0.0, 1.0)
    for at, topic in enumerate(slots):
        here = {seat_of[pupil_id, at]: 1.0 for pupil_id in _who(wishes, topic)}
        is_open, over = count + at, count + len(slots) + at
        rows.add({**here, is_open: -float(SMALLEST)}, 0.0, np.inf)
        rows.add({**here, is_open: -float(LARGEST)}, -np.inf, 0.0)
        rows.add({**here, over: -1.0}, -np.inf, float(BEST_SIZE))
        for one, other in combinations(_who(wishes, topic), 2):
            if frozenset((one, other)) in apart:
                rows.add({seat_of[one, at]: 1.0, seat_of[other, at]: 1.0}, 0.0, 1.0)
        if at and slots[at - 1] == topic:  # slots of one topic are alike: the fuller one first
            before = {seat_of[pupil_id, at - 1]: -1.0 for pupil_id in _who(wishes, topic)}
            rows.add({**here, **before}, -np.inf, 0.0)
    costs = np.array(
        [-(PLACED + wishes[pupil_id, slots[at]]) for pupil_id, at in seats]
        + [A_GROUP_COSTS] * len(slots)
        + [OVER_BEST] * len(slots)
    )
    is_whole = np.array([1] * (count + len(slots)) + [0] * len(slots))
    most = np.array([1.0] * (count + len(slots)) + [np.inf] * len(slots))
    found = milp(
        costs,
        integrality=is_whole,
        bounds=Bounds(0.0, most),
        constraints=rows.constraint(),
        options={"time_limit": LONGEST_S},
    )
    if found.x is None:
        return ()
    taken = [seat for seat, share in zip(seats, found.x, strict=False) if share > 0.5]
    members = [tuple(sorted(p for p, at in taken if at == slot)) for slot in range(len(slots))]
    groups = [Group(topic, who) for topic, who in zip(slots, members, strict=True) if who]
    return tuple(sorted(groups, key=lambda group: (group.topic, group.pupil_ids)))


class _Rows:
    """The rules of a programme, a row each: what it adds up, and between what that must be."""

    def __init__(self, columns: int) -> None:
        self._columns = columns
        self._terms: list[Mapping[int, float]] = []
        self._low: list[float] = []
        self._high: list[float] = []

    def add(self, terms: Mapping[int, float], low: float, high: float) -> None:
        self._terms.append(terms)
        self._low.append(low)
        self._high.append(high)

    def constraint(self) -> "LinearConstraint":
        from scipy.optimize import LinearConstraint  # noqa: PLC0415  # as below
        from scipy.sparse import csr_array  # noqa: PLC0415

        rows = [row for row, terms in enumerate(self._terms) for _ in terms]
        columns = [column for terms in self._terms for column in terms]
        values = [value for terms in self._terms for value in terms.values()]
        shape = (len(self._terms), self._columns)
        return LinearConstraint(csr_array((values, (rows, columns)), shape), self._low, self._high)


def _why_alone(
    pupil_id: int, wishes: Mapping[tuple[int, str], float], apart: Collection[Pair]
) -> Alone:
    wanted = [topic for one, topic in wishes if one == pupil_id]
    others = {other for topic in wanted for other in _who(wishes, topic)} - {pupil_id}
    if not others:
        return Alone.NOBODY_SHARES
    if all(frozenset((pupil_id, other)) in apart for other in others):
        return Alone.KEPT_APART
    return Alone.BETTER_SO
