"""The way through a joined text against its definition, on tables small enough to try every way."""

from functools import cache

import numpy as np
import pytest

from firstloop.core.checking.texts.way_through import Lanes, Prices, Rows, Search, Way, find_way

State = tuple[int, int]
"""A row, and a step in it."""


def search(seed: int) -> Search:
    """Three letters, the second in two forms, in three traces of which the second may lie beside
    the way."""
    rng = np.random.default_rng(seed)
    lengths, ups = [5, 4, 6, 5], (5, 8, 15)
    begins = np.cumsum([0, *lengths])
    letters, rows = np.array([0, 1, 3, 4]), 16
    jumps, passes = np.full(rows, -1.0), np.full(rows, -1)
    start, unjoined = np.full(rows, 1000.0), np.full(rows, 0.9)
    start[0] = unjoined[0] = 0.0
    for up in ups:
        jumps[up] = float(rng.choice([0.0, 0.2]))
        if up + 1 < rows:
            unjoined[up + 1] = 0.2
    passes[ups[1]] = ups[0] + 1
    return Search(
        lanes=Lanes(
            terms=rng.uniform(0.0, 0.4, (5, sum(lengths))).astype(np.float32),
            lane=np.repeat(np.arange(4), lengths),
            letter=np.array([0, 1, 1, 2]),
            begins=begins,
            own=begins[:-1] + np.array([0, 1, 2, 1]),
            own_ends=begins[:-1] + np.array([3, 3, 4, 3]),
            costs=np.array([0.0, 0.1, 0.0, 0.0]),
            letters=letters,
            done=np.array([3, 3, 3]),
        ),
        rows=Rows(
            rng.uniform(0.0, 1.0, (rows, 5)).astype(np.float32), jumps, passes, start, unjoined
        ),
        low=np.array([0, 0, 2]),
        high=np.array([14, rows, rows]),
        parts=np.cumsum([0, 5 * 14, 10 * rows, 5 * (rows - 2)]),
        # Every other time it pays to write a letter twice.
        prices=Prices(
            left_out=float(rng.choice([0.1, 0.8])),
            twice=-1.0 if seed % 2 else 0.7,
            beside=0.1,
            worst=0.9,
        ),
    )


def by_definition(sought: Search) -> list[State]:
    """The states of the cheapest way, by trying all that lead to each."""
    lanes, rows, prices = sought.lanes, sought.rows, sought.prices
    count, letters = len(rows.jumps), len(sought.low)

    def letter_of(step: int) -> int:
        return int(lanes.letter[lanes.lane[step]])

    def ends(letter: int) -> list[int]:
        own = range(lanes.letters[letter], lanes.letters[letter + 1])
        return [int(e) for lane in own for e in (lanes.own_ends[lane], lanes.begins[lane + 1] - 1)]

    def begun(row: int, letter: int) -> list[tuple[float, State | None]]:
        ways: list[tuple[float, State | None]] = [
            (float(rows.start[row]) + letter * prices.left_out, None)
        ]
        for back, price in ((0, prices.twice), (1, 0.0), (2, prices.left_out)):
            if letter - back >= 0 and row:
                ways += [
                    (reached(row - 1, s)[0] + price, (row - 1, s)) for s in ends(letter - back)
                ]
        return ways

    @cache
    def reached(row: int, step: int) -> tuple[float, State | None]:
        letter, lane = letter_of(step), int(lanes.lane[step])
        if not sought.low[letter] <= row < sought.high[letter]:
            return 1000.0, None
        begin = int(lanes.begins[lane])
        stays = [(reached(row - 1, step)[0], (row - 1, step))] if row else []
        if rows.jumps[row] >= 0.0:
            ways: list[tuple[float, State | None]] = [
                (cost + float(rows.jumps[row]), from_) for cost, from_ in stays
            ]
            before = int(rows.passes[row]) - 1
            if before >= sought.low[letter] and step - begin >= lanes.done[letter]:
                ways.append((reached(before, step)[0] + prices.beside, (before, step)))
            return min(ways, key=lambda way: way[0], default=(1000.0, None))
        ways = [*stays]
        if step > begin:
            ways.append((reached(row, step - 1)[0], (row, step - 1)))
            if row:
                ways.append((reached(row - 1, step - 1)[0], (row - 1, step - 1)))
        if step in (begin, lanes.own[lane]):
            unled = 0.0 if step == begin else float(rows.unjoined[row])
            form = float(lanes.costs[lane])
            ways += [(cost + unled + form, from_) for cost, from_ in begun(row, letter)]
        cost, from_ = min(ways, key=lambda way: way[0])
        own = float(lanes.terms[:, step] @ rows.terms[row])
        return cost + min(own, prices.worst), from_

    last = [
        (reached(count - 1, step)[0] + (letters - 1 - letter_of(step)) * prices.left_out, step)
        for step in range(len(lanes.lane))
        if step >= lanes.own_ends[lanes.lane[step]] and sought.high[letter_of(step)] == count
    ]
    state: State | None = (count - 1, min(last)[1])
    states = []
    while state is not None:
        states.append(state)
        state = reached(*state)[1]
    return states


def own_rows(sought: Search, states: list[State]) -> dict[int, int]:
    """Which lane each row was written for, by a step of the letter's own."""
    lanes = sought.lanes
    return {
        row: int(lanes.lane[step])
        for row, step in states
        if sought.rows.jumps[row] < 0.0
        and lanes.own[lanes.lane[step]] <= step <= lanes.own_ends[lanes.lane[step]]
    }


@pytest.mark.parametrize("seed", range(60))
def test_the_way_is_the_cheapest_of_all(seed: int) -> None:
    sought = search(seed)
    states, way = by_definition(sought), find_way(sought)
    found = {row: int(lane) for row, lane in enumerate(way.lanes) if lane >= 0}
    assert found == own_rows(sought, states)
    rows = {row for row, _ in states}
    assert bool(way.beside[8]) == rows.isdisjoint({6, 7})


def kinds(way: Way, sought: Search) -> list[int]:
    """The letters that are passed through, in their order."""
    written = np.flatnonzero(way.lanes >= 0)
    order = sorted(set(way.passed[written].tolist()), reverse=True)
    by_pass = dict(zip(way.passed[written].tolist(), way.lanes[written].tolist(), strict=True))
    return [int(sought.lanes.letter[by_pass[one]]) for one in order]


def test_among_these_are_letters_left_out_and_letters_that_come_twice() -> None:
    """The tables of this file come by every way there is."""
    ways = [kinds(find_way(search(seed)), search(seed)) for seed in range(60)]
    assert any(len(set(one)) < 3 for one in ways)
    assert any(len(set(one)) < len(one) for one in ways)
    assert any(find_way(search(seed)).beside[8] for seed in range(60))


def test_a_text_with_more_letters_than_rows_has_an_answer() -> None:
    sought = search(1)
    rows = sought.rows
    few = Rows(
        terms=rows.terms[14:],
        jumps=rows.jumps[14:],
        passes=np.full(2, -1),
        start=rows.start[14:],
        unjoined=rows.unjoined[14:],
    )
    low, high = np.array([0, 0, 1]), np.array([1, 2, 2])
    way = find_way(sought._replace(rows=few, low=low, high=high))
    assert len(way.lanes) == 2
