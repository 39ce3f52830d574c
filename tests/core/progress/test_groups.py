"""Groups for tomorrow, against an exhaustive search and by their rules."""

from itertools import combinations

import numpy as np
import pytest

from firstloop.core.progress.groups import (
    LARGEST,
    SMALLEST,
    Alone,
    Group,
    Grouping,
    Need,
    Pair,
    grouped,
    worth,
)


def a_class(seed: int, children: int, topics: int, weak: float) -> tuple[list[Need], set[Pair]]:
    """Children with needs of any size, and a few pairs that are to be kept apart."""
    rng = np.random.default_rng(seed)
    needs = [
        Need(child, f"t{topic:02}", round(float(rng.uniform(0.3, 0.95)), 3))
        for child in range(children)
        for topic in range(topics)
        if rng.random() < weak
    ]
    pairs = list(combinations(range(children), 2))
    apart = {frozenset(pairs[at]) for at in rng.choice(len(pairs), children // 4, replace=False)}
    return needs, apart


def best_by_search(needs: list[Need], apart: set[Pair]) -> float:
    """The worth of the best groups, by looking at all there are: a table over sets of children."""
    weights = {(need.pupil_id, need.topic): need.weight for need in needs}
    children = sorted({need.pupil_id for need in needs})
    topics = sorted({need.topic for need in needs})
    best_group: dict[int, float] = {}
    for size in range(SMALLEST, LARGEST + 1):
        for who in combinations(range(len(children)), size):
            ids = [children[at] for at in who]
            if any(frozenset(pair) in apart for pair in combinations(ids, 2)):
                continue
            shared = [t for t in topics if all((child, t) in weights for child in ids)]
            if shared:
                mask = sum(1 << at for at in who)
                best_group[mask] = max(worth([Group(t, tuple(ids))], needs) for t in shared)
    table = {0: 0.0}
    for placed in range(1, 1 << len(children)):
        lowest = placed & -placed
        rest = placed ^ lowest
        best = table[rest]
        part = rest
        while True:
            mask = part | lowest
            if mask in best_group:
                best = max(best, best_group[mask] + table[placed ^ mask])
            if part == 0:
                break
            part = (part - 1) & rest
        table[placed] = best
    return table[(1 << len(children)) - 1]


def require_good(found: Grouping, needs: list[Need], apart: set[Pair]) -> None:
    wanted = {(need.pupil_id, need.topic) for need in needs}
    placed = [child for group in found.groups for child in group.pupil_ids]
    assert len(placed) == len(set(placed))
    assert {*placed, *(child for child, _ in found.alone)} == {need.pupil_id for need in needs}
    assert not set(placed) & {child for child, _ in found.alone}
    for group in found.groups:
        assert SMALLEST <= len(group.pupil_ids) <= LARGEST
        assert all((child, group.topic) in wanted for child in group.pupil_ids)
        assert not {frozenset(pair) for pair in combinations(group.pupil_ids, 2)} & apart


@pytest.mark.parametrize("seed", range(6))
@pytest.mark.parametrize(("topics", "weak"), [(3, 0.5), (6, 0.25)])
def test_on_a_class_of_ten_no_search_finds_much_better(seed: int, topics: int, weak: float) -> None:
    needs, apart = a_class(seed, 10, topics, weak)
    found = grouped(needs, apart)
    require_good(found, needs, apart)
    assert worth(found.groups, needs) >= 0.98 * best_by_search(needs, apart)


@pytest.mark.measuring
def test_on_a_class_of_twelve_no_search_finds_much_better() -> None:
    needs, apart = a_class(12, 12, 5, 0.35)
    found = grouped(needs, apart)
    require_good(found, needs, apart)
    assert worth(found.groups, needs) >= 0.98 * best_by_search(needs, apart)


@pytest.mark.parametrize("seed", range(3))
def test_a_class_of_thirty_two_is_grouped_and_again_the_same(seed: int) -> None:
    needs, apart = a_class(seed, 32, 20, 0.15)
    found = grouped(needs, apart)
    require_good(found, needs, apart)
    assert grouped(list(reversed(needs)), apart) == found


def test_who_is_left_alone_is_told_why() -> None:
    needs = [Need(child, "n", 0.5) for child in (1, 2)] + [Need(3, "o", 0.5)]
    together = frozenset((1, 2))
    assert dict(grouped(needs, {together}).alone) == {
        1: Alone.KEPT_APART,
        2: Alone.KEPT_APART,
        3: Alone.NOBODY_SHARES,
    }
    assert grouped([]) == Grouping((), ())


def test_seven_who_share_one_thing_are_two_groups_and_eight_are_two_of_four() -> None:
    for count, sizes in ((7, [3, 4]), (8, [4, 4]), (5, [5])):
        found = grouped([Need(child, "n", 0.5) for child in range(count)])
        assert sorted(len(group.pupil_ids) for group in found.groups) == sizes
