"""The course of a joined text: the way of the pen through all of its letters and joins, with every
form in which a letter may be met on it."""

from collections.abc import Collection
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import product

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.forms_on_the_way import Form, forms_met, is_joined, others_met
from firstloop.core.checking.texts.way_through import HEADING_WEIGHT, Lanes
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import INK_SPACING
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand

STRIDE, LEADS = 6, 18
"""[points] Points of ink (of INK_SPACING) to a step along a joined word: 0.12 u, a thirtieth of a
letter; and along what leads to one, which other joined hands draw otherwise."""


Values = npt.NDArray[np.float32]


@dataclass(frozen=True, slots=True, eq=False)
class Course:
    """The letters of the way, spaces left out: the forms in which each may be met, and all of these
    step by step; for each whether the hand joins it to the one after it, so that no flick is asked
    for, and the share of the way, in the hand's own forms, that is done at its end; and how often
    the hand lifts the pen, after each word and after letters that it does not join."""

    text: str
    letters: tuple[tuple[Form, ...], ...]
    lanes: Lanes
    goes_on: tuple[bool, ...]
    shares: FloatArray
    lifts: int

    def met_in(self, lane: int) -> tuple[int, Form]:
        """Which letter, and which of its forms, a lane is."""
        place = int(self.lanes.letter[lane])
        return place, self.letters[place][lane - int(self.lanes.letters[place])]

    def doubting(self, places: Collection[int], hand: Hand) -> "Course":
        """The same course, with any other small letter at some of its places."""
        text = self.text.replace(" ", "")
        letters = tuple(
            (*forms, *others_met(text[at], hand, joined=forms[0].joined)) if at in places else forms
            for at, forms in enumerate(self.letters)
        )
        return replace(self, letters=letters, lanes=_lanes(letters))


@lru_cache(maxsize=256)
def course_of(text: str, hand: Hand, *, capitals: bool = True) -> Course:
    """The course of a text in a joined hand; a small letter may be met as a capital too, or not.
    Raises UnknownLetterError."""
    places = [(word, at) for word in text.split() for at in range(len(word))]
    letters = tuple(
        forms_met(word[max(at - 1, 0) : at + 1], hand, capitals=capitals) for word, at in places
    )
    ends = np.cumsum([_steps_of(forms[0]).own_ends + 1 for forms in letters])
    return Course(
        text=text,
        letters=letters,
        lanes=_lanes(letters),
        goes_on=tuple(is_joined(word[at : at + 2], hand) for word, at in places),
        shares=ends / ends[-1],
        lifts=sum(not forms[0].joined for forms in letters),
    )


def compose_pairs(hand: Hand) -> None:
    """Works out once how any small letter of a joined hand is led into from any other."""
    small = [letter for letter in hand.scripts if letter.islower()] if hand.joins else []
    for one, other in product(small, repeat=2):
        for form in forms_met(one + other, hand, capitals=False):
            _steps_of(form)


def _lanes(letters: tuple[tuple[Form, ...], ...]) -> Lanes:
    steps = [[_steps_of(form) for form in forms] for forms in letters]
    every = [one for of_letter in steps for one in of_letter]
    lengths, forms_of = [len(one.terms) for one in every], [len(forms) for forms in letters]
    begins = np.cumsum([0, *lengths])
    return Lanes(
        terms=np.ascontiguousarray(np.concatenate([one.terms for one in every]).T),
        lane=np.repeat(np.arange(len(every)), lengths),
        letter=np.repeat(np.arange(len(letters)), forms_of),
        begins=begins,
        own=begins[:-1] + [one.first for one in every],
        own_ends=begins[:-1] + [one.own_ends for one in every],
        costs=np.array([form.cost for forms in letters for form in forms]),
        letters=np.cumsum([0, *forms_of]),
        done=np.array([min(one.own_ends for one in of_letter) for of_letter in steps]),
    )


@dataclass(frozen=True, slots=True, eq=False)
class _Steps:
    """A form, step by step: the `terms` (step, 5); where its own begins, and where it ends."""

    terms: Values
    first: int
    own_ends: int


@lru_cache(maxsize=4096)
def _steps_of(form: Form) -> _Steps:
    before, own, after = (
        [_thin(stroke, stride) for stroke in part]
        for part, stride in ((form.before, LEADS), (form.own, STRIDE), (form.after, STRIDE))
    )
    lines = [*before, *own, *after]
    heights = np.concatenate([line[:, 1] for line in lines])
    terms = np.empty((len(heights), 5), np.float32)
    terms[:, 0], terms[:, 1] = 1.0, -2.0 * heights
    terms[:, 2] = heights * heights + HEADING_WEIGHT
    terms[:, 3:] = np.concatenate([polyline.headings(line) for line in lines])
    terms[:, 3:] *= -HEADING_WEIGHT
    first = sum(map(len, before))
    return _Steps(terms, first, first + sum(map(len, own)) - 1)


def terms_of(heights: FloatArray, headings: FloatArray) -> Values:
    """What the cost of putting ink on a step of the course is a product of with its `terms`:
    (h - k)² + HEADING_WEIGHT (1 - uv), from heights (n,) and unit headings (n, 2); (n, 5)."""
    terms = np.ones((len(heights), 5), np.float32)
    terms[:, 0], terms[:, 1] = heights * heights, heights
    terms[:, 3:] = headings
    return terms


def _thin(points: FloatArray, stride: int) -> FloatArray:
    """Points so many of the ink's apart."""
    if len(points) < 2:
        return points
    along = polyline.distances_along(points)
    count = max(2, round(float(along[-1]) / (stride * INK_SPACING)) + 1)
    return polyline.resample(points, count, along)
