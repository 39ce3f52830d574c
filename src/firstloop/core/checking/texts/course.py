"""The course of a joined text: the way of the pen through all of its letters and joins, with every
form in which a letter may be met on it."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import groupby

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.lines import STANDARD
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.drawing import DrawnMove, path_of
from firstloop.core.letters.hands import PLAIN, choose
from firstloop.core.letters.moves import MoveKind
from firstloop.core.limits import (
    AS_IN_PRINT,
    BAR_COMES_LATER,
    CASE_ON_THE_WAY,
    COMES_TWICE,
    INK_SPACING,
    LEFT_OUT_OF_A_WORD,
    LIFTED_AT_A_JOIN,
    STRIDE,
)
from firstloop.core.text.words import compose

Indices = npt.NDArray[np.intp]

_PRINTED = "bkpsvwxyz"
"""Joined letters whose print form is met in joined writing too, led into and out of as it comes."""

_LED_IN = np.array([[-0.35, 0.05], [-0.12, 0.4]])
"""u: what leads to a print form, against its start: up from the base line."""


@dataclass(frozen=True, slots=True, eq=False)
class Form:
    """A form of a letter on the way: what leads to it, what is its own, what leads from it, each
    a few strokes (n, 2) in u; whether the hand joins it to the letter before; what it costs to be
    met in; and
    whether it is the letter's other case."""

    before: Lines
    own: Lines
    after: Lines
    joined: bool = False
    cost: float = 0.0
    other_case: bool = False
    bars: int = 0
    """How many of its strokes lie beside the way."""


@dataclass(frozen=True, slots=True, eq=False)
class Course:
    """The steps of the way, form by form: height (u) and unit heading of each, the place of its
    letter (spaces left out) and of its form.

    `bounds` are for each form where its steps begin, where its own begin, where its own end, and
    where it ends; `of` is its letter's place. `leaps` are the steps that may follow another than
    the one before them, the steps that each may follow, (step, choice), one past the last where
    there are fewer, and what that costs.
    """

    heights: FloatArray
    headings: FloatArray
    place: Indices
    form: Indices
    is_first: npt.NDArray[np.bool_]
    unled: frozenset[int]
    """Steps with which a letter begins that is led into, without its join."""
    is_own: npt.NDArray[np.bool_]
    forms: tuple[Form, ...]
    of: tuple[int, ...]
    bounds: tuple[tuple[int, int, int, int], ...]
    leaps: tuple[Indices, Indices, FloatArray]
    leaps_to: dict[int, list[tuple[int, float]]]
    """The same: for each step that a leap goes to, those it comes from, and what that costs."""

    @property
    def letters(self) -> int:
        """How many letters were asked for."""
        return self.of[-1] + 1


@lru_cache(maxsize=256)
def course_of(text: str, hand: Hand) -> Course:
    """The course of a text in a joined hand; raises UnknownLetterError."""
    by_place = [forms for word in text.split() for forms in _forms_in(word, hand)]
    forms = tuple(form for one in by_place for form in one)
    of = tuple(place for place, one in enumerate(by_place) for _ in one)
    every: list[FloatArray] = []
    bounds, at = [], 0
    for form in forms:
        before, own, after = (
            [_thin(s) for s in part] for part in (form.before, form.own, form.after)
        )
        first = at + sum(map(len, before))
        last = first + sum(map(len, own)) - 1
        bounds.append((at, first, last, last + sum(map(len, after))))
        at = bounds[-1][-1] + 1
        every += before + own + after
    counts = [end - begin + 1 for begin, _, _, end in bounds]
    is_own = np.zeros(at, bool)
    for _, first, last, _ in bounds:
        is_own[first : last + 1] = True
    leaps_to = _leaps(forms, of, bounds)
    is_first = np.zeros(at, bool)
    is_first[[begin for begin, *_ in bounds]] = True
    return Course(
        heights=np.concatenate([part[:, 1] for part in every]),
        headings=np.concatenate([polyline.headings(part) for part in every]),
        place=np.repeat(of, counts),
        form=np.repeat(np.arange(len(forms)), counts),
        is_first=is_first,
        unled=frozenset(first for begin, first, _, _ in bounds if first != begin),
        is_own=is_own,
        forms=forms,
        of=of,
        bounds=tuple(bounds),
        leaps=_tabled(leaps_to, at),
        leaps_to=leaps_to,
    )


def _leaps(
    forms: tuple[Form, ...], of: tuple[int, ...], bounds: list[tuple[int, int, int, int]]
) -> dict[int, list[tuple[int, float]]]:
    """From the end of a letter to the beginning of the next, in whatever form; without the join;
    past a letter that is left out; back to the beginning of one that comes twice."""
    of_place: dict[int, list[int]] = {}
    for at, place in enumerate(of):
        of_place.setdefault(place, []).append(at)
    found: dict[int, list[tuple[int, float]]] = {}
    for at, (begin, first, _, _) in enumerate(bounds):
        for to, unled in ((begin, 0.0), (first, LIFTED_AT_A_JOIN)):
            if to == begin and unled:
                continue
            ways = found.setdefault(to, [])
            extra = forms[at].cost + unled
            for back, cost in ((1, 0.0), (2, LEFT_OUT_OF_A_WORD), (0, COMES_TWICE)):
                for other in of_place.get(of[at] - back, ()):
                    ends = {bounds[other][2], bounds[other][3]}
                    ways += [(end, cost + extra) for end in sorted(ends)]
    return found


def _tabled(
    leaps_to: dict[int, list[tuple[int, float]]], none: int
) -> tuple[Indices, Indices, FloatArray]:
    most = max(len(ways) for ways in leaps_to.values())
    sources = np.full((len(leaps_to), most), none)
    costs = np.zeros((len(leaps_to), most))
    for row, ways in enumerate(leaps_to.values()):
        for column, (end, cost) in enumerate(ways):
            sources[row, column], costs[row, column] = end, cost
    return np.array(list(leaps_to)), sources, costs


def _forms_in(word: str, hand: Hand) -> Iterator[list[Form]]:
    """For each letter of a word the forms in which it may be met."""
    by_place = [_forms_of(word[max(at - 1, 0) : at + 1], hand) for at in range(len(word))]
    for forms, after in zip(by_place, [*by_place[1:], ()], strict=True):
        goes_on = bool(after) and after[0].joined
        yield [replace(form, after=()) if goes_on else form for form in forms]


@lru_cache(maxsize=4096)
def _forms_of(pair: str, hand: Hand) -> tuple[Form, ...]:
    """The forms of the last letter of a pair, as it comes after the first; of one letter alone."""
    letter = pair[-1]
    forms: list[Form] = []
    for other in (hand, *_other_hands(letter, hand)):
        form = _composed(pair, other)
        if not any(_same(form, known) for known in forms):
            forms.append(form)
    if letter in _PRINTED:
        forms.append(_printed(letter, AS_IN_PRINT, other_case=False))
    if letter.isupper() and len(forms[0].own) > 1:  # its bar may come last of all
        *first, _ = forms[0].own
        forms.append(replace(forms[0], own=tuple(first), cost=BAR_COMES_LATER, bars=1))
    if letter.swapcase() in PLAIN.scripts and letter.swapcase() != letter:
        case = _printed(letter.swapcase(), CASE_ON_THE_WAY, other_case=True)
        forms.append(case)
        if len(case.own) > 1:
            forms.append(replace(case, own=case.own[:1], bars=len(case.own) - 1))
    return tuple(forms)


def _other_hands(letter: str, hand: Hand) -> list[Hand]:
    """The hand with each other of the letter's accepted ways chosen."""
    return [choose(hand, {letter: name}) for name in hand.alternatives.get(letter, {})]


def _same(one: Form, other: Form) -> bool:
    if [len(s) for s in one.own] != [len(s) for s in other.own]:
        return False
    ours, theirs = (np.diff(np.vstack(form.own), axis=0) for form in (one, other))
    return bool(np.allclose(ours, theirs))


def _printed(letter: str, cost: float, *, other_case: bool) -> Form:
    drawn = draw(PLAIN.scripts[letter], PLAIN.proportions, STANDARD)
    own = drawn.paths() if letter.isupper() else drawn.paths()[:1]
    before = (own[0][0] + _LED_IN,) if letter.islower() else ()
    return Form(before, own, (), cost=cost, other_case=other_case)


def _composed(pair: str, hand: Hand) -> Form:
    composed = compose(pair, hand)
    drawn = draw(composed.script, hand.proportions, STANDARD)
    script, last = hand.scripts[pair[-1]], len(pair) - 1
    led = script.strokes[0].moves[0].kind is MoveKind.LEAD_IN
    moves = [
        (move, origin.join)
        for stroke, origins in zip(drawn.strokes, composed.origins, strict=True)
        for move, origin in zip(stroke, origins, strict=True)
        if origin.letter == last
    ]
    main = moves[0][0].stroke
    # Bars and dots of joined letters lie beside the way.
    form = _parted([one for one in moves if not led or one[0].stroke == main])
    return replace(form, bars=len(script.strokes) - len(form.own))


def _parted(moves: list[tuple[DrawnMove, bool]]) -> Form:
    leads = (MoveKind.LEAD_IN, MoveKind.FLICK)
    before, after = (tuple(m.points for m, _ in moves if m.move.kind is kind) for kind in leads)
    own = [
        list(run)
        for _, run in groupby(
            (m for m, _ in moves if m.move.kind not in leads), key=lambda move: move.stroke
        )
    ]
    return Form(
        before=before,
        own=tuple(path_of(run) for run in own),
        after=after,
        joined=any(join for _, join in moves),
    )


def _thin(points: FloatArray) -> FloatArray:
    """Points a step of the ink apart."""
    if len(points) < 2:
        return points
    count = max(2, round(polyline.length(points) / (STRIDE * INK_SPACING)) + 1)
    return polyline.resample(points, count)
