"""The course of a joined text: the way of the pen through all of its letters and joins, with every
form in which a letter may be met on it."""

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
    HEADING_WEIGHT,
    INK_SPACING,
    LEADS,
    LIFTED_AT_A_JOIN,
    STRIDE,
)
from firstloop.core.text.words import compose

Values = npt.NDArray[np.float32]

_PRINTED = "bkpsvwxyz"
"""Joined letters whose print form is met in joined writing too, led into and out of as it comes."""

ABOVE_THE_LINE = 0.35
"""u: a join that begins higher does not come from the base line."""

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
    goes_on: bool = False
    """Whether the hand joins it to the letter after it, so that no flick is asked for."""

    @property
    def is_joined(self) -> bool:
        """Whether it is led into: a small letter of a joined hand."""
        return bool(self.before)


@dataclass(frozen=True, slots=True, eq=False)
class Steps:
    """A letter of the course, step by step in each of its forms; shorter ones go on with steps that
    nothing leads out of.

    `terms` (step, form, 5) are what the cost of a step is a product of with the ink's `terms_of`.
    For each form `first` is the step at which its own begins, and `ends` are the two at which it
    may be left for the next letter: where its own ends, and its last.
    """

    forms: tuple[Form, ...]
    terms: Values
    first: tuple[int, ...]
    led: dict[int, tuple[int, ...]]
    """By the step at which their own begins: the forms that are led into."""
    ends: tuple[tuple[int, int], ...]

    @classmethod
    def of(cls, forms: tuple[Form, ...]) -> "Steps":
        """The steps of a letter in these forms."""
        parts = [
            [
                [_thin(stroke, stride) for stroke in part]
                for part, stride in ((f.before, LEADS), (f.own, STRIDE), (f.after, STRIDE))
            ]
            for f in forms
        ]
        lengths = [[sum(map(len, part)) for part in form] for form in parts]
        terms = np.zeros((max(map(sum, lengths)), len(forms), 5), np.float32)
        for at, form in enumerate(parts):
            lines = [line for part in form for line in part]
            heights = np.concatenate([line[:, 1] for line in lines])
            headings = np.concatenate([polyline.headings(line) for line in lines])
            kept = terms[: len(heights), at]
            kept[:, 0], kept[:, 1] = 1.0, -2.0 * heights
            kept[:, 2] = heights * heights + HEADING_WEIGHT
            kept[:, 3:] = -HEADING_WEIGHT * headings
        first = tuple(before for before, _, _ in lengths)
        return cls(
            forms=forms,
            terms=terms,
            first=first,
            led={
                step: tuple(at for at, one in enumerate(first) if one == step)
                for step in first
                if step
            },
            ends=tuple(
                (before + own - 1, before + own + after - 1) for before, own, after in lengths
            ),
        )

    @property
    def own_ends(self) -> int:
        """The first step at which any form's own ends."""
        return min(own for own, _ in self.ends)


def terms_of(heights: FloatArray, headings: FloatArray) -> Values:
    """What the cost of putting ink on a step of the course is a product of with its `terms`:
    (h - k)² + HEADING_WEIGHT (1 - uv), from heights (n,) and unit headings (n, 2); (5, n)."""
    terms = np.ones((5, len(heights)), np.float32)
    terms[0], terms[1] = heights * heights, heights
    terms[3:] = headings.T
    return terms


@dataclass(frozen=True, slots=True, eq=False)
class Course:
    """The letters of the way, spaces left out; for each the share of the way, in the hand's own
    forms, that is done at its end; and how often the hand lifts the pen, after each word and after
    letters that it does not join."""

    letters: tuple[Steps, ...]
    shares: FloatArray
    lifts: int


@lru_cache(maxsize=256)
def course_of(text: str, hand: Hand, *, capitals: bool = True) -> Course:
    """The course of a text in a joined hand; a small letter may be met as a capital too, or not.
    Raises UnknownLetterError."""
    letters = tuple(
        _steps_of(
            word[max(at - 1, 0) : at + 1], hand, _is_joined(word[at : at + 2], hand), capitals
        )
        for word in text.split()
        for at in range(len(word))
    )
    lengths = [letter.ends[0][1] + 1 for letter in letters]
    return Course(
        letters=letters,
        shares=np.cumsum(lengths) / sum(lengths),
        lifts=sum(not letter.forms[0].joined for letter in letters),
    )


def _is_joined(pair: str, hand: Hand) -> bool:
    """Whether the hand joins two letters; not the last of a word."""
    return len(pair) == 2 and _forms_of(pair, hand)[0].joined


@lru_cache(maxsize=4096)
def _steps_of(pair: str, hand: Hand, goes_on: bool, capitals: bool) -> Steps:
    """The last letter of a pair, or the one letter of a word's beginning, in the forms in which it
    may be met."""
    return Steps.of(
        tuple(
            replace(form, goes_on=goes_on)
            for form in _forms_of(pair, hand)
            if capitals or form.is_joined or not form.other_case
        )
    )


@lru_cache(maxsize=4096)
def _forms_of(pair: str, hand: Hand) -> tuple[Form, ...]:
    """The forms of the last letter of a pair, as it comes after the first; of one letter alone."""
    letter = pair[-1]
    forms = [_composed(pair, way) for way in _ways_of(letter, hand)]
    if forms[0].joined and _begins_high(forms[0]):
        alone = replace(_forms_of(letter, hand)[0], cost=LIFTED_AT_A_JOIN, joined=True)
        forms.insert(1, alone)
    if letter in _PRINTED:
        forms.append(_printed(letter, AS_IN_PRINT, other_case=False))
    if letter.isupper():
        forms += _with_its_bar_later(forms[0], letter)
    if letter.swapcase() in PLAIN.scripts and letter.swapcase() != letter:
        case = _printed(letter.swapcase(), CASE_ON_THE_WAY, other_case=True)
        forms += [case, *_with_its_bar_later(case, letter.swapcase())]
    return tuple(forms)


def _begins_high(form: Form) -> bool:
    """Whether it is led into from a letter that ends above the line, as o and w do: where that join
    stands open the lead-in is another."""
    return float(form.before[0][0, 1]) > ABOVE_THE_LINE


def _with_its_bar_later(form: Form, letter: str) -> list[Form]:
    """A capital whose bar may come last of all: A, H, T."""
    kinds = [stroke.moves[0].kind for stroke in PLAIN.scripts[letter].strokes]
    barred = len(kinds) > 1 and kinds.count(MoveKind.CROSS) == 1
    if letter.islower() or not barred or len(form.own) != len(kinds):
        return []
    return [replace(form, own=form.own[:-1], cost=form.cost + BAR_COMES_LATER, bars=1)]


@lru_cache(maxsize=256)
def _ways_of(letter: str, hand: Hand) -> tuple[Hand, ...]:
    """The hand, and it with each of the letter's accepted ways chosen that goes along another
    line."""
    ways, forms = [hand], [_composed(letter, hand)]
    for name in hand.alternatives.get(letter, {}):
        way = choose(hand, {letter: name})
        form = _composed(letter, way)
        if not any(_same(form, known) for known in forms):
            ways.append(way)
            forms.append(form)
    return tuple(ways)


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


def _thin(points: FloatArray, stride: int) -> FloatArray:
    """Points so many of the ink's apart."""
    if len(points) < 2:
        return points
    along = polyline.distances_along(points)
    count = max(2, round(float(along[-1]) / (stride * INK_SPACING)) + 1)
    return polyline.resample(points, count, along)
