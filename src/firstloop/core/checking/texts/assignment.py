"""Letters that stand apart, assigned to what was asked for by the cheapest explanation.

Traces are put in their order along the line. A dynamic programme over them takes each run of a few
neighbours for the next letter of the text, for a letter too many, or for one struck out; or says
that a letter was left out. What a run costs as a letter is how it looks and where it stands.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from firstloop.core.checking.texts.alphabet import MOST_TRACES, Alphabet, AnyLetter, Seen
from firstloop.core.checking.texts.striking import struck_out
from firstloop.core.checking.texts.traces import Box, Trace, around, where_it_stands

NO_WRITING = 6
"""[traces] Traces a letter: of more ink no more than two are tried as one letter, for it is a
scribble."""

BAND = 6
"""[letters] Letters by which the text may be ahead of or behind an even share of the ink."""

NO_ONE_LETTER, LEFT_OUT, ONE_TOO_MANY, ONE_MORE_TRACE = 0.13, 0.15, 0.14, 0.03
"""[u²] What ink costs at most as the letter asked for, what a letter costs that is left out, and
ink that is a letter too many, with each trace of it after the first."""

MORE_THAN_IT_HAS = 0.06
"""[u²] What a letter costs more for each trace beyond those of any form of it."""

STRUCK_OUT, MAYBE_STRUCK = 0.05, 0.09
"""[u², u²] What a letter costs that is struck out, less than one that is no letter asked for; and
where the line that strikes it out may be its bar."""

SPLIT, NOT_ONE = 0.12, 0.2
"""[u²] Against two letters of which one lies over the other; and against traces being one letter,
from which it is cheaper to take them for two, of which one is too many."""

APART, HARDLY_APART, TOO_FAR_APART = 0.9, 0.12, 0.55
"""[u² for each u, u, u] u² for each u between the traces of one letter, beyond the second (u); and
u between them at most: the arm of a k may stand off its stem, two letters do."""


@dataclass(frozen=True, slots=True, eq=False)
class Run:
    """Neighbouring traces taken for one letter. `place` is the letter's in what was asked for, of
    what is too many or struck out the next one's; `seen` is as what, None where it is too many or
    struck out; `struck` are the traces that strike it out."""

    place: int
    traces: tuple[Trace, ...]
    seen: Seen | None = None
    struck: tuple[Trace, ...] = ()

    @property
    def box(self) -> Box:
        """The box of its ink."""
        return around(trace.box for trace in self.traces)


@dataclass(frozen=True, slots=True, eq=False)
class Assigned:
    """The runs along the line, and the places of letters that there is no ink for."""

    runs: tuple[Run, ...]
    missing: tuple[int, ...]


Letters = Sequence[str]


def assign(
    traces: Sequence[Trace], letters: Letters, alphabet: Alphabet | AnyLetter, *, row: bool = False
) -> Assigned:
    """Which traces were written for which of these letters, spaces left out; in a row as many
    may be left out as there is no ink for."""
    count, asked = len(traces), len(letters)
    in_order = sorted(traces, key=where_it_stands)
    most = MOST_TRACES if count <= NO_WRITING * max(asked, 1) else 2
    runs = _Runs(in_order, alphabet, most)
    best: list[dict[int, tuple[float, int, str]]] = [{} for _ in range(count + 1)]
    best[0][0] = (0.0, 0, "")
    for i in range(count + 1):
        _leave_out(best[i], asked, 0.0 if row else LEFT_OUT)
        if i == count:
            break
        middle = round(i * asked / max(count, 1))
        reach = [j for j in best[i] if row or abs(j - middle) <= BAND]
        for end, apart in runs.from_here(i):
            struck = runs.struck(i, end)
            extra = ONE_TOO_MANY + ONE_MORE_TRACE * (end - i - 1) + apart
            for j in reach:
                so_far = best[i][j][0]
                if j < asked:
                    cost = so_far + apart + runs.cost(i, end, letters[j])
                    _keep(best[end], j + 1, (cost, i, "as"))
                _keep(best[end], j, (so_far + extra, i, "more"))
                if struck is not None:
                    _keep(best[end], j, (so_far + struck, i, "struck"))
        for end in runs.struck_further(i):
            for j in reach:
                _keep(best[end], j, (best[i][j][0] + STRUCK_OUT, i, "struck"))
    return _traced_back(best, runs, letters)


def _leave_out(states: dict[int, tuple[float, int, str]], asked: int, cost_of_one: float) -> None:
    for j in range(asked):
        if j in states:
            cost = states[j][0] + cost_of_one
            _keep(states, j + 1, (cost, -1, "left out"))


def _keep(states: dict[int, tuple[float, int, str]], j: int, found: tuple[float, int, str]) -> None:
    if j not in states or found[0] < states[j][0]:
        states[j] = found


def _traced_back(
    best: list[dict[int, tuple[float, int, str]]], runs: "_Runs", letters: Letters
) -> Assigned:
    i, j = len(best) - 1, len(letters)
    found: list[Run] = []
    missing: list[int] = []
    while i or j:
        _, before, what = best[i][j]
        if what == "left out":
            j -= 1
            missing.append(j)
            continue
        traces = tuple(runs.traces[before:i])
        if what == "as":
            j -= 1
            found.append(Run(j, traces, runs.seen(before, i, letters[j])))
        elif what == "struck":
            by = struck_out(traces)
            found.append(Run(j, traces, struck=by.lines if by else ()))
        else:
            found.append(Run(j, traces))
        i = before
    return Assigned(tuple(reversed(found)), tuple(reversed(missing)))


class _Runs:
    """What runs of neighbours cost that may be one letter, of so many traces at most: all of them
    are looked at in one go."""

    def __init__(self, traces: list[Trace], alphabet: Alphabet | AnyLetter, most: int) -> None:
        self.traces = traces
        self._alphabet = alphabet
        self._apart = [self._near(begin, most) for begin in range(len(traces))]
        runs = [(begin, end) for begin, ends in enumerate(self._apart) for end in ends]
        seen = alphabet.of([traces[begin:end] for begin, end in runs])
        self._seen = dict(zip(runs, seen, strict=True))

    def _near(self, begin: int, most: int) -> dict[int, float]:
        """The ends of the runs from a trace on, and what is against each being one letter."""
        near: dict[int, float] = {}
        for end in range(begin + 1, min(begin + most, len(self.traces)) + 1):
            apart = self.apart(begin, end)
            if apart >= NOT_ONE:
                break
            near[end] = apart
        return near

    def from_here(self, begin: int) -> Iterable[tuple[int, float]]:
        """Where the runs from a trace on end, and what is against each."""
        return self._apart[begin].items()

    def seen(self, begin: int, end: int, letter: str) -> Seen:
        """What the run is like that letter."""
        return self._seen[begin, end][letter]

    def cost(self, begin: int, end: int, letter: str) -> float:
        """u² that it costs as that letter."""
        seen = self.seen(begin, end, letter)
        more = max(0, end - begin - self._alphabet.most_traces(letter, seen))
        return min(seen.cost, NO_ONE_LETTER) + MORE_THAN_IT_HAS * more

    def apart(self, begin: int, end: int) -> float:
        """u² against this run being one letter: its traces lie apart, or the one after it lies over
        it."""
        run = self.traces[begin:end]
        cost, right = 0.0, run[0].box[2]
        for trace in run[1:]:
            gap = trace.box[0] - right
            if gap > TOO_FAR_APART:
                return NOT_ONE
            cost += APART * max(0.0, gap - HARDLY_APART)
            right = max(right, trace.box[2])
        if end < len(self.traces):
            after = self.traces[end]
            narrower = max(min(after.width, right - min(t.box[0] for t in run)), 0.1)
            shared = (right - after.box[0]) / narrower
            cost += SPLIT * max(0.0, min(shared, 1.0) - 0.5)
        return cost

    def struck(self, begin: int, end: int) -> float | None:
        """u² that a run costs as one that is struck out; None where nothing strikes it out."""
        by = struck_out(self.traces[begin:end])
        return None if by is None else STRUCK_OUT if by.surely else MAYBE_STRUCK

    def struck_further(self, begin: int) -> list[int]:
        """The ends of longer runs that are struck out: a whole word is."""
        least = begin + MOST_TRACES + 1
        lines = [at for at in range(begin, len(self.traces)) if self.traces[at].width > 1.5]
        if not lines:
            return []
        ends = range(least, min(len(self.traces), begin + 24) + 1)
        return [end for end in ends if self.struck(begin, end) is not None]
