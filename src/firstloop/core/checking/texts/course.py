"""The course of a joined text: the way of the pen through all of its letters and joins, with every
form in which a letter may be met on it."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from firstloop.core.checking.texts.met import Form, forms_met, is_joined
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.limits import HEADING_WEIGHT, INK_SPACING, LEADS, STRIDE

Values = npt.NDArray[np.float32]


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
        every = [_steps_of(form) for form in forms]
        terms = np.zeros((max(len(one.terms) for one in every), len(forms), 5), np.float32)
        for at, one in enumerate(every):
            terms[: len(one.terms), at] = one.terms
        first = tuple(one.first for one in every)
        return cls(
            forms=forms,
            terms=terms,
            first=first,
            led={
                step: tuple(at for at, one in enumerate(first) if one == step)
                for step in first
                if step
            },
            ends=tuple((one.own_ends, len(one.terms) - 1) for one in every),
        )

    @property
    def own_ends(self) -> int:
        """The first step at which any form's own ends."""
        return min(own for own, _ in self.ends)


@dataclass(frozen=True, slots=True, eq=False)
class _FormSteps:
    """A form, step by step: the `terms` (step, 5); where its own begins, and where it ends."""

    terms: Values
    first: int
    own_ends: int


@lru_cache(maxsize=4096)
def _steps_of(form: Form) -> _FormSteps:
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
    return _FormSteps(terms, first, first + sum(map(len, own)) - 1)


def terms_of(heights: FloatArray, headings: FloatArray) -> Values:
    """What the cost of putting ink on a step of the course is a product of with its `terms`:
    (h - k)² + HEADING_WEIGHT (1 - uv), from heights (n,) and unit headings (n, 2); (5, n)."""
    terms = np.ones((5, len(heights)), np.float32)
    terms[0], terms[1] = heights * heights, heights
    terms[3:] = headings.T
    return terms


@dataclass(frozen=True, slots=True, eq=False)
class Course:
    """The letters of the way, spaces left out; for each whether the hand joins it to the one after
    it, so that no flick is asked for, and the share of the way, in the hand's own forms, that is
    done at its end; and how often the hand lifts the pen, after each word and after letters that
    it does not join."""

    letters: tuple[Steps, ...]
    goes_on: tuple[bool, ...]
    shares: FloatArray
    lifts: int


@lru_cache(maxsize=256)
def course_of(text: str, hand: Hand, *, capitals: bool = True) -> Course:
    """The course of a text in a joined hand; a small letter may be met as a capital too, or not.
    Raises UnknownLetterError."""
    places = [(word, at) for word in text.split() for at in range(len(word))]
    letters = tuple(
        _letter_after(word[max(at - 1, 0) : at + 1], hand, capitals) for word, at in places
    )
    lengths = [letter.ends[0][1] + 1 for letter in letters]
    return Course(
        letters=letters,
        goes_on=tuple(is_joined(word[at : at + 2], hand) for word, at in places),
        shares=np.cumsum(lengths) / sum(lengths),
        lifts=sum(not letter.forms[0].joined for letter in letters),
    )


@lru_cache(maxsize=4096)
def _letter_after(pair: str, hand: Hand, capitals: bool) -> Steps:
    """The last letter of a pair, or the one letter of a word's beginning."""
    return Steps.of(forms_met(pair, hand, capitals=capitals))


def _thin(points: FloatArray, stride: int) -> FloatArray:
    """Points so many of the ink's apart."""
    if len(points) < 2:
        return points
    along = polyline.distances_along(points)
    count = max(2, round(float(along[-1]) / (stride * INK_SPACING)) + 1)
    return polyline.resample(points, count, along)
