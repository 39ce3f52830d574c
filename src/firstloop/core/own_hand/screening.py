"""Which samples of a letter count, and what is wrong with the others.

Samples of one form are alike along the pen's path; the form that most of them have counts, of as
many the one that is more like the base hand's. What is not of that form is named: a scribble,
another letter, a letter off its lines, one that shook, or the same letter made another way.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines
from firstloop.core.letters.hands import group_of
from firstloop.core.own_hand.course import runs_of
from firstloop.core.own_hand.middle import apart, look_apart
from firstloop.core.own_hand.sample import Sample

ALIKE_MEAN, ALIKE_MOST = 0.085, 0.25
"""[u] Samples of one form are no further apart along the pen's path, after best place and size, in
the mean and at most: half as much again as the most that a steady hand varies by."""

SHAKY = 0.0024
"""[u] A sample whose pen shook by more says too little: a steady grown-up's stays under 0.0015."""

OFF_LINES, SIZE = 0.22, (0.78, 1.28)
"""[u, ratio] A sample that stands so far above or below where the letter stands, or is so much
smaller or larger, is not on its lines."""

AS_BASE = 0.06
"""[u] A sample no further from a way of the base should stand where that stands."""

SMALLEST = 0.05
"""[u] Of what is smaller, a dot, the size says nothing."""

LIKE_ANOTHER, JUST_LIKE_ANOTHER, CLEARLY, LOOKS_LIKE = 0.1, 0.06, 0.5, 0.09
"""[u, u, ratio, u] A sample that is no further than the first from another letter (than the second,
where others are made as it is), and at most the third of how far it is from its own, is that
letter; unless it looks like its own, to the fourth, whatever the way it was made."""

FAR, MOST_RUNS, MANY_RUNS, LONGER = 0.35, 16, 10, 2.6
"""[u, runs, runs, ratio] What is like no other sample is no letter if it is so much longer than its
own; or further from it than the first, and turns more often than any, or often and does not look
like its own."""


class ProblemCode(StrEnum):
    """What is wrong with a sample."""

    SAMPLES_DISAGREE = "samples_disagree"
    FAR_FROM_ANY = "far_from_any"
    ANOTHER_LETTER = "another_letter"
    NOT_ON_LINES = "not_on_lines"
    TOO_SHAKY = "too_shaky"


@dataclass(frozen=True, slots=True)
class Problem:
    """What is wrong with a sample, its name, and what to do."""

    code: ProblemCode
    sample: str
    say: str


Drawings = Mapping[str, Sequence[Lines]]
"""Of each letter the ways of the base hand, drawn coarsely in the proportions of the samples."""


def screened(
    letter: str, samples: Sequence[Sample], known: Drawings
) -> tuple[list[Sample], list[Problem]]:
    """The samples that count, and a problem for each of the others."""
    left, problems = [], []
    for one in samples:
        alone = not any(_alike(one, other) for other in samples if other is not one)
        if alone and _is_scribble(one, known[letter]):
            problems.append(_far(letter, one))
        elif one.shake > SHAKY:
            problems.append(_shaky(letter, one))
        else:
            left.append(one)
    while left:
        form = _one_form(left, known[letter])
        wrong = [problem for one in form if (problem := _wrong(letter, one, form, known))]
        named = {problem.sample for problem in wrong}
        good = [one for one in form if one.name not in named]
        left = [one for one in left if one not in form]
        problems += wrong
        if good:
            return good, problems + [_left_out(letter, one, good[0].coarse, known) for one in left]
    return [], problems


def _one_form(samples: Sequence[Sample], ways: Sequence[Lines]) -> list[Sample]:
    """The samples of the most frequent form; of as many, that which is more like the base's."""
    forms = [[other for other in samples if _alike(one, other)] for one in samples]

    def rank(form: list[Sample]) -> tuple[int, float]:
        return -len(form), min(_from_ways(one, ways) for one in form)

    return min(forms, key=rank)


def _alike(one: Sample, other: Sample) -> bool:
    if one is other:
        return True
    off = apart(one.coarse, other.coarse, sized=True)
    return off.mean < ALIKE_MEAN and off.most < ALIKE_MOST


def _from_ways(sample: Sample, ways: Sequence[Lines]) -> float:
    return min(apart(sample.coarse, way, sized=True).mean for way in ways)


def _wrong(letter: str, sample: Sample, form: Sequence[Sample], known: Drawings) -> Problem | None:
    """What is wrong with a sample of the form that counts; None where nothing is."""
    like = LIKE_ANOTHER if len(form) == 1 else JUST_LIKE_ANOTHER
    other = _another(letter, sample, known[letter], known, like)
    if other is not None:
        return _is_another(letter, sample, other)
    should = _where_it_stands(sample, form, known[letter])
    return _not_on_lines(letter, sample) if should and _is_off(sample.lines, should) else None


def _left_out(letter: str, sample: Sample, counts: Lines, known: Drawings) -> Problem:
    """What is wrong with a sample that is not of the form that counts."""
    other = _another(letter, sample, [counts, *known[letter]], known, LIKE_ANOTHER)
    if other is not None:
        return _is_another(letter, sample, other)
    say = f"This {letter} is made in another way than the others: decide on one, write it again."
    return Problem(ProblemCode.SAMPLES_DISAGREE, sample.name, say)


def _where_it_stands(
    sample: Sample, form: Sequence[Sample], ways: Sequence[Lines]
) -> tuple[float, float] | None:
    """How high the middle of the letter should be, and how large it should be: as most of three
    have it; or as the base has it, if its way is the sample's; None where nothing says."""
    if len(form) > 2:
        places = np.array([_stands(one.lines) for one in form])
        height, size = np.median(places, axis=0)
        return float(height), float(size)
    off = [apart(sample.coarse, way, sized=True).mean for way in ways]
    return _stands(ways[int(np.argmin(off))]) if min(off) < AS_BASE else None


def _stands(lines: Lines) -> tuple[float, float]:
    points = np.vstack(lines)
    middle = points.mean(axis=0)
    return float(middle[1]), float(np.hypot(*(points - middle).T).mean())


def _is_off(lines: Lines, should: tuple[float, float]) -> bool:
    height, size = _stands(lines)
    within = SIZE[0] < size / max(should[1], SMALLEST) < SIZE[1]
    return abs(height - should[0]) > OFF_LINES or not (within or should[1] < SMALLEST)


def _another(
    letter: str, sample: Sample, ways: Sequence[Lines], known: Drawings, like: float
) -> str | None:
    """Which letter of its kind a sample clearly is, if it neither is nor looks like its own."""
    own = _from_ways(sample, ways)
    if group_of(letter) == "mark" or own < AS_BASE:  # marks are told apart by where they stand
        return None
    off = {
        name: min(apart(sample.coarse, way, sized=True).mean for way in others)
        for name, others in known.items()
        if name != letter and group_of(name) == group_of(letter)
    }
    nearest = min(off, key=lambda name: off[name])
    if off[nearest] > like or off[nearest] > CLEARLY * own:
        return None
    looks = min(look_apart(sample.coarse, way) for way in ways)
    return nearest if looks > LOOKS_LIKE else None


def _is_scribble(sample: Sample, ways: Sequence[Lines]) -> bool:
    if _length(sample.lines) > LONGER * max(_length(way) for way in ways):
        return True
    if _from_ways(sample, ways) < FAR:
        return False
    runs = sum(len(runs_of(line)) for line in sample.lines)
    looks = min(look_apart(sample.coarse, way) for way in ways)
    return runs > MOST_RUNS or (runs >= MANY_RUNS and looks > LOOKS_LIKE)


def _length(lines: Lines) -> float:
    return sum(polyline.length(line) for line in lines)


def _shaky(letter: str, sample: Sample) -> Problem:
    say = f"The line of this {letter} shakes: write it once more, in one easy go."
    return Problem(ProblemCode.TOO_SHAKY, sample.name, say)


def _is_another(letter: str, sample: Sample, other: str) -> Problem:
    say = f"This is a {other}, not a {letter}: write a {letter} in its place."
    return Problem(ProblemCode.ANOTHER_LETTER, sample.name, say)


def _far(letter: str, sample: Sample) -> Problem:
    say = f"No {letter} is seen in this: write it once more, alone on the lines."
    return Problem(ProblemCode.FAR_FROM_ANY, sample.name, say)


def _not_on_lines(letter: str, sample: Sample) -> Problem:
    say = f"This {letter} is not on its lines: write it once more, from line to line."
    return Problem(ProblemCode.NOT_ON_LINES, sample.name, say)
