"""A school's own hand from samples of its letters: what each letter's form is, and its script."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from firstloop.core.geometry.even import Lines
from firstloop.core.letters import Hand
from firstloop.core.letters.drawing import Proportions
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import MoveKind, Script
from firstloop.core.own_hand.joining import joins_learnt
from firstloop.core.own_hand.middle import Apart, apart, coarse, middle
from firstloop.core.own_hand.proportions import lean_and_width, proportions_of, unleaned
from firstloop.core.own_hand.redrawn import lines_of
from firstloop.core.own_hand.sample import Sample
from firstloop.core.own_hand.screening import Drawings, Problem, screened
from firstloop.core.own_hand.tidied import from_the_left, tidied, with_fewest_nodes
from firstloop.core.own_hand.understood import Manner, understood

BASE_MEAN, BASE_MOST = 0.05, 0.15
"""[u] A letter no further from a way of the base hand, along the pen's path, after best place and
one factor of size, in the mean and at most, is written in that way (the hand contract)."""

PLACED_MEAN, PLACED_MOST = 0.06, 0.14
"""[u] And no further without a factor of size: it is to be drawn again as it was written."""

BASE, OWN = "base", "own"
"""Forms of a letter; an accepted alternative of the base's is `alternative:` and its name."""


@dataclass(frozen=True, slots=True)
class Learnt:
    """What was understood of one letter. `form`: OWN, BASE or the alternative; `off`: how far it
    is, drawn again, from the middle of the samples that count (None where none does)."""

    letter: str
    script: Script
    form: str
    samples: int
    left_out: int
    off: Apart | None
    problems: tuple[Problem, ...]


@dataclass(frozen=True, slots=True, eq=False)
class LearntHand:
    """The hand, and what was understood of each letter that was written."""

    hand: Hand
    letters: tuple[Learnt, ...]


def learn(samples: Iterable[Sample], base: Hand, name: str) -> LearntHand:
    """The hand of these samples: of letters, and in a hand that joins of words, which say where the
    pen is lifted. What was not written is the base hand's."""
    by_letter: dict[str, list[Sample]] = {}
    for sample in samples:
        by_letter.setdefault(sample.letter, []).append(sample)
    words = [one for letter, ones in by_letter.items() if len(letter) > 1 for one in ones]
    ordered = {letter: by_letter[letter] for letter in base.scripts if letter in by_letter}
    known = _drawings(base, lean_and_width(_first_of_each(ordered), base))
    kept = {letter: screened(letter, ordered[letter], known) for letter in ordered}
    middles = {
        letter: middle([one.lines for one in good]) for letter, (good, _) in kept.items() if good
    }
    shape = proportions_of(middles, base)
    letters = tuple(
        _learnt(
            letter, len(ordered[letter]), kept[letter][1], _form_of(letter, middles, base, shape)
        )
        for letter in ordered
    )
    hand = _hand(name, base, shape, letters)
    if base.joins:
        hand = replace(hand, joined=joins_learnt(words, hand))
    return LearntHand(hand, letters)


def prepare(base: Hand, shape: Proportions) -> None:
    """Draws what letters are compared with, so that the first is understood as fast as others."""
    _drawings(base, shape)


def learn_letter(letter: str, samples: Sequence[Sample], base: Hand, shape: Proportions) -> Learnt:
    """One letter, in the proportions that its hand has so far; raises KeyError for one that the
    base does not have."""
    good, problems = screened(letter, samples, _drawings(base, shape))
    middles = {letter: middle([one.lines for one in good])} if good else {}
    return _learnt(letter, len(samples), problems, _form_of(letter, middles, base, shape))


def _first_of_each(samples: Mapping[str, Sequence[Sample]]) -> dict[str, Lines]:
    """Of each letter the sample in the middle of them by height: no outlier of three."""

    def height(one: Sample) -> float:
        return float(one.points[:, 1].mean())

    return {
        letter: sorted(ones, key=height)[len(ones) // 2].lines for letter, ones in samples.items()
    }


@lru_cache(maxsize=32)
def _drawings(base: Hand, shape: Proportions) -> Drawings:
    return {
        letter: [coarse(lines_of(way, shape)) for _, way in _ways(base, letter)]
        for letter in base.scripts
    }


def _ways(base: Hand, letter: str) -> list[tuple[str, Script]]:
    """The ways of a letter by their forms, the base's own first."""
    own = base.scripts[letter]
    others = [
        (f"alternative:{name}", way)
        for name, way in base.alternatives.get(letter, {}).items()
        if way is not own
    ]
    return [(BASE, own), *others]


def manner_of(base: Hand) -> Manner:
    """What a hand does with all of its small letters."""
    small = [script for letter, script in base.scripts.items() if group_of(letter) == "small"]
    ends = [script.strokes[0].moves[-1].kind for script in small]
    return Manner(joins=base.joins, flicks=MoveKind.FLICK in ends)


def _learnt(
    letter: str, samples: int, problems: Sequence[Problem], form: tuple[Script, str, Apart | None]
) -> Learnt:
    script, name, off = form
    return Learnt(letter, script, name, samples, len(problems), off, tuple(problems))


def _form_of(
    letter: str, middles: Mapping[str, Lines], base: Hand, shape: Proportions
) -> tuple[Script, str, Apart | None]:
    """The script of what was written, its form, and how far it is from that; the base's where no
    sample counts."""
    lines = middles.get(letter)
    if lines is None:
        return base.scripts[letter], BASE, None
    for form, way in _ways(base, letter):
        drawn = lines_of(way, shape)
        sized, off = apart(drawn, lines, sized=True), apart(drawn, lines)
        is_it = sized.mean <= BASE_MEAN and sized.most <= BASE_MOST
        if is_it and off.mean <= PLACED_MEAN and off.most <= PLACED_MOST:
            return way, form, off
    script = own_script(letter, lines, shape, manner_of(base))
    return script, OWN, apart(lines_of(script, shape), lines)


def own_script(letter: str, lines: Lines, shape: Proportions, manner: Manner) -> Script:
    """The script of a letter of its own form, from its middle."""
    upright = tuple(line / (shape.width, 1.0) for line in unleaned(lines, shape.slant_deg))
    small = group_of(letter) == "small"
    script = understood(letter, upright, manner if small else Manner())
    plain = replace(shape, width=1.0, slant_deg=0.0)
    return with_fewest_nodes(from_the_left(tidied(script, shape.branch)), plain)


def _hand(name: str, base: Hand, shape: Proportions, letters: Sequence[Learnt]) -> Hand:
    """The base hand with what was learnt. A letter of its own form accepts what was shown; one that
    is the base's accepts the base's other ways."""
    own = {one.letter: one.script for one in letters}
    alternatives = {
        letter: ways
        for letter, ways in base.alternatives.items()
        if own.get(letter, base.scripts[letter]) in ways.values()
    }
    return Hand(name, shape, base.scripts | own, alternatives)
