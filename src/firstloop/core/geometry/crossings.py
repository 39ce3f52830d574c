"""Lines of a thinned picture, put together again across their crossings: a pen that crosses a line
goes straight on."""

from collections import Counter, defaultdict
from collections.abc import Iterator, Sequence

import numpy as np

from firstloop.core.geometry.even import INK_SPACING, Lines, length_of, points_in
from firstloop.core.geometry.polyline import FloatArray

MEETS = 0.09
"""[u] Ends as near as this meet: thinning leaves a pixel or two between."""

BRIDGE, OF_THE_PEN = 0.13, 2.0
"""[u, widths of the pen] A piece as short as the first, or as the second, between two forks is the
thickness of a crossing, no line: it is the longer the more aslant two lines cross."""

SPUR = 0.13
"""[u] What ends so soon after a fork is a corner of the line, or a burr."""

LOOKS_BACK = 0.24
"""[u] Of a line's end, by which it is told which way it goes."""

GOES_STRAIGHT_ON = 0.77
"""[cosine] Of the angle between two lines' ways (40 degrees) by which one may be the other's
continuation."""

End = tuple[int, bool]
"""Which line, and whether it is its last end."""


def through_crossings(lines: Lines, pen: float = 0.0) -> Lines:
    """The lines of a pen so wide (u), each going on across forks and crossings as straight as it
    can; what ends or turns there ends. All even, as they came; what lies inside a crossing is left
    out.

    >>> bar = np.column_stack([np.arange(0, 1.001, 0.02), np.zeros(51)])
    >>> stem = bar[:, ::-1] + [0.5, -0.5]
    >>> parts = (bar[:26], bar[25:], stem[:26], stem[25:])
    >>> sorted(len(line) for line in through_crossings(parts))
    [51, 51]
    """
    bridge = _bridge(pen)
    kept = _without_spurs([line for line in lines if len(line) > 1], bridge)
    forks = _forks(kept, bridge)
    met = Counter(forks.values())
    inside = {
        at
        for at, line in enumerate(kept)
        if length_of(line) < bridge and _is_inside(at, forks, met)
    }
    of_fork: dict[int, list[End]] = defaultdict(list)
    for end, fork in forks.items():
        if end[0] not in inside:
            of_fork[fork].append(end)
    goes_on: dict[End, End] = {}
    for ends in of_fork.values():
        # Where two meet and nothing else, a pen turned a corner.
        for one, other in [tuple(ends)] if len(ends) == 2 else _paired(ends, kept):
            goes_on[one], goes_on[other] = other, one
    return tuple(_chains(kept, goes_on, inside))


def loops_in(lines: Lines, pen: float = 0.0) -> int:
    """How many loops lines of such a pen close, alone or together: by Euler, edges less corners
    plus parts.

    >>> turn = np.linspace(0, 2 * np.pi, 300)
    >>> ring = np.column_stack([np.cos(turn), np.sin(turn)])
    >>> across = np.column_stack([np.linspace(-1, 1, 100), np.zeros(100)])
    >>> loops_in((ring,)), loops_in((ring[:150], ring[149:], across)), loops_in((across,))
    (1, 2, 0)
    """
    kept = _without_spurs([line for line in lines if len(line) > 1], _bridge(pen))
    if not kept:
        return 0
    forks = _forks(kept, _bridge(pen))
    corners = set(forks.values())
    together = _Groups(2 * len(kept))
    for at in range(len(kept)):
        together.join(forks[at, False], forks[at, True])
    parts = {together.of(corner) for corner in corners}
    return len(kept) - len(corners) + len(parts)


def together(lines: Lines) -> tuple[Lines, ...]:
    """The lines in parts that hang together: an end of one meets another.

    >>> bar = np.column_stack([np.arange(0, 1.001, 0.02), np.zeros(51)])
    >>> stem, beside = bar[:, ::-1] + [0.5, 0.0], bar + [2.0, 0.0]
    >>> [len(part) for part in together((bar, beside, stem))]
    [2, 1]
    """
    groups = _Groups(len(lines))
    for at, line in enumerate(lines):
        for other in range(len(lines)):
            ends = line[[0, -1]]
            apart = np.hypot(*(ends[:, None] - lines[other][None]).transpose(2, 0, 1))
            if other != at and apart.min() < MEETS:
                groups.join(at, other)
    parts: dict[int, list[FloatArray]] = defaultdict(list)
    for at, line in enumerate(lines):
        parts[groups.of(at)].append(line)
    return tuple(tuple(part) for part in parts.values())


class _Groups:
    """What belongs together, of so many (union-find)."""

    def __init__(self, count: int) -> None:
        self._parent = list(range(count))

    def of(self, at: int) -> int:
        """The group that one is in, by one of its members."""
        while self._parent[at] != at:
            at = self._parent[at]
        return at

    def join(self, one: int, other: int) -> None:
        """Makes the groups of two one."""
        self._parent[self.of(one)] = self.of(other)


def _bridge(pen: float) -> float:
    return max(BRIDGE, OF_THE_PEN * pen)


def _forks(lines: Sequence[FloatArray], bridge: float) -> dict[End, int]:
    """Which fork each end belongs to: ends that meet, or that a bridge joins, are of one."""
    ends = [(at, last) for at in range(len(lines)) for last in (False, True)]
    places = np.array([lines[at][-1 if last else 0] for at, last in ends])
    groups = _Groups(len(ends))
    apart = np.hypot(*(places[:, None] - places[None]).transpose(2, 0, 1))
    for one, other in np.argwhere(apart < MEETS).tolist():
        groups.join(one, other)
    met = Counter(groups.of(at) for at in range(len(ends)))
    for at, line in enumerate(lines):
        first, last = 2 * at, 2 * at + 1
        between = met[groups.of(first)] > 2 and met[groups.of(last)] > 2
        if length_of(line) < bridge and between:
            groups.join(first, last)
    return {end: groups.of(at) for at, end in enumerate(ends)}


def _without_spurs(lines: list[FloatArray], bridge: float) -> list[FloatArray]:
    """The lines without the short ones that thinning leaves at a corner: from a fork to nothing."""
    forks = _forks(lines, bridge)
    met = Counter(forks.values())
    return [
        line
        for at, line in enumerate(lines)
        if length_of(line) >= SPUR
        or sorted(min(met[forks[at, last]], 3) for last in (False, True)) != [1, 3]
    ]


def _is_inside(at: int, forks: dict[End, int], met: Counter[int]) -> bool:
    """Whether a line leads from a fork to itself, where other lines meet; a dot does not."""
    fork = forks[at, False]
    return fork == forks[at, True] and met[fork] > 2


def _paired(ends: Sequence[End], lines: Sequence[FloatArray]) -> Iterator[tuple[End, End]]:
    """The ends of a fork in pairs, the straightest first."""
    ways = {end: _way_in(lines[end[0]], last=end[1]) for end in ends}
    pairs = sorted(
        (float(ways[one] @ ways[other]), one, other)
        for at, one in enumerate(ends)
        for other in ends[at + 1 :]
    )
    gone: set[End] = set()
    for turn, one, other in pairs:
        if turn > -GOES_STRAIGHT_ON:
            break
        if one not in gone and other not in gone:
            gone |= {one, other}
            yield one, other


def _way_in(line: FloatArray, *, last: bool) -> FloatArray:
    """The unit way from an end into its line. The end itself is bent by the crossing's thickness
    and is passed over."""
    inwards = line[::-1] if last else line
    near, far = (min(points_in(at), len(line) - 1) for at in (MEETS, MEETS + LOOKS_BACK))
    if far == near:
        near = 0
    way = inwards[far] - inwards[near]
    return np.asarray(way / max(float(np.hypot(*way)), INK_SPACING / 100))


def _chains(
    lines: Sequence[FloatArray], goes_on: dict[End, End], inside: set[int]
) -> Iterator[FloatArray]:
    walked: set[int] = set(inside)
    loose = [
        (at, last)
        for at in range(len(lines))
        for last in (False, True)
        if (at, last) not in goes_on
    ]
    for at, last in [*loose, *((at, False) for at in range(len(lines)))]:
        pieces: list[FloatArray] = []
        here, from_last = at, last
        while here not in walked:
            walked.add(here)
            line = lines[here][::-1] if from_last else lines[here]
            pieces.append(line[1:] if pieces else line)
            here, from_last = goes_on.get((here, not from_last), (here, from_last))
        if pieces:
            yield np.concatenate(pieces)
