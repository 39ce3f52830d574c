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
    INK_SPACING,
    LIFTED_AT_A_JOIN,
    STRIDE,
)
from firstloop.core.text.words import compose

Indices = npt.NDArray[np.intp]

_PRINTED = "bkpsvwxyz"
"""Joined letters whose print form is met in joined writing too, led into and out of as it comes."""

LED_FROM = 0.35
"""u before a print form, from where it is led into, straight up from the base line."""


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

    @property
    def is_joined(self) -> bool:
        """Whether it is led into: a small letter of a joined hand."""
        return bool(self.before)


@dataclass(frozen=True, slots=True, eq=False)
class Course:
    """The steps of the way, form by form: height (u) and unit heading of each, the place of its
    letter (spaces left out) and of its form, whether a form begins there, whether it is the
    letter's own.

    `bounds` are for each form where its steps begin, where its own begin, where its own end, and
    where it ends; `of` is its letter's place.
    """

    heights: FloatArray
    headings: FloatArray
    place: Indices
    form: Indices
    is_first: npt.NDArray[np.bool_]
    is_own: npt.NDArray[np.bool_]
    forms: tuple[Form, ...]
    of: tuple[int, ...]
    bounds: tuple[tuple[int, int, int, int], ...]
    ends: Indices
    """Steps at which a letter may be left, in order; of each form where its own ends and its end.
    """
    ways_in: dict[int, float]
    """Steps at which a letter may be entered, in order, and what that costs: where a form begins;
    and where its own does, which is to leave out the join."""
    unled: frozenset[int]
    """Of these, those without the join."""
    ways_to: Indices
    ways_cost: npt.NDArray[np.float32]
    ways_unled: npt.NDArray[np.bool_]
    """The same as arrays, (way,)."""
    shares: FloatArray
    """For each letter the share of the way, in the hand's own forms, that is done at its end."""
    lifts: int
    """How often the hand lifts the pen, after each word and after letters that it does not join."""

    @property
    def letters(self) -> int:
        """How many letters were asked for."""
        return self.of[-1] + 1


@lru_cache(maxsize=256)
def course_of(text: str, hand: Hand, *, capitals: bool = True) -> Course:
    """The course of a text in a joined hand; a small letter may be met as a capital too, or not.
    Raises UnknownLetterError."""
    by_place = [
        [form for form in forms if capitals or form.is_joined or not form.other_case]
        for word in text.split()
        for forms in _forms_in(word, hand)
    ]
    forms = tuple(form for one in by_place for form in one)
    of = tuple(place for place, one in enumerate(by_place) for _ in one)
    every: list[FloatArray] = []
    bounds, at = [], 0
    for form in forms:
        before, own, after = (
            [_thin(stroke) for stroke in part] for part in (form.before, form.own, form.after)
        )
        first = at + sum(map(len, before))
        last = first + sum(map(len, own)) - 1
        bounds.append((at, first, last, last + sum(map(len, after))))
        at = bounds[-1][-1] + 1
        every += before + own + after
    counts = [end - begin + 1 for begin, _, _, end in bounds]
    is_own, is_first = np.zeros(at, bool), np.zeros(at, bool)
    is_first[[begin for begin, *_ in bounds]] = True
    own_forms = [of.index(place) for place in range(len(by_place))]
    lengths = [counts[at] for at in own_forms]
    ways_in: dict[int, float] = {}
    for form, (begin, first, last, _) in zip(forms, bounds, strict=True):
        is_own[first : last + 1] = True
        ways_in[first] = form.cost + LIFTED_AT_A_JOIN
        ways_in[begin] = form.cost
    ways_in = dict(sorted(ways_in.items()))
    unled = frozenset(first for begin, first, _, _ in bounds if first != begin)
    return Course(
        heights=np.concatenate([part[:, 1] for part in every]),
        headings=np.concatenate([polyline.headings(part) for part in every]),
        place=np.repeat(of, counts),
        form=np.repeat(np.arange(len(forms)), counts),
        is_first=is_first,
        is_own=is_own,
        forms=forms,
        of=of,
        bounds=tuple(bounds),
        ends=np.array(sorted({end for _, _, last, after in bounds for end in (last, after)})),
        ways_in=ways_in,
        unled=unled,
        ways_to=np.array(list(ways_in)),
        ways_cost=np.array(list(ways_in.values()), np.float32),
        ways_unled=np.array([step in unled for step in ways_in]),
        shares=np.cumsum(lengths) / sum(lengths),
        lifts=sum(not forms[at].joined for at in own_forms),
    )


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
    if letter.isupper():
        forms += _with_its_bar_later(forms[0], letter)
    if letter.swapcase() in PLAIN.scripts and letter.swapcase() != letter:
        case = _printed(letter.swapcase(), CASE_ON_THE_WAY, other_case=True)
        forms += [case, *_with_its_bar_later(case, letter.swapcase())]
    return tuple(forms)


def _with_its_bar_later(form: Form, letter: str) -> list[Form]:
    """A capital whose bar may come last of all: A, H, T."""
    kinds = [stroke.moves[0].kind for stroke in PLAIN.scripts[letter].strokes]
    if letter.islower() or kinds.count(MoveKind.CROSS) != 1 or len(form.own) != len(kinds):
        return []
    return [replace(form, own=form.own[:-1], cost=form.cost + BAR_COMES_LATER, bars=1)]


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
    x, y = own[0][0].tolist()
    before = (np.array([[x - LED_FROM, 0.0], [x, y]]),) if letter.islower() else ()
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
