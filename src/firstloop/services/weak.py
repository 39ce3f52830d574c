"""What each child of a class is weak in, by the estimates: movements and lines that fail in taught
letters, and letters that are not there yet."""

from collections import Counter
from collections.abc import Collection, Iterator, Mapping
from dataclasses import dataclass
from datetime import date

from firstloop.core.checking.texts.catalogue import DIMENSION_OF
from firstloop.core.contract import Code, Dimension
from firstloop.core.progress.estimates import (
    FAILS_BELOW,
    ChildEstimates,
    HabitEstimate,
    LetterState,
)
from firstloop.core.progress.evidence import LetterKey, letter_key
from firstloop.core.progress.habits import Strand
from firstloop.core.progress.of_class import LetterOfChild, letters_of
from firstloop.core.teaching.habits import HABITS, Slipped
from firstloop.services import progress
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord

A_LETTER_WEIGHS = 0.7
"""[share] A letter as against a movement, which mends several letters at once."""

SEVERAL = 2
"""[letters] A slip in one letter is that letter's; in two it is the movement's."""


@dataclass(frozen=True, slots=True)
class Weakness:
    """A child's weakness: in what (a strand, or a letter), how much (0 to 1), in which letters and
    dimensions it shows."""

    pupil_id: int
    what: Strand | str
    weight: float
    letters: tuple[str, ...]
    dimensions: tuple[Dimension, ...]


def weaknesses(
    session: Session, school_class: ClassRecord, taught: Collection[str], day: date
) -> Iterator[Weakness]:
    """What each child is weak in at the end of a day: strands, then taught letters."""
    joins = school_class.hand.joins
    keys = {letter_key(letter, joins=joins): letter for letter in taught}
    for pupil_id, child in progress.children(session, school_class, day).items():
        yield from weaknesses_of(pupil_id, child, keys)


def weaknesses_of(
    pupil_id: int, child: ChildEstimates, taught: Mapping[LetterKey, str]
) -> Iterator[Weakness]:
    """What one child is weak in: strands, then taught letters."""
    letters = {taught[k]: one for k, one in letters_of(child.letters).items() if k in taught}
    for habit in child.habits:
        shows_in = tuple(_shows_in(habit, letters, taught))
        if _is_weak(habit, len(shows_in)):
            weight, dimension = 1.0 - habit.chance.p, habit.strand.dimension
            yield Weakness(pupil_id, habit.strand, weight, shows_in, (dimension,))
    for letter, stands in letters.items():
        if stands.state is LetterState.NOT_YET:
            weight = A_LETTER_WEIGHS * (1.0 - min(one.p for one in stands.chances.values()))
            fails = (d for d, c in stands.chances.items() if c.p < FAILS_BELOW)
            yield Weakness(pupil_id, letter, weight, (letter,), tuple(fails))


def letters_in(weak: Collection[Weakness]) -> tuple[str, ...]:
    """The letters that weaknesses show in, those of most children first."""
    counts = Counter(letter for one in weak for letter in one.letters)
    return tuple(sorted(counts, key=lambda letter: (-counts[letter], letter)))


def slip_of(weak: Collection[Weakness], slips: Collection[Slipped]) -> Code | None:
    """The slip by which children who are weak in one strand could mend it: what they had most of
    late in its letters, else what it is known by; None where no lesson mends any."""
    (strand,) = {one.what for one in weak}
    assert isinstance(strand, Strand)
    who, letters = {one.pupil_id for one in weak}, set(letters_in(weak))
    seen = Counter(
        one.code
        for one in slips
        if one.pupil_id in who
        and one.letter in letters
        and one.code in HABITS
        and DIMENSION_OF[one.code] is strand.dimension
    )
    known = [code for code in HABITS if code in strand.habit.codes]
    return next(iter([code for code, _ in seen.most_common(1)] or known), None)


def _is_weak(habit: HabitEstimate, letters: int) -> bool:
    """Whether a habit is what a child is weak in: it fails rather than holds and shows in a letter,
    or it is not secure and shows in several."""
    if habit.chance.state in (LetterState.UNKNOWN, LetterState.SECURE):
        return False
    return letters >= SEVERAL or (letters > 0 and habit.chance.p < FAILS_BELOW)


def _shows_in(
    habit: HabitEstimate,
    letters: Mapping[str, LetterOfChild],
    taught: Mapping[LetterKey, str],
) -> Iterator[str]:
    """The taught letters that are weak where the habit is."""
    for key in habit.letters:
        stands = letters.get(taught.get(key, ""))
        chance = stands.chances.get(habit.strand.dimension) if stands else None
        if chance is not None and chance.p < FAILS_BELOW:
            yield taught[key]
